package orthopur.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MainTest {
    private static final String GOOD = "../demo/procedures/qk-sl1-end-of-shift.json";
    private static final String DRAFT = "../demo/procedures/qk-sl1-draft.json";

    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    @BeforeAll
    static void demo() {
        System.setProperty("orthopur.demo", "../demo");
    }

    private int run(String... args) {
        out.reset();
        err.reset();
        return Main.run(
                List.of(args),
                new PrintStream(out, true, StandardCharsets.UTF_8),
                new PrintStream(err, true, StandardCharsets.UTF_8));
    }

    private String said() {
        return out.toString(StandardCharsets.UTF_8) + err.toString(StandardCharsets.UTF_8);
    }

    @Test
    void verifyTellsByItsExitCode() {
        assertEquals(0, run("verify", GOOD));
        assertEquals(1, run("verify", DRAFT));
        assertTrue(said().contains("62 mg/L"), said());
        assertEquals(1, run("verify", GOOD, DRAFT));
        assertEquals(2, run("verify", "nowhere.json"));
        assertEquals(2, run("verify"));
        assertEquals(2, run());
    }

    @Test
    void verifyAsJsonCarriesFindingsCoverageAndTotals() {
        assertEquals(1, run("verify", DRAFT, "--json"));
        for (String key :
                List.of(
                        "\"findings\"",
                        "\"under\"",
                        "\"remedies\"",
                        "\"coverage\"",
                        "\"totals\"")) {
            assertTrue(said().contains(key), key);
        }
    }

    @Test
    void aFileThatIsCutOffAndOneThatNamesAPartThatIsNotThere(@TempDir Path dir) throws IOException {
        String good = Files.readString(Path.of(GOOD));
        Path cut = dir.resolve("cut.json");
        Files.writeString(cut, good.substring(0, good.length() / 2));
        assertEquals(2, run("verify", cut.toString(), "--sheet", "../demo/machines/QK-SL1.json"));
        assertTrue(said().contains("not complete JSON"), said());
        Path wrong = dir.resolve("wrong.json");
        Files.writeString(wrong, good.replace("\"catch-tray\"", "\"no-such-tray\""));
        assertEquals(2, run("verify", wrong.toString()));
        assertTrue(said().contains("/steps/8/items/0"), said());
        assertEquals(2, run("verify", wrong.toString(), "--json"));
        assertTrue(said().contains("\"pointer\""), said());
    }

    /** Ages of the crew and what the sink held before are part of what is judged. */
    @Test
    void verifyKnowsWhoIsThereAndWhatTheSinksHold() {
        String slicer = "../demo/procedures/qk-sl1-end-of-shift.json";
        assertEquals(0, run("verify", slicer, "--people", "19,45"), said());
        assertEquals(1, run("verify", slicer, "--people", "17,45"));
        assertTrue(said().contains("L11"), said());
        assertEquals(2, run("verify", slicer, "--people", "seventeen"));
        assertTrue(said().contains("14 to 99"), said());
        assertEquals(0, run("verify", slicer, "--held", "sink 2=karstol-a@2 %"), said());
        assertEquals(2, run("verify", slicer, "--held", "sink 1=moonshine"));
        assertTrue(said().contains("moonshine"), said());
        assertEquals(2, run("verify", slicer, "--held", "sink 1"));
    }

    @Test
    void calcPrintsAndRefuses() {
        assertEquals(
                0,
                run(
                        "calc",
                        "dilute",
                        "volume=40L",
                        "target=100mg/L",
                        "stock=12.5%w/w",
                        "density=1.17",
                        "--json"));
        assertTrue(said().contains("27.35"), said());
        assertEquals(
                2, run("calc", "dilute", "volume=40L", "target=-5mg/L", "stock=10%w/v", "--json"));
        assertTrue(said().contains("\"key\" : \"target\""), said());
        assertEquals(
                0, run("calc", "limit", "kind=chlorine", "strength=60mg/L", "temp=30C", "pH=8.6"));
        assertTrue(said().contains("verdict: out"), said());
        assertEquals(2, run("calc", "limit", "kind=soap"));
        assertEquals(2, run("calc"));
        assertEquals(2, run("calc", "dilute", "volume"));
    }

    @Test
    void formatIsStableAndTheDemoFilesStandInIt() throws IOException {
        for (String file :
                List.of(GOOD, DRAFT, "../demo/machines/QK-SL1.json", "../demo/chemicals.json")) {
            assertEquals(0, run("format", file), said());
            String once = out.toString(StandardCharsets.UTF_8);
            assertEquals(Files.readString(Path.of(file)), once, file);
        }
        assertEquals(2, run("format", "nowhere"));
        assertFalse(said().isBlank());
    }

    /** What cannot be simulated is said with what can, before anything is asked of a server. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "simulate | simulate floor, simulate queue",
                "simulate moon | simulate floor, simulate queue",
                "simulate floor --tablets 0 | --tablets is 0; allowed is 1.0 to 1000.0",
                "simulate floor --minutes long | --minutes is long",
                "simulate queue --entries 2001 | allowed is 100.0 to 2000.0",
                "simulate queue --photos | --photos needs a value"
            })
    void whatCannotBeSimulatedIsSaid(String line, String says) {
        assertEquals(2, run(line.strip().split(" ")));
        assertTrue(said().contains(says), said());
    }

    @Test
    void dueTellsByItsExitCodeAndNamesWhatIsWrong(@TempDir Path dir) throws IOException {
        Path file = dir.resolve("due.json");
        Files.writeString(
                file,
                """
                {"days":{"zone":"Europe/London"},
                 "tasks":[{"id":"t","machine":"M","name":"Clean","interval":{"every":"weekly"}}],
                 "done":[{"task":"t","finished":"2026-03-02T22:00:00Z"}]}
                """);
        assertEquals(0, run("due", file.toString(), "--at", "2026-03-05T12:00:00+00:00"));
        assertEquals(1, run("due", file.toString(), "--at", "2026-03-12T12:00:00+00:00", "--json"));
        assertTrue(said().contains("\"state\" : \"late\""), said());
        assertEquals(2, run("due", file.toString(), "--at", "yesterday"));
        assertEquals(2, run("due"));
        assertEquals(2, run("due", file.toString(), "--soon"));
        Files.writeString(file, "{\"days\":{\"zone\":\"Europe/London\"}}");
        assertEquals(2, run("due", file.toString()));
    }

    @Test
    void planIsAsGoodAsItSays(@TempDir Path dir) throws IOException {
        // Cut short, it may leave something out, and says so by 1.
        assertTrue(run("plan", "--demo", "--seconds", "2", "--json") < 2, said());
        assertTrue(said().contains("\"gapPercent\""), said());
        assertEquals(2, run("plan"));
        assertEquals(2, run("plan", "--demo", "--seconds", "0"));
        assertEquals(2, run("plan", "--demo", "night.json"));
        Path file = dir.resolve("night.json");
        Files.writeString(
                file,
                """
                {"from":"2026-11-29T21:00:00Z","until":"2026-11-29T22:00:00Z","people":[{"id":"a"}],
                 "tasks":[{"id":"x","minutes":50},{"id":"y","minutes":50,"must":true}]}
                """);
        assertEquals(1, run("plan", file.toString()));
        assertTrue(said().contains("left out  x"), said());
        assertTrue(said().contains("What would help"), said());
    }

    /** A slicer of another fit: what is not there is not cleaned, and what tilts is tilted. */
    @Test
    void aDraftIsWrittenForTheFitThatIsAsked() {
        String sheet = "../demo/machines/QK-SL1.json";
        String fit = "drive=hand-wheel,carriage=tilts,scraper=none";
        assertEquals(0, run("draft", sheet, "--kind", "end-of-shift", "--words", "--scope", fit));
        assertTrue(said().contains("tilt it up until it catches"), said());
        assertFalse(said().contains("sharpener"), said());
        assertFalse(said().contains("socket S4"), said());
        assertEquals(2, run("draft", sheet, "--kind", "end-of-shift", "--scope", "drive=steam"));
        assertTrue(said().contains("no option \"drive=steam\"; it has drive=powered|hand-wheel"));
        assertEquals(2, run("draft", sheet, "--kind", "daily", "--scope", "=tilts"));
        assertTrue(said().contains("--scope needs group=option"));
    }
}
