package orthopur.calculation;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiFunction;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Stock;
import orthopur.mixing.Interval;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.quantity.UnitText.Parsed;
import orthopur.quantity.Volume;
import orthopur.text.Text;

/** The inputs of a calculation as text, read into quantities on demand. */
public final class CalcInputs {
    private static final java.util.regex.Pattern CLOCK =
            java.util.regex.Pattern.compile("([0-9]{1,2}):([0-9]{2})");

    private final Map<String, String> values;

    /**
     * @param keys those the calculation takes, a trailing "?" marking optional ones
     * @throws RefusedInput for an unknown key or a required one that is missing
     */
    public CalcInputs(Map<String, String> values, List<String> keys) {
        this.values = new LinkedHashMap<>(values);
        List<String> names = keys.stream().map(k -> k.replace("?", "")).toList();
        for (String given : values.keySet()) {
            if (!names.contains(given)) {
                throw new RefusedInput(
                        given,
                        Text.of(
                                "calc.inputs.there-is-no-input",
                                "There is no input \"{0}\".",
                                given),
                        Text.plain(String.join(", ", names)));
            }
        }
        for (String key : keys) {
            if (!key.endsWith("?") && blank(values.get(key))) {
                throw new RefusedInput(
                        key,
                        Text.of(
                                "calc.inputs.the-input-is-missing",
                                "The input {0} is missing.",
                                key),
                        Text.of("calc.inputs.a-value-for", "a value for {0}", key));
            }
        }
    }

    /** All of them, in the order in which they were given. */
    public Map<String, String> asGiven() {
        return Collections.unmodifiableMap(values);
    }

    public boolean has(String key) {
        return !blank(values.get(key));
    }

    /** Reads a quantity with its unit. */
    public <T> T read(String key, BiFunction<Double, String, T> reader) {
        String text = values.getOrDefault(key, "");
        try {
            Parsed p = UnitText.split(key, text);
            return reader.apply(p.value(), p.unit());
        } catch (OutOfRange e) {
            throw new RefusedInput(key, message(key, e), e.allowed());
        }
    }

    /** The same where the key may be left out. */
    public <T> @Nullable T readIfGiven(String key, BiFunction<Double, String, T> reader) {
        return has(key) ? read(key, reader) : null;
    }

    /** A bare number within bounds, for instance a pH or a density in kg/L. */
    public double number(String key, String unit, double least, double most) {
        Text allowed = OutOfRange.range(String.valueOf(least), (most + " " + unit).strip());
        Parsed p;
        try {
            p = UnitText.split(key, values.getOrDefault(key, ""));
        } catch (OutOfRange e) {
            throw new RefusedInput(key, message(key, e), allowed);
        }
        boolean unitFits = p.unit().isEmpty() || p.unit().equalsIgnoreCase(unit);
        if (!unitFits || !(p.value() >= least && p.value() <= most)) {
            throw new RefusedInput(
                    key,
                    Text.of(
                            "calc.inputs.the-input-is-allowed-is",
                            "The input {0} is {1}; allowed is {2}.",
                            key,
                            values.get(key),
                            allowed),
                    allowed);
        }
        return p.value();
    }

    /** Strength of a concentrate: {@code 12.5%w/w} with a density, {@code 10%w/v}, or in mg/L. */
    public Strength stock(String key, String densityKey) {
        String text = values.getOrDefault(key, "").toLowerCase(Locale.ROOT).replace(" ", "");
        if (!text.contains("%")) {
            return read(key, UnitText::strength);
        }
        return read(
                key,
                (value, unit) ->
                        switch (unit.replace(" ", "").toLowerCase(Locale.ROOT)) {
                            case "%w/w" -> {
                                if (!has(densityKey)) {
                                    throw new RefusedInput(
                                            densityKey,
                                            Text.of(
                                                    "calc.inputs.a-stock-in-w-w-needs",
                                                    "A stock in % w/w needs its density."),
                                            OutOfRange.above("0", "3 kg/L"));
                                }
                                double density = number(densityKey, "kg/L", 0.5, 3);
                                yield new Stock(value, Stock.Basis.MASS_IN_MASS, density)
                                        .strength();
                            }
                            case "%w/v" ->
                                    new Stock(value, Stock.Basis.MASS_IN_VOLUME, null).strength();
                            default ->
                                    throw new OutOfRange(
                                            key,
                                            value + unit,
                                            Text.of(
                                                    "calc.inputs.share-of-stock",
                                                    "% w/w, % w/v or mg/L"));
                        });
    }

