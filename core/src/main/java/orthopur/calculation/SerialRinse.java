package orthopur.calculation;

import java.util.List;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Strength;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

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
                    "repeats",
                    Text.of(
                            "calc.serial-rinse.the-input-repeats-is-not-a",
                            "The input repeats is not a whole number."),
                    OutOfRange.range("1", "100"));
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
                .assume(
                        Text.of(
                                "calc.serial-rinse.each-rinse-mixes-with-what-stayed",
                                "Each rinse mixes with what stayed and is drained; dead ends do not mix."))
                .formula(
                        Text.figures(
                                "{0} mg/L × ({1} L ÷ ({2} L + {3} L))^{4} = {5} mg/L",
                                start.mgPerL(),
                                left.litres(),
                                left.litres(),
                                volume.litres(),
                                repeats,
                                then));
    }
}
