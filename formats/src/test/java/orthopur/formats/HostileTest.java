package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import orthopur.chemical.Chemical;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Procedure;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Severity;
import orthopur.verdict.Verdict;

/**
 * Procedures that would hurt somebody or poison food, and correct ones that look like them. Each is
 * an approved procedure of the demo site with some lines changed, in {@code hostile/*.cases}:
 *
 * <pre>
 * case: what is wrong, as a trainer would say it
 * in: qk-sl1-end-of-shift
 * wear: long sleeves            (added to what is worn)
 * wear only: goggles            (instead of all that is worn)
 * kind: event | people: 2 | school: assembled first | clears: soy
 * before soak: Mark Blade       (or after, instead of; several lines may follow each other)
 * delete soak
 * move sanitize before record
 * must say STOP L1 or L6        (as a root, with this severity)
 * must say STOP L1 at mark      (at that step)
 * must say nothing              (no STOP, no FIX)
 * must not say C17
 * </pre>
 */
class HostileTest {
    private static final Set<String> CHEMICALS =
            DemoSite.CHEMICALS.stream().map(Chemical::id).collect(Collectors.toSet());

    private static final Path CASES = Path.of("src/test/resources/hostile");

    /** One case, by its lines. */
    private record Case(String name, List<String> lines) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Case> cases() throws IOException {
        List<Case> all = new ArrayList<>();
        List<Path> files;
        try (Stream<Path> found = Files.list(CASES)) {
            files = found.sorted().toList();
        }
        for (Path file : files) {
            for (String block : Files.readString(file).split("(?m)^(?=case: )")) {
                List<String> lines =
                        block.lines().filter(l -> !l.isBlank() && !l.startsWith("#")).toList();
                if (!lines.isEmpty()) {
                    all.add(
                            new Case(
                                    file.getFileName() + ": " + after(lines.getFirst(), "case:"),
                                    lines.subList(1, lines.size())));
                }
            }
        }
        return all.stream();
    }

    @ParameterizedTest
    @MethodSource("cases")
    void isJudged(Case c) {
        Verdict v = DemoSite.verify(written(c));
        List<Finding> roots = v.findings().stream().filter(f -> f.under() == null).toList();
        String said = roots.stream().map(HostileTest::line).toList().toString();
        int asked = 0;
        for (String line : c.lines()) {
            if (line.equals("must say nothing")) {
                asked++;
                assertEquals(0, v.stops() + v.fixes(), said);
            } else if (line.startsWith("must not say ")) {
                asked++;
                String rule = after(line, "must not say ");
                assertFalse(v.findings().stream().anyMatch(f -> f.rule().equals(rule)), said);
            } else if (line.startsWith("must say ")) {
                asked++;
                said(after(line, "must say "), roots, said);
            }
        }
        assertTrue(asked > 0, "nothing is asked of it");
    }

    /** What is found in one of them. */
    record Found(Case in, Finding finding) {
        /** Whether the case says it: a place, a tool, words that are of no document. */
        boolean typed(String words) {
            return in.lines().stream().anyMatch(l -> l.contains("\"" + words));
        }
    }

    /** All that is found in all of them. */
    static Stream<Found> found() throws IOException {
        Stream<Found> drafts =
                DemoSite.DRAFTS.stream().flatMap(d -> found(new Case(d, List.of()), demo(d)));
        return Stream.concat(drafts, cases().flatMap(c -> found(c, written(c))));
    }

    private static Stream<Found> found(Case in, Procedure p) {
        return DemoSite.verify(p).findings().stream().map(f -> new Found(in, f));
    }

    private static Procedure demo(String id) {
        ProcedureDocument d = ProcedureFormat.document(DemoSite.procedure(id));
        return ProcedureFormat.read(d, DemoSite.sheet(d.sheet()), CHEMICALS);
    }

    private static void said(String what, List<Finding> roots, String said) {
        String[] at = what.split(" at ");
        Severity severity = Severity.valueOf(at[0].split(" ")[0]);
        List<String> rules =
                Arrays.asList(at[0].substring(severity.name().length() + 1).split(" or "));
        assertTrue(
                roots.stream()
                        .anyMatch(
                                f ->
                                        rules.contains(f.rule())
                                                && f.severity() == severity
                                                && (at.length == 1 || at[1].equals(f.stepId()))),
                what + " is missing in " + said);
    }

    private static String line(Finding f) {
        return f.severity() + " " + f.rule() + "@" + f.stepId() + ": " + f.message();
    }

    private static String after(String line, String word) {
        return line.substring(word.length()).strip();
    }

