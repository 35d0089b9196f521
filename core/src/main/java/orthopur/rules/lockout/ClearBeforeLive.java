package orthopur.rules.lockout;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.quantity.Show;
import orthopur.rules.Sources;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Night;
import orthopur.runthrough.Rule;
import orthopur.runthrough.RuleInfo;
import orthopur.runthrough.Severity;

/**
 * L5: before an energy is given back for production all parts are back, tools are out, people are
 * clear and every lock is off. Guards are T11, which comes first.
 */
public final class ClearBeforeLive implements Rule {
    private static final RuleInfo INFO =
            new RuleInfo(
                    "L5",
                    Severity.STOP,
                    "Live again only with all parts back, tools out, people clear, locks off",
                    Sources.LOCKOUT + "(e)");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Restore)) {
            return;
        }
        Night night = m.night();
        List<String> reasons = new ArrayList<>();
        List<Edit> edits = new ArrayList<>();
        List<Integer> off = new ArrayList<>();
        for (int p = 0; p < m.sheet().partCount(); p++) {
            if (night.off(p) > 0 && !m.sheet().part(p).guard()) {
                off.add(p);
            }
        }
        List<String> missing = m.partIds(off);
        if (!missing.isEmpty()) {
            reasons.add("still off: " + m.sheet().names(missing));
        }
        if (!night.toolsOut() || !night.peopleClear()) {
            reasons.add(
                    "nobody has said that tools are out and people are clear since hands were last in");
            edits.add(
                    new Edit.InsertBefore(
                            m.step().id(),
                            StepEdits.fresh(
                                    m.procedure(),
                                    0,
                                    new Action.Clear(true, true, true),
                                    "Tools out, everybody clear, guards on and checked.")));
        }
        List<String> locked =
                m.energies().stream()
                        .filter(night::locked)
                        .map(e -> m.sheet().energy(e).id())
                        .toList();
        if (!locked.isEmpty()) {
            reasons.add("a lock is still on " + m.sheet().names(locked));
            edits.add(
                    new Edit.InsertBefore(
                            m.step().id(),
                            StepEdits.fresh(
                                    m.procedure(),
                                    1,
                                    new Action.Unlock(locked),
                                    "Each person takes off their own lock.")));
        }
        waitedTooShort(m, reasons);
        if (reasons.isEmpty()) {
            return;
        }
        Findings.Report r =
                out.report(INFO)
                        .items(missing)
                        .says(
                                "Step %d makes the machine live too early: %s."
                                        .formatted(m.number(), String.join("; ", reasons)),
                                "A machine that starts with a tool, a hand or a loose part in it hurts somebody.")
                        .propose("Clear before step " + m.number(), edits);
        m.action().energies().forEach(r::energy);
    }

    /** Gas that hangs in the chamber has to leave before anything is lit. */
    private static void waitedTooShort(Moment m, List<String> reasons) {
        Duration stated = m.action() instanceof Action.Restore a ? a.waited() : null;
        for (int e : m.energies()) {
            Duration least = m.sheet().energy(e).restartWait();
            if (least != null && (stated == null || stated.compareTo(least) < 0)) {
                reasons.add(
                        "%s needs %s of waiting before the start%s"
                                .formatted(
                                        m.sheet().energy(e).name(),
                                        Show.duration(least),
                                        stated == null
                                                ? ", and no wait is stated"
                                                : ", and " + Show.duration(stated) + " is stated"));
            }
        }
    }
}
