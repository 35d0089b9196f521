package orthopur.drafting;

import static java.util.stream.Collectors.toSet;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import orthopur.machine.EndState;
import orthopur.machine.Hazard;
import orthopur.machine.Limit;
import orthopur.machine.Part;
import orthopur.machine.Passage;
import orthopur.machine.Surface;
import orthopur.machine.Vessel;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.runthrough.SheetIndex;

/**
 * From loose soil to dry: what is done to the surfaces, in the order in which one step holds the
 * next.
 */
final class CleanChain {
    private static final Duration DRYING = Duration.ofMinutes(20);
    private static final Duration OVERNIGHT = Duration.ofHours(6);
    private static final Duration SOAKING = Duration.ofMinutes(10);
    private static final Set<String> SOAKS = Set.of("sink", "bath", "tub");
    private static final Set<String> STICKS = Set.of("protein", "starch", "fat", "sugar");
    private static final Temperature LUKEWARM = new Temperature(40);
    private static final String FLOOR_BRUSH = "floor brush";
    private static final String OUTSIDE_BRUSH = "brush for outsides";
    private static final String BRUSH = "nylon brush";
    private static final String CLOTH = "wiping cloth";
    private static final Set<String> SETS = Set.of("protein", "starch");

    private final Work work;
    private final Script script;

    CleanChain(Work work, Script script) {
        this.work = work;
        this.script = script;
    }

    void wash() {
        List<Part> passing = work.passing();
        for (Part p : passing) {
            turn(p);
            script.moving(
                    p,
                    new Action.DryClean(work.items(on(List.of(p)))),
                    "Brush off what is loose on this length: " + SheetIndex.spoken(p.name()));
            script.loop(p.id() + "-brushed", 2);
        }
        List<Surface> standing = without(passing);
        script.add(
                new Action.DryClean(work.items(standing)),
                "Brush and scrape off all that is loose, from the top down: "
                        + Words.surfaces(standing),
                "What is left now turns to paste in the water.",
                null,
                standing.size());
        boolean sets =
                work.sheet.soils().stream()
                        .anyMatch(s -> SETS.contains(s.toLowerCase(Locale.ROOT)));
        if (sets) {
            rinse(
                    standing,
                    work.poured(work.passages()),
                    "Rinse with lukewarm water first",
                    Action.EndPoint.CLEAR);
        }
        descale();
        Map<Soaking, List<Part>> soaks = soaks();
        soaks.forEach(this::soak);
        List<Part> soaking = soaks.values().stream().flatMap(List::stream).toList();
        List<Part> apart = new ArrayList<>(soaking);
        apart.addAll(passing);
        List<Surface> last = lowest(without(apart));
        List<Surface> first = without(apart).stream().filter(s -> !last.contains(s)).toList();
        downwards(first).forEach(this::washGroup);
        passing.forEach(this::washLengths);
        if (!soaking.isEmpty()) {
            script.add(
                    new Action.Collect(Work.partIds(soaking)),
                    "Take out, once the time is up, and count: " + Words.parts(soaking),
                    "What is forgotten in the water is missed in the morning.");
            List<String> sinks =
                    soaks.keySet().stream()
                            .map(how -> how.vessel().name())
                            .filter(this::sink)
                            .distinct()
                            .toList();
            if (!sinks.isEmpty()) {
                script.add(
                        new Action.DrawOff(List.of(), sinks, true),
                        "Let the water out and rinse: " + String.join("; ", sinks),
                        "Nothing is rinsed over the water in which it soaked.");
            }
            downwards(on(soaking)).forEach(this::washGroup);
        }
        downwards(last).forEach(this::washGroup);
        // Parts of a passage may have soaked.
        work.poured(work.passages()).forEach(this::flush);
        rinse(standing, work.poured(work.passages()), "Rinse", Action.EndPoint.NO_SUDS);
        untilTapPh(work.poured(work.passages(work.enclosed)));
    }

    /**
     * Lines that only their pump fills: with power on, everything on that closes them, nobody near.
     */
    void lines() {
        rinse(List.of(), work.pumped(), "Rinse with lukewarm water first", Action.EndPoint.CLEAR);
        work.pumped().forEach(this::flush);
        untilTapPh(work.pumped());
        handsClean = false;
        fill(work.pumped());
    }

