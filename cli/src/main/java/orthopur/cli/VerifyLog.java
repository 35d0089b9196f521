package orthopur.cli;

import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import orthopur.formats.EntryEnvelope;
import orthopur.round.EntryValue;
import orthopur.round.Role;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.ObjectMapper;

/**
 * Walks the chain of the floor's log in a data folder, whether the server runs or not, and names
 * the first entry that is not what was written.
 */
final class VerifyLog {
    private static final ObjectMapper JSON = new ObjectMapper();

    private final PrintStream out;
    private final PrintStream err;

    VerifyLog(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    int run(List<String> args) {
        if (args.size() != 1) {
            err.println("verify-log FOLDER: the data folder of the server, or its orthopur.db.");
            return Main.UNREADABLE;
        }
        Path given = Path.of(args.getFirst());
        Path file = Files.isDirectory(given) ? given.resolve("orthopur.db") : given;
        if (!Files.isReadable(file)) {
            err.println(file + " cannot be read.");
            return Main.UNREADABLE;
        }
        try (Connection db =
                DriverManager.getConnection(
                        "jdbc:sqlite:file:" + file.toAbsolutePath() + "?mode=ro")) {
            return walk(db);
        } catch (SQLException e) {
            err.println(file + " is no database of this program: " + e.getMessage());
            return Main.UNREADABLE;
        }
    }

    private int walk(Connection db) throws SQLException {
        String before = EntryEnvelope.GENESIS;
        long count = 0;
        try (Statement s = db.createStatement();
                ResultSet r = s.executeQuery("SELECT * FROM floor_event ORDER BY seq")) {
            while (r.next()) {
                count++;
                String broken;
                try {
                    EntryEnvelope.Chained e = entry(r);
                    broken = e.broken(before);
                    before = e.hash();
                } catch (JacksonException | IllegalArgumentException x) {
                    broken = "entry " + r.getLong("seq") + " was changed after it was written";
                }
                if (broken != null) {
                    out.println("NOT WHOLE: " + broken + ".");
                    return Main.FINDINGS;
                }
            }
        }
        out.println("Whole: " + count + " entries, each as it was written, in one chain.");
        return Main.NOTHING;
    }

    private static EntryEnvelope.Chained entry(ResultSet r) throws SQLException, JacksonException {
        long at = r.getLong("at");
        Long made = r.wasNull() ? null : at;
        List<EntryValue> figures =
                JSON.readValue(r.getString("figures"), new TypeReference<List<EntryValue>>() {});
        return new EntryEnvelope.Chained(
                r.getLong("seq"),
                new EntryEnvelope(
                        r.getString("id"),
                        Objects.requireNonNullElse(r.getString("round_id"), EntryEnvelope.SITE),
                        r.getString("pack_hash"),
                        r.getString("step_id"),
                        r.getString("kind"),
                        figures,
                        r.getString("who"),
                        r.getString("device"),
                        r.getLong("tablet_time"),
                        r.getLong("server_time"),
                        made,
                        later(r, "person"),
                        role(later(r, "role")),
                        signed(later(r, "signed")),
                        r.getString("prev_hash")),
                r.getString("hash"));
    }

    /** A column that databases of older programs lack. */
    private static @Nullable String later(ResultSet r, String column) throws SQLException {
        for (int i = 1; i <= r.getMetaData().getColumnCount(); i++) {
            if (r.getMetaData().getColumnName(i).equals(column)) {
                return r.getString(i);
            }
        }
        return null;
    }

    private static @Nullable Role role(@Nullable String name) {
        return name == null ? null : Role.valueOf(name);
    }

    private static @Nullable Boolean signed(@Nullable String flag) {
        return flag == null ? null : flag.equals("1");
    }
}
