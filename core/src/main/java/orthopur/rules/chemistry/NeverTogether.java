package orthopur.rules.chemistry;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.chemical.Clash;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Solution;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Night;
import orthopur.runthrough.Residue;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** S4: two chemicals that must not meet, on a surface or in a vessel. */
public final class NeverTogether extends BookRule {
    public NeverTogether() {
        super(
                RuleId.S4,
                Severity.STOP,
                "Chemicals that must not meet do not meet",
                "safety data sheet");
    }

    @Override
    public void look(Moment m, Findings out) {
        Solution solution = m.action().solution();
        Chemical c = m.context().chemical(m.action().chemical());
        if (solution == null || c == null) {
            return;
        }
        Night.Vessel v = m.night().vessel(solution.vessel());
        // What was in it stays on its walls until it is washed out, drained or not.
        Chemical held =
                v == null ? null : m.context().chemical(v.full() ? v.chemical() : v.residue());
        Text clash = held == null ? null : Clash.between(held.kind(), c.kind());
        Findings.Report inVessel = null;
        if (clash != null && held != null) {
            inVessel =
                    out.report(info)
                            .says(
                                    Text.of(
                                            "never-together.brings-into-which",
                                            "Step {0} brings {1} into {2}, which {3}: {4}.",
                                            m.number(),
                                            c.name(),
                                            solution.vessel(),
                                            v != null && v.full()
                                                    ? Text.of(
                                                            "never-together.still-holds",
                                                            "still holds {0}",
                                                            held.name())
                                                    : Text.of(
                                                            "never-together.was-not-washed-out-after",
                                                            "was not washed out after {0}",
                                                            held.name()),
                                            clash),
                                    Text.of(
                                            "never-together.the-gas-can-kill-the",
                                            "The gas can kill the person at that sink."))
                            .propose(
                                    Text.of(
                                            "never-together.drain-and-rinse-the-vessel",
                                            "Drain and rinse the vessel first"),
                                    insert(
                                            m,
                                            StepEdits.fresh(
                                                    m.procedure(),
                                                    0,
                                                    new Action.DrawOff(
                                                            List.of(),
                                                            List.of(solution.vessel()),
                                                            true),
                                                    "Empty it, rinse it and let the water run.")));
        }
        surfaces(m, c, out, inVessel);
    }

    /** On what lies in a vessel with the wrong product it is the same meeting. */
    private void surfaces(Moment m, Chemical c, Findings out, Findings.@Nullable Report inVessel) {
        List<Integer> met = new ArrayList<>();
        Text why = null;
        for (int s : m.exposed()) {
            Text clash = clash(m.night().facts(s), c.kind());
            if (clash != null) {
                met.add(s);
                why = clash;
            }
        }
        if (why != null) {
            List<String> ids = m.surfaceIds(met);
            out.report(info)
                    .items(ids)
                    .says(
                            Text.of(
                                    "never-together.brings-onto-which-was-not",
                                    "Step {0} brings {1} onto {2}, which was not rinsed: {3}.",
                                    m.number(),
                                    c.name(),
                                    m.sheet().names(ids),
                                    why),
                            Text.of(
                                    "never-together.it-happens-close-to-the",
                                    "It happens close to the face."))
                    .deny(met)
                    .under(inVessel)
                    .propose(Text.of("never-together.rinse-first", "Rinse first"), rinse(m, ids));
        }
    }

    private static @Nullable Text clash(Facts f, ChemicalKind kind) {
        if (f.has(Residue.CHLORINE) && kind.acidic()) {
            return Clash.CHLORINE_ON_ACID;
        }
        if (f.has(Residue.ACID) && kind.chlorinated()) {
            return Clash.CHLORINE_ON_ACID;
        }
        if (f.has(Residue.CAUSTIC) && kind.acidic()
                || f.has(Residue.ACID) && kind == ChemicalKind.CAUSTIC) {
            return Clash.CAUSTIC_ON_ACID;
        }
        return null;
    }

    static List<Edit> rinse(Moment m, List<String> ids) {
        return insert(
                m,
                StepEdits.fresh(
                        m.procedure(),
                        0,
                        new Action.Rinse(
                                ids,
                                new Solution(null, null, null, null, null),
                                Action.Method.CLOTH,
                                Action.EndPoint.TAP_PH),
                        "Rinse with drinking water until the pH is that of the tap."));
    }
}
