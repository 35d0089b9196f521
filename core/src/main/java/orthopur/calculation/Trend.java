package orthopur.calculation;

import java.util.ArrayList;
import java.util.List;
import orthopur.release.OwnLimits;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** Individuals chart: mean, limits from the moving range, runs, and limits from own history. */
final class Trend implements Calculation {
    /** 3 ÷ d₂ of the moving range of two. */
    private static final double LIMIT = 2.66;

    private static final int SIDE = 8;
    private static final int RISE = 6;

    @Override
    public String name() {
        return "trend";
    }

    @Override
    public List<String> keys() {
        return List.of("values");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        List<Double> v = in.numbers("values");
        if (v.size() < 2) {
            throw new RefusedInput(
                    "values",
                    Text.of("calc.trend.one-value-is-not-a-history", "One value is not a history."),
                    Text.of("calc.trend.two-or-more-numbers", "two or more numbers"));
        }
        OwnLimits own = OwnLimits.of(v);
        double mean = own.mean();
        double moving = own.moving();
        double low = mean - LIMIT * moving;
        double high = mean + LIMIT * moving;
        return new Worked(this, in)
                .result(mean, "")
                .also("lower", low, "")
                .also("upper", high, "")
                .also("movingRange", moving, "")
                .also("signals", signals(v, mean, low, high))
                .also("passUpTo", own.passUpTo(), "")
                .also("failAbove", own.failAbove(), "")
                .assume(
                        Text.of(
                                "calc.trend.limits-from-the-values-themselves-twenty",
                                "Limits from the values themselves; twenty or more make them firm."))
                .assume(
                        Text.of(
                                "calc.trend.between-pass-and-fail-caution-clean",
                                "Between pass and fail: caution – clean again and look why."))
                .formula(
                        Text.of(
                                "calc.trend.formula",
                                "mean {0}; {1} × mean moving range {2} = ± {3}",
                                mean,
                                LIMIT,
                                moving,
                                LIMIT * moving));
    }

    private static List<Text> signals(List<Double> v, double mean, double low, double high) {
        List<Text> signals = new ArrayList<>();
        int side = 0;
        int rise = 0;
        for (int i = 0; i < v.size(); i++) {
            double x = v.get(i);
            if (x < low || x > high) {
                signals.add(
                        Text.of("calc.trend.outside", "value {0} is outside the limits", i + 1));
            }
            int now = (int) Math.signum(x - mean);
            side = now != 0 && Integer.signum(side) == now ? side + now : now;
            if (Math.abs(side) == SIDE) {
                signals.add(
                        Text.of(
                                "calc.trend.one-side",
                                "values up to {0}: {1} in a row on one side",
                                i + 1,
                                SIDE));
            }
            int step = i == 0 ? 0 : (int) Math.signum(x - v.get(i - 1));
            rise = step != 0 && Integer.signum(rise) == step ? rise + step : step;
            if (Math.abs(rise) == RISE - 1) {
                signals.add(
                        Text.of(
                                "calc.trend.one-direction",
                                "values up to {0}: {1} in a row in one direction",
                                i + 1,
                                RISE));
            }
        }
        return signals;
    }
}
