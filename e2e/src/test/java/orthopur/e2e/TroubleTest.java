package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** When things go wrong: bad files, no rights, a lost signal, a narrow tablet. */
class TroubleTest {
    private final RunningServer server = RunningServer.shared();
    private Browser b;

    @BeforeEach
    void openBrowser() {
        b = new Browser(server);
    }

    @AfterEach
    void closeBrowser() {
        b.close();
    }

    private void bring(Path file) {
        b.page.setInputFiles("input[type=file]", file);
    }

    @Test
    void aFileWithErrorsIsToldInFullAndChangesNothing(@TempDir Path dir) throws IOException {
        b.as("Ilse Varga").go("/procedures");
        b.page.locator(".shelf article").first().waitFor();
        String sheet = Files.readString(Path.of("..", "demo", "machines", "QK-SL1.json"));
        bring(
                Files.writeString(
                        dir.resolve("circle.json"),
                        sheet.replaceFirst(
                                "\"behind\" : \\[\\s*\"pusher\"\\s*\\]",
                                "\"behind\" : [ \"pusher\", \"deflector\" ]")));
        assertThat(b.page.getByRole(AriaRole.ALERT)).containsText("come off first");
        assertThat(b.page.getByRole(AriaRole.ALERT)).containsText("nothing was changed");
        assertEquals(List.of(), b.axe());
        bring(Files.writeString(dir.resolve("cut.json"), sheet.substring(0, 900)));
        assertThat(b.page.getByRole(AriaRole.ALERT)).containsText("not complete JSON");
        bring(
                Files.writeString(
                        dir.resolve("big.json"), "{\"x\":\"" + "a".repeat(5_000_000) + "\"}"));
        assertThat(b.page.getByRole(AriaRole.ALERT)).containsText("5.0 MB");
        String title = "Disc slicer 名前 имя ".repeat(20);
        bring(
                Files.writeString(
                        dir.resolve("long.json"),
                        Files.readString(Path.of("..", "demo", "procedures", "qk-sl1-draft.json"))
                                .replace("Disc slicer, end of shift – old binder", title)));
        assertThat(b.page.getByRole(AriaRole.ALERT)).containsText("/title");
        assertThat(
                        b.page.getByRole(AriaRole.ROW)
                                .filter(new Locator.FilterOptions().setHasText("名前")))
                .hasCount(0);
    }

    @Test
    void unsavedWorkIsPutBackAfterAReload() {
        b.as("Ilse Varga").go("/procedures/qk-sl1-draft/1");
        b.button(Pattern.compile("^Step 1 ")).click();
        b.page.getByLabel("Words for the cleaner").fill("Fetch it all, then begin.");
        assertThat(b.button("Save")).isEnabled();
        b.page.reload();
        assertThat(b.text("Unsaved changes from this browser")).isVisible();
        assertThat(b.page.getByLabel("Words for the cleaner"))
                .hasValue("Fetch it all, then begin.");
        b.button("Undo").click();
        assertThat(b.button("Saved")).isVisible();
    }

    @Test
    void anAuditorSeesEverythingAndChangesNothing() {
        b.as("Anselm Crake").go("/procedures");
        b.page.locator(".shelf article").first().waitFor();
        assertEquals(0, b.button(Pattern.compile("New draft|Import")).count());
        b.page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName(Pattern.compile("old binder")))
                .click();
        b.text("What this procedure leaves").waitFor();
        assertEquals(0, b.button(Pattern.compile("^(Approve|Save|Undo|Add a step)")).count());
        assertEquals(0, b.page.locator(".btn.mend").count());
        b.go("/floor");
        b.text("Disc slicer").first().waitFor();
        assertEquals(0, b.page.getByText("Get ready").count());
        b.go("/procedures/nowhere/1");
        assertThat(b.page.getByRole(AriaRole.ALERT)).containsText("There is no version 1");
        b.go("/nowhere");
        assertThat(b.text("Nothing here")).isVisible();
    }

    @Test
    void tapsMadeWithoutSignalAreKeptAndSentOnceItIsBack() {
        b.as("Maren Oyelaran")
                .go(Seed.round(server, "Maren Oyelaran", "qk-sl1-end-of-shift", "off-small"));
        b.button("Pusher").waitFor();
        b.page.context().setOffline(true);
        b.button("Pusher").click();
        b.button("Product rod").click();
        // The two taps, and what was still on its way when the signal went.
        assertThat(b.page.locator(".floor-signal"))
                .containsText(Pattern.compile("[2-9] entries kept here"));
        assertThat(b.button(Pattern.compile("Pusher"))).hasAttribute("aria-pressed", "true");
        b.page.context().setOffline(false);
        assertThat(b.page.locator(".floor-signal"))
                .hasCount(0, new LocatorAssertions.HasCountOptions().setTimeout(20_000));
        b.page.reload();
        assertThat(b.button(Pattern.compile("Product rod"))).hasAttribute("aria-pressed", "true");

        // Upright, and at the floor of sizes: nothing scrolls sideways, targets are large enough.
        for (int[] size : new int[][] {{800, 1280}, {1024, 768}}) {
            b.page.setViewportSize(size[0], size[1]);
            boolean sideways =
                    (boolean)
                            b.page.evaluate(
                                    "() => document.documentElement.scrollWidth > document.documentElement.clientWidth");
            assertTrue(!sideways, size[0] + " wide");
            @SuppressWarnings("unchecked")
            List<String> small =
                    (List<String>)
                            b.page.evaluate(
                                    "() => [...document.querySelectorAll('.floor button, .floor a')]"
                                            + ".filter(e => e.getBoundingClientRect().height < 56).map(e => e.textContent)");
            assertEquals(List.of(), small);
        }
    }

    /**
     * One tablet, two tabs: what one has written down the other sends, and both come to the same.
     */
    @Test
    void twoTabsOfOneTabletSendEachEntryOnceAndAgree() {
        b.as("Tobiah Renn");
        b.go("/floor");
        b.round(Pattern.compile("Tunnel oven, every night"));
        b.page.locator(".floor-verb").waitFor();
        Page other = b.page.context().newPage();
        other.navigate(b.page.url());
        other.locator(".floor-verb").waitFor();
        b.plainStep();
        assertThat(other.locator(".floor-verb")).hasText(b.floorStep());
        b.page.context().setOffline(true);
        b.plainStep();
        b.plainStep();
        String here = b.floorStep();
        b.page.context().setOffline(false);
        for (Page tab : List.of(b.page, other)) {
            assertThat(tab.locator(".floor-verb")).hasText(here);
            assertThat(tab.locator(".floor-signal"))
                    .hasCount(0, new LocatorAssertions.HasCountOptions().setTimeout(20_000));
            assertThat(tab.locator(".floor-refusal")).hasCount(0);
        }
        other.close();
    }
}
