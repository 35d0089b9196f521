package orthopur.due;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.due.Due.State;
import orthopur.machine.Frequency;
import orthopur.machine.Interval;

/** What is due, interval by interval, over midnight, a change of the clock, a leap day. */
class DueListTest {
    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final SiteDays DAYS =
            new SiteDays(
                    LONDON,
                    LocalTime.of(5, 0),
                    List.of(new SiteDays.Hours("day", LocalTime.of(5, 0), LocalTime.of(21, 0))),
                    List.of(
                            new SiteDays.Hours("noon", LocalTime.of(11, 0), LocalTime.of(14, 0)),
                            new SiteDays.Hours(
                                    "evening", LocalTime.of(17, 0), LocalTime.of(20, 0))));

    private final List<Task> tasks = new ArrayList<>();
    private final List<Known.Machine> machines = new ArrayList<>();
    private final List<Known.Done> done = new ArrayList<>();
    private final List<Known.Use> uses = new ArrayList<>();
    private final List<Known.Count> counts = new ArrayList<>();
    private final List<Known.Seen> signs = new ArrayList<>();
    private final List<Known.Happened> events = new ArrayList<>();
    private final List<Known.Missed> missed = new ArrayList<>();

    private static Instant at(String local) {
        return LocalDateTime.parse(local).atZone(LONDON).toInstant();
    }

    private static @Nullable Instant maybe(@Nullable String local) {
        return local == null ? null : at(local);
    }

    private static Interval every(Frequency f) {
        return new Interval(f, null, null, null, List.of(), null, null, null, null, null);
    }

    private Task task(String id, Interval i, @Nullable Frequency depth) {
        Task t = new Task(id, "M", id, i, depth, Task.Risk.FOOD, null, null);
        tasks.add(t);
        return t;
    }

    private void finished(String task, String when) {
        done.add(new Known.Done(task, null, at(when)));
    }

    private void used(String from, @Nullable String to) {
        uses.add(new Known.Use("M", at(from), maybe(to)));
    }

    private Known known() {
        return new Known(DAYS, machines, tasks, done, uses, counts, signs, events, missed);
    }

