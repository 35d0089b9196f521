package orthopur.calculation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.LinkedHashMap;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import orthopur.calculation.CalcAnswer.Amount;
import orthopur.rulebook.PublicCodes;

/** Input out of its domain is refused with its key; what holds for every input holds. */
class RefusalsTest {
    private static CalcAnswer calc(String name, String inputs) {
        Map<String, String> in = new LinkedHashMap<>();
        for (String p : inputs.split(" ")) {
            in.put(p.substring(0, p.indexOf('=')), p.substring(p.indexOf('=') + 1));
        }
        return Calculations.compute(name, in, PublicCodes.book());
    }

    @ParameterizedTest(name = "{0} {1} → {2}")
    @CsvFileSource(resources = "/refused-values.psv", delimiter = '|')
    void namesTheKey(String name, String inputs, String key) {
        RefusedInput e = assertThrows(RefusedInput.class, () -> calc(name, inputs));
        assertEquals(key, e.key(), e::getMessage);
        assertFalse(e.allowed().toString().isBlank());
    }

    /** Caustic is made by mass: what goes in is what comes out. */
    @Property(tries = 200)
    void massIsConserved(
            @ForAll @DoubleRange(min = 0.1, max = 200) double litres,
            @ForAll @DoubleRange(min = 0.5, max = 10) double wanted) {
        CalcAnswer a =
                calc(
                        "caustic",
                        "volume=%sL wanted=%s%% stock=25%% wanted-density=1.02 stock-density=1.27"
                                .formatted(litres, wanted));
        double into = a.result().value() / 1000 * 1.27 * 0.25;
        assertEquals(litres * 1.02 * wanted / 100, into, 1e-9 * litres);
    }

    /** More concentrate never lowers the strength, and what was measured is never too weak. */
    @Property(tries = 200)
    void roundingNeverFallsBelowTheTarget(
            @ForAll @DoubleRange(min = 1, max = 400) double litres,
            @ForAll @DoubleRange(min = 10, max = 500) double target) {
        CalcAnswer a =
                calc("dilute", "volume=%sL target=%smg/L stock=10%%w/v".formatted(litres, target));
        Amount then = (Amount) a.also().get("strengthThen");
        assertTrue(then.value() >= target - 1e-6, () -> a.formula().toString());
        CalcAnswer more =
                calc(
                        "dilute",
                        "volume=%sL target=%smg/L stock=10%%w/v".formatted(litres, target + 1));
        assertTrue(more.result().value() > a.result().value());
    }

    /** Where a strength is enough, a stronger one below the ceiling and warmer water are too. */
    @Property(tries = 300)
    void chlorineIsMonotone(
            @ForAll @DoubleRange(min = 20, max = 180) double strength,
            @ForAll @DoubleRange(min = 5, max = 60) double temp,
            @ForAll @DoubleRange(min = 5, max = 11) double ph) {
        String in = "kind=chlorine strength=%smg/L temp=%sC pH=%s";
        if ("in".equals(calc("limit", in.formatted(strength, temp, ph)).verdict())) {
            assertEquals("in", calc("limit", in.formatted(strength + 20, temp, ph)).verdict());
            assertEquals("in", calc("limit", in.formatted(strength, temp + 5, ph)).verdict());
            assertEquals("in", calc("limit", in.formatted(strength, temp, ph - 1)).verdict());
        }
    }

    /** Added and stirred in, the corrected vessel has the target. */
    @Property(tries = 200)
    void correctingThenReadingGivesTheTarget(
            @ForAll @DoubleRange(min = 1, max = 200) double litres,
            @ForAll @DoubleRange(min = 0, max = 99) double reading) {
        CalcAnswer a =
                calc(
                        "correct",
                        "volume=%sL reading=%smg/L target=100mg/L stock=146250mg/L"
                                .formatted(litres, reading));
        double x = a.result().value() / 1000;
        assertEquals(100, (litres * reading + x * 146_250) / (litres + x), 1e-6);
    }
}
