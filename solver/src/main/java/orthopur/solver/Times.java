package orthopur.solver;

import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import orthopur.night.Night;
import orthopur.night.Plan;
import orthopur.night.Plan.Aim;
import orthopur.night.PlanCheck;

/**
 * When everything is done, with the people at the tasks as {@link Who} found them and nothing left
 * out or late. What does not come soon may come of another beginning, so it is begun several times
 * side by side; the first of them that comes to something is the answer, however long the others
 * take.
 */
final class Times {
    /** How much may go into the question who does what. */
    static final double WHO = 0.5;

    /** So often times are looked for. */
    private static final int BEGINNINGS = 16;

    /** What comes at all mostly comes at once; these are not looked at for long. */
    private static final int SHORT = 10;

    private final Night night;
    private final Who.Found who;
    private final long begun;
    private final double seconds;
    private final ConcurrentLinkedQueue<CpSolver> running = new ConcurrentLinkedQueue<>();

    /**
     * @param begun when the plan was asked for, of {@link System#nanoTime()}
     * @param seconds that it may take from then on
     */
    Times(Night night, Who.Found who, long begun, double seconds) {
        this.night = night;
        this.who = who;
        this.begun = begun;
        this.seconds = seconds;
    }

    /**
     * @return null where none was found; there may be none
     */
    @Nullable Plan find(Executor side) {
        int next = 0;
        boolean water = false;
        while (next < BEGINNINGS) {
            Plan found = null;
            AtomicBoolean over = new AtomicBoolean();
            boolean followed = water;
            List<CompletableFuture<@Nullable Plan>> tries = new ArrayList<>();
            IntStream.range(next, BEGINNINGS)
                    .forEach(
                            i ->
                                    tries.add(
                                            CompletableFuture.supplyAsync(
                                                    () -> begin(i, followed, over), side)));
            for (CompletableFuture<@Nullable Plan> t : tries) {
                next++;
                found = t.join();
                if (found != null) {
                    break;
                }
            }
            tries.forEach(t -> t.cancel(false));
            over.set(true);
            running.forEach(CpSolver::stopSearch);
            if (found == null || PlanCheck.faults(night, found).isEmpty()) {
                return found;
            }
            if (water) {
                return null;
            }
            // It draws more hot water than there is: the others would too.
            water = true;
        }
        return null;
    }

    private double left() {
        return seconds - (System.nanoTime() - begun) / 1e9;
    }

    private @Nullable Plan begin(int i, boolean water, AtomicBoolean over) {
        if (over.get() || left() < 0.1) {
            return null;
        }
        Who.Found people =
                i == 0 || water
                        ? who
                        // The same answer by other people.
                        : new Who(night).find(WHO, Math.max(0.3, left() / 3), CpSat.SEED + 7 + i);
        Model model = new Model((people == null ? who : people).in(night), water);
        for (Aim aim : List.of(Aim.OUT_OF_USE, Aim.LEFT_OUT, Aim.LATE)) {
            model.noWorse(model.of(aim, false), 0);
        }
        double work = CpSat.work(night) / (i < SHORT ? 40 : 10);
        CpSolver solver = CpSat.solver(work, Math.max(0.05, left()));
        // Times alone are no matter of sums.
        solver.getParameters().setRandomSeed(CpSat.SEED + i).setLinearizationLevel(0);
        running.add(solver);
        if (over.get()) {
            return null;
        }
        CpSolverStatus status = solver.solve(model.model());
        running.remove(solver);
        boolean has = status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE;
        return has ? model.read(solver) : null;
    }
}
