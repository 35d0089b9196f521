package orthopur.night;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import orthopur.night.Night.After;
import orthopur.night.Night.Break;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Night.Running;
import orthopur.night.Night.Span;

/** No plan ends before it; what it says is exact where anybody can do anything. */
class EarliestTest {
    private static final Break REST = new Break(150, 330, 30);

    private static Person person(String id, int from, Break... breaks) {
        return new Person(
                id, id, List.of(new Span(from, 480)), List.of(breaks), null, true, Set.of());
    }

    private static Job work(String id, int minutes, int earliest) {
        return Job.byHand(id, id, minutes).withEarliest(earliest);
    }

    private static Night night(List<Person> people, Job... jobs) {
        return new Night(480, people, List.of(), null, List.of(jobs));
    }

    private static Job[] works(int many, int minutes) {
        List<Job> all = new ArrayList<>();
        for (int i = 0; i < many; i++) {
            all.add(work("w" + i, minutes, 0));
        }
        return all.toArray(new Job[0]);
    }

    @Test
    void workIsSpreadOverEverybodyFromWhenTheyAreHere() {
        assertEquals(120, Earliest.end(night(List.of(person("a", 0)), works(4, 30))));
        assertEquals(
                60, Earliest.end(night(List.of(person("a", 0), person("b", 0)), works(4, 30))));
        // Whoever comes an hour late has two hours and a half of the work of five.
        assertEquals(
                180, Earliest.end(night(List.of(person("a", 0), person("b", 60)), works(10, 30))));
        // Whoever comes when all is done has none of it.
        assertEquals(
                120, Earliest.end(night(List.of(person("a", 0), person("b", 400)), works(4, 30))));
    }

    @Test
    void aBreakCountsWhereTheWorkGoesOnBeyondTheBeginningOfItsTime() {
        Night longer = night(List.of(person("a", 0, REST)), works(6, 30));
        assertTrue(Earliest.counts(longer, REST));
        assertEquals(210, Earliest.end(longer));
        Night shorter = night(List.of(person("a", 0, REST)), works(4, 30));
        assertFalse(Earliest.counts(shorter, REST));
        assertEquals(120, Earliest.end(shorter));
    }

    @Test
    void aBreakBeforeTheFirstWorkTakesNothingOfIt() {
        assertEquals(
                300, Earliest.end(night(List.of(person("a", 0, REST)), work("late", 100, 200))));
    }

    @Test
    void whoeverIsInTheMiddleOfSomethingDoesNothingElse() {
        Job begun = work("begun", 90, 0).begun(new Running(0, List.of("a")));
        assertEquals(120, Earliest.end(night(List.of(person("a", 0)), begun, work("next", 30, 0))));
    }

    @Test
    void noNightIsOverBeforeWhatWaitsForEachOther() {
        Job first = work("first", 30, 10);
        Job dries = work("dries", 120, 0).withHands(false).withPeople(0);
        Job last = work("last", 20, 0).withAfter(List.of(new After("dries", 5, null)));
        Night night =
                night(
                        List.of(person("a", 0), person("b", 0)),
                        first,
                        dries.withAfter(List.of(new After("first", 0, null))),
                        last);
        assertEquals(185, Earliest.end(night));
        // What has begun is as it is, whatever should have come before it.
        Job begun = last.begun(new Running(0, List.of("a")));
        assertEquals(
                160,
                Earliest.end(night(List.of(person("a", 0)), first, night.tasks().get(1), begun)));
        // What waits for itself has no end; nothing hangs.
        Job circle =
                first.withAfter(List.of(new After("last", 0, null), new After("first", 0, null)));
        assertEquals(
                480,
                Math.max(
                        480,
                        Earliest.end(
                                night(
                                        List.of(person("a", 0)),
                                        circle,
                                        last.withAfter(List.of(new After("first", 0, null)))))));
    }

    @Test
    void withoutASolverNoLevelIsBelowNothing() {
        Night tight = night(List.of(person("a", 0, REST)), works(20, 30));
        Plan plan = new Greedy().plan(tight, 1);
        assertFalse(plan.unplaced().isEmpty());
        assertTrue(plan.levels().stream().allMatch(l -> l.bound() >= 0 && l.gapPercent() <= 100));
    }

    @Test
    void workThatDoesNotFitEndsWithTheNight() {
        assertEquals(480, Earliest.end(night(List.of(person("a", 0)), works(20, 30))));
        assertEquals(480, Earliest.end(night(List.of(), works(1, 30))));
        assertEquals(0, Earliest.end(night(List.of(person("a", 0, REST)))));
    }
}
