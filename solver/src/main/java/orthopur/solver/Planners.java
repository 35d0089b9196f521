package orthopur.solver;

import com.google.ortools.Loader;
import orthopur.night.Greedy;
import orthopur.night.Planner;

/** The planner of this machine. */
public final class Planners {
    private static volatile boolean loaded;

    private Planners() {}

    /**
     * The solver, whose natives are loaded at the first plan; where it has none for this system,
     * the plan that people would make.
     */
    public static Planner here() {
        return load() ? new CpSat() : new Greedy();
    }

    private static synchronized boolean load() {
        if (!loaded) {
            try {
                Loader.loadNativeLibraries();
                loaded = true;
            } catch (RuntimeException | LinkageError e) {
                return false;
            }
        }
        return loaded;
    }
}
