package orthopur.rules.teardown;

import java.util.List;
import orthopur.machine.Fitting;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Severity;

/**
 * T14 for what was fitted only for cleaning: off again, and counted, before the machine is live.
 */
public final class FittingsOff extends BookRule {
    public FittingsOff() {
        super(
                "T14",
                Severity.STOP,
                "What was fitted for cleaning is off again before the machine is live",
                "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Restore)) {
            return;
        }
        for (Fitting f : m.sheet().sheet().fittings()) {
            if (m.night().fitted(f.id()) > 0) {
                out.report(info)
                        .says(
                                "Step %d makes the machine live while %s is still on (%d)."
                                        .formatted(m.number(), f.name(), m.night().fitted(f.id())),
                                "It is thrown off, jams, or lets product run where it should not.")
                        .propose(
                                "Take it off first",
                                insert(
                                        m,
                                        StepEdits.fresh(
                                                m.procedure(),
                                                0,
                                                new Action.Unfit(List.of(f.id())),
                                                "Take off " + f.name() + ".")));
            }
        }
    }
}
