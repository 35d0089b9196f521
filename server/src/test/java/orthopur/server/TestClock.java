package orthopur.server;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;

/** The server's clock in a test that has to wait for soaks and hours of use. */
public final class TestClock extends Clock {
    private volatile long millis = 1_800_000_000_000L;

    /** Never backwards. */
    public void set(long to) {
        millis = Math.max(millis, to);
    }

    public void pass(long seconds) {
        millis += seconds * 1000;
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return this;
    }

    @Override
    public Instant instant() {
        return Instant.ofEpochMilli(millis);
    }
}
