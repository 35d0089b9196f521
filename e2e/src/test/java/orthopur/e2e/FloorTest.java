package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * The tablet at two in the morning, and the one who looks afterwards. Each test has a machine of
 * its own, since a machine has one open round.
 */
class FloorTest {
    private static Locator link(Browser b, String name) {
        return b.page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name));
    }

    /**
     * The server dies before step 1; the tablet is restarted half-way; then it is all handed over.
     */
    @Test
    void aWholeRoundWithoutTheServerThenReleasedAndReplayed() {
        try (RunningServer server = new RunningServer();
                Browser b = new Browser(server).as("Maren Oyelaran")) {
            b.go("/floor");
            b.round(Pattern.compile("oil at five points"));
            b.page.locator(".floor-verb").waitFor();
            b.page.evaluate("() => navigator.serviceWorker.ready.then(() => true)");
            String round = b.page.url();
            server.killAfter(0);
            for (int i = 0; i < 4; i++) {
                b.plainStep();
            }
            assertThat(b.page.locator(".floor-signal")).containsText("no signal");
            String half = b.floorStep();
            b.page.reload();
            assertThat(b.page.locator(".floor-verb")).hasText(half);
            assertEquals(List.of(), b.axe());
            while (b.page.locator(".floor-verb").count() > 0 && !b.floorStep().contains("Record")) {
                b.plainStep();
            }
            b.confirm();
            b.text("steps are done").waitFor();
            assertThat(b.text("Handing over takes a connection")).isVisible();
            server.startAgain();
            link(b, "Sign in again").click();
            b.page.waitForURL("**/sign-in**");
            b.as("Maren Oyelaran").page.navigate(round);
            assertThat(b.text("Your PIN signs")).isVisible();
            b.page.getByLabel("PIN").fill("335027");
            Locator close = b.button("Hold: sign and close");
            close.focus();
            b.page.keyboard().press("Enter");
            assertThat(b.text("Somebody else inspects it now")).isVisible();

            // Who cleaned does not release; quality does.
            b.go("/board");
            link(b, "Inspect and release").click();
            assertThat(b.text("did work in this round").or(b.text("Only quality"))).isVisible();
            b.as("Ruvi Hast").go("/board");
            b.page.getByRole(AriaRole.LIST).first().waitFor();
            assertEquals(List.of(), b.axe());
            link(b, "Inspect and release").click();
            b.button("Inspected, nothing wrong").click();
            assertThat(b.text("passed, Ruvi Hast")).isVisible();
            assertEquals(List.of(), b.axe());
            b.page.getByLabel("PIN", new Page.GetByLabelOptions().setExact(true)).fill("902754");
            b.button("Sign and release").click();
            assertThat(b.text("Released for production.")).isVisible();
            link(b, "The record").click();
            assertThat(b.text("released for production").first()).isVisible();
            link(b, "On the ribbon").click();
            b.page.getByRole(AriaRole.SLIDER).press("Home");
            assertThat(b.text("Nothing entered yet")).isVisible();
            assertEquals(List.of(), b.axe());
            assertTrue(b.complaints().isEmpty(), b.complaints().toString());
        }
    }

    /** In Spanish: a part fails, and only it and what it touched is done again. */
    @Test
    void aFailedPartIsDoneAgainInSpanish() {
        RunningServer server = RunningServer.shared();
        String round = Seed.round(server, "Tobiah Renn", "qk-sw1-daily", "off");
        try (Browser b = new Browser(server).as("Tobiah Renn")) {
            b.go(round);
            b.button(Pattern.compile("Aa")).click();
            b.button("Español").click();
            // The page is loaded anew in the language, at the step where it was.
            assertThat(b.page.locator(".floor-head h1"))
                    .containsText("Sierra de cinta, cada noche");
            assertEquals(List.of(), b.axe());
            b.plainStep();
            b.button("Algo anda mal").click();
            b.button("Una pieza falló: no está limpia o se ensució otra vez").click();
            assertEquals(List.of(), b.axe());
            b.button("Hoja de sierra").click();
            b.page.getByRole(AriaRole.TEXTBOX).fill("grasa en los dientes");
            b.button("Anotarlo y hacerlo otra vez").click();
            b.page.locator(".mantine-Modal-root")
                    .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
            String words = b.page.locator(".floor").innerText();
            assertTrue(
                    !Pattern.compile("\\b(the|and|wash|blade|with)\\b").matcher(words).find(),
                    words);
            assertEquals(List.of(), b.axe());
        }
    }

    /** Two at one machine: each with a lock of their own, and nobody takes off another's. */
    @Test
    void twoAtOneMachineEachWithALockOfTheirOwn() {
        RunningServer server = RunningServer.shared();
        String round = Seed.round(server, "Tobiah Renn", "qk-fl1-daily", "hasp");
        try (Browser b = new Browser(server).as("Tobiah Renn");
                Browser second = new Browser(server).as("Maren Oyelaran")) {
            b.go(round);
            b.page.locator(".floor-verb").waitFor();
            b.plainStep();
            second.go(round);
            second.page.locator(".floor-verb").waitFor();
            second.button(Pattern.compile("Locks on")).click();
            assertThat(second.text("Tobiah Renn, since").first()).isVisible();
            assertEquals(0, second.button("I take it off").count());
            assertEquals(List.of(), second.axe());
            second.button("Back to the step").click();
            // What one does the other sees without doing anything.
            String now = b.floorStep();
            b.plainStep();
            assertThat(second.page.locator(".floor-verb")).not().hasText(now);
            second.go("/board");
            assertThat(second.text("Tobiah Renn, lock 17")).not().hasCount(0);
        }
    }
}
