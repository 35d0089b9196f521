package orthopur.faults;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.EnergyStage;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.quantity.Temperature;

/** Energies left live, out of order, hot, or given back too early. */
final class EnergyFaults {
    private final Reading r;
    private final Injector out;
    private final Procedure p;

    EnergyFaults(Reading reading, Injector out) {
        this.r = reading;
        this.out = out;
        this.p = reading.procedure();
    }

    void make() {
        for (int i = 0; i < r.steps().size(); i++) {
            Step s = r.steps().get(i);
            for (Energy e : r.sheet().energies()) {
                if (s.action().energies().contains(e.id())) {
                    EnergyStage stage = stage(s.action(), e);
                    if (stage != null) {
                        forget(i, s, e, stage);
                    }
                }
            }
            around(i, s);
        }
        List<Energy> all = r.sheet().energies();
        for (int i = 0; i < all.size(); i++) {
            forgotten(List.of(all.get(i)));
            for (int j = i + 1; j < all.size(); j++) {
                forgotten(List.of(all.get(i), all.get(j)));
            }
        }
        order();
    }

    /** One or two energies that nobody ever thought of; hands go into their reach all the same. */
    private void forgotten(List<Energy> some) {
        Procedure without = p;
        Set<String> rules = new LinkedHashSet<>();
        for (Energy e : some) {
            Procedure before = without;
            for (Step s : p.steps()) {
                Step now =
                        without.steps().stream()
                                .filter(x -> x.id().equals(s.id()))
                                .findFirst()
                                .orElse(null);
                if (now != null
                        && stage(s.action(), e) != null
                        && now.action().energies().contains(e.id())) {
                    without = without.apply(Reading.left(now, e.id()));
                }
            }
            if (r.handsIn(0, e) == null || e.keepLive() || without == before) {
                return;
            }
            rules.addAll(e.kind().drives() ? Set.of("L3") : Set.of("L3", "L4", "L8"));
        }
        out.whole(
                "forget-energy",
                some.stream().map(Energy::name).collect(Collectors.joining(" and "))
                        + " never made safe",
                without,
                rules,
                Set.of());
    }

    /** Which stage of the path of 29 CFR 1910.147(d) an action is. */
    private static @Nullable EnergyStage stage(Action a, Energy e) {
        return switch (a) {
            case Action.Operate o when o.mode() == Action.Mode.STOP -> EnergyStage.STOPPED;
            case Action.Isolate i ->
                    e.kind() == EnergyKind.CORD ? EnergyStage.UNPLUGGED : EnergyStage.ISOLATED;
            case Action.Lock l -> EnergyStage.LOCKED;
            case Action.Relieve x -> EnergyStage.RELIEVED;
            case Action.Prove x -> EnergyStage.PROVED;
            case Action.CoolDown c -> EnergyStage.COOLED;
            default -> null;
        };
    }

    /** One energy is left out of one step. */
    private void forget(int place, Step s, Energy e, EnergyStage stage) {
        List<EnergyStage> path = e.kind().path(p.people());
        int k = path.indexOf(stage);
        if (k < 0 || e.keepLive()) {
            return;
        }
        List<Edit> edits = Reading.left(s, e.id());
        String what = stage.shown() + " left out for " + e.name();
        int next =
                r.first(
                        place + 1,
                        (x, a) ->
                                a.energies().contains(e.id())
                                        && stage(a, e) != null
                                        && path.indexOf(stage(a, e)) > k);
        Step hands = r.handsIn(place + 1, e);
        boolean again = stagesBefore(place, e) > k;
        if (stage == EnergyStage.PROVED && stagesBefore(place, e) == k) {
            // Proved before, and locked since: nothing is new unless the work rested in between.
            Set<String> rules = rested(place) ? Set.of("L16") : Set.of();
            out.fault("forget-energy", what, edits, rules, Set.of());
            return;
        }
        if (next >= 0 && k < path.size() - 1 && nextIsBefore(next, hands)) {
            out.fault("forget-energy", what, edits, Set.of("L2"), Set.of(r.steps().get(next).id()));
        } else if (hands != null && !again) {
            out.fault(
                    "forget-energy",
                    what,
                    edits,
                    handRules(e, path, stage, hands, place),
                    stepsOf(hands, e, place));
        } else {
            out.fault("forget-energy", what, edits, Set.of(), Set.of());
        }
    }

    /** Whether the step before it lets the work rest overnight. */
    private boolean rested(int place) {
        return r.steps().subList(0, place).stream()
                .anyMatch(
                        x ->
                                x.action() instanceof Action.Dry d
                                        && d.time() != null
                                        && d.time().toHours() >= 4);
    }

    private boolean nextIsBefore(int next, @Nullable Step hands) {
        return hands == null || next < p.placeOf(hands.id());
    }

