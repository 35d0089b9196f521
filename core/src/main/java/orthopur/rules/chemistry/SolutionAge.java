package orthopur.rules.chemistry;

import java.time.Duration;
import java.util.List;
import orthopur.chemical.Chemical;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.quantity.Show;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Night;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** S10: a solution is not used beyond its life. */
public final class SolutionAge extends BookRule {
    public SolutionAge() {
        super(RuleId.S10, Severity.FIX, "No solution older than its life", "label; default 4 h");
    }

    @Override
    public void look(Moment m, Findings out) {
        Solution solution = m.action().solution();
        Chemical c = m.context().chemical(m.action().chemical());
        Night.Vessel v = solution == null ? null : m.night().vessel(solution.vessel());
        if (c == null
                || v == null
                || solution == null
                || !v.full()
                || !c.id().equals(v.chemical())) {
            return;
        }
        Duration life =
                c.solutionLife() == null
                        ? m.context().book().duration("solution.life")
                        : c.solutionLife();
        double age = m.night().minutes() - v.mixedAt();
        if (age > life.toMillis() / 60_000.0) {
            out.report(info)
                    .number("age", age, "min")
                    .number("life", life.toMinutes(), "min")
                    .says(
                            Text.of(
                                    "solution-age.uses-in-that-is-min",
                                    "Step {0} uses {1} in {2} that is {3} min old by plan; it lives {4}.",
                                    m.number(),
                                    c.name(),
                                    solution.vessel(),
                                    Show.number(age),
                                    Show.duration(life)),
                            Text.of(
                                    "solution-age.it-fades-with-time-warmth",
                                    "It fades with time, warmth and soil."))
                    .propose(
                            Text.of("solution-age.make-it-fresh-first", "Make it fresh first"),
                            insert(
                                    m,
                                    StepEdits.fresh(
                                            m.procedure(),
                                            0,
                                            new Action.DrawOff(
                                                    List.of(), List.of(solution.vessel()), true),
                                            "Empty it and make a fresh solution.")));
        }
    }
}
