package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Rule book and chemicals at the desk, and mending a draft as a whole; leaves all as it was. */
class BooksTest {
    @Test
    void allThatIsSafeIsMendedInOnePressAndTakenBackInOne() {
        try (Browser b = new Browser(RunningServer.shared())) {
            b.as("Ilse Varga");
            b.go("/procedures/qk-ov1-draft/1");
            assertThat(b.text("heating: gas").first()).isVisible();
            Locator tab = b.page.getByRole(com.microsoft.playwright.options.AriaRole.TAB).first();
            assertThat(tab).containsText("5 + 5");
            b.page.getByLabel("Show").selectOption("STOP");
            assertThat(b.page.locator(".finding")).hasCount(5);
            b.page.getByLabel("Show").selectOption("");
            b.button(Pattern.compile("^Fix everything")).click();
            assertThat(b.text(Pattern.compile("fixes; none of them invents"))).isVisible();
            assertEquals(List.of(), b.axe());
            b.button(Pattern.compile("^Apply all")).click();
            assertThat(tab).not().containsText("5 + 5");
            b.button("Undo").click();
            assertThat(tab).containsText("5 + 5");
            assertEquals(List.of(), b.complaints());
        }
    }

    /** The two examples of a rule run with the figure that is typed; nothing is saved by it. */
    @Test
    void anExampleFlipsWithTheFigure() {
        try (Browser b = new Browser(RunningServer.shared())) {
            b.as("Ilse Varga");
            b.go("/rulebook?group=S&find=Washed warm");
            b.button(Pattern.compile("^Two examples of Washed warm")).click();
            Locator broken = b.page.locator(".example").nth(0);
            Locator kept = b.page.locator(".example").nth(1);
            assertThat(broken).containsText("breaks it");
            assertThat(kept).containsText("keeps it");
            assertEquals(List.of(), b.axe());
            Locator figure = b.page.getByLabel(Pattern.compile("^Washing by hand: temperature"));
            figure.fill("60");
            assertThat(kept).containsText("breaks it");
            figure.fill("5");
            assertThat(broken).containsText("keeps it");
            b.button("Back to what holds here").click();
            assertThat(broken).containsText("breaks it");
            b.page.getByLabel("Sources as cited in a").selectOption("retail");
            b.page.getByLabel("Find").fill("washing by hand");
            assertThat(b.page.locator(".figures")).containsText("Food Code 2022, 4-501.19");
            assertEquals(List.of(), b.complaints());
        }
    }

    /** The crew reads the labels; only a supervisor changes them. */
    @Test
    void theCrewChangesNothing() {
        try (Browser b = new Browser(RunningServer.shared())) {
            b.as("Maren Oyelaran");
            b.go("/chemicals?edit=palimar-q10");
            assertThat(b.page.locator(".can").first()).isVisible();
            assertThat(b.button("Sign and save")).hasCount(0);
            assertThat(b.button(Pattern.compile("^Change"))).hasCount(0);
        }
    }

    /** Both ways of heating the oven, and only what has a finding; both stand in the address. */
    @Test
    void theRibbonOfEachWayOfBeingFittedAndOfFindingsAlone() {
        try (Browser b = new Browser(RunningServer.shared())) {
            b.as("Ilse Varga");
            b.go("/procedures/qk-ov1-draft/1");
            Locator heads = b.page.locator(".ribbon-head");
            assertThat(heads).containsText("Heating, electric");
            b.page.getByLabel(Pattern.compile("heating: gas")).click();
            assertThat(heads).containsText("Gas");
            assertThat(heads).not().containsText("Heating, electric");
            Locator steps = b.page.locator(".step");
            assertThat(steps.first()).isVisible();
            int all = steps.count();
            // The state is in the address; the box follows a moment after the click.
            b.page.getByLabel("Only what has a finding").click();
            assertThat(b.page.getByLabel("Only what has a finding")).isChecked();
            assertThat(b.page.locator(".step .edge:not(.stop):not(.fix):not(.advise)")).hasCount(0);
            org.junit.jupiter.api.Assertions.assertTrue(steps.count() < all);
            assertEquals(List.of(), b.axe());
            b.page.reload();
            assertThat(b.page.getByLabel("Only what has a finding")).isChecked();
            assertThat(heads).containsText("Gas");
            steps.first().focus();
            b.page.keyboard().press("p");
            assertThat(steps).hasCount(all);
            assertEquals(List.of(), b.complaints());
        }
    }