    /** The text of an input as it was given. */
    public String text(String key) {
        return values.getOrDefault(key, "").strip();
    }

    /** A volume above 0 L. */
    public Volume positive(String key) {
        Volume v = read(key, UnitText::volume);
        if (v.litres() <= 0) {
            throw new RefusedInput(
                    key,
                    Text.of("calc.inputs.the-input-is-l", "The input {0} is 0 L.", key),
                    OutOfRange.above("0", "1,000,000 L"));
        }
        return v;
    }

    /** A strength that is known as 49..75mg/L or 62±13mg/L, or exactly. */
    public Interval interval(String key) {
        String given = text(key);
        int dots = given.indexOf("..");
        int around = given.indexOf('±');
        if (dots < 0 && around < 0) {
            double exact = read(key, UnitText::strength).mgPerL();
            return new Interval(exact, exact);
        }
        try {
            Parsed second = UnitText.split(key, given.substring(dots < 0 ? around + 1 : dots + 2));
            Parsed first = UnitText.split(key, given.substring(0, dots < 0 ? around : dots));
            String unit = first.unit().isEmpty() ? second.unit() : first.unit();
            double a = UnitText.strength(first.value(), unit).mgPerL();
            double b = UnitText.strength(second.value(), second.unit()).mgPerL();
            return dots < 0 ? Interval.around(a, b) : new Interval(a, b);
        } catch (OutOfRange e) {
            throw new RefusedInput(
                    key,
                    message(key, e),
                    Text.of("calc.inputs.mg-l-mg-l-or-mg", "62mg/L, 62±13mg/L or 49..75mg/L"));
        }
    }

    /** A strength above 0 mg/L. */
    public Strength positiveStrength(String key) {
        Strength s = read(key, UnitText::strength);
        if (s.mgPerL() <= 0) {
            throw new RefusedInput(
                    key,
                    Text.of("calc.inputs.the-input-is-mg-l", "The input {0} is 0 mg/L.", key),
                    OutOfRange.above("0", "1,000,000 mg/L"));
        }
        return s;
    }

    /** A temperature at which water is liquid. */
    public Temperature liquid(String key) {
        Temperature t = read(key, UnitText::temperature);
        if (t.celsius() < 0 || t.celsius() > 100) {
            throw new RefusedInput(
                    key,
                    Text.of("calc.inputs.the-input-is", "The input {0} is {1}.", key, t.shown()),
                    OutOfRange.range("0", "100 °C"));
        }
        return t;
    }

    /** A share between 0 and 1, as 0.06 or 6 %. */
    public double fraction(String key) {
        Text allowed =
                Text.of(
                        "calc.inputs.above-below-or-above-below",
                        "above 0, below 1 (or above 0 %, below 100 %)");
        double v;
        try {
            Parsed p = UnitText.split(key, text(key));
            v = p.unit().equals("%") ? p.value() / 100 : p.unit().isEmpty() ? p.value() : -1;
        } catch (OutOfRange e) {
            throw new RefusedInput(key, message(key, e), allowed);
        }
        if (!(v > 0 && v < 1)) {
            throw new RefusedInput(
                    key,
                    Text.of("calc.inputs.the-input-is", "The input {0} is {1}.", key, text(key)),
                    allowed);
        }
        return v;
    }

