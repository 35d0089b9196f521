package orthopur.formats.language;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.UnaryOperator;
import orthopur.formats.ActionTable;
import orthopur.formats.StatedField;
import orthopur.formats.StatedField.Kind;
import orthopur.quantity.Show;
import tools.jackson.databind.JsonNode;

/**
 * What a step states beside its words, on one line in a reader's language: things first, then
 * figures. The page says the same in {@code ribbon/words.ts}; line notation is for those who write.
 */
public final class StatedLine {
    private static final List<Kind> FIRST =
            List.of(Kind.NAMES, Kind.TEXTS, Kind.CHEMICAL, Kind.QUANTITY, Kind.NUMBER, Kind.COUNT);

    /** What line notation has before a place. */
    public static final String TO = "->";

    private StatedLine() {}

    /**
     * @param step as its document has it
     * @param told a text or a word in the reader's language; {@link #TO} is one of them
     * @param named a thing of the sheet or a product by its id, in the reader's language
     */
    public static String of(
            JsonNode step, UnaryOperator<String> told, UnaryOperator<String> named) {
        String action = step.path("action").asString("");
        List<String> parts = new ArrayList<>();
        ActionTable.all().stream()
                .filter(a -> a.name().equals(action))
                .flatMap(a -> a.fields().stream())
                .sorted(Comparator.comparing(StatedLine::rank))
                .forEach(f -> add(parts, stated(f, step.path(f.name()), told, named)));
        return String.join(", ", parts);
    }

    private static int rank(StatedField f) {
        int place = FIRST.indexOf(f.kind());
        return place < 0 ? FIRST.size() : place;
    }

    private static void add(List<String> parts, String part) {
        if (!part.isBlank()) {
            parts.add(part.strip());
        }
    }

    private static String stated(
            StatedField f,
            JsonNode value,
            UnaryOperator<String> told,
            UnaryOperator<String> named) {
        if (value.isMissingNode() || value.isNull() || value.isEmpty() && value.isContainer()) {
            return "";
        }
        String word = f.word().isEmpty() ? "" : told.apply(f.word()) + " ";
        return switch (f.kind()) {
            case NAMES -> each(value, named);
            case TEXTS, CHOICES -> word + each(value, told);
            case CHEMICAL -> named.apply(value.asString());
            case QUANTITY ->
                    word
                            + Show.number(value.path("value").asDouble())
                            + " "
                            + value.path("unit").asString("");
            case COUNT -> value.asString() + " " + counted(f.word(), value.asInt(), told);
            case FLAG -> value.asBoolean() ? told.apply(f.word()) : "";
            case CHOICE -> f.needed() ? "" : word + told.apply(value.asString().replace('-', ' '));
            case TEXT, NUMBER -> word + told.apply(value.asString());
        };
    }

    private static String counted(String word, int count, UnaryOperator<String> told) {
        return told.apply(
                count == 1 && word.endsWith("s") ? word.substring(0, word.length() - 1) : word);
    }

    private static String each(JsonNode values, UnaryOperator<String> said) {
        List<String> all = new ArrayList<>();
        values.forEach(v -> all.add(said.apply(v.asString())));
        return String.join(", ", all);
    }
}
