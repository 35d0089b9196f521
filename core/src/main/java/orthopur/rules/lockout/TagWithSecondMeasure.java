package orthopur.rules.lockout;

import orthopur.machine.Energy;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/** L2 for a point that takes no lock: the tag alone holds nothing. */
public final class TagWithSecondMeasure extends BookRule {
    public TagWithSecondMeasure() {
        super(
                RuleId.L2,
                Severity.STOP,
                "A point that takes no lock is tagged and has a second measure",
                Sources.LOCKOUT + "(c)(2)–(3)");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Lock a) || a.secondMeasure() != null) {
            return;
        }
        for (EnergyAt e : m.energies()) {
            Energy energy = m.sheet().energy(e);
            if (energy.tagOnly()) {
                out.report(info)
                        .energy(energy.id())
                        .says(
                                Text.of(
                                        "tag-with-second-measure.only-tags-its-point-takes",
                                        "Step {0} only tags {1}; its point takes no lock and the step names no second measure.",
                                        m.number(),
                                        SheetIndex.spoken(energy.name())),
                                Text.of(
                                        "tag-with-second-measure.a-tag-is-a-message",
                                        "A tag is a message, not a barrier: take out a fuse, block the valve, remove the handle."));
            }
        }
    }
}
