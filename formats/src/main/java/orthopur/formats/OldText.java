package orthopur.formats;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.machine.Vessel;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Reads an old procedure out of a binder, clause by clause. A clause is proposed as a step only
 * where every word of it is understood; any other stays a note, and says why. Wrong recognition is
 * worse than none.
 */
public final class OldText {
    /** As much as anybody pastes: a binder of a hundred pages. */
    public static final int MOST_LINES = 5_000;

    private static final int LONGEST_TITLE = 120;

    private static final Pattern NUMBERING =
            Pattern.compile(
                    "^(?:\\s*(?:(?:step|paso)\\s*)?\\(?[0-9]{1,3}(?:\\.[0-9]{1,2})?(?:[.):]|\\s*[-–]\\s|(?=\\t|\\s*\\|))\\s*"
                            + "|\\s*[-*•–·]\\s+|\\s*[a-zA-Z][.)]\\s+|\\s*\\[.?\\]\\s*|\\s*\\|)",
                    Pattern.CASE_INSENSITIVE);
    private static final Pattern CELLS = Pattern.compile("\\s*[\\t|]\\s*");

    /** Between two things that are done: a full stop, a semicolon, "then". */
    private static final Pattern CLAUSES =
            Pattern.compile(
                    "(?<!\\bmin)(?<!\\bsec)(?<!\\bmax)(?<!\\bapprox)(?<!\\bno)(?<!\\brev)(?<!\\btemp)[.;!]+(?:\\s+|$)"
                            + "|,?\\s+(?:and\\s+)?then\\s+|,?\\s+luego\\s+",
                    Pattern.CASE_INSENSITIVE);

    private OldText() {}

    /**
     * What one clause was read as.
     *
     * @param line of the pasted text, from 1
     * @param text as it stands there
     * @param notation the step as a line; null where the clause stays a note
     * @param missing what the step needs and the text does not say
     * @param why it stays a note
     */
    public record Reading(
            int line,
            String text,
            @Nullable String notation,
            List<Text> missing,
            @Nullable Text why) {}

    /**
     * All clauses in order; empty lines are left out.
     *
     * @throws FormatError for a text of more than {@value #MOST_LINES} lines
     */
    public static List<Reading> read(
            String text, MachineSheet sheet, List<Chemical> chemicals, List<Vessel> vessels) {
        List<String> lines = text.lines().toList();
        if (lines.size() > MOST_LINES) {
            throw new FormatError(
                    "/text",
                    Text.of(
                            "old-text.lines",
                            "The text has {0} lines; at most {1} are read at once.",
                            lines.size(),
                            MOST_LINES));
        }
        OldTextClause.Known known = new OldTextClause.Known(sheet, chemicals, vessels);
        List<Reading> all = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            String line = bare(lines.get(i));
            Reading before = null;
            for (String half : line.split("\\s+/\\s+")) {
                for (String clause : CLAUSES.split(half)) {
                    String said = clause.strip();
                    if (said.chars().noneMatch(Character::isLetter)) {
                        continue;
                    }
                    Reading r = new OldTextClause(known, said).read(i + 1);
                    // The second language of a bilingual line says the same again.
                    boolean again =
                            before != null
                                    && r.notation() != null
                                    && verb(r).equals(verb(before))
                                    && line.contains(" / ");
                    all.add(
                            again
                                    ? new Reading(
                                            i + 1,
                                            said,
                                            null,
                                            List.of(),
                                            Text.of(
                                                    "old-text.again",
                                                    "It says the same again in another language."))
                                    : r);
                    before = r.notation() == null ? before : r;
                }
            }
        }
        return List.copyOf(all);
    }

    /**
     * A step as the writer took it over.
     *
     * @param line in line notation
     * @param words for the cleaner, as they stood in the old text
     */
    public record Typed(String line, String words) {}

    /** What stands above the steps of the new procedure. */
    public record Head(
            String id, String title, Frequency kind, MachineSheet sheet, RuleBook book) {}

    /**
     * The lines as a procedure file.
     *
     * @throws FormatError with the place of every word that is not understood
     */
    public static String procedure(Head head, List<Chemical> chemicals, List<Typed> lines) {
        Notation notation = new Notation(head.sheet(), chemicals);
        List<Problem> problems = new ArrayList<>();
        if (lines.isEmpty()) {
            problems.add(
                    new Problem(
                            "/lines",
                            Text.of(
                                    "old-text.take-over-at-least-one-step",
                                    "Take over at least one step.")));
        }
        if (head.title().isBlank() || head.title().length() > LONGEST_TITLE) {
            problems.add(
                    new Problem(
                            "/title",
                            Text.of(
                                    "old-text.give-it-a-title-of-to",
                                    "Give it a title of 1 to {0} letters.",
                                    LONGEST_TITLE)));
        }
        ObjectNode d = Json.shared().createObjectNode();
        d.put("id", head.id()).put("title", head.title().strip());
        d.put("sheet", head.sheet().code()).put("sheetVersion", head.sheet().version());
        d.put("ruleBook", head.book().version());
        d.put("kind", QuantityModule.written(head.kind()));
        d.putObject("schools").put("rinseAfterSanitizer", false).put("assembledFirst", false);
        d.put("people", 1).putArray("ppe");
        ArrayNode steps = d.putArray("steps");
        for (int i = 0; i < lines.size(); i++) {
            String id = "s" + (i + 1);
            Notation.ReadStep read = notation.step(lines.get(i).line(), id);
            for (Notation.Slip slip : read.slips()) {
                problems.add(new Problem("/lines/" + i + "/line", slip.said()));
            }
            if (read.step() != null) {
                ObjectNode step = (ObjectNode) Json.tree(Json.write(read.step()));
                steps.add(step.put("id", id).put("words", lines.get(i).words()));
            }
        }
        if (!problems.isEmpty()) {
            throw new FormatError(problems);
        }
        return d.toString();
    }

    private static String verb(Reading r) {
        String line = r.notation() == null ? "" : r.notation();
        return line.toLowerCase(Locale.ROOT).split("[ ,`]", 2)[0];
    }

    /** Without bullet, number and the rules of a table. */
    private static String bare(String line) {
        String s = line.replace('\u00a0', ' ');
        String before;
        do {
            before = s;
            s = NUMBERING.matcher(s).replaceFirst("");
        } while (!s.equals(before));
        return CELLS.matcher(s.strip()).replaceAll(", ").replaceAll("(?:, )+", ", ");
    }
}
