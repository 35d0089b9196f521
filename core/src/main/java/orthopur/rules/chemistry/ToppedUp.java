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
import orthopur.runthrough.Severity;

/** S13: one product is not poured onto another. */
public final class ToppedUp extends BookRule {
    public ToppedUp() {
        super("S13", Severity.STOP, "One product is not topped up with another", "label");
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
                        "Step %d brings %s into %s, which still holds %s."
                                .formatted(m.number(), c.name(), solution.vessel(), held.name()),
                        "The strength of a mixture is not known, and one product uses up the other.")
                .deny(m.action() instanceof Action.Sanitize ? m.exposed() : List.of())
                .propose(
                        "Drain and wash out first",
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
