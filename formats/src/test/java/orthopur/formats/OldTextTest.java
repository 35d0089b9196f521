package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import orthopur.machine.MachineSheet;

/**
 * Ten texts in the manner of ten binders. Behind each line stands what a person reads in it, or a
 * dash where it is no plain step. A line may be left as a note; it is never read as anything else.
 */
class OldTextTest {
    private static final Path TEXTS = Path.of("src/test/resources/old-texts");
    private static final List<String> VERBS_ONLY = List.of("Record", "Wash hands");

    static List<Path> texts() throws IOException {
        try (Stream<Path> all = Files.list(TEXTS)) {
            return all.sorted().toList();
        }
    }

    @ParameterizedTest
    @MethodSource("texts")
    void nothingIsReadWrongly(Path file) throws IOException {
        List<String> lines = Files.readAllLines(file);
        MachineSheet sheet = DemoSite.sheet(lines.getFirst().substring(2, 8));
        int right = 0;
        int left = 0;
        List<String> wrong = new ArrayList<>();
        List<String> unread = new ArrayList<>();
        for (String line : lines.subList(1, lines.size())) {
            int arrow = line.lastIndexOf(" => ");
            List<OldText.Reading> read = read(arrow < 0 ? line : line.substring(0, arrow), sheet);
            List<String> meant =
                    arrow < 0 ? List.of() : List.of(line.substring(arrow + 4).split(" \\|\\| "));
            for (int i = 0; i < read.size(); i++) {
                String said = read.get(i).notation();
                String expected = i < meant.size() ? meant.get(i) : "-";
                if (said == null) {
                    left++;
                    if (!expected.equals("-")) {
                        unread.add(read.get(i).text() + ": " + read.get(i).why());
                    }
                } else if (same(said, expected, sheet)) {
                    right++;
                } else {
                    wrong.add(line + " read as " + said);
                }
            }
        }
        assertEquals(List.of(), wrong);
        System.out.println(file.getFileName() + ": " + right + " read, " + left + " left as notes");
        assertEquals(List.of(), unread);
    }

    /** By what they become as steps: a name or its id is the same. */
    private static boolean same(String said, String expected, MachineSheet sheet) {
        return !expected.equals("-") && step(said, sheet).equals(step(expected, sheet));
    }

    private static String step(String line, MachineSheet sheet) {
        Notation.ReadStep read = new Notation(sheet, DemoSite.CHEMICALS).step(line, "x");
        assertEquals(List.of(), read.slips(), line);
        return String.valueOf(read.step());
    }

    private static List<OldText.Reading> read(String text, MachineSheet sheet) {
        return OldText.read(text, sheet, DemoSite.CHEMICALS, DemoSite.SITE.vessels());
    }

    @Test
    void itSaysWhatIsMissingAndWhyALineStaysANote() {
        MachineSheet sheet = DemoSite.sheet("QK-SL1");
        List<OldText.Reading> read =
                read("Sanitize the pusher at 200 ppm\n\nIf wet, dry the pusher\nPolish it", sheet);
        assertEquals(
                List.of("product", "temperature", "how long it stays wet", "what is read"),
                read.get(0).missing().stream().map(String::valueOf).toList());
        assertEquals(3, read.get(1).line());
        assertTrue(String.valueOf(read.get(1).why()).startsWith("\"if\" makes it a rule"));
        assertEquals(
                "It does not begin with one thing that is done.",
                String.valueOf(read.get(2).why()));
    }

    @Test
    void aWholeBinderIsTooLongAndSaysSo() {
        MachineSheet sheet = DemoSite.sheet("QK-SL1");
        assertEquals(5_000, read("Wash pusher\n".repeat(5_000), sheet).size());
        FormatError e =
                assertThrows(FormatError.class, () -> read("Wash pusher\n".repeat(5_001), sheet));
        assertEquals("/text", e.problems().getFirst().pointer());
        assertTrue(VERBS_ONLY.stream().allMatch(v -> step(v, sheet).contains("action")));
    }
}
