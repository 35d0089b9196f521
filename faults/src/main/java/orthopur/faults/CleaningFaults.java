package orthopur.faults;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import orthopur.machine.EndState;
import orthopur.machine.Frequency;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;

/** Surfaces left out, dirtied again, towelled, put together wet. */
final class CleaningFaults {
    private static final Solution WATER = new Solution(null, null, null, null, null);

    private final Reading r;
    private final Injector out;
    private final Procedure p;

    CleaningFaults(Reading reading, Injector out) {
        this.r = reading;
        this.out = out;
        this.p = reading.procedure();
    }

    void make() {
        for (int i = 0; i < r.steps().size(); i++) {
            Step s = r.steps().get(i);
            for (String item : s.action().items()) {
                forget(i, s, item);
            }
            step(i, s);
        }
    }

    private boolean contact(Surface s) {
        return s.zone() == 1 && s.end() == EndState.SANITIZED && due(s);
    }

    /** Filled in place, what lies under a ring counts by what was done before the ring went on. */
    private boolean under(List<Surface> named) {
        return p.schools().assembledFirst()
                && named.stream()
                        .anyMatch(
                                x ->
                                        r.sheet().parts().stream()
                                                .anyMatch(y -> y.covers().contains(x.id())));
    }

    /** After an event only what was washed or ground is due. */
    private boolean due(Surface s) {
        boolean worked =
                p.kind() == Frequency.EVENT
                        && r.treating(Action.Wash.class, s) + r.treating(Action.Sharpen.class, s)
                                > 1;
        return s.frequency().dueIn(p.kind()) || worked;
    }

    /** One item is left out of one step. */
    private void forget(int place, Step s, String item) {
        List<Surface> named = r.surfaces(item);
        if (named.isEmpty()) {
            return;
        }
        Part owner = r.owner(item);
        boolean still =
                s.action().items().stream()
                        .filter(x -> !x.equals(item))
                        .flatMap(x -> r.surfaces(x).stream())
                        .toList()
                        .containsAll(named);
        if (!treats(s.action()) || owner == null || still) {
            return;
        }
        List<Edit> edits = Reading.left(s, item);
        Set<String> rules = new HashSet<>();
        Set<String> steps = new HashSet<>();
        boolean once =
                named.stream()
                        .allMatch(
                                x ->
                                        r.treating(s.action().getClass(), x) == 1
                                                && !(s.action() instanceof Action.Wash
                                                        && r.soakedClean(x)));
        boolean passage =
                r.sheet().passages().stream()
                        .anyMatch(k -> named.stream().anyMatch(x -> k.surfaces().contains(x.id())));
        boolean contact = named.stream().anyMatch(this::contact);
        boolean due = named.stream().anyMatch(this::due);
        boolean loose = !owner.removable() && !passage;
        switch (s.action()) {
            case Action.Wash a
                    when once && contact && r.at(place, Action.Sanitize.class, named).isEmpty() ->
                    rules.addAll(Set.of("C1", "C14"));
            case Action.Wash a when once && contact -> {
                rules.addAll(Set.of("C2", "C14"));
                steps.addAll(r.at(place, Action.Sanitize.class, named));
                steps.add("end");
            }
            case Action.Wash a when once && due && unsanitized(place, named) ->
                    rules.addAll(Set.of("C1", "C14"));
            case Action.Wash a when once && due -> rules.add("C2");
            case Action.Rinse a when once && contact -> {
                rules.add("C3");
                steps.addAll(r.at(place, Action.Sanitize.class, named));
            }
            case Action.Rinse a
                    when once
                            && due
                            && named.stream()
                                    .anyMatch(
                                            x ->
                                                    x.end() != EndState.WIPED
                                                            && x.frequency().dueIn(p.kind())) ->
                    rules.add(unsanitized(place, named) ? "C1" : "C3");
            case Action.Sanitize a when once && contact && !under(named) -> rules.add("C1");
            case Action.Inspect a
                    when once
                            && named.stream()
                                    .anyMatch(
                                            x ->
                                                    x.zone() == 1
                                                            && !r.flushed(place, x)
                                                            && !r.at(
                                                                            place,
                                                                            Action.Sanitize.class,
                                                                            List.of(x))
                                                                    .isEmpty()) -> {
                rules.add("C13");
                steps.addAll(r.at(place, Action.Sanitize.class, named));
            }
            case Action.Dry a
                    when once
                            && owner.removable()
                            && named.stream().anyMatch(x -> x.zone() == 1)
                            && !p.schools().assembledFirst()
                            && !r.at(place, Action.Install.class, named).isEmpty() -> {
                rules.add("C10");
                steps.addAll(r.at(place, Action.Install.class, named));
            }
            case Action.DryClean a
                    when once
                            && loose
                            && r.first(
                                            place,
                                            (x, y) ->
                                                    wets(y)
                                                            && named.stream()
                                                                    .anyMatch(z -> r.names(x, z)))
                                    >= 0 -> {
                rules.add("C7");
                steps.add(
                        r.steps()
                                .get(
                                        r.first(
                                                place,
                                                (x, y) ->
                                                        wets(y)
                                                                && named.stream()
                                                                        .anyMatch(
                                                                                z ->
                                                                                        r.names(
                                                                                                x,
                                                                                                z))))
                                .id());
            }
            case Action.Collect a -> {
                rules.add("C21");
                steps.addAll(r.at(place + 1, Action.class, named));
            }
            default -> {}
        }
        // A passage that is filled later makes other rules speak first; that is not judged here.
        if (passage && s.action() instanceof Action.Sanitize) {
            rules.clear();
        }
        out.fault(
                "forget",
                item + " left out of " + s.id(),
                edits,
                rules,
                steps.contains("end") ? Set.of() : steps);
    }

