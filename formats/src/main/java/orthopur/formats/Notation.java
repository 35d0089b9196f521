package orthopur.formats;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.MachineSheet;
import orthopur.text.Text;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The line notation ({@code .steps}): a procedure the way a supervisor writes it, one step a line.
 * Written out in {@code docs/notation.md}. Read without guessing; what is not understood is told
 * with its place and the nearest names.
 */
public final class Notation {
    private static final String INDENT = "  ";

    private final NotationNames names;

    public Notation(MachineSheet sheet, List<Chemical> chemicals) {
        this.names = new NotationNames(sheet, chemicals);
    }

    /**
     * A word that was not understood.
     *
     * @param line from 1
     * @param column from 1
     * @param said what is wrong, without what is nearest
     * @param nearest names or words that may be meant, best first
     */
    public record Slip(int line, int column, String word, Text said, List<String> nearest) {
        /** What is wrong and what may be meant, in one sentence or two. */
        public Text whole() {
            return nearest.isEmpty()
                    ? said
                    : Text.of("notation.nearest", "{0} Nearest: {1}.", said, nearest);
        }
    }

    /** A document as far as it was understood, and what was not. */
    public record Read(ProcedureDocument document, List<Slip> slips) {}

    /** One step typed as a line; null where not even its verb was understood. */
    public record ReadStep(@Nullable StepDocument step, List<Slip> slips) {}

    /** Whether a text is in line notation, by its first line. */
    public static boolean isNotation(String text) {
        return text.stripLeading().startsWith("procedure:");
    }

    /** The machine that the head names, or nothing. */
    public static String sheetOf(String text) {
        return text.lines()
                .filter(l -> l.startsWith("sheet:"))
                .map(l -> l.substring(6).strip().split(" ")[0])
                .findFirst()
                .orElse("");
    }

    /** A single step, without its words. */
    public ReadStep step(String line, String freshId) {
        List<Slip> slips = new ArrayList<>();
        ObjectNode step = new NotationLine(names, line, 1, slips).read();
        if (step != null && !step.has("id")) {
            step.put("id", freshId);
        }
        return new ReadStep(step == null ? null : document(step), slips);
    }

    private static StepDocument document(ObjectNode step) {
        return Documents.bind(step, StepDocument.class);
    }

    public Read read(String text) {
        List<Slip> slips = new ArrayList<>();
        ObjectNode head = Json.shared().createObjectNode();
        head.putArray("ppe");
        head.putObject("schools").put("rinseAfterSanitizer", false).put("assembledFirst", false);
        head.put("people", 1);
        ArrayNode steps = Json.shared().createArrayNode();
        ObjectNode last = null;
        List<String> lines = text.lines().toList();
        for (int i = 0; i < lines.size(); i++) {
            String line = lines.get(i);
            if (line.startsWith(INDENT) && last != null) {
                told(last, line.substring(INDENT.length()));
            } else if (last == null && line.matches("[a-z][a-z ]*:.*")) {
                head(head, line, i + 1, slips);
            } else if (!line.isBlank()) {
                ObjectNode step = new NotationLine(names, line, i + 1, slips).read();
                if (step != null) {
                    last = step;
                    if (!step.has("id")) {
                        step.put("id", "s" + (steps.size() + 1));
                    }
                    steps.add(step);
                }
            }
        }
        head.set("steps", steps);
        return new Read(Documents.bind(head, ProcedureDocument.class), slips);
    }

    /** Words, reason or caution under a step; lines of one kind are one text. */
    private static void told(ObjectNode step, String line) {
        String field = "words";
        String text = line;
        for (String f : List.of("because", "caution", "words")) {
            if (line.startsWith(f + ": ") || line.equals(f + ":")) {
                field = f;
                text = line.length() > f.length() + 2 ? line.substring(f.length() + 2) : "";
            }
        }
        step.put(field, step.has(field) ? step.get(field).asString() + "\n" + text : text);
    }

