package orthopur.rules.lockout;

import orthopur.machine.Energy;
import orthopur.machine.EnergyStage;
import orthopur.rules.BookRule;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/** L15: what the sheet leaves on for the people at work is not cut off under them. */
public final class StaysOn extends BookRule {
    public StaysOn() {
        super(
                RuleId.L15,
                Severity.FIX,
                "What protects people at work stays on",
                "machine manual; safety data sheet");
    }

    @Override
    public void look(Moment m, Findings out) {
        for (EnergyAt e : m.energies()) {
            Energy energy = m.sheet().energy(e);
            EnergyStage target = m.target(e);
            if (!energy.keepLive()
                    || target == null
                    || out.onCause(RuleId.L15, energy.id()) != null) {
                continue;
            }
            out.report(info)
                    .cause(energy.id())
                    .energy(energy.id())
                    .says(
                            Text.of(
                                    "stays-on.isolates-which-its-sheet-keeps",
                                    "Step {0} isolates {1}, which its sheet keeps on during cleaning.",
                                    m.number(),
                                    SheetIndex.spoken(energy.name())),
                            Text.of(
                                    "stays-on.it-removes-fumes-and-heat",
                                    "It removes fumes and heat as long as people work there."));
        }
    }
}
