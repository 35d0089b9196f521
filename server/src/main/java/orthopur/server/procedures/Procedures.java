package orthopur.server.procedures;

import static org.jooq.impl.DSL.max;
import static orthopur.db.Tables.PROCEDURE_VERSION;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.chemical.Chemical;
import orthopur.db.tables.records.ProcedureVersionRecord;
import orthopur.formats.FormatError;
import orthopur.formats.Notation;
import orthopur.formats.ProcedureDocument;
import orthopur.formats.ProcedureFormat;
import orthopur.ledger.Sealed;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.procedure.Procedure;
import orthopur.runthrough.Context;
import orthopur.server.custody.Custody;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Person;
import orthopur.server.people.Signature;
import orthopur.server.platform.Said;
import orthopur.server.platform.SiteLog;
import orthopur.text.Text;
import orthopur.verdict.Mending;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/** Versions of procedures and what may be done with them. */
@Service
public class Procedures {
    private static final int LEAST_REASON = 10;
    private static final String DRAFT = "DRAFT";

    private final DSLContext db;
    private final Sheets sheets;
    private final Custody custody;
    private final Clock clock;
    private final SiteLog log;

    Procedures(DSLContext db, Sheets sheets, Custody custody, Clock clock, SiteLog log) {
        this.log = log;
        this.db = db;
        this.sheets = sheets;
        this.custody = custody;
        this.clock = clock;
    }

    /** An approved procedure, as the floor needs it. */
    public record Approved(int version, Procedure procedure, MachineSheet sheet) {}

    /** A read procedure with its verdict. */
    record Judged(ProcedureDocument document, Procedure procedure, Verdict verdict) {}

    List<ProcedureVersionRecord> all() {
        return db.selectFrom(PROCEDURE_VERSION)
                .orderBy(
                        PROCEDURE_VERSION.MACHINE,
                        PROCEDURE_VERSION.PROCEDURE_ID,
                        PROCEDURE_VERSION.VERSION.desc())
                .fetch();
    }

    /**
     * @throws Said when there is none
     */
    ProcedureVersionRecord version(String id, int version) {
        ProcedureVersionRecord r =
                db.selectFrom(PROCEDURE_VERSION)
                        .where(
                                PROCEDURE_VERSION
                                        .PROCEDURE_ID
                                        .eq(id)
                                        .and(PROCEDURE_VERSION.VERSION.eq(version)))
                        .fetchOne();
        if (r == null) {
            throw Said.notFound(
                    Text.of(
                            "procedures.there-is-no-version-of",
                            "There is no version {0} of the procedure {1}.",
                            version,
                            id));
        }
        return r;
    }

    /**
     * Reads a document and runs it through its machine as the newest sheet has it. Its findings
     * have no remedies.
     */
    Judged judge(String text) {
        return judge(text, 0, false);
    }

    /**
     * @param shown place of the configuration whose ribbon is drawn
     * @param remedies whether each finding is told with what is proven to mend it; each is a run
     */
    Judged judge(String text, int shown, boolean remedies) {
        ProcedureDocument document = ProcedureFormat.document(text);
        MachineSheet sheet = sheets.newest(document.sheet());
        if (document.sheetVersion() > sheet.version()) {
            throw new FormatError(
                    List.of(
                            new Problem(
                                    "/sheetVersion",
                                    "The procedure is for version "
                                            + document.sheetVersion()
                                            + " of the sheet of "
                                            + sheet.code()
                                            + "; the newest here is "
                                            + sheet.version()
                                            + ".")));
        }
        Procedure p = ProcedureFormat.read(document, sheet, sheets.surroundings().chemicalIds());
        Context context = sheets.contextOf(sheet);
        Verdict verdict =
                remedies
                        ? Verifier.verify(p, sheet, context, shown)
                        : Verifier.withoutRemedies(p, sheet, context, shown);
        return new Judged(document, p, verdict);
    }

    /** The line notation with the names of a machine and of this site. */
    Notation notation(String machine) {
        return new Notation(sheets.newest(machine), sheets.surroundings().chemicals());
    }

