package orthopur.quantity;

/**
 * A mass in kilograms.
 *
 * @param kilograms from 0 to 100,000
 */
public record Mass(double kilograms) implements Comparable<Mass> {
    public Mass {
        OutOfRange.check("mass", kilograms, 0, 100_000, () -> OutOfRange.range("0", "100,000 kg"));
    }

    @Override
    public int compareTo(Mass other) {
        return Double.compare(kilograms, other.kilograms);
    }

    public String shown() {
        return Show.number(kilograms) + " kg";
    }
}
