package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Flow;
import orthopur.quantity.Strength;
import orthopur.quantity.UnitText;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/**
 * How long a passage is flushed: V ÷ Q·ln(c₀ ÷ c) where it mixes, V ÷ Q where it runs as a plug.
 */
final class RinseFlush implements Calculation {
    @Override
    public String name() {
        return "rinse-flush";
    }

    @Override
    public List<String> keys() {
        return List.of("volume", "flow", "start", "limit", "mixing");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Volume volume = in.positive("volume");
        Flow flow = in.read("flow", UnitText::flow);
        Strength start = in.positiveStrength("start");
        Strength limit = in.positiveStrength("limit");
        boolean mixed = in.choice("mixing", "plug", "well-mixed").equals("well-mixed");
        double turns =
                limit.compareTo(start) >= 0
                        ? 0
                        : mixed ? Math.log(start.mgPerL() / limit.mgPerL()) : 1;
        double minutes = volume.litres() / flow.litresPerMinute() * turns;
        return new Worked(this, in)
                .result(minutes, "min")
                .also("water", minutes * flow.litresPerMinute(), "L")
                .assume(
                        mixed
                                ? Text.of(
                                        "calc.rinse-flush.mixes",
                                        "What comes in mixes with all that is there.")
                                : Text.of(
                                        "calc.rinse-flush.pushes",
                                        "What comes in pushes all that is there before it; real lines mix some."))
                .formula(
                        Text.figures(
                                "{0} L ÷ {1} L/min × {2} = {3} min",
                                volume.litres(), flow.litresPerMinute(), turns, minutes));
    }
}
