package orthopur.night;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
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

/** Each task goes to the earliest minute at which it fits beside what stands there already. */
class ScheduleTest {
    private static final Place SINK = new Place("sink", "sink", 1, 10);
    private static final Place CART = new Place("cart", "cart", 1, 0);
    private static final Person ANN = person("ann", 0);
    private static final Person BEN = person("ben", 60);

    private static Person person(String id, int from, Break... breaks) {
        return new Person(
                id, id, List.of(new Span(from, 480)), List.of(breaks), null, true, Set.of());
    }

    private static final class Filled {
        private final IndexedNight night;
        private final Schedule schedule;

        Filled(List<Person> people, Job... jobs) {
            night =
                    new IndexedNight(
                            new Night(
                                    480,
                                    people,
                                    List.of(SINK, CART),
                                    new Heater(100, 1),
                                    List.of(jobs)));
            schedule = new Schedule(night);
        }

        /** The minute at which it begins; -1 where it finds no room. */
        int place(String id) {
            return schedule.place(night.task(id)) ? from(id) : -1;
        }

        int from(String id) {
            return schedule.placed().stream()
                    .filter(p -> p.id().equals(id))
                    .findFirst()
                    .orElseThrow()
                    .from();
        }

        List<String> people(String id) {
            return schedule.placed().stream()
                    .filter(p -> p.id().equals(id))
                    .findFirst()
                    .orElseThrow()
                    .people();
        }
    }

    @Test
    void twoPeopleBeginWhenBothAreFree() {
        Filled f =
                new Filled(
                        List.of(ANN, BEN),
                        Job.byHand("alone", "a", 90),
                        Job.byHand("both", "b", 30).withPeople(2));
        assertEquals(0, f.place("alone"));
        assertEquals(90, f.place("both"));
        assertEquals(Set.of("ann", "ben"), Set.copyOf(f.people("both")));
    }

    @Test
    void whoeverIsAtAMachineStaysAtIt() {
        Filled f =
                new Filled(
                        List.of(ANN, person("cy", 0)),
                        Job.byHand("first", "a", 30),
                        Job.byHand("other", "b", 10),
                        Job.byHand("second", "a", 30)
                                .withAfter(List.of(new After("first", 0, null))));
        f.place("first");
        f.place("other");
        assertEquals(List.of("cy"), f.people("other"));
        assertEquals(30, f.place("second"));
        // Cy has less to do, and would be a second person at the machine.
        assertEquals(List.of("ann"), f.people("second"));
    }

    @Test
    void anotherContentWaitsForTheChangeover() {
        Job detergent =
                Job.byHand("wash", "a", 20).withPlaces(List.of("sink")).withContent("detergent");
        Job acid = Job.byHand("descale", "b", 20).withPlaces(List.of("sink")).withContent("acid");
        Job same = Job.byHand("more", "c", 20).withPlaces(List.of("sink")).withContent("detergent");
        Filled f = new Filled(List.of(ANN, person("cy", 0)), detergent, acid, same);
        assertEquals(0, f.place("wash"));
        assertEquals(20, f.place("more"));
        assertEquals(50, f.place("descale"));
    }

    @Test
    void aCartIsOutUntilTheLastPartOnItIsBack() {
        Job off = Job.byHand("off", "a", 10);
        Job back =
                Job.byHand("back", "a", 10)
                        .withEarliest(100)
                        .withAfter(List.of(new After("off", 0, null)))
                        .withKeeps(List.of(new Keep("cart", "off")));
        Job other = Job.byHand("other", "b", 10);
        Job home = Job.byHand("home", "b", 10).withKeeps(List.of(new Keep("cart", "other")));
        Filled f = new Filled(List.of(ANN, person("cy", 0)), off, back, other, home);
        assertEquals(0, f.place("off"));
        // Until when the first has it is not known yet.
        assertFalse(f.schedule.ready(f.night.task("other")));
        assertEquals(100, f.place("back"));
        assertTrue(f.schedule.ready(f.night.task("other")));
        assertEquals(110, f.place("other"));
        // What is left out gives it back.
        f.schedule.takeBack(f.night.group[f.night.task("off")]);
        assertFalse(f.schedule.has(f.night.task("off")));
        f.schedule.takeBack(f.night.group[f.night.task("other")]);
        assertEquals(0, f.place("other"));
    }

    @Test
    void whatRunsAlreadyStaysWithWhoeverIsNotHereAnyMore() {
        Job begun = Job.byHand("begun", "a", 50).begun(new Running(0, List.of("ann", "gone")));
        Filled f = new Filled(List.of(ANN), begun, Job.byHand("next", "b", 10));
        assertEquals(List.of("ann", "gone"), f.people("begun"));
        assertEquals(50, f.place("next"));
    }

    @Test
    void whatTheTankDoesNotHaveYetIsWaitedFor() {
        Filled f =
                new Filled(
                        List.of(ANN, person("cy", 0)),
                        Job.byHand("first", "a", 5).withHotLitres(80),
                        Job.byHand("second", "b", 5).withHotLitres(60));
        assertEquals(0, f.place("first"));
        assertEquals(40, f.place("second"));
    }

    @Test
    void whatFitsNowhereIsSaidAndNothingOfItStands() {
        Filled f =
                new Filled(
                        List.of(ANN),
                        Job.byHand("long", "a", 400),
                        Job.byHand("more", "b", 100),
                        Job.byHand("never", "c", 10)
                                .withAfter(List.of(new After("nothing", 0, null))));
        assertEquals(0, f.place("long"));
        assertEquals(-1, f.place("more"));
        assertFalse(f.schedule.ready(f.night.task("never")));
        assertEquals(1, f.schedule.placed().size());
    }

    @Test
    void aBreakLiesWhereSomebodyIsFree() {
        Filled f =
                new Filled(
                        List.of(person("ann", 0, new Break(100, 200, 30))),
                        Job.byHand("begun", "a", 150).begun(new Running(0, List.of("ann"))),
                        Job.byHand("next", "b", 30));
        f.schedule.breaks(false);
        assertEquals(150, f.schedule.rests().getFirst().from());
        assertEquals(180, f.place("next"));
    }
}
