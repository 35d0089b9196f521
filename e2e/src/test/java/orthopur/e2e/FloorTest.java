package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * The tablet at two in the morning, and the one who looks afterwards. Each test has a machine of
 * its own, since a machine has one open round.
 */
class FloorTest {
    private static RunningServer server;
    private Browser b;

    @BeforeAll
    static void start() {
        server = new RunningServer();
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    @BeforeEach
    void openBrowser() {
        b = new Browser(server);
    }

    @AfterEach
    void closeBrowser() {
        b.close();
    }

    private void signIn(String name, String password) {
        b.signIn(name, password);
        b.page.waitForURL(Pattern.compile(".*/(procedures|floor).*"));
    }

    private void begin(String title) {
        b.go("/floor");
        b.round(Pattern.compile(title));
        b.page.locator(".floor-verb").waitFor();
    }

    private Locator link(String name) {
        return b.page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name));
    }

    /**
     * The server dies before step 1; the tablet is restarted half-way; then it is all handed over.
     */
    @Test
    void aWholeRoundWithoutTheServerThenReleasedAndReplayed() {
        signIn("Maren Oyelaran", "quillmere-maren");
        begin("oil for the slide bar");
        b.page.evaluate("() => navigator.serviceWorker.ready.then(() => true)");
        String round = b.page.url();
        server.killAfter(0);
        for (int i = 0; i < 6; i++) {
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
        link("Sign in again").click();
        signIn("Maren Oyelaran", "quillmere-maren");
        b.page.navigate(round);
        assertThat(b.text("Your PIN signs")).isVisible();
        b.page.getByLabel("PIN").fill("3350");
        Locator close = b.button("Hold: sign and close");
        close.focus();
        b.page.keyboard().press("Enter");
        assertThat(b.text("Somebody else looks now")).isVisible();

        // Who cleaned does not release; quality does.
        b.go("/board");
        link("Look and release").click();
        assertThat(b.text("did work in this round").or(b.text("Only quality"))).isVisible();
        signIn("Ruvi Hast", "quillmere-ruvi");
        b.go("/board");
        b.page.getByRole(AriaRole.LIST).first().waitFor();
        assertEquals(List.of(), b.axe());
        link("Look and release").click();
        b.button("Looked, nothing wrong").click();
        assertThat(b.text("passed, Ruvi Hast")).isVisible();
        assertEquals(List.of(), b.axe());
        b.page.getByLabel("PIN", new Page.GetByLabelOptions().setExact(true)).fill("9027");
        b.button("Sign and release").click();
        assertThat(b.text("Released for production.")).isVisible();
        link("The record").click();
        assertThat(b.text("released for production").first()).isVisible();
        link("On the ribbon").click();
        b.page.getByRole(AriaRole.SLIDER).press("Home");
        assertThat(b.text("Nothing entered yet")).isVisible();
        assertEquals(List.of(), b.axe());
        assertTrue(b.complaints().isEmpty(), b.complaints().toString());
    }

    /** In Spanish: a part fails, and only it and what it touched is done again. */
    @Test
    void aFailedPartIsDoneAgainInSpanish() {
        signIn("Tobiah Renn", "quillmere-tobiah");
        begin("Band saw, every night");
        b.button(Pattern.compile("Aa")).click();
        b.button("Español").click();
        assertEquals(List.of(), b.axe());
        b.button("Volver al paso").click();
        assertThat(b.page.locator(".floor-head h1")).containsText("Sierra de cinta, cada noche");
        for (int i = 0; i < 4; i++) {
            b.plainStep();
        }
        b.button("Algo anda mal").click();
        b.button("Una pieza falló: no está limpia o se ensució otra vez").click();
        assertEquals(List.of(), b.axe());
        b.button("Hoja de sierra").click();
        b.page.getByRole(AriaRole.TEXTBOX).fill("grasa en los dientes");
        b.button("Anotarlo y hacerlo otra vez").click();
        b.page.locator(".mantine-Modal-root")
                .waitFor(
                        new Locator.WaitForOptions()
                                .setState(
                                        com.microsoft.playwright.options.WaitForSelectorState
                                                .DETACHED));
        String words = b.page.locator(".floor").innerText();
        assertTrue(
                !Pattern.compile("\\b(the|and|wash|blade|with)\\b").matcher(words).find(), words);
        assertEquals(List.of(), b.axe());
    }

    /** Two at one machine: each with a lock of their own, and nobody takes off another's. */
    @Test
    void twoAtOneMachineEachWithALockOfTheirOwn() {
        signIn("Tobiah Renn", "quillmere-tobiah");
        begin("Tunnel oven, every night");
        while (!b.floorStep().contains("Lock")) {
            b.plainStep();
        }
        b.plainStep();
        String round = b.page.url();
        Browser second = new Browser(server);
        try {
            second.signIn("Maren Oyelaran", "quillmere-maren");
            second.page.waitForURL(Pattern.compile(".*/procedures.*"));
            second.page.navigate(round);
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
        } finally {
            second.close();
        }
    }
}
