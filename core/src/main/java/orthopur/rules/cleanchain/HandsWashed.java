package orthopur.rules.cleanchain;

import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Severity;

/** C22: washed hands and fresh gloves before a hand goes into sanitizer. */
public final class HandsWashed extends BookRule {
    public HandsWashed() {
        super(
                "C22",
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
                            "Step %d goes into the sanitizer with gloves that were on soil at step %d."
                                    .formatted(m.number(), m.night().glovesSoiledAt() + 1),
                            "Soil on the gloves uses up the sanitizer before it works.")
                    .propose(
                            "Wash hands before step " + m.number(),
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
