package orthopur.calculation;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.text.Text;

/**
 * The answer of a calculation, unrounded.
 *
 * @param also further results: each an {@link Amount}, words or a list of them
 * @param verdict "in", "out" or "cannot-tell" where a limit is judged
 * @param formula the formula with the numbers put in
 */
public record CalcAnswer(
        String name,
        Map<String, String> inputs,
        @Nullable Amount result,
        Map<String, Object> also,
        @Nullable String verdict,
        Text formula,
        List<Text> assumptions) {

    /** A number with its unit. */
    public record Amount(double value, String unit) {}
}
