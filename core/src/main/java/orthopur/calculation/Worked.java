package orthopur.calculation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.calculation.CalcAnswer.Amount;
import orthopur.quantity.Show;

/** An answer while it is being written. */
final class Worked {
    private final String name;
    private final CalcInputs in;
    private final Map<String, Object> also = new LinkedHashMap<>();
    private final List<String> assumptions = new ArrayList<>();
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

    Worked also(String key, Object text) {
        also.put(key, text);
        return this;
    }

    /** In, out or cannot-tell. */
    Worked verdict(String word) {
        verdict = word;
        return this;
    }

    Worked assume(String sentence) {
        assumptions.add(sentence);
        return this;
    }

    /**
     * Ends with the formula; every {@code %s} takes the next number, written for people.
     *
     * @param numbers numbers or texts
     */
    CalcAnswer formula(String pattern, Object... numbers) {
        Object[] shown = new Object[numbers.length];
        for (int i = 0; i < numbers.length; i++) {
            shown[i] = numbers[i] instanceof Double d ? Show.number(d) : numbers[i];
        }
        return new CalcAnswer(
                name,
                in.asGiven(),
                result,
                also,
                verdict,
                pattern.formatted(shown),
                List.copyOf(assumptions));
    }
}
