package orthopur.calculation;

import java.util.List;
import java.util.Locale;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;

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
                    "most", "The input most is not above least.", "above " + least.shown());
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
                    "With ± %s mg/L and %s h of hold it has to be %s mg/L or more and %s mg/L or less."
                            .formatted(
                                    Show.number(tolerance),
                                    Show.number(hold),
                                    Show.number(low),
                                    Show.number(high)),
                    "a finer instrument, or a shorter hold");
        }
        double aim = Math.min(low * (1 + margin), (low + high) / 2);
        return new Worked(this, in)
                .result(aim, "mg/L")
                .also("low", low, "mg/L")
                .also("high", high, "mg/L")
                .assume("It fades by the same share each hour; soil makes it fade faster.")
                .formula(
                        "low (%s + %s) × e^(%s × %s) = %s; high %s − %s = %s; aim %s mg/L",
                        least.mgPerL(),
                        tolerance,
                        fade,
                        hold,
                        low,
                        most.mgPerL(),
                        tolerance,
                        high,
                        aim);
    }

    /** ± 3 mg/L, written with or without its sign. */
    private static double tolerance(CalcInputs in) {
        String given = in.text("tolerance").replace("±", "").strip();
        try {
            UnitText.Parsed p = UnitText.split("tolerance", given);
            return UnitText.strength(p.value(), p.unit()).mgPerL();
        } catch (OutOfRange e) {
            throw new RefusedInput(
                    "tolerance", "The input tolerance: " + e.getMessage(), "±3mg/L, 0 or more");
        }
    }

    private static double perHour(CalcInputs in) {
        String allowed = "0 to 10 /h, as 0.1438/h";
        String given = in.text("fade").toLowerCase(Locale.ROOT).replace(" ", "");
        try {
            double v = Double.parseDouble(given.replaceAll("/h$|perhour$", ""));
            if (v >= 0 && v <= 10) {
                return v;
            }
        } catch (NumberFormatException e) {
            throw new RefusedInput("fade", "The input fade is " + in.text("fade") + ".", allowed);
        }
        throw new RefusedInput("fade", "The input fade is " + in.text("fade") + ".", allowed);
    }
}
