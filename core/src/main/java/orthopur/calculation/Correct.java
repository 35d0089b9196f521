package orthopur.mixing;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthopur.mixing.CalcAnswer.Amount;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.UnitText;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;

/**
 * Brings a vessel to its target. Low: x = V(c₂−c₁)/(c_s−c₂) of concentrate. High: V(c₁/c₂−1) of
 * water. Where the room left is given and the water does not fit: draw off V − V·c₂/c₁ and refill.
 */
final class Correct implements Calculation {
    @Override
    public String name() {
        return "correct";
    }

    @Override
    public List<String> keys() {
        return List.of("volume", "reading", "target", "stock", "density?", "room?");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Volume volume = in.read("volume", UnitText::volume);
        if (volume.litres() <= 0) {
            throw new RefusedInput(
                    "volume", "The input volume is 0 L; nothing to correct.", "above 0 L");
        }
        Strength reading = in.read("reading", UnitText::strength);
        Strength target = in.read("target", UnitText::strength);
        if (target.mgPerL() <= 0) {
            throw new RefusedInput(
                    "target", "The input target is 0 mg/L.", "above 0 mg/L, below the stock");
        }
        Strength stock = in.stock("stock", "density");
        if (stock.compareTo(target) <= 0) {
            throw new RefusedInput(
                    "target",
                    "The stock is not stronger than the target.",
                    "below " + stock.shown());
        }
        Volume room = in.readIfGiven("room", UnitText::volume);
        double v = volume.litres();
        double c1 = reading.mgPerL();
        double c2 = target.mgPerL();
        double cs = stock.mgPerL();
        Map<String, Object> also = new LinkedHashMap<>();
        Amount result;
        String formula;
        if (c1 <= c2) {
            double x = v * (c2 - c1) / (cs - c2);
            Volume jug = Measure.up(Volume.ofLitres(x));
            result = new Amount(x * 1000, "mL");
            also.put("add", "concentrate");
            also.put("measure", new Amount(jug.millilitres(), "mL"));
            also.put(
                    "strengthThen",
                    new Amount((c1 * v + cs * jug.litres()) / (v + jug.litres()), "mg/L"));
            if (room != null && room.litres() < x) {
                also.put("swap", new Amount(v * (c2 - c1) / (cs - c1) * 1000, "mL"));
            }
            formula =
                    "%s L × (%s − %s) ÷ (%s − %s) = %s mL"
                            .formatted(n(v), n(c2), n(c1), n(cs), n(c2), n(x * 1000));
        } else {
            double water = v * (c1 / c2 - 1);
            result = new Amount(water, "L");
            also.put("add", "water");
            if (room != null && room.litres() < water) {
                also.put("drawOffFirst", new Amount(v - (v + room.litres()) * c2 / c1, "L"));
            }
            formula = "%s L × (%s ÷ %s − 1) = %s L".formatted(n(v), n(c1), n(c2), n(water));
        }
        return new CalcAnswer(
                name(),
                in.asGiven(),
                result,
                also,
                null,
                formula,
                List.of(
                        "The reading is taken as exact; on the floor its whole interval is used.",
                        "Stir, wait one minute and read again. The label comes first."));
    }

    private static String n(double value) {
        return Show.number(value);
    }
}
