package orthopur.server.people;

import static orthopur.db.Tables.ACCOUNT;
import static orthopur.db.Tables.TRAINING;

import java.time.Clock;
import java.util.Collection;
import java.util.List;
import java.util.TreeSet;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import orthopur.round.Role;

/** On which machines somebody was shown the work. A supervisor answers for it and needs none. */
@Service
public class Training {
    private final DSLContext db;
    private final Clock clock;

    Training(DSLContext db, Clock clock) {
        this.db = db;
        this.clock = clock;
    }

    /** Codes of the machines that an account is trained on, in order. */
    public List<String> of(long account) {
        return db.select(TRAINING.MACHINE)
                .from(TRAINING)
                .where(TRAINING.ACCOUNT_ID.eq((int) account))
                .orderBy(TRAINING.MACHINE)
                .fetch(TRAINING.MACHINE);
    }

    /**
     * Says that these are the machines; what was said before and is not among them is withdrawn.
     */
    public void set(long account, Collection<String> machines, String by) {
        TreeSet<String> wanted = new TreeSet<>(machines);
        db.deleteFrom(TRAINING)
                .where(TRAINING.ACCOUNT_ID.eq((int) account))
                .and(TRAINING.MACHINE.notIn(wanted))
                .execute();
        for (String machine : wanted) {
            db.insertInto(TRAINING)
                    .set(TRAINING.ACCOUNT_ID, (int) account)
                    .set(TRAINING.MACHINE, machine)
                    .set(TRAINING.AT, clock.millis())
                    .set(TRAINING.SAID_BY, by)
                    .onConflictDoNothing()
                    .execute();
        }
    }

    /** Whether somebody may start a round at a machine, as far as having been shown it goes. */
    public boolean mayStart(Person person, String machine) {
        return person.role() == Role.SUPERVISOR || of(person.id()).contains(machine);
    }

    /** Names of those still here who were trained on a machine, in order. */
    public List<String> trainedOn(String machine) {
        return db.select(ACCOUNT.NAME)
                .from(ACCOUNT)
                .join(TRAINING)
                .on(TRAINING.ACCOUNT_ID.eq(ACCOUNT.ID))
                .where(TRAINING.MACHINE.eq(machine))
                .and(ACCOUNT.LEFT_AT.isNull())
                .orderBy(ACCOUNT.NAME)
                .fetch(ACCOUNT.NAME);
    }
}
