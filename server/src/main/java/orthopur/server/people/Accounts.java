package orthopur.server.people;

import static java.time.temporal.ChronoUnit.DAYS;
import static orthopur.db.Tables.ACCOUNT;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.UnaryOperator;
import org.jooq.DSLContext;
import org.jooq.UpdateSetMoreStep;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import orthopur.db.tables.records.AccountRecord;
import orthopur.ledger.Sealed;
import orthopur.round.Role;
import orthopur.server.custody.Custody;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/** Accounts with password and PIN. */
@Service
public class Accounts {
    private static final int ADULT = 18;

    private final DSLContext db;
    private final PasswordEncoder encoder;
    private final Clock clock;
    private final Throttle throttle;
    private final Custody custody;

    Accounts(
            DSLContext db,
            PasswordEncoder encoder,
            Clock clock,
            Throttle throttle,
            Custody custody) {
        this.custody = custody;
        this.db = db;
        this.encoder = encoder;
        this.clock = clock;
        this.throttle = throttle;
    }

    /**
     * The hash of a new secret; made before a transaction begins, since it is slow on purpose.
     *
     * @return empty for what can be none, which is refused in words later
     */
    public String hash(@Nullable String secret) {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("Nobody's entry waits until a secret is hashed.");
        }
        return secret == null || Secrets.bytes(secret) > Secrets.MOST_PASSWORD
                ? ""
                : encoder.encode(secret);
    }

    /**
     * Makes an account.
     *
     * @param password,pin hashes of them; an empty one lets nobody in
     * @param pinOwn whether its owner has chosen the PIN
     * @param adultFrom the day on which the person turns 18; null for somebody of age
     * @return its id
     */
    public int create(
            String name,
            Role role,
            String password,
            String pin,
            boolean pinOwn,
            @Nullable LocalDate adultFrom) {
        return db.insertInto(ACCOUNT)
                .set(ACCOUNT.NAME, name)
                .set(ACCOUNT.ROLE, role.name())
                .set(ACCOUNT.PASSWORD_HASH, password)
                .set(ACCOUNT.PIN_HASH, pin)
                .set(ACCOUNT.PIN_OWN, pinOwn)
                .set(ACCOUNT.ADULT_FROM, adultFrom == null ? null : adultFrom.toString())
                .returning(ACCOUNT.ID)
                .fetchSingle(ACCOUNT.ID);
    }

    /** Age in years of somebody under 18, as far as it is kept; null for somebody of age. */
    public @Nullable Integer ageUnder18(Person person) {
        return ageUnder18(person.id());
    }

    /** The same of an account. */
    public @Nullable Integer ageUnder18(long account) {
        String from =
                db.select(ACCOUNT.ADULT_FROM)
                        .from(ACCOUNT)
                        .where(ACCOUNT.ID.eq((int) account))
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
     * @throws Said when name and password do not match, or no more may be tried from there; whether
     *     there is such a name is not told
     */
    public Person signIn(String name, String password) {
        AccountRecord found =
                db.selectFrom(ACCOUNT)
                        .where(ACCOUNT.NAME.eq(name.strip()).and(ACCOUNT.LEFT_AT.isNull()))
                        .fetchOne();
        throttle.compare(
                name,
                password,
                found == null ? null : found.getPasswordHash(),
                Text.of("accounts.no-match", "Name and password do not match."));
        custody.vouchFor(Sealed.ACCOUNT, Objects.requireNonNull(found).getId().toString());
        return person(found);
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
     * @throws Said when the PIN is wrong, or no more may be tried
     */
    public Signature sign(Person person, @Nullable String pin) {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("Nobody's entry waits until a PIN is compared.");
        }
        AccountRecord a =
                db.selectFrom(ACCOUNT).where(ACCOUNT.ID.eq((int) person.id())).fetchSingle();
        if (a.getLeftAt() != null) {
            throw Said.forbidden(
                    Text.of(
                            "accounts.has-left-and-signs-nothing",
                            "{0} has left and signs nothing any more.",
                            a.getName()));
        }
        if (!a.getPinOwn()) {
            throw new Said(
                    HttpStatus.PRECONDITION_REQUIRED,
                    Text.of(
                            "accounts.choose-a-pin-of-your",
                            "Choose a PIN of your own first: six digits that only you know."));
        }
        byPin(a, pin);
        return new Signature(person);
    }

    private void byPin(AccountRecord a, @Nullable String pin) {
        custody.vouchFor(Sealed.ACCOUNT, a.getId().toString());
        throttle.compare(
                "pin of " + a.getId(),
                pin == null ? "" : pin,
                a.getPinHash().isEmpty() ? null : a.getPinHash(),
                Text.of("accounts.the-pin-is-wrong", "The PIN is wrong."));
    }

    /** Whether somebody has no PIN of their own yet: it was given to them, or is of four digits. */
    public boolean hasToChoosePin(Person person) {
        return db.fetchExists(
                ACCOUNT, ACCOUNT.ID.eq((int) person.id()).and(ACCOUNT.PIN_OWN.isFalse()));
    }

    /**
     * Gives somebody the PIN that they have chosen; whoever is signed in as they were is out.
     *
     * @param secret their password, or the PIN that they had
     * @return them, as they are now
     * @throws Said when the secret is wrong, or the PIN is none
     */
    public Person choosePin(Person person, String secret, boolean byPin, String pin) {
        List<Text> wrong = new ArrayList<>();
        Secrets.pin(pin, wrong);
        refuse(wrong);
        AccountRecord a = proven(person, secret, byPin);
        if (byPin && secret.equals(pin)) {
            refuse(
                    List.of(
                            Text.of(
                                    "accounts.another-pin",
                                    "Choose another PIN than the one you had.")));
        }
        String hashed = hash(pin);
        return changed(a, c -> c.set(ACCOUNT.PIN_HASH, hashed).set(ACCOUNT.PIN_OWN, true));
    }

    /**
     * The same for their password.
     *
     * @throws Said when the old one is wrong, or the new one is none
     */
    public Person choosePassword(Person person, String old, String password) {
        List<Text> wrong = new ArrayList<>();
        Secrets.password(password, wrong);
        refuse(wrong);
        AccountRecord a = proven(person, old, false);
        String hashed = hash(password);
        return changed(a, c -> c.set(ACCOUNT.PASSWORD_HASH, hashed));
    }

    private AccountRecord proven(Person person, String secret, boolean byPin) {
        AccountRecord a =
                db.selectFrom(ACCOUNT).where(ACCOUNT.ID.eq((int) person.id())).fetchSingle();
        if (byPin) {
            byPin(a, secret);
        } else {
            custody.vouchFor(Sealed.ACCOUNT, a.getId().toString());
            throttle.compare(
                    "password of " + a.getId(),
                    secret,
                    a.getPasswordHash(),
                    Text.of("accounts.the-password-is-wrong", "The password is wrong."));
        }
        return a;
    }

    private Person changed(AccountRecord a, UnaryOperator<UpdateSetMoreStep<AccountRecord>> how) {
        int epoch = a.getEpoch() + 1;
        how.apply(db.update(ACCOUNT).set(ACCOUNT.EPOCH, epoch))
                .where(ACCOUNT.ID.eq(a.getId()))
                .execute();
        return new Person(a.getId(), a.getName(), Role.valueOf(a.getRole()), epoch);
    }

    private static void refuse(List<Text> wrong) {
        if (!wrong.isEmpty()) {
            throw new Said(HttpStatus.UNPROCESSABLE_ENTITY, Text.sentences(wrong));
        }
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
     * @throws Said when the PIN is wrong, no more may be tried, or there is no such account
     */
    public Person byPin(long account, @Nullable String pin) {
        AccountRecord a =
                db.selectFrom(ACCOUNT)
                        .where(ACCOUNT.ID.eq((int) account).and(ACCOUNT.LEFT_AT.isNull()))
                        .fetchOptional()
                        .orElseThrow(
                                () ->
                                        new Said(
                                                HttpStatus.UNAUTHORIZED,
                                                Text.of(
                                                        "accounts.the-pin-is-wrong",
                                                        "The PIN is wrong.")));
        byPin(a, pin);
        return person(a);
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

    /** Whether somebody who is signed in still belongs to the site, as they were then. */
    public boolean belongs(Person person) {
        return db.fetchExists(
                ACCOUNT,
                ACCOUNT.ID
                        .eq((int) person.id())
                        .and(ACCOUNT.EPOCH.eq(person.epoch()))
                        .and(ACCOUNT.LEFT_AT.isNull()));
    }

    private static Person person(AccountRecord a) {
        return new Person(a.getId(), a.getName(), Role.valueOf(a.getRole()), a.getEpoch());
    }
}
