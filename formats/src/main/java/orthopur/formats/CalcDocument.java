package orthopur.formats;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.calculation.CalcAnswer;
import orthopur.text.Text;

/**
 * The answer of a calculation as a document, in English.
 *
 * @param also further results: each an amount, words or a list of them
 */
public record CalcDocument(
        String name,
        Map<String, String> inputs,
        CalcAnswer.@Nullable Amount result,
        Map<String, Object> also,
        @Nullable String verdict,
        String formula,
        List<String> assumptions) {
    public static CalcDocument of(CalcAnswer a) {
        Map<String, Object> also = new LinkedHashMap<>(a.also());
        also.replaceAll((key, value) -> inEnglish(value));
        return new CalcDocument(
                a.name(),
                a.inputs(),
                a.result(),
                also,
                a.verdict(),
                a.formula().toString(),
                a.assumptions().stream().map(Text::toString).toList());
    }

    private static Object inEnglish(Object value) {
        return switch (value) {
            case Text t -> t.toString();
            case List<?> all -> all.stream().map(CalcDocument::inEnglish).toList();
            default -> value;
        };
    }
}
