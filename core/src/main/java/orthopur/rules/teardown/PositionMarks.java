package orthopur.rules.teardown;

import java.util.List;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** T5: what must return to its place is marked before it leaves it. */
public final class PositionMarks extends BookRule {
    public PositionMarks() {
        super(
                RuleId.T5,
                Severity.FIX,
                "Positions are marked before parts come off",
                "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Remove)) {
            return;
        }
        List<Part> parts =
                m.parts().stream()
                        .map(m.sheet()::part)
                        .filter(p -> p.mark() != null && !marked(m, p.id()))
                        .toList();
        if (!parts.isEmpty()) {
            List<String> unmarked = parts.stream().map(Part::id).toList();
            String mark = parts.getFirst().mark();
            out.report(info)
                    .items(unmarked)
                    .says(
                            Text.of(
                                    "position-marks.takes-off-without-a-mark",
                                    "Step {0} takes off {1} without a mark ({2}).",
                                    m.number(),
                                    m.sheet().names(unmarked),
                                    mark),
                            Text.of(
                                    "position-marks.swapped-parts-fit-and-work",
                                    "Swapped parts fit and work wrongly; the cause is looked for everywhere else first."))
                    .propose(
                            Text.of("position-marks.mark-them-first", "Mark them first"),
                            insert(
                                    m,
                                    StepEdits.fresh(
                                            m.procedure(),
                                            0,
                                            new Action.Mark(unmarked),
                                            "Mark and photograph where they belong: "
                                                    + mark
                                                    + ".")));
        }
    }

    private static boolean marked(Moment m, String part) {
        return m.earlier(a -> a instanceof Action.Mark && a.items().contains(part));
    }
}
