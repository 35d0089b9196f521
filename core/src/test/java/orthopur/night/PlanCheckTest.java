package orthopur.night;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import orthopur.night.Night.After;
import orthopur.night.Night.Break;
import orthopur.night.Night.Heater;
import orthopur.night.Night.Job;
import orthopur.night.Night.Keep;
import orthopur.night.Night.Person;
import orthopur.night.Night.Place;
import orthopur.night.Night.Running;
import orthopur.night.Night.Span;
import orthopur.night.Plan.Placed;
import orthopur.night.Plan.Rest;

/** What a valid plan is: one that is right, and each way of breaking it. */
class PlanCheckTest {
    private static final Person ANNA =
            new Person(
                    "anna",
                    "Anna",
                    List.of(new Span(0, 240)),
                    List.of(new Break(60, 180, 30)),
                    Set.of("M"),
                    true,
                    Set.of());
    private static final Person BEN =
            new Person(
                    "ben",
                    "Ben",
                    List.of(new Span(30, 240)),
                    List.of(),
                    null,
                    false,
                    Set.of("release"));

    private static Job job(
            String id,
            int minutes,
            boolean hands,
            List<String> places,
            @Nullable String content,
            List<After> after,
            double hot) {
        Job job =
                Job.byHand(id, "clean", minutes)
                        .withHands(hands)
                        .withPeople(hands ? 1 : 0)
                        .withPlaces(places)
                        .withContent(content)
                        .withAfter(after)
                        .withHotLitres(hot)
                        .withMust(true);
        if (id.equals("release")) {
            return job.withSkill("release").withOtherThan(List.of("apart", "wash"));
        }
        return hands ? job.withTrained("M") : job;
    }

    private static final Night NIGHT =
            new Night(
                    240,
                    List.of(ANNA, BEN),
                    List.of(new Place("sink", "sink", 1, 10)),
                    new Heater(100, 1),
                    List.of(
                            job("apart", 20, true, List.of(), null, List.of(), 0),
                            job(
                                    "soak",
                                    30,
                                    false,
                                    List.of("sink"),
                                    "caustic",
                                    List.of(new After("apart", 0, 60)),
                                    60),
                            job(
                                    "wash",
                                    20,
                                    true,
                                    List.of("sink"),
                                    "soap",
                                    List.of(new After("soak", 0, null)),
                                    50),
                            job(
                                    "release",
                                    5,
                                    true,
                                    List.of(),
                                    null,
                                    List.of(new After("wash", 0, null)),
                                    0)));

    private static final List<Placed> RIGHT =
            List.of(
                    new Placed("apart", List.of("anna"), null, 0, 20, true),
                    new Placed("soak", List.of(), "sink", 20, 50, false),
                    new Placed("wash", List.of("anna"), "sink", 60, 80, true),
                    new Placed("release", List.of("ben"), null, 80, 85, true));
    private static final List<Rest> BREAK = List.of(new Rest("anna", 90, 120));

    private static List<String> faults(List<Placed> placed, List<Rest> breaks, List<String> out) {
        return PlanCheck.faults(NIGHT, Measured.bare(placed, breaks, out)).stream()
                .map(f -> f.id())
                .distinct()
                .toList();
    }

    private static List<String> changed(String id, UnaryOperator<Placed> change) {
        List<Placed> all = new ArrayList<>();
        RIGHT.forEach(p -> all.add(p.id().equals(id) ? change.apply(p) : p));
        return faults(all, BREAK, List.of());
    }

    private static Placed moved(Placed p, int from) {
        return new Placed(p.id(), p.people(), p.place(), from, from + p.to() - p.from(), p.hands());
    }

    private static Placed by(Placed p, String... who) {
        return new Placed(p.id(), List.of(who), p.place(), p.from(), p.to(), p.hands());
    }

    @Test
    void theRightOneIsRight() {
        assertEquals(List.of(), faults(RIGHT, BREAK, List.of()));
    }

