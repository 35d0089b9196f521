package orthopur.ledger;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
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

    /** A row as it was read; what it says is found out later, by whichever thread has time. */
    record Row(
            long seq,
            @Nullable String[] text,
            long tabletTime,
            long serverTime,
            @Nullable Long at,
            String hash) {
        /** The entry; null when it cannot be read. */
        EntryEnvelope.@Nullable Chained entry() {
            try {
                String role = text[9];
                String signed = text[10];
                return new EntryEnvelope.Chained(
                        seq,
                        new EntryEnvelope(
                                there(0),
                                Objects.requireNonNullElse(text[1], EntryEnvelope.SITE),
                                there(2),
                                there(3),
                                there(4),
                                FIGURES.readValue(there(5)),
                                there(6),
                                there(7),
                                tabletTime,
                                serverTime,
                                at,
                                text[8],
                                role == null ? null : Role.valueOf(role),
                                signed == null ? null : signed.equals("1"),
                                there(11)),
                        hash);
            } catch (JacksonException | IllegalArgumentException e) {
                return null;
            }
        }

        private String there(int column) {
            return String.valueOf(text[column]);
        }

        /** Why it is not what was written after the one with this hash; null when it is. */
        @Nullable String broken(String before) {
            EntryEnvelope.Chained e = entry();
            return e == null
                    ? "entry %d was changed after it was written".formatted(seq)
                    : e.broken(before);
        }
    }

    /** The next rows, so many at most; none at the end. */
    List<Row> next(int most) throws SQLException {
        List<Row> rows = new ArrayList<>(most);
        while (rows.size() < most && row.next()) {
            @Nullable String[] text = new @Nullable String[12];
            for (int i = 0; i < 8; i++) {
                text[i] = row.getString(i + 2);
            }
            if (later) {
                text[8] = row.getString(15);
                text[9] = row.getString(16);
                text[10] = row.getString(17);
            }
            text[11] = row.getString(12);
            long told = row.getLong(14);
            Long at = row.wasNull() ? null : Long.valueOf(told);
            rows.add(
                    new Row(
                            row.getLong(1),
                            text,
                            row.getLong(10),
                            row.getLong(11),
                            at,
                            String.valueOf(row.getString(13))));
        }
        return rows;
    }

    @Override
    public void close() throws SQLException {
        row.close();
        statement.close();
    }
}
