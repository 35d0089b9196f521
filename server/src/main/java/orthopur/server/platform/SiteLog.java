package orthopur.server.platform;

import static orthopur.db.Tables.SITE_CHANGE;

import java.time.Clock;
import java.util.List;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * What was changed on the site, by whom, with what stood there before. Nothing in it ever changes.
 */
@Component
public class SiteLog {
    private static final int MOST = 500;

    private final DSLContext db;
    private final Clock clock;

    SiteLog(DSLContext db, Clock clock) {
        this.db = db;
        this.clock = clock;
    }

    /**
     * One change.
     *
     * @param what a product's id, "vessels", "sheet QK-SL1", "person Ilse Varga", "site"
     */
    public record SiteChange(String what, String who, long at) {}

    /** The newest changes first, so many at most. */
    public List<SiteChange> changes() {
        return db.selectFrom(SITE_CHANGE)
                .orderBy(SITE_CHANGE.SEQ.desc())
                .limit(MOST)
                .fetch(r -> new SiteChange(r.getWhat(), r.getWho(), r.getAt()));
    }

    /** Keeps a change, in the transaction that makes it. */
    public void keep(String what, @Nullable String before, String after, String who) {
        db.insertInto(SITE_CHANGE)
                .set(SITE_CHANGE.WHAT, what)
                .set(SITE_CHANGE.BEFORE, before)
                .set(SITE_CHANGE.AFTER, after)
                .set(SITE_CHANGE.WHO, who)
                .set(SITE_CHANGE.AT, clock.millis())
                .execute();
    }
}