    private int stagesBefore(int place, Energy e) {
        int furthest = 0;
        List<EnergyStage> path = e.kind().path(p.people());
        for (Step s : r.steps().subList(0, place)) {
            EnergyStage st = s.action().energies().contains(e.id()) ? stage(s.action(), e) : null;
            furthest = st == null ? furthest : Math.max(furthest, path.indexOf(st));
            if (s.action() instanceof Action.Operate o
                    && o.mode() == Action.Mode.RUN
                    && (o.energies().contains(e.id())
                            || (e.fedBy() != null && o.energies().contains(e.fedBy())))) {
                furthest = 0;
            }
        }
        return furthest;
    }

    private Set<String> handRules(
            Energy e, List<EnergyStage> path, EnergyStage stage, Step hands, int place) {
        if (e.kind() == EnergyKind.HEAT) {
            return Set.of("L8");
        }
        boolean ran =
                r.first(0, (s, a) -> a instanceof Action.Operate o && o.mode() == Action.Mode.RUN)
                        >= 0;
        if (ran
                && p.placeOf(hands.id())
                        > r.first(
                                0,
                                (s, a) ->
                                        a instanceof Action.Operate o
                                                && o.mode() == Action.Mode.RUN)) {
            return Set.of("L6", "L1", "L4");
        }
        boolean never =
                r.steps().stream()
                        .filter(
                                s ->
                                        s.action().energies().contains(e.id())
                                                && stage(s.action(), e) != null)
                        .allMatch(s -> stage(s.action(), e) == stage && p.placeOf(s.id()) == place);
        boolean holder = e.holder() != null && loosens(e.holder(), place);
        if (holder) {
            return Set.of("L4", "L1");
        }
        return never ? Set.of("L3") : Set.of("L1");
    }

    private boolean loosens(String part, int from) {
        return r.first(
                        from,
                        (s, a) ->
                                (a instanceof Action.Remove || a instanceof Action.Shift)
                                        && a.items().contains(part))
                >= 0;
    }

    private Set<String> stepsOf(Step hands, Energy e, int place) {
        int loosened =
                e.holder() == null
                        ? -1
                        : r.first(
                                place,
                                (s, a) ->
                                        (a instanceof Action.Remove || a instanceof Action.Shift)
                                                && a.items().contains(e.holder()));
        return loosened < 0
                ? Set.of(hands.id())
                : Set.copyOf(
                        new java.util.HashSet<>(List.of(hands.id(), r.steps().get(loosened).id())));
    }

