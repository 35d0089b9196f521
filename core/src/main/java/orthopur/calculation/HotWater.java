package orthopur.calculation;

import java.util.ArrayList;
import java.util.List;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;

/**
 * Whether the heater and its tank last the night. The tank is stored heat above the mains; a draw
 * takes V·c·(wanted − cold) at its minute; the heater puts back what it can in between.
 */
final class HotWater implements Calculation {
    /** Heat of a litre of water by one degree, kJ. */
    private static final double WATER = 4.186;

    private static final int DAY = 24 * 60;
    private static final String ALLOWED = "40L@21:10,60L@21:40 in the order of the night";

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
                    "hot", "The tank is not hotter than the city water.", "above " + cold.shown());
        }
        if (wanted.compareTo(cold) <= 0 || wanted.compareTo(hot) > 0) {
            throw new RefusedInput(
                    "wanted",
                    "The heater does not give " + wanted.shown() + ".",
                    "above " + cold.shown() + ", up to " + hot.shown());
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
                .also("firstShort", lasts ? "never: the tank lasts" : first)
                .also("reserve", stored / (WATER * lift), "L")
                .also("full", full / 3600, "kWh")
                .verdict(lasts ? "in" : "out")
                .assume("The tank is full and hot at the first draw; each draw is taken at once.")
                .assume("The reserve is what the tank still gives at " + hot.shown() + ".")
                .formula(
                        "%s kW ÷ (%s kJ/L·K × %s K) × 60 = %s L/min",
                        kilowatt, Show.number(WATER), lift, perMinute);
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
                            "draws", "The draws are not in the order of the night.", ALLOWED);
                }
            }
            try {
                UnitText.Parsed p = UnitText.split("draws", pair[0]);
                draws.add(new Draw(UnitText.volume(p.value(), p.unit()).litres(), minute, pair[1]));
            } catch (OutOfRange e) {
                throw new RefusedInput("draws", String.valueOf(e.getMessage()), ALLOWED);
            }
        }
        return draws;
    }
}
