package orthopur.night;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import orthopur.night.IndexedNight.Before;
import orthopur.night.IndexedNight.Changed;
import orthopur.night.IndexedNight.Taken;
import orthopur.night.IndexedNight.Takes;
import orthopur.night.Night.Break;
import orthopur.night.Night.Job;
import orthopur.night.Night.Span;
import orthopur.night.Plan.Placed;
import orthopur.night.Plan.Rest;

/**
 * A night that is being filled: each task goes to the earliest minute at which it fits beside what
 * stands there already. Minute by minute in arrays, since thousands of orders are tried.
 */
final class Schedule {
    /** Nobody goes to a second machine who can stay at one, whatever else they have to do. */
    private static final long ANOTHER_MACHINE = 1_000_000;

    /** Whoever may do more than others is kept free for it: as if they had so many minutes more. */
    private static final long A_SKILL = 40;

    private static final int NOT_YET = -1;

    private final IndexedNight night;
    private final boolean[][] busy;
    private final int[][] used;
    private final double[] drawn;
    private final BitSet draws = new BitSet();
    private final int[] load;
    private final List<Rest> rests = new ArrayList<>();
    private final int[] from;
    private final int[][] who;
    private final boolean[] leftOut;

    /** How many tasks of each group each person does. */
    private final int[][] did;

    /** Until when each place is kept, as far as it is known, by number of what is taken. */
    private final int[] until;

    /** Until when that was so in an earlier plan. */
    private final Map<String, Integer> ended;

    /** How often each place is kept by what has not ended in this schedule yet. */
    private final int[] open;

    Schedule(IndexedNight night) {
        this(night, Map.of());
    }

    /**
     * @param ended when each task ended in a plan that this one follows: until then is kept what it
     *     gives back
     */
    Schedule(IndexedNight night, Map<String, Integer> ended) {
        this.night = night;
        this.ended = ended;
        int people = night.people.size();
        this.busy = new boolean[people][night.until];
        this.load = new int[people];
        this.used = new int[night.places.size()][night.until];
        this.drawn = new double[night.until];
        this.open = new int[night.places.size()];
        this.from = new int[night.jobs.size()];
        this.who = new int[night.jobs.size()][];
        this.leftOut = new boolean[night.groups.size()];
        this.did = new int[night.groups.size()][people];
        this.until = new int[night.taken.size()];
        Arrays.fill(from, NOT_YET);
        Arrays.fill(until, NOT_YET);
        for (int i = 0; i < people; i++) {
            Arrays.fill(busy[i], true);
            for (Span s : night.people.get(i).here()) {
                int begin = Math.min(night.until, Math.max(0, s.from()));
                Arrays.fill(busy[i], begin, Math.max(begin, Math.min(night.until, s.to())), false);
            }
        }
        for (int k = 0; k < until.length; k++) {
            if (night.taken.get(k).since() < 0) {
                take(k, 0);
            }
        }
        // Whoever works already is not free, whatever is planned first.
        for (int j = 0; j < from.length; j++) {
            Night.Running running = night.jobs.get(j).running();
            if (running != null) {
                put(j, running.from(), night.people(running.people()));
            }
        }
    }

    List<Placed> placed() {
        List<Placed> all = new ArrayList<>();
        for (int j = 0; j < from.length; j++) {
            if (has(j)) {
                all.add(placed(j));
            }
        }
        return all;
    }

    private Placed placed(int j) {
        Job job = night.jobs.get(j);
        List<String> people =
                job.running() != null
                        ? job.running().people()
                        : Arrays.stream(who[j]).mapToObj(i -> night.people.get(i).id()).toList();
        String place = job.places().isEmpty() ? null : job.places().getFirst();
        return new Placed(job.id(), people, place, from[j], to(j), job.hands());
    }

    List<Rest> rests() {
        return List.copyOf(rests);
    }

    boolean has(int j) {
        return from[j] != NOT_YET;
    }

    private int to(int j) {
        return from[j] + minutes(j);
    }

    private int minutes(int j) {
        return night.jobs.get(j).minutes();
    }

    /**
     * Gives everybody their breaks.
     *
     * @param late whether as late as it goes rather than in the middle of their time
     */
    void breaks(boolean late) {
        for (int i = 0; i < busy.length; i++) {
            String person = night.people.get(i).id();
            for (Break b : night.people.get(i).breaks()) {
                int middle = late ? b.to() - b.minutes() : (b.from() + b.to() - b.minutes()) / 2;
                int at = middle;
                for (int off = 0; off <= b.to() - b.from(); off++) {
                    if (middle - off >= b.from() && free(i, middle - off, b.minutes())) {
                        at = middle - off;
                        break;
                    }
                    if (middle + off + b.minutes() <= b.to()
                            && free(i, middle + off, b.minutes())) {
                        at = middle + off;
                        break;
                    }
                }
                rests.add(new Rest(person, at, at + b.minutes()));
                Arrays.fill(
                        busy[i],
                        Math.min(night.until, at),
                        Math.min(night.until, at + b.minutes()),
                        true);
            }
        }
    }

