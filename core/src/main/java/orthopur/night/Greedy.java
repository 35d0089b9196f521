package orthopur.night;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import orthopur.night.Night.Job;

/**
 * A plan as people make it: what is wanted first is begun first, whoever is free does it, and
 * nobody looks ahead. It is the plan where there is no solver, and what a better one is compared
 * with.
 */
public final class Greedy implements Planner {

    @Override
    public Plan plan(Night night, double seconds) {
        long begun = System.nanoTime();
        IndexedNight indexed = new IndexedNight(night);
        Schedule schedule = new Schedule(indexed);
        List<String> out = fill(indexed, schedule);
        double took = (System.nanoTime() - begun) / 1e9;
        return Measured.plan(
                night,
                Plan.Status.AS_PEOPLE_DO,
                schedule.placed(),
                schedule.rests(),
                out,
                List.of(),
                took);
    }

    /** The same plan, without asking why something is left out. */
    static Plan bare(Night night) {
        IndexedNight indexed = new IndexedNight(night);
        Schedule schedule = new Schedule(indexed);
        List<String> out = fill(indexed, schedule);
        return Measured.bare(schedule.placed(), schedule.rests(), out);
    }

    /** The groups for which there is no room, without asking why. */
    static List<String> leftOut(Night night) {
        IndexedNight indexed = new IndexedNight(night);
        return fill(indexed, new Schedule(indexed));
    }

    /** Places every group, what is wanted first at first; what is left out comes back. */
    private static List<String> fill(IndexedNight night, Schedule schedule) {
        schedule.breaks(false);
        List<Map.Entry<String, List<Job>>> waiting =
                new ArrayList<>(night.night.groups().entrySet());
        waiting.sort(
                Comparator.comparing(
                                (Map.Entry<String, List<Job>> g) ->
                                        g.getValue().stream().noneMatch(j -> j.running() != null))
                        .thenComparing(g -> g.getValue().stream().noneMatch(Job::must))
                        .thenComparing(g -> wanted(g.getValue()))
                        .thenComparing(Map.Entry::getKey));
        List<String> out = new ArrayList<>();
        // What others wait for comes before them, whatever it is wanted for itself.
        boolean moved = true;
        while (moved && !waiting.isEmpty()) {
            moved = false;
            for (Map.Entry<String, List<Job>> g : List.copyOf(waiting)) {
                if (waiting.stream().noneMatch(o -> o != g && comesAfter(g, o))) {
                    waiting.remove(g);
                    moved = true;
                    if (!place(night, schedule, night.groups.indexOf(g.getKey()))) {
                        out.add(g.getKey());
                    }
                    break;
                }
            }
        }
        waiting.forEach(g -> out.add(g.getKey()));
        return out;
    }

    /** Whether something of one group waits for the other. */
    private static boolean comesAfter(
            Map.Entry<String, List<Job>> g, Map.Entry<String, List<Job>> other) {
        return g.getValue().stream()
                .flatMap(j -> j.after().stream())
                .anyMatch(a -> other.getValue().stream().anyMatch(o -> o.id().equals(a.task())));
    }

    private static int wanted(List<Job> group) {
        int first = Integer.MAX_VALUE;
        for (Job j : group) {
            first = j.wantedBy() == null ? first : Math.min(first, j.wantedBy());
        }
        return first;
    }

    /** Places a whole group, or nothing of it. */
    private static boolean place(IndexedNight night, Schedule schedule, int group) {
        List<Integer> left =
                Arrays.stream(night.inGroup[group]).boxed().collect(Collectors.toList());
        left.removeIf(schedule::has);
        while (!left.isEmpty()) {
            Integer next = left.stream().filter(schedule::ready).findFirst().orElse(null);
            if (next == null || !schedule.place(next)) {
                schedule.takeBack(group);
                return false;
            }
            left.remove(next);
        }
        return true;
    }
}
