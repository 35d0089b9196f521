package orthopur.rules.lockout;

import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.EnergyStage;
import orthopur.procedure.Action;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.runthrough.Ending;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/**
 * L3: an energy that work needs dead and that no step ever takes off LIVE. Known only at the end;
 * the first step with hands in its zone is where it is shown, and L1 hangs under it.
 */
public final class NeverMadeSafe extends BookRule {
    /** What is said of an energy as long as what feeds it was never made safe. */
    private static final List<RuleId> FOLLOW = List.of(RuleId.L2, RuleId.L8, RuleId.L4, RuleId.L1);

    public NeverMadeSafe() {
        super(
                RuleId.L3,
                Severity.STOP,
                "Every energy of the sheet is made safe before work that needs it",
                Sources.LOCKOUT + "(c)(4)");
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        for (EnergyAt e : end.sheet().allEnergies()) {
            Energy energy = end.sheet().energy(e);
            int first = firstHandsIn(end, e);
            boolean loosened = out.onEnergy(energy.id(), RuleId.L4) != null;
            if (energy.keepLive() || first < 0 || loosened || everMoved(end, e)) {
                continue;
            }
            Step step = end.procedure().steps().get(first);
            List<EnergyStage> path = end.night().path(e);
            int place = Math.min(first, firstOfWhatItFeeds(end, energy.id(), first));
            Findings.Report l3 =
                    out.report(info)
                            .at(first, step.id())
                            .energy(energy.id())
                            .says(
                                    Text.of(
                                            "never-made-safe.no-step-ever-makes-safe",
                                            "No step ever makes {0} safe, and from step {1} on there are hands in its reach.",
                                            SheetIndex.spoken(energy.name()),
                                            first + 1),
                                    Text.of(
                                            "never-made-safe.the-sheet-lists-this-energy",
                                            "The sheet lists this energy because it can hurt someone during this work."))
                            .propose(
                                    Text.of(
                                            "never-made-safe.make-it-safe-before-step",
                                            "Make it safe before step {0}",
                                            (first + 1)),
                                    MakeSafe.before(
                                            end.procedure(),
                                            place,
                                            end.sheet(),
                                            e,
                                            path.subList(1, path.size())));
            under(l3, out.onEnergy(energy.id(), RuleId.L1));
            under(l3, out.onEnergy(energy.id(), RuleId.L6));
            // What it feeds cannot be made safe either; that is the same cause.
            for (EnergyAt fed : end.sheet().allEnergies()) {
                Energy of = end.sheet().energy(fed);
                boolean heated =
                        energy.kind().drives()
                                && of.kind() == EnergyKind.HEAT
                                && of.fedBy() == null;
                if (heated || energy.id().equals(of.fedBy())) {
                    FOLLOW.forEach(rule -> under(l3, out.onEnergy(of.id(), rule)));
                }
            }
        }
    }

    private static void under(Findings.Report cause, Findings.@Nullable Report follows) {
        if (follows != null) {
            follows.under(cause);
        }
    }

    private static int firstHandsIn(Ending end, EnergyAt energy) {
        for (int i = 0; i < end.traces().size(); i++) {
            if (end.traces().get(i).zones().contains(energy)) {
                return i;
            }
        }
        return -1;
    }

    /** What it feeds cannot be let off before it; so that is where it has to be made safe. */
    private static int firstOfWhatItFeeds(Ending end, String source, int otherwise) {
        for (int i = 0; i < otherwise; i++) {
            Action a = end.procedure().steps().get(i).action();
            for (String id : a.energies()) {
                EnergyAt fed = end.sheet().energyNamed(id);
                if (fed != null
                        && source.equals(end.sheet().energy(fed).fedBy())
                        && Moment.target(a, fed, end.sheet()) != null) {
                    return i;
                }
            }
        }
        return otherwise;
    }

    private static boolean everMoved(Ending end, EnergyAt energy) {
        String id = end.sheet().energy(energy).id();
        return end.procedure().steps().stream()
                .anyMatch(
                        s ->
                                s.action().energies().contains(id)
                                        && Moment.target(s.action(), energy, end.sheet()) != null
                                        && end.night()
                                                .path(energy)
                                                .contains(
                                                        Moment.target(
                                                                s.action(), energy, end.sheet())));
    }
}
