package orthopur.drafting;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import orthopur.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.Assembly;
import orthopur.machine.EndState;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.EnergyStage;
import orthopur.machine.Frequency;
import orthopur.machine.Handling;
import orthopur.machine.Hazard;
import orthopur.machine.MachineSheet;
import orthopur.machine.OptionGroup;
import orthopur.machine.Part;
import orthopur.machine.Passage;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Schools;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Mass;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Heats;
import orthopur.runthrough.SheetIndex;
import orthopur.verdict.Mending;

/** Writes the procedure of one sheet for one kind of clean; the same input gives the same text. */
public final class Drafter {
    private static final Duration DRYING = Duration.ofMinutes(20);
    private static final Temperature LUKEWARM = new Temperature(40);
    private static final String FLOOR_BRUSH = "floor brush";
    private static final String BRUSH = "nylon brush";
    private static final String CLOTH = "wiping cloth";
    private static final Set<String> SETS = Set.of("protein", "starch");

    private final MachineSheet sheet;
    private final Request request;
    private final Context context;
    private final Means means;
    private final List<Part> parts;
    private final List<Energy> energies;
    private final TakeApart apart;
    private final List<Surface> treated = new ArrayList<>();

    /** Due, and behind what never opens: only what flows through reaches them. */
    private final List<Surface> enclosed = new ArrayList<>();

    private final Map<String, Surface> surfaces = new LinkedHashMap<>();
    private final int people;
    private final List<Step> steps = new ArrayList<>();
    private final Set<String> ppe = new LinkedHashSet<>();
    private final Set<String> things = new LinkedHashSet<>();
    private final Map<String, Integer> ids = new LinkedHashMap<>();

    /**
     * What is asked for.
     *
     * @param id of the procedure
     * @param scope options by group; a group that is not in it has the fitted one
     */
    public record Request(
            String id,
            String title,
            Frequency kind,
            Schools schools,
            Map<String, List<String>> scope) {}

    private Drafter(MachineSheet sheet, Request request, Context context) {
        this.sheet = sheet;
        this.request = request;
        this.context = context;
        this.means = new Means(context, request.schools(), sheet.organic());
        this.parts = sheet.parts().stream().filter(p -> inScope(p.when())).toList();
        this.energies =
                sheet.energies().stream().filter(e -> inScope(e.when()) && !e.keepLive()).toList();
        parts.forEach(p -> p.surfaces().forEach(s -> surfaces.put(s.id(), s)));
        List<Surface> due = new ArrayList<>();
        parts.forEach(
                p ->
                        p.surfaces().stream()
                                .filter(s -> s.frequency().dueIn(request.kind()))
                                .forEach(due::add));
        if (due.isEmpty()) {
            throw new DraftRefused(
                    List.of(
                            "Nothing on the sheet of %s is due %s."
                                    .formatted(sheet.code(), request.kind().shown())));
        }
        this.apart = new TakeApart(parts, due);
        Set<String> off = new HashSet<>(partIds(apart.inOrder()));
        // What is moved is cleaned with the rest: a hand that puts it back would soil the others.
        parts.forEach(
                p ->
                        p.surfaces().stream()
                                .filter(s -> due.contains(s) || off.contains(p.id()))
                                .forEach(s -> (enclosed(s) ? enclosed : treated).add(s)));
        this.people = apart.inOrder().stream().mapToInt(this::crew).max().orElse(1);
    }

    private boolean inScope(@Nullable String condition) {
        if (condition == null) {
            return true;
        }
        int at = condition.indexOf('=');
        String group = condition.substring(0, at);
        List<String> fitted =
                sheet.optionGroups().stream()
                        .filter(g -> g.id().equals(group))
                        .map(OptionGroup::fitted)
                        .toList();
        return request.scope().getOrDefault(group, fitted).contains(condition.substring(at + 1));
    }

    /**
     * A complete procedure without a STOP or a FIX.
     *
     * @throws DraftRefused when the sheet and the site allow none, with the reasons
     */
    public static Procedure draft(MachineSheet sheet, Request request, Context context) {
        Procedure p = new Drafter(sheet, request, context).write();
        Mending.Mended mended = Mending.all(p, sheet, context);
        List<String> left =
                mended.verdict().findings().stream()
                        .filter(f -> f.under() == null)
                        .filter(f -> !f.severity().equals(orthopur.runthrough.Severity.ADVISE))
                        .map(Finding::message)
                        .toList();
        if (!left.isEmpty()) {
            throw new DraftRefused(left);
        }
        return mended.procedure();
    }

