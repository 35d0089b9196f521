package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.List;
import orthopur.machine.Fitting;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** T15: of parts that hold the machine in turn never all are off. */
public final class OneAtATime extends BookRule {
    public OneAtATime() {
        super(RuleId.T15, Severity.STOP, "One of these is always on", "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Remove)) {
            return;
        }
        for (PartAt p : m.parts()) {
            String group = m.sheet().part(p).moving().oneAtATime();
            if (group == null || out.onCause(RuleId.T15, group) != null) {
                continue;
            }
            List<String> siblings = new ArrayList<>();
            boolean left = false;
            for (PartAt q : m.sheet().allParts()) {
                Part other = m.sheet().part(q);
                if (group.equals(other.moving().oneAtATime())) {
                    siblings.add(other.id());
                    left |= !q.equals(p) && m.night().off(q) == 0 && m.orderOf(q) < 0;
                }
            }
            // Back on before the loop goes on to the next.
            left |=
                    m.sheet().part(p).count() > 1
                            && m.procedure()
                                    .loops(
                                            m.place(),
                                            x ->
                                                    x instanceof Action.Install
                                                            && x.items()
                                                                    .contains(
                                                                            m.sheet()
                                                                                    .part(p)
                                                                                    .id()));
            left |= standsIn(m, p);
            if (!left) {
                out.report(info)
                        .cause(group)
                        .items(siblings)
                        .says(
                                Text.of(
                                        "one-at-atime.leaves-none-of-on-the",
                                        "Step {0} leaves none of {1} on the machine.",
                                        m.number(),
                                        m.sheet().names(siblings)),
                                Text.of(
                                        "one-at-atime.one-of-them-carries-it",
                                        "One of them carries it while the other is off; without both it drops."));
            }
        }
    }

    /** Something fitted in its place before the loop goes on to the next. */
    private static boolean standsIn(Moment m, PartAt part) {
        String id = m.sheet().part(part).id();
        List<String> fittings =
                m.sheet().sheet().fittings().stream()
                        .filter(f -> id.equals(f.replaces()))
                        .map(Fitting::id)
                        .toList();
        return !fittings.isEmpty()
                && m.procedure()
                        .loops(
                                m.place(),
                                x ->
                                        x instanceof Action.Fit fit
                                                && fit.fittings().stream()
                                                        .anyMatch(fittings::contains));
    }
}
