package orthopur.due;

import java.time.Instant;
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
        for (Task deeper :
                cleans.getOrDefault(t.machine() == null ? "" : t.machine(), List.of())) {
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
                        Text.of("due.blocked", "{0}; it cannot be done: {1}", because, t.blocked()));
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
                                : Text.of("due.missed-twice", "{0}; let go before: {1}", because, let.why()));
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
            return new Due(
                    t, Due.State.BLOCKED, last, due, f.late(), by, false, missing.because());
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
