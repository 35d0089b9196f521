package orthopur.server.floor;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.transaction.support.TransactionTemplate;
import orthopur.formats.EntryEnvelope;
import orthopur.quantity.OutOfRange;
import orthopur.round.Refused;
import orthopur.round.Written;
import orthopur.server.floor.Intake.Sent;
import orthopur.server.machines.Premises;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.people.Renamed;
import orthopur.server.platform.Bell;
import orthopur.server.platform.Said;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteNames;
import orthopur.sitestream.SiteState;
import orthopur.sitestream.SiteStream;
import orthopur.text.Text;

/** What is entered beside the rounds: the site's own stream, folded from the same log. */
@Service
public class SiteEntries {
    /** What rings when something of the site's stream changed. */
    static final String RINGS = RoundLog.SITE;

    private final RoundLog log;
    private final Intake intake;
    private final Accounts accounts;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final Bell bell;
    private final Sheets sheets;
    private final Premises premises;
    private @Nullable Live live;

    SiteEntries(
            RoundLog log,
            Intake intake,
            Accounts accounts,
            Clock clock,
            TransactionTemplate transaction,
            Bell bell,
            Sheets sheets,
            Premises premises) {
        this.log = log;
        this.intake = intake;
        this.accounts = accounts;
        this.clock = clock;
        this.transaction = transaction;
        this.bell = bell;
        this.sheets = sheets;
        this.premises = premises;
    }

    private SiteNames names() {
        return SiteNames.of(sheets.all(), premises.now().chemicalIds());
    }

    private static final class Live implements Intake.Stream {
        private final Supplier<SiteNames> names;
        private final SiteStream stream = new SiteStream(SiteState.NOTHING);
        private int entries;

        Live(Supplier<SiteNames> names) {
            this.names = names;
        }

        @Override
        public String id() {
            return RoundLog.SITE;
        }

        @Override
        public long since() {
            return 0;
        }

        @Override
        public void admit(Written entry, Person person, boolean late) {
            names.get().check(SiteEntry.read(entry));
            if (late && SiteStream.signed(SiteEntry.read(entry))) {
                throw Said.conflict(
                        Text.of(
                                "site-entries.this-has-to-be-signed",
                                "This has to be signed; that takes a connection."));
            }
        }

        @Override
        public void fits(EntryEnvelope e) {
            stream.accept(SiteEntry.read(e.written()), e.made(), e.actor());
            entries++;
        }

        /** Nothing here is kept that does not count: there is no work that it would tell of. */
        @Override
        public @Nullable Text fold(EntryEnvelope e) {
            try {
                fits(e);
                return null;
            } catch (OutOfRange x) {
                throw Said.conflict(x.said());
            }
        }
    }

    /** The newest entry about one thing, as it was sent, with who made it and when. */
    record Stated(Written entry, String who, String person, long at) {}

    /**
     * @param newest of each thing
     * @param entries how many the log holds; of two answers that crossed, the one with more is
     *     newer
     * @param now epoch milliseconds
     */
    record View(List<Stated> newest, int entries, long now) {}

    /** What is known of the site. */
    public SiteState state() {
        synchronized (intake) {
            return live().stream.state();
        }
    }

    View view() {
        synchronized (intake) {
            Live l = live();
            List<Stated> newest =
                    l.stream.state().newest().values().stream()
                            .filter(k -> k.entry().onDevices())
                            .map(
                                    k ->
                                            new Stated(
                                                    SiteEntry.write(k.entry()),
                                                    k.who(),
                                                    k.person(),
                                                    k.at()))
                            .toList();
            return new View(newest, l.entries, clock.millis());
        }
    }

    /**
     * Takes in one entry that was made with the server in reach.
     *
     * @param pin signs what has to be signed
     * @throws Refused or {@link OutOfRange} when it does not fit; then it leaves no trace
     */
    View enter(Sent sent, @Nullable String pin, Person person) {
        boolean signed = SiteStream.signed(SiteEntry.read(sent.written()));
        if (signed) {
            accounts.sign(person, pin);
        }
        synchronized (intake) {
            Live l = live();
            if (intake.known(l, sent)) {
                return view();
            }
            l.admit(sent.written(), person, false);
            List<EntryEnvelope> written = new ArrayList<>();
            intake.count(l, sent, signed, person, written);
            write(written);
            return view();
        }
    }

    /** Takes in what was written down without signal. */
    List<Intake.Taken> takeIn(List<Sent> sent, long sentAt, Person person) {
        synchronized (intake) {
            Intake.Fresh fresh;
            try {
                fresh = intake.takeIn(live(), sent, sentAt, person);
            } catch (RuntimeException x) {
                forget();
                throw x;
            }
            write(fresh.entries());
            return fresh.fates();
        }
    }

    /**
     * Enters what happened before this program was there, in its order.
     *
     * @param at epoch milliseconds of each
     */
    public void asBefore(List<SiteEntry> entries, List<Long> at, Person person) {
        List<Sent> sent = new ArrayList<>();
        for (int i = 0; i < entries.size(); i++) {
            Written w = SiteEntry.write(entries.get(i));
            sent.add(Sent.atTheDesk("", w, at.get(i)));
        }
        for (Intake.Taken t : takeIn(sent, clock.millis(), person)) {
            if (t.fate() != Intake.Taken.Fate.TAKEN) {
                throw new IllegalStateException(String.valueOf(t.why()));
            }
        }
    }

    private void write(List<EntryEnvelope> entries) {
        try {
            transaction.executeWithoutResult(t -> entries.forEach(log::append));
        } catch (RuntimeException e) {
            // What is not on disk did not happen.
            forget();
            throw e;
        }
        if (!entries.isEmpty()) {
            bell.ring(RINGS);
        }
    }

    private Live live() {
        if (live == null) {
            Live l = new Live(this::names);
            Map<Long, String> names = accounts.names();
            for (EntryEnvelope.Chained e : log.entries(RoundLog.SITE)) {
                l.fits(e.envelope().named(names));
            }
            live = l;
        }
        return live;
    }

    @TransactionalEventListener
    void renamed(Renamed who) {
        forget();
    }

    /** Forgets what it keeps of the log in memory; it is read anew. */
    void forget() {
        synchronized (intake) {
            live = null;
        }
    }
}
