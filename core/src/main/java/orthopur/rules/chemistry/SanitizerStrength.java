package orthopur.rules.chemistry;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.instrument.Instrument;
import orthopur.mixing.SanitizerLimit;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/**
 * S1: the sanitizer is strong enough for its kind, temperature and pH. What is not stated cannot be
 * judged and is not passed: the step then sanitizes nothing.
 */
public final class SanitizerStrength extends BookRule {
    public SanitizerStrength() {
        super(
                RuleId.S1,
                Severity.STOP,
                "The sanitizer is strong enough at this temperature and pH",
                "Food Code 2022, 4-501.114");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Sanitize step)
                || m.named().isEmpty()
                || SanitizerUse.beside(m)) {
            return;
        }
        SanitizerUse u = SanitizerUse.of(m);
        if (u == null && RunThrough.hotWater(step.solution(), m.context())) {
            return;
        }
        if (u == null) {
            notASanitizer(m, step, out);
            return;
        }
        SanitizerLimit.Answer a = u.answer();
        switch (a.verdict()) {
            case ENOUGH, TOO_STRONG -> {}
            case UNDECIDED -> undecided(m, u, out);
            case NOT_ENOUGH -> tooWeak(m, u, out);
        }
    }

    private void notASanitizer(Moment m, Action.Sanitize step, Findings out) {
        Chemical c = m.context().chemical(step.solution().chemical());
        Object why =
                c == null
                        ? Text.of(
                                "sanitizer-strength.does-not-say-with-what",
                                "does not say with what")
                        : Text.of(
                                "sanitizer-strength.uses-a",
                                "uses {0}, a {1}",
                                c.name(),
                                c.kind().shown());
        out.report(info)
                .items(m.surfaceIds(m.exposed()))
                .says(
                        Text.of(
                                "sanitizer-strength.is-to-sanitize-and",
                                "Step {0} is to sanitize and {1}.",
                                m.number(),
                                why),
                        Text.of(
                                "sanitizer-strength.not-stated-is-not-passed",
                                "Not stated is not passed: only a sanitizer at its strength sanitizes."))
                .deny(m.exposed());
    }

    private void undecided(Moment m, SanitizerUse u, Findings out) {
        out.report(info)
                .items(m.surfaceIds(m.exposed()))
                .says(
                        Text.of(
                                "sanitizer-strength.uses-and-does-not-state",
                                "Step {0} uses {1} and does not state {2}.",
                                m.number(),
                                u.shown(),
                                u.answer().missing()),
                        Text.of(
                                "sanitizer-strength.the-strength-that-is-enough",
                                "The strength that is enough depends on it; not stated is not passed."))
                .source(u.answer().source())
                .deny(m.exposed());
    }

    private void tooWeak(Moment m, SanitizerUse u, Findings out) {
        SanitizerLimit.Answer a = u.answer();
        List<Object> needs = new ArrayList<>();
        if (a.refusal() != null) {
            needs.add(a.refusal());
        }
        if (a.leastTemperature() != null) {
            needs.add(
                    Text.of(
                            "sanitizer-strength.this-strength-needs-at-least",
                            "this strength needs at least {0}",
                            a.leastTemperature().shown()));
        }
        if (a.least() != null) {
            needs.add(
                    Text.of(
                            "sanitizer-strength.this-temperature-takes-at-least",
                            "this temperature takes at least {0}",
                            a.least().shown()));
        }
        if (a.leastTemperatureAtLowPh() != null) {
            needs.add(
                    Text.of(
                            "sanitizer-strength.at-ph-or-less-it",
                            "at pH {0} or less it needs at least {1}",
                            Show.number(m.context().book().number("chlorine.ph.narrow")),
                            a.leastTemperatureAtLowPh().shown()));
        }
        if (needs.isEmpty()) {
            needs.add(
                    Text.of(
                            "sanitizer-strength.neither-this-strength-nor-this",
                            "neither this strength nor this temperature is in the permitted table"));
        }
        Findings.Report r =
                out.report(info)
                        .items(m.surfaceIds(m.exposed()))
                        .says(
                                Text.of(
                                        "sanitizer-strength.is-too-weak",
                                        "Step {0}: {1} is too weak; {2}.",
                                        m.number(),
                                        u.shown(),
                                        needs),
                                Text.of(
                                        "sanitizer-strength.below-this-it-does-not",
                                        "Below this it does not kill in the time a surface stays wet."))
                        .source(a.source())
                        .deny(m.exposed());
        number(r, "strength", u.use().strength());
        number(r, "least strength", a.least());
        number(r, "temperature", u.use().temperature());
        number(r, "least temperature", a.leastTemperature());
        if (u.use().ph() != null) {
            r.number("pH", u.use().ph().value(), "pH");
        }
        if (a.least() != null) {
            Strength enough = readable(m, u, a.least());
            r.propose(
                    Text.of("sanitizer-strength.raise-to", "Raise to {0}", enough.shown()),
                    List.of(changed(m, u.step(), enough)));
        }
        if (a.leastTemperature() != null) {
            r.propose(
                    Text.of(
                            "sanitizer-strength.warm-to",
                            "Warm to {0}",
                            a.leastTemperature().shown()),
                    List.of(warmed(m, u.step(), a.leastTemperature())));
        }
    }

    private static Edit changed(Moment m, Action.Sanitize s, Strength strength) {
        return SanitizerUse.change(m, s, s.solution().withStrength(strength));
    }

    private static Edit warmed(Moment m, Action.Sanitize s, Temperature temperature) {
        return SanitizerUse.change(m, s, s.solution().withTemperature(temperature));
    }

    /** The least strength that is enough and of which this site can see that it is. */
    private static Strength readable(Moment m, SanitizerUse u, Strength least) {
        List<Instrument> all = m.context().instruments();
        Temperature at = u.use().temperature();
        Strength seen =
                all == null || at == null
                        ? null
                        : Readable.nearest(
                                Readable.by(all, u.chemical()),
                                new SanitizerLimit(m.context().book()).bands(u.use()),
                                least,
                                at);
        return seen == null || seen.compareTo(least) < 0 ? least : seen;
    }

    private static void number(Findings.Report r, String what, @Nullable Strength s) {
        if (s != null) {
            r.number(what, s.mgPerL(), "mg/L");
        }
    }

    private static void number(Findings.Report r, String what, @Nullable Temperature t) {
        if (t != null) {
            r.number(what, t.celsius(), "°C");
        }
    }
}
