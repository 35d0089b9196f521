package orthopur.solution;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.chemical.ChemicalKind;
import orthopur.quantity.Ph;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.rulebook.PublicCodes;
import orthopur.rulebook.RuleBook;
import orthopur.solution.ChangeBy.Seen;
import orthopur.solution.ChangeBy.Why;
import orthopur.testbench.Bench;

/** Until when a solution may be used, and how a concentrate ages. */
class ChangeByTest {
    private static final RuleBook BOOK = PublicCodes.book();
    private static final double HOUR = 3_600_000;

    /** 100 mg/L of hypochlorite at pH 7.4: at least 50 mg/L from 24 °C, 100 mg/L below. */
    private static Job job(double celsius, double fade) {
        return new Job(
                Bench.CHLORINE,
                new Volume(40),
                new Volume(60),
                new Temperature(celsius),
                new Ph(7.4),
                null,
                false,
                null,
                0,
                fade,
                null,
                null,
                null);
    }

    private static Seen seen(double hours, double mgPerL, Double celsius) {
        return new Seen((long) (hours * HOUR), mgPerL, celsius);
    }

    private static double hours(ChangeBy by) {
        return by.at() / HOUR;
    }

    @Test
    void whatNobodyReadsLastsAsLongAsTheHabit() {
        ChangeBy by = ChangeBy.of(job(30, 0), 0, seen(0, 100, 30.0), List.of(), BOOK);
        assertEquals(new ChangeBy((long) (4 * HOUR), Why.HABIT), by);
    }

    /** By ln 2 an hour 100 mg/L are 50 after one. */
    @Test
    void knownToFadeItEndsWhereItIsTooWeak() {
        ChangeBy by = ChangeBy.of(job(30, Math.log(2)), 0, seen(0, 100, 30.0), List.of(), BOOK);
        assertEquals(Why.FADES, by.why());
        assertEquals(1, hours(by), 0.01);
    }

    /** 100, 80 and then a fifth less each hour: ln(64 / 50) / ln(100 / 80) after the last. */
    @Test
    void itsOwnReadingsComeBeforeTheHabitOfOthers() {
        List<Seen> read = List.of(seen(0, 100, 30.0), seen(1, 80, 30.0), seen(2, 64, 30.0));
        ChangeBy by = ChangeBy.of(job(30, 9), 0, seen(0, 110, 30.0), read, BOOK);
        assertEquals(Why.FADES, by.why());
        assertEquals(2 + Math.log(64.0 / 50) / Math.log(1.25), hours(by), 0.01);
    }

    /** From 30 °C by 2 K in half an hour: 24 °C an hour and a half after it was made. */
    @Test
    void coolingItEndsWhereItsStrengthIsNoLongerEnough() {
        List<Seen> read = List.of(seen(0.5, 60, 28.0));
        ChangeBy by = ChangeBy.of(job(30, 0), 0, seen(0, 60, 30.0), read, BOOK);
        assertEquals(Why.COOLS, by.why());
        assertEquals(1.5, hours(by), 0.01);
    }

    @ParameterizedTest
    @CsvSource({"30, 49, FADES", "23, 60, FADES", "30, 51, HABIT"})
    void tooWeakItIsOverAtOnce(double celsius, double mgPerL, Why why) {
        List<Seen> read = List.of(seen(0.1, mgPerL, celsius));
        ChangeBy by = ChangeBy.of(job(celsius, 0), 0, seen(0, 100, celsius), read, BOOK);
        assertEquals(why, by.why());
        assertTrue(why == Why.HABIT || hours(by) <= 0.1 + 1e-9);
    }

    /** Nothing that is seen later makes an end later than label and habit. */
    @Property
    void neverLongerThanTheHabit(
            @ForAll @DoubleRange(min = 0, max = 300) double a,
            @ForAll @DoubleRange(min = 0, max = 300) double b,
            @ForAll @DoubleRange(min = 0, max = 60) double warm,
            @ForAll @DoubleRange(min = 0, max = 60) double later) {
        List<Seen> read = List.of(seen(0.2, a, warm), seen(1, b, later));
        ChangeBy by = ChangeBy.of(job(25, 0.1), 0, seen(0, 100, 25.0), read, BOOK);
        assertTrue(hours(by) <= 4);
    }

    @ParameterizedTest
    @CsvSource({
        "CHLORINE, 0, 20, 1", "CHLORINE, 7, 20, 0.99", "CHLORINE, 70, 20, 0.904",
        "CHLORINE, 70, 30, 0.818", "CHLORINE, 70, 4, 0.904", "QUAT, 300, 40, 1",
        "CHLORINE, -3, 20, 1"
    })
    void hypochloriteFadesOnTheShelf(ChemicalKind kind, int days, double kept, double left) {
        double now = Aged.left(kind, Duration.ofDays(days), new Temperature(kept), BOOK);
        assertEquals(left, now, 0.001);
    }
}
