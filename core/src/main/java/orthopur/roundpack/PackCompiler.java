package orthopur.roundpack;

import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.chemical.Label;
import orthopur.instrument.Instrument;
import orthopur.instrument.Measures;
import orthopur.machine.Check;
import orthopur.machine.Configuration;
import orthopur.machine.Fitting;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.machine.Vessel;
import orthopur.machine.WasherType;
import orthopur.mixing.Band;
import orthopur.mixing.SanitizerLimit;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Ph;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.rework.Rework;
import orthopur.roundpack.RoundPack.CheckPlan;
import orthopur.roundpack.RoundPack.Mix;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.Piece;
import orthopur.roundpack.RoundPack.ReadingBand;
import orthopur.roundpack.RoundPack.ReadingPlan;
import orthopur.roundpack.RoundPack.ReworkPlan;
import orthopur.roundpack.RoundPack.Tally;
import orthopur.roundpack.RoundPack.Timer;
import orthopur.rulebook.RuleBook;
import orthopur.runthrough.Context;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.PassageAt;
import orthopur.runthrough.SheetIndex;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;
import orthopur.verdict.Phases;

/** Compiles a procedure for the floor. The same input always gives the same pack. */
public final class PackCompiler {
    /** Between the id of a step of a loop and its position. */
    private static final String LOOPED = "@";

    /** How many K a line may lose between what is sent and what returns. */
    private static final double RETURN_LOSS = 5;

    /** How the key of a cleaning fitting begins, so that it is told from a part. */
    public static final String FITTING = "fitting:";

    private final Procedure procedure;
    private final SheetIndex sheet;
    private final Context context;
    private final List<String> phases;
    private final Asks asks;
    private final List<Instrument> instruments;

    private PackCompiler(
            Procedure procedure,
            MachineSheet sheet,
            Context context,
            List<Instrument> instruments) {
        this.instruments = instruments;
        this.procedure = procedure;
        this.sheet = new SheetIndex(sheet);
        this.context = context;
        this.phases = Phases.of(procedure);
        this.asks = new Asks(this.sheet, this::flows);
    }

    /** For the machine as it is fitted: what only another option has is not on the tablet. */
    public static RoundPack compile(
            Procedure written,
            int version,
            MachineSheet whole,
            Context context,
            List<Instrument> instruments) {
        Configuration fitted = Configuration.fitted(whole);
        MachineSheet sheet = fitted.of(whole);
        Procedure procedure =
                written.withSteps(
                        written.steps().stream().filter(s -> fitted.holds(s.when())).toList());
        PackCompiler c = new PackCompiler(procedure, sheet, context, instruments);
        List<PackStep> steps = new ArrayList<>();
        for (int i = 0; i < procedure.steps().size(); i = c.through(i, steps)) {}
        List<Tally> parts = new ArrayList<>();
        sheet.parts().stream()
                .filter(Part::removable)
                .forEach(p -> parts.add(new Tally(p.id(), p.name(), p.count())));
        sheet.fittings().forEach(f -> parts.add(new Tally(FITTING + f.id(), f.name(), f.count())));
        return new RoundPack(
                procedure.id(),
                version,
                procedure.title(),
                procedure.kind(),
                sheet.code(),
                sheet.name(),
                sheet.version(),
                procedure.ruleBook(),
                procedure.ppe(),
                steps,
                parts,
                instruments.stream().filter(i -> taken(i, steps)).toList(),
                Troubles.of(procedure),
                reworks(procedure, c.sheet, context.in(fitted), steps),
                RoundPack.FORMAT);
    }

    private static List<String> looped(List<PackStep> steps, List<String> ids) {
        return steps.stream().filter(s -> ids.contains(written(s))).map(PackStep::id).toList();
    }

    /** The id that a step has in the procedure. */
    private static String written(PackStep s) {
        int at = s.id().indexOf(LOOPED);
        return at < 0 ? s.id() : s.id().substring(0, at);
    }

    private static boolean taken(Instrument i, List<PackStep> steps) {
        return steps.stream().anyMatch(s -> s.reading() != null && s.reading().takes(i.id()));
    }

