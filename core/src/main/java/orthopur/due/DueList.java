package orthopur.due;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import orthopur.text.Text;

/**
 * What is due at a moment. It depends on nothing else: the same past and the same moment give the
 * same list.
 */
public final class DueList {
    private final Known known;
    private final Instant moment;
    private final Past past;
    private final Map<String, List<Task>> cleans = new HashMap<>();

    private DueList(Known known, Instant moment) {
        this.known = known;
        this.moment = moment;
        this.past = new Past(known, moment);
        for (Task t : known.tasks()) {
            if (t.machine() != null && t.depth() != null) {
                cleans.computeIfAbsent(t.machine(), k -> new ArrayList<>()).add(t);
            }
        }
    }

    /** Every task, sorted by what is at stake and then by how it stands. */
    public static List<Due> at(Known known, Instant moment) {
        DueList list = new DueList(known, moment);
        List<Due> all = new ArrayList<>();
        known.tasks().forEach(t -> all.add(list.of(t)));
        return sorted(list.outOfUse(all));
    }

    /**
     * On which days each task falls, from a moment on: what is due now first, then as if each were
     * done on its day. A deeper clean takes the shallower ones of its machine along on that day.
     * What hangs on hours of use, on counts, signs and events is not known ahead.
     *
     * @param until the last day, at most 400 days ahead
     */
    public static List<Ahead> ahead(Known known, Instant moment, LocalDate until) {
        DueList list = new DueList(known, moment);
        SiteDays days = known.days();
        LocalDate today = days.dayOf(moment);
        LocalDate last = until.isAfter(today.plusDays(400)) ? today.plusDays(400) : until;
        List<Ahead> all = new ArrayList<>();
        for (Task t : known.tasks()) {
            Due now = list.of(t);
            if (out(known, moment, t) || now.due() == null) {
                continue;
            }
            LocalDate day = days.dayOf(now.due());
            day = day.isBefore(today) ? today : day;
            while (!day.isAfter(last)) {
                all.add(new Ahead(day, t, List.of()));
                Instant done = days.begin(day).plusSeconds(12 * 3600L);
                Instant next = null;
                for (Fall f : new Falls(days, list.past, moment, t, done).byDays()) {
                    if (f.due() != null && (next == null || f.due().isBefore(next))) {
                        next = f.due();
                    }
                }
                if (next == null || !days.dayOf(next).isAfter(day)) {
                    break;
                }
                day = days.dayOf(next);
            }
        }
        return taken(all);
    }

    /** Whether a machine is out of use, so that nothing is planned for it. */
    private static boolean out(Known known, Instant moment, Task t) {
        return known.machines().stream()
                .filter(m -> m.code().equals(t.machine()))
                .flatMap(m -> m.out().stream())
                .anyMatch(o -> o.at(moment));
    }

    /** What a deeper clean of the same day takes along stands with it. */
    private static List<Ahead> taken(List<Ahead> all) {
        Map<String, List<Ahead>> byDay = new HashMap<>();
        all.forEach(
                a ->
                        byDay.computeIfAbsent(
                                        a.day() + " " + a.task().machine(), k -> new ArrayList<>())
                                .add(a));
        List<Ahead> left = new ArrayList<>();
        for (Ahead a : all) {
            List<Ahead> same = byDay.getOrDefault(a.day() + " " + a.task().machine(), List.of());
            if (same.stream().noneMatch(o -> a.task().takenAlongBy(o.task()))) {
                left.add(
                        new Ahead(
                                a.day(),
                                a.task(),
                                same.stream()
                                        .map(Ahead::task)
                                        .filter(o -> o.takenAlongBy(a.task()))
                                        .toList()));
            }
        }
        left.sort(
                Comparator.comparing(Ahead::day)
                        .thenComparing(a -> a.task().risk())
                        .thenComparing(a -> a.task().id()));
        return left;
    }

    /**
     * One time that a task falls due.
     *
     * @param day of the site
     * @param takes shallower cleans of the same machine that it does as well
     */
    public record Ahead(LocalDate day, Task task, List<Task> takes) {}

    private static List<Due> sorted(List<Due> all) {
        all.sort(
                Comparator.comparing((Due d) -> !d.state().open())
                        .thenComparing(d -> d.task().risk())
                        .thenComparing(d -> rank(d.state()))
                        .thenComparing(d -> Objects.requireNonNullElse(d.due(), Instant.MAX))
                        .thenComparing(d -> d.task().id()));
        return List.copyOf(all);
    }

