package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import orthopur.machine.Vessel;
import orthopur.night.CleanJobs;
import orthopur.night.Greedy;
import orthopur.night.Night;
import orthopur.night.Night.Job;
import orthopur.night.Plan;
import orthopur.night.PlanCheck;
import orthopur.night.SiteNight;
import orthopur.night.SiteNight.Said;
import orthopur.night.SiteNight.What;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.rules.lockout.OldEnough;

/** The demo procedures as tasks of a night, and what is said about a night. */
class DemoNightTest {
    private static final List<Vessel> VESSELS = DemoSite.SITE.vessels();
    private static final CleanJobs.Premises PREMISES = new CleanJobs.Premises(VESSELS, 65, 12);
    private static final CleanJobs.Wish WISH = new CleanJobs.Wish(0, 480, true, true, false, 1);

    private static final SiteNight.Member MAREN = member("maren", true, true, false);
    private static final SiteNight.Member TOBIAH = member("tobiah", true, true, false);
    private static final SiteNight.Member DAGNY = member("dagny", false, true, false);
    private static final SiteNight.Member RUVI = member("ruvi", true, false, true);

    private static SiteNight.Member member(
            String id, boolean adult, boolean works, boolean releases) {
        return new SiteNight.Member(
                id,
                id,
                Set.of("QK-SL1", "QK-SW1", "QK-OV1", "QK-FL1", "QK-DS1", "QK-TL1"),
                adult,
                works,
                releases);
    }

    private static List<Job> jobs(String name) {
        Procedure p = DemoSite.procedure(name);
        return CleanJobs.of(p, DemoSite.sheet(p.sheet()), WISH, PREMISES);
    }

    private static SiteNight.Clean clean(String name) {
        Procedure p = DemoSite.procedure(name);
        var sheet = DemoSite.sheet(p.sheet());
        return new SiteNight.Clean(p, sheet, true, true, OldEnough.concerns(sheet), 1);
    }

    private static Night night(List<SiteNight.Member> people, Said... said) {
        return SiteNight.of(
                480,
                List.of(clean("qk-sl1-end-of-shift"), clean("qk-ov1-daily"), clean("qk-fl1-daily")),
                people,
                VESSELS,
                new Night.Heater(400, 4.9),
                65,
                12,
                List.of(said));
    }

