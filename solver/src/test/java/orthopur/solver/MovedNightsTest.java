package orthopur.solver;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import orthopur.night.Dragged;
import orthopur.night.InForce;
import orthopur.night.Moves;
import orthopur.night.Night;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Plan;
import orthopur.night.PlanCheck;
import orthopur.night.Search;
import orthopur.simulation.nights.Nights;

/**
 * Nights in which somebody takes a task and puts it elsewhere, and nights that change while people
 * go by their plan: what is kept is valid, and what cannot be is said.
 */
class MovedNightsTest {
    private static final int NIGHTS = 150;

    private static Night night(int seed) {
        return Nights.of(seed, 2 + seed % 6, 2 + seed % 3);
    }

    private static Plan plan(Night night) {
        return Search.best(night, 4);
    }

    @Test
    void whatIsDraggedIsValidOrSaysWhatItBreaks() {
        int kept = 0;
        int broken = 0;
        for (int seed = 0; seed < NIGHTS; seed++) {
            Night night = night(seed);
            Plan plan = plan(night);
            Random random = new Random(seed);
            for (int i = 0; i < 4 && !plan.tasks().isEmpty(); i++) {
                Plan.Placed task = plan.tasks().get(random.nextInt(plan.tasks().size()));
                Person who = night.people().get(random.nextInt(night.people().size()));
                int minute = random.nextInt(night.until());
                Dragged d = Dragged.to(night, plan, task.id(), who.id(), minute);
                String told =
                        "seed " + seed + ", " + task.id() + " to " + who.id() + " at " + minute;
                if (!d.breaks().isEmpty()) {
                    broken++;
                    continue;
                }
                kept++;
                Night asPut = InForce.breaksAsPlanned(night, d.plan().breaks());
                assertEquals(List.of(), PlanCheck.faults(asPut, d.plan()), told);
                Plan.Placed now = d.plan().byId().get(task.id());
                assertTrue(now.from() >= minute, told);
                assertTrue(!task.hands() || now.people().contains(who.id()), told);
                assertEquals(
                        Moves.between(plan, d.plan()),
                        d.moves(),
                        "each move is told, and no other");
            }
        }
        assertTrue(kept > 100 && broken > 20, kept + " kept, " + broken + " broken");
    }

    @Test
    void whatIsPutWhereItStandsMovesNothing() {
        for (int seed = 0; seed < NIGHTS; seed++) {
            Night night = night(seed);
            Plan plan = plan(night);
            for (Plan.Placed p : plan.tasks()) {
                Dragged d = Dragged.to(night, plan, p.id(), null, p.from());
                assertEquals(List.of(), d.breaks(), "seed " + seed + " " + p.id());
                assertEquals(List.of(), d.moves(), "seed " + seed + " " + p.id());
            }
        }
    }

    @Test
    void aPlanThatIsStillValidStandsAndIsNotMadeAnew() {
        int stands = 0;
        for (int seed = 0; seed < NIGHTS; seed++) {
            Night night = night(seed);
            Plan plan = plan(night);
            Plan same = InForce.still(night, plan);
            if (!plan.unplaced().isEmpty()) {
                assertNull(same, "what was left out may fit now");
                continue;
            }
            assertNotNull(same, "seed " + seed);
            assertEquals(Set.copyOf(plan.tasks()), Set.copyOf(same.tasks()));
            assertEquals(List.of(), Moves.between(plan, same));
            stands++;
        }
        assertTrue(stands > 40, stands + " stand");
    }

    @Test
    void whoGoesHomeTakesTheirPlanWithThemAndNobodyElses() {
        for (int seed = 0; seed < NIGHTS; seed++) {
            Night night = night(seed);
            Plan plan = plan(night);
            if (!plan.unplaced().isEmpty()) {
                continue;
            }
            Set<String> busy = new HashSet<>();
            plan.tasks().forEach(t -> busy.addAll(t.people()));
            for (Person gone : night.people()) {
                Night without = without(night, gone);
                Plan same = InForce.still(without, plan);
                if (busy.contains(gone.id())) {
                    assertNull(same, "seed " + seed + " without " + gone.id());
                } else {
                    assertNotNull(same, "seed " + seed + " without " + gone.id());
                }
            }
        }
    }

    private static Night without(Night night, Person gone) {
        return new Night(
                night.until(),
                night.people().stream().filter(p -> !p.equals(gone)).toList(),
                night.places(),
                night.heater(),
                night.tasks());
    }

    @Test
    void whatHasBegunStaysWhereItIsInWhateverIsPlannedNext() {
        for (int seed = 0; seed < NIGHTS; seed++) {
            Night night = night(seed);
            Plan plan = plan(night);
            Plan.Placed first =
                    plan.tasks().stream()
                            .filter(t -> t.hands() && t.from() < 60)
                            .findFirst()
                            .orElse(null);
            if (first == null) {
                continue;
            }
            List<Job> jobs = new ArrayList<>();
            for (Job j : night.tasks()) {
                jobs.add(
                        j.id().equals(first.id())
                                ? j.begun(new Night.Running(first.from(), first.people()))
                                : j.notBefore(first.from()));
            }
            Night later =
                    new Night(night.until(), night.people(), night.places(), night.heater(), jobs);
            Plan next = plan(later);
            assertEquals(List.of(), PlanCheck.faults(later, next), "seed " + seed);
            assertEquals(first, next.byId().get(first.id()), "seed " + seed);
            Dragged d = Dragged.to(later, next, first.id(), null, first.from() + 30);
            assertEquals("dragged.fixed", d.breaks().getFirst().id());
        }
    }

    @Test
    void whatSomebodyAloneMayDoIsTheirs() {
        for (int seed = 0; seed < NIGHTS; seed++) {
            Night night = night(seed);
            Job one =
                    night.tasks().stream()
                            .filter(j -> j.hands() && j.people() == 1 && j.skill() == null)
                            .findFirst()
                            .orElseThrow();
            Person who = night.people().stream().filter(p -> p.may(one)).findFirst().orElse(null);
            if (who == null) {
                continue;
            }
            List<Job> jobs = new ArrayList<>();
            night.tasks().forEach(j -> jobs.add(j.equals(one) ? j.withBy(Set.of(who.id())) : j));
            Night put =
                    new Night(night.until(), night.people(), night.places(), night.heater(), jobs);
            Plan next = plan(put);
            assertEquals(List.of(), PlanCheck.faults(put, next), "seed " + seed);
            Plan.Placed placed = next.byId().get(one.id());
            if (placed != null) {
                assertEquals(List.of(who.id()), placed.people(), "seed " + seed);
            }
            assertNotEquals(night, put);
        }
    }
}
