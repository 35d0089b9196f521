package orthopur.machine;

import org.jspecify.annotations.Nullable;

/**
 * A fault that the machine shows as a text or code.
 *
 * @param cure what is done
 * @param stop when to stop and call service
 */
public record Fault(String text, String means, @Nullable String cure, @Nullable String stop) {}
