package orthopur.faults;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.machine.Hazard;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;

/** Parts that stay on or off, lie in the wrong place, or go on wrongly. */
final class PartFaults {
    private static final Set<ChemicalKind> LUBRICANTS =
            Set.of(ChemicalKind.OIL, ChemicalKind.GREASE, ChemicalKind.SHIELD);

    private final Reading r;
    private final Injector out;
    private final Procedure p;

    PartFaults(Reading reading, Injector out) {
        this.r = reading;
        this.out = out;
        this.p = reading.procedure();
    }

    void make() {
        for (int i = 0; i < r.steps().size(); i++) {
            Step s = r.steps().get(i);
            switch (s.action()) {
                case Action.Remove a -> removed(i, s, a);
                case Action.Install a -> installed(i, s, a);
                case Action.Shift a -> shifted(i, s, a);
                case Action.Return a -> returned(i, s, a);
                case Action.Fit a -> fitted(i, s, a);
                case Action.Measure a -> measured(s, a);
                case Action.Mark a -> marked(i, s, a);
                case Action.Index a -> indexed(i, s, a);
                case Action.Prepare a -> fetched(s, a);
                case Action.Lubricate a -> lubricated(s, a);
                case Action.Coat a -> coated(i, s, a);
                case Action.FunctionTest a when !a.checks().isEmpty() && apart() ->
                        out.changed(
                                "forget",
                                "nothing measured in the test run",
                                s,
                                new Action.FunctionTest(),
                                Set.of("T9"),
                                Set.of());
                default -> {}
            }
            handled(s);
        }
        gloves();
    }

    private void removed(int place, Step s, Action.Remove a) {
        for (String item : a.items()) {
            Part part = r.part(item);
            if (part == null) {
                continue;
            }
            List<Edit> edits = Reading.left(s, item);
            Set<String> behind = new HashSet<>();
            for (Step later : r.steps().subList(place, r.steps().size())) {
                if (later.action() instanceof Action.Remove x
                        && x.items().stream()
                                .map(r::part)
                                .anyMatch(q -> q != null && q.behind().contains(item))) {
                    behind.add(later.id());
                }
            }
            boolean covers = !part.covers().isEmpty();
            if (!behind.isEmpty()) {
                out.fault("forget", part.name() + " stays on", edits, Set.of("T1"), behind);
            } else if (covers
                    && p.steps().stream()
                            .noneMatch(
                                    x ->
                                            x.action() instanceof Action.Shift y
                                                    && y.items().contains(item))) {
                boolean contact =
                        part.covers().stream()
                                .flatMap(c -> r.surfaces(c).stream())
                                .anyMatch(c -> c.zone() == 1);
                boolean wetted =
                        part.covers().stream()
                                .flatMap(c -> r.surfaces(c).stream())
                                .allMatch(r::wetted);
                out.fault(
                        "forget",
                        part.name() + " stays on",
                        edits,
                        // What fills the passage reaches it all the same; the count does not close.
                        wetted ? Set.of("C6", "T2") : contact ? Set.of("C6") : Set.of("C1"),
                        Set.of());
            } else {
                out.fault("forget", part.name() + " stays on", edits, Set.of(), Set.of());
            }
            for (int n = 1; n < part.count(); n++) {
                out.fault(
                        "count",
                        n + " of " + part.count() + " " + part.name() + " put back",
                        recount(part, n),
                        part.guard() ? Set.of("T11", "T2") : Set.of("T2"),
                        // A guard is missed where the machine is made live.
                        part.guard() ? Set.of() : Set.of(s.id()));
            }
            if (part.count() < 1000) {
                out.changed(
                        "count",
                        "one more than there are of " + part.name(),
                        s,
                        new Action.Remove(a.items(), part.count() + 1, a.destination()),
                        "T2",
                        "T12");
            }
            for (String front : part.behind()) {
                front(place, s, item, front);
            }
            if (part.moving().small() && a.destination() != null) {
                out.changed(
                        "weaken",
                        part.name() + " laid on the table",
                        s,
                        new Action.Remove(a.items(), a.count(), "table"),
                        "T4");
            }
        }
    }

