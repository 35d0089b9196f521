package orthopur.server.people;

import static java.time.temporal.ChronoUnit.DAYS;
import static orthopur.db.Tables.ACCOUNT;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.db.tables.records.AccountRecord;
import orthopur.round.Role;
import orthopur.server.platform.Said;

/** Accounts with password and PIN. Five failures in a row lock an account for ten minutes. */
@Service
public class Accounts {
    static final int FAILURES = 5;
    private static final int ADULT = 18;
    static final Duration LOCKED = Duration.ofMinutes(10);

    private final DSLContext db;
    private final PasswordEncoder encoder;
    private final Clock clock;

    Accounts(DSLContext db, PasswordEncoder encoder, Clock clock) {
        this.db = db;
        this.encoder = encoder;
        this.clock = clock;
    }

    /**
     * Makes an account.
     *
     * @param adultFrom the day on which the person turns 18; null for somebody of age
     * @return its id
     */
    @Transactional
    public int create(
            String name, Role role, String password, String pin, @Nullable LocalDate adultFrom) {
        return db.insertInto(ACCOUNT)
                .set(ACCOUNT.NAME, name)
                .set(ACCOUNT.ROLE, role.name())
                .set(ACCOUNT.PASSWORD_HASH, encoder.encode(password))
                .set(ACCOUNT.PIN_HASH, encoder.encode(pin))
                .set(ACCOUNT.ADULT_FROM, adultFrom == null ? null : adultFrom.toString())
                .returning(ACCOUNT.ID)
                .fetchSingle(ACCOUNT.ID);
    }

    /** Age in years of somebody under 18, as far as it is kept; null for somebody of age. */
    public @Nullable Integer ageUnder18(Person person) {
        String from =
                db.select(ACCOUNT.ADULT_FROM)
                        .from(ACCOUNT)
                        .where(ACCOUNT.ID.eq((int) person.id()))
                        .fetchOne(ACCOUNT.ADULT_FROM);
        long days = from == null ? 0 : today().until(LocalDate.parse(from), DAYS);
        return days <= 0 ? null : ADULT - 1 - (int) ((days - 1) / 366);
    }

    /** The date by which ages are counted, in UTC. */
    public LocalDate today() {
        return LocalDate.ofInstant(Instant.ofEpochMilli(clock.millis()), ZoneOffset.UTC);
    }

    public boolean none() {
        return db.fetchCount(ACCOUNT) == 0;
    }

    /**
     * @throws Said when name and password do not match or the account is locked
     */
    @Transactional(noRollbackFor = Said.class)
    public Person signIn(String name, String password) {
        Optional<AccountRecord> found =
                db.selectFrom(ACCOUNT).where(ACCOUNT.NAME.eq(name.strip())).fetchOptional();
        if (found.isEmpty() || found.get().getLeftAt() != null) {
            // Takes as long as a wrong password, so that names cannot be guessed by the clock.
            encoder.encode(password);
            throw wrong("Name and password do not match.");
        }
        return prove(
                found.get(),
                password,
                found.get().getPasswordHash(),
                "Name and password do not match.");
    }

    /**
     * Puts off the day on which somebody turns 18, once it has come: the demo's apprentice stays
     * young.
     */
    public void staysYoung(String name, LocalDate until) {
        db.update(ACCOUNT)
                .set(ACCOUNT.ADULT_FROM, until.toString())
                .where(ACCOUNT.NAME.eq(name).and(ACCOUNT.ADULT_FROM.le(today().toString())))
                .execute();
    }

    /**
     * Proves that it is this person who signs.
     *
     * @throws Said when the PIN is wrong or the account is locked
     */
    @Transactional(noRollbackFor = Said.class)
    public void sign(Person person, @Nullable String pin) {
        AccountRecord a =
                db.selectFrom(ACCOUNT).where(ACCOUNT.ID.eq((int) person.id())).fetchSingle();
        if (a.getLeftAt() != null) {
            throw Said.forbidden(a.getName() + " has left and signs nothing any more.");
        }
        prove(a, pin == null ? "" : pin, a.getPinHash(), "The PIN is wrong.");
    }

