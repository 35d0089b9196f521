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

    /** The machine as it is fitted in one configuration. */
    public record Fitted(SheetIndex sheet, Context context) {}

    /**
     * The same findings with only the remedies that a re-run has shown to help: fewer STOP, or as
     * many and fewer FIX, in at least one configuration, and worse in none.
     *
     * @param before the run of each configuration, in the order of {@code fitted}
     */
    public static List<Finding> proven(
            List<Finding> findings,
            Procedure procedure,
            List<Fitted> fitted,
            List<Run> before,
            List<Rule> rules) {
        List<Finding> proven = new ArrayList<>();
        for (Finding f : findings) {
            List<Remedy> kept =
                    f.remedies().stream()
                            .filter(r -> helps(r, procedure, fitted, before, rules))
                            .toList();
            proven.add(f.withRemedies(kept));
        }
        return proven;
    }

    private static boolean helps(
            Remedy remedy,
            Procedure procedure,
            List<Fitted> fitted,
            List<Run> before,
            List<Rule> rules) {
        Procedure mended;
        try {
            mended = procedure.apply(remedy.edits());
        } catch (EditRefused e) {
            return false;
        }
        boolean better = false;
        for (int i = 0; i < fitted.size(); i++) {
            Run after =
                    RunThrough.of(mended, fitted.get(i).sheet(), fitted.get(i).context(), rules);
            int stops = after.count(Severity.STOP) - before.get(i).count(Severity.STOP);
            int fixes = after.count(Severity.FIX) - before.get(i).count(Severity.FIX);
            if (stops > 0 || (stops == 0 && fixes > 0)) {
                return false;
            }
            better |= stops < 0 || fixes < 0;
        }
        return better;
    }
}