    private boolean unsanitized(int place, List<Surface> named) {
        return r.at(place, Action.Sanitize.class, named).isEmpty();
    }

    private static boolean wets(Action a) {
        return a instanceof Action.Wash
                || a instanceof Action.Rinse
                || a instanceof Action.Sanitize
                || a instanceof Action.Soak;
    }

    private void step(int place, Step s) {
        int sanitized = r.first(0, (x, a) -> a instanceof Action.Sanitize);
        switch (s.action()) {
            case Action.Dry a -> towel(place, s, a, sanitized);
            case Action.Sanitize a -> moved(place, s, a);
            case Action.Rinse a when a.endPoint() != null ->
                    out.changed(
                            "weaken",
                            "no end to the rinse " + s.id(),
                            s,
                            new Action.Rinse(a.items(), a.water(), a.method(), null),
                            "C19");
            case Action.DryClean a when sanitized > place -> again(s, a, sanitized);
            case Action.Wash a -> washed(place, s, a, sanitized);
            case Action.WashHands a -> {
                Step copy = new Step("zz-hands", a, s.words(), null, null, 1, 1);
                out.benign("duplicate", "hands washed twice", new Edit.InsertBefore(s.id(), copy));
            }
            case Action.Inspect a -> {
                Step copy = s.withId("zz-look");
                out.benign("duplicate", "looked at twice", new Edit.InsertBefore(s.id(), copy));
            }
            case Action.Record a
                    when r.first(place + 1, (x, y) -> y instanceof Action.Record) < 0
                            && sanitized >= 0 ->
                    out.fault(
                            "drop",
                            "nothing recorded",
                            List.of(new Edit.Delete(s.id())),
                            Set.of("R1"),
                            Set.of());
            default -> {}
        }
    }

    private void towel(int place, Step s, Action.Dry a, int sanitized) {
        List<String> contact =
                a.items().stream()
                        .filter(
                                i ->
                                        r.surfaces(i).stream()
                                                .anyMatch(
                                                        x ->
                                                                contact(x)
                                                                        && !r.at(
                                                                                        0,
                                                                                        Action
                                                                                                .Sanitize
                                                                                                .class,
                                                                                        List.of(x))
                                                                                .isEmpty()))
                        .toList();
        boolean after =
                sanitized >= 0
                        && sanitized < place
                        && r.first(place, (x, y) -> y instanceof Action.Sanitize) < 0;
        if (after && a.method() != Action.Drying.TOWEL) {
            for (String item : contact) {
                // One item alone is towelled, the others dry as before.
                Step one =
                        new Step(
                                "zz-towel",
                                new Action.Dry(List.of(item), Action.Drying.TOWEL, null),
                                "Towel it.",
                                null,
                                null,
                                1,
                                1);
                out.fault(
                        "towel",
                        item + " towelled",
                        List.of(new Edit.InsertBefore(s.id(), one)),
                        Set.of("C4"),
                        Set.of("zz-towel"));
            }
            if (!contact.isEmpty()) {
                out.changed(
                        "towel",
                        "all towelled",
                        s,
                        new Action.Dry(a.items(), Action.Drying.TOWEL, null),
                        "C4");
            }
        }
    }

    /** Sanitized before it is clean, or after it is together. */
    private void moved(int place, Step s, Action.Sanitize a) {
        boolean contact =
                a.items().stream().flatMap(i -> r.surfaces(i).stream()).anyMatch(this::contact);
        boolean washedAll =
                r.steps().subList(0, place).stream()
                        .anyMatch(x -> x.action() instanceof Action.Wash);
        for (int i = 0; i < place && contact && washedAll; i++) {
            Step w = r.steps().get(i);
            if (w.action() instanceof Action.Wash
                    && shared(w, s)
                    && r.first(i + 1, (x, y) -> y instanceof Action.Wash && shared(x, s)) < 0) {
                out.fault(
                        "move",
                        s.id() + " before " + w.id(),
                        List.of(new Edit.Move(s.id(), w.id())),
                        Set.of("C2", "C3"),
                        Set.of(s.id()));
            }
        }
        for (int i = place + 1; i < r.steps().size() && !p.schools().assembledFirst(); i++) {
            Step on = r.steps().get(i);
            if (on.action() instanceof Action.Install && contactShared(on, s)) {
                String next = i + 1 < r.steps().size() ? r.steps().get(i + 1).id() : null;
                out.fault(
                        "move",
                        s.id() + " after " + on.id(),
                        List.of(new Edit.Move(s.id(), next)),
                        Set.of("C12", "C10"),
                        Set.of(s.id(), on.id()));
            }
        }
    }

