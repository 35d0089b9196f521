package orthopur.due;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What is known up to a moment, by machine and by task. Only what is asked for is put in order. */
final class Past {
    private final Instant moment;
    private final Map<String, Known.Machine> machines = new HashMap<>();
    private final Map<String, Instant> finished = new HashMap<>();
    private final Map<String, Instant> begun = new HashMap<>();
    private final Map<String, List<Known.Use>> uses;
    private final Map<String, List<Known.Count>> counts;
    private final Map<String, List<Known.Seen>> signs;
    private final Map<String, List<Known.Happened>> events;
    private final Map<String, List<Known.Missed>> missed;

    Past(Known known, Instant moment) {
        this.moment = moment;
        known.machines().forEach(m -> machines.put(m.code(), m));
        for (Known.Done d : known.done()) {
            Instant end = d.finished();
            Map<String, Instant> newest = end == null ? begun : finished;
            Instant at = end == null ? d.begun() : end;
            if (at != null && !at.isAfter(moment)) {
                newest.merge(d.task(), at, (a, b) -> b.isAfter(a) ? b : a);
            }
        }
        uses = by(known.uses(), Known.Use::machine, Known.Use::from);
        counts = by(known.counts(), c -> key(c.machine(), c.counter()), Known.Count::at);
        signs = by(known.signs(), s -> key(s.machine(), s.sign()), Known.Seen::at);
        events = by(known.events(), e -> key(e.machine(), e.event()), Known.Happened::at);
        missed = by(known.missed(), Known.Missed::task, Known.Missed::at);
    }

    private static String key(String machine, String what) {
        return machine + '\n' + what.strip().toLowerCase(java.util.Locale.ROOT);
    }

    /** Entries from after the moment are not known yet. */
    private <T> Map<String, List<T>> by(
            List<T> all,
            java.util.function.Function<T, String> key,
            java.util.function.Function<T, Instant> at) {
        Map<String, List<T>> map = new HashMap<>();
        for (T t : all) {
            if (!at.apply(t).isAfter(moment)) {
                map.computeIfAbsent(key.apply(t), k -> new ArrayList<>()).add(t);
            }
        }
        return map;
    }

    Known.@Nullable Machine machine(@Nullable String code) {
        return code == null ? null : machines.get(code);
    }

    /** The time out of use in which the moment lies. */
    Known.@Nullable Out out(@Nullable String code) {
        Known.Machine m = machine(code);
        return m == null
                ? null
                : m.out().stream().filter(o -> o.at(moment)).findFirst().orElse(null);
    }

    /** When a task was last finished; null where it never was. */
    @Nullable Instant finished(String task) {
        return finished.get(task);
    }

    /** When it was begun, where it is not finished since. */
    @Nullable Instant begun(String task) {
        Instant last = finished.get(task);
        Instant open = begun.get(task);
        return open == null || last != null && !open.isAfter(last) ? null : open;
    }

    /** Whether the uses of a machine are entered at all. */
    boolean tellsUses(@Nullable String machine) {
        return machine != null && uses.containsKey(machine);
    }

    /** The uses since a moment; one that began before and went on counts from then on. */
    List<Known.Use> uses(@Nullable String machine, @Nullable Instant since) {
        if (machine == null) {
            return List.of();
        }
        List<Known.Use> all = new ArrayList<>();
        for (Known.Use u : uses.getOrDefault(machine, List.of())) {
            Instant to = u.to() == null || u.to().isAfter(moment) ? null : u.to();
            if (since != null && to != null && !to.isAfter(since)) {
                continue;
            }
            Instant from = since != null && u.from().isBefore(since) ? since : u.from();
            all.add(new Known.Use(u.machine(), from, to));
        }
        all.sort(Comparator.comparing(Known.Use::from));
        return all;
    }

    /** How long it was used in them, up to the moment. */
    Duration length(List<Known.Use> all) {
        Duration sum = Duration.ZERO;
        for (Known.Use u : all) {
            sum = sum.plus(Duration.between(u.from(), u.to() == null ? moment : u.to()));
        }
        return sum;
    }

    List<Known.Count> counts(@Nullable String machine, String counter) {
        return machine == null
                ? List.of()
                : counts.getOrDefault(key(machine, counter), List.of()).stream()
                        .sorted(Comparator.comparing(Known.Count::at))
                        .toList();
    }

    /**
     * When the sign was first there after a moment; null where it was not. It stays until the task
     * is done, whatever somebody else sees later: of two answers the more careful one holds.
     */
    @Nullable Instant sign(@Nullable String machine, String sign, @Nullable Instant since) {
        return seen(machine, sign, since).stream()
                .filter(Known.Seen::there)
                .map(Known.Seen::at)
                .findFirst()
                .orElse(null);
    }

    /** All answers to a sign after a moment. */
    List<Known.Seen> seen(@Nullable String machine, String sign, @Nullable Instant since) {
        return signs.getOrDefault(key(machine == null ? "" : machine, sign), List.of()).stream()
                .filter(s -> since == null || s.at().isAfter(since))
                .sorted(Comparator.comparing(Known.Seen::at))
                .toList();
    }

    /** When it first happened after a moment. */
    @Nullable Instant event(@Nullable String machine, String event, @Nullable Instant since) {
        return events.getOrDefault(key(machine == null ? "" : machine, event), List.of()).stream()
                .map(Known.Happened::at)
                .filter(at -> since == null || at.isAfter(since))
                .min(Comparator.naturalOrder())
                .orElse(null);
    }

    /** The newest reason for letting a task go by, given after a moment. */
    Known.@Nullable Missed missed(String task, @Nullable Instant after) {
        return missed.getOrDefault(task, List.of()).stream()
                .filter(m -> after == null || !m.at().isBefore(after))
                .reduce((a, b) -> b.at().isBefore(a.at()) ? a : b)
                .orElse(null);
    }
}