    /** Somebody who may stand at a machine. */
    public record AtTheMachine(long account, String name, Role role) {}

    /** Who carries out or looks, in the order of names. */
    public List<AtTheMachine> onTheFloor() {
        return db.selectFrom(ACCOUNT)
                .where(ACCOUNT.LEFT_AT.isNull().and(ACCOUNT.ROLE.ne(Role.AUDITOR.name())))
                .orderBy(ACCOUNT.NAME)
                .fetch(a -> new AtTheMachine(a.getId(), a.getName(), Role.valueOf(a.getRole())));
    }

    /**
     * Signs somebody in by PIN, on a device that the site knows.
     *
     * @throws Said when the PIN is wrong, the account is locked, or there is none
     */
    @Transactional(noRollbackFor = Said.class)
    public Person byPin(long account, @Nullable String pin) {
        AccountRecord a =
                db.selectFrom(ACCOUNT)
                        .where(ACCOUNT.ID.eq((int) account).and(ACCOUNT.LEFT_AT.isNull()))
                        .fetchOptional()
                        .orElseThrow(() -> wrong("The PIN is wrong."));
        return prove(a, pin == null ? "" : pin, a.getPinHash(), "The PIN is wrong.");
    }

    /** Whether two accounts are one person, as the supervisor has said when making the second. */
    public boolean samePerson(String name, String other) {
        return name.equals(other) || personOf(name).equals(personOf(other));
    }

    private String personOf(String account) {
        return db.select(ACCOUNT.SAME_AS)
                .from(ACCOUNT)
                .where(ACCOUNT.NAME.eq(account))
                .fetchOptional(ACCOUNT.SAME_AS)
                .orElse(account);
    }

    /**
     * Id of the one person whom an account stands for, which is that of their first account:
     * several accounts may stand for one person, and a name may change.
     */
    public String personOf(Person account) {
        var first = ACCOUNT.as("first");
        return db.select(first.ID)
                .from(ACCOUNT)
                .join(first)
                .on(first.NAME.eq(ACCOUNT.SAME_AS))
                .where(ACCOUNT.ID.eq((int) account.id()))
                .fetchOptional(first.ID)
                .map(String::valueOf)
                .orElse(String.valueOf(account.id()));
    }

    /** Names by account id, as they are now. */
    public Map<Long, String> names() {
        return db.selectFrom(ACCOUNT).fetchMap(a -> (long) a.getId(), AccountRecord::getName);
    }

    /** Whether somebody who is signed in still belongs to the site. */
    public boolean belongs(Person person) {
        return db.fetchExists(
                ACCOUNT, ACCOUNT.ID.eq((int) person.id()).and(ACCOUNT.LEFT_AT.isNull()));
    }

    private Person prove(AccountRecord a, String secret, String hash, String otherwise) {
        long now = clock.millis();
        if (a.getLockedUntil() > now) {
            throw locked(a.getLockedUntil() - now);
        }
        if (!encoder.matches(secret, hash)) {
            int failed = a.getFailed() + 1;
            boolean lock = failed >= FAILURES;
            a.setFailed(lock ? 0 : failed);
            a.setLockedUntil(lock ? now + LOCKED.toMillis() : 0);
            a.store();
            if (lock) {
                throw locked(LOCKED.toMillis());
            }
            throw wrong(otherwise + " " + (FAILURES - failed) + " tries left.");
        }
        if (a.getFailed() != 0 || a.getLockedUntil() != 0) {
            a.setFailed(0);
            a.setLockedUntil(0L);
            a.store();
        }
        return new Person(a.getId(), a.getName(), Role.valueOf(a.getRole()));
    }

    private static Said wrong(String message) {
        return new Said(HttpStatus.UNAUTHORIZED, message);
    }

    private static Said locked(long millis) {
        long minutes = Math.max(1, Math.ceilDiv(millis, 60_000));
        return new Said(
                HttpStatus.TOO_MANY_REQUESTS,
                "Too many wrong tries. This account is locked for "
                        + minutes
                        + (minutes == 1 ? " more minute." : " more minutes."));
    }
}
