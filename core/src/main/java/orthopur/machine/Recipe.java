package orthopur.machine;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How a solution is mixed by the manual of the machine, in the order of pouring.
 *
 * @param parts what is poured, first to last
 */
public record Recipe(String id, String name, List<Poured> parts) {
    public Recipe {
        parts = List.copyOf(parts);
    }

    /**
     * One thing that is poured.
     *
     * @param what water, or the product as people call it
     * @param chemical id of the product; null for water
     * @param share parts of the whole, above 0 to 1000
     */
    public record Poured(String what, @Nullable String chemical, double share) {}
}
