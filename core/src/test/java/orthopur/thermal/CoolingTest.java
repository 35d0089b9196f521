package orthopur.thermal;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Temperature;

class CoolingTest {
    private static Temperature c(double celsius) {
        return new Temperature(celsius);
    }

    /** ln(158 ÷ 98) ÷ 10 = 0.0477628; ln(158 ÷ 27) ÷ 0.0477628 = 36.99. */
    @Test
    void throughTwoReadings() {
        Cooling oven = Cooling.through(c(180), c(120), 10, c(22));
        assertEquals(36.99, oven.minutesTo(c(49)), 0.005);
        assertEquals(120, oven.after(10).celsius(), 1e-9);
        assertEquals(0, oven.minutesTo(c(200)), "it is cooler than that already");
    }

    @Test
    void neverBelowItsRoomAndNeverFromAReadingThatRises() {
        Cooling oven = Cooling.through(c(180), c(120), 10, c(22));
        assertEquals(
                "limit", assertThrows(OutOfRange.class, () -> oven.minutesTo(c(22))).quantity());
        assertThrows(OutOfRange.class, () -> Cooling.through(c(120), c(180), 10, c(22)));
        assertThrows(OutOfRange.class, () -> Cooling.through(c(180), c(20), 10, c(22)));
        assertThrows(OutOfRange.class, () -> Cooling.through(c(180), c(120), 0, c(22)));
        assertThrows(OutOfRange.class, () -> new Cooling(c(22), c(180), 0));
    }

    /** After the minutes that a limit takes it is at that limit, and warmer before. */
    @Property(tries = 200)
    void timeAndTemperatureAgree(
            @ForAll @DoubleRange(min = 60, max = 300) double start,
            @ForAll @DoubleRange(min = 0.01, max = 0.2) double k,
            @ForAll @DoubleRange(min = 30, max = 59) double limit) {
        Cooling cooling = new Cooling(c(24), c(start), k);
        double minutes = cooling.minutesTo(c(limit));
        assertEquals(limit, cooling.after(minutes).celsius(), 1e-6);
        assertTrue(cooling.after(minutes / 2).celsius() > limit);
    }
}
