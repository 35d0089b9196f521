package orthopur.server.machines;

import static orthopur.db.Tables.FIGURE_CHANGE;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.rulebook.Figure;
import orthopur.rulebook.PublicCodes;
import orthopur.rulebook.RuleBook;
import orthopur.server.people.Signature;

/** The rule book as this site judges by it: the public codes with what the site has set. */
@Service
public class SiteBook {
    private final DSLContext db;
    private final Clock clock;

    SiteBook(DSLContext db, Clock clock) {
        this.db = db;
        this.clock = clock;
    }

    /**
     * One change.
     *
     * @param value null means back to the shipped one
     */
    public record Change(
            String figure, @Nullable Double value, String reason, String who, long at) {}

    /** Every change there ever was, oldest first. */
    public List<Change> changes() {
        return db.selectFrom(FIGURE_CHANGE)
                .orderBy(FIGURE_CHANGE.SEQ)
                .fetch(
                        r ->
                                new Change(
                                        r.getFigure(),
                                        r.getValue(),
                                        r.getReason(),
                                        r.getWho(),
                                        r.getAt()));
    }

    public RuleBook book() {
        return book(changes());
    }

    /** The public codes with those changes of this site, oldest first. */
    static RuleBook book(List<Change> changes) {
        Map<String, Figure> set = new HashMap<>();
        for (Change c : changes) {
            if (c.value() == null) {
                set.remove(c.figure());
            } else {
                set.put(
                        c.figure(),
                        PublicCodes.book()
                                .figure(c.figure())
                                .with(c.value(), "this site: " + c.reason()));
            }
        }
        RuleBook shipped = PublicCodes.book();
        return set.isEmpty()
                ? shipped
                : shipped.with(shipped.version() + "+site-" + changes.size(), set);
    }

    /** The book as it would be with one more figure set. */
    public RuleBook with(String figure, double value) {
        RuleBook now = book();
        return now.with(
                now.version() + "+try",
                Map.of(figure, now.figure(figure).with(value, "this site, not saved")));
    }

    @Transactional
    public void set(String figure, @Nullable Double value, String reason, Signature signed) {
        db.insertInto(FIGURE_CHANGE)
                .set(FIGURE_CHANGE.FIGURE, figure)
                .set(FIGURE_CHANGE.VALUE, value)
                .set(FIGURE_CHANGE.REASON, reason)
                .set(FIGURE_CHANGE.WHO, signed.by().name())
                .set(FIGURE_CHANGE.AT, clock.millis())
                .execute();
    }
}