    /** Steps dropped or weakened around making live and running. */
    private void around(int place, Step s) {
        int live = r.first(place, (x, a) -> a instanceof Action.Restore);
        String at = live < 0 ? s.id() : r.steps().get(live).id();
        boolean onlyClear = r.first(place + 1, (x, a) -> a instanceof Action.Clear) < 0;
        switch (s.action()) {
            case Action.Clear c when onlyClear && live > place -> {
                out.changed(
                        "weaken",
                        "tools not out",
                        s,
                        new Action.Clear(false, c.peopleClear(), c.guardsOn()),
                        Set.of("L5"),
                        Set.of(at));
                out.changed(
                        "weaken",
                        "people not clear",
                        s,
                        new Action.Clear(c.toolsOut(), false, c.guardsOn()),
                        Set.of("L5"),
                        Set.of(at));
                if (r.sheet().parts().stream().anyMatch(x -> x.guard() && moved(x.id()))) {
                    out.changed(
                            "weaken",
                            "guards not checked",
                            s,
                            new Action.Clear(true, true, false),
                            Set.of("T11"),
                            Set.of(at));
                    out.fault(
                            "drop",
                            "nothing cleared",
                            List.of(new Edit.Delete(s.id())),
                            clearedBefore(place) ? Set.of("L5") : Set.of("T11"),
                            Set.of(at));
                } else {
                    out.fault(
                            "drop",
                            "nothing cleared",
                            List.of(new Edit.Delete(s.id())),
                            Set.of("L5"),
                            Set.of(at));
                }
            }
            case Action.Unlock u when live > place -> {
                for (String e : u.energies()) {
                    if (here(e)) {
                        out.fault(
                                "forget-energy",
                                "lock left on " + e,
                                Reading.left(s, e),
                                Set.of("L5"),
                                Set.of(given(place, e)));
                    }
                }
            }
            case Action.Lock l -> {
                for (int n = 0; n < p.people() && p.people() > 1; n++) {
                    out.changed(
                            "weaken",
                            n + " locks",
                            s,
                            new Action.Lock(l.energies(), n, l.secondMeasure(), l.told()),
                            "L7");
                }
                for (int more = 1; more <= 2; more++) {
                    int people = p.mostPeople() + more;
                    out.fault(
                            "person",
                            people + " people and no more locks",
                            List.of(new Edit.Change(s.id(), s.withPeople(people))),
                            Set.of("L7"),
                            Set.of(s.id()));
                }
                if (l.secondMeasure() != null) {
                    out.changed(
                            "weaken",
                            "tag alone",
                            s,
                            new Action.Lock(l.energies(), l.locks(), null, l.told()),
                            "L2");
                }
            }
            case Action.CoolDown c -> {
                Step hands = r.handsIn(place + 1, energy(c.energies().getFirst()));
                // Nobody reaches into the heat that this step waits for: whatever it is, it burns
                // nobody.
                Set<String> rules = hands == null ? Set.of() : Set.of("L8");
                Set<String> where = hands == null ? Set.of() : Set.of(hands.id());
                for (double t : new double[] {49.1, 52, 60, 80, 120}) {
                    out.changed(
                            "weaken",
                            "cooled to " + t + " °C",
                            s,
                            new Action.CoolDown(c.energies(), new Temperature(t), c.standing()),
                            rules,
                            where);
                }
                out.changed(
                        "weaken",
                        "a wish to cool",
                        s,
                        new Action.CoolDown(c.energies(), null, null),
                        rules,
                        where);
            }
            case Action.Operate o
                    when o.mode() == Action.Mode.SAFE_POSITION
                            && r.sheet().safePosition() != null -> {
                int cut = r.first(place, (x, a) -> a instanceof Action.Isolate);
                out.fault(
                        "drop",
                        "not set safe",
                        List.of(new Edit.Delete(s.id())),
                        cut < 0 ? Set.of() : Set.of("T13"),
                        cut < 0 ? Set.of() : Set.of(r.steps().get(cut).id()));
            }
            case Action.Operate o when o.mode() == Action.Mode.STOP && tried(place) -> {
                int power = r.first(place + 1, (x, a) -> a instanceof Action.Restore || a.runs());
                int again =
                        r.first(
                                place + 1,
                                (x, a) ->
                                        a instanceof Action.Operate b
                                                && b.mode() == Action.Mode.STOP);
                if (power >= 0 && (again < 0 || again > power)) {
                    out.fault(
                            "drop",
                            "switch left on after it was tried",
                            List.of(new Edit.Delete(s.id())),
                            Set.of("L5"),
                            Set.of(r.steps().get(power).id()));
                }
            }
            case Action.Restore a when onlyPower() -> {
                int test = r.first(place + 1, (x, b) -> b instanceof Action.FunctionTest);
                if (test >= 0) {
                    out.fault(
                            "drop",
                            "not made live for the test run",
                            List.of(new Edit.Delete(s.id())),
                            Set.of("T9"),
                            Set.of(r.steps().get(test).id()));
                }
            }
            case Action.DryClean d -> running(place, s);
            default -> {}
        }
    }

    /** Whether the last thing that was done to a switch that stays was to try it. */
    private boolean tried(int place) {
        if (r.sheet().energies().stream().noneMatch(Energy::startsAgain)) {
            return false;
        }
        for (int i = place - 1; i >= 0; i--) {
            Action a = r.steps().get(i).action();
            if (a instanceof Action.Prove
                    || a instanceof Action.Operate o && o.mode() == Action.Mode.STOP) {
                return a instanceof Action.Prove;
            }
        }
        return false;
    }

    /** Whether all that drives it is cut off once and comes back with one step alone. */
    private boolean onlyPower() {
        List<Action> all = r.steps().stream().map(Step::action).toList();
        return all.stream().filter(Action.Restore.class::isInstance).count() == 1
                && all.stream().noneMatch(Action::runs)
                && r.sheet().energies().stream()
                        .filter(e -> e.kind().drives() && !e.keepLive())
                        .allMatch(
                                e ->
                                        all.stream()
                                                .anyMatch(
                                                        a ->
                                                                a instanceof Action.Isolate
                                                                        && a.energies()
                                                                                .contains(e.id())));
    }

    /** A step may name an energy that this machine, as it is fitted, does not have. */
    private boolean here(String energy) {
        return r.sheet().energies().stream().anyMatch(e -> e.id().equals(energy));
    }

