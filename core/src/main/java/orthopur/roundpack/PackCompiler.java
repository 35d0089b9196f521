package orthopur.roundpack;

import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import orthopur.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.Check;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.mixing.SanitizerLimit;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.quantity.Strength;
import orthopur.roundpack.RoundPack.CheckPlan;
import orthopur.roundpack.RoundPack.Instrument;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.Piece;
import orthopur.roundpack.RoundPack.ReadingBand;
import orthopur.roundpack.RoundPack.ReadingPlan;
import orthopur.roundpack.RoundPack.Tally;
import orthopur.roundpack.RoundPack.Timer;
import orthopur.runthrough.Context;
import orthopur.runthrough.SheetIndex;
import orthopur.verdict.Phases;

/** Compiles a procedure for the floor. The same input always gives the same pack. */
public final class PackCompiler {
    private final Procedure procedure;
    private final SheetIndex sheet;
    private final Context context;
    private final List<String> phases;

    private PackCompiler(Procedure procedure, MachineSheet sheet, Context context) {
        this.procedure = procedure;
        this.sheet = new SheetIndex(sheet);
        this.context = context;
        this.phases = Phases.of(procedure);
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
        PackCompiler c = new PackCompiler(procedure, sheet, context);
        List<PackStep> steps = new ArrayList<>();
        for (int i = 0; i < procedure.steps().size(); i++) {
            steps.add(c.step(i));
        }
        List<Tally> parts =
                sheet.parts().stream()
                        .filter(Part::removable)
                        .map(p -> new Tally(p.id(), p.name(), p.count()))
                        .toList();
        return new RoundPack(
                procedure.id(),
                version,
                procedure.title(),
                sheet.code(),
                sheet.name(),
                sheet.version(),
                procedure.ruleBook(),
                procedure.ppe(),
                steps,
                parts,
                instruments);
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
                a instanceof Action.Remove r
                        ? pieces(place, r.items(), r.count(), r.destination())
                        : List.of(),
                a instanceof Action.Install r
                        ? pieces(place, r.items(), r.count(), null)
                        : List.of(),
                timer(a),
                a instanceof Action.Collect c ? soakOf(place, c.items()) : null,
                a instanceof Action.Sanitize z ? reading(z) : null,
                checks(a),
                a instanceof Action.Prepare p ? p.things() : List.of(),
                where(a));
    }

    private String title(Action a) {
        List<String> named = a.items().isEmpty() ? a.energies() : a.items();
        String what =
                switch (a) {
                    case Action.Prepare p -> "What you need";
                    case Action.Measure m ->
                            sheet.sheet().checks().stream()
                                    .filter(c -> m.checks().contains(c.id()))
                                    .map(Check::name)
                                    .reduce((x, y) -> x + ", " + y)
                                    .orElse("");
                    case Action.HoldPoint h -> h.who() == null ? "" : "for " + h.who();
                    default -> sheet.names(named);
                };
        return what.isEmpty() ? a.verb() : what;
    }

    /** Pieces by number; where fewer than all move, those that earlier steps have not moved yet. */
    private List<Piece> pieces(
            int place, List<String> items, @Nullable Integer count, @Nullable String destination) {
        boolean takes = procedure.steps().get(place).action() instanceof Action.Remove;
        List<Piece> pieces = new ArrayList<>();
        for (String item : items) {
            int p = sheet.partNamed(item);
            if (p < 0) {
                continue;
            }
            Part part = sheet.part(p);
            int before = movedBefore(place, part, takes);
            int n = count == null ? part.count() - before : Math.min(count, part.count() - before);
            for (int i = before + 1; i <= before + n; i++) {
                String name = part.count() == 1 ? part.name() : part.name() + " " + i;
                pieces.add(new Piece(part.id() + "#" + i, name, destination));
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
                            sheet.names(s.items())
                                    + " soaking"
                                    + (s.solution().vessel() == null
                                            ? ""
                                            : ", " + s.solution().vessel()),
                            seconds(s.dwell()),
                            false);
            case Action.Circulate c when c.dwell() != null ->
                    new Timer(sheet.names(c.items()) + " circulating", seconds(c.dwell()), false);
            case Action.CoolDown c when c.standing() != null ->
                    new Timer(sheet.names(c.energies()) + " cooling", seconds(c.standing()), false);
            case Action.Dry d when d.time() != null ->
                    new Timer(sheet.names(d.items()) + " drying", seconds(d.time()), false);
            case Action.Sanitize z when z.contact() != null ->
                    new Timer("Wet contact", seconds(z.contact()), true);
            default -> null;
        };
    }

    private static long seconds(Duration d) {
        return d.toSeconds();
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
        List<ReadingBand> bands =
                new SanitizerLimit(context.book())
                        .bands(use).stream()
                                .map(
                                        b ->
                                                new ReadingBand(
                                                        b.from().celsius(),
                                                        b.least().mgPerL(),
                                                        b.most().mgPerL()))
                                .toList();
        Strength stock = context.stockOf(c);
        String planned =
                (z.solution().strength() == null ? "" : z.solution().strength().shown())
                        + (z.solution().temperature() == null
                                ? ""
                                : " at " + z.solution().temperature().shown());
        return new ReadingPlan(
                c.name(),
                bands,
                stock == null ? null : stock.mgPerL(),
                z.solution().volume() == null ? null : z.solution().volume().litres(),
                planned);
    }

    private List<CheckPlan> checks(Action a) {
        List<String> made =
                switch (a) {
                    case Action.Measure m -> m.checks();
                    case Action.FunctionTest t -> t.checks();
                    default -> List.of();
                };
        return sheet.sheet().checks().stream()
                .filter(c -> made.contains(c.id()))
                .map(c -> new CheckPlan(c.id(), c.name(), c.least(), c.most(), c.unit()))
                .toList();
    }

    private List<String> where(Action a) {
        Set<String> parts = new LinkedHashSet<>();
        for (String item : a.items()) {
            int passage = sheet.passageNamed(item);
            int s = sheet.surfaceNamed(item);
            if (passage >= 0) {
                sheet.wettedIn(passage).forEach(w -> parts.add(sheet.part(sheet.ownerOf(w)).id()));
            } else {
                parts.add(s < 0 ? item : sheet.part(sheet.ownerOf(s)).id());
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
