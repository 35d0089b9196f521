package orthopur.faults;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;

/** A right step that stands there once more, or earlier, and undoes what another has done. */
final class OnceMoreFaults {
    private static final String AGAIN = "again-1";

    private final Reading r;
    private final Injector out;
    private final Procedure p;

    OnceMoreFaults(Reading reading, Injector out) {
        this.r = reading;
        this.out = out;
        this.p = reading.procedure();
    }

    void make() {
        for (int i = 0; i < r.steps().size(); i++) {
            Step s = r.steps().get(i);
            switch (s.action()) {
                case Action.ChaseOut a -> product(i, s, a);
                case Action.Fit a -> fitted(i, s, a);
                case Action.Shift a -> aside(i, s, a);
                case Action.Return a -> back(i, s, a);
                case Action.Install a -> together(i, s);
                case Action.Index a when s.loop() != null ->
                        out.fault(
                                "again",
                                "turned twice in one round",
                                List.of(new Edit.InsertBefore(next(i), again(s))),
                                Set.of("T12"),
                                Set.of(AGAIN));
                default -> {}
            }
        }
    }

    /** Product is poured in at each moment at which something still has to be done to the side. */
    private void product(int place, Step s, Action.ChaseOut a) {
        int first = r.first(0, (x, y) -> worksOn(y, a));
        for (int i = Math.max(first, 0); first >= 0 && i < place; i++) {
            int next = r.first(i, (x, y) -> y instanceof Action.HoldPoint || worksOn(y, a));
            if (worksOn(r.steps().get(next).action(), a)) {
                insert(i, s, "product is poured in", Set.of("C15"), Set.of(AGAIN));
            }
        }
    }

    private boolean worksOn(Action what, Action.ChaseOut chased) {
        boolean works =
                what.solution() != null
                        || what instanceof Action.DryClean
                        || what instanceof Action.Rinse
                        || what instanceof Action.Remove
                        || what instanceof Action.Install
                        || what instanceof Action.DrawOff;
        Set<Surface> wetted = surfaces(chased.items());
        return works
                && !(what instanceof Action.RunProgram)
                && surfaces(what.items()).stream().anyMatch(wetted::contains);
    }

    private Set<Surface> surfaces(List<String> items) {
        return items.stream()
                .flatMap(i -> r.surfaces(i).stream())
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** What is on only for the clean is on when all is done, or comes off before its work. */
    private void fitted(int place, Step s, Action.Fit a) {
        insert(r.steps().size() - 1, s, "put on at the end", Set.of("T14"), Set.of());
        int off =
                r.first(
                        place + 1,
                        (x, y) ->
                                y instanceof Action.Unfit u
                                        && a.fittings().stream().anyMatch(u.fittings()::contains));
        for (int i = place + 1; i < off; i++) {
            Step early = r.steps().get(off);
            // The step that takes it off in the end finds nothing there.
            insert(i, early, "taken off early", Set.of("T14", "T15"), Set.of());
        }
    }

    /** Moved aside again after it was brought back, at each moment until the machine is live. */
    private void aside(int place, Step s, Action.Shift a) {
        int back =
                r.first(
                        place + 1,
                        (x, y) -> y instanceof Action.Return u && u.items().containsAll(a.items()));
        int live = r.first(Math.max(back, 0), (x, y) -> y instanceof Action.Restore);
        for (int i = back + 1; back >= 0 && i <= live; i++) {
            insert(
                    i,
                    s,
                    "moved aside again",
                    Set.of("T14", "T11", "L5"),
                    Set.of(r.steps().get(live).id()));
        }
    }

    /** Brought back before what lies under it is washed. */
    private void back(int place, Step s, Action.Return a) {
        List<Surface> under =
                a.items().stream()
                        .map(r::part)
                        .filter(x -> x != null)
                        .map(Part::covers)
                        .flatMap(List::stream)
                        .flatMap(c -> r.surfaces(c).stream())
                        .filter(x -> x.zone() == 1 && x.frequency().dueIn(p.kind()))
                        .toList();
        int aside =
                r.first(
                        0,
                        (x, y) -> y instanceof Action.Shift u && u.items().containsAll(a.items()));
        int wash =
                r.first(
                        Math.max(aside, 0),
                        (x, y) ->
                                y instanceof Action.Wash
                                        && under.stream().anyMatch(z -> r.names(x, z)));
        for (int i = aside + 1; aside >= 0 && wash >= 0 && i <= wash; i++) {
            out.fault(
                    "move",
                    s.id() + " before " + r.steps().get(i).id(),
                    List.of(new Edit.Move(s.id(), r.steps().get(i).id())),
                    Set.of("C6"),
                    Set.of());
        }
    }

    /** Put together before the sanitizer was on it. */
    private void together(int place, Step s) {
        if (p.schools().assembledFirst()) {
            return;
        }
        for (int i = 0; i < place; i++) {
            Step wet = r.steps().get(i);
            boolean shared =
                    s.action().items().stream()
                            .flatMap(x -> r.surfaces(x).stream())
                            .anyMatch(
                                    x ->
                                            x.zone() == 1
                                                    && x.frequency().dueIn(p.kind())
                                                    && r.names(wet, x));
            if (wet.action() instanceof Action.Sanitize && shared) {
                out.fault(
                        "move",
                        s.id() + " before " + wet.id(),
                        List.of(new Edit.Move(s.id(), wet.id())),
                        Set.of("C12", "C10"),
                        Set.of());
                oneOf(s, wet);
            }
        }
    }

    /** One of the parts is put on before the rest. */
    private void oneOf(Step on, Step wet) {
        for (String item : on.action().items()) {
            boolean shared =
                    r.surfaces(item).stream()
                            .anyMatch(
                                    x ->
                                            x.zone() == 1
                                                    && x.frequency().dueIn(p.kind())
                                                    && r.names(wet, x));
            if (shared && on.action().items().size() > 1) {
                List<Edit> edits = new ArrayList<>(Reading.left(on, item));
                Step early = again(on.with(on.action().about(List.of(item))));
                edits.add(new Edit.InsertBefore(wet.id(), early));
                out.fault(
                        "move",
                        item + " put on before " + wet.id(),
                        edits,
                        Set.of("C12", "C10", "T2"),
                        Set.of());
            }
        }
    }

    private void insert(int place, Step s, String what, Set<String> rules, Set<String> steps) {
        Step before = r.steps().get(place);
        out.fault(
                "again",
                what + " (" + s.id() + ") before " + before.id(),
                List.of(new Edit.InsertBefore(before.id(), again(s))),
                rules,
                steps);
    }

    private @Nullable String next(int place) {
        return place + 1 < r.steps().size() ? r.steps().get(place + 1).id() : null;
    }

    private static Step again(Step s) {
        return s.withId(AGAIN);
    }
}
