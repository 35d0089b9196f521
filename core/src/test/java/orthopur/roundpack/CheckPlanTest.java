package orthopur.roundpack;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.roundpack.ReadingJudge.Outcome;
import orthopur.roundpack.RoundPack.CheckPlan;
import orthopur.text.Text;

/** A gauge that may be off proves only what it proves with all it may be off by. */
class CheckPlanTest {
    private static CheckPlan tension(Double tolerance) {
        return new CheckPlan(
                "tension", Text.plain("Blade tension"), 60.0, 70.0, "gauge", tolerance);
    }

    @ParameterizedTest
    @CsvSource({
        "61, IN", "69, IN", "65, IN", "60.9, CANNOT_TELL", "69.1, CANNOT_TELL",
        "59, CANNOT_TELL", "71, CANNOT_TELL", "58.9, OUT", "71.1, OUT", "-5, OUT"
    })
    void aGaugeThatMayBeOffByOne(double shown, Outcome outcome) {
        assertEquals(outcome, tension(1.0).judge(shown));
    }

    @ParameterizedTest
    @CsvSource({"60, IN", "70, IN", "59.99, OUT", "70.01, OUT"})
    void aCountIsExactAndItsEndsBelongToIt(double shown, Outcome outcome) {
        assertEquals(outcome, tension(null).judge(shown));
        assertEquals(outcome, tension(0.0).judge(shown));
    }

    @Test
    void lookingIsEnoughWhereNothingIsMeasuredAndAMissingValueIsNotIn() {
        assertEquals(
                Outcome.IN,
                new CheckPlan("a", Text.plain("a"), null, null, null, null).judge(null));
        assertEquals(Outcome.OUT, tension(1.0).judge(null));
    }

    /** Whatever the truth is that the gauge can have meant, the word holds for it. */
    @Property
    void theWordHoldsForAllThatCanBeMeant(
            @ForAll @DoubleRange(min = 40, max = 90) double shown,
            @ForAll @DoubleRange(min = 0, max = 4) double tolerance,
            @ForAll @DoubleRange(min = -1, max = 1) double where) {
        double truth = shown + where * tolerance;
        boolean inside = truth >= 60 && truth <= 70;
        switch (tension(tolerance).judge(shown)) {
            case IN -> assertTrue(inside);
            case OUT -> assertTrue(!inside);
            case CANNOT_TELL -> assertTrue(tolerance > 0);
        }
    }
}
