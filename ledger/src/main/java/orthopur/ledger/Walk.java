package orthopur.ledger;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import orthopur.formats.EntryEnvelope;

/**
 * Walks all of a site's log from its beginning: the entries of the floor, the ledger, what is
 * stored against the ledger, the signed heads, and heads that were written elsewhere. Reads only.
 */
public final class Walk {
    private static final int STRETCH = 4_000;

    private final Connection db;
    private final List<SiteKey> keys;
    private final List<String> wrong = new ArrayList<>();

    /** Hashes that heads ask for, by place; filled before the chains are walked. */
    private final Map<Long, String> entriesAt = new HashMap<>();

    private final Map<Long, String> rowsAt = new HashMap<>();
    private long entries;
    private long rows;
    private int signed;

    private Walk(Connection db, List<SiteKey> keys) {
        this.db = db;
        this.keys = keys;
    }

    /**
     * What was found.
     *
     * @param wrong sentences; empty when everything is as it was written
     * @param entries of the floor
     * @param rows of the ledger; 0 in a database of an older program
     * @param signed heads whose signature was proven
     * @param heads all of them
     * @param last the newest; null where there is none
     */
    public record Found(
            List<String> wrong,
            long entries,
            long rows,
            int signed,
            int heads,
            @Nullable Head last) {
        /** Whether everything is as it was written. */
        public boolean whole() {
            return wrong.isEmpty();
        }
    }

    /**
     * @param keys those at hand; a head of another key is not proven
     * @param outside lines written elsewhere, as {@link Head#line}; others among them are passed
     *     over
     */
    public static Found all(Connection db, List<SiteKey> keys, List<String> outside)
            throws SQLException {
        return new Walk(db, keys).walk(outside);
    }

    private Found walk(List<String> outside) throws SQLException {
        boolean ledger = Ledger.isThere(db);
        List<Head> heads = ledger ? Heads.all(db) : List.of();
        List<Head> elsewhere = outside.stream().map(Head::read).filter(Objects::nonNull).toList();
        for (List<Head> some : List.of(heads, elsewhere)) {
            for (Head h : some) {
                entriesAt.put(h.entry(), "");
                rowsAt.put(h.row(), "");
            }
        }
        String entry = entries();
        if (entry != null) {
            wrong.add(entry);
        }
        if (ledger) {
            String row =
                    Ledger.walk(
                            db,
                            p -> {
                                rows++;
                                rowsAt.computeIfPresent(p.seq(), (k, v) -> p.hash());
                            });
            if (row != null) {
                wrong.add(row);
            }
            Ledger.compare(db, Ledger.newest(db), Arrays.asList(Sealed.values()))
                    .forEach(c -> wrong.add(c.inWords()));
            photos();
            heads(heads);
        }
        elsewhere(elsewhere, heads);
        return new Found(
                List.copyOf(wrong),
                entries,
                rows,
                signed,
                heads.size(),
                heads.isEmpty() ? null : heads.getLast());
    }

    /**
     * The chain of the floor; null when it is whole. What each entry has to follow stands in the
     * row before it, so many are looked at beside each other, while the next ones are read.
     */
    private @Nullable String entries() throws SQLException {
        String before = EntryEnvelope.GENESIS;
        try (StoredEntries stored = new StoredEntries(db)) {
            List<StoredEntries.Row> rows = stored.next(STRETCH);
            while (!rows.isEmpty()) {
                CompletableFuture<@Nullable String> broken = looked(rows, before);
                List<StoredEntries.Row> following = stored.next(STRETCH);
                String why = broken.join();
                if (why != null) {
                    return why;
                }
                for (StoredEntries.Row r : rows) {
                    entries++;
                    entriesAt.computeIfPresent(r.seq(), (k, v) -> r.hash());
                }
                before = rows.getLast().hash();
                rows = following;
            }
        } catch (StoredEntries.NotText e) {
            return e.getMessage();
        }
        return null;
    }

    private static CompletableFuture<@Nullable String> looked(
            List<StoredEntries.Row> rows, String before) {
        return CompletableFuture.supplyAsync(
                () ->
                        IntStream.range(0, rows.size())
                                .parallel()
                                .mapToObj(
                                        i ->
                                                rows.get(i)
                                                        .broken(
                                                                i == 0
                                                                        ? before
                                                                        : rows.get(i - 1).hash()))
                                .filter(Objects::nonNull)
                                .findFirst()
                                .orElse(null));
    }

    private void photos() throws SQLException {
        try (Statement s = db.createStatement();
                ResultSet r = s.executeQuery("SELECT sha256, bytes FROM photo")) {
            while (r.next()) {
                if (!Fingerprint.ofBytes(r.getBytes(2)).equals(r.getString(1))) {
                    wrong.add("the photo " + r.getString(1) + " was changed");
                }
            }
        }
    }

    private void heads(List<Head> heads) {
        String before = "";
        int epoch = 0;
        for (Head h : heads) {
            if (!h.before().equals(before)
                    || h.epoch() < epoch
                    || h.epoch() > epoch && h.note() == null) {
                wrong.add("the head of " + when(h) + " does not follow the one before it");
            }
            before = h.mac();
            epoch = h.epoch();
            SiteKey key =
                    keys.stream().filter(k -> k.id().equals(h.keyId())).findFirst().orElse(null);
            if (key != null) {
                signed++;
                if (!h.signedBy(key)) {
                    wrong.add("the head of " + when(h) + " was not signed with the site's key");
                }
            }
            ends(h, "the head of " + when(h));
        }
    }

    private void elsewhere(List<Head> elsewhere, List<Head> here) {
        Set<String> known = new HashSet<>();
        here.forEach(h -> known.add(h.mac()));
        for (Head h : elsewhere) {
            String called = "the head of " + when(h) + " that was written elsewhere";
            if (ends(h, called) && !here.isEmpty() && !known.contains(h.mac())) {
                wrong.add(called + " is not among the heads of this log");
            }
        }
    }

    private boolean ends(Head h, String called) {
        return ends(called, "entry", h.entry(), h.entryHash(), entriesAt, entries)
                & ends(called, "row of the ledger", h.row(), h.rowHash(), rowsAt, rows);
    }

    private boolean ends(
            String called, String what, long seq, String hash, Map<Long, String> at, long all) {
        String here = at.getOrDefault(seq, "");
        if (seq == 0 || here.equals(hash)) {
            return true;
        }
        wrong.add(
                here.isEmpty()
                        ? "%s names %s %d, which is not here: the log was cut off, is an older copy, or breaks before it (%d are here)"
                                .formatted(called, what, seq, all)
                        : "%s names another %s %d: the log was written anew"
                                .formatted(called, what, seq));
        return false;
    }

    private static String when(Head h) {
        return Instant.ofEpochMilli(h.at()).toString();
    }
}
