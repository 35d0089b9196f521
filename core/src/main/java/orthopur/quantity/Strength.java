package orthopur.quantity;

/**
 * Strength of the active substance in a water-thin solution, in mg/L (the same number as ppm).
 *
 * @param mgPerL from 0 to 1,000,000
 */
public record Strength(double mgPerL) implements Dosage, Comparable<Strength> {
    public Strength {
        OutOfRange.check(
                "strength", mgPerL, 0, 1_000_000, () -> OutOfRange.range("0", "1,000,000 mg/L"));
    }

    public static Strength ofMgPerL(double value) {
        return new Strength(value);
    }

    @Override
    public int compareTo(Strength other) {
        return Double.compare(mgPerL, other.mgPerL);
    }

    @Override
    public String shown() {
        return Show.number(mgPerL) + " mg/L";
    }
}
