package orthopur.server.start;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Map;
import orthopur.ledger.Database;

/**
 * The demo's clock. It opens on the evening before a night, whatever the machine's says: on that
 * after its past, and later on that after whatever was entered last. Started again soon, it goes
 * on.
 */
public final class DemoClock {
    /** The evening on which the demo opens first. */
    public static final LocalDate EVENING = LocalDate.of(2026, 11, 30);

    /** When it opens. */
    public static final LocalTime OPENS = LocalTime.of(20, 35);

    /** The demo site's. */
    public static final ZoneId ZONE = ZoneId.of("Europe/London");

    private static final String FILE = "demo-clock";

    /** Within this it goes on where it was. */
    private static final Duration SOON = Duration.ofHours(12);

    private DemoClock() {}

    /** From now on the demo in this folder has a clock of its own. */
    static void opens(Path data) throws IOException {
        Files.writeString(data.resolve(FILE), "");
    }

    /** The demo in this folder goes by the machine's clock. */
    static void forget(Path data) throws IOException {
        Files.deleteIfExists(data.resolve(FILE));
    }

    static Map<String, Object> check(Path data, boolean demo) throws CannotStart {
        Path file = data.resolve(FILE);
        if (!demo || !Files.exists(file)) {
            return Map.of();
        }
        try {
            long now = System.currentTimeMillis();
            String[] kept = Files.readString(file).strip().split(" ");
            long ahead =
                    kept.length == 2 && now - Long.parseLong(kept[1]) < SOON.toMillis()
                            ? Long.parseLong(kept[0])
                            : evening(last(data.resolve(Database.FILE))) - now;
            Files.writeString(file, ahead + " " + now);
            return Map.of("orthopur.clock-ahead", ahead);
        } catch (IOException | NumberFormatException | SQLException e) {
            throw new CannotStart(
                    "the demo's clock in "
                            + file
                            + " cannot be read or written ("
                            + e.getMessage()
                            + "); ./orthopur demo --fresh makes the demo anew.");
        }
    }

    /** The first evening on which nothing was entered yet, in epoch milliseconds. */
    static long evening(long last) {
        LocalDate day = EVENING;
        while (day.atTime(OPENS).atZone(ZONE).toInstant().toEpochMilli() < last) {
            day = day.plusDays(1);
        }
        return day.atTime(OPENS).atZone(ZONE).toInstant().toEpochMilli();
    }

    private static long last(Path db) throws SQLException {
        try (Connection c = Database.reading(db);
                Statement s = c.createStatement();
                ResultSet r = s.executeQuery("SELECT max(server_time) FROM floor_event")) {
            return r.next() ? r.getLong(1) : 0;
        }
    }
}
