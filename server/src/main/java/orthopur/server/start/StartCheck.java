package orthopur.server.start;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import orthopur.ledger.Database;
import orthopur.ledger.FolderLock;
import orthopur.ledger.Head;
import orthopur.ledger.SiteKey;
import orthopur.server.platform.DemoDatabase;

/** Looks at port, folder and database before anything is made. */
public final class StartCheck {
    private static final int NIGHTS = 14;
    private static final long LOOKED_AT_WHOLE = 100_000_000;

    private StartCheck() {}

    /** How it was started. */
    public record Settings(Path data, int port, boolean demo, Map<String, Object> asProperties) {}

    /**
     * Reads what was told at the start, and looks.
     *
     * @throws CannotStart when something is in the way; nothing of the site has been made then
     */
    public static Settings check(String[] args) throws CannotStart {
        Options o = new Options(List.of(args));
        boolean demo = o.has("--demo");
        Path data = Path.of(o.value("--data", "data")).toAbsolutePath().normalize();
        Path key = KeyFile.place(o, data);
        int port = o.number("--port", 8080, 1, 65_535);
        Map<String, Object> properties = new HashMap<>();
        properties.putAll(Tls.check(o, key.resolveSibling(data.getFileName() + ".p12")));
        properties.putAll(Network.check(o, port, !properties.isEmpty()));
        folder(data);
        alone(data);
        Path db = data.resolve(Database.FILE);
        if (o.has("--fresh")) {
            if (!demo) {
                throw new CannotStart("--fresh empties the demo data and goes only with the demo.");
            }
            if (isDatabase(db)) {
                demoOnly(data, o);
            }
            empty(db);
        }
        if (o.has("--empty") && !demo) {
            throw new CannotStart(
                    "--empty starts the demo without its past and goes only with it.");
        }
        boolean copied = demo && !Files.exists(db);
        if (copied) {
            made(data, db, o.has("--empty"));
        }
        properties.putAll(DemoClock.check(data, demo));
        // What was copied a moment ago was looked at when it was made.
        if (!copied) {
            database(db);
        }
        if (demo) {
            demoOnly(data, o);
        } else {
            properties.putAll(KeyFile.check(o, data, key));
            properties.put("orthopur.backups", backups(o, data));
            properties.put("orthopur.keep", o.number("--keep", NIGHTS, 1, 3650));
        }
        if (o.has("--recover")) {
            properties.put("orthopur.recover", "true");
        }
        properties.putAll(MailFile.check(o));
        logs(o, properties);
        properties.put("orthopur.data", data.toString());
        properties.put("orthopur.port", port);
        properties.put("orthopur.demo", demo);
        return new Settings(data, port, demo, properties);
    }

    /** Beside the data; whoever has another disk names a folder on it. */
    private static String backups(Options o, Path data) throws CannotStart {
        Path folder = Path.of(o.value("--backups", data + "-backups")).toAbsolutePath().normalize();
        if (folder.startsWith(data)) {
            throw new CannotStart("--backups: " + folder + " lies in the data folder itself.");
        }
        return folder.toString();
    }

    private static boolean isDatabase(Path db) {
        if (!Files.exists(db)) {
            return false;
        }
        try (Connection c = Database.reading(db);
                Statement s = c.createStatement()) {
            s.executeQuery("SELECT 1 FROM sqlite_master").close();
            return true;
        } catch (SQLException e) {
            return false;
        }
    }

    /** The demo signs with a key that everybody knows, and people of the demo with known PINs. */
    private static void demoOnly(Path data, Options o) throws CannotStart {
        Head last = KeyFile.last(data);
        if (last != null && !last.keyId().equals(SiteKey.DEMO.id())) {
            throw new CannotStart(
                    data + " is the data of a site, not of the demo. Start it without the demo.");
        }
        for (String real : List.of("--key", "--new-key", "--recover")) {
            if (o.has(real)) {
                throw new CannotStart(real + " does not go with the demo.");
            }
        }
    }