    private void untilTapPh(List<Passage> some) {
        if (some.isEmpty()) {
            return;
        }
        script.things.add("pH strips");
        script.add(
                new Action.Rinse(
                        some.stream().map(Passage::id).toList(),
                        new Solution(null, null, LUKEWARM, null, new Volume(20)),
                        Action.Method.FLOOD,
                        Action.EndPoint.TAP_PH),
                "Flush until the strip shows what it shows in tap water: " + Words.passages(some),
                "Nobody can look inside; clear water can still hold detergent.",
                null,
                5);
    }

    /** Floors, feet and tables below, after which no glove touches what food touches. */
    private List<Surface> lowest(List<Surface> some) {
        return some.stream()
                .filter(s -> s.zone() >= 3)
                .filter(s -> some.stream().noneMatch(o -> s.id().equals(o.above())))
                .toList();
    }

    /**
     * What is washed alike in one step, from the top down. Where two such steps would drip on each
     * other, they are parted by how high they hang.
     */
    private Map<Washing, List<Surface>> downwards(List<Surface> some) {
        Comparator<Surface> fromTheTop =
                Comparator.comparingInt(s -> s.zone() >= 3 ? 1000 + depth(s) : depth(s));
        List<Surface> sorted = some.stream().sorted(fromTheTop).toList();
        Map<Washing, List<Surface>> alike = Means.grouped(sorted, s -> washing(s, 0));
        if (!drips(alike)) {
            return alike;
        }
        List<Surface> byHeight =
                some.stream().sorted(Comparator.comparingInt(this::depth)).toList();
        return Means.grouped(byHeight, s -> washing(s, depth(s)));
    }

    /** What lies together in one solution at one place, and for how long. */
    private record Soaking(Means.Use use, Vessel vessel, Duration dwell) {
        /** Parts that lie in it need room as well. */
        Volume fill() {
            return new Volume(Math.round(vessel.brim().litres() * 2 / 3));
        }
    }

    /** Lime comes off in acid before anything is washed, in a vessel of its own. */
    private void descale() {
        List<Part> limed =
                work.apart.inOrder().stream()
                        .filter(TakeApart::comesOff)
                        .filter(p -> on(List.of(p)).stream().anyMatch(this::scaleDue))
                        .toList();
        Means.Use acid = work.means.acid(on(limed));
        Vessel vessel = free();
        if (limed.isEmpty() || acid == null || vessel == null) {
            return;
        }
        Duration told = acid.chemical().label().contact();
        Soaking how = new Soaking(acid, vessel, told == null ? SOAKING : told);
        script.add(
                new Action.DrawOff(List.of(), List.of(vessel.name()), true),
                "Empty, wash out and rinse: " + vessel.name(),
                "Acid meets nothing but water.");
        soak(how, limed);
        script.add(
                new Action.Collect(Work.partIds(limed)),
                "Take out, once the time is up, and count: " + Words.parts(limed),
                "Acid that works longer eats the metal.");
        script.things.add("pH strips");
        script.add(
                new Action.Rinse(
                        Work.partIds(limed),
                        new Solution(null, null, LUKEWARM, null, new Volume(20)),
                        Action.Method.FLOOD,
                        Action.EndPoint.TAP_PH),
                "Rinse until the strip shows what it shows in tap water: " + Words.parts(limed),
                "Acid that stays meets chlorine later and gives off gas.",
                null,
                3);
        script.add(
                new Action.DrawOff(List.of(), List.of(vessel.name()), true),
                "Pour it away by itself and rinse the vessel: " + vessel.name(),
                "Acid and bleach in one drain give off chlorine.");
    }

    /** Scale is taken off when it is due, not each time a part is moved. */
    private boolean scaleDue(Surface s) {
        return s.limed() && s.frequency().dueIn(work.request.kind());
    }

    /** A vessel that parts can lie in and that holds nothing else in this clean. */
    private @Nullable Vessel free() {
        Set<String> used = soaks().keySet().stream().map(s -> s.vessel().name()).collect(toSet());
        work.apart.inOrder().forEach(p -> used.add(TakeApart.place(p)));
        return work.context.vessels().stream()
                .filter(v -> SOAKS.contains(v.kind()) || v.kind().equals("bucket"))
                .filter(v -> !used.contains(v.name()))
                .min(Comparator.comparing((Vessel v) -> !v.name().contains("descal")))
                .orElse(null);
    }

