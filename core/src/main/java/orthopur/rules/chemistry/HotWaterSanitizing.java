package orthopur.rules.chemistry;

import java.time.Duration;
import orthopur.procedure.Action;
import orthopur.quantity.Show;
import orthopur.quantity.Temperature;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** S8: hot water instead of a chemical: hot and long enough. */
public final class HotWaterSanitizing extends BookRule {
    public HotWaterSanitizing() {
        super(
                RuleId.S8,
                Severity.STOP,
                "Hot-water sanitizing at its temperature and for its time",
                "Food Code 2022, 4-501.111 and 4-703.11(A)");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Sanitize a)
                || !RunThrough.hotWater(a.solution(), m.context())) {
            return;
        }
        Temperature least = m.context().book().temperature("hot-water.hand.least-temperature");
        Duration time = m.context().book().duration("hot-water.hand.contact");
        Temperature stated = a.solution().temperature();
        boolean hot = stated != null && stated.atLeast(least);
        boolean keepsHot =
                a.method() == Action.Method.IMMERSE
                        || a.method() == Action.Method.FLOOD
                        || a.method() == Action.Method.WASHER;
        if (!keepsHot) {
            out.report(info)
                    .items(m.surfaceIds(m.exposed()))
                    .says(
                            Text.of(
                                    "hot-water-sanitizing.sanitizes-with-hot-water-only",
                                    "Step {0} sanitizes with hot water {1}; only what lies in it, is filled with it or runs through a washer stays hot for its time.",
                                    m.number(),
                                    a.method() == null
                                            ? Text.of(
                                                    "hot-water-sanitizing.and-does-not-say-how",
                                                    "and does not say how")
                                            : Text.of(
                                                    "hot-water-sanitizing.by",
                                                    "by {0}",
                                                    a.method()
                                                            .name()
                                                            .toLowerCase(java.util.Locale.ROOT))),
                            Text.of(
                                    "hot-water-sanitizing.a-hot-cloth-or-a",
                                    "A hot cloth or a spray is lukewarm a second after it left the bucket."))
                    .deny(m.exposed());
        }
        boolean enough = a.contact() != null && a.contact().compareTo(time) >= 0;
        if (stated == null || (hot && enough)) {
            return;
        }
        out.report(info)
                .items(m.surfaceIds(m.exposed()))
                .number("temperature", stated.celsius(), "°C")
                .number("least temperature", least.celsius(), "°C")
                .number("least time", time.getSeconds(), "s")
                .says(
                        Text.of(
                                "hot-water-sanitizing.sanitizes-with-water-at-for",
                                "Step {0} sanitizes with water at {1} for {2}; at least {3} for {4}.",
                                m.number(),
                                stated.shown(),
                                a.contact() == null
                                        ? Text.of(
                                                "hot-water-sanitizing.a-time-it-does-not",
                                                "a time it does not state")
                                        : Show.duration(a.contact()),
                                least.shown(),
                                Show.duration(time)),
                        Text.of(
                                "hot-water-sanitizing.heat-kills-by-degrees-and",
                                "Heat kills by degrees and seconds together."))
                .deny(m.exposed())
                .propose(
                        Text.of(
                                "hot-water-sanitizing.for",
                                "{0} for {1}",
                                least.shown(),
                                Show.duration(time)),
                        change(
                                m,
                                m.step()
                                        .with(
                                                new Action.Sanitize(
                                                        a.items(),
                                                        hot
                                                                ? a.solution()
                                                                : a.solution()
                                                                        .withTemperature(least),
                                                        a.method(),
                                                        enough ? a.contact() : time,
                                                        a.readings()))));
    }
}
