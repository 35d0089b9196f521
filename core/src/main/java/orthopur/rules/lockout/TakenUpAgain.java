package orthopur.rules.lockout;

import java.util.List;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.procedure.Action;
import orthopur.quantity.Show;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.rules.StepEdits;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/**
 * L16: work that rested overnight is taken up by somebody who looks first: a plug in sight in the
 * evening is in nobody's hand in the morning, and the lock may be another person's.
 */
public final class TakenUpAgain extends BookRule {
    public TakenUpAgain() {
        super(
                RuleId.L16,
                Severity.FIX,
                "Work that rested for hours is taken up only after each energy is verified again",
                Sources.LOCKOUT + "(f)(4)");
    }

    @Override
    public void look(Moment m, Findings out) {
        for (EnergyAt e : m.sheet().allEnergies()) {
            Energy energy = m.sheet().energy(e);
            if (energy.keepLive()
                    || energy.kind() == EnergyKind.HEAT
                    || !m.night().harmless(e)
                    || !m.night().unseenSinceRest(e)
                    || !m.handsInZone(e)
                    || out.onEnergy(energy.id(), RuleId.L16) != null) {
                continue;
            }
            String name = SheetIndex.spoken(energy.name());
            out.report(info)
                    .energy(energy.id())
                    .says(
                            Text.of(
                                    "taken-up-again.has-hands-in-after-hours",
                                    "Step {0} has hands in the reach of {1} after {2} h or more in which nobody stood at it; nothing says that it is verified again.",
                                    m.number(),
                                    name,
                                    Show.number(m.context().book().number("rest.proved-again"))),
                            Text.of(
                                    "taken-up-again.in-the-meantime-somebody",
                                    "In the meantime somebody may have plugged it in or taken a lock off."))
                    .propose(
                            Text.of("taken-up-again.verify-again", "Verify {0} again first", name),
                            insert(
                                    m,
                                    StepEdits.fresh(
                                            m.procedure(),
                                            0,
                                            new Action.Prove(List.of(energy.id())),
                                            "Before a hand goes in: try whether "
                                                    + name
                                                    + " is still off, then set the switch back to off.")));
        }
    }
}
