package orthopur.server.platform;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.jspecify.annotations.Nullable;

/**
 * The clock of the site. It is that of the machine; only the demo has one of its own, which opens
 * on the evening before its night, whenever that is.
 */
public final class SiteClock extends Clock {
    private final Duration ahead;
    private volatile @Nullable Instant stands;

    /**
     * @param ahead by how much it is ahead of the machine's; zero for any site but the demo
     */
    public SiteClock(Duration ahead) {
        this.ahead = ahead;
    }

    /** By how many milliseconds it is ahead of the machine's. */
    public long aheadMillis() {
        return ahead.toMillis();
    }

    /** Lets it stand at a moment, while the past of the demo is made. */
    public void standAt(Instant moment) {
        stands = moment;
    }

    @Override
    public Instant instant() {
        Instant fixed = stands;
        return fixed == null ? Instant.now().plus(ahead) : fixed;
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return Clock.fixed(instant(), zone);
    }
}
