package orthopur.server.floor;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import orthopur.db.tables.records.RoundRecord;
import orthopur.formats.EntryEnvelope;
import orthopur.formats.Json;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.roundpack.EntryValue;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.Written;
import orthopur.rules.lockout.OldEnough;
import orthopur.runthrough.Run;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.SheetIndex;
import orthopur.server.machines.LastServices;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.people.Role;
import orthopur.server.people.Training;
import orthopur.server.platform.Bell;
import orthopur.server.platform.Said;
import orthopur.server.procedures.Procedures;

/**
 * Rounds as they are carried out. One writer at a time, so that the chain of the site has one
 * order; an entry is answered only once it is on disk.
 */
@Service
public class Rounds {
    static final int MOST_AT_ONCE = 2000;

    private final RoundLog log;
    private final Procedures procedures;
    private final Sheets sheets;
    private final Accounts accounts;
    private final Training training;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final LastServices lastServices;
    private final Bell bell;
    private final Map<String, Replay> live = new HashMap<>();

    Rounds(
            RoundLog log,
            Procedures procedures,
            Sheets sheets,
            Accounts accounts,
            Training training,
            Clock clock,
            TransactionTemplate transaction,
            LastServices lastServices,
            Bell bell) {
        this.log = log;
        this.procedures = procedures;
        this.sheets = sheets;
        this.accounts = accounts;
        this.training = training;
        this.clock = clock;
        this.transaction = transaction;
        this.lastServices = lastServices;
        this.bell = bell;
    }

    /** An entry as a tablet sends it. */
    public record Sent(
            String id,
            String packHash,
            String step,
            String kind,
            @Nullable List<EntryValue> figures,
            @Nullable String device,
            long tabletTime) {
        /** An entry that is made at the desk, now. */
        public static Sent atTheDesk(Replay round, Written entry, long now) {
            return new Sent(
                    UUID.randomUUID().toString(),
                    round.round().getPackHash(),
                    entry.step(),
                    entry.kind(),
                    entry.figures(),
                    "desk",
                    now);
        }
    }

    /** What became of an entry that was sent. */
    record Taken(String id, Fate fate, @Nullable String why) {
        enum Fate {
            /** It counts. */
            TAKEN,
            /** It had come before. */
            KNOWN,
            /** It is in the log and does not count. */
            KEPT,
            /** It is no entry of this round at all. */
            REFUSED
        }
    }

    /** Starts a round, or hands back the one that is open at this machine. */
    synchronized Replay start(String procedureId, Person person) {
        Procedures.Approved approved = procedures.approvedVersion(procedureId);
        mayJoin(person, approved);
        Optional<RoundRecord> open = log.openRound(approved.sheet().code());
        if (open.isPresent()) {
            return load(open.get().getId());
        }
        shown(person, approved.sheet().code());
        if (!approved.procedure().coversFitted(approved.sheet())) {
            throw Said.conflict(
                    "%s is written for another way of fitting %s than it has now: %s."
                            .formatted(
                                    approved.procedure().title(),
                                    approved.sheet().code(),
                                    Configuration.fitted(approved.sheet())
                                            .shown(approved.sheet())));
        }
        RoundPack pack = compile(approved);
        RoundRecord r = log.newRound();
        r.setId(UUID.randomUUID().toString());
        r.setPackHash(Json.hash(pack));
        r.setMachine(pack.machine());
        r.setProcedureId(procedureId);
        r.setVersion(approved.version());
        r.setTitle(pack.title());
        r.setStartedBy(person.name());
        r.setStartedAt(clock.millis());
        transaction.executeWithoutResult(t -> log.open(r, r.getPackHash(), pack));
        bell.ring(r.getId());
        return load(r.getId());
    }

