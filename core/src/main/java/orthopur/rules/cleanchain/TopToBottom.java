package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C9: what is above is washed before what is below. */
public final class TopToBottom extends BookRule {
    public TopToBottom() {
        super(RuleId.C9, Severity.FIX, "Washed from top to bottom", Sources.FOOD_CODE_SURFACES);
    }

    @Override
    public void look(Moment m, Findings out) {
        // Foam is laid on from the bottom up, so that it does not run over dry soil.
        if (!(m.action() instanceof Action.Wash w) || w.method() == Action.Method.FOAM) {
            return;
        }
        List<SurfaceAt> below = new ArrayList<>();
        for (SurfaceAt s : m.sheet().hanging()) {
            Facts f = m.night().facts(s);
            boolean washed = f.washed() != Facts.NEVER && f.inspected() == Facts.NEVER;
            if (washed && !m.names(s) && f.sanitized() == Facts.NEVER && soiledAbove(m, s)) {
                below.add(s);
            }
        }
        if (below.isEmpty()) {
            return;
        }
        List<String> ids = m.surfaceIds(below);
        Findings.Report r =
                out.report(info)
                        .items(ids)
                        .says(
                                Text.of(
                                        "top-to-bottom.washes-what-is-above-which",
                                        "Step {0} washes what is above {1}, which is washed already.",
                                        m.number(),
                                        m.sheet().names(ids)),
                                Text.of(
                                        "top-to-bottom.the-dirty-water-runs-down",
                                        "The dirty water runs down over what was clean."));
        for (Step s : m.procedure().steps().subList(0, m.place())) {
            if (s.action() instanceof Action.Wash o && o.items().stream().anyMatch(ids::contains)) {
                r.propose(
                        Text.of("top-to-bottom.wash-from-the-top", "Wash from the top"),
                        List.of(new Edit.Move(m.step().id(), s.id())));
                return;
            }
        }
    }

    private static boolean soiledAbove(Moment m, SurfaceAt s) {
        return m.above(s) && m.exposed().stream().anyMatch(a -> m.night().facts(a).soil());
    }
}
