package orthopur.server.start;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import orthopur.ledger.Database;
import orthopur.ledger.Head;
import orthopur.ledger.Heads;
import orthopur.ledger.SiteKey;

/** The key with which the site signs its log: where it lies, and that it is the right one. */
final class KeyFile {
    private KeyFile() {}

    /** Where it lies when nobody says otherwise: never in the data, which is in every backup. */
    static Path place(Options o, Path data) {
        String given = o.value("--key");
        if (given != null) {
            return Path.of(given).toAbsolutePath().normalize();
        }
        String config = System.getenv("XDG_CONFIG_HOME");
        Path home =
                config == null || config.isBlank()
                        ? Path.of(System.getProperty("user.home"), ".config")
                        : Path.of(config);
        return home.resolve("orthopur").resolve(data.getFileName() + ".key");
    }

    /**
     * @return settings
     * @throws CannotStart when the key is missing, is another, lies in the data, or is the demo's
     */
    static Map<String, Object> check(Options o, Path data, Path file) throws CannotStart {
        if (file.startsWith(data)) {
            throw new CannotStart(
                    "--key: "
                            + file
                            + " lies in the data folder, so it would be in every backup. Choose a place outside of "
                            + data
                            + ".");
        }
        Head last = last(data);
        if (last != null && last.keyId().equals(SiteKey.DEMO.id())) {
            throw new CannotStart(
                    data
                            + " is a demo: its log is signed with a key that everybody knows. Start with --data and an empty folder.");
        }
        try {
            boolean fresh = o.has("--new-key");
            if (fresh && Files.exists(file)) {
                Path old = file.resolveSibling(file.getFileName() + "." + SiteKey.read(file).id());
                Files.move(file, old, StandardCopyOption.ATOMIC_MOVE);
                System.err.println("The key that was in use lies in " + old + ".");
            }
            if (!Files.exists(file)) {
                if (last != null && !fresh) {
                    throw new CannotStart(
                            "the key "
                                    + file
                                    + " with which the log was signed is not there. Put it back, or start with --new-key: that begins a new signed epoch, and what was signed before can only be proven with the old key.");
                }
                SiteKey.create(file);
                System.err.println(
                        "The log is signed with a new key: "
                                + file
                                + ". Keep a copy of it apart from the backups.");
            }
            SiteKey key = SiteKey.read(file);
            if (key.id().equals(SiteKey.DEMO.id())) {
                throw new CannotStart("the key of the demo signs nothing else.");
            }
            if (last != null && !fresh && !key.id().equals(last.keyId())) {
                throw new CannotStart(
                        "the log was signed with the key %s, and %s is %s. Put the right one there, or start with --new-key."
                                .formatted(last.keyId(), file, key.id()));
            }
            Map<String, Object> settings = new HashMap<>();
            settings.put("orthopur.key", file.toString());
            if (fresh && last != null) {
                settings.put("orthopur.epoch", "a new key; before it " + last.keyId());
            }
            return settings;
        } catch (IOException e) {
            throw new CannotStart("the key " + file + ": " + e.getMessage());
        }
    }

    static @Nullable Head last(Path data) throws CannotStart {
        Path db = data.resolve(Database.FILE);
        if (!Files.exists(db)) {
            return null;
        }
        try (Connection c = Database.reading(db)) {
            return Heads.last(c);
        } catch (SQLException e) {
            throw new CannotStart(
                    "the file " + db + " cannot be read: " + Objects.toString(e.getMessage()));
        }
    }
}
