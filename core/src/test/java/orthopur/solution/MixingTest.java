package orthopur.solution;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.instrument.Instrument;
import orthopur.instrument.Measures;
import orthopur.mixing.Band;
import orthopur.mixing.Interval;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Ph;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.rulebook.PublicCodes;
import orthopur.rulebook.RuleBook;
import orthopur.testbench.Bench;

class MixingTest {
    private static final RuleBook BOOK = PublicCodes.book();
    private static final Instrument PROBE =
            new Instrument(
                    "probe", "Probe", List.of(), 3, 0.5, Measures.CHLORINE, null, 0.0, 300.0);
    private static final Instrument STRIP =
            new Instrument(
                    "strip",
                    "Strip",
                    List.of(0.0, 25.0, 50.0, 100.0, 200.0),
                    0,
                    0.5,
                    Measures.CHLORINE,
                    null,
                    null,
                    null);

    private static Job job(double litres, double brim, double celsius, Instrument by) {
        return of(Bench.CHLORINE, litres, brim, celsius, by);
    }

    private static Job of(
            Chemical what, double litres, double brim, double celsius, Instrument by) {
        return new Job(
                what,
                new Volume(litres),
                new Volume(brim),
                new Temperature(celsius),
                new Ph(7.4),
                null,
                false,
                by,
                0,
                0,
                null,
                null,
                null);
    }

    private static Job wanting(Job j, Double mg, Double strokeMl, double hold, double fade) {
        return new Job(
                j.chemical(),
                j.litres(),
                j.brim(),
                j.at(),
                j.ph(),
                j.hardness(),
                j.rinseAfter(),
                j.instrument(),
                hold,
                fade,
                j.stock(),
                strokeMl == null ? null : Volume.ofMillilitres(strokeMl),
                mg == null ? null : Strength.ofMgPerL(mg));
    }

    private static List<String> problems(Job j) {
        return DoseCard.of(j, BOOK).problems().stream().map(p -> p.id()).toList();
    }

    /** A foot bath: what food may bear is too weak for soles, and no figure of food's is said. */
    @Test
    void besideFoodTheLabelsOwnFiguresHold() {
        Job food = job(15, 15, 5, null);
        Job bath =
                new Job(
                        food.chemical(),
                        food.litres(),
                        food.brim(),
                        food.at(),
                        food.ph(),
                        null,
                        false,
                        null,
                        0,
                        0,
                        null,
                        null,
                        new Strength(1000),
                        Band.besideFood(800, 1200));
        DoseCard c = DoseCard.of(bath, BOOK);
        assertEquals(List.of(), c.problems());
        assertTrue(c.then() >= 800 && c.then() <= 1200, c.then() + "");
        assertNull(c.contact());
        assertFalse(DoseCard.of(wanting(food, 1000.0, null, 0, 0), BOOK).problems().isEmpty());
    }

    @Test
    void theTargetIsTheLowestThatCanBeReadAsEnough() {
        DoseCard c = DoseCard.of(job(40, 60, 18, PROBE), BOOK);
        assertEquals(103, c.low());
        assertEquals(197, c.high());
        assertEquals(110, c.target());
        // 40 L × 110 ÷ 146,250 is 30.09 mL; a pitcher shows whole millilitres.
        assertEquals(30, c.concentrate().millilitres(), 1e-9);
        assertTrue(c.then() >= c.low() && c.then() <= 197, c.then() + "");
        assertEquals(List.of(), c.problems());
        assertEquals(40 - 0.03, c.water().litres(), 1e-9);
        // Less than is seen is never taken off where it would lead below what reads as enough.
        DoseCard least = DoseCard.of(wanting(job(40, 60, 18, PROBE), 103.0, null, 0, 0), BOOK);
        assertEquals(29, least.concentrate().millilitres(), 1e-9);
        assertTrue(least.then() >= 103, least.then() + "");
    }

