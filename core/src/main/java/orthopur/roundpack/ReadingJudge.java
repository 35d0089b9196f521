package orthopur.roundpack;

import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.instrument.Instrument;
import orthopur.mixing.Interval;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.roundpack.RoundPack.ReadingBand;
import orthopur.text.Text;

/**
 * The generic interpreter of a reading: is the whole interval that it can mean inside the bands?
 */
public final class ReadingJudge {
    private ReadingJudge() {}

    /** Inside, outside, or too close to call. */
    public enum Outcome {
        IN,
        OUT,
        CANNOT_TELL
    }

    /**
     * What a strip or a display can mean.
     *
     * @throws OutOfRange for a value that is negative or not a number, or not on the strip
     */
    public static Interval strength(Instrument instrument, double value) {
        return instrument.means(value);
    }

    /**
     * Rounds from before one could say that a strip shows something between two marks took marks
     * only.
     *
     * @throws OutOfRange for a value that is not a mark of the strip
     */
    public static void mark(Instrument instrument, double value) {
        List<Double> marks = instrument.steps();
        if (!marks.isEmpty() && !marks.contains(value)) {
            throw new OutOfRange(
                    "strength",
                    Text.of("out-of-range.on-this-strip", "{0} on this strip", Show.number(value)),
                    Text.of(
                            "out-of-range.one-of-its-marks",
                            "one of its marks: {0}",
                            shown(marks)));
        }
    }

    /** Judges both intervals together, boundaries inclusive. */
    public static Outcome judge(List<ReadingBand> bands, Interval strength, Interval temperature) {
        ReadingBand cold = at(bands, temperature.low());
        if (cold != null
                && strength.low() >= cold.leastMgPerL()
                && strength.high() <= cold.mostMgPerL()) {
            return Outcome.IN;
        }
        ReadingBand warm = at(bands, temperature.high());
        if (warm == null
                || strength.high() < warm.leastMgPerL()
                || strength.low() > warm.mostMgPerL()) {
            return Outcome.OUT;
        }
        return Outcome.CANNOT_TELL;
    }

    /** The band that asks for least at this temperature, or null where it is too cold for any. */
    public static @Nullable ReadingBand at(List<ReadingBand> bands, double celsius) {
        ReadingBand best = null;
        for (ReadingBand b : bands) {
            if (celsius >= b.fromCelsius()
                    && (best == null || b.leastMgPerL() < best.leastMgPerL())) {
                best = b;
            }
        }
        return best;
    }

    private static String shown(List<Double> marks) {
        return String.join(", ", marks.stream().map(Show::number).toList());
    }
}