    @Test
    void whoMayNotIsNotHereOrDidTheWork() {
        assertTrue(changed("release", p -> by(p, "anna")).contains("plan.may-not"));
        assertTrue(changed("apart", p -> by(p, "ben")).contains("plan.not-here"));
        // Ben has washed, so Ben does not release.
        assertTrue(changed("wash", p -> by(p, "ben")).contains("plan.same-person"));
        assertTrue(changed("wash", p -> by(p, "anna", "ben")).contains("plan.hands"));
        assertTrue(changed("wash", p -> by(p, "nobody")).contains("plan.nobody"));
    }

    @Test
    void orderLagAndLife() {
        assertTrue(changed("wash", p -> moved(p, 40)).contains("plan.order"));
        assertTrue(changed("soak", p -> moved(p, 100)).contains("plan.too-long"));
        assertTrue(changed("release", p -> moved(p, 240)).contains("plan.length"));
    }

    @Test
    void onePersonOnePlaceOneThing() {
        assertTrue(changed("wash", p -> moved(p, 100)).contains("plan.two-at-once"));
        assertTrue(changed("wash", p -> moved(p, 52)).contains("plan.changeover"));
        assertTrue(changed("wash", p -> moved(p, 45)).contains("plan.full"));
    }

    @Test
    void breaksAreTakenInTheirTime() {
        assertTrue(faults(RIGHT, List.of(), List.of()).contains("plan.breaks"));
        assertTrue(
                faults(RIGHT, List.of(new Rest("anna", 170, 200)), List.of())
                        .contains("plan.break-outside"));
    }

    @Test
    void theTankDoesNotRunCold() {
        // 60 L at 20 and 50 L at 25: the tank holds 100 L and heats 1 L a minute.
        Night night =
                new Night(
                        NIGHT.until(),
                        NIGHT.people(),
                        NIGHT.places(),
                        new Heater(100, 0.1),
                        NIGHT.tasks());
        assertTrue(
                PlanCheck.faults(night, Measured.bare(RIGHT, BREAK, List.of())).stream()
                        .anyMatch(f -> f.id().equals("plan.cold")));
    }

    @Test
    void nothingIsLeftOutInSilenceOrByHalf() {
        assertTrue(faults(List.of(), BREAK, List.of()).contains("plan.silent"));
        assertEquals(List.of(), faults(List.of(), BREAK, List.of("clean")));
        assertTrue(faults(RIGHT.subList(0, 2), BREAK, List.of()).contains("plan.half"));
        assertTrue(faults(RIGHT.subList(1, 4), BREAK, List.of()).contains("plan.missing-before"));
    }

    @Test
    void whatHasBegunStays() {
        Job begun = NIGHT.tasks().getFirst();
        Job running = begun.begun(new Running(5, List.of("anna")));
        List<Job> tasks = new ArrayList<>(NIGHT.tasks());
        tasks.set(0, running);
        Night night = new Night(240, NIGHT.people(), NIGHT.places(), NIGHT.heater(), tasks);
        assertTrue(
                PlanCheck.faults(night, Measured.bare(RIGHT, BREAK, List.of())).stream()
                        .anyMatch(f -> f.id().equals("plan.running")));
        Plan plan = new Greedy().plan(night, 1);
        assertEquals(List.of(), PlanCheck.faults(night, plan));
        assertEquals(5, plan.byId().get("apart").from());
    }

    @Test
    void whatDoesNotFitSaysWhyAndWhatItWouldTake() {
        Person ben = new Person("ben", "Ben", BEN.here(), List.of(), Set.of(), true, BEN.skills());
        Night untrained =
                new Night(240, List.of(ben), NIGHT.places(), NIGHT.heater(), NIGHT.tasks());
        Plan none = new Greedy().plan(untrained, 1);
        assertEquals("night.nobody-may", none.unplaced().getFirst().reason().id());
        assertTrue(none.unplaced().getFirst().price().id().startsWith("night.price-person"));
        Night tooShort =
                new Night(70, NIGHT.people(), NIGHT.places(), NIGHT.heater(), NIGHT.tasks());
        Plan later = new Greedy().plan(tooShort, 1);
        assertEquals("night.longer", later.unplaced().getFirst().reason().id());
        List<Job> circle = new ArrayList<>(NIGHT.tasks());
        circle.set(
                0, job("apart", 20, true, List.of(), null, List.of(new After("wash", 0, null)), 0));
        Night round = new Night(240, NIGHT.people(), NIGHT.places(), NIGHT.heater(), circle);
        assertEquals(
                "night.circle", new Greedy().plan(round, 1).unplaced().getFirst().reason().id());
        Night nobody = new Night(240, List.of(), NIGHT.places(), NIGHT.heater(), NIGHT.tasks());
        assertFalse(new Greedy().plan(nobody, 1).unplaced().isEmpty());
    }

