package orthopur.due;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** All that is known when somebody asks what is due. Entries stand in any order. */
public record Known(
        SiteDays days,
        List<Machine> machines,
        List<Task> tasks,
        List<Done> done,
        List<Use> uses,
        List<Count> counts,
        List<Seen> signs,
        List<Happened> events,
        List<Missed> missed) {
    public Known {
        machines = List.copyOf(machines);
        tasks = List.copyOf(tasks);
        done = List.copyOf(done);
        uses = List.copyOf(uses);
        counts = List.copyOf(counts);
        signs = List.copyOf(signs);
        events = List.copyOf(events);
        missed = List.copyOf(missed);
    }

    /**
     * A machine.
     *
     * @param clock how long it may be used from the first touch of food on; null for the 4 hours
     *     that hold where nothing else was settled (F1)
     * @param out when it was or is out of use
     */
    public record Machine(String code, @Nullable Duration clock, List<Out> out) {
        public Machine {
            out = List.copyOf(out);
        }
    }

    /**
     * A time out of use.
     *
     * @param to null while it lasts
     */
    public record Out(Instant from, @Nullable Instant to, String why) {
        boolean at(Instant moment) {
            return !moment.isBefore(from) && (to == null || moment.isBefore(to));
        }
    }

    /**
     * A task was done.
     *
     * @param begun null where only its end is known
     * @param finished null while it is begun and not finished, which makes nothing clean
     */
    public record Done(String task, @Nullable Instant begun, @Nullable Instant finished) {}

    /**
     * A machine was used for food.
     *
     * @param to null while it runs
     */
    public record Use(String machine, Instant from, @Nullable Instant to) {}

    /**
     * A counter of a machine was read.
     *
     * @param replaced whether its display was replaced since the reading before, so that it began
     *     again
     */
    public record Count(
            String machine, String counter, double value, Instant at, boolean replaced) {}

    /** Somebody looked for a sign, and it was there or not. */
    public record Seen(String machine, String sign, boolean there, Instant at) {}

    /** Something happened after which something is due. */
    public record Happened(String machine, String event, Instant at) {}

    /** Somebody let a task go by this once, and said why. */
    public record Missed(String task, Instant at, String why, @Nullable String who) {}
}
