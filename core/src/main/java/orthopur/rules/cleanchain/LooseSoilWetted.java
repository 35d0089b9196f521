package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C7: no water on what is mounted and still carries crumbs; parts in a sink may be soaked. */
public final class LooseSoilWetted extends BookRule {
    public LooseSoilWetted() {
        super(
                RuleId.C7,
                Severity.FIX,
                "Loose soil is off before a mounted surface gets wet",
                "Food Code 2022, 4-603.12");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!wets(m.action())) {
            return;
        }
        List<SurfaceAt> loose = new ArrayList<>();
        for (SurfaceAt s : m.exposed()) {
            boolean mounted = m.night().mounted(m.sheet().ownerOf(s));
            if (m.night().facts(s).loose() && mounted && !inPassage(m, s)) {
                loose.add(s);
            }
        }
        if (loose.isEmpty()) {
            return;
        }
        List<String> ids = m.surfaceIds(loose);
        out.report(info)
                .items(ids)
                .says(
                        Text.of(
                                "loose-soil-wetted.wets-while-loose-soil-is",
                                "Step {0} wets {1} while loose soil is still on.",
                                m.number(),
                                m.sheet().names(ids)),
                        Text.of(
                                "loose-soil-wetted.water-on-crumbs-makes-paste",
                                "Water on crumbs makes paste and carries it where nobody cleans."))
                .propose(
                        Text.of("loose-soil-wetted.dry-clean-first", "Dry-clean first"),
                        List.of(
                                new Edit.InsertBefore(
                                        m.step().id(),
                                        StepEdits.fresh(
                                                m.procedure(),
                                                0,
                                                new Action.DryClean(ids),
                                                "Scrape and brush off what is loose."))));
    }

    private static boolean inPassage(Moment m, SurfaceAt surface) {
        String id = m.sheet().surface(surface).id();
        return m.sheet().sheet().passages().stream().anyMatch(p -> p.surfaces().contains(id));
    }

    static boolean wets(Action action) {
        return action instanceof Action.Wash
                || action instanceof Action.Rinse
                || action instanceof Action.Sanitize
                || action instanceof Action.Soak;
    }
}