    /** Whether all that it comes after stands, or is not done at all where that will do. */
    boolean ready(int j) {
        for (Before b : night.before[j]) {
            boolean never = b.task() < 0 || leftOut[night.group[b.task()]];
            if (!(b.task() >= 0 && has(b.task())) && !(b.ifThere() && never)) {
                return false;
            }
        }
        // Until when a place is kept is known only when the task that ends it stands.
        for (int k : night.takesWith[j]) {
            int place = night.taken.get(k).place();
            if (ended.isEmpty() && open[place] >= night.places.get(place).slots()) {
                return false;
            }
        }
        return true;
    }

    /**
     * Places a task at the earliest minute at which it fits.
     *
     * @return false where it fits nowhere
     */
    boolean place(int j) {
        Job job = night.jobs.get(j);
        int t = job.earliest();
        int last = night.until - job.minutes();
        for (Before b : night.before[j]) {
            if (b.task() >= 0 && has(b.task())) {
                t = Math.max(t, to(b.task()) + b.lag());
                if (b.most() != Integer.MAX_VALUE) {
                    last = Math.min(last, to(b.task()) + b.most());
                }
            }
        }
        boolean[] barred = barred(j);
        while (t <= last) {
            int next = blocked(j, t);
            next = next > t || !job.hands() ? next : occupied(job, t, barred);
            if (next == t) {
                put(j, t, job.hands() ? people(j, t, barred) : new int[0]);
                return true;
            }
            t = next;
        }
        return false;
    }

    /** Leaves a group out: takes back what stands of it, but not what has begun. */
    void takeBack(int group) {
        for (int j : night.inGroup[group]) {
            leftOut[group] = true;
            if (night.jobs.get(j).running() == null && has(j)) {
                int begun = from[j];
                from[j] = NOT_YET;
                for (int i : who[j]) {
                    Arrays.fill(busy[i], begun, begun + minutes(j), false);
                    load[i] -= minutes(j);
                    did[group][i]--;
                }
                occupy(j, begun, -1);
                kept(j, begun, -1);
            }
        }
    }

    /** The minute itself where place, neighbors and water let it begin; else the next to try. */
    private int blocked(int j, int t) {
        Job job = night.jobs.get(j);
        int end = t + job.minutes();
        for (Takes p : night.takes[j]) {
            int[] here = used[p.place()];
            int most = night.places.get(p.place()).slots() - p.slots();
            for (int m = end - 1; m >= t; m--) {
                if (here[m] > most) {
                    return m + 1;
                }
            }
        }
        for (Changed c : night.changed[j]) {
            if (has(c.task())
                    && t < to(c.task()) + c.minutes()
                    && from[c.task()] < end + c.minutes()) {
                return to(c.task()) + c.minutes();
            }
        }
        for (int k : night.takesWith[j]) {
            int full = full(night.taken.get(k).place(), t, keptUntil(k, t));
            if (full >= 0) {
                return full + 1;
            }
        }
        for (int k : night.givesBack[j]) {
            if (until[k] != NOT_YET && full(night.taken.get(k).place(), until[k], end) >= 0) {
                // Nobody else gives way; later it is no better.
                return night.until;
            }
        }
        for (int o : night.apart[j]) {
            if (has(o) && t < to(o) && from[o] < end) {
                return to(o);
            }
        }
        boolean cold =
                night.night.heater() != null
                        && job.hotLitres() > 0
                        && cold(night.night.heater(), job.hotLitres(), t);
        return cold ? t + 1 : t;
    }

    private boolean cold(Night.Heater heater, double litres, int at) {
        double level = heater.litres();
        int before = 0;
        boolean there = false;
        for (int m = draws.nextSetBit(0); m >= 0 || !there; m = draws.nextSetBit(m + 1)) {
            if (!there && (m < 0 || at <= m)) {
                there = true;
                level = Math.min(heater.litres(), level + (at - before) * heater.perMinute());
                level -= litres;
                before = at;
            }
            if (m >= 0) {
                level = Math.min(heater.litres(), level + (m - before) * heater.perMinute());
                level -= drawn[m];
                before = m;
            }
            if (level < 0) {
                return true;
            }
            if (m < 0) {
                break;
            }
        }
        return false;
    }

