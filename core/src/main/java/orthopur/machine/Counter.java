package orthopur.machine;

import org.jspecify.annotations.Nullable;

/**
 * A count that the machine shows: portions, cycles, hours, liters. It only goes up until the
 * display is replaced.
 */
public record Counter(String id, String name, String unit, @Nullable String where) {}
