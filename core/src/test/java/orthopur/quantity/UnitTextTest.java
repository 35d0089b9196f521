package orthopur.quantity;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class UnitTextTest {
    @Test
    void fahrenheitMeetsItsBoundaryExactly() {
        assertEquals(24.0, UnitText.temperature(75.2, "°F").celsius());
        assertEquals(49.0, UnitText.temperature(120.2, "F").celsius());
    }

    @Test
    void gallonsAndOuncesAreUnitedStatesOnes() {
        assertEquals(37.854, UnitText.volume(10, "gal").litres(), 0.001);
        assertEquals(59.147, UnitText.volume(2, "fl oz").millilitres(), 0.001);
    }

    @Test
    void ppmIsMilligramsPerLitre() {
        assertEquals(new Strength(100), UnitText.strength(100, "ppm"));
        assertEquals(new Share(1), UnitText.dosage(1, "%"));
    }

    @Test
    void splitsNumberAndUnitWithPointOrComma() {
        assertEquals(new UnitText.Parsed(12.5, "%w/w"), UnitText.split("stock", "12,5%w/w"));
        assertEquals(new UnitText.Parsed(-5, "mg/L"), UnitText.split("target", " -5 mg/L "));
    }

    @Test
    void refusesWhatIsNotANumberOrHasNoUnit() {
        assertThrows(OutOfRange.class, () -> UnitText.split("target", "abc"));
        OutOfRange e = assertThrows(OutOfRange.class, () -> UnitText.strength(100, ""));
        assertTrue(e.getMessage().contains("without a unit"), e.getMessage());
        assertThrows(OutOfRange.class, () -> UnitText.strength(-5, "mg/L"));
        assertThrows(OutOfRange.class, () -> UnitText.strength(1e9, "mg/L"));
        assertThrows(OutOfRange.class, () -> UnitText.temperature(-500, "°F"));
        assertThrows(OutOfRange.class, () -> new Strength(Double.NaN));
        assertThrows(OutOfRange.class, () -> new Ph(15));
    }

    @Test
    void durationsAreReadInSecondsMinutesHours() {
        assertEquals(Duration.ofSeconds(90), UnitText.duration(1.5, "min"));
        assertEquals("60 s", Show.duration(Duration.ofMinutes(1)));
        assertEquals("10 min", Show.duration(Duration.ofMinutes(10)));
    }

    @Property
    void fahrenheitAndBackIsTheSame(@ForAll @DoubleRange(min = -50, max = 300) double celsius) {
        assertEquals(celsius, UnitText.temperature(celsius * 1.8 + 32, "°F").celsius(), 1e-8);
    }
}
