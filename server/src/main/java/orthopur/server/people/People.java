package orthopur.server.people;

import static orthopur.db.Tables.ACCOUNT;
import static orthopur.db.Tables.MACHINE_USE;
import static orthopur.db.Tables.PHOTO;
import static orthopur.db.Tables.ROUND;
import static orthopur.db.Tables.SHEET;
import static orthopur.db.Tables.SPARE_COUNT;
import static orthopur.db.Tables.STEP_COMMENT;
import static orthopur.db.Tables.TABLET;
import static orthopur.db.Tables.TRAINING;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Consumer;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Table;
import org.jooq.TableField;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.db.tables.records.AccountRecord;
import orthopur.round.Role;
import orthopur.server.people.PeopleController.ChangedPerson;
import orthopur.server.people.PeopleController.NewPerson;
import orthopur.server.people.PeopleController.PersonView;
import orthopur.server.platform.Said;
import orthopur.server.platform.SiteLog;
import orthopur.text.Text;

/** Makes and changes accounts: signed, and kept in the log without any secret. */
@Service
class People {
    private static final int LONGEST_NAME = 60;
    private static final int MOST_YEARS_TO_18 = 6;

    private final DSLContext db;
    private final Accounts accounts;
    private final SiteLog log;
    private final Clock clock;
    private final Training training;
    private final ApplicationEventPublisher events;

    People(
            DSLContext db,
            Accounts accounts,
            SiteLog log,
            Clock clock,
            Training training,
            ApplicationEventPublisher events) {
        this.db = db;
        this.accounts = accounts;
        this.log = log;
        this.clock = clock;
        this.training = training;
        this.events = events;
    }

    List<PersonView> all() {
        return db.selectFrom(ACCOUNT).orderBy(ACCOUNT.NAME).fetch().map(this::view);
    }

    private PersonView view(AccountRecord a) {
        LocalDate from = a.getAdultFrom() == null ? null : LocalDate.parse(a.getAdultFrom());
        return new PersonView(
                a.getId(),
                a.getName(),
                Role.valueOf(a.getRole()),
                from == null || !from.isAfter(accounts.today()) ? null : from,
                a.getSameAs(),
                training.of(a.getId()),
                a.getLeftAt() != null);
    }

    /** A supervisor for whom nobody signs: whoever runs the server answers for it. */
    void supervisor(String given, String password, String pin, Consumer<Signature> with) {
        String name = given.strip();
        List<Text> wrong = new ArrayList<>();
        named(name, wrong);
        check(password, null, wrong);
        Secrets.pin(pin, wrong);
        refuse(wrong);
        String passwordHash = accounts.hash(password);
        String pinHash = accounts.hash(pin);
        db.transaction(
                t -> {
                    nobodyElse(name, 0);
                    int id =
                            accounts.create(
                                    name, Role.SUPERVISOR, passwordHash, pinHash, true, null);
                    with.accept(new Signature(new Person(id, name, Role.SUPERVISOR, 0)));
                    log.keep("person " + name, null, "SUPERVISOR, by the link of the server", name);
                });
    }

    @Transactional(noRollbackFor = Said.class)
    public PersonView create(NewPerson in, String password, Signature signed) {
        String name = in.name() == null ? "" : in.name().strip();
        List<Text> wrong = new ArrayList<>();
        named(name, wrong);
        if (in.role() == null) {
            wrong.add(Text.of("accounts.choose-a-role", "Choose a role."));
        }
        check(in.password(), in.adultFrom(), wrong);
        String same = samePerson(name, in.sameAs(), wrong);
        List<String> machines = in.trainedOn() == null ? List.of() : in.trainedOn();
        known(machines, wrong);
        refuse(wrong);
        nobodyElse(name, 0);
        int id = accounts.create(name, in.role(), password, "", false, in.adultFrom());
        AccountRecord made = db.selectFrom(ACCOUNT).where(ACCOUNT.ID.eq(id)).fetchSingle();
        made.setSameAs(same);
        made.store();
        training.set(made.getId(), machines, signed.by().name());
        log.keep("person " + name, null, said(made), signed.by().name());
        return view(made);
    }

    @Transactional(noRollbackFor = Said.class)
    public PersonView change(
            int id, ChangedPerson in, @Nullable String password, Signature signed) {
        AccountRecord a =
                db.selectFrom(ACCOUNT)
                        .where(ACCOUNT.ID.eq(id))
                        .fetchOptional()
                        .orElseThrow(
                                () ->
                                        Said.notFound(
                                                Text.of(
                                                        "people.there-is-no-such-account",
                                                        "There is no such account.")));
        List<Text> wrong = new ArrayList<>();
        check(in.password() == null ? "unchanged" : in.password(), in.adultFrom(), wrong);
        String name = in.name() == null ? a.getName() : in.name().strip();
        named(name, wrong);
        String same = samePerson(a.getName(), in.sameAs(), wrong);
        List<String> machines = in.trainedOn() == null ? training.of(id) : in.trainedOn();
        known(machines, wrong);
        boolean supervises = in.role() == Role.SUPERVISOR && !in.left();
        if (!supervises && lastSupervisor(a)) {
            wrong.add(
                    Text.of(
                            "accounts.is-the-only-supervisor-left-somebody",
                            "{0} is the only supervisor left; somebody has to be able to write and approve.",
                            a.getName()));
        }
        refuse(wrong);
        String before = said(a);
        String called = a.getName();
        if (!name.equals(called)) {
            rename(a, name);
        }
        boolean other =
                !name.equals(called)
                        || !in.role().name().equals(a.getRole())
                        || in.left() != (a.getLeftAt() != null)
                        || in.password() != null
                        || Boolean.TRUE.equals(in.newPin());
        if (other) {
            // Whoever is signed in with it signs in again, as what they are now.
            a.setEpoch(a.getEpoch() + 1);
        }
        a.setRole(in.role().name());
        a.setAdultFrom(in.adultFrom() == null ? null : in.adultFrom().toString());
        a.setSameAs(same);
        a.setLeftAt(
                !in.left()
                        ? null
                        : a.getLeftAt() == null ? Long.valueOf(clock.millis()) : a.getLeftAt());
        if (in.password() != null) {
            a.setPasswordHash(Objects.requireNonNull(password));
        }
        if (Boolean.TRUE.equals(in.newPin())) {
            a.setPinHash("");
            a.setPinOwn(false);
        }
        a.store();
        training.set(id, machines, signed.by().name());
        log.keep(
                "person " + a.getName(),
                before,
                said(a)
                        + (called.equals(a.getName()) ? "" : ", called otherwise before")
                        + (in.password() == null ? "" : ", new password")
                        + (Boolean.TRUE.equals(in.newPin()) ? ", chooses a new PIN" : ""),
                signed.by().name());
        return view(a);
    }

