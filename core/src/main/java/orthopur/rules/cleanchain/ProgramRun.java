package orthopur.rules.cleanchain;

import java.time.Duration;
import orthopur.machine.Program;
import orthopur.procedure.Action;
import orthopur.quantity.Show;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** C21: a program of the machine runs to its end; stopped early it has cleaned nothing. */
public final class ProgramRun extends BookRule {
    public ProgramRun() {
        super(RuleId.C21, Severity.STOP, "A program runs to its end", "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        Program program = m.program();
        if (!(m.action() instanceof Action.RunProgram a) || program == null) {
            return;
        }
        Duration least = program.earliestEnd();
        if (a.lasting() != null && a.lasting().compareTo(least) >= 0) {
            return;
        }
        out.report(info)
                .items(m.surfaceIds(m.named()))
                .number("earliest end", least.getSeconds(), "s")
                .says(
                        Text.of(
                                "program-run.runs-for-it-ends-after",
                                "Step {0} runs {1} for {2}; it ends after {3} at the earliest.",
                                m.number(),
                                program.name(),
                                a.lasting() == null
                                        ? Text.of(
                                                "program-run.a-time-it-does-not",
                                                "a time it does not state")
                                        : Show.duration(a.lasting()),
                                Show.duration(least)),
                        Text.of(
                                "program-run.what-it-loosened-is-still",
                                "What it loosened is still there when it is stopped before its last rinse."))
                .deny(m.named())
                .propose(
                        Text.of(
                                "program-run.let-it-run-for",
                                "Let it run for {0}",
                                Show.duration(least)),
                        change(m, m.step().with(a.withLasting(least))));
    }
}
