package orthopur.verdict;

import java.util.ArrayList;
import java.util.List;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Remedy;
import orthopur.runthrough.Context;

/**
 * "Apply all safe ones": takes the first proven remedy of the first finding again and again. Each
 * one has been shown to leave fewer findings, so it ends; the bound is for the slow machine.
 */
public final class Mending {
    private static final int MOST = 60;

    private Mending() {}

    /**
     * @param taken labels of the remedies in the order they were taken
     * @param edits all their edits, to be applied in this order
     * @param procedure as it is after them
     * @param verdict of that
     */
    public record Mended(
            List<String> taken, List<Edit> edits, Procedure procedure, Verdict verdict) {}

    public static Mended all(Procedure procedure, MachineSheet sheet, Context context) {
        List<String> taken = new ArrayList<>();
        List<Edit> edits = new ArrayList<>();
        Procedure now = procedure;
        Verdict verdict = Verifier.verify(now, sheet, context);
        while (taken.size() < MOST) {
            Remedy next =
                    verdict.findings().stream()
                            .flatMap(f -> f.remedies().stream())
                            .findFirst()
                            .orElse(null);
            if (next == null) {
                break;
            }
            now = now.apply(next.edits());
            taken.add(next.label());
            edits.addAll(next.edits());
            verdict = Verifier.verify(now, sheet, context);
        }
        return new Mended(List.copyOf(taken), List.copyOf(edits), now, verdict);
    }
}
