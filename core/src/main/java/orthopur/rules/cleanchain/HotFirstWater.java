package orthopur.rules.cleanchain;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Solution;
import orthopur.quantity.Temperature;
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

/** C8: the first water on protein or starch, where food is or next to it, is not hot. */
public final class HotFirstWater extends BookRule {
    private static final Set<String> SETS = Set.of("protein", "starch");

    public HotFirstWater() {
        super(
                RuleId.C8,
                Severity.FIX,
                "The first water on protein or starch is cool or lukewarm",
                "food chemistry: protein sets near 60 °C, starch gelatinises");
    }

    @Override
    public void look(Moment m, Findings out) {
        Solution water = m.action().solution();
        Temperature warm = m.context().book().temperature("first-water.warm");
        Temperature most = m.context().book().temperature("first-water.highest");
        if (water == null
                || water.temperature() == null
                || !water.temperature().atLeast(warm)
                || m.action() instanceof Action.RunProgram) {
            return;
        }
        boolean sets =
                m.sheet().sheet().soils().stream()
                        .anyMatch(s -> SETS.contains(s.toLowerCase(Locale.ROOT)));
        if (!sets) {
            return;
        }
        List<SurfaceAt> dry =
                m.exposed().stream()
                        .filter(
                                s ->
                                        m.sheet().surface(s).zone() <= 2
                                                && firstWater(m.night().facts(s)))
                        .toList();
        if (dry.isEmpty()) {
            return;
        }
        List<String> ids = m.surfaceIds(dry);
        boolean cooks = water.temperature().compareTo(most) > 0;
        Temperature lukewarm = m.context().book().temperature("wash.hand.least");
        out.report(info)
                .severity(cooks ? Severity.FIX : Severity.ADVISE)
                .items(ids)
                .number("first water", water.temperature().celsius(), "°C")
                .number("at most", (cooks ? most : warm).celsius(), "°C")
                .says(
                        cooks
                                ? Text.of(
                                        "hot-first-water.brings-as-the-first-water",
                                        "Step {0} brings {1} as the first water onto {2}; at most {3}.",
                                        m.number(),
                                        water.temperature().shown(),
                                        m.sheet().names(ids),
                                        (cooks ? most : warm).shown())
                                : Text.of(
                                        "hot-first-water.brings-as-the-first-water-2",
                                        "Step {0} brings {1} as the first water onto {2}; below {3} is better.",
                                        m.number(),
                                        water.temperature().shown(),
                                        m.sheet().names(ids),
                                        (cooks ? most : warm).shown()),
                        Text.of(
                                "hot-first-water.hot-water-cooks-protein-and",
                                "Hot water cooks protein and starch on; what is cooked on needs scrubbing."))
                .propose(
                        Text.of("hot-first-water.rinse-lukewarm-first", "Rinse lukewarm first"),
                        List.of(
                                new Edit.InsertBefore(
                                        m.step().id(),
                                        StepEdits.fresh(
                                                m.procedure(),
                                                0,
                                                new Action.Rinse(
                                                        ids,
                                                        new Solution(
                                                                null, null, lukewarm, null, null),
                                                        Action.Method.CLOTH,
                                                        Action.EndPoint.CLEAR),
                                                "Rinse with lukewarm water until it runs clear."))));
    }

    private static boolean firstWater(Facts f) {
        // Metal dust from sharpening is no food.
        return f.soil()
                && !f.has(Residue.METAL)
                && !f.wet()
                && f.washed() == Facts.NEVER
                && f.rinsed() == Facts.NEVER;
    }
}
