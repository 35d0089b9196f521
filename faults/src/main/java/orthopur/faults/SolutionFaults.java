package orthopur.faults;

import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.chemical.MaterialTable;
import orthopur.machine.Limit;
import orthopur.machine.Passage;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Ph;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;

/** Too weak, too cold, too short, not stated, the wrong product, the wrong place. */
final class SolutionFaults {
    /** What runs in the lines of one machine or another, and what runs in none. */
    private static final List<String> DRINKS =
            List.of(
                    "another drink",
                    "horchata",
                    "almond horchata",
                    "ginger tea",
                    "ginger lemon tea",
                    "ginger",
                    "plain",
                    "lemonade",
                    "still water",
                    "water");

    private static final double[] SOUR = {3, 4.5, 5.9};
    private static final double[] SHARES = {
        0.02, 0.1, 0.25, 0.4, 0.5, 0.6, 0.75, 0.85, 0.9, 0.95, 0.98, 0.99
    };

    private final Reading r;
    private final Injector out;
    private final Procedure p;

    SolutionFaults(Reading reading, Injector out) {
        this.r = reading;
        this.out = out;
        this.p = reading.procedure();
    }

    void make() {
        for (int i = 0; i < r.steps().size(); i++) {
            Step s = r.steps().get(i);
            Chemical c =
                    r.chemicals().get(s.action().chemical() == null ? "" : s.action().chemical());
            switch (s.action()) {
                case Action.Sanitize a when c != null && besideFood(a) -> beside(s, a, c);
                case Action.Sanitize a when c != null -> sanitized(i, s, a, c);
                case Action.Wash a when c != null -> washed(s, a, c);
                case Action.Soak a when c != null -> soaked(i, s, a, c);
                case Action.Rinse a -> rinsed(s, a);
                case Action.ChaseOut a -> chased(i, s, a);
                case Action.DrawOff a when a.washedOut() -> vessel(i, s, a);
                default -> {}
            }
            if (c != null) {
                bare(i, c);
            }
        }
    }

    private Action.Sanitize with(Action.Sanitize a, Solution solution) {
        return new Action.Sanitize(a.items(), solution, a.method(), a.contact(), a.readings());
    }

    /** Whether a step sanitizes only what touches no food: gullies, foot baths. */
    private boolean besideFood(Action.Sanitize a) {
        return !a.items().isEmpty()
                && a.items().stream()
                        .flatMap(x -> r.surfaces(x).stream())
                        .allMatch(f -> f.zone() >= 3);
    }

    /** There the label's figure for that use holds; no food-contact limit does. */
    private void beside(Step s, Action.Sanitize a, Chemical c) {
        Solution x = a.solution();
        a.items().stream()
                .flatMap(i -> r.surfaces(i).stream())
                .map(f -> c.label().other(f.use()))
                .filter(o -> o != null && o.least() instanceof Strength)
                .distinct()
                .forEach(
                        o -> {
                            for (double f : SHARES) {
                                double mg = Math.floor(((Strength) o.least()).mgPerL() * f);
                                out.changed(
                                        "weaken",
                                        mg + " mg/L",
                                        s,
                                        with(a, x.withStrength(new Strength(mg))),
                                        "S15");
                            }
                            if (o.most() instanceof Strength most) {
                                out.changed(
                                        "strengthen",
                                        "twice the label",
                                        s,
                                        with(a, x.withStrength(new Strength(most.mgPerL() * 2))),
                                        "S15");
                            }
                        });
        Solution unsaid =
                new Solution(x.chemical(), null, x.temperature(), x.ph(), x.volume(), x.vessel());
        out.changed("not-stated", "strength", s, with(a, unsaid), "S15");
    }

