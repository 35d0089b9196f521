package orthopur.rules.chemistry;

import java.util.List;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Residue;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/**
 * S4: detergent binds quat. Where detergent is still on, C3 stops the claim and this says why it
 * can't hold.
 */
public final class QuatOnDetergent extends BookRule {
    public QuatOnDetergent() {
        super(
                RuleId.S4,
                Severity.FIX,
                "Quat meets no detergent",
                "safety data sheet",
                RuleId.C3,
                RuleId.C2);
    }

    @Override
    public void look(Moment m, Findings out) {
        Chemical c = m.context().chemical(m.action().chemical());
        if (c == null || c.kind() != ChemicalKind.QUAT || m.action().solution() == null) {
            return;
        }
        List<SurfaceAt> soapy =
                m.exposed().stream()
                        .filter(s -> m.night().facts(s).has(Residue.DETERGENT))
                        .toList();
        if (!soapy.isEmpty()) {
            List<String> ids = m.surfaceIds(soapy);
            out.report(info)
                    .items(ids)
                    .under(out.onItem(ids.getFirst(), roots()))
                    .says(
                            Text.of(
                                    "never-together.brings-onto-which-still-carries",
                                    "Step {0} brings {1} onto {2}, which still carries detergent.",
                                    m.number(),
                                    c.name(),
                                    m.sheet().names(ids)),
                            Text.of(
                                    "never-together.detergent-binds-quat-both-are",
                                    "Detergent binds quat; both are spent."))
                    .propose(
                            Text.of("never-together.rinse-first", "Rinse first"),
                            NeverTogether.rinse(m, ids));
        }
    }
}
