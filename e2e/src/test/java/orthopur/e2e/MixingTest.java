package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A bucket is mixed, read, corrected and labelled; without signal as well. */
class MixingTest {
    private static final String TUB = "/mixing?vessel=soak-tub&litres=40&t=18&ph=7.4";

    private static Locator alert(Browser b) {
        return b.page.getByRole(AriaRole.ALERT);
    }

    private static String label(Browser b) {
        Locator print = b.page.getByText(Pattern.compile("^Print label"));
        print.waitFor();
        return print.innerText().replace("Print label ", "").strip();
    }

    @Test
    void fromTheFirstLiterToTheLabel() {
        try (Browser b = new Browser(RunningServer.shared()).as("Maren Oyelaran")) {
            b.page.setViewportSize(1024, 768);
            b.go(TUB);
            assertThat(b.page.getByText("It is then 110 mg/L")).isVisible();
            assertEquals(List.of(), b.axe());
            // More than fits, and the vessel by its keys.
            b.page.getByLabel("Liters", exact()).fill("95");
            assertThat(b.text(Pattern.compile("do not go into it"))).isVisible();
            b.page.getByLabel("Liters", exact()).fill("40");
            Locator level = b.page.getByRole(AriaRole.SLIDER);
            assertThat(level).hasAttribute("aria-valuenow", "40");
            level.focus();
            b.page.keyboard().press("ArrowUp");
            assertThat(b.page.getByLabel("Liters", exact())).hasValue("41");
            b.page.keyboard().press("ArrowDown");
            assertThat(level).hasAttribute("aria-valuenow", "40");

            b.button(Pattern.compile("^I mixed it")).click();
            String label = label(b);
            b.page.getByLabel("It shows, mg/L").fill("62");
            assertThat(b.text(Pattern.compile("Out of range"))).isVisible();
            assertThat(b.text("Add 13 mL of Halvern H12 to the 40 L")).isVisible();
            assertEquals(List.of(), b.axe());
            b.button("Write the reading down for " + label).click();
            b.button("I did it: read again").click();
            assertThat(b.page.getByLabel("It shows, mg/L")).hasValue("");
            b.page.getByLabel("It shows, mg/L").fill("112");
            assertThat(b.text(Pattern.compile("In range"))).isVisible();
            b.button("Write the reading down for " + label).click();
            APIResponse pdf =
                    b.page.context()
                            .request()
                            .get(
                                    RunningServer.shared()
                                            .url("/api/prints/solutions/" + label + ".pdf"));
            assertTrue(pdf.ok(), pdf.statusText());

            // Another product does not go on top of it; the shelf knows it by its label.
            b.go("/mixing?vessel=soak-tub&product=palimar-q10&litres=40&t=25");
            assertThat(b.text(Pattern.compile("still holds Halvern H12"))).isVisible();
            assertEquals(0, b.button(Pattern.compile("^I mixed it")).count());
            b.go("/mixing?label=" + label);
            assertThat(b.page.locator(".on-shelf.lit")).containsText("corrected once");
            assertEquals(List.of(), b.axe());
            b.go("/mixing?label=ZZZZZ");
            assertThat(alert(b)).containsText("No solution of this site has the label ZZZZZ");
            assertEquals(List.of(), b.complaints());
        }
    }

    @Test
    void withoutSignalItIsComputedWrittenDownAndSentAfterwards() {
        try (Browser b = new Browser(RunningServer.shared()).as("Tobiah Renn")) {
            String bucket = "/mixing?vessel=red-bucket&litres=8&t=18&ph=7.4";
            b.go(bucket);
            b.text("It is then").first().waitFor();
            b.page.waitForFunction(
                    "() => navigator.serviceWorker.ready.then(r => r.active.state === 'activated')");
            b.page.context().setOffline(true);
            b.page.reload();
            b.text("It is then").first().waitFor();
            b.page.getByLabel("Water, °C").fill("30");
            b.button(Pattern.compile("^I mixed it")).click();
            String label = label(b);
            b.page.context().setOffline(false);
            // Somebody else sees it once it is sent.
            try (Browser other = new Browser(RunningServer.shared()).as("Ilse Varga")) {
                other.page.waitForCondition(
                        () ->
                                other.page
                                        .context()
                                        .request()
                                        .get(RunningServer.shared().url("/api/stream"))
                                        .text()
                                        .contains(label));
                other.go("/mixing?label=" + label);
                assertThat(other.page.locator(".on-shelf.lit")).containsText("red bucket");
            }
            b.page.getByText("Pour it out").click();
            b.button("It is poured out").click();
            assertThat(b.button(Pattern.compile("^I mixed it"))).isVisible();
        }
    }

    @Test
    void theBucketIsNamedAtTheStepThatUsesIt() {
        RunningServer server = RunningServer.shared();
        try (Browser b = new Browser(server).as("Maren Oyelaran")) {
            b.go("/mixing?vessel=sprayer-1&litres=8&t=20&ph=7.4");
            b.button(Pattern.compile("^I mixed it")).click();
            String label = label(b);
            String round = Seed.round(server, "Maren Oyelaran", "qk-ds1-daily", "o-lids");
            b.go(round);
            Locator scan = b.page.getByLabel("Scan or type the label");
            scan.fill("moon9");
            b.button("Take it").click();
            assertThat(alert(b)).containsText("No solution of this site has the label MOON9");
            // As a scanner types what the square on the bucket holds.
            scan.fill(server.url("/mixing?label=" + label));
            scan.press("Enter");
            assertThat(b.text("With solution " + label)).isVisible();
            assertThat(b.text("It holds 8 L; this step is written for 24 L.")).isVisible();
            assertEquals(List.of(), b.axe());
            b.go(round.replace("/floor/", "/logbook/"));
            assertThat(b.text(Pattern.compile("with the solution labeled " + label)).first())
                    .isVisible();
            b.go("/mixing?label=" + label);
            assertThat(b.page.locator(".on-shelf.lit")).containsText("used for QK-DS1");
            assertEquals(List.of(), b.complaints());
        }
    }

    @Test
    void anInstrumentThatProvesWrongIsTakenOutOfUse() {
        try (Browser b = new Browser(RunningServer.shared()).as("Ilse Varga")) {
            b.go("/mixing?show=instruments");
            assertThat(b.button(Pattern.compile("Surface thermometer.*do not use"))).isVisible();
            assertThat(b.text("In doubt since its last good check")).isVisible();
            assertEquals(List.of(), b.axe());
            b.button(Pattern.compile("Pressure gauge")).click();
            check(b, "100", "131");
            assertThat(b.button(Pattern.compile("Pressure gauge.*do not use"))).isVisible();
            // Adjusted and held to both standards again, it is good.
            check(b, "100", "101");
            assertThat(b.button(Pattern.compile("Pressure gauge.*check by"))).isVisible();
            assertThat(b.page.locator(".register-checks li")).hasCount(3);
            assertEquals(List.of(), b.complaints());
        }
    }

    private static void check(Browser b, String low, String shown) {
        Locator standards = b.page.getByLabel("Standard, kPa");
        Locator shows = b.page.getByLabel("It shows, kPa");
        standards.first().fill(low);
        shows.first().fill(shown);
        standards.last().fill("200");
        shows.last().fill("201");
        b.button("Write the check down").click();
    }

    private static com.microsoft.playwright.Page.GetByLabelOptions exact() {
        return new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true);
    }
}
