package orthopur.night;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.night.Night.After;
import orthopur.night.Night.Break;
import orthopur.night.Night.Job;
import orthopur.night.Night.Keep;
import orthopur.night.Night.Person;
import orthopur.night.Night.Place;
import orthopur.night.Night.Span;
import orthopur.night.Plan.Placed;
import orthopur.night.Plan.Rest;

/**
 * A night that is being filled: each task goes to the earliest minute at which it fits beside what
 * stands there already. Minute by minute in arrays, since thousands of orders are tried.
 */
final class Schedule {
    private final Night night;
    private final Map<String, Job> jobs;
    private final Map<String, List<Job>> groups;
    private final List<Person> people;
    private final Map<String, Integer> personAt = new HashMap<>();
    private final Map<String, Integer> placeAt = new HashMap<>();
    private final boolean[][] busy;
    private final int[][] used;
    private final double[] drawn;
    private final BitSet draws = new BitSet();
    private final int[] load;
    private final List<Rest> rests = new ArrayList<>();
    private final Map<String, Placed> placed = new LinkedHashMap<>();
    private final Map<String, List<Job>> apart = new HashMap<>();
    private final Set<String> leftOut = new HashSet<>();

    /** What is taken when a task begins and kept until another ends. */
    private final Map<String, List<Taken>> takes = new HashMap<>();

    /** Until when each place is kept by each task that gives it back, as far as it is known. */
    private final Map<Taken, Integer> until = new HashMap<>();

    /** Until when that was so in an earlier plan; nothing where there is none. */
    private final Map<String, Integer> ended;

    /** How often each place is kept by what has not ended in this schedule yet. */
    private final int[] open;

    private final Map<String, List<String>> bound = new HashMap<>();

    /**
     * @param groups,jobs of the night, made once where many orders are tried
     */
    Schedule(Night night, Map<String, List<Job>> groups, Map<String, Job> jobs) {
        this(night, groups, jobs, Map.of());
    }

    /**
     * @param ended when each task ended in a plan that this one follows: until then is kept what it
     *     gives back
     */
    Schedule(
            Night night,
            Map<String, List<Job>> groups,
            Map<String, Job> jobs,
            Map<String, Integer> ended) {
        this.night = night;
        this.ended = ended;
        this.groups = groups;
        this.jobs = jobs;
        this.people = night.people();
        this.busy = new boolean[people.size()][night.until()];
        this.load = new int[people.size()];
        this.used = new int[night.places().size()][night.until()];
        this.drawn = new double[night.until()];
        this.open = new int[night.places().size()];
        for (int i = 0; i < people.size(); i++) {
            personAt.put(people.get(i).id(), i);
            Arrays.fill(busy[i], true);
            for (Span s : people.get(i).here()) {
                int from = Math.min(night.until(), Math.max(0, s.from()));
                Arrays.fill(busy[i], from, Math.max(from, Math.min(night.until(), s.to())), false);
            }
        }
        for (int i = 0; i < night.places().size(); i++) {
            placeAt.put(night.places().get(i).id(), i);
        }
        for (Job j : night.tasks()) {
            for (String other : j.apart()) {
                Job o = jobs.get(other);
                if (o != null) {
                    apart.computeIfAbsent(j.id(), k -> new ArrayList<>()).add(o);
                    apart.computeIfAbsent(o.id(), k -> new ArrayList<>()).add(j);
                }
            }
            for (String other : j.sameAs()) {
                bound.computeIfAbsent(j.id(), k -> new ArrayList<>()).add(other);
                bound.computeIfAbsent(other, k -> new ArrayList<>()).add(j.id());
            }
            for (Keep k : j.keeps()) {
                Taken taken = new Taken(k.place(), j.id());
                if (k.since() != null && jobs.containsKey(k.since())) {
                    takes.computeIfAbsent(k.since(), x -> new ArrayList<>()).add(taken);
                } else {
                    take(taken, 0);
                }
            }
        }
        // Whoever works already is not free, whatever is planned first.
        for (Job j : night.tasks()) {
            if (j.running() != null) {
                put(j, j.running().from(), j.running().people());
            }
        }
    }

    List<Placed> placed() {
        return List.copyOf(placed.values());
    }

    List<Rest> rests() {
        return List.copyOf(rests);
    }

    boolean has(Job j) {
        return placed.containsKey(j.id());
    }

