package orthopur.rules.cleanchain;

import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** C22: washed hands and fresh gloves before a hand goes into sanitizer. */
public final class HandsWashed extends BookRule {
    public HandsWashed() {
        super(
                RuleId.C22,
                Severity.FIX,
                "Washed hands and fresh gloves before a hand goes into sanitizer",
                "Food Code 2022, 2-301.14");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.Sanitize a
                && (a.method() == Action.Method.IMMERSE || a.method() == Action.Method.CLOTH)
                && m.night().glovesSoiled()) {
            out.report(info)
                    .says(
                            Text.of(
                                    "hands-washed.goes-into-the-sanitizer-with",
                                    "Step {0} goes into the sanitizer with gloves that were on soil at step {1}.",
                                    m.number(),
                                    m.night().glovesSoiledAt() + 1),
                            Text.of(
                                    "hands-washed.soil-on-the-gloves-uses",
                                    "Soil on the gloves uses up the sanitizer before it works."))
                    .propose(
                            Text.of(
                                    "hands-washed.wash-hands-before-step",
                                    "Wash hands before step {0}",
                                    m.number()),
                            insert(
                                    m,
                                    StepEdits.fresh(
                                            m.procedure(),
                                            0,
                                            new Action.WashHands(),
                                            "Wash hands and put on fresh gloves.")));
        }
    }
}
