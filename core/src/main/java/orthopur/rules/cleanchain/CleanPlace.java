package orthopur.rules.cleanchain;

import java.util.List;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C4: what is clean is laid where it is clean. */
public final class CleanPlace extends BookRule {
    public CleanPlace() {
        super(
                RuleId.C4,
                Severity.STOP,
                "Clean parts are laid in a clean place",
                "Food Code 2022, 4-901.11");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Store a)
                || a.destination() == null
                || m.night().fitForClean(a.destination())) {
            return;
        }
        List<SurfaceAt> clean =
                m.named().stream()
                        .filter(
                                s ->
                                        m.night().facts(s).sanitized() != Facts.NEVER
                                                || m.night().facts(s).clean())
                        .toList();
        if (clean.isEmpty()) {
            return;
        }
        List<String> ids = m.surfaceIds(clean);
        out.report(info)
                .items(ids)
                .says(
                        Text.of(
                                "clean-place.lays-into-which-is-not",
                                "Step {0} lays {1} into {2}, which is not clean or still holds a solution.",
                                m.number(),
                                m.sheet().names(ids),
                                a.destination()),
                        Text.of(
                                "clean-place.it-takes-up-again-what",
                                "It takes up again what was just taken off it."));
    }
}