    private static void named(String name, List<Text> wrong) {
        if (name.isEmpty() || name.length() > LONGEST_NAME) {
            wrong.add(
                    Text.of(
                            "accounts.the-name-has-to-letters",
                            "The name has 1 to {0} letters.",
                            LONGEST_NAME));
        }
    }

    /**
     * Another name, wherever the old one stands outside of the log. Entries of the log name the
     * account, so they show the new one; those from before that was kept hold the name as it was,
     * under their hashes.
     */
    private void rename(AccountRecord a, String name) {
        String old = a.getName();
        nobodyElse(name, a.getId());
        for (Field<String> f :
                List.of(
                        ACCOUNT.SAME_AS,
                        ROUND.STARTED_BY,
                        ROUND.CLOSED_BY,
                        MACHINE_USE.WHO,
                        SPARE_COUNT.WHO,
                        TRAINING.SAID_BY,
                        STEP_COMMENT.WHO,
                        PHOTO.TAKEN_BY,
                        TABLET.ENROLLED_BY)) {
            Table<?> table = ((TableField<?, String>) f).getTable();
            db.update(Objects.requireNonNull(table)).set(f, name).where(f.eq(old)).execute();
        }
        a.setName(name);
        events.publishEvent(new Renamed(a.getId()));
    }

    private void nobodyElse(String name, int but) {
        for (AccountRecord a : db.selectFrom(ACCOUNT).where(ACCOUNT.ID.ne(but))) {
            if (LookAlike.of(name, a.getName())) {
                throw Said.conflict(
                        a.getName().equalsIgnoreCase(name)
                                ? Text.of(
                                        "people.there-is-an-account-of",
                                        "There is an account of {0} already.",
                                        a.getName())
                                : Text.of(
                                        "people.looks-like-who-has-an",
                                        "{0} looks like {1}, who has an account here; nobody could tell who has signed.",
                                        name,
                                        a.getName()));
            }
        }
    }

    private void known(List<String> machines, List<Text> wrong) {
        for (String m : machines) {
            if (!db.fetchExists(SHEET, SHEET.CODE.eq(m))) {
                wrong.add(
                        Text.of(
                                "accounts.there-is-no-machine-on-this",
                                "There is no machine {0} on this site to be trained on.",
                                m));
            }
        }
    }

    /** The first account of a person: whoever cleaned with one does not release with the other. */
    private @Nullable String samePerson(String name, @Nullable String other, List<Text> wrong) {
        if (other == null || other.isBlank()) {
            return null;
        }
        AccountRecord first =
                db.selectFrom(ACCOUNT).where(ACCOUNT.NAME.eq(other.strip())).fetchOne();
        if (first == null || other.strip().equals(name)) {
            wrong.add(
                    Text.of(
                            "accounts.a-second-account-names-another-account",
                            "A second account names another account of the site, not \"{0}\".",
                            other));
            return null;
        }
        return first.getSameAs() == null ? first.getName() : first.getSameAs();
    }

    private boolean lastSupervisor(AccountRecord a) {
        return a.getRole().equals(Role.SUPERVISOR.name())
                && a.getLeftAt() == null
                && db.fetchCount(
                                ACCOUNT,
                                ACCOUNT.ROLE
                                        .eq(Role.SUPERVISOR.name())
                                        .and(ACCOUNT.LEFT_AT.isNull()))
                        == 1;
    }

    private void check(@Nullable String password, @Nullable LocalDate adultFrom, List<Text> wrong) {
        Secrets.password(password, wrong);
        LocalDate today = accounts.today();
        if (adultFrom != null
                && (!adultFrom.isAfter(today)
                        || adultFrom.isAfter(today.plusYears(MOST_YEARS_TO_18)))) {
            wrong.add(
                    Text.of(
                            "accounts.turning-18",
                            "The day of turning 18 lies after today, at most {0} years; leave it empty for somebody of age.",
                            MOST_YEARS_TO_18));
        }
    }

    private static void refuse(List<Text> wrong) {
        if (!wrong.isEmpty()) {
            throw new Said(HttpStatus.UNPROCESSABLE_ENTITY, Text.sentences(wrong));
        }
    }

    /** As it goes into the log: no secret, and of the age only whether it is under 18. */
    private String said(AccountRecord a) {
        List<String> machines = training.of(a.getId());
        return a.getRole()
                + (a.getAdultFrom() == null ? "" : ", under 18")
                + (a.getSameAs() == null ? "" : ", second account of " + a.getSameAs())
                + (machines.isEmpty() ? "" : ", trained on " + String.join(", ", machines))
                + (a.getLeftAt() == null ? "" : ", left");
    }
}
