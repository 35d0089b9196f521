package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The demo as people start it: ninety nights lie behind it, and a night is to be planned. */
class NightsTest {
    @Test
    void itOpensOnTheEveningBeforeANightWithItsPastBehindIt() {
        try (RunningServer server = RunningServer.withItsPast();
                Browser b = new Browser(server).as("Ilse Varga")) {
            b.go("/tonight");
            Locator work = b.page.locator(".night-work");
            work.first().waitFor();
            assertThat(b.page.locator(".tonight-clock")).containsText("8 h 2");
            // What is known of the nights before stands at each task.
            assertTrue(
                    work.locator("title").allTextContents().stream()
                            .anyMatch(t -> t.contains("usually")),
                    "no task says how long it usually takes");
            moved(b);
            lastNight(b);
            partsAndSettings(b);
            assertEquals(
                    true,
                    b.page.evaluate(
                            "async () => (await (await fetch('/api/logbook/integrity?anew=true')).json()).whole"),
                    "the chain of ninety nights is whole");
            b.go("/logbook");
            assertThat(b.text(Pattern.compile("Rotary filler")).first()).isVisible();
            // Started again soon it goes on; the clock does not begin anew.
            server.killAndStartAgain();
            b.as("Ilse Varga").go("/tonight");
            work.first().waitFor();
            assertThat(b.page.locator(".tonight-clock")).containsText("8 h");
            assertThat(b.page.locator(".said li")).hasCount(1);
        }
    }

    /** A task is moved without a pointer: what else moves is shown first, then it is kept. */
    private static void moved(Browser b) {
        b.button("Move a task").click();
        // One that nothing else waits for: floors an hour later would leave the root table wet.
        String harmless = "qk-ds2-daily/1-work";
        b.page.locator("select:has(option[value='" + harmless + "'])").selectOption(harmless);
        b.page.getByLabel("Not before").selectOption("60");
        b.button("See what else moves").click();
        Locator held = region(b, "What it does");
        assertThat(held.getByText("Keep it like this")).isEnabled();
        assertEquals(List.of(), b.axe());
        held.getByText("Keep it like this").click();
        assertThat(b.page.locator(".said li")).hasCount(1);
        assertThat(b.page.locator(".said li")).containsText("not before 22:00");
    }

    private static void lastNight(Browser b) {
        b.page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Last night")).click();
        assertThat(b.page.locator(".past li")).hasCount(15);
        assertThat(region(b, "Where the time went")).containsText("min instead of");
        assertEquals(List.of(), b.axe());
    }

    private static void partsAndSettings(Browser b) {
        b.go("/due?show=parts");
        Locator wear = region(b, "Wear parts");
        assertThat(wear).containsText("to be ordered");
        assertThat(region(b, "Settings of the machines")).containsText("lets it run at 223.6 °C");
        assertEquals(List.of(), b.axe());
    }

    private static Locator region(Browser b, String name) {
        return b.page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(name));
    }
}