    /** A percentage by mass, as 2 % or 2 % w/w. */
    public double massPercent(String key, double least, double most) {
        String given = text(key).replace(" ", "").toLowerCase(Locale.ROOT);
        String bare = given.endsWith("w/w") ? given.substring(0, given.length() - 3) : given;
        Text allowed = Text.of("calc.inputs.to-by-mass", "{0} to {1} % by mass", least, most);
        try {
            Parsed p = UnitText.split(key, bare);
            if (p.unit().equals("%") && p.value() >= least && p.value() <= most) {
                return p.value();
            }
        } catch (OutOfRange e) {
            throw new RefusedInput(key, message(key, e), allowed);
        }
        throw new RefusedInput(
                key,
                Text.of("calc.inputs.the-input-is", "The input {0} is {1}.", key, text(key)),
                allowed);
    }

    /** A difference of temperatures in K or °C; 18 °F are 10 K. */
    public double difference(String key, double least, double most) {
        Text allowed = OutOfRange.range(String.valueOf(least), most + " °C");
        try {
            Parsed p = UnitText.split(key, text(key));
            double v =
                    switch (p.unit().toLowerCase(Locale.ROOT).replace("°", "")) {
                        case "", "c", "k" -> p.value();
                        case "f" -> p.value() / 1.8;
                        default -> Double.NaN;
                    };
            if (v >= least && v <= most) {
                return v;
            }
        } catch (OutOfRange e) {
            throw new RefusedInput(key, message(key, e), allowed);
        }
        throw new RefusedInput(
                key,
                Text.of("calc.inputs.the-input-is", "The input {0} is {1}.", key, text(key)),
                allowed);
    }

    /** Days, from 1 day to 10 years: 60 d, 8 weeks, 6 months. */
    public double days(String key) {
        Text allowed = Text.of("calc.inputs.d-to-years", "1 d to 10 years");
        try {
            Parsed p = UnitText.split(key, text(key));
            double v = p.value() * dayUnit(p.unit());
            if (v >= 1 && v <= 3660) {
                return v;
            }
        } catch (OutOfRange e) {
            throw new RefusedInput(key, message(key, e), allowed);
        }
        throw new RefusedInput(
                key,
                Text.of("calc.inputs.the-input-is", "The input {0} is {1}.", key, text(key)),
                allowed);
    }

    /** How often a day: 14/week, 2/day. */
    public double perDay(String key) {
        Text allowed =
                Text.of(
                        "calc.inputs.a-number-per-day-week-or",
                        "a number per day, week or month, as in 14/week");
        String[] parts = text(key).split("/", 2);
        try {
            if (parts.length == 2) {
                Parsed p = UnitText.split(key, parts[0]);
                double v = p.value() / dayUnit(parts[1]);
                if (p.unit().isEmpty() && v > 0 && v <= 10_000) {
                    return v;
                }
            }
        } catch (OutOfRange e) {
            throw new RefusedInput(key, message(key, e), allowed);
        }
        throw new RefusedInput(
                key,
                Text.of("calc.inputs.the-input-is", "The input {0} is {1}.", key, text(key)),
                allowed);
    }

    private static double dayUnit(String unit) {
        return switch (unit.strip().toLowerCase(Locale.ROOT)) {
            case "d", "day", "days" -> 1;
            case "week", "weeks", "w" -> 7;
            case "month", "months" -> 30;
            case "year", "years", "y" -> 365;
            default -> Double.NaN;
        };
    }

    /** A clock time as minutes since midnight. */
    public int clock(String key, String text) {
        java.util.regex.Matcher m = CLOCK.matcher(text.strip());
        if (m.matches()) {
            int hour = Integer.parseInt(m.group(1));
            int minute = Integer.parseInt(m.group(2));
            if (hour < 24 && minute < 60) {
                return hour * 60 + minute;
            }
        }
        throw new RefusedInput(
                key,
                Text.of(
                        "calc.inputs.the-input-is-no-time",
                        "The input {0}: \"{1}\" is no time.",
                        key,
                        text),
                OutOfRange.range("00:00", "23:59"));
    }

