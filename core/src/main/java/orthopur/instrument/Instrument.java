package orthopur.instrument;

import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.ChemicalKind;
import orthopur.mixing.Interval;
import orthopur.mixing.Strip;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.text.Text;

/**
 * An instrument and how well it reads.
 *
 * @param steps marks of a strip, ascending; empty for an instrument with a display
 * @param tolerance plus or minus, for one with a display, in the unit of what it reads
 * @param temperatureTolerance plus or minus, in K, of the thermometer it is used with
 * @param measures what it reads; null for one of which nobody has said: it is taken for any
 *     strength
 * @param perDrop of a drop test: how much one drop means; null for others
 * @param least,most the ends of its range; null where nobody has said
 * @param dipSeconds how long a strip stays in the solution; null for others
 * @param readSeconds within how many seconds after that it is read; null for others
 */
public record Instrument(
        String id,
        String name,
        List<Double> steps,
        double tolerance,
        double temperatureTolerance,
        @Nullable Measures measures,
        @Nullable Double perDrop,
        @Nullable Double least,
        @Nullable Double most,
        @Nullable Integer dipSeconds,
        @Nullable Integer readSeconds) {
    public Instrument {
        steps = steps == null ? List.of() : List.copyOf(steps);
    }

    /** One that is not dipped. */
    public Instrument(
            String id,
            String name,
            List<Double> steps,
            double tolerance,
            double temperatureTolerance,
            @Nullable Measures measures,
            @Nullable Double perDrop,
            @Nullable Double least,
            @Nullable Double most) {
        this(
                id,
                name,
                steps,
                tolerance,
                temperatureTolerance,
                measures,
                perDrop,
                least,
                most,
                null,
                null);
    }

    /** One of which only its precision is known. */
    public Instrument(
            String id,
            String name,
            List<Double> steps,
            double tolerance,
            double temperatureTolerance) {
        this(id, name, steps, tolerance, temperatureTolerance, null, null, null, null);
    }

    /** Whether it can read how strong a product of this kind is. */
    public boolean reads(ChemicalKind kind) {
        return measures == null || measures == Measures.of(kind);
    }

    /** Whether it is used up: a strip or a kit, which has lots instead of a calibration. */
    public boolean usedUp() {
        return !steps.isEmpty() || perDrop != null;
    }

    /**
     * Whether one standard says nothing of it: a display may be right at one end and wrong at the
     * other. A leaf of one thickness has no other end.
     */
    public boolean needsTwoPoints() {
        return !usedUp() && (least == null || !least.equals(most));
    }

    /**
     * Whether what it showed can stand for a value that is known for sure.
     *
     * @param reference of a standard or a second instrument, in the unit of what it reads
     */
    public boolean agrees(double reference, double shown) {
        if (!usedUp()) {
            boolean there = (least == null || shown >= least) && (most == null || shown <= most);
            return there && Math.abs(shown - reference) <= tolerance + 1e-9;
        }
        try {
            Interval means = means(shown);
            return means.low() <= reference && reference <= means.high();
        } catch (OutOfRange x) {
            return false;
        }
    }

    /** Whether it reads the strength of something. */
    public boolean readsStrength() {
        return measures == null || measures.strength();
    }

    /** Whether it can show so much, in mg/L: a strip ends at its last mark, a kit at its range. */
    public boolean reaches(double value) {
        return steps.isEmpty() ? most == null || value <= most : value <= steps.getLast();
    }

    /**
     * What is seen on it can mean anything in an interval.
     *
     * @param value in mg/L
     * @throws OutOfRange for a value that is negative or not a number, beyond its range, or not on
     *     the strip
     */
    public Interval means(double value) {
        if (!(value >= 0 && value <= 1_000_000)) {
            throw new OutOfRange(
                    "strength", Show.number(value), OutOfRange.range("0", "1,000,000 mg/L"));
        }
        if (!steps.isEmpty()) {
            return Strip.means(steps, value);
        }
        double low = least == null ? 0 : least;
        double high = most == null ? 1_000_000 : most;
        if (value < low || value > high) {
            throw new OutOfRange(
                    "strength",
                    Text.of(
                            "out-of-range.on-this-instrument",
                            "{0} on this instrument",
                            Show.number(value)),
                    OutOfRange.range(Show.number(low), Show.number(high) + " mg/L"));
        }
        // So many drops did not turn it and one more did.
        return perDrop == null
                ? Interval.around(value, tolerance)
                : new Interval(Math.max(0, value - perDrop), value);
    }
}
