package orthopur.rulebook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.rules.AllRules;
import orthopur.runthrough.Rule;

class RuleBookTest {
    @Test
    void everyFigureHasAUnitAndASource() {
        for (Figure f : PublicCodes.book().figures()) {
            assertFalse(f.unit().isBlank() || f.source().isBlank() || f.title().isBlank(), f.id());
        }
    }

    @Test
    void aFigureThatIsMissingNeverPassesAsMet() {
        RuleBook empty = new RuleBook("empty", List.of());
        String told =
                assertThrows(IllegalStateException.class, () -> empty.strength("chlorine.ceiling"))
                        .getMessage();
        assertTrue(told.contains("chlorine.ceiling"), told);
        Figure f = new Figure("a", "A", 1, "mg/L", "s", false);
        assertThrows(IllegalArgumentException.class, () -> new RuleBook("twice", List.of(f, f)));
    }

    /** The figures of the codes, written out once more by hand. */
    @Test
    void theFiguresAreThoseOfTheCodes() {
        RuleBook b = PublicCodes.book();
        assertEquals(49, b.temperature("chlorine.row-1.least-temperature.ph-8").celsius());
        assertEquals(38, b.temperature("chlorine.row-2.least-temperature.ph-10").celsius());
        assertEquals(24, b.temperature("chlorine.row-2.least-temperature.ph-8").celsius());
        assertEquals(13, b.temperature("chlorine.row-3.least-temperature.ph-10").celsius());
        assertEquals(200, b.strength("chlorine.ceiling").mgPerL());
        assertEquals(12.5, b.strength("iodine.least-strength").mgPerL());
        assertEquals(20, b.temperature("iodine.least-temperature").celsius());
        assertEquals(24, b.temperature("quat.least-temperature").celsius());
        assertEquals(500, b.hardness("quat.hardness").mgPerL());
        assertEquals(30, b.duration("contact.other").toSeconds());
        assertEquals(77, b.temperature("hot-water.hand.least-temperature").celsius());
    }

    @Test
    void everyRuleSaysItsOwnAndHasASource() {
        List<String> ids = AllRules.list().stream().map((Rule r) -> r.info().id()).toList();
        List<String> titles = AllRules.list().stream().map((Rule r) -> r.info().title()).toList();
        assertEquals(titles.size(), titles.stream().distinct().count());
        assertTrue(
                ids.containsAll(
                        List.of(
                                "L1", "L2", "L3", "L4", "L5", "T1", "T2", "T11", "C1", "C2", "C3",
                                "C4", "C6", "S1", "S3", "S9")));
        AllRules.list().forEach(r -> assertFalse(r.info().source().isBlank(), r.info().id()));
    }
}
