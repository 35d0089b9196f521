package orthopur.rules.chemistry;

import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.instrument.Instrument;
import orthopur.mixing.Band;
import orthopur.mixing.Interval;
import orthopur.mixing.SanitizerLimit;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
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
    private static final double STEP = 5;

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
        List<Instrument> some =
                all.stream()
                        .filter(Instrument::readsStrength)
                        .filter(i -> i.reads(u.chemical().kind()))
                        .toList();
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
                || some.stream().anyMatch(i -> tells(i, bands, planned.mgPerL(), at))) {
            return;
        }
        Double better = better(some, bands, planned.mgPerL(), at);
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
                                        "Step {0} plans {1} at {2}, too close to a limit for {3}; at {4} mg/L they can tell.",
                                        m.number(),
                                        planned.shown(),
                                        at.shown(),
                                        names(some),
                                        Show.number(better)),
                        Text.of(
                                "instruments-decide.a-reading-that-decides-nothing",
                                "A reading that decides nothing holds up the night, or is taken for a yes."));
    }

    private static List<String> names(List<Instrument> some) {
        return some.stream().map(Instrument::name).toList();
    }

    /** Whether all that it may show of this strength is within the limits. */
    private static boolean tells(
            Instrument i, List<Band> bands, double mgPerL, Temperature planned) {
        try {
            Interval means = i.means(seen(i, mgPerL));
            Temperature cold = new Temperature(planned.celsius() - i.temperatureTolerance());
            Band band = coldest(bands, cold);
            return band != null
                    && means.low() >= band.least().mgPerL()
                    && means.high() <= band.most().mgPerL();
        } catch (OutOfRange x) {
            return false;
        }
    }

    /** A strip shows its mark only for what is nearest to it; else something between two. */
    private static double seen(Instrument i, double mgPerL) {
        return i.perDrop() == null ? mgPerL : Math.ceil(mgPerL / i.perDrop()) * i.perDrop();
    }

    private static @Nullable Band coldest(List<Band> bands, Temperature at) {
        Band best = null;
        for (Band b : bands) {
            if (at.atLeast(b.from()) && (best == null || b.least().compareTo(best.least()) < 0)) {
                best = b;
            }
        }
        return best;
    }

    /** The strength nearest to the planned one at which something can tell. */
    private static @Nullable Double better(
            List<Instrument> some, List<Band> bands, double planned, Temperature at) {
        double most = bands.getFirst().most().mgPerL();
        Double best = null;
        for (double x = STEP; x <= most; x += STEP) {
            double y = x;
            boolean nearer = best == null || Math.abs(x - planned) < Math.abs(best - planned);
            if (nearer && some.stream().anyMatch(i -> tells(i, bands, y, at))) {
                best = x;
            }
        }
        return best;
    }
}
