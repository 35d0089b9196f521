package orthopur.remedy;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import orthopur.procedure.Edit;
import orthopur.procedure.EditRefused;
import orthopur.procedure.Procedure;
import orthopur.procedure.Remedy;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Run;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.Severity;

/** Keeps of each finding's proposals those that help. */
public final class Remedies {
    private Remedies() {}

    /**
     * The same findings with only the remedies that a re-run has shown to help: fewer STOP, or as
     * many and fewer FIX, in at least one configuration, and worse in none.
     *
     * @param before the run of each configuration
     */
    public static List<Finding> proven(
            List<Finding> findings, Procedure procedure, List<RunThrough.Resumable> before) {
        List<Finding> proven = new ArrayList<>();
        // Several findings may propose the same; it is run once.
        Map<List<Edit>, Boolean> known = new HashMap<>();
        for (Finding f : findings) {
            List<Remedy> kept =
                    f.remedies().stream()
                            .filter(
                                    r ->
                                            known.computeIfAbsent(
                                                    r.edits(),
                                                    edits -> helps(edits, procedure, before)))
                            .toList();
            proven.add(f.withRemedies(kept));
        }
        return proven;
    }

    private static boolean helps(
            List<Edit> edits, Procedure procedure, List<RunThrough.Resumable> before) {
        Procedure mended;
        try {
            mended = procedure.apply(edits);
        } catch (EditRefused e) {
            return false;
        }
        boolean better = false;
        for (RunThrough.Resumable was : before) {
            Run after = was.after(mended);
            int stops = after.count(Severity.STOP) - was.run().count(Severity.STOP);
            int fixes = after.count(Severity.FIX) - was.run().count(Severity.FIX);
            if (stops > 0 || (stops == 0 && fixes > 0)) {
                return false;
            }
            better |= stops < 0 || fixes < 0;
        }
        return better;
    }
}
