package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import orthopur.machine.Check;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Severity;

/** T9: every measured check of the sheet that the work touched is made after assembly. */
public final class MeasuredChecks extends BookRule {
    private static final String TOO_EARLY =
            "What is checked before it is put together says nothing of how it is put together.";

    public MeasuredChecks() {
        super("T9", Severity.FIX, "Measured checks are made after assembly", "machine manual");
    }

    /** Checks that a step makes while something of the machine is still off that goes on later. */
    @Override
    public void look(Moment m, Findings out) {
        for (String id : checks(m.action())) {
            Check check =
                    m.sheet().sheet().checks().stream()
                            .filter(c -> c.id().equals(id))
                            .findFirst()
                            .orElse(null);
            int part = check == null ? -1 : m.sheet().partNamed(check.part());
            int missing = check == null || part < 0 ? -1 : missing(m, check, part);
            if (check != null && missing >= 0) {
                out.report(info)
                        .cause(id)
                        .items(List.of(check.part()))
                        .says(
                                "Step %d makes the check \"%s\" before %s is on."
                                        .formatted(
                                                m.number(),
                                                check.name(),
                                                m.sheet().names(m.partIds(List.of(missing)))),
                                TOO_EARLY);
            }
        }
    }

    /**
     * A part that is still off and goes on later: the one that is checked, or one that the sheet
     * says the check needs.
     */
    private static int missing(Moment m, Check check, int checked) {
        List<Integer> needed = new ArrayList<>(List.of(checked));
        check.needs().stream().map(m.sheet()::partNamed).filter(p -> p >= 0).forEach(needed::add);
        for (int p : needed) {
            String id = m.sheet().part(p).id();
            if (m.night().off(p) > 0
                    && m.later(a -> a instanceof Action.Install && a.items().contains(id))) {
                return p;
            }
        }
        return -1;
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        Map<String, Integer> made = new HashMap<>();
        List<Step> steps = end.procedure().steps();
        for (int i = 0; i < steps.size(); i++) {
            if (end.context().configuration().holds(steps.get(i).when())) {
                for (String c : checks(steps.get(i).action())) {
                    made.put(c, i);
                }
            }
        }
        for (Check check : end.sheet().sheet().checks()) {
            int part = end.sheet().partNamed(check.part());
            boolean touched =
                    part >= 0
                            && (end.night().installedAt(part) != Facts.NEVER
                                    || !end.sheet().part(part).removable());
            Integer at = made.get(check.id());
            if (touched
                    && at != null
                    && at < end.night().installedAt(part)
                    && out.onCause("T9", check.id()) == null) {
                out.report(info)
                        .items(List.of(check.part()))
                        .says(
                                "Step %d makes the check \"%s\" before step %d puts %s on."
                                        .formatted(
                                                at + 1,
                                                check.name(),
                                                end.night().installedAt(part) + 1,
                                                end.sheet().names(List.of(check.part()))),
                                TOO_EARLY);
            }
            if (touched && at == null) {
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