    /**
     * Parts that are off, bear to lie in a solution and carry a soil that sticks: they soak while
     * the rest is washed by hand. Without a rest to wash they would only be waited for.
     */
    private Map<Soaking, List<Part>> soaks() {
        Map<Soaking, List<Part>> soaks = new LinkedHashMap<>();
        boolean sticks =
                work.sheet.soils().stream()
                        .anyMatch(s -> STICKS.contains(s.toLowerCase(Locale.ROOT)));
        for (Part p : sticks ? work.apart.inOrder() : List.<Part>of()) {
            Soaking soaking = soaking(p);
            // One vessel holds one solution.
            boolean free =
                    soaking != null
                            && soaks.keySet().stream()
                                    .noneMatch(
                                            k ->
                                                    k.vessel().equals(soaking.vessel())
                                                            && !k.equals(soaking));
            if (free) {
                soaks.computeIfAbsent(soaking, k -> new ArrayList<>()).add(p);
            }
        }
        List<Part> all = soaks.values().stream().flatMap(List::stream).toList();
        return without(all).isEmpty() ? Map.of() : soaks;
    }

    /** How a part soaks; null where it does not. */
    private @Nullable Soaking soaking(Part p) {
        List<Surface> own = on(List.of(p));
        Vessel vessel = work.context.vessel(TakeApart.place(p));
        boolean bears =
                TakeApart.comesOff(p)
                        // A hand that reaches into cloudy water finds an edge first.
                        && !p.hazards().contains(Hazard.EDGE)
                        && vessel != null
                        && SOAKS.contains(vessel.kind())
                        && own.size() == p.surfaces().size()
                        && own.stream().noneMatch(s -> s.limits().contains(Limit.NO_IMMERSION));
        List<Means.Use> uses =
                bears ? own.stream().map(work.means::wash).distinct().toList() : List.of();
        if (uses.size() != 1 || uses.getFirst() == null) {
            return null;
        }
        Means.Use use = uses.getFirst();
        Duration told = use.chemical().label().contact();
        return new Soaking(use, Objects.requireNonNull(vessel), told == null ? SOAKING : told);
    }

    private void soak(Soaking how, List<Part> some) {
        Solution x = how.use().solution();
        script.product(how.use().chemical());
        script.add(
                new Action.Soak(
                        Work.partIds(some),
                        new Solution(
                                x.chemical(),
                                x.strength(),
                                x.temperature(),
                                null,
                                how.fill(),
                                how.vessel().name()),
                        how.dwell()),
                "Soak for %d minutes %s with %s, and go on meanwhile: %s"
                        .formatted(
                                how.dwell().toMinutes(),
                                Words.place(how.vessel().name()),
                                Words.solution(how.use().chemical().name(), x),
                                Words.parts(some)),
                "What sticks comes off by itself while you wash the rest.");
    }

    private List<Surface> on(List<Part> some) {
        return work.treated.stream()
                .filter(s -> some.stream().anyMatch(p -> p.surfaces().contains(s)))
                .toList();
    }

    private List<Surface> without(List<Part> some) {
        List<Surface> theirs = on(some);
        return work.treated.stream().filter(s -> !theirs.contains(s)).toList();
    }

    /** Empty and clean before anything goes in: what the day left in it goes onto the parts. */
    private boolean handsClean;

    void washOutSinks() {
        List<String> places =
                Stream.of(
                                soaks().keySet().stream().map(s -> s.vessel().name()),
                                work.apart.inOrder().stream()
                                        .map(TakeApart::place)
                                        .filter(this::sink),
                                sprayers().values().stream())
                        .flatMap(names -> names)
                        .distinct()
                        .toList();
        if (!places.isEmpty()) {
            script.add(
                    new Action.DrawOff(List.of(), places, true),
                    "Empty, wash out and rinse: " + String.join("; ", places),
                    "The soil left in it goes onto the parts.");
        }
    }

