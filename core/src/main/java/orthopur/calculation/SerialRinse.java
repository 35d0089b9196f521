package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Strength;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;

/** What is left of a chemical after several small rinses, each drained before the next. */
final class SerialRinse implements Calculation {
    @Override
    public String name() {
        return "serial-rinse";
    }

    @Override
    public List<String> keys() {
        return List.of("start", "left", "volume", "repeats");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Strength start = in.positiveStrength("start");
        Volume left = in.positive("left");
        Volume volume = in.positive("volume");
        double repeats = in.number("repeats", "", 1, 100);
        if (repeats != Math.floor(repeats)) {
            throw new RefusedInput(
                    "repeats", "The input repeats is not a whole number.", "1 to 100");
        }
        double share = left.litres() / (left.litres() + volume.litres());
        double then = start.mgPerL() * Math.pow(share, repeats);
        return new Worked(this, in)
                .result(then, "mg/L")
                .also("water", volume.litres() * repeats, "L")
                .also(
                        "inOne",
                        start.mgPerL()
                                * left.litres()
                                / (left.litres() + volume.litres() * repeats),
                        "mg/L")
                .assume("Each rinse mixes with what stayed and is drained; dead ends do not mix.")
                .formula(
                        "%s mg/L × (%s L ÷ (%s L + %s L))^%s = %s mg/L",
                        start.mgPerL(),
                        left.litres(),
                        left.litres(),
                        volume.litres(),
                        repeats,
                        then);
    }
}