    /** Each install of the part is told apart and one of them is short. */
    private List<Edit> recount(Part part, int n) {
        List<Edit> edits = new ArrayList<>();
        for (Step s : r.steps()) {
            if (s.action() instanceof Action.Install a && a.items().contains(part.id())) {
                List<String> rest = Reading.without(a.items(), part.id());
                Step one =
                        new Step(
                                "zz-count",
                                new Action.Install(List.of(part.id()), n, a.pattern()),
                                "Some.",
                                null,
                                s.caution(),
                                1,
                                s.people());
                edits.add(new Edit.InsertBefore(s.id(), one));
                edits.add(
                        rest.isEmpty()
                                ? new Edit.Delete(s.id())
                                : new Edit.Change(
                                        s.id(),
                                        s.with(new Action.Install(rest, a.count(), a.pattern()))));
            }
        }
        return edits;
    }

    /** What is behind comes off before what is in front of it. */
    private void front(int place, Step s, String item, String front) {
        for (int i = 0; i < place; i++) {
            Step f = r.steps().get(i);
            boolean opens =
                    (f.action() instanceof Action.Remove || f.action() instanceof Action.Shift)
                            && f.action().items().contains(front);
            if (opens) {
                out.fault(
                        "move",
                        item + " off before " + front,
                        List.of(new Edit.Move(s.id(), f.id())),
                        Set.of("T1"),
                        Set.of(s.id()));
            }
        }
        if (s.action() instanceof Action.Remove a && a.items().contains(front)) {
            List<String> swapped = new ArrayList<>(a.items());
            swapped.remove(item);
            swapped.add(0, item);
            out.changed(
                    "swap",
                    item + " before " + front,
                    s,
                    new Action.Remove(swapped, a.count(), a.destination()),
                    "T1");
        }
    }

    private void installed(int place, Step s, Action.Install a) {
        // A guard is missed where the machine is made live; where nothing drives it, by the count.
        boolean live = r.first(place, (x, y) -> y instanceof Action.Restore) >= 0;
        for (String item : a.items()) {
            Part part = r.part(item);
            if (part == null) {
                continue;
            }
            List<Edit> edits = Reading.left(s, item);
            out.fault(
                    "forget",
                    part.name() + " stays off",
                    edits,
                    part.guard() && live ? Set.of("T11") : Set.of("T2"),
                    Set.of());
            if (part.fitting().pattern() != null && a.pattern() != null) {
                out.changed(
                        "weaken",
                        "not said how " + part.name() + " is fastened",
                        s,
                        new Action.Install(a.items(), a.count(), null),
                        "T10");
            }
            for (String front : a.items()) {
                Part f = r.part(front);
                if (f != null && part.behind().contains(front)) {
                    List<String> swapped = new ArrayList<>(a.items());
                    swapped.remove(front);
                    swapped.add(0, front);
                    out.changed(
                            "swap",
                            front + " on before " + item,
                            s,
                            new Action.Install(swapped, a.count(), a.pattern()),
                            "T3");
                }
            }
        }
        if (s.people() > 1) {
            Step alone = s.withPeople(1);
            out.fault(
                    "weaken",
                    "one person for two",
                    List.of(new Edit.Change(s.id(), alone)),
                    Set.of("L10"),
                    Set.of(s.id()));
        }
    }

    private void shifted(int place, Step s, Action.Shift a) {
        for (String item : a.items()) {
            Part part = r.part(item);
            if (part == null) {
                continue;
            }
            Set<String> behind = new HashSet<>();
            for (Step later : r.steps().subList(place, r.steps().size())) {
                if (later.action() instanceof Action.Remove x
                        && x.items().stream()
                                .map(r::part)
                                .anyMatch(q -> q != null && q.behind().contains(item))) {
                    behind.add(later.id());
                }
            }
            List<Edit> edits = Reading.left(s, item);
            boolean contact =
                    part.covers().stream()
                            .flatMap(c -> r.surfaces(c).stream())
                            .anyMatch(c -> c.zone() == 1 && c.frequency().dueIn(p.kind()));
            if (!behind.isEmpty()) {
                out.fault("forget", part.name() + " not moved aside", edits, Set.of("T1"), behind);
            } else if (contact) {
                out.fault(
                        "forget", part.name() + " not moved aside", edits, Set.of("C6"), Set.of());
            } else {
                int back =
                        r.first(
                                place + 1,
                                (x, y) -> y instanceof Action.Return && y.items().contains(item));
                out.fault(
                        "forget",
                        part.name() + " not moved aside",
                        edits,
                        back < 0 ? Set.of() : Set.of("T14"),
                        back < 0 ? Set.of() : Set.of(r.steps().get(back).id()));
            }
        }
    }