    private static int rank(Due.State s) {
        return switch (s) {
            case MISSED -> 0;
            case LATE -> 1;
            case DUE -> 2;
            case BLOCKED -> 3;
            case SOON -> 4;
            case DONE -> 5;
        };
    }

    private Due of(Task t) {
        Instant last = past.finished(t.id());
        String by = null;
        for (Task deeper : cleans.getOrDefault(t.machine() == null ? "" : t.machine(), List.of())) {
            if (t.takenAlongBy(deeper)) {
                Instant other = past.finished(deeper.id());
                if (other != null && (last == null || other.isAfter(last))) {
                    last = other;
                    by = deeper.id();
                }
            }
        }
        Fall first = null;
        Fall missing = null;
        for (Fall f : new Falls(known.days(), past, moment, t, last).all()) {
            missing = f.cannotTell() ? f : missing;
            first = earlier(first, f);
        }
        if (first == null) {
            first = Fall.none(Text.of("due.only-by-hand", "due when somebody says so"));
        }
        return standing(t, last, by, first, missing);
    }

    private static Fall earlier(@Nullable Fall a, Fall b) {
        if (a == null) {
            return b;
        }
        Comparator<Fall> order =
                Comparator.comparing((Fall f) -> Objects.requireNonNullElse(f.due(), Instant.MAX))
                        .thenComparing(f -> Objects.requireNonNullElse(f.soon(), Instant.MAX));
        return order.compare(b, a) < 0 ? b : a;
    }

    private Due standing(
            Task t, @Nullable Instant last, @Nullable String by, Fall f, @Nullable Fall missing) {
        Instant due = f.due();
        Instant begun = past.begun(t.id());
        Text because =
                begun == null
                        ? f.because()
                        : Text.of(
                                "due.begun",
                                "begun and not finished, so it is not done; {0}",
                                f.because());
        if (due != null && !moment.isBefore(due)) {
            if (t.blocked() != null) {
                return new Due(
                        t,
                        Due.State.BLOCKED,
                        last,
                        due,
                        f.late(),
                        by,
                        false,
                        Text.of(
                                "due.blocked",
                                "{0}; it cannot be done: {1}",
                                because,
                                t.blocked()));
            }
            Known.Missed let = past.missed(t.id(), due);
            boolean late = f.late() != null && !moment.isBefore(f.late());
            boolean over = f.again() != null && !moment.isBefore(f.again()) && late;
            if (let != null && !over) {
                because =
                        let.who() == null
                                ? Text.of("due.let-go", "let go this once: {0}", let.why())
                                : Text.of(
                                        "due.let-go-by",
                                        "let go this once by {0}: {1}",
                                        let.who(),
                                        let.why());
                return new Due(t, Due.State.MISSED, last, due, f.late(), by, false, because);
            }
            if (over) {
                return new Due(
                        t,
                        Due.State.MISSED,
                        last,
                        due,
                        f.late(),
                        by,
                        let == null,
                        let == null
                                ? Text.of(
                                        "due.missed",
                                        "{0}; it went by without being done, and nobody has said why",
                                        because)
                                : Text.of(
                                        "due.missed-twice",
                                        "{0}; let go before: {1}",
                                        because,
                                        let.why()));
            }
            return new Due(
                    t,
                    late ? Due.State.LATE : Due.State.DUE,
                    last,
                    due,
                    f.late(),
                    by,
                    false,
                    because);
        }
        // What cannot be told is never passed for done.
        if (missing != null) {
            return new Due(t, Due.State.BLOCKED, last, due, f.late(), by, false, missing.because());
        }
        boolean soon = f.soon() != null && !moment.isBefore(f.soon());
        return new Due(
                t,
                soon || begun != null ? Due.State.SOON : Due.State.DONE,
                last,
                due,
                f.late(),
                by,
                false,
                because);
    }

    /** What is not wanted is out of use, not late; it says what it needs before it is used. */
    private List<Due> outOfUse(List<Due> all) {
        List<Due> seen = new ArrayList<>();
        for (Due d : all) {
            Known.Out out = past.out(d.task().machine());
            seen.add(
                    out == null || !d.state().open()
                            ? d
                            : new Due(
                                    d.task(),
                                    Due.State.BLOCKED,
                                    d.since(),
                                    d.due(),
                                    d.late(),
                                    d.by(),
                                    d.needsReason(),
                                    Text.of(
                                            "due.out-of-use",
                                            "{0} is out of use since {1} ({2}); before it is used: {3}",
                                            Objects.requireNonNullElse(d.task().machine(), ""),
                                            known.days().dayOf(out.from()),
                                            out.why(),
                                            d.task().name())));
        }
        return seen;
    }
}
