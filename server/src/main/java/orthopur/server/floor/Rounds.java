package orthopur.server.floor;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.transaction.support.TransactionTemplate;
import orthopur.db.tables.records.RoundRecord;
import orthopur.formats.EntryEnvelope;
import orthopur.formats.Json;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Action;
import orthopur.round.Entry;
import orthopur.round.Progress;
import orthopur.round.Refused;
import orthopur.round.Written;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.RoundPack;
import orthopur.rules.lockout.OldEnough;
import orthopur.runthrough.Run;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.SheetIndex;
import orthopur.server.custody.Custody;
import orthopur.server.floor.Intake.Sent;
import orthopur.server.machines.LastServices;
import orthopur.server.machines.Premises;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.people.Renamed;
import orthopur.server.people.Training;
import orthopur.server.platform.Bell;
import orthopur.server.platform.Memo;
import orthopur.server.platform.Said;
import orthopur.server.procedures.Lapsed;
import orthopur.server.procedures.Procedures;
import orthopur.sitestream.Register;
import orthopur.sitestream.Shelf;
import orthopur.text.Text;

/**
 * Rounds as they are carried out. One writer at a time, so that the chain of the site has one
 * order; an entry is answered only once it is on disk.
 */
@Service
public class Rounds {
    private static final Duration PAPER_KEEPS = Duration.ofDays(7);
    private static final int KEPT_FOLDED = 200;

    private final RoundLog log;
    private final Procedures procedures;
    private final Premises premises;
    private final Accounts accounts;
    private final SiteEntries site;
    private final Training training;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final LastServices lastServices;
    private final Bell bell;
    private final PlansOfReleases plans;
    private final Intake intake;
    private final Custody custody;
    private final Lapsed lapsed;

    private final Memo<Planned, RoundPack> packs = new Memo<>(64);

    /** Rounds as they were folded last; one that goes is folded anew when it is asked for. */
    private final Map<String, Replay> live =
            new LinkedHashMap<>(16, 0.75f, true) {
                private static final long serialVersionUID = 1L;

                @Override
                protected boolean removeEldestEntry(Map.Entry<String, Replay> eldest) {
                    return size() > KEPT_FOLDED;
                }
            };

    Rounds(
            RoundLog log,
            Procedures procedures,
            Premises premises,
            Accounts accounts,
            Training training,
            Clock clock,
            TransactionTemplate transaction,
            LastServices lastServices,
            Bell bell,
            PlansOfReleases plans,
            Intake intake,
            Custody custody,
            Lapsed lapsed,
            SiteEntries site) {
        this.site = site;
        this.custody = custody;
        this.lapsed = lapsed;
        this.log = log;
        this.procedures = procedures;
        this.premises = premises;
        this.accounts = accounts;
        this.training = training;
        this.clock = clock;
        this.transaction = transaction;
        this.lastServices = lastServices;
        this.bell = bell;
        this.plans = plans;
        this.intake = intake;
    }

    /**
     * Starts a round, or hands back the one that is open at this machine.
     *
     * @param onPaper when it was begun, if it was carried out on paper; null for now
     */
    synchronized Replay start(String procedureId, @Nullable Long onPaper, Person person) {
        custody.vouchForTheSite();
        Procedures.Approved approved = procedures.approvedVersion(procedureId);
        mayJoin(person, approved);
        Optional<RoundRecord> open = log.openRound(approved.sheet().code());
        if (open.isPresent()) {
            return load(open.get().getId());
        }
        lapsed.mayStart(procedureId);
        shown(person, approved.sheet().code());
        if (!approved.procedure().coversFitted(approved.sheet())) {
            throw Said.conflict(
                    Text.of(
                            "rounds.is-written-for-another-way",
                            "{0} is written for another way of fitting {1} than it has now: {2}.",
                            approved.procedure().title(),
                            approved.sheet().code(),
                            Text.series(
                                    Configuration.fitted(approved.sheet())
                                            .said(approved.sheet()))));
        }
        long began = onPaper == null ? clock.millis() : onPaper(onPaper, approved.sheet().code());
        RoundPack pack = compile(approved);
        RoundRecord r = log.newRound();
        r.setId(UUID.randomUUID().toString());
        r.setPackHash(Json.hash(pack));
        r.setMachine(pack.machine());
        r.setProcedureId(procedureId);
        r.setVersion(approved.version());
        r.setTitle(pack.title());
        r.setStartedBy(person.name());
        r.setStartedAt(began);
        transaction.executeWithoutResult(t -> log.open(r, r.getPackHash(), pack));
        bell.ring(r.getId());
        return load(r.getId());
    }

