package orthopur.machine;

import org.jspecify.annotations.Nullable;

/**
 * A setting of the machine that is read after a clean and compared with what was approved.
 *
 * @param unit in which it is shown; null for a plain number
 * @param tolerance how far it may be off, in the unit; 0 where it has to be exact
 * @param where it is read
 */
public record Setting(
        String id,
        String name,
        double approved,
        @Nullable String unit,
        double tolerance,
        @Nullable String where) {}
