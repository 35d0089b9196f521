package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.List;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Rule;
import orthopur.runthrough.RuleInfo;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;

/**
 * T2: as many back as came off. Reports at once where a count is impossible (three off of two), and
 * at the end for what never went back.
 */
public final class AllPartsBack implements Rule {
    private static final RuleInfo INFO =
            new RuleInfo(
                    "T2", Severity.STOP, "As many parts back as came off", "the machine's sheet");

    @Override
    public RuleInfo info() {
        return INFO;
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
        for (int p : m.parts()) {
            Part part = m.sheet().part(p);
            int there = takes ? part.count() - m.night().off(p) : m.night().off(p);
            int wanted = stated == null ? there : stated;
            // Putting the last ones on without a count is fine; putting on what is on already is
            // not.
            if (wanted <= there && there > 0) {
                continue;
            }
            String verb = takes ? "takes off" : "puts back";
            String has = takes ? "on the machine" : "off the machine";
            out.report(INFO)
                    .items(List.of(part.id()))
                    .number("stated", stated == null ? part.count() : stated, "pieces")
                    .number(has, there, "pieces")
                    .says(
                            "Step %d %s %d × %s, but only %d of %d is %s."
                                    .formatted(
                                            m.number(),
                                            verb,
                                            stated == null ? part.count() : stated,
                                            SheetIndex.spoken(part.name()),
                                            there,
                                            part.count(),
                                            has),
                            "A count that cannot be right hides the piece that is missing.");
        }
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        List<Integer> missing = new ArrayList<>();
        for (int p = 0; p < end.sheet().partCount(); p++) {
            if (end.night().off(p) > 0) {
                missing.add(p);
            }
        }
        for (int p : missing) {
            Part part = end.sheet().part(p);
            int off = end.night().off(p);
            int taken = lastRemoval(end, part.id());
            List<String> id = List.of(part.id());
            Integer count = off == part.count() ? null : off;
            Findings.Report r =
                    out.report(INFO)
                            .at(taken, end.procedure().steps().get(taken).id())
                            .items(id)
                            .number("came off", part.count(), "pieces")
                            .number("still off", off, "pieces")
                            .says(
                                    "%s comes off at step %d and %s back on."
                                            .formatted(
                                                    SheetIndex.spoken(part.name()),
                                                    taken + 1,
                                                    off == part.count()
                                                            ? "never goes"
                                                            : (part.count() - off)
                                                                    + " of "
                                                                    + part.count()
                                                                    + " go"),
                                    "What is not put back is left in the sink, or in the food.")
                            .propose(
                                    "Put back " + SheetIndex.spoken(part.name()),
                                    List.of(
                                            new Edit.InsertBefore(
                                                    end.firstFrom(
                                                            taken,
                                                            s ->
                                                                    StepEdits.endsAssembly(
                                                                            s.action())),
                                                    StepEdits.moving(
                                                            end.procedure(),
                                                            0,
                                                            new Action.Install(id, count),
                                                            "Put back: ",
                                                            part))))
                            .under(out.onItem(part.id(), "T11"));
            Findings.Report live = out.onItem(part.id(), "L5");
            if (live != null) {
                live.under(r);
            }
        }
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
