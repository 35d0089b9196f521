package orthopur.ledger;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.formats.EntryEnvelope;
import orthopur.round.EntryValue;
import orthopur.round.Role;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.ObjectReader;

/** The entries of the floor as they lie in the database, in order. */
final class StoredEntries implements AutoCloseable {
    private static final ObjectReader FIGURES =
            new ObjectMapper().readerFor(new TypeReference<List<EntryValue>>() {});

    private final Statement statement;
    private final ResultSet row;
    private final boolean later;

    StoredEntries(Connection db) throws SQLException {
        statement = db.createStatement();
        Set<String> columns = new HashSet<>();
        try (ResultSet r =
                statement.executeQuery("SELECT name FROM pragma_table_info('floor_event')")) {
            while (r.next()) {
                columns.add(r.getString(1));
            }
        }
        later = columns.contains("person");
        row =
                statement.executeQuery(
                        "SELECT seq, id, round_id, pack_hash, step_id, kind, figures, who, device, tablet_time,"
                                + " server_time, prev_hash, hash, "
                                + (columns.contains("at") ? "at" : "NULL")
                                + (later ? ", person, role, signed" : "")
                                + " FROM floor_event ORDER BY seq");
    }

    boolean next() throws SQLException {
        return row.next();
    }

    /** The one it stands at; null when it cannot be read. */
    EntryEnvelope.@Nullable Chained entry() throws SQLException {
        try {
            String role = later ? row.getString(16) : null;
            String signed = later ? row.getString(17) : null;
            long at = row.getLong(14);
            Long made = row.wasNull() ? null : at;
            return new EntryEnvelope.Chained(
                    row.getLong(1),
                    new EntryEnvelope(
                            row.getString(2),
                            Objects.requireNonNullElse(row.getString(3), EntryEnvelope.SITE),
                            row.getString(4),
                            row.getString(5),
                            row.getString(6),
                            FIGURES.readValue(row.getString(7)),
                            row.getString(8),
                            row.getString(9),
                            row.getLong(10),
                            row.getLong(11),
                            made,
                            later ? row.getString(15) : null,
                            role == null ? null : Role.valueOf(role),
                            signed == null ? null : signed.equals("1"),
                            row.getString(12)),
                    row.getString(13));
        } catch (JacksonException | IllegalArgumentException e) {
            return null;
        }
    }

    /** What is said of one that cannot be read. */
    String unreadable() throws SQLException {
        return "entry %d was changed after it was written".formatted(row.getLong(1));
    }

    @Override
    public void close() throws SQLException {
        row.close();
        statement.close();
    }
}
