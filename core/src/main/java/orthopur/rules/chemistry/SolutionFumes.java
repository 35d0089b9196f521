package orthopur.rules.chemistry;

import java.util.List;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.procedure.Solution;
import orthopur.quantity.Ph;
import orthopur.quantity.Temperature;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/**
 * S4 for one product alone: chlorine in sour water is chlorine with acid, and what sanitizes by
 * evaporating active matter goes into the air when it is hot.
 */
public final class SolutionFumes extends BookRule {
    public SolutionFumes() {
        super(
                RuleId.S4,
                Severity.STOP,
                "No sanitizer gives off gas: neither sour chlorine nor a hot one",
                "safety data sheet");
    }

    @Override
    public void look(Moment m, Findings out) {
        Solution liquid = m.action().solution();
        Chemical c = m.context().chemical(m.action().chemical());
        if (liquid == null || c == null || !c.kind().fumesWhenHot()) {
            return;
        }
        List<String> ids = m.surfaceIds(m.exposed());
        Ph ph = liquid.ph();
        double sour = m.context().book().number("chlorine.ph.least");
        if (c.kind() == ChemicalKind.CHLORINE && ph != null && ph.value() < sour) {
            out.report(info)
                    .items(ids)
                    .number("pH", ph.value(), "pH")
                    .number("least", sour, "pH")
                    .says(
                            Text.of(
                                    "solution-fumes.is-sour",
                                    "Step {0} uses {1} at pH {2}; below pH {3} it gives off chlorine gas.",
                                    m.number(),
                                    c.name(),
                                    ph.value(),
                                    sour),
                            Text.of(
                                    "solution-fumes.acid-in-the-water",
                                    "Acid in the water does what acid in the bucket does: nobody breathes that twice."));
        }
        Temperature at = liquid.temperature();
        Temperature most = m.context().book().temperature("touch.limit");
        if (at != null && at.compareTo(most) > 0) {
            out.report(info)
                    .items(ids)
                    .number("temperature", at.celsius(), "°C")
                    .number("most", most.celsius(), "°C")
                    .says(
                            Text.of(
                                    "solution-fumes.is-hot",
                                    "Step {0} uses {1} at {2}; above {3} it gives off fumes.",
                                    m.number(),
                                    c.name(),
                                    at.shown(),
                                    most.shown()),
                            Text.of(
                                    "solution-fumes.what-is-in-the-air",
                                    "What is in the air is in the lungs, and no longer on the surface."));
        }
    }
}
