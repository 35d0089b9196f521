package orthopur.rules.chemistry;

import java.util.List;
import orthopur.chemical.Chemical;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.quantity.Temperature;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** S7: warm enough to wash by hand, not hotter than the surface bears. */
public final class WashTemperature extends BookRule {
    public WashTemperature() {
        super(
                RuleId.S7,
                Severity.FIX,
                "Washed warm enough, and no hotter than the surface bears",
                "Food Code 2022, 4-501.19");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.Wash wash) {
            warmEnough(m, wash, out);
        }
        Solution solution = m.action().solution();
        if (solution != null && solution.temperature() != null) {
            tooHot(m, solution.temperature(), out);
        }
    }

    private void warmEnough(Moment m, Action.Wash wash, Findings out) {
        Chemical c = m.context().chemical(wash.solution().chemical());
        if (c == null || m.exposed().isEmpty()) {
            return;
        }
        Temperature label = c.label().leastTemperature();
        Temperature least =
                label == null ? m.context().book().temperature("wash.hand.least") : label;
        Temperature stated = wash.solution().temperature();
        if (stated != null && stated.atLeast(least)) {
            return;
        }
        Findings.Report r =
                out.report(info)
                        .items(m.surfaceIds(m.exposed()))
                        .number("least", least.celsius(), "°C")
                        .source(label == null ? info.source() : "label of " + c.name())
                        .says(
                                stated == null
                                        ? Text.of(
                                                "wash-temperature.does-not-say-how-warm",
                                                "Step {0} does not say how warm the wash is; at least {1}.",
                                                m.number(),
                                                least.shown())
                                        : Text.of(
                                                "wash-temperature.washes-at-at-least",
                                                "Step {0} washes at {1}; at least {2}.",
                                                m.number(),
                                                stated.shown(),
                                                least.shown()),
                                Text.of(
                                        "wash-temperature.cold-water-does-not-remove",
                                        "Cold water does not remove fat."))
                        .propose(
                                Text.of("wash-temperature.wash-at", "Wash at {0}", least.shown()),
                                change(
                                        m,
                                        m.step()
                                                .with(
                                                        new Action.Wash(
                                                                wash.items(),
                                                                wash.solution()
                                                                        .withTemperature(least),
                                                                wash.method(),
                                                                wash.tool(),
                                                                wash.direction(),
                                                                wash.dwell()))));
        if (stated != null) {
            r.number("stated", stated.celsius(), "°C");
        }
    }

    private void tooHot(Moment m, Temperature stated, Findings out) {
        for (SurfaceAt s : m.exposed()) {
            Temperature highest = m.sheet().surface(s).highest();
            if (highest != null && stated.compareTo(highest) > 0) {
                String id = m.sheet().surface(s).id();
                out.report(info)
                        .items(List.of(id))
                        .number("stated", stated.celsius(), "°C")
                        .number("at most", highest.celsius(), "°C")
                        .source("machine manual")
                        .says(
                                Text.of(
                                        "wash-temperature.brings-onto-which-bears",
                                        "Step {0} brings {1} onto {2}, which bears {3}.",
                                        m.number(),
                                        stated.shown(),
                                        m.sheet().names(List.of(id)),
                                        highest.shown()),
                                Text.of(
                                        "wash-temperature.it-warps-crazes-or-comes",
                                        "It warps, crazes or comes unglued."));
                return;
            }
        }
    }
}
