package orthopur.formats;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.round.Actor;
import orthopur.round.Entry;
import orthopur.round.EntryValue;
import orthopur.round.Role;
import orthopur.round.Written;

/**
 * An entry as it is stored and chained. Its shape is dear to change; see the decision about it.
 *
 * @param round its id; {@link #SITE} for what belongs to none
 * @param id made by the tablet; sending it twice enters it once
 * @param tabletTime,serverTime epoch milliseconds
 * @param at when it was made, by the server's clock; null in entries from before tablets worked
 *     without signal, which were made when they came in
 * @param who account that made it, as {@link #account}; a name in entries from before that was
 *     kept, which cannot be taken out of the log any more
 * @param person,role,signed what the fold decides by beside the name; null in entries from before
 *     they were kept. {@code person} is the one whom several accounts may stand for.
 * @param prevHash hash of the entry before it on this site
 */
public record EntryEnvelope(
        String id,
        String round,
        String packHash,
        String step,
        String kind,
        List<EntryValue> figures,
        String who,
        String device,
        long tabletTime,
        long serverTime,
        @Nullable Long at,
        @Nullable String person,
        @Nullable Role role,
        @Nullable Boolean signed,
        String prevHash) {

    /** SHA-256 over everything above, the previous hash included. */
    public String hash() {
        return Json.hash(this);
    }

    /** When it was made, in epoch milliseconds of the server's clock. */
    public long made() {
        return at == null ? serverTime : at;
    }

    /**
     * The entry that it carries.
     *
     * @throws Written.NotAnEntry when the kind is unknown or one of its figures is missing
     */
    public Entry entry() {
        return written().entry();
    }

    /** What it says, whatever stream it is of. */
    public Written written() {
        return new Written(kind, step, figures.stream().map(EntryEnvelope::printable).toList());
    }

    /** What no screen and no paper can show is a mark in its place; the log keeps it as it came. */
    private static EntryValue printable(EntryValue f) {
        String text = f.text();
        return text == null
                ? f
                : new EntryValue(
                        f.name(),
                        f.value(),
                        f.unit(),
                        text.replaceAll("[\\p{Cntrl}&&[^\n\t]]", "\uFFFD"));
    }

    /** How the log names an account. Names may change, or be erased when somebody asks for it. */
    public static String account(long id) {
        return ACCOUNT + id;
    }

    /**
     * The same entry with its maker's name in place of the account; it has another hash.
     *
     * @param names by account id, as they are now
     */
    public EntryEnvelope named(Map<Long, String> names) {
        if (!who.startsWith(ACCOUNT)) {
            return this;
        }
        long id = Long.parseLong(who.substring(ACCOUNT.length()));
        return new EntryEnvelope(
                this.id,
                round,
                packHash,
                step,
                kind,
                figures,
                names.getOrDefault(id, "account " + id),
                device,
                tabletTime,
                serverTime,
                at,
                person,
                role,
                signed,
                prevHash);
    }

    /** Who made it. */
    public Actor actor() {
        return new Actor(who, person == null ? who : person, role, Boolean.TRUE.equals(signed));
    }

    /** In place of a round, for entries that belong to none. */
    public static final String SITE = "site";

    private static final String ACCOUNT = "account:";

    /** What the first entry of a site is chained to. */
    public static final String GENESIS = "0".repeat(64);

    /**
     * An entry with the hash that was stored beside it.
     *
     * @param seq its place in the log
     */
    public record Chained(long seq, EntryEnvelope envelope, String hash) {
        /** Why it is not what was written after the entry before it; null when it is. */
        public @Nullable String broken(String before) {
            if (!envelope.prevHash().equals(before)) {
                return "entry %d does not follow the one before it".formatted(seq);
            }
            return envelope.hash().equals(hash)
                    ? null
                    : "entry %d was changed after it was written".formatted(seq);
        }
    }
}
