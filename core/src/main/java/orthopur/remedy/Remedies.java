package orthopur.remedy;

import java.util.ArrayList;
import java.util.List;
import orthopur.procedure.EditRefused;
import orthopur.procedure.Procedure;
import orthopur.procedure.Remedy;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Rule;
import orthopur.runthrough.Run;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;

/** Keeps of each finding's proposals those that help. */
public final class Remedies {
    private Remedies() {}

    /** The same findings with only the remedies that a re-run has shown to help. */
    public static List<Finding> proven(
            Run run, Procedure procedure, SheetIndex sheet, Context context, List<Rule> rules) {
        List<Finding> proven = new ArrayList<>();
        for (Finding f : run.findings()) {
            List<Remedy> kept =
                    f.remedies().stream()
                            .filter(r -> helps(run, r, procedure, sheet, context, rules))
                            .toList();
            proven.add(f.withRemedies(kept));
        }
        return proven;
    }

    private static boolean helps(
            Run before,
            Remedy remedy,
            Procedure procedure,
            SheetIndex sheet,
            Context context,
            List<Rule> rules) {
        Procedure mended;
        try {
            mended = procedure.apply(remedy.edits());
        } catch (EditRefused e) {
            return false;
        }
        Run after = RunThrough.of(mended, sheet, context, rules);
        int stops = after.count(Severity.STOP) - before.count(Severity.STOP);
        int fixes = after.count(Severity.FIX) - before.count(Severity.FIX);
        return stops < 0 || (stops == 0 && fixes < 0);
    }
}