    /** What is on only for the clean was never put on, and comes off all the same. */
    private void fitted(int place, Step s, Action.Fit a) {
        int off =
                r.first(
                        place + 1,
                        (x, y) ->
                                y instanceof Action.Unfit u
                                        && a.fittings().stream().anyMatch(u.fittings()::contains));
        if (off >= 0) {
            out.fault(
                    "drop",
                    "not put on",
                    List.of(new Edit.Delete(s.id())),
                    Set.of("T14", "T15"),
                    Set.of());
        }
    }

    private void returned(int place, Step s, Action.Return a) {
        int live = r.first(place, (x, y) -> y instanceof Action.Restore);
        for (String item : a.items()) {
            List<Edit> edits = Reading.left(s, item);
            out.fault(
                    "forget",
                    item + " not moved back",
                    edits,
                    Set.of("T14", "T11"),
                    live < 0 ? Set.of() : Set.of(r.steps().get(live).id()));
        }
        if (live >= 0) {
            out.fault(
                    "move",
                    s.id() + " after it is live",
                    List.of(new Edit.Move(r.steps().get(live).id(), s.id())),
                    Set.of("T14", "T11", "L5"),
                    Set.of(r.steps().get(live).id()));
        }
    }

    private void measured(Step s, Action.Measure a) {
        for (String check : a.checks()) {
            boolean touched =
                    r.sheet().checks().stream()
                            .filter(c -> c.id().equals(check))
                            .map(c -> r.part(c.part()))
                            .anyMatch(x -> x != null && (!x.removable() || moved(x.id())));
            List<Edit> less = Reading.left(s, check);
            out.fault(
                    "forget",
                    check + " not checked",
                    less,
                    touched ? Set.of("T9") : Set.of(),
                    Set.of());
        }
    }

    private boolean moved(String part) {
        return r.first(0, (s, a) -> a instanceof Action.Remove && a.items().contains(part)) >= 0;
    }

    private void marked(int place, Step s, Action.Mark a) {
        for (String item : a.items()) {
            List<Edit> less = Reading.left(s, item);
            out.fault(
                    "forget",
                    item + " not marked",
                    less,
                    Set.of("T5"),
                    r.at(place, Action.Remove.class, r.surfaces(item)));
        }
    }

    private void indexed(int place, Step s, Action.Index a) {
        int times = a.times() == null ? 1 : a.times();
        Set<String> off = new HashSet<>();
        a.items().forEach(i -> off.addAll(r.at(place, Action.Remove.class, r.surfaces(i))));
        for (int n = 1; n < times; n++) {
            out.changed(
                    "count",
                    n + " of " + times + " positions",
                    s,
                    new Action.Index(a.items(), n, a.powered()),
                    Set.of("T12"),
                    off);
        }
        out.fault("drop", "not indexed", List.of(new Edit.Delete(s.id())), Set.of("T12"), off);
        out.changed(
                "weaken",
                "indexed under power",
                s,
                new Action.Index(a.items(), a.times(), true),
                "L6");
    }

    private void fetched(Step s, Action.Prepare a) {
        for (String near : r.sheet().neighbors()) {
            List<String> bare =
                    a.things().stream()
                            .filter(
                                    t ->
                                            !t.toLowerCase(Locale.ROOT)
                                                    .contains(near.toLowerCase(Locale.ROOT)))
                            .toList();
            boolean sprays = r.first(0, (x, y) -> y.sprays()) >= 0;
            if (sprays && bare.size() < a.things().size()) {
                out.changed(
                        "forget",
                        "nothing over " + near,
                        s,
                        new Action.Prepare(bare),
                        Set.of("C5"),
                        Set.of());
            }
        }
        for (Step later : r.steps()) {
            if (later.action() instanceof Action.Remove x) {
                for (String item : x.items()) {
                    Part part = r.part(item);
                    for (String tool : part == null ? List.<String>of() : part.moving().tools()) {
                        List<String> rest =
                                a.things().stream()
                                        .filter(
                                                t ->
                                                        !t.toLowerCase(Locale.ROOT)
                                                                .contains(
                                                                        tool.toLowerCase(
                                                                                Locale.ROOT)))
                                        .toList();
                        boolean aid = tool.contains("ladder") || tool.contains("lever");
                        out.changed(
                                "forget",
                                tool + " not fetched",
                                s,
                                new Action.Prepare(rest),
                                aid ? Set.of("L14") : Set.of("T6"),
                                Set.of());
                    }
                }
            }
        }
    }

