package orthopur.night;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import orthopur.night.Night.After;
import orthopur.night.Night.Job;
import orthopur.night.Plan.Aim;

/**
 * Tries many orders in which the tasks of a night are placed, and keeps the best plan. It proves
 * nothing; what it finds is where the solver begins. The same night and the same number of tries
 * give the same plan.
 */
public final class Search {
    private static final long SEED = 20_261_129;

    private final Night night;
    private final Map<String, List<Job>> groups;
    private final Map<String, Job> jobs;
    private final Random random = new Random(SEED);
    private final Map<String, Double> rank = new HashMap<>();
    private final Map<String, Integer> tail = new HashMap<>();

    private Search(Night night) {
        this.night = night;
        this.groups = night.groups();
        this.jobs = night.byId();
        Map<String, List<Job>> followers = new HashMap<>();
        for (Job j : night.tasks()) {
            for (After a : j.after()) {
                followers.computeIfAbsent(a.task(), k -> new ArrayList<>()).add(j);
            }
        }
        for (Job j : night.tasks()) {
            tail.put(j.id(), tail(j, followers, 0));
        }
    }

    /** Minutes from the beginning of a task to the end of the last that waits for it. */
    private int tail(Job j, Map<String, List<Job>> followers, int depth) {
        int longest = 0;
        if (depth < night.tasks().size()) {
            for (Job f : followers.getOrDefault(j.id(), List.of())) {
                longest = Math.max(longest, tail(f, followers, depth + 1));
            }
        }
        return Math.min(100_000, j.minutes() + longest);
    }

    /**
     * The best of so many plans, each the best so far with a little of its order changed.
     *
     * @param tries from 1
     */
    public static Plan best(Night night, int tries) {
        Search s = new Search(night);
        Plan best = Greedy.bare(night);
        if (night.tasks().isEmpty()) {
            return best;
        }
        Map<Aim, Double> worth = Measured.values(night, best);
        for (Job j : night.tasks()) {
            int wanted = j.wantedBy() == null ? night.until() : j.wantedBy();
            s.rank.put(j.id(), wanted * 0.3 - s.tail.getOrDefault(j.id(), 0));
        }
        Plan at = best;
        Map<Aim, Double> atWorth = worth;
        for (int i = 0; i < tries; i++) {
            Map<String, Double> before = new HashMap<>(s.rank);
            if (i > 0) {
                s.shake(at);
            }
            Plan next = s.fill(i % 2 == 0);
            Map<Aim, Double> now = Measured.values(night, next);
            int better = s.nearer(next, now, at, atWorth);
            if (better < 0) {
                at = next;
                atWorth = now;
            }
            if (compare(now, worth) < 0) {
                best = next;
                worth = now;
            }
            // What is as good moves on; what is worse is forgotten.
            if (better > 0 && i > 0) {
                s.rank.clear();
                s.rank.putAll(before);
            }
        }
        return best;
    }

    /**
     * Level by level; but of two plans that leave as much out the better is the one that leaves
     * less work out, though it has more people at its machines: it is nearer to a plan with all of
     * it.
     */
    private int nearer(Plan next, Map<Aim, Double> now, Plan best, Map<Aim, Double> worth) {
        boolean asMany =
                Stream.of(Aim.OUT_OF_USE, Aim.LEFT_OUT)
                        .allMatch(
                                aim ->
                                        now.getOrDefault(aim, 0.0)
                                                .equals(worth.getOrDefault(aim, 0.0)));
        if (asMany && !next.unplaced().isEmpty()) {
            int c = Integer.compare(minutesOut(next), minutesOut(best));
            if (c != 0) {
                return c;
            }
        }
        return compare(now, worth);
    }

    private int minutesOut(Plan plan) {
        int all = 0;
        for (Plan.Unplaced u : plan.unplaced()) {
            for (Job j : groups.getOrDefault(u.id(), List.of())) {
                all += j.minutes() * Math.max(1, j.people());
            }
        }
        return all;
    }

    /** Level by level. */
    public static int compare(Map<Aim, Double> a, Map<Aim, Double> b) {
        for (Aim aim : Aim.values()) {
            int c = Double.compare(a.getOrDefault(aim, 0.0), b.getOrDefault(aim, 0.0));
            if (c != 0) {
                return c;
            }
        }
        return 0;
    }

    private void shake(Plan at) {
        if (!at.unplaced().isEmpty() && random.nextBoolean()) {
            // What found no room comes sooner.
            int which = random.nextInt(at.unplaced().size());
            double by = -30 - Math.abs(random.nextGaussian() * 90);
            for (Job o : groups.getOrDefault(at.unplaced().get(which).id(), List.of())) {
                rank.merge(o.id(), by, Double::sum);
            }
            return;
        }
        int moves = 1 + random.nextInt(3);
        for (int i = 0; i < moves; i++) {
            Job j = night.tasks().get(random.nextInt(night.tasks().size()));
            double by = random.nextGaussian() * 60;
            if (random.nextInt(3) == 0) {
                // The whole of a machine sooner or later.
                for (Job o : groups.getOrDefault(j.group(), List.of())) {
                    rank.merge(o.id(), by, Double::sum);
                }
            } else {
                rank.merge(j.id(), by, Double::sum);
            }
        }
    }

    /** Places the tasks by rank, each as soon as what it waits for stands. */
    private Plan fill(boolean lateBreaks) {
        Schedule schedule = new Schedule(night, groups, jobs);
        schedule.breaks(lateBreaks);
        List<String> out = new ArrayList<>();
        List<Job> left = new ArrayList<>(night.tasks());
        left.removeIf(schedule::has);
        while (!left.isEmpty()) {
            Job next = null;
            for (Job j : left) {
                if (schedule.ready(j)
                        && (next == null
                                || rank.getOrDefault(j.id(), 0.0)
                                        < rank.getOrDefault(next.id(), 0.0))) {
                    next = j;
                }
            }
            if (next == null) {
                left.forEach(
                        j -> {
                            if (!out.contains(j.group())) {
                                out.add(j.group());
                            }
                        });
                break;
            }
            if (schedule.place(next)) {
                left.remove(next);
            } else {
                String group = next.group();
                schedule.takeBack(groups.getOrDefault(group, List.of()));
                left.removeIf(j -> j.group().equals(group));
                out.add(group);
            }
        }
        for (String group : out) {
            schedule.takeBack(groups.getOrDefault(group, List.of()));
        }
        return Measured.bare(schedule.placed(), schedule.rests(), out);
    }
}
