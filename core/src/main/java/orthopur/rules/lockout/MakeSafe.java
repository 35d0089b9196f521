package orthopur.rules.lockout;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Energy;
import orthopur.machine.EnergyStage;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.rules.StepEdits;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Moment;
import orthopur.runthrough.SheetIndex;

/** The edits that bring an energy the rest of its way before a step. */
final class MakeSafe {
    private MakeSafe() {}

    /**
     * Moves the missing steps forward where the procedure has them later and they concern this
     * energy alone, else writes them from the sheet.
     *
     * @param stages what is still missing, in order
     */
    static List<Edit> before(
            Procedure p, int place, SheetIndex sheet, EnergyAt energy, List<EnergyStage> stages) {
        return before(p, place, sheet, energy, stages, 0);
    }

    /** The same for several at once: all are stopped before any is locked, and so on. */
    static List<Edit> before(Moment m, List<EnergyAt> energies) {
        List<Edit> edits = new ArrayList<>();
        for (EnergyStage stage : EnergyStage.values()) {
            for (EnergyAt e : energies) {
                List<EnergyStage> path = m.night().path(e);
                if (path.indexOf(stage) > m.night().stageNumber(e)) {
                    edits.addAll(
                            before(
                                    m.procedure(),
                                    m.place(),
                                    m.sheet(),
                                    e,
                                    List.of(stage),
                                    edits.size()));
                }
            }
        }
        return edits;
    }

    private static List<Edit> before(
            Procedure p,
            int place,
            SheetIndex sheet,
            EnergyAt energy,
            List<EnergyStage> stages,
            int already) {
        List<Edit> edits = new ArrayList<>();
        String before = p.steps().get(place).id();
        for (EnergyStage stage : stages) {
            Step later = later(p, place, sheet, energy, stage);
            if (later != null) {
                edits.add(new Edit.Move(later.id(), before));
            } else {
                edits.add(
                        new Edit.InsertBefore(
                                before,
                                step(p, already + edits.size(), sheet.energy(energy), stage)));
            }
        }
        if (stages.contains(EnergyStage.LOCKED)) {
            unlock(p, place, sheet.energy(energy), edits, already);
        }
        return edits;
    }

    /** Whoever puts a lock on takes it off again before the machine is made live. */
    private static void unlock(
            Procedure p, int place, Energy energy, List<Edit> edits, int already) {
        List<Step> rest = p.steps().subList(place, p.steps().size());
        boolean unlocked =
                rest.stream()
                        .anyMatch(
                                s ->
                                        s.action() instanceof Action.Unlock
                                                && s.action().energies().contains(energy.id()));
        if (unlocked) {
            return;
        }
        for (Step s : rest) {
            if (s.action() instanceof Action.Restore
                    && s.action().energies().contains(energy.id())) {
                edits.add(
                        new Edit.InsertBefore(
                                s.id(),
                                StepEdits.fresh(
                                        p,
                                        already + edits.size(),
                                        new Action.Unlock(List.of(energy.id()), "each owner", true),
                                        "Tell everyone at the machine. Each person takes off their own lock.")));
                return;
            }
        }
    }

    private static @Nullable Step later(
            Procedure p, int place, SheetIndex sheet, EnergyAt energy, EnergyStage stage) {
        for (Step s : p.steps().subList(place + 1, p.steps().size())) {
            boolean alone = s.action().energies().equals(List.of(sheet.energy(energy).id()));
            if (alone && Moment.target(s.action(), energy, sheet) == stage) {
                return s;
            }
        }
        return null;
    }

    private static Step step(Procedure p, int nth, Energy e, EnergyStage stage) {
        List<String> one = List.of(e.id());
        String point = e.isolationPoint() == null ? "" : " at " + e.isolationPoint();
        String verify =
                e.verify() == null
                        ? "Verify zero energy: " + SheetIndex.spoken(e.name())
                        : e.verify();
        return switch (stage) {
            case STOPPED ->
                    StepEdits.fresh(
                            p,
                            nth,
                            new Action.Operate(Action.Mode.STOP, one, List.of()),
                            "Stop the machine: " + SheetIndex.spoken(e.name()) + ".");
            case UNPLUGGED ->
                    StepEdits.fresh(p, nth, new Action.Isolate(one), "Pull the plug" + point + ".");
            case ISOLATED ->
                    StepEdits.fresh(
                            p,
                            nth,
                            new Action.Isolate(one),
                            "Isolate " + SheetIndex.spoken(e.name()) + point + ".");
            case LOCKED ->
                    StepEdits.fresh(
                            p,
                            nth,
                            new Action.Lock(one, p.mostPeople(), null, true),
                            "Tell everyone at the machine. Put your own lock and tag on"
                                    + point
                                    + ".");
            case RELIEVED ->
                    StepEdits.fresh(
                            p,
                            nth,
                            new Action.Relieve(one),
                            "Release " + SheetIndex.spoken(e.name()) + point + ".");
            case PROVED, LIVE -> StepEdits.fresh(p, nth, new Action.Prove(one), verify);
            case COOLED ->
                    StepEdits.fresh(
                            p, nth, new Action.CoolDown(one), "Wait until it is cool: " + verify);
        };
    }
}
