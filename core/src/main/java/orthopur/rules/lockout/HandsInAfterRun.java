package orthopur.rules.lockout;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import orthopur.machine.Energy;
import orthopur.machine.Handling;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/**
 * L6: under power only with guards on or in the keyed clean mode of the sheet; never hands in after
 * a run without the whole sequence once more.
 */
public final class HandsInAfterRun extends BookRule {
    public HandsInAfterRun() {
        super(
                RuleId.L6,
                Severity.STOP,
                "Moved under power only closed or in the keyed clean mode, then made safe again",
                Sources.LOCKOUT + "(a)(2)(ii), (f)(1)",
                RuleId.L3);
    }

    @Override
    public void look(Moment m, Findings out) {
        switch (m.action()) {
            case Action.Operate a when a.mode() == Action.Mode.CLEAN_MODE -> cleanMode(m, out);
            case Action.Index a when a.powered() -> indexed(m, out);
            case Action a when a.runs() -> guards(m, out);
            case Action.Shift _, Action.Remove _ -> {
                opened(m, out);
                after(m, out);
            }
            default -> after(m, out);
        }
    }

    private void guards(Moment m, Findings out) {
        for (PartAt p : m.sheet().allParts()) {
            Part part = m.sheet().part(p);
            boolean off = m.night().off(p) > 0;
            if (part.guard() && (off || m.night().aside(p))) {
                out.report(info)
                        .items(List.of(part.id()))
                        .says(
                                Text.of(
                                        "hands-in-after-run.runs-the-machine-while-is",
                                        "Step {0} runs the machine while {1} is {2}.",
                                        m.number(),
                                        m.sheet().names(List.of(part.id())),
                                        off
                                                ? Text.of("hands-in-after-run.off", "off")
                                                : Text.of(
                                                        "hands-in-after-run.moved-aside",
                                                        "moved aside")),
                                Text.of(
                                        "hands-in-after-run.without-the-guard-the-moving",
                                        "Without the guard the moving part is in reach; only a keyed clean mode allows that."));
            }
        }
    }

    /** A guard that is opened before anybody has stopped what it guards against. */
    private void opened(Moment m, Findings out) {
        List<PartAt> guards = m.parts().stream().filter(p -> m.sheet().part(p).guard()).toList();
        for (EnergyAt e : guards.isEmpty() ? List.<EnergyAt>of() : m.sheet().allEnergies()) {
            Energy energy = m.sheet().energy(e);
            if (energy.kind().drives() && !energy.keepLive() && m.night().stageNumber(e) == 0) {
                out.report(info)
                        .energy(energy.id())
                        .items(m.partIds(guards))
                        .says(
                                Text.of(
                                        "hands-in-after-run.opens-a-guard",
                                        "Step {0} opens {1} before {2} is stopped.",
                                        m.number(),
                                        m.sheet().names(m.partIds(guards)),
                                        SheetIndex.spoken(energy.name())),
                                Text.of(
                                        "hands-in-after-run.without-the-guard-the-moving",
                                        "Without the guard the moving part is in reach; only a keyed clean mode allows that."));
                return;
            }
        }
    }

    private void cleanMode(Moment m, Findings out) {
        if (!m.sheet().sheet().cleanMode()) {
            out.report(info)
                    .says(
                            Text.of(
                                    "hands-in-after-run.runs-the-machine-in-a",
                                    "Step {0} runs the machine in a clean mode that its sheet does not have.",
                                    m.number()),
                            Text.of(
                                    "hands-in-after-run.cleaning-in-motion-needs-a",
                                    "Cleaning in motion needs a mode with a key, provided for it by the manufacturer."));
        }
    }

    private void indexed(Moment m, Findings out) {
        for (PartAt p : m.parts()) {
            Part part = m.sheet().part(p);
            if (part.moving().index() == Handling.Index.BY_HAND) {
                out.report(info)
                        .items(List.of(part.id()))
                        .says(
                                Text.of(
                                        "hands-in-after-run.indexes-under-power-its-sheet",
                                        "Step {0} indexes {1} under power; its sheet asks for the hand wheel under lock.",
                                        m.number(),
                                        m.sheet().names(List.of(part.id()))),
                                Text.of(
                                        "hands-in-after-run.nobody-may-stand-at-a",
                                        "Nobody may stand at a part that moves by itself."));
            }
        }
    }

    /** One run is one cause, however many energies it brought back. */
    private void after(Moment m, Findings out) {
        List<EnergyAt> back = new ArrayList<>();
        for (EnergyAt e : m.sheet().allEnergies()) {
            if (DangerZone.entered(m, e)
                    && DangerZone.ran(m, e)
                    && out.onEnergy(m.sheet().energy(e).id(), RuleId.L6) == null) {
                back.add(e);
            }
        }
        if (back.isEmpty()) {
            return;
        }
        EnergyAt first = back.getFirst();
        Set<String> parts = new LinkedHashSet<>();
        back.forEach(e -> parts.addAll(DangerZone.partsInReach(m, e)));
        Findings.Report r =
                out.report(info)
                        .items(List.copyOf(parts))
                        .says(
                                Text.of(
                                        "hands-in-after-run.had-run-it",
                                        "{0} Step {1} had run it.",
                                        DangerZone.sentence(m, first),
                                        m.night().ranAt(first) + 1),
                                Text.of(
                                        "hands-in-after-run.a-run-brings-every-energy",
                                        "A run brings every energy back; the whole sequence is needed once more."))
                        .propose(
                                Text.of(
                                        "hands-in-after-run.make-it-safe-again-before",
                                        "Make it safe again before step {0}",
                                        m.number()),
                                MakeSafe.before(m, back));
        back.forEach(e -> r.energy(m.sheet().energy(e).id()));
    }
}
