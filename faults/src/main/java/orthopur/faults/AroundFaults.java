package orthopur.faults;

import java.util.List;
import java.util.Set;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.machine.Energy;
import orthopur.machine.Passage;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;

/**
 * What goes wrong around the machine: people who are not told, live metal, air that is blown, pumps
 * that stand still, cloths, and the product that comes next.
 */
final class AroundFaults {
    private final Reading r;
    private final Injector out;
    private final Procedure p;

    AroundFaults(Reading reading, Injector out) {
        this.r = reading;
        this.out = out;
        this.p = reading.procedure();
    }

    void make() {
        int firstLock = r.first(0, (x, a) -> a instanceof Action.Lock);
        int lastUnlock = last(a -> a instanceof Action.Unlock);
        for (int i = 0; i < r.steps().size(); i++) {
            Step s = r.steps().get(i);
            people(s, i == firstLock, i == lastUnlock);
            blown(s);
            stopped(i, s);
            cloth(s);
            unsaid(s);
        }
        List<String> all = List.copyOf(r.sheet().allergens());
        for (int i = 0; i < all.size(); i++) {
            for (int j = i + 1; j < all.size(); j++) {
                out.whole(
                        "allergen",
                        "what follows may hold neither " + all.get(i) + " nor " + all.get(j),
                        p.clearing(List.of(all.get(i), all.get(j))),
                        Set.of("C25"),
                        Set.of());
            }
        }
        if (all.size() > 2) {
            out.whole(
                    "allergen",
                    "what follows holds none",
                    p.clearing(all),
                    Set.of("C25"),
                    Set.of());
        }
        for (String allergen : all) {
            // No demo procedure swabs for one: each was written for the same product tomorrow.
            out.whole(
                    "allergen",
                    "another product follows that may not hold " + allergen,
                    p.clearing(List.of(allergen)),
                    Set.of("C25"),
                    Set.of());
        }
    }

    private int last(java.util.function.Predicate<Action> is) {
        int last = -1;
        for (int i = 0; i < r.steps().size(); i++) {
            last = is.test(r.steps().get(i).action()) ? i : last;
        }
        return last;
    }

    private void people(Step s, boolean firstLock, boolean lastUnlock) {
        switch (s.action()) {
            case Action.Lock a -> {
                if (firstLock && a.told()) {
                    out.changed(
                            "person",
                            "nobody is told that it is locked",
                            s,
                            new Action.Lock(a.energies(), a.locks(), a.secondMeasure(), false),
                            "L16");
                }
                if (a.secondMeasure() != null) {
                    out.changed(
                            "person",
                            "the cleaner draws the fuse",
                            s,
                            new Action.Lock(a.energies(), a.locks(), "fuse drawn", a.told()),
                            "L16");
                }
            }
            case Action.Unlock a when lastUnlock && a.told() ->
                    out.changed(
                            "person",
                            "nobody is told that it starts again",
                            s,
                            new Action.Unlock(a.energies(), a.owner(), false),
                            "L16");
            default -> {}
        }
    }

    private void blown(Step s) {
        if (s.action() instanceof Action.DryClean a) {
            out.changed(
                    "second route",
                    "blown off with compressed air",
                    s,
                    new Action.DryClean(a.items(), Action.Sweeping.AIR, null),
                    "L17");
            out.changed(
                    "strengthen",
                    "blown off at 600 kPa",
                    s,
                    new Action.DryClean(
                            a.items(), Action.Sweeping.AIR, new orthopur.quantity.Pressure(600)),
                    "L17");
        }
    }

    /** A time or a place that is left out, and that everybody fills in differently. */
    private void unsaid(Step s) {
        if (s.action() instanceof Action.Dry a && a.method() != Action.Drying.TOWEL) {
            out.changed(
                    "unname",
                    "how long it dries",
                    s,
                    new Action.Dry(a.items(), a.method(), null),
                    "C10");
        }
        if (s.action() instanceof Action.Sanitize a
                && a.method() == Action.Method.IMMERSE
                && a.solution().vessel() != null) {
            Solution x = a.solution();
            out.changed(
                    "unname",
                    "in what it lies",
                    s,
                    new Action.Sanitize(
                            a.items(),
                            new Solution(
                                    x.chemical(),
                                    x.strength(),
                                    x.temperature(),
                                    x.ph(),
                                    x.volume(),
                                    null),
                            a.method(),
                            a.contact(),
                            a.readings()),
                    "C23");
        }
    }

    /** What moves it is cut off again just before it is sent round. */
    private void stopped(int place, Step s) {
        if (!(s.action() instanceof Action.Circulate a)) {
            return;
        }
        for (Passage passage : r.sheet().passages()) {
            for (Energy e : r.sheet().energies()) {
                if (a.items().contains(passage.id()) && e.id().equals(passage.movedBy())) {
                    Step off =
                            new Step(
                                    "around-1",
                                    new Action.Operate(
                                            Action.Mode.STOP, List.of(e.id()), List.of()),
                                    "",
                                    null,
                                    null,
                                    1,
                                    1);
                    out.fault(
                            "state",
                            "sent round with the pump off",
                            List.of(new Edit.InsertBefore(s.id(), off)),
                            Set.of("C14"),
                            Set.of(s.id()));
                }
            }
        }
    }

    private void cloth(Step s) {
        if (s.action() instanceof Action.Sanitize a) {
            Chemical c = r.chemicals().get(a.chemical() == null ? "" : a.chemical());
            if (c != null && c.kind() == ChemicalKind.QUAT && a.solution().vessel() == null) {
                Step cotton =
                        new Step(
                                "around-2",
                                new Action.Prepare(List.of("cotton cloths")),
                                "",
                                null,
                                null,
                                1,
                                1);
                out.fault(
                        "second route",
                        "wiped on with cotton",
                        List.of(
                                new Edit.InsertBefore(s.id(), cotton),
                                new Edit.Change(
                                        s.id(),
                                        s.with(
                                                new Action.Sanitize(
                                                        a.items(),
                                                        a.solution(),
                                                        Action.Method.CLOTH,
                                                        a.contact(),
                                                        a.readings())))),
                        Set.of("C26"),
                        Set.of(s.id()));
            }
        }
    }
}
