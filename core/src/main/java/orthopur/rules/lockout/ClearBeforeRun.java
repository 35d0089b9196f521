package orthopur.rules.lockout;

import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** L5 for a run in between: people clear and tools out before anything moves. */
public final class ClearBeforeRun extends BookRule {
    public ClearBeforeRun() {
        super(
                RuleId.L5,
                Severity.STOP,
                "People are clear before the machine is run in between",
                Sources.LOCKOUT + "(e), (f)(1)",
                RuleId.T2);
    }

    @Override
    public void look(Moment m, Findings out) {
        // Before hands were in at all there is nobody to clear.
        if (m.action().runs()
                && !(m.night().peopleClear() && m.night().toolsOut())
                && m.earlier(Action::handsIn)) {
            out.report(info)
                    .says(
                            Text.of(
                                    "clear-before-run.moves-the-machine-and-nobody",
                                    "Step {0} moves the machine and nobody has said that people are clear and tools are out since hands were last in.",
                                    m.number()),
                            Text.of(
                                    "clear-before-run.a-machine-that-moves-with",
                                    "A machine that moves with a hand or a tool in it hurts somebody."))
                    .propose(
                            Text.of(
                                    "clear-before-run.clear-before-step",
                                    "Clear before step {0}",
                                    m.number()),
                            insert(
                                    m,
                                    StepEdits.fresh(
                                            m.procedure(),
                                            0,
                                            new Action.Clear(true, true, m.night().guardsOn()),
                                            "Tools out, everybody clear.")));
        }
    }
}
