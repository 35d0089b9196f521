package orthopur.calculation;

import java.util.List;
import java.util.Locale;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/**
 * The strength to mix so that a reading on this instrument still shows enough when the solution has
 * been held, and never shows too much.
 */
final class Aim implements Calculation {
    private static final double USUAL_MARGIN = 0.05;

    @Override
    public String name() {
        return "aim";
    }

    @Override
    public List<String> keys() {
        return List.of("least", "most", "tolerance", "fade?", "hold?", "margin?");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Strength least = in.positiveStrength("least");
        Strength most = in.positiveStrength("most");
        if (most.compareTo(least) <= 0) {
            throw new RefusedInput(
                    "most",
                    Text.of(
                            "calc.aim.the-input-most-is-not-above",
                            "The input most is not above least."),
                    OutOfRange.above(least.shown()));
        }
        double tolerance = tolerance(in);
        double fade = in.has("fade") ? perHour(in) : 0;
        double hold = in.has("hold") ? in.read("hold", UnitText::duration).toMillis() / 3.6e6 : 0;
        double margin = in.has("margin") ? in.fraction("margin") : USUAL_MARGIN;
        double low = (least.mgPerL() + tolerance) * Math.exp(fade * hold);
        double high = most.mgPerL() - tolerance;
        if (low > high) {
            throw new RefusedInput(
                    "tolerance",
                    Text.of(
                            "calc.aim.with-mg-l-and-h-of",
                            "With ± {0} mg/L and {1} h of hold it has to be {2} mg/L or more and {3} mg/L or less.",
                            Show.number(tolerance),
                            Show.number(hold),
                            Show.number(low),
                            Show.number(high)),
                    Text.of(
                            "calc.aim.a-finer-instrument-or-a-shorter",
                            "a finer instrument, or a shorter hold"));
        }
        double aim = Math.min(low * (1 + margin), (low + high) / 2);
        return new Worked(this, in)
                .result(aim, "mg/L")
                .also("low", low, "mg/L")
                .also("high", high, "mg/L")
                .assume(
                        Text.of(
                                "calc.aim.it-fades-by-the-same-share",
                                "It fades by the same share each hour; soil makes it fade faster."))
                .formula(
                        Text.of(
                                "calc.aim.formula",
                                "low ({0} + {1}) × e^({2} × {3}) = {4}; high {5} − {6} = {7}; aim {8} mg/L",
                                least.mgPerL(),
                                tolerance,
                                fade,
                                hold,
                                low,
                                most.mgPerL(),
                                tolerance,
                                high,
                                aim));
    }

    /** ± 3 mg/L, written with or without its sign. */
    private static double tolerance(CalcInputs in) {
        String given = in.text("tolerance").replace("±", "").strip();
        try {
            UnitText.Parsed p = UnitText.split("tolerance", given);
            return UnitText.strength(p.value(), p.unit()).mgPerL();
        } catch (OutOfRange e) {
            throw new RefusedInput(
                    "tolerance",
                    Text.of("calc.aim.the-input-tolerance", "The input tolerance: {0}", e.said()),
                    Text.of("calc.aim.mg-l-or-more", "±3mg/L, 0 or more"));
        }
    }

    private static double perHour(CalcInputs in) {
        Text allowed = Text.of("calc.aim.to-h-as-h", "0 to 10 /h, as 0.1438/h");
        String given = in.text("fade").toLowerCase(Locale.ROOT).replace(" ", "");
        try {
            double v = Double.parseDouble(given.replaceAll("/h$|perhour$", ""));
            if (v >= 0 && v <= 10) {
                return v;
            }
        } catch (NumberFormatException e) {
            throw new RefusedInput(
                    "fade",
                    Text.of(
                            "calc.aim.the-input-fade-is",
                            "The input fade is {0}.",
                            in.text("fade")),
                    allowed);
        }
        throw new RefusedInput(
                "fade",
                Text.of("calc.aim.the-input-fade-is", "The input fade is {0}.", in.text("fade")),
                allowed);
    }
}