    /** Whether a later group hangs above an earlier one. */
    private static boolean drips(Map<Washing, List<Surface>> groups) {
        Set<String> washed = new HashSet<>();
        Set<String> overWashed = new HashSet<>();
        for (List<Surface> group : groups.values()) {
            if (group.stream().anyMatch(s -> overWashed.contains(s.id()))) {
                return true;
            }
            group.forEach(s -> washed.add(s.id()));
            group.stream()
                    .map(Surface::above)
                    .filter(a -> a != null && !washed.contains(a))
                    .forEach(overWashed::add);
        }
        return false;
    }

    private record Washing(
            String chemical,
            @Nullable Temperature at,
            String tool,
            @Nullable String way,
            int height) {}

    private Washing washing(Surface s, int height) {
        Means.Use use = Objects.requireNonNull(work.means.wash(s));
        String tool = s.brush() == null ? brush(s) : s.brush();
        if (s.zone() > 1 && s.end() == EndState.WIPED) {
            tool = CLOTH;
        }
        return new Washing(
                use.chemical().id(), use.solution().temperature(), tool, s.wipe(), height);
    }

    /**
     * What has been on the floor goes nowhere else; what cleans outsides stays off the food side.
     */
    private static String brush(Surface s) {
        return s.zone() < 3
                ? BRUSH
                : orthopur.runthrough.Words.onTheGround(s.name()) ? FLOOR_BRUSH : OUTSIDE_BRUSH;
    }

    /** How many work.surfaces drip on it, one above the other. */
    private int depth(Surface s) {
        int n = 0;
        Surface over = s.above() == null ? null : work.surfaces.get(s.above());
        while (over != null && n <= work.surfaces.size()) {
            n++;
            over = over.above() == null ? null : work.surfaces.get(over.above());
        }
        return n;
    }

    private void washGroup(Washing w, List<Surface> some) {
        Means.Use use = Objects.requireNonNull(work.means.wash(some.getFirst()));
        script.product(use.chemical());
        script.things.addAll(List.of("wash bucket", "measuring pitcher", w.tool()));
        script.add(
                new Action.Wash(
                        work.items(some),
                        use.solution(),
                        w.tool().equals(CLOTH) ? Action.Method.CLOTH : Action.Method.BRUSH,
                        w.tool(),
                        w.way()),
                "Wash with "
                        + Words.solution(use.chemical().name(), use.solution())
                        + ", "
                        + w.tool()
                        + (w.way() == null ? "" : ", " + w.way())
                        + ": "
                        + Words.surfaces(some),
                null,
                null,
                some.size());
    }

    private void flush(Passage p) {
        Surface first = work.surface(p.surfaces().getFirst());
        Means.Use use = first == null ? null : work.means.wash(first);
        if (use == null) {
            return;
        }
        script.product(use.chemical());
        Solution x = use.solution();
        Volume fill = new Volume(Math.max(p.volume().litres() * 1.5, 0.5));
        script.add(
                new Action.Wash(
                        List.of(p.id()),
                        new Solution(x.chemical(), x.strength(), x.temperature(), null, fill),
                        Action.Method.FLOOD,
                        null,
                        null),
                "Fill with "
                        + Words.solution(use.chemical().name(), x)
                        + ", work it through and let it out: "
                        + SheetIndex.spoken(p.name()),
                "Nobody sees into it; what grows there goes into every portion.",
                null,
                3);
    }

    /** By hand, under lock, until the next length lies in front. */
    private void turn(Part p) {
        script.moving(
                p,
                new Action.Index(List.of(p.id()), null, false),
                "Turn on by hand, under lock, by one length: " + SheetIndex.spoken(p.name()));
    }

    /** Washed, rinsed and looked at, length by length. */
    private void washLengths(Part p) {
        List<Surface> own = on(List.of(p));
        List<String> items = work.items(own);
        turn(p);
        downwards(own).forEach(this::washGroup);
        int steps = 3 + downwards(own).size();
        rinse(own, List.of(), "Rinse this length", Action.EndPoint.NO_SUDS);
        script.add(
                new Action.Inspect(items),
                "Look at this length, with flashlight: no soil, no bristle left behind",
                null);
        script.loop(p.id() + "-washed", steps);
    }

    private boolean sink(String place) {
        Vessel v = work.context.vessel(place);
        return v != null && v.kind().equals("sink");
    }

