package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Length;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** What a line holds, how fast it runs and whether that is turbulent. */
final class Line implements Calculation {
    @Override
    public String name() {
        return "line";
    }

    @Override
    public List<String> keys() {
        return List.of("bore", "length", "velocity?", "flow?", "temp?");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Length bore = in.read("bore", UnitText::length);
        Length length = in.read("length", UnitText::length);
        bounded(bore, in);
        double area = Math.PI * bore.metres() * bore.metres() / 4;
        double litres = area * length.metres() * 1000;
        double spare = book.number("line.cleaner");
        Worked w =
                new Worked(this, in)
                        .result(litres, "L")
                        .also("cleanerToMake", litres * spare, "L")
                        .assume(
                                Text.of(
                                        "calc.line.cleaner-to-make-the-line-for",
                                        "Cleaner to make: the line × {0}, for hoses and pump.",
                                        spare));
        if (in.has("velocity") || in.has("flow")) {
            double velocity = velocity(in, area);
            Temperature temp = in.has("temp") ? in.liquid("temp") : Temperature.ofCelsius(20);
            double reynolds = velocity * bore.metres() / Water.viscosity(temp);
            w.also("velocity", velocity, "m/s")
                    .also("flow", area * velocity * 60_000, "L/min")
                    .also("reynolds", reynolds, "")
                    .also("turbulent", Worked.yes(reynolds >= book.number("line.turbulent")))
                    .assume(Water.at(temp, in.has("temp")));
        }
        return w.formula(
                Text.figures(
                        "π × ({0} mm)² ÷ 4 × {1} m = {2} L",
                        bore.metres() * 1000, length.metres(), litres));
    }

    /** A line's bore, and one of velocity and flow. */
    static void bounded(Length bore, CalcInputs in) {
        if (bore.metres() <= 0 || bore.metres() > 1) {
            throw new RefusedInput(
                    "bore",
                    Text.of("calc.line.the-input-bore-is-not-a", "The input bore is not a line's."),
                    OutOfRange.above("0", "1 m"));
        }
        if (in.has("velocity") && in.has("flow")) {
            throw new RefusedInput(
                    "flow",
                    Text.of(
                            "calc.line.give-velocity-or-flow-not-both",
                            "Give velocity or flow, not both."),
                    Text.of("calc.line.one-of-the-two", "one of the two"));
        }
    }

    /**
     * Mean velocity in m/s, given or from the flow.
     *
     * @param area of the bore in m²
     */
    static double velocity(CalcInputs in, double area) {
        return in.has("velocity")
                ? in.read("velocity", UnitText::velocity)
                : in.read("flow", UnitText::flow).litresPerMinute() / 60_000 / area;
    }
}
