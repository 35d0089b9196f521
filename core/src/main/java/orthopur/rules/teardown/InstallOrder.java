package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.List;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** T3: what belongs behind goes on first; the machine's own order comes before that. */
public final class InstallOrder extends BookRule {
    public InstallOrder() {
        super(RuleId.T3, Severity.FIX, "Parts go on in the order that works", "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Install)) {
            return;
        }
        for (PartAt p : m.parts()) {
            List<String> late = new ArrayList<>();
            Part part = m.sheet().part(p);
            for (PartAt q : m.sheet().onBefore(p)) {
                Part other = m.sheet().part(q);
                boolean inTime = m.orderOf(q) >= 0 && m.orderOf(q) < m.orderOf(p);
                // One of several missing is a matter of the count (T2), not of the order.
                boolean allOff = m.night().off(q) == other.count();
                if (allOff && !inTime && comes(m, other.id())) {
                    late.add(other.id());
                }
            }
            if (!late.isEmpty()) {
                report(m, part, late, out);
            }
            unwashed(m, p, out);
        }
    }

    /** What came off to be washed goes back after it. */
    private void unwashed(Moment m, PartAt p, Findings out) {
        String id = m.sheet().part(p).id();
        boolean dirty =
                m.night().off(p) > 0
                        && m.sheet().surfacesOf(p).stream()
                                .filter(s -> m.sheet().surface(s).zone() <= 2)
                                .anyMatch(
                                        s ->
                                                m.night().facts(s).soil()
                                                        && m.night().facts(s).washed()
                                                                == Facts.NEVER);
        if (!dirty) {
            return;
        }
        int at = m.firstLater(a -> a instanceof Action.Wash && m.sheet().meant(a, p));
        int off = m.firstLater(a -> a instanceof Action.Remove && a.items().contains(id));
        if (at >= 0 && (off < 0 || at < off)) {
            out.report(info)
                    .items(List.of(id))
                    .says(
                            Text.of(
                                    "install-order.goes-back-before-it-is-washed",
                                    "Step {0} puts {1} back, and only step {2} washes it.",
                                    m.number(),
                                    m.sheet().names(List.of(id)),
                                    at + 1),
                            Text.of(
                                    "install-order.it-came-off-to-be-washed",
                                    "It came off to be washed; on the machine only its front gets clean."));
        }
    }

    /** What never comes back at all is missing (T2), not late. */
    private static boolean comes(Moment m, String part) {
        return m.action().items().contains(part)
                || m.later(a -> a instanceof Action.Install && a.items().contains(part));
    }

    private void report(Moment m, Part part, List<String> late, Findings out) {
        Findings.Report r =
                out.report(info)
                        .items(List.of(part.id()))
                        .items(late)
                        .says(
                                Text.of(
                                        "install-order.puts-on-before",
                                        "Step {0} puts {1} on before {2}.",
                                        m.number(),
                                        m.sheet().names(List.of(part.id())),
                                        m.sheet().names(late)),
                                Text.of(
                                        "install-order.it-has-to-come-off",
                                        "It has to come off again, or the part behind is forced or forgotten."));
        for (Step s : m.procedure().steps().subList(m.place() + 1, m.procedure().steps().size())) {
            if (s.action() instanceof Action.Install && s.action().items().containsAll(late)) {
                r.propose(
                        Text.of("install-order.put-them-on-first", "Put them on first"),
                        List.of(new Edit.Move(s.id(), m.step().id())));
                return;
            }
        }
        if (m.action() instanceof Action.Install a && a.items().containsAll(late)) {
            List<String> order = new ArrayList<>(late);
            a.items().stream().filter(i -> !late.contains(i)).forEach(order::add);
            r.propose(
                    Text.of("install-order.in-the-order-that-works", "In the order that works"),
                    change(m, m.step().with(new Action.Install(order, a.count(), a.pattern()))));
        }
    }
}
