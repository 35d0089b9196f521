package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import com.microsoft.playwright.Locator;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The workbench without a mouse, and in a narrow window. */
class KeyboardTest {
    @Test
    void theWholeWorkbenchByKeyboard() {
        try (Browser b = new Browser(RunningServer.shared())) {
            b.as("Ilse Varga");
            b.go("/procedures/qk-sl1-draft/1");
            b.text("What this procedure leaves").waitFor();

            // The list of keys is one key away, and Escape closes it.
            b.page.keyboard().press("?");
            assertThat(b.text("undo, redo")).isVisible();
            assertEquals(List.of(), b.axe());
            b.page.keyboard().press("Escape");
            assertThat(b.text("undo, redo")).hasCount(0);

            // Walking, and from finding to finding.
            b.button(Pattern.compile("^Step 1 ")).focus();
            b.page.keyboard().press("ArrowDown");
            assertThat(b.page.locator(".step.selected .number")).containsText("1");
            b.page.keyboard().press("f");
            assertThat(b.page.locator(".step.selected .verb")).hasText("Remove");
            b.page.keyboard().press("f");
            b.page.keyboard().press("f");
            assertThat(b.page.locator(".step.selected .verb")).hasText("Wash");

            // Enter opens the step; what was deleted comes back with undo.
            b.page.locator(".step.selected").focus();
            b.page.keyboard().press("Enter");
            assertThat(b.page.getByLabel("Words for the cleaner")).isVisible();
            Locator steps = b.page.locator(".step");
            assertThat(steps).hasCount(32);
            b.page.locator(".step.selected").focus();
            b.page.keyboard().press("Delete");
            assertThat(steps).hasCount(31);
            b.page.keyboard().press("Control+z");
            assertThat(steps).hasCount(32);
            b.page.keyboard().press("Control+y");
            assertThat(steps).hasCount(31);
            b.page.keyboard().press("Control+z");

            // A phase folds into one line and stays a button with its state.
            Locator phase = b.button(Pattern.compile("Make safe"));
            phase.focus();
            b.page.keyboard().press("Enter");
            assertThat(phase).hasAttribute("aria-expanded", "false");
            assertThat(steps).hasCount(25);

            b.page.setViewportSize(1024, 768);
            assertEquals(List.of(), b.axe());
            boolean sideways =
                    (boolean)
                            b.page.evaluate(
                                    "() => document.documentElement.scrollWidth > document.documentElement.clientWidth");
            assertFalse(sideways);
            assertEquals(List.of(), b.complaints());
        }
    }
}
