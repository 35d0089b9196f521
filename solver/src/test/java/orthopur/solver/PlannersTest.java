package orthopur.solver;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import orthopur.night.Greedy;
import orthopur.night.Measured;
import orthopur.night.Night;
import orthopur.night.Night.After;
import orthopur.night.Night.Job;
import orthopur.night.Plan;
import orthopur.night.PlanCheck;
import orthopur.night.Search;
import orthopur.simulation.nights.Nights;

/**
 * Plans of nights that nobody has worked: each is valid, and no worse than what people would do.
 */
class PlannersTest {
    @Test
    void everyPlanOfPeopleAndOfTheSearchIsValid() {
        for (int seed = 0; seed < 500; seed++) {
            Night night = Nights.of(seed, 2 + seed % 9, 1 + seed % 4);
            Plan people = new Greedy().plan(night, 1);
            assertEquals(List.of(), PlanCheck.faults(night, people), "seed " + seed);
            Plan better = Search.best(night, 6);
            assertEquals(List.of(), PlanCheck.faults(night, better), "seed " + seed);
            assertTrue(
                    Search.compare(Measured.values(night, better), Measured.values(night, people))
                            <= 0,
                    "seed " + seed);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void everyPlanOfTheSolverIsValidAndNoWorse(int seed) {
        Night night = Nights.of(seed, 2 + seed % 4, 2 + seed % 2);
        Plan people = new Greedy().plan(night, 1);
        Plan plan = Planners.here().plan(night, 30);
        assertEquals(List.of(), PlanCheck.faults(night, plan));
        assertTrue(
                Search.compare(Measured.values(night, plan), Measured.values(night, people)) <= 0);
        for (Plan.Level l : plan.levels()) {
            assertTrue(l.value() >= l.bound() - 1e-6, l.toString());
        }
    }

    @Test
    void theSameNightGivesTheSamePlanAndAShortTimeIsSaid() {
        Night night = Nights.of(3, 6, 3);
        Plan once = Planners.here().plan(night, 60);
        Plan twice = Planners.here().plan(night, 60);
        assertEquals(once.tasks(), twice.tasks());
        assertEquals(once.levels(), twice.levels());
        Plan hurried = Planners.here().plan(Nights.of(5, 14, 4), 0.1);
        assertEquals(List.of(), PlanCheck.faults(Nights.of(5, 14, 4), hurried));
        assertTrue(
                hurried.status() == Plan.Status.CUT_SHORT
                        || hurried.status() == Plan.Status.AS_PEOPLE_DO,
                hurried.status().name());
    }

    @Test
    void whatComesFirstIsAwaitedWhereItIsDoneAndIsInNobodysWayWhereItIsNot() {
        Night night = Nights.of(6, 3, 3);
        List<Job> jobs = new ArrayList<>();
        for (Job j : night.tasks()) {
            boolean waits = j.id().endsWith("/together") && !j.group().equals("m0");
            jobs.add(waits ? j.alsoAfter(After.ifThere("m0/apart")) : j);
        }
        Night floors =
                new Night(night.until(), night.people(), night.places(), night.heater(), jobs);
        Plan both = Planners.here().plan(floors, 30);
        assertEquals(List.of(), PlanCheck.faults(floors, both));
        assertEquals(List.of(), both.unplaced());
        int apart = both.byId().get("m0/apart").to();
        assertTrue(both.byId().get("m1/together").from() >= apart);
        jobs.replaceAll(j -> j.group().equals("m0") ? j.notBefore(479) : j);
        Night without =
                new Night(night.until(), night.people(), night.places(), night.heater(), jobs);
        for (Plan plan :
                List.of(new Greedy().plan(without, 1), Planners.here().plan(without, 30))) {
            assertEquals(List.of(), PlanCheck.faults(without, plan));
            assertEquals(List.of("m0"), plan.unplaced().stream().map(Plan.Unplaced::id).toList());
        }
    }

    @Test
    void moreIsDrawnThanThereIsInNoPlan() {
        Night night = Nights.of(6, 5, 3);
        for (double litres : List.of(90.0, 150.0)) {
            Night little =
                    new Night(
                            night.until(),
                            night.people(),
                            night.places(),
                            new Night.Heater(litres, 0.6),
                            night.tasks());
            Plan plan = Planners.here().plan(little, 30);
            assertEquals(List.of(), PlanCheck.faults(little, plan));
            assertNotEquals(Plan.Status.AS_PEOPLE_DO, plan.status());
            plan.levels().forEach(l -> assertTrue(l.value() >= l.bound() - 1e-6, l.toString()));
        }
    }

    @Test
    void whatRunsByItselfForLongBeginsFirstAndNobodyWaitsForItAtTheEnd() {
        // Later in the list, and nothing comes after it.
        List<Job> jobs =
                List.of(
                        Job.byHand("m1/wash", "m1", 120),
                        Job.byHand("m2/wash", "m2", 30),
                        Job.byHand("m2/dry", "m2", 100)
                                .withHands(false)
                                .withPeople(0)
                                .withAfter(List.of(new After("m2/wash", 0, null))));
        Night.Person ann =
                new Night.Person(
                        "ann",
                        "Ann",
                        List.of(new Night.Span(0, 480)),
                        List.of(),
                        null,
                        true,
                        Set.of());
        Night night = new Night(480, List.of(ann), List.of(), null, jobs);
        Plan plan = Planners.here().plan(night, 10);
        assertEquals(List.of(), PlanCheck.faults(night, plan));
        assertEquals(0, plan.byId().get("m2/wash").from());
        assertEquals(0, Measured.values(night, plan).get(Plan.Aim.UNATTENDED));
        assertEquals(Plan.Status.OPTIMAL, plan.status());
        // With a third of the work nobody can help waiting, and the plan says for how long.
        Night less = new Night(480, List.of(ann), List.of(), null, jobs.subList(1, 3));
        Plan waits = Planners.here().plan(less, 10);
        assertEquals(105, Measured.values(less, waits).get(Plan.Aim.UNATTENDED));
        assertEquals(Plan.Status.OPTIMAL, waits.status());
    }

    @Test
    void aNightWithNobodySaysSo() {
        Night night = Nights.of(1, 3, 1);
        Night nobody =
                new Night(night.until(), List.of(), night.places(), night.heater(), night.tasks());
        Plan plan = Planners.here().plan(nobody, 5);
        assertEquals(3, plan.unplaced().size());
        assertEquals("night.nobody-may", plan.unplaced().getFirst().reason().id());
    }
}
