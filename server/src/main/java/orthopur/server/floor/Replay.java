package orthopur.server.floor;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.db.tables.records.RoundRecord;
import orthopur.formats.EntryEnvelope;
import orthopur.round.Entry;
import orthopur.round.Progress;
import orthopur.roundpack.RoundPack;
import orthopur.server.platform.Said;
import orthopur.text.Objection;
import orthopur.text.Text;

/**
 * A round folded from its entries in the order of the log; the same each time it is read. An entry
 * that does not fit – two people did one step, or it came after the round was closed – stays in the
 * log, does not count, and is a difference to be looked at.
 */
public final class Replay {
    private final RoundRecord round;
    private final RoundPack pack;
    private final Progress progress;
    private final List<Misfit> differences = new ArrayList<>();
    private final Set<String> workers = new LinkedHashSet<>();
    private int entries;

    public Replay(RoundRecord round, RoundPack pack) {
        this.round = round;
        this.pack = pack;
        this.progress = new Progress(pack);
    }

    /**
     * An entry that was kept and does not count, and why.
     *
     * @param at epoch milliseconds
     */
    public record Misfit(String entry, String step, String kind, String who, long at, Text why) {}

    /**
     * Counts an entry.
     *
     * @return null, or why it does not count
     */
    public @Nullable Text fold(EntryEnvelope e) {
        try {
            fits(e);
            return null;
        } catch (Objection | Said x) {
            entries++;
            if (!(e.entry() instanceof Entry.Afterwards)) {
                workers.add(e.who());
                progress.worked(e.actor());
            }
            differences.add(new Misfit(e.id(), e.step(), e.kind(), e.who(), e.made(), x.said()));
            return x.said();
        }
    }

    /** Counts an entry or throws; then nothing has changed. */
    void fits(EntryEnvelope e) {
        if (!round.getPackHash().equals(e.packHash())) {
            throw Said.conflict(
                    Text.of(
                            "replay.the-tablet-works-from-another",
                            "The tablet works from another version of this round. Reload it."));
        }
        Entry entry = e.entry();
        progress.accept(entry, e.made(), e.actor());
        if (!(entry instanceof Entry.Afterwards)) {
            workers.add(e.who());
        }
        entries++;
    }

    /** How many entries of the log this knows, with those that do not count. It only grows. */
    public int entries() {
        return entries;
    }

    public RoundRecord round() {
        return round;
    }

    public RoundPack pack() {
        return pack;
    }

    public Progress progress() {
        return progress;
    }

    /** Names of those who did work in it; looking and releasing is not work. */
    public List<String> workers() {
        return List.copyOf(workers);
    }

    public List<Misfit> differences() {
        return Collections.unmodifiableList(differences);
    }
}
