package orthopur.server.procedures;

import static orthopur.db.Tables.SITE_CHANGE;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.formats.FormatError;
import orthopur.machine.Problem;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Severity;
import orthopur.server.machines.Premises;
import orthopur.server.people.Signature;
import orthopur.server.platform.Said;
import orthopur.server.platform.SiteLog;
import orthopur.text.Text;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/**
 * Approved procedures that the rules of today stop: after an upgrade of the program, or after a
 * figure, a product or a sheet was changed. They start no round until a supervisor has signed that
 * they may be used a while longer, once for each version.
 */
@Service
public class Lapsed {
    private static final int LEAST_REASON = 10;
    private static final String USED = "use of ";

    private final Procedures procedures;
    private final Premises premises;
    private final SiteLog log;
    private final DSLContext db;
    private final Clock clock;

    /** Verdicts by version; those of other surroundings are judged anew. */
    private final Map<String, Judged> judged = new ConcurrentHashMap<>();

    Lapsed(Procedures procedures, Premises premises, SiteLog log, DSLContext db, Clock clock) {
        this.procedures = procedures;
        this.premises = premises;
        this.log = log;
        this.db = db;
        this.clock = clock;
    }

    private record Judged(Context by, int stops, List<Text> because) {}

    /**
     * An approved version that the rules stop.
     *
     * @param because what is found
     * @param until it may be used until then, in epoch milliseconds; null while nobody has signed
     */
    public record NoLongerPasses(
            String id,
            int version,
            String machine,
            String title,
            int stops,
            List<Text> because,
            @Nullable Long until) {}

    /** All that no longer pass. */
    public List<NoLongerPasses> all() {
        List<NoLongerPasses> rows = new ArrayList<>();
        for (Procedures.ApprovedRow a : procedures.approved()) {
            try {
                NoLongerPasses row = of(a);
                if (row != null) {
                    rows.add(row);
                }
            } catch (Said e) {
                // Its sheet was changed by something else; it is not served at all, and that is
                // said.
                continue;
            }
        }
        return rows;
    }

    /** The same for one; null where it passes. */
    @Nullable NoLongerPasses of(Procedures.ApprovedRow a) {
        Judged j = judged(a);
        return j.stops() == 0
                ? null
                : new NoLongerPasses(
                        a.id(),
                        a.version(),
                        a.machine(),
                        a.title(),
                        j.stops(),
                        j.because(),
                        until(a.id(), a.version()));
    }

    private Judged judged(Procedures.ApprovedRow a) {
        Context now = premises.now().context();
        String key = a.id() + "@" + a.version();
        Judged known = judged.get(key);
        if (known == null || !known.by().equals(now)) {
            Procedures.Approved version = procedures.approvedVersion(a.id());
            Verdict v = Verifier.withoutRemedies(version.procedure(), version.sheet(), now, 0);
            List<Text> stops =
                    v.findings().stream()
                            .filter(f -> f.under() == null && f.severity() == Severity.STOP)
                            .map(Finding::said)
                            .toList();
            known = new Judged(now, stops.size(), stops);
            judged.put(key, known);
        }
        return known;
    }

    /**
     * How long a version that no longer passes may still be used, once signed for; the site says.
     */
    private Duration stillUsed() {
        return Duration.ofDays(premises.now().site().habits().graceDays());
    }

    private @Nullable Long until(String id, int version) {
        Long at =
                db.select(SITE_CHANGE.AT)
                        .from(SITE_CHANGE)
                        .where(SITE_CHANGE.WHAT.eq(USED + id + "@" + version))
                        .orderBy(SITE_CHANGE.SEQ)
                        .limit(1)
                        .fetchOne(SITE_CHANGE.AT);
        return at == null ? null : at + stillUsed().toMillis();
    }

    /**
     * Refuses to start what no longer passes, unless it was signed for and the time is not over.
     *
     * @throws Said with what is found
     */
    public void mayStart(String procedure) {
        NoLongerPasses row =
                procedures.approved().stream()
                        .filter(a -> a.id().equals(procedure))
                        .map(this::of)
                        .filter(Objects::nonNull)
                        .findFirst()
                        .orElse(null);
        if (row == null || row.until() != null && row.until() > clock.millis()) {
            return;
        }
        throw Said.conflict(
                Text.of(
                        "lapsed.does-not-pass-the-rules",
                        "{0} does not pass the rules any more: {1} {2}",
                        row.title(),
                        row.because().getFirst(),
                        row.until() == null
                                ? Text.of(
                                        "lapsed.a-supervisor-can-sign-that",
                                        "A supervisor can sign that it is used for {0} days more, under Procedures.",
                                        stillUsed().toDays())
                                : Text.of(
                                        "lapsed.the-days-for-which-it",
                                        "The {0} days for which it was signed are over; it needs a new version.",
                                        stillUsed().toDays())));
    }

    /** Signs that a version which no longer passes is used a while longer. */
    @Transactional
    public NoLongerPasses use(String id, @Nullable String reason, Signature signed) {
        if (reason == null || reason.strip().length() < LEAST_REASON || reason.length() > 400) {
            throw new FormatError(
                    List.of(
                            new Problem(
                                    "/reason",
                                    Text.of(
                                            "lapsed.say-in-to-letters-why-it",
                                            "Say in 10 to 400 letters why it is used all the same, and what is watched."))));
        }
        NoLongerPasses row =
                all().stream()
                        .filter(r -> r.id().equals(id))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        Said.conflict(
                                                Text.of(
                                                        "lapsed.the-approved-version-of-passes",
                                                        "The approved version of {0} passes; nothing has to be signed.",
                                                        id)));
        if (row.until() != null) {
            throw Said.conflict(
                    Text.of(
                            "lapsed.was-signed-for-already-once",
                            "{0} was signed for already, once for each version; it needs a new version.",
                            row.title()));
        }
        log.keep(
                USED + id + "@" + row.version(),
                String.join(" ", row.because().stream().map(Text::sentence).toList()),
                reason.strip(),
                signed.by().name());
        return new NoLongerPasses(
                row.id(),
                row.version(),
                row.machine(),
                row.title(),
                row.stops(),
                row.because(),
                clock.millis() + stillUsed().toMillis());
    }
}