    /** For each part that can be found wanting: what is redone, wherever that changes. */
    private static List<ReworkPlan> reworks(
            Procedure procedure, SheetIndex sheet, Context context, List<PackStep> steps) {
        List<ReworkPlan> plans = new ArrayList<>();
        for (Part part : sheet.sheet().parts()) {
            if (part.surfaces().isEmpty()) {
                continue;
            }
            List<ReworkPlan.Since> since = new ArrayList<>();
            for (int i = 0; i < procedure.steps().size(); i++) {
                Rework r = Rework.of(procedure, sheet, context, part.id(), i);
                ReworkPlan.Since now =
                        new ReworkPlan.Since(i + 1, looped(steps, r.steps()), r.way());
                if (since.isEmpty()
                        || !since.getLast().steps().equals(now.steps())
                        || !since.getLast().parts().equals(now.parts())) {
                    since.add(now);
                }
            }
            plans.add(new ReworkPlan(part.id(), part.name(), since));
        }
        return plans;
    }

    /**
     * Adds the step at a place, or the whole loop that begins there, position by position.
     *
     * @return the place after it
     */
    private int through(int place, List<PackStep> steps) {
        List<Step> loop = procedure.loopAt(place);
        int positions = positions(loop);
        if (positions < 2) {
            steps.add(step(place));
            return place + 1;
        }
        for (int k = 1; k <= positions; k++) {
            for (int i = 0; i < loop.size(); i++) {
                steps.add(at(step(place + i), k, positions));
            }
        }
        return place + loop.size();
    }

    /** How many times a loop goes round: as often as there are of what is brought to its place. */
    private int positions(List<Step> loop) {
        int most = 0;
        for (Step s : loop) {
            if (s.action() instanceof Action.Index a && a.times() != null) {
                most = Math.max(most, a.times());
            }
            for (String item : s.action().items()) {
                PartAt p = sheet.partNamed(item);
                most = p == null ? most : Math.max(most, sheet.part(p).count());
            }
        }
        return most;
    }

    /** One step of a loop at one of its positions, with the pieces that belong there. */
    private static PackStep at(PackStep s, int position, int of) {
        return new PackStep(
                s.id() + LOOPED + position,
                s.number(),
                s.phase(),
                s.verb(),
                Text.of("pack.position", "{0}, {1} / {2}", s.title(), position, of),
                s.words(),
                s.because(),
                s.caution(),
                s.minutes() / of,
                share(s.off(), position, of),
                share(s.on(), position, of),
                s.timer(),
                s.waitsFor(),
                s.reading(),
                s.checks(),
                s.asks(),
                s.hands(),
                s.things(),
                s.where(),
                s.flows(),
                s.action(),
                s.mix());
    }

    /** The pieces of each part that come at one position: of ten the third, of twenty two each. */
    private static List<Piece> share(List<Piece> all, int position, int of) {
        List<Piece> here = new ArrayList<>();
        for (Piece p : all) {
            List<Piece> same = all.stream().filter(o -> part(o).equals(part(p))).toList();
            if (same.indexOf(p) * of / same.size() + 1 == position) {
                here.add(p);
            }
        }
        return here;
    }

    private static String part(Piece p) {
        return p.key().substring(0, p.key().lastIndexOf('#'));
    }

    private PackStep step(int place) {
        Step s = procedure.steps().get(place);
        Action a = s.action();
        return new PackStep(
                s.id(),
                place + 1,
                phases.get(place),
                a.verb(),
                title(a),
                s.words(),
                s.because(),
                s.caution(),
                s.minutes(),
                switch (a) {
                    case Action.Remove r -> pieces(place, r.items(), r.count(), r.destination());
                    case Action.Fit f -> fittings(f.fittings());
                    default -> List.of();
                },
                switch (a) {
                    case Action.Install r -> pieces(place, r.items(), r.count(), null);
                    case Action.Unfit f -> fittings(f.fittings());
                    default -> List.of();
                },
                timer(a),
                a instanceof Action.Collect c ? soakOf(place, c.items()) : null,
                a instanceof Action.Sanitize z ? reading(z) : null,
                checks(s),
                asks.of(s),
                handsOnMachine(a),
                a instanceof Action.Prepare p ? p.things() : List.of(),
                where(a),
                a instanceof Action.Circulate c ? flows(c) : Map.of(),
                a.name(),
                mix(a));
    }

    private @Nullable Mix mix(Action a) {
        Solution s = a.solution();
        if (s == null || s.chemical() == null || s.strength() == null || s.volume() == null) {
            return null;
        }
        Band beside = beside(a);
        return new Mix(
                s.chemical(),
                s.volume().litres(),
                s.strength() instanceof Strength mg ? mg.mgPerL() : null,
                s.strength() instanceof Share of ? of.percent() : null,
                s.temperature() == null ? null : s.temperature().celsius(),
                s.ph() == null ? null : s.ph().value(),
                s.vessel(),
                beside == null ? null : beside.least().mgPerL(),
                beside == null ? null : beside.most().mgPerL());
    }

