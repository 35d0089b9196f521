package orthopur.night;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.junit.jupiter.api.Test;
import orthopur.night.Night.After;
import orthopur.night.Night.Break;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Night.Running;
import orthopur.night.Night.Span;
import orthopur.night.Plan.Placed;
import orthopur.night.Plan.Rest;

/**
 * A plan that people go by stands as long as it holds; a task that is dragged takes others along.
 */
class InForceTest {
    private static final Job WASH = work("a/wash", 60);
    private static final Job BUILD =
            work("a/build", 30).withAfter(List.of(new After("a/wash", 0, null)));
    private static final Job OTHER = work("b/wash", 40).withGroup("b");
    private static final List<Rest> RESTS =
            List.of(new Rest("ann", 240, 270), new Rest("ben", 240, 270));

    private static Job work(String id, int minutes) {
        return Job.byHand(id, id.substring(0, 1), minutes).withWantedBy(480);
    }

    private static Person person(String id, int from, int to) {
        return new Person(
                id,
                id,
                List.of(new Span(from, to)),
                List.of(new Break(180, 300, 30)),
                null,
                true,
                Set.of());
    }

    private static Night night(List<Person> people, Job... jobs) {
        return new Night(480, people, List.of(), null, List.of(jobs));
    }

    private static Placed at(Job j, String who, int from) {
        return new Placed(j.id(), List.of(who), null, from, from + j.minutes(), true);
    }

    private static Plan plan(Night night, Placed... placed) {
        return Measured.plan(
                night, Plan.Status.OPTIMAL, List.of(placed), RESTS, List.of(), List.of(), 1);
    }

    private static final Night BOTH =
            night(List.of(person("ann", 0, 480), person("ben", 0, 480)), WASH, BUILD, OTHER);
    private static final Plan PLAN =
            plan(BOTH, at(WASH, "ann", 0), at(BUILD, "ann", 60), at(OTHER, "ben", 0));

    @Test
    void aPlanThatHoldsIsKeptToTheMinute() {
        Plan still = Objects.requireNonNull(InForce.still(BOTH, PLAN));
        assertEquals(Plan.Status.IN_FORCE, still.status());
        assertEquals(PLAN.tasks(), still.tasks());
        assertEquals(RESTS, still.breaks());
    }

    @Test
    void whatIsOverFallsOutAndWhatRunsStandsWhereItIs() {
        Job begun = WASH.begun(new Running(5, List.of("ann")));
        Plan still =
                InForce.still(
                        night(BOTH.people(), begun, BUILD.notBefore(20), OTHER),
                        plan(BOTH, at(WASH, "ann", 0), at(BUILD, "ann", 70), at(OTHER, "ben", 0)));
        assertEquals(5, Objects.requireNonNull(still).byId().get("a/wash").from());
        Plan rest = InForce.still(night(BOTH.people(), BUILD.withAfter(List.of()), OTHER), PLAN);
        assertEquals(2, Objects.requireNonNull(rest).tasks().size());
    }

    @Test
    void whatDoesNotHoldAnyMoreIsNoPlan() {
        // Sick, later than it was planned, a task that is new, one that takes longer.
        assertNull(InForce.still(night(List.of(person("ann", 0, 480)), WASH, BUILD, OTHER), PLAN));
        assertNull(InForce.still(night(BOTH.people(), WASH.notBefore(10), BUILD, OTHER), PLAN));
        assertNull(
                InForce.still(night(BOTH.people(), WASH, BUILD, OTHER, work("c/wash", 5)), PLAN));
        assertNull(InForce.still(night(BOTH.people(), WASH.withMinutes(90), BUILD, OTHER), PLAN));
        // What takes less leaves its time free, and nobody is told anew.
        assertNotNull(
                InForce.still(night(BOTH.people(), WASH.withMinutes(40), BUILD, OTHER), PLAN));
    }

    @Test
    void whereSomethingIsLeftOutItIsLookedForAgain() {
        Plan short_ =
                Measured.plan(
                        BOTH,
                        Plan.Status.CUT_SHORT,
                        List.of(at(OTHER, "ben", 0)),
                        RESTS,
                        List.of("a"),
                        List.of(),
                        1);
        assertNull(InForce.still(BOTH, short_));
    }

    @Test
    void whatIsDraggedTakesAlongWhatComesAfterItAndNothingElse() {
        Dragged later = Dragged.to(BOTH, PLAN, "a/wash", null, 45);
        assertEquals(45, later.plan().byId().get("a/wash").from());
        assertEquals(105, later.plan().byId().get("a/build").from());
        assertEquals(0, later.plan().byId().get("b/wash").from());
        assertEquals(List.of(), later.breaks());
        assertEquals(2, later.moves().size());
        assertTrue(PlanCheck.faults(BOTH, later.plan()).isEmpty());
    }

    @Test
    void toAnotherPersonItGoesAroundWhatTheyHave() {
        Dragged given = Dragged.to(BOTH, PLAN, "a/build", "ben", 60);
        assertEquals(List.of("ben"), given.plan().byId().get("a/build").people());
        assertEquals(60, given.plan().byId().get("a/build").from());
        Dragged onto = Dragged.to(BOTH, PLAN, "b/wash", "ann", 0);
        Placed other = onto.plan().byId().get("b/wash");
        Placed wash = onto.plan().byId().get("a/wash");
        assertEquals(List.of("ann"), other.people());
        assertTrue(other.to() <= wash.from() || wash.to() <= other.from(), "one thing at a time");
    }

    @Test
    void whatCannotBeIsSaidAndMovesNothing() {
        Night trained =
                night(
                        List.of(
                                person("ann", 0, 480),
                                new Person(
                                        "kim",
                                        "Kim",
                                        List.of(new Span(0, 480)),
                                        List.of(),
                                        Set.of(),
                                        true,
                                        Set.of())),
                        WASH.withTrained("a"));
        Plan one = plan(trained, at(WASH, "ann", 0));
        Dragged untrained = Dragged.to(trained, one, "a/wash", "kim", 0);
        assertEquals("dragged.may-not", untrained.breaks().getFirst().id());
        assertEquals(one, untrained.plan());
        assertEquals(
                "dragged.fixed",
                Dragged.to(trained, one, "nothing", null, 0).breaks().getFirst().id());
        Dragged late = Dragged.to(BOTH, PLAN, "a/build", null, 470);
        assertFalse(late.breaks().isEmpty(), "it does not end in this night");
    }

    @Test
    void whatEndsTooLateCostsAndCanBeKept() {
        Job wanted = BUILD.withWantedBy(100);
        Night soon = night(BOTH.people(), WASH, wanted, OTHER);
        Dragged later = Dragged.to(soon, PLAN, "a/build", null, 90);
        assertEquals(List.of(), later.breaks());
        assertEquals("dragged.late", later.costs().getFirst().id());
        assertTrue(later.costs().getFirst().toString().contains("20 minutes"));
    }
}
