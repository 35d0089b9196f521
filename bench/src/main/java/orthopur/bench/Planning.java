package orthopur.bench;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import orthopur.due.DueList;
import orthopur.due.Known;
import orthopur.due.SiteDays;
import orthopur.due.Task;
import orthopur.machine.Frequency;
import orthopur.machine.Interval;
import orthopur.night.Greedy;
import orthopur.night.Night;
import orthopur.night.Plan;
import orthopur.night.PlanCheck;
import orthopur.simulation.nights.Nights;
import orthopur.solver.Planners;

/**
 * How long plans take and how good they are, against what people would do; and how long the list of
 * what is due takes. It prints and judges nothing, but for plans that are not valid.
 */
public final class Planning {
    private Planning() {}

    public static void main(String[] args) {
        due(60, 25_000);
        due(800, 1_000_000);
        Planners.here().plan(Nights.of(1, 3, 2), 5);
        for (int size : List.of(4, 8, 15, 30)) {
            nights(size, Math.max(2, (size + 3) / 4), 5, 60);
        }
        // What was asked: the night of a site in five seconds, four times as much in twenty.
        nights(15, 4, 5, 5);
        nights(60, 16, 2, 20);
    }

    private static void nights(int machines, int people, int seeds, double seconds) {
        List<Double> first = new ArrayList<>();
        List<Double> all = new ArrayList<>();
        double gap = 0;
        int end = 0;
        int endOfPeople = 0;
        int out = 0;
        int outOfPeople = 0;
        int optimal = 0;
        for (int seed = 1; seed <= seeds; seed++) {
            Night night = Nights.of(seed, machines, people);
            Plan byPeople = new Greedy().plan(night, 1);
            Plan plan = Planners.here().plan(night, seconds);
            if (!PlanCheck.faults(night, plan).isEmpty()) {
                System.out.println("NOT VALID: seed " + seed);
            }
            first.add(byPeople.seconds());
            all.add(plan.seconds());
            Plan.Level l = plan.decisive();
            gap = Math.max(gap, l == null ? 0 : l.gapPercent());
            optimal += plan.status() == Plan.Status.OPTIMAL ? 1 : 0;
            end += plan.end();
            endOfPeople += byPeople.end();
            out += plan.unplaced().size();
            outOfPeople += byPeople.unplaced().size();
        }
        System.out.printf(
                Locale.ROOT,
                "%d machines, %d people, %d tasks, %.0f s: first plan %.2f s, best %.1f s at the most, %d of %d proved"
                        + " the best, gap %.1f %% at the most; left out %d (people %d), end at minute %d (people %d)%n",
                machines,
                people,
                machines * 5,
                seconds,
                first.stream().mapToDouble(x -> x).max().orElse(0),
                all.stream().mapToDouble(x -> x).max().orElse(0),
                optimal,
                seeds,
                gap,
                out,
                outOfPeople,
                end / seeds,
                endOfPeople / seeds);
    }

    private static void due(int tasks, int entries) {
        Random random = new Random(7);
        Instant now = Instant.parse("2026-11-29T12:00:00Z");
        List<Task> all = new ArrayList<>();
        List<Known.Done> done = new ArrayList<>();
        List<Known.Use> uses = new ArrayList<>();
        Frequency[] kinds = {
            Frequency.DAILY, Frequency.WEEKLY, Frequency.END_OF_SHIFT, Frequency.MONTHLY
        };
        for (int i = 0; i < tasks; i++) {
            Interval every =
                    new Interval(
                            kinds[i % 4],
                            null,
                            null,
                            null,
                            List.of(),
                            null,
                            null,
                            null,
                            null,
                            null);
            all.add(
                    new Task(
                            "t" + i,
                            "m" + i / 4,
                            "t" + i,
                            every,
                            kinds[i % 4],
                            Task.Risk.FOOD,
                            null,
                            null));
        }
        for (int i = 0; i < entries; i++) {
            Instant at = now.minus(Duration.ofMinutes(random.nextInt(5_000_000)));
            if (i % 2 == 0) {
                done.add(new Known.Done("t" + random.nextInt(tasks), null, at));
            } else {
                uses.add(new Known.Use("m" + random.nextInt(tasks) / 4, at, at.plusSeconds(3600)));
            }
        }
        Known known =
                new Known(
                        new SiteDays(
                                ZoneId.of("Europe/London"),
                                LocalTime.of(5, 0),
                                List.of(),
                                List.of()),
                        List.of(),
                        all,
                        done,
                        uses,
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of());
        double best = Double.MAX_VALUE;
        for (int i = 0; i < 12; i++) {
            long begun = System.nanoTime();
            DueList.at(known, now);
            best = Math.min(best, (System.nanoTime() - begun) / 1e6);
        }
        System.out.printf(
                Locale.ROOT, "due: %d tasks over %d entries in %.1f ms%n", tasks, entries, best);
    }
}