    private static Procedure written(Case c) {
        String base = c.lines().getFirst();
        assertTrue(base.startsWith("in: "), base);
        ProcedureDocument d = ProcedureFormat.document(DemoSite.procedure(after(base, "in:")));
        MachineSheet sheet = DemoSite.sheet(d.sheet());
        Notation notation = new Notation(sheet, DemoSite.CHEMICALS);
        List<String> text = new ArrayList<>(notation.write(d).lines().toList());
        int place = -1;
        for (String line : c.lines().subList(1, c.lines().size())) {
            String[] two = line.split(": ", 2);
            String[] words = two[0].split(" ");
            switch (words[0]) {
                case "kind:", "people:", "clears:" -> throw new AssertionError(line);
                case "kind", "people", "clears" -> head(text, words[0], two[1]);
                case "wear" ->
                        head(text, "wear", words.length > 1 ? two[1] : worn(text) + ", " + two[1]);
                case "school" -> text.add(1, "school: " + two[1]);
                case "before" -> text.add(place = of(text, words[1]), two[1]);
                case "after" -> text.add(place = end(text, words[1]), two[1]);
                case "instead" -> text.set(place = of(text, words[2]), two[1] + " #" + words[2]);
                case "then" -> text.add(++place, two[1]);
                case "delete" -> remove(text, words[1]);
                case "move" -> {
                    List<String> moved = remove(text, words[1]);
                    text.addAll(
                            words[2].equals("before") ? of(text, words[3]) : end(text, words[3]),
                            moved);
                }
                case "must" -> {}
                default -> throw new AssertionError("What is \"" + line + "\"?");
            }
        }
        Notation.Read read = notation.read(String.join("\n", text));
        assertEquals(List.of(), read.slips());
        return ProcedureFormat.read(read.document(), sheet, CHEMICALS);
    }

    private static String worn(List<String> text) {
        return text.stream()
                .filter(l -> l.startsWith("wear: "))
                .findFirst()
                .orElse("wear: ")
                .substring(6);
    }

    private static void head(List<String> text, String key, String value) {
        text.removeIf(l -> l.startsWith(key + ": "));
        text.add(1, key + ": " + value);
    }

    private static int of(List<String> text, String id) {
        for (int i = 0; i < text.size(); i++) {
            if (text.get(i).endsWith(" #" + id)) {
                return i;
            }
        }
        throw new AssertionError("no step " + id);
    }

    /** Behind the step and its words. */
    private static int end(List<String> text, String id) {
        int i = of(text, id) + 1;
        while (i < text.size() && text.get(i).startsWith("  ")) {
            i++;
        }
        return i;
    }

    private static List<String> remove(List<String> text, String id) {
        List<String> step = text.subList(of(text, id), end(text, id));
        List<String> was = List.copyOf(step);
        step.clear();
        return was;
    }

    static List<String> approved() {
        return DemoSite.APPROVED;
    }

    /** Names in capitals mean the same; a number without its unit means nothing. */
    @ParameterizedTest
    @MethodSource("approved")
    void shoutedIsReadAndUnitsAreAskedFor(String name) {
        Procedure good = DemoSite.procedure(name);
        String text = notation(good).write(ProcedureFormat.document(good));
        Notation.Read capitals = notation(good).read(shouted(text));
        assertEquals(List.of(), capitals.slips(), "names in capitals");
        Verdict v =
                DemoSite.verify(
                        ProcedureFormat.read(
                                capitals.document(), DemoSite.sheet(good.sheet()), CHEMICALS));
        assertEquals(0, v.stops(), v.findings().toString());
        Notation.Read bare = notation(good).read(text.replaceAll(" (mg/L|°C|min|L|%)(?=[, ])", ""));
        assertFalse(bare.slips().isEmpty(), "numbers without units");
    }

    private static Notation notation(Procedure p) {
        return new Notation(DemoSite.sheet(p.sheet()), DemoSite.CHEMICALS);
    }

    /** Names of parts and energies in capitals; ids, quoted texts and the head as they are. */
    private static String shouted(String text) {
        return text.lines()
                .map(
                        l ->
                                l.contains(" #") && !l.startsWith("  ") && !l.startsWith("if ")
                                        ? shoutedLine(l)
                                        : l)
                .collect(Collectors.joining("\n"));
    }

    private static String shoutedLine(String line) {
        int end = line.indexOf(", ");
        int quote = line.indexOf('"');
        int tick = line.indexOf('`');
        boolean plain =
                end > 0
                        && !line.substring(0, end).contains(" takes ")
                        && (quote < 0 || quote > end)
                        && (tick < 0 || tick > end);
        return plain ? line.substring(0, end).toUpperCase(Locale.ROOT) + line.substring(end) : line;
    }
}
