package orthopur.server.logbook;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import orthopur.formats.EntryEnvelope;
import orthopur.formats.TextDocument;
import orthopur.ledger.Head;
import orthopur.server.backup.Backups;
import orthopur.server.custody.Custody;
import orthopur.server.floor.RoundLog;
import orthopur.text.Text;

/**
 * Walks the chain of the log a stretch at a time, outside of any transaction, so that no entry
 * waits for a reader: what was walked is walked again at night, and whenever somebody asks for it.
 */
@Service
class ChainWalk {
    private static final int STRETCH = 2_000;

    /** How long somebody who looks waits for what is not walked yet, in nanoseconds. */
    private static final long PATIENCE = 300_000_000;

    private final RoundLog log;
    private final Custody custody;
    private final Backups backups;
    private long seq;
    private String hash = EntryEnvelope.GENESIS;
    private long walked;
    private @Nullable Long broken;

    ChainWalk(RoundLog log, Custody custody, Backups backups) {
        this.backups = backups;
        this.log = log;
        this.custody = custody;
    }

    /**
     * How far the chain is known to be whole.
     *
     * @param whole whether nothing that was walked is broken
     * @param entries how many were walked
     * @param all how many there are
     * @param firstBroken place of the first that is not as it was written
     * @param changed what was found changed by something other than this program, at the start
     * @param signedTo last entry under a signed head
     * @param signedAt when it was signed, epoch milliseconds
     * @param backup what has to be known of backups; null while there is nothing to say
     */
    record Integrity(
            boolean whole,
            long entries,
            long all,
            @Nullable Long firstBroken,
            List<TextDocument> changed,
            @Nullable Long signedTo,
            @Nullable Long signedAt,
            @Nullable TextDocument backup) {}

    /** Goes on walking for a moment and says how far it is. */
    synchronized Integrity soFar() {
        long until = System.nanoTime() + PATIENCE;
        boolean more = true;
        while (more && System.nanoTime() < until) {
            more = stretch();
        }
        return said();
    }

    /** Walks all of it from the beginning; that takes long where there is much. */
    synchronized Integrity anew() {
        begin();
        boolean more = true;
        while (more) {
            more = stretch();
        }
        return said();
    }

    /** What was there before the start is walked beside the work. */
    @Scheduled(fixedDelay = 2_000, initialDelay = 10_000)
    void goOn() {
        soFar();
    }

    @Scheduled(cron = "0 30 3 * * *")
    synchronized void begin() {
        seq = 0;
        hash = EntryEnvelope.GENESIS;
        walked = 0;
        broken = null;
    }

    /** The next entries; false once there are no more, or one is broken. */
    private boolean stretch() {
        if (broken != null) {
            return false;
        }
        List<EntryEnvelope.Chained> next = log.chainAfter(seq, STRETCH);
        for (EntryEnvelope.Chained e : next) {
            walked++;
            if (e.broken(hash) != null) {
                broken = e.seq();
                return false;
            }
            seq = e.seq();
            hash = e.hash();
        }
        return next.size() == STRETCH;
    }

    private Integrity said() {
        Head head = custody.last();
        Text warning = backups.warning();
        return new Integrity(
                broken == null,
                walked,
                Math.max(walked, log.count()),
                broken,
                custody.changed().stream().map(TextDocument::of).toList(),
                head == null ? null : head.entry(),
                head == null ? null : head.at(),
                warning == null ? null : TextDocument.of(warning));
    }
}
