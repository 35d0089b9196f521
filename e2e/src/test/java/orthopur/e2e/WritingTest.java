package orthopur.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** New machines and new procedures at the desk, as somebody does it for the first time. */
class WritingTest {
    @TempDir Path folder;

    private static Browser ilse() {
        Browser b = new Browser(RunningServer.shared());
        return b.as("Ilse Varga");
    }

    private static Locator field(Browser b, String label) {
        return b.page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).first();
    }

    /** Adds to a list of the sheet, opened where it is folded. */
    private static void add(Browser b, String list, String one, String name) {
        Locator in = b.page.getByLabel("Name of a new " + one).first();
        if (!list.equals("Parts")) {
            b.page.locator("summary", new Page.LocatorOptions().setHasText(list)).first().click();
        }
        in.fill(name);
        in.press("Enter");
        assertThat(field(b, "Name")).hasValue(name);
    }

    /** Picks from a folded list of names. */
    private static void tick(Browser b, String list, String name) {
        Locator several =
                b.page.locator("details.schema-several", new Page.LocatorOptions().setHasText(list))
                        .first();
        several.locator("summary").click();
        several.getByLabel(name, new Locator.GetByLabelOptions().setExact(true)).check();
    }

    /** From an empty sheet to an approved procedure: sheet, signature, draft, approval. */
    @Test
    void aNewMachineGetsItsSheetItsDraftAndItsApproval() {
        try (Browser b = ilse()) {
            long begun = System.nanoTime();
            b.go("/machines");
            b.page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("New machine…"))
                    .click();
            field(b, "Code").fill("QK-ZZ4");
            assertThat(b.text("It must not be empty.").first()).isVisible();
            field(b, "Name").fill("Herb chopper");
            field(b, "Kind of machine").fill("mixer");
            field(b, "Room").fill("Prep room");
            b.page.locator(".tree-item", new Page.LocatorOptions().setHasText("Body")).click();
            add(b, "Parts", "surface", "Housing, outside");
            field(b, "Zone").fill("2");
            field(b, "End state").selectOption("clean");
            add(b, "Parts", "part", "Bowl");
            field(b, "Where it goes").fill("sink 1");
            add(b, "Parts", "surface", "Bowl, inside");
            add(b, "Parts", "part", "Cutter");
            field(b, "Fastening").fill("Turn it to the left and lift it out.");
            tick(b, "Behind", "Bowl");
            tick(b, "Hazards", "edge");
            add(b, "Parts", "surface", "Cutter, edges");
            add(b, "Power and stored energy", "power source", "Motor on its cord");
            field(b, "Kind").selectOption("cord");
            field(b, "Where to lock it out").fill("socket S8");
            tick(b, "Danger zone", "Cutter");
            assertThat(b.text("The sheet holds together.")).isVisible();
            assertEquals(List.of(), b.axe());
            b.button("Sign and save…").click();
            field(b, "PIN").fill("471148");
            b.button("Sign and save").last().click();
            b.page.waitForURL("**/machines/QK-ZZ4");
            assertThat(b.page.locator("h1")).containsText("QK-ZZ4");
            assertThat(b.button(Pattern.compile("^Cutter"))).isVisible();
            assertEquals(List.of(), b.axe());

            b.go("/procedures?new=draft");
            b.page.getByRole(AriaRole.DIALOG).getByLabel("Machine").selectOption("QK-ZZ4");
            b.button("Draft").click();
            b.page.waitForURL("**/procedures/qk-zz4-daily/1**");
            assertThat(b.button("Approve…")).isEnabled();
            b.button("Approve…").click();
            b.page.getByLabel("PIN").first().fill("471148");
            b.button("Sign and approve").click();
            assertThat(b.text(Pattern.compile("^Approved by Ilse Varga"))).isVisible();
            System.out.printf(
                    "new machine to approved procedure: %.1f s of the program's own time%n",
                    (System.nanoTime() - begun) / 1e9);
            assertEquals(List.of(), b.complaints());
        }
    }

    private static FilePayload file(String name, String content) {
        return new FilePayload(
                name, "application/octet-stream", content.getBytes(StandardCharsets.UTF_8));
    }

    /** What the binder says becomes steps where it is understood; the rest stays beside them. */
    @Test
    void anOldTextBecomesADraftAndIsHeldAgainstWhatItWas() {
        try (Browser b = ilse()) {
            b.go("/procedures/old-text?machine=QK-SL1");
            Locator file = b.page.locator("input[type=file]");
            file.setInputFiles(file("binder.xlsx", "\0 broken"));
            assertThat(b.text(Pattern.compile("^binder.xlsx: The file is none of"))).isVisible();
            file.setInputFiles(
                    file(
                            "binder.csv",
                            "1;Unplug slicer\n2;Never use a hose\n3;Wash pusher with Sudmere N"));
            assertThat(b.text(Pattern.compile("^binder.csv: 3 lines"))).isVisible();
            b.button("Read it").click();
            assertThat(b.page.locator(".old-count")).containsText("2 steps, 1 note");
            assertThat(b.text(Pattern.compile("makes it a rule"))).isVisible();
            Locator wash = b.page.getByLabel("Step from line 3");
            wash.fill("Wash pushr with Sudmere N");
            b.page.getByLabel("Title of the procedure").fill("From the binder");
            assertEquals(List.of(), b.axe());
            b.button("Make it a draft").click();
            assertThat(b.text(Pattern.compile("^Nothing was stored"))).isVisible();
            wash.fill("Wash pusher with Sudmere N 1 % at 45 °C, 8 L, by brush");
            b.button("Make it a draft").click();
            b.page.waitForURL("**/procedures/qk-sl1-daily**");
            Locator steps = b.page.locator(".step");
            assertThat(steps).hasCount(2);
            steps.first().click();
            assertThat(b.page.getByLabel("Words for the cleaner"))
                    .hasValue(Pattern.compile("^Unplug slicer – Never use a hose"));

            steps.last().click();
            steps.last().press("Delete");
            assertThat(steps).hasCount(1);
            b.page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Compare")).click();
            assertThat(b.page.locator(".differences.steps li")).hasCount(1);
            assertThat(b.page.locator(".differences.steps li")).containsText("Gone step 2");
            assertEquals(List.of(), b.axe());
            b.page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("What if")).click();
            b.page.getByLabel(Pattern.compile("no warmer")).fill("18");
            assertEquals(List.of(), b.axe());
            assertEquals(List.of(), b.complaints());
        }
    }

    @Test
    void theMapFollowsTheOptionsAndThePapersCanBePrinted() {
        try (Browser b = ilse()) {
            b.go("/machines/QK-SL1");
            Locator carriage = b.button(Pattern.compile("^Carriage"));
            carriage.click();
            assertThat(b.page.locator(".machine-part")).containsText("It weighs 4 kg.");
            // What is chosen stands in the address, and the page follows it.
            b.page.getByLabel("tilts").click();
            assertThat(b.page.getByLabel("tilts")).isChecked();
            assertThat(carriage).hasCount(0);
            assertThat(b.button(Pattern.compile("^Tilting carriage"))).isVisible();
            b.button("Motor on its cord").click();
            assertThat(b.page.locator(".machine-part")).containsText("socket S4");
            assertTrue(b.page.url().contains("fitted=carriage%3Atilts"), b.page.url());
            assertEquals(List.of(), b.axe());
            b.button("Print…").click();
            assertEquals(List.of(), b.axe());
            assertThat(
                            b.page.getByRole(
                                    AriaRole.LINK,
                                    new Page.GetByRoleOptions().setName("Lockout sheet")))
                    .hasAttribute("href", Pattern.compile("lockout.pdf\\?paper=A4"));
            assertEquals(List.of(), b.complaints());
        }
    }

    @Test
    void peopleAreMadeAndTheSiteGoesOutAndIn() {
        try (Browser b = ilse()) {
            b.go("/people");
            b.button("New person…").click();
            b.page.getByRole(AriaRole.DIALOG).getByLabel("Name").fill("Oda Brill");
            field(b, "Password").fill("short");
            field(b, "Your own PIN, to sign this").fill("471148");
            b.button("Sign and save").last().click();
            assertThat(b.text("The password has 8 letters at least")).isVisible();
            assertEquals(List.of(), b.axe());
            field(b, "Password").fill("tarn-ferry-7");
            b.button("Sign and save").last().click();
            assertThat(b.button("Change Oda Brill")).isVisible();
            assertThat(b.page.locator(".site-log li").first()).containsText("person Oda Brill");
            Download out = b.page.waitForDownload(() -> b.text("Export").click());
            Path file = folder.resolve("site.zip");
            out.saveAs(file);
            b.page.setInputFiles("input[type=file]", file);
            field(b, "PIN").fill("471148");
            b.button("Sign and import").click();
            assertThat(b.text(Pattern.compile("^Taken in: 0 sheets, and 0 procedures")))
                    .isVisible();
            assertEquals(List.of(), b.axe());
            assertEquals(List.of(), b.complaints());
        }
    }

    /**
     * By mouse and by name: a step is dragged, another inserted from the palette, one talked about.
     */
    @Test
    void aStepIsDraggedInsertedByNameAndTalkedAbout() {
        try (Browser b = ilse()) {
            b.go("/procedures/qk-fl1-draft/1");
            Locator steps = b.page.locator(".step");
            assertThat(steps.first()).isVisible();
            int before = steps.count();
            String third = steps.nth(2).getAttribute("data-step");
            BoundingBox from = steps.nth(2).boundingBox();
            BoundingBox to = steps.nth(4).boundingBox();
            b.page.mouse().move(from.x + 200, from.y + 10);
            b.page.mouse().down();
            Mouse.MoveOptions slowly = new Mouse.MoveOptions().setSteps(8);
            b.page.mouse().move(from.x + 200, from.y + 25, slowly);
            b.page.mouse().move(to.x + 200, to.y + 12, slowly);
            assertThat(b.page.locator(".dragged")).hasCount(1);
            b.page.mouse().up();
            assertThat(steps.nth(4)).hasAttribute("data-step", third);
            b.button("Undo").click();
            assertThat(steps.nth(2)).hasAttribute("data-step", third);

            steps.nth(2).focus();
            b.page.keyboard().press(".");
            b.page.getByPlaceholder("Search or run a command…").fill("Insert: Wash hands");
            assertEquals(List.of(), b.axe());
            b.page.keyboard().press("Enter");
            assertThat(steps).hasCount(before + 1);
            b.page.getByLabel("Comment on this step").fill("At the sink by the door.");
            b.button("Post comment").click();
            assertThat(b.page.locator(".comments li")).containsText("Ilse Varga");
            assertEquals(List.of(), b.axe());
            b.button("Undo").click();
            assertThat(steps).hasCount(before);
            assertEquals(List.of(), b.complaints());
        }
    }
}
