package orthopur.calculation;

import java.util.List;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** Hot water for a volume at a temperature: V·(t − t_cold) ÷ (t_hot − t_cold). */
final class Blend implements Calculation {
    @Override
    public String name() {
        return "blend";
    }

    @Override
    public List<String> keys() {
        return List.of("hot", "cold", "target", "volume");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Temperature hot = in.liquid("hot");
        Temperature cold = in.liquid("cold");
        Temperature target = in.liquid("target");
        Volume volume = in.positive("volume");
        if (cold.compareTo(hot) >= 0) {
            throw new RefusedInput(
                    "cold",
                    Text.of(
                            "calc.blend.the-cold-water-is-not-colder",
                            "The cold water is not colder than the hot."),
                    OutOfRange.below(hot.shown()));
        }
        if (target.compareTo(cold) < 0 || target.compareTo(hot) > 0) {
            throw new RefusedInput(
                    "target",
                    Text.of(
                            "calc.blend.no-blend-of-these-two-gives",
                            "No blend of these two gives {0}.",
                            target.shown()),
                    OutOfRange.range(cold.shown(), hot.shown()));
        }
        double share = (target.celsius() - cold.celsius()) / (hot.celsius() - cold.celsius());
        double litres = volume.litres() * share;
        return new Worked(this, in)
                .result(litres, "L")
                .also("cold", volume.litres() - litres, "L")
                .assume(
                        Text.of(
                                "calc.blend.the-vessel-itself-takes-some-heat",
                                "The vessel itself takes some heat; measure after filling."))
                .formula(
                        Text.figures(
                                "{0} L × ({1} − {2}) ÷ ({3} − {4}) = {5} L",
                                volume.litres(),
                                target.celsius(),
                                cold.celsius(),
                                hot.celsius(),
                                cold.celsius(),
                                Show.number(litres)));
    }
}
