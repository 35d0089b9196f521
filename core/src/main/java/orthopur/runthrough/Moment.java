package orthopur.runthrough;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import orthopur.machine.EnergyStage;
import orthopur.machine.Program;
import orthopur.machine.Vessel;
import orthopur.machine.Washer;
import orthopur.machine.WasherType;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;

/** One step about to happen: the step, what it names, and how the machine stands just before. */
public final class Moment {
    private final Procedure procedure;
    private final int place;
    private final Step step;
    private final boolean handsIn;
    private final SheetIndex sheet;
    private final Context context;
    private final Night night;
    private final List<PartAt> parts;
    private final List<SurfaceAt> named;
    private final List<SurfaceAt> exposed;
    private final List<EnergyAt> energies;
    private final List<PassageAt> passages;
    private final BitSet namedHere = new BitSet();
    private final BitSet exposedHere = new BitSet();
    private final @Nullable Program program;
    private @Nullable Map<PartAt, Integer> places;
    private @Nullable Map<Class<?>, @Nullable Object> workedOut;

    Moment(Procedure procedure, int place, SheetIndex sheet, Context context, Night night) {
        this.procedure = procedure;
        this.place = place;
        this.step = procedure.steps().get(place);
        this.handsIn = step.action().handsIn();
        this.sheet = sheet;
        this.context = context;
        this.night = night;
        Set<PartAt> parts = new LinkedHashSet<>();
        Set<SurfaceAt> surfaces = new LinkedHashSet<>();
        Set<PassageAt> passages = new LinkedHashSet<>();
        Set<SurfaceAt> filled = new java.util.HashSet<>();
        Set<SurfaceAt> closed = new java.util.HashSet<>();
        Set<SurfaceAt> direct = new java.util.HashSet<>();
        boolean fills = fills(step().action());
        this.program = program(step().action(), sheet);
        if (program != null) {
            for (String cleaned : program.cleans()) {
                SurfaceAt s = sheet.surfaceNamed(cleaned);
                if (s != null) {
                    surfaces.add(s);
                }
            }
        }
        for (String item : step().action().items()) {
            PartAt p = sheet.partNamed(item);
            SurfaceAt s = sheet.surfaceNamed(item);
            PassageAt passage = sheet.passageNamed(item);
            if (passage != null) {
                passages.add(passage);
                for (SurfaceAt wet : sheet.wettedIn(passage)) {
                    surfaces.add(wet);
                    (fills ? filled : closed).add(wet);
                }
            } else if (p != null) {
                parts.add(p);
                surfaces.addAll(sheet.surfacesOf(p));
                if (!sheet.allPassages().isEmpty()) {
                    direct.addAll(sheet.surfacesOf(p));
                }
            } else if (s != null) {
                parts.add(sheet.ownerOf(s));
                surfaces.add(s);
                direct.add(s);
            }
        }
        for (String fitting : step().action().fittings()) {
            sheet.sheet().fittings().stream()
                    .filter(f -> f.id().equals(fitting))
                    .flatMap(f -> f.at().stream())
                    .map(sheet::partNamed)
                    .filter(p -> p != null)
                    .forEach(parts::add);
        }
        closed.removeAll(direct);
        if (step().action() instanceof Action.Measure m) {
            for (String check : m.checks()) {
                sheet.sheet().checks().stream()
                        .filter(c -> c.id().equals(check))
                        .map(c -> sheet.partNamed(c.part()))
                        .filter(p -> p != null)
                        .forEach(parts::add);
            }
        }
        this.parts = List.copyOf(parts);
        this.named = List.copyOf(surfaces);
        List<SurfaceAt> open = new ArrayList<>();
        for (SurfaceAt s : surfaces) {
            // What fills a passage reaches all that it wets, behind whatever cover.
            if (filled.contains(s) || (!closed.contains(s) && night.coverOf(s) == null)) {
                open.add(s);
            }
        }
        this.exposed = List.copyOf(open);
        surfaces.forEach(s -> namedHere.set(s.at()));
        open.forEach(s -> exposedHere.set(s.at()));
        this.passages = List.copyOf(passages);
        List<EnergyAt> stated =
                (program == null ? step().action().energies() : program.energies())
                        .stream().map(sheet::energyNamed).filter(e -> e != null).toList();
        this.energies = stated.isEmpty() ? unnamed(step().action()) : stated;
    }

    /** What a step brings to life or gives back that does not say which: all that can. */
    private List<EnergyAt> unnamed(Action action) {
        boolean all = action instanceof Action.Restore || action instanceof Action.Unlock;
        if (!all && !action.runs()) {
            return List.of();
        }
        List<EnergyAt> drives = new ArrayList<>();
        for (EnergyAt e : sheet.allEnergies()) {
            if (sheet.energy(e).kind().drives()) {
                drives.add(e);
            }
        }
        List<EnergyAt> near =
                drives.stream()
                        .filter(e -> parts.stream().anyMatch(p -> sheet.inReach(e, p)))
                        .toList();
        return all || near.isEmpty() ? drives : near;
    }

    private static @Nullable Program program(Action action, SheetIndex sheet) {
        return action instanceof Action.RunProgram a
                ? sheet.sheet().programs().stream()
                        .filter(p -> p.id().equals(a.program()))
                        .findFirst()
                        .orElse(null)
                : null;
    }

    /** The program of the machine that this step runs, or null. */
    public @Nullable Program program() {
        return program;
    }

    /** The washer of the site that this step washes in, or null. */
    public @Nullable Washer washer() {
        Vessel v =
                action() instanceof Action.RunProgram a
                        ? context.vessel(a.solution().vessel())
                        : null;
        return v == null ? null : v.washer();
    }

