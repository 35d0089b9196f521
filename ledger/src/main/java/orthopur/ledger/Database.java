package orthopur.ledger;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/** Opens the one file in which a site lies. */
public final class Database {
    /** What it is called in its folder. */
    public static final String FILE = "orthopur.db";

    private Database() {}

    /** The file, whether its folder is named or itself. */
    public static Path file(Path given) {
        return Files.isDirectory(given) ? given.resolve(FILE) : given;
    }

    /** To read, beside a server that works in it. */
    public static Connection reading(Path file) throws SQLException {
        return DriverManager.getConnection(
                "jdbc:sqlite:file:" + file.toAbsolutePath() + "?mode=ro");
    }

    /** What SQLite itself finds wrong with the file, and rows that point at nothing. */
    public static List<String> damage(Connection db) throws SQLException {
        List<String> wrong = new ArrayList<>();
        try (Statement s = db.createStatement()) {
            try (ResultSet r = s.executeQuery("PRAGMA integrity_check(20)")) {
                while (r.next()) {
                    if (!r.getString(1).equals("ok")) {
                        wrong.add(r.getString(1));
                    }
                }
            }
            try (ResultSet r = s.executeQuery("PRAGMA foreign_key_check")) {
                while (r.next()) {
                    wrong.add(
                            "row %s of %s belongs to none of %s"
                                    .formatted(r.getString(2), r.getString(1), r.getString(3)));
                }
            }
        }
        return wrong;
    }

    /** To write, with the ledger kept; for when no server works in it. */
    public static Connection writing(Path file) throws SQLException {
        Connection db =
                DriverManager.getConnection(
                        "jdbc:sqlite:"
                                + file.toAbsolutePath()
                                + "?busy_timeout=5000&synchronous=FULL");
        Fingerprint.teach(db);
        return db;
    }
}
