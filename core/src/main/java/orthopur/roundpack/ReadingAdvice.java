package orthopur.roundpack;

import orthopur.mixing.Correction;
import orthopur.mixing.Interval;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.Volume;
import orthopur.roundpack.RoundPack.ReadingBand;
import orthopur.roundpack.RoundPack.ReadingPlan;
import orthopur.text.Text;

/** What to do about a reading that is not in. Plain sentences with the amounts in them. */
public final class ReadingAdvice {
    private ReadingAdvice() {}

    public static Text of(
            ReadingPlan plan,
            ReadingJudge.Outcome outcome,
            Interval strength,
            Interval temperature) {
        if (outcome == ReadingJudge.Outcome.IN) {
            return Text.of("advice.in", "In range: the whole of the reading is within the limits.");
        }
        ReadingBand band = ReadingJudge.at(plan.bands(), temperature.low());
        if (band == null) {
            double coldest =
                    plan.bands().isEmpty() ? Double.NaN : plan.bands().getFirst().fromCelsius();
            return Double.isNaN(coldest)
                    ? Text.of(
                            "advice.nothing",
                            "Nothing is permitted for this solution; call the supervisor.")
                    : Text.of(
                            "advice.cold",
                            "Too cold. Warm it to at least {0} °C, stir and read again.",
                            Show.number(coldest));
        }
        if (strength.low() > band.mostMgPerL() || (strength.low() >= band.leastMgPerL())) {
            return Text.of(
                    "advice.strong",
                    "Too strong, or too close to the limit of {0} mg/L. Add water, stir, wait 1 minute and read again.",
                    Show.number(band.mostMgPerL()));
        }
        String warm = Show.number(temperature.low());
        String least = Show.number(band.leastMgPerL());
        Text then = add(plan, band, strength);
        return outcome == ReadingJudge.Outcome.OUT
                ? Text.of(
                        "advice.weak",
                        "Too weak: at {0} °C it takes at least {1} mg/L. {2}",
                        warm,
                        least,
                        then)
                : Text.of(
                        "advice.close",
                        "Too close to call: at {0} °C it takes at least {1} mg/L. {2}",
                        warm,
                        least,
                        then);
    }

    private static Text add(ReadingPlan plan, ReadingBand band, Interval strength) {
        if (plan.stockMgPerL() == null
                || plan.vesselLitres() == null
                || Double.isInfinite(strength.high())) {
            return Text.of(
                    "advice.by-label",
                    "Add {0} by its label, stir, wait 1 minute and read again.",
                    plan.chemical());
        }
        Correction c =
                Correction.raise(
                        Volume.ofLitres(plan.vesselLitres()),
                        strength,
                        Strength.ofMgPerL(band.leastMgPerL()),
                        Strength.ofMgPerL(band.mostMgPerL()),
                        Strength.ofMgPerL(plan.stockMgPerL()));
        if (!c.possible()) {
            return Text.of(
                    "advice.coarse",
                    "This reading is too coarse to correct by: use a finer test or start again.");
        }
        return Text.of(
                "advice.add",
                "Add {0} of {1} to the {2} L, stir, wait 1 minute and read again. It will then be {3} to {4} mg/L.",
                c.add().shown(),
                plan.chemical(),
                Show.number(plan.vesselLitres()),
                Show.number(Math.floor(c.after().low())),
                Show.number(Math.ceil(c.after().high())));
    }
}
