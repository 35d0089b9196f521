package orthopur.release;

import java.util.List;

/**
 * Limits of a site from its own history: an individuals chart by the mean moving range.
 *
 * @param mean of the values
 * @param moving mean of the ranges from one value to the next
 */
public record OwnLimits(double mean, double moving) {
    /** d₂ of the moving range of two. */
    private static final double D2 = 1.128;

    /** From so many values on the limits are taken to be firm. */
    public static final int FIRM = 20;

    /**
     * @param values in order of time, two or more
     */
    public static OwnLimits of(List<Double> values) {
        double range = 0;
        for (int i = 1; i < values.size(); i++) {
            range += Math.abs(values.get(i) - values.get(i - 1));
        }
        return new OwnLimits(
                values.stream().mapToDouble(d -> d).average().orElse(0),
                range / (values.size() - 1));
    }

    /** Mean and two standard deviations: up to here it passes. */
    public double passUpTo() {
        return mean + 2 * moving / D2;
    }

    /** Mean and three: above this it fails; between is a caution. */
    public double failAbove() {
        return mean + 3 * moving / D2;
    }
}
