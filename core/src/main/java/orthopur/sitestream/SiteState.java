package orthopur.sitestream;

import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What is known of a site beside its rounds: of each thing the newest entry.
 *
 * @param newest by what it is about
 */
public record SiteState(Map<String, Known> newest) {
    /** A site of which nothing was said. */
    public static final SiteState NOTHING = new SiteState(Map.of());

    /**
     * @param who name of the one who entered it
     * @param person the one whom several accounts may stand for
     * @param at epoch milliseconds
     */
    public record Known(SiteEntry entry, String who, String person, long at) {}

    /** How many spares were counted last; null when nobody has counted. */
    public @Nullable Known spares(String machine, String part) {
        return newest.get(new SiteEntry.SparesCounted(machine, part, 0).about());
    }
}
