package orthopur.faults;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import orthopur.machine.Check;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Step;

/**
 * The right thing at the wrong moment: hands in a moment before it is proved dead, a look while it
 * still runs, a check while it has no power or is in pieces, somebody who steps up in between.
 */
final class TimingFaults {
    private final Reading r;
    private final Injector out;

    TimingFaults(Reading reading, Injector out) {
        this.r = reading;
        this.out = out;
    }

    void make() {
        for (Energy e : r.sheet().energies()) {
            if (!e.keepLive()) {
                early(e);
                running(e);
                company(e);
            }
        }
        r.sheet().checks().forEach(this::inPieces);
    }

    private static Step fresh(String id, Action action) {
        return new Step(id, action, "", null, null, 1, 1);
    }

    private static boolean safe(Action a) {
        return a instanceof Action.Isolate
                || a instanceof Action.Lock
                || a instanceof Action.Relieve
                || a instanceof Action.Prove
                || a instanceof Action.CoolDown;
    }

    /** The first hands in an energy's reach go in before its last act of making safe. */
    private void early(Energy e) {
        Step hands = r.handsIn(0, e);
        if (hands == null) {
            return;
        }
        int there = r.steps().indexOf(hands);
        for (int i = 0; i < there; i++) {
            Step s = r.steps().get(i);
            boolean counts = safe(s.action()) && s.action().energies().contains(e.id());
            if (counts && onPath(e, s.action())) {
                out.fault(
                        "across",
                        hands.id() + " before " + s.id() + " of " + e.name(),
                        List.of(new Edit.Move(hands.id(), s.id())),
                        e.kind() == EnergyKind.HEAT ? Set.of("L8") : Set.of("L1", "L4"),
                        Set.of(hands.id()));
            }
        }
    }

    private boolean onPath(Energy e, Action a) {
        return e.kind().path(r.procedure().people()).stream()
                .anyMatch(
                        x ->
                                switch (x) {
                                    case UNPLUGGED, ISOLATED -> a instanceof Action.Isolate;
                                    case LOCKED -> a instanceof Action.Lock;
                                    case RELIEVED -> a instanceof Action.Relieve;
                                    case PROVED -> a instanceof Action.Prove;
                                    case COOLED -> a instanceof Action.CoolDown;
                                    default -> false;
                                });
    }

    /** Marking, looking, brushing, collecting in its reach while it has not been stopped. */
    private void running(Energy e) {
        boolean drives = e.kind() == EnergyKind.CORD || e.kind() == EnergyKind.SUPPLIED;
        int stop =
                r.first(
                        0,
                        (s, a) ->
                                a instanceof Action.Operate o
                                        && o.mode() == Action.Mode.STOP
                                        && o.energies().contains(e.id()));
        if (!drives || stop < 0) {
            return;
        }
        for (String part : e.zone()) {
            List<String> one = List.of(part);
            for (Action a :
                    List.of(
                            new Action.Mark(one),
                            new Action.Inspect(one),
                            new Action.DryClean(one),
                            new Action.Dry(one, Action.Drying.TOWEL, null))) {
                out.fault(
                        "state",
                        a.verb() + " " + part + " while it runs",
                        List.of(
                                new Edit.InsertBefore(
                                        r.steps().get(stop).id(), fresh("zz-hands", a))),
                        Set.of("L1", "L6"),
                        Set.of("zz-hands"));
            }
        }
    }

    /** A second person joins at one step: a plug in sight is in nobody's sole control then. */
    private void company(Energy e) {
        if (r.procedure().people() > 1 || r.steps().stream().anyMatch(s -> s.people() > 1)) {
            return;
        }
        Step hands = r.handsIn(0, e);
        if (hands == null) {
            return;
        }
        boolean cord = e.kind() == EnergyKind.CORD;
        boolean plugged = r.first(0, (s, a) -> a instanceof Action.Lock) < 0;
        for (int i = r.steps().indexOf(hands); i < r.steps().size() && cord && plugged; i++) {
            Step s = r.steps().get(i);
            if (s.action() instanceof Action.Restore) {
                return;
            }
            if (s.action().handsIn() && reaches(s, e)) {
                Step two =
                        new Step(
                                s.id(),
                                s.action(),
                                s.words(),
                                s.because(),
                                s.caution(),
                                s.minutes(),
                                2,
                                s.when());
                out.fault(
                        "person",
                        "a second person at " + s.id() + ", the plug lies unlocked",
                        List.of(new Edit.Change(s.id(), two)),
                        Set.of("L1"),
                        Set.of());
            }
        }
    }

    private boolean reaches(Step s, Energy e) {
        return s.action().items().stream()
                .map(r::owner)
                .anyMatch(p -> p != null && e.zone().contains(p.id()));
    }

    /** Each check while each part that it needs is off. */
    private void inPieces(Check c) {
        Set<String> needed = new LinkedHashSet<>(c.needs());
        needed.add(c.part());
        for (String part : needed) {
            Part p = r.part(part);
            int on = r.first(0, (s, a) -> a instanceof Action.Install && a.items().contains(part));
            int off = r.first(0, (s, a) -> a instanceof Action.Remove && a.items().contains(part));
            if (p == null || off < 0 || on <= off) {
                continue;
            }
            List<Step> between = new ArrayList<>(r.steps().subList(off + 1, on + 1));
            for (int i = 0; i < between.size(); i += Math.max(1, between.size() / 6)) {
                out.fault(
                        "state",
                        c.name() + " while " + part + " is off",
                        List.of(
                                new Edit.InsertBefore(
                                        between.get(i).id(),
                                        fresh("zz-check", new Action.Measure(List.of(c.id()))))),
                        Set.of("T9"),
                        Set.of("zz-check"));
            }
        }
    }
}
