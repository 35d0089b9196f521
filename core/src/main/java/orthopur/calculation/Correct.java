package orthopur.calculation;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthopur.calculation.CalcAnswer.Amount;
import orthopur.mixing.Correction;
import orthopur.mixing.Interval;
import orthopur.mixing.Measure;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.UnitText;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/**
 * Brings a vessel to its target. Low: x = V(c₂−c₁)/(c_s−c₂) of concentrate. High: V(c₁/c₂−1) of
 * water. An interval for reading or target (49..75mg/L, 62±13mg/L) is brought inside as a whole.
 * Where the room left is given and the water does not fit: draw off V − V·c₂/c₁ and refill.
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
                    "volume",
                    Text.of(
                            "calc.correct.the-input-volume-is-l-nothing",
                            "The input volume is 0 L; nothing to correct."),
                    OutOfRange.above("0 L"));
        }
        Interval around = in.interval("reading");
        Interval aim = in.interval("target");
        if (around.low() < around.high() || aim.low() < aim.high()) {
            return wholeInterval(in, volume, around, aim);
        }
        Strength reading = in.read("reading", UnitText::strength);
        Strength target = in.read("target", UnitText::strength);
        if (target.mgPerL() <= 0) {
            throw new RefusedInput(
                    "target",
                    Text.of("calc.correct.the-input-target-is-mg-l", "The input target is 0 mg/L."),
                    Text.of(
                            "calc.correct.above-mg-l-below-the-stock",
                            "above 0 mg/L, below the stock"));
        }
        Strength stock = in.stock("stock", "density");
        if (stock.compareTo(target) <= 0) {
            throw new RefusedInput(
                    "target",
                    Text.of(
                            "calc.correct.the-stock-is-not-stronger-than",
                            "The stock is not stronger than the target."),
                    OutOfRange.below(stock.shown()));
        }
        Volume room = in.readIfGiven("room", UnitText::volume);
        double v = volume.litres();
        double c1 = reading.mgPerL();
        double c2 = target.mgPerL();
        double cs = stock.mgPerL();
        Map<String, Object> also = new LinkedHashMap<>();
        Amount result;
        Text formula;
        if (c1 <= c2) {
            double x = v * (c2 - c1) / (cs - c2);
            Volume jug = Measure.up(Volume.ofLitres(x));
            result = new Amount(x * 1000, "mL");
            also.put("add", Text.of("calc.correct.concentrate", "concentrate"));
            also.put("measure", new Amount(jug.millilitres(), "mL"));
            also.put(
                    "strengthThen",
                    new Amount((c1 * v + cs * jug.litres()) / (v + jug.litres()), "mg/L"));
            if (room != null && room.litres() < x) {
                also.put("swap", new Amount(v * (c2 - c1) / (cs - c1) * 1000, "mL"));
            }
            formula =
                    Text.figures(
                            "{0} L × ({1} − {2}) ÷ ({3} − {4}) = {5} mL",
                            n(v), n(c2), n(c1), n(cs), n(c2), n(x * 1000));
        } else {
            double water = v * (c1 / c2 - 1);
            result = new Amount(water, "L");
            also.put("add", Text.of("calc.correct.water", "water"));
            if (room != null && room.litres() < water) {
                also.put("drawOffFirst", new Amount(v - (v + room.litres()) * c2 / c1, "L"));
            }
            formula = Text.figures("{0} L × ({1} ÷ {2} − 1) = {3} L", n(v), n(c1), n(c2), n(water));
        }
        return new CalcAnswer(
                name(),
                in.asGiven(),
                result,
                also,
                null,
                formula,
                List.of(
                        Text.of(
                                "calc.correct.taken-as-exact",
                                "The reading is taken as exact; give 62±13mg/L or 49..75mg/L where it is not."),
                        Text.of(
                                "calc.correct.stir-wait-one-minute-and-read",
                                "Stir, wait one minute and read again. The label comes first.")));
    }

    /** Aims for all that the reading can mean inside the target, ceiling included. */
    private CalcAnswer wholeInterval(
            CalcInputs in, Volume volume, Interval reading, Interval target) {
        Worked w =
                new Worked(this, in)
                        .assume(
                                Text.of(
                                        "calc.correct.all-that-the-reading-can-mean",
                                        "All that the reading can mean is brought inside the target."))
                        .assume(
                                Text.of(
                                        "calc.correct.stir-wait-one-minute-and-read",
                                        "Stir, wait one minute and read again. The label comes first."));
        double v = volume.litres();
        double ceiling = target.high();
        Interval after;
        if (reading.low() >= target.low() && reading.high() <= ceiling) {
            after = reading;
            w.result(0, "mL").also("add", Text.of("calc.correct.nothing", "nothing"));
        } else if (reading.low() < target.low()) {
            Strength stock = in.stock("stock", "density");
            if (stock.mgPerL() <= target.low()) {
                throw new RefusedInput(
                        "target",
                        Text.of(
                                "calc.correct.the-stock-is-not-stronger-than",
                                "The stock is not stronger than the target."),
                        OutOfRange.below(stock.shown()));
            }
            Correction c =
                    Correction.raise(
                            volume,
                            reading,
                            new Strength(target.low()),
                            new Strength(ceiling),
                            stock);
            after = c.after();
            w.result(c.add().millilitres(), "mL")
                    .also("add", Text.of("calc.correct.concentrate", "concentrate"));
        } else {
            double water = v * (reading.high() / ceiling - 1);
            after = new Interval(reading.low() * v / (v + water), ceiling);
            w.result(water, "L").also("add", Text.of("calc.correct.water", "water"));
        }
        boolean inside = after.low() >= target.low() - 1e-9 && after.high() <= ceiling + 1e-9;
        if (!inside) {
            w.also(
                    "change",
                    Text.of(
                            "calc.correct.cannot-tell",
                            "can’t tell: use a finer test or start again"));
        }
        return w.also("strengthThenLow", after.low(), "mg/L")
                .also("strengthThenHigh", after.high(), "mg/L")
                .verdict(inside ? "in" : "cannot-tell")
                .formula(
                        Text.of(
                                "calc.correct.formula",
                                "{0} L read as {1} to {2} mg/L becomes {3} to {4} mg/L",
                                v,
                                reading.low(),
                                reading.high(),
                                after.low(),
                                after.high()));
    }

    private static String n(double value) {
        return Show.number(value);
    }
}
