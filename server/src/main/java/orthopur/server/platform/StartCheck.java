package orthopur.server.platform;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
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

/** Looks at port, folder and database before anything is made. */
public final class StartCheck {
    /** Folders that this process works in; held until it ends. */
    private static final Map<Path, FileLock> HELD = new HashMap<>();

    private StartCheck() {}

    /** Why the program cannot start, in one plain line. */
    public static final class CannotStart extends Exception {
        private static final long serialVersionUID = 1L;

        CannotStart(String message) {
            super(message);
        }
    }

    /** How it was started. */
    public record Settings(Path data, int port, boolean demo) {
        public Map<String, Object> asProperties() {
            return Map.of(
                    "orthopur.data", data.toString(), "orthopur.port", port, "orthopur.demo", demo);
        }
    }

    /**
     * Reads {@code --data DIR --port N --demo --fresh} and looks.
     *
     * @throws CannotStart when something is in the way; nothing has been made then
     */
    public static Settings check(String[] args) throws CannotStart {
        List<String> all = List.of(args);
        boolean demo = all.contains("--demo");
        Path data = Path.of(value(all, "--data", "data")).toAbsolutePath().normalize();
        int port = port(value(all, "--port", "8080"));
        portFree(port);
        folder(data);
        alone(data);
        Path db = data.resolve("orthopur.db");
        if (all.contains("--fresh")) {
            if (!demo) {
                throw new CannotStart("--fresh empties the demo data and goes only with the demo.");
            }
            empty(db);
        }
        if (demo && !Files.exists(db)) {
            made(db);
        }
        database(db);
        return new Settings(data, port, demo);
    }

    private static String value(List<String> args, String key, String otherwise)
            throws CannotStart {
        int i = args.indexOf(key);
        if (i < 0) {
            return otherwise;
        }
        if (i + 1 >= args.size()) {
            throw new CannotStart(key + " needs a value.");
        }
        return args.get(i + 1);
    }

    private static int port(String text) throws CannotStart {
        try {
            int port = Integer.parseInt(text);
            if (port >= 1 && port <= 65_535) {
                return port;
            }
        } catch (NumberFormatException e) {
            // Said below, with the range.
        }
        throw new CannotStart("the port " + text + " is not a number from 1 to 65535.");
    }

    private static void portFree(int port) throws CannotStart {
        try (ServerSocket s = new ServerSocket(port, 1, InetAddress.getLoopbackAddress())) {
            s.setReuseAddress(true);
        } catch (IOException e) {
            throw new CannotStart(
                    "port "
                            + port
                            + " is in use. Stop what uses it, or start with --port and another number.");
        }
    }

    private static void folder(Path data) throws CannotStart {
        try {
            Files.createDirectories(data);
            Path probe = Files.createTempFile(data, "write", ".probe");
            Files.delete(probe);
        } catch (IOException e) {
            throw new CannotStart("the data folder " + data + " cannot be written.");
        }
    }

    /**
     * Two servers in one folder would each write a chain of their own into one log. The system lets
     * go of the lock when the process ends, however it ends.
     */
    private static synchronized void alone(Path data) throws CannotStart {
        if (HELD.containsKey(data)) {
            return;
        }
        Path file = data.resolve("orthopur.lock");
        try {
            FileChannel channel =
                    FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            FileLock lock = channel.tryLock();
            if (lock == null) {
                channel.close();
                throw new CannotStart(
                        "another Orthopur server works in "
                                + data
                                + ". Stop it first, or start with --data and another folder.");
            }
            HELD.put(data, lock);
        } catch (IOException e) {
            throw new CannotStart("the lock " + file + " cannot be taken: " + e.getMessage());
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

    private static void made(Path db) throws CannotStart {
        try {
            DemoDatabase.copyTo(db);
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
            try (ResultSet r = s.executeQuery("PRAGMA integrity_check")) {
                if (!r.next() || !"ok".equals(r.getString(1))) {
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
        } catch (SQLException e) {
            boolean unmigrated = e.getMessage() != null && e.getMessage().contains("no such table");
            if (!unmigrated) {
                throw new CannotStart("the file " + db + " is not a database of Orthopur.");
            }
        }
    }
}
