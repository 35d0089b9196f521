package orthopur.machine;

import org.jspecify.annotations.Nullable;
import orthopur.quantity.Volume;

/**
 * A sink, bucket or bath of the site.
 *
 * @param name as procedures call it
 * @param brim what it holds before it runs over; parts that lie in it need room as well
 * @param washer how it is built, if it is a washer
 */
public record Vessel(String id, String name, String kind, Volume brim, @Nullable Washer washer) {}
