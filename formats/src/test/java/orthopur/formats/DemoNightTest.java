package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import orthopur.machine.Vessel;
import orthopur.night.CleanJobs;
import orthopur.night.Dragged;
import orthopur.night.Greedy;
import orthopur.night.InForce;
import orthopur.night.Measured;
import orthopur.night.Night;
import orthopur.night.Night.After;
import orthopur.night.Night.Job;
import orthopur.night.Plan;
import orthopur.night.PlanCheck;
import orthopur.night.SiteNight;
import orthopur.night.SiteNight.Round;
import orthopur.night.SiteNight.Said;
import orthopur.night.SiteNight.What;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.rules.lockout.OldEnough;

/** The demo procedures as tasks of a night, and what is said about a night. */
class DemoNightTest {
    private static final List<Vessel> VESSELS = DemoSite.SITE.vessels();
    private static final CleanJobs.Premises PREMISES =
            new CleanJobs.Premises(VESSELS, 65, 12, List.of(), 0);
    private static final CleanJobs.Wish WISH =
            new CleanJobs.Wish(0, 480, true, true, false, Step::minutes);

    private static final String AREAS = "qk-ar1-daily";

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
        return CleanJobs.of(p, DemoSite.sheet(p.sheet()), WISH, PREMISES).stream()
                .map(CleanJobs.Part::job)
                .toList();
    }

    private static SiteNight.Clean clean(String name) {
        Procedure p = DemoSite.procedure(name);
        var sheet = DemoSite.sheet(p.sheet());
        return new SiteNight.Clean(p, sheet, true, true, OldEnough.concerns(sheet), Step::minutes);
    }

    private static Night night(List<SiteNight.Member> people, Said... said) {
        return standing(0, people, List.of(), null, said).night();
    }

    private static SiteNight.Standing standing(
            int now,
            List<SiteNight.Member> people,
            List<Round> rounds,
            @Nullable Plan before,
            Said... said) {
        return standing(
                List.of(clean("qk-sl1-end-of-shift"), clean("qk-ov1-daily"), clean("qk-fl1-daily")),
                now,
                people,
                rounds,
                before,
                said);
    }

    private static SiteNight.Standing standing(
            List<SiteNight.Clean> cleans,
            int now,
            List<SiteNight.Member> people,
            List<Round> rounds,
            @Nullable Plan before,
            Said... said) {
        return SiteNight.of(
                new SiteNight.Evening(
                        480,
                        now,
                        cleans,
                        people,
                        PREMISES,
                        new Night.Heater(400, 4.9),
                        List.of(said),
                        rounds,
                        before));
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

    private static SiteNight.Clean untrained(String name) {
        SiteNight.Clean c = clean(name);
        return new SiteNight.Clean(
                c.procedure(), c.sheet().withCode("QK-SL1"), true, true, false, c.pace());
    }

    /** What of a clean waits for the floors. */
    private static List<Job> waits(Night night, String group) {
        return night.groups().get(group).stream()
                .filter(j -> j.after().stream().anyMatch(After::ifThere))
                .toList();
    }

    @Test
    void floorsAndDrainsComeBeforeWhateverIsSanitized() {
        List<SiteNight.Member> people = List.of(MAREN, TOBIAH, RUVI);
        List<SiteNight.Clean> cleans =
                List.of(clean("qk-sl1-end-of-shift"), clean("qk-fl1-daily"), untrained(AREAS));
        Night night = standing(cleans, 0, people, List.of(), null).night();
        Plan plan = plan(night);
        assertEquals(List.of(), plan.unplaced());
        int floors =
                plan.tasks().stream()
                        .filter(t -> t.id().startsWith(AREAS) && !t.id().endsWith("/release"))
                        .mapToInt(Plan.Placed::to)
                        .max()
                        .orElseThrow();
        for (String machine : List.of("qk-sl1-end-of-shift", "qk-fl1-daily")) {
            List<Job> wait = waits(night, machine);
            assertEquals(1, wait.size(), machine);
            assertTrue(plan.byId().get(wait.getFirst().id()).from() >= floors, machine);
        }
        // The broom before it: what is sanitized is moved to before the floors were swept.
        Plan.Placed early = plan.byId().get(waits(night, "qk-fl1-daily").getFirst().id());
        List<Plan.Placed> moved = new ArrayList<>(plan.tasks());
        moved.replaceAll(
                t ->
                        t.id().equals(early.id())
                                ? new Plan.Placed(
                                        t.id(),
                                        t.people(),
                                        t.place(),
                                        floors - 1,
                                        floors - 1 + t.to() - t.from(),
                                        t.hands())
                                : t);
        assertTrue(
                PlanCheck.faults(night, Measured.bare(moved, plan.breaks(), List.of())).stream()
                        .anyMatch(f -> f.id().equals("plan.order")));
    }

    @Test
    void whereTheFloorsAreNotDoneNothingWaitsForThem() {
        List<SiteNight.Clean> cleans = List.of(clean("qk-fl1-daily"), untrained(AREAS));
        Night dropped =
                standing(
                                cleans,
                                0,
                                List.of(MAREN, RUVI),
                                List.of(),
                                null,
                                new Said(What.DROPPED, AREAS, 0))
                        .night();
        assertEquals(List.of(), waits(dropped, "qk-fl1-daily"));
        // Too little time for both: the filler is done all the same.
        Night night = standing(cleans, 0, List.of(MAREN, RUVI), List.of(), null).night();
        Night shorter =
                new Night(
                        night.until(),
                        night.people(),
                        night.places(),
                        night.heater(),
                        night.tasks().stream()
                                .map(j -> j.group().equals(AREAS) ? j.notBefore(479) : j)
                                .toList());
        Plan plan = plan(shorter);
        assertEquals(List.of(AREAS), plan.unplaced().stream().map(Plan.Unplaced::id).toList());
        // What is sanitized already does not wait for floors that are late.
        Round sanitized = round("qk-fl1-daily", 0, 99, null, null);
        Night late =
                standing(cleans, 120, List.of(MAREN, TOBIAH, RUVI), List.of(sanitized), null)
                        .night();
        assertEquals(List.of(), waits(late, "qk-fl1-daily"));
    }

    @Test
    void whatComesFromAMachineWithOtherAllergensIsAnotherContent() {
        Set<String> contents = new HashSet<>();
        for (String name : List.of("qk-sl1-end-of-shift", "qk-ds1-daily", "qk-fl1-daily")) {
            jobs(name).stream()
                    .filter(j -> j.content() != null)
                    .forEach(j -> contents.add(j.content()));
        }
        assertTrue(contents.stream().anyMatch(c -> c.contains("soy")), contents.toString());
        assertTrue(contents.stream().anyMatch(c -> c.endsWith(", sesame")), contents.toString());
    }

    @Test
    void hotWaterIsCountedWhereASolutionTakesIt() {
        assertTrue(jobs("qk-sl1-end-of-shift").stream().mapToDouble(Job::hotLitres).sum() > 5);
        CleanJobs.Premises cold = new CleanJobs.Premises(VESSELS, 65, 64, List.of(), 0);
        Procedure p = DemoSite.procedure("qk-sl1-end-of-shift");
        assertEquals(
                0,
                CleanJobs.of(p, DemoSite.sheet(p.sheet()), WISH, cold).stream()
                        .mapToDouble(part -> part.job().hotLitres())
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
        Round done = round("qk-fl1-daily", 0, 99, 60, 70);
        List<SiteNight.Member> people = List.of(MAREN, TOBIAH, RUVI);
        SiteNight.Standing after = standing(80, people, List.of(done), null);
        assertFalse(after.night().groups().containsKey("qk-fl1-daily"));
        assertTrue(after.done().stream().anyMatch(d -> d.id().equals("qk-fl1-daily/release")));
        assertFalse(
                night(people, new Said(What.DROPPED, "qk-fl1-daily", 0))
                        .groups()
                        .containsKey("qk-fl1-daily"));
        // Dropped after it was begun, it is still in pieces.
        Night begun =
                standing(
                                30,
                                people,
                                List.of(round("qk-fl1-daily", 0, 3, null, null)),
                                null,
                                new Said(What.DROPPED, "qk-fl1-daily", 20))
                        .night();
        assertTrue(begun.groups().containsKey("qk-fl1-daily"));
        Night again =
                standing(
                                80,
                                people,
                                List.of(done),
                                null,
                                new Said(What.FAILED, "qk-fl1-daily", 150))
                        .night();
        List<Job> filler = new ArrayList<>(again.groups().get("qk-fl1-daily"));
        assertTrue(filler.stream().allMatch(j -> j.earliest() >= 150));
        assertEquals(List.of(), plan(again).unplaced());
    }

    /** The first so many steps of a clean, a minute each, by one person. */
    private static Round round(
            String procedure,
            int begun,
            int steps,
            @Nullable Integer finished,
            @Nullable Integer released) {
        List<SiteNight.Ticked> ticks = new ArrayList<>();
        for (Step s : DemoSite.procedure(procedure).steps()) {
            if (ticks.size() < steps) {
                ticks.add(new SiteNight.Ticked(s.id(), begun + ticks.size() + 1, "maren"));
            }
        }
        return new Round(procedure, begun, finished, released, ticks);
    }

    @Test
    void whatIsUnderWayStaysWithWhoeverIsAtItAndNothingElseLiesInThePast() {
        List<SiteNight.Member> people = List.of(MAREN, TOBIAH, RUVI);
        Round open = round("qk-sl1-end-of-shift", 5, 4, null, null);
        SiteNight.Standing now = standing(10, people, List.of(open), null);
        List<Job> running = now.night().tasks().stream().filter(j -> j.running() != null).toList();
        assertEquals(1, running.size());
        assertEquals(List.of("maren"), running.getFirst().running().people());
        now.night().tasks().stream()
                .filter(j -> j.running() == null)
                .forEach(j -> assertTrue(j.earliest() >= 10, j.toString()));
        Plan plan = plan(now.night());
        // Each step of the procedure is done, running or still to come, once.
        Plan fresh = plan(night(people));
        assertEquals(
                fresh.tasks().size(), plan.tasks().size() + now.done().size(), "nothing is lost");
        // Maren went on to another machine and left the slicer: somebody is called to it.
        Round other = round("qk-fl1-daily", 20, 2, null, null);
        SiteNight.Standing left = standing(25, people, List.of(open, other), null);
        assertTrue(
                left.night().groups().get("qk-sl1-end-of-shift").stream()
                        .allMatch(j -> j.running() == null));
        plan(left.night());
    }

    @Test
    void aPlanStaysInForceUntilTheNightForbidsIt() {
        List<SiteNight.Member> people = List.of(MAREN, TOBIAH, RUVI);
        Plan plan = plan(night(people));
        Plan same = InForce.still(night(people), plan);
        assertEquals(plan.tasks(), same.tasks());
        assertEquals(Plan.Status.IN_FORCE, same.status());
        // A quarter of an hour later nothing has begun.
        assertNull(InForce.still(standing(15, people, List.of(), plan).night(), plan));
        assertNull(InForce.still(night(people, new Said(What.SICK, "maren", 0)), plan));
        // Tobiah comes after the last of what was Tobiah's: nobody is told anew.
        int last =
                plan.tasks().stream()
                        .filter(t -> t.people().contains("tobiah"))
                        .mapToInt(Plan.Placed::to)
                        .max()
                        .orElseThrow();
        Night leaves = night(people, new Said(What.SICK, "tobiah", Math.max(last, 330)));
        assertEquals(plan.tasks(), InForce.still(leaves, plan).tasks());
        // Whoever had their break before now has no second one.
        Plan rested =
                new Plan(
                        plan.status(),
                        plan.levels(),
                        0,
                        plan.tasks(),
                        List.of(new Plan.Rest("maren", 160, 190)),
                        List.of(),
                        List.of(),
                        List.of());
        standing(200, people, List.of(), rested).night().people().stream()
                .filter(p -> p.id().equals("maren"))
                .forEach(p -> assertEquals(List.of(), p.breaks()));
    }

    @Test
    void whoHandsACleanOverDoesNothingMoreOfItAndWhatIsPutStaysWhereItMay() {
        List<SiteNight.Member> people = List.of(MAREN, TOBIAH, DAGNY, RUVI);
        Plan plan = plan(night(people, new Said(What.HANDED_OVER, "qk-fl1-daily@maren", 0)));
        assertTrue(
                plan.tasks().stream()
                        .filter(t -> t.id().startsWith("qk-fl1"))
                        .noneMatch(t -> t.people().contains("maren")));
        String first = night(people).groups().get("qk-fl1-daily").getFirst().id();
        Plan put = plan(night(people, new Said(What.PUT, first + "@tobiah", 60)));
        assertEquals(List.of("tobiah"), put.byId().get(first).people());
        assertTrue(put.byId().get(first).from() >= 60);
        // Dagny is seventeen: what is put there does not stay.
        String slicer = night(people).groups().get("qk-sl1-end-of-shift").getFirst().id();
        SiteNight.Standing not =
                standing(0, people, List.of(), null, new Said(What.PUT, slicer + "@dagny", 0));
        assertEquals(1, not.notKept().size());
        assertNull(not.night().byId().get(slicer).by());
    }

    @Test
    void whatIsDraggedSaysWhatElseMovesAndWhatItBreaks() {
        List<SiteNight.Member> people = List.of(MAREN, TOBIAH, DAGNY, RUVI);
        Night night = night(people);
        Plan plan = plan(night);
        String first = night.groups().get("qk-sl1-end-of-shift").getFirst().id();
        Dragged later = Dragged.to(night, plan, first, "tobiah", 90);
        assertEquals(List.of(), later.breaks());
        assertTrue(later.plan().byId().get(first).from() >= 90);
        assertEquals(List.of("tobiah"), later.plan().byId().get(first).people());
        assertTrue(
                later.moves().stream().anyMatch(m -> !m.task().equals(first)),
                "what comes after it moves with it");
        assertEquals(
                List.of(),
                PlanCheck.faults(
                        InForce.breaksAsPlanned(night, later.plan().breaks()), later.plan()));
        assertEquals(
                "dragged.may-not",
                Dragged.to(night, plan, first, "dagny", 90).breaks().getFirst().id());
        assertEquals(
                "dragged.no-room",
                Dragged.to(night, plan, first, null, 470).breaks().getFirst().id());
        assertEquals(
                "dragged.fixed",
                Dragged.to(night, plan, "no such task", null, 0).breaks().getFirst().id());
        // Nothing is moved by putting it where it stands.
        int stands = plan.byId().get(first).from();
        assertEquals(List.of(), Dragged.to(night, plan, first, null, stands).moves());
    }

    @Test
    void nothingIsHosedBesideAMachineThatIsBeingSanitized() {
        Night night =
                SiteNight.of(
                                new SiteNight.Evening(
                                        480,
                                        0,
                                        List.of(
                                                clean("qk-sl1-end-of-shift"),
                                                clean("qk-sw1-draft")),
                                        List.of(MAREN, TOBIAH, RUVI),
                                        PREMISES,
                                        null,
                                        List.of(),
                                        List.of(),
                                        null))
                        .night();
        boolean sprays =
                DemoSite.procedure("qk-sw1-draft").steps().stream()
                        .anyMatch(s -> s.action().sprays());
        assertEquals(
                sprays,
                night.groups().get("qk-sw1-draft").stream().anyMatch(j -> !j.apart().isEmpty()));
        assertTrue(sprays, "the saw is hosed");
        plan(night);
    }

    @Test
    void theSameNightIsTheSameNight() {
        List<SiteNight.Member> people = List.of(MAREN, TOBIAH, RUVI);
        assertEquals(night(people), night(people));
        assertEquals(plan(night(people)).tasks(), plan(night(people)).tasks());
    }

    private static Night of(
            List<SiteNight.Clean> cleans, CleanJobs.Premises premises, Said... said) {
        return SiteNight.of(
                        new SiteNight.Evening(
                                480,
                                0,
                                cleans,
                                List.of(MAREN, TOBIAH, RUVI),
                                premises,
                                null,
                                List.of(said),
                                List.of(),
                                null))
                .night();
    }

    private static Job keeper(Night night, String group) {
        return night.groups().get(group).stream()
                .filter(j -> !j.keeps().isEmpty())
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aCartStaysWithItsMachineUntilTheLastPartIsBack() {
        CleanJobs.Premises one =
                new CleanJobs.Premises(
                        VESSELS,
                        65,
                        12,
                        List.of(new CleanJobs.Shared("cart", "parts cart", 1)),
                        0.5);
        Night night =
                of(
                        List.of(
                                clean("qk-sl1-end-of-shift"),
                                clean("qk-sw1-daily"),
                                clean("qk-ds1-daily")),
                        one);
        assertEquals(
                "qk-sw1-daily/1-work", keeper(night, "qk-sw1-daily").keeps().getFirst().since());
        // What dries all night lies on a rack.
        Job laid = keeper(night, "qk-ds1-daily");
        assertTrue(
                night.groups().get("qk-ds1-daily").stream()
                        .anyMatch(
                                j ->
                                        j.minutes() >= 120
                                                && j.after().getFirst().task().equals(laid.id())));
        Plan plan = plan(night);
        assertEquals(List.of(), plan.unplaced());
        int saw = plan.byId().get(keeper(night, "qk-sw1-daily").id()).to();
        int slicer = plan.byId().get(keeper(night, "qk-sl1-end-of-shift").id()).to();
        assertTrue(
                saw <= plan.byId().get("qk-sl1-end-of-shift/1-work").from()
                        || slicer <= plan.byId().get("qk-sw1-daily/1-work").from());
        // Whoever comes from elsewhere walks.
        assertTrue(
                minutes(night)
                        > minutes(
                                of(
                                        List.of(
                                                clean("qk-sl1-end-of-shift"),
                                                clean("qk-sw1-daily"),
                                                clean("qk-ds1-daily")),
                                        PREMISES)));
    }

    private static int minutes(Night night) {
        return night.tasks().stream().filter(Job::hands).mapToInt(Job::minutes).sum();
    }

    @Test
    void onePersonHasThePlug() {
        Night night = of(List.of(clean("qk-sl1-end-of-shift")), PREMISES);
        List<Job> bound = night.tasks().stream().filter(j -> !j.sameAs().isEmpty()).toList();
        assertFalse(bound.isEmpty());
        Plan plan = plan(night);
        String who = plan.byId().get("qk-sl1-end-of-shift/1-work").people().getFirst();
        bound.forEach(j -> assertEquals(List.of(who), plan.byId().get(j.id()).people(), j.id()));
        // Put to somebody else is all of it; handed over likewise.
        String other = who.equals("maren") ? "tobiah" : "maren";
        Night put =
                of(
                        List.of(clean("qk-sl1-end-of-shift")),
                        PREMISES,
                        new Said(What.PUT, bound.getFirst().id() + "@" + other, 0));
        Plan moved = plan(put);
        bound.forEach(j -> assertEquals(List.of(other), moved.byId().get(j.id()).people(), j.id()));
        assertEquals(List.of(), Dragged.to(night, plan, bound.getFirst().id(), other, 0).breaks());
    }

    @Test
    void whoLeavesHandsThePlugOver() {
        Round round =
                new Round(
                        "qk-sl1-end-of-shift",
                        0,
                        null,
                        null,
                        List.of(
                                new SiteNight.Ticked(
                                        DemoSite.procedure("qk-sl1-end-of-shift")
                                                .steps()
                                                .getFirst()
                                                .id(),
                                        5,
                                        "maren")));
        for (What gone : List.of(What.SICK, What.HANDED_OVER)) {
            SiteNight.Standing standing =
                    standing(
                            List.of(clean("qk-sl1-end-of-shift")),
                            15,
                            List.of(MAREN, TOBIAH, RUVI),
                            List.of(round),
                            null,
                            new Said(
                                    gone,
                                    gone == What.SICK ? "maren" : "qk-sl1-end-of-shift@maren",
                                    15));
            Plan plan = plan(standing.night());
            assertEquals(List.of(), plan.unplaced(), gone.name());
            assertTrue(
                    plan.tasks().stream()
                            .filter(t -> t.from() >= 30 && t.hands())
                            .noneMatch(t -> t.people().contains("maren")));
        }
    }

    @Test
    void nothingRunsAtADisconnectThatIsLockedOut() {
        SiteNight.Clean filler = clean("qk-fl1-daily");
        SiteNight.Clean oven = clean("qk-ov1-daily");
        var sheet = oven.sheet();
        var shared =
                sheet.withEnergies(
                        sheet.energies().stream()
                                .map(
                                        e ->
                                                e.id().equals("belt-motor")
                                                        ? e.withIsolationPoint(
                                                                "disconnect D4 at the back")
                                                        : e)
                                .toList());
        Night night =
                of(
                        List.of(
                                filler,
                                new SiteNight.Clean(
                                        oven.procedure(), shared, true, true, true, Step::minutes)),
                        PREMISES);
        assertTrue(night.places().stream().anyMatch(p -> p.slots() == 2 && p.id().contains("d4")));
        Plan plan = plan(night);
        assertEquals(List.of(), plan.unplaced());
        for (Job keeps : night.tasks()) {
            for (Night.Keep k : keeps.keeps()) {
                int from = plan.byId().get(k.since()).from();
                int to = plan.byId().get(keeps.id()).to();
                night.tasks().stream()
                        .filter(j -> !j.group().equals(keeps.group()))
                        .filter(j -> j.slotsOf(k.place()) > 0)
                        .map(j -> plan.byId().get(j.id()))
                        .forEach(p -> assertTrue(p.to() <= from || to <= p.from(), p.id()));
            }
        }
        assertTrue(
                night.tasks().stream()
                        .anyMatch(
                                j ->
                                        j.slotsOf(Night.DISCONNECT + "disconnect d4 at the back")
                                                > 0));
    }

    @Test
    void rawIsWashedDownBeforeReadyToEatIsSanitized() {
        Night night = of(List.of(clean("qk-sw1-daily"), clean("qk-sl1-end-of-shift")), PREMISES);
        Plan plan = plan(night);
        int washed = 0;
        for (Job j : night.groups().get("qk-sl1-end-of-shift")) {
            for (Night.After a : j.after()) {
                if (a.task().startsWith("qk-sw1-daily")) {
                    washed++;
                    assertTrue(plan.byId().get(a.task()).to() <= plan.byId().get(j.id()).from());
                }
            }
        }
        assertEquals(1, washed);
    }
}
