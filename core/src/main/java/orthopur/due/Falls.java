package orthopur.due;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Frequency;
import orthopur.machine.Interval;
import orthopur.text.Text;

/** When a task falls due by each of its intervals. */
final class Falls {
    /**
     * Of hours of use and of counts: from this share on it is told ahead, beyond that it is late.
     */
    private static final double NEAR = 0.9;

    private static final double BEYOND = 1.1;

    /** Before the end of the clock on food it is told so long ahead. */
    private static final Duration AHEAD = Duration.ofMinutes(15);

    /** Where nothing else was settled (F1). */
    private static final Duration CLOCK = Duration.ofHours(4);

    private final SiteDays days;
    private final Past past;
    private final Instant moment;
    private final Task task;
    private final @Nullable Instant last;

    Falls(SiteDays days, Past past, Instant moment, Task task, @Nullable Instant last) {
        this.days = days;
        this.past = past;
        this.moment = moment;
        this.task = task;
        this.last = last;
    }

    /** One for each interval that is stated. */
    List<Fall> all() {
        Interval i = task.interval();
        List<Fall> all = new ArrayList<>();
        if (i.every() != null && i.every() != Frequency.EVENT) {
            all.add(every(i.every()));
        } else if (!i.on().isEmpty()) {
            all.add(onDays(i.every()));
        }
        if (i.days() != null) {
            int n = i.days();
            all.add(
                    rolling(
                            day -> day.plusDays(n),
                            Math.max(1, n / 10),
                            Text.of(
                                    "due.every-days",
                                    "every {0, plural, one {day} other {# days}}",
                                    n)));
        }
        if (i.hours() != null) {
            all.add(hours(i.hours()));
        }
        if (i.count() != null && i.counter() != null) {
            all.add(count(i.count(), i.counter()));
        }
        if (i.sign() != null) {
            all.add(sign(i.sign()));
        }
        if (i.event() != null) {
            all.add(event(i.event()));
        }
        return all;
    }

    /** Those alone that fall on days of the calendar; what hangs on use is taken for every day. */
    List<Fall> byDays() {
        Interval i = task.interval();
        List<Fall> all = new ArrayList<>();
        if (i.every() != null && i.every() != Frequency.EVENT) {
            all.add(
                    i.on().isEmpty() || i.every().compareTo(Frequency.DAILY) < 0
                            ? rolling(i.every())
                            : onDays(i.every()));
        } else if (!i.on().isEmpty()) {
            all.add(onDays(i.every()));
        }
        if (i.days() != null) {
            int n = i.days();
            all.add(rolling(day -> day.plusDays(n), 0, Text.plain("")));
        }
        return all;
    }

    private Fall every(Frequency f) {
        return switch (f) {
            case PER_USE -> perUse();
            case FOUR_HOURS -> clock();
            case PER_MEAL -> afterHours(days.meals(), true);
            case END_OF_SHIFT -> afterHours(days.shifts(), false);
            case DAILY, WEEKLY, MONTHLY, QUARTERLY, YEARLY ->
                    task.interval().on().isEmpty() ? rolling(f) : onDays(f);
            case EVENT -> throw new IllegalArgumentException("An event has no time of its own.");
        };
    }

    // --- by use -------------------------------------------------------------------------------

    private Fall perUse() {
        if (!past.tellsUses(task.machine())) {
            return Fall.none(
                    Text.of(
                            "due.no-use-entered",
                            "no use of {0} has been entered; it is due after each",
                            machine()));
        }
        List<Known.Use> uses = past.uses(task.machine(), last);
        for (Known.Use u : uses) {
            if (u.to() != null) {
                Instant again =
                        uses.stream()
                                .map(Known.Use::from)
                                .filter(from -> !from.isBefore(u.to()))
                                .findFirst()
                                .orElse(null);
                return new Fall(
                        null,
                        u.to(),
                        tolerated(u.to(), again),
                        null,
                        false,
                        again == null
                                ? Text.of("due.used", "it was used and not cleaned since")
                                : Text.of(
                                        "due.used-again",
                                        "it was used again without being cleaned"));
            }
        }
        return uses.isEmpty() ? unused() : Fall.near(moment, running());
    }

