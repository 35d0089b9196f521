package orthopur.solver;

import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.LinearExpr;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.jspecify.annotations.Nullable;
import orthopur.night.Earliest;
import orthopur.night.Greedy;
import orthopur.night.Measured;
import orthopur.night.Night;
import orthopur.night.Plan;
import orthopur.night.Plan.Aim;
import orthopur.night.Plan.Level;
import orthopur.night.Plan.Status;
import orthopur.night.PlanCheck;
import orthopur.night.Planner;
import orthopur.night.Search;

/**
 * Plans by CP-SAT, level by level: the best on the first, then of those the best on the second, and
 * so on. One worker, a fixed seed and a measure of work that is not the clock make the same plan
 * from the same night; the clock only cuts short, and the plan says so.
 */
final class CpSat implements Planner {
    static final int SEED = 20_261_129;

    /** Orders that are tried before the solver begins, times tasks: each order takes longer. */
    private static final int ORDERS = 20_000;

    private static final int FEWEST = 40;

    /** At so many machines who does what is looked at together. */
    private static final int AT_A_TIME = 4;

    /** So often nothing better is found before the looking ends. */
    private static final int MOST_IN_VAIN = 6;

    /** Share of the whole that each level may take, in the order of the levels. */
    private static final Map<Aim, Double> SHARE =
            new EnumMap<>(
                    Map.of(
                            Aim.OUT_OF_USE, 0.1,
                            Aim.LEFT_OUT, 0.1,
                            Aim.LATE, 0.2,
                            Aim.END, 0.3,
                            Aim.CHANGES, 0.2,
                            Aim.LOAD, 0.25,
                            Aim.UNATTENDED, 0.1));

    /**
     * What only moves tasks in time is first looked for with everybody at what they are at: that is
     * a small part of the question, and most of its answer.
     */
    private static final Set<Aim> IN_TIME = EnumSet.of(Aim.END, Aim.UNATTENDED);

    private static final Set<Aim> IN_QUARTERS = EnumSet.of(Aim.LOAD, Aim.END, Aim.UNATTENDED);

    @Override
    public Plan plan(Night night, double seconds) {
        long begun = System.nanoTime();
        if (night.tasks().isEmpty()) {
            return new Greedy().plan(night, seconds);
        }
        Who.Found who;
        Plan people;
        // As many threads as there are change when an answer is there, and not what it is.
        int threads = Math.max(2, Runtime.getRuntime().availableProcessors());
        ExecutorService side = Executors.newFixedThreadPool(threads);
        try {
            int orders = Math.max(FEWEST, ORDERS / night.tasks().size());
            CompletableFuture<Plan> search =
                    CompletableFuture.supplyAsync(() -> Search.best(night, orders), side);
            who = new Who(night).find(Times.WHO, seconds / 4, SEED + 7);
            Plan whole = who == null ? null : new Times(night, who, begun, seconds).find(side);
            people = search.join();
            if (whole != null && Search.compare(values(night, whole), values(night, people)) < 0) {
                people = whole;
            }
        } finally {
            // What is still tried is stopped, and nobody waits for it.
            side.shutdown();
        }
        // Most nights draw no more than there is, whoever is asked; following the tank makes the
        // question three times as large.
        Levels levels = new Levels(night, people, who, false, begun, seconds);
        if (!levels.solve()) {
            levels = new Levels(night, people, who, true, begun, seconds);
            levels.solve();
        }
        double took = (System.nanoTime() - begun) / 1e9;
        if (!PlanCheck.faults(night, levels.best).isEmpty()) {
            // What does not pass the check is no plan, whoever made it.
            return Measured.plan(
                    night,
                    Status.AS_PEOPLE_DO,
                    people.tasks(),
                    people.breaks(),
                    out(people),
                    List.of(),
                    took);
        }
        return Measured.plan(
                night,
                levels.cut ? Status.CUT_SHORT : levels.proved ? Status.OPTIMAL : Status.FEASIBLE,
                levels.best.tasks(),
                levels.best.breaks(),
                out(levels.best),
                levels.all,
                took);
    }

    private static Map<Aim, Double> values(Night night, Plan plan) {
        return Measured.values(night, plan);
    }

    /** The levels of one night, one after the other. */
    private static final class Levels {
        private final Night night;
        private final Model model;
        private final long begun;
        private final double seconds;
        private final List<Level> all = new ArrayList<>();
        private Map<Aim, Double> values;
        private Plan best;
        private final Who.@Nullable Found who;
        private final boolean water;
        private boolean cut;
        private boolean proved = true;
        private boolean cold;

        /** What a level did not need is left to those after it. */
        private double spare;

        /** Work so far, in the solver's own measure. */
        private double spent;

        /** What was proved of a level the first time that all of it was looked at. */
        private double wholeBound;

        Levels(
                Night night,
                Plan first,
                Who.@Nullable Found who,
                boolean water,
                long begun,
                double seconds) {
            this.night = night;
            this.who = who;
            this.water = water;
            this.model = new Model(night, water);
            this.begun = begun;
            this.seconds = seconds;
            this.best = first;
            model.hint(first);
            this.values = Measured.values(night, first);
        }

        private double left() {
            return seconds - (System.nanoTime() - begun) / 1e9;
        }

        private boolean whole() {
            return best.unplaced().isEmpty();
        }

        /**
         * @return false where a plan draws more hot water than there is, and all is to be asked
         *     anew
         */
        boolean solve() {
            for (Aim aim : Aim.values()) {
                level(aim);
                if (cold) {
                    return false;
                }
            }
            return true;
        }

