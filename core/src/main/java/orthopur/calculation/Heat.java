package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** Lethality of a temperature curve: F = ∫ 10^((T − T_ref) ÷ z) dt, trapezoids on the rate. */
final class Heat implements Calculation {
    private static final Text ALLOWED =
            Text.of("calc.heat.two-or-more-of-c-min", "two or more of 70C@0min, times rising");

    @Override
    public String name() {
        return "heat";
    }

    @Override
    public List<String> keys() {
        return List.of("curve", "reference", "z");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        List<CalcInputs.At> curve = in.atList("curve", ALLOWED);
        if (curve.size() < 2) {
            throw new RefusedInput(
                    "curve",
                    Text.of("calc.heat.one-point-is-not-a-curve", "One point is not a curve."),
                    ALLOWED);
        }
        Temperature reference = in.read("reference", UnitText::temperature);
        double z = in.difference("z", 1, 100);
        double f = 0;
        double highest = curve.getFirst().temperature().celsius();
        for (int i = 1; i < curve.size(); i++) {
            CalcInputs.At a = curve.get(i - 1);
            CalcInputs.At b = curve.get(i);
            if (b.minutes() <= a.minutes()) {
                throw new RefusedInput(
                        "curve",
                        Text.of(
                                "calc.heat.the-times-of-the-curve-do",
                                "The times of the curve do not rise."),
                        ALLOWED);
            }
            f += (b.minutes() - a.minutes()) * (rate(a, reference, z) + rate(b, reference, z)) / 2;
            highest = Math.max(highest, b.temperature().celsius());
        }
        Temperature ware = book.temperature("hot-water.ware-surface");
        return new Worked(this, in)
                .result(f, "min")
                .also("highest", highest, "°C")
                .also(
                        "wareSurface",
                        highest >= ware.celsius()
                                ? Text.of(
                                        "calc.heat.reaches",
                                        "reaches {0}, what the surface of ware from a machine must reach",
                                        ware.shown())
                                : Text.of(
                                        "calc.heat.does-not-reach",
                                        "does not reach {0}, what the surface of ware from a machine must reach",
                                        ware.shown()))
                .assume(
                        Text.of(
                                "calc.heat.straight-lines-between-the-points-on",
                                "Straight lines between the points, on the rate."))
                .formula(
                        Text.figures(
                                "∫ 10^((T − {0}) ÷ {1}) dt = {2} min", reference.celsius(), z, f));
    }

    private static double rate(CalcInputs.At at, Temperature reference, double z) {
        return Math.pow(10, (at.temperature().celsius() - reference.celsius()) / z);
    }
}
