package orthopur.faults;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiPredicate;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.Energy;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.machine.Passage;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;

/** What can be read off a procedure and its sheet without running anything. */
record Reading(Procedure procedure, MachineSheet sheet, Map<String, Chemical> chemicals) {

    List<Step> steps() {
        return procedure.steps();
    }

    @Nullable Part part(String id) {
        return sheet.parts().stream().filter(p -> p.id().equals(id)).findFirst().orElse(null);
    }

    /** The surfaces that a name means: of a part, of a passage, or itself. */
    List<Surface> surfaces(String item) {
        for (Passage passage : sheet.passages()) {
            if (passage.id().equals(item)) {
                return passage.surfaces().stream().flatMap(s -> surfaces(s).stream()).toList();
            }
        }
        List<Surface> found = new ArrayList<>();
        for (Part p : sheet.parts()) {
            for (Surface s : p.surfaces()) {
                if (p.id().equals(item) || s.id().equals(item)) {
                    found.add(s);
                }
            }
        }
        return found;
    }

    /** The part that owns a surface or is named itself. */
    @Nullable Part owner(String item) {
        for (Part p : sheet.parts()) {
            if (p.id().equals(item) || p.surfaces().stream().anyMatch(s -> s.id().equals(item))) {
                return p;
            }
        }
        return null;
    }

    boolean names(Step step, Surface surface) {
        return step.action().items().stream()
                .anyMatch(i -> surfaces(i).stream().anyMatch(s -> s.id().equals(surface.id())));
    }

    /** Place of the first step from a place on that fits, or -1. */
    int first(int from, BiPredicate<Step, Action> fits) {
        for (int i = from; i < steps().size(); i++) {
            if (fits.test(steps().get(i), steps().get(i).action())) {
                return i;
            }
        }
        return -1;
    }

    /** How many steps of a kind treat this surface. */
    long treating(Class<? extends Action> kind, Surface s) {
        return steps().stream()
                .filter(
                        x ->
                                kind.isInstance(x.action())
                                        || kind == Action.Wash.class
                                                && x.action() instanceof Action.Circulate)
                .filter(x -> names(x, s))
                .count();
    }

    /** Whether it is wetted by what flows through a passage. */
    boolean wetted(Surface s) {
        return sheet.passages().stream().anyMatch(k -> k.surfaces().contains(s.id()));
    }

    /** Whether the pH of what runs out of its passage speaks for it later on. */
    boolean flushed(int place, Surface s) {
        return wetted(s)
                && first(
                                place + 1,
                                (x, a) ->
                                        a instanceof Action.Rinse z
                                                && z.endPoint() == Action.EndPoint.TAP_PH
                                                && names(x, s))
                        >= 0;
    }

    /** Whether a soak alone washes it, by the label of what it lies in. */
    boolean soakedClean(Surface s) {
        return steps().stream()
                .anyMatch(
                        x -> {
                            Chemical c =
                                    x.action() instanceof Action.Soak k && k.chemical() != null
                                            ? chemicals.get(k.chemical())
                                            : null;
                            return c != null && c.label().soakCleans() && names(x, s);
                        });
    }

    /** Ids of the steps of a kind, from a place on, that name the item. */
    Set<String> at(int from, Class<? extends Action> kind, List<Surface> named) {
        Set<String> ids = new LinkedHashSet<>();
        for (Step s : steps().subList(from, steps().size())) {
            if (kind.isInstance(s.action()) && named.stream().anyMatch(x -> names(s, x))) {
                ids.add(s.id());
            }
        }
        return ids;
    }

    /** The step from a place on at which hands first go into an energy's reach, or null. */
    @Nullable Step handsIn(int from, Energy energy) {
        Set<String> off = new LinkedHashSet<>();
        for (int i = 0; i < steps().size(); i++) {
            Action a = steps().get(i).action();
            boolean moves = a instanceof Action.Remove || a instanceof Action.Install;
            boolean reaches =
                    a.handsIn()
                            && touched(a).stream()
                                    .anyMatch(
                                            p ->
                                                    energy.zone().contains(p)
                                                            && (moves || !off.contains(p)));
            if (i >= from && reaches) {
                return steps().get(i);
            }
            if (a instanceof Action.Remove) {
                off.addAll(a.items());
            }
            if (a instanceof Action.Install) {
                off.removeAll(a.items());
            }
        }
        return null;
    }

    private Set<String> touched(Action a) {
        Set<String> parts = new LinkedHashSet<>();
        // A fitting is put where the sheet says; its step names no part.
        sheet.fittings().stream()
                .filter(f -> a.fittings().contains(f.id()))
                .forEach(f -> parts.addAll(f.at()));
        for (String item : a.items()) {
            Part p = owner(item);
            if (p != null) {
                parts.add(p.id());
            }
        }
        if (a instanceof Action.Measure m) {
            sheet.checks().stream()
                    .filter(c -> m.checks().contains(c.id()))
                    .forEach(c -> parts.add(c.part()));
        }
        return parts;
    }

    static List<String> without(List<String> all, String one) {
        return all.stream().filter(x -> !x.equals(one)).toList();
    }

    /** One thing left out of a step; the step itself where nothing else is in it. */
    static List<Edit> left(Step s, String name) {
        Action less =
                switch (s.action()) {
                    case Action.Measure a -> new Action.Measure(without(a.checks(), name));
                    case Action.Unlock a ->
                            new Action.Unlock(without(a.energies(), name), a.owner(), a.told());
                    case Action.Operate a ->
                            new Action.Operate(a.mode(), without(a.energies(), name), a.items());
                    case Action.Isolate a -> new Action.Isolate(without(a.energies(), name));
                    case Action.Lock a ->
                            new Action.Lock(
                                    without(a.energies(), name),
                                    a.locks(),
                                    a.secondMeasure(),
                                    a.told());
                    case Action.Relieve a -> new Action.Relieve(without(a.energies(), name));
                    case Action.Prove a -> new Action.Prove(without(a.energies(), name));
                    case Action.CoolDown a ->
                            new Action.CoolDown(
                                    without(a.energies(), name), a.below(), a.standing());
                    default -> s.action().about(without(s.action().items(), name));
                };
        boolean empty =
                less.items().isEmpty()
                        && less.energies().isEmpty()
                        && !(less instanceof Action.Measure m && !m.checks().isEmpty());
        return List.of(empty ? new Edit.Delete(s.id()) : new Edit.Change(s.id(), s.with(less)));
    }
}
