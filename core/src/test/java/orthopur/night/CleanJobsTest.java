package orthopur.night;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import orthopur.machine.MachineSheet;
import orthopur.machine.WarmUp;
import orthopur.night.CleanJobs.Part;
import orthopur.night.CleanJobs.Premises;
import orthopur.night.CleanJobs.Shared;
import orthopur.night.CleanJobs.Wish;
import orthopur.night.Night.Job;
import orthopur.night.Night.Place;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.testbench.Bench;

/** A procedure as the tasks of a night. */
class CleanJobsTest {
    private static final Premises NOTHING = new Premises(List.of(), 60, 12, List.of(), 0);
    private static final Wish WISH = new Wish(30, 480, true, true, false, s -> 2.0);

    private static List<Part> of(Procedure p, Wish wish, Premises premises) {
        return CleanJobs.of(p, Bench.SHEET, wish, premises);
    }

    private static List<Job> jobs(Procedure p) {
        return of(p, WISH, NOTHING).stream().map(Part::job).toList();
    }

    private static Job ending(List<Job> all, String end) {
        return all.stream().filter(j -> j.id().endsWith(end)).findFirst().orElseThrow();
    }

    private static List<String> after(Job j) {
        return j.after().stream().map(Night.After::task).toList();
    }

    @Test
    void aStretchEndsWhereSomethingRunsByItselfAndGoesOnWhenItIsOver() {
        List<Job> all = jobs(Bench.good());
        assertEquals(
                List.of("bench/1-work", "bench/2-dry", "bench/3-work", "bench/release"),
                all.stream().map(Job::id).toList());
        Job dries = all.get(1);
        assertFalse(dries.hands());
        assertEquals(20, dries.minutes());
        assertEquals(0, dries.people());
        assertEquals(List.of("bench/1-work"), after(dries));
        assertEquals(List.of("bench/2-dry"), after(all.get(2)));
        // Fourteen steps of two minutes, and the beginning of the drying.
        assertEquals(30, all.getFirst().minutes());
    }

    @Test
    void noStepIsLostAndNoneIsTwice() {
        List<String> told = new ArrayList<>();
        of(Bench.good(), WISH, NOTHING).stream()
                .filter(p -> p.job().hands())
                .forEach(p -> told.addAll(p.steps()));
        assertEquals(Bench.good().steps().stream().map(Step::id).toList(), told);
    }

    @Test
    void whatRunsForAFewMinutesOnlyStaysInTheStretch() {
        Procedure shortly =
                Bench.with(
                        "dry",
                        new Action.Dry(Bench.allParts(), Action.Drying.AIR, Duration.ofMinutes(4)));
        assertTrue(jobs(shortly).stream().allMatch(Job::hands));
    }

    @Test
    void everyTaskCarriesWhatIsWantedOfTheClean() {
        List<Job> all = jobs(Bench.good());
        for (Job j : all) {
            assertTrue(j.must());
            assertTrue(j.earliest() >= 30, j.id());
            assertEquals("bench", j.group());
        }
        assertEquals("BENCH", all.getFirst().trained());
        Job release = ending(all, "/release");
        assertEquals(480, Objects.requireNonNull(release.wantedBy()));
        assertNull(release.trained(), "who looks at it was not trained on it");
        assertEquals(List.of("bench/3-work"), after(release));
        assertEquals(List.of("bench/1-work", "bench/3-work"), release.otherThan());
    }

    @Test
    void whoCleansReleasesWhereNobodyElseHasTo() {
        Wish alone = new Wish(0, 480, false, false, false, s -> 2.0);
        List<Part> all = of(Bench.good(), alone, NOTHING);
        assertTrue(all.stream().noneMatch(p -> p.job().id().endsWith("/release")));
        assertEquals(480, Objects.requireNonNull(all.getLast().job().wantedBy()));
    }

    @Test
    void beforeProductionItIsWarmedUp() {
        MachineSheet hot = Bench.SHEET.withWarmUp(new WarmUp(Duration.ofMinutes(25), null, null));
        List<Job> all =
                CleanJobs.of(Bench.good(), hot, WISH, NOTHING).stream().map(Part::job).toList();
        Job warms = ending(all, "/warm-up");
        assertEquals(25, warms.minutes());
        assertFalse(warms.hands());
        assertEquals(List.of("bench/release"), after(warms));
        assertEquals(480, Objects.requireNonNull(warms.wantedBy()));
        assertNull(ending(all, "/release").wantedBy(), "what comes after it is wanted");
    }

    @Test
    void anotherNumberOfPeopleIsAnotherTask() {
        Procedure p = Bench.good();
        Step s = p.steps().get(p.placeOf("off-2"));
        Step two = new Step(s.id(), s.action(), s.words(), null, null, s.minutes(), 2);
        List<Job> all = jobs(p.apply(List.of(new Edit.Change(s.id(), two))));
        assertEquals(List.of(1, 2, 1), all.stream().limit(3).map(Job::people).toList());
        assertEquals(List.of("bench/1-work"), after(all.get(1)));
    }

    @Test
    void hotWaterIsDrawnForWhatIsWarmerThanTheMains() {
        Job wash = jobs(Bench.good()).getFirst();
        // 20 L of suds at 45 °C out of 60 and 12 °C: 33 of 48 parts. The sanitizer at 18 °C is as
        // good as cold.
        assertEquals(20 * 33 / 48.0, wash.hotLitres(), 0.01);
    }

    @Test
    void whoeverComesFromElsewhereWalks() {
        Premises far = new Premises(List.of(), 60, 12, List.of(), 4);
        List<Job> near = jobs(Bench.good());
        List<Job> all = of(Bench.good(), WISH, far).stream().map(Part::job).toList();
        assertEquals(near.getFirst().minutes() + 4, all.getFirst().minutes());
        assertEquals(near.get(2).minutes() + 4, all.get(2).minutes(), "after the drying again");
        assertEquals(20, all.get(1).minutes());
    }

    @Test
    void aCartIsKeptUntilTheLastPartOnItIsBack() {
        Premises cart = new Premises(List.of(), 60, 12, List.of(new Shared("cart", "cart", 2)), 0);
        List<Job> all = of(Bench.good(), WISH, cart).stream().map(Part::job).toList();
        Job back = all.get(2);
        assertEquals(List.of(new Night.Keep("cart", "bench/1-work")), back.keeps());
        assertEquals(List.of(new Place("cart", "cart", 2, 0)), CleanJobs.places(cart));
        Night night = new Night(480, List.of(), CleanJobs.places(cart), null, all);
        Plan plan =
                Measured.bare(
                        List.of(
                                new Plan.Placed("bench/1-work", List.of(), null, 30, 60, true),
                                new Plan.Placed("bench/3-work", List.of(), null, 80, 96, true)),
                        List.of(),
                        List.of());
        assertEquals(List.of(new Plan.Stay("cart", "bench", 30, 96)), plan.stays(night));
        // What is not planned keeps nothing.
        assertEquals(List.of(), Measured.bare(List.of(), List.of(), List.of()).stays(night));
    }
}
