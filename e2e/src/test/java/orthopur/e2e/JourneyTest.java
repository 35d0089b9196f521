package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;

/** From the desk to the logbook: signed in, written, mended, approved, carried out, read. */
// It waits for a real minute, in which the others go on.
@Order(1)
class JourneyTest {
    private static void accessible(Browser b) {
        b.page.locator("h1").first().waitFor();
        assertEquals(List.of(), b.axe(), b.page.url());
    }

    @Test
    void aWrongPasswordIsToldPlainly() {
        try (Browser b = new Browser(RunningServer.shared())) {
            b.go("/");
            b.page.waitForURL("**/sign-in");
            accessible(b);
            b.signIn("Ilse Varga", "guess");
            assertThat(b.page.getByRole(AriaRole.ALERT)).containsText("do not match");
            b.signIn("Ilse Varga".repeat(30), "guess");
            assertThat(b.page.getByRole(AriaRole.ALERT)).containsText("do not match");
            b.signIn("Ilse Varga", "quillmere-ilse");
            b.page.waitForURL("**/tonight");
            accessible(b);
        }
    }

    @Test
    void theDraftIsStoppedMendedSavedAndApproved() {
        RunningServer server = RunningServer.shared();
        Seed.copy(server, "qk-sl1-draft", "from-the-binder", "Disc slicer, by the night crew");
        try (Browser b = new Browser(server).as("Ilse Varga")) {
            b.go("/procedures");
            b.page.getByRole(
                            AriaRole.LINK,
                            new Page.GetByRoleOptions()
                                    .setName(Pattern.compile("by the night crew")))
                    .click();
            Locator approve = b.button(Pattern.compile("^Approve"));
            assertThat(approve).containsText("6 stops left");
            assertThat(approve).isDisabled();
            accessible(b);

            // Typing runs at once: a strength that cannot be is told at its field, undo takes it
            // back.
            b.button(Pattern.compile("^Step 21 Sanitize")).click();
            Locator strength = b.page.getByLabel("Strength");
            strength.fill("-5 mg/L");
            assertThat(b.page.getByRole(AriaRole.ALERT)).containsText("0 to 1,000,000 mg/L");
            strength.fill("abc");
            assertThat(b.text("This is a number with its unit")).isVisible();
            strength.fill("49.5 mg/L");
            assertThat(b.page.getByRole(AriaRole.TAB).first()).containsText("6 + 2");
            accessible(b);
            b.button("Undo").click();
            assertThat(b.page.getByLabel("Strength")).hasValue("62 mg/L");

            // By keyboard: a new step after this one, moved up, deleted again.
            b.button(Pattern.compile("^Step 21 Sanitize")).focus();
            b.page.keyboard().press("n");
            assertThat(b.button(Pattern.compile("^Step 22 Inspect"))).isVisible();
            b.button(Pattern.compile("^Step 22 Inspect")).focus();
            b.page.keyboard().press("Alt+ArrowUp");
            assertThat(b.button(Pattern.compile("^Step 21 Inspect"))).isVisible();
            b.button(Pattern.compile("^Step 21 Inspect")).focus();
            b.page.keyboard().press("Delete");
            assertThat(b.button(Pattern.compile("^Step 21 Sanitize"))).isVisible();

            // A finding walks to its step; its remedy is one press with the difference beside it.
            b.page.getByRole(AriaRole.TAB).first().click();
            b.button(Pattern.compile("Scraper is not moved aside")).click();
            assertThat(b.page.locator(".step.selected")).containsText("Wash");
            assertThat(b.page.locator(".lit-column").first()).isAttached();
            Locator verdict = b.page.getByRole(AriaRole.TAB).first();
            for (int left = 8; left > 0; left--) {
                String was = verdict.innerText();
                b.page.locator(".btn.mend").first().click();
                assertThat(verdict).not().hasText(was);
            }
            // The remedy of a weak sanitizer goes to what the instruments of this site can tell
            // from
            // too weak, so nothing is left to be advised.
            verdict.click();
            assertThat(b.text("Nothing found by the rules that are judged")).isVisible();
            b.page.keyboard().press("Control+s");
            assertThat(b.button("Saved")).isVisible();

            approve.click();
            b.page.getByLabel("PIN").first().fill("0000");
            b.button("Sign and approve").click();
            assertThat(b.page.getByRole(AriaRole.ALERT)).containsText("The PIN is wrong");
            accessible(b);
            b.page.getByLabel("PIN").first().fill("471148");
            b.button("Sign and approve").click();
            assertThat(b.text("Approved by Ilse Varga. The floor works from it now.")).isVisible();
            b.page.reload();
            b.button(Pattern.compile("^Step 1 ")).waitFor();
            assertEquals(0, b.button("Undo").count(), "an approved version is frozen");
            assertEquals(List.of(), b.complaints());
        }
    }

