package orthopur.ledger;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.stream.Stream;

/**
 * A copy of a site that is made beside a server at work, and putting one back. A backup is one
 * database file; it is there under its name only once all of it was walked.
 */
public final class Backup {
    private static final String HALF = ".half";

    private Backup() {}

    /** Why a backup was not made or not put back, in a plain sentence. */
    public static final class Failed extends Exception {
        private static final long serialVersionUID = 1L;

        Failed(String message) {
            super(message);
        }
    }

    /**
     * Copies a site and walks the copy.
     *
     * @param data its folder or its file
     * @param to a file that is not there yet
     * @throws Failed when it cannot be written, or the copy is not whole; nothing is left then
     */
    public static Walk.Found make(Path data, Path to, List<SiteKey> keys) throws Failed {
        Path from = Database.file(data);
        if (!Files.isReadable(from)) {
            throw new Failed("There is no site in " + data + ".");
        }
        if (Files.exists(to)) {
            throw new Failed(to + " is there already; a backup never overwrites anything.");
        }
        Path half = to.resolveSibling(to.getFileName() + HALF);
        try {
            Files.createDirectories(to.toAbsolutePath().getParent());
            Files.deleteIfExists(half);
            try (Connection db = Database.reading(from);
                    Statement s = db.createStatement()) {
                s.execute("VACUUM INTO '" + half.toString().replace("'", "''") + "'");
            }
            Walk.Found found = look(half, keys);
            Files.move(half, to, StandardCopyOption.ATOMIC_MOVE);
            return found;
        } catch (SQLException | IOException e) {
            throw gone(half, "The backup " + to + " cannot be written: " + e.getMessage());
        } catch (Failed e) {
            throw gone(half, String.valueOf(e.getMessage()));
        }
    }

    private static Failed gone(Path half, String why) {
        try {
            Files.deleteIfExists(half);
        } catch (IOException e) {
            return new Failed(why + " What was written of it lies in " + half + ".");
        }
        return new Failed(why);
    }

    /**
     * Walks a file that is to be a backup.
     *
     * @throws Failed when it is none, or not whole
     */
    public static Walk.Found look(Path file, List<SiteKey> keys) throws Failed {
        if (!Files.isReadable(file)) {
            throw new Failed(file + " cannot be read.");
        }
        try (Connection db = Database.reading(file)) {
            List<String> damage = Database.damage(db);
            if (!damage.isEmpty()) {
                throw new Failed(file + " is damaged: " + damage.getFirst() + ".");
            }
            Walk.Found found = Walk.all(db, keys, List.of());
            if (!found.whole()) {
                throw new Failed(file + " is not whole: " + found.wrong().getFirst() + ".");
            }
            return found;
        } catch (SQLException e) {
            throw new Failed(file + " is no backup of a site: " + e.getMessage());
        }
    }

    /**
     * Puts a backup back, into a folder in which there is nothing.
     *
     * @throws Failed when the folder is not empty, or the backup is not whole; nothing is left then
     */
    public static Walk.Found restore(Path file, Path data, List<SiteKey> keys) throws Failed {
        Walk.Found found = look(file, keys);
        try {
            Files.createDirectories(data);
            try (Stream<Path> there = Files.list(data)) {
                if (there.findAny().isPresent()) {
                    throw new Failed(
                            data
                                    + " is not empty; nothing is overwritten. Choose an empty folder.");
                }
            }
            Path half = data.resolve(Database.FILE + HALF);
            Path word = data.resolve(RESTORED);
            try {
                Files.copy(file, half);
                Files.writeString(
                        word,
                        "put back on %s from %s, which ends at entry %d; what was entered after it is missing"
                                .formatted(
                                        Instant.now().truncatedTo(ChronoUnit.SECONDS),
                                        file.getFileName(),
                                        found.entries()));
                Files.move(half, data.resolve(Database.FILE), StandardCopyOption.ATOMIC_MOVE);
            } catch (IOException e) {
                Files.deleteIfExists(word);
                throw gone(half, "The backup cannot be put into " + data + ": " + e.getMessage());
            }
        } catch (IOException e) {
            throw new Failed("The folder " + data + " cannot be written: " + e.getMessage());
        }
        return found;
    }

    /** A word in the folder of a site that was put back, for the server's next start. */
    public static final String RESTORED = "restored.txt";

    /** Name of a nightly backup: when it was made, and the head that it ends with. */
    public static String name(Instant now, Head last) {
        return "orthopur-%s-entry%d-%s.db"
                .formatted(
                        now.truncatedTo(ChronoUnit.SECONDS).toString().replace(":", ""),
                        last.entry(),
                        last.mac().substring(0, MAC_LETTERS));
    }

    private static final int MAC_LETTERS = 12;
}
