package orthopur.faults;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Check;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.Part;
import orthopur.machine.Passage;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;

/**
 * What no list of rules leads to: a thing left unnamed, the same end by a second route, the order
 * of two kinds swapped, a thing done in a state or a place in which it cannot be done.
 */
final class SecondRouteFaults {
    private final Reading r;
    private final Injector out;
    private final Procedure p;

    SecondRouteFaults(Reading reading, Injector out) {
        this.r = reading;
        this.out = out;
        this.p = reading.procedure();
    }

    void make() {
        for (int i = 0; i < r.steps().size(); i++) {
            Step s = r.steps().get(i);
            unnamed(i, s);
            place(i, s);
            state(i, s);
        }
        r.sheet().energies().forEach(this::acrossKinds);
        r.sheet().checks().forEach(this::tooEarly);
    }

    private static Step fresh(int n, Action a) {
        return new Step("route-" + n, a, "", null, null, 1, 1);
    }

    private static Edit before(Step s, int n, Action a) {
        return new Edit.InsertBefore(s.id(), fresh(n, a));
    }

    /** Something runs that is not named, or a person, an amount, a place is not named. */
    private void unnamed(int place, Step s) {
        if (dangerous(place, s)) {
            for (Action run :
                    List.of(
                            new Action.Operate(Action.Mode.EXPEL, List.of(), List.of()),
                            new Action.Operate(Action.Mode.RUN, List.of(), List.of()))) {
                out.fault(
                        "unname",
                        "runs before it, and does not say what",
                        List.of(
                                before(s, 1, new Action.Clear(true, true, true)),
                                before(s, 2, run)),
                        Set.of("L6"),
                        Set.of(s.id(), "route-2"));
            }
        }
        switch (s.action()) {
            case Action.HoldPoint a when a.who() != null -> {
                out.changed(
                        "unname", "nobody is named to answer", s, new Action.HoldPoint(null), "R2");
                out.changed(
                        "person", "the cleaner answers", s, new Action.HoldPoint("cleaner"), "R2");
            }
            case Action.KeepProduct a when a.destination() != null ->
                    out.changed("unname", "kept nowhere", s, new Action.KeepProduct(null), "F5");
            case Action.Sanitize a when passages(a.items()) > 0 -> {
                Solution x = a.solution();
                for (Volume v : new @Nullable Volume[] {null, new Volume(0.5), new Volume(1.5)}) {
                    if (v == null || v.litres() < passages(a.items())) {
                        out.changed(
                                v == null ? "unname" : "volume",
                                "filled with " + (v == null ? "something" : v.shown()),
                                s,
                                new Action.Sanitize(
                                        a.items(),
                                        new Solution(
                                                x.chemical(),
                                                x.strength(),
                                                x.temperature(),
                                                x.ph(),
                                                v,
                                                x.vessel()),
                                        a.method(),
                                        a.contact(),
                                        a.readings()),
                                "C14");
                    }
                }
            }
            case Action.Lock a ->
                    out.changed(
                            "person",
                            "no lock goes on",
                            s,
                            new Action.Lock(a.energies(), 0, a.secondMeasure(), a.told()),
                            "L7");
            default -> {}
        }
    }

    /** Whether hands go in here where something that moves by itself has been made safe. */
    private boolean dangerous(int place, Step s) {
        boolean safe = r.first(0, (x, a) -> a instanceof Action.Isolate) < place;
        return safe
                && r.sheet().energies().stream()
                        .filter(e -> !e.keepLive() && e.kind() != EnergyKind.HEAT)
                        .filter(e -> e.kind() != EnergyKind.STORED)
                        .anyMatch(e -> r.handsIn(place, e) == s);
    }

    private double passages(List<String> items) {
        return r.sheet().passages().stream()
                .filter(x -> items.contains(x.id()))
                .map(Passage::volume)
                .mapToDouble(Volume::litres)
                .sum();
    }

