package orthopur.rules.record;

import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** R2: whoever answers a hold is named, and is somebody else than the one who cleaned. */
public final class ReleasedBy extends BookRule {
    private static final java.util.Set<String> OWN_WORK =
            java.util.Set.of("cleaner", "the cleaner", "crew", "yourself", "myself", "me");

    public ReleasedBy() {
        super(
                RuleId.R2,
                Severity.FIX,
                "Who may answer a hold is named",
                "21 CFR 117.165; good practice");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.HoldPoint a)) {
            return;
        }
        boolean own =
                a.who() != null
                        && OWN_WORK.contains(a.who().strip().toLowerCase(java.util.Locale.ROOT));
        if (a.who() == null || a.who().isBlank() || own) {
            out.report(info)
                    .says(
                            own
                                    ? Text.of(
                                            "released-by.lets-the-one-who-cleaned",
                                            "Step {0} lets the one who cleaned answer the hold.",
                                            m.number())
                                    : Text.of(
                                            "released-by.holds-and-does-not-say",
                                            "Step {0} holds and does not say who may answer.",
                                            m.number()),
                            Text.of(
                                    "released-by.nobody-sees-their-own-mistake",
                                    "Nobody sees their own mistake; name somebody else who answers."));
        }
    }
}