    private Energy energy(String id) {
        return r.sheet().energies().stream()
                .filter(e -> e.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** Whether the guards were seen to be on before, so that only people and tools are unsaid. */
    private boolean clearedBefore(int place) {
        return r.steps().subList(0, place).stream()
                .anyMatch(x -> x.action() instanceof Action.Clear c && c.guardsOn());
    }

    /** The step that gives this energy back. */
    private String given(int place, String energy) {
        int live =
                r.first(
                        place,
                        (x, a) -> a instanceof Action.Restore && a.energies().contains(energy));
        return live < 0 ? "end" : r.steps().get(live).id();
    }

    private boolean moved(String part) {
        return r.first(
                        0,
                        (s, a) ->
                                (a instanceof Action.Remove || a instanceof Action.Shift)
                                        && a.items().contains(part))
                >= 0;
    }

    /** The machine is run in the middle of the work. */
    private void running(int place, Step s) {
        for (Energy e : r.sheet().energies()) {
            boolean drives = e.kind() == EnergyKind.CORD || e.kind() == EnergyKind.SUPPLIED;
            Step hands = r.handsIn(place, e);
            if (!drives || e.keepLive() || hands == null || !here(e.id())) {
                continue;
            }
            Step run =
                    new Step(
                            "zz-run",
                            new Action.Operate(Action.Mode.RUN, List.of(e.id()), List.of()),
                            "Run.",
                            null,
                            null,
                            1,
                            1);
            Step clear =
                    new Step(
                            "zz-clear",
                            new Action.Clear(true, true, true),
                            "Clear.",
                            null,
                            null,
                            1,
                            1);
            out.fault(
                    "insert",
                    "run of " + e.name() + " and hands in after it",
                    List.of(
                            new Edit.InsertBefore(s.id(), clear),
                            new Edit.InsertBefore(s.id(), run)),
                    Set.of("L6"),
                    Set.of(hands.id(), "zz-run"));
            out.fault(
                    "insert",
                    "run of " + e.name() + " with nobody cleared",
                    List.of(new Edit.InsertBefore(s.id(), run)),
                    r.first(0, (x, a) -> a.handsIn()) < place ? Set.of("L5") : Set.of(),
                    Set.of("zz-run"));
            if (!r.sheet().cleanMode()) {
                Step mode =
                        new Step(
                                "zz-mode",
                                new Action.Operate(
                                        Action.Mode.CLEAN_MODE, List.of(e.id()), List.of()),
                                "Run in clean mode.",
                                null,
                                null,
                                1,
                                1);
                out.fault(
                        "insert",
                        "a clean mode the machine lacks",
                        List.of(
                                new Edit.InsertBefore(s.id(), clear),
                                new Edit.InsertBefore(s.id(), mode)),
                        Set.of("L6"),
                        Set.of("zz-mode"));
            }
        }
    }

    /** Make-safe steps in another order, and live before it is together. */
    private void order() {
        List<Step> stages = new ArrayList<>();
        for (Step s : r.steps()) {
            if (s.action() instanceof Action.Isolate
                    || s.action() instanceof Action.Lock
                    || s.action() instanceof Action.Relieve
                    || s.action() instanceof Action.Prove) {
                stages.add(s);
            }
        }
        for (int i = 0; i < stages.size(); i++) {
            for (int j = i + 1; j < stages.size(); j++) {
                Step early = stages.get(i);
                Step late = stages.get(j);
                Set<String> both = new java.util.HashSet<>(early.action().energies());
                both.retainAll(late.action().energies());
                both.removeIf(id -> !onPath(early, id) || !onPath(late, id));
                // The same done once more for the night: what is asked for was done before it.
                both.removeIf(id -> again(late, id) || givenBack(early, late, id));
                boolean ran =
                        p.steps().stream()
                                .anyMatch(
                                        s ->
                                                s.action() instanceof Action.Operate o
                                                        && o.mode() == Action.Mode.RUN);
                if (!both.isEmpty() && !ran) {
                    out.fault(
                            "move",
                            late.id() + " before " + early.id(),
                            List.of(new Edit.Move(late.id(), early.id())),
                            Set.of("L2"),
                            Set.of(late.id()));
                }
            }
        }
        int live = r.first(0, (s, a) -> a instanceof Action.Restore);
        for (int i = 0; i < live; i++) {
            Step s = r.steps().get(i);
            if (s.action() instanceof Action.Install) {
                out.fault(
                        "move",
                        "live before " + s.id(),
                        List.of(new Edit.Move(r.steps().get(live).id(), s.id())),
                        Set.of("L5", "T11"),
                        Set.of(r.steps().get(live).id()));
            }
        }
    }

    /** Whether an earlier step brought this energy to the same stage. */
    private boolean again(Step late, String id) {
        return r.steps().subList(0, p.placeOf(late.id())).stream()
                .anyMatch(
                        s ->
                                s.action().energies().contains(id)
                                        && s.action().getClass() == late.action().getClass());
    }

    private boolean givenBack(Step early, Step late, String id) {
        return r.steps().subList(p.placeOf(early.id()), p.placeOf(late.id())).stream()
                .anyMatch(
                        s ->
                                s.action() instanceof Action.Restore
                                        && s.action().energies().contains(id));
    }

    private boolean onPath(Step s, String id) {
        if (!here(id)) {
            return false;
        }
        Energy e = energy(id);
        EnergyStage st = stage(s.action(), e);
        return st != null && e.kind().path(p.people()).contains(st);
    }
}
