package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** T11: every guard is on, and somebody has checked so, before the machine is made live. */
public final class GuardsBack extends BookRule {
    public GuardsBack() {
        super(
                RuleId.T11,
                Severity.STOP,
                "Guards are on and checked before the machine is live",
                Sources.LOCKOUT + "(e)(1)");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Restore)) {
            return;
        }
        List<PartAt> guards = new ArrayList<>();
        List<PartAt> missing = new ArrayList<>();
        for (PartAt p : m.sheet().allParts()) {
            if (m.sheet().part(p).guard()) {
                guards.add(p);
                if (m.night().off(p) > 0) {
                    missing.add(p);
                }
            }
        }
        if (guards.isEmpty() || (missing.isEmpty() && m.night().guardsOn())) {
            return;
        }
        List<String> ids = m.partIds(missing.isEmpty() ? guards : missing);
        Text what =
                missing.isEmpty()
                        ? Text.of(
                                "guards-back.not-checked",
                                "nobody has checked since the last assembly that the guards are on: {0}",
                                m.sheet().names(ids))
                        : Text.of("guards-back.off", "a guard is off: {0}", m.sheet().names(ids));
        out.report(info)
                .items(ids)
                .says(
                        Text.of(
                                "guards-back.makes-the-machine-live-while",
                                "Step {0} makes the machine live while {1}.",
                                m.number(),
                                what),
                        Text.of(
                                "guards-back.the-guard-is-what-stands",
                                "The guard is what stands between the moving part and the next person's hand."))
                .propose(
                        missing.isEmpty()
                                ? Text.of(
                                        "guards-back.check-the-guards-first",
                                        "Check the guards first")
                                : Text.of(
                                        "guards-back.put-the-guard-back-first",
                                        "Put the guard back first"),
                        edits(m, m.partIds(missing)));
    }

    private static List<Edit> edits(Moment m, List<String> missing) {
        List<Edit> edits = new ArrayList<>();
        String clear = null;
        for (Step s : m.procedure().steps().subList(0, m.place())) {
            if (s.action() instanceof Action.Clear) {
                clear = s.id();
            }
        }
        if (!missing.isEmpty()) {
            edits.add(
                    new Edit.InsertBefore(
                            clear == null ? m.step().id() : clear,
                            StepEdits.fresh(
                                    m.procedure(),
                                    0,
                                    new Action.Install(missing, null),
                                    "Put back: " + m.sheet().names(missing) + ".")));
        }
        if (clear == null || !m.night().guardsOn()) {
            edits.add(
                    new Edit.InsertBefore(
                            m.step().id(),
                            StepEdits.fresh(
                                    m.procedure(),
                                    1,
                                    new Action.Clear(true, true, true),
                                    "Tools out, everybody clear, guards on and checked.")));
        }
        return edits;
    }
}
