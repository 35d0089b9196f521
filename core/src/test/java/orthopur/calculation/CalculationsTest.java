package orthopur.calculation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import orthopur.calculation.CalcAnswer.Amount;
import orthopur.mixing.Correction;
import orthopur.mixing.Interval;
import orthopur.quantity.Strength;
import orthopur.quantity.Volume;
import orthopur.rulebook.PublicCodes;

class CalculationsTest {
    private static CalcAnswer calc(String name, String... pairs) {
        Map<String, String> in = new LinkedHashMap<>();
        for (String p : pairs) {
            in.put(p.substring(0, p.indexOf('=')), p.substring(p.indexOf('=') + 1));
        }
        return Calculations.compute(name, in, PublicCodes.book());
    }

    private static RefusedInput refused(String name, String... pairs) {
        return assertThrows(RefusedInput.class, () -> calc(name, pairs));
    }

    /** 40 × 100 ÷ (0.125 × 1.17 × 10⁶ = 146,250) = 0.0273504 L. */
    @Test
    void dilutesHypochlorite() {
        CalcAnswer a =
                calc("dilute", "volume=40L", "target=100mg/L", "stock=12.5%w/w", "density=1.17");
        assertEquals(27.3504, a.result().value(), 1e-4);
        assertEquals(new Amount(28, "mL"), a.also().get("measure"));
        assertEquals(146_250, ((Amount) a.also().get("stock")).value(), 1e-6);
        // Rounded up, so never below the target: 0.028 × 146,250 ÷ 40 = 102.375.
        assertEquals(102.375, ((Amount) a.also().get("strengthThen")).value(), 1e-9);
    }

    /** 12 × 50 ÷ 146,250 = 0.0041026 L; 10 % w/v is 100,000 mg/L: 20 × 200 ÷ 100,000 = 0.04 L. */
    @Test
    void dilutesSmallAmountsAndWeightInVolume() {
        assertEquals(
                4.1026,
                calc("dilute", "volume=12L", "target=50ppm", "stock=12,5%w/w", "density=1.17kg/L")
                        .result()
                        .value(),
                1e-4);
        assertEquals(
                40,
                calc("dilute", "volume=20L", "target=200mg/L", "stock=10%w/v").result().value(),
                1e-9);
    }

    @Test
    void refusesWithTheKeyAndWhatIsAllowed() {
        assertEquals(
                "target", refused("dilute", "volume=40L", "target=-5mg/L", "stock=10%w/v").key());
        assertEquals("target", refused("dilute", "volume=40L", "target=abc", "stock=10%w/v").key());
        assertEquals(
                "target", refused("dilute", "volume=40L", "target=1e9mg/L", "stock=10%w/v").key());
        assertEquals("target", refused("dilute", "volume=40L", "target=100", "stock=10%w/v").key());
        assertEquals(
                "target", refused("dilute", "volume=40L", "target=200mg/L", "stock=100mg/L").key());
        assertEquals(
                "volume", refused("dilute", "volume=0L", "target=1mg/L", "stock=10%w/v").key());
        assertEquals(
                "density", refused("dilute", "volume=1L", "target=1mg/L", "stock=10%w/w").key());
        assertEquals("stock", refused("dilute", "volume=1L", "target=1mg/L", "stock=10%").key());
        assertEquals("color", refused("dilute", "volume=1L", "color=red").key());
        assertEquals("stock", refused("dilute", "volume=1L", "target=1mg/L").key());
        RefusedInput ph = refused("limit", "kind=chlorine", "strength=60mg/L", "temp=30C", "pH=15");
        assertEquals("pH", ph.key());
        assertTrue(ph.allowed().toString().contains("14"), ph.getMessage());
        assertEquals("name", refused("stir").key());
    }

