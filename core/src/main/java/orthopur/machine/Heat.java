package orthopur.machine;

import org.jspecify.annotations.Nullable;
import orthopur.quantity.Temperature;

/**
 * Heat that a part holds when the machine stops.
 *
 * @param start temperature at the stop
 * @param perMinute how fast the difference to the room shrinks, from two readings; null where
 *     nobody has measured it, so that only a reading helps
 */
public record Heat(Temperature start, @Nullable Double perMinute) {}
