package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A site of one's own, from the first start to the first machine. */
class BeginTest {
    private static Locator field(Browser b, String label) {
        return b.page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
    }

    /** The link makes the first supervisor, once; who is made after chooses a PIN. */
    @Test
    void theFirstSupervisorComesInByTheLinkAndMakesTheOthers() {
        try (RunningServer server = new RunningServer(false);
                Browser b = new Browser(server)) {
            String link = server.said("http://localhost").replaceFirst(".*/begin", "/begin");
            b.go("/begin#another");
            begin(b);
            assertThat(b.text("This link is not the one")).isVisible();
            b.go("/");
            b.go(link);
            begin(b);
            assertThat(b.button("Sign in")).isVisible();
            b.signIn("Ilse Varga", "quillmere-1");
            assertThat(b.text("Nothing is due this night.")).isVisible();
            assertEquals(List.of(), b.axe());
            b.go(link);
            assertThat(b.text("This link was used")).isVisible();

            b.go("/people");
            b.button("New person…").click();
            b.page.getByRole(com.microsoft.playwright.options.AriaRole.DIALOG)
                    .getByLabel("Name")
                    .fill("Maren Oyelaran");
            field(b, "Password").fill("quillmere-2");
            field(b, "Your own PIN, to sign this").fill("602817");
            b.button("Sign and save").last().click();
            assertThat(b.button("Change Maren Oyelaran")).isVisible();
            b.button("Sign out").click();
            assertThat(b.button("Sign in")).isVisible();
            server.killAndStartAgain();

            b.signIn("Maren Oyelaran", "quillmere-2");
            assertThat(b.text("Choose your PIN")).isVisible();
            assertEquals(List.of(), b.axe());
            field(b, "Your password").fill("quillmere-2");
            field(b, "New PIN, six digits").fill("123456");
            field(b, "The same again").fill("123456");
            b.button("Take this PIN").click();
            assertThat(b.text("This PIN is guessed first")).isVisible();
            field(b, "New PIN, six digits").fill("730194");
            field(b, "The same again").fill("730194");
            b.button("Take this PIN").click();
            assertThat(b.text("No procedure is approved yet")).isVisible();
            assertEquals(List.of(), b.complaints());
        }
    }

    private static void begin(Browser b) {
        field(b, "Your name").fill("Ilse Varga");
        field(b, "Password").fill("quillmere-1");
        field(b, "PIN").fill("602817");
        field(b, "Name of the site").fill("Quillmere Kitchens");
        field(b, "Town").fill("Tarn Ferry");
        field(b, "City water temperature, °C").fill("11");
        field(b, "Hardness, mg/L").fill("180");
        field(b, "pH").fill("7.4");
        assertEquals(List.of(), b.axe());
        b.button("Begin").click();
    }
}