    private Due due(String id, String when) {
        return DueList.at(known(), at(when)).stream()
                .filter(d -> d.task().id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private void is(State state, String id, String when) {
        Due d = due(id, when);
        assertEquals(state, d.state(), () -> when + ": " + d.because());
    }

    @ParameterizedTest(name = "{0}, last {2}, asked {3}: {4}")
    @CsvSource({
        // Done at two in the night belongs to the day before.
        "daily,,2026-03-03T02:00,2026-03-03T04:59,DONE",
        "daily,,2026-03-03T02:00,2026-03-03T05:00,DUE",
        "daily,,2026-03-03T02:00,2026-03-04T05:00,MISSED",
        "daily,,2026-03-03T22:00,2026-03-04T05:00,DUE",
        "weekly,1,2026-03-02T22:00,2026-03-07T12:00,DONE",
        "weekly,1,2026-03-02T22:00,2026-03-08T05:00,SOON",
        "weekly,1,2026-03-02T22:00,2026-03-09T05:00,DUE",
        "weekly,1,2026-03-02T22:00,2026-03-11T04:59,DUE",
        "weekly,1,2026-03-02T22:00,2026-03-11T05:00,LATE",
        "weekly,1,2026-03-02T22:00,2026-03-16T05:00,MISSED",
        // The last day of January has no like in February.
        "monthly,,2026-01-31T22:00,2026-02-28T05:00,DUE",
        "quarterly,,2025-11-30T22:00,2026-02-28T05:00,DUE",
        // A year after the leap day.
        "yearly,,2024-02-29T22:00,2025-02-28T05:00,DUE",
        "yearly,,2024-02-29T22:00,2025-02-28T04:59,SOON",
        // The nights on which the clock goes forward, and back.
        "daily,,2026-03-28T22:00,2026-03-29T05:00,DUE",
        "daily,,2026-03-29T00:30,2026-03-29T04:59,DONE",
        "daily,,2026-10-24T22:00,2026-10-25T05:00,DUE",
        "daily,,2026-10-25T01:30,2026-10-25T04:59,DONE",
    })
    void byTheCalendar(
            String every, @Nullable Integer late, String last, String when, State expected) {
        Frequency f = Frequency.valueOf(every.toUpperCase(java.util.Locale.ROOT));
        task("t", new Interval(f, null, null, late, List.of(), null, null, null, null, null), null);
        finished("t", last);
        is(expected, "t", when);
    }

    @ParameterizedTest(name = "{0} {1} days early, last {2}, asked {3}: {4}")
    @CsvSource({
        "monday,0,2026-03-02T22:00,2026-03-08T22:00,DONE",
        "monday,0,2026-03-02T22:00,2026-03-09T05:00,DUE",
        "monday,0,2026-03-01T22:00,2026-03-02T05:00,DUE",
        // Done on Sunday within the tolerance before is done for Monday.
        "monday,1,2026-03-01T22:00,2026-03-02T05:00,DONE",
        "monday,1,2026-03-01T22:00,2026-03-08T05:00,SOON",
        "31,0,2026-01-31T22:00,2026-02-28T05:00,DUE",
        "29,0,2026-01-29T22:00,2026-02-28T05:00,DUE",
        "1,0,2026-02-01T22:00,2026-02-28T22:00,DONE",
    })
    void onGivenDays(String on, int early, String last, String when, State expected) {
        task(
                "t",
                new Interval(null, null, early, null, List.of(on), null, null, null, null, null),
                null);
        finished("t", last);
        is(expected, "t", when);
    }

    @Test
    void aChangedIntervalCountsFromTheLastTime() {
        Interval ten = new Interval(null, 10, null, null, List.of(), null, null, null, null, null);
        Interval four = new Interval(null, 4, null, null, List.of(), null, null, null, null, null);
        task("long", ten, null);
        task("short", four, null);
        finished("long", "2026-03-01T22:00");
        finished("short", "2026-03-01T22:00");
        is(State.DONE, "long", "2026-03-06T12:00");
        is(State.MISSED, "short", "2026-03-09T12:00");
        is(State.LATE, "short", "2026-03-06T12:00");
    }

    @Test
    void whatWasNeverDoneIsDue() {
        task("t", every(Frequency.WEEKLY), null);
        Due d = due("t", "2026-03-06T12:00");
        assertEquals(State.DUE, d.state());
        assertNull(d.since());
    }

    @Test
    void theClockOnFoodRunsFromItsFirstTouchAndIdlingDoesNotStopIt() {
        task("t", every(Frequency.FOUR_HOURS), Frequency.FOUR_HOURS);
        is(State.BLOCKED, "t", "2026-03-06T09:00");
        finished("t", "2026-03-06T05:00");
        used("2026-03-06T06:00", "2026-03-06T06:10");
        is(State.DONE, "t", "2026-03-06T09:44");
        is(State.SOON, "t", "2026-03-06T09:45");
        is(State.LATE, "t", "2026-03-06T10:00");
        machines.add(new Known.Machine("M", Duration.ofHours(24), List.of()));
        is(State.DONE, "t", "2026-03-06T12:00");
        finished("t", "2026-03-06T12:00");
        is(State.DONE, "t", "2026-03-07T12:00");
    }

    @Test
    void afterEachUseAndLateWhenUsedAgain() {
        task("t", every(Frequency.PER_USE), Frequency.PER_USE);
        used("2026-03-06T06:00", "2026-03-06T07:00");
        is(State.SOON, "t", "2026-03-06T06:30");
        is(State.DUE, "t", "2026-03-06T07:00");
        used("2026-03-06T08:00", null);
        is(State.LATE, "t", "2026-03-06T08:00");
        finished("t", "2026-03-06T08:30");
        is(State.SOON, "t", "2026-03-06T09:00");
    }

    @Test
    void afterTheShiftAndTheMealInWhichItWasUsed() {
        task("shift", every(Frequency.END_OF_SHIFT), null);
        task("meal", every(Frequency.PER_MEAL), null);
        finished("shift", "2026-03-05T22:00");
        finished("meal", "2026-03-05T22:00");
        used("2026-03-05T10:00", "2026-03-05T11:00");
        is(State.DONE, "shift", "2026-03-06T23:00");
        used("2026-03-06T12:00", "2026-03-06T13:00");
        is(State.SOON, "meal", "2026-03-06T13:50");
        is(State.DUE, "meal", "2026-03-06T14:00");
        is(State.LATE, "meal", "2026-03-06T17:00");
        is(State.DONE, "shift", "2026-03-06T20:00");
        is(State.DUE, "shift", "2026-03-06T21:00");
        is(State.LATE, "shift", "2026-03-07T05:00");
        is(State.MISSED, "shift", "2026-03-07T21:00");
        assertTrue(due("shift", "2026-03-07T21:00").needsReason());
    }

    @Test
    void byHoursOfUse() {
        Interval i = new Interval(null, null, null, null, List.of(), 10, null, null, null, null);
        task("t", i, null);
        is(State.BLOCKED, "t", "2026-03-06T12:00");
        used("2026-03-06T06:00", "2026-03-06T14:00");
        is(State.DONE, "t", "2026-03-06T14:00");
        used("2026-03-06T15:00", null);
        is(State.SOON, "t", "2026-03-06T16:30");
        assertEquals(at("2026-03-06T17:00"), due("t", "2026-03-06T17:30").due());
        is(State.DUE, "t", "2026-03-06T17:30");
        is(State.LATE, "t", "2026-03-06T18:00");
        finished("t", "2026-03-06T18:00");
        is(State.DONE, "t", "2026-03-06T19:00");
    }

    private void read(double value, String when, boolean replaced) {
        counts.add(new Known.Count("M", "portions", value, at(when), replaced));
    }

    @Test
    void byACountThatOnlyGoesUp() {
        Interval i =
                new Interval(null, null, null, null, List.of(), null, 100, "portions", null, null);
        task("t", i, null);
        read(500, "2026-03-01T12:00", false);
        finished("t", "2026-03-01T13:00");
        is(State.BLOCKED, "t", "2026-03-02T12:00");
        read(560, "2026-03-02T12:00", false);
        is(State.DONE, "t", "2026-03-02T12:00");
        read(595, "2026-03-03T12:00", false);
        is(State.SOON, "t", "2026-03-03T12:00");
        // A display that began again has to be said; till then nothing is told.
        read(3, "2026-03-04T12:00", false);
        is(State.BLOCKED, "t", "2026-03-04T12:00");
        counts.removeLast();
        read(3, "2026-03-04T12:00", true);
        is(State.SOON, "t", "2026-03-04T12:00");
        read(8, "2026-03-05T12:00", false);
        is(State.DUE, "t", "2026-03-05T12:00");
        read(30, "2026-03-06T12:00", false);
        is(State.LATE, "t", "2026-03-06T12:00");
        assertEquals(at("2026-03-05T12:00"), due("t", "2026-03-06T12:00").due());
    }

    @Test
    void ofTwoAnswersToASignTheMoreCarefulOneHolds() {
        Interval i =
                new Interval(null, null, null, null, List.of(), null, null, null, "lamp lit", null);
        task("t", i, null);
        is(State.DONE, "t", "2026-03-06T12:00");
        signs.add(new Known.Seen("M", "Lamp lit", true, at("2026-03-06T12:00")));
        signs.add(new Known.Seen("M", "lamp lit", false, at("2026-03-06T12:05")));
        is(State.DUE, "t", "2026-03-06T13:00");
        is(State.LATE, "t", "2026-03-08T05:00");
        finished("t", "2026-03-08T06:00");
        is(State.DONE, "t", "2026-03-08T07:00");
    }

    @Test
    void afterAnEventBeforeTheNextUse() {
        Interval i =
                new Interval(null, null, null, null, List.of(), null, null, null, null, "spill");
        task("t", i, null);
        finished("t", "2026-03-06T11:00");
        events.add(new Known.Happened("M", "spill", at("2026-03-06T12:00")));
        events.add(new Known.Happened("other", "spill", at("2026-03-06T12:00")));
        is(State.DUE, "t", "2026-03-06T12:30");
        used("2026-03-06T13:00", null);
        is(State.LATE, "t", "2026-03-06T13:00");
    }

    @Test
    void aDeeperCleanTakesTheShallowerAlongAndNotTheOtherWayRound() {
        task("daily", every(Frequency.DAILY), Frequency.DAILY);
        task("weekly", every(Frequency.WEEKLY), Frequency.WEEKLY);
        task("event", every(Frequency.DAILY), Frequency.EVENT);
        finished("daily", "2026-03-01T22:00");
        finished("weekly", "2026-03-02T22:00");
        Due d = due("daily", "2026-03-03T04:00");
        assertEquals(State.DONE, d.state());
        assertEquals("weekly", d.by());
        is(State.DUE, "event", "2026-03-03T04:00");
        finished("daily", "2026-03-09T22:00");
        is(State.LATE, "weekly", "2026-03-10T22:00");
    }

    @Test
    void whatIsBegunAndNotFinishedIsNotDone() {
        task("t", every(Frequency.DAILY), Frequency.DAILY);
        finished("t", "2026-03-01T22:00");
        done.add(new Known.Done("t", at("2026-03-02T22:00"), null));
        Due d = due("t", "2026-03-02T23:00");
        assertEquals(State.DUE, d.state());
        assertTrue(d.because().toString().startsWith("begun and not finished"));
    }

    @Test
    void outOfUseIsNotLateAndSaysWhatItNeeds() {
        task("t", every(Frequency.DAILY), Frequency.DAILY);
        finished("t", "2026-03-01T22:00");
        machines.add(
                new Known.Machine(
                        "M",
                        null,
                        List.of(
                                new Known.Out(
                                        at("2026-03-02T08:00"),
                                        at("2026-03-09T08:00"),
                                        "guard broken"))));
        Due d = due("t", "2026-03-06T12:00");
        assertEquals(State.BLOCKED, d.state());
        assertTrue(d.because().toString().contains("guard broken"));
        assertTrue(d.because().toString().contains("before it is used: t"));
        is(State.MISSED, "t", "2026-03-09T12:00");
    }

    @Test
    void aReasonHoldsForOneTimeOnly() {
        task("t", every(Frequency.WEEKLY), null);
        finished("t", "2026-03-02T22:00");
        missed.add(new Known.Missed("t", at("2026-03-10T08:00"), "no hot water", "Ilse"));
        Due once = due("t", "2026-03-12T12:00");
        assertEquals(State.MISSED, once.state());
        assertFalse(once.needsReason());
        assertTrue(once.because().toString().contains("no hot water"));
        Due twice = due("t", "2026-03-17T12:00");
        assertEquals(State.MISSED, twice.state());
        assertTrue(twice.because().toString().contains("let go before"));
        finished("t", "2026-03-17T13:00");
        is(State.DONE, "t", "2026-03-18T12:00");
    }

    @Test
    void ofSeveralIntervalsTheFirstHoldsAndTheUnknownIsNotPassed() {
        Interval both =
                new Interval(
                        Frequency.WEEKLY, null, null, null, List.of(), 10, null, null, null, null);
        task("t", both, null);
        finished("t", "2026-03-02T22:00");
        // Nobody enters uses: by hours it cannot be told; by the week it is due all the same.
        is(State.BLOCKED, "t", "2026-03-05T12:00");
        is(State.DUE, "t", "2026-03-09T12:00");
        used("2026-03-03T06:00", "2026-03-03T17:00");
        is(State.LATE, "t", "2026-03-05T12:00");
    }

    @Test
    void sortedByWhatIsAtStakeAndFromTheSameInOtherOrder() {
        tasks.add(
                new Task(
                        "rest",
                        null,
                        "rest",
                        every(Frequency.DAILY),
                        null,
                        Task.Risk.REST,
                        at("2026-01-01T08:00"),
                        null));
        task("food", every(Frequency.DAILY), null);
        finished("food", "2026-03-04T22:00");
        tasks.add(
                new Task(
                        "stuck",
                        "N",
                        "stuck",
                        every(Frequency.DAILY),
                        null,
                        Task.Risk.PEOPLE,
                        at("2026-01-01T08:00"),
                        "the guard is not in stock"));
        List<Due> first = DueList.at(known(), at("2026-03-05T12:00"));
        assertEquals(
                List.of("food", "stuck", "rest"), first.stream().map(d -> d.task().id()).toList());
        assertEquals(State.BLOCKED, first.get(1).state());
        Collections.reverse(tasks);
        Collections.reverse(done);
        assertEquals(first, DueList.at(known(), at("2026-03-05T12:00")));
        // What is entered later changes nothing of what was due then.
        finished("food", "2026-03-05T13:00");
        assertEquals(first, DueList.at(known(), at("2026-03-05T12:00")));
    }

    @Test
    void aheadADeeperCleanTakesTheDayOfTheShallowerOne() {
        task("daily", every(Frequency.DAILY), Frequency.DAILY);
        task("weekly", every(Frequency.WEEKLY), Frequency.WEEKLY);
        finished("daily", "2026-03-01T22:00");
        finished("weekly", "2026-03-01T22:00");
        List<String> days =
                DueList.ahead(
                                known(),
                                at("2026-03-02T12:00"),
                                java.time.LocalDate.parse("2026-03-10"))
                        .stream()
                        .map(a -> a.day() + " " + a.task().id() + " " + a.takes().size())
                        .toList();
        assertEquals(9, days.size());
        assertEquals("2026-03-02 daily 0", days.getFirst());
        assertEquals("2026-03-08 weekly 1", days.get(6));
        assertEquals("2026-03-09 daily 0", days.get(7));
    }
}
