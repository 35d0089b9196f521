package orthopur.calculation;

import java.util.ArrayList;
import java.util.List;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/**
 * Whether the heater and its tank last the night. The tank is stored heat above the mains; a draw
 * takes V·c·(wanted − cold) at its minute; the heater puts back what it can in between.
 */
final class HotWater implements Calculation {
    /** Heat of a litre of water by one degree, kJ. */
    private static final double WATER = 4.186;

    private static final int DAY = 24 * 60;
    private static final Text ALLOWED =
            Text.of(
                    "calc.hot-water.l-l-in-the-order-of",
                    "40L@21:10,60L@21:40 in the order of the night");

    @Override
    public String name() {
        return "hot-water";
    }

    @Override
    public List<String> keys() {
        return List.of("draws", "heater", "tank", "cold", "hot", "wanted");
    }

    private record Draw(double litres, int minute, String clock) {}

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        List<Draw> draws = draws(in);
        double kilowatt = in.number("heater", "kW", 0.1, 1000);
        Volume tank = in.positive("tank");
        Temperature cold = in.liquid("cold");
        Temperature hot = in.liquid("hot");
        Temperature wanted = in.liquid("wanted");
        if (hot.compareTo(cold) <= 0) {
            throw new RefusedInput(
                    "hot",
                    Text.of(
                            "calc.hot-water.the-tank-is-not-hotter-than",
                            "The tank is not hotter than the city water."),
                    OutOfRange.above(cold.shown()));
        }
        if (wanted.compareTo(cold) <= 0 || wanted.compareTo(hot) > 0) {
            throw new RefusedInput(
                    "wanted",
                    Text.of(
                            "calc.hot-water.the-heater-does-not-give",
                            "The heater does not give {0}.",
                            wanted.shown()),
                    Text.of(
                            "calc.hot-water.above-up-to",
                            "above {0}, up to {1}",
                            cold.shown(),
                            hot.shown()));
        }
        double lift = hot.celsius() - cold.celsius();
        double perMinute = kilowatt * 60 / (WATER * lift);
        double full = tank.litres() * WATER * lift;
        double stored = full;
        int minute = draws.getFirst().minute();
        String first = "lasts";
        for (Draw d : draws) {
            stored = Math.min(full, stored + kilowatt * 60 * (d.minute() - minute));
            minute = d.minute();
            double asked = d.litres() * WATER * (wanted.celsius() - cold.celsius());
            if (asked > stored + 1e-9) {
                first = d.clock();
                stored = 0;
                break;
            }
            stored -= asked;
        }
        boolean lasts = first.equals("lasts");
        return new Worked(this, in)
                .result(perMinute, "L/min")
                .also(
                        "firstShort",
                        lasts
                                ? Text.of("calc.hot-water.lasts", "never: the tank lasts")
                                : Text.plain(first))
                .also("reserve", stored / (WATER * lift), "L")
                .also("full", full / 3600, "kWh")
                .verdict(lasts ? "in" : "out")
                .assume(
                        Text.of(
                                "calc.hot-water.the-tank-is-full-and-hot",
                                "The tank is full and hot at the first draw; each draw is taken at once."))
                .assume(
                        Text.of(
                                "calc.hot-water.the-reserve-is-what-the-tank",
                                "The reserve is what the tank still gives at {0}.",
                                hot.shown()))
                .formula(
                        Text.figures(
                                "{0} kW ÷ ({1} kJ/L·K × {2} K) × 60 = {3} L/min",
                                kilowatt, Show.number(WATER), lift, perMinute));
    }

    private static List<Draw> draws(CalcInputs in) {
        List<Draw> draws = new ArrayList<>();
        for (String[] pair : in.pairs("draws", "@", ALLOWED)) {
            int minute = in.clock("draws", pair[1]);
            if (!draws.isEmpty()) {
                int before = draws.getLast().minute();
                while (minute < before) {
                    minute += DAY;
                }
                if (minute - before > DAY / 2) {
                    throw new RefusedInput(
                            "draws",
                            Text.of(
                                    "calc.hot-water.the-draws-are-not-in-the",
                                    "The draws are not in the order of the night."),
                            ALLOWED);
                }
            }
            try {
                UnitText.Parsed p = UnitText.split("draws", pair[0]);
                draws.add(new Draw(UnitText.volume(p.value(), p.unit()).litres(), minute, pair[1]));
            } catch (OutOfRange e) {
                throw new RefusedInput("draws", e.said(), ALLOWED);
            }
        }
        return draws;
    }
}
