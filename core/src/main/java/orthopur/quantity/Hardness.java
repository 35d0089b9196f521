package orthopur.quantity;

/**
 * Hardness of water as calcium carbonate.
 *
 * @param mgPerL from 0 to 5,000 mg/L CaCO₃
 */
public record Hardness(double mgPerL) {
    public Hardness {
        OutOfRange.check("hardness", mgPerL, 0, 5_000, () -> OutOfRange.range("0", "5,000 mg/L"));
    }

    public String shown() {
        return Show.number(mgPerL) + " mg/L CaCO₃";
    }
}
