package orthopur.rules.chemistry;

import java.util.List;
import orthopur.instrument.Instrument;
import orthopur.mixing.Band;
import orthopur.mixing.SanitizerLimit;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/**
 * S9: the site has something that reads this sanitizer, and what is planned lies so far inside its
 * limits that it can tell.
 */
public final class InstrumentsDecide extends BookRule {
    public InstrumentsDecide() {
        super(
                RuleId.S9,
                Severity.FIX,
                "The site's instruments can tell whether the planned strength is in range",
                "Food Code 2022, 4-302.14");
    }

    @Override
    public void look(Moment m, Findings out) {
        SanitizerUse u = SanitizerUse.of(m);
        List<Instrument> all = m.context().instruments();
        if (u == null || all == null || out.onCause(id, u.chemical().id()) != null) {
            return;
        }
        List<Instrument> some = Readable.by(all, u.chemical());
        if (some.isEmpty()) {
            out.report(info)
                    .cause(u.chemical().id())
                    .says(
                            Text.of(
                                    "instruments-decide.no-device",
                                    "Step {0} sanitizes with {1}, and this site has nothing that reads it.",
                                    m.number(),
                                    u.chemical().name()),
                            Text.of(
                                    "instruments-decide.strength-cannot-be-seen",
                                    "Strength can't be seen or smelled; buy its test strips or kit, and register them."));
            return;
        }
        Strength planned = u.use().strength();
        Temperature at = u.use().temperature();
        List<Band> bands = new SanitizerLimit(m.context().book()).bands(u.use());
        boolean enough = u.answer().verdict() == SanitizerLimit.Verdict.ENOUGH;
        if (planned == null
                || at == null
                || bands.isEmpty()
                || !enough
                || Readable.tells(some, bands, planned, at)) {
            return;
        }
        Strength better = Readable.nearest(some, bands, planned, at);
        Findings.Report r =
                out.report(info)
                        .severity(Severity.ADVISE)
                        .cause(u.chemical().id())
                        .number("planned", planned.mgPerL(), "mg/L")
                        .says(
                                better == null
                                        ? Text.of(
                                                "instruments-decide.none-can-tell",
                                                "Step {0} plans {1} at {2}; nothing on this site can tell whether that is in range: {3}.",
                                                m.number(),
                                                planned.shown(),
                                                at.shown(),
                                                names(some))
                                        : Text.of(
                                                "instruments-decide.plan-another",
                                                "Step {0} plans {1} at {2}, too close to a limit for {3}; at {4} they can tell.",
                                                m.number(),
                                                planned.shown(),
                                                at.shown(),
                                                names(some),
                                                better.shown()),
                                Text.of(
                                        "instruments-decide.a-reading-that-decides-nothing",
                                        "A reading that decides nothing holds up the night, or is taken for a yes."));
        if (better != null) {
            r.propose(
                    Text.of("instruments-decide.plan", "Plan {0}", better.shown()),
                    List.of(
                            SanitizerUse.change(
                                    m, u.step(), u.step().solution().withStrength(better))));
        }
    }

    private static List<String> names(List<Instrument> some) {
        return some.stream().map(Instrument::name).toList();
    }
}
