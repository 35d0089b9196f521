package orthopur.rules.cleanchain;

import java.util.List;
import orthopur.machine.Regime;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Context;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** C27: what touches food is rinsed with drinking water, on a farm with water that was tested. */
public final class DrinkingWater extends BookRule {
    public DrinkingWater() {
        super(
                RuleId.C27,
                Severity.STOP,
                "Food-contact surfaces are rinsed with drinking water",
                "Food Code 2022, 5-102.11; 21 CFR 112.44(a)");
    }

    @Override
    public void look(Moment m, Findings out) {
        Context.Tap tap = m.context().tap();
        boolean contact = m.exposed().stream().anyMatch(s -> m.sheet().surface(s).zone() == 1);
        if (!(m.action() instanceof Action.Rinse)
                || tap == null
                || !contact
                || out.onCause(id, "water") != null) {
            return;
        }
        List<String> ids = m.surfaceIds(m.exposed());
        if (!tap.drinkable()) {
            out.report(info)
                    .cause("water")
                    .items(ids)
                    .says(
                            Text.of(
                                    "drinking-water.rinses-with-water-that",
                                    "Step {0} rinses {1} with water that the site says is no drinking water.",
                                    m.number(),
                                    m.sheet().names(ids)),
                            Text.of(
                                    "drinking-water.the-last-water",
                                    "The last water on a surface is what the food meets."));
        } else if (m.sheet().sheet().regime() == Regime.FARM && tap.tested() == null) {
            out.report(info)
                    .severity(Severity.FIX)
                    .cause("water")
                    .items(ids)
                    .says(
                            Text.of(
                                    "drinking-water.no-record-that-it-is-free",
                                    "Step {0} rinses {1} and the site has no record that its water holds no detectable generic E. coli in 100 mL.",
                                    m.number(),
                                    m.sheet().names(ids)),
                            Text.of(
                                    "drinking-water.well-water-changes",
                                    "Well and surface water change with every rain; only a test shows it."));
        }
    }
}
