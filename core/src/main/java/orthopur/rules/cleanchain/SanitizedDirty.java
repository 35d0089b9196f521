package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Residue;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C2: sanitizer goes only on a surface that was washed and rinsed in this round. */
public final class SanitizedDirty extends BookRule {
    public SanitizedDirty() {
        super(
                RuleId.C2,
                Severity.STOP,
                "Only a washed and rinsed surface is sanitized",
                Sources.FOOD_CODE_SURFACES,
                RuleId.C3,
                RuleId.C6);
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Sanitize)) {
            return;
        }
        List<SurfaceAt> dirty = new ArrayList<>();
        for (SurfaceAt s : m.exposed()) {
            Facts f = m.night().facts(s);
            boolean soapyOnly = f.has(Residue.DETERGENT) && !f.soil();
            if (!f.clean() && !soapyOnly) {
                dirty.add(s);
            }
        }
        if (dirty.isEmpty()) {
            return;
        }
        List<String> ids = m.surfaceIds(dirty);
        Facts first = m.night().facts(dirty.getFirst());
        String how =
                first.soil()
                        ? first.washed() == Facts.NEVER
                                ? "never washed in this round"
                                : "soiled again"
                        : "washed but not rinsed";
        out.report(info)
                .items(ids)
                .says(
                        Text.of(
                                "sanitized-dirty.sanitizes",
                                "Step {0} sanitizes {1}, {2}.",
                                m.number(),
                                m.sheet().names(ids),
                                how),
                        Text.of(
                                "sanitized-dirty.soil-uses-up-the-sanitizer",
                                "Soil uses up the sanitizer before it works."))
                .deny(dirty)
                .propose(
                        Text.of("sanitized-dirty.wash-and-rinse-it-too", "Wash and rinse it too"),
                        washAndRinse(m, ids));
    }

    /** Adds the surfaces to the last wash and the last rinse before this step. */
    private static List<Edit> washAndRinse(Moment m, List<String> ids) {
        Step wash = null;
        Step rinse = null;
        for (Step s : m.procedure().steps().subList(0, m.place())) {
            if (s.action() instanceof Action.Wash) {
                wash = s;
            }
            if (s.action() instanceof Action.Rinse) {
                rinse = s;
            }
        }
        List<Edit> edits = new ArrayList<>();
        if (wash != null && rinse != null) {
            Edit w = StepEdits.addItems(wash, ids);
            Edit r = StepEdits.addItems(rinse, ids);
            if (w != null && r != null) {
                edits.add(w);
                edits.add(r);
            }
        }
        return edits;
    }
}
