package orthopur.faults;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import orthopur.chemical.Chemical;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Pressure;
import orthopur.quantity.Temperature;

/** Wear parts, tired solutions, tired gloves, and a procedure that its sheet has left behind. */
final class UpkeepFaults {
    /** Longer than any mixed solution lives, in minutes. */
    private static final double OVER_NIGHT = 600;

    private final Reading r;
    private final Injector out;

    UpkeepFaults(Reading reading, Injector out) {
        this.r = reading;
        this.out = out;
    }

    void make() {
        Procedure p = r.procedure();
        out.whole(
                "other-version",
                "approved for another rule book",
                headed(p, p.sheetVersion(), "public-codes-0"),
                Set.of("R6"),
                Set.of());
        if (p.sheetVersion() > 1) {
            out.whole(
                    "other-version",
                    "written for an older sheet",
                    headed(p, p.sheetVersion() - 1, p.ruleBook()),
                    Set.of("R6"),
                    Set.of());
        }
        for (int i = 0; i < r.steps().size(); i++) {
            Step s = r.steps().get(i);
            switch (s.action()) {
                case Action.Install a -> a.items().forEach(item -> worn(s, item));
                case Action.WashHands a -> sameGloves(s, a);
                case Action.Circulate a -> pumped(s, a);
                case Action.RunProgram a -> sprayed(s, a);
                default -> {}
            }
            old(i, s);
        }
        hotFirst();
        upward();
        allAtOnce();
    }

    /** Pumped too slowly, the strength of what returns not read, a side chamber not purged. */
    private void pumped(Step s, Action.Circulate a) {
        Set<Action.Reading> unread = new LinkedHashSet<>(a.readings());
        unread.remove(Action.Reading.STRENGTH);
        for (Double slow : new Double[] {1.49, 1.0, 0.3, null}) {
            if (slow != null && twiceAsLong(a)) {
                // Slower and twice as long is as good: the pressure of a long line asks for it.
                continue;
            }
            out.changed(
                    "weaken",
                    slow == null ? "nobody says how fast" : "at " + slow + " m/s",
                    s,
                    new Action.Circulate(
                            a.items(),
                            a.solution(),
                            a.dwell(),
                            slow,
                            a.flow(),
                            a.readings(),
                            a.purged()),
                    "C16");
        }
        out.changed(
                "forget",
                "nobody says which way it flows",
                s,
                new Action.Circulate(
                        a.items(),
                        a.solution(),
                        a.dwell(),
                        a.velocity(),
                        null,
                        a.readings(),
                        a.purged()),
                "C16");
        if (unread.size() < a.readings().size() && a.solution().chemical() != null) {
            out.changed("forget", "what returns is not read", s, a.with(unread, a.purged()), "C24");
        }
        for (String chamber : a.purged()) {
            List<String> rest = a.purged().stream().filter(c -> !c.equals(chamber)).toList();
            out.changed("forget", chamber + " not purged", s, a.with(a.readings(), rest), "C24");
        }
    }

    private boolean twiceAsLong(Action.Circulate a) {
        Chemical c = r.chemicals().get(String.valueOf(a.chemical()));
        return c != null
                && c.label().contact() != null
                && a.dwell() != null
                && a.dwell().compareTo(c.label().contact().multipliedBy(2)) >= 0;
    }

    /** The last rinse of a washer too weak, too strong, or nobody says how strong. */
    private void sprayed(Step s, Action.RunProgram a) {
        if (a.program() != null || a.pressure() == null) {
            return;
        }
        for (Double kilopascals : new Double[] {34.9, 10.0, 200.1, 400.0, null}) {
            out.changed(
                    "weaken",
                    kilopascals == null ? "no pressure" : "at " + kilopascals + " kPa",
                    s,
                    new Action.RunProgram(
                            a.program(),
                            a.items(),
                            a.solution(),
                            a.lasting(),
                            a.finalRinse(),
                            kilopascals == null ? null : new Pressure(kilopascals),
                            a.complete(),
                            a.readings()),
                    "S14");
        }
    }