    private void sanitized(int place, Step s, Action.Sanitize a, Chemical c) {
        Solution x = a.solution();
        for (Chemical other : r.chemicals().values()) {
            if (other.kind().sanitizes()) {
                Solution in =
                        new Solution(
                                other.id(),
                                x.strength(),
                                x.temperature(),
                                x.ph(),
                                x.volume(),
                                x.vessel());
                unborne(s, a.items(), other, with(a, in));
            }
        }
        Set<String> here = Set.of(s.id());
        if (c.label().least() instanceof Strength least) {
            for (double f : SHARES) {
                double mg = Math.floor(least.mgPerL() * f * 100) / 100;
                out.changed(
                        "weaken", mg + " mg/L", s, with(a, x.withStrength(new Strength(mg))), "S1");
            }
        }
        if (c.label().most() instanceof Strength most) {
            for (double f : new double[] {1.01, 1.1, 1.5, 2, 5, 10}) {
                out.changed(
                        "strengthen",
                        most.mgPerL() * f + " mg/L",
                        s,
                        with(a, x.withStrength(new Strength(most.mgPerL() * f))),
                        "S2");
            }
        }
        Temperature least =
                c.label().leastTemperature() == null
                        ? new Temperature(13)
                        : c.label().leastTemperature();
        for (double f : SHARES) {
            out.changed(
                    "weaken",
                    "cold",
                    s,
                    with(a, x.withTemperature(new Temperature(least.celsius() * f))),
                    "S1");
        }
        if (x.temperature() != null) {
            out.changed(
                    "other-unit",
                    "°F for °C",
                    s,
                    with(a, x.withTemperature(Temperature.ofFahrenheit(x.temperature().celsius()))),
                    "S1");
        }
        out.changed("other-unit", "% for mg/L", s, with(a, x.withStrength(new Share(2))), "S1");
        out.changed(
                "not-stated",
                "strength",
                s,
                with(
                        a,
                        new Solution(
                                x.chemical(),
                                null,
                                x.temperature(),
                                x.ph(),
                                x.volume(),
                                x.vessel())),
                "S1");
        out.changed(
                "not-stated",
                "temperature",
                s,
                with(
                        a,
                        new Solution(
                                x.chemical(), x.strength(), null, x.ph(), x.volume(), x.vessel())),
                "S1");
        out.changed(
                "not-stated",
                "product",
                s,
                with(
                        a,
                        new Solution(
                                null,
                                x.strength(),
                                x.temperature(),
                                x.ph(),
                                x.volume(),
                                x.vessel())),
                "S1");
        out.changed(
                "not-stated",
                "how much is made",
                s,
                with(
                        a,
                        new Solution(
                                x.chemical(),
                                x.strength(),
                                x.temperature(),
                                x.ph(),
                                null,
                                x.vessel())),
                madeBefore(place, x) ? Set.of() : Set.of("S12"),
                Set.of(s.id()));
        if (c.kind() == ChemicalKind.CHLORINE) {
            out.changed(
                    "not-stated",
                    "pH",
                    s,
                    with(
                            a,
                            new Solution(
                                    x.chemical(),
                                    x.strength(),
                                    x.temperature(),
                                    null,
                                    x.volume(),
                                    x.vessel())),
                    "S1");
            for (double ph : new double[] {10.1, 11, 12.5}) {
                out.changed(
                        "weaken",
                        "pH " + ph,
                        s,
                        with(
                                a,
                                new Solution(
                                        x.chemical(),
                                        x.strength(),
                                        x.temperature(),
                                        new Ph(ph),
                                        x.volume(),
                                        x.vessel())),
                        "S1");
            }
        }
        for (Chemical other : r.chemicals().values()) {
            if (other.kind().washes()) {
                Set<String> rules =
                        other.ppe().stream().allMatch(p.ppe()::contains) ? Set.of("S1") : Set.of();
                out.changed(
                        "other-chemical",
                        other.name() + " for the sanitizer",
                        s,
                        with(
                                a,
                                new Solution(
                                        other.id(),
                                        x.strength(),
                                        x.temperature(),
                                        x.ph(),
                                        x.volume(),
                                        x.vessel())),
                        rules.isEmpty() ? Set.of("S1") : rules,
                        here);
            }
        }
        Duration needed = c.label().contact();
        if (needed != null) {
            for (double f : SHARES) {
                long seconds = (long) Math.floor(needed.getSeconds() * f);
                out.changed(
                        "weaken",
                        seconds + " s of contact",
                        s,
                        new Action.Sanitize(
                                a.items(),
                                x,
                                a.method(),
                                Duration.ofSeconds(seconds),
                                a.readings()),
                        "S3");
            }
        }
        out.changed(
                "not-stated",
                "contact",
                s,
                new Action.Sanitize(a.items(), x, a.method(), null, a.readings()),
                "S3");
        for (Action.Reading reading :
                List.of(Action.Reading.STRENGTH, Action.Reading.TEMPERATURE)) {
            Set<Action.Reading> fewer = new HashSet<>(a.readings());
            fewer.remove(reading);
            out.changed(
                    "forget",
                    reading + " not read",
                    s,
                    new Action.Sanitize(a.items(), x, a.method(), a.contact(), fewer),
                    "S9");
        }
        fumes(s, a);
        for (double t : new double[] {60, 65, 70, 74, 76.9}) {
            out.changed(
                    "other-chemical",
                    "water at " + t + " °C",
                    s,
                    with(a, new Solution(null, null, new Temperature(t), null, x.volume(), null)),
                    "S8");
        }
        for (long t : new long[] {1, 10, 20, 29}) {
            out.changed(
                    "other-chemical",
                    "hot water for " + t + " s",
                    s,
                    new Action.Sanitize(
                            a.items(),
                            new Solution(null, null, new Temperature(80), null, x.volume(), null),
                            a.method(),
                            Duration.ofSeconds(t),
                            a.readings()),
                    "S8");
        }
        out.benign(
                "lengthen",
                "longer contact",
                new Edit.Change(
                        s.id(),
                        s.with(
                                new Action.Sanitize(
                                        a.items(),
                                        x,
                                        a.method(),
                                        Duration.ofMinutes(20),
                                        a.readings()))));
        acid(place, s, a, c);
        clash(s, a, c);
    }

