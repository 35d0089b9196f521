package orthopur.timing;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Temperature;
import orthopur.rulebook.PublicCodes;
import orthopur.timing.FoodContactClock.Spell;

class FoodContactClockTest {
    private final FoodContactClock clock = new FoodContactClock(PublicCodes.book());

    private static Spell spell(double celsius, double hours) {
        return new Spell(new Temperature(celsius), hours);
    }

    /** Food Code 4-602.11(D)(2): each row up to and including its temperature. */
    @Test
    void theRowsAreInclusive() {
        double[][] rows = {
            {5.0, 24},
            {5.1, 20},
            {7.2, 20},
            {7.3, 16},
            {10.0, 16},
            {10.1, 10},
            {12.8, 10},
            {12.9, 4}
        };
        for (double[] row : rows) {
            assertEquals(row[1], clock.hours(new Temperature(row[0])), row[0] + " °C");
        }
    }

    @Test
    void theWarmestRoomGovernsAllOfIt() {
        assertEquals(10, clock.leftStrict(List.of(spell(4, 10), spell(6, 0))));
        assertEquals(-1, clock.leftStrict(List.of(spell(20, 2), spell(4, 3))));
        assertEquals(11.6667, clock.leftByShare(List.of(spell(4, 10), spell(6, 0))), 1e-4);
        assertThrows(OutOfRange.class, () -> clock.leftStrict(List.of()));
    }

    /** The estimate by shares never gives less than the strict reading. */
    @Property(tries = 200)
    void strictIsTheStricter(
            @ForAll @DoubleRange(min = 0, max = 12) double cold,
            @ForAll @DoubleRange(min = 0, max = 12) double warm,
            @ForAll @DoubleRange(min = 0, max = 6) double hours) {
        List<Spell> spells =
                List.of(spell(Math.min(cold, warm), hours), spell(Math.max(cold, warm), 0));
        assertTrue(clock.leftByShare(spells) >= clock.leftStrict(spells) - 1e-9);
    }
}
