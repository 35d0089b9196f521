package orthopur.rules.lockout;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Step;
import orthopur.quantity.Show;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Night;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/**
 * L5: before an energy is given back for production all parts are back, tools are out, people are
 * clear and every lock is off. Guards are T11, which comes first.
 */
public final class ClearBeforeLive extends BookRule {
    public ClearBeforeLive() {
        super(
                RuleId.L5,
                Severity.STOP,
                "Live again only with all parts back, tools out, people clear, locks off",
                Sources.LOCKOUT + "(e)",
                RuleId.T2);
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.Unlock) {
            unlocked(m, out);
        }
        if (!(m.action() instanceof Action.Restore)) {
            return;
        }
        Night night = m.night();
        List<Object> reasons = new ArrayList<>();
        List<Edit> edits = new ArrayList<>();
        List<PartAt> off = new ArrayList<>();
        List<String> without = runsWithout(m);
        for (PartAt p : m.sheet().allParts()) {
            Part part = m.sheet().part(p);
            if (night.off(p) > 0 && !part.guard() && !without.contains(part.id())) {
                off.add(p);
            }
        }
        List<String> missing = m.partIds(off);
        if (!missing.isEmpty()) {
            reasons.add(
                    Text.of(
                            "clear-before-live.still-off",
                            "still off: {0}",
                            m.sheet().names(missing)));
        }
        if (!night.toolsOut() || !night.peopleClear()) {
            reasons.add(
                    Text.of(
                            "clear-before-live.nobody-has-said-that-tools",
                            "nobody has said that tools are out and people are clear since hands were last in"));
            edits.add(
                    new Edit.InsertBefore(
                            beforeTheLocks(m),
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
            reasons.add(
                    Text.of(
                            "clear-before-live.a-lock-is-still-on",
                            "a lock is still on {0}",
                            m.sheet().names(locked)));
            edits.add(
                    new Edit.InsertBefore(
                            m.step().id(),
                            StepEdits.fresh(
                                    m.procedure(),
                                    1,
                                    new Action.Unlock(locked, "each owner"),
                                    "Each person takes off their own lock.")));
        }
        waitedTooShort(m, reasons);
        if (reasons.isEmpty()) {
            return;
        }
        Findings.Report r =
                out.report(info)
                        .items(missing)
                        .says(
                                Text.of(
                                        "clear-before-live.makes-the-machine-live-too",
                                        "Step {0} makes the machine live too early: {1}.",
                                        m.number(),
                                        reasons),
                                Text.of(
                                        "clear-before-live.a-machine-that-starts-with",
                                        "A machine that starts with a tool, a hand or a loose part in it hurts somebody."))
                        .propose(
                                Text.of(
                                        "clear-before-live.clear-before-step",
                                        "Clear before step {0}",
                                        m.number()),
                                edits);
        m.action().energies().forEach(r::energy);
    }

    /** What no power moves is put together and used; a brush left in it goes into the food. */
    @Override
    public void atEnd(Ending end, Findings out) {
        List<Step> steps = end.procedure().steps();
        boolean restored = steps.stream().anyMatch(s -> s.action() instanceof Action.Restore);
        boolean together = steps.stream().anyMatch(s -> s.action() instanceof Action.Install);
        boolean machine = !end.sheet().allEnergies().isEmpty();
        if (restored || !together || !machine || end.night().toolsOut()) {
            return;
        }
        Step last = steps.getLast();
        out.report(info)
                .severity(Severity.FIX)
                .at(steps.size() - 1, last.id())
                .says(
                        Text.of(
                                "clear-before-live.never-counted-out",
                                "Nobody says that tools and cloths are out since hands were last in the machine."),
                        Text.of(
                                "clear-before-live.what-is-left-in",
                                "What is left in it goes into the food, or breaks the machine."))
                .propose(
                        Text.of("clear-before-live.clear-at-the-end", "Count the tools out"),
                        List.of(
                                new Edit.InsertBefore(
                                        afterTheHands(steps),
                                        StepEdits.fresh(
                                                end.procedure(),
                                                0,
                                                new Action.Clear(true, true, true),
                                                "Tools out, everybody clear, guards on and checked."))));
    }

    /** The step behind the last with hands in the machine; the last one where there is none. */
    private static String afterTheHands(List<Step> steps) {
        int at = steps.size() - 1;
        while (at > 0 && !steps.get(at - 1).action().handsIn()) {
            at--;
        }
        return steps.get(at).id();
    }

    /** The step before which it is cleared: the first lock that comes off once hands are done. */
    private static String beforeTheLocks(Moment m) {
        List<Step> steps = m.procedure().steps();
        String first = m.step().id();
        for (int i = m.place() - 1; i >= 0 && !steps.get(i).action().handsIn(); i--) {
            if (steps.get(i).action() instanceof Action.Unlock) {
                first = steps.get(i).id();
            }
        }
        return first;
    }

    /** Once the locks are off, anybody may give it power: hands are out before that. */
    private void unlocked(Moment m, Findings out) {
        int live = m.firstLater(a -> a instanceof Action.Restore);
        int hands = m.firstLater(Action::handsIn);
        int clear = m.firstLater(a -> a instanceof Action.Clear);
        boolean handsAfter = live >= 0 && hands >= 0 && hands < live;
        // Never cleared at all is told where it is made live.
        boolean clearedAfter =
                !(m.night().toolsOut() && m.night().peopleClear())
                        && (live < 0 || clear >= 0 && clear < live);
        if (!handsAfter && !clearedAfter) {
            return;
        }
        out.report(info)
                .severity(Severity.FIX)
                .says(
                        Text.of(
                                "clear-before-live.takes-the-locks-off-too",
                                "Step {0} takes the locks off before tools are out, people are clear and hands are done.",
                                m.number()),
                        Text.of(
                                "clear-before-live.without-a-lock-anybody",
                                "Without a lock anybody can give it power while a hand is in it."));
    }

    /** Parts without which the program runs that comes next, before any hand goes in again. */
    private static List<String> runsWithout(Moment m) {
        int next = m.firstLater(a -> a.runs() || a.handsIn());
        Action action = next < 0 ? null : m.procedure().steps().get(next).action();
        return action instanceof Action.RunProgram run
                ? m.sheet().sheet().programs().stream()
                        .filter(p -> p.id().equals(run.program()))
                        .flatMap(p -> p.aside().stream())
                        .toList()
                : List.of();
    }

    /** Gas that hangs in the chamber has to leave before anything is lit. */
    private static void waitedTooShort(Moment m, List<Object> reasons) {
        Duration stated = m.action() instanceof Action.Restore a ? a.waited() : null;
        for (EnergyAt e : m.energies()) {
            Duration least = m.sheet().energy(e).restartWait();
            if (least != null && (stated == null || stated.compareTo(least) < 0)) {
                reasons.add(
                        Text.of(
                                "clear-before-live.needs-of-waiting-before-the",
                                "{0} needs {1} of waiting before the start{2}",
                                m.sheet().energy(e).name(),
                                Show.duration(least),
                                stated == null
                                        ? Text.of(
                                                "clear-before-live.and-no-wait-is-stated",
                                                ", and no wait is stated")
                                        : Text.of(
                                                "clear-before-live.and-is-stated",
                                                ", and {0} is stated",
                                                Show.duration(stated))));
            }
        }
    }
}
