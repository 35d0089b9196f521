package orthopur.rules.chemistry;

import java.util.List;
import orthopur.mixing.SanitizerLimit;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.quantity.Strength;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** S2: not above the no-rinse ceiling, nor above the label whatever follows. */
public final class StrengthCeiling extends BookRule {
    public StrengthCeiling() {
        super(
                RuleId.S2,
                Severity.STOP,
                "The sanitizer is not stronger than may stay on a food-contact surface",
                "40 CFR 180.940(a)");
    }

    @Override
    public void look(Moment m, Findings out) {
        SanitizerUse u = SanitizerUse.of(m);
        if (u == null || u.answer().verdict() != SanitizerLimit.Verdict.TOO_STRONG) {
            return;
        }
        Strength ceiling = u.answer().ceiling();
        Strength stated = u.use().strength();
        if (ceiling == null || stated == null) {
            return;
        }
        out.report(info)
                .items(m.surfaceIds(m.exposed()))
                .number("strength", stated.mgPerL(), "mg/L")
                .number("ceiling", ceiling.mgPerL(), "mg/L")
                .says(
                        Text.of(
                                "strength-ceiling.is-above-the-most-that",
                                "Step {0}: {1} is above {2}, the most that may stay on without a rinse its label directs.",
                                m.number(),
                                u.shown(),
                                ceiling.shown()),
                        Text.of(
                                "strength-ceiling.what-stays-on-the-surface",
                                "What stays on the surface goes into the food."))
                .propose(
                        Text.of("strength-ceiling.weaken-to", "Weaken to {0}", ceiling.shown()),
                        List.of(
                                new Edit.Change(
                                        m.step().id(),
                                        m.step()
                                                .with(
                                                        new Action.Sanitize(
                                                                u.step().items(),
                                                                u.step()
                                                                        .solution()
                                                                        .withStrength(ceiling),
                                                                u.step().method(),
                                                                u.step().contact(),
                                                                u.step().readings())))));
    }
}