    private boolean shared(Step a, Step b) {
        return a.action().items().stream()
                .flatMap(i -> r.surfaces(i).stream())
                .anyMatch(x -> contact(x) && r.names(b, x));
    }

    private boolean contactShared(Step on, Step s) {
        return on.action().items().stream()
                .flatMap(i -> r.surfaces(i).stream())
                .anyMatch(x -> contact(x) && r.names(s, x));
    }

    /** Scraped again once it is sanitized. */
    private void again(Step s, Action.DryClean a, int sanitized) {
        int install =
                r.first(
                        sanitized,
                        (x, y) ->
                                y instanceof Action.Install
                                        || y instanceof Action.Return
                                        || y instanceof Action.Clear);
        if (install < 0) {
            return;
        }
        for (String item : a.items()) {
            boolean clean =
                    r.surfaces(item).stream()
                            .anyMatch(x -> contact(x) && r.names(r.steps().get(sanitized), x));
            // Filled when it is together: a brush does not get there any more.
            boolean shut =
                    r.procedure().schools().assembledFirst()
                            && r.surfaces(item).stream().allMatch(r::wetted);
            if (clean && !shut) {
                Step scrape =
                        new Step(
                                "zz-scrape",
                                new Action.DryClean(List.of(item)),
                                "Brush it again.",
                                null,
                                null,
                                1,
                                1);
                out.fault(
                        "insert",
                        item + " scraped after the sanitizer",
                        List.of(new Edit.InsertBefore(r.steps().get(install).id(), scrape)),
                        Set.of("C5"),
                        Set.of("zz-scrape"));
                Step sharpen =
                        new Step(
                                "zz-grind",
                                new Action.Sharpen(List.of(item), false),
                                "Hone it.",
                                null,
                                null,
                                1,
                                1);
                out.fault(
                        "insert",
                        item + " honed and not cleaned after it",
                        List.of(new Edit.InsertBefore(r.steps().get(install).id(), sharpen)),
                        Set.of("C11"),
                        Set.of());
            }
        }
    }

    /** The floor after the sanitizer, the floor brush on food contact. */
    private void washed(int place, Step s, Action.Wash a, int sanitized) {
        boolean room =
                a.items().stream()
                        .flatMap(i -> r.surfaces(i).stream())
                        .allMatch(x -> x.zone() >= 3);
        boolean contact =
                a.items().stream()
                        .flatMap(i -> r.surfaces(i).stream())
                        .anyMatch(x -> x.zone() == 1);
        if (room && sanitized > place) {
            int after =
                    r.first(
                            sanitized + 1,
                            (x, y) ->
                                    y instanceof Action.Dry
                                            || y instanceof Action.Install
                                            || y instanceof Action.WashHands);
            if (after >= 0 && contactSanitized(sanitized)) {
                for (Action.Method m :
                        List.of(Action.Method.HOSE, Action.Method.SPRAY, Action.Method.PRESSURE)) {
                    Step hose =
                            new Step(
                                    "zz-hose",
                                    new Action.Rinse(a.items(), WATER, m, Action.EndPoint.CLEAR),
                                    "Hose the floor.",
                                    null,
                                    null,
                                    1,
                                    1);
                    out.fault(
                            "insert",
                            "floor by " + m + " after the sanitizer",
                            List.of(new Edit.InsertBefore(r.steps().get(after).id(), hose)),
                            Set.of("C20"),
                            Set.of("zz-hose"));
                }
            }
        }
        if (contact) {
            for (Step f : new ArrayList<>(r.steps())) {
                if (f.action() instanceof Action.Wash w
                        && w.tool() != null
                        && !w.tool().equals(a.tool())
                        && w.items().stream()
                                .flatMap(i -> r.surfaces(i).stream())
                                .anyMatch(x -> x.zone() >= 3)) {
                    out.changed(
                            "other-tool",
                            w.tool() + " on food contact",
                            s,
                            new Action.Wash(
                                    a.items(), a.solution(), a.method(), w.tool(), a.direction()),
                            "C18");
                }
            }
        }
        boolean disc =
                a.direction() != null
                        && a.items().stream()
                                .flatMap(i -> r.surfaces(i).stream())
                                .anyMatch(x -> x.wipe() != null);
        if (disc) {
            out.changed(
                    "weaken",
                    "disc wiped anyhow",
                    s,
                    new Action.Wash(a.items(), a.solution(), a.method(), a.tool(), null),
                    "L9");
        }
    }

    private boolean contactSanitized(int sanitized) {
        return r.steps().get(sanitized).action().items().stream()
                .flatMap(i -> r.surfaces(i).stream())
                .anyMatch(x -> x.zone() == 1);
    }

    private static boolean treats(Action action) {
        return action instanceof Action.DryClean
                || action instanceof Action.Collect
                || action instanceof Action.Inspect
                || action instanceof Action.Dry
                || (wets(action) && !(action instanceof Action.Soak));
    }
}
