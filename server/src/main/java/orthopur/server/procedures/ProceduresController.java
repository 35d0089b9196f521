package orthopur.server.procedures;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import orthopur.db.tables.records.ProcedureVersionRecord;
import orthopur.formats.ProcedureDocument;
import orthopur.formats.ProcedureFormat;
import orthopur.round.Role;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.people.Signature;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Otherwise;
import orthopur.server.platform.ReadsAs;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/** Versions of procedures, and what is signed and said of them. */
@RestController
@MayUse
@RequestMapping("/api")
class ProceduresController {
    private final Versions versions;
    private final Approvals approvals;
    private final Comments comments;
    private final Accounts accounts;
    private final Lapsed lapsed;

    ProceduresController(
            Versions versions,
            Approvals approvals,
            Comments comments,
            Accounts accounts,
            Lapsed lapsed) {
        this.versions = versions;
        this.approvals = approvals;
        this.comments = comments;
        this.accounts = accounts;
        this.lapsed = lapsed;
    }

    record ProcedureRow(
            String id,
            int version,
            String machine,
            String title,
            String kind,
            String state,
            int stops,
            int fixes,
            String author,
            long savedAt,
            @Nullable String approvedBy,
            @Nullable Long approvedAt,
            @Nullable String approveReason) {
        static ProcedureRow of(ProcedureVersionRecord r) {
            return new ProcedureRow(
                    r.getProcedureId(),
                    r.getVersion(),
                    r.getMachine(),
                    r.getTitle(),
                    r.getKind(),
                    r.getState(),
                    r.getStops(),
                    r.getFixes(),
                    r.getAuthor(),
                    r.getSavedAt(),
                    r.getApprovedBy(),
                    r.getApprovedAt(),
                    r.getApproveReason());
        }
    }

    record ProcedureView(ProcedureRow row, int revision, ProcedureDocument document) {
        static ProcedureView of(ProcedureVersionRecord r) {
            return new ProcedureView(
                    ProcedureRow.of(r), r.getRevision(), ProcedureFormat.document(r.getDocument()));
        }
    }

    record Approval(int revision, String pin, @Nullable String reason) {}

    record NewDraft(int from) {}

    record Made(String id, int version) {}

    @GetMapping("/procedures")
    List<ProcedureRow> all() {
        return versions.all().stream().map(ProcedureRow::of).toList();
    }

    @GetMapping("/procedures/{id}/versions/{version}")
    ProcedureView one(@PathVariable String id, @PathVariable int version) {
        return ProcedureView.of(versions.version(id, version));
    }

    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.PROCEDURES)
    @PutMapping("/procedures/{id}/versions/{version}")
    ProcedureView save(
            @PathVariable String id,
            @PathVariable int version,
            @RequestHeader("If-Match") String revision,
            @RequestBody @ReadsAs(ProcedureDocument.class) String document,
            @AuthenticationPrincipal Person person) {
        return ProcedureView.of(versions.save(id, version, number(revision), document, person));
    }

    private static int number(String etag) {
        try {
            return Integer.parseInt(etag.replace("\"", "").strip());
        } catch (NumberFormatException e) {
            throw new Said(
                    HttpStatus.BAD_REQUEST,
                    Text.of(
                            "procedures-controller.if-match-has-to-be",
                            "If-Match has to be the revision that was read."));
        }
    }

    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.PROCEDURES)
    @PostMapping("/procedures/{id}/versions")
    @ResponseStatus(HttpStatus.CREATED)
    Made draft(
            @PathVariable String id,
            @RequestBody NewDraft in,
            @AuthenticationPrincipal Person person) {
        return new Made(id, versions.draftFrom(id, in.from(), person));
    }

    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.PROCEDURES)
    @PostMapping("/procedures/{id}/versions/{version}/approval")
    ProcedureView approve(
            @PathVariable String id,
            @PathVariable int version,
            @RequestBody Approval in,
            @AuthenticationPrincipal Person person) {
        return ProcedureView.of(
                approvals.approve(id, version, in.revision(), in.reason(), sign(person, in.pin())));
    }

    /** Approved versions that the rules of today stop. */
    @GetMapping("/procedures/lapsed")
    List<Lapsed.NoLongerPasses> lapsed() {
        return lapsed.all();
    }

    record StillUsed(String pin, @Nullable String reason) {}

    /** Signs that one of them is used for some days more. */
    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.LAPSED)
    @PostMapping("/procedures/{id}/use")
    Lapsed.NoLongerPasses use(
            @PathVariable String id,
            @RequestBody StillUsed in,
            @AuthenticationPrincipal Person person) {
        return lapsed.use(id, in.reason(), sign(person, in.pin()));
    }

    private Signature sign(Person person, @Nullable String pin) {
        return accounts.sign(person, pin);
    }

    record Retirement(String pin, String reason) {}

    /** Takes an approved version out of use. */
    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.PROCEDURES)
    @PostMapping("/procedures/{id}/versions/{version}/retirement")
    ProcedureView retire(
            @PathVariable String id,
            @PathVariable int version,
            @RequestBody Retirement in,
            @AuthenticationPrincipal Person person) {
        return ProcedureView.of(approvals.retire(id, version, in.reason(), sign(person, in.pin())));
    }

    record NewComment(String stepId, String text) {}

    @GetMapping("/procedures/{id}/versions/{version}/comments")
    List<Comments.Comment> comments(@PathVariable String id, @PathVariable int version) {
        return comments.comments(id, version);
    }

    @MayUse(
            value = {Role.SUPERVISOR, Role.CREW, Role.QA},
            otherwise = Otherwise.READS_ONLY)
    @PostMapping("/procedures/{id}/versions/{version}/comments")
    List<Comments.Comment> comment(
            @PathVariable String id,
            @PathVariable int version,
            @RequestBody NewComment in,
            @AuthenticationPrincipal Person person) {
        comments.comment(id, version, in.stepId(), in.text(), person);
        return comments.comments(id, version);
    }
}
