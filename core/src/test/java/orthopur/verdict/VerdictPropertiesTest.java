package orthopur.verdict;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.procedure.Procedure;
import orthopur.procedure.Remedy;
import orthopur.runthrough.Finding;
import orthopur.testbench.Bench;

/** What holds for any procedure, however broken. */
class VerdictPropertiesTest {
    @Property(tries = 300)
    void theSameInputGivesTheSameVerdict(
            @ForAll @Size(max = 5) List<@IntRange(max = 500) Integer> hits) {
        Procedure p = Bench.broken(Bench.good(), hits);
        assertEquals(Bench.verify(p), Bench.verify(p));
    }

    @Property(tries = 150)
    void everyOfferedRemedyLowersTheCount(
            @ForAll @Size(max = 4) List<@IntRange(max = 500) Integer> hits) {
        Procedure p = Bench.broken(Bench.good(), hits);
        Verdict v = Bench.verify(p);
        for (Finding f : v.findings()) {
            for (Remedy r : f.remedies()) {
                Verdict after = Bench.verify(p.apply(r.edits()));
                boolean fewer =
                        after.stops() < v.stops()
                                || (after.stops() == v.stops() && after.fixes() < v.fixes());
                assertTrue(fewer, f.rule() + " " + r.label());
            }
        }
    }

    /** Whoever does not wait for the remedies sees the same verdict otherwise. */
    @Property(tries = 150)
    void theVerdictWithoutRemediesIsTheSameVerdict(
            @ForAll @Size(max = 5) List<@IntRange(max = 500) Integer> hits) {
        Procedure p = Bench.broken(Bench.good(), hits);
        Verdict quick = Bench.withoutRemedies(p);
        Verdict whole = Bench.verify(p);
        assertTrue(quick.findings().stream().allMatch(f -> f.remedies().isEmpty()));
        assertEquals(
                whole.findings().stream().map(f -> f.withRemedies(List.of())).toList(),
                quick.findings());
        assertEquals(whole.ribbon(), quick.ribbon());
        assertEquals(whole.totals(), quick.totals());
        assertEquals(whole.configurations(), quick.configurations());
    }

    @Property(tries = 300)
    void consequencesPointAtARootBeforeThemAndRootsAtNothing(
            @ForAll @Size(max = 6) List<@IntRange(max = 500) Integer> hits) {
        List<Finding> all = Bench.verify(Bench.broken(Bench.good(), hits)).findings();
        for (int i = 0; i < all.size(); i++) {
            Integer under = all.get(i).under();
            if (under != null) {
                assertTrue(under < i);
                assertEquals(null, all.get(under).under());
            }
        }
    }

    /** A finding is a plain sentence with a reason and a source, never a code alone. */
    @Property(tries = 200)
    void everyFindingSaysWhatAndWhyAndWhereFrom(
            @ForAll @Size(max = 5) List<@IntRange(max = 500) Integer> hits) {
        for (Finding f : Bench.verify(Bench.broken(Bench.good(), hits)).findings()) {
            assertTrue(f.message().endsWith(".") && f.message().length() > 20, f.message());
            assertFalse(f.because().isBlank() || f.source().isBlank(), f.rule());
            assertTrue(f.step() >= 0);
        }
    }

    /**
     * The ribbon tells what the facts say: a thread ends well exactly if no zone-1 finding concerns
     * it.
     */
    @Property(tries = 200)
    void coverageAndRibbonAgree(@ForAll @Size(max = 5) List<@IntRange(max = 500) Integer> hits) {
        Verdict v = Bench.verify(Bench.broken(Bench.good(), hits));
        int reached =
                v.ribbon().surfaces().stream()
                        .filter(t -> t.due() && t.end())
                        .mapToInt(t -> t.surfaces().size())
                        .sum();
        assertEquals(v.coverage().reached(), reached);
    }

    /** Every step of the good procedure is there for a reason: without it, this rule speaks. */
    @ParameterizedTest
    @CsvSource({
        "stop, L2",
        "isolate, L2",
        "lock, L2",
        "relieve, L2",
        "prove, L4",
        "off-1, T1",
        "off-2, C6",
        "aside, C6",
        "wash, C2",
        "rinse, C3",
        "hands, C4",
        "sanitize, C1",
        "back, T14",
        "on, T11",
        "clear, T11",
        "unlock, L5",
        "scrape, C7",
        "inspect, C13",
        "dry, C10",
        "measure, T9",
        "record, R1"
    })
    void withoutAStepTheRightRuleSpeaksFirst(String step, String rule) {
        List<String> roots =
                Bench.roots(Bench.without(step)).stream()
                        .map(r -> r.substring(0, r.indexOf('@')))
                        .toList();
        assertTrue(roots.contains(rule), roots.toString());
    }

    /** A machine that stays locked is no fault of the clean. */
    @Test
    void leftLockedForTheMorning() {
        assertEquals(List.of(), Bench.roots(Bench.without("live")));
    }
}
