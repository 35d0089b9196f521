package orthopur.rules.lockout;

import java.util.List;
import orthopur.machine.EnergyStage;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/** L2: the stages of making safe come in order. Reports at the step that comes too early. */
public final class MakeSafeOrder extends BookRule {
    public MakeSafeOrder() {
        super(
                RuleId.L2,
                Severity.STOP,
                "Stop, isolate, lock, release stored energy, verify – in this order",
                Sources.LOCKOUT + "(d)(1)–(6)",
                RuleId.L3);
    }

    @Override
    public void look(Moment m, Findings out) {
        for (EnergyAt e : m.energies()) {
            EnergyStage target = m.target(e);
            if (target == null || m.night().inOrder(e, target)) {
                continue;
            }
            List<EnergyStage> path = m.night().path(e);
            EnergyAt fed = m.night().fedStill(e, target);
            if (fed != null) {
                fed(m, out, e, fed);
                continue;
            }
            List<EnergyStage> skipped =
                    path.subList(m.night().stageNumber(e) + 1, path.indexOf(target));
            String name = SheetIndex.spoken(m.sheet().energy(e).name());
            Findings.Report earlier = out.onEnergyBefore(m.sheet().energy(e).id(), RuleId.L2);
            out.report(info)
                    .energy(m.sheet().energy(e).id())
                    .says(
                            Text.of(
                                    "make-safe-order.brings-to-while-it-is",
                                    "Step {0} brings {1} to \"{2}\" while it is still {3}; \"{4}\" has to come first.",
                                    m.number(),
                                    name,
                                    target.shown(),
                                    m.night().stage(e).shown(),
                                    skipped.getFirst().shown()),
                            Text.of(
                                    "make-safe-order.a-step-taken-out-of",
                                    "A step taken out of order gives a false feeling of safety: a lock on a closed switch holds nothing, and a try proves nothing while energy can return."))
                    .propose(
                            Text.of(
                                    "make-safe-order.do-first-what-is-missing",
                                    "Do first what is missing"),
                            MakeSafe.before(m.procedure(), m.place(), m.sheet(), e, skipped))
                    .under(earlier);
        }
    }

    /** Pressure and motion come back as long as what feeds them runs or is open. */
    private void fed(Moment m, Findings out, EnergyAt e, EnergyAt source) {
        String name = SheetIndex.spoken(m.sheet().energy(e).name());
        String from = SheetIndex.spoken(m.sheet().energy(source).name());
        out.report(info)
                .energy(m.sheet().energy(e).id())
                .says(
                        Text.of(
                                "make-safe-order.deals-with-while-which-feeds",
                                "Step {0} deals with {1} while {2}, which feeds it, is still {3}.",
                                m.number(),
                                name,
                                from,
                                m.night().stage(source).shown()),
                        Text.of(
                                "make-safe-order.released-pressure-or-heat-comes",
                                "Released pressure or heat comes back as long as its source runs or is open."))
                .under(out.onEnergyBefore(m.sheet().energy(e).id(), RuleId.L2));
    }
}