    private Procedure write() {
        refuseWhatNobodyCanWrite();
        makeSafe();
        takeApart();
        wash();
        inspect();
        boolean inPlace = request.schools().assembledFirst();
        if (!inPlace) {
            sanitize();
        }
        dry();
        lubricate();
        putTogether();
        if (inPlace) {
            sanitize();
        }
        release(inPlace);
        steps.addFirst(fetch());
        return new Procedure(
                request.id(),
                request.title(),
                sheet.code(),
                sheet.version(),
                context.book().version(),
                request.kind(),
                request.schools(),
                people,
                List.copyOf(ppe),
                request.scope(),
                steps);
    }

    private void refuseWhatNobodyCanWrite() {
        List<String> reasons = new ArrayList<>();
        for (Surface s : treated) {
            if (means.wash(s) == null) {
                reasons.add(
                        "This site owns nothing that may wash %s at a temperature it bears."
                                .formatted(SheetIndex.spoken(s.name())));
            }
            if (sanitized(s) && means.sanitizer(s) == null) {
                reasons.add(
                        "This site owns no sanitizer that %s bears."
                                .formatted(SheetIndex.spoken(s.name())));
            }
        }
        for (Part p : apart.inOrder()) {
            boolean many = p.moving().index() == Handling.Index.HOLD_TO_RUN && p.count() > 1;
            if (many) {
                reasons.add(
                        "%s comes off at one position that is reached under power, %d times; that wants a person to write it."
                                .formatted(p.name(), p.count()));
            }
        }
        if (!reasons.isEmpty()) {
            throw new DraftRefused(reasons);
        }
    }

    // ---- making safe -------------------------------------------------------------------------

    private void makeSafe() {
        if (sheet.safePosition() != null) {
            add(
                    new Action.Operate(Action.Mode.SAFE_POSITION, List.of(), List.of()),
                    "Set the machine safe: " + SheetIndex.spoken(sheet.safePosition()),
                    "Without power it stays where it stopped.");
        }
        List<Energy> stopped = having(EnergyStage.STOPPED);
        if (!stopped.isEmpty()) {
            add(
                    new Action.Operate(Action.Mode.STOP, ids(stopped), List.of()),
                    "Switch off: " + Words.energies(stopped),
                    null);
        }
        powered();
        each(
                having(EnergyStage.UNPLUGGED),
                e -> new Action.Isolate(List.of(e.id())),
                e -> "Pull the plug and keep it in sight: " + name(e) + at(e));
        each(
                having(EnergyStage.ISOLATED),
                e -> new Action.Isolate(List.of(e.id())),
                e -> "Cut off: " + name(e) + at(e));
        for (Energy e : having(EnergyStage.LOCKED)) {
            things.add(
                    e.tagOnly()
                            ? "tag"
                            : people == 1 ? "personal lock" : people + " personal locks");
            add(
                    new Action.Lock(
                            List.of(e.id()),
                            people,
                            e.tagOnly() ? "handle taken off or fuse drawn, and kept" : null),
                    e.tagOnly()
                            ? "Hang up your tag, take the handle off or the fuse out and keep it: "
                                    + name(e)
                                    + at(e)
                            : people == 1
                                    ? "Put on your own lock and tag: " + name(e) + at(e)
                                    : "Each of you puts on a lock and a tag: " + name(e) + at(e),
                    "Whoever has their hands in is the only one who can switch it on again.",
                    e.when());
        }
        each(
                having(EnergyStage.RELIEVED),
                e -> new Action.Relieve(List.of(e.id())),
                e ->
                        e.kind() == EnergyKind.STORED
                                ? "Let off or block: " + name(e) + at(e)
                                : "Let off what is left: " + name(e));
        each(
                having(EnergyStage.PROVED),
                e -> new Action.Prove(List.of(e.id())),
                e ->
                        e.verify() == null
                                ? "Try to start it; it must not come: " + name(e)
                                : "Prove it: " + name(e) + ". " + Words.sentence(e.verify()));
        energies.stream().filter(e -> e.kind() == EnergyKind.HEAT).forEach(this::cool);
    }

