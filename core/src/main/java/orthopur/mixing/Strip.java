package orthopur.mixing;

import java.util.List;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.text.Text;

/**
 * A test strip, read by eye against its marks. One meaning of what is seen, wherever a strip is
 * read.
 */
public final class Strip {
    private Strip() {}

    /**
     * What is seen on a strip can mean: on a mark, anything up to half-way to its neighbours, and
     * on the last mark anything above; between two marks, anything between them.
     *
     * @param marks ascending, at least two, in mg/L
     * @param seen in mg/L
     * @throws OutOfRange for what is not on the strip
     */
    public static Interval means(List<Double> marks, double seen) {
        if (!(seen >= marks.getFirst() && seen <= marks.getLast())) {
            throw new OutOfRange(
                    "strength",
                    Text.of("out-of-range.on-this-strip", "{0} on this strip", Show.number(seen)),
                    OutOfRange.range(
                            Show.number(marks.getFirst()), Show.number(marks.getLast()) + " mg/L"));
        }
        int above = 0;
        while (marks.get(above) < seen) {
            above++;
        }
        if (marks.get(above) != seen) {
            return new Interval(marks.get(above - 1), marks.get(above));
        }
        double low = above == 0 ? seen : (marks.get(above - 1) + seen) / 2;
        boolean last = above == marks.size() - 1;
        double high = last ? Double.POSITIVE_INFINITY : (seen + marks.get(above + 1)) / 2;
        return new Interval(low, high);
    }
}
