package orthopur.night;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.night.Night.After;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Plan.Placed;
import orthopur.text.Text;

/**
 * A plan in which somebody took one task and put it elsewhere. All else keeps its person and its
 * time where it can, and goes to the next minute at which it can where it cannot.
 *
 * @param moves what else moves
 * @param breaks what it would break; where anything stands here it cannot be kept
 * @param costs what it would cost, though it can be kept
 */
public record Dragged(Plan plan, List<Moves.Move> moves, List<Text> breaks, List<Text> costs) {
    public Dragged {
        moves = List.copyOf(moves);
        breaks = List.copyOf(breaks);
        costs = List.copyOf(costs);
    }

    /**
     * @param task id of the task
     * @param person who is to do it; null where it stays with whom it is
     * @param minute not before which it begins
     */
    public static Dragged to(
            Night night, Plan plan, String task, @Nullable String person, int minute) {
        List<Text> breaks = new ArrayList<>();
        Map<String, Job> jobs = night.byId();
        Job moved = jobs.get(task);
        Placed stood = plan.byId().get(task);
        if (moved == null || stood == null || moved.running() != null) {
            breaks.add(
                    Text.of(
                            "dragged.fixed",
                            "it has begun, is over, or is not in this night; it cannot be moved"));
            return new Dragged(plan, List.of(), breaks, List.of());
        }
        // What runs by itself is nobody's; only its time moves.
        Person who = moved.hands() ? person(night, person) : null;
        if (who != null && !who.may(moved)) {
            breaks.add(
                    Text.of(
                            "dragged.may-not",
                            "{0} may not do \"{1}\": training, age or right",
                            who.name(),
                            moved.name()));
            return new Dragged(plan, List.of(), breaks, List.of());
        }
        List<String> by =
                who == null || stood.people().contains(who.id())
                        ? stood.people()
                        : moved.people() == 1
                                ? List.of(who.id())
                                : swapped(stood.people(), who.id());
        Map<String, Placed> before = plan.byId();
        Set<String> along = night.byTheSame(task);
        List<Job> fixed = new ArrayList<>();
        for (Job j : night.tasks()) {
            Placed p = before.get(j.id());
            if (j.running() != null || p == null) {
                fixed.add(j);
            } else if (j.id().equals(task)) {
                Job later = moved.notBefore(minute);
                fixed.add(later.hands() ? later.withBy(Set.copyOf(by)) : later);
            } else {
                Job there = j.notBefore(p.from());
                List<String> own = along.contains(j.id()) ? by : p.people();
                fixed.add(j.hands() ? there.withBy(Set.copyOf(own)) : there);
            }
        }
        Night asPut =
                InForce.breaksAsPlanned(
                        new Night(
                                night.until(),
                                night.people(),
                                night.places(),
                                night.heater(),
                                fixed),
                        plan.breaks());
        Plan after = fill(asPut, plan, task, breaks);
        List<Text> costs = new ArrayList<>();
        for (Placed p : after.tasks()) {
            Job j = jobs.get(p.id());
            if (j != null && j.wantedBy() != null && p.to() > j.wantedBy()) {
                costs.add(
                        Text.of(
                                "dragged.late",
                                "\"{0}\" of {1} ends {2} minutes after it is wanted",
                                j.name(),
                                j.group(),
                                p.to() - j.wantedBy()));
            }
        }
        return new Dragged(after, Moves.between(plan, after), breaks, costs);
    }

    private static @Nullable Person person(Night night, @Nullable String id) {
        return night.people().stream().filter(p -> p.id().equals(id)).findFirst().orElse(null);
    }

    private static List<String> swapped(List<String> people, String who) {
        List<String> all = new ArrayList<>(people);
        all.set(0, who);
        return all;
    }

    /** First what comes before it, then itself, then all else in the order in which it stood. */
    private static Plan fill(Night night, Plan plan, String task, List<Text> breaks) {
        Map<String, Job> jobs = night.byId();
        Map<String, Integer> stood = new HashMap<>();
        plan.tasks().forEach(p -> stood.put(p.id(), p.from()));
        Set<String> order = new LinkedHashSet<>();
        before(task, jobs, order, new HashSet<>());
        plan.tasks().stream()
                .sorted(Comparator.comparingInt(Placed::from).thenComparing(Placed::id))
                .forEach(p -> order.add(p.id()));
        Map<String, Integer> ended = new HashMap<>();
        plan.tasks().forEach(p -> ended.put(p.id(), p.to()));
        IndexedNight indexed = new IndexedNight(night);
        Schedule schedule = new Schedule(indexed, ended);
        schedule.breaks(false);
        List<Job> waiting = new ArrayList<>();
        order.stream()
                .map(jobs::get)
                .filter(j -> j != null && !schedule.has(indexed.at(j)))
                .forEach(waiting::add);
        List<String> out = new ArrayList<>();
        plan.unplaced().forEach(u -> out.add(u.id()));
        while (!waiting.isEmpty()) {
            Job next =
                    waiting.stream()
                            .filter(j -> schedule.ready(indexed.at(j)))
                            .findFirst()
                            .orElse(null);
            if (next == null) {
                break;
            }
            waiting.remove(next);
            if (!schedule.place(indexed.at(next))) {
                breaks.add(
                        Text.of(
                                "dragged.no-room",
                                "\"{0}\" of {1} has no room any more",
                                next.name(),
                                next.group()));
                schedule.takeBack(indexed.group[indexed.at(next)]);
                String group = next.group();
                waiting.removeIf(j -> j.group().equals(group));
                out.add(group);
            }
        }
        return Measured.bare(schedule.placed(), schedule.rests(), out);
    }

    private static void before(
            String task, Map<String, Job> jobs, Set<String> order, Set<String> seen) {
        Job j = jobs.get(task);
        if (j == null || !seen.add(task)) {
            return;
        }
        for (After a : j.after()) {
            before(a.task(), jobs, order, seen);
        }
        order.add(task);
    }
}
