package orthopur.round;

import org.jspecify.annotations.Nullable;

/** A named value with its unit, or a named text. */
public record EntryValue(
        String name, @Nullable Double value, @Nullable String unit, @Nullable String text) {

    static EntryValue text(String name, String text) {
        return new EntryValue(name, null, null, text);
    }

    static EntryValue number(String name, double value, String unit) {
        return new EntryValue(name, value, unit, null);
    }
}