    /**
     * Food Code table: at pH 8.6 60 mg/L needs 38 °C; at 30 °C it takes 100 mg/L; at pH 8, 24 °C.
     */
    @Test
    void limitSaysHowToMend() {
        CalcAnswer a = calc("limit", "kind=chlorine", "strength=60mg/L", "temp=30C", "pH=8.6");
        assertEquals("out", a.verdict());
        assertEquals(new Amount(100, "mg/L"), a.result());
        assertEquals(
                "[warm to at least 38 °C, lower the pH to at most 8, then at least 24 °C, "
                        + "raise the strength to at least 100 mg/L]",
                String.valueOf(a.also().get("change")));
        assertEquals(
                "in",
                calc("limit", "kind=chlorine", "strength=60mg/L", "temp=75.2F", "pH=8").verdict());
        assertEquals(
                "cannot-tell",
                calc("limit", "kind=chlorine", "strength=60mg/L", "temp=30C").verdict());
        assertEquals(
                "out",
                calc("limit", "kind=chlorine", "strength=100mg/L", "temp=30C", "pH=7", "contact=9s")
                        .verdict());
    }

    @Test
    void limitForHotWater() {
        assertEquals("in", calc("limit", "kind=hot-water", "temp=77C", "contact=30s").verdict());
        assertEquals("out", calc("limit", "kind=hot-water", "temp=76.9C", "contact=30s").verdict());
        assertEquals("cannot-tell", calc("limit", "kind=hot-water", "temp=80C").verdict());
    }

    /** 40 × (100 − 62) ÷ (146,250 − 100) = 0.0104003 L; 40 × (260 ÷ 200 − 1) = 12 L. */
    @Test
    void correctsLowAndHigh() {
        assertEquals(
                10.400,
                calc(
                                "correct",
                                "volume=40L",
                                "reading=62mg/L",
                                "target=100mg/L",
                                "stock=146250mg/L")
                        .result()
                        .value(),
                1e-3);
        CalcAnswer high =
                calc(
                        "correct",
                        "volume=40L",
                        "reading=260mg/L",
                        "target=200mg/L",
                        "stock=146250mg/L",
                        "room=6L");
        assertEquals(12, high.result().value(), 1e-9);
        // 40 − 46 × 200 ÷ 260 = 4.615 L drawn off first, then filled to 46 L.
        assertEquals(4.6154, ((Amount) high.also().get("drawOffFirst")).value(), 1e-4);
    }

    /** From 49–75 in 40 L: 40 × 51 ÷ 146,150 = 13.96, so 14 mL; then 100.1 to 126.2 mg/L. */
    @Test
    void correctionAimsForTheWholeInterval() {
        Correction c =
                Correction.raise(
                        Volume.ofLitres(40),
                        new Interval(49, 75),
                        new Strength(100),
                        new Strength(200),
                        new Strength(146_250));
        assertEquals(14, c.add().millilitres(), 1e-9);
        assertTrue(c.after().low() >= 100 && c.after().high() < 127, c.toString());
        assertTrue(c.possible());
        Correction wide =
                Correction.raise(
                        Volume.ofLitres(40),
                        new Interval(20, 150),
                        new Strength(100),
                        new Strength(200),
                        new Strength(146_250));
        assertFalse(wide.possible());
    }

    /** 49–75 to 100–200 in 40 L takes 14 mL; 190–260 to 100–200 takes 12 L and gives 146–200. */
    @Test
    void correctsAWholeInterval() {
        CalcAnswer low =
                calc(
                        "correct",
                        "volume=40L",
                        "reading=49..75mg/L",
                        "target=100..200mg/L",
                        "stock=146250mg/L");
        assertEquals(new Amount(14, "mL"), low.result());
        assertEquals("in", low.verdict());
        CalcAnswer high =
                calc(
                        "correct",
                        "volume=40L",
                        "reading=225±35mg/L",
                        "target=100..200mg/L",
                        "stock=146250mg/L");
        assertEquals(12, high.result().value(), 1e-9);
        assertEquals(146.1538, ((Amount) high.also().get("strengthThenLow")).value(), 1e-4);
        CalcAnswer wide =
                calc(
                        "correct",
                        "volume=40L",
                        "reading=20..150mg/L",
                        "target=100..200mg/L",
                        "stock=146250mg/L");
        assertEquals("cannot-tell", wide.verdict());
    }
}
