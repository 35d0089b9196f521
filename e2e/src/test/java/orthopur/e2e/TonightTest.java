package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.assertions.LocatorAssertions;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The supervisor's evening: the plan, what changes it, and what is due. */
class TonightTest {
    @Test
    void aNightIsPlannedAndPlannedAgainByOnePress() {
        try (Browser b = new Browser(RunningServer.shared()).as("Ilse Varga")) {
            b.go("/tonight");
            Locator work = b.page.locator(".night-work");
            work.first().waitFor();
            assertTrue(work.count() > 5, work.count() + " blocks");
            assertEquals(List.of(), b.axe());
            b.button("Late").click();
            b.button("Only try it").click();
            assertThat(b.text(Pattern.compile("only tried"))).isVisible();
            b.button("Back to the plan").click();
            b.button("No hot water").click();
            b.button("Say it, and plan again").click();
            Locator said = b.page.locator(".said li");
            // Sixteen machines are planned anew beside other journeys.
            assertThat(said)
                    .hasCount(1, new LocatorAssertions.HasCountOptions().setTimeout(60_000));
            assertThat(said).containsText("no hot water until");
            b.button("Take back").click();
            assertThat(said)
                    .hasCount(0, new LocatorAssertions.HasCountOptions().setTimeout(60_000));
        }
    }

    @Test
    void whatIsDueIsDoneAndStandsInTheDaysAhead() {
        try (Browser b = new Browser(RunningServer.shared()).as("Ilse Varga")) {
            b.go("/due?task=QK-SL1/upkeep/feet");
            b.page.locator(".due-row").first().waitFor();
            assertEquals(List.of(), b.axe());
            b.button("It is done: write it down").click();
            assertThat(b.text("Written down as done.")).isVisible();
            b.go("/due?show=month");
            assertThat(b.page.locator(".due-cloth tbody tr")).hasCount(35);
            assertEquals(List.of(), b.axe());
        }
    }
}
