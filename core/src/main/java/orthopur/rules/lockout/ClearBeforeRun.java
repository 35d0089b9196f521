package orthopur.rules.lockout;

import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Severity;

/** L5 for a run in between: people clear and tools out before anything moves. */
public final class ClearBeforeRun extends BookRule {
    public ClearBeforeRun() {
        super(
                "L5",
                Severity.STOP,
                "People are clear before the machine is run in between",
                Sources.LOCKOUT + "(e), (f)(1)");
    }

    @Override
    public void look(Moment m, Findings out) {
        // Before hands were in at all there is nobody to clear.
        if (m.action().runs()
                && !(m.night().peopleClear() && m.night().toolsOut())
                && m.earlier(Action::handsIn)) {
            out.report(info)
                    .says(
                            "Step %d moves the machine and nobody has said that people are clear and tools are out since hands were last in."
                                    .formatted(m.number()),
                            "A machine that moves with a hand or a tool in it hurts somebody.")
                    .propose(
                            "Clear before step " + m.number(),
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
