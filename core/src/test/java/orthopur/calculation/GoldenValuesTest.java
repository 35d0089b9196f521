package orthopur.calculation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;

import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import orthopur.calculation.CalcAnswer.Amount;
import orthopur.rulebook.PublicCodes;

/**
 * Worked by hand or from the published table, each with its working. {@code where} is {@code
 * result} or the further result that is compared; numbers to a part in a thousand.
 */
class GoldenValuesTest {
    @ParameterizedTest(name = "{0} {1}")
    @CsvFileSource(resources = "/worked-values.psv", delimiter = '|', maxCharsPerColumn = 400)
    void holds(String name, String inputs, String where, double value, String unit) {
        Map<String, String> in = new LinkedHashMap<>();
        for (String p : inputs.split(" ")) {
            in.put(
                    p.substring(0, p.indexOf('=')),
                    p.substring(p.indexOf('=') + 1).replace('_', ' '));
        }
        CalcAnswer a = Calculations.compute(name, in, PublicCodes.book());
        Amount got = where.equals("result") ? a.result() : (Amount) a.also().get(where);
        assertNotNull(got, () -> where + " of " + a);
        assertEquals(value, got.value(), Math.abs(value) * 1e-3, () -> a.formula().toString());
        assertEquals(unit == null ? "" : unit, got.unit());
    }
}