    /** The products of this site. */
    List<Chemical> chemicals() {
        return sheets.surroundings().chemicals();
    }

    /**
     * Takes an approved version out of use: the floor starts no round from it any more.
     *
     * @param reason at least 10 letters, kept in the log of the site
     */
    @Transactional(noRollbackFor = Said.class)
    public ProcedureVersionRecord retire(String id, int version, String reason, Signature signed) {
        Person person = signed.by();
        mayWrite(person);
        if (reason == null || reason.strip().length() < LEAST_REASON) {
            throw new Said(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    Text.of(
                            "procedures.write-why-it-is-retired",
                            "Write why it is retired, at least {0} letters.",
                            LEAST_REASON));
        }
        ProcedureVersionRecord r = version(id, version);
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

    /**
     * A version as it goes onto paper.
     *
     * @param lines each step in line notation, without its id
     * @param overrides figures that this site has changed, in words
     */
    public record Printed(
            Procedure procedure,
            MachineSheet sheet,
            Verdict verdict,
            List<String> lines,
            String state,
            @Nullable String approvedBy,
            @Nullable Long approvedAt,
            @Nullable String reason,
            List<String> overrides) {}

    /** A version with its verdict of today. */
    public Printed printed(String id, int version) {
        ProcedureVersionRecord r = version(id, version);
        custody.vouchFor(Sealed.PROCEDURE_VERSION, id + "@" + version);
        Judged judged = judge(r.getDocument());
        MachineSheet sheet = sheets.newest(judged.document().sheet());
        Notation notation = notation(sheet.code());
        return new Printed(
                judged.procedure(),
                sheet,
                judged.verdict(),
                judged.document().steps().stream()
                        .map(s -> notation.line(s).replaceFirst("\\s#[a-z0-9-]+$", ""))
                        .toList(),
                r.getState(),
                r.getApprovedBy(),
                r.getApprovedAt(),
                r.getApproveReason(),
                sheets.overrides());
    }

    /** A version with everything that is kept of it. */
    public record Stored(
            String id,
            int version,
            String state,
            String document,
            String author,
            long savedAt,
            @Nullable String approvedBy,
            @Nullable Long approvedAt,
            @Nullable String approveReason) {
        static Stored of(ProcedureVersionRecord r) {
            return new Stored(
                    r.getProcedureId(),
                    r.getVersion(),
                    r.getState(),
                    r.getDocument(),
                    r.getAuthor(),
                    r.getSavedAt(),
                    r.getApprovedBy(),
                    r.getApprovedAt(),
                    r.getApproveReason());
        }
    }

    /** Every version of every procedure. */
    public List<Stored> stored() {
        return db.selectFrom(PROCEDURE_VERSION)
                .orderBy(PROCEDURE_VERSION.PROCEDURE_ID, PROCEDURE_VERSION.VERSION)
                .fetch(Stored::of);
    }

    /**
     * Of each procedure the version that is in force there, or else the newest, unless its text is
     * here already. One whose draft lies here is a problem: there is one draft at a time.
     */
    public List<Stored> notYet(List<Stored> others, List<Problem> problems) {
        Map<String, List<Stored>> here =
                stored().stream().collect(Collectors.groupingBy(Stored::id));
        Map<String, Stored> chosen = new TreeMap<>();
        for (Stored s : others) {
            chosen.merge(s.id(), s, Procedures::rather);
        }
        List<Stored> fresh = new ArrayList<>();
        for (Stored s : chosen.values()) {
            List<Stored> mine = here.getOrDefault(s.id(), List.of());
            if (mine.stream().anyMatch(m -> m.document().equals(s.document()))) {
                continue;
            }
            if (mine.stream().anyMatch(m -> m.state().equals(DRAFT))) {
                problems.add(
                        new Problem(
                                "/procedures.json/procedures/" + others.indexOf(s),
                                "There is a draft of %s here already, another one; approve it first or make it the same."
                                        .formatted(s.id())));
            } else {
                fresh.add(s);
            }
        }
        return fresh;
    }

    private static Stored rather(Stored one, Stored other) {
        boolean first = one.state().equals("APPROVED");
        boolean second = other.state().equals("APPROVED");
        if (first != second) {
            return first ? one : other;
        }
        return one.version() >= other.version() ? one : other;
    }

    /**
     * Takes a procedure of another site in, as a draft, whatever it was there.
     *
     * @throws FormatError when its document cannot be read
     */
    @Transactional
    public void takeIn(String document, Signature signed) {
        Judged judged = judge(document);
        int next = Objects.requireNonNullElse(newest(judged.document().id()), 0) + 1;
        insert(judged, next, signed.by().name());
    }

    /** Takes every remedy that is proven to help, and says which. */
    Mending.Mended mend(String text) {
        Judged judged = judge(text);
        MachineSheet sheet = sheets.newest(judged.document().sheet());
        return Mending.all(judged.procedure(), sheet, sheets.contextOf(sheet));
    }

    /** Every approved procedure with the sheet it was approved against. */
    public List<Approved> allApproved() {
        return approved().stream().map(r -> approvedVersion(r.id())).toList();
    }

    /** Stores a new procedure as its first draft. */
    @Transactional
    public int add(String text, String author) {
        Judged judged = judge(text);
        Integer last = newest(judged.document().id());
        if (last != null) {
            throw Said.conflict(
                    Text.of(
                            "procedures.there-is-a-procedure-already",
                            "There is a procedure \"{0}\" already. Start a new draft from it, or give the file another id.",
                            judged.document().id()));
        }
        insert(judged, 1, author);
        return 1;
    }

    /** Stores what was judged as a draft. */
    void insert(Judged judged, int version, String author) {
        ProcedureVersionRecord r = db.newRecord(PROCEDURE_VERSION);
        r.setProcedureId(judged.document().id());
        r.setVersion(version);
        r.setState(DRAFT);
        r.setRevision(1);
        fill(r, judged, author);
        r.store();
    }

    private void fill(ProcedureVersionRecord r, Judged judged, String author) {
        ProcedureDocument d = judged.document();
        r.setMachine(d.sheet());
        r.setTitle(d.title());
        r.setKind(d.kind());
        r.setDocument(ProcedureFormat.write(d));
        r.setAuthor(author);
        r.setSavedAt(clock.millis());
        r.setStops(judged.verdict().stops());
        r.setFixes(judged.verdict().fixes());
    }

    /** The newest version of a procedure; null where there is none. */
    @Nullable Integer newest(String id) {
        return db.select(max(PROCEDURE_VERSION.VERSION))
                .from(PROCEDURE_VERSION)
                .where(PROCEDURE_VERSION.PROCEDURE_ID.eq(id))
                .fetchOne(0, Integer.class);
    }

    /** A new draft with the text of a version. */
    @Transactional
    public int draftFrom(String id, int from, Person person) {
        mayWrite(person);
        ProcedureVersionRecord source = version(id, from);
        List<Integer> drafts =
                db.select(PROCEDURE_VERSION.VERSION)
                        .from(PROCEDURE_VERSION)
                        .where(
                                PROCEDURE_VERSION
                                        .PROCEDURE_ID
                                        .eq(id)
                                        .and(PROCEDURE_VERSION.STATE.eq("DRAFT")))
                        .fetch(PROCEDURE_VERSION.VERSION);
        if (!drafts.isEmpty()) {
            throw Said.conflict(
                    Text.of(
                            "procedures.version-is-a-draft-already",
                            "Version {0} is a draft already; go on with that one.",
                            drafts.getFirst()));
        }
        int next = Objects.requireNonNullElse(newest(id), 0) + 1;
        insert(judge(source.getDocument()), next, person.name());
        return next;
    }

    /**
     * Saves a draft.
     *
     * @param revision the one that was read; a newer one in the store is never overwritten
     */
    @Transactional
    public ProcedureVersionRecord save(
            String id, int version, int revision, String text, Person person) {
        mayWrite(person);
        Judged judged = judge(text);
        ProcedureVersionRecord r = version(id, version);
        if (!judged.document().id().equals(id)) {
            throw Said.conflict(
                    Text.of(
                            "procedures.the-document-is-of-another",
                            "The document is of another procedure: {0}.",
                            judged.document().id()));
        }
        if (!r.getState().equals("DRAFT")) {
            throw Said.conflict(
                    Text.of(
                            "procedures.version-is-approved-and-cannot",
                            "Version {0} is approved and cannot be changed. Start a new draft.",
                            version));
        }
        unchanged(r, revision);
        fill(r, judged, person.name());
        r.setRevision(revision + 1);
        r.store();
        return r;
    }

    private void unchanged(ProcedureVersionRecord r, int revision) {
        if (r.getRevision() != revision) {
            String at =
                    DateTimeFormatter.ofPattern("HH:mm")
                            .withZone(ZoneId.of(sheets.surroundings().site().zone()))
                            .format(Instant.ofEpochMilli(r.getSavedAt()));
            throw new Said(
                    HttpStatus.PRECONDITION_FAILED,
                    Text.of(
                            "procedures.saved-a-newer-state-at",
                            "{0} saved a newer state at {1}. Yours is not saved and still here; look at theirs before you go on.",
                            r.getAuthor(),
                            at));
        }
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
        mayWrite(person);
        custody.vouchForTheSite();
        ProcedureVersionRecord r = version(id, version);
        if (!r.getState().equals("DRAFT")) {
            throw Said.conflict(
                    Text.of(
                            "procedures.version-was-approved-already-by",
                            "Version {0} was approved already, by {1}.",
                            version,
                            r.getApprovedBy()));
        }
        unchanged(r, revision);
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
        Verdict v = judge(r.getDocument()).verdict();
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

    static void mayWrite(Person person) {
        if (!person.role().writes()) {
            throw Said.forbidden(
                    Text.of(
                            "procedures.only-a-supervisor-writes-and",
                            "Only a supervisor writes and approves procedures."));
        }
    }

    /** Every approved procedure that is as it was approved, for the floor. */
    public List<ApprovedRow> approved() {
        return db
                .selectFrom(PROCEDURE_VERSION)
                .where(PROCEDURE_VERSION.STATE.eq("APPROVED"))
                .orderBy(PROCEDURE_VERSION.MACHINE)
                .fetch()
                .stream()
                .filter(
                        r ->
                                custody.isWhole(
                                        Sealed.PROCEDURE_VERSION,
                                        r.getProcedureId() + "@" + r.getVersion()))
                .map(
                        r ->
                                new ApprovedRow(
                                        r.getProcedureId(),
                                        r.getVersion(),
                                        r.getMachine(),
                                        r.getTitle(),
                                        r.getKind()))
                .toList();
    }

    /** One approved procedure in a list. */
    public record ApprovedRow(String id, int version, String machine, String title, String kind) {}

    /**
     * The approved version of a procedure.
     *
     * @throws Said when there is none
     */
    public Approved approvedVersion(String id) {
        ProcedureVersionRecord r =
                db.selectFrom(PROCEDURE_VERSION)
                        .where(
                                PROCEDURE_VERSION
                                        .PROCEDURE_ID
                                        .eq(id)
                                        .and(PROCEDURE_VERSION.STATE.eq("APPROVED")))
                        .fetchOne();
        if (r == null) {
            throw Said.notFound(
                    Text.of(
                            "procedures.there-is-no-approved-version",
                            "There is no approved version of the procedure {0}.",
                            id));
        }
        custody.vouchFor(Sealed.PROCEDURE_VERSION, id + "@" + r.getVersion());
        ProcedureDocument d = ProcedureFormat.document(r.getDocument());
        custody.vouchFor(Sealed.SHEET, d.sheet() + "@" + d.sheetVersion());
        // The sheet it was approved against; a newer one has not been judged for it.
        MachineSheet sheet = sheets.version(d.sheet(), d.sheetVersion());
        return new Approved(
                r.getVersion(),
                ProcedureFormat.read(d, sheet, sheets.surroundings().chemicalIds()),
                sheet);
    }
}
