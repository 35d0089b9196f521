package orthopur.rules.cleanchain;

import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Solution;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Residue;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C3: no sanitizer on a surface that is still soapy. Root before C2. */
public final class DetergentFilm extends BookRule {
    public DetergentFilm() {
        super(
                RuleId.C3,
                Severity.STOP,
                "Detergent is rinsed off before the sanitizer",
                "Food Code 2022, 4-501.115");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Sanitize)) {
            return;
        }
        List<SurfaceAt> soapy =
                m.exposed().stream()
                        .filter(
                                s -> {
                                    Facts f = m.night().facts(s);
                                    return f.has(Residue.DETERGENT) && !f.soil();
                                })
                        .toList();
        if (soapy.isEmpty()) {
            return;
        }
        List<String> ids = m.surfaceIds(soapy);
        out.report(info)
                .items(ids)
                .says(
                        Text.of(
                                "detergent-film.sanitizes-still-soapy-from-the",
                                "Step {0} sanitizes {1}, still soapy from the wash.",
                                m.number(),
                                m.sheet().names(ids)),
                        Text.of(
                                "detergent-film.detergent-uses-up-the-sanitizer",
                                "Detergent uses up the sanitizer before it works, and both end in the food."))
                .deny(soapy)
                .propose(
                        Text.of(
                                "detergent-film.rinse-before-step",
                                "Rinse before step {0}",
                                m.number()),
                        List.of(
                                new Edit.InsertBefore(
                                        m.step().id(),
                                        StepEdits.fresh(
                                                m.procedure(),
                                                0,
                                                new Action.Rinse(
                                                        ids,
                                                        new Solution(null, null, null, null, null),
                                                        null,
                                                        Action.EndPoint.CLEAR),
                                                "Rinse with drinking water until it runs clear: "
                                                        + m.sheet().names(ids)
                                                        + ".")),
                                // What was seen before the water says nothing of what is left.
                                new Edit.InsertBefore(
                                        m.step().id(),
                                        StepEdits.fresh(
                                                m.procedure(),
                                                1,
                                                new Action.Inspect(ids),
                                                "Look and feel, with flashlight and mirror."))));
    }
}
