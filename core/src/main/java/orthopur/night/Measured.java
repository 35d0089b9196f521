package orthopur.night;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.night.Night.After;
import orthopur.night.Night.Job;
import orthopur.night.Plan.Aim;
import orthopur.night.Plan.Level;
import orthopur.night.Plan.Placed;
import orthopur.night.Plan.Rest;
import orthopur.night.Plan.Unplaced;
import orthopur.text.Text;

/** A plan with all that follows from where its tasks stand. */
public final class Measured {
    /** The tank is told each so many minutes. */
    private static final int WATER_EVERY = 15;

    /** Nobody feels a difference of less. */
    public static final int QUARTER = 15;

    private Measured() {}

    /**
     * Makes a plan out of its tasks: its measures, the water, what decides its end, and for what is
     * left out the reason and the price.
     *
     * @param out groups that are left out
     * @param levels with their bounds; empty where nobody looked for any
     */
    public static Plan plan(
            Night night,
            Plan.Status status,
            List<Placed> placed,
            List<Rest> breaks,
            List<String> out,
            List<Level> levels,
            double seconds) {
        List<Placed> sorted = new ArrayList<>(placed);
        sorted.sort(Comparator.comparingInt(Placed::from).thenComparing(Placed::id));
        Map<Aim, Double> values = values(night, sorted, breaks, out);
        List<Level> all = new ArrayList<>(levels);
        if (all.isEmpty()) {
            values.forEach((aim, v) -> all.add(new Level(aim, v, 0, v == 0)));
        }
        return new Plan(
                status,
                all,
                seconds,
                sorted,
                breaks,
                water(night, sorted),
                critical(night, sorted),
                unplaced(night, out));
    }

    /** Where tasks and breaks stand, before anything of it is measured. */
    public static Plan bare(List<Placed> placed, List<Rest> breaks, List<String> out) {
        return new Plan(
                Plan.Status.FEASIBLE,
                List.of(),
                0,
                placed,
                breaks,
                List.of(),
                List.of(),
                out.stream()
                        .map(g -> new Unplaced(g, false, Text.plain(""), Text.plain("")))
                        .toList());
    }

    /** By what a plan is measured. */
    public static Map<Aim, Double> values(Night night, Plan plan) {
        return values(
                night,
                plan.tasks(),
                plan.breaks(),
                plan.unplaced().stream().map(Unplaced::id).toList());
    }

    private static Map<Aim, Double> values(
            Night night, List<Placed> placed, List<Rest> breaks, List<String> out) {
        Map<String, Job> jobs = night.byId();
        Map<String, List<Job>> groups = night.groups();
        Map<Aim, Double> all = new EnumMap<>(Aim.class);
        long must =
                out.stream()
                        .filter(g -> groups.getOrDefault(g, List.of()).stream().anyMatch(Job::must))
                        .count();
        all.put(Aim.OUT_OF_USE, (double) must);
        all.put(Aim.LEFT_OUT, (double) (out.size() - must));
        double late = 0;
        double end = 0;
        double byHand = 0;
        double byItself = 0;
        Map<String, Integer> load = new HashMap<>();
        Map<String, Set<String>> hands = new HashMap<>();
        for (Placed p : placed) {
            Job j = Objects.requireNonNull(jobs.get(p.id()));
            late += j.wantedBy() == null ? 0 : Math.max(0, p.to() - j.wantedBy());
            end = Math.max(end, p.to());
            byHand = p.hands() ? Math.max(byHand, p.to()) : byHand;
            byItself = p.hands() ? byItself : Math.max(byItself, p.to());
            for (String who : p.people()) {
                load.merge(who, j.minutes(), Integer::sum);
                hands.computeIfAbsent(j.group(), k -> new HashSet<>()).add(who);
            }
        }
        for (Rest r : breaks) {
            end = counts(night, r) ? Math.max(end, r.to()) : end;
        }
        all.put(Aim.LATE, late);
        all.put(Aim.END, quarters(end));
        all.put(Aim.CHANGES, (double) hands.values().stream().mapToInt(h -> h.size() - 1).sum());
        int most = load.values().stream().mapToInt(l -> l).max().orElse(0);
        all.put(Aim.LOAD, quarters(most));
        all.put(Aim.UNATTENDED, quarters(byItself - byHand));
        return all;
    }

    /** Minutes in full quarters of an hour, the last begun one included. */
    public static double quarters(double minutes) {
        return Math.max(0, Math.ceil(minutes / QUARTER - 1e-6) * QUARTER);
    }

    private static boolean counts(Night night, Rest r) {
        return night.people().stream()
                .filter(p -> p.id().equals(r.person()))
                .flatMap(p -> p.breaks().stream())
                .filter(b -> b.from() <= r.from() && r.to() <= b.to())
                .anyMatch(b -> Earliest.counts(night, b));
    }

    private static List<Plan.Water> water(Night night, List<Placed> placed) {
        if (night.heater() == null) {
            return List.of();
        }
        Map<String, Job> jobs = night.byId();
        Tank tank = new Tank(night.heater());
        placed.forEach(
                p -> tank.draw(p.from(), Objects.requireNonNull(jobs.get(p.id())).hotLitres()));
        return tank.levels(night.until(), WATER_EVERY);
    }

    /**
     * The chain that decides when the last task ends: backwards from it, each time to what ends
     * right when the next can begin - what it comes after, or what had its people or its place.
     */
    private static List<String> critical(Night night, List<Placed> placed) {
        Map<String, Job> jobs = night.byId();
        Placed last = placed.stream().max(Comparator.comparingInt(Placed::to)).orElse(null);
        List<String> chain = new ArrayList<>();
        while (last != null && !chain.contains(last.id())) {
            chain.addFirst(last.id());
            last = before(last, placed, jobs, night);
        }
        return chain;
    }

    private static @Nullable Placed before(
            Placed next, List<Placed> placed, Map<String, Job> jobs, Night night) {
        Job j = Objects.requireNonNull(jobs.get(next.id()));
        Set<String> takes = night.takenWith(next.id());
        Placed best = null;
        for (Placed p : placed) {
            Job o = Objects.requireNonNull(jobs.get(p.id()));
            int free = p.to();
            boolean holds = false;
            for (After a : j.after()) {
                if (a.task().equals(p.id())) {
                    holds = true;
                    free = p.to() + a.lag();
                }
            }
            holds |= p.people().stream().anyMatch(next.people()::contains);
            holds |= o.keeps().stream().anyMatch(k -> takes.contains(k.place()));
            for (String place : j.places()) {
                if (o.places().contains(place)) {
                    holds = true;
                    Night.Place at = night.placesById().get(place);
                    boolean other =
                            j.content() != null
                                    && o.content() != null
                                    && !j.content().equals(o.content());
                    free = Math.max(free, p.to() + (at != null && other ? at.changeover() : 0));
                }
            }
            if (holds && free == next.from() && (best == null || p.to() > best.to())) {
                best = p;
            }
        }
        return best;
    }

    private static List<Unplaced> unplaced(Night night, List<String> out) {
        List<Unplaced> all = new ArrayList<>();
        for (String group : out) {
            List<Job> jobs = night.groups().getOrDefault(group, List.of());
            all.add(
                    new Unplaced(
                            group,
                            jobs.stream().anyMatch(Job::must),
                            Why.reason(night, jobs),
                            Why.price(night, group)));
        }
        return all;
    }
}