    @Test
    void itLastsAsLongAsItIsHeld() {
        DoseCard c = DoseCard.of(wanting(job(40, 60, 18, PROBE), null, null, 2, 0.1438), BOOK);
        assertEquals(137.3, c.low(), 0.05, "as the worked value of aim");
        assertEquals(145, c.target());
        List<String> tooLong = problems(wanting(job(40, 60, 18, PROBE), null, null, 6, 0.1438));
        assertEquals(List.of("mix.cannot-decide"), tooLong);
    }

    @Test
    void aStripDecidesOnItsBlocksOrBetweenThem() {
        // 100 means 75 to 150 and 200 anything above 150: only what lies between the two is in.
        DoseCard c = DoseCard.of(job(40, 60, 18, STRIP), BOOK);
        assertEquals("mix.between-two-blocks", c.why().id());
        assertEquals(150, c.target());
        // Warm, 50 mg/L is enough: the block of 100 is in as a whole.
        assertEquals(100, DoseCard.of(job(40, 60, 26, STRIP), BOOK).target());
    }

    @Test
    void wholeStrokesStayWithinTheBand() {
        DoseCard c = DoseCard.of(wanting(job(40, 60, 18, PROBE), null, 10.0, 0, 0), BOOK);
        assertEquals(3, c.strokes());
        assertEquals(109.7, c.strokesGive(), 0.05);
        DoseCard coarse = DoseCard.of(wanting(job(5, 60, 18, PROBE), null, 10.0, 0, 0), BOOK);
        assertNull(coarse.strokes(), "one stroke gives 292 mg/L");
    }

    @Test
    void whatStandsAgainstItIsSaid() {
        assertEquals(List.of("mix.over-the-brim"), problems(job(61, 60, 18, PROBE)));
        assertEquals(List.of("mix.too-cold"), problems(job(40, 60, 12.9, PROBE)));
        assertEquals(List.of("mix.too-cold"), problems(job(40, 60, 13.4, PROBE)), "±0.5 K");
        assertEquals(List.of("mix.too-little-to-measure"), problems(job(0.5, 60, 18, PROBE)));
        assertEquals(
                List.of("mix.not-enough-or-too-much"),
                problems(wanting(job(40, 60, 18, PROBE), 62.0, null, 0, 0)));
        assertEquals(List.of(), problems(wanting(job(40, 60, 18, PROBE), 100.0, null, 0, 0)));
    }

    @Test
    void aSanitizerIsNotMixedHotterThanHandsBear() {
        assertEquals(List.of(), problems(job(40, 60, 49, PROBE)));
        assertEquals(List.of("mix.hotter-than-hands"), problems(job(40, 60, 50, PROBE)));
        Chemical quat = Bench.CHLORINE.withKind(ChemicalKind.QUAT);
        assertTrue(
                problems(of(quat, 40, 60, 50, PROBE)).contains("mix.scalds"),
                "it gives off no fumes, and scalds all the same");
    }

    @Test
    void aReadingOutOfRangeComesWithWhatToDo() {
        Job j = job(40, 60, 18, PROBE);
        Mended low = Mended.of(j, 62, new Temperature(18), BOOK);
        assertEquals(Mended.Outcome.OUT, low.outcome());
        Mended.Way add = low.ways().getFirst();
        assertEquals(Mended.Kind.ADD, add.kind());
        // To where the next reading decides: 40 × (103 − 59) ÷ (146,250 − 103) = 12.04 mL.
        assertEquals(13, add.litres() * 1000, 1e-9);
        assertTrue(add.sure());
        assertTrue(
                low.ways().stream()
                        .anyMatch(w -> w.kind() == Mended.Kind.WARM && w.celsius() == 25));
        assertEquals(
                Mended.Outcome.CANNOT_TELL, Mended.of(j, 101, new Temperature(18), BOOK).outcome());
        assertEquals(Mended.Outcome.IN, Mended.of(j, 110, new Temperature(18), BOOK).outcome());
        Mended full = Mended.of(job(60, 60, 18, PROBE), 62, new Temperature(18), BOOK);
        assertEquals(Mended.Kind.DRAIN_AND_ADD, full.ways().getFirst().kind());
        Mended strong = Mended.of(j, 260, new Temperature(18), BOOK);
        assertEquals(Mended.Kind.WATER, strong.ways().getFirst().kind());
        assertEquals(13.5, strong.ways().getFirst().litres(), 1e-9, "263 down to 197");
        Mended brim = Mended.of(job(58, 60, 18, PROBE), 260, new Temperature(18), BOOK);
        assertEquals(Mended.Kind.DRAIN_AND_FILL, brim.ways().getFirst().kind());
        assertThrows(OutOfRange.class, () -> Mended.of(j, 301, new Temperature(18), BOOK));
    }

