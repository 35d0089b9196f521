package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Length;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;

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
            throw new RefusedInput("film", "The input film is no film.", "above 0 to 5 mm");
        }
        double litres = area * millimetres;
        return new Worked(this, in)
                .result(litres, "L")
                .assume("What runs off and what drifts away comes on top.")
                .formula("%s m² × %s mm = %s L", area, millimetres, litres);
    }

    private static double area(CalcInputs in) {
        String allowed = "above 0 to 10,000 m², as 2.4m2";
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
            throw new RefusedInput("area", "The input area: " + e.getMessage(), allowed);
        }
        throw new RefusedInput("area", "The input area is " + in.text("area") + ".", allowed);
    }
}