    /** The round as it would be carried out if it started now. */
    RoundPack compile(Procedures.Approved approved) {
        Sheets.Surroundings s = sheets.surroundings();
        return PackCompiler.compile(
                approved.procedure(),
                approved.version(),
                approved.sheet(),
                s.context().withLastFlows(lastServices.flows(approved.sheet().code())),
                s.site().instruments());
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
                "%s was not shown the work at %s yet, as far as is written down. %s; then it is open to join and to be shown."
                        .formatted(
                                person.name(),
                                machine,
                                others.isEmpty()
                                        ? "A supervisor starts the round"
                                        : "Somebody who was starts the round: "
                                                + String.join(", ", others)
                                                + ", or a supervisor"));
    }

    public synchronized Replay load(String roundId) {
        Replay known = live.get(roundId);
        if (known != null) {
            return known;
        }
        RoundRecord round = log.round(roundId);
        Replay loaded = new Replay(round, log.pack(round.getPackHash()));
        for (EntryEnvelope.Chained e : log.entries(roundId)) {
            loaded.fold(e.envelope());
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
    public synchronized Replay enter(
            String roundId, Sent sent, @Nullable String pin, Person person) {
        Replay l = load(roundId);
        if (known(roundId, sent.id())) {
            return l;
        }
        permitted(l, sent, person);
        EntryEnvelope e = envelope(l, sent, person, clock.millis(), log.lastHash());
        e.entry();
        if (signed(e)) {
            accounts.sign(person, pin);
        }
        l.fits(e);
        write(l, List.of(e));
        return load(roundId);
    }

    /**
     * Takes in what a tablet has written down while it had no signal, in its order. Nothing that is
     * an entry of this round is lost: what does not fit any more is kept and shown.
     *
     * @param sentAt what the tablet's clock says now, so that a wrong one does no harm
     * @throws Said when more than {@value #MOST_AT_ONCE} come at once
     */
    synchronized List<Taken> takeIn(String roundId, List<Sent> sent, long sentAt, Person person) {
        if (sent.size() > MOST_AT_ONCE) {
            throw Said.conflict(
                    "%d entries came at once; allowed are %d."
                            .formatted(sent.size(), MOST_AT_ONCE));
        }
        Replay l = load(roundId);
        long ahead = clock.millis() - sentAt;
        List<Taken> fates = new ArrayList<>();
        List<EntryEnvelope> fresh = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        String last = log.lastHash();
        long before = l.round().getStartedAt();
        for (Sent s : sent) {
            if (!ids.add(s.id()) || known(roundId, s.id())) {
                fates.add(new Taken(s.id(), Taken.Fate.KNOWN, null));
                continue;
            }
            try {
                permitted(l, s, person);
                long at = Math.clamp(s.tabletTime() + ahead, before, clock.millis());
                EntryEnvelope e = envelope(l, s, person, at, last);
                e.entry();
                if (signed(e)) {
                    throw Said.conflict("This has to be signed; that takes a connection.");
                }
                String why = l.fold(e);
                fresh.add(e);
                last = e.hash();
                before = at;
                fates.add(new Taken(s.id(), why == null ? Taken.Fate.TAKEN : Taken.Fate.KEPT, why));
            } catch (Said | Written.NotAnEntry x) {
                fates.add(new Taken(s.id(), Taken.Fate.REFUSED, x.getMessage()));
            }
        }
        write(l, fresh);
        return fates;
    }

    private boolean known(String roundId, String id) {
        Optional<EntryEnvelope.Chained> before = log.entry(id);
        if (before.isPresent() && !before.get().envelope().round().equals(roundId)) {
            throw Said.conflict("An entry of this id belongs to another round.");
        }
        return before.isPresent();
    }

    private static boolean signed(EntryEnvelope e) {
        return switch (e.kind()) {
            case "round-closed", "released", "sent-back", "correction" -> true;
            case "lock-off" -> e.figures().stream().anyMatch(f -> f.name().equals("reason"));
            default -> false;
        };
    }

    /** Who may make an entry of this kind. */
    private void permitted(Replay l, Sent sent, Person person) {
        switch (sent.kind()) {
            case "proof", "released", "sent-back" -> {
                mayRelease(l, person);
                Optional<RoundRecord> other = log.openRound(l.round().getMachine());
                if (other.isPresent() && !other.get().getId().equals(l.round().getId())) {
                    throw Said.conflict(
                            "%s is being cleaned again since; what counts is that round."
                                    .formatted(l.round().getMachine()));
                }
            }
            case "correction" -> {
                if (!person.role().releases()) {
                    throw Said.forbidden("Only quality and supervisors correct a record.");
                }
            }
            case "lock-off" -> {
                mayCarryOut(person);
                boolean forced =
                        sent.figures() != null
                                && sent.figures().stream().anyMatch(f -> f.name().equals("reason"));
                if (forced && person.role() != Role.SUPERVISOR) {
                    throw Said.forbidden("Only a supervisor takes off another's lock.");
                }
            }
            default -> {
                mayCarryOut(person);
                if (accounts.ageUnder18(person) != null) {
                    oldEnough(person, procedures.approvedVersion(l.round().getProcedureId()));
                }
            }
        }
    }

    /** Somebody else than those who did the work, where the kind of round asks for it (R2). */
    public void mayRelease(Replay l, Person person) {
        if (!person.role().releases()) {
            throw Said.forbidden("Only quality and supervisors release.");
        }
        if (!sheets.surroundings().site().habits().secondPerson(l.pack().kind())) {
            return;
        }
        for (String who : log.workers(l.round().getId())) {
            if (accounts.samePerson(who, person.name())) {
                throw Said.forbidden(
                        who.equals(person.name())
                                ? person.name()
                                        + " did work in this round; somebody else has to release it."
                                : "%s and %s are one person; somebody else has to release it."
                                        .formatted(person.name(), who));
            }
        }
    }

    private EntryEnvelope envelope(Replay l, Sent sent, Person person, long at, String prev) {
        if (sent.id() == null || sent.id().isBlank() || sent.id().length() > 64) {
            throw Said.conflict("An entry has an id of 1 to 64 characters.");
        }
        return new EntryEnvelope(
                sent.id(),
                l.round().getId(),
                String.valueOf(sent.packHash()),
                String.valueOf(sent.step()),
                String.valueOf(sent.kind()),
                sent.figures() == null ? List.of() : List.copyOf(sent.figures()),
                person.name(),
                sent.device() == null ? "unknown" : sent.device(),
                sent.tabletTime(),
                clock.millis(),
                at,
                prev);
    }

    /** In one transaction: either all of them are on disk or none. */
    private void write(Replay l, List<EntryEnvelope> entries) {
        String id = l.round().getId();
        boolean wasClosed = l.round().getClosedAt() != null;
        boolean closed = l.progress().closed();
        try {
            transaction.executeWithoutResult(
                    t -> {
                        entries.forEach(log::append);
                        if (closed && !wasClosed) {
                            EntryEnvelope last = entries.getLast();
                            log.close(id, last.who(), last.serverTime());
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
                        sheets.surroundings().context().withYoungest(age),
                        List.of(new OldEnough()));
        if (!run.findings().isEmpty()) {
            throw Said.forbidden(
                    "%s: %s".formatted(person.name(), run.findings().getFirst().message()));
        }
    }

    private static void mayCarryOut(Person person) {
        if (!person.role().carriesOut()) {
            throw Said.forbidden("Only crew and supervisors carry out rounds.");
        }
    }

    /** The round that is open at a machine. */
    public Optional<RoundRecord> openRound(String machine) {
        return log.openRound(machine);
    }

    public long now() {
        return clock.millis();
    }
}
