package orthopur.simulation.instruments;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import orthopur.simulation.instruments.Meter.Answer;
import orthopur.simulation.instruments.Meter.Condition;
import orthopur.simulation.instruments.Meter.Kind;

/** The stand-ins behave and misbehave as meters do. */
class MeterTest {
    private static double shown(Answer a) {
        return assertInstanceOf(Answer.Shown.class, a).value();
    }

    private static double mean(Meter m, double truth) {
        double sum = 0;
        for (int i = 0; i < 400; i++) {
            sum += shown(m.read(truth));
        }
        return sum / 400;
    }

    @Test
    void aGoodOneIsRightOnTheWholeAndNeverTwiceTheSameForLong() {
        Meter m = new Meter(Kind.PH_PEN, Condition.GOOD, 7);
        assertEquals(7.6, mean(m, 7.6), 0.01);
        double first = shown(m.read(7.6));
        boolean moved = false;
        for (int i = 0; i < 20; i++) {
            moved |= shown(m.read(7.6)) != first;
        }
        assertTrue(moved);
    }

    @Test
    void driftGrowsWithTheDaysSinceCalibration() {
        Meter old = new Meter(Kind.THERMOMETER, new Condition(0.02, 100, 90, 100, 0), 1);
        assertEquals(67.0, mean(old, 65), 0.1);
        assertTrue(old.condition().due());
    }

    @Test
    void aStuckOneShowsTheSameWhateverItIsHeldTo() {
        Meter m = new Meter(Kind.COLORIMETER, new Condition(0, 0, 180, 100, 1), 3);
        double first = shown(m.read(100));
        assertEquals(first, shown(m.read(20)));
        assertEquals(first, shown(m.read(0)));
    }

    @Test
    void aFlatBatteryShowsNothingAndALowOneRunsOut() {
        assertInstanceOf(
                Answer.Dark.class, new Meter(Kind.ATP, new Condition(0, 0, 180, 0, 0), 1).read(10));
        Meter low = new Meter(Kind.ATP, new Condition(0, 0, 180, 0.2, 0), 1);
        low.read(10);
        low.read(10);
        assertInstanceOf(Answer.Dark.class, low.read(10));
    }

    @Test
    void beyondItsRangeItSaysSo() {
        Answer a = new Meter(Kind.COLORIMETER, Condition.GOOD, 1).read(5000);
        assertEquals("0 to 500 mg/L", assertInstanceOf(Answer.Beyond.class, a).range());
    }

    @Property(tries = 300)
    void theSameSeedIsTheSameNight(
            // Near an end of its range the noise may lead beyond it, where it shows no figure.
            @ForAll long seed, @ForAll @DoubleRange(min = 60, max = 300) double truth) {
        Meter one = new Meter(Kind.COLORIMETER, Condition.GOOD, seed);
        Meter same = new Meter(Kind.COLORIMETER, Condition.GOOD, seed);
        for (int i = 0; i < 5; i++) {
            assertEquals(one.read(truth), same.read(truth));
        }
        assertNotEquals(Double.NaN, shown(one.read(truth)));
    }
}
