package orthopur.machine;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Wear parts that are ordered and replaced together.
 *
 * @param number it is ordered by
 * @param parts of the machine that it renews
 * @param life how long it lasts
 * @param reorderAt when so many are left, 0 to 1000
 * @param leadDays how long an order takes, 0 to 365
 * @param shelf where it lies
 */
public record Kit(
        String id,
        String name,
        @Nullable String number,
        List<String> parts,
        @Nullable Interval life,
        @Nullable Integer reorderAt,
        @Nullable Integer leadDays,
        @Nullable String shelf) {
    public Kit {
        parts = Lists.orNone(parts);
    }
}
