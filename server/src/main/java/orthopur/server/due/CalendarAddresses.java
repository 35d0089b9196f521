package orthopur.server.due;

import static orthopur.db.Tables.CALENDAR_ADDRESS;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.server.people.Person;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/** Addresses that a calendar outside reads by: a secret nobody guesses, withdrawn at any time. */
@Service
public class CalendarAddresses {
    private final DSLContext db;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    CalendarAddresses(DSLContext db, Clock clock) {
        this.db = db;
        this.clock = clock;
    }

    /**
     * @param at epoch milliseconds
     */
    record Made(int id, String by, long at) {}

    List<Made> all() {
        return db.selectFrom(CALENDAR_ADDRESS)
                .where(CALENDAR_ADDRESS.WITHDRAWN_AT.isNull())
                .orderBy(CALENDAR_ADDRESS.ID)
                .fetch(a -> new Made(a.getId(), a.getMadeBy(), a.getMadeAt()));
    }

    @Transactional
    String make(Person person) {
        byte[] secret = new byte[24];
        random.nextBytes(secret);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
        db.insertInto(CALENDAR_ADDRESS)
                .set(CALENDAR_ADDRESS.TOKEN_HASH, hash(token))
                .set(CALENDAR_ADDRESS.MADE_BY, person.name())
                .set(CALENDAR_ADDRESS.MADE_AT, clock.millis())
                .execute();
        return token;
    }

    @Transactional
    void withdraw(int id) {
        db.update(CALENDAR_ADDRESS)
                .set(CALENDAR_ADDRESS.WITHDRAWN_AT, clock.millis())
                .where(CALENDAR_ADDRESS.ID.eq(id).and(CALENDAR_ADDRESS.WITHDRAWN_AT.isNull()))
                .execute();
    }

    /**
     * @throws Said when no such address is given out
     */
    public void vouchFor(String token) {
        if (!db.fetchExists(
                CALENDAR_ADDRESS,
                CALENDAR_ADDRESS
                        .TOKEN_HASH
                        .eq(hash(token))
                        .and(CALENDAR_ADDRESS.WITHDRAWN_AT.isNull()))) {
            throw Said.notFound(
                    Text.of(
                            "calendar-addresses.withdrawn",
                            "This address is not given out, or was withdrawn."));
        }
    }

    private static String hash(String token) {
        try {
            return HexFormat.of()
                    .formatHex(
                            MessageDigest.getInstance("SHA-256")
                                    .digest(token.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("SHA-256 is missing.", e);
        }
    }
}
