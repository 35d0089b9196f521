package orthopur.rules.lockout;

import java.util.List;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.EnergyStage;
import orthopur.procedure.Action;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Moment;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/** What L1, L6 and L8 share: hands in the reach of an energy that is not at the end of its path. */
final class DangerZone {
    private DangerZone() {}

    static boolean entered(Moment m, EnergyAt e) {
        return !m.sheet().energy(e).keepLive() && !m.night().harmless(e) && m.handsInZone(e);
    }

    static boolean hot(Moment m, EnergyAt e) {
        return m.sheet().energy(e).kind() == EnergyKind.HEAT;
    }

    /** Whether it was dead and a run in between brought it back. */
    static boolean ran(Moment m, EnergyAt e) {
        return m.night().ranAt(e) != Facts.NEVER;
    }

    /** Whether the step loosens the part that holds it, which L4 judges. */
    static boolean loosens(Moment m, Energy energy) {
        boolean moves = m.action() instanceof Action.Remove || m.action() instanceof Action.Shift;
        return moves
                && energy.holder() != null
                && m.orderOf(m.sheet().partNamed(energy.holder())) >= 0;
    }

    static List<String> partsInReach(Moment m, EnergyAt e) {
        return m.partIds(m.parts().stream().filter(p -> m.sheet().inReach(e, p)).toList());
    }

    /** "Step 4 has hands on blade and guard while motor is live, not yet proved harmless." */
    static Text sentence(Moment m, EnergyAt e) {
        Energy energy = m.sheet().energy(e);
        List<EnergyStage> path = m.night().path(e);
        return Text.of(
                "hands-in-danger-zone.has-hands-on-while-is",
                "Step {0} has hands on {1} while {2} is {3}, not yet {4}.",
                m.number(),
                m.sheet().names(m.partIds(m.parts())),
                SheetIndex.spoken(energy.name()),
                m.night().stage(e).shown(),
                path.getLast().shown());
    }
}