    /** Whether that vessel was filled with it by a step before, which says how much. */
    private boolean madeBefore(int place, Solution x) {
        return x.vessel() != null
                && r.steps().subList(0, place).stream()
                        .map(Step::action)
                        .filter(Action.Sanitize.class::isInstance)
                        .map(b -> ((Action.Sanitize) b).solution())
                        .anyMatch(
                                b ->
                                        Objects.equals(b.vessel(), x.vessel())
                                                && Objects.equals(b.chemical(), x.chemical())
                                                && b.volume() != null);
    }

    /** Acid onto what chlorine has just wetted. */
    private void acid(int place, Step s, Action.Sanitize a, Chemical c) {
        if (!c.kind().chlorinated() || place + 1 >= r.steps().size()) {
            return;
        }
        String next = r.steps().get(place + 1).id();
        for (String item : a.items()) {
            for (Chemical other : r.chemicals().values()) {
                if (other.kind().acidic()) {
                    Step acid =
                            new Step(
                                    "zz-acid",
                                    new Action.Wash(
                                            List.of(item),
                                            new Solution(
                                                    other.id(),
                                                    new Share(2),
                                                    new Temperature(45),
                                                    null,
                                                    new Volume(2)),
                                            a.method() == Action.Method.FLOOD
                                                    ? a.method()
                                                    : Action.Method.CLOTH),
                                    "Descale it.",
                                    null,
                                    null,
                                    1,
                                    1);
                    out.fault(
                            "insert",
                            other.name() + " on " + item + " after chlorine",
                            List.of(new Edit.InsertBefore(next, acid)),
                            Set.of("S4"),
                            Set.of("zz-acid"));
                }
            }
        }
    }

    /** The sanitizer poured into a sink that still holds another product. */
    private void clash(Step s, Action.Sanitize a, Chemical c) {
        for (Chemical other : r.chemicals().values()) {
            boolean gas =
                    c.kind().chlorinated() && other.kind().acidic()
                            || other.kind().chlorinated()
                                    && (c.kind().acidic() || c.kind() == ChemicalKind.QUAT);
            if (other.id().equals(c.id())
                    || other.kind().lubricates()
                    || other.kind().sanitizes()
                            && c.kind() == ChemicalKind.CHLORINE
                            && !gas
                            && other.kind() != ChemicalKind.QUAT) {
                continue;
            }
            boolean bad =
                    gas || c.kind() == ChemicalKind.CHLORINE && other.kind() == ChemicalKind.QUAT;
            Surface some = r.surfaces(a.items().getFirst()).getFirst();
            Step out1 =
                    new Step(
                            "zz-out",
                            new Action.DrawOff(List.of(), List.of("zz tub"), true),
                            "Wash the tub out.",
                            null,
                            null,
                            1,
                            1);
            Step fill =
                    new Step(
                            "zz-fill",
                            new Action.Wash(
                                    List.of(some.id()),
                                    new Solution(
                                            other.id(),
                                            new Share(1),
                                            new Temperature(45),
                                            null,
                                            new Volume(9),
                                            "zz tub"),
                                    Action.Method.CLOTH),
                            "Fill.",
                            null,
                            null,
                            1,
                            1);
            Step rinse =
                    new Step(
                            "zz-rinse",
                            new Action.Rinse(
                                    List.of(some.id()),
                                    new Solution(null, null, null, null, null),
                                    Action.Method.CLOTH,
                                    Action.EndPoint.TAP_PH),
                            "Rinse.",
                            null,
                            null,
                            1,
                            1);
            Step look =
                    new Step(
                            "zz-look",
                            new Action.Inspect(List.of(some.id())),
                            "Look.",
                            null,
                            null,
                            1,
                            1);
            Solution x = a.solution();
            Solution inTub =
                    new Solution(
                            x.chemical(),
                            x.strength(),
                            x.temperature(),
                            x.ph(),
                            x.volume(),
                            "zz tub");
            out.fault(
                    "other-place",
                    c.name() + " onto " + other.name() + " in a tub",
                    List.of(
                            new Edit.InsertBefore(s.id(), out1),
                            new Edit.InsertBefore(s.id(), fill),
                            new Edit.InsertBefore(s.id(), rinse),
                            new Edit.InsertBefore(s.id(), look),
                            new Edit.Change(s.id(), s.with(with(a, inTub)))),
                    bad ? Set.of("S4") : Set.of("S13", "S4"),
                    Set.of(s.id()));
        }
    }