    /** What is aimed at stays in range for all that its instrument may show. */
    @Property(tries = 300)
    void anAimedTargetStaysInRange(
            @ForAll @DoubleRange(min = 2, max = 60) double litres,
            @ForAll @DoubleRange(min = 13.6, max = 45) double celsius,
            @ForAll @DoubleRange(min = 0, max = 4) double hold,
            @ForAll @DoubleRange(min = 0, max = 0.12) double fade,
            @ForAll boolean strip) {
        Job j = wanting(job(litres, 60, celsius, strip ? STRIP : PROBE), null, null, hold, fade);
        DoseCard c = DoseCard.of(j, BOOK);
        if (!c.problems().isEmpty()) {
            return;
        }
        assertNotNull(c.target());
        double left = c.target() * Math.exp(-fade * hold);
        double seen = strip ? c.target() : left;
        Mended m = Mended.of(j, seen, new Temperature(celsius), BOOK);
        assertEquals(Mended.Outcome.IN, m.outcome(), c + " " + m);
        assertTrue(c.then() <= 200 + 1e-9);
    }

    /** Whole strokes are offered only where they stay on the permitted side, for every pump. */
    @Property(tries = 300)
    void strokesNeverLeaveThePermittedSide(
            @ForAll @DoubleRange(min = 2, max = 60) double litres,
            @ForAll @DoubleRange(min = 1, max = 60) double strokeMl,
            @ForAll @DoubleRange(min = 13.6, max = 45) double celsius) {
        Job j = wanting(job(litres, 60, celsius, PROBE), null, strokeMl, 0, 0);
        DoseCard c = DoseCard.of(j, BOOK);
        if (c.strokes() == null) {
            return;
        }
        assertTrue(c.strokes() >= 1);
        assertTrue(c.strokesGive() >= c.low() - 1e-6, c.toString());
        assertTrue(c.strokesGive() <= c.high() + 1e-6, c.toString());
        Mended read = Mended.of(j, Math.min(300, c.strokesGive()), new Temperature(celsius), BOOK);
        assertEquals(Mended.Outcome.IN, read.outcome(), c.toString());
    }

    /** Two additions at most, wherever the true strength lies in what was read. */
    @Property(tries = 300)
    void correctingEnds(
            @ForAll @DoubleRange(min = 5, max = 55) double litres,
            @ForAll @DoubleRange(min = 4, max = 290) double truth,
            @ForAll @DoubleRange(min = -3, max = 3) double error) {
        double v = litres;
        double c = truth;
        for (int i = 0; i < 3; i++) {
            double seen = Math.max(0, Math.min(300, c + error));
            Mended m = Mended.of(job(v, 60, 18, PROBE), seen, new Temperature(18), BOOK);
            if (m.outcome() == Mended.Outcome.IN) {
                return;
            }
            assertTrue(i < 2, "after two: " + c);
            Mended.Way w = m.ways().getFirst();
            assertTrue(w.sure(), m.toString());
            double stock = 146_250;
            double rest = v - w.drained();
            double in = w.litres();
            boolean water = w.kind() == Mended.Kind.WATER || w.kind() == Mended.Kind.DRAIN_AND_FILL;
            c = (rest * c + (water ? 0 : in * stock)) / (rest + in);
            v = rest + in;
            Interval after = w.after();
            assertTrue(c >= after.low() - 1e-6 && c <= after.high() + 1e-6);
        }
    }
}
