package orthopur.simulation.instruments;

import java.util.Comparator;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import orthopur.instrument.Instrument;
import orthopur.quantity.Show;

/**
 * One simulated meter. Not safe for more than one thread at a time.
 *
 * <p>A dirty trick of real meters is kept: a stuck one shows a plausible value. Only reading twice,
 * or a standard, finds it out.
 */
public final class Meter {
    private final Spec spec;
    private final Condition condition;
    private final Random noise;
    private @Nullable Double stuck;
    private double battery;
    private int warming;

    /** What it measures, in which unit, how finely and how far. */
    public enum Kind {
        THERMOMETER("°C", 0.1, 0.2, -20, 120),
        PH_PEN("pH", 0.01, 0.03, 0, 14),
        COLORIMETER("mg/L", 1, 2, 0, 500),
        CONDUCTIVITY("mS/cm", 0.01, 0.02, 0, 200),
        ATP("RLU", 1, 2, 0, 9999),
        FLOW("L/min", 0.1, 0.1, 0, 200),
        PRESSURE("bar", 0.01, 0.02, 0, 16),
        SURFACE("°C", 0.1, 0.2, -20, 300),
        STRIP("mg/L", 1, 4, 0, 1000),
        TITRATION("mg/L", 1, 4, 0, 1000),
        FLOW_CUP("mL", 5, 4, 0, 2000),
        GAUGE("kPa", 1, 2, 0, 600),
        TORQUE("N·m", 0.1, 0.2, 0, 50),
        TENSION("gauge", 0.5, 0.3, 0, 100),
        LEAF("mm", 0.01, 0.005, 0, 5);

        private final Spec spec;

        Kind(String unit, double step, double sd, double least, double most) {
            this.spec = new Spec(unit, step, sd, least, most, List.of(), null);
        }

        public String unit() {
            return spec.unit();
        }

        /** What stands in for an instrument of a site. */
        public static Kind of(Instrument i) {
            if (!i.steps().isEmpty()) {
                return STRIP;
            }
            if (i.perDrop() != null) {
                return TITRATION;
            }
            return switch (i.measures()) {
                case PH -> PH_PEN;
                case TEMPERATURE -> THERMOMETER;
                case SURFACE_TEMPERATURE -> SURFACE;
                case CONDUCTIVITY -> CONDUCTIVITY;
                case ATP -> ATP;
                case FLOW -> FLOW_CUP;
                case PRESSURE -> GAUGE;
                case TORQUE -> TORQUE;
                case TENSION -> TENSION;
                case CLEARANCE -> LEAF;
                case CHLORINE, QUAT, PAA, IODINE -> COLORIMETER;
                case null -> COLORIMETER;
            };
        }
    }

    /**
     * How finely and how far it reads.
     *
     * @param sd of its noise, in its unit
     * @param marks of a strip, ascending; empty for others
     * @param perDrop of a drop test; null for others
     */
    private record Spec(
            String unit,
            double step,
            double sd,
            double least,
            double most,
            List<Double> marks,
            @Nullable Double perDrop) {

        /** What the eye or the display makes of a value. */
        double shown(double value) {
            if (perDrop != null) {
                return Math.ceil(value / perDrop) * perDrop;
            }
            if (!marks.isEmpty()) {
                return marks.stream()
                        .min(Comparator.comparingDouble(m -> Math.abs(m - value)))
                        .orElseThrow();
            }
            // So that 0.1 steps do not end in 0.30000000000000004.
            return Math.round(Math.round(value / step) * step * 1000) / 1000.0;
        }
    }

    /**
     * @param driftPerDay in the meter's unit
     * @param days since it was calibrated, from 0
     * @param every days after which calibration is due
     * @param battery 0 to 100 %
     * @param sticks chance that a reading freezes it, 0 to 1
     * @param warmUp readings after it is switched on that are still a tenth too low
     * @param perKelvin by how much it is off for each K that the liquid is from 20 °C
     */
    public record Condition(
            double driftPerDay,
            int days,
            int every,
            double battery,
            double sticks,
            int warmUp,
            double perKelvin) {
        public static final Condition GOOD = new Condition(0, 0, 180, 100, 0);

        /** One that is ready at once and does not mind warmth. */
        public Condition(double driftPerDay, int days, int every, double battery, double sticks) {
            this(driftPerDay, days, every, battery, sticks, 0, 0);
        }

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
        this(kind.spec, condition, seed);
    }

    private Meter(Spec spec, Condition condition, long seed) {
        this.spec = spec;
        this.condition = condition;
        this.battery = condition.battery();
        this.warming = condition.warmUp();
        this.noise = new Random(seed);
    }

    /** One that reads as finely and as far as an instrument of a site says of itself. */
    public static Meter standIn(Instrument i, Condition condition, long seed) {
        Kind kind = Kind.of(i);
        Spec usual = kind.spec;
        double sd = i.usedUp() ? usual.sd() : Math.min(usual.sd(), i.tolerance() / 3);
        return new Meter(
                new Spec(
                        i.measures() == null ? usual.unit() : i.measures().unit(),
                        usual.step(),
                        sd,
                        i.least() == null ? usual.least() : i.least(),
                        i.most() == null ? usual.most() : i.most(),
                        i.steps(),
                        i.perDrop()),
                condition,
                seed);
    }

    public Condition condition() {
        return condition;
    }

    public String unit() {
        return spec.unit();
    }

    /** Holds it to something that is at 20 °C, or of which the warmth does not matter. */
    public Answer read(double truth) {
        return read(truth, 20);
    }

    /**
     * Holds it to what is to be measured.
     *
     * @param truth in the meter's unit
     * @param celsius of what it is held to
     */
    public Answer read(double truth, double celsius) {
        if (battery <= 0) {
            return new Answer.Dark();
        }
        battery -= 0.1;
        if (stuck != null) {
            return new Answer.Shown(stuck, spec.unit());
        }
        double cold = warming > 0 ? 0.9 : 1;
        warming = Math.max(0, warming - 1);
        double value =
                truth * cold
                        + condition.driftPerDay() * condition.days()
                        + condition.perKelvin() * (celsius - 20)
                        + noise.nextGaussian() * spec.sd();
        if (value < spec.least() - spec.step() || value > spec.most() + spec.step()) {
            return new Answer.Beyond(
                    Show.number(spec.least())
                            + " to "
                            + Show.number(spec.most())
                            + " "
                            + spec.unit());
        }
        double shown = Math.clamp(spec.shown(value), spec.least(), spec.most());
        if (noise.nextDouble() < condition.sticks()) {
            stuck = shown;
        }
        return new Answer.Shown(shown, spec.unit());
    }
}
