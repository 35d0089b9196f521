package orthopur.rules.teardown;

import java.util.List;
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
 * T14: what was moved aside is back before the machine is made live. The other half of the rule,
 * cleaning fittings and open drains, waits for the sheets that have them.
 */
public final class MovedBack extends BookRule {
    public MovedBack() {
        super(
                RuleId.T14,
                Severity.STOP,
                "What was moved aside is moved back",
                "the machine's sheet and manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.Return) {
            neverAside(m, out);
            return;
        }
        if (m.action() instanceof Action.Wash || m.action() instanceof Action.Rinse) {
            washedInPlace(m, out);
            return;
        }
        if (!(m.action() instanceof Action.Restore)) {
            return;
        }
        for (PartAt p : m.sheet().allParts()) {
            if (m.night().aside(p) && out.onItem(m.sheet().part(p).id(), RuleId.T14) == null) {
                report(out, m.procedure(), m.place(), m.sheet().part(p), m.number());
            }
        }
    }

    /** Water stands on what is washed level and has to tilt for it. */
    private void washedInPlace(Moment m, Findings out) {
        for (PartAt p : m.parts()) {
            Part part = m.sheet().part(p);
            if (!part.moving().washedAside()
                    || m.night().aside(p)
                    || m.night().off(p) > 0
                    || out.onItem(part.id(), RuleId.T14) != null) {
                continue;
            }
            out.report(info)
                    .severity(Severity.FIX)
                    .items(List.of(part.id()))
                    .says(
                            Text.of(
                                    "moved-back.is-washed-in-its-place",
                                    "Step {0} brings water onto {1} in its working place; it has to be moved aside for that.",
                                    m.number(),
                                    SheetIndex.spoken(part.name())),
                            Text.of(
                                    "moved-back.water-stands-on-it",
                                    "Water stands on it, and what drips from it runs to where it should not."));
        }
    }

    /** What was never moved aside cannot be moved back: the step that opened it is missing. */
    private void neverAside(Moment m, Findings out) {
        for (PartAt p : m.parts()) {
            Part part = m.sheet().part(p);
            if (!part.shifts() || m.night().aside(p) || m.night().off(p) > 0) {
                continue;
            }
            String name = SheetIndex.spoken(part.name());
            out.report(info)
                    .items(List.of(part.id()))
                    .says(
                            Text.of(
                                    "moved-back.moves-back-what-was-never",
                                    "Step {0} moves {1} back, but no step before has moved it aside.",
                                    m.number(),
                                    name),
                            Text.of(
                                    "moved-back.what-stayed-shut-was-worked",
                                    "What stayed where it was has covered, held or drained in another way than the steps in between expect."))
                    .propose(
                            Text.of(
                                    "moved-back.move-aside-before-the-work",
                                    "Move {0} aside before the work",
                                    name),
                            List.of(
                                    new Edit.InsertBefore(
                                            StepEdits.firstFrom(
                                                    m.procedure(), 0, MovedBack::handsOn),
                                            StepEdits.moving(
                                                    m.procedure(),
                                                    0,
                                                    new Action.Shift(List.of(part.id())),
                                                    "Move aside: ",
                                                    part))));
        }
    }

    private static boolean handsOn(Action a) {
        return a instanceof Action.Remove
                || a instanceof Action.DryClean
                || a instanceof Action.Rinse
                || a instanceof Action.Wash
                || a instanceof Action.Return;
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        int last = end.procedure().steps().size() - 1;
        for (PartAt p : end.sheet().allParts()) {
            Part part = end.sheet().part(p);
            if (end.night().aside(p) && out.onItem(part.id(), RuleId.T14) == null) {
                report(out, end.procedure(), last, part, last + 1);
            }
        }
    }

    private void report(
            Findings out, orthopur.procedure.Procedure p, int place, Part part, int number) {
        out.report(info)
                .at(place, p.steps().get(place).id())
                .items(List.of(part.id()))
                .says(
                        Text.of(
                                "moved-back.was-moved-aside-and-is",
                                "{0} was moved aside and is not back at step {1}.",
                                SheetIndex.spoken(part.name()),
                                number),
                        Text.of(
                                "moved-back.a-part-that-stands-open",
                                "A part that stands open catches, or leaves an edge bare, when the machine starts."))
                .propose(
                        Text.of(
                                "moved-back.move-back",
                                "Move {0} back",
                                SheetIndex.spoken(part.name())),
                        List.of(
                                new Edit.InsertBefore(
                                        StepEdits.firstFrom(
                                                p,
                                                lastShift(p, part.id()),
                                                StepEdits::endsAssembly),
                                        StepEdits.fresh(
                                                p,
                                                0,
                                                new Action.Return(List.of(part.id())),
                                                "Move back: "
                                                        + SheetIndex.spoken(part.name())
                                                        + "."))));
    }

    private static int lastShift(orthopur.procedure.Procedure p, String part) {
        int place = 0;
        for (int i = 0; i < p.steps().size(); i++) {
            Action a = p.steps().get(i).action();
            if (a instanceof Action.Shift && a.items().contains(part)) {
                place = i;
            }
        }
        return place;
    }
}
