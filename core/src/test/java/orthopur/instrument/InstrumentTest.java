package orthopur.instrument;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import orthopur.chemical.ChemicalKind;
import orthopur.quantity.OutOfRange;

/** What is seen on an instrument means an interval, and never more than the instrument can tell. */
class InstrumentTest {
    private static final Instrument STRIP =
            new Instrument(
                    "strip",
                    "Strip",
                    List.of(0.0, 50.0, 100.0, 200.0),
                    0,
                    1,
                    Measures.CHLORINE,
                    null,
                    null,
                    null,
                    1,
                    10);
    private static final Instrument DROPS =
            new Instrument("drops", "Drop test", List.of(), 0, 1, Measures.QUAT, 25.0, 0.0, 1400.0);
    private static final Instrument METER =
            new Instrument("meter", "Meter", List.of(), 5, 1, Measures.PAA, null, 10.0, 500.0);
    private static final Instrument LEAF =
            new Instrument("leaf", "Leaf", List.of(), 0.02, 0, Measures.CLEARANCE, null, 0.5, 0.5);

    @ParameterizedTest
    @CsvSource({"0, 0, 25", "50, 25, 75", "100, 75, 150", "70, 50, 100"})
    void aStripMeansAnythingUpToHalfWayToItsNeighbors(double seen, double low, double high) {
        assertEquals(low, STRIP.means(seen).low());
        assertEquals(high, STRIP.means(seen).high());
    }

    @Test
    void onItsLastMarkItCanBeAnyStrengthAbove() {
        assertEquals(150, STRIP.means(200).low());
        assertEquals(Double.POSITIVE_INFINITY, STRIP.means(200).high());
        assertTrue(STRIP.agrees(3000, 200), "nobody can say that it is wrong");
    }

    @Test
    void soManyDropsMeanThatOneFewerWasNotEnough() {
        assertEquals(200, DROPS.means(225).low());
        assertEquals(225, DROPS.means(225).high());
        assertEquals(0, DROPS.means(0).low(), "nothing turned it");
    }

    @Test
    void aMeterMeansItsToleranceToBothSides() {
        assertEquals(95, METER.means(100).low());
        assertEquals(105, METER.means(100).high());
    }

    @ParameterizedTest
    @CsvSource({"strip, 201", "strip, -1", "drops, 1425", "meter, 9", "meter, 501", "meter, NaN"})
    void whatItCannotShowIsRefused(String which, double value) {
        Instrument i =
                List.of(STRIP, DROPS, METER).stream()
                        .filter(x -> x.id().equals(which))
                        .findFirst()
                        .orElseThrow();
        assertThrows(OutOfRange.class, () -> i.means(value));
        assertFalse(i.agrees(100, value), "and proves nothing");
    }

    @Test
    void aDisplayAgreesWithinItsToleranceAndItsRangeOnly() {
        assertTrue(METER.agrees(100, 105));
        assertFalse(METER.agrees(100, 105.1));
        assertFalse(METER.agrees(505, 503), "beyond its range it is right by chance");
    }

    @Test
    void aStripThatShowsAnotherMarkDoesNotAgree() {
        assertTrue(STRIP.agrees(60, 50));
        assertFalse(STRIP.agrees(80, 50));
    }

    @Test
    void whatIsUsedUpHasLotsAndWhatHasADisplayTwoPoints() {
        assertTrue(STRIP.usedUp() && DROPS.usedUp());
        assertFalse(METER.usedUp() || LEAF.usedUp());
        assertTrue(METER.needsTwoPoints());
        assertFalse(LEAF.needsTwoPoints() || STRIP.needsTwoPoints());
        assertTrue(new Instrument("old", "Old", List.of(), 5, 1).needsTwoPoints());
    }

    @Test
    void aStripEndsAtItsLastMarkAndAKitAtItsRange() {
        assertTrue(STRIP.reaches(200));
        assertFalse(STRIP.reaches(201), "1,000 mg/L of a foot bath is read by another one");
        assertTrue(DROPS.reaches(1000));
        assertFalse(DROPS.reaches(1401));
        assertTrue(new Instrument("old", "Old", List.of(), 5, 1).reaches(5000), "nobody has said");
    }

    @ParameterizedTest
    @EnumSource(ChemicalKind.class)
    void aStripForOneProductReadsNoOther(ChemicalKind kind) {
        assertEquals(kind == ChemicalKind.CHLORINE, STRIP.reads(kind));
        assertEquals(kind == ChemicalKind.QUAT, DROPS.reads(kind));
        assertTrue(new Instrument("old", "Old", List.of(), 5, 1).reads(kind));
        // What sanitizes is read by something; of a soap nobody reads how strong it is.
        Measures by = Measures.of(kind);
        assertTrue(by == null || by.strength() && kind.sanitizes());
    }

    @Test
    void onlyStrengthsAreInMgPerL() {
        assertTrue(STRIP.readsStrength());
        assertFalse(LEAF.readsStrength());
        assertEquals("pH", Measures.PH.unit());
    }
}
