package orthopur.ledger;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** The signed heads in the database. */
public final class Heads {
    private static final Ledger.Place NONE = new Ledger.Place(0, "");

    private Heads() {}

    /**
     * Signs where the log ends now, when it has gone on since the last head.
     *
     * @param note begins an epoch and says why; null goes on with the one there is
     * @return null when there was nothing to sign
     */
    public static @Nullable Head sign(Connection db, SiteKey key, long at, @Nullable String note)
            throws SQLException {
        Head last = last(db);
        Ledger.Place entry = end(db, "floor_event");
        Ledger.Place row = end(db, "ledger");
        if (last != null
                && note == null
                && last.entry() == entry.seq()
                && last.row() == row.seq()) {
            return null;
        }
        int epoch = last == null ? 1 : last.epoch() + (note == null ? 0 : 1);
        Head head =
                Head.signed(
                        key,
                        epoch,
                        at,
                        entry,
                        row,
                        last == null && note == null ? "the log begins" : note,
                        last == null ? "" : last.mac());
        try (PreparedStatement p =
                db.prepareStatement(
                        "INSERT INTO log_head (epoch, key_id, at, entry, entry_hash, ledger_row, row_hash, note, before, mac)"
                                + " VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")) {
            p.setInt(1, head.epoch());
            p.setString(2, head.keyId());
            p.setLong(3, head.at());
            p.setLong(4, head.entry());
            p.setString(5, head.entryHash());
            p.setLong(6, head.row());
            p.setString(7, head.rowHash());
            p.setString(8, head.note());
            p.setString(9, head.before());
            p.setString(10, head.mac());
            p.execute();
        }
        return head;
    }

    /** The newest; null where nothing was signed yet, or the database is of an older program. */
    public static @Nullable Head last(Connection db) throws SQLException {
        if (!Ledger.isThere(db)) {
            return null;
        }
        List<Head> one = read(db, "ORDER BY seq DESC LIMIT 1");
        return one.isEmpty() ? null : one.getFirst();
    }

    /** All of them, oldest first. */
    static List<Head> all(Connection db) throws SQLException {
        return read(db, "ORDER BY seq");
    }

    private static List<Head> read(Connection db, String how) throws SQLException {
        List<Head> all = new ArrayList<>();
        try (Statement s = db.createStatement();
                ResultSet r =
                        s.executeQuery(
                                "SELECT epoch, key_id, at, entry, entry_hash, ledger_row, row_hash, note, before, mac"
                                        + " FROM log_head "
                                        + how)) {
            while (r.next()) {
                all.add(
                        new Head(
                                r.getInt(1),
                                r.getString(2),
                                r.getLong(3),
                                r.getLong(4),
                                r.getString(5),
                                r.getLong(6),
                                r.getString(7),
                                r.getString(8),
                                r.getString(9),
                                r.getString(10)));
            }
        }
        return all;
    }

    private static Ledger.Place end(Connection db, String table) throws SQLException {
        try (Statement s = db.createStatement();
                ResultSet r =
                        s.executeQuery(
                                "SELECT seq, hash FROM " + table + " ORDER BY seq DESC LIMIT 1")) {
            return r.next() ? new Ledger.Place(r.getLong(1), r.getString(2)) : NONE;
        }
    }
}
