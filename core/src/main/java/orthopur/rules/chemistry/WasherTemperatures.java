package orthopur.rules.chemistry;

import org.jspecify.annotations.Nullable;
import orthopur.machine.WasherType;
import orthopur.procedure.Action;
import orthopur.quantity.Temperature;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** S8 for washers: the final rinse sanitizes, the tank washes, each by its temperature. */
public final class WasherTemperatures extends BookRule {
    public WasherTemperatures() {
        super(
                RuleId.S8,
                Severity.STOP,
                "A washer's final rinse and tank at their temperatures",
                "Food Code 2022, 4-501.110 and .112");
    }

    @Override
    public void look(Moment m, Findings out) {
        WasherType type = m.washerType();
        if (!(m.action() instanceof Action.RunProgram a) || type == null) {
            return;
        }
        if (type == WasherType.CHEMICAL) {
            out.report(info)
                    .items(m.surfaceIds(m.named()))
                    .says(
                            Text.of(
                                    "washer-temperatures.washes-in-a-machine-that",
                                    "Step {0} washes in a machine that sanitizes by a chemical, whose strength no step reads.",
                                    m.number()),
                            Text.of(
                                    "washer-temperatures.washed-is-not-sanitized-sanitize",
                                    "Washed is not sanitized: sanitize in a step of its own, with its reading."))
                    .denySanitizing(m.named());
        } else {
            finalRinse(m, a, type, out);
        }
        Temperature tank = a.solution().temperature();
        Temperature tankLeast = m.context().book().temperature(type.tankFigure());
        if (tank == null || !tank.atLeast(tankLeast)) {
            out.report(info)
                    .severity(Severity.FIX)
                    .items(m.surfaceIds(m.named()))
                    .number("least in the tank", tankLeast.celsius(), "°C")
                    .says(
                            Text.of(
                                    "washer-temperatures.washes-with-the-tank-at",
                                    "Step {0} washes with the tank at {1}; this washer needs at least {2}.",
                                    m.number(),
                                    shown(tank),
                                    tankLeast.shown()),
                            Text.of(
                                    "washer-temperatures.a-cool-tank-leaves-fat",
                                    "A cool tank leaves fat on the ware and cools the last rinse."));
        }
    }

    private void finalRinse(Moment m, Action.RunProgram a, WasherType type, Findings out) {
        Temperature least = m.context().book().temperature(type.rinseFigure());
        Temperature most = m.context().book().temperature("washer.rinse.most");
        Temperature rinse = a.finalRinse();
        boolean hot = rinse != null && rinse.atLeast(least) && rinse.compareTo(most) <= 0;
        if (!hot) {
            out.report(info)
                    .items(m.surfaceIds(m.named()))
                    .number("least", least.celsius(), "°C")
                    .number("most", most.celsius(), "°C")
                    .says(
                            Text.of(
                                    "washer-temperatures.rinses-at-in-the-end",
                                    "Step {0} rinses at {1} in the end; {2} to {3} sanitizes.",
                                    m.number(),
                                    shown(rinse),
                                    least.shown(),
                                    most.shown()),
                            Text.of(
                                    "washer-temperatures.below-it-the-last-rinse",
                                    "Below it the last rinse only wets; above it the water turns to mist before it wets."))
                    .denySanitizing(m.named());
        } else if (!a.readings().contains(Action.Reading.TEMPERATURE)) {
            out.report(info)
                    .severity(Severity.FIX)
                    .items(m.surfaceIds(m.named()))
                    .says(
                            Text.of(
                                    "washer-temperatures.plans-no-reading-of-the",
                                    "Step {0} plans no reading of the final rinse.",
                                    m.number()),
                            Text.of(
                                    "washer-temperatures.washed-in-a-machine-counts",
                                    "Washed in a machine counts as sanitized only with its readings in."))
                    .denySanitizing(m.named())
                    .propose(
                            Text.of(
                                    "washer-temperatures.read-its-temperature",
                                    "Read its temperature"),
                            change(m, m.step().with(a.reading())));
        }
    }

    private static Text shown(@Nullable Temperature t) {
        return t == null
                ? Text.of(
                        "cold-on-hot.a-temperature-it-does-not", "a temperature it does not state")
                : Text.plain(t.shown());
    }
}
