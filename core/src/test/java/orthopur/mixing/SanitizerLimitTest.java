package orthopur.mixing;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.chemical.ChemicalKind;
import orthopur.chemical.Label;
import orthopur.mixing.SanitizerLimit.Use;
import orthopur.mixing.SanitizerLimit.Verdict;
import orthopur.quantity.Hardness;
import orthopur.quantity.Ph;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.rulebook.PublicCodes;

class SanitizerLimitTest {
    private static final SanitizerLimit LIMIT = new SanitizerLimit(PublicCodes.book());

    private static Use chlorine(double mg, double celsius, double ph) {
        return new Use(
                ChemicalKind.CHLORINE,
                Label.silent(),
                new Strength(mg),
                new Temperature(celsius),
                new Ph(ph),
                null,
                false);
    }

    /** The table of Food Code 4-501.114(A), boundaries inclusive exactly as it says. */
    @ParameterizedTest
    @CsvSource({
        "24.9, 60, 7, NOT_ENOUGH",
        "25, 49, 7, ENOUGH",
        "25, 48.9, 7, NOT_ENOUGH",
        "49.5, 48.9, 7, NOT_ENOUGH", // belongs to the 25 row
        "49.5, 49, 7, ENOUGH",
        "50, 24, 8, ENOUGH",
        "50, 23.9, 8, NOT_ENOUGH",
        "50, 24, 8.1, NOT_ENOUGH", // wide column: 38 °C
        "50, 38, 8.1, ENOUGH",
        "50, 37.9, 10, NOT_ENOUGH",
        "99.5, 23.9, 8, NOT_ENOUGH", // belongs to the 50 row
        "100, 13, 10, ENOUGH",
        "100, 12.9, 7, NOT_ENOUGH",
        "100, 20, 10.1, NOT_ENOUGH", // no row above pH 10
        "200, 20, 7, ENOUGH",
        "200.1, 20, 7, TOO_STRONG"
    })
    void chlorineFollowsItsTable(double mg, double celsius, double ph, Verdict expected) {
        assertEquals(expected, LIMIT.judge(chlorine(mg, celsius, ph)).verdict());
    }

    @Test
    void saysWhatWouldHelp() {
        SanitizerLimit.Answer a = LIMIT.judge(chlorine(60, 30, 8.6));

        assertEquals(new Strength(100), a.least());
        assertEquals(new Temperature(38), a.leastTemperature());
        assertEquals(new Temperature(24), a.leastTemperatureAtLowPh());
    }

    @Test
    void notStatedIsUndecidedNotEnough() {
        Use noPh =
                new Use(
                        ChemicalKind.CHLORINE,
                        Label.silent(),
                        new Strength(150),
                        new Temperature(20),
                        null,
                        null,
                        false);
        assertEquals(Verdict.UNDECIDED, LIMIT.judge(noPh).verdict());
        assertEquals("[the pH]", LIMIT.judge(noPh).missing().toString());
    }

    @Test
    void quatGoesByItsLabelTheWaterAndTheCode() {
        Label label =
                new Label(
                        new Strength(200),
                        new Strength(400),
                        Duration.ofSeconds(60),
                        null,
                        null,
                        null,
                        new Hardness(500),
                        false,
                        false,
                        "");
        assertEquals(Verdict.ENOUGH, LIMIT.judge(quat(label, 200, 24, 500.0)).verdict());
        assertEquals(Verdict.NOT_ENOUGH, LIMIT.judge(quat(label, 199, 24, 310.0)).verdict());
        assertEquals(Verdict.NOT_ENOUGH, LIMIT.judge(quat(label, 200, 23.9, 310.0)).verdict());
        assertEquals(Verdict.NOT_ENOUGH, LIMIT.judge(quat(label, 200, 24, 501.0)).verdict());
        assertEquals(Verdict.UNDECIDED, LIMIT.judge(quat(label, 200, 24, null)).verdict());
        assertEquals(
                Verdict.UNDECIDED, LIMIT.judge(quat(Label.silent(), 200, 24, 310.0)).verdict());
        assertEquals(Verdict.TOO_STRONG, LIMIT.judge(quat(label, 401, 24, 310.0)).verdict());
    }

    private static Use quat(Label label, double mg, double celsius, Double hardness) {
        return new Use(
                ChemicalKind.QUAT,
                label,
                new Strength(mg),
                new Temperature(celsius),
                null,
                hardness == null ? null : new Hardness(hardness),
                false);
    }

    @Test
    void contactIsTheLongerOfCodeAndLabel() {
        assertEquals(Duration.ofSeconds(7), LIMIT.contact(chlorine(50, 24, 8)));
        assertEquals(Duration.ofSeconds(10), LIMIT.contact(chlorine(50, 24, 8.5)));
        assertEquals(Duration.ofSeconds(10), LIMIT.contact(chlorine(100, 24, 8)));
        Label label =
                new Label(
                        null,
                        null,
                        Duration.ofSeconds(60),
                        null,
                        null,
                        null,
                        null,
                        false,
                        false,
                        "");
        Use labelled =
                new Use(
                        ChemicalKind.CHLORINE,
                        label,
                        new Strength(50),
                        new Temperature(24),
                        new Ph(8),
                        null,
                        false);
        assertEquals(Duration.ofSeconds(60), LIMIT.contact(labelled));
    }

    @Test
    void aRinseLiftsTheCeilingOnlyWhereTheLabelDirectsIt() {
        Label directed =
                new Label(null, new Strength(600), null, null, null, null, null, false, true, "");
        Use rinsed =
                new Use(
                        ChemicalKind.CHLORINE,
                        directed,
                        new Strength(500),
                        new Temperature(20),
                        new Ph(7),
                        null,
                        true);
        assertEquals(Verdict.ENOUGH, LIMIT.judge(rinsed).verdict());
        Use silent =
                new Use(
                        ChemicalKind.CHLORINE,
                        Label.silent(),
                        new Strength(500),
                        new Temperature(20),
                        new Ph(7),
                        null,
                        true);
        assertEquals(Verdict.TOO_STRONG, LIMIT.judge(silent).verdict());
    }

    @Test
    void nothingIsPermittedBelowTheColdestRow() {
        assertNull(LIMIT.judge(chlorine(200, 12, 7)).least());
    }

    /** Warmer or stronger (below the ceiling) never turns enough into not enough. */
    @Property
    void warmerAndStrongerNeverHurt(
            @ForAll @DoubleRange(min = 0, max = 200) double mg,
            @ForAll @DoubleRange(min = 0, max = 80) double celsius,
            @ForAll @DoubleRange(min = 4, max = 10) double ph,
            @ForAll @DoubleRange(min = 0, max = 20) double more) {
        boolean now = LIMIT.judge(chlorine(mg, celsius, ph)).verdict() == Verdict.ENOUGH;
        if (now) {
            assertEquals(Verdict.ENOUGH, LIMIT.judge(chlorine(mg, celsius + more, ph)).verdict());
            double stronger = Math.min(200, mg + more);
            assertEquals(Verdict.ENOUGH, LIMIT.judge(chlorine(stronger, celsius, ph)).verdict());
        }
        assertTrue(LIMIT.bands(chlorine(mg, celsius, ph)).size() == 3);
    }
}
