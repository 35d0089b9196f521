package orthopur.machine;

import java.time.Duration;
import org.jspecify.annotations.Nullable;

/**
 * How long a blade is ground and honed at most; more takes the edge away.
 *
 * @param turns of the blade by hand
 */
public record Sharpening(
        @Nullable Duration grinding, @Nullable Duration honing, @Nullable Integer turns) {}
