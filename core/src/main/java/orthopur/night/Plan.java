package orthopur.night;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.night.Night.Job;
import orthopur.night.Night.Keep;
import orthopur.text.Text;

/**
 * A plan of a night.
 *
 * @param levels what was asked for, the most important first, and how near the best it is
 * @param water the level of the tank over the night
 * @param critical the tasks that decide when the last of it ends, in order
 * @param breaks when each person has their breaks
 * @param unplaced groups that are left out
 */
public record Plan(
        Status status,
        List<Level> levels,
        double seconds,
        List<Placed> tasks,
        List<Rest> breaks,
        List<Water> water,
        List<String> critical,
        List<Unplaced> unplaced) {
    public Plan {
        levels = List.copyOf(levels);
        tasks = List.copyOf(tasks);
        breaks = List.copyOf(breaks);
        water = List.copyOf(water);
        critical = List.copyOf(critical);
        unplaced = List.copyOf(unplaced);
    }

    /** How good it is known to be. */
    public enum Status {
        /** On no level is there a better one. */
        OPTIMAL,
        /** It is valid; on some level a better one was not ruled out. */
        FEASIBLE,
        /** It is valid; the time that was given was over before all levels were tried. */
        CUT_SHORT,
        /** Made for the night as it was earlier, and still valid: nobody is told anew. */
        IN_FORCE,
        /** As people would do it, one after the other; nobody has looked for a better one. */
        AS_PEOPLE_DO
    }

    /** What a plan is measured by, the most important first. */
    public enum Aim {
        /** Machines that are wanted and would stand out of use. */
        OUT_OF_USE,
        /** Other groups that are left out. */
        LEFT_OUT,
        /** Minutes after the time at which something is wanted, summed. */
        LATE,
        /**
         * People at each group beyond the first, summed: work is handed over as rarely as it goes.
         */
        CHANGES,
        /** Minutes of work of whoever has most, in full quarters of an hour. */
        LOAD,
        /**
         * Minutes for which people would wait at the end: from the last work by hand until the last
         * of what runs by itself is over, in full quarters of an hour. Long things come first.
         */
        UNATTENDED,
        /**
         * The minute at which the last of it ends, breaks in the middle of the work included, in
         * full quarters of an hour.
         */
        END
    }

    /**
     * One level of the objective.
     *
     * @param bound below which no plan can be, those of the levels above given
     */
    public record Level(Aim aim, double value, double bound, boolean proved) {
        /** How far it may be from the best, in percent of its value. */
        public double gapPercent() {
            return proved || value <= bound
                    ? 0
                    : 100 * (value - bound) / Math.max(1, Math.abs(value));
        }
    }

    /**
     * Where a task stands.
     *
     * @param place the first that it takes; null where none
     */
    public record Placed(
            String id,
            List<String> people,
            @Nullable String place,
            int from,
            int to,
            boolean hands) {
        public Placed {
            people = List.copyOf(people);
        }
    }

    /** A break of somebody. */
    public record Rest(String person, int from, int to) {}

    /**
     * The tank at a moment.
     *
     * @param litres of hot water in it
     */
    public record Water(int at, double litres) {}

    /**
     * A group that is left out.
     *
     * @param id of the group
     * @param price what would make it fit
     */
    public record Unplaced(String id, boolean must, Text reason, Text price) {}

    /**
     * What stays with a group from one of its tasks to another: a cart with its parts, a ladder.
     *
     * @param place that is taken all the time
     */
    public record Stay(String place, String group, int from, int to) {}

    /** What stays with whom, in the order in which it begins. */
    public List<Stay> stays(Night night) {
        Map<String, Placed> placed = byId();
        List<Stay> all = new ArrayList<>();
        for (Job j : night.tasks()) {
            Placed last = placed.get(j.id());
            if (last == null) {
                continue;
            }
            for (Keep k : j.keeps()) {
                Placed since = k.since() == null ? null : placed.get(k.since());
                int from = since == null ? 0 : since.from();
                all.add(new Stay(k.place(), j.group(), from, last.to()));
            }
        }
        all.sort(Comparator.comparingInt(Stay::from).thenComparing(Stay::group));
        return all;
    }

    /** Each placed task by its id. */
    public Map<String, Placed> byId() {
        Map<String, Placed> all = new HashMap<>();
        tasks.forEach(t -> all.put(t.id(), t));
        return all;
    }

    /** The minute at which the last task ends. */
    public int end() {
        return tasks.stream().mapToInt(Placed::to).max().orElse(0);
    }

    /** The first level on which it is not proved that nothing is better; the last where all are. */
    public @Nullable Level decisive() {
        return levels.stream()
                .filter(l -> !l.proved())
                .findFirst()
                .orElse(levels.isEmpty() ? null : levels.getLast());
    }
}