    private void cool(Energy e) {
        Temperature limit = context.book().temperature("touch.limit");
        int i = sheet.energies().indexOf(e);
        Double minutes = Heats.minutesTo(new SheetIndex(sheet), i, limit);
        Duration standing =
                minutes == null ? null : Duration.ofMinutes((long) (Math.ceil(minutes / 5) * 5));
        things.add("surface thermometer");
        add(
                new Action.CoolDown(List.of(e.id()), limit, standing),
                (standing == null
                                ? "Let it cool"
                                : "Let it cool for about " + standing.toMinutes() + " minutes")
                        + ", then measure: "
                        + name(e)
                        + ", at most "
                        + limit.shown()
                        + " before you touch it",
                "Metal above that burns before you can let go.",
                e.when());
    }

    /** A part that is indexed under power is brought to its place before anything is cut off. */
    private void powered() {
        for (Part p : apart.inOrder()) {
            if (p.moving().index() == Handling.Index.HOLD_TO_RUN) {
                moving(
                        p,
                        new Action.Index(List.of(p.id()), p.count(), true),
                        "Hold to run, from outside, until it stands where it comes off: "
                                + Words.parts(List.of(p)));
            }
        }
    }

    private List<Energy> having(EnergyStage stage) {
        return energies.stream().filter(e -> e.kind().path(people).contains(stage)).toList();
    }

    private void each(
            List<Energy> some,
            java.util.function.Function<Energy, Action> action,
            java.util.function.Function<Energy, String> words) {
        some.forEach(e -> add(action.apply(e), words.apply(e), null, e.when()));
    }

    private static String name(Energy e) {
        return SheetIndex.spoken(e.name());
    }

    private static String at(Energy e) {
        return e.isolationPoint() == null ? "" : " – " + SheetIndex.spoken(e.isolationPoint());
    }

    private static List<String> ids(List<Energy> some) {
        return some.stream().map(Energy::id).toList();
    }

    // ---- taking apart ------------------------------------------------------------------------

    private void takeApart() {
        if (parts.stream().anyMatch(p -> p.hazards().contains(Hazard.EDGE))) {
            ppe.add("cut-resistant gloves");
        }
        List<Part> marked = apart.inOrder().stream().filter(p -> p.mark() != null).toList();
        if (!marked.isEmpty()) {
            add(
                    new Action.Mark(partIds(marked)),
                    "Find the mark of each, and mark what has none: " + Words.parts(marked),
                    "Each goes back where it came from.");
        }
        List<Part> together = new ArrayList<>();
        for (Part p : apart.inOrder()) {
            things.addAll(p.moving().tools());
            boolean joins =
                    TakeApart.comesOff(p)
                            && !TakeApart.alone(p)
                            && (together.isEmpty() || fits(together.getFirst(), p));
            if (!joins) {
                takeOff(together);
            }
            if (!TakeApart.comesOff(p)) {
                moving(p, new Action.Shift(List.of(p.id())), "Move aside: " + the(p));
            } else if (TakeApart.alone(p)) {
                takeOff(List.of(p));
            } else {
                together.add(p);
            }
        }
        takeOff(together);
    }

    private static boolean fits(Part a, Part b) {
        return TakeApart.place(a).equals(TakeApart.place(b))
                && java.util.Objects.equals(a.when(), b.when());
    }

    private void takeOff(List<Part> some) {
        if (some.isEmpty()) {
            return;
        }
        Part first = some.getFirst();
        String place = TakeApart.place(first);
        things.add(place);
        if (first.moving().index() == Handling.Index.BY_HAND) {
            moving(
                    first,
                    new Action.Index(partIds(some), first.count(), false),
                    "Turn by the hand wheel from position to position, "
                            + first.count()
                            + " times, and take one off at each: "
                            + Words.parts(some));
        }
        String how = first.fastening() == null ? "" : " " + Words.sentence(first.fastening());
        moving(
                first,
                new Action.Remove(partIds(some), null, place),
                "Take off and put "
                        + Words.them(some)
                        + " "
                        + Words.place(place)
                        + ": "
                        + Words.parts(some)
                        + "."
                        + how);
        if (some instanceof ArrayList<Part> list) {
            list.clear();
        }
    }