    /** Of parts that carry each other none is left on the machine. */
    private void allAtOnce() {
        Step off =
                r.steps().stream()
                        .filter(s -> s.action() instanceof Action.Remove)
                        .findFirst()
                        .orElse(null);
        Step back =
                r.steps().stream()
                        .filter(s -> s.action() instanceof Action.Install)
                        .reduce((a, b) -> b)
                        .orElse(null);
        r.sheet().parts().stream()
                .filter(p -> p.moving().oneAtATime() != null)
                .collect(
                        Collectors.groupingBy(
                                p -> p.moving().oneAtATime(),
                                TreeMap::new,
                                Collectors.mapping(Part::id, Collectors.toList())))
                .forEach(
                        (group, all) -> {
                            if (off != null && back != null) {
                                out.fault(
                                        "forget",
                                        "none of " + group + " stays on",
                                        List.of(
                                                new Edit.Change(off.id(), off.with(more(off, all))),
                                                new Edit.Change(
                                                        back.id(), back.with(more(back, all)))),
                                        Set.of("T15"),
                                        Set.of(off.id()));
                            }
                        });
    }

    private static Action more(Step s, List<String> parts) {
        Set<String> items = new LinkedHashSet<>(s.action().items());
        items.addAll(parts);
        return s.action().about(List.copyOf(items));
    }

    /** The very first water is hot, on soil that sets. */
    private void hotFirst() {
        boolean sets =
                r.sheet().soils().stream()
                        .map(x -> x.toLowerCase(Locale.ROOT))
                        .anyMatch(x -> x.equals("protein") || x.equals("starch"));
        int first =
                r.first(
                        0,
                        (s, a) ->
                                (a instanceof Action.Wash || a instanceof Action.Rinse)
                                        && a.items().stream()
                                                .flatMap(i -> r.surfaces(i).stream())
                                                .anyMatch(x -> x.zone() == 1));
        if (!sets || first < 0) {
            return;
        }
        Step s = r.steps().get(first);
        for (double hot : new double[] {75, 65, 61}) {
            Temperature t = new Temperature(hot);
            Step rinse =
                    new Step(
                            "zz-hot",
                            new Action.Rinse(
                                    s.action().items(),
                                    new Solution(null, null, t, null, null),
                                    Action.Method.FLOOD,
                                    Action.EndPoint.CLEAR),
                            "Rinse with hot water.",
                            null,
                            null,
                            1,
                            1);
            out.fault(
                    "strengthen",
                    "first water at " + hot + " °C",
                    List.of(new Edit.InsertBefore(s.id(), rinse)),
                    Set.of("C8"),
                    Set.of("zz-hot"));
        }
    }

    /** What hangs above is washed only after what it drips on. */
    private void upward() {
        for (int i = 0; i < r.steps().size(); i++) {
            Step upper = r.steps().get(i);
            for (int j = i + 1; j < r.steps().size(); j++) {
                Step lower = r.steps().get(j);
                if (upper.action() instanceof Action.Wash
                        && lower.action() instanceof Action.Wash
                        && dripsOn(upper, lower)
                        && !uncoveredBetween(i, j)) {
                    out.fault(
                            "move",
                            "from below: step " + (j + 1) + " before step " + (i + 1),
                            List.of(new Edit.Move(lower.id(), upper.id())),
                            Set.of("C9"),
                            Set.of(upper.id()));
                }
            }
        }
    }

    /** Whether parts come off in between: moved before that, it is another fault. */
    private boolean uncoveredBetween(int i, int j) {
        int off = r.first(i, (x, a) -> a instanceof Action.Remove);
        return off >= 0 && off < j;
    }

    /** Whether something that stays on the machine, washed here, drips on what is washed there. */
    private boolean dripsOn(Step upper, Step lower) {
        for (String item : lower.action().items()) {
            for (Surface s : r.surfaces(item)) {
                Part under = r.owner(s.id());
                Part over = s.above() == null ? null : r.owner(s.above());
                boolean stay =
                        under != null && over != null && !under.removable() && !over.removable();
                if (stay
                        && !r.names(upper, s)
                        && upper.action().items().stream()
                                .flatMap(x -> r.surfaces(x).stream())
                                .anyMatch(x -> x.id().equals(s.above()))) {
                    return true;
                }
            }
        }
        return false;
    }

