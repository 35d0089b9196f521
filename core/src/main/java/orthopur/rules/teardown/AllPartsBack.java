package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/**
 * T2: as many back as came off. Reports at once where a count is impossible (three off of two), and
 * at the end for what never went back.
 */
public final class AllPartsBack extends BookRule {
    public AllPartsBack() {
        super(
                RuleId.T2,
                Severity.STOP,
                "As many parts back as came off",
                "the machine's sheet",
                RuleId.T11);
    }

    @Override
    public void look(Moment m, Findings out) {
        Integer stated;
        boolean takes;
        switch (m.action()) {
            case Action.Remove a -> {
                stated = a.count();
                takes = true;
            }
            case Action.Install a -> {
                stated = a.count();
                takes = false;
            }
            default -> {
                return;
            }
        }
        for (PartAt p : m.parts()) {
            Part part = m.sheet().part(p);
            int there = takes ? part.count() - m.night().off(p) : m.night().off(p);
            int wanted = stated == null ? there : stated;
            // Putting the last ones on without a count is fine; putting on what is on already is
            // not.
            if (wanted <= there && there > 0) {
                continue;
            }
            Object verb =
                    takes
                            ? Text.of("all-parts-back.takes-off", "takes off")
                            : Text.of("all-parts-back.puts-back", "puts back");
            String has = takes ? "on the machine" : "off the machine";
            out.report(info)
                    .items(List.of(part.id()))
                    .number("stated", stated == null ? part.count() : stated, "pieces")
                    .number(has, there, "pieces")
                    .says(
                            Text.of(
                                    "all-parts-back.but-only-of-is",
                                    "Step {0} {1} {2} × {3}, but only {4} of {5} is {6}.",
                                    m.number(),
                                    verb,
                                    stated == null ? part.count() : stated,
                                    SheetIndex.spoken(part.name()),
                                    there,
                                    part.count(),
                                    takes
                                            ? Text.of("all-parts-back.on", "on the machine")
                                            : Text.of("all-parts-back.off", "off the machine")),
                            Text.of(
                                    "all-parts-back.a-count-that-cannot-be",
                                    "A count that cannot be right hides the piece that is missing."));
        }
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        List<PartAt> missing = new ArrayList<>();
        for (PartAt p : end.sheet().allParts()) {
            if (end.night().off(p) > 0) {
                missing.add(p);
            }
        }
        // One step that nobody undoes is one cause, however many parts it took off.
        Map<Integer, List<PartAt>> together = new LinkedHashMap<>();
        for (PartAt p : missing) {
            Part part = end.sheet().part(p);
            int taken = lastRemoval(end, part.id());
            boolean alone =
                    end.night().off(p) < part.count() || out.onItem(part.id(), RuleId.T11) != null;
            if (alone) {
                report(end, out, taken, List.of(p));
            } else {
                together.computeIfAbsent(taken, k -> new ArrayList<>()).add(p);
            }
        }
        together.forEach((taken, parts) -> report(end, out, taken, parts));
    }

    /** Parts that came off at one step: of several none goes back, of a single one some may. */
    private void report(Ending end, Findings out, int taken, List<PartAt> parts) {
        List<String> ids = parts.stream().map(p -> end.sheet().part(p).id()).toList();
        Part first = end.sheet().part(parts.getFirst());
        int count = parts.stream().mapToInt(p -> end.sheet().part(p).count()).sum();
        int off = parts.stream().mapToInt(p -> end.night().off(p)).sum();
        boolean one = parts.size() == 1;
        Text name = one ? Text.plain(SheetIndex.spoken(first.name())) : end.sheet().names(ids);
        Object back =
                off < count
                        ? Text.of("all-parts-back.of-go", "{0} of {1} go", count - off, count)
                        : one
                                ? Text.of("all-parts-back.never-goes", "never goes")
                                : Text.of("all-parts-back.never-go", "never go");
        Findings.Report r =
                out.report(info)
                        .at(taken, end.procedure().steps().get(taken).id())
                        .items(ids)
                        .number("came off", count, "pieces")
                        .number("still off", off, "pieces")
                        .says(
                                Text.of(
                                        "all-parts-back.off-at-step-and-back",
                                        "{0} {1} off at step {2} and {3} back on.",
                                        name,
                                        one
                                                ? Text.of("all-parts-back.comes", "comes")
                                                : Text.of("all-parts-back.come", "come"),
                                        taken + 1,
                                        back),
                                Text.of(
                                        "all-parts-back.what-is-not-put-back",
                                        "What is not put back is left in the sink, or in the food."))
                        .propose(
                                Text.of(
                                        "all-parts-back.put-back",
                                        "Put back {0}",
                                        one
                                                ? name
                                                : Text.of("all-parts-back.all", "all {0}", count)),
                                putBack(end, taken, parts))
                        .under(out.onItem(first.id(), RuleId.T11));
        out.adopt(r, ids, RuleId.L5, RuleId.C14);
        for (String id : ids) {
            // Made live without it, or filled while it was off: the missing part is the cause.
            for (RuleId rule : List.of(RuleId.L5, RuleId.C14)) {
                Findings.Report follows = out.onItem(id, rule);
                if (follows != null) {
                    follows.under(r);
                }
            }
        }
    }

    /** In the reverse order of taking apart. */
    private static List<Edit> putBack(Ending end, int taken, List<PartAt> parts) {
        String before = end.firstFrom(taken, s -> StepEdits.endsAssembly(s.action()));
        List<String> order = end.procedure().steps().get(taken).action().items();
        List<PartAt> last =
                parts.stream()
                        .sorted(
                                Comparator.comparingInt(
                                        p -> -order.indexOf(end.sheet().part(p).id())))
                        .toList();
        List<Edit> edits = new ArrayList<>();
        for (PartAt p : last) {
            Part part = end.sheet().part(p);
            int off = end.night().off(p);
            edits.add(
                    new Edit.InsertBefore(
                            before,
                            StepEdits.moving(
                                    end.procedure(),
                                    edits.size(),
                                    new Action.Install(
                                            List.of(part.id()), off == part.count() ? null : off),
                                    "Put back: ",
                                    part)));
        }
        return edits;
    }

    private static int lastRemoval(Ending end, String part) {
        int place = 0;
        for (int i = 0; i < end.procedure().steps().size(); i++) {
            Action a = end.procedure().steps().get(i).action();
            if (a instanceof Action.Remove && a.items().contains(part)) {
                place = i;
            }
        }
        return place;
    }
}
