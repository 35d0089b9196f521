package orthopur.rules.teardown;

import java.util.List;
import orthopur.machine.Check;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Severity;

/** T9: every measured check of the sheet that the work touched is made after assembly. */
public final class MeasuredChecks extends BookRule {
    public MeasuredChecks() {
        super("T9", Severity.FIX, "Measured checks are made after assembly", "machine manual");
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        List<String> made =
                end.procedure().steps().stream().flatMap(s -> checks(s.action()).stream()).toList();
        for (Check check : end.sheet().sheet().checks()) {
            int part = end.sheet().partNamed(check.part());
            boolean touched =
                    part >= 0
                            && (end.night().installedAt(part) != Facts.NEVER
                                    || !end.sheet().part(part).removable());
            if (touched && !made.contains(check.id())) {
                out.report(info)
                        .items(List.of(check.part()))
                        .says(
                                "The check \"%s\" is not made%s."
                                        .formatted(
                                                check.name(),
                                                check.least() == null
                                                        ? ""
                                                        : "; it has to be %s to %s %s"
                                                                .formatted(
                                                                        check.least(),
                                                                        check.most(),
                                                                        check.unit())),
                                "Half of all faults after a clean are assembly faults.")
                        .propose(
                                "Check it after assembly",
                                List.of(
                                        new Edit.InsertBefore(
                                                StepEdits.firstFrom(
                                                        end.procedure(),
                                                        lastInstall(end) + 1,
                                                        StepEdits::endsAssembly),
                                                StepEdits.fresh(
                                                        end.procedure(),
                                                        0,
                                                        new Action.Measure(List.of(check.id())),
                                                        "Check: " + check.name() + "."))));
            }
        }
    }

    private static List<String> checks(Action action) {
        return switch (action) {
            case Action.Measure a -> a.checks();
            case Action.FunctionTest a -> a.checks();
            default -> List.of();
        };
    }

    private static int lastInstall(Ending end) {
        int last = -1;
        for (int i = 0; i < end.procedure().steps().size(); i++) {
            if (end.procedure().steps().get(i).action() instanceof Action.Install) {
                last = i;
            }
        }
        return last;
    }
}
