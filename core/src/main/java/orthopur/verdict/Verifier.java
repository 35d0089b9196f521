package orthopur.verdict;

import java.util.List;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Procedure;
import orthopur.remedy.Remedies;
import orthopur.rules.AllRules;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Rule;
import orthopur.runthrough.Run;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;

/** Runs a procedure by every rule. */
public final class Verifier {
    private Verifier() {}

    /**
     * @throws IllegalArgumentException when the procedure was written for another machine
     */
    public static Verdict verify(Procedure procedure, MachineSheet sheet, Context context) {
        if (!procedure.sheet().equals(sheet.code())) {
            throw new IllegalArgumentException(
                    "The procedure is for "
                            + procedure.sheet()
                            + ", not for "
                            + sheet.code()
                            + ".");
        }
        SheetIndex index = new SheetIndex(sheet);
        List<Rule> rules = AllRules.list();
        Run run = RunThrough.of(procedure, index, context, rules);
        List<Finding> findings = Remedies.proven(run, procedure, index, context, rules);
        return new Verdict(
                findings,
                run.count(Severity.STOP),
                run.count(Severity.FIX),
                run.count(Severity.ADVISE),
                run.coverage(),
                run.totals(),
                Ribbon.of(run, procedure, index),
                rules.stream().map(r -> r.info().id()).toList());
    }
}
