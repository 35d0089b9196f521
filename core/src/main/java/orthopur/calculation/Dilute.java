package orthopur.calculation;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthopur.calculation.CalcAnswer.Amount;
import orthopur.mixing.Measure;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.UnitText;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;

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
                    "volume", "The input volume is 0 L; nothing to mix.", "above 0 to 1,000,000 L");
        }
        Strength target = in.read("target", UnitText::strength);
        if (target.mgPerL() <= 0) {
            throw new RefusedInput(
                    "target", "The input target is 0 mg/L.", "above 0 mg/L, below the stock");
        }
        Strength stock = in.stock("stock", "density");
        if (stock.compareTo(target) <= 0) {
            throw new RefusedInput(
                    "target",
                    "The stock of "
                            + stock.shown()
                            + " is not stronger than the target of "
                            + target.shown()
                            + ".",
                    "below " + stock.shown());
        }
        Volume exact = Volume.ofLitres(volume.litres() * target.mgPerL() / stock.mgPerL());
        Volume jug = Measure.up(exact);
        double reached = jug.litres() * stock.mgPerL() / volume.litres();
        Map<String, Object> also = new LinkedHashMap<>();
        also.put("stock", new Amount(stock.mgPerL(), "mg/L"));
        also.put("measure", new Amount(jug.millilitres(), "mL"));
        also.put("strengthThen", new Amount(reached, "mg/L"));
        String formula =
                "%s L × %s mg/L ÷ %s mg/L = %s mL"
                        .formatted(
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
                        "The volume is that of the finished solution.",
                        "ppm is read as mg/L, which holds for water-thin solutions.",
                        "The amount in the measuring pitcher is rounded up, so that the strength is at least the target.",
                        "The label of the chemical comes first; read the strength after mixing."));
    }
}