    /** From a sheet to a whole procedure with nothing found, in one dialog by the keyboard. */
    @Test
    void aProcedureIsDraftedFromASheet() {
        try (Browser b = new Browser(RunningServer.shared())) {
            b.as("Ilse Varga").go("/procedures");
            b.button("Draft from machine sheet…").press("Enter");
            b.page.getByRole(AriaRole.DIALOG).getByLabel("Machine").selectOption("QK-DS1");
            b.page.getByLabel("Frequency").selectOption("per-use");
            assertEquals(List.of(), b.axe());
            b.button("Draft").press("Enter");
            assertThat(b.text(Pattern.compile("Nothing on the sheet of QK-DS1"))).isVisible();
            b.page.getByLabel("Frequency").selectOption("weekly");
            b.page.getByLabel(Pattern.compile("^Assembled clean")).check();
            b.button("Draft").press("Enter");
            b.page.waitForURL("**/procedures/qk-ds1-weekly/1**");
            Locator tab = b.page.getByRole(com.microsoft.playwright.options.AriaRole.TAB).first();
            assertThat(tab).containsText("0 + 0");
            assertThat(b.button("Approve…")).isEnabled();
        }
    }

    /** The desk in another language: places, findings with their names, remedies; and back. */
    @Test
    void theDeskSpeaksSpanishOnThisDevice() {
        try (Browser b = new Browser(RunningServer.shared())) {
            b.as("Ilse Varga");
            b.go("/procedures/qk-ov1-draft/1");
            b.page.getByLabel("Language").selectOption("es");
            assertThat(b.text("Qué deja este procedimiento")).isVisible();
            assertThat(b.text("El paso 6 pone 1 de 2 candados personales.")).isVisible();
            assertThat(b.button("Un candado para cada una de las 2")).isVisible();
            assertEquals("es", b.page.evaluate("document.documentElement.lang"));
            assertEquals(List.of(), b.axe());
            b.go("/procedures/nothing/1");
            assertThat(b.text("No hay ninguna versión 1 del procedimiento nothing.")).isVisible();
            b.go("/rulebook?group=S");
            assertThat(b.text("La superficie sigue mojada con sanitizante el tiempo suficiente"))
                    .isVisible();
            b.page.getByLabel("Idioma").selectOption("en");
            assertThat(b.text("The surface stays wet with sanitizer long enough")).isVisible();
        }
    }

    /**
     * A step typed as on paper: slips point at the word, the nearest name mends it, Enter takes it.
     */
    @Test
    void aStepIsTypedAsALine() {
        try (Browser b = new Browser(RunningServer.shared())) {
            b.as("Ilse Varga");
            b.go("/procedures/qk-sl1-draft/1?step=wash-parts&show=step");
            Locator field = b.page.getByLabel(Pattern.compile("^Type a step after step"));
            Locator steps = b.page.locator(".step");
            assertThat(steps.first()).isVisible();
            int before = steps.count();
            field.fill("Wash pus");
            assertThat(b.page.getByRole(AriaRole.LISTBOX).getByRole(AriaRole.OPTION).first())
                    .hasText("Pusher");
            assertEquals(List.of(), b.axe());
            field.press("ArrowDown");
            field.press("Enter");
            assertThat(field).hasValue("Wash Pusher");
            field.fill("Wash pushre with Sudmere N 1 % at 45 °C, 8 L, by brush");
            field.press("Enter");
            assertThat(steps).hasCount(before);
            b.button("Pusher").last().click();
            assertThat(field).hasValue("Wash Pusher with Sudmere N 1 % at 45 °C, 8 L, by brush");
            assertThat(b.text(Pattern.compile("^Enter accepts it"))).isVisible();
            assertEquals(List.of(), b.axe());
            field.press("Enter");
            assertThat(steps).hasCount(before + 1);
            assertThat(field).hasValue("");
            b.button(Pattern.compile("^Step 17 Wash")).click();
            assertThat(b.page.getByLabel("As a line"))
                    .hasValue(Pattern.compile("^Wash Pusher, with Sudmere N, 1 %, at 45 °C"));
            b.button("Undo").click();
            assertThat(steps).hasCount(before);
        }
    }
}
