package orthopur.rules.cleanchain;

import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Residue;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C4: a sanitized surface is never towelled, nor handled with soiled gloves. */
public final class RecontaminatedByHand extends BookRule {
    public RecontaminatedByHand() {
        super(
                RuleId.C4,
                Severity.STOP,
                "Sanitized surfaces meet no towel and no soiled glove",
                "Food Code 2022, 4-901.11");
    }

    @Override
    public void look(Moment m, Findings out) {
        boolean handles =
                m.action() instanceof Action.Install
                        || m.action() instanceof Action.Return
                        || m.action() instanceof Action.Remove
                        || m.action() instanceof Action.Shift;
        if (!handles && !(m.action() instanceof Action.Dry)) {
            return;
        }
        List<SurfaceAt> sanitized =
                m.named().stream().filter(s -> meantSanitized(m.night().facts(s))).toList();
        if (sanitized.isEmpty()) {
            return;
        }
        List<String> ids = m.surfaceIds(sanitized);
        if (m.action() instanceof Action.Dry dry && dry.method() == Action.Drying.TOWEL) {
            out.report(info)
                    .items(ids)
                    .says(
                            Text.of(
                                    "recontaminated-by-hand.towels-after-sanitizing",
                                    "Step {0} towels {1} after sanitizing.",
                                    m.number(),
                                    m.sheet().names(ids)),
                            Text.of(
                                    "recontaminated-by-hand.the-towel-brings-back-what",
                                    "The towel brings back what the sanitizer took off."))
                    .deny(sanitized)
                    .propose(
                            Text.of("recontaminated-by-hand.air-dry-instead", "Air-dry instead"),
                            List.of(
                                    new Edit.Change(
                                            m.step().id(),
                                            m.step()
                                                    .with(
                                                            new Action.Dry(
                                                                    dry.items(),
                                                                    Action.Drying.AIR,
                                                                    dry.time() == null
                                                                            ? StepEdits.DRYING
                                                                            : dry.time())))));
            return;
        }
        if (handles && m.night().glovesSoiled()) {
            String cause = "gloves since " + m.night().glovesSoiledAt();
            Findings.Report earlier = out.onCause(id, cause);
            out.report(info)
                    .cause(cause)
                    .under(earlier)
                    .items(ids)
                    .says(
                            Text.of(
                                    "recontaminated-by-hand.handles-with-gloves-that-were",
                                    "Step {0} handles {1} with gloves that were on soil at step {2}.",
                                    m.number(),
                                    m.sheet().names(ids),
                                    m.night().glovesSoiledAt() + 1),
                            Text.of(
                                    "recontaminated-by-hand.what-the-gloves-touched-before",
                                    "What the gloves touched before goes onto the sanitized surface."))
                    .deny(sanitized)
                    .propose(
                            Text.of(
                                    "recontaminated-by-hand.wash-hands-before-step",
                                    "Wash hands before step {0}",
                                    m.number()),
                            List.of(
                                    new Edit.InsertBefore(
                                            m.step().id(),
                                            StepEdits.fresh(
                                                    m.procedure(),
                                                    0,
                                                    new Action.WashHands(),
                                                    "Wash hands and put on fresh gloves."))));
        }
    }

    /**
     * Also where the sanitizer did not count: the towel is wrong by itself, whatever went before.
     */
    private static boolean meantSanitized(Facts f) {
        return f.sanitized() != Facts.NEVER || f.has(Residue.SANITIZER);
    }
}
