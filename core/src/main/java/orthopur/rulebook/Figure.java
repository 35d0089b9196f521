package orthopur.rulebook;

/**
 * One figure of the rule book.
 *
 * @param id stable and readable, for instance "chlorine.row-2.least-strength"
 * @param title what it limits, in plain words
 * @param value the number, in {@code unit}
 * @param unit as {@link orthopur.quantity.UnitText} reads it, or "pH" or "ratio"
 * @param source the code and paragraph it is taken from
 * @param lowerIsStricter whether a site tightens it by going down; else by going up
 */
public record Figure(
        String id,
        String title,
        double value,
        String unit,
        String source,
        boolean lowerIsStricter) {

    /** The same with another value, as a site sets it. */
    public Figure with(double other, String why) {
        return new Figure(id, title, other, unit, why, lowerIsStricter);
    }

    /**
     * Whether another value asks for less than this one: then it is an override, not a tightening.
     */
    public boolean loosenedBy(double other) {
        return lowerIsStricter ? other > value : other < value;
    }
}
