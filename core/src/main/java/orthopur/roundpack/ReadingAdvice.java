package orthopur.roundpack;

import orthopur.mixing.Correction;
import orthopur.mixing.Interval;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.Volume;
import orthopur.roundpack.RoundPack.ReadingBand;
import orthopur.roundpack.RoundPack.ReadingPlan;

/** What to do about a reading that is not in. Plain sentences with the amounts in them. */
public final class ReadingAdvice {
    private ReadingAdvice() {}

    public static String of(
            ReadingPlan plan,
            ReadingJudge.Outcome outcome,
            Interval strength,
            Interval temperature) {
        if (outcome == ReadingJudge.Outcome.IN) {
            return "In: the whole of the reading is within the limits.";
        }
        ReadingBand band = ReadingJudge.at(plan.bands(), temperature.low());
        if (band == null) {
            double coldest =
                    plan.bands().isEmpty() ? Double.NaN : plan.bands().getFirst().fromCelsius();
            return Double.isNaN(coldest)
                    ? "Nothing is permitted for this solution; call the supervisor."
                    : "Too cold. Warm it to at least "
                            + Show.number(coldest)
                            + " °C, stir and read again.";
        }
        if (strength.low() > band.mostMgPerL() || (strength.low() >= band.leastMgPerL())) {
            return "Too strong, or too close to the limit of "
                    + Show.number(band.mostMgPerL())
                    + " mg/L. Add water, stir, wait 1 minute and read again.";
        }
        return "%s: at %s °C it takes at least %s mg/L. %s"
                .formatted(
                        outcome == ReadingJudge.Outcome.OUT ? "Too weak" : "Too close to call",
                        Show.number(temperature.low()),
                        Show.number(band.leastMgPerL()),
                        add(plan, band, strength));
    }

    private static String add(ReadingPlan plan, ReadingBand band, Interval strength) {
        if (plan.stockMgPerL() == null
                || plan.vesselLitres() == null
                || Double.isInfinite(strength.high())) {
            return "Add " + plan.chemical() + " by its label, stir, wait 1 minute and read again.";
        }
        Correction c =
                Correction.raise(
                        Volume.ofLitres(plan.vesselLitres()),
                        strength,
                        Strength.ofMgPerL(band.leastMgPerL()),
                        Strength.ofMgPerL(band.mostMgPerL()),
                        Strength.ofMgPerL(plan.stockMgPerL()));
        if (!c.possible()) {
            return "This reading is too coarse to correct by: use a finer test or start again.";
        }
        return "Add %s of %s to the %s L, stir, wait 1 minute and read again. It will then be %s to %s mg/L."
                .formatted(
                        c.add().shown(),
                        plan.chemical(),
                        Show.number(plan.vesselLitres()),
                        Show.number(Math.floor(c.after().low())),
                        Show.number(Math.ceil(c.after().high())));
    }
}
