package orthopur.simulation.instruments;

import java.util.Random;
import org.jspecify.annotations.Nullable;
import orthopur.quantity.Show;

/**
 * One simulated meter. Not safe for more than one thread at a time.
 *
 * <p>A dirty trick of real meters is kept: a stuck one shows a plausible value. Only reading twice,
 * or a standard, finds it out.
 */
public final class Meter {
    private final Kind kind;
    private final Condition condition;
    private final Random noise;
    private @Nullable Double stuck;
    private double battery;

    /** What it measures, in which unit, how finely and how far. */
    public enum Kind {
        THERMOMETER("°C", 0.1, 0.2, -20, 120),
        PH_PEN("pH", 0.01, 0.03, 0, 14),
        COLORIMETER("mg/L", 1, 2, 0, 500),
        CONDUCTIVITY("mS/cm", 0.01, 0.02, 0, 200),
        ATP("RLU", 1, 2, 0, 9999),
        FLOW("L/min", 0.1, 0.1, 0, 200),
        PRESSURE("bar", 0.01, 0.02, 0, 16);

        private final String unit;
        private final double step;
        private final double sd;
        private final double least;
        private final double most;

        Kind(String unit, double step, double sd, double least, double most) {
            this.unit = unit;
            this.step = step;
            this.sd = sd;
            this.least = least;
            this.most = most;
        }

        public String unit() {
            return unit;
        }
    }

    /**
     * @param driftPerDay in the meter's unit
     * @param days since it was calibrated, from 0
     * @param every days after which calibration is due
     * @param battery 0 to 100 %
     * @param sticks chance that a reading freezes it, 0 to 1
     */
    public record Condition(
            double driftPerDay, int days, int every, double battery, double sticks) {
        public static final Condition GOOD = new Condition(0, 0, 180, 100, 0);

        /** Whether it should have been calibrated by now. */
        public boolean due() {
            return days > every;
        }
    }

    /** What the meter does when it is asked. */
    public sealed interface Answer {
        /** A value on the display. */
        record Shown(double value, String unit) implements Answer {}

        /** The display shows that this is beyond its range. */
        record Beyond(String range) implements Answer {}

        /** The display stays dark. */
        record Dark() implements Answer {}
    }

    public Meter(Kind kind, Condition condition, long seed) {
        this.kind = kind;
        this.condition = condition;
        this.battery = condition.battery();
        this.noise = new Random(seed);
    }

    public Condition condition() {
        return condition;
    }

    /**
     * Holds it to what is to be measured.
     *
     * @param truth in the meter's unit
     */
    public Answer read(double truth) {
        if (battery <= 0) {
            return new Answer.Dark();
        }
        battery -= 0.1;
        if (stuck != null) {
            return new Answer.Shown(stuck, kind.unit);
        }
        double value =
                truth + condition.driftPerDay() * condition.days() + noise.nextGaussian() * kind.sd;
        if (value < kind.least - kind.step || value > kind.most) {
            return new Answer.Beyond(
                    Show.number(kind.least) + " to " + Show.number(kind.most) + " " + kind.unit);
        }
        double shown = Math.max(kind.least, Math.round(value / kind.step) * kind.step);
        // So that 0.1 steps do not end in 0.30000000000000004.
        shown = Math.round(shown * 1000) / 1000.0;
        if (noise.nextDouble() < condition.sticks()) {
            stuck = shown;
        }
        return new Answer.Shown(shown, kind.unit);
    }
}
