package orthopur.rules.lockout;

import java.util.List;
import orthopur.machine.EnergyStage;
import orthopur.rules.Sources;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Rule;
import orthopur.runthrough.RuleInfo;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;

/** L2: the stages of making safe come in order. Reports at the step that comes too early. */
public final class MakeSafeOrder implements Rule {
    private static final RuleInfo INFO =
            new RuleInfo(
                    "L2",
                    Severity.STOP,
                    "Stop, isolate, lock, release stored energy, verify – in this order",
                    Sources.LOCKOUT + "(d)(1)–(6)");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void look(Moment m, Findings out) {
        for (int e : m.energies()) {
            EnergyStage target = m.target(e);
            if (target == null || m.night().inOrder(e, target)) {
                continue;
            }
            List<EnergyStage> path = m.night().path(e);
            int fed = m.night().fedStill(e, target);
            if (fed >= 0) {
                fed(m, out, e, fed);
                continue;
            }
            List<EnergyStage> skipped =
                    path.subList(m.night().stageNumber(e) + 1, path.indexOf(target));
            String name = SheetIndex.spoken(m.sheet().energy(e).name());
            Findings.Report earlier = out.onEnergy(m.sheet().energy(e).id(), "L2");
            out.report(INFO)
                    .energy(m.sheet().energy(e).id())
                    .says(
                            "Step %d brings %s to \"%s\" while it is still %s; \"%s\" has to come first."
                                    .formatted(
                                            m.number(),
                                            name,
                                            target.shown(),
                                            m.night().stage(e).shown(),
                                            skipped.getFirst().shown()),
                            "A step taken out of order gives a false feeling of safety: a lock on a closed"
                                    + " switch holds nothing, and a try proves nothing while energy can return.")
                    .propose(
                            "Do first what is missing",
                            MakeSafe.before(m.procedure(), m.place(), m.sheet(), e, skipped))
                    .under(earlier);
        }
    }

    /** Pressure and motion come back as long as what feeds them runs or is open. */
    private static void fed(Moment m, Findings out, int e, int source) {
        String name = SheetIndex.spoken(m.sheet().energy(e).name());
        String from = SheetIndex.spoken(m.sheet().energy(source).name());
        out.report(INFO)
                .energy(m.sheet().energy(e).id())
                .says(
                        "Step %d deals with %s while %s, which feeds it, is still %s."
                                .formatted(m.number(), name, from, m.night().stage(source).shown()),
                        "Released pressure or heat comes back as long as its source"
                                + " runs or is open.")
                .under(out.onEnergy(m.sheet().energy(e).id(), "L2"));
    }
}
