package orthopur.mixing;

import orthopur.quantity.OutOfRange;
import orthopur.text.Text;

/**
 * What a reading can mean: anything from {@code low} to {@code high}. Judgements hold for the whole
 * interval or say that they can’t tell.
 */
public record Interval(double low, double high) {
    public Interval {
        if (!(low <= high)) {
            throw new OutOfRange(
                    "interval",
                    OutOfRange.range(String.valueOf(low), String.valueOf(high)),
                    Text.of(
                            "out-of-range.low-end-not-above-the",
                            "low end not above the high end"));
        }
    }

    /** A reading with an instrument that is good to plus or minus {@code tolerance}. */
    public static Interval around(double value, double tolerance) {
        return new Interval(Math.max(0, value - tolerance), value + tolerance);
    }
}
