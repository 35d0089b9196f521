package orthopur.rules.cleanchain;

import java.util.List;
import orthopur.machine.Program;
import orthopur.machine.Washer;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** C23 for washers: strainers, arms and curtains are in place before it is relied on. */
public final class WasherComplete extends BookRule {
    public WasherComplete() {
        super(
                RuleId.C23,
                Severity.STOP,
                "A washer is clean and complete before it washes anything",
                "Food Code 2022, 4-501.14");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.RunProgram a)) {
            return;
        }
        Program program = m.program();
        List<String> missing = program == null ? unsaid(m, a) : off(m, program);
        if (missing.isEmpty()) {
            return;
        }
        Findings.Report r =
                out.report(info)
                        .items(m.surfaceIds(m.named()))
                        .says(
                                program == null
                                        ? Text.of(
                                                "washer-complete.washes-in-and-does-not",
                                                "Step {0} washes in {1} and does not say that these are in place: {2}.",
                                                m.number(),
                                                a.solution().vessel(),
                                                m.sheet().names(missing))
                                        : Text.of(
                                                "washer-complete.runs-without",
                                                "Step {0} runs {1} without {2}.",
                                                m.number(),
                                                program.name(),
                                                m.sheet().names(missing)),
                                Text.of(
                                        "washer-complete.without-its-strainers-arms-and",
                                        "Without its strainers, arms and curtains the soil goes round instead of out."))
                        .deny(m.named());
        Washer washer = m.washer();
        if (program == null && washer != null) {
            r.propose(
                    Text.of(
                            "washer-complete.check-that-they-are-in",
                            "Check that they are in place"),
                    change(m, m.step().with(a.withComplete(washer.insides()))));
        }
    }

    private static List<String> unsaid(Moment m, Action.RunProgram a) {
        Washer washer = m.washer();
        return washer == null
                ? List.of()
                : washer.insides().stream().filter(i -> !a.complete().contains(i)).toList();
    }

    private static List<String> off(Moment m, Program program) {
        return program.needs().stream()
                .filter(
                        id -> {
                            PartAt p = m.sheet().partNamed(id);
                            return p != null && (m.night().off(p) > 0 || m.night().aside(p));
                        })
                .toList();
    }
}
