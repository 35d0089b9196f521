package orthopur.quantity;

/**
 * A temperature in degrees Celsius.
 *
 * @param celsius from absolute zero to 1,000 °C
 */
public record Temperature(double celsius) implements Comparable<Temperature> {
    public Temperature {
        OutOfRange.check(
                "temperature",
                celsius,
                -273.15,
                1_000,
                () -> OutOfRange.range("-273.15", "1,000 °C"));
    }

    public static Temperature ofCelsius(double value) {
        return new Temperature(value);
    }

    /** Converts from degrees Fahrenheit; refused below absolute zero (-459.67 °F). */
    public static Temperature ofFahrenheit(double value) {
        OutOfRange.check(
                "temperature",
                value,
                -459.67,
                1_832,
                () -> OutOfRange.range("-459.67", "1,832 °F"));
        // Rounded to a billionth so that 75.2 °F is exactly 24 °C at an inclusive boundary.
        return new Temperature(Math.max(-273.15, Math.floor((value - 32) / 1.8 * 1e9 + 0.5) / 1e9));
    }

    public boolean atLeast(Temperature other) {
        return celsius >= other.celsius;
    }

    @Override
    public int compareTo(Temperature other) {
        return Double.compare(celsius, other.celsius);
    }

    public String shown() {
        return Show.number(celsius) + " °C";
    }
}