    /** How the washer is built that this step runs: of the site, or the machine itself. */
    public @Nullable WasherType washerType() {
        if (program != null) {
            return program.purpose() == Program.Purpose.WASH ? sheet.sheet().washer() : null;
        }
        Washer w = washer();
        return w == null ? null : w.type();
    }

    /** Whether a step brings liquid that fills a passage; no cloth, brush or eye gets into one. */
    private static boolean fills(Action action) {
        return switch (action) {
            case Action.Circulate a -> true;
            case Action.Soak a -> true;
            case Action.ChaseOut a -> true;
            case Action.DrawOff a -> true;
            case Action.Wash a -> a.method() == Action.Method.FLOOD;
            case Action.Rinse a -> a.method() == Action.Method.FLOOD;
            case Action.Sanitize a -> a.method() == Action.Method.FLOOD;
            default -> false;
        };
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
        return step;
    }

    /** Whether hands or tools go to the machine's parts. */
    public boolean handsIn() {
        return handsIn;
    }

    /**
     * What several rules work out of the same step, worked out by the first that asks.
     *
     * @param what by which it is known again
     */
    public <T> @Nullable T once(Class<T> what, Supplier<@Nullable T> work) {
        if (workedOut == null) {
            workedOut = new HashMap<>();
        }
        if (!workedOut.containsKey(what)) {
            workedOut.put(what, work.get());
        }
        return what.cast(workedOut.get(what));
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
    public List<PartAt> parts() {
        return parts;
    }

    /** Surfaces that the step names, reachable or not. */
    public List<SurfaceAt> named() {
        return named;
    }

    /** Those that are not covered now; only these are reached. */
    public List<SurfaceAt> exposed() {
        return exposed;
    }

    /** Whether the step names this surface, reachable or not. */
    public boolean names(SurfaceAt surface) {
        return namedHere.get(surface.at());
    }

    /** Whether the step reaches this surface. */
    public boolean reaches(SurfaceAt surface) {
        return exposedHere.get(surface.at());
    }

    /** Place of a part among those that the step names, or -1. */
    public int orderOf(@Nullable PartAt part) {
        Map<PartAt, Integer> all = places;
        if (all == null) {
            // Most steps are never asked for it.
            all = new HashMap<>();
            for (PartAt p : parts) {
                all.put(p, all.size());
            }
            places = all;
        }
        return part == null ? -1 : all.getOrDefault(part, -1);
    }

    /** Passages that the step names. */
    public List<PassageAt> passages() {
        return passages;
    }

    /** Whether this step works on something that drips or splashes onto a surface. */
    public boolean above(SurfaceAt surface) {
        if (!night.mounted(sheet.ownerOf(surface))) {
            return false;
        }
        int hops = 0;
        for (SurfaceAt a = sheet.above(surface); a != null; a = sheet.above(a)) {
            if (exposedHere.get(a.at()) && night.mounted(sheet.ownerOf(a))) {
                return true;
            }
            if (hops++ > sheet.allSurfaces().size()) {
                return false;
            }
        }
        return false;
    }

    /** Whether a step before this one, of those that hold in this configuration, did something. */
    public boolean earlier(Predicate<Action> did) {
        for (int i = 0; i < place; i++) {
            Step s = procedure.steps().get(i);
            if (context.configuration().holds(s.when()) && did.test(s.action())) {
                return true;
            }
        }
        return false;
    }

    /** Whether a later step does something. */
    public boolean later(Predicate<Action> does) {
        return firstLater(does) >= 0;
    }

    /**
     * Place of the first later step that does something, or -1. Rules look ahead by this alone: the
     * question is kept, and a run is taken up again only where its answer is still the same.
     */
    public int firstLater(Predicate<Action> does) {
        Ahead asked = new Ahead(place, does, Ahead.find(procedure, context, place, does));
        night.asked.add(asked);
        return asked.found();
    }

    /**
     * A look ahead.
     *
     * @param place of the step at which it was asked
     * @param found place of the step that answered it, or -1
     */
    record Ahead(int place, Predicate<Action> does, int found) {
        /**
         * @param same steps of the other procedure that are as they were, from the first on
         */
        boolean holdsFor(Procedure other, Context context, int same) {
            return (found >= 0 && found < same)
                    || found == find(other, context, Math.max(place, same - 1), does);
        }

        private static int find(
                Procedure procedure, Context context, int place, Predicate<Action> does) {
            for (int i = place + 1; i < procedure.steps().size(); i++) {
                Step s = procedure.steps().get(i);
                if (context.configuration().holds(s.when()) && does.test(s.action())) {
                    return i;
                }
            }
            return -1;
        }
    }

    public List<EnergyAt> energies() {
        return energies;
    }

    /**
     * Whether hands go into the danger zone of an energy: hands-in work on a mounted part there.
     */
    public boolean handsInZone(EnergyAt energy) {
        if (!action().handsIn()) {
            return false;
        }
        boolean ownMove = action() instanceof Action.Remove || action() instanceof Action.Install;
        for (PartAt p : parts) {
            if (sheet.inReach(energy, p) && (ownMove || night.mounted(p))) {
                return true;
            }
        }
        return false;
    }

    /** The stage that this step's action leads an energy to, or null. */
    public @Nullable EnergyStage target(EnergyAt energy) {
        return target(action(), energy, sheet);
    }

    /** The same for any action on any sheet. */
    public static @Nullable EnergyStage target(Action action, EnergyAt energy, SheetIndex sheet) {
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

    public List<String> surfaceIds(List<SurfaceAt> surfaces) {
        return surfaces.stream().map(s -> sheet.surface(s).id()).toList();
    }

    public List<String> partIds(List<PartAt> ps) {
        return ps.stream().map(p -> sheet.part(p).id()).toList();
    }
}
