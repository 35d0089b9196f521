package orthopur.quantity;

/**
 * Acidity of a solution.
 *
 * @param value from 0 to 14
 */
public record Ph(double value) {
    public Ph {
        OutOfRange.check("pH", value, 0, 14, () -> OutOfRange.range("0", "14"));
    }

    public String shown() {
        return "pH " + Show.number(value);
    }
}
