package orthopur.mixing;

import orthopur.quantity.OutOfRange;
import orthopur.quantity.Strength;
import orthopur.quantity.Volume;
import orthopur.text.Text;

/**
 * How to bring a vessel that was read as too weak to its target: add x = V·(c₂−c₁)/(c_s−c₂) of the
 * concentrate. Starts from the whole interval of the reading and aims for all of it inside.
 *
 * @param add concentrate to add, rounded up to what a jug can show
 * @param after strengths that may result once it is stirred in
 * @param possible false where no amount brings the whole interval between target and ceiling: use a
 *     finer test or start again
 */
public record Correction(Volume add, Interval after, boolean possible) {

    /**
     * @param inVessel use solution in the vessel, above 0 L
     * @param reading what the reading can mean, in mg/L
     * @param target weakest strength wanted
     * @param ceiling strongest permitted
     * @param stock strength of the concentrate, above the target
     */
    public static Correction raise(
            Volume inVessel, Interval reading, Strength target, Strength ceiling, Strength stock) {
        if (inVessel.litres() <= 0) {
            throw new OutOfRange("volume", inVessel.shown(), OutOfRange.above("0 L"));
        }
        if (stock.compareTo(target) <= 0) {
            throw new OutOfRange(
                    "stock",
                    stock.shown(),
                    Text.of(
                            "out-of-range.above-the-target-of",
                            "above the target of {0}",
                            target.shown()));
        }
        double v = inVessel.litres();
        double exact =
                Math.max(
                        0,
                        v * (target.mgPerL() - reading.low()) / (stock.mgPerL() - target.mgPerL()));
        Volume add = Measure.up(Volume.ofLitres(exact));
        double x = add.litres();
        Interval after =
                new Interval(
                        (reading.low() * v + stock.mgPerL() * x) / (v + x),
                        (reading.high() * v + stock.mgPerL() * x) / (v + x));
        return new Correction(add, after, after.high() <= ceiling.mgPerL());
    }
}
