package orthopur.runthrough;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import orthopur.Nullable;
import orthopur.machine.EnergyStage;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;

/** One step about to happen: the step, what it names, and how the machine stands just before. */
public final class Moment {
    private final Procedure procedure;
    private final int place;
    private final SheetIndex sheet;
    private final Context context;
    private final Night night;
    private final List<Integer> parts;
    private final List<Integer> named;
    private final List<Integer> exposed;
    private final List<Integer> energies;

    Moment(Procedure procedure, int place, SheetIndex sheet, Context context, Night night) {
        this.procedure = procedure;
        this.place = place;
        this.sheet = sheet;
        this.context = context;
        this.night = night;
        Set<Integer> parts = new LinkedHashSet<>();
        Set<Integer> surfaces = new LinkedHashSet<>();
        for (String item : step().action().items()) {
            int p = sheet.partNamed(item);
            int s = sheet.surfaceNamed(item);
            if (p >= 0) {
                parts.add(p);
                surfaces.addAll(sheet.surfacesOf(p));
            } else if (s >= 0) {
                parts.add(sheet.ownerOf(s));
                surfaces.add(s);
            }
        }
        if (step().action() instanceof Action.Measure m) {
            for (String check : m.checks()) {
                sheet.sheet().checks().stream()
                        .filter(c -> c.id().equals(check))
                        .forEach(c -> parts.add(sheet.partNamed(c.part())));
            }
        }
        this.parts = List.copyOf(parts);
        this.named = List.copyOf(surfaces);
        List<Integer> open = new ArrayList<>();
        for (int s : surfaces) {
            if (night.coverOf(s) < 0) {
                open.add(s);
            }
        }
        this.exposed = List.copyOf(open);
        this.energies =
                step().action().energies().stream()
                        .map(sheet::energyNamed)
                        .filter(e -> e >= 0)
                        .toList();
    }

    public Procedure procedure() {
        return procedure;
    }

    /** Place of the step from 0. */
    public int place() {
        return place;
    }

    /** The number people see, from 1. */
    public int number() {
        return place + 1;
    }

    public Step step() {
        return procedure.steps().get(place);
    }

    public Action action() {
        return step().action();
    }

    public SheetIndex sheet() {
        return sheet;
    }

    public Context context() {
        return context;
    }

    /** How the machine stands before the step. */
    public Night night() {
        return night;
    }

    /** Parts that the step names, itself or by one of their surfaces. */
    public List<Integer> parts() {
        return parts;
    }

    /** Surfaces that the step names, reachable or not. */
    public List<Integer> named() {
        return named;
    }

    /** Those that are not covered now; only these are reached. */
    public List<Integer> exposed() {
        return exposed;
    }

    public List<Integer> energies() {
        return energies;
    }

    /**
     * Whether hands go into the danger zone of an energy: hands-in work on a mounted part there.
     */
    public boolean handsInZone(int energy) {
        if (!action().handsIn()) {
            return false;
        }
        boolean ownMove = action() instanceof Action.Remove || action() instanceof Action.Install;
        for (int p : parts) {
            if (sheet.zoneOf(energy).contains(p) && (ownMove || night.mounted(p))) {
                return true;
            }
        }
        return false;
    }

    /** The stage that this step's action leads an energy to, or null. */
    public @Nullable EnergyStage target(int energy) {
        return target(action(), energy, sheet);
    }

    /** The same for any action on any sheet. */
    public static @Nullable EnergyStage target(Action action, int energy, SheetIndex sheet) {
        return switch (action) {
            case Action.Operate a when a.mode() == Action.Mode.STOP -> EnergyStage.STOPPED;
            case Action.Isolate a -> Night.isolated(sheet.energy(energy).kind());
            case Action.Lock a -> EnergyStage.LOCKED;
            case Action.Relieve a -> EnergyStage.RELIEVED;
            case Action.Prove a -> EnergyStage.PROVED;
            case Action.CoolDown a -> EnergyStage.COOLED;
            default -> null;
        };
    }

    public List<String> surfaceIds(List<Integer> surfaces) {
        return surfaces.stream().map(s -> sheet.surface(s).id()).toList();
    }

    public List<String> partIds(List<Integer> ps) {
        return ps.stream().map(p -> sheet.part(p).id()).toList();
    }
}
