package orthopur.round;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import orthopur.round.Written.NotAnEntry;
import orthopur.text.Text;

/** The figures of an entry, read by name and compared with their units. */
public record Figures(List<EntryValue> all) {
    private static final int LONGEST = 2000;

    /** The first figure of this name. */
    public Optional<EntryValue> find(String name) {
        return all.stream().filter(f -> name.equals(f.name())).findFirst();
    }

    /** A bare number, or null where it is not said. */
    public @Nullable Double numberOrNull(String name) {
        return find(name).map(EntryValue::value).orElse(null);
    }

    /**
     * @throws NotAnEntry when it is too long
     */
    public @Nullable String textOrNull(String name) {
        return find(name).isEmpty() ? null : text(name);
    }

    /**
     * @throws NotAnEntry when it is not said, or too long
     */
    public String text(String name) {
        String text = find(name).map(EntryValue::text).orElse(null);
        if (text == null) {
            throw new NotAnEntry(
                    Text.of(
                            "not-an-entry.the-entry-does-not-say-its",
                            "The entry does not say its {0}.",
                            name));
        }
        if (text.length() > LONGEST) {
            throw new NotAnEntry(
                    Text.of(
                            "not-an-entry.too-long",
                            "The {0} has {1} characters; allowed are {2}.",
                            name,
                            text.length(),
                            LONGEST));
        }
        return text;
    }

    /**
     * @throws NotAnEntry when it is not said, or in another unit
     */
    public double value(String name, String unit) {
        EntryValue f = find(name).orElse(null);
        if (f == null || f.value() == null) {
            throw new NotAnEntry(
                    Text.of(
                            "not-an-entry.the-entry-does-not-say-its",
                            "The entry does not say its {0}.",
                            name));
        }
        if (!unit.equals(f.unit())) {
            throw new NotAnEntry(
                    Text.of(
                            "not-an-entry.the-has-to-be-in",
                            "The {0} has to be in {1}.",
                            name,
                            unit));
        }
        return f.value();
    }
}
