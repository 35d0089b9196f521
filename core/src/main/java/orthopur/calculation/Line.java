package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Flow;
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
        if (bore.metres() <= 0 || bore.metres() > 1) {
            throw new RefusedInput("bore", "The input bore is not a line's.", "above 0 to 1 m");
        }
        if (in.has("velocity") && in.has("flow")) {
            throw new RefusedInput("flow", "Give velocity or flow, not both.", "one of the two");
        }
        double area = Math.PI * bore.metres() * bore.metres() / 4;
        double litres = area * length.metres() * 1000;
        double spare = book.number("line.cleaner");
        Worked w =
                new Worked(this, in)
                        .result(litres, "L")
                        .also("cleanerToMake", litres * spare, "L")
                        .assume("Cleaner to make: the line × " + spare + ", for hoses and pump.");
        if (in.has("velocity") || in.has("flow")) {
            double velocity =
                    in.has("velocity")
                            ? in.read("velocity", UnitText::velocity)
                            : new Velocity(area).of(in.read("flow", UnitText::flow));
            Temperature temp = in.has("temp") ? in.liquid("temp") : Temperature.ofCelsius(20);
            double reynolds = velocity * bore.metres() / viscosity(temp);
            w.also("velocity", velocity, "m/s")
                    .also("flow", area * velocity * 60_000, "L/min")
                    .also("reynolds", reynolds, "")
                    .also("turbulent", reynolds >= book.number("line.turbulent") ? "yes" : "no")
                    .assume("Water at " + temp.shown() + (in.has("temp") ? "." : ", assumed."));
        }
        return w.formula(
                "π × (%s mm)² ÷ 4 × %s m = %s L", bore.metres() * 1000, length.metres(), litres);
    }

    private record Velocity(double area) {
        double of(Flow flow) {
            return flow.litresPerMinute() / 60_000 / area;
        }
    }

    /** Kinematic viscosity of water in m²/s, 0 to 100 °C: Vogel's fit over the density. */
    private static double viscosity(Temperature temp) {
        double kelvin = temp.celsius() + 273.15;
        double dynamic = 2.414e-5 * Math.pow(10, 247.8 / (kelvin - 140));
        double t = temp.celsius();
        // Thiesen's fit of the density of water.
        double density =
                1000
                        * (1
                                - (t + 288.9414)
                                        / (508_929.2 * (t + 68.12963))
                                        * Math.pow(t - 3.9863, 2));
        return dynamic / density;
    }
}
