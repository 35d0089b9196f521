package orthopur.rules.lockout;

import java.util.List;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.EnergyStage;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/**
 * L1: no hands in the danger zone of an energy that has not reached the end of its path. Reports
 * once for each energy, at the first such step.
 */
public final class HandsInDangerZone extends BookRule {
    public HandsInDangerZone() {
        super(
                RuleId.L1,
                Severity.STOP,
                "No hands where an energy is not yet harmless",
                Sources.LOCKOUT + "(c), (d)",
                RuleId.L2,
                RuleId.L3,
                RuleId.L4);
    }

    @Override
    public void look(Moment m, Findings out) {
        for (EnergyAt e : m.sheet().allEnergies()) {
            Energy energy = m.sheet().energy(e);
            // A run before is L6, heat is L8.
            if (!DangerZone.entered(m, e)
                    || DangerZone.ran(m, e)
                    || DangerZone.hot(m, e)
                    || out.onEnergy(energy.id(), RuleId.L1) != null) {
                continue;
            }
            List<EnergyStage> path = m.night().path(e);
            boolean sharedCord = energy.kind() == EnergyKind.CORD && m.night().crew() > 1;
            Text because =
                    sharedCord
                            ? Text.of(
                                    "hands-in-danger-zone.with-a-second-person",
                                    "With a second person at the machine the plug is in nobody's sole control; it takes a lock as well.")
                            : Text.of(
                                    "hands-in-danger-zone.whatever-can-start",
                                    "Whatever can start, fall or spring back reaches the hands in its way.");
            out.report(info)
                    .energy(energy.id())
                    .items(
                            m.partIds(
                                    m.parts().stream()
                                            .filter(p -> m.sheet().inReach(e, p))
                                            .toList()))
                    .says(DangerZone.sentence(m, e), because)
                    .propose(
                            Text.of(
                                    "hands-in-danger-zone.make-it-safe-before-step",
                                    "Make it safe before step {0}",
                                    m.number()),
                            MakeSafe.before(
                                    m.procedure(),
                                    m.place(),
                                    m.sheet(),
                                    e,
                                    path.subList(m.night().stageNumber(e) + 1, path.size())))
                    .under(out.onEnergy(energy.id(), roots()));
        }
    }
}
