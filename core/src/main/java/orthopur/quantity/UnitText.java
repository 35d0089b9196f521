package orthopur.quantity;

import java.time.Duration;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthopur.text.Text;

/**
 * The one place where units are read. Takes a number and a unit as people write them and gives a
 * quantity; an unknown or missing unit is refused with the units that are understood.
 */
public final class UnitText {
    private static final Pattern NUMBER_UNIT =
            Pattern.compile("\\s*([-+]?[0-9]*[.,]?[0-9]+(?:[eE][-+]?[0-9]+)?)\\s*(.*?)\\s*");
    private static final double US_GALLON = 3.785411784;
    private static final double US_FLUID_OUNCE = 0.0295735295625;

    private UnitText() {}

    /** A number and the unit that stood behind it, which may be empty. */
    public record Parsed(double value, String unit) {}

    /**
     * Splits "40L", "75 °F" or "12.5%w/w" into number and unit. Comma and point both mark decimals.
     *
     * @param quantity what is read, for the message
     * @throws OutOfRange when no number stands at the front
     */
    public static Parsed split(String quantity, String text) {
        Matcher m = NUMBER_UNIT.matcher(text);
        if (!m.matches()) {
            throw new OutOfRange(
                    quantity,
                    "\"" + shortened(text) + "\"",
                    Text.of("out-of-range.a-number-with-its-unit", "a number with its unit"));
        }
        return new Parsed(Double.parseDouble(m.group(1).replace(',', '.')), m.group(2));
    }

    public static Temperature temperature(double value, String unit) {
        // As figures are written everywhere but in what people type.
        if (unit.equals("°C")) {
            return Temperature.ofCelsius(value);
        }
        return switch (plain(unit)) {
            case "°c", "c", "degc" -> Temperature.ofCelsius(value);
            case "°f", "f", "degf" -> Temperature.ofFahrenheit(value);
            default -> throw unknown("temperature", value, unit, "°C, °F");
        };
    }

    /** Reads mg/L; ppm counts as mg/L, which holds for water-thin solutions. */
    public static Strength strength(double value, String unit) {
        if (unit.equals("mg/L")) {
            return Strength.ofMgPerL(value);
        }
        return switch (plain(unit)) {
            case "mg/l", "ppm" -> Strength.ofMgPerL(value);
            default -> throw unknown("strength", value, unit, "mg/L, ppm");
        };
    }

    /** Reads an active strength, or a share of the product in percent by volume. */
    public static Dosage dosage(double value, String unit) {
        return switch (plain(unit)) {
            case "mg/l", "ppm" -> Strength.ofMgPerL(value);
            case "%", "%v/v" -> new Share(value);
            default -> throw unknown("strength", value, unit, "mg/L, ppm, %");
        };
    }

    public static Volume volume(double value, String unit) {
        return switch (plain(unit)) {
            case "l" -> Volume.ofLitres(value);
            case "ml" -> Volume.ofMillilitres(value);
            case "gal", "usgal" -> Volume.ofLitres(value * US_GALLON);
            case "floz", "oz" -> Volume.ofLitres(value * US_FLUID_OUNCE);
            default -> throw unknown("volume", value, unit, "L, mL, gal, fl oz");
        };
    }

    /** Reads seconds, minutes or hours; from 0 to 7 days. */
    public static Duration duration(double value, String unit) {
        double seconds =
                switch (plain(unit)) {
                    case "s", "sec" -> value;
                    case "min" -> value * 60;
                    case "h", "hr" -> value * 3600;
                    default -> throw unknown("time", value, unit, "s, min, h");
                };
        OutOfRange.check(
                "time",
                seconds,
                0,
                7 * 86_400,
                () -> Text.of("out-of-range.s-to-days", "0 s to 7 days"));
        return Duration.ofMillis(Math.round(seconds * 1000));
    }

    public static Length length(double value, String unit) {
        return switch (plain(unit)) {
            case "mm" -> new Length(value / 1000);
            case "cm" -> new Length(value / 100);
            case "m" -> new Length(value);
            case "in" -> new Length(value * 0.0254);
            case "ft" -> new Length(value * 0.3048);
            default -> throw unknown("length", value, unit, "mm, cm, m, in, ft");
        };
    }

    public static Flow flow(double value, String unit) {
        return switch (plain(unit)) {
            case "l/min" -> new Flow(value);
            case "l/s" -> new Flow(value * 60);
            case "l/h" -> new Flow(value / 60);
            case "ml/s" -> new Flow(value * 60 / 1000);
            case "ml/min" -> new Flow(value / 1000);
            case "gal/min", "gpm" -> new Flow(value * US_GALLON);
            default -> throw unknown("flow", value, unit, "L/min, L/s, L/h, mL/s, mL/min, gal/min");
        };
    }

    /** Metres a second, above 0 to 100. */
    public static double velocity(double value, String unit) {
        double v =
                switch (plain(unit)) {
                    case "m/s" -> value;
                    case "ft/s" -> value * 0.3048;
                    default -> throw unknown("velocity", value, unit, "m/s, ft/s");
                };
        return OutOfRange.check(
                "velocity", v, Double.MIN_VALUE, 100, () -> OutOfRange.above("0", "100 m/s"));
    }

    public static Pressure pressure(double value, String unit) {
        return switch (plain(unit)) {
            case "kpa" -> new Pressure(value);
            case "bar" -> new Pressure(value * 100);
            case "psi" -> new Pressure(value * 6.894757293168);
            default -> throw unknown("pressure", value, unit, "kPa, bar, psi");
        };
    }

    public static Mass mass(double value, String unit) {
        return switch (plain(unit)) {
            case "g" -> new Mass(value / 1000);
            case "kg" -> new Mass(value);
            case "lb" -> new Mass(value * 0.45359237);
            default -> throw unknown("mass", value, unit, "g, kg, lb");
        };
    }

    private static String plain(String unit) {
        return unit.toLowerCase(Locale.ROOT).replace(" ", "").replace("º", "°");
    }

    private static OutOfRange unknown(String what, double value, String unit, String known) {
        Text shown =
                unit.isBlank()
                        ? Text.of(
                                "out-of-range.without-a-unit",
                                "{0} without a unit",
                                Show.number(value))
                        : Text.of(
                                "out-of-range.with-unit",
                                "{0} with unit \"{1}\"",
                                Show.number(value),
                                shortened(unit));
        return new OutOfRange(
                what, shown, Text.of("out-of-range.a-number-in", "a number in {0}", known));
    }

    private static String shortened(String text) {
        return text.length() <= 40 ? text : text.substring(0, 40) + "…";
    }
}