    private void washed(Step s, Action.Wash a, Chemical c) {
        Set<String> here = Set.of(s.id());
        Solution x = a.solution();
        Temperature least =
                c.label().leastTemperature() == null
                        ? new Temperature(43)
                        : c.label().leastTemperature();
        for (double f : SHARES) {
            out.changed(
                    "weaken",
                    "cold wash",
                    s,
                    wash(a, x.withTemperature(new Temperature(least.celsius() * f))),
                    "S7");
        }
        out.changed(
                "not-stated",
                "wash temperature",
                s,
                wash(
                        a,
                        new Solution(
                                x.chemical(), x.strength(), null, x.ph(), x.volume(), x.vessel())),
                "S7");
        out.changed(
                "not-stated",
                "strength of the wash",
                s,
                wash(
                        a,
                        new Solution(
                                x.chemical(),
                                null,
                                x.temperature(),
                                x.ph(),
                                x.volume(),
                                x.vessel())),
                "S12");
        if (c.label().least() instanceof Share low && c.label().most() instanceof Share high) {
            out.changed(
                    "weaken",
                    "thin wash",
                    s,
                    wash(a, x.withStrength(new Share(low.percent() * 0.9))),
                    "S15");
            if (high.percent() < 90) {
                out.changed(
                        "strengthen",
                        "thick wash",
                        s,
                        wash(a, x.withStrength(new Share(high.percent() * 1.1))),
                        "S15");
            }
        }
        for (Chemical other : r.chemicals().values()) {
            forbidden(s, a, other);
        }
        for (Action.Method m : Action.Method.values()) {
            limit(s, a.items(), m, by(a, m));
        }
    }

    /** A material that does not bear what it lies in, or is sanitized with. */
    private void unborne(Step s, List<String> items, Chemical other, Action changed) {
        if (bears(items.stream().flatMap(i -> r.surfaces(i).stream()).toList(), other)) {
            return;
        }
        out.changed(
                "other-chemical",
                other.name() + " on a material that does not bear it",
                s,
                changed,
                "S5");
    }

    private static boolean bears(List<Surface> named, Chemical other) {
        return named.stream()
                .flatMap(x -> x.materials().stream())
                .noneMatch(
                        m ->
                                MaterialTable.ROWS.stream()
                                        .anyMatch(row -> row.excludes(other.kind(), m)));
    }

