package orthopur.night;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.junit.jupiter.api.Test;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Night.Span;
import orthopur.night.SiteNight.Evening;
import orthopur.night.SiteNight.Member;
import orthopur.night.SiteNight.Round;
import orthopur.night.SiteNight.Said;
import orthopur.night.SiteNight.Standing;
import orthopur.night.SiteNight.Ticked;
import orthopur.night.SiteNight.What;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.testbench.Bench;

/** What a night becomes by what is said about it and by what is done in it. */
class SiteNightTest {
    private static final Procedure BENCH = Bench.good();
    private static final List<Member> CREW =
            List.of(
                    new Member("ann", "Ann", Set.of("BENCH"), true, true, false),
                    new Member("ben", "Ben", Set.of(), true, true, false),
                    new Member("ria", "Ria", null, true, false, true));

    private static Standing night(int now, List<Said> said, List<Round> rounds) {
        return SiteNight.of(
                new Evening(
                        480,
                        now,
                        List.of(
                                new SiteNight.Clean(
                                        BENCH, Bench.SHEET, true, true, false, s -> 2.0)),
                        CREW,
                        new CleanJobs.Premises(List.of(), 60, 12, List.of(), 0),
                        null,
                        said,
                        rounds,
                        null));
    }

    private static Standing said(What what, String subject, int minute) {
        return night(0, List.of(new Said(what, subject, minute)), List.of());
    }

    private static Person person(Standing s, String id) {
        return s.night().people().stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow();
    }

    private static Job release(Standing s) {
        return s.night().tasks().stream()
                .filter(j -> j.id().endsWith("/release"))
                .findFirst()
                .orElseThrow();
    }

    private static List<Ticked> ticked(int steps, int eachTakes) {
        List<Ticked> all = new ArrayList<>();
        for (int i = 0; i < steps; i++) {
            Step s = BENCH.steps().get(i);
            all.add(new Ticked(s.id(), 10 + i * eachTakes, "ann"));
        }
        return all;
    }

    @Test
    void whoReleasesIsNotWhoCleanedAndWorkNeedsTraining() {
        Standing s = night(0, List.of(), List.of());
        Job release = release(s);
        assertEquals(CleanJobs.MAY_RELEASE, release.skill());
        assertTrue(release.otherThan().contains(s.night().tasks().getFirst().id()));
        Job first = s.night().tasks().getFirst();
        assertTrue(person(s, "ann").may(first));
        assertFalse(person(s, "ben").may(first));
        assertFalse(person(s, "ria").may(first));
        assertTrue(person(s, "ria").may(release));
        assertEquals(1, person(s, "ann").breaks().size());
        assertEquals(0, person(s, "ria").breaks().size());
    }

    @Test
    void whoIsSickIsGoneFromThenOnAndWhoIsLateComesThen() {
        assertTrue(
                said(What.SICK, "ben", 0).night().people().stream()
                        .noneMatch(p -> p.id().equals("ben")));
        assertEquals(List.of(new Span(0, 200)), person(said(What.SICK, "ann", 200), "ann").here());
        Standing late = said(What.LATE, "ann", 90);
        assertEquals(List.of(new Span(90, 480)), person(late, "ann").here());
        // What is said last counts.
        Standing both =
                night(
                        0,
                        List.of(new Said(What.LATE, "ann", 90), new Said(What.LATE, "ann", 30)),
                        List.of());
        assertEquals(List.of(new Span(30, 480)), person(both, "ann").here());
    }

    @Test
    void aMachineThatIsKeptBeginsLaterAndOneThatIsWantedHasToEndSooner() {
        assertTrue(
                said(What.KEPT, "BENCH", 120).night().tasks().stream()
                        .allMatch(j -> j.earliest() >= 120));
        Job release = release(said(What.WANTED, "BENCH", 300));
        assertEquals(300, Objects.requireNonNull(release.wantedBy()));
        // Not later than production itself.
        assertEquals(
                480, Objects.requireNonNull(release(said(What.WANTED, "BENCH", 900)).wantedBy()));
    }

    @Test
    void whatIsDroppedIsNotThereUnlessItHasBegun() {
        assertEquals(List.of(), said(What.DROPPED, "bench", 0).night().tasks());
        Standing begun =
                night(
                        40,
                        List.of(new Said(What.DROPPED, "bench", 0)),
                        List.of(new Round("bench", 5, null, null, ticked(2, 5))));
        assertFalse(begun.night().tasks().isEmpty());
    }

