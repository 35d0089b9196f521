package orthopur.ledger;

import java.time.Instant;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Where both chains end at a moment, signed.
 *
 * @param epoch counts the keys that a site has had, and the times it was put back from a backup
 * @param keyId which key signed
 * @param at epoch milliseconds
 * @param entry,entryHash last entry of the floor; 0 and empty before there is one
 * @param row,rowHash last row of the ledger
 * @param note why an epoch began; null otherwise
 * @param before signature of the head before
 * @param mac its own
 */
public record Head(
        int epoch,
        String keyId,
        long at,
        long entry,
        String entryHash,
        long row,
        String rowHash,
        @Nullable String note,
        String before,
        String mac) {
    private static final Pattern LINE =
            Pattern.compile(
                    "orthopur-head epoch=(\\d+) key=(\\w+) at=(\\S+) entry=(\\d+):(\\w*) row=(\\d+):(\\w*)"
                            + " before=(\\w*) mac=(\\w+)(?: note=(.*))?");

    /** Signs. */
    static Head signed(
            SiteKey key,
            int epoch,
            long at,
            Ledger.Place entry,
            Ledger.Place row,
            @Nullable String note,
            String before) {
        Head h =
                new Head(
                        epoch,
                        key.id(),
                        at,
                        entry.seq(),
                        entry.hash(),
                        row.seq(),
                        row.hash(),
                        note,
                        before,
                        "");
        return h.with(key.mac(h.signedText()));
    }

    private Head with(String signature) {
        return new Head(epoch, keyId, at, entry, entryHash, row, rowHash, note, before, signature);
    }

    /** Whether this key signed it, as it stands. */
    boolean signedBy(SiteKey key) {
        return key.mac(signedText()).equals(mac);
    }

    private String signedText() {
        return String.join(
                "\n",
                Integer.toString(epoch),
                keyId,
                Long.toString(at),
                entry + ":" + entryHash,
                row + ":" + rowHash,
                note == null ? "" : note,
                before);
    }

    /** One line, for a file or a sheet of paper. */
    public String line() {
        return "orthopur-head epoch=%d key=%s at=%s entry=%d:%s row=%d:%s before=%s mac=%s%s"
                .formatted(
                        epoch,
                        keyId,
                        Instant.ofEpochMilli(at),
                        entry,
                        entryHash,
                        row,
                        rowHash,
                        before,
                        mac,
                        note == null ? "" : " note=" + note);
    }

    /** What stood in a line; null for a line that is none. */
    static @Nullable Head read(String line) {
        Matcher m = LINE.matcher(line.strip());
        if (!m.matches()) {
            return null;
        }
        return new Head(
                Integer.parseInt(m.group(1)),
                m.group(2),
                Instant.parse(m.group(3)).toEpochMilli(),
                Long.parseLong(m.group(4)),
                m.group(5),
                Long.parseLong(m.group(6)),
                m.group(7),
                m.group(10),
                m.group(8),
                m.group(9));
    }
}