    private static Plan plan(Night night) {
        Plan plan = new Greedy().plan(night, 1);
        assertEquals(List.of(), PlanCheck.faults(night, plan));
        return plan;
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "qk-sl1-end-of-shift",
                "qk-sw1-daily",
                "qk-ov1-daily",
                "qk-ov1-weekly",
                "qk-fl1-daily",
                "qk-ds1-daily",
                "qk-tl1-line-clean"
            })
    void noMinuteOfAProcedureIsLostAndEveryTaskFollowsFromOneBefore(String name) {
        Procedure p = DemoSite.procedure(name);
        List<Job> all = jobs(name);
        double planned = p.steps().stream().mapToDouble(Step::minutes).sum();
        int hands =
                all.stream()
                        .filter(Job::hands)
                        .filter(j -> j.skill() == null)
                        .mapToInt(Job::minutes)
                        .sum();
        // Each stretch is rounded up to a whole minute, and nothing else is added.
        assertTrue(hands >= planned && hands <= planned + all.size(), hands + " of " + planned);
        Set<String> seen = new HashSet<>();
        for (Job j : all) {
            assertEquals(p.id(), j.group());
            assertTrue(seen.isEmpty() || !j.after().isEmpty(), j.id());
            j.after().forEach(a -> assertTrue(seen.contains(a.task()), j.id() + " after " + a));
            assertTrue(seen.add(j.id()), j.id());
        }
        assertTrue(all.stream().anyMatch(j -> CleanJobs.MAY_RELEASE.equals(j.skill())));
    }

    @Test
    void whatRunsByItselfIsATaskOfItsOwnInItsPlace() {
        Job drying =
                jobs("qk-ds1-daily").stream()
                        .filter(j -> !j.hands() && j.minutes() >= 240)
                        .findFirst()
                        .orElseThrow();
        assertEquals(0, drying.people());
        List<Job> slicer = jobs("qk-sl1-end-of-shift");
        Job soak =
                slicer.stream()
                        .filter(j -> !j.hands() && j.places().contains("sink"))
                        .findFirst()
                        .orElseThrow();
        // Hands go on while it soaks; whoever takes it out waits for both.
        Job collect =
                slicer.stream()
                        .filter(j -> j.after().stream().anyMatch(a -> a.task().equals(soak.id())))
                        .findFirst()
                        .orElseThrow();
        assertTrue(collect.after().size() > 1, collect.toString());
    }

    @Test
    void theOvenIsWarmAgainWhenItIsWantedAndTwoPeopleCarryItsBelt() {
        List<Job> oven = jobs("qk-ov1-daily");
        Job warm = oven.getLast();
        assertFalse(warm.hands());
        assertEquals(480, warm.wantedBy());
        assertTrue(warm.after().getFirst().task().endsWith("/release"));
        assertTrue(oven.stream().anyMatch(j -> j.people() == 2));
        assertTrue(oven.stream().anyMatch(j -> j.people() == 1));
    }

    @Test
    void hotWaterIsCountedWhereASolutionTakesIt() {
        assertTrue(jobs("qk-sl1-end-of-shift").stream().mapToDouble(Job::hotLitres).sum() > 5);
        CleanJobs.Premises cold = new CleanJobs.Premises(VESSELS, 65, 64);
        Procedure p = DemoSite.procedure("qk-sl1-end-of-shift");
        assertEquals(
                0,
                CleanJobs.of(p, DemoSite.sheet(p.sheet()), WISH, cold).stream()
                        .mapToDouble(Job::hotLitres)
                        .sum());
    }

    @Test
    void nobodyUnderAgeIsPlannedForTheSlicerAndWhoCleansDoesNotRelease() {
        Night night = night(List.of(MAREN, TOBIAH, DAGNY, RUVI));
        Plan plan = plan(night);
        assertEquals(List.of(), plan.unplaced());
        for (Plan.Placed p : plan.tasks()) {
            assertFalse(p.id().startsWith("qk-sl1") && p.people().contains("dagny"), p.toString());
            assertEquals(p.id().endsWith("/release"), p.people().contains("ruvi"), p.toString());
        }
        Plan alone = plan(night(List.of(DAGNY, RUVI)));
        assertEquals(
                "night.nobody-may",
                alone.unplaced().stream()
                        .filter(u -> u.id().equals("qk-sl1-end-of-shift"))
                        .findFirst()
                        .orElseThrow()
                        .reason()
                        .id());
    }

    @Test
    void whoIsSickIsGoneAndWhoIsLateBeginsThen() {
        Night without = night(List.of(MAREN, TOBIAH, RUVI), new Said(What.SICK, "tobiah", 0));
        assertEquals(2, without.people().size());
        Plan later = plan(night(List.of(MAREN, RUVI), new Said(What.LATE, "maren", 90)));
        later.tasks().stream()
                .filter(t -> t.people().contains("maren"))
                .forEach(t -> assertTrue(t.from() >= 90, t.toString()));
        Night leaves = night(List.of(MAREN, TOBIAH, RUVI), new Said(What.SICK, "tobiah", 100));
        plan(leaves).tasks().stream()
                .filter(t -> t.people().contains("tobiah"))
                .forEach(t -> assertTrue(t.to() <= 100, t.toString()));
    }

    @Test
    void aMachineThatIsKeptWaitsAndWaterThatIsColdIsNotDrawn() {
        Plan kept = plan(night(List.of(MAREN, TOBIAH, RUVI), new Said(What.KEPT, "QK-FL1", 120)));
        assertTrue(
                kept.tasks().stream()
                        .filter(t -> t.id().startsWith("qk-fl1"))
                        .allMatch(t -> t.from() >= 120));
        Night cold = night(List.of(MAREN, TOBIAH, RUVI), new Said(What.NO_HOT_WATER, "", 200));
        Map<String, Job> jobs = cold.byId();
        plan(cold).tasks().stream()
                .filter(t -> jobs.get(t.id()).hotLitres() > 0)
                .forEach(t -> assertTrue(t.from() >= 200, t.toString()));
        Night wanted = night(List.of(MAREN, TOBIAH, RUVI), new Said(What.WANTED, "QK-SL1", 240));
        assertTrue(
                wanted.tasks().stream()
                        .anyMatch(
                                j ->
                                        j.group().startsWith("qk-sl1")
                                                && Integer.valueOf(240).equals(j.wantedBy())));
    }

    @Test
    void whatIsDoneOrLeftOutIsNotPlannedAndWhatFailedIsPlannedAgain() {
        Said done = new Said(What.FINISHED, "qk-fl1-daily", 60);
        List<SiteNight.Member> people = List.of(MAREN, TOBIAH, RUVI);
        assertFalse(night(people, done).groups().containsKey("qk-fl1-daily"));
        assertFalse(
                night(people, new Said(What.DROPPED, "qk-fl1-daily", 0))
                        .groups()
                        .containsKey("qk-fl1-daily"));
        Night again = night(people, done, new Said(What.FAILED, "qk-fl1-daily", 150));
        List<Job> filler = new ArrayList<>(again.groups().get("qk-fl1-daily"));
        assertTrue(filler.stream().allMatch(j -> j.earliest() >= 150));
        assertEquals(List.of(), plan(again).unplaced());
    }

    @Test
    void theSameNightIsTheSameNight() {
        List<SiteNight.Member> people = List.of(MAREN, TOBIAH, RUVI);
        assertEquals(night(people), night(people));
        assertEquals(plan(night(people)).tasks(), plan(night(people)).tasks());
    }
}
