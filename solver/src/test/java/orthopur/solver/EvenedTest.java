package orthopur.solver;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import orthopur.night.Night;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Night.Running;
import orthopur.night.Night.Span;

/** Work that is spread evenly. */
class EvenedTest {
    private static Person person(String id, String... machines) {
        return new Person(
                id,
                id,
                List.of(new Span(0, 480)),
                List.of(),
                machines.length == 0 ? null : Set.of(machines),
                true,
                Set.of());
    }

    private static Job work(String machine, int minutes) {
        return Job.byHand(machine + "/wash", machine, minutes).withTrained(machine);
    }

    private static Night night(List<Person> people, Job... jobs) {
        return new Night(480, people, List.of(), null, List.of(jobs));
    }

    private static Evened all(Night night, String who) {
        Map<String, Set<String>> people = new HashMap<>();
        night.tasks().forEach(j -> people.put(j.id(), Set.of(who)));
        return Evened.of(night, people);
    }

    private static int minutes(Night night, Evened evened, String who) {
        return night.tasks().stream()
                .filter(j -> evened.people().getOrDefault(j.id(), Set.of()).contains(who))
                .mapToInt(Job::minutes)
                .sum();
    }

    @Test
    void whatOnePersonHasIsSpreadAndStaysWhole() {
        List<Job> jobs = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            jobs.add(work("m" + i, 20));
            jobs.add(Job.byHand("m" + i + "/build", "m" + i, 10).withTrained("m" + i));
        }
        Night night = night(List.of(person("a"), person("b")), jobs.toArray(Job[]::new));
        Evened evened = all(night, "a");
        assertTrue(evened.isEven());
        assertEquals(60, evened.evenly());
        assertEquals(60, minutes(night, evened, "a"));
        for (int i = 0; i < 4; i++) {
            assertEquals(
                    evened.people().get("m" + i + "/wash"),
                    evened.people().get("m" + i + "/build"));
        }
    }

    @Test
    void nobodyGetsWhatTheyMayNotDo() {
        Night night =
                night(
                        List.of(person("a"), person("b", "m2")),
                        work("m1", 60),
                        work("m2", 20),
                        work("m3", 60));
        Evened evened = all(night, "a");
        assertEquals(20, minutes(night, evened, "b"));
        // A third of it would be 70 minutes, and there is no way to it.
        assertFalse(evened.isEven());
    }

    @Test
    void whoReleasesIsStillNotWhoWashedAndWhatRunsStays() {
        Job release = Job.byHand("m1/release", "m1", 40).withOtherThan(List.of("m1/wash"));
        Job begun = work("m2", 90).begun(new Running(0, List.of("a")));
        Night night =
                night(
                        List.of(person("a"), person("b"), person("c")),
                        work("m1", 50),
                        release,
                        begun);
        Evened evened =
                Evened.of(
                        night,
                        Map.of(
                                "m1/wash", Set.of("a"),
                                "m1/release", Set.of("b"),
                                "m2/wash", Set.of("a")));
        assertEquals(Set.of("a"), evened.people().get("m2/wash"));
        assertEquals(Set.of("c"), evened.people().get("m1/wash"));
        assertEquals(Set.of("b"), evened.people().get("m1/release"));
    }

    @Test
    void nobodyGetsMoreThanTheyAreHereFor() {
        Person late =
                new Person("b", "b", List.of(new Span(440, 480)), List.of(), null, true, Set.of());
        Night night =
                night(
                        List.of(person("a"), late),
                        work("m1", 60),
                        work("m2", 60),
                        work("m3", 30),
                        work("m4", 30));
        assertEquals(30, minutes(night, all(night, "a"), "b"));
    }

    @Test
    void whatNoGiftHelpsAnExchangeDoes() {
        // 130 and 75 minutes: with 60 more the other has more than the first had.
        Night night =
                night(
                        List.of(person("a", "m1", "m2", "m3", "m4"), person("b", "m2", "m3", "m4")),
                        work("m1", 70),
                        work("m2", 60),
                        work("m3", 30),
                        work("m4", 45));
        Evened evened =
                Evened.of(
                        night,
                        Map.of(
                                "m1/wash", Set.of("a"),
                                "m2/wash", Set.of("a"),
                                "m3/wash", Set.of("b"),
                                "m4/wash", Set.of("b")));
        assertTrue(evened.isEven());
        assertEquals(105, minutes(night, evened, "b"));
    }
}