    private void moving(Part p, Action action, String words) {
        int n = Math.max(1, action.items().size());
        steps.add(
                new Step(
                        id(action),
                        action,
                        Words.sentence(words),
                        null,
                        TakeApart.caution(p),
                        n,
                        crew(p),
                        p.when()));
    }

    private int crew(Part p) {
        Mass mass = p.moving().mass();
        Mass most = new Mass(context.book().number("lift.load-constant"));
        int told = p.moving().people() == null ? 1 : p.moving().people();
        return Math.max(told, mass != null && mass.compareTo(most) > 0 ? 2 : 1);
    }

    private static String the(Part p) {
        return Words.parts(List.of(p));
    }

    private static List<String> partIds(List<Part> some) {
        return some.stream().map(Part::id).toList();
    }

    private boolean enclosed(Surface s) {
        return parts.stream()
                .anyMatch(p -> p.covers().contains(s.id()) && !p.removable() && !p.shifts());
    }

    // ---- the clean chain ---------------------------------------------------------------------

    private void wash() {
        add(
                new Action.DryClean(items(treated)),
                "Brush and scrape off all that is loose, from the top down: "
                        + Words.surfaces(treated),
                "What is left now turns to paste in the water.",
                null,
                treated.size());
        boolean sets =
                sheet.soils().stream().anyMatch(s -> SETS.contains(s.toLowerCase(Locale.ROOT)));
        if (sets) {
            rinse(treated, "Rinse with lukewarm water first", Action.EndPoint.CLEAR);
        }
        downwards().forEach((w, some) -> washGroup(w, some));
        passages().forEach(this::flush);
        rinse(treated, "Rinse", Action.EndPoint.NO_SUDS);
        List<Passage> closed = passages(enclosed);
        if (!closed.isEmpty()) {
            things.add("pH strips");
            add(
                    new Action.Rinse(
                            closed.stream().map(Passage::id).toList(),
                            new Solution(null, null, LUKEWARM, null, new Volume(20)),
                            Action.Method.FLOOD,
                            Action.EndPoint.TAP_PH),
                    "Flush until the strip shows what it shows in tap water: "
                            + Words.passages(closed),
                    "Nobody can look inside; clear water can still hold detergent.",
                    null,
                    5);
        }
    }

    /**
     * What is washed alike in one step, from the top down. Where two such steps would drip on each
     * other, they are parted by how high they hang.
     */
    private Map<Washing, List<Surface>> downwards() {
        Comparator<Surface> fromTheTop =
                Comparator.comparingInt(s -> s.zone() >= 3 ? 1000 + depth(s) : depth(s));
        List<Surface> sorted = treated.stream().sorted(fromTheTop).toList();
        Map<Washing, List<Surface>> alike = Means.grouped(sorted, s -> washing(s, 0));
        if (!drips(alike)) {
            return alike;
        }
        List<Surface> byHeight =
                treated.stream().sorted(Comparator.comparingInt(this::depth)).toList();
        return Means.grouped(byHeight, s -> washing(s, depth(s)));
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
        Means.Use use = Objects.requireNonNull(means.wash(s));
        String tool = s.zone() >= 3 ? FLOOR_BRUSH : s.brush() == null ? BRUSH : s.brush();
        if (s.zone() > 1 && s.end() == EndState.WIPED) {
            tool = CLOTH;
        }
        return new Washing(
                use.chemical().id(), use.solution().temperature(), tool, s.wipe(), height);
    }

    /** How many surfaces drip on it, one above the other. */
    private int depth(Surface s) {
        int n = 0;
        Surface over = s.above() == null ? null : surfaces.get(s.above());
        while (over != null && n <= surfaces.size()) {
            n++;
            over = over.above() == null ? null : surfaces.get(over.above());
        }
        return n;
    }

