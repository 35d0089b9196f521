package orthopur.calculation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.calculation.CalcAnswer.Amount;
import orthopur.quantity.Show;
import orthopur.text.Text;

/** An answer while it is being written. */
final class Worked {
    private final String name;
    private final CalcInputs in;
    private final Map<String, Object> also = new LinkedHashMap<>();
    private final List<Text> assumptions = new ArrayList<>();
    private @Nullable Amount result;
    private @Nullable String verdict;

    Worked(Calculation calculation, CalcInputs in) {
        this.name = calculation.name();
        this.in = in;
    }

    Worked result(double value, String unit) {
        result = new Amount(value, unit);
        return this;
    }

    Worked also(String key, double value, String unit) {
        also.put(key, new Amount(value, unit));
        return this;
    }

    Worked also(String key, Text words) {
        also.put(key, words);
        return this;
    }

    Worked also(String key, List<Text> words) {
        also.put(key, words);
        return this;
    }

    static Text yes(boolean so) {
        return so ? Text.of("calc.yes", "yes") : Text.of("calc.no", "no");
    }

    /** In, out or cannot-tell. */
    Worked verdict(String word) {
        verdict = word;
        return this;
    }

    Worked assume(Text sentence) {
        assumptions.add(sentence);
        return this;
    }

    /** Ends with the formula; its numbers are written for people. */
    CalcAnswer formula(Text formula) {
        return new CalcAnswer(
                name,
                in.asGiven(),
                result,
                also,
                verdict,
                new Text(
                        formula.id(),
                        formula.english(),
                        formula.args().stream()
                                .map(a -> a instanceof Double d ? Show.number(d) : a)
                                .toList()),
                List.copyOf(assumptions));
    }
}
