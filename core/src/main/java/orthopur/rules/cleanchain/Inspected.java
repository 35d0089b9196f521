package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.List;
import orthopur.machine.EndState;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C13: somebody looks between rinse and sanitizer. */
public final class Inspected extends BookRule {
    public Inspected() {
        super(
                RuleId.C13,
                Severity.FIX,
                "Inspected between rinse and sanitizer",
                Sources.FOOD_CODE_SURFACES);
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Sanitize)) {
            return;
        }
        List<SurfaceAt> unseen = new ArrayList<>();
        for (SurfaceAt s : m.exposed()) {
            Facts f = m.night().facts(s);
            Surface surface = m.sheet().surface(s);
            if ((surface.zone() == 1 || surface.harborage())
                    && f.clean()
                    && f.inspected() == Facts.NEVER
                    && f.sanitized() == Facts.NEVER) {
                unseen.add(s);
            }
        }
        if (unseen.isEmpty()) {
            return;
        }
        List<String> ids = m.surfaceIds(unseen);
        out.report(info)
                .items(ids)
                .says(
                        Text.of(
                                "inspected.sanitizes-and-nobody-has-inspected",
                                "Step {0} sanitizes {1} and nobody has inspected {2} since the rinse.",
                                m.number(),
                                m.sheet().names(ids),
                                unseen.size() == 1
                                        ? Text.of("inspected.it", "it")
                                        : Text.of("inspected.them", "them")),
                        Text.of(
                                "inspected.what-was-missed-in-the",
                                "What was missed in the wash is sanitized on the outside only."))
                .propose(
                        Text.of(
                                "inspected.inspect-before-step",
                                "Inspect before step {0}",
                                m.number()),
                        List.of(
                                new Edit.InsertBefore(
                                        m.step().id(),
                                        StepEdits.fresh(
                                                m.procedure(),
                                                0,
                                                new Action.Inspect(ids),
                                                "Look and feel, with flashlight and mirror."))));
    }

    /** What food touches and no sanitizer follows on is looked at all the same. */
    @Override
    public void atEnd(Ending end, Findings out) {
        List<SurfaceAt> unseen = new ArrayList<>();
        for (SurfaceAt s : end.sheet().allSurfaces()) {
            Facts f = end.night().facts(s);
            Surface surface = end.sheet().surface(s);
            if (surface.zone() == 1
                    && surface.end() != EndState.SANITIZED
                    && end.due(s)
                    && f.clean()
                    && f.washed() != Facts.NEVER
                    && f.inspected() == Facts.NEVER) {
                unseen.add(s);
            }
        }
        if (!unseen.isEmpty()) {
            List<String> ids = unseen.stream().map(s -> end.sheet().surface(s).id()).toList();
            out.report(info)
                    .items(ids)
                    .says(
                            Text.of(
                                    "inspected.ends-and-nobody-has-inspected",
                                    "Nobody has inspected {0} after the last rinse.",
                                    end.sheet().names(ids)),
                            Text.of(
                                    "inspected.what-was-missed-goes-into-food",
                                    "What was missed in the wash goes into the food."));
        }
    }
}