    /** A product that sheet or material forbids. */
    private void forbidden(Step s, Action.Wash a, Chemical other) {
        List<Surface> named = a.items().stream().flatMap(i -> r.surfaces(i).stream()).toList();
        boolean caustic =
                other.kind() == ChemicalKind.CAUSTIC
                        || other.kind() == ChemicalKind.ALKALINE_DETERGENT
                        || other.kind() == ChemicalKind.CHLORINATED_ALKALINE;
        boolean limit =
                named.stream()
                        .anyMatch(
                                x ->
                                        caustic && x.limits().contains(Limit.NO_CAUSTIC)
                                                || other.kind().chlorinated()
                                                        && x.limits().contains(Limit.NO_CHLORINE)
                                                || x.banned().contains(other.id()));
        boolean material = !bears(named, other);
        Solution x = a.solution();
        Action changed =
                wash(
                        a,
                        new Solution(
                                other.id(),
                                new Share(1),
                                x.temperature(),
                                x.ph(),
                                x.volume(),
                                x.vessel()));
        if (limit) {
            out.changed(
                    "other-chemical",
                    other.name() + " where the sheet forbids it",
                    s,
                    changed,
                    "S6");
        }
        for (String item : material && a.items().size() > 1 ? a.items() : List.<String>of()) {
            if (!bears(r.surfaces(item), other)) {
                Action alone =
                        wash(
                                new Action.Wash(
                                        List.of(item), x, a.method(), a.tool(), a.direction()),
                                new Solution(
                                        other.id(),
                                        new Share(1),
                                        x.temperature(),
                                        x.ph(),
                                        x.volume(),
                                        null));
                out.fault(
                        "other-chemical",
                        item + " washed with " + other.name() + " as well",
                        List.of(new Edit.InsertBefore(s.id(), s.withId("as-well").with(alone))),
                        Set.of("S5"),
                        Set.of("as-well"));
            }
        }
        if (material) {
            out.changed(
                    "other-chemical",
                    other.name() + " on a material that does not bear it",
                    s,
                    changed,
                    "S5");
        }
        if (other.kind() == ChemicalKind.CAUSTIC || other.kind() == ChemicalKind.ACID) {
            boolean first =
                    r.steps().stream().noneMatch(y -> other.id().equals(y.action().chemical()));
            if (first && !p.ppe().containsAll(other.ppe())) {
                out.changed(
                        "other-chemical", other.name() + " without its gloves", s, changed, "L12");
            }
        }
    }

    /** A way of bringing water that the sheet forbids. */
    private void limit(Step s, List<String> items, Action.Method m, Action changed) {
        List<Surface> named = items.stream().flatMap(i -> r.surfaces(i).stream()).toList();
        boolean broken =
                named.stream()
                        .anyMatch(
                                x ->
                                        switch (m) {
                                            case HOSE, SPRAY, FLOOD ->
                                                    x.limits().contains(Limit.NO_HOSE);
                                            case PRESSURE ->
                                                    x.limits().contains(Limit.NO_PRESSURE)
                                                            || x.limits().contains(Limit.NO_HOSE);
                                            case IMMERSE -> x.limits().contains(Limit.NO_IMMERSION);
                                            case WASHER ->
                                                    x.limits().contains(Limit.NO_MACHINE_WASH);
                                            default -> false;
                                        });
        if (broken) {
            out.changed(
                    "other-way", m + " where the sheet forbids it at " + s.id(), s, changed, "S6");
        }
    }

    /** Sour chlorine, and a sanitizer so hot that it goes into the air. */
    private void fumes(Step s, Action.Sanitize a) {
        Chemical c = r.chemicals().get(String.valueOf(a.solution().chemical()));
        if (c == null || c.kind() == ChemicalKind.QUAT || !c.kind().sanitizes()) {
            return;
        }
        for (double ph : c.kind() == ChemicalKind.CHLORINE ? SOUR : new double[0]) {
            out.changed("weaken", "at pH " + ph, s, with(a, a.solution().withPh(new Ph(ph))), "S4");
        }
        for (double t : new double[] {49.5, 55, 65}) {
            Solution hot = a.solution().withTemperature(new Temperature(t));
            out.changed("weaken", "sanitizer at " + t + " °C", s, with(a, hot), "S4");
        }
    }

    private void rinsed(Step s, Action.Rinse a) {
        for (Action.Method m : Action.Method.values()) {
            limit(s, a.items(), m, new Action.Rinse(a.items(), a.water(), m, a.endPoint()));
        }
    }

