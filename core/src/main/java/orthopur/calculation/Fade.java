package orthopur.calculation;

import java.util.List;
import orthopur.mixing.Fading;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** When a solution falls to its minimum: a straight line through ln c against time. */
final class Fade implements Calculation {
    /** Student's t, two-sided 95 %, for 1 to 10 degrees of freedom; 1.96 is the limit. */
    private static final double[] T95 = {
        12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228
    };

    private static final Text ALLOWED =
            Text.of(
                    "calc.fade.two-or-more-of-h-mg",
                    "two or more of 0h:200mg/L, times rising, strengths falling");

    @Override
    public String name() {
        return "fade";
    }

    @Override
    public List<String> keys() {
        return List.of("readings", "minimum");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        List<Fading.Point> read =
                in.pairs("readings", ":", ALLOWED).stream().map(Fade::point).toList();
        Strength minimum = in.positiveStrength("minimum");
        check(read);
        double from = read.getFirst().hours();
        List<Fading.Point> points =
                read.stream().map(p -> new Fading.Point(p.hours() - from, p.mgPerL())).toList();
        Fading fit = Fading.through(points);
        if (fit == null) {
            throw refused(
                    Text.of(
                            "calc.fade.not-falling",
                            "The strengths do not fall, so nothing says when they would be too low."));
        }
        double k = fit.perHour();
        double hours = Math.max(0, fit.hoursTo(minimum.mgPerL()));
        boolean more = points.size() > 2;
        double[] band = more ? fitted(points, fit, hours) : corners(points, minimum, book);
        return new Worked(this, in)
                .result(hours, "h")
                .also("earliest", Math.max(0, band[0]), "h")
                .also(
                        "latest",
                        Double.isInfinite(band[1])
                                ? Text.of("calc.fade.cannot-be-said", "cannot be said")
                                : Text.plain(Show.number(band[1]) + " h"))
                .also("k", k, "1/h")
                .also("halfLife", Math.log(2) / k, "h")
                .assume(
                        Text.of(
                                "calc.fade.it-goes-on-fading-at-the",
                                "It goes on fading at the same rate: same temperature, same soil."))
                .assume(
                        more
                                ? Text.of(
                                        "calc.fade.band-of-the-fit",
                                        "Earliest and latest: 95 % band of the fit.")
                                : Text.of(
                                        "calc.fade.band-of-the-instrument",
                                        "Two readings: the band comes from the instrument, ±{0} % of each reading.",
                                        Show.number(book.number("instrument.uncertainty"))))
                .formula(
                        Text.figures("(ln c₀ − ln {0}) ÷ {1} = {2} h", minimum.mgPerL(), k, hours));
    }

    private static double[] fitted(List<Fading.Point> points, Fading fit, double hours) {
        int n = points.size();
        double rss = 0;
        for (Fading.Point p : points) {
            rss += Math.pow(Math.log(p.mgPerL()) - fit.lnAt(p.hours()), 2);
        }
        double s = Math.sqrt(rss / (n - 2));
        double t = n - 2 <= T95.length ? T95[n - 3] : 1.96;
        double half =
                t
                        * s
                        / fit.perHour()
                        * Math.sqrt(1.0 / n + Math.pow(hours - fit.middle(), 2) / fit.spread());
        return new double[] {hours - half, hours + half};
    }

    /** The fastest and the slowest fade that both readings allow. */
    private static double[] corners(List<Fading.Point> points, Strength minimum, RuleBook book) {
        double u = book.number("instrument.uncertainty") / 100;
        double span = points.get(1).hours() - points.get(0).hours();
        double[] ends = new double[2];
        for (int i = 0; i < 2; i++) {
            double sign = i == 0 ? 1 : -1;
            double high = points.get(0).mgPerL() * (1 + sign * u);
            double low = points.get(1).mgPerL() * (1 - sign * u);
            double k = Math.log(high / low) / span;
            // Both readings may be off the same way as well: start from the weaker end.
            double start =
                    i == 0 ? points.get(0).mgPerL() * (1 - u) : points.get(0).mgPerL() * (1 + u);
            ends[i] = k > 0 ? Math.log(start / minimum.mgPerL()) / k : Double.POSITIVE_INFINITY;
        }
        return ends;
    }

    private static void check(List<Fading.Point> points) {
        if (points.size() < 2) {
            throw refused(
                    Text.of(
                            "calc.fade.one-reading",
                            "One reading says nothing of how fast it fades."));
        }
        for (int i = 1; i < points.size(); i++) {
            if (points.get(i).hours() <= points.get(i - 1).hours()) {
                throw refused(
                        Text.of(
                                "calc.fade.not-rising",
                                "The times do not rise from one reading to the next."));
            }
        }
    }

    private static Fading.Point point(String[] pair) {
        try {
            UnitText.Parsed at = UnitText.split("readings", pair[0]);
            UnitText.Parsed c = UnitText.split("readings", pair[1]);
            double hours = UnitText.duration(at.value(), at.unit()).toMillis() / 3_600_000.0;
            double strength = UnitText.strength(c.value(), c.unit()).mgPerL();
            if (strength <= 0) {
                throw refused(
                        Text.of(
                                "calc.fade.spent",
                                "A strength of 0 mg/L has no logarithm; the solution is spent."));
            }
            return new Fading.Point(hours, strength);
        } catch (OutOfRange e) {
            throw refused(e.said());
        }
    }

    private static RefusedInput refused(Text why) {
        return new RefusedInput(
                "readings",
                Text.of("calc.fade.the-input-readings", "The input readings: {0}", why),
                ALLOWED);
    }
}