    private static Procedure headed(Procedure p, int sheetVersion, String ruleBook) {
        return new Procedure(
                p.id(),
                p.title(),
                p.sheet(),
                sheetVersion,
                ruleBook,
                p.kind(),
                p.schools(),
                p.people(),
                p.ppe(),
                p.scope(),
                p.steps());
    }

    /** A new one that nobody has counted; of a pair, the one alone; put on unseen. */
    private void worn(Step s, String item) {
        Part part = r.part(item);
        if (part == null || part.fitting().wearCheck() == null) {
            return;
        }
        Step replaced =
                new Step(
                        "zz-new",
                        new Action.Replace(List.of(item)),
                        "A new one.",
                        null,
                        null,
                        1,
                        1);
        out.fault(
                "insert",
                "a new " + part.name() + " that nobody counted",
                List.of(new Edit.InsertBefore(s.id(), replaced)),
                Set.of("T16"),
                Set.of("zz-new"));
        if (part.fitting().pair() != null) {
            out.fault(
                    "insert",
                    "a new " + part.name() + " beside its worn partner",
                    List.of(new Edit.InsertBefore(s.id(), replaced)),
                    Set.of("T7"),
                    Set.of("zz-new"));
        }
        unseen(s, part);
    }

    private void unseen(Step s, Part part) {
        Set<String> names = new LinkedHashSet<>(Set.of(part.id()));
        part.surfaces().forEach(x -> names.add(x.id()));
        List<Edit> edits =
                r.steps().stream()
                        .filter(
                                x ->
                                        x.action() instanceof Action.Inspect
                                                && x.action().items().stream()
                                                        .anyMatch(names::contains))
                        .map(x -> (Edit) new Edit.Change(x.id(), x.with(less(x, names))))
                        .toList();
        boolean empties =
                edits.stream()
                        .anyMatch(
                                e ->
                                        e instanceof Edit.Change c
                                                && c.step().action().items().isEmpty());
        if (!edits.isEmpty() && !empties) {
            out.fault(
                    "forget",
                    part.name() + " goes on and nobody looked for wear",
                    edits,
                    Set.of("T7"),
                    Set.of(s.id()));
        }
    }

    private static Action less(Step s, Set<String> names) {
        return s.action()
                .about(s.action().items().stream().filter(i -> !names.contains(i)).toList());
    }

    /** Straight from the soil into the sanitizer. */
    private void sameGloves(Step s, Action.WashHands hands) {
        int at = r.steps().indexOf(s);
        for (int i = at + 1; i < r.steps().size(); i++) {
            Step next = r.steps().get(i);
            boolean touches = next.action().handsIn();
            if (next.action() instanceof Action.Sanitize z
                    && (z.method() == Action.Method.IMMERSE || z.method() == Action.Method.CLOTH)) {
                out.fault(
                        "drop",
                        "the gloves of step " + at + " go into the sanitizer",
                        List.of(new Edit.Delete(s.id())),
                        Set.of("C22"),
                        Set.of(next.id()));
                return;
            }
            if (touches || next.action() instanceof Action.WashHands) {
                return;
            }
        }
    }

    /** The same solution in the same vessel after a whole night. */
    private void old(int place, Step s) {
        Solution mixed = s.action().solution();
        Chemical c = r.chemicals().get(s.action().chemical() == null ? "" : s.action().chemical());
        if (mixed == null || mixed.vessel() == null || c == null) {
            return;
        }
        for (int i = place + 1; i < r.steps().size(); i++) {
            Step next = r.steps().get(i);
            if (next.action() instanceof Action.DrawOff d && d.places().contains(mixed.vessel())) {
                return;
            }
            Solution again = next.action().solution();
            if (again != null && mixed.vessel().equals(again.vessel())) {
                if (c.id().equals(again.chemical())) {
                    Step slow = s.withMinutes(OVER_NIGHT);
                    out.fault(
                            "weaken",
                            c.name() + " stands " + OVER_NIGHT + " min in " + mixed.vessel(),
                            List.of(new Edit.Change(s.id(), slow)),
                            Set.of("S10"),
                            Set.of(next.id()));
                }
                return;
            }
        }
    }
}