    private void washGroup(Washing w, List<Surface> some) {
        Means.Use use = Objects.requireNonNull(means.wash(some.getFirst()));
        product(use.chemical());
        things.add(w.tool());
        add(
                new Action.Wash(
                        items(some),
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

    private List<Passage> passages() {
        List<Surface> all = new ArrayList<>(treated);
        all.addAll(enclosed);
        return passages(all);
    }

    private List<Passage> passages(List<Surface> some) {
        Set<String> due = new HashSet<>();
        some.forEach(s -> due.add(s.id()));
        return sheet.passages().stream()
                .filter(p -> p.surfaces().stream().anyMatch(due::contains))
                .toList();
    }

    private void flush(Passage p) {
        Surface first = surface(p.surfaces().getFirst());
        Means.Use use = first == null ? null : means.wash(first);
        if (use == null) {
            return;
        }
        product(use.chemical());
        Solution x = use.solution();
        Volume fill = new Volume(Math.max(p.volume().litres() * 1.5, 0.5));
        add(
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

    private @Nullable Surface surface(String id) {
        return Stream.concat(treated.stream(), enclosed.stream())
                .filter(s -> s.id().equals(id))
                .findFirst()
                .orElse(null);
    }

    private void rinse(List<Surface> some, String verb, Action.EndPoint end) {
        double most = LUKEWARM.celsius();
        for (Surface s : some) {
            most = s.highest() == null ? most : Math.min(most, s.highest().celsius());
        }
        Temperature at = new Temperature(most);
        List<String> items = new ArrayList<>(items(some));
        passages().forEach(p -> items.add(p.id()));
        add(
                new Action.Rinse(
                        items,
                        new Solution(null, null, at, null, new Volume(20)),
                        passages().isEmpty() ? Action.Method.CLOTH : Action.Method.FLOOD,
                        end),
                verb
                        + " at "
                        + at.shown()
                        + " until "
                        + (end == Action.EndPoint.CLEAR
                                ? "the water runs clear"
                                : "no suds are left")
                        + ": "
                        + Words.surfaces(some),
                null,
                null,
                some.size());
    }

    private void inspect() {
        List<String> items = new ArrayList<>(items(treated));
        apart.inOrder().stream()
                .filter(p -> p.fitting().wearCheck() != null)
                .map(Part::id)
                .filter(i -> !items.contains(i))
                .forEach(items::add);
        things.add("torch");
        things.add("mirror");
        List<String> wear =
                apart.inOrder().stream()
                        .filter(p -> p.fitting().wearCheck() != null)
                        .map(p -> SheetIndex.spoken(p.name()) + ": " + p.fitting().wearCheck())
                        .toList();
        add(
                new Action.Inspect(items),
                "Look and feel, with torch and mirror: no soil, no film, nothing worn. "
                        + String.join("; ", wear),
                "What was missed in the wash is sanitized on the outside only.",
                null,
                Math.max(1, treated.size() / 2.0));
    }

    private static boolean sanitized(Surface s) {
        return s.end() == EndState.SANITIZED;
    }

    private void sanitize() {
        List<Surface> some = treated.stream().filter(Drafter::sanitized).toList();
        if (some.isEmpty() && enclosed.stream().noneMatch(Drafter::sanitized)) {
            return;
        }
        add(
                new Action.WashHands(),
                "Wash your hands and put on fresh gloves",
                "Gloves carry what they touched before.");
        boolean inPlace = request.schools().assembledFirst();
        List<Passage> lines = filled();
        Set<String> filled = new HashSet<>();
        for (Passage p : lines) {
            filled.addAll(p.surfaces());
            Surface first = surface(p.surfaces().getFirst());
            Means.Use use = first == null ? null : means.sanitizer(first);
            if (use != null) {
                double litres = Math.max(p.volume().litres() * 1.5, 0.5);
                bring(
                        use,
                        List.of(p.id()),
                        Action.Method.FLOOD,
                        "Fill to the top: " + SheetIndex.spoken(p.name()) + ". ",
                        new Volume(litres));
            }
        }
        List<Surface> open =
                some.stream().filter(s -> !filled.contains(s.id()) && !hidden(s, inPlace)).toList();
        Means.grouped(open, s -> Objects.requireNonNull(means.sanitizer(s)))
                .forEach(
                        (use, group) ->
                                bring(
                                        use,
                                        items(group),
                                        Action.Method.SPRAY,
                                        "Spray: " + Words.surfaces(group) + ". ",
                                        means.made()));
        if (request.schools().rinseAfterSanitizer()) {
            rinse(some, "Rinse the sanitizer off", Action.EndPoint.CLEAR);
        }
    }

    /** Passages that stand full of sanitizer, and are chased out. */
    private List<Passage> filled() {
        return request.schools().assembledFirst()
                ? passages()
                : passages(enclosed.stream().filter(Drafter::sanitized).toList());
    }

    /** Assembled, a surface under something that is back on is out of reach. */
    private boolean hidden(Surface s, boolean inPlace) {
        return inPlace && apart.inOrder().stream().anyMatch(p -> p.covers().contains(s.id()));
    }

    private void bring(
            Means.Use use, List<String> items, Action.Method how, String words, Volume made) {
        product(use.chemical());
        Solution x = use.solution();
        add(
                new Action.Sanitize(
                        items,
                        new Solution(x.chemical(), x.strength(), x.temperature(), x.ph(), made),
                        how,
                        use.contact(),
                        Set.of(
                                Action.Reading.STRENGTH,
                                Action.Reading.TEMPERATURE,
                                Action.Reading.PH)),
                words
                        + Words.solution(use.chemical().name(), x)
                        + ", read before use; keep wet for "
                        + (use.contact() == null ? 60 : use.contact().toSeconds())
                        + " seconds",
                null,
                null,
                items.size());
    }

    private void product(Chemical c) {
        ppe.addAll(c.ppe());
        things.add(c.name());
    }

    private void dry() {
        add(
                new Action.Dry(items(treated), Action.Drying.AIR, DRYING),
                "Let everything dry in the air for 20 minutes; no towel",
                "A towel carries more than it takes away.",
                null,
                1);
    }

    private void lubricate() {
        for (Part p : parts) {
            for (Assembly.Lubrication point : p.fitting().lubrication()) {
                if (point.never() || !point.frequency().dueIn(request.kind())) {
                    continue;
                }
                Chemical c = lubricant(point.product());
                if (c == null) {
                    throw new DraftRefused(
                            List.of(
                                    "This site owns no food-grade lubricant for %s of %s."
                                            .formatted(
                                                    SheetIndex.spoken(point.point()),
                                                    SheetIndex.spoken(p.name()))));
                }
                product(c);
                add(
                        new Action.Lubricate(List.of(p.id()), c.id()),
                        "Lubricate with "
                                + c.name()
                                + ": "
                                + SheetIndex.spoken(p.name())
                                + ", "
                                + point.point(),
                        null,
                        p.when());
            }
        }
    }

    private @Nullable Chemical lubricant(@Nullable String named) {
        Chemical c = context.chemical(named);
        return c != null
                ? c
                : context.chemicals().values().stream()
                        .filter(x -> x.kind().lubricates() && x.foodGrade() != null)
                        .min(Comparator.comparing(Chemical::id))
                        .orElse(null);
    }

    // ---- putting together and handing over ---------------------------------------------------

    private void putTogether() {
        SheetIndex index = new SheetIndex(sheet);
        List<Part> left = new ArrayList<>(apart.inOrder().reversed());
        Set<String> waiting = new HashSet<>(partIds(left));
        while (!left.isEmpty()) {
            Part next =
                    left.stream()
                            .filter(
                                    p ->
                                            index.onBefore(index.partNamed(p.id())).stream()
                                                    .map(q -> index.part(q).id())
                                                    .noneMatch(waiting::contains))
                            .findFirst()
                            .orElse(left.getFirst());
            left.remove(next);
            waiting.remove(next.id());
            if (TakeApart.comesOff(next)) {
                String pattern = next.fitting().pattern();
                moving(
                        next,
                        new Action.Install(List.of(next.id()), null, pattern),
                        "Put back: "
                                + the(next)
                                + (next.mark() == null ? "" : ", at its mark (" + next.mark() + ")")
                                + (pattern == null ? "" : "; " + pattern));
            } else {
                moving(next, new Action.Return(List.of(next.id())), "Bring back: " + the(next));
            }
        }
        List<String> checks =
                sheet.checks().stream()
                        .filter(c -> parts.stream().anyMatch(p -> p.id().equals(c.part())))
                        .map(c -> c.id())
                        .toList();
        if (!checks.isEmpty()) {
            List<String> words =
                    sheet.checks().stream()
                            .filter(c -> checks.contains(c.id()))
                            .map(
                                    c ->
                                            c.name()
                                                    + (c.least() == null || c.most() == null
                                                            ? ""
                                                            : ": "
                                                                    + orthopur.quantity.Show.number(
                                                                            c.least())
                                                                    + " to "
                                                                    + orthopur.quantity.Show.number(
                                                                            c.most())
                                                                    + " "
                                                                    + c.unit()))
                            .toList();
            add(new Action.Measure(checks), "Measure: " + String.join("; ", words), null);
        }
    }

    private void release(boolean inPlace) {
        add(
                new Action.Clear(true, true, true),
                "Count the tools out, see that nobody is at the machine and every guard is on",
                "A machine that starts with a hand or a tool in it hurts somebody.");
        List<Energy> locked = having(EnergyStage.LOCKED);
        if (!locked.isEmpty()) {
            add(
                    new Action.Unlock(ids(locked)),
                    people == 1
                            ? "Take off your own lock or tag: " + Words.energies(locked)
                            : "Each of you takes off their own lock or tag: "
                                    + Words.energies(locked),
                    null);
        }
        List<Energy> live =
                energies.stream()
                        .filter(e -> e.kind() == EnergyKind.CORD || e.kind() == EnergyKind.SUPPLIED)
                        .toList();
        if (!live.isEmpty()) {
            add(new Action.Restore(ids(live)), "Switch on again: " + Words.energies(live), null);
            add(new Action.FunctionTest(), "Run it empty and watch and listen for a minute", null);
        }
        for (Passage p : filled()) {
            double litres =
                    Math.ceil(p.volume().litres() * context.book().number("chase-out.factor") * 10)
                            / 10;
            add(
                    new Action.ChaseOut(List.of(p.id()), new Volume(litres), p.product()),
                    "Let the first "
                            + new Volume(litres).shown()
                            + (p.product() == null ? "" : " of " + p.product())
                            + " out and throw it away: "
                            + SheetIndex.spoken(p.name()),
                    "It is what pushes the sanitizer out.");
        }
        add(new Action.HoldPoint("quality"), "Wait until quality has looked and said yes", null);
        add(new Action.Record(), "Write down the readings and sign", null);
    }

    private Step fetch() {
        List<String> all = new ArrayList<>(ppe);
        things.stream().filter(t -> !all.contains(t)).forEach(all::add);
        return new Step(
                "fetch-1",
                new Action.Prepare(all),
                "Fetch everything before you begin: " + String.join(", ", all) + ".",
                "What is missing half-way costs the night, or something else is used instead.",
                null,
                3,
                1);
    }

    // ---- steps -------------------------------------------------------------------------------

    /** Whole parts where all of their surfaces are meant, else the surfaces. */
    private List<String> items(List<Surface> some) {
        Set<String> ids = new HashSet<>();
        some.forEach(s -> ids.add(s.id()));
        List<String> items = new ArrayList<>();
        for (Part p : parts) {
            List<String> own = p.surfaces().stream().map(Surface::id).toList();
            if (!own.isEmpty() && ids.containsAll(own)) {
                items.add(p.id());
            } else {
                own.stream().filter(ids::contains).forEach(items::add);
            }
        }
        return items;
    }

    private void add(Action action, String words, @Nullable String because) {
        add(action, words, because, null, 1);
    }

    private void add(Action action, String words, @Nullable String because, @Nullable String when) {
        add(action, words, because, when, 1);
    }

    private void add(
            Action action,
            String words,
            @Nullable String because,
            @Nullable String when,
            double minutes) {
        steps.add(
                new Step(
                        id(action),
                        action,
                        Words.sentence(words),
                        because,
                        null,
                        Math.min(600, minutes),
                        1,
                        when));
    }

    private String id(Action action) {
        String verb = action.verb().toLowerCase(Locale.ROOT).replace(' ', '-');
        return verb + "-" + ids.merge(verb, 1, Integer::sum);
    }
}
