package orthopur.machine;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A check after assembly; with a range where it is measured.
 *
 * @param tolerance how far the gauge may be off, in the unit of the range; null for a count, or
 *     where it does not matter
 * @param needs parts that have to be on before it can be made; its own part always
 */
public record Check(
        String id,
        String name,
        String part,
        @Nullable Double least,
        @Nullable Double most,
        @Nullable String unit,
        @Nullable Double tolerance,
        List<String> needs) {
    public Check {
        needs = Lists.orNone(needs);
    }

    /** A check whose gauge is not said to be off. */
    public Check(
            String id,
            String name,
            String part,
            @Nullable Double least,
            @Nullable Double most,
            @Nullable String unit) {
        this(id, name, part, least, most, unit, null, List.of());
    }

    /** The same where only these parts are fitted. */
    Check among(Set<String> parts) {
        return new Check(
                id,
                name,
                part,
                least,
                most,
                unit,
                tolerance,
                needs.stream().filter(parts::contains).toList());
    }
}