    private void soaked(int place, Step s, Action.Soak a, Chemical c) {
        Solution x = a.solution();
        for (Chemical other : r.chemicals().values()) {
            Solution in =
                    new Solution(
                            other.id(),
                            new Share(1),
                            x.temperature(),
                            x.ph(),
                            x.volume(),
                            x.vessel());
            unborne(s, a.items(), other, new Action.Soak(a.items(), in, a.dwell()));
        }
        Duration needed = c.label().contact();
        if (needed != null) {
            for (double f : SHARES) {
                out.changed(
                        "weaken",
                        "short soak",
                        s,
                        new Action.Soak(
                                a.items(),
                                a.solution(),
                                Duration.ofSeconds((long) (needed.getSeconds() * f))),
                        "S15");
            }
        }
        boolean lime =
                a.items().stream().flatMap(i -> r.surfaces(i).stream()).anyMatch(Surface::limed);
        if (lime && c.kind() == ChemicalKind.ACID) {
            out.fault(
                    "drop",
                    "no acid on the lime",
                    List.of(new Edit.Delete(s.id())),
                    Set.of("C1"),
                    Set.of());
        }
        int collect = r.first(place, (z, y) -> y instanceof Action.Collect);
        if (collect >= 0) {
            out.fault(
                    "drop",
                    "soak never collected",
                    List.of(new Edit.Delete(r.steps().get(collect).id())),
                    Set.of("C21"),
                    Set.of());
        }
    }

    /** What stays in a passage: what draining leaves, all of it where it was not drained. */
    private Volume left(int place, Passage k) {
        for (int i = place - 1; i >= 0; i--) {
            Action a = r.steps().get(i).action();
            if (a instanceof Action.DrawOff && a.items().contains(k.id()) && k.leaves() != null) {
                return k.leaves();
            }
            if (a instanceof Action.Sanitize && a.items().contains(k.id())) {
                return k.volume();
            }
        }
        return k.volume();
    }

    private void chased(int place, Step s, Action.ChaseOut a) {
        for (String item : a.items()) {
            for (Passage k : r.sheet().passages()) {
                if (k.id().equals(item)) {
                    double left = left(place, k).litres();
                    for (double f : new double[] {0.1, 0.5, 1, 1.2, 1.4, 1.49}) {
                        out.changed(
                                "weaken",
                                f + " × what is left in it",
                                s,
                                new Action.ChaseOut(
                                        a.items(), Volume.ofLitres(left * f), a.product()),
                                "C15");
                    }
                    out.changed(
                            "not-stated",
                            "how much is thrown away",
                            s,
                            new Action.ChaseOut(a.items(), null, a.product()),
                            "C15");
                    for (String other : DRINKS) {
                        if (!other.equals(k.product())) {
                            out.changed(
                                    "swap",
                                    other + " where something else runs",
                                    s,
                                    new Action.ChaseOut(a.items(), a.volume(), other),
                                    "C17");
                        }
                    }
                    out.changed(
                            "not-stated",
                            "the product",
                            s,
                            new Action.ChaseOut(a.items(), a.volume(), null),
                            "C17");
                }
            }
        }
        out.fault(
                "drop",
                "not chased out",
                List.of(new Edit.Delete(s.id())),
                Set.of("C15"),
                Set.of());
    }

    private void vessel(int place, Step s, Action.DrawOff a) {
        int use =
                r.first(
                        place,
                        (x, y) ->
                                y.solution() != null
                                        && y.solution().vessel() != null
                                        && a.places().contains(y.solution().vessel()));
        if (use >= 0) {
            out.fault(
                    "drop",
                    "not washed out: " + a.places(),
                    List.of(new Edit.Delete(s.id())),
                    Set.of("C23"),
                    Set.of(r.steps().get(use).id()));
            out.fault(
                    "weaken",
                    "emptied and not washed out: " + a.places(),
                    List.of(
                            new Edit.Change(
                                    s.id(),
                                    s.with(new Action.DrawOff(a.items(), a.places(), false)))),
                    Set.of("C23"),
                    Set.of(r.steps().get(use).id()));
        }
    }

    /** Without one piece of a product's protective equipment. */
    private void bare(int place, Chemical c) {
        int first = r.first(0, (x, y) -> c.id().equals(y.chemical()));
        if (first != place) {
            return;
        }
        for (String thing : c.ppe()) {
            List<String> rest = p.ppe().stream().filter(x -> !x.contains(thing)).toList();
            Procedure bare = p.withPpe(rest);
            out.whole(
                    "weaken",
                    "no " + thing + " for " + c.name(),
                    bare,
                    Set.of("L12"),
                    Set.of(r.steps().get(place).id()));
        }
    }

    private static Action.Wash wash(Action.Wash a, Solution x) {
        return new Action.Wash(a.items(), x, a.method(), a.tool(), a.direction());
    }

    private static Action by(Action.Wash a, Action.Method m) {
        return new Action.Wash(a.items(), a.solution(), m, a.tool(), a.direction());
    }
}
