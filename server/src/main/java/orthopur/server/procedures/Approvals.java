package orthopur.server.procedures;

import static orthopur.db.Tables.PROCEDURE_VERSION;

import java.time.Clock;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.db.tables.records.ProcedureVersionRecord;
import orthopur.formats.ProcedureFormat;
import orthopur.server.custody.Custody;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Person;
import orthopur.server.people.Signature;
import orthopur.server.platform.Said;
import orthopur.server.platform.SiteLog;
import orthopur.text.Text;
import orthopur.verdict.Verdict;

/** What is signed for a version: that it is used, and that it no longer is. */
@Service
public class Approvals {
    private static final String DRAFT = "DRAFT";

    private static final int LEAST_REASON = 10;

    private final DSLContext db;
    private final Versions versions;
    private final Judging judging;
    private final Sheets sheets;
    private final Custody custody;
    private final Clock clock;
    private final SiteLog log;

    Approvals(
            DSLContext db,
            Versions versions,
            Judging judging,
            Sheets sheets,
            Custody custody,
            Clock clock,
            SiteLog log) {
        this.db = db;
        this.versions = versions;
        this.judging = judging;
        this.sheets = sheets;
        this.custody = custody;
        this.clock = clock;
        this.log = log;
    }

    /**
     * Approves a draft: never with a STOP, with a FIX only with a written reason, signed by PIN.
     *
     * @param revision the one that was looked at
     */
    @Transactional(noRollbackFor = Said.class)
    public ProcedureVersionRecord approve(
            String id, int version, int revision, @Nullable String reason, Signature signed) {
        Person person = signed.by();
        Versions.mayWrite(person);
        custody.vouchForTheSite();
        ProcedureVersionRecord r = versions.version(id, version);
        if (!r.getState().equals("DRAFT")) {
            throw Said.conflict(
                    Text.of(
                            "procedures.version-was-approved-already-by",
                            "Version {0} was approved already, by {1}.",
                            version,
                            r.getApprovedBy()));
        }
        versions.unchanged(r, revision);
        int sheetNow = sheets.newest(r.getMachine()).version();
        int sheetThen = ProcedureFormat.document(r.getDocument()).sheetVersion();
        if (sheetThen != sheetNow) {
            throw Said.conflict(
                    Text.of(
                            "procedures.it-was-written-against-version",
                            "It was written against version {0} of the sheet, which is at {1} now. Open it, look at the verdict and save it.",
                            sheetThen,
                            sheetNow));
        }
        // Judged anew: sheet, chemicals or rules may have changed since it was saved.
        Verdict v = judging.judge(judging.read(r.getDocument())).verdict();
        if (v.stops() > 0) {
            throw Said.conflict(
                    Text.of(
                            "procedures.it-has-and-cannot-be",
                            "It has {0, plural, one {# STOP} other {# STOPs}} and cannot be approved.",
                            v.stops()));
        }
        boolean reasoned = reason != null && reason.strip().length() >= 10;
        if (v.fixes() > 0 && !reasoned) {
            throw Said.conflict(
                    Text.of(
                            "procedures.it-has-write-the-reason",
                            "It has {0, plural, one {# FIX} other {# FIXes}}. Write the reason why it is approved all the same, at least 10 characters.",
                            v.fixes()));
        }
        db.update(PROCEDURE_VERSION)
                .set(PROCEDURE_VERSION.STATE, "RETIRED")
                .where(
                        PROCEDURE_VERSION
                                .PROCEDURE_ID
                                .eq(id)
                                .and(PROCEDURE_VERSION.STATE.eq("APPROVED")))
                .execute();
        r.setState("APPROVED");
        r.setApprovedBy(person.name());
        r.setApprovedAt(clock.millis());
        r.setApproveReason(reason == null || reason.isBlank() ? null : reason.strip());
        r.setStops(v.stops());
        r.setFixes(v.fixes());
        r.store();
        return r;
    }

    /**
     * Takes an approved version out of use: the floor starts no round from it any more.
     *
     * @param reason at least 10 letters, kept in the log of the site
     */
    @Transactional(noRollbackFor = Said.class)
    public ProcedureVersionRecord retire(String id, int version, String reason, Signature signed) {
        Person person = signed.by();
        Versions.mayWrite(person);
        if (reason == null || reason.strip().length() < LEAST_REASON) {
            throw new Said(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    Text.of(
                            "procedures.write-why-it-is-retired",
                            "Write why it is retired, at least {0} letters.",
                            LEAST_REASON));
        }
        ProcedureVersionRecord r = versions.version(id, version);
        if (!r.getState().equals("APPROVED")) {
            throw Said.conflict(
                    Text.of(
                            "procedures.version-is-not-approved-so",
                            "Version {0} is not approved, so it is not in use.",
                            version));
        }
        r.setState("RETIRED");
        r.store();
        log.keep("procedure " + id, "APPROVED", "RETIRED: " + reason.strip(), person.name());
        return r;
    }
}