    /** Sanitized parts are laid where they get dirty. */
    private void place(int at, Step s) {
        if (!(s.action() instanceof Action.Sanitize a) || a.items().isEmpty()) {
            return;
        }
        List<String> loose =
                r.sheet().parts().stream()
                        .filter(x -> x.removable() && a.items().contains(x.id()))
                        .map(Part::id)
                        .toList();
        boolean off = r.first(at, (x, y) -> y instanceof Action.Install) > at;
        if (!loose.isEmpty() && off) {
            int next = at + 1;
            out.fault(
                    "place",
                    "laid on the floor",
                    List.of(before(r.steps().get(next), 1, new Action.Store(loose, "floor"))),
                    Set.of("C4"),
                    Set.of("route-1"));
        }
        boolean hot = a.solution().chemical() != null && a.contact() != null;
        if (hot) {
            out.changed(
                    "route",
                    "hot water by cloth instead",
                    s,
                    new Action.Sanitize(
                            a.items(),
                            new Solution(null, null, new Temperature(80), null, new Volume(40)),
                            Action.Method.CLOTH,
                            a.contact(),
                            Set.of(Action.Reading.TEMPERATURE)),
                    Set.of("S8", "C14", "C12"),
                    Set.of(s.id()));
        }
    }

    /** A look before the last water, hands in before anything was stopped. */
    private void state(int place, Step s) {
        if (s.action() instanceof Action.Operate o && o.mode() == Action.Mode.STOP) {
            Energy e =
                    r.sheet().energies().stream()
                            .filter(x -> o.energies().contains(x.id()) && !x.zone().isEmpty())
                            .findFirst()
                            .orElse(null);
            boolean first =
                    r.first(
                                    0,
                                    (x, a) ->
                                            a instanceof Action.Operate y
                                                    && y.mode() == Action.Mode.STOP)
                            == place;
            if (e != null && first) {
                List<String> near = List.of(e.zone().getFirst());
                for (Action a : List.of(new Action.Mark(near), new Action.Inspect(near))) {
                    out.fault(
                            "state",
                            "hands in before the stop: " + a.verb(),
                            List.of(before(s, 1, a)),
                            Set.of("L1", "L6"),
                            Set.of("route-1"));
                }
            }
        }
        if (s.action() instanceof Action.Isolate a) {
            for (Energy e : r.sheet().energies()) {
                if (e.keepLive()) {
                    out.fault(
                            "state",
                            e.name() + " is cut off too",
                            List.of(before(s, 1, new Action.Isolate(List.of(e.id())))),
                            Set.of("L15"),
                            Set.of("route-1"));
                }
            }
        }
    }

    /** What is fed is let off, cooled or proved before its source is stopped. */
    private void acrossKinds(Energy e) {
        if (e.fedBy() == null) {
            return;
        }
        int stop =
                r.first(
                        0,
                        (s, a) ->
                                a instanceof Action.Operate o
                                        && o.mode() == Action.Mode.STOP
                                        && a.energies().contains(e.fedBy()));
        int relief =
                r.first(0, (s, a) -> a instanceof Action.Relieve && a.energies().contains(e.id()));
        if (stop >= 0 && relief > stop) {
            Step first = r.steps().get(stop);
            out.fault(
                    "across",
                    e.name() + " is let off before its source is stopped",
                    List.of(
                            new Edit.Change(
                                    r.steps().get(relief).id(),
                                    r.steps()
                                            .get(relief)
                                            .with(
                                                    new Action.Relieve(
                                                            Reading.without(
                                                                    r.steps()
                                                                            .get(relief)
                                                                            .action()
                                                                            .energies(),
                                                                    e.id())))),
                            before(first, 1, new Action.Relieve(List.of(e.id())))),
                    Set.of("L2"),
                    Set.of("route-1"));
        }
    }

    /** A check of a part that is not on yet. */
    private void tooEarly(Check c) {
        for (String part : withNeeds(c)) {
            int on = r.first(0, (s, a) -> a instanceof Action.Install && a.items().contains(part));
            int made =
                    r.first(
                            0,
                            (s, a) ->
                                    a instanceof Action.Measure m
                                            && m.checks().equals(List.of(c.id())));
            if (on >= 0 && made > on) {
                out.fault(
                        "order",
                        c.name() + " before " + part + " is on",
                        List.of(new Edit.Move(r.steps().get(made).id(), r.steps().get(on).id())),
                        Set.of("T9"),
                        Set.of(r.steps().get(made).id()));
            }
        }
    }

    private static List<String> withNeeds(Check c) {
        java.util.ArrayList<String> all = new java.util.ArrayList<>(c.needs());
        all.add(c.part());
        return all;
    }
}
