package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Rule book and chemicals at the desk, and mending a draft as a whole; leaves all as it was. */
class BooksTest {
    @Test
    void aFigureIsTightenedWithItsEffectInSightAndTakenBack() {
        try (Browser b = new Browser(RunningServer.shared())) {
            b.signIn("Ilse Varga", "quillmere-ilse");
            b.page.waitForURL("**/procedures");
            b.go("/rulebook?find=third row");
            Locator figure = b.button(Pattern.compile("Change Chlorine, third row from"));
            figure.waitFor();
            assertEquals(List.of(), b.axe());
            figure.click();
            b.page.getByLabel(Pattern.compile("This site, in")).fill("-5");
            assertThat(b.text("This is a number above 0.")).isVisible();
            b.page.getByLabel(Pattern.compile("This site, in")).fill("125");
            assertThat(b.text("4 of 8 approved procedures no longer pass:")).isVisible();
            assertEquals(List.of(), b.axe());
            b.page.getByLabel("Why").fill("Our auditor asks for more.");
            pin(b).fill("4711");
            b.button(Pattern.compile("^Sign and set 125")).click();
            assertThat(figure).containsText("125 mg/L");
            assertThat(b.text("code: 100 mg/L")).isVisible();

            figure.click();
            b.page.getByLabel("Why").fill("Back to what the code says.");
            pin(b).fill("4711");
            b.button("Back to the code").click();
            assertThat(figure).containsText("100 mg/L");

            b.go("/chemicals?for=film");
            assertThat(b.page.locator(".can")).hasCount(4);
            assertEquals(List.of(), b.axe());
            assertEquals(List.of(), b.complaints());
        }
    }

    private static Locator pin(Browser b) {
        return b.page.getByLabel("PIN", new Page.GetByLabelOptions().setExact(true)).first();
    }

    @Test
    void allThatIsSafeIsMendedInOnePressAndTakenBackInOne() {
        try (Browser b = new Browser(RunningServer.shared())) {
            b.signIn("Ilse Varga", "quillmere-ilse");
            b.page.waitForURL("**/procedures");
            b.go("/procedures/qk-ov1-draft/1");
            assertThat(b.text("heating: gas").first()).isVisible();
            Locator tab = b.page.getByRole(com.microsoft.playwright.options.AriaRole.TAB).first();
            assertThat(tab).containsText("4 + 5");
            b.page.getByLabel("Show").selectOption("STOP");
            assertThat(b.page.locator(".finding")).hasCount(4);
            b.page.getByLabel("Show").selectOption("");
            b.button(Pattern.compile("^Mend all")).click();
            assertThat(b.text(Pattern.compile("remedies, none of which invents"))).isVisible();
            assertEquals(List.of(), b.axe());
            b.button(Pattern.compile("^Take all")).click();
            assertThat(tab).not().containsText("4 + 5");
            b.button("Undo").click();
            assertThat(tab).containsText("4 + 5");
            assertEquals(List.of(), b.complaints());
        }
    }
}
