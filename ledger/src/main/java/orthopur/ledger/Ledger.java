package orthopur.ledger;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** The rows of the ledger, and what they say of what is stored now. */
public final class Ledger {
    /** In place of a hash, for what was deleted by the program. */
    static final String GONE = "gone";

    private static final int INTERVAL = 4_096;

    private Ledger() {}

    /** Whether the database has a ledger; those of older programs have none. */
    static boolean isThere(Connection db) throws SQLException {
        try (Statement s = db.createStatement();
                ResultSet r =
                        s.executeQuery(
                                "SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'ledger'")) {
            return r.next();
        }
    }

    /**
     * Enters everything that is there already, once, when the ledger begins.
     *
     * @return how many rows
     */
    public static int begin(Connection db, long at) throws SQLException {
        try (Statement s = db.createStatement();
                ResultSet r = s.executeQuery("SELECT 1 FROM ledger LIMIT 1")) {
            if (r.next()) {
                return 0;
            }
        }
        int entered = 0;
        for (Sealed kind : Sealed.values()) {
            Map<String, String> stored = stored(db, kind);
            for (Map.Entry<String, String> e : stored.entrySet()) {
                enter(db, kind.table(), e.getKey(), e.getValue(), at, "was there before");
                entered++;
            }
        }
        return entered;
    }

    /**
     * Takes a row as it stands now for right: somebody has looked.
     *
     * @throws SQLException when it cannot be written
     */
    public static void accept(Connection db, Sealed kind, String ref, String reason, long at)
            throws SQLException {
        String now = stored(db, kind).getOrDefault(ref, GONE);
        enter(db, kind.table(), ref, now, at, "accepted: " + reason);
    }

    private static void enter(
            Connection db, String kind, String ref, String sha256, long at, String note)
            throws SQLException {
        String prev = "";
        try (Statement s = db.createStatement();
                ResultSet r = s.executeQuery("SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1")) {
            if (r.next()) {
                prev = r.getString(1);
            }
        }
        try (PreparedStatement p =
                db.prepareStatement(
                        "INSERT INTO ledger (kind, ref, sha256, at, note, prev_hash, hash)"
                                + " VALUES (?, ?, ?, ?, ?, ?, ?)")) {
            p.setString(1, kind);
            p.setString(2, ref);
            p.setString(3, sha256);
            p.setLong(4, at);
            p.setString(5, note);
            p.setString(6, prev);
            p.setString(7, Fingerprint.of(kind, ref, sha256, at, note, prev));
            p.execute();
        }
    }

    /** One row that is not as the ledger says. */
    public record Changed(Sealed kind, String ref, String how) {
        /** For whoever runs the server. */
        public String inWords() {
            return "%s %s %s".formatted(kind.table(), ref, how);
        }
    }

    /** What the program goes by now and is not as it was written by it. */
    public static List<Changed> changedInForce(Connection db) throws SQLException {
        return compare(
                db, newest(db), Arrays.stream(Sealed.values()).filter(Sealed::inForce).toList());
    }

    /** All that is stored and is not as it was written. */
    public static List<Changed> changed(Connection db) throws SQLException {
        return compare(db, newest(db), Arrays.asList(Sealed.values()));
    }

    /** The newest hash of everything, by kind and name. */
    static Map<String, String> newest(Connection db) throws SQLException {
        Map<String, String> newest = new HashMap<>();
        try (Statement s = db.createStatement();
                ResultSet r = s.executeQuery("SELECT kind, ref, sha256 FROM ledger ORDER BY seq")) {
            while (r.next()) {
                newest.put(r.getString(1) + " " + r.getString(2), r.getString(3));
            }
        }
        return newest;
    }

    static List<Changed> compare(Connection db, Map<String, String> newest, List<Sealed> kinds)
            throws SQLException {
        List<Changed> changed = new ArrayList<>();
        for (Sealed kind : kinds) {
            Map<String, String> stored = stored(db, kind);
            Set<String> known = new HashSet<>();
            stored.forEach(
                    (ref, sha256) -> {
                        known.add(ref);
                        String written = newest.get(kind.table() + " " + ref);
                        if (written == null || written.equals(GONE)) {
                            changed.add(new Changed(kind, ref, "was put there by something else"));
                        } else if (!written.equals(sha256)) {
                            changed.add(new Changed(kind, ref, "was changed by something else"));
                        }
                    });
            String prefix = kind.table() + " ";
            newest.forEach(
                    (name, sha256) -> {
                        if (name.startsWith(prefix)
                                && !sha256.equals(GONE)
                                && !known.contains(name.substring(prefix.length()))) {
                            changed.add(
                                    new Changed(
                                            kind, name.substring(prefix.length()), "is missing"));
                        }
                    });
        }
        return changed;
    }

    /** Hash of every row as it stands, by what it is called. */
    private static Map<String, String> stored(Connection db, Sealed kind) throws SQLException {
        Map<String, String> stored = new HashMap<>();
        int columns = kind.columns().size();
        try (Statement s = db.createStatement();
                ResultSet r = s.executeQuery(kind.rows())) {
            while (r.next()) {
                @Nullable Object[] values = new @Nullable Object[columns];
                for (int i = 0; i < columns; i++) {
                    values[i] = r.getObject(i + 2);
                }
                stored.put(r.getString(1), Fingerprint.of(values));
            }
        }
        return stored;
    }

    /** A place in the ledger. */
    record Place(long seq, String hash) {}

    /**
     * Walks the chain of the ledger.
     *
     * @param seen told each place, in order
     * @return why it is broken; null when it is whole
     */
    static @Nullable String walk(Connection db, java.util.function.Consumer<Place> seen)
            throws SQLException {
        String before = "";
        try (Statement s = db.createStatement()) {
            s.setFetchSize(INTERVAL);
            try (ResultSet r =
                    s.executeQuery(
                            "SELECT seq, kind, ref, sha256, at, note, prev_hash, hash FROM ledger ORDER BY seq")) {
                while (r.next()) {
                    String hash =
                            Fingerprint.of(
                                    r.getString(2),
                                    r.getString(3),
                                    r.getString(4),
                                    r.getLong(5),
                                    r.getString(6),
                                    before);
                    if (!before.equals(r.getString(7)) || !hash.equals(r.getString(8))) {
                        return "row %d of the ledger (%s %s) is not as it was written"
                                .formatted(r.getLong(1), r.getString(2), r.getString(3));
                    }
                    before = hash;
                    seen.accept(new Place(r.getLong(1), hash));
                }
            }
        }
        return null;
    }
}