    /** A temperature at a time: 180C@0min. */
    public record At(Temperature temperature, double minutes) {}

    public At at(String key) {
        Text allowed =
                Text.of(
                        "calc.inputs.a-temperature-at-a-time-c",
                        "a temperature at a time: 180C@0min");
        List<At> all = atList(key, allowed);
        if (all.size() != 1) {
            throw new RefusedInput(
                    key,
                    Text.of(
                            "calc.inputs.the-input-is-one-reading",
                            "The input {0} is one reading.",
                            key),
                    allowed);
        }
        return all.getFirst();
    }

    public List<At> atList(String key, Text allowed) {
        List<At> all = new ArrayList<>();
        for (String[] pair : pairs(key, "@", allowed)) {
            try {
                Parsed t = UnitText.split(key, pair[0]);
                Parsed m = UnitText.split(key, pair[1]);
                all.add(
                        new At(
                                UnitText.temperature(t.value(), t.unit()),
                                UnitText.duration(m.value(), m.unit()).toMillis() / 60_000.0));
            } catch (OutOfRange e) {
                throw new RefusedInput(key, message(key, e), allowed);
            }
        }
        return all;
    }

    /**
     * A list of pairs such as 0h:200mg/L,2h:150mg/L. A comma without a pair behind it is a decimal
     * mark.
     */
    public List<String[]> pairs(String key, String between, Text allowed) {
        List<String> pieces = new ArrayList<>();
        for (String piece : text(key).split("[,;]")) {
            if (!piece.contains(between) && !pieces.isEmpty()) {
                pieces.set(pieces.size() - 1, pieces.getLast() + "," + piece);
            } else if (pieces.isEmpty() || pieces.getLast().contains(between)) {
                pieces.add(piece);
            } else {
                pieces.set(pieces.size() - 1, pieces.getLast() + "," + piece);
            }
        }
        List<String[]> pairs = new ArrayList<>();
        for (String piece : pieces) {
            String[] pair = piece.split(between, 2);
            if (pair.length != 2 || pair[0].isBlank() || pair[1].isBlank()) {
                throw new RefusedInput(
                        key,
                        Text.of(
                                "calc.inputs.the-input-is-not-understood",
                                "The input {0}: \"{1}\" is not understood.",
                                key,
                                piece),
                        allowed);
            }
            pairs.add(new String[] {pair[0].strip(), pair[1].strip()});
        }
        return pairs;
    }

    /** Bare numbers with commas between them, or semicolons where commas mark decimals. */
    public List<Double> numbers(String key) {
        String given = text(key);
        List<Double> all = new ArrayList<>();
        for (String piece : given.split(given.contains(";") ? ";" : ",")) {
            try {
                Parsed p = UnitText.split(key, piece);
                if (!p.unit().isEmpty() || Double.isInfinite(p.value())) {
                    throw new RefusedInput(
                            key,
                            Text.of("calc.inputs.the-input", "The input {0}: \"{1}\".", key, piece),
                            Text.of("calc.inputs.bare-numbers", "bare numbers"));
                }
                all.add(p.value());
            } catch (OutOfRange e) {
                throw new RefusedInput(
                        key, message(key, e), Text.of("calc.inputs.bare-numbers", "bare numbers"));
            }
        }
        return all;
    }

    /** One of a few words. */
    public String choice(String key, String... choices) {
        String given = values.getOrDefault(key, "").strip().toLowerCase(Locale.ROOT);
        if (!Arrays.asList(choices).contains(given)) {
            Text allowed = Text.plain(String.join(", ", choices));
            throw new RefusedInput(
                    key,
                    Text.of(
                            "calc.inputs.the-input-is-one-of",
                            "The input {0} is one of {1}.",
                            key,
                            allowed),
                    allowed);
        }
        return given;
    }

    private static Text message(String key, OutOfRange e) {
        return Text.of("calc.inputs.because", "The input {0}: {1}", key, e.said());
    }

    private static boolean blank(@Nullable String s) {
        return s == null || s.isBlank();
    }
}