    @Test
    void theRoundIsCarriedOutWithAWeakBucketAndRead() {
        String shift = "qk-sl1-end-of-shift";
        try (RunningServer server = new RunningServer();
                Browser b = new Browser(server).as("Maren Oyelaran")) {
            b.go("/floor");
            b.page.getByText("Get ready").first().waitFor();
            accessible(b);
            b.page.setViewportSize(1024, 768);
            // Wear parts are counted before the first screw; not counted is not none.
            b.go("/floor/start/qk-sw1-daily");
            assertThat(b.text("Spare wear parts")).isVisible();
            Locator stock = b.page.getByLabel("Saw blade in stock");
            assertThat(stock).hasText("?");
            b.button("Saw blade more").click();
            assertThat(stock).hasText("0");
            b.button("Saw blade more").click();
            assertThat(stock).hasText("1");
            accessible(b);
            // By the machine's label: what is to be done there.
            b.go("/floor/at/QK-SL1");
            b.page.getByText("end of shift").first().waitFor();
            assertEquals(0, b.text("QK-OV1").count());
            b.page.getByRole(AriaRole.LISTITEM)
                    .filter(new Locator.FilterOptions().setHasText("end of shift"))
                    .getByRole(AriaRole.LINK)
                    .click();
            b.button("Start the round").click();
            b.page.locator(".floor-verb").waitFor();
            accessible(b);
            b.plainStep();
            b.plainStep();
            String round = Seed.round(server, "Maren Oyelaran", shift, "off-small");
            // Two pieces tapped; nothing passes, and a kill -9 loses nothing that was acknowledged.
            b.button("Pusher").click();
            b.button("Thrust washer 1").click();
            assertThat(b.button(Pattern.compile("Thrust washer 1")))
                    .hasAttribute("aria-pressed", "true");
            b.confirm();
            assertThat(b.page.getByRole(AriaRole.ALERT)).containsText("Thrust washer 2");
            server.killAndStartAgain();
            b.as("Maren Oyelaran").go(round);
            assertThat(b.button(Pattern.compile("Pusher"))).hasAttribute("aria-pressed", "true");
            assertThat(b.button(Pattern.compile("Thrust washer 1")))
                    .hasAttribute("aria-pressed", "true");
            for (String left : List.of("Catch tray", "Product rod", "Thrust washer 2")) {
                b.button(left).click();
                assertThat(b.button(Pattern.compile(left))).hasAttribute("aria-pressed", "true");
            }
            b.confirm();
            assertThat(b.page.locator(".floor-words h2")).containsText("Carriage");

            Seed.round(server, "Maren Oyelaran", shift, "collect");
            // The soak runs on over later steps; collecting early is refused, or becomes a
            // deviation.
            b.page.locator(".floor-verb").getByText("Collect").waitFor();
            b.confirm();
            assertThat(b.page.getByRole(AriaRole.ALERT)).containsText("soak needs another");
            b.otherwise("Sink needed for the filler, soaked short");
            accessible(b);
            b.button("Record it").click();
            b.plainStep();
            Seed.round(server, "Maren Oyelaran", shift, "sanitize");
            b.page.locator(".floor-verb").getByText("Sanitize").waitFor();

            b.reading("62", "18");
            assertThat(b.page.getByRole(AriaRole.ALERT))
                    .containsText("Add 12 mL of Halvern H12 to the 40 L");
            accessible(b);
            b.confirm();
            assertThat(b.page.locator(".floor-refusal")).containsText("out of range");
            b.button("Added concentrate and stirred").click();
            assertThat(b.page.locator(".pad-planned")).containsText("Read again");
            b.reading("106", "18");
            b.checks();
            b.button(Pattern.compile("is wet")).click();
            String sanitize = b.floorStep();
            // The wet contact of the label is a real minute; the button says when it is over.
            assertThat(b.page.locator(".floor-foot .hold.now"))
                    .containsText(
                            "Hold", new LocatorAssertions.ContainsTextOptions().setTimeout(75_000));
            b.confirm();
            b.page.waitForFunction(
                    "v => document.querySelector('.floor-verb')?.innerText !== v", sanitize);
            Seed.round(server, "Maren Oyelaran", shift, "record");
            b.page.locator(".floor-verb").getByText("Record").waitFor();
            b.confirm();
            b.text("steps are done").waitFor();
            accessible(b);
            b.page.getByLabel("PIN").fill("335027");
            Locator close = b.button("Hold: sign and close");
            close.focus();
            b.page.keyboard().press("Enter");
            b.page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Read the record"))
                    .click();

            b.page.setViewportSize(1280, 800);
            assertThat(b.text("Too weak: at 17.5 °C").first()).isVisible();
            assertThat(b.text("Sink needed for the filler").first()).isVisible();
            assertThat(b.text("closed and signed").first()).isVisible();
            accessible(b);
            b.go("/logbook");
            b.page.getByRole(AriaRole.TABLE).waitFor();
            assertThat(b.text("Chain whole")).isVisible();
            accessible(b);
            assertTrue(b.complaints().isEmpty(), b.complaints().toString());
        }
    }

    @Test
    void twoTabsOnOneDraftAndNothingTypedIsLost() {
        try (Browser b = new Browser(RunningServer.shared()).as("Ilse Varga")) {
            b.go("/procedures");
            b.button(Pattern.compile("New draft from Disc slicer, end of shift$")).click();
            b.button(Pattern.compile("^Step 1 ")).click();
            Page other = b.page.context().newPage();
            other.navigate(b.page.url());
            other.getByLabel("Words for the cleaner")
                    .waitFor(
                            new Locator.WaitForOptions()
                                    .setTimeout(15_000)
                                    .setState(
                                            com.microsoft.playwright.options.WaitForSelectorState
                                                    .ATTACHED));
            b.page.getByLabel("Words for the cleaner").fill("Fetch it all first.");
            b.button("Save").click();
            assertThat(b.button("Saved")).isVisible();
            other.getByLabel("Words for the cleaner").fill("Another wording.");
            other.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Save").setExact(true))
                    .click();
            assertThat(other.getByRole(AriaRole.ALERT)).containsText("saved a newer state");
            assertThat(other.getByLabel("Words for the cleaner")).hasValue("Another wording.");
        }
    }
}
