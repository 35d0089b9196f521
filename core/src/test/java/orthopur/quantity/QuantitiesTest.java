package orthopur.quantity;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.chemical.Stock;
import orthopur.mixing.Correction;
import orthopur.mixing.Interval;
import orthopur.mixing.Measure;

/** Figures as people read them, what a stock is worth, and what a jug can show. */
class QuantitiesTest {
    @ParameterizedTest
    @CsvSource({
        "1.0, 1",
        "0.25, 0.25",
        "1e-7, 0",
        "146250, 146250",
        "27.350427, 27.3504",
        "-0.00001, 0"
    })
    void numbersAreWrittenPlainly(double value, String shown) {
        assertEquals(shown, Show.number(value));
    }

    @Test
    void quantitiesShowTheirUnit() {
        assertEquals("62 mg/L", new Strength(62).shown());
        assertEquals("1 %", new Share(1).shown());
        assertEquals("18 °C", new Temperature(18).shown());
        assertEquals("pH 7.4", new Ph(7.4).shown());
        assertEquals("14 mL", Volume.ofMillilitres(14).shown());
        assertEquals("40 L", new Volume(40).shown());
        assertEquals("310 mg/L CaCO₃", new Hardness(310).shown());
    }

    /** 12.5 % of 1.17 kg/L is 146,250 mg/L; 10 % w/v is 100 g/L. */
    @Test
    void aStockIsWorthItsActiveSubstance() {
        assertEquals(
                146_250, new Stock(12.5, Stock.Basis.MASS_IN_MASS, 1.17).strength().mgPerL(), 1e-6);
        assertEquals(
                100_000, new Stock(10, Stock.Basis.MASS_IN_VOLUME, null).strength().mgPerL(), 1e-6);
        assertThrows(OutOfRange.class, () -> new Stock(12.5, Stock.Basis.MASS_IN_MASS, null));
        assertThrows(OutOfRange.class, () -> new Stock(0, Stock.Basis.MASS_IN_VOLUME, null));
        assertThrows(OutOfRange.class, () -> new Stock(101, Stock.Basis.MASS_IN_VOLUME, null));
        assertThrows(OutOfRange.class, () -> new Stock(10, Stock.Basis.MASS_IN_MASS, -1.0));
        assertThrows(
                OutOfRange.class, () -> new Stock(Double.NaN, Stock.Basis.MASS_IN_VOLUME, null));
    }

    @ParameterizedTest
    @CsvSource({
        "27.35, 28",
        "27.0, 27",
        "99.2, 100",
        "101, 105",
        "996, 1000",
        "1001, 1050",
        "0, 0"
    })
    void aJugIsRoundedUpToItsNextMark(double exact, double mark) {
        assertEquals(mark, Measure.up(Volume.ofMillilitres(exact)).millilitres(), 1e-9);
    }

    /** Mass is conserved: what was in the vessel and what was added is what is in it then. */
    @Property
    void aCorrectionConservesMassAndReachesItsTarget(
            @ForAll @DoubleRange(min = 1, max = 200) double litres,
            @ForAll @DoubleRange(min = 0, max = 99) double low,
            @ForAll @DoubleRange(min = 0, max = 20) double width) {
        Correction c =
                Correction.raise(
                        new Volume(litres),
                        new Interval(low, low + width),
                        new Strength(100),
                        new Strength(200),
                        new Strength(146_250));
        double added = c.add().litres();
        double mass = low * litres + 146_250 * added;
        assertEquals(mass, c.after().low() * (litres + added), 1e-6 * mass + 1e-6);
        assertTrue(c.after().low() >= 100 - 1e-6, c.toString());
        assertTrue(c.after().low() <= c.after().high());
    }

    @Test
    void aCorrectionNeedsAVesselAndAStrongerStock() {
        Interval weak = new Interval(50, 60);
        assertThrows(
                OutOfRange.class,
                () ->
                        Correction.raise(
                                new Volume(0),
                                weak,
                                new Strength(100),
                                new Strength(200),
                                new Strength(1000)));
        assertThrows(
                OutOfRange.class,
                () ->
                        Correction.raise(
                                new Volume(10),
                                weak,
                                new Strength(100),
                                new Strength(200),
                                new Strength(90)));
        assertThrows(OutOfRange.class, () -> new Interval(2, 1));
    }
}
