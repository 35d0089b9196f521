package orthopur.machine;

import org.jspecify.annotations.Nullable;

/**
 * A check after assembly; with a range where it is measured.
 *
 * @param tolerance how far the gauge may be off, in the unit of the range; null for a count, or
 *     where it does not matter
 */
public record Check(
        String id,
        String name,
        String part,
        @Nullable Double least,
        @Nullable Double most,
        @Nullable String unit,
        @Nullable Double tolerance) {
    /** A check whose gauge is not said to be off. */
    public Check(
            String id,
            String name,
            String part,
            @Nullable Double least,
            @Nullable Double most,
            @Nullable String unit) {
        this(id, name, part, least, most, unit, null);
    }
}