    /** What lies in a sink and bears a spray; the rest stands or is wiped. */
    private List<Surface> inSinks(List<Surface> some) {
        List<Part> there =
                work.apart.inOrder().stream()
                        .filter(p -> TakeApart.comesOff(p) && sink(TakeApart.place(p)))
                        .toList();
        return some.stream()
                .filter(s -> there.stream().anyMatch(p -> p.surfaces().contains(s)))
                .filter(s -> !s.limits().contains(Limit.NO_HOSE))
                .toList();
    }

    private void rinse(List<Surface> some, List<Passage> lines, String verb, Action.EndPoint end) {
        List<Surface> sprayed = inSinks(some);
        List<Surface> wiped = some.stream().filter(s -> !sprayed.contains(s)).toList();
        if (!lines.isEmpty()) {
            rinse(List.of(), lines, Action.Method.FLOOD, verb, end);
        }
        if (!wiped.isEmpty()) {
            rinse(wiped, List.of(), Action.Method.CLOTH, verb, end);
        }
        if (!sprayed.isEmpty()) {
            rinse(sprayed, List.of(), Action.Method.SPRAY, verb, end);
        }
    }

    private void rinse(
            List<Surface> some,
            List<Passage> lines,
            Action.Method how,
            String verb,
            Action.EndPoint end) {
        double most = LUKEWARM.celsius();
        for (Surface s : some) {
            most = s.highest() == null ? most : Math.min(most, s.highest().celsius());
        }
        Temperature at = new Temperature(most);
        List<String> items = new ArrayList<>(work.items(some));
        lines.forEach(p -> items.add(p.id()));
        script.add(
                new Action.Rinse(
                        items, new Solution(null, null, at, null, new Volume(20)), how, end),
                verb
                        + (how == Action.Method.SPRAY ? " in the sink, under the spray," : "")
                        + " at "
                        + at.shown()
                        + " until "
                        + (end == Action.EndPoint.CLEAR
                                ? "the water runs clear"
                                : "no suds are left")
                        + ": "
                        + (some.isEmpty()
                                ? String.join(
                                        ", ",
                                        lines.stream()
                                                .map(p -> SheetIndex.spoken(p.name()))
                                                .toList())
                                : Words.surfaces(some)),
                null,
                null,
                Math.max(1, some.size()));
    }

    void inspect() {
        List<String> items = new ArrayList<>(work.items(without(work.passing())));
        work.apart.inOrder().stream()
                .filter(p -> p.fitting().wearCheck() != null)
                .map(Part::id)
                .filter(i -> !items.contains(i))
                .forEach(items::add);
        script.things.add("flashlight");
        script.things.add("mirror");
        List<String> wear =
                work.apart.inOrder().stream()
                        .filter(p -> p.fitting().wearCheck() != null)
                        .map(p -> SheetIndex.spoken(p.name()) + ": " + p.fitting().wearCheck())
                        .toList();
        script.add(
                new Action.Inspect(items),
                "Look and feel, with flashlight and mirror: no soil, no film, nothing worn. "
                        + String.join("; ", wear),
                "What was missed in the wash is sanitized on the outside only.",
                null,
                Math.max(1, work.treated.size() / 2.0));
    }

    /** Passages are filled, whether they were put together before or never came apart. */
    void fill() {
        fill(work.poured(work.filled()));
    }

    private void fill(List<Passage> some) {
        for (Passage p : some) {
            Surface first = work.surface(p.surfaces().getFirst());
            Means.Use use = first == null ? null : work.means.sanitizer(first);
            if (use != null) {
                handsBeforeSanitizer();
                double litres = Math.max(p.volume().litres() * 1.5, 0.5);
                bring(
                        use,
                        List.of(p.id()),
                        Action.Method.FLOOD,
                        "Fill to the top: " + SheetIndex.spoken(p.name()) + ". ",
                        new Volume(litres));
            }
        }
        if (!some.isEmpty() && work.request.schools().rinseAfterSanitizer()) {
            rinse(List.of(), some, "Rinse the sanitizer off", Action.EndPoint.CLEAR);
        }
    }

