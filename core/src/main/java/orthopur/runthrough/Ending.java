package orthopur.runthrough;

import java.util.List;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Frequency;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;

/** How the night ended, with what each step had named and reached on the way. */
public final class Ending {
    private final Procedure procedure;
    private final SheetIndex sheet;
    private final Context context;
    private final Night night;
    private final List<Trace> traces;

    Ending(
            Procedure procedure,
            SheetIndex sheet,
            Context context,
            Night night,
            List<Trace> traces) {
        this.procedure = procedure;
        this.sheet = sheet;
        this.context = context;
        this.night = night;
        this.traces = traces;
    }

    /**
     * What a step met.
     *
     * @param named surfaces it named
     * @param covered those of them that it could not reach
     * @param zones energies into whose danger zone it put hands
     */
    public record Trace(List<SurfaceAt> named, List<SurfaceAt> covered, List<EnergyAt> zones) {}

    public Procedure procedure() {
        return procedure;
    }

    public SheetIndex sheet() {
        return sheet;
    }

    public Context context() {
        return context;
    }

    /** How the machine stands at the end. */
    public Night night() {
        return night;
    }

    public List<Trace> traces() {
        return traces;
    }

    /**
     * Whether a surface is due in this kind of clean, or was begun in it: what the procedure itself
     * has washed or ground must not be left half-done. After an event nothing else is due; in a
     * wipe between two deeper cleans that holds for what touches food.
     */
    public boolean due(SurfaceAt surface) {
        if (sheet.surface(surface).frequency().dueIn(procedure.kind())) {
            return true;
        }
        // No procedure leaves anything worse than it found it, due or not.
        Facts f = night.facts(surface);
        boolean left =
                f.has(Residue.DETERGENT)
                        || f.has(Residue.CAUSTIC)
                        || f.has(Residue.ACID)
                        || f.has(Residue.METAL);
        if (left && !f.meets(sheet.surface(surface).end())) {
            return true;
        }
        if (procedure.kind() != Frequency.EVENT) {
            return f.washed() != Facts.NEVER && sheet.surface(surface).zone() == 1;
        }
        for (int i = 0; i < traces.size(); i++) {
            Action a = procedure.steps().get(i).action();
            boolean works =
                    a instanceof Action.Wash
                            || a instanceof Action.Soak
                            || a instanceof Action.Rinse
                            || a instanceof Action.Circulate
                            || a instanceof Action.RunProgram
                            || a instanceof Action.Sharpen;
            if (works && traces.get(i).named().contains(surface)) {
                return true;
            }
        }
        return false;
    }

    /** Whether a surface ended as its sheet asks. */
    public boolean reached(SurfaceAt surface) {
        Facts f = night.facts(surface);
        if (f.meets(sheet.surface(surface).end())) {
            return true;
        }
        // Sanitizer circulated in place cannot get under a ring: there counts what was done before.
        return procedure.schools().assembledFirst()
                && night.coverOf(surface) != null
                && !wetted(surface)
                && f.clean()
                && f.inspected() != Facts.NEVER;
    }

    /** Whether what runs through a passage gets there, so that the sanitizer in it has to. */
    private boolean wetted(SurfaceAt surface) {
        for (PassageAt p : sheet.allPassages()) {
            if (sheet.wettedIn(p).contains(surface)) {
                return true;
            }
        }
        return false;
    }

    /** Place of the last step that does this, of those that are done on what is fitted; or -1. */
    public int last(Predicate<Action> does) {
        List<Step> steps = procedure.steps();
        for (int i = steps.size() - 1; i >= 0; i--) {
            if (context.configuration().holds(steps.get(i).when())
                    && does.test(steps.get(i).action())) {
                return i;
            }
        }
        return -1;
    }

    /** The id of the first step from a place on that fits, or null for the end of the procedure. */
    public @Nullable String firstFrom(int place, Predicate<Step> fits) {
        return procedure.steps().stream()
                .skip(place)
                .filter(fits)
                .map(Step::id)
                .findFirst()
                .orElse(null);
    }
}
