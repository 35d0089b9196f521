package orthopur.rulebook;

/**
 * One figure of the rule book.
 *
 * @param id stable and readable, for instance "chlorine.row-2.least-strength"
 * @param title what it limits, in plain words
 * @param value the number, in {@code unit}
 * @param unit as {@link orthopur.quantity.UnitText} reads it, or "pH" or "ratio"
 * @param source the code and paragraph it is taken from
 */
public record Figure(String id, String title, double value, String unit, String source) {}