    /**
     * The minute itself where enough people are free for it; else the next at which one more could
     * be.
     */
    private int occupied(Job job, int t, boolean[] barred) {
        int free = 0;
        int next = night.until;
        for (int i = 0; i < busy.length; i++) {
            if (!barred[i]) {
                int last = lastBusy(i, t, job.minutes());
                free += last < t ? 1 : 0;
                next = last < t ? next : Math.min(next, last + 1);
            }
        }
        return free >= job.people() ? t : next;
    }

    /** Who does it: whoever is at the machine already, then who may do least else, then by load. */
    private int[] people(int j, int t, boolean[] barred) {
        int[] all = new int[night.jobs.get(j).people()];
        boolean[] not = barred.clone();
        for (int n = 0; n < all.length; n++) {
            int best = -1;
            long least = Long.MAX_VALUE;
            for (int i = 0; i < busy.length; i++) {
                if (not[i] || !free(i, t, minutes(j))) {
                    continue;
                }
                long cost =
                        (did[night.group[j]][i] > 0 ? 0 : ANOTHER_MACHINE)
                                + night.people.get(i).skills().size() * A_SKILL
                                + load[i];
                if (cost < least) {
                    least = cost;
                    best = i;
                }
            }
            not[best] = true;
            all[n] = best;
        }
        return all;
    }

    /** Who may not do it, by what they may at all and by what others of its tasks they do. */
    private boolean[] barred(int j) {
        boolean[] all = new boolean[busy.length];
        for (int i = 0; i < all.length; i++) {
            all[i] = !night.may[i][j];
        }
        for (int o : night.otherThan[j]) {
            for (int i : has(o) ? who[o] : new int[0]) {
                all[i] = true;
            }
        }
        for (int o : night.bound[j]) {
            for (int i = 0; has(o) && i < all.length; i++) {
                int person = i;
                all[i] |= Arrays.stream(who[o]).noneMatch(p -> p == person);
            }
        }
        return all;
    }

    private boolean free(int person, int from, int minutes) {
        return from >= 0 && from + minutes <= night.until && lastBusy(person, from, minutes) < from;
    }

    /** The last minute of a stretch at which somebody is busy; before it where they are free. */
    private int lastBusy(int person, int from, int minutes) {
        int m = from + minutes - 1;
        while (m >= from && !busy[person][m]) {
            m--;
        }
        return m;
    }

    private void put(int j, int at, int[] people) {
        from[j] = at;
        who[j] = people;
        for (int i : people) {
            Arrays.fill(busy[i], at, Math.min(night.until, to(j)), true);
            load[i] += minutes(j);
            did[night.group[j]][i]++;
        }
        occupy(j, at, 1);
        kept(j, at, 1);
    }

    /** What it takes is taken until it is known when it is back, and from there it is free. */
    private void kept(int j, int at, int by) {
        for (int k : night.takesWith[j]) {
            if (by > 0) {
                take(k, at);
            } else {
                Taken taken = night.taken.get(k);
                occupy(taken.place(), at, until[k], -1);
                until[k] = NOT_YET;
                // What was given back already is not given back twice.
                open[taken.place()] -= has(taken.back()) ? 0 : 1;
            }
        }
        int to = at + minutes(j);
        for (int k : night.givesBack[j]) {
            int place = night.taken.get(k).place();
            if (until[k] == NOT_YET) {
                continue;
            }
            if (by > 0) {
                int known = until[k];
                occupy(place, Math.min(known, to), Math.max(known, to), to > known ? 1 : -1);
                until[k] = to;
            }
            open[place] -= by;
        }
    }

    private void take(int k, int at) {
        until[k] = keptUntil(k, at);
        int place = night.taken.get(k).place();
        occupy(place, at, until[k], 1);
        open[place]++;
    }

    private int keptUntil(int k, int at) {
        String back = night.jobs.get(night.taken.get(k).back()).id();
        return Math.max(at, ended.getOrDefault(back, night.until));
    }

    private void occupy(int place, int at, int to, int by) {
        for (int m = at; m < Math.min(night.until, to); m++) {
            used[place][m] += by;
        }
    }

    /** The last minute between two at which a place takes nothing more; -1 where there is none. */
    private int full(int place, int at, int to) {
        int slots = night.places.get(place).slots();
        for (int m = Math.min(night.until, to) - 1; m >= at; m--) {
            if (used[place][m] >= slots) {
                return m;
            }
        }
        return -1;
    }

    private void occupy(int j, int at, int by) {
        for (Takes p : night.takes[j]) {
            occupy(p.place(), at, at + minutes(j), by * p.slots());
        }
        if (at < night.until) {
            drawn[at] += by * night.jobs.get(j).hotLitres();
            draws.set(at, drawn[at] > 1e-9);
        }
    }
}
