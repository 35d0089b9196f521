package orthopur.rules.cleanchain;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import orthopur.machine.EnergyStage;
import orthopur.machine.Program;
import orthopur.procedure.Action;
import orthopur.quantity.Show;
import orthopur.rules.BookRule;
import orthopur.runthrough.Ending;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
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
        if (!(m.action() instanceof Action.RunProgram a)) {
            return;
        }
        if (program == null) {
            if (a.program() == null && a.solution().vessel() == null) {
                unnamed(m, out);
            }
            return;
        }
        state(m, program, out);
        flushed(m, program, out);
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

    /** What the sheet wants run in each clean of this kind. */
    @Override
    public void atEnd(Ending end, Findings out) {
        for (Program p : end.sheet().sheet().programs()) {
            boolean run =
                    end.last(a -> a instanceof Action.RunProgram r && p.id().equals(r.program()))
                            >= 0;
            if (p.frequency() == end.procedure().kind() && !run) {
                out.report(info)
                        .severity(Severity.FIX)
                        .cause(p.id())
                        .says(
                                Text.of(
                                        "program-run.is-not-run",
                                        "No step runs \"{0}\", which belongs to each clean of this kind.",
                                        p.name()),
                                Text.of(
                                        "program-run.nobody-else-does-its-work",
                                        "Nothing else does its work, and nobody sees that it was left out."));
            }
        }
    }

    /** A machine has several, and a washer is another machine. */
    private void unnamed(Moment m, Findings out) {
        out.report(info)
                .severity(Severity.FIX)
                .items(m.surfaceIds(m.named()))
                .says(
                        Text.of(
                                "program-run.which",
                                "Step {0} runs a program and says neither which program nor in which washer.",
                                m.number()),
                        Text.of(
                                "program-run.another-one-does-other-work",
                                "Another program does other work, and looks the same from outside."));
    }

    /** Started in a state in which it cannot do its work: humidity on, door shut. */
    private void state(Moment m, Program program, Findings out) {
        List<Object> wrong = new ArrayList<>();
        for (String id : program.off()) {
            EnergyAt e = m.sheet().energyNamed(id);
            if (e != null && m.night().stage(e) == EnergyStage.LIVE) {
                wrong.add(Text.of("program-run.is-on", "{0} is on", m.sheet().energy(e).name()));
            }
        }
        for (String id : program.energies()) {
            EnergyAt e = m.sheet().energyNamed(id);
            if (e != null && m.sheet().energy(e).kind().drives() && m.night().cutOff(e)) {
                wrong.add(Text.of("program-run.is-off", "{0} is off", m.sheet().energy(e).name()));
            }
        }
        for (String id : program.aside()) {
            PartAt p = m.sheet().partNamed(id);
            if (p != null && m.night().off(p) == 0 && !m.night().aside(p)) {
                wrong.add(
                        Text.of(
                                "program-run.is-shut",
                                "{0} is not moved aside",
                                m.sheet().names(List.of(id))));
            }
        }
        if (!wrong.isEmpty()) {
            out.report(info)
                    .items(m.surfaceIds(m.named()))
                    .says(
                            Text.of(
                                    "program-run.starts-while",
                                    "Step {0} starts {1} while {2}.",
                                    m.number(),
                                    program.name(),
                                    wrong),
                            Text.of(
                                    "program-run.in-that-state-it-does",
                                    "In that state it does not do its work, however long it runs."))
                    .deny(m.named());
        }
    }

    /** The acid of a descale program is flushed out before anything is washed for food. */
    private void flushed(Moment m, Program program, Findings out) {
        if (program.purpose() != Program.Purpose.DESCALE) {
            return;
        }
        List<String> flushing =
                m.sheet().sheet().programs().stream()
                        .filter(p -> p.purpose() == Program.Purpose.PURGE)
                        .map(Program::id)
                        .toList();
        boolean later =
                m.later(
                        x ->
                                x instanceof Action.RunProgram r && flushing.contains(r.program())
                                        || x instanceof Action.Rinse rinse
                                                && rinse.endPoint() == Action.EndPoint.TAP_PH);
        if (!later) {
            out.report(info)
                    .items(m.surfaceIds(m.named()))
                    .says(
                            Text.of(
                                    "program-run.no-later-step-flushes",
                                    "Step {0} runs {1} with an acid and no later step flushes it out.",
                                    m.number(),
                                    program.name()),
                            Text.of(
                                    "program-run.acid-that-stays",
                                    "Acid that stays in the machine goes onto the ware, or meets chlorine and gives off gas."));
        }
    }
}