    /** Whether anything was off: what was not apart need not be proved again. */
    private boolean apart() {
        return r.first(0, (x, y) -> y instanceof Action.Remove) >= 0;
    }

    private void coated(int place, Step s, Action.Coat a) {
        out.changed(
                "other-chemical",
                "a detergent as a film",
                s,
                new Action.Coat(a.items(), "sudmere-n"),
                "T8");
        Chemical film = r.chemicals().get(a.chemical());
        if (film == null || film.kind() != ChemicalKind.SHIELD) {
            // An oil stays as it is.
            return;
        }
        out.changed(
                "not-stated",
                "when the film is dry",
                s,
                new Action.Coat(a.items(), a.chemical()),
                "T8");
        boolean used = r.first(place, (x, y) -> y instanceof Action.Restore) >= 0;
        for (int hours : used ? new int[] {12, 24, 48} : new int[0]) {
            out.changed(
                    "lengthen",
                    "a film that dries for " + hours + " h",
                    s,
                    new Action.Coat(a.items(), a.chemical(), Duration.ofHours(hours)),
                    Set.of("T8"),
                    Set.of());
        }
    }

    private void lubricated(Step s, Action.Lubricate a) {
        for (Chemical other : r.chemicals().values()) {
            if (!LUBRICANTS.contains(other.kind())) {
                out.changed(
                        "other-chemical",
                        other.name() + " as grease",
                        s,
                        new Action.Lubricate(a.items(), other.id()),
                        "T8");
            }
        }
        out.changed("weaken", "grease not named", s, new Action.Lubricate(a.items(), null), "T8");
        for (Part dry : r.sheet().parts()) {
            boolean never =
                    !dry.fitting().lubrication().isEmpty()
                            && dry.fitting().lubrication().stream().allMatch(x -> x.never());
            if (never) {
                List<String> more = new ArrayList<>(a.items());
                more.add(dry.id());
                out.changed(
                        "forget",
                        dry.name() + " greased though it stays dry",
                        s,
                        new Action.Lubricate(more, a.chemical()),
                        "T8");
            }
        }
        for (String item : a.items()) {
            Part part = r.part(item);
            if (part != null
                    && part.fitting().lubrication().stream()
                            .anyMatch(x -> !x.never() && x.frequency().dueIn(p.kind()))) {
                List<Edit> less = Reading.left(s, item);
                out.fault("forget", item + " not greased", less, Set.of("T8"), Set.of());
            }
        }
    }

    private void handled(Step s) {
        boolean moves =
                s.action() instanceof Action.Remove
                        || s.action() instanceof Action.Install
                        || s.action() instanceof Action.Shift
                        || s.action() instanceof Action.Return;
        boolean traps =
                s.action().items().stream()
                        .map(r::part)
                        .anyMatch(
                                x ->
                                        x != null
                                                && x.hazards().stream()
                                                        .anyMatch(
                                                                h ->
                                                                        h == Hazard.CRUSH
                                                                                || h == Hazard.PINCH
                                                                                || h
                                                                                        == Hazard
                                                                                                .SNAG));
        if (moves && traps && s.caution() != null) {
            Step bare = s.withoutCaution();
            out.fault(
                    "weaken",
                    "caution left out at " + s.id(),
                    List.of(new Edit.Change(s.id(), bare)),
                    Set.of("L13"),
                    Set.of(s.id()));
        }
        if (s.action() instanceof Action.Remove && s.people() > 1) {
            Step alone = s.withPeople(1);
            out.fault(
                    "weaken",
                    "one person for two at " + s.id(),
                    List.of(new Edit.Change(s.id(), alone)),
                    Set.of("L10"),
                    Set.of(s.id()));
        }
    }

    private void gloves() {
        boolean sharp =
                r.steps().stream()
                        .flatMap(s -> s.action().items().stream())
                        .map(r::owner)
                        .anyMatch(x -> x != null && x.hazards().contains(Hazard.EDGE));
        List<String> bare =
                p.ppe().stream().filter(x -> !x.equals("cut-resistant gloves")).toList();
        if (sharp && bare.size() < p.ppe().size()) {
            out.whole("weaken", "no cut-resistant gloves", p.withPpe(bare), Set.of("L9"), Set.of());
        }
    }
}
