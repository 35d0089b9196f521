package orthopur.server.floor;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import orthopur.db.tables.records.RoundRecord;
import orthopur.formats.Json;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.Progress;
import orthopur.roundpack.RoundPack;
import orthopur.rules.lockout.OldEnough;
import orthopur.runthrough.Run;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.SheetIndex;
import orthopur.server.floor.EntryEnvelope.EntryValue;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.platform.Said;
import orthopur.server.procedures.Procedures;

/**
 * Rounds as they are carried out. One writer at a time, so that the chain of the site has one
 * order; an entry is answered only once it is on disk.
 */
@Service
public class Rounds {
    private final RoundLog log;
    private final Procedures procedures;
    private final Sheets sheets;
    private final Accounts accounts;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final Map<String, Live> live = new HashMap<>();

    Rounds(
            RoundLog log,
            Procedures procedures,
            Sheets sheets,
            Accounts accounts,
            Clock clock,
            TransactionTemplate transaction) {
        this.log = log;
        this.procedures = procedures;
        this.sheets = sheets;
        this.accounts = accounts;
        this.clock = clock;
        this.transaction = transaction;
    }

    /** A round with its pack and how far it is. */
    record Live(RoundRecord round, RoundPack pack, Progress progress) {}

    /** An entry as a tablet sends it. */
    record Sent(
            String id,
            String packHash,
            String step,
            String kind,
            List<EntryValue> figures,
            String device,
            long tabletTime) {}

    /** Starts a round, or hands back the one that is open at this machine. */
    synchronized Live start(String procedureId, Person person) {
        mayCarryOut(person);
        Procedures.Approved approved = procedures.approvedVersion(procedureId);
        oldEnough(person, approved);
        Optional<RoundRecord> open = log.openRound(approved.sheet().code());
        if (open.isPresent()) {
            return load(open.get().getId());
        }
        if (!approved.procedure().coversFitted(approved.sheet())) {
            throw Said.conflict(
                    "%s is written for another way of fitting %s than it has now: %s."
                            .formatted(
                                    approved.procedure().title(),
                                    approved.sheet().code(),
                                    Configuration.fitted(approved.sheet())
                                            .shown(approved.sheet())));
        }
        Sheets.Surroundings s = sheets.surroundings();
        RoundPack pack =
                PackCompiler.compile(
                        approved.procedure(),
                        approved.version(),
                        approved.sheet(),
                        s.context(),
                        s.site().instruments());
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
        return load(r.getId());
    }

    synchronized Live load(String roundId) {
        Live known = live.get(roundId);
        if (known != null) {
            return known;
        }
        RoundRecord round = log.round(roundId);
        RoundPack pack = log.pack(round.getPackHash());
        Progress progress = new Progress(pack);
        for (RoundLog.Stored e : log.entries(roundId)) {
            progress.accept(e.envelope().entry(), e.envelope().serverTime() / 1000);
        }
        Live loaded = new Live(round, pack, progress);
        live.put(roundId, loaded);
        return loaded;
    }

    /**
     * Takes in one entry. Sent again under the same id it is not entered again.
     *
     * @param pin signs the closing of the round; not needed otherwise
     */
    synchronized Live enter(String roundId, Sent sent, String pin, Person person) {
        mayCarryOut(person);
        Optional<RoundLog.Stored> before = log.entry(sent.id());
        if (before.isPresent()) {
            if (!before.get().envelope().round().equals(roundId)) {
                throw Said.conflict("An entry of this id belongs to another round.");
            }
            return load(roundId);
        }
        Live l = load(roundId);
        if (accounts.ageUnder18(person) != null) {
            oldEnough(person, procedures.approvedVersion(l.round().getProcedureId()));
        }
        if (!l.round().getPackHash().equals(sent.packHash())) {
            throw Said.conflict("The tablet works from another version of this round. Reload it.");
        }
        boolean closing = sent.kind().equals("round-closed");
        if (closing) {
            accounts.sign(person, pin);
        }
        EntryEnvelope envelope =
                new EntryEnvelope(
                        sent.id(),
                        roundId,
                        sent.packHash(),
                        sent.step(),
                        sent.kind(),
                        sent.figures() == null ? List.of() : List.copyOf(sent.figures()),
                        person.name(),
                        sent.device() == null ? "unknown" : sent.device(),
                        sent.tabletTime(),
                        clock.millis(),
                        log.lastHash());
        l.progress().accept(envelope.entry(), envelope.serverTime() / 1000);
        try {
            transaction.executeWithoutResult(
                    t -> {
                        log.append(envelope);
                        if (closing) {
                            log.close(roundId, person.name(), envelope.serverTime());
                        }
                    });
        } catch (RuntimeException e) {
            // What is not on disk did not happen: forget the state that counted it.
            live.remove(roundId);
            throw e;
        }
        if (closing) {
            live.remove(roundId);
        }
        return l;
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

    Optional<RoundRecord> openRound(String machine) {
        return log.openRound(machine);
    }

    long now() {
        return clock.millis();
    }
}