    private static void head(ObjectNode head, String line, int number, List<Slip> slips) {
        int at = line.indexOf(':');
        String key = line.substring(0, at);
        String value = line.substring(at + 1).strip();
        switch (key) {
            case "procedure" -> head.put("id", value);
            case "title" -> head.put("title", value);
            case "sheet" -> {
                String[] two = value.split(" version ");
                head.put("sheet", two[0].strip());
                head.put("sheetVersion", number(two.length > 1 ? two[1] : "1"));
            }
            case "rule book" -> head.put("ruleBook", value);
            case "kind" -> head.put("kind", value);
            case "people" -> head.put("people", number(value));
            case "school" -> {
                ObjectNode schools = (ObjectNode) head.get("schools");
                schools.put("rinseAfterSanitizer", value.contains("rinse after"));
                schools.put("assembledFirst", value.contains("assembled first"));
            }
            case "wear" -> NotationLine.texts(value).forEach(((ArrayNode) head.get("ppe"))::add);
            case "scope" -> {
                int equals = value.indexOf('=');
                ObjectNode scope =
                        head.has("scope")
                                ? (ObjectNode) head.get("scope")
                                : head.putObject("scope");
                ArrayNode options = scope.putArray(value.substring(0, Math.max(0, equals)).strip());
                for (String o : value.substring(equals + 1).split(",")) {
                    if (!o.isBlank()) {
                        options.add(o.strip());
                    }
                }
            }
            case "clears" -> NotationLine.texts(value).forEach(head.putArray("clears")::add);
            default ->
                    slips.add(
                            new Slip(
                                    number,
                                    1,
                                    key,
                                    Text.of("notation.head", "The head has no \"{0}\".", key),
                                    NotationNames.nearest(
                                            key,
                                            List.of(
                                                    "procedure",
                                                    "title",
                                                    "sheet",
                                                    "rule book",
                                                    "kind",
                                                    "people",
                                                    "school",
                                                    "wear",
                                                    "scope",
                                                    "clears"))));
        }
    }

    private static int number(String text) {
        try {
            return Integer.parseInt(text.strip());
        } catch (NumberFormatException e) {
            // Out of every range, so that the reader names the field.
            return -1;
        }
    }

    /** A document as text; reading it again gives the same document. */
    public String write(ProcedureDocument d) {
        StringBuilder b = new StringBuilder();
        b.append("procedure: ").append(d.id()).append('\n');
        b.append("title: ").append(d.title()).append('\n');
        b.append("sheet: ")
                .append(d.sheet())
                .append(" version ")
                .append(d.sheetVersion())
                .append('\n');
        b.append("rule book: ").append(d.ruleBook()).append('\n');
        b.append("kind: ").append(d.kind()).append('\n');
        List<String> schools = new ArrayList<>();
        if (d.schools() != null && d.schools().rinseAfterSanitizer()) {
            schools.add("rinse after");
        }
        if (d.schools() != null && d.schools().assembledFirst()) {
            schools.add("assembled first");
        }
        if (!schools.isEmpty()) {
            b.append("school: ").append(String.join(", ", schools)).append('\n');
        }
        b.append("people: ").append(d.people()).append('\n');
        if (d.ppe() != null && !d.ppe().isEmpty()) {
            b.append("wear: ")
                    .append(String.join(", ", d.ppe().stream().map(NotationLine::quoted).toList()))
                    .append('\n');
        }
        if (d.scope() != null) {
            for (Map.Entry<String, List<String>> e : d.scope().entrySet()) {
                b.append("scope: ")
                        .append(e.getKey())
                        .append(" = ")
                        .append(String.join(", ", e.getValue()))
                        .append('\n');
            }
        }
        if (d.clears() != null && !d.clears().isEmpty()) {
            b.append("clears: ")
                    .append(
                            String.join(
                                    ", ", d.clears().stream().map(NotationLine::quoted).toList()))
                    .append('\n');
        }
        b.append('\n');
        for (StepDocument s : d.steps()) {
            b.append(line(s)).append('\n');
            under(b, "words", s.words());
            under(b, "because", s.because());
            under(b, "caution", s.caution());
        }
        return b.toString();
    }

    private static void under(StringBuilder b, String field, @Nullable String text) {
        if (text == null) {
            return;
        }
        for (String l : text.split("\n", -1)) {
            boolean plain =
                    field.equals("words")
                            && !l.isBlank()
                            && !l.matches("(because|caution|words):.*");
            b.append(INDENT).append(plain ? "" : field + ": ").append(l).append('\n');
        }
    }

    /** One step as its line, without words, reason and caution. */
    public String line(StepDocument step) {
        ObjectNode tree = Json.shared().valueToTree(step);
        for (Iterator<Map.Entry<String, JsonNode>> i = tree.properties().iterator();
                i.hasNext(); ) {
            JsonNode v = i.next().getValue();
            if (v.isNull() || (v.isArray() && v.isEmpty())) {
                i.remove();
            }
        }
        return new NotationWriter(names).line(tree);
    }
}