    /** Lines on the screen, and into a file that is begun anew before it grows too long. */
    private static void logs(Options o, Map<String, Object> properties) {
        String file = o.value("--log");
        if (file != null) {
            properties.put("logging.file.name", Path.of(file).toAbsolutePath().toString());
            properties.put("logging.logback.rollingpolicy.max-file-size", "20MB");
            properties.put("logging.logback.rollingpolicy.max-history", "30");
            properties.put("logging.logback.rollingpolicy.total-size-cap", "500MB");
        }
        if (o.has("--log-json")) {
            properties.put(
                    file == null
                            ? "logging.structured.format.console"
                            : "logging.structured.format.file",
                    "ecs");
        }
    }

    private static void folder(Path data) throws CannotStart {
        try {
            if (!Files.exists(data)) {
                Files.createDirectories(data);
                onlyForItsOwner(data);
            }
            Path probe = Files.createTempFile(data, "write", ".probe");
            Files.delete(probe);
        } catch (IOException e) {
            throw new CannotStart("the data folder " + data + " cannot be written.");
        }
    }

    /** Hashes of secrets lie in it. */
    private static void onlyForItsOwner(Path data) throws IOException {
        if (data.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            Files.setPosixFilePermissions(data, PosixFilePermissions.fromString("rwx------"));
        }
    }

    private static void alone(Path data) throws CannotStart {
        try {
            if (!FolderLock.take(data)) {
                throw new CannotStart(
                        "another Orthopur server works in "
                                + data
                                + ". Stop it first, or start with --data and another folder.");
            }
        } catch (IOException e) {
            throw new CannotStart("the lock in " + data + " cannot be taken: " + e.getMessage());
        }
    }

    private static void empty(Path db) throws CannotStart {
        try {
            for (String suffix : List.of("", "-wal", "-shm")) {
                Files.deleteIfExists(db.resolveSibling(db.getFileName() + suffix));
            }
        } catch (IOException e) {
            throw new CannotStart("the demo data in " + db + " cannot be removed.");
        }
    }

    private static void made(Path data, Path db, boolean empty) throws CannotStart {
        try {
            DemoClock.forget(data);
            if (!empty && DemoDatabase.copyWithItsPastTo(db)) {
                DemoClock.opens(data);
            } else {
                DemoDatabase.copyTo(db);
            }
        } catch (IOException e) {
            throw new CannotStart("the demo data cannot be put into " + db + ": " + e.getMessage());
        }
    }

    /** The newest migration that this program brings. */
    private static int newestMigration() throws CannotStart {
        try {
            return Arrays.stream(
                            new PathMatchingResourcePatternResolver()
                                    .getResources("classpath:db/migration/V*__*.sql"))
                    .map(Resource::getFilename)
                    .mapToInt(n -> Integer.parseInt(n, 1, n.indexOf("__"), 10))
                    .max()
                    .orElse(0);
        } catch (IOException e) {
            throw new CannotStart("the program is not complete: " + e.getMessage());
        }
    }

    private static void database(Path db) throws CannotStart {
        if (!Files.exists(db)) {
            return;
        }
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + db);
                Statement s = c.createStatement()) {
            // Of a large one that takes minutes; it is done at night, and by ./orthopur check.
            String look = Files.size(db) <= LOOKED_AT_WHOLE ? "integrity_check" : "schema_version";
            try (ResultSet r = s.executeQuery("PRAGMA " + look)) {
                boolean whole = look.equals("integrity_check");
                if (!r.next() || whole && !"ok".equals(r.getString(1))) {
                    throw new CannotStart("the database " + db + " is damaged. Put back a backup.");
                }
            }
            try (ResultSet r =
                    s.executeQuery(
                            "SELECT max(CAST(version AS INTEGER)) FROM flyway_schema_history")) {
                if (r.next() && r.getInt(1) > newestMigration()) {
                    throw new CannotStart(
                            "the database "
                                    + db
                                    + " was written by a newer version of Orthopur. Start that version.");
                }
            }
        } catch (IOException e) {
            throw new CannotStart("the file " + db + " cannot be read.");
        } catch (SQLException e) {
            boolean unmigrated = e.getMessage() != null && e.getMessage().contains("no such table");
            if (!unmigrated) {
                throw new CannotStart("the file " + db + " is not a database of Orthopur.");
            }
        }
    }
}