    /**
     * What the label gives where nothing that is sanitized touches food: floors, drains and foot
     * baths have strengths of their own. Null where something does, or the label says nothing.
     */
    private @Nullable Band beside(Action a) {
        Chemical c = context.chemical(a.chemical());
        List<Surface> all =
                a.items().stream()
                        .flatMap(i -> sheet.surfacesMeant(i).stream())
                        .map(sheet::surface)
                        .toList();
        if (c == null || !(a instanceof Action.Sanitize) || all.isEmpty()) {
            return null;
        }
        double least = 0;
        double most = Band.UNDILUTED;
        for (Surface s : all) {
            Label.OtherUse on = s.zone() >= 3 ? c.label().other(s.use()) : null;
            if (on == null || !(on.least() instanceof Strength low)) {
                return null;
            }
            least = Math.max(least, low.mgPerL());
            most = on.most() instanceof Strength high ? Math.min(most, high.mgPerL()) : most;
        }
        return Band.besideFood(least, most);
    }

    /** Whether hands go to the machine itself: a part at the sink is out of its reach. */
    private boolean handsOnMachine(Action a) {
        return switch (a) {
            case Action.Remove r -> true;
            case Action.Install r -> true;
            case Action.Shift r -> true;
            case Action.Return r -> true;
            case Action.Index i -> !i.powered();
            default ->
                    a.handsIn()
                            && a.items().stream()
                                    .flatMap(i -> sheet.surfacesMeant(i).stream())
                                    .map(sheet::ownerOf)
                                    .anyMatch(p -> !sheet.part(p).removable());
        };
    }

    /** Where the line is turned round each time, the other way than at the last service. */
    private Map<String, Action.Flow> flows(Action.Circulate c) {
        Map<String, Action.Flow> flows = new TreeMap<>();
        for (String item : c.items()) {
            if (c.flow() == null || sheet.passageNamed(item) == null) {
                continue;
            }
            flows.put(
                    item,
                    c.flow() != Action.Flow.ALTERNATE
                            ? c.flow()
                            : context.lastFlow(item) == Action.Flow.FORWARD
                                    ? Action.Flow.REVERSE
                                    : Action.Flow.FORWARD);
        }
        return flows;
    }

    private static Text numbered(String name, int of, int place) {
        return of == 1 ? Text.plain(name) : Text.of("piece.numbered", "{0} {1}", name, place);
    }

    private List<Piece> fittings(List<String> ids) {
        List<Piece> pieces = new ArrayList<>();
        for (Fitting f : sheet.sheet().fittings()) {
            for (int i = 1; ids.contains(f.id()) && i <= f.count(); i++) {
                pieces.add(
                        new Piece(
                                FITTING + f.id() + "#" + i,
                                numbered(f.name(), f.count(), i),
                                null));
            }
        }
        return pieces;
    }

    private Text title(Action a) {
        List<String> named = a.items().isEmpty() ? a.energies() : a.items();
        Text what =
                switch (a) {
                    case Action.Prepare p -> Text.of("pack.what-you-need", "What you need");
                    case Action.Measure m ->
                            all(
                                    sheet.sheet().checks().stream()
                                            .filter(c -> m.checks().contains(c.id()))
                                            .map(Check::name)
                                            .toList());
                    case Action.Fit fit -> fitted(fit.fittings());
                    case Action.Unfit off -> fitted(off.fittings());
                    case Action.RunProgram run ->
                            sheet.sheet().programs().stream()
                                    .filter(x -> x.id().equals(run.program()))
                                    .map(x -> Text.plain(x.name()))
                                    .findFirst()
                                    .orElse(sheet.names(named));
                    case Action.HoldPoint h -> Text.plain(h.who() == null ? "" : h.who());
                    default -> sheet.names(named);
                };
        return what.toString().isEmpty() ? Text.plain(a.verb()) : what;
    }

    private Text fitted(List<String> ids) {
        return all(
                sheet.sheet().fittings().stream()
                        .filter(f -> ids.contains(f.id()))
                        .map(Fitting::name)
                        .toList());
    }

