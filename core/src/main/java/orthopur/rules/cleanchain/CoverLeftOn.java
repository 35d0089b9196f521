package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Findings;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/**
 * C6: a part stays on and covers a zone-1 surface that is counted as cleaned. Known only at the
 * end, for the cover may still come off; shown at the first step that named the surface and could
 * not reach it.
 */
public final class CoverLeftOn extends BookRule {
    public CoverLeftOn() {
        super(
                RuleId.C6,
                Severity.STOP,
                "Nothing stays mounted over a surface that is counted as cleaned",
                Sources.FOOD_CODE_SURFACES);
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        Map<PartAt, List<SurfaceAt>> byCover = new LinkedHashMap<>();
        Map<PartAt, Integer> firstStep = new LinkedHashMap<>();
        for (int i = 0; i < end.traces().size(); i++) {
            Action a = end.procedure().steps().get(i).action();
            boolean counts =
                    a instanceof Action.Wash
                            || a instanceof Action.Rinse
                            || a instanceof Action.Sanitize;
            for (SurfaceAt s : counts ? end.traces().get(i).covered() : List.<SurfaceAt>of()) {
                boolean concerns =
                        end.sheet().surface(s).zone() == 1 && end.due(s) && !end.reached(s);
                PartAt now = end.night().coverOf(s);
                PartAt cover = now != null ? now : anyCover(end, s);
                if (!concerns || cover == null) {
                    continue;
                }
                List<SurfaceAt> hidden = byCover.computeIfAbsent(cover, c -> new ArrayList<>());
                if (!hidden.contains(s)) {
                    hidden.add(s);
                }
                firstStep.putIfAbsent(cover, i);
            }
        }
        byCover.forEach(
                (cover, hidden) ->
                        report(end, out, cover, hidden, firstStep.getOrDefault(cover, 0)));
    }

    private void report(Ending end, Findings out, PartAt cover, List<SurfaceAt> hidden, int place) {
        Part part = end.sheet().part(cover);
        Step step = end.procedure().steps().get(place);
        List<String> ids = hidden.stream().map(s -> end.sheet().surface(s).id()).toList();
        Text how =
                part.shifts()
                        ? Text.of("cover-left-on.moved-aside", "moved aside")
                        : Text.of("cover-left-on.taken-off", "taken off");
        Findings.Report r =
                out.report(info)
                        .at(place, step.id())
                        .items(ids)
                        .items(List.of(part.id()))
                        .says(
                                Text.of(
                                        "cover-left-on.is-not-when-step-works",
                                        "{0} is not {1} when step {2} works there, so nobody reaches {3}.",
                                        SheetIndex.spoken(part.name()),
                                        how,
                                        place + 1,
                                        end.sheet().names(ids)),
                                Text.of(
                                        "cover-left-on.what-lives-under-a-cover",
                                        "What lives under a cover is spread by the first movement after assembly."))
                        .deny(hidden);
        // It stayed on itself, so its own surfaces were met by nothing either.
        List<String> unmet = new ArrayList<>(ids);
        part.surfaces().forEach(s -> unmet.add(s.id()));
        out.adopt(r, unmet, RuleId.C2);
        Procedure p = end.procedure();
        int first = firstTreatment(end, hidden);
        String before = p.steps().get(first).id();
        String back = StepEdits.firstFrom(p, place, CoverLeftOn::putsTogether);
        if (part.shifts()) {
            r.propose(
                    Text.of(
                            "cover-left-on.move-aside-before-step",
                            "Move {0} aside before step {1}",
                            SheetIndex.spoken(part.name()),
                            (first + 1)),
                    List.of(
                            insert(
                                    p,
                                    before,
                                    0,
                                    new Action.Shift(List.of(part.id())),
                                    "Move aside: ",
                                    part),
                            insert(
                                    p,
                                    back,
                                    1,
                                    new Action.Return(List.of(part.id())),
                                    "Move back: ",
                                    part)));
        }
        if (part.removable()) {
            r.propose(
                    Text.of(
                            "cover-left-on.take-off-before-step",
                            "Take off {0} before step {1}",
                            SheetIndex.spoken(part.name()),
                            (first + 1)),
                    List.of(
                            insert(
                                    p,
                                    before,
                                    0,
                                    new Action.Remove(List.of(part.id()), null, part.destination()),
                                    "Take off: ",
                                    part),
                            insert(
                                    p,
                                    back,
                                    1,
                                    new Action.Install(List.of(part.id()), null),
                                    "Put back: ",
                                    part)));
        }
    }

    /** The first step that tried to treat one of them, dry-cleaning included. */
    private static int firstTreatment(Ending end, List<SurfaceAt> hidden) {
        for (int i = 0; i < end.traces().size(); i++) {
            if (end.traces().get(i).covered().stream().anyMatch(hidden::contains)) {
                return i;
            }
        }
        return 0;
    }

    private static boolean putsTogether(Action a) {
        return a instanceof Action.Install
                || a instanceof Action.Return
                || StepEdits.endsAssembly(a);
    }

    private static Edit insert(
            Procedure p, @Nullable String before, int nth, Action action, String words, Part part) {
        return new Edit.InsertBefore(before, StepEdits.moving(p, nth, action, words, part));
    }

    private static @Nullable PartAt anyCover(Ending end, SurfaceAt surface) {
        List<PartAt> covers = end.sheet().coversOf(surface);
        return covers.isEmpty() ? null : covers.getFirst();
    }
}