    /** The clock on food that has touched the machine; that it idles does not stop it (F1). */
    private Fall clock() {
        Known.Machine m = past.machine(task.machine());
        Duration clock = m == null || m.clock() == null ? CLOCK : m.clock();
        List<Known.Use> uses = past.uses(task.machine(), last);
        if (uses.isEmpty()) {
            return past.tellsUses(task.machine())
                    ? unused()
                    : Fall.unknown(
                            Text.of(
                                    "due.clock-unknown",
                                    "nobody has entered when food first touched {0}: the {1} h cannot be told",
                                    machine(),
                                    hours(clock)));
        }
        Instant end = uses.getFirst().from().plus(clock);
        return new Fall(
                end.minus(AHEAD),
                end,
                end,
                null,
                false,
                Text.of(
                        "due.clock",
                        "{0} h since food first touched it are over at {1}",
                        hours(clock),
                        shown(end)));
    }

    /** After the shift or the meal in which it was used. */
    private Fall afterHours(List<SiteDays.Hours> hours, boolean meals) {
        boolean tells = past.tellsUses(task.machine());
        List<Known.Use> uses = past.uses(task.machine(), last);
        if (tells && uses.isEmpty()) {
            return unused();
        }
        Instant from = tells ? uses.getFirst().from() : last == null ? task.from() : last;
        if (from == null) {
            return never();
        }
        SiteDays.Came came = days.firstEndingAfter(hours, from);
        Instant end = came == null ? days.begin(days.dayOf(from).plusDays(1)) : came.to();
        Instant next = came == null ? null : days.nextBeginning(hours, end);
        Instant late = tolerated(end, next);
        SiteDays.Came second = came == null ? null : days.firstEndingAfter(hours, end);
        String name = came == null ? "" : came.name();
        return new Fall(
                end.minus(AHEAD),
                end,
                late == null ? end : late,
                second == null ? days.begin(days.dayOf(end).plusDays(1)) : second.to(),
                false,
                came == null
                        ? Text.of("due.end-of-day", "it was used on {0}", days.dayOf(from))
                        : meals
                                ? Text.of(
                                        "due.after-meal",
                                        "the meal period {0} ends at {1}",
                                        name,
                                        shown(end))
                                : Text.of(
                                        "due.after-shift",
                                        "the shift {0} ends at {1}",
                                        name,
                                        shown(end)));
    }

    private Fall hours(int hours) {
        if (!past.tellsUses(task.machine())) {
            return Fall.unknown(
                    Text.of(
                            "due.hours-unknown",
                            "no use of {0} has been entered: its {1} hours of use cannot be told",
                            machine(),
                            hours));
        }
        List<Known.Use> uses = past.uses(task.machine(), last);
        double used = past.length(uses).toMinutes() / 60.0;
        Text because =
                Text.of(
                        "due.hours",
                        "{0} of {1} hours of use since it was last done",
                        Math.round(used * 10) / 10.0,
                        hours);
        Instant due = usedUp(uses, hours);
        if (due == null) {
            return used >= NEAR * hours ? Fall.near(moment, because) : Fall.none(because);
        }
        Instant beyond = usedUp(uses, hours * BEYOND);
        return new Fall(
                null, due, tolerated(due, beyond), usedUp(uses, hours * 2.0), false, because);
    }

    /** When so many hours of use were full; null where they are not. */
    private @Nullable Instant usedUp(List<Known.Use> uses, double hours) {
        long left = (long) (hours * 3_600_000);
        for (Known.Use u : uses) {
            Instant to = u.to() == null ? moment : u.to();
            long here = Duration.between(u.from(), to).toMillis();
            if (here >= left) {
                return u.from().plusMillis(left);
            }
            left -= here;
        }
        return null;
    }