    /** What is entered from paper lies behind the last round, and not long ago. */
    private long onPaper(long began, String machine) {
        long now = clock.millis();
        if (began > now || began < now - PAPER_KEEPS.toMillis()) {
            throw new Said(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    Text.of(
                            "rounds.a-round-on-paper-was",
                            "A round on paper was begun within the last {0} days, and not later than now.",
                            PAPER_KEEPS.toDays()));
        }
        String last = log.newestClosed(machine);
        RoundRecord before = last == null ? null : log.round(last);
        if (before != null && before.getClosedAt() != null && before.getClosedAt() > began) {
            throw Said.conflict(
                    Text.of(
                            "rounds.was-handed-over-after-that",
                            "{0} was handed over after that, by {1}; a round on paper lies behind it.",
                            machine,
                            before.getClosedBy()));
        }
        return began;
    }

    /** The round as it would be carried out if it started now. */
    RoundPack compile(Procedures.Approved approved) {
        return packs.of(
                new Planned(approved, premises.now(), lastServices.flows(approved.sheet().code())),
                Rounds::compile);
    }

    /** All that a pack is compiled from. */
    private record Planned(
            Procedures.Approved approved, Premises.Now site, Map<String, Action.Flow> flows) {}

    private static RoundPack compile(Planned p) {
        return PackCompiler.compile(
                p.approved().procedure(),
                p.approved().version(),
                p.approved().sheet(),
                p.site().context().withLastFlows(p.flows()),
                p.site().site().instruments());
    }

    /**
     * @throws Said when somebody may not lend a hand at this machine: by their role or their age
     */
    void mayJoin(Person person, Procedures.Approved approved) {
        mayCarryOut(person);
        oldEnough(person, approved);
    }

    /**
     * @throws Said when somebody was never shown the work here; they may join a round and see it
     */
    void shown(Person person, String machine) {
        if (training.mayStart(person, machine)) {
            return;
        }
        List<String> others = training.trainedOn(machine);
        throw Said.forbidden(
                Text.of(
                        "rounds.was-not-trained-on-yet",
                        "{0} was not trained on {1} yet, according to the records. {2}; then it is open to join and to be shown.",
                        person.name(),
                        machine,
                        others.isEmpty()
                                ? Text.of(
                                        "rounds.a-supervisor-starts-the-round",
                                        "A supervisor starts the round")
                                : Text.of(
                                        "rounds.somebody-who-was-starts-the",
                                        "Somebody who was starts the round: {0}, or a supervisor",
                                        String.join(", ", others))));
    }

    public synchronized Replay load(String roundId) {
        Replay known = live.get(roundId);
        if (known != null) {
            return known;
        }
        RoundRecord round = log.round(roundId);
        Replay loaded = new Replay(round, log.pack(round.getPackHash()));
        Map<Long, String> names = accounts.names();
        for (EntryEnvelope.Chained e : log.entries(roundId)) {
            loaded.fold(e.envelope().named(names));
        }
        live.put(roundId, loaded);
        return loaded;
    }

    /**
     * Takes in one entry that was made with the server in reach. What does not fit is refused and
     * leaves no trace. Sent again under the same id it is not entered again.
     *
     * @param pin signs the closing of the round and what is done in another's place
     */
    public Replay enter(String roundId, Sent sent, @Nullable String pin, Person person) {
        Entry entry = sent.written().entry();
        Progress.byRole(entry, person.name(), person.role());
        boolean signed = Progress.signed(entry);
        if (signed) {
            // Comparing takes long on purpose; nobody's entry waits for it.
            accounts.sign(person, pin);
        }
        return enter(roundId, sent, entry, signed, person);
    }

    List<EntryEnvelope> entriesOf(String roundId) {
        return log.entries(roundId).stream().map(EntryEnvelope.Chained::envelope).toList();
    }

    /** Enters what was signed in the past of the demo. */
    Replay played(String roundId, Sent sent, Person person) {
        Entry entry = sent.written().entry();
        return enter(roundId, sent, entry, Progress.signed(entry), person);
    }

