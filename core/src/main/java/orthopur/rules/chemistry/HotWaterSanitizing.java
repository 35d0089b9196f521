package orthopur.rules.chemistry;

import java.time.Duration;
import orthopur.procedure.Action;
import orthopur.quantity.Show;
import orthopur.quantity.Temperature;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.Severity;

/** S8: hot water instead of a chemical: hot and long enough. */
public final class HotWaterSanitizing extends BookRule {
    public HotWaterSanitizing() {
        super(
                "S8",
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
                            "Step %d sanitizes with hot water %s; only what lies in it, is filled with it or runs through a washer stays hot for its time."
                                    .formatted(
                                            m.number(),
                                            a.method() == null
                                                    ? "and does not say how"
                                                    : "by "
                                                            + a.method()
                                                                    .name()
                                                                    .toLowerCase(
                                                                            java.util.Locale.ROOT)),
                            "A hot cloth or a spray is lukewarm a second after it left the bucket.")
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
                        "Step %d sanitizes with water at %s for %s; at least %s for %s."
                                .formatted(
                                        m.number(),
                                        stated.shown(),
                                        a.contact() == null
                                                ? "a time it does not state"
                                                : Show.duration(a.contact()),
                                        least.shown(),
                                        Show.duration(time)),
                        "Heat kills by degrees and seconds together.")
                .deny(m.exposed())
                .propose(
                        least.shown() + " for " + Show.duration(time),
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
