package orthopur.rules.chemistry;

import java.util.List;
import orthopur.chemical.Chemical;
import orthopur.chemical.Clash;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Night;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** S13: one product is not poured onto another. */
public final class ToppedUp extends BookRule {
    public ToppedUp() {
        super(RuleId.S13, Severity.STOP, "One product is not topped up with another", "label");
    }

    @Override
    public void look(Moment m, Findings out) {
        Solution solution = m.action().solution();
        Chemical c = m.context().chemical(m.action().chemical());
        Night.Vessel v = solution == null ? null : m.night().vessel(solution.vessel());
        if (c == null || v == null || solution == null || !v.full() || v.chemical() == null) {
            return;
        }
        Chemical held = m.context().chemical(v.chemical());
        if (held == null
                || held.id().equals(c.id())
                || Clash.between(held.kind(), c.kind()) != null) {
            return;
        }
        out.report(info)
                .items(m.surfaceIds(m.exposed()))
                .says(
                        Text.of(
                                "topped-up.brings-into-which-still-holds",
                                "Step {0} brings {1} into {2}, which still holds {3}.",
                                m.number(),
                                c.name(),
                                solution.vessel(),
                                held.name()),
                        Text.of(
                                "topped-up.the-strength-of-a-mixture",
                                "The strength of a mixture is not known, and one product uses up the other."))
                .deny(m.action() instanceof Action.Sanitize ? m.exposed() : List.of())
                .propose(
                        Text.of("topped-up.drain-and-wash-out-first", "Drain and wash out first"),
                        insert(
                                m,
                                StepEdits.fresh(
                                        m.procedure(),
                                        0,
                                        new Action.DrawOff(
                                                List.of(), List.of(solution.vessel()), true),
                                        "Empty it, wash it out and rinse it.")));
    }
}
