package orthopur.quantity;

/**
 * A volume in litres.
 *
 * @param litres from 0 to 1,000,000
 */
public record Volume(double litres) {
    public Volume {
        OutOfRange.check(
                "volume", litres, 0, 1_000_000, () -> OutOfRange.range("0", "1,000,000 L"));
    }

    public static Volume ofLitres(double value) {
        return new Volume(value);
    }

    public static Volume ofMillilitres(double value) {
        return new Volume(value / 1000);
    }

    public double millilitres() {
        return litres * 1000;
    }

    /** In millilitres below one litre, in litres from there on. */
    public String shown() {
        return litres < 1 ? Show.number(litres * 1000) + " mL" : Show.number(litres) + " L";
    }
}
