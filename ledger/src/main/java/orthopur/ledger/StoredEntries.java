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
    private static final ObjectReader TEXTS = new ObjectMapper().readerFor(String[].class);

    private final Statement statement;
    private final ResultSet row;
    private long last;

    StoredEntries(Connection db) throws SQLException {
        statement = db.createStatement();
        Set<String> columns = new HashSet<>();
        try (ResultSet r =
                statement.executeQuery("SELECT name FROM pragma_table_info('floor_event')")) {
            while (r.next()) {
                columns.add(r.getString(1));
            }
        }
        // Crossing into the database once a row rather than once a column: half of a walk's time.
        row =
                statement.executeQuery(
                        "SELECT seq, tablet_time, server_time, hash, "
                                + (columns.contains("at") ? "at" : "NULL")
                                + ", json_array(id, round_id, pack_hash, step_id, kind, figures, who, device, "
                                + (columns.contains("person")
                                        ? "person, role, signed"
                                        : "NULL, NULL, NULL")
                                + ", prev_hash) FROM floor_event ORDER BY seq");
    }

    /** A row as it was read; what it says is found out later, by whichever thread has time. */
    record Row(
            long seq,
            String columns,
            long tabletTime,
            long serverTime,
            @Nullable Long at,
            String hash) {
        /** The entry; null when it cannot be read. */
        EntryEnvelope.@Nullable Chained entry() {
            try {
                @Nullable String[] text = TEXTS.readValue(columns);
                String role = text[9];
                String signed = text[10];
                return new EntryEnvelope.Chained(
                        seq,
                        new EntryEnvelope(
                                String.valueOf(text[0]),
                                Objects.requireNonNullElse(text[1], EntryEnvelope.SITE),
                                String.valueOf(text[2]),
                                String.valueOf(text[3]),
                                String.valueOf(text[4]),
                                figures(String.valueOf(text[5])),
                                String.valueOf(text[6]),
                                String.valueOf(text[7]),
                                tabletTime,
                                serverTime,
                                at,
                                text[8],
                                role == null ? null : Role.valueOf(role),
                                signed == null ? null : signed.equals("1"),
                                String.valueOf(text[11])),
                        hash);
            } catch (JacksonException | IllegalArgumentException e) {
                return null;
            }
        }

        private static List<EntryValue> figures(String json) {
            return json.equals("[]") ? List.of() : FIGURES.readValue(json);
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
        while (rows.size() < most && there()) {
            long told = row.getLong(5);
            Long at = row.wasNull() ? null : Long.valueOf(told);
            last = row.getLong(1);
            rows.add(
                    new Row(
                            last,
                            String.valueOf(row.getString(6)),
                            row.getLong(2),
                            row.getLong(3),
                            at,
                            String.valueOf(row.getString(4))));
        }
        return rows;
    }

    /** Bytes where text was written cannot be made into text, and stop a walk where they stand. */
    private boolean there() throws SQLException {
        try {
            return row.next();
        } catch (SQLException e) {
            if (!String.valueOf(e.getMessage()).contains("BLOB")) {
                throw e;
            }
            throw new NotText(last + 1, e);
        }
    }

    /** An entry that holds something else than what was written. */
    static final class NotText extends SQLException {
        private static final long serialVersionUID = 1L;

        private NotText(long seq, SQLException cause) {
            super("entry %d was changed after it was written".formatted(seq), cause);
        }
    }

    @Override
    public void close() throws SQLException {
        row.close();
        statement.close();
    }
}
