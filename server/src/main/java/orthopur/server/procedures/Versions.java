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
import orthopur.db.tables.records.ProcedureVersionRecord;
import orthopur.formats.FormatError;
import orthopur.formats.ProcedureDocument;
import orthopur.formats.ProcedureFormat;
import orthopur.machine.Problem;
import orthopur.server.machines.Premises;
import orthopur.server.people.Person;
import orthopur.server.people.Signature;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/** Every version of every procedure, and the drafts among them that are written on. */
@Service
public class Versions {
    private static final String DRAFT = "DRAFT";

    private final DSLContext db;
    private final Judging judging;
    private final Premises premises;
    private final Clock clock;

    Versions(DSLContext db, Judging judging, Premises premises, Clock clock) {
        this.db = db;
        this.judging = judging;
        this.premises = premises;
        this.clock = clock;
    }

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
            chosen.merge(s.id(), s, Versions::rather);
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
                                Text.of(
                                        "versions.another-draft",
                                        "There is a draft of {0} here already, another one; approve it first or make it the same.",
                                        s.id())));
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
        Judging.Judged judged = judging.judge(judging.read(document));
        int next = Objects.requireNonNullElse(newest(judged.document().id()), 0) + 1;
        insert(judged, next, signed.by().name());
    }

    /** Stores a new procedure as its first draft. */
    @Transactional
    public int add(String text, String author) {
        Judging.Judged judged = judging.judge(judging.read(text));
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
    void insert(Judging.Judged judged, int version, String author) {
        ProcedureVersionRecord r = db.newRecord(PROCEDURE_VERSION);
        r.setProcedureId(judged.document().id());
        r.setVersion(version);
        r.setState(DRAFT);
        r.setRevision(1);
        fill(r, judged, author);
        r.store();
    }

    private void fill(ProcedureVersionRecord r, Judging.Judged judged, String author) {
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
        insert(judging.judge(judging.read(source.getDocument())), next, person.name());
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
        Judging.Judged judged = judging.judge(judging.read(text));
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

    /**
     * @throws Said when somebody saved a newer state than the one that was read
     */
    void unchanged(ProcedureVersionRecord r, int revision) {
        if (r.getRevision() != revision) {
            String at =
                    DateTimeFormatter.ofPattern("HH:mm")
                            .withZone(ZoneId.of(premises.now().site().zone()))
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

    static void mayWrite(Person person) {
        if (!person.role().writes()) {
            throw Said.forbidden(
                    Text.of(
                            "procedures.only-a-supervisor-writes-and",
                            "Only a supervisor writes and approves procedures."));
        }
    }
}
