package orthopur.calculation;

import java.util.List;
import java.util.Locale;
import orthopur.handling.Lifting;
import orthopur.quantity.Mass;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** Recommended weight limit and lifting index of one lift (NIOSH). */
final class LiftLimit implements Calculation {
    @Override
    public String name() {
        return "lift";
    }

    @Override
    public List<String> keys() {
        return List.of(
                "mass",
                "horizontal",
                "vertical",
                "travel",
                "asymmetry",
                "coupling",
                "frequency",
                "duration");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Mass mass = in.read("mass", UnitText::mass);
        double limit;
        try {
            limit =
                    Lifting.limit(
                            new Lifting.Lift(
                                    in.read("horizontal", UnitText::length).centimetres(),
                                    in.read("vertical", UnitText::length).centimetres(),
                                    in.read("travel", UnitText::length).centimetres(),
                                    in.number(
                                            "asymmetry",
                                            in.text("asymmetry").endsWith("°") ? "°" : "deg",
                                            0,
                                            180),
                                    Lifting.Coupling.valueOf(
                                            in.choice("coupling", "good", "fair", "poor")
                                                    .toUpperCase(Locale.ROOT)),
                                    in.number("frequency", "/min", 0, 60),
                                    in.read("duration", UnitText::duration).getSeconds() / 3600.0),
                            book);
        } catch (OutOfRange e) {
            throw new RefusedInput(e.quantity(), e.said(), e.allowed());
        }
        Worked w =
                new Worked(this, in)
                        .result(limit, "kg")
                        .verdict(mass.kilograms() <= limit ? "in" : "out");
        if (limit > 0) {
            w.also("index", mass.kilograms() / limit, "");
        } else {
            w.also(
                    "index",
                    Text.of("calc.lift-limit.no-load", "no load is recommended for such a lift"));
        }
        return w.assume(
                        Text.of(
                                "calc.lift-limit.two-hands-standing-no-jerk-firm",
                                "Two hands, standing, no jerk, firm floor. It is for one person."))
                .formula(
                        Text.of(
                                "calc.lift-limit.formula",
                                "{0} kg × six multipliers = {1} kg",
                                book.number("lift.load-constant"),
                                limit));
    }
}
