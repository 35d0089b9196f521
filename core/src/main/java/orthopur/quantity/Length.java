package orthopur.quantity;

/**
 * A length in metres.
 *
 * @param metres from 0 to 10,000
 */
public record Length(double metres) {
    public Length {
        OutOfRange.check("length", metres, 0, 10_000, () -> OutOfRange.range("0", "10,000 m"));
    }

    public double centimetres() {
        return metres * 100;
    }

    public String shown() {
        return metres < 1 ? Show.number(metres * 1000) + " mm" : Show.number(metres) + " m";
    }
}