    private synchronized Replay enter(
            String roundId, Sent sent, Entry entry, boolean signed, Person person) {
        synchronized (intake) {
            Replay l = load(roundId);
            Door door = new Door(l);
            if (intake.known(door, sent)) {
                return l;
            }
            door.admit(sent.written(), person, false);
            List<EntryEnvelope> written = new ArrayList<>();
            try {
                boolean looks =
                        entry instanceof Entry.Afterwards && !(entry instanceof Entry.Correction);
                if (looks && l.progress().closed() && l.progress().state().plan() == null) {
                    // Handed over before plans were written down: now it is.
                    intake.count(door, planned(l), false, person, written);
                }
                intake.count(door, sent, signed, person, written);
                if (entry instanceof Entry.RoundClosed) {
                    intake.count(door, planned(l), false, person, written);
                }
            } catch (RuntimeException e) {
                live.remove(roundId);
                throw e;
            }
            write(l, written, person);
            return load(roundId);
        }
    }

    private Sent planned(Replay l) {
        return atTheDesk(l, plans.of(l));
    }

    /** An entry that is made at the desk, now. */
    public Sent atTheDesk(Replay round, Entry entry) {
        return Sent.atTheDesk(round.round().getPackHash(), Written.of(entry), clock.millis());
    }

    /**
     * Takes in what a tablet has written down while it had no signal, in its order. Nothing that is
     * an entry of this round is lost: what does not fit any more is kept and shown.
     *
     * @param sentAt what the tablet's clock says now, so that a wrong one does no harm
     * @throws Said when too many come at once
     */
    synchronized List<Intake.Taken> takeIn(
            String roundId, List<Sent> sent, long sentAt, Person person) {
        synchronized (intake) {
            Replay l = load(roundId);
            Intake.Fresh fresh;
            try {
                fresh = intake.takeIn(new Door(l), sent, sentAt, person);
            } catch (RuntimeException x) {
                // What is not on disk did not happen.
                live.remove(roundId);
                throw x;
            }
            write(l, fresh.entries(), person);
            return fresh.fates();
        }
    }

    /** The way into a round. */
    private final class Door implements Intake.Stream {
        private final Replay round;

        Door(Replay round) {
            this.round = round;
        }

        @Override
        public String id() {
            return round.round().getId();
        }

        @Override
        public long since() {
            return round.round().getStartedAt();
        }

        @Override
        public void admit(Written written, Person person, boolean late) {
            Entry entry = written.entry();
            Progress.byRole(entry, person.name(), person.role());
            if (late && (entry instanceof Entry.Afterwards || Progress.signed(entry))) {
                throw Said.conflict(
                        Text.of(
                                "rounds.this-has-to-be-signed",
                                "This has to be signed; that takes a connection."));
            }
            permitted(round, entry, person);
            if (!late) {
                sound(entry);
            }
        }

        @Override
        public void fits(EntryEnvelope e) {
            round.fits(e);
        }

        @Override
        public @Nullable Text fold(EntryEnvelope e) {
            return round.fold(e);
        }
    }

    /**
     * What was used is what it is said to be. From a tablet without signal it is taken as it was
     * said: by then it has happened, and the bench's own entries may come in after it.
     */
    private void sound(Entry entry) {
        switch (entry) {
            case Entry.SolutionUsed e -> {
                Shelf.Solution s = Shelf.labeled(site.state(), e.label());
                if (s == null || s.emptiedAt() != null) {
                    throw new Refused(Refused.Why.NO_SOLUTION, e.label());
                }
                if (!s.chemical().equals(e.chemical()) || !Objects.equals(s.until(), e.until())) {
                    throw new Refused(
                            Refused.Why.OTHER_PRODUCT, e.label(), s.chemical(), "", e.chemical());
                }
                if (s.correctedSinceRead()) {
                    throw new Refused(Refused.Why.READ_IT_FIRST, e.label());
                }
            }
            case Entry.ReadingTaken e -> {
                Premises.Now now = premises.now();
                Duration every =
                        Duration.ofDays(
                                Math.round(now.context().book().number("instrument.check-every")));
                now.site().instruments().stream()
                        .filter(i -> i.id().equals(e.instrument()))
                        .map(i -> Register.of(i, site.state(), every, clock.millis()))
                        .filter(r -> !r.standing().usable())
                        .findFirst()
                        .ifPresent(
                                r -> {
                                    throw new Refused(
                                            Refused.Why.FAILED_CHECK, r.instrument().name());
                                });
            }
            default -> {}
        }
    }

