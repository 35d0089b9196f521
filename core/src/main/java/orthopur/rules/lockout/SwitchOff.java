package orthopur.rules.lockout;

import java.util.List;
import orthopur.machine.Energy;
import orthopur.procedure.Action;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/**
 * L5 for a switch that stays where it is put: whoever has tried it has left it on, and the machine
 * starts by itself when power comes back.
 */
public final class SwitchOff extends BookRule {
    public SwitchOff() {
        super(
                RuleId.L5,
                Severity.STOP,
                "A switch that was tried is off again before power comes back",
                Sources.LOCKOUT + "(d)(6), (e)");
    }

    @Override
    public void look(Moment m, Findings out) {
        // Who plugs it in to run it in between does both in one step.
        boolean runs = m.action() instanceof Action.Operate && m.action().runs();
        if (!(m.action() instanceof Action.Restore) && !runs) {
            return;
        }
        for (EnergyAt i : m.sheet().allEnergies()) {
            Energy e = m.sheet().energy(i);
            boolean gets = runs ? m.night().cutOff(i) : m.action().energies().contains(e.id());
            if (e.startsAgain() && gets && leftOn(m)) {
                out.report(info)
                        .energy(e.id())
                        .says(
                                Text.of(
                                        "switch-off.gives-power-back-and-the",
                                        "Step {0} gives power back to {1}; its switch was tried and nobody has put it back to off.",
                                        m.number(),
                                        e.name()),
                                Text.of(
                                        "switch-off.it-starts-by-itself",
                                        "It starts by itself in the hand that plugs it in."))
                        .propose(
                                Text.of("switch-off.put-it-to-off", "Put the switch to off first"),
                                insert(
                                        m,
                                        StepEdits.fresh(
                                                m.procedure(),
                                                0,
                                                new Action.Operate(
                                                        Action.Mode.STOP,
                                                        List.of(e.id()),
                                                        List.of()),
                                                "Put the switch back to off.")));
            }
        }
    }

    /** Whether the last thing that was done to a control was to try it. */
    private static boolean leftOn(Moment m) {
        List<Step> before = m.procedure().steps().subList(0, m.place());
        for (Step s : before.reversed()) {
            if (!m.context().configuration().holds(s.when())) {
                continue;
            }
            if (s.action() instanceof Action.Operate o && o.mode() == Action.Mode.STOP) {
                return false;
            }
            if (s.action() instanceof Action.Prove) {
                return true;
            }
        }
        return false;
    }

    /** What was started is stopped again before everybody leaves. */
    @Override
    public void atEnd(Ending end, Findings out) {
        List<Step> steps = end.procedure().steps();
        int running = -1;
        for (int i = 0; i < steps.size(); i++) {
            Action a = steps.get(i).action();
            if (!end.context().configuration().holds(steps.get(i).when())) {
                continue;
            }
            if (a instanceof Action.Operate o) {
                running = o.mode().runs() ? i : -1;
            } else if (a instanceof Action.Isolate || a instanceof Action.FunctionTest) {
                running = -1;
            }
        }
        if (running >= 0) {
            out.report(info)
                    .severity(Severity.FIX)
                    .at(running, steps.get(running).id())
                    .says(
                            Text.of(
                                    "switch-off.starts-and-nobody-stops",
                                    "Step {0} starts the machine, and no step stops it.",
                                    running + 1),
                            Text.of(
                                    "switch-off.it-runs-on-by-itself",
                                    "It runs on by itself when everybody has left."));
        }
    }
}
