package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Length;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** How much keeps an area wet. */
final class Spray implements Calculation {
    @Override
    public String name() {
        return "spray";
    }

    @Override
    public List<String> keys() {
        return List.of("area", "film");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        double area = area(in);
        Length film = in.read("film", UnitText::length);
        double millimetres = film.metres() * 1000;
        if (!(millimetres > 0 && millimetres <= 5)) {
            throw new RefusedInput(
                    "film",
                    Text.of("calc.spray.the-input-film-is-no-film", "The input film is no film."),
                    OutOfRange.above("0", "5 mm"));
        }
        double litres = area * millimetres;
        return new Worked(this, in)
                .result(litres, "L")
                .assume(
                        Text.of(
                                "calc.spray.what-runs-off-and-what-drifts",
                                "What runs off and what drifts away comes on top."))
                .formula(Text.figures("{0} m² × {1} mm = {2} L", area, millimetres, litres));
    }

    private static double area(CalcInputs in) {
        Text allowed = Text.of("calc.spray.above-to-m-as-m", "above 0 to 10,000 m², as 2.4m2");
        try {
            UnitText.Parsed p = UnitText.split("area", in.text("area"));
            double metres =
                    switch (p.unit().replace("²", "2")) {
                        case "m2" -> p.value();
                        case "cm2" -> p.value() / 10_000;
                        case "ft2", "sq ft" -> p.value() * 0.09290304;
                        default -> Double.NaN;
                    };
            if (metres > 0 && metres <= 10_000) {
                return metres;
            }
        } catch (OutOfRange e) {
            throw new RefusedInput(
                    "area",
                    Text.of("calc.spray.the-input-area", "The input area: {0}", e.said()),
                    allowed);
        }
        throw new RefusedInput(
                "area",
                Text.of("calc.spray.the-input-area-is", "The input area is {0}.", in.text("area")),
                allowed);
    }
}
