package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import org.junit.jupiter.api.Test;
import orthopur.night.CleanJobs;
import orthopur.night.CleanJobs.Part;
import orthopur.night.Durations;
import orthopur.night.Durations.Took;
import orthopur.night.Durations.Usual;
import orthopur.night.SiteNight.Round;
import orthopur.night.SiteNight.Ticked;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;

/** How long a clean takes by its rounds, and what the next plan makes of it. */
class DurationsTest {
    private static final Procedure SLICER = DemoSite.procedure("qk-sl1-end-of-shift");
    private static final List<Part> PARTS =
            CleanJobs.of(
                    SLICER,
                    DemoSite.sheet("QK-SL1"),
                    new CleanJobs.Wish(0, null, true, true, true, Step::minutes),
                    new CleanJobs.Premises(DemoSite.SITE.vessels(), 65, 12, List.of(), 0));

    /** Every step so many times its planned minutes, waiting for what runs by itself. */
    private static Round round(double pace, int begun, String who) {
        List<Ticked> ticks = new ArrayList<>();
        double at = begun;
        double free = 0;
        for (Part p : PARTS) {
            if (!p.job().hands()) {
                free = Math.max(free, at + p.job().minutes());
                continue;
            }
            boolean waits =
                    p.job().after().stream()
                            .anyMatch(
                                    a ->
                                            PARTS.stream()
                                                    .anyMatch(
                                                            o ->
                                                                    o.job().id().equals(a.task())
                                                                            && !o.job().hands()));
            at = waits ? Math.max(at, free) : at;
            for (String s : p.steps()) {
                at +=
                        pace
                                * SLICER.steps().stream()
                                        .filter(x -> x.id().equals(s))
                                        .mapToDouble(Step::minutes)
                                        .sum();
                ticks.add(new Ticked(s, (int) Math.round(at), who));
            }
        }
        return new Round(SLICER.id(), begun, (int) Math.round(at), null, ticks);
    }

    @Test
    void aRoundAsPlannedTookWhatWasPlannedAndSoaksAreNobodysWork() {
        List<Took> took = Durations.took(PARTS, round(1, 30, "maren"));
        assertTrue(took.size() >= 4, took.toString());
        for (Took t : took) {
            assertTrue(Math.abs(t.minutes() - t.planned()) <= 2, t.toString());
            assertEquals(List.of("maren"), t.people());
        }
        assertEquals(30, took.getFirst().from());
        assertTrue(took.stream().anyMatch(t -> t.slowest() != null));
    }

    @Test
    void whatWasNotDoneWholeTellsNothing() {
        Round whole = round(1, 0, "maren");
        Round half = new Round(whole.procedure(), 0, null, null, whole.ticks().subList(0, 3));
        assertEquals(List.of(), Durations.took(PARTS, half));
        assertEquals(List.of(), Durations.took(PARTS, new Round(SLICER.id(), 0, 5, 6, List.of())));
    }

    @Test
    void twoRoundsTellNothingAndThreeTellWhatIsUsual() {
        List<Round> two = List.of(round(1, 0, "a"), round(1.2, 0, "b"));
        assertEquals(Map.of(), Durations.usual(PARTS, two));
        List<Round> more = List.of(round(1, 0, "a"), round(1.5, 0, "b"), round(2, 0, "c"));
        Map<String, Usual> usual = Durations.usual(PARTS, more);
        for (Part p : PARTS) {
            Usual u = usual.get(p.job().id());
            if (p.job().hands() && !p.steps().isEmpty()) {
                assertEquals(3, u.nights());
                assertTrue(u.low() <= u.median() && u.median() <= u.high(), u.toString());
                assertTrue(Math.abs(u.median() - 1.5 * p.job().minutes()) <= 3, u.toString());
            } else {
                assertNull(u, p.job().id());
            }
        }
    }

    @Test
    void aTabletThatWasPutAsideForHoursTellsNothing() {
        List<Round> all =
                List.of(round(1, 0, "a"), round(1, 0, "b"), round(1, 0, "c"), round(9, 0, "d"));
        Durations.usual(PARTS, all).values().forEach(u -> assertEquals(3, u.nights()));
    }

    @Test
    void theNextPlanTakesWhatIsUsual() {
        Map<String, Usual> usual =
                Durations.usual(
                        PARTS, List.of(round(2, 0, "a"), round(2, 0, "b"), round(2, 0, "c")));
        ToDoubleFunction<Step> pace = Durations.pace(PARTS, usual);
        double planned = SLICER.steps().stream().mapToDouble(Step::minutes).sum();
        double now = SLICER.steps().stream().mapToDouble(pace).sum();
        assertTrue(Math.abs(now / planned - 2) < 0.25, now + " of " + planned);
        ToDoubleFunction<Step> unknown = Durations.pace(PARTS, Map.of());
        assertEquals(planned, SLICER.steps().stream().mapToDouble(unknown).sum(), 1e-9);
    }
}
