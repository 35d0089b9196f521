package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Length;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;

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
                        .assume("Cleaner to make: the line × " + spare + ", for hoses and pump.");
        if (in.has("velocity") || in.has("flow")) {
            double velocity = velocity(in, area);
            Temperature temp = in.has("temp") ? in.liquid("temp") : Temperature.ofCelsius(20);
            double reynolds = velocity * bore.metres() / Water.viscosity(temp);
            w.also("velocity", velocity, "m/s")
                    .also("flow", area * velocity * 60_000, "L/min")
                    .also("reynolds", reynolds, "")
                    .also("turbulent", reynolds >= book.number("line.turbulent") ? "yes" : "no")
                    .assume("Water at " + temp.shown() + (in.has("temp") ? "." : ", assumed."));
        }
        return w.formula(
                "π × (%s mm)² ÷ 4 × %s m = %s L", bore.metres() * 1000, length.metres(), litres);
    }

    /** A line's bore, and one of velocity and flow. */
    static void bounded(Length bore, CalcInputs in) {
        if (bore.metres() <= 0 || bore.metres() > 1) {
            throw new RefusedInput("bore", "The input bore is not a line's.", "above 0 to 1 m");
        }
        if (in.has("velocity") && in.has("flow")) {
            throw new RefusedInput("flow", "Give velocity or flow, not both.", "one of the two");
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
