package orthopur.runthrough;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import orthopur.machine.EndState;

/** What makes each fact true and what ends it. */
class FactsTest {
    private static final Set<Residue> SOAP = Set.of(Residue.DETERGENT);
    private static final Set<Residue> CHLORINE = Set.of(Residue.SANITIZER);

    private static final Facts SOILED = Facts.afterUse();
    private static final Facts CLEAN = SOILED.washedAt(1, true, SOAP).rinsedAt(2, false);
    private static final Facts SANITIZED = CLEAN.inspectedAt(3).sanitizedAt(4, true, CHLORINE);

    @Test
    void aSurfaceBeginsSoiledAndMeetsNothing() {
        assertEquals(Stage.SOILED, SOILED.stage());
        for (EndState end : EndState.values()) {
            assertFalse(SOILED.meets(end), end.name());
        }
    }

    @Test
    void theChainShowsEachStage() {
        assertEquals(Stage.LOOSE_OFF, SOILED.looseOff().stage());
        assertEquals(Stage.WASHED, SOILED.washedAt(1, true, SOAP).stage());
        assertEquals(Stage.RINSED, CLEAN.stage());
        assertEquals(Stage.INSPECTED, CLEAN.inspectedAt(3).stage());
        assertEquals(Stage.SANITIZED, SANITIZED.stage());
        assertEquals(Stage.DRY, SANITIZED.driedAt(5).stage());
    }

    @Test
    void aWashThatDoesNotCountWetsAndLeavesDetergentAndTheSoil() {
        Facts f = SOILED.washedAt(1, false, SOAP);
        assertTrue(f.wet() && f.soil() && f.has(Residue.DETERGENT));
        assertFalse(f.loose());
        assertEquals(Facts.NEVER, f.washed());
    }

    @Test
    void aRinseTakesDetergentOffButNotSoil() {
        Facts f = SOILED.washedAt(1, false, SOAP).rinsedAt(2, false);
        assertFalse(f.has(Residue.DETERGENT));
        assertTrue(f.soil());
        assertFalse(f.clean());
    }

    @Test
    void sanitizerThatIsNotGrantedStillWetsAndStays() {
        Facts f = CLEAN.sanitizedAt(4, false, CHLORINE);
        assertTrue(f.wet() && f.has(Residue.SANITIZER));
        assertEquals(Facts.NEVER, f.sanitized());
        assertFalse(f.meets(EndState.SANITIZED));
        assertTrue(f.meets(EndState.CLEAN));
    }

    @Test
    void whatEndsSanitized() {
        assertTrue(SANITIZED.meets(EndState.SANITIZED));
        assertEquals(Facts.NEVER, SANITIZED.looseOff().sanitized(), "scraping");
        assertEquals(Facts.NEVER, SANITIZED.touched().sanitized(), "a towel or a glove");
        assertEquals(Facts.NEVER, SANITIZED.washedAt(5, true, SOAP).sanitized(), "washing again");
        assertEquals(Facts.NEVER, SANITIZED.soaked(5, SOAP, true, false).sanitized(), "a soak");
        assertEquals(Facts.NEVER, SANITIZED.rinsedAt(5, false).sanitized(), "a rinse");
        assertEquals(
                4, SANITIZED.rinsedAt(5, true).sanitized(), "but not under the school that rinses");
        assertEquals(4, SANITIZED.driedAt(5).sanitized(), "air-drying keeps it");
        assertEquals(4, SANITIZED.inspectedAt(5).sanitized(), "looking keeps it");
    }

    @Test
    void whatEndsInspected() {
        Facts seen = CLEAN.inspectedAt(3);
        assertEquals(Facts.NEVER, seen.looseOff().inspected());
        assertEquals(Facts.NEVER, seen.washedAt(4, true, SOAP).inspected());
        assertEquals(Facts.NEVER, seen.rinsedAt(4, false).inspected(), "water after the look");
        assertEquals(
                3,
                seen.sanitizedAt(4, true, CHLORINE).rinsedAt(5, true).inspected(),
                "but for the rinse of the school that rinses the sanitizer off");
    }

    @Test
    void wipedIsLessThanCleanAndCleanLessThanSanitized() {
        Facts wiped = SOILED.washedAt(1, true, SOAP);
        assertTrue(wiped.meets(EndState.WIPED));
        assertFalse(wiped.meets(EndState.CLEAN));
        assertTrue(CLEAN.meets(EndState.CLEAN));
        assertFalse(CLEAN.meets(EndState.SANITIZED));
    }

    @Provide
    Arbitrary<List<UnaryOperator<Facts>>> treatments() {
        List<UnaryOperator<Facts>> all =
                List.of(
                        Facts::looseOff,
                        f -> f.washedAt(1, true, SOAP),
                        f -> f.washedAt(1, false, SOAP),
                        f -> f.soaked(1, SOAP, true, false),
                        f -> f.soaked(1, Set.of(), false, false),
                        f -> f.rinsedAt(1, false),
                        f -> f.inspectedAt(1),
                        f -> f.sanitizedAt(1, false, CHLORINE),
                        Facts::touched,
                        f -> f.driedAt(1));
        return Arbitraries.of(all).list().ofMaxSize(12);
    }

    /** Without one granted sanitizing nothing is ever sanitized, whatever else is done. */
    @Property
    void nothingIsSanitizedUnlessItWasGranted(
            @ForAll("treatments") List<UnaryOperator<Facts>> done) {
        Facts f = SOILED;
        for (UnaryOperator<Facts> t : done) {
            f = t.apply(f);
        }
        assertFalse(f.meets(EndState.SANITIZED));
        assertTrue(f.stage() != Stage.SANITIZED && f.stage() != Stage.DRY);
    }

    /** Soil leaves only by a wash that counts. */
    @Property
    void soilLeavesOnlyByAWashThatCounts(@ForAll("treatments") List<UnaryOperator<Facts>> done) {
        Facts f = SOILED;
        for (UnaryOperator<Facts> t : done) {
            f = t.apply(f);
        }
        assertEquals(f.washed() == Facts.NEVER, f.soil());
    }
}
