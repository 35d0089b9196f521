package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Show;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;

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
                    "cold", "The cold water is not colder than the hot.", "below " + hot.shown());
        }
        if (target.compareTo(cold) < 0 || target.compareTo(hot) > 0) {
            throw new RefusedInput(
                    "target",
                    "No blend of these two gives " + target.shown() + ".",
                    cold.shown() + " to " + hot.shown());
        }
        double share = (target.celsius() - cold.celsius()) / (hot.celsius() - cold.celsius());
        double litres = volume.litres() * share;
        return new Worked(this, in)
                .result(litres, "L")
                .also("cold", volume.litres() - litres, "L")
                .assume("The vessel itself takes some heat; measure after filling.")
                .formula(
                        "%s L × (%s − %s) ÷ (%s − %s) = %s L",
                        volume.litres(),
                        target.celsius(),
                        cold.celsius(),
                        hot.celsius(),
                        cold.celsius(),
                        Show.number(litres));
    }
}