    /** What the fold cannot know: the age of a person, and what else goes on at the machine. */
    private void permitted(Replay l, Entry entry, Person person) {
        switch (entry) {
            case Entry.ReleasePlanned e ->
                    throw Said.forbidden(
                            Text.of(
                                    "rounds.the-inspection-list-is-written",
                                    "The inspection list is written by the program."));
            case Entry.Correction e -> {}
            case Entry.Afterwards e -> {
                Optional<RoundRecord> other = log.openRound(l.round().getMachine());
                if (other.isPresent() && !other.get().getId().equals(l.round().getId())) {
                    throw Said.conflict(
                            Text.of(
                                    "rounds.is-being-cleaned-again-since",
                                    "{0} is being cleaned again since; what counts is that round.",
                                    l.round().getMachine()));
                }
            }
            default -> {
                if (accounts.ageUnder18(person) != null) {
                    oldEnough(person, procedures.approvedVersion(l.round().getProcedureId()));
                }
            }
        }
    }

    /**
     * Why somebody may not release a round, told before they try; the fold decides.
     *
     * @throws Said when they may not
     */
    public void mayRelease(Replay l, Person person) {
        mayRelease(person);
        if (!premises.now().site().habits().secondPerson(l.pack().kind())) {
            return;
        }
        for (String who : l.workers()) {
            if (accounts.samePerson(who, person.name())) {
                throw Said.forbidden(
                        who.equals(person.name())
                                ? Text.of(
                                        "rounds.did-work-in-this-round",
                                        "{0} did work in this round; somebody else has to release it.",
                                        person.name())
                                : Text.of(
                                        "rounds.and-are-one-person-somebody",
                                        "{0} and {1} are one person; somebody else has to release it.",
                                        person.name(),
                                        who));
            }
        }
    }

    private static void mayRelease(Person person) {
        if (!person.role().releases()) {
            throw Said.forbidden(
                    Text.of(
                            "rounds.only-quality-and-supervisors-release",
                            "Only quality and supervisors release."));
        }
    }

    /** In one transaction: either all of them are on disk or none. */
    private void write(Replay l, List<EntryEnvelope> entries, Person by) {
        String id = l.round().getId();
        boolean wasClosed = l.round().getClosedAt() != null;
        boolean closed = l.progress().closed();
        try {
            transaction.executeWithoutResult(
                    t -> {
                        entries.forEach(log::append);
                        if (closed && !wasClosed) {
                            EntryEnvelope last = entries.getLast();
                            log.close(id, by.name(), last.serverTime());
                        } else if (wasClosed && !closed) {
                            log.reopen(id);
                        }
                    });
        } catch (RuntimeException e) {
            // What is not on disk did not happen: forget the state that counted it.
            live.remove(id);
            throw e;
        }
        if (closed != wasClosed) {
            live.remove(id);
        }
        if (!entries.isEmpty()) {
            bell.ring(id);
        }
    }

    /** L11 is judged where it is known who does the work: here, for each person. */
    private void oldEnough(Person person, Procedures.Approved approved) {
        Integer age = accounts.ageUnder18(person);
        if (age == null) {
            return;
        }
        MachineSheet sheet = approved.sheet();
        Run run =
                RunThrough.of(
                        approved.procedure().withSteps(List.of()),
                        new SheetIndex(sheet),
                        premises.now().context().withYoungest(age),
                        List.of(new OldEnough()));
        if (!run.findings().isEmpty()) {
            throw Said.forbidden(
                    Text.of(
                            "rounds.text",
                            "{0}: {1}",
                            person.name(),
                            run.findings().getFirst().said()));
        }
    }

    private static void mayCarryOut(Person person) {
        if (!person.role().carriesOut()) {
            throw Said.forbidden(
                    Text.of(
                            "rounds.only-crew-and-supervisors-carry",
                            "Only crew and supervisors carry out rounds."));
        }
    }

    /** The round that is open at a machine. */
    public Optional<RoundRecord> openRound(String machine) {
        return log.openRound(machine);
    }

    public long now() {
        return clock.millis();
    }

    @TransactionalEventListener
    void renamed(Renamed who) {
        forget();
    }

    /** Forgets what it keeps of the log in memory; it is read anew. */
    synchronized void forget() {
        live.clear();
    }
}
