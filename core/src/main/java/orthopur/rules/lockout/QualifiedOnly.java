package orthopur.rules.lockout;

import java.util.Set;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.Words;
import orthopur.text.Text;

/** L16: fuses are drawn by a qualified person; a cleaner is never told to. */
public final class QualifiedOnly extends BookRule {
    private static final Set<String> FUSES = Set.of("fuse", "fuses");
    private static final Set<String> QUALIFIED = Set.of("electrician", "qualified", "licensed");

    public QualifiedOnly() {
        super(
                RuleId.L16,
                Severity.STOP,
                "Fuses and covers of live parts are left to a qualified person",
                "29 CFR 1910.333");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Lock a)
                || a.secondMeasure() == null
                || !Words.anyOf(a.secondMeasure(), FUSES)
                || Words.anyOf(a.secondMeasure(), QUALIFIED)) {
            return;
        }
        out.report(info)
                .says(
                        Text.of(
                                "qualified-only.has-a-cleaner-draw-a-fuse",
                                "Step {0} has a cleaner draw a fuse: \"{1}\".",
                                m.number(),
                                a.secondMeasure()),
                        Text.of(
                                "qualified-only.behind-the-cover-is-live",
                                "Behind that cover is live metal; take the handle off, block the switch, or have an electrician draw it."));
    }
}
