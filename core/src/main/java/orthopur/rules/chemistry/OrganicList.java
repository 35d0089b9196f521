package orthopur.rules.chemistry;

import java.util.Set;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** S11: on an organic line only what its list permits; quat needs a rinse. */
public final class OrganicList extends BookRule {
    private static final Set<ChemicalKind> LISTED = Set.of(ChemicalKind.CHLORINE, ChemicalKind.PAA);

    public OrganicList() {
        super(
                RuleId.S11,
                Severity.FIX,
                "On an organic line only listed sanitizers, or rinsed off",
                "7 CFR 205.605");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Sanitize a) || !m.sheet().sheet().organic()) {
            return;
        }
        Chemical c = m.context().chemical(a.solution().chemical());
        boolean rinsed =
                m.procedure().schools().rinseAfterSanitizer()
                        && m.later(x -> x instanceof Action.Rinse);
        if (c != null && c.kind().sanitizes() && !LISTED.contains(c.kind()) && !rinsed) {
            out.report(info)
                    .items(m.surfaceIds(m.exposed()))
                    .says(
                            Text.of(
                                    "organic-list.leaves-on-an-organic-line",
                                    "Step {0} leaves {1} ({2}) on an organic line without a rinse.",
                                    m.number(),
                                    c.name(),
                                    c.kind().shown()),
                            Text.of(
                                    "organic-list.it-is-not-on-the",
                                    "It is not on the list for organic contact surfaces."));
        }
    }
}
