package orthopur.rework;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import orthopur.machine.Check;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.runthrough.Context;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.SheetIndex;
import orthopur.runthrough.SurfaceAt;

/**
 * What a failed inspection or swab sends back: the part itself, what it touched since it was taken
 * to be clean, and the steps of the procedure that treat those – nothing else.
 *
 * @param surfaces that are to be cleaned again, in the order of the sheet
 * @param parts that own them
 * @param way those parts, with what is in front of them or covers them
 * @param steps ids of the steps to do again, in the order of the procedure
 */
public record Rework(
        List<String> surfaces, List<String> parts, List<String> way, List<String> steps) {

    /**
     * @param failed id of the part or surface that failed
     * @param until place (from 0) of the last step that was done
     * @throws IllegalArgumentException when the sheet has no such part or surface, or the procedure
     *     no such step
     */
    public static Rework of(
            Procedure procedure, SheetIndex sheet, Context context, String failed, int until) {
        if (until < 0 || until >= procedure.steps().size()) {
            throw new IllegalArgumentException(
                    "There is no step "
                            + (until + 1)
                            + "; allowed is 1 to "
                            + procedure.steps().size()
                            + ".");
        }
        List<SurfaceAt> flawed = surfaces(sheet, failed);
        int since = cleanedAt(procedure, sheet, context, flawed, until);
        // Never cleaned so far: it is where it stood in the round, and nothing has taken it as
        // clean.
        List<SurfaceAt> spread =
                since < 0
                        ? flawed
                        : RunThrough.spread(procedure, sheet, context, flawed, since, until);
        Set<String> parts = new LinkedHashSet<>();
        Set<String> ids = new LinkedHashSet<>();
        for (SurfaceAt s : spread) {
            ids.add(sheet.surface(s).id());
            parts.add(sheet.part(sheet.ownerOf(s)).id());
        }
        return new Rework(
                List.copyOf(ids),
                List.copyOf(parts),
                List.copyOf(inFront(sheet, parts)),
                steps(procedure, sheet, context, ids, parts, until));
    }

    private static List<SurfaceAt> surfaces(SheetIndex sheet, String failed) {
        // A surface does not go to the sink alone: its part does.
        PartAt whole = sheet.partMeant(failed);
        if (whole == null) {
            throw new IllegalArgumentException(
                    "There is no part or surface \"" + failed + "\" on this sheet.");
        }
        return sheet.surfacesOf(whole);
    }

    /** Place of the last step up to here that was taken to have cleaned them. */
    private static int cleanedAt(
            Procedure procedure,
            SheetIndex sheet,
            Context context,
            List<SurfaceAt> flawed,
            int until) {
        for (int i = until; i >= 0; i--) {
            Step s = procedure.steps().get(i);
            if (context.configuration().holds(s.when())
                    && cleans(s.action())
                    && s.action().items().stream()
                            .flatMap(item -> sheet.surfacesMeant(item).stream())
                            .anyMatch(flawed::contains)) {
                return i;
            }
        }
        return -1;
    }

    private static boolean cleans(Action action) {
        return action instanceof Action.Sanitize
                || action instanceof Action.Wash
                || action instanceof Action.Circulate
                || action instanceof Action.RunProgram;
    }

    /**
     * Steps on those surfaces, the way to them, and what frames them: made safe, cleared and proved
     * as in the whole round. Steps after the last one that was done stay ahead in any case.
     */
    private static List<String> steps(
            Procedure procedure,
            SheetIndex sheet,
            Context context,
            Set<String> surfaces,
            Set<String> parts,
            int until) {
        Set<String> way = inFront(sheet, parts);
        boolean opened = procedure.steps().subList(0, until + 1).stream().anyMatch(Rework::revives);
        List<String> again = new ArrayList<>();
        for (int i = 0; i <= until; i++) {
            Step s = procedure.steps().get(i);
            if (context.configuration().holds(s.when())
                    && again(s.action(), sheet, surfaces, parts, way, opened)) {
                again.add(s.id());
            }
        }
        return withFittings(procedure, again, until);
    }

    /** Hoses and caps go on again wherever a passage is flushed again. */
    private static List<String> withFittings(Procedure procedure, List<String> again, int until) {
        List<Step> done = procedure.steps().subList(0, until + 1);
        boolean flushed =
                done.stream()
                        .anyMatch(
                                s ->
                                        s.action() instanceof Action.Circulate
                                                && again.contains(s.id()));
        return done.stream()
                .filter(
                        s ->
                                again.contains(s.id())
                                        || flushed
                                                && (s.action() instanceof Action.Fit
                                                        || s.action() instanceof Action.Unfit))
                .map(Step::id)
                .toList();
    }

    private static boolean revives(Step s) {
        return s.action() instanceof Action.Restore || s.action().runs();
    }

    private static boolean again(
            Action a,
            SheetIndex sheet,
            Set<String> surfaces,
            Set<String> parts,
            Set<String> way,
            boolean opened) {
        return switch (a) {
            case Action.Operate o -> opened;
            case Action.Isolate o -> opened;
            case Action.Lock o -> opened;
            case Action.Relieve o -> opened;
            case Action.Prove o -> opened;
            case Action.Unlock o -> opened;
            case Action.Restore o -> opened;
            case Action.Clear o -> true;
            case Action.WashHands o -> true;
            case Action.FunctionTest o -> opened;
            case Action.Record o -> true;
            case Action.HoldPoint o -> true;
            case Action.Measure o ->
                    sheet.sheet().checks().stream()
                            .filter(c -> o.checks().contains(c.id()))
                            .map(Check::part)
                            .anyMatch(p -> parts.contains(p) || way.contains(p));
            case Action.Remove o -> o.items().stream().anyMatch(way::contains);
            case Action.Install o -> o.items().stream().anyMatch(way::contains);
            case Action.Shift o -> o.items().stream().anyMatch(way::contains);
            case Action.Return o -> o.items().stream().anyMatch(way::contains);
            case Action.Mark o -> o.items().stream().anyMatch(way::contains);
            case Action.Prepare o -> false;
            case Action.KeepProduct o -> false;
            default ->
                    a.items().stream()
                            .flatMap(item -> sheet.surfacesMeant(item).stream())
                            .map(s -> sheet.surface(s).id())
                            .anyMatch(surfaces::contains);
        };
    }

    /** The parts, what covers their surfaces and what is in front of those, all the way out. */
    private static Set<String> inFront(SheetIndex sheet, Set<String> parts) {
        Set<String> way = new LinkedHashSet<>(parts);
        List<String> open = new ArrayList<>(parts);
        while (!open.isEmpty()) {
            PartAt p = sheet.partNamed(open.removeLast());
            if (p == null) {
                continue;
            }
            Set<String> next = new LinkedHashSet<>(sheet.part(p).behind());
            for (SurfaceAt s : sheet.surfacesOf(p)) {
                sheet.coversOf(s).stream().map(sheet::part).map(Part::id).forEach(next::add);
            }
            for (String front : next) {
                if (way.add(front)) {
                    open.add(front);
                }
            }
        }
        return way;
    }
}
