package orthopur.mixing;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import orthopur.chemical.ChemicalKind;
import orthopur.chemical.Label;
import orthopur.mixing.SanitizerLimit.Use;
import orthopur.mixing.SanitizerLimit.Verdict;
import orthopur.quantity.Ph;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.rulebook.PublicCodes;

/**
 * Iodine, peroxyacetic acid, and what is no sanitizer at all (Food Code 4-501.114(B) and label).
 */
class OtherSanitizersTest {
    private static final SanitizerLimit LIMIT = new SanitizerLimit(PublicCodes.book());

    private static Label label(
            @Nullable Double least, @Nullable Double celsius, @Nullable Double ph) {
        return new Label(
                least == null ? null : new Strength(least),
                null,
                null,
                celsius == null ? null : new Temperature(celsius),
                null,
                ph == null ? null : new Ph(ph),
                null,
                false,
                false,
                "");
    }

    private static Use use(
            ChemicalKind kind, Label label, double mg, double celsius, @Nullable Double ph) {
        return new Use(
                kind,
                label,
                new Strength(mg),
                new Temperature(celsius),
                ph == null ? null : new Ph(ph),
                null,
                false);
    }

    private static Verdict iodine(double mg, double celsius, @Nullable Double ph, Label label) {
        return LIMIT.judge(use(ChemicalKind.IODINE, label, mg, celsius, ph)).verdict();
    }

    @Test
    void iodineHasOneRowAndALowPh() {
        Label silent = Label.silent();
        assertEquals(Verdict.ENOUGH, iodine(12.5, 20, 5.0, silent));
        assertEquals(Verdict.NOT_ENOUGH, iodine(12.4, 20, 5.0, silent));
        assertEquals(Verdict.NOT_ENOUGH, iodine(12.5, 19.9, 5.0, silent));
        assertEquals(Verdict.NOT_ENOUGH, iodine(20, 25, 5.1, silent));
        assertEquals(Verdict.ENOUGH, iodine(20, 25, 6.0, label(null, null, 7.0)));
        assertEquals(Verdict.UNDECIDED, iodine(20, 25, null, silent));
        assertEquals(Verdict.TOO_STRONG, iodine(25.1, 25, 5.0, silent));
    }

    @Test
    void peroxyaceticAcidGoesByItsLabelAlone() {
        Label both = label(150.0, 10.0, null);
        assertEquals(
                Verdict.ENOUGH, LIMIT.judge(use(ChemicalKind.PAA, both, 150, 10, null)).verdict());
        assertEquals(
                Verdict.NOT_ENOUGH,
                LIMIT.judge(use(ChemicalKind.PAA, both, 149, 10, null)).verdict());
        assertEquals(
                Verdict.NOT_ENOUGH,
                LIMIT.judge(use(ChemicalKind.PAA, both, 150, 9, null)).verdict());
        SanitizerLimit.Answer silent =
                LIMIT.judge(use(ChemicalKind.PAA, Label.silent(), 150, 10, null));
        assertEquals(Verdict.UNDECIDED, silent.verdict());
        assertEquals(2, silent.missing().size());
        assertEquals(
                Verdict.TOO_STRONG,
                LIMIT.judge(use(ChemicalKind.PAA, both, 501, 10, null)).verdict());
    }

    @Test
    void othersTakeThirtySeconds() {
        Use u = use(ChemicalKind.PAA, label(150.0, 10.0, null), 150, 10, null);
        assertEquals(Duration.ofSeconds(30), LIMIT.contact(u));
    }

    @Test
    void theStricterOfLabelAndCodeCounts() {
        Label strict = label(80.0, 30.0, null);
        List<Band> bands = LIMIT.bands(use(ChemicalKind.CHLORINE, strict, 80, 30, 7.0));
        assertTrue(
                bands.stream().allMatch(b -> b.least().mgPerL() >= 80 && b.from().celsius() >= 30),
                bands.toString());
    }

    @Test
    void aDetergentIsNoSanitizer() {
        assertThrows(
                IllegalArgumentException.class,
                () -> LIMIT.judge(use(ChemicalKind.NEUTRAL_DETERGENT, Label.silent(), 1, 20, 7.0)));
    }
}
