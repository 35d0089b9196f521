package orthopur.calculation;

import java.util.List;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** Whole strokes of a hand pump, whose strength is permitted and nearest to what is wanted. */
final class Strokes implements Calculation {
    @Override
    public String name() {
        return "strokes";
    }

    @Override
    public List<String> keys() {
        return List.of("volume", "target", "stock", "density?", "stroke", "least", "most");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Volume volume = in.positive("volume");
        Strength target = in.positiveStrength("target");
        Strength stock = in.stock("stock", "density");
        Volume stroke = in.positive("stroke");
        Strength least = in.positiveStrength("least");
        Strength most = in.positiveStrength("most");
        if (stock.compareTo(target) <= 0) {
            throw new RefusedInput(
                    "target",
                    Text.of(
                            "calc.strokes.the-stock-of-is-not-stronger",
                            "The stock of {0} is not stronger than the target.",
                            stock.shown()),
                    OutOfRange.below(stock.shown()));
        }
        double each = stroke.litres() * stock.mgPerL() / volume.litres();
        double exact = target.mgPerL() / each;
        double below = Math.floor(exact);
        double above = Math.ceil(exact);
        double strokes = Double.NaN;
        for (double n : List.of(below, above)) {
            boolean permitted = n > 0 && n * each >= least.mgPerL() && n * each <= most.mgPerL();
            if (permitted && !(Math.abs(n - exact) >= Math.abs(strokes - exact))) {
                strokes = n;
            }
        }
        if (Double.isNaN(strokes)) {
            throw new RefusedInput(
                    "stroke",
                    Text.of(
                            "calc.strokes.each-stroke-gives-mg-l-so",
                            "Each stroke gives {0} mg/L, so no whole number of them lies from {1} to {2}.",
                            Show.number((double) Math.round(each)),
                            least.shown(),
                            most.shown()),
                    Text.of(
                            "calc.strokes.a-smaller-stroke-or-more-water",
                            "a smaller stroke, or more water"));
        }
        return new Worked(this, in)
                .result(strokes, "strokes")
                .also("measure", strokes * stroke.millilitres(), "mL")
                .also("strength", strokes * each, "mg/L")
                .assume(
                        Text.of(
                                "calc.strokes.full-strokes-of-a-pump-that",
                                "Full strokes of a pump that is primed; test the mix all the same."))
                .formula(
                        Text.of(
                                "calc.strokes.formula",
                                "{0} mg/L ÷ ({1} mL × {2} mg/L ÷ {3} L) = {4}; {5} strokes give {6} mg/L",
                                target.mgPerL(),
                                stroke.millilitres(),
                                stock.mgPerL(),
                                volume.litres(),
                                exact,
                                strokes,
                                strokes * each));
    }
}
