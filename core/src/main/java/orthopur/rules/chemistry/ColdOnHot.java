package orthopur.rules.chemistry;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.MaterialTable;
import orthopur.procedure.Solution;
import orthopur.quantity.Temperature;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Heats;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** S6: no cold water on hot glass or a hot pan. */
public final class ColdOnHot extends BookRule {
    public ColdOnHot() {
        super(
                RuleId.S6,
                Severity.STOP,
                "No cold water on hot glass or a hot pan",
                "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        Solution liquid = m.action().solution();
        if (liquid == null
                || !m.handsIn()
                || m.sheet().sheet().energies().stream().allMatch(e -> e.heat() == null)) {
            return;
        }
        // A temperature that is not stated can be anything down to freezing.
        double water = liquid.temperature() == null ? 0 : liquid.temperature().celsius();
        List<SurfaceAt> hit = new ArrayList<>();
        Temperature hottest = null;
        double bears = 0;
        for (SurfaceAt s : m.exposed()) {
            Double most = bears(m, s);
            Temperature hot = most == null ? null : Heats.of(m, m.sheet().ownerOf(s));
            if (most != null && hot != null && hot.celsius() - water > most) {
                hit.add(s);
                hottest = hot;
                bears = most;
            }
        }
        if (hottest == null) {
            return;
        }
        List<String> ids = m.surfaceIds(hit);
        out.report(info)
                .items(ids)
                .number("surface", Math.ceil(hottest.celsius()), "°C")
                .number("greatest difference", bears, "K")
                .says(
                        Text.of(
                                "cold-on-hot.brings-water-at-onto-still",
                                "Step {0} brings water at {1} onto {2}, still at up to {3}; it bears a difference of {4} K.",
                                m.number(),
                                liquid.temperature() == null
                                        ? Text.of(
                                                "cold-on-hot.a-temperature-it-does-not",
                                                "a temperature it does not state")
                                        : liquid.temperature().shown(),
                                m.sheet().names(ids),
                                new Temperature(Math.ceil(hottest.celsius())).shown(),
                                bears),
                        Text.of(
                                "cold-on-hot.hot-glass-bursts-and-a",
                                "Hot glass bursts and a hot pan warps when cold water meets it."));
    }

    private static @Nullable Double bears(Moment m, SurfaceAt surface) {
        for (String material : m.sheet().surface(surface).materials()) {
            String figure = MaterialTable.shockOf(material);
            if (figure != null) {
                return m.context().book().number(figure);
            }
        }
        return null;
    }
}