    private static Text all(List<String> names) {
        return names.size() == 1
                ? Text.plain(names.getFirst())
                : Text.of("names.all", "{0}", names);
    }

    /** Pieces by number; where fewer than all move, those that earlier steps have not moved yet. */
    private List<Piece> pieces(
            int place, List<String> items, @Nullable Integer count, @Nullable String destination) {
        boolean takes = procedure.steps().get(place).action() instanceof Action.Remove;
        List<Piece> pieces = new ArrayList<>();
        for (String item : items) {
            PartAt p = sheet.partNamed(item);
            if (p == null) {
                continue;
            }
            Part part = sheet.part(p);
            int before = movedBefore(place, part, takes);
            int n = count == null ? part.count() - before : Math.min(count, part.count() - before);
            for (int i = before + 1; i <= before + n; i++) {
                pieces.add(
                        new Piece(
                                part.id() + "#" + i,
                                numbered(part.name(), part.count(), i),
                                destination));
            }
        }
        return pieces;
    }

    private int movedBefore(int place, Part part, boolean takes) {
        int off = 0;
        for (Step s : procedure.steps().subList(0, place)) {
            if (s.action() instanceof Action.Remove r && r.items().contains(part.id())) {
                off = r.count() == null ? part.count() : Math.min(part.count(), off + r.count());
            }
            if (s.action() instanceof Action.Install r && r.items().contains(part.id())) {
                off = r.count() == null ? 0 : Math.max(0, off - r.count());
            }
        }
        return takes ? off : part.count() - off;
    }

    private @Nullable Timer timer(Action a) {
        return switch (a) {
            case Action.Soak s when s.dwell() != null ->
                    new Timer(
                            s.solution().vessel() == null
                                    ? Text.of("pack.soaking", "{0} soaking", sheet.names(s.items()))
                                    : Text.of(
                                            "pack.soaking-there",
                                            "{0} soaking, {1}",
                                            sheet.names(s.items()),
                                            s.solution().vessel()),
                            seconds(s.dwell()),
                            false);
            case Action.Circulate c when c.dwell() != null ->
                    new Timer(
                            Text.of("pack.circulating", "{0} circulating", sheet.names(c.items())),
                            seconds(c.dwell()),
                            false);
            case Action.CoolDown c when c.standing() != null ->
                    new Timer(
                            Text.of("pack.cooling", "{0} cooling", sheet.names(c.energies())),
                            seconds(c.standing()),
                            false);
            case Action.Dry d when d.time() != null ->
                    new Timer(drying(d.items()), seconds(d.time()), false);
            case Action.Sanitize z when z.contact() != null ->
                    new Timer(
                            Text.of("pack.wet-contact", "Wet contact"), seconds(z.contact()), true);
            case Action.Wash w when w.dwell() != null ->
                    new Timer(Text.of("pack.dwell", "Dwell"), seconds(w.dwell()), true);
            case Action.Rinse r when r.time() != null ->
                    new Timer(Text.of("pack.rinse", "Rinse"), seconds(r.time()), true);
            case Action.Coat c when c.touchDry() != null ->
                    new Timer(drying(c.items()), seconds(c.touchDry()), false);
            case Action.Restore r when r.waited() != null ->
                    new Timer(Text.of("pack.wait", "Wait"), seconds(r.waited()), true);
            default -> null;
        };
    }

    private Text drying(List<String> items) {
        return Text.of("pack.drying", "{0} drying", sheet.names(items));
    }

    private static long seconds(Duration d) {
        return d.getSeconds();
    }

    /** The latest soak that holds any of these. */
    private @Nullable String soakOf(int place, List<String> items) {
        for (int i = place - 1; i >= 0; i--) {
            Step s = procedure.steps().get(i);
            if (s.action() instanceof Action.Soak soak
                    && soak.items().stream().anyMatch(items::contains)) {
                return s.id();
            }
        }
        return null;
    }

