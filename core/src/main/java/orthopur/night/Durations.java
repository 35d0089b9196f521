package orthopur.night;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import orthopur.night.CleanJobs.Part;
import orthopur.night.Night.After;
import orthopur.night.SiteNight.Round;
import orthopur.night.SiteNight.Ticked;
import orthopur.procedure.Step;
import orthopur.text.Text;

/** How long the tasks of a clean take, out of the rounds that were carried out. */
public final class Durations {
    /** Of fewer rounds nobody tells what is usual. */
    public static final int ENOUGH = 3;

    /** A stretch of which a tablet was put aside for longer tells nothing of the work. */
    private static final double MOST = 4;

    private Durations() {}

    /**
     * What is usual.
     *
     * @param nights how many rounds tell it
     * @param median in minutes
     * @param low,high between which half of them lie, in minutes
     */
    public record Usual(int nights, double median, double low, double high) {}

    /**
     * A task of a clean as it was carried out.
     *
     * @param planned minutes by the procedure
     * @param from,to when it was done, in minutes from the beginning of its night
     * @param slowest step in it that took longest; null where it has one only
     */
    public record Took(
            String task,
            Text name,
            int planned,
            int from,
            int to,
            List<String> people,
            @Nullable String slowest) {
        public Took {
            people = List.copyOf(people);
        }

        /** Minutes that it took. */
        public int minutes() {
            return to - from;
        }
    }

    /** The stretches by hand of one round that were done whole, in their order. */
    public static List<Took> took(List<Part> parts, Round round) {
        Map<String, Ticked> ticks = new HashMap<>();
        round.ticks().forEach(t -> ticks.put(t.step(), t));
        Map<String, Integer> over = new HashMap<>();
        List<Took> all = new ArrayList<>();
        int since = round.begun();
        for (Part p : parts) {
            List<Ticked> own = p.steps().stream().map(ticks::get).filter(Objects::nonNull).toList();
            if (own.isEmpty() || own.size() < p.steps().size()) {
                continue;
            }
            if (!p.job().hands()) {
                over.put(p.job().id(), own.getFirst().minute() + p.job().minutes());
                continue;
            }
            // Whoever waits for a soak is not at work on what comes after it.
            int from = since;
            for (After a : p.job().after()) {
                from = Math.max(from, over.getOrDefault(a.task(), 0));
            }
            int to = own.stream().mapToInt(Ticked::minute).max().orElse(from);
            from = Math.min(from, to);
            all.add(
                    new Took(
                            p.job().id(),
                            p.job().name(),
                            p.job().minutes(),
                            from,
                            to,
                            own.stream().map(Ticked::person).distinct().toList(),
                            slowest(own, from)));
            since = Math.max(since, to);
        }
        return all;
    }

    private static @Nullable String slowest(List<Ticked> own, int from) {
        String slowest = null;
        int longest = -1;
        int since = from;
        for (Ticked t : own) {
            if (t.minute() - since > longest) {
                longest = t.minute() - since;
                slowest = t.step();
            }
            since = Math.max(since, t.minute());
        }
        return own.size() < 2 ? null : slowest;
    }

    /**
     * What is usual for each task of a clean; nothing of a task that fewer than {@link #ENOUGH}
     * rounds tell of.
     */
    public static Map<String, Usual> usual(List<Part> parts, List<Round> rounds) {
        Map<String, List<Double>> minutes = new LinkedHashMap<>();
        for (Round r : rounds) {
            for (Took t : took(parts, r)) {
                if (t.minutes() <= MOST * t.planned() + ENOUGH) {
                    minutes.computeIfAbsent(t.task(), k -> new ArrayList<>())
                            .add((double) t.minutes());
                }
            }
        }
        Map<String, Usual> all = new LinkedHashMap<>();
        minutes.forEach(
                (task, each) -> {
                    if (each.size() >= ENOUGH) {
                        each.sort(Double::compare);
                        all.put(
                                task,
                                new Usual(
                                        each.size(),
                                        at(each, 0.5),
                                        at(each, 0.25),
                                        at(each, 0.75)));
                    }
                });
        return all;
    }

    private static double at(List<Double> sorted, double share) {
        double place = share * (sorted.size() - 1);
        int low = (int) Math.floor(place);
        int high = (int) Math.ceil(place);
        return sorted.get(low) + (sorted.get(high) - sorted.get(low)) * (place - low);
    }

    /** Minutes of each step: as planned, stretched or shortened to what its task usually takes. */
    public static ToDoubleFunction<Step> pace(List<Part> parts, Map<String, Usual> usual) {
        Map<String, Double> by = new HashMap<>();
        for (Part p : parts) {
            Usual u = usual.get(p.job().id());
            if (u != null && p.job().hands()) {
                double ratio = Math.max(1, u.median()) / p.job().minutes();
                p.steps().forEach(s -> by.put(s, ratio));
            }
        }
        return s -> s.minutes() * by.getOrDefault(s.id(), 1.0);
    }
}
