package orthopur.handling;

import orthopur.quantity.OutOfRange;
import orthopur.rulebook.RuleBook;

/**
 * The recommended weight limit of the revised NIOSH lifting equation: the load constant times six
 * multipliers, each 1 for the best case and smaller the harder the lift.
 */
public final class Lifting {
    /** Lifts a minute; then up to 1, 2 and 8 hours with the hands below 75 cm, then from 75 cm. */
    private static final double[][] FREQUENCY = {
        {0.2, 1.00, 0.95, 0.85, 1.00, 0.95, 0.85},
        {0.5, 0.97, 0.92, 0.81, 0.97, 0.92, 0.81},
        {1, 0.94, 0.88, 0.75, 0.94, 0.88, 0.75},
        {2, 0.91, 0.84, 0.65, 0.91, 0.84, 0.65},
        {3, 0.88, 0.79, 0.55, 0.88, 0.79, 0.55},
        {4, 0.84, 0.72, 0.45, 0.84, 0.72, 0.45},
        {5, 0.80, 0.60, 0.35, 0.80, 0.60, 0.35},
        {6, 0.75, 0.50, 0.27, 0.75, 0.50, 0.27},
        {7, 0.70, 0.42, 0.22, 0.70, 0.42, 0.22},
        {8, 0.60, 0.35, 0.18, 0.60, 0.35, 0.18},
        {9, 0.52, 0.30, 0.00, 0.52, 0.30, 0.15},
        {10, 0.45, 0.26, 0.00, 0.45, 0.26, 0.13},
        {11, 0.41, 0.00, 0.00, 0.41, 0.23, 0.00},
        {12, 0.37, 0.00, 0.00, 0.37, 0.21, 0.00},
        {13, 0.00, 0.00, 0.00, 0.34, 0.00, 0.00},
        {14, 0.00, 0.00, 0.00, 0.31, 0.00, 0.00},
        {15, 0.00, 0.00, 0.00, 0.28, 0.00, 0.00}
    };

    /** How well the load can be held. */
    public enum Coupling {
        GOOD,
        FAIR,
        POOR
    }

    /**
     * One lift.
     *
     * @param horizontal hands from the ankles, cm
     * @param vertical hands above the floor at the start, cm
     * @param travel way up or down, cm
     * @param asymmetry turn of the body, degrees
     * @param perMinute lifts a minute
     * @param hours length of the work, above 0 to 8
     */
    public record Lift(
            double horizontal,
            double vertical,
            double travel,
            double asymmetry,
            Coupling coupling,
            double perMinute,
            double hours) {
        public Lift {
            within("horizontal", horizontal, 0, 300, "cm");
            within("vertical", vertical, 0, 300, "cm");
            within("travel", travel, 0, 300, "cm");
            within("asymmetry", asymmetry, 0, 180, "degrees");
            within("frequency", perMinute, 0, 60, "lifts a minute");
            within("duration", hours, 0.001, 8, "h");
        }
    }

    private Lifting() {}

    /** The recommended weight limit in kg; 0 where such a lift should not be made at all. */
    public static double limit(Lift l, RuleBook book) {
        double h = l.horizontal() > 63 ? 0 : 25 / Math.max(25, l.horizontal());
        double v = l.vertical() > 175 ? 0 : 1 - 0.003 * Math.abs(l.vertical() - 75);
        double d = l.travel() > 175 ? 0 : 0.82 + 4.5 / Math.max(25, l.travel());
        double a = l.asymmetry() > 135 ? 0 : 1 - 0.0032 * l.asymmetry();
        return book.number("lift.load-constant") * h * v * d * a * frequency(l) * coupling(l);
    }

    private static double coupling(Lift l) {
        return switch (l.coupling()) {
            case GOOD -> 1;
            case FAIR -> l.vertical() < 75 ? 0.95 : 1;
            case POOR -> 0.9;
        };
    }

    private static double frequency(Lift l) {
        int column = (l.hours() <= 1 ? 1 : l.hours() <= 2 ? 2 : 3) + (l.vertical() < 75 ? 0 : 3);
        for (double[] row : FREQUENCY) {
            if (l.perMinute() <= row[0]) {
                return row[column];
            }
        }
        return 0;
    }

    private static void within(String what, double value, double least, double most, String unit) {
        if (!(value >= least && value <= most)) {
            throw new OutOfRange(
                    what,
                    value + " " + unit,
                    OutOfRange.range(String.valueOf(least), most + " " + unit));
        }
    }
}