    /**
     * Gives everybody their breaks.
     *
     * @param late whether as late as it goes rather than in the middle of their time
     */
    void breaks(boolean late) {
        for (int i = 0; i < people.size(); i++) {
            for (Break b : people.get(i).breaks()) {
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
                rests.add(new Rest(people.get(i).id(), at, at + b.minutes()));
                Arrays.fill(
                        busy[i],
                        Math.min(night.until(), at),
                        Math.min(night.until(), at + b.minutes()),
                        true);
            }
        }
    }

    /** Whether all that it comes after stands, or is not done at all where that will do. */
    boolean ready(Job j) {
        for (After a : j.after()) {
            Job before = jobs.get(a.task());
            boolean never = before == null || leftOut.contains(before.group());
            if (!placed.containsKey(a.task()) && !(a.ifThere() && never)) {
                return false;
            }
        }
        // Until when a place is kept is known only when the task that ends it stands.
        for (Taken taken : takes.getOrDefault(j.id(), List.of())) {
            Integer at = placeAt.get(taken.place());
            if (ended.isEmpty() && at != null && open[at] >= night.places().get(at).slots()) {
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
    boolean place(Job j) {
        int t = j.earliest();
        int last = night.until() - j.minutes();
        for (After a : j.after()) {
            Placed before = placed.get(a.task());
            if (before == null && a.ifThere()) {
                continue;
            }
            Objects.requireNonNull(before);
            t = Math.max(t, before.to() + a.lag());
            if (a.most() != null) {
                last = Math.min(last, before.to() + a.most());
            }
        }
        while (t <= last) {
            int next = blocked(j, t);
            if (next > t) {
                t = next;
                continue;
            }
            List<String> who = people(j, t);
            if (who == null) {
                t++;
                continue;
            }
            put(j, t, who);
            return true;
        }
        return false;
    }

    /** Leaves a group out: takes back what stands of it, but not what has begun. */
    void takeBack(List<Job> group) {
        for (Job j : group) {
            leftOut.add(j.group());
            Placed p = j.running() == null ? placed.remove(j.id()) : null;
            if (p != null) {
                for (String who : p.people()) {
                    int i = Objects.requireNonNull(personAt.get(who));
                    Arrays.fill(busy[i], p.from(), p.to(), false);
                    load[i] -= j.minutes();
                }
                occupy(j, p.from(), -1);
                kept(j, p.from(), -1);
            }
        }
    }

    /** The minute itself where place, neighbors and water let it begin; else the next to try. */
    private int blocked(Job j, int t) {
        int end = t + j.minutes();
        for (String id : j.places()) {
            Integer at = placeAt.get(id);
            if (at == null) {
                continue;
            }
            Place place = night.places().get(at);
            int[] here = used[at];
            for (int m = end - 1; m >= t; m--) {
                if (here[m] + j.slotsOf(id) > place.slots()) {
                    return m + 1;
                }
            }
            if (place.slots() == 1 && place.changeover() > 0 && j.content() != null) {
                int free = changed(j, place, t, end);
                if (free > t) {
                    return free;
                }
            }
        }
        for (Taken taken : takes.getOrDefault(j.id(), List.of())) {
            int full = full(taken.place(), t, keptUntil(taken, t));
            if (full >= 0) {
                return full + 1;
            }
        }
        for (Keep k : j.keeps()) {
            Integer known = until.get(new Taken(k.place(), j.id()));
            if (known != null && full(k.place(), known, end) >= 0) {
                // Nobody else gives way; later it is no better.
                return night.until();
            }
        }
        for (Job o : apart.getOrDefault(j.id(), List.of())) {
            Placed p = placed.get(o.id());
            if (p != null && t < p.to() && p.from() < end) {
                return p.to();
            }
        }
        return night.heater() != null && j.hotLitres() > 0 && cold(j.hotLitres(), t) ? t + 1 : t;
    }

    private int changed(Job j, Place place, int t, int end) {
        for (Placed p : placed.values()) {
            Job o = Objects.requireNonNull(jobs.get(p.id()));
            if (o.content() != null
                    && !o.content().equals(j.content())
                    && o.places().contains(place.id())
                    && t < p.to() + place.changeover()
                    && p.from() < end + place.changeover()) {
                return p.to() + place.changeover();
            }
        }
        return t;
    }

    private boolean cold(double litres, int at) {
        Night.Heater heater = Objects.requireNonNull(night.heater());
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

    /** Who does it: whoever is at the machine already, then who may do least else, then by load. */
    private @Nullable List<String> people(Job j, int t) {
        if (!j.hands()) {
            return List.of();
        }
        List<String> who = new ArrayList<>(j.people());
        boolean[] taken = new boolean[people.size()];
        for (int n = 0; n < j.people(); n++) {
            int best = -1;
            long least = Long.MAX_VALUE;
            for (int i = 0; i < people.size(); i++) {
                if (taken[i] || !people.get(i).may(j) || !free(i, t, j.minutes()) || barred(j, i)) {
                    continue;
                }
                long cost =
                        (did(i, j) ? 0 : 1_000_000L)
                                + people.get(i).skills().size() * 40L
                                + load[i];
                if (cost < least) {
                    least = cost;
                    best = i;
                }
            }
            if (best < 0) {
                return null;
            }
            taken[best] = true;
            who.add(people.get(best).id());
        }
        return who;
    }

    private boolean barred(Job j, int person) {
        for (String other : j.otherThan()) {
            Placed o = placed.get(other);
            if (o != null && o.people().contains(people.get(person).id())) {
                return true;
            }
        }
        for (String other : bound.getOrDefault(j.id(), List.of())) {
            Placed o = placed.get(other);
            if (o != null && !o.people().contains(people.get(person).id())) {
                return true;
            }
        }
        return false;
    }

    private boolean did(int person, Job j) {
        for (Job o : groups.getOrDefault(j.group(), List.of())) {
            Placed p = placed.get(o.id());
            if (p != null && p.people().contains(people.get(person).id())) {
                return true;
            }
        }
        return false;
    }

    private boolean free(int person, int from, int minutes) {
        if (from < 0 || from + minutes > night.until()) {
            return false;
        }
        for (int m = from; m < from + minutes; m++) {
            if (busy[person][m]) {
                return false;
            }
        }
        return true;
    }

    private void put(Job j, int from, List<String> who) {
        int to = from + j.minutes();
        placed.put(
                j.id(),
                new Placed(
                        j.id(),
                        who,
                        j.places().isEmpty() ? null : j.places().getFirst(),
                        from,
                        to,
                        j.hands()));
        for (String w : who) {
            Integer i = personAt.get(w);
            if (i != null) {
                Arrays.fill(busy[i], from, Math.min(night.until(), to), true);
                load[i] += j.minutes();
            }
        }
        occupy(j, from, 1);
        kept(j, from, 1);
    }

    /**
     * What is taken when a task begins.
     *
     * @param back the task that gives it back
     */
    private record Taken(String place, String back) {}

    /** What it takes is taken until it is known when it is back, and from there it is free. */
    private void kept(Job j, int from, int by) {
        for (Taken taken : takes.getOrDefault(j.id(), List.of())) {
            if (by > 0) {
                take(taken, from);
            } else {
                occupy(taken.place(), from, Objects.requireNonNull(until.remove(taken)), -1);
                // What was given back already is not given back twice.
                open(taken.place(), placed.containsKey(taken.back()) ? 0 : -1);
            }
        }
        int to = from + j.minutes();
        for (Keep k : j.keeps()) {
            Taken taken = new Taken(k.place(), j.id());
            Integer known = until.get(taken);
            if (known == null) {
                continue;
            }
            if (by > 0) {
                occupy(k.place(), Math.min(known, to), Math.max(known, to), to > known ? 1 : -1);
                until.put(taken, to);
            }
            open(k.place(), -by);
        }
    }

    private void take(Taken taken, int from) {
        int to = keptUntil(taken, from);
        until.put(taken, to);
        occupy(taken.place(), from, to, 1);
        open(taken.place(), 1);
    }

    private int keptUntil(Taken taken, int from) {
        return Math.max(from, ended.getOrDefault(taken.back(), night.until()));
    }

    private void open(String place, int by) {
        Integer at = placeAt.get(place);
        if (at != null) {
            open[at] += by;
        }
    }

    private void occupy(String place, int from, int to, int by) {
        Integer at = placeAt.get(place);
        for (int m = from; at != null && m < Math.min(night.until(), to); m++) {
            used[at][m] += by;
        }
    }

    /** The last minute between two at which a place takes nothing more; -1 where there is none. */
    private int full(String place, int from, int to) {
        Integer at = placeAt.get(place);
        for (int m = Math.min(night.until(), to) - 1; at != null && m >= from; m--) {
            if (used[at][m] >= night.places().get(at).slots()) {
                return m;
            }
        }
        return -1;
    }

    private void occupy(Job j, int from, int by) {
        int to = Math.min(night.until(), from + j.minutes());
        for (String id : j.places()) {
            Integer at = placeAt.get(id);
            for (int m = from; at != null && m < to; m++) {
                used[at][m] += by;
            }
        }
        if (from < night.until()) {
            drawn[from] += by * j.hotLitres();
            draws.set(from, drawn[from] > 1e-9);
        }
    }
}
