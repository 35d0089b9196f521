package orthopur.handling;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import orthopur.handling.Lifting.Coupling;
import orthopur.handling.Lifting.Lift;
import orthopur.quantity.OutOfRange;
import orthopur.rulebook.PublicCodes;

class LiftingTest {
    private static double limit(
            double h, double v, double d, double a, Coupling c, double f, double hours) {
        return Lifting.limit(new Lift(h, v, d, a, c, f, hours), PublicCodes.book());
    }

    @Test
    void theBestCaseIsTheLoadConstantAndSomeLiftsAreNoneAtAll() {
        assertEquals(23, limit(25, 75, 25, 0, Coupling.GOOD, 0.2, 1), 1e-9);
        assertEquals(23, limit(10, 75, 10, 0, Coupling.GOOD, 0.1, 0.5), 1e-9, "never above it");
        assertEquals(0, limit(64, 75, 25, 0, Coupling.GOOD, 0.2, 1));
        assertEquals(0, limit(25, 176, 25, 0, Coupling.GOOD, 0.2, 1));
        assertEquals(0, limit(25, 75, 176, 0, Coupling.GOOD, 0.2, 1));
        assertEquals(0, limit(25, 75, 25, 136, Coupling.GOOD, 0.2, 1));
        assertEquals(0, limit(25, 75, 25, 0, Coupling.GOOD, 16, 1), "more than 15 a minute");
        assertEquals(0, limit(25, 70, 25, 0, Coupling.GOOD, 9, 8), "9 a minute all day, low");
        assertTrue(limit(25, 80, 25, 0, Coupling.GOOD, 9, 8) > 0, "but not from a table");
    }

    @Test
    void whatCannotBeIsRefused() {
        assertEquals(
                "duration",
                assertThrows(OutOfRange.class, () -> limit(25, 75, 25, 0, Coupling.GOOD, 1, 9))
                        .quantity());
        assertThrows(OutOfRange.class, () -> limit(Double.NaN, 75, 25, 0, Coupling.FAIR, 1, 1));
    }

    /** Further away, turned, or held worse never allows more. */
    @Property(tries = 200)
    void harderNeverAllowsMore(
            @ForAll @DoubleRange(min = 20, max = 60) double h,
            @ForAll @DoubleRange(min = 0, max = 170) double v,
            @ForAll @DoubleRange(min = 0, max = 90) double a) {
        double now = limit(h, v, 30, a, Coupling.FAIR, 1, 1);
        assertTrue(limit(h + 3, v, 30, a, Coupling.FAIR, 1, 1) <= now);
        assertTrue(limit(h, v, 30, a + 10, Coupling.FAIR, 1, 1) <= now);
        assertTrue(limit(h, v, 30, a, Coupling.POOR, 1, 1) <= now);
        assertTrue(limit(h, v, 30, a, Coupling.FAIR, 2, 1) <= now);
    }
}
