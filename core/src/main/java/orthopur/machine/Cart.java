package orthopur.machine;

import org.jspecify.annotations.Nullable;
import orthopur.quantity.Mass;

/**
 * A cart or rack of the site on which parts go to be washed.
 *
 * @param name as procedures call it
 * @param carries how much it may bear
 * @param count how many of it there are, from 1; null for one
 * @param places how many pieces have a place on it, 1 to 200; null where they have no own places
 */
public record Cart(
        String id, String name, Mass carries, @Nullable Integer places, @Nullable Integer count) {}
