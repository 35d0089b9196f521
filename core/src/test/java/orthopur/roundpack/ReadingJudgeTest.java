package orthopur.roundpack;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.instrument.Instrument;
import orthopur.mixing.Interval;
import orthopur.quantity.OutOfRange;
import orthopur.roundpack.ReadingJudge.Outcome;
import orthopur.roundpack.RoundPack.ReadingBand;
import orthopur.roundpack.RoundPack.ReadingPlan;
import orthopur.text.Text;

class ReadingJudgeTest {
    private static final List<ReadingBand> BANDS =
            List.of(
                    new ReadingBand(13, 100, 200),
                    new ReadingBand(24, 50, 200),
                    new ReadingBand(49, 25, 200));

    private static Outcome judge(double lo, double hi, double coldest, double warmest) {
        return ReadingJudge.judge(BANDS, new Interval(lo, hi), new Interval(coldest, warmest));
    }

    @ParameterizedTest
    @CsvSource({
        "100, 100, 13, 13, IN",
        "99.9, 99.9, 13, 13, OUT",
        "100, 200, 13, 14, IN",
        "100, 200.1, 13, 14, CANNOT_TELL",
        "99, 101, 18, 18, CANNOT_TELL",
        "62, 62, 23.5, 24.5, CANNOT_TELL",
        "62, 62, 24, 25, IN",
        "201, 300, 20, 20, OUT",
        "150, 150, 12, 12.9, OUT",
        "150, 150, 12.5, 13.5, CANNOT_TELL",
        "24, 24.9, 60, 60, OUT"
    })
    void theWholeIntervalHasToBeInside(
            double lo, double hi, double cold, double warm, Outcome expected) {
        assertEquals(expected, judge(lo, hi, cold, warm));
    }

    @Test
    void aStripReadsHalfWayToItsNeighbours() {
        Instrument strip = new Instrument("s", "Strip", List.of(0.0, 50.0, 100.0, 200.0), 0, 0);
        assertEquals(new Interval(75, 150), ReadingJudge.strength(strip, 100));
        assertEquals(0, ReadingJudge.strength(strip, 0).low());
        assertTrue(Double.isInfinite(ReadingJudge.strength(strip, 200).high()));
        // Seen between two marks it can be anything between them, on the tablet as at the desk.
        assertEquals(new Interval(100, 200), ReadingJudge.strength(strip, 120));
        assertThrows(OutOfRange.class, () -> ReadingJudge.strength(strip, 201));
        assertThrows(OutOfRange.class, () -> ReadingJudge.mark(strip, 120));
    }

    @Test
    void adviceNamesTheAmountOrSaysThatTheTestIsTooCoarse() {
        ReadingPlan plan =
                new ReadingPlan("Halvern H12", BANDS, 146_250.0, 40.0, Text.plain(""), null);
        assertTrue(advice(plan, 49, 75, 18).contains("Add 14 mL of Halvern H12 to the 40 L"));
        assertTrue(advice(plan, 20, 150, 18).contains("finer test"));
        assertTrue(advice(plan, 100, 100, 10).contains("at least 13 °C"));
        assertTrue(advice(plan, 250, 260, 18).contains("Too strong"));
        ReadingPlan unknown =
                new ReadingPlan("Halvern H12", BANDS, null, null, Text.plain(""), null);
        assertTrue(advice(unknown, 49, 75, 18).contains("by its label"));
        assertTrue(
                advice(
                                new ReadingPlan("X", List.of(), null, null, Text.plain(""), null),
                                49,
                                75,
                                18)
                        .contains("supervisor"));
    }

    private static String advice(ReadingPlan plan, double lo, double hi, double celsius) {
        Interval s = new Interval(lo, hi);
        Interval t = new Interval(celsius, celsius);
        return ReadingAdvice.of(plan, ReadingJudge.judge(plan.bands(), s, t), s, t).toString();
    }

    /** A finer instrument never turns in into out or out into in. */
    @Property
    void narrowerIsNeverContrary(
            @ForAll @DoubleRange(min = 0, max = 300) double strength,
            @ForAll @DoubleRange(min = 0, max = 60) double celsius,
            @ForAll @DoubleRange(min = 0, max = 30) double wide) {
        Outcome coarse =
                judge(Math.max(0, strength - wide), strength + wide, celsius - 1, celsius + 1);
        Outcome fine = judge(strength, strength, celsius, celsius);
        assertFalse(fine == Outcome.CANNOT_TELL, "an exact reading is always decided");
        if (coarse != Outcome.CANNOT_TELL) {
            assertEquals(coarse, fine);
        }
    }
}
