package orthopur.mixing;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How fast a solution loses its strength: a straight line through ln c against time, by least
 * squares.
 *
 * @param perHour share that it loses in an hour, above 0
 * @param middle hours of the middle of the readings
 * @param lnMiddle natural logarithm of the strength there, in mg/L
 * @param spread sum of the squares of the hours from their middle
 */
public record Fading(double perHour, double middle, double lnMiddle, double spread) {
    /**
     * A strength at a time.
     *
     * @param hours from any beginning
     * @param mgPerL above 0
     */
    public record Point(double hours, double mgPerL) {}

    /** Through two or more readings; null where they do not fall or are of one moment. */
    public static @Nullable Fading through(List<Point> points) {
        double t = points.stream().mapToDouble(Point::hours).average().orElse(0);
        double y = points.stream().mapToDouble(p -> Math.log(p.mgPerL())).average().orElse(0);
        double across = 0;
        double along = 0;
        for (Point p : points) {
            across += Math.pow(p.hours() - t, 2);
            along += (p.hours() - t) * (Math.log(p.mgPerL()) - y);
        }
        double k = across > 0 ? -along / across : 0;
        return k > 0 ? new Fading(k, t, y, across) : null;
    }

    /** Hours at which it has fallen to a strength; before the first reading where it is above. */
    public double hoursTo(double mgPerL) {
        return middle + (lnMiddle - Math.log(mgPerL)) / perHour;
    }

    /** What the line says at an hour, as a natural logarithm. */
    public double lnAt(double hours) {
        return lnMiddle - perHour * (hours - middle);
    }
}
