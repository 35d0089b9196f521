package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Length;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** What a pump has to give so that water runs through a line at this speed. */
final class PressureDrop implements Calculation {
    private static final double LAMINAR = 2_300;
    private static final double GRAVITY = 9.80665;

    @Override
    public String name() {
        return "pressure";
    }

    @Override
    public List<String> keys() {
        return List.of("bore", "length", "velocity?", "flow?", "temp?", "lift?");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Length bore = in.read("bore", UnitText::length);
        Length length = in.read("length", UnitText::length);
        Line.bounded(bore, in);
        if (!in.has("velocity") && !in.has("flow")) {
            throw new RefusedInput(
                    "velocity",
                    Text.of(
                            "calc.pressure-drop.velocity-or-flow-is-missing",
                            "Velocity or flow is missing."),
                    Text.of(
                            "calc.pressure-drop.one-of-the-two-as-m",
                            "one of the two, as 1.5 m/s"));
        }
        double metres = bore.metres();
        double velocity = Line.velocity(in, Math.PI * metres * metres / 4);
        if (velocity <= 0) {
            throw new RefusedInput(
                    "velocity",
                    Text.of("calc.pressure-drop.nothing-flows", "Nothing flows."),
                    OutOfRange.above("0 m/s"));
        }
        Temperature temp = in.has("temp") ? in.liquid("temp") : Temperature.ofCelsius(20);
        double lift = in.has("lift") ? in.read("lift", UnitText::length).metres() : 0;
        double reynolds = velocity * metres / Water.viscosity(temp);
        double friction =
                reynolds < LAMINAR ? 64 / reynolds : Math.pow(1.8 * Math.log10(reynolds / 6.9), -2);
        double density = Water.density(temp);
        double along = friction * length.metres() / metres * density * velocity * velocity / 2;
        double up = density * GRAVITY * lift;
        double kilopascals = (along + up) / 1000;
        return new Worked(this, in)
                .result(kilopascals, "kPa")
                .also("reynolds", reynolds, "")
                .also("friction", friction, "")
                .also("lift", up / 1000, "kPa")
                .also("velocity", velocity, "m/s")
                .assume(
                        Text.of(
                                "calc.pressure-drop.a-smooth-straight-line-bends-faucets",
                                "A smooth, straight line; bends, faucets and narrow couplings add to it."))
                .assume(Water.at(temp, in.has("temp")))
                .formula(
                        Text.of(
                                "calc.pressure-drop.formula",
                                "{0} × {1} m ÷ {2} mm × {3} kg/m³ × ({4} m/s)² ÷ 2 + lift {5} kPa = {6} kPa",
                                friction,
                                length.metres(),
                                metres * 1000,
                                density,
                                velocity,
                                up / 1000,
                                kilopascals));
    }
}