    @Test
    void aKeptPlaceIsTakenBetweenItsTasksToo() {
        Job apart = job("apart", 20, true, List.of(), null, List.of(), 0);
        Job together =
                job("together", 10, true, List.of(), null, List.of(new After("apart", 30, null)), 0)
                        .withKeeps(List.of(new Keep("cart", "apart")));
        List<Job> tasks = new ArrayList<>(List.of(apart, together));
        tasks.add(apart.withId("apart2").withGroup("clean2"));
        tasks.add(
                together.withId("together2")
                        .withGroup("clean2")
                        .withAfter(List.of(new After("apart2", 30, null)))
                        .withKeeps(List.of(new Keep("cart", "apart2"))));
        Night night =
                new Night(
                        240,
                        List.of(ANNA.at(ANNA.here(), List.of())),
                        List.of(new Place("cart", "cart", 1, 0)),
                        null,
                        tasks);
        List<Placed> both =
                List.of(
                        new Placed("apart", List.of("anna"), null, 0, 20, true),
                        new Placed("apart2", List.of("anna"), null, 20, 40, true),
                        new Placed("together", List.of("anna"), null, 50, 60, true),
                        new Placed("together2", List.of("anna"), null, 70, 80, true));
        assertEquals(
                "plan.full",
                PlanCheck.faults(night, Measured.bare(both, List.of(), List.of())).getFirst().id());
        Plan plan = new Greedy().plan(night, 1);
        assertEquals(List.of(), PlanCheck.faults(night, plan));
        assertEquals(List.of(), plan.unplaced());
        // A cart that was out before the night is back first.
        tasks.set(1, together.withKeeps(List.of(new Keep("cart", null))));
        Night taken = new Night(240, night.people(), night.places(), null, tasks);
        Plan later = Search.best(taken, 5);
        assertEquals(List.of(), PlanCheck.faults(taken, later));
        assertTrue(later.byId().get("apart2").from() >= later.byId().get("together").to());
        // Who waits for a cart is decided by whoever has it.
        List<Placed> waits =
                List.of(
                        new Placed("apart", List.of("anna"), null, 0, 20, true),
                        new Placed("together", List.of("anna"), null, 50, 60, true),
                        new Placed("apart2", List.of("ben"), null, 60, 80, true),
                        new Placed("together2", List.of("ben"), null, 110, 120, true));
        assertEquals(
                List.of("apart", "together", "apart2", "together2"),
                Measured.plan(
                                night,
                                Plan.Status.FEASIBLE,
                                waits,
                                List.of(),
                                List.of(),
                                List.of(),
                                0)
                        .critical());
    }

    @Test
    void whoHasThePlugDoesAllOfIt() {
        List<Job> tasks = new ArrayList<>(NIGHT.tasks());
        tasks.set(2, tasks.get(2).withSameAs(List.of("apart")).withTrained(null));
        Night night = new Night(240, NIGHT.people(), NIGHT.places(), NIGHT.heater(), tasks);
        List<Placed> other = new ArrayList<>(RIGHT);
        other.set(2, new Placed("wash", List.of("ben"), "sink", 60, 80, true));
        other.remove(3);
        assertTrue(
                PlanCheck.faults(night, Measured.bare(other, BREAK, List.of())).stream()
                        .anyMatch(f -> f.id().equals("plan.other-person")));
        assertEquals(List.of(), PlanCheck.faults(night, Measured.bare(RIGHT, BREAK, List.of())));
        assertEquals(Set.of("apart", "wash"), night.byTheSame("wash"));
    }
}
