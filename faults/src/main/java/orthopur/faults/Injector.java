package orthopur.faults;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthopur.chemical.Chemical;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;

/** All the faults of one correct procedure. */
public final class Injector {
    private final List<Mutant> mutants = new ArrayList<>();
    private final Procedure from;

    private Injector(Procedure from) {
        this.from = from;
    }

    /**
     * @param procedure one that passes on this sheet
     * @param chemicals of the site, by id
     */
    public static List<Mutant> mutants(
            Procedure procedure, MachineSheet sheet, Map<String, Chemical> chemicals) {
        Injector in = new Injector(procedure);
        Reading reading = new Reading(procedure, sheet, chemicals);
        new EnergyFaults(reading, in).make();
        new PartFaults(reading, in).make();
        new CleaningFaults(reading, in).make();
        new SolutionFaults(reading, in).make();
        new UpkeepFaults(reading, in).make();
        new SecondRouteFaults(reading, in).make();
        new AroundFaults(reading, in).make();
        new ResidueFaults(reading, in).make();
        new TimingFaults(reading, in).make();
        new ProgramFaults(reading, in).make();
        new OnceMoreFaults(reading, in).make();
        return List.copyOf(in.mutants);
    }

    /** A fault of which one of these rules has to speak, at one of these steps. */
    void fault(String kind, String what, List<Edit> edits, Set<String> rules, Set<String> steps) {
        whole(kind, what, from.apply(edits), rules, steps);
    }

    /** One step changed; the rule speaks at that step. */
    void changed(String kind, String what, Step s, Action action, String... rules) {
        changed(kind, what, s, action, Set.of(rules), Set.of(s.id()));
    }

    void changed(String kind, String what, Step s, Action a, Set<String> rules, Set<String> steps) {
        fault(kind, what, List.of(new Edit.Change(s.id(), s.with(a))), rules, steps);
    }

    /** A change of which nothing may be stopped. */
    void benign(String kind, String what, Edit edit) {
        mutants.add(new Mutant(from.apply(List.of(edit)), kind, what, Set.of(), Set.of(), true));
    }

    /** A whole other procedure. */
    void whole(String kind, String what, Procedure broken, Set<String> rules, Set<String> steps) {
        mutants.add(new Mutant(broken, kind, what, rules, steps, false));
    }
}
