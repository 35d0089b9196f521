package orthopur.solver;

import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.LinearExpr;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
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
    private static final int SEED = 20_261_129;

    /** Orders that are tried before the solver begins. */
    private static final int TRIES = 800;

    /** Share of the whole that each level may take, in the order of the levels. */
    private static final Map<Aim, Double> SHARE =
            new EnumMap<>(
                    Map.of(
                            Aim.OUT_OF_USE, 0.1,
                            Aim.LEFT_OUT, 0.1,
                            Aim.LATE, 0.2,
                            Aim.END, 0.1,
                            Aim.CHANGES, 0.2,
                            Aim.LOAD, 0.25,
                            Aim.UNATTENDED, 0.05));

    @Override
    public Plan plan(Night night, double seconds) {
        long begun = System.nanoTime();
        if (night.tasks().isEmpty()) {
            return new Greedy().plan(night, seconds);
        }
        Plan people = Search.best(night, TRIES);
        Model model = new Model(night);
        model.hint(people);
        Map<Aim, Double> values = Measured.values(night, people.tasks(), out(people));
        List<Level> levels = new ArrayList<>();
        Plan best = people;
        boolean found = false;
        boolean cut = false;
        boolean proved = true;
        // What a level does not need is left to those after it.
        double spare = 0;
        for (Aim aim : Aim.values()) {
            double left = seconds - (System.nanoTime() - begun) / 1e9;
            if (left <= 0.02) {
                cut = true;
                proved = false;
                levels.add(new Level(aim, values.getOrDefault(aim, 0.0), 0, false));
                continue;
            }
            LinearExpr goal = model.of(aim);
            if (values.getOrDefault(aim, 0.0) == 0) {
                // Nothing counts below nothing.
                levels.add(new Level(aim, 0, 0, true));
                model.noWorse(goal, 0);
                spare += work(night) * SHARE.getOrDefault(aim, 0.1);
                found = true;
                continue;
            }
            model.minimize(goal);
            double share = work(night) * SHARE.getOrDefault(aim, 0.1) + spare;
            CpSolver solver = solver(share, left);
            CpSolverStatus status = solver.solve(model.model());
            spare = Math.max(0, share - solver.response().getDeterministicTime());
            cut |= status != CpSolverStatus.OPTIMAL && solver.wallTime() >= left;
            if (status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE) {
                found = true;
                long value = Math.round(solver.objectiveValue());
                boolean sure = status == CpSolverStatus.OPTIMAL;
                proved &= sure;
                levels.add(
                        new Level(aim, value, Math.ceil(solver.bestObjectiveBound() - 1e-6), sure));
                best = model.read(solver);
                values = Measured.values(night, best.tasks(), out(best));
                model.hint(best);
                model.noWorse(goal, value);
            } else {
                proved = false;
                levels.add(
                        new Level(
                                aim,
                                values.getOrDefault(aim, 0.0),
                                Math.max(0, solver.bestObjectiveBound()),
                                false));
            }
        }
        double took = (System.nanoTime() - begun) / 1e9;
        if (!found || !PlanCheck.faults(night, best).isEmpty()) {
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
                cut ? Status.CUT_SHORT : proved ? Status.OPTIMAL : Status.FEASIBLE,
                best.tasks(),
                best.breaks(),
                out(best),
                levels,
                took);
    }

    private static List<String> out(Plan plan) {
        return plan.unplaced().stream().map(Plan.Unplaced::id).toList();
    }

    /** How much may be done, in the solver's own measure, about a second each: more for more. */
    private static double work(Night night) {
        return 0.6 * Math.max(1, night.tasks().size() / 75.0);
    }

    private static CpSolver solver(double work, double seconds) {
        CpSolver solver = new CpSolver();
        solver.getParameters()
                .setNumWorkers(1)
                .setRandomSeed(SEED)
                .setMaxDeterministicTime(work)
                .setMaxTimeInSeconds(seconds);
        return solver;
    }
}
