package orthopur.quantity;

/**
 * Share of a product in the use solution by volume, in percent.
 *
 * @param percent from 0 to 100
 */
public record Share(double percent) implements Dosage, Comparable<Share> {
    public Share {
        OutOfRange.check("share", percent, 0, 100, () -> OutOfRange.range("0", "100 %"));
    }

    @Override
    public int compareTo(Share other) {
        return Double.compare(percent, other.percent);
    }

    @Override
    public String shown() {
        return Show.number(percent) + " %";
    }
}
