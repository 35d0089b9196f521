package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.List;
import orthopur.machine.Energy;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** T9 for a test run: a machine that has no power is not tested, nor run. */
public final class TestedLive extends BookRule {
    public TestedLive() {
        super(
                RuleId.T9,
                Severity.FIX,
                "A test run is made on a machine that is live",
                "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        // Whoever starts it in between puts power on with the same step; a test of the whole does
        // not.
        if (!(m.action() instanceof Action.FunctionTest)) {
            return;
        }
        List<String> off = new ArrayList<>();
        List<String> names = new ArrayList<>();
        for (int e = 0; e < m.sheet().energyCount(); e++) {
            Energy energy = m.sheet().energy(e);
            if (!energy.kind().drives() || energy.keepLive()) {
                continue;
            }
            if (!m.night().cutOff(e)) {
                // What is on is what this test needs; a pump for cleaning alone may stay unplugged.
                return;
            }
            off.add(energy.id());
            names.add(energy.name());
        }
        if (off.isEmpty()) {
            return;
        }
        out.report(info)
                .cause("dead")
                .says(
                        Text.of(
                                "tested-live.tests-the-machine-but-is",
                                "Step {0} tests the machine, but this is still off: {1}.",
                                m.number(),
                                String.join("; ", names)),
                        Text.of(
                                "tested-live.what-does-not-run-proves",
                                "What does not run proves nothing, and somebody will put power on by themselves to get it done."))
                .propose(
                        Text.of("tested-live.make-it-live-first", "Make it live first"),
                        insert(
                                m,
                                StepEdits.fresh(
                                        m.procedure(),
                                        0,
                                        new Action.Restore(off, null),
                                        "Make live for the test run.")));
    }
}
