package orthopur.calculation;

import java.util.List;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;
import orthopur.thermal.Cooling;

/** When a hot machine may be touched, from two readings of it. */
final class Cool implements Calculation {
    @Override
    public String name() {
        return "cool";
    }

    @Override
    public List<String> keys() {
        return List.of("first", "second", "room", "limit");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        CalcInputs.At first = in.at("first");
        CalcInputs.At second = in.at("second");
        Temperature room = in.read("room", UnitText::temperature);
        Temperature limit = in.read("limit", UnitText::temperature);
        Cooling cooling;
        double minutes;
        try {
            cooling =
                    Cooling.through(
                            first.temperature(),
                            second.temperature(),
                            second.minutes() - first.minutes(),
                            room);
            minutes = cooling.minutesTo(limit);
        } catch (OutOfRange e) {
            throw new RefusedInput(e.quantity(), e.said(), e.allowed());
        }
        return new Worked(this, in)
                .result(minutes, "min")
                .also("k", cooling.perMinute(), "1/min")
                .also("measure", Math.ceil(minutes - 1e-9), "min")
                .assume(
                        Text.of(
                                "calc.cool.counted-from-the-first-reading-in",
                                "Counted from the first reading, in still air of one temperature."))
                .assume(
                        Text.of(
                                "calc.cool.thick-parts-lag-behind-measure-before",
                                "Thick parts lag behind; measure before a hand goes near."))
                .formula(
                        Text.figures(
                                "ln(({0} − {1}) ÷ ({2} − {3})) ÷ {4} = {5} min",
                                first.temperature().celsius(),
                                room.celsius(),
                                limit.celsius(),
                                room.celsius(),
                                cooling.perMinute(),
                                minutes));
    }
}
