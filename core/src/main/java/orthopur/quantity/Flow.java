package orthopur.quantity;

/**
 * How fast a liquid runs, in litres a minute.
 *
 * @param litresPerMinute above 0 to 100,000
 */
public record Flow(double litresPerMinute) {
    public Flow {
        OutOfRange.check(
                "flow",
                litresPerMinute,
                Double.MIN_VALUE,
                100_000,
                () -> OutOfRange.above("0", "100,000 L/min"));
    }

    public String shown() {
        return Show.number(litresPerMinute) + " L/min";
    }
}