    /** What is not filled is sanitized before anything is put together, under either school. */
    void sanitize() {
        List<Surface> open = open(without(work.passing()));
        if (!open.isEmpty()) {
            handsBeforeSanitizer();
        }
        sprayed(open, "Spray: ");
        for (Part p : work.passing()) {
            sanitizeLengths(p);
        }
        if (!open.isEmpty() && work.request.schools().rinseAfterSanitizer()) {
            rinse(open, List.of(), "Rinse the sanitizer off", Action.EndPoint.CLEAR);
        }
    }

    /** What is sanitized and not filled. */
    private List<Surface> open(List<Surface> some) {
        Set<String> filled = new HashSet<>();
        work.filled().forEach(p -> filled.addAll(p.surfaces()));
        return some.stream().filter(Work::sanitized).filter(s -> !filled.contains(s.id())).toList();
    }

    private void sanitizeLengths(Part p) {
        List<Surface> own = on(List.of(p)).stream().filter(Work::sanitized).toList();
        if (own.isEmpty()) {
            return;
        }
        handsBeforeSanitizer();
        turn(p);
        script.loop(p.id() + "-sanitized", 1 + sprayed(own, "Spray this length: "));
    }

    /** What gets the same sanitizer in one step; says in how many. */
    private int sprayed(List<Surface> some, String verb) {
        Map<Means.Use, List<Surface>> alike =
                Means.grouped(some, s -> Objects.requireNonNull(work.means.sanitizer(s)));
        alike.forEach(
                (use, group) ->
                        bring(
                                use,
                                work.items(group),
                                Action.Method.SPRAY,
                                verb + Words.surfaces(group) + ". ",
                                work.means.made()));
        return alike.size();
    }

    /** One sprayer holds one solution; where the site has too few, it is not said which. */
    private Map<Means.Use, String> sprayers() {
        List<String> free =
                work.context.vessels().stream()
                        .filter(v -> v.kind().equals("sprayer"))
                        .map(Vessel::name)
                        .toList();
        Map<Means.Use, String> taken = new LinkedHashMap<>();
        for (Surface s : open(work.treated)) {
            Means.Use use = work.means.sanitizer(s);
            if (use != null && !taken.containsKey(use) && taken.size() < free.size()) {
                taken.put(use, free.get(taken.size()));
            }
        }
        return taken;
    }

    /** Once before the first sanitizer; later steps put on fresh gloves by themselves. */
    private void handsBeforeSanitizer() {
        if (!handsClean) {
            freshHands("Wash your hands and put on fresh gloves");
            handsClean = true;
        }
    }

    private void bring(
            Means.Use use, List<String> items, Action.Method how, String words, Volume made) {
        script.product(use.chemical());
        Solution x = use.solution();
        String sprayer = how == Action.Method.SPRAY ? sprayers().get(use) : null;
        Vessel mixed = work.context.vessel(sprayer);
        if (mixed != null) {
            script.things.add(mixed.name());
        }
        script.things.add("measuring pitcher");
        script.things.addAll(work.means.read(use.chemical()));
        script.add(
                new Action.Sanitize(
                        items,
                        new Solution(
                                x.chemical(),
                                x.strength(),
                                x.temperature(),
                                x.ph(),
                                mixed == null ? made : Means.inside(mixed, made),
                                sprayer),
                        how,
                        use.contact(),
                        Set.of(
                                Action.Reading.STRENGTH,
                                Action.Reading.TEMPERATURE,
                                Action.Reading.PH)),
                words
                        + (sprayer == null ? "" : "From " + sprayer + ": ")
                        + Words.solution(use.chemical().name(), x)
                        + ", read before use; contact time "
                        + (use.contact() == null ? 60 : use.contact().getSeconds())
                        + " seconds",
                null,
                null,
                items.size());
    }

    void freshHands(String words) {
        script.add(new Action.WashHands(), words, "Gloves carry what they touched before.");
    }

    /** The end of the closing half: what lies open until the morning is dry by then. */
    void overnight() {
        script.add(
                new Action.Dry(work.items(work.treated), Action.Drying.AIR, OVERNIGHT),
                "The closing half ends here: lay everything out to dry overnight, nothing on top of another",
                "What stays wet grows until the morning.",
                null,
                2);
    }

    void dry() {
        script.add(
                new Action.Dry(work.items(work.treated), Action.Drying.AIR, DRYING),
                "Let everything dry in the air for 20 minutes; no towel",
                "A towel carries more than it takes away.",
                null,
                1);
    }
}