    private @Nullable ReadingPlan reading(Action.Sanitize z) {
        Chemical c = context.chemical(z.solution().chemical());
        if (c == null || !c.kind().sanitizes() || z.readings().isEmpty()) {
            return null;
        }
        SanitizerLimit.Use use =
                new SanitizerLimit.Use(
                        c.kind(),
                        c.label(),
                        SanitizerLimit.active(z.solution().strength()),
                        z.solution().temperature(),
                        z.solution().ph(),
                        context.hardness(),
                        procedure.schools().rinseAfterSanitizer());
        Band beside = beside(z);
        List<Band> permitted =
                beside == null ? new SanitizerLimit(context.book()).bands(use) : List.of(beside);
        List<ReadingBand> bands =
                permitted.stream()
                        .map(
                                b ->
                                        new ReadingBand(
                                                b.from().celsius(),
                                                b.least().mgPerL(),
                                                b.most().mgPerL()))
                        .toList();
        Strength stock = context.stockOf(c);
        String strength = z.solution().strength() == null ? "" : z.solution().strength().shown();
        Text planned =
                z.solution().temperature() == null
                        ? Text.plain(strength)
                        : Text.of(
                                "pack.planned",
                                "{0} at {1}",
                                strength,
                                z.solution().temperature().shown());
        return new ReadingPlan(
                c.name(),
                bands,
                stock == null ? null : stock.mgPerL(),
                z.solution().volume() == null ? null : z.solution().volume().litres(),
                planned,
                instruments.stream()
                        .filter(i -> i.reads(c.kind()))
                        .filter(i -> beside == null || i.reaches(beside.least().mgPerL()))
                        .map(Instrument::id)
                        .toList());
    }

    /** What the action has measured, and the condition as found where the step asks for it. */
    private List<CheckPlan> checks(Step s) {
        if (!s.asFound()) {
            return checks(s.action());
        }
        List<CheckPlan> all = new ArrayList<>(checks(s.action()));
        all.add(
                new CheckPlan(
                        "as-found",
                        Text.of(
                                "pack.as-found-condition-1-clean-2",
                                "As-found condition: 1 clean, 2 light soil, 3 medium, 4 heavy"),
                        1.0,
                        4.0,
                        null,
                        null));
        return all;
    }

    private List<CheckPlan> checks(Action a) {
        return switch (a) {
            case Action.Measure m -> ofSheet(m.checks());
            case Action.FunctionTest t -> ofSheet(t.checks());
            case Action.CoolDown c when c.below() != null ->
                    List.of(
                            new CheckPlan(
                                    "below",
                                    Text.of(
                                            "pack.temperature-of",
                                            "Temperature of {0}",
                                            energyNames(c)),
                                    -20.0,
                                    c.below().celsius(),
                                    "°C",
                                    worstThermometer()));
            case Action.Rinse r when r.endPoint() == Action.EndPoint.TAP_PH ->
                    List.of(likeTap(context.tapPh()));
            case Action.Sanitize z when z.readings().contains(Action.Reading.PH) -> mixedPh(z);
            case Action.Circulate c -> returned(c);
            case Action.RunProgram p when p.readings().contains(Action.Reading.TEMPERATURE) ->
                    dials(p);
            default -> List.of();
        };
    }

    /** The pH is read in the mixed solution: the concentrate moves it. */
    private List<CheckPlan> mixedPh(Action.Sanitize z) {
        Chemical c = context.chemical(z.solution().chemical());
        Double most = c == null ? null : highestPh(c, z.solution().ph());
        return most == null
                ? List.of()
                : List.of(
                        new CheckPlan(
                                "mixed-ph",
                                Text.of(
                                        "pack.ph-of-the-mixed-solution",
                                        "pH of the mixed solution"),
                                0.0,
                                most,
                                "pH",
                                penOff()));
    }

    /** The end of the row that the plan was made by; null where the pH decides nothing. */
    private @Nullable Double highestPh(Chemical c, @Nullable Ph planned) {
        RuleBook book = context.book();
        Double most =
                switch (c.kind()) {
                    case CHLORINE -> {
                        double narrow = book.number("chlorine.ph.narrow");
                        boolean low = planned != null && planned.value() <= narrow;
                        yield low ? narrow : book.number("chlorine.ph.wide");
                    }
                    case IODINE -> book.number("iodine.ph");
                    default -> null;
                };
        Ph label = c.label().highestPh();
        return most == null || label == null
                ? most
                : Double.valueOf(Math.min(most.doubleValue(), label.value()));
    }

    private @Nullable Double penOff() {
        return instruments.stream()
                .filter(i -> i.measures() == Measures.PH)
                .map(Instrument::tolerance)
                .max(Double::compare)
                .orElse(null);
    }

