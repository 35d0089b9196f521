package orthopur.night;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import orthopur.night.IndexedNight.Before;
import orthopur.night.Night.Job;
import orthopur.night.Plan.Aim;
import orthopur.night.Plan.Placed;

/**
 * Tries many orders in which the tasks of a night are placed, and keeps the best plan. It proves
 * nothing; what it finds is where the solver begins. The same night and the same number of tries
 * give the same plan.
 */
public final class Search {
    private static final long SEED = 20_261_129;

    /** Longer than any chain of tasks. */
    private static final int NO_END = 100_000;

    private final Night night;
    private final IndexedNight indexed;
    private final Random random = new Random(SEED);
    private final double[] rank;

    private Search(Night night) {
        this.night = night;
        this.indexed = new IndexedNight(night);
        this.rank = new double[indexed.jobs.size()];
        List<List<Integer>> followers = new ArrayList<>();
        for (int j = 0; j < rank.length; j++) {
            followers.add(new ArrayList<>());
        }
        for (int j = 0; j < rank.length; j++) {
            for (Before b : indexed.before[j]) {
                if (b.task() >= 0) {
                    followers.get(b.task()).add(j);
                }
            }
        }
        int[] tails = new int[rank.length];
        for (int j = 0; j < rank.length; j++) {
            Job job = indexed.jobs.get(j);
            int wanted = job.wantedBy() == null ? night.until() : job.wantedBy();
            rank[j] = wanted * 0.3 - tail(j, followers, tails, 0);
        }
    }

    /** Minutes from the beginning of a task to the end of the last that waits for it. */
    private int tail(int j, List<List<Integer>> followers, int[] known, int depth) {
        if (known[j] == 0) {
            int longest = 0;
            if (depth < rank.length) {
                for (int f : followers.get(j)) {
                    longest = Math.max(longest, tail(f, followers, known, depth + 1));
                }
            }
            known[j] = Math.min(NO_END, indexed.jobs.get(j).minutes() + longest);
        }
        return known[j];
    }

    /**
     * The best of so many plans, each the best so far with a little of its order changed.
     *
     * @param tries from 1
     */
    public static Plan best(Night night, int tries) {
        Plan best = Greedy.bare(night);
        if (night.tasks().isEmpty()) {
            return best;
        }
        Search s = new Search(night);
        Map<Aim, Double> worth = Measured.values(night, best);
        Plan at = best;
        Map<Aim, Double> atWorth = worth;
        for (int i = 0; i < tries; i++) {
            double[] before = s.rank.clone();
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
                System.arraycopy(before, 0, s.rank, 0, before.length);
            }
        }
        return best;
    }

    /**
     * Level by level; but of two plans that leave as much out the better is the one that leaves
     * less work out, though it has more people at its machines: it is nearer to a plan with all of
     * it. Of two that are as good the better ends sooner, if only by a minute.
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
        int c = compare(now, worth);
        return c == 0 ? Integer.compare(end(next), end(best)) : c;
    }

    private static int end(Plan plan) {
        return plan.tasks().stream().mapToInt(Placed::to).max().orElse(0);
    }

    private int minutesOut(Plan plan) {
        int all = 0;
        for (Plan.Unplaced u : plan.unplaced()) {
            for (int j : indexed.inGroup[indexed.groups.indexOf(u.id())]) {
                Job job = indexed.jobs.get(j);
                all += job.minutes() * Math.max(1, job.people());
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
            move(at.unplaced().get(which).id(), -30 - Math.abs(random.nextGaussian() * 90));
            return;
        }
        int moves = 1 + random.nextInt(3);
        for (int i = 0; i < moves; i++) {
            int j = random.nextInt(rank.length);
            double by = random.nextGaussian() * 60;
            if (random.nextInt(3) == 0) {
                // The whole of a machine sooner or later.
                move(indexed.jobs.get(j).group(), by);
            } else {
                rank[j] += by;
            }
        }
    }

    private void move(String group, double by) {
        for (int j : indexed.inGroup[indexed.groups.indexOf(group)]) {
            rank[j] += by;
        }
    }

    /** Places the tasks by rank, each as soon as what it waits for stands. */
    private Plan fill(boolean lateBreaks) {
        Schedule schedule = new Schedule(indexed);
        schedule.breaks(lateBreaks);
        int[] order =
                IntStream.range(0, rank.length)
                        .boxed()
                        .sorted(Comparator.comparingDouble((Integer j) -> rank[j]))
                        .mapToInt(j -> j)
                        .filter(j -> !schedule.has(j))
                        .toArray();
        Set<Integer> out = new LinkedHashSet<>();
        int left = order.length;
        while (left > 0) {
            int next = 0;
            while (next < left && !schedule.ready(order[next])) {
                next++;
            }
            if (next == left) {
                Arrays.stream(order, 0, left).sorted().forEach(j -> out.add(indexed.group[j]));
                break;
            }
            int j = order[next];
            int group = indexed.group[j];
            if (schedule.place(j)) {
                left--;
                System.arraycopy(order, next + 1, order, next, left - next);
            } else {
                schedule.takeBack(group);
                out.add(group);
                int kept = 0;
                for (int i = 0; i < left; i++) {
                    if (indexed.group[order[i]] != group) {
                        order[kept++] = order[i];
                    }
                }
                left = kept;
            }
        }
        out.forEach(schedule::takeBack);
        return Measured.bare(
                schedule.placed(),
                schedule.rests(),
                out.stream().map(indexed.groups::get).toList());
    }
}