    private Fall count(int count, String counter) {
        List<Known.Count> read = past.counts(task.machine(), counter);
        Known.Count newest = read.isEmpty() ? null : read.getLast();
        if (newest == null || (last != null && newest.at().isBefore(last))) {
            return Fall.unknown(
                    Text.of(
                            "due.count-unread",
                            "the count \"{0}\" has not been read since: read it",
                            counter));
        }
        double sum = 0;
        Known.Count before = null;
        Instant due = null;
        Instant beyond = null;
        for (Known.Count c : read) {
            boolean counts = last == null || c.at().isAfter(last);
            if (before != null && counts) {
                if (c.value() < before.value() && !c.replaced()) {
                    return Fall.unknown(
                            Text.of(
                                    "due.count-back",
                                    "the count \"{0}\" went back from {1} to {2}: say whether its display was replaced, and read it",
                                    counter,
                                    figure(before.value()),
                                    figure(c.value())));
                }
                sum += c.replaced() ? c.value() : c.value() - before.value();
            } else if (counts && last == null) {
                // Nobody knows what it stood at when it was last done.
                sum += c.value();
            }
            due = due == null && sum >= count ? c.at() : due;
            beyond = beyond == null && sum >= count * BEYOND ? c.at() : beyond;
            before = c;
        }
        Text because =
                Text.of(
                        "due.count",
                        "{0} of {1} by the count \"{2}\"",
                        figure(sum),
                        figure(count),
                        counter);
        if (due == null) {
            return sum >= NEAR * count ? Fall.near(moment, because) : Fall.none(because);
        }
        return new Fall(null, due, tolerated(due, beyond), null, false, because);
    }

    private static String figure(double value) {
        return value == Math.rint(value) ? Long.toString((long) value) : Double.toString(value);
    }

    // --- by what is seen and what happens ------------------------------------------------------

    private Fall sign(String sign) {
        Instant seen = past.sign(task.machine(), sign, last);
        if (seen == null) {
            return past.seen(task.machine(), sign, null).isEmpty()
                    ? Fall.none(
                            Text.of(
                                    "due.sign-not-looked",
                                    "nobody has looked for \"{0}\" yet",
                                    sign))
                    : Fall.none(
                            Text.of("due.sign-not-seen", "\"{0}\" has not been seen since", sign));
        }
        List<Known.Seen> answers = past.seen(task.machine(), sign, last);
        boolean two = answers.stream().anyMatch(s -> !s.there() && s.at().isAfter(seen));
        return new Fall(
                null,
                seen,
                tolerated(seen, next(seen)),
                null,
                false,
                two
                        ? Text.of(
                                "due.sign-two",
                                "\"{0}\" was seen at {1}; that somebody did not see it later does not take it back",
                                sign,
                                shown(seen))
                        : Text.of("due.sign", "\"{0}\" was seen at {1}", sign, shown(seen)));
    }

    private Fall event(String event) {
        Instant happened = past.event(task.machine(), event, last);
        if (happened == null) {
            return Fall.none(
                    Text.of("due.no-event", "due after {0}; none has been entered", event));
        }
        // What has happened stands before the next use, and until then it is not late.
        Instant used =
                past.uses(task.machine(), happened).stream()
                        .map(Known.Use::from)
                        .filter(from -> from.isAfter(happened))
                        .findFirst()
                        .orElse(null);
        return new Fall(
                null,
                happened,
                tolerated(happened, used == null ? next(happened) : used),
                null,
                false,
                Text.of("due.event", "{0} at {1}", event, shown(happened)));
    }

    /** The end of the day of the site after the one in which a moment lies. */
    private Instant next(Instant at) {
        return days.begin(days.dayOf(at).plusDays(2));
    }

    // --- by the calendar ------------------------------------------------------------------------

    private interface Next {
        LocalDate after(LocalDate day);
    }

    private Fall rolling(Frequency f) {
        return switch (f) {
            case WEEKLY -> rolling(d -> d.plusWeeks(1), 1, Text.of("due.weekly", "weekly"));
            case MONTHLY -> rolling(d -> d.plusMonths(1), 3, Text.of("due.monthly", "monthly"));
            case QUARTERLY ->
                    rolling(d -> d.plusMonths(3), 7, Text.of("due.quarterly", "quarterly"));
            case YEARLY -> rolling(d -> d.plusYears(1), 30, Text.of("due.yearly", "yearly"));
            default -> rolling(d -> d.plusDays(1), 0, Text.of("due.daily", "daily"));
        };
    }

