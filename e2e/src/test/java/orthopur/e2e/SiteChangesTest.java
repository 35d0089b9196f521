package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;

/**
 * What is judged by is changed, and everything that was approved is judged again: nobody else's
 * journey may run at that server meanwhile.
 */
@Execution(ExecutionMode.SAME_THREAD)
class SiteChangesTest {
    private static RunningServer server;

    @BeforeAll
    static void start() {
        server = new RunningServer();
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    @Test
    void aFigureIsTightenedWithItsEffectInSightAndTakenBack() {
        try (Browser b = new Browser(server)) {
            b.as("Ilse Varga");
            b.go("/rulebook?find=or more: strength");
            Locator figure =
                    b.button(Pattern.compile("Change Chlorine 100 mg.L or more: strength"));
            figure.waitFor();
            assertEquals(List.of(), b.axe());
            figure.click();
            b.page.getByLabel(Pattern.compile("This site, in")).fill("-5");
            assertThat(b.text("This is a number above 0.")).isVisible();
            b.page.getByLabel(Pattern.compile("This site, in")).fill("160");
            assertThat(b.text(Pattern.compile("^10 of [0-9]+ approved procedures no longer pass:")))
                    .isVisible();
            assertEquals(List.of(), b.axe());
            b.page.getByLabel("Why").fill("Our auditor asks for more.");
            pin(b).fill("471148");
            b.button(Pattern.compile("^Sign and set 160")).click();
            assertThat(figure).containsText("160 mg/L");
            assertThat(b.text("code: 100 mg/L")).isVisible();

            figure.click();
            b.page.getByLabel("Why").fill("Back to what the code says.");
            pin(b).fill("471148");
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
    void aLabelIsChangedWithItsEffectInSightAndTakenBack() {
        try (Browser b = new Browser(server)) {
            b.as("Ilse Varga");
            b.go("/chemicals");
            b.button("Change Palimar Q10").click();
            Locator wet = b.page.getByLabel("Contact time (wet) or dwell");
            assertThat(wet).hasValue("60 s");
            wet.fill("a while");
            assertThat(b.page.getByText("This is a text; a group of fields is expected.").first())
                    .isVisible();
            wet.fill("61 s");
            assertThat(b.text(Pattern.compile("approved procedures"))).isVisible();
            assertEquals(List.of(), b.axe());
            pin(b).fill("0000");
            b.button("Sign and save").click();
            assertThat(b.page.getByRole(com.microsoft.playwright.options.AriaRole.ALERT))
                    .isVisible();
            pin(b).fill("471148");
            b.button("Sign and save").click();
            assertThat(b.page.locator(".can").nth(1)).containsText("61 s");
            b.button("Change Palimar Q10").click();
            wet.fill("60 s");
            pin(b).fill("471148");
            b.button("Sign and save").click();
            assertThat(b.page.locator(".can").nth(1)).containsText("60 s");

            b.page.locator(".vessels").getByText("Change…").click();
            b.page.getByLabel("What vessel 1 holds").fill("20 L");
            assertThat(b.text(Pattern.compile("makes 40 L in sink 1, which holds 20 L")).first())
                    .isVisible();
            assertEquals(List.of(), b.axe());
            b.page.getByLabel("Name of vessel 1", new Page.GetByLabelOptions().setExact(true))
                    .fill("sink 2");
            assertThat(b.text(Pattern.compile("Another vessel is called")).first()).isVisible();
            b.button("Cancel").click();
            assertThat(b.page.locator(".vessels")).containsText("60 L");
        }
    }
}
