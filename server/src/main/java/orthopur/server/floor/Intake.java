package orthopur.server.floor;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import orthopur.formats.EntryEnvelope;
import orthopur.round.EntryValue;
import orthopur.round.Written;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.platform.Said;
import orthopur.text.Objection;
import orthopur.text.Text;

/**
 * The door of the log, for rounds and for the site beside them: what is sent is read, is no entry
 * that came before, and gets its envelope. What it may do is decided by the fold behind it. Whoever
 * writes to the log holds this as their lock, so that the chain has one order.
 */
@Component
public class Intake {
    static final int MOST_AT_ONCE = 2000;

    /** In place of a device, for what was written on paper first. */
    public static final String PAPER = "paper";

    private final RoundLog log;
    private final Accounts accounts;
    private final Clock clock;

    Intake(RoundLog log, Accounts accounts, Clock clock) {
        this.log = log;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** An entry as a tablet sends it. */
    public record Sent(
            String id,
            String packHash,
            String step,
            String kind,
            @Nullable List<EntryValue> figures,
            @Nullable String device,
            @Nullable Long tabletTime) {
        /** An entry that is made at the desk, now. */
        static Sent atTheDesk(String packHash, Written entry, long now) {
            return new Sent(
                    UUID.randomUUID().toString(),
                    packHash,
                    entry.step(),
                    entry.kind(),
                    entry.figures(),
                    "desk",
                    now);
        }

        Written written() {
            return new Written(String.valueOf(kind), String.valueOf(step), given());
        }

        private List<EntryValue> given() {
            return figures == null ? List.of() : figures;
        }
    }

    /** What became of an entry that was sent. */
    record Taken(String id, Fate fate, @Nullable Text why) {
        enum Fate {
            /** It counts. */
            TAKEN,
            /** It had come before. */
            KNOWN,
            /** It is in the log and does not count. */
            KEPT,
            /** It is no entry of this stream at all. */
            REFUSED
        }
    }

    /** What entries are folded into: a round, or the site. */
    interface Stream {
        /** Under which its entries stand in the log. */
        String id();

        /** Epoch milliseconds before which nothing of it was made. */
        long since();

        /**
         * @param late whether it was written down without signal
         * @throws RuntimeException when it is no entry of this stream, or this person may not make
         *     it, or not so
         */
        void admit(Written entry, Person person, boolean late);

        /** Counts an entry or throws; then nothing has changed. */
        void fits(EntryEnvelope e);

        /** Counts an entry; null, or why it does not count. */
        @Nullable Text fold(EntryEnvelope e);
    }

    /** What is to be written, with what became of each that was sent. */
    record Fresh(List<Taken> fates, List<EntryEnvelope> entries) {}

    /**
     * Reads an entry and says whether it is in the log already.
     *
     * @throws Said or {@link Written.NotAnEntry} when it is none, or another entry has its id
     */
    boolean known(Stream stream, Sent s) {
        whole(s);
        EntryEnvelope there = log.entry(s.id()).map(EntryEnvelope.Chained::envelope).orElse(null);
        if (there == null) {
            return false;
        }
        if (!there.round().equals(stream.id())) {
            throw Said.conflict(
                    Text.of(
                            "intake.an-entry-of-this-id",
                            "An entry of this id belongs to another round."));
        }
        if (!there.kind().equals(s.kind())
                || !there.step().equals(s.step())
                || !there.figures().equals(s.given())) {
            throw otherContent();
        }
        return true;
    }

    /**
     * Counts an entry that was made now, and adds it to what is to be written.
     *
     * @throws RuntimeException when it does not fit
     */
    void count(
            Stream stream, Sent sent, boolean signed, Person person, List<EntryEnvelope> written) {
        String last = written.isEmpty() ? log.lastHash() : written.getLast().hash();
        EntryEnvelope e = envelope(stream, sent, signed, person, clock.millis(), last);
        stream.fits(e.named(Map.of(person.id(), person.name())));
        written.add(e);
    }

    /**
     * Takes in what was written down without signal, in its order. What is no entry, or may not be
     * made, is answered for and leaves no trace; the rest is kept.
     *
     * @param sentAt what the tablet's clock says now, so that a wrong one does no harm
     */
    Fresh takeIn(Stream stream, List<Sent> sent, long sentAt, Person person) {
        if (sent.size() > MOST_AT_ONCE) {
            throw Said.conflict(
                    Text.of(
                            "intake.entries-came-at-once-allowed",
                            "{0} entries came at once; allowed are {1}.",
                            sent.size(),
                            MOST_AT_ONCE));
        }
        long ahead = clock.millis() - sentAt;
        List<Taken> fates = new ArrayList<>();
        List<EntryEnvelope> fresh = new ArrayList<>();
        Map<String, Sent> here = new HashMap<>();
        Map<Long, String> name = Map.of(person.id(), person.name());
        String last = log.lastHash();
        long before = stream.since();
        for (Sent s : sent) {
            try {
                whole(s);
                Sent twice = here.get(s.id());
                if (twice == null ? known(stream, s) : same(twice, s)) {
                    fates.add(new Taken(s.id(), Taken.Fate.KNOWN, null));
                    continue;
                }
                stream.admit(s.written(), person, true);
                // The server's clock may have been put back since the stream began.
                long now = Math.max(clock.millis(), before);
                long at = Math.clamp(told(s) + ahead, before, now);
                EntryEnvelope e = envelope(stream, s, false, person, at, last);
                Text why = stream.fold(e.named(name));
                fresh.add(e);
                here.put(s.id(), s);
                last = e.hash();
                before = at;
                fates.add(new Taken(s.id(), why == null ? Taken.Fate.TAKEN : Taken.Fate.KEPT, why));
            } catch (Objection | Said x) {
                fates.add(new Taken(s.id(), Taken.Fate.REFUSED, x.said()));
            }
        }
        return new Fresh(fates, fresh);
    }

    /** Nothing about what is sent is taken for granted. */
    private static void whole(Sent s) {
        if (s.id() == null || s.id().isBlank() || s.id().length() > 64) {
            throw Said.conflict(
                    Text.of(
                            "intake.an-entry-has-an-id",
                            "An entry has an id of 1 to 64 characters."));
        }
        told(s);
        if (s.given().stream().anyMatch(Objects::isNull)) {
            throw Said.conflict(
                    Text.of("intake.a-figure-of-this-entry", "A figure of this entry is empty."));
        }
        printable(s);
    }

    private static long told(Sent s) {
        if (s.tabletTime() == null) {
            throw Said.conflict(
                    Text.of(
                            "intake.an-entry-says-when-it",
                            "An entry says when it was made, by the tablet's clock."));
        }
        return s.tabletTime();
    }

    /** Text that a screen or a print cannot show is refused before it is in the log for good. */
    private static void printable(Sent sent) {
        List<String> texts = new ArrayList<>(List.of(String.valueOf(sent.device())));
        sent.given().forEach(f -> texts.add(f.name() + f.text() + f.unit()));
        for (String text : texts) {
            if (text.chars().anyMatch(c -> Character.isISOControl(c) && c != '\n' && c != '\t')) {
                throw Said.conflict(
                        Text.of(
                                "intake.a-text-of-this-entry",
                                "A text of this entry holds a control character."));
            }
        }
    }

    private static boolean same(Sent one, Sent other) {
        if (!Objects.equals(one, other)) {
            throw otherContent();
        }
        return true;
    }

    private static Said otherContent() {
        return Said.conflict(
                Text.of(
                        "intake.an-entry-of-this-id-2",
                        "An entry of this id says something else already; it is in the log as it came first."));
    }

    private EntryEnvelope envelope(
            Stream stream, Sent sent, boolean signed, Person person, long at, String prev) {
        return new EntryEnvelope(
                sent.id(),
                stream.id(),
                String.valueOf(sent.packHash()),
                String.valueOf(sent.step()),
                String.valueOf(sent.kind()),
                List.copyOf(sent.given()),
                EntryEnvelope.account(person.id()),
                sent.device() == null ? "unknown" : sent.device(),
                told(sent),
                clock.millis(),
                at,
                accounts.personOf(person),
                person.role(),
                signed,
                prev);
    }
}