    /** So long after it was last done. */
    private Fall rolling(Next next, int early, Text words) {
        Instant from = last == null ? task.from() : last;
        if (from == null) {
            return never();
        }
        LocalDate day = last == null ? days.dayOf(from) : next.after(days.dayOf(from));
        return onDay(day, next.after(day), early, words);
    }

    private Fall onDay(LocalDate day, @Nullable LocalDate again, int early, Text words) {
        Interval i = task.interval();
        int before = i.early() == null ? early : i.early();
        int after = i.late() == null ? 0 : i.late();
        return new Fall(
                days.begin(day.minusDays(before)),
                days.begin(day),
                days.begin(day.plusDays(after + 1L)),
                again == null ? null : days.begin(again),
                false,
                after == 0
                        ? Text.of("due.on-day", "{0}: on {1}", words, day)
                        : Text.of(
                                "due.on-day-tolerance",
                                "{0}: on {1}, {2, plural, one {# day} other {# days}} of tolerance",
                                words,
                                day,
                                after));
    }

    /** On given days of the week or the month. */
    private Fall onDays(@Nullable Frequency every) {
        Instant from = last == null ? task.from() : last;
        Text words = Text.of("due.on", "on {0}", new ArrayList<>(task.interval().on()));
        LocalDate today = days.dayOf(moment);
        int early = task.interval().early() == null ? 0 : task.interval().early();
        // What was done within the tolerance before a day was done for that day.
        LocalDate first =
                from == null
                        ? today
                        : last == null ? days.dayOf(from) : days.dayOf(from).plusDays(early + 1L);
        LocalDate day = falls(first, every);
        return onDay(day, falls(day.plusDays(1), every), early, words);
    }

    /** The first of the days on which it falls, from one on. */
    private LocalDate falls(LocalDate from, @Nullable Frequency every) {
        LocalDate day = from;
        // A year and a day: whatever is asked for falls once in it.
        for (int i = 0; i < 367 && !fallsOn(day, every); i++) {
            day = day.plusDays(1);
        }
        return day;
    }

    private boolean fallsOn(LocalDate day, @Nullable Frequency every) {
        int months = every == Frequency.QUARTERLY ? 3 : every == Frequency.YEARLY ? 12 : 1;
        LocalDate start = task.from() == null ? null : days.dayOf(task.from());
        int begin = start == null ? 1 : start.getMonthValue();
        for (String on : task.interval().on()) {
            if (Character.isDigit(on.charAt(0))) {
                // The 31st of a month that has none is its last day.
                int wanted = Math.min(Integer.parseInt(on), YearMonth.from(day).lengthOfMonth());
                if (day.getDayOfMonth() == wanted
                        && Math.floorMod(day.getMonthValue() - begin, months) == 0) {
                    return true;
                }
            } else if (day.getDayOfWeek() == DayOfWeek.valueOf(on.toUpperCase(Locale.ROOT))) {
                return true;
            }
        }
        return false;
    }

    // --- said -----------------------------------------------------------------------------------

    /** Late where the sheet says so; else where something has gone on without it. */
    private @Nullable Instant tolerated(Instant due, @Nullable Instant otherwise) {
        Integer late = task.interval().late();
        return late == null ? otherwise : due.plus(Duration.ofDays(late));
    }

    private Fall unused() {
        return Fall.none(Text.of("due.not-used", "it has not been used since"));
    }

    private Text running() {
        return Text.of("due.running", "it is being used; due as soon as that ends");
    }

    private Fall never() {
        return new Fall(
                null,
                moment,
                null,
                null,
                false,
                Text.of("due.never", "nobody has entered that it was ever done"));
    }

    private String machine() {
        return task.machine() == null ? "" : task.machine();
    }

    private static String hours(Duration d) {
        return figure(d.toMinutes() / 60.0);
    }

    /** Day and time as the site's clocks show them. */
    private String shown(Instant at) {
        return at.atZone(days.zone())
                .toLocalDateTime()
                .withSecond(0)
                .withNano(0)
                .toString()
                .replace('T', ' ');
    }
}
