package orthopur.faults;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthopur.chemical.Chemical;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Edit;
import orthopur.procedure.EditRefused;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;

/** All the faults of one correct procedure. */
public final class Injector {
    private final List<Mutant> mutants = new ArrayList<>();

    private Injector() {}

    /**
     * @param procedure one that passes on this sheet
     * @param chemicals of the site, by id
     */
    public static List<Mutant> mutants(
            Procedure procedure, MachineSheet sheet, Map<String, Chemical> chemicals) {
        Injector in = new Injector();
        Reading reading = new Reading(procedure, sheet, chemicals);
        new EnergyFaults(reading, in).make();
        new PartFaults(reading, in).make();
        new CleaningFaults(reading, in).make();
        new SolutionFaults(reading, in).make();
        return List.copyOf(in.mutants);
    }

    /** A fault of which one of these rules has to speak, at one of these steps. */
    void fault(
            String kind,
            String what,
            Procedure from,
            List<Edit> edits,
            Set<String> rules,
            Set<String> steps) {
        try {
            mutants.add(new Mutant(from.apply(edits), kind, what, rules, steps, false));
        } catch (EditRefused e) {
            throw new IllegalStateException(what, e);
        }
    }

    /** The same with one step changed. */
    void changed(
            String kind,
            String what,
            Procedure from,
            Step step,
            orthopur.procedure.Action action,
            Set<String> rules,
            Set<String> steps) {
        fault(
                kind,
                what,
                from,
                List.of(new Edit.Change(step.id(), step.with(action))),
                rules,
                steps);
    }

    /** A change of which nothing may be stopped. */
    void benign(String kind, String what, Procedure from, List<Edit> edits) {
        mutants.add(new Mutant(from.apply(edits), kind, what, Set.of(), Set.of(), true));
    }

    /** A whole other procedure. */
    void whole(String kind, String what, Procedure broken, Set<String> rules, Set<String> steps) {
        mutants.add(new Mutant(broken, kind, what, rules, steps, false));
    }
}