    /** Time counts from when what returns is as strong and as warm as the label asks. */
    private List<CheckPlan> returned(Action.Circulate a) {
        Chemical c = context.chemical(a.solution().chemical());
        List<CheckPlan> all = new ArrayList<>();
        if (c == null) {
            return all;
        }
        if (a.readings().contains(Action.Reading.STRENGTH)
                && a.solution().strength() instanceof Share sent
                && c.label().most() instanceof Share most) {
            all.add(
                    new CheckPlan(
                            "returned",
                            Text.of(
                                    "pack.strength-of-what-returns-against-what",
                                    "Strength of what returns, against what is sent"),
                            sent.percent(),
                            most.percent(),
                            "%",
                            null));
        }
        if (a.readings().contains(Action.Reading.TEMPERATURE)
                && a.solution().temperature() != null) {
            double least = a.solution().temperature().celsius();
            Temperature hottest = c.label().highestTemperature();
            all.add(
                    new CheckPlan(
                            "returned-temperature",
                            Text.of(
                                    "pack.temperature-of-what-returns",
                                    "Temperature of what returns"),
                            // It loses a few degrees on its way round.
                            least - RETURN_LOSS,
                            hottest == null ? 100.0 : hottest.celsius(),
                            "°C",
                            null));
        }
        return all;
    }

    private List<CheckPlan> dials(Action.RunProgram p) {
        WasherType type = washerType(p);
        if (type == null || type == WasherType.CHEMICAL) {
            return List.of();
        }
        RuleBook book = context.book();
        return List.of(
                new CheckPlan(
                        "tank-dial",
                        Text.of("pack.wash-tank-on-the-dial", "Wash tank, on the dial"),
                        book.temperature(type.tankFigure()).celsius(),
                        book.temperature("washer.rinse.most").celsius(),
                        "°C",
                        null),
                new CheckPlan(
                        "rinse-dial",
                        Text.of("pack.final-rinse-on-the-dial", "Final rinse, on the dial"),
                        book.temperature(type.rinseFigure()).celsius(),
                        book.temperature("washer.rinse.most").celsius(),
                        "°C",
                        null));
    }

    private @Nullable WasherType washerType(Action.RunProgram p) {
        if (p.program() != null) {
            return sheet.sheet().washer();
        }
        Vessel v = context.vessel(p.solution().vessel());
        return v == null || v.washer() == null ? null : v.washer().type();
    }

    /** Against the pH of the mains; where that was never measured, against the tap beside it. */
    private CheckPlan likeTap(@Nullable Ph tap) {
        if (tap == null) {
            return new CheckPlan(
                    "ph",
                    Text.of(
                            "pack.ph-of-what-runs-off-is",
                            "pH of what runs off is that of the tap"),
                    null,
                    null,
                    null,
                    null);
        }
        double near = context.book().figure("rinse.ph.from-tap").value();
        return new CheckPlan(
                "ph",
                Text.of("pack.ph-of-what-runs-off", "pH of what runs off"),
                tap.value() - near,
                tap.value() + near,
                "pH",
                null);
    }

    /** Nobody says which thermometer is taken, so the least good one of the site counts. */
    private @Nullable Double worstThermometer() {
        return instruments.stream()
                .filter(i -> i.readsStrength() || i.measures() == Measures.SURFACE_TEMPERATURE)
                .map(i -> i.readsStrength() ? i.temperatureTolerance() : i.tolerance())
                .max(Double::compare)
                .orElse(null);
    }

    private Text energyNames(Action.CoolDown c) {
        return sheet.names(c.energies());
    }

    private List<CheckPlan> ofSheet(List<String> made) {
        return sheet.sheet().checks().stream()
                .filter(c -> made.contains(c.id()))
                .map(
                        c ->
                                new CheckPlan(
                                        c.id(),
                                        Text.plain(c.name()),
                                        c.least(),
                                        c.most(),
                                        c.unit(),
                                        c.tolerance()))
                .toList();
    }

    private List<String> where(Action a) {
        Set<String> parts = new LinkedHashSet<>();
        for (String item : a.items()) {
            PassageAt passage = sheet.passageNamed(item);
            SurfaceAt s = sheet.surfaceNamed(item);
            if (passage != null) {
                sheet.wettedIn(passage).forEach(w -> parts.add(sheet.part(sheet.ownerOf(w)).id()));
            } else {
                parts.add(s == null ? item : sheet.part(sheet.ownerOf(s)).id());
            }
        }
        if (a instanceof Action.Measure m) {
            sheet.sheet().checks().stream()
                    .filter(c -> m.checks().contains(c.id()))
                    .forEach(c -> parts.add(c.part()));
        }
        return List.copyOf(parts);
    }
}
