package orthopur.release;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import orthopur.round.ReleaseSite;
import orthopur.round.ReleaseSite.Found;
import orthopur.round.ReleaseSite.Kind;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.RoundPack;
import orthopur.rulebook.PublicCodes;
import orthopur.testbench.Bench;
import orthopur.text.Text;

/** What has to be found before a machine is let go, and what a finding means. */
class ReleasePlanTest {
    private static final RoundPack PACK =
            PackCompiler.compile(Bench.good(), 1, Bench.SHEET, Bench.CONTEXT, List.of());

    private static ReleasePlan plan(long round, Map<String, List<Double>> history) {
        return ReleasePlan.of(Bench.SHEET, PACK, PublicCodes.book(), round, history);
    }

    private static List<ReleaseSite> swabs(ReleasePlan plan) {
        return plan.sites().stream().filter(s -> s.kind() == Kind.SWAB).toList();
    }

    @Test
    void somebodyLooksAtEveryRound() {
        for (long round = 0; round < 10; round++) {
            assertEquals(ReleasePlan.SIGHT, plan(round, Map.of()).sites().getFirst().id());
            assertFalse(swabs(plan(round, Map.of())).isEmpty());
        }
    }

    /**
     * Within the rounds that the rule book names, every site that has to be sanitized has its turn.
     */
    @Test
    void everySiteHasItsTurn() {
        int every = (int) PublicCodes.book().number("swab.every-rounds");
        Set<String> seen = new HashSet<>();
        for (long round = 5; round < 5 + every; round++) {
            swabs(plan(round, Map.of())).forEach(s -> seen.add(s.id()));
        }
        Set<String> all = new HashSet<>();
        Bench.SHEET
                .parts()
                .forEach(
                        p ->
                                p.surfaces().stream()
                                        .filter(s -> s.zone() == 1)
                                        .forEach(s -> all.add(s.id())));
        assertEquals(all, seen);
    }

    /** What hides under a cover is looked at first. */
    @Test
    void theRiskiestComesFirst() {
        SwabRota rota =
                new SwabRota(
                        List.of(
                                new SwabRota.Site("plain", 1),
                                new SwabRota.Site("groove", 3),
                                new SwabRota.Site("barrel", 2)),
                        3,
                        1);
        assertEquals(List.of("groove"), rota.of(0));
        assertEquals(List.of("barrel"), rota.of(1));
        assertEquals(List.of("plain"), rota.of(2));
        assertEquals(List.of("groove"), rota.of(3));
    }

    @Property(tries = 200)
    void noSiteIsLeftOut(
            @ForAll @IntRange(min = 1, max = 60) int sites,
            @ForAll @IntRange(min = 1, max = 30) int rounds,
            @ForAll long seed) {
        List<SwabRota.Site> all = new ArrayList<>();
        for (int i = 0; i < sites; i++) {
            all.add(new SwabRota.Site("s" + i, i % 4));
        }
        SwabRota rota = new SwabRota(all, rounds, seed);
        Set<String> seen = new HashSet<>();
        for (int r = 0; r < rounds; r++) {
            List<String> tonight = rota.of(r);
            assertTrue(tonight.size() <= rota.perRound());
            seen.addAll(tonight);
        }
        assertEquals(sites, seen.size());
    }

    @Test
    void theLimitIsThatOfTheBookUntilTheSiteHasAHistory() {
        ReleaseSite fresh = swabs(plan(0, Map.of())).getFirst();
        assertEquals(30.0, fresh.most());
        assertTrue(fresh.why().toString().contains("0 values of its own"), fresh.why()::toString);
        Map<String, List<Double>> history = new HashMap<>();
        List<Double> values = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            values.add(i % 2 == 0 ? 10.0 : 12.0);
        }
        history.put(fresh.id(), values);
        ReleaseSite known =
                swabs(plan(0, history)).stream()
                        .filter(s -> s.id().equals(fresh.id()))
                        .findFirst()
                        .orElseThrow();
        // Mean 11, every range 2: 11 + 2 · 2 ÷ 1.128 = 14.5, rounded down to the permitted side.
        assertEquals(14.0, known.most());
        assertEquals(16.0, known.failAbove());
    }

    @Test
    void aCautionIsNoPass() {
        Text said = Text.plain("x");
        ReleaseSite s = new ReleaseSite("x", Kind.SWAB, said, 0.0, 30.0, 60.0, "RLU", said);
        assertEquals(Found.PASSED, s.judge(30.0));
        assertEquals(Found.CAUTION, s.judge(30.1));
        assertEquals(Found.CAUTION, s.judge(60.0));
        assertEquals(Found.FAILED, s.judge(60.1));
        assertEquals(Found.FAILED, s.judge(Double.NaN));
        assertEquals(Found.FAILED, s.judge(null));
        ReleaseSite ph = new ReleaseSite("ph", Kind.PH, said, 7.1, 8.1, null, "pH", said);
        assertEquals(Found.PASSED, ph.judge(7.1));
        assertEquals(Found.FAILED, ph.judge(7.0));
        assertEquals(Found.FAILED, ph.judge(8.2));
    }
}
