package orthopur.calculation;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthopur.calculation.CalcAnswer.Amount;
import orthopur.mixing.Measure;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.UnitText;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/**
 * Concentrate for a volume of use solution: V_c = V·c_t / c_stock, where V is the final volume and
 * the stock is w·ρ·10⁶ mg/L.
 */
final class Dilute implements Calculation {
    @Override
    public String name() {
        return "dilute";
    }

    @Override
    public List<String> keys() {
        return List.of("volume", "target", "stock", "density?");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Volume volume = in.read("volume", UnitText::volume);
        if (volume.litres() <= 0) {
            throw new RefusedInput(
                    "volume",
                    Text.of(
                            "calc.dilute.the-input-volume-is-l-nothing",
                            "The input volume is 0 L; nothing to mix."),
                    OutOfRange.above("0", "1,000,000 L"));
        }
        Strength target = in.read("target", UnitText::strength);
        if (target.mgPerL() <= 0) {
            throw new RefusedInput(
                    "target",
                    Text.of("calc.dilute.the-input-target-is-mg-l", "The input target is 0 mg/L."),
                    Text.of(
                            "calc.dilute.above-mg-l-below-the-stock",
                            "above 0 mg/L, below the stock"));
        }
        Strength stock = in.stock("stock", "density");
        if (stock.compareTo(target) <= 0) {
            throw new RefusedInput(
                    "target",
                    Text.of(
                            "calc.dilute.the-stock-of-is-not-stronger",
                            "The stock of {0} is not stronger than the target of {1}.",
                            stock.shown(),
                            target.shown()),
                    OutOfRange.below(stock.shown()));
        }
        Volume exact = Volume.ofLitres(volume.litres() * target.mgPerL() / stock.mgPerL());
        Volume jug = Measure.up(exact);
        double reached = jug.litres() * stock.mgPerL() / volume.litres();
        Map<String, Object> also = new LinkedHashMap<>();
        also.put("stock", new Amount(stock.mgPerL(), "mg/L"));
        also.put("measure", new Amount(jug.millilitres(), "mL"));
        also.put("strengthThen", new Amount(reached, "mg/L"));
        Text formula =
                Text.figures(
                        "{0} L × {1} mg/L ÷ {2} mg/L = {3} mL",
                        Show.number(volume.litres()),
                        Show.number(target.mgPerL()),
                        Show.number(stock.mgPerL()),
                        Show.number(exact.millilitres()));
        return new CalcAnswer(
                name(),
                in.asGiven(),
                new Amount(exact.millilitres(), "mL"),
                also,
                null,
                formula,
                List.of(
                        Text.of(
                                "calc.dilute.finished",
                                "The volume is that of the finished solution."),
                        Text.of(
                                "calc.dilute.ppm",
                                "ppm is read as mg/L, which holds for water-thin solutions."),
                        Text.of(
                                "calc.dilute.rounded-up",
                                "The amount in the measuring pitcher is rounded up, so that the strength is at least the target."),
                        Text.of(
                                "calc.dilute.label-first",
                                "The label of the chemical comes first; read the strength after mixing.")));
    }
}
