package orthopur.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.regex.Pattern;

/** Makes the pictures in docs/screenshots anew from the demo data. Run by the launcher. */
public final class Screenshots {
    private static final Path FOLDER = Path.of("..", "docs", "screenshots");

    private Screenshots() {}

    public static void main(String[] args) {
        try (RunningServer server = RunningServer.withItsPast();
                Browser b = new Browser(server)) {
            b.go("/sign-in");
            b.page.getByLabel("Name").waitFor();
            b.signIn("Ilse Varga", "quillmere-ilse");
            b.page.locator(".night-work").first().waitFor();
            b.go("/procedures");
            b.page.locator(".written-due svg").first().waitFor();
            take(b, "shelf");
            b.page.getByRole(
                            AriaRole.LINK,
                            new Page.GetByRoleOptions().setName(Pattern.compile("old binder")))
                    .click();
            b.button(Pattern.compile("Scraper is not moved aside")).click();
            b.page.locator(".lit-column").first().waitFor();
            take(b, "workbench");
            b.go("/mixing?t=18&ph=7.4");
            b.page.getByLabel("It shows, mg/L").fill("62");
            b.page.getByText("Out of range").waitFor();
            take(b, "mixing");
            b.go("/rulebook?group=S");
            b.button(Pattern.compile("^Two examples of .*stays wet")).click();
            b.page.locator(".example").first().waitFor();
            b.page.locator(".examples").scrollIntoViewIfNeeded();
            take(b, "rulebook");
            b.go("/chemicals");
            b.page.locator(".can").first().waitFor();
            take(b, "chemicals");
            b.go("/tonight");
            b.page.locator(".night-work").first().waitFor();
            take(b, "tonight");
            b.go("/due");
            b.page.locator(".due-row").first().waitFor();
            take(b, "due");
            b.go("/due?show=month");
            b.page.locator(".due-cloth").waitFor();
            take(b, "calendar");
            b.go("/machines/QK-DS1/trouble?symptom=leak");
            b.page.getByText("What is seen or heard").waitFor();
            take(b, "trouble");
            b.go("/machines/QK-SL1?at=carriage");
            b.page.locator(".map-part").first().waitFor();
            take(b, "machine");
            b.go("/machines/QK-FL1/sheet?at=/parts/2");
            b.page.getByText("The sheet holds together.").waitFor();
            take(b, "sheet");
            b.go("/procedures/old-text?machine=QK-SL1");
            b.page.getByLabel("The old text")
                    .fill(
                            """
                            1. Unplug slicer
                            2. Never use a hose on the slicer
                            3. Remove carriage and place in sink 1
                            4. Remove the slice deflecter
                            5. Wash pusher with Sudmere N 1% at 45 C
                            6. Sanitise pusher at 200 ppm
                            7. Wipe the housing""");
            b.button("Read it").click();
            b.page.locator(".old-rows li").first().waitFor();
            take(b, "old-text");
            b.go("/floor");
            b.page.getByText("Get ready").first().waitFor();
            b.page.setViewportSize(1024, 768);
            take(b, "floor-machines");
            b.go("/floor/start/qk-sw1-daily");
            b.text("Spare wear parts").waitFor();
            take(b, "floor-before");
            b.go("/floor");
            b.round(Pattern.compile("Disc slicer, end of shift"));
            b.page.locator(".floor-verb").waitFor();
            while (!b.floorStep().contains("Remove")) {
                b.plainStep();
            }
            b.button("Pusher").click();
            b.button("Thrust washer 1").click();
            b.button(Pattern.compile("✓ Thrust")).waitFor();
            take(b, "floor-step");
            for (Locator piece : b.page.locator(".piece[aria-pressed=false]").all()) {
                piece.scrollIntoViewIfNeeded();
            }
            b.button("Catch tray").click();
            b.button("Product rod").click();
            b.button("Thrust washer 2").click();
            b.confirm();
            b.page.getByText("Turn the knob").waitFor();
            while (!b.floorStep().contains("Collect")) {
                b.plainStep();
            }
            b.otherwise("Sink needed for the filler, soaked short");
            b.button("Record it").click();
            while (!b.floorStep().contains("Sanitize")) {
                b.plainStep();
            }
            b.reading("62", "18");
            b.page.getByText("Corrective action").waitFor();
            String round = b.page.url().replaceAll(".*/floor/", "");
            b.page.setViewportSize(1280, 800);
            b.go("/board");
            b.page.locator(".board li").first().waitFor();
            take(b, "board");
            b.go("/logbook");
            b.page.getByRole(AriaRole.TABLE).waitFor();
            take(b, "logbook");
            b.go("/logbook/" + round);
            b.page.getByText("Step by step").waitFor();
            take(b, "record");
            String done = Seed.round(server, "Tobiah Renn", "qk-sw1-daily", "sign");
            b.as("Tobiah Renn").go(done);
            b.page.locator(".floor-verb").waitFor();
            b.confirm();
            b.page.getByLabel("PIN").fill("220861");
            b.button("Hold: sign and close").focus();
            b.page.keyboard().press("Enter");
            b.text("Somebody else inspects it now").waitFor();
            b.as("Ruvi Hast").go("/board");
            b.page.getByRole(
                            AriaRole.LINK,
                            new Page.GetByRoleOptions().setName("Inspect and release"))
                    .first()
                    .click();
            b.button("Inspected, nothing wrong").first().click();
            take(b, "release");
        }
        Browser.quit();
    }

    private static void take(Browser b, String name) {
        b.page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
    }
}