        private void level(Aim aim) {
            double value = values.getOrDefault(aim, 0.0);
            double least = least(aim);
            boolean best = value <= least;
            if (left() <= 0.02) {
                cut |= !best;
                proved &= best;
                all.add(new Level(aim, value, Math.min(value, least), best));
                return;
            }
            LinearExpr goal = model.of(aim, whole());
            double share = spare + work(night) * SHARE.getOrDefault(aim, 0.1);
            if (best) {
                // Nothing is better than the best.
                all.add(new Level(aim, value, value, true));
                model.noWorse(goal, Math.round(value));
                spare = share;
                return;
            }
            model.minimize(goal);
            wholeBound = 0;
            double before = spent;
            CpSolver solver = IN_TIME.contains(aim) ? nearby(aim, share) : solve(share, true);
            CpSolverStatus status = solver.response().getStatus();
            spare = Math.max(0, share - (spent - before));
            boolean sure = status == CpSolverStatus.OPTIMAL;
            value = values.getOrDefault(aim, 0.0);
            double bound = Math.max(least, Math.max(wholeBound, bound(aim, solver)));
            proved &= sure || value <= bound;
            all.add(new Level(aim, value, bound, sure || value <= bound));
            model.noWorse(goal, Math.round(value));
        }

        /** What no plan goes below on a level, those of the levels above given. */
        private double least(Aim aim) {
            if (!whole()) {
                return 0;
            }
            if (aim == Aim.END) {
                return Measured.quarters(Earliest.end(night));
            }
            if (who == null) {
                return 0;
            }
            boolean fewest = values.getOrDefault(Aim.CHANGES, 0.0) <= who.fewest();
            return switch (aim) {
                case CHANGES -> who.fewest();
                case LOAD -> fewest ? who.least() : 0;
                default -> 0;
            };
        }

        private static double bound(Aim aim, CpSolver solver) {
            double bound = solver.bestObjectiveBound();
            return Math.max(
                    0,
                    IN_QUARTERS.contains(aim) ? Measured.quarters(bound) : Math.ceil(bound - 1e-6));
        }

        /**
         * Looks near what was found: with everybody at what they are at; then at all of it; and
         * where that takes too long, with who does what open at a few machines at a time.
         *
         * @return who looked at all of it, the last time
         */
        private CpSolver nearby(Aim aim, double work) {
            List<String> groups = new ArrayList<>(night.groups().keySet());
            Set<String> every = Set.copyOf(groups);
            Random random = new Random(SEED);
            double until = spent + work * 7 / 8;
            model.keepPeople(best, Set.of());
            solve(work / 4, false);
            model.keepPeople(best, every);
            CpSolver whole = solve(work / 8, true);
            wholeBound = bound(aim, whole);
            for (int vain = 0; vain < MOST_IN_VAIN && spent < until && goesOn(whole); vain++) {
                int before = minute(aim);
                Collections.shuffle(groups, random);
                model.keepPeople(
                        best, Set.copyOf(groups.subList(0, Math.min(AT_A_TIME, groups.size()))));
                solve(work / 16, false);
                vain = minute(aim) < before ? -1 : vain;
            }
            model.keepPeople(best, every);
            return goesOn(whole)
                    ? solve(Math.max(work / 8, until + work / 8 - spent), true)
                    : whole;
        }

        /**
         * The minute that a level is about; it counts in quarters, and is looked for in minutes.
         */
        private int minute(Aim aim) {
            int byHand = last(true);
            int byItself = last(false);
            return aim == Aim.END ? Math.max(byHand, byItself) : Math.max(0, byItself - byHand);
        }

        private int last(boolean hands) {
            return best.tasks().stream()
                    .filter(p -> p.hands() == hands)
                    .mapToInt(Plan.Placed::to)
                    .max()
                    .orElse(0);
        }

        private boolean goesOn(CpSolver whole) {
            return whole.response().getStatus() != CpSolverStatus.OPTIMAL && left() > 0.02 && !cold;
        }

        /**
         * Looks for something better; what is found is where the next look begins.
         *
         * @param sums whether it reckons with sums too: it proves more, and finds times later
         */
        private CpSolver solve(double work, boolean sums) {
            // Where there is little time, what comes after has some of it too.
            double most = Math.max(0.01, left() / 2);
            CpSolver solver = solver(work, most);
            if (!sums) {
                solver.getParameters().setLinearizationLevel(0);
            }
            CpSolverStatus status = solver.solve(model.model());
            spent += solver.response().getDeterministicTime();
            cut |= status != CpSolverStatus.OPTIMAL && solver.wallTime() >= most;
            if (status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE) {
                Plan plan = model.read(solver);
                // What a model without water gives may draw more than there is.
                cold = !water && !PlanCheck.faults(night, plan).isEmpty();
                best = plan;
                values = Measured.values(night, plan);
                model.hint(plan);
            }
            return solver;
        }
    }

    private static List<String> out(Plan plan) {
        return plan.unplaced().stream().map(Plan.Unplaced::id).toList();
    }

    /** How much may be done, in the solver's own measure, about a second each: more for more. */
    static double work(Night night) {
        return 0.6 * Math.max(1, night.tasks().size() / 75.0);
    }

    static CpSolver solver(double work, double seconds) {
        CpSolver solver = new CpSolver();
        solver.getParameters()
                .setNumWorkers(1)
                .setRandomSeed(SEED)
                .setSymmetryLevel(0)
                .setMaxDeterministicTime(work)
                .setMaxTimeInSeconds(seconds);
        return solver;
    }
}
