package orthopur.rules.teardown;

import java.util.List;
import orthopur.machine.Program;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** T13: the machine stands in its safe position before it is cut off. */
public final class SafePosition extends BookRule {
    public SafePosition() {
        super(
                RuleId.T13,
                Severity.FIX,
                "Brought to its safe position before it is made safe",
                "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        String position = m.sheet().sheet().safePosition();
        Program program = m.program();
        boolean empties = program != null && program.purpose() == Program.Purpose.DESCALE;
        boolean comes =
                empties
                        || m.action() instanceof Action.Isolate
                        || m.handsIn() && !m.parts().isEmpty();
        if (position == null
                || !comes
                || out.onCause(RuleId.T13, "position") != null
                || m.earlier(
                        a ->
                                a instanceof Action.Operate o
                                        && o.mode() == Action.Mode.SAFE_POSITION)) {
            return;
        }
        out.report(info)
                .cause("position")
                .says(
                        empties
                                ? Text.of(
                                        "safe-position.descales-before-it",
                                        "Step {0} descales the machine before it stands as it has to: {1}.",
                                        m.number(),
                                        position)
                                : m.action() instanceof Action.Isolate
                                        ? Text.of(
                                                "safe-position.isolates-the-machine-before-it",
                                                "Step {0} isolates the machine before it is in its safe position: {1}.",
                                                m.number(),
                                                position)
                                        : Text.of(
                                                "safe-position.hands-before-it",
                                                "Step {0} puts hands to the machine before it is in its safe position: {1}.",
                                                m.number(),
                                                position),
                        Text.of(
                                "safe-position.without-power-it-stays-where",
                                "Without power it stays where it stopped, with its edge or gap open."))
                .propose(
                        Text.of("safe-position.set-it-safe-first", "Set it safe first"),
                        insert(
                                m,
                                StepEdits.fresh(
                                        m.procedure(),
                                        0,
                                        new Action.Operate(
                                                Action.Mode.SAFE_POSITION, List.of(), List.of()),
                                        position + ".")));
    }
}