    @Test
    void whatRunsStaysWithWhoeverIsAtItAndTheRestComesAfterIt() {
        Standing s = night(60, List.of(), List.of(new Round("bench", 5, null, null, ticked(3, 5))));
        Job going =
                s.night().tasks().stream()
                        .filter(j -> j.running() != null)
                        .findFirst()
                        .orElseThrow();
        assertEquals(List.of("ann"), Objects.requireNonNull(going.running()).people());
        assertTrue(going.running().from() + going.minutes() > 60, "it is not over yet");
        assertTrue(
                s.night().tasks().stream()
                        .filter(j -> j.running() == null)
                        .allMatch(j -> j.earliest() >= 60));
        // She has no break before what she is in the middle of is over.
        assertTrue(
                person(s, "ann").breaks().stream()
                        .allMatch(b -> b.from() >= going.running().from() + going.minutes()));
    }

    @Test
    void whatIsOverFallsOutOfTheNight() {
        int all = BENCH.steps().size();
        Standing handed =
                night(200, List.of(), List.of(new Round("bench", 5, 180, null, ticked(all, 8))));
        assertEquals(
                List.of(release(handed).id()),
                handed.night().tasks().stream().map(Job::id).toList(),
                "the release is left");
        assertTrue(handed.done().stream().anyMatch(d -> d.hands() && d.people().contains("ann")));
        Standing released =
                night(200, List.of(), List.of(new Round("bench", 5, 180, 190, ticked(all, 8))));
        assertEquals(List.of(), released.night().tasks());
        assertEquals(190, released.done().getLast().to());
    }

    @Test
    void afterASwabThatFailedAllOfItIsDoneAgain() {
        int all = BENCH.steps().size();
        List<Round> over = List.of(new Round("bench", 5, 180, null, ticked(all, 8)));
        Standing again = night(200, List.of(new Said(What.FAILED, "bench", 195)), over);
        int fresh = night(0, List.of(), List.of()).night().tasks().size();
        assertEquals(fresh, again.night().tasks().size());
        assertTrue(again.night().tasks().stream().allMatch(j -> j.earliest() >= 200));
        // The round that was begun after it is the one that counts.
        Standing second =
                night(
                        260,
                        List.of(new Said(What.FAILED, "bench", 4)),
                        List.of(new Round("bench", 5, 180, null, ticked(all, 8))));
        assertEquals(1, second.night().tasks().size());
    }

    @Test
    void whatIsHandedOverIsDoneBySomebodyElse() {
        Job first = said(What.HANDED_OVER, "bench@ann", 0).night().tasks().getFirst();
        assertEquals(Set.of("ben", "ria"), first.by());
        assertNull(night(0, List.of(), List.of()).night().tasks().getFirst().by());
    }

    @Test
    void whatIsPutWithWhoeverMayNotDoItIsSaidAndNotKept() {
        String task = night(0, List.of(), List.of()).night().tasks().getFirst().id();
        Standing put = said(What.PUT, task + "@ann", 75);
        Job j = put.night().byId().get(task);
        assertEquals(75, Objects.requireNonNull(j).earliest());
        assertEquals(Set.of("ann"), j.by());
        assertEquals(List.of(), put.notKept());
        Standing not = said(What.PUT, task + "@ben", 75);
        assertEquals(1, not.notKept().size());
        assertNull(Objects.requireNonNull(not.night().byId().get(task)).by());
        // Nor where they have gone home.
        Standing gone =
                night(
                        0,
                        List.of(
                                new Said(What.SICK, "ann", 80),
                                new Said(What.PUT, task + "@ann", 75)),
                        List.of());
        assertEquals(1, gone.notKept().size());
    }

    @Test
    void withoutHotWaterNothingDrawsAnyBeforeItIsBack() {
        Standing cold = said(What.NO_HOT_WATER, "", 150);
        List<Job> drawing = cold.night().tasks().stream().filter(j -> j.hotLitres() > 0).toList();
        assertFalse(drawing.isEmpty(), "the suds are warm");
        assertTrue(drawing.stream().allMatch(j -> j.earliest() >= 150));
    }
}
