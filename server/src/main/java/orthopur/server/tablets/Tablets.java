package orthopur.server.tablets;

import static orthopur.db.Tables.TABLET;
import static orthopur.db.Tables.TABLET_CODE;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.db.tables.records.TabletCodeRecord;
import orthopur.server.people.KnownDevices;
import orthopur.server.people.Signature;
import orthopur.server.platform.Said;
import orthopur.server.platform.SiteLog;
import orthopur.text.Text;

/**
 * Which tablets are the site's. A code is six digits, holds for ten minutes, enrols one tablet, and
 * is gone after five wrong ones; what the tablet keeps after that nobody can guess.
 */
@Service
public class Tablets implements KnownDevices {
    static final Duration CODE_HOLDS = Duration.ofMinutes(10);
    static final int GUESSES = 5;
    private static final int LONGEST_NAME = 40;

    private final DSLContext db;
    private final SiteLog log;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Tablets(DSLContext db, SiteLog log, Clock clock) {
        this.db = db;
        this.log = log;
        this.clock = clock;
    }

    /**
     * @param enrolledAt epoch milliseconds
     */
    public record Tablet(int id, String name, String enrolledBy, long enrolledAt) {}

    /**
     * @param until epoch milliseconds until when it holds
     */
    record Code(String code, long until) {}

    /** What an enrolled tablet is called, and the secret by which it is known. */
    record Enrolled(Tablet tablet, String token) {}

    List<Tablet> all() {
        return db.selectFrom(TABLET)
                .where(TABLET.WITHDRAWN_AT.isNull())
                .orderBy(TABLET.NAME)
                .fetch(
                        t ->
                                new Tablet(
                                        t.getId(),
                                        t.getName(),
                                        t.getEnrolledBy(),
                                        t.getEnrolledAt()));
    }

    /**
     * Gives out a code for a tablet of this name; an earlier one for it is void.
     *
     * @throws Said when the name is no name or is taken
     */
    @Transactional(noRollbackFor = Said.class)
    public Code code(@Nullable String given, Signature signed) {
        String name = given == null ? "" : given.strip();
        if (name.isEmpty() || name.length() > LONGEST_NAME) {
            throw new Said(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    Text.of(
                            "tablets.the-name-of-the-tablet",
                            "The name of the tablet has 1 to {0} letters.",
                            LONGEST_NAME));
        }
        if (all().stream().anyMatch(t -> t.name().equalsIgnoreCase(name))) {
            throw Said.conflict(
                    Text.of(
                            "tablets.there-is-a-tablet-already",
                            "There is a tablet \"{0}\" already; withdraw it first.",
                            name));
        }
        String code = "%06d".formatted(random.nextInt(1_000_000));
        long until = clock.millis() + CODE_HOLDS.toMillis();
        db.deleteFrom(TABLET_CODE).where(TABLET_CODE.NAME.eq(name)).execute();
        db.insertInto(TABLET_CODE)
                .set(TABLET_CODE.NAME, name)
                .set(TABLET_CODE.CODE_HASH, hash(code))
                .set(TABLET_CODE.GIVEN_BY, signed.by().name())
                .set(TABLET_CODE.UNTIL, until)
                .execute();
        return new Code(code, until);
    }

    /**
     * @param code as it was given out; spaces do not count
     * @throws Said when it is none, or none any more
     */
    @Transactional(noRollbackFor = Said.class)
    public Enrolled enrol(@Nullable String code) {
        String digits = code == null ? "" : code.replaceAll("\\s", "");
        db.deleteFrom(TABLET_CODE).where(TABLET_CODE.UNTIL.lt(clock.millis())).execute();
        TabletCodeRecord found =
                db.selectFrom(TABLET_CODE).where(TABLET_CODE.CODE_HASH.eq(hash(digits))).fetchOne();
        if (found == null) {
            // Whoever guesses, guesses at all of them.
            db.update(TABLET_CODE).set(TABLET_CODE.FAILED, TABLET_CODE.FAILED.plus(1)).execute();
            db.deleteFrom(TABLET_CODE).where(TABLET_CODE.FAILED.ge(GUESSES)).execute();
            throw new Said(
                    HttpStatus.UNAUTHORIZED,
                    Text.of(
                            "tablets.this-code-enrolls-no-tablet",
                            "This code enrolls no tablet. It has six digits and holds for {0} minutes; a supervisor gives out a new one.",
                            CODE_HOLDS.toMinutes()));
        }
        found.delete();
        byte[] secret = new byte[32];
        random.nextBytes(secret);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
        int id =
                db.insertInto(TABLET)
                        .set(TABLET.NAME, found.getName())
                        .set(TABLET.TOKEN_HASH, hash(token))
                        .set(TABLET.ENROLLED_BY, found.getGivenBy())
                        .set(TABLET.ENROLLED_AT, clock.millis())
                        .returning(TABLET.ID)
                        .fetchSingle(TABLET.ID);
        log.keep("tablet " + found.getName(), null, "enrolled", found.getGivenBy());
        Tablet tablet = new Tablet(id, found.getName(), found.getGivenBy(), clock.millis());
        return new Enrolled(tablet, token);
    }

    /**
     * @throws Said when there is none
     */
    @Transactional(noRollbackFor = Said.class)
    public void withdraw(int id, Signature signed) {
        Tablet tablet =
                all().stream()
                        .filter(t -> t.id() == id)
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        Said.notFound(
                                                Text.of(
                                                        "tablets.there-is-no-such-tablet",
                                                        "There is no such tablet.")));
        db.update(TABLET)
                .set(TABLET.WITHDRAWN_AT, clock.millis())
                .where(TABLET.ID.eq(id))
                .execute();
        log.keep("tablet " + tablet.name(), "enrolled", "withdrawn", signed.by().name());
    }

    /** The tablet that keeps this secret, if it is one of the site's. */
    public Optional<Tablet> of(@Nullable String token) {
        if (token == null || token.isBlank()) {
            return Optional.empty();
        }
        return db.selectFrom(TABLET)
                .where(TABLET.TOKEN_HASH.eq(hash(token)).and(TABLET.WITHDRAWN_AT.isNull()))
                .fetchOptional(
                        t ->
                                new Tablet(
                                        t.getId(),
                                        t.getName(),
                                        t.getEnrolledBy(),
                                        t.getEnrolledAt()));
    }

    @Override
    public boolean knows(String token) {
        return of(token).isPresent();
    }

    private static String hash(String secret) {
        try {
            return HexFormat.of()
                    .formatHex(
                            MessageDigest.getInstance("SHA-256")
                                    .digest(secret.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
