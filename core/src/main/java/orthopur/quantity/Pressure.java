package orthopur.quantity;

/**
 * Gauge pressure of flowing water.
 *
 * @param kilopascals 0 to 20,000
 */
public record Pressure(double kilopascals) {
    public Pressure {
        OutOfRange.check(
                "pressure", kilopascals, 0, 20_000, () -> OutOfRange.range("0", "20,000 kPa"));
    }

    public String shown() {
        return Show.number(kilopascals) + " kPa";
    }
}
