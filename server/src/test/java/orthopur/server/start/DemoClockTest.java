package orthopur.server.start;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import orthopur.server.platform.DemoDatabase;

/** The demo's clock: it opens on an evening without entries, and goes on where it was. */
class DemoClockTest {
    private static final long FIRST = Instant.parse("2026-11-30T20:35:00Z").toEpochMilli();

    @TempDir Path data;

    private long ahead() throws CannotStart {
        return (long) DemoClock.check(data, true).get("orthopur.clock-ahead");
    }

    private ZonedDateTime now() throws CannotStart {
        // First by how much it is ahead: the other way round it would be a moment too early.
        long by = ahead();
        return Instant.ofEpochMilli(System.currentTimeMillis() + by).atZone(DemoClock.ZONE);
    }

    @Test
    void itOpensOnTheEveningAfterWhatWasEnteredLast() {
        assertEquals(FIRST, DemoClock.evening(0));
        assertEquals(FIRST, DemoClock.evening(FIRST));
        assertEquals(FIRST + 86_400_000L, DemoClock.evening(FIRST + 1));
        // In summer the evening is an hour earlier by the world's clock.
        assertEquals(
                Instant.parse("2027-07-01T19:35:00Z").toEpochMilli(),
                DemoClock.evening(Instant.parse("2027-06-30T20:00:00Z").toEpochMilli()));
    }

    @Test
    void aSiteOfOnesOwnAndADemoWithoutItsPastGoByTheMachine() throws Exception {
        assertEquals(Map.of(), DemoClock.check(data, false));
        assertEquals(Map.of(), DemoClock.check(data, true));
        DemoClock.opens(data);
        DemoClock.forget(data);
        assertEquals(Map.of(), DemoClock.check(data, true));
    }

    @Test
    void startedAgainSoonItGoesOnAndLaterItOpensAnew() throws Exception {
        DemoDatabase.copyTo(data.resolve("orthopur.db"));
        DemoClock.opens(data);
        ZonedDateTime opened = now();
        assertEquals(DemoClock.OPENS.getHour(), opened.getHour());
        assertEquals(DemoClock.OPENS.getMinute(), opened.getMinute());
        long first = ahead();
        assertEquals(first, ahead(), "started again, it goes on");
        Path file = data.resolve("demo-clock");
        long dayAgo = System.currentTimeMillis() - 86_400_000L;
        Files.writeString(file, first + " " + dayAgo);
        assertTrue(Math.abs(ahead() - first) < 60_000, "a day later it is the same evening again");
    }

    @Test
    void aClockThatCannotBeReadSaysHowToGoOn() throws Exception {
        Files.writeString(data.resolve("demo-clock"), "noon yesterday");
        CannotStart x = assertThrows(CannotStart.class, () -> DemoClock.check(data, true));
        assertTrue(x.getMessage().contains("--fresh"), x.getMessage());
    }
}
