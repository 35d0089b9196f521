package orthopur.mixing;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiFunction;
import orthopur.Nullable;
import orthopur.chemical.Stock;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Strength;
import orthopur.quantity.UnitText;
import orthopur.quantity.UnitText.Parsed;

/** The inputs of a calculation as text, read into quantities on demand. */
public final class CalcInputs {
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
                        given, "There is no input \"" + given + "\".", String.join(", ", names));
            }
        }
        for (String key : keys) {
            if (!key.endsWith("?") && blank(values.get(key))) {
                throw new RefusedInput(
                        key, "The input " + key + " is missing.", "a value for " + key);
            }
        }
    }

    public Map<String, String> asGiven() {
        return Map.copyOf(values);
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
        String allowed = least + " to " + most + (unit.isEmpty() ? "" : " " + unit);
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
                    "The input " + key + " is " + values.get(key) + "; allowed is " + allowed + ".",
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
                                            "A stock in % w/w needs its density.",
                                            "above 0 to 3 kg/L");
                                }
                                double density = number(densityKey, "kg/L", 0.5, 3);
                                yield new Stock(value, Stock.Basis.MASS_IN_MASS, density)
                                        .strength();
                            }
                            case "%w/v" ->
                                    new Stock(value, Stock.Basis.MASS_IN_VOLUME, null).strength();
                            default ->
                                    throw new OutOfRange(key, value + unit, "% w/w, % w/v or mg/L");
                        });
    }

    /** One of a few words. */
    public String choice(String key, String... choices) {
        String given = values.getOrDefault(key, "").strip().toLowerCase(Locale.ROOT);
        if (!Arrays.asList(choices).contains(given)) {
            String allowed = String.join(", ", choices);
            throw new RefusedInput(
                    key, "The input " + key + " is one of " + allowed + ".", allowed);
        }
        return given;
    }

    private static String message(String key, OutOfRange e) {
        return "The input " + key + ": " + e.getMessage();
    }

    private static boolean blank(@Nullable String s) {
        return s == null || s.isBlank();
    }
}
