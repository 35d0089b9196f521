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
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/**
 * L4: what is stored in a part (spring, tension, pressure, raised or turning mass, heat) is let off
 * before that part is loosened. Reports at the loosening.
 */
public final class StoredEnergyInPart extends BookRule {
    public StoredEnergyInPart() {
        super(
                RuleId.L4,
                Severity.STOP,
                "Stored energy is released before the part that holds it is loosened",
                Sources.LOCKOUT + "(d)(5)",
                RuleId.L2,
                RuleId.L3,
                RuleId.L8);
    }

    @Override
    public void look(Moment m, Findings out) {
        for (EnergyAt e : m.sheet().allEnergies()) {
            Energy energy = m.sheet().energy(e);
            boolean stored = energy.kind() == EnergyKind.STORED || energy.kind() == EnergyKind.HEAT;
            if (!stored
                    || energy.keepLive()
                    || energy.holder() == null
                    || m.night().harmless(e)
                    || !DangerZone.loosens(m, energy)
                    || out.onEnergy(energy.id(), RuleId.L4) != null) {
                continue;
            }
            List<EnergyStage> path = m.night().path(e);
            Findings.Report l4 =
                    out.report(info)
                            .energy(energy.id())
                            .items(List.of(energy.holder()))
                            .says(
                                    Text.of(
                                            "stored-energy-in-part.loosens-while-is-still",
                                            "Step {0} loosens {1} while {2} is still {3}.",
                                            m.number(),
                                            m.sheet().names(List.of(energy.holder())),
                                            SheetIndex.spoken(energy.name()),
                                            m.night().stage(e) == EnergyStage.LIVE
                                                    ? Text.of(
                                                            "stored-energy-in-part.not-released",
                                                            "not released")
                                                    : Text.of(
                                                            "stored-energy-in-part.not-verified",
                                                            "not verified")),
                                    Text.of(
                                            "stored-energy-in-part.the-stored-energy-is-released",
                                            "The stored energy is released the moment the part comes loose."))
                            .propose(
                                    Text.of(
                                            "stored-energy-in-part.release-it-before-step",
                                            "Release it before step {0}",
                                            m.number()),
                                    MakeSafe.before(
                                            m.procedure(),
                                            m.place(),
                                            m.sheet(),
                                            e,
                                            path.subList(
                                                    m.night().stageNumber(e) + 1, path.size())))
                            .under(out.onEnergy(energy.id(), roots()));
            // Hands that were in its reach before are the same neglect.
            Findings.Report l1 = out.onEnergy(energy.id(), RuleId.L1);
            if (l1 != null) {
                l1.under(l4);
            }
        }
    }
}
