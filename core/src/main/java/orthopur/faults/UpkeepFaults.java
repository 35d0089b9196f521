package orthopur.faults;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import orthopur.chemical.Chemical;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
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
                default -> {}
            }
            old(i, s);
        }
        hotFirst();
        upward();
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
        for (double hot : new double[] {65, 60, 44}) {
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
                        && dripsOn(upper, lower)) {
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
                .withItems(s.action().items().stream().filter(i -> !names.contains(i)).toList());
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
                    Step slow =
                            new Step(
                                    s.id(),
                                    s.action(),
                                    s.words(),
                                    s.because(),
                                    s.caution(),
                                    OVER_NIGHT,
                                    s.people(),
                                    s.when());
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
