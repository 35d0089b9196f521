package orthopur.solver;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.google.ortools.Loader;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import orthopur.night.Night;
import orthopur.night.Night.After;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Night.Span;

/** Who does what, without times. */
class WhoTest {
    @BeforeAll
    static void natives() {
        Loader.loadNativeLibraries();
    }

    private static Person person(String id, Set<String> machines, String... skills) {
        return new Person(
                id, id, List.of(new Span(0, 480)), List.of(), machines, true, Set.of(skills));
    }

    private static Job work(String machine, String id, int minutes) {
        return Job.byHand(machine + "/" + id, machine, minutes).withMust(true).withTrained(machine);
    }

    /** A machine that is washed in so many minutes and released by somebody else. */
    private static List<Job> machine(String id, int minutes) {
        return List.of(
                work(id, "wash", minutes),
                work(id, "release", 5)
                        .withTrained(null)
                        .withSkill("release")
                        .withOtherThan(List.of(id + "/wash"))
                        .withAfter(List.of(new After(id + "/wash", 0, null))));
    }

    private static Night night(List<Person> people, List<Job> jobs) {
        return new Night(480, people, List.of(), null, jobs);
    }

    private static Who.Found find(Night night) {
        return Objects.requireNonNull(new Who(night).find(1, 10, 1));
    }

    private static Set<String> by(Night night, String task) {
        return Objects.requireNonNull(Objects.requireNonNull(night.byId().get(task)).by());
    }

    @Test
    void wholeMachinesGoToOnePersonEachAndReleasesToWhoeverIsIdle() {
        List<Job> jobs = new ArrayList<>();
        List.of("m1", "m2").forEach(m -> jobs.addAll(machine(m, 100)));
        Night night =
                night(
                        List.of(
                                person("ann", Set.of("m1", "m2")),
                                person("ben", Set.of("m1", "m2")),
                                person("ria", Set.of(), "release"),
                                person("sol", Set.of(), "release")),
                        jobs);
        Who.Found found = find(night);
        assertEquals(2, found.fewest());
        assertEquals(105, found.least());
        Night fixed = found.in(night);
        assertEquals(1, by(fixed, "m1/wash").size());
        // Which of the two looks at it is left to when they are free.
        assertEquals(Set.of("ria", "sol"), by(fixed, "m1/release"));
        assertEquals(Set.of("ria", "sol"), by(fixed, "m2/release"));
    }

    @Test
    void whoeverWorksAtAMachineIsNotCalledAwayToRelease() {
        Night night =
                night(
                        List.of(
                                person("ann", Set.of("m1")),
                                person("ben", Set.of("m2"), "release"),
                                person("ria", Set.of(), "release")),
                        Stream.of("m1", "m2").flatMap(m -> machine(m, 50).stream()).toList());
        Night fixed = find(night).in(night);
        assertEquals(Set.of("ben"), by(fixed, "m2/wash"));
        assertEquals(Set.of("ria"), by(fixed, "m2/release"));
    }

    @Test
    void nobodyTrainedIsNoAnswer() {
        assertNull(
                new Who(night(List.of(person("ann", Set.of("m1"))), machine("m2", 30)))
                        .find(1, 10, 1));
    }

    @Test
    void peopleWhoCouldNotBeThroughAreNotChosen() {
        // What dries for long comes first; whoever does it has time for no second machine after it.
        Job dries =
                work("m1", "dry", 380)
                        .withHands(false)
                        .withPeople(0)
                        .withTrained(null)
                        .withAfter(List.of(new After("m1/wash", 0, null)));
        Job last = work("m1", "last", 40).withAfter(List.of(new After("m1/dry", 0, null)));
        Night night =
                night(
                        List.of(person("ann", Set.of("m1", "m2")), person("ben", Set.of("m2"))),
                        List.of(work("m1", "wash", 30), dries, last, work("m2", "wash", 70)));
        Who.Found found = find(night);
        assertNotNull(found.people().get("m2/wash"));
        assertTrue(found.people().get("m1/wash").contains("ann"));
        assertEquals(Set.of("ben"), found.people().get("m2/wash"));
        assertEquals(0, found.fewest());
    }
}
