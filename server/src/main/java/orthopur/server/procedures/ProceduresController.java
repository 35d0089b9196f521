package orthopur.server.procedures;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import orthopur.db.tables.records.ProcedureVersionRecord;
import orthopur.formats.ActionTable;
import orthopur.formats.Notation;
import orthopur.formats.OldText;
import orthopur.formats.ProcedureDocument;
import orthopur.formats.ProcedureFormat;
import orthopur.formats.StepDocument;
import orthopur.formats.VerdictDocument;
import orthopur.machine.Frequency;
import orthopur.procedure.Schools;
import orthopur.round.Role;
import orthopur.server.people.Accounts;
import orthopur.server.people.Heavy;
import orthopur.server.people.Person;
import orthopur.server.people.Signature;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.ReadsAs;
import orthopur.server.platform.Said;
import orthopur.text.Text;
import orthopur.verdict.Mending;

@RestController
@MayUse
@RequestMapping("/api")
class ProceduresController {
    private final Procedures procedures;
    private final Drafts drafts;
    private final Comments comments;
    private final Effects effects;
    private final Accounts accounts;
    private final Lapsed lapsed;

    ProceduresController(
            Procedures procedures,
            Drafts drafts,
            Comments comments,
            Effects effects,
            Accounts accounts,
            Lapsed lapsed) {
        this.lapsed = lapsed;
        this.accounts = accounts;
        this.procedures = procedures;
        this.drafts = drafts;
        this.comments = comments;
        this.effects = effects;
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
        return procedures.all().stream().map(ProcedureRow::of).toList();
    }

    @GetMapping("/procedures/{id}/versions/{version}")
    ProcedureView one(@PathVariable String id, @PathVariable int version) {
        return ProcedureView.of(procedures.version(id, version));
    }

    @MayUse(
            value = Role.SUPERVISOR,
            otherwise = "Only a supervisor writes and approves procedures.")
    @PutMapping("/procedures/{id}/versions/{version}")
    ProcedureView save(
            @PathVariable String id,
            @PathVariable int version,
            @RequestHeader("If-Match") String revision,
            @RequestBody @ReadsAs(ProcedureDocument.class) String document,
            @AuthenticationPrincipal Person person) {
        return ProcedureView.of(procedures.save(id, version, number(revision), document, person));
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

    @MayUse(
            value = Role.SUPERVISOR,
            otherwise = "Only a supervisor writes and approves procedures.")
    @PostMapping("/procedures/{id}/versions")
    @ResponseStatus(HttpStatus.CREATED)
    Made draft(
            @PathVariable String id,
            @RequestBody NewDraft in,
            @AuthenticationPrincipal Person person) {
        return new Made(id, procedures.draftFrom(id, in.from(), person));
    }

    @MayUse(
            value = Role.SUPERVISOR,
            otherwise = "Only a supervisor writes and approves procedures.")
    @PostMapping("/procedures/{id}/versions/{version}/approval")
    ProcedureView approve(
            @PathVariable String id,
            @PathVariable int version,
            @RequestBody Approval in,
            @AuthenticationPrincipal Person person) {
        return ProcedureView.of(
                procedures.approve(
                        id, version, in.revision(), in.reason(), sign(person, in.pin())));
    }

    /** Approved versions that the rules of today stop. */
    @GetMapping("/procedures/lapsed")
    List<Lapsed.NoLongerPasses> lapsed() {
        return lapsed.all();
    }

    record StillUsed(String pin, @Nullable String reason) {}

    /** Signs that one of them is used for some days more. */
    @MayUse(
            value = Role.SUPERVISOR,
            otherwise = "Only a supervisor signs for a procedure that no longer passes.")
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
    @MayUse(
            value = Role.SUPERVISOR,
            otherwise = "Only a supervisor writes and approves procedures.")
    @PostMapping("/procedures/{id}/versions/{version}/retirement")
    ProcedureView retire(
            @PathVariable String id,
            @PathVariable int version,
            @RequestBody Retirement in,
            @AuthenticationPrincipal Person person) {
        return ProcedureView.of(
                procedures.retire(id, version, in.reason(), sign(person, in.pin())));
    }

    record NewComment(String stepId, String text) {}

    @GetMapping("/procedures/{id}/versions/{version}/comments")
    List<Comments.Comment> comments(@PathVariable String id, @PathVariable int version) {
        return comments.comments(id, version);
    }

    @MayUse(
            value = {Role.SUPERVISOR, Role.CREW, Role.QA},
            otherwise = "An auditor reads only.")
    @PostMapping("/procedures/{id}/versions/{version}/comments")
    List<Comments.Comment> comment(
            @PathVariable String id,
            @PathVariable int version,
            @RequestBody NewComment in,
            @AuthenticationPrincipal Person person) {
        comments.comment(id, version, in.stepId(), in.text(), person);
        return comments.comments(id, version);
    }

    /**
     * What a draft is made for.
     *
     * @param kind how deep the clean goes, as in a file
     * @param scope options by group that it is to hold for; absent means the fitted ones
     * @param halves whether it is stripped at closing and put together at opening
     */
    record DraftRequest(
            String machine,
            String kind,
            boolean rinseAfterSanitizer,
            boolean assembledFirst,
            @Nullable Map<String, List<String>> scope,
            boolean halves) {}

    /** Writes a whole procedure from a machine sheet, as the first draft of a new procedure. */
    @MayUse(
            value = Role.SUPERVISOR,
            otherwise = "Only a supervisor writes and approves procedures.")
    @PostMapping("/drafts")
    @ResponseStatus(HttpStatus.CREATED)
    Made drafted(@RequestBody DraftRequest in, @AuthenticationPrincipal Person person) {
        Schools schools = new Schools(in.rinseAfterSanitizer(), in.assembledFirst());
        Map<String, List<String>> scope = in.scope() == null ? Map.of() : in.scope();
        Drafts.Wish wish = new Drafts.Wish(kind(in.kind()), schools, scope, in.halves());
        return new Made(drafts.draft(in.machine(), wish, person), 1);
    }

    private static Frequency kind(String written) {
        return Arrays.stream(Frequency.values())
                .filter(f -> f.name().equalsIgnoreCase(written.replace('-', '_')))
                .findFirst()
                .orElseThrow(
                        () ->
                                new Said(
                                        HttpStatus.UNPROCESSABLE_ENTITY,
                                        Text.of(
                                                "procedures-controller.there-is-no-kind",
                                                "There is no kind \"{0}\".",
                                                written)));
    }

    record OldTextRequest(String machine, String text) {}

    /** Reads an old procedure clause by clause; what is not understood stays a note. */
    @PostMapping("/old-texts")
    List<OldText.Reading> oldText(@RequestBody OldTextRequest in) {
        return drafts.read(in.machine(), in.text());
    }

    record TypedProcedure(String machine, String title, String kind, List<OldText.Typed> lines) {}

    /** The lines that were taken over, as the first draft of a new procedure. */
    @MayUse(
            value = Role.SUPERVISOR,
            otherwise = "Only a supervisor writes and approves procedures.")
    @PostMapping("/old-texts/drafts")
    @ResponseStatus(HttpStatus.CREATED)
    Made typed(@RequestBody TypedProcedure in, @AuthenticationPrincipal Person person) {
        return new Made(
                drafts.draftOf(in.machine(), in.title(), kind(in.kind()), in.lines(), person), 1);
    }

    @Heavy
    @PostMapping("/verify")
    VerdictDocument verify(
            @RequestBody @ReadsAs(ProcedureDocument.class) String document,
            @RequestParam(defaultValue = "0") int configuration,
            @RequestParam(defaultValue = "true") boolean remedies) {
        Procedures.Judged judged = procedures.judge(document, configuration, remedies);
        return VerdictDocument.of(judged.verdict(), judged.procedure());
    }

    record MendedView(
            List<String> taken,
            List<VerdictDocument.EditDocument> edits,
            ProcedureDocument document,
            int stops,
            int fixes) {}

    /** Every remedy that is proven to help, as one difference; nothing is saved. */
    @Heavy
    @PostMapping("/mend")
    MendedView mend(@RequestBody @ReadsAs(ProcedureDocument.class) String document) {
        Mending.Mended m = procedures.mend(document);
        return new MendedView(
                m.taken(),
                m.edits().stream().map(VerdictDocument::edit).toList(),
                ProcedureFormat.document(m.procedure()),
                m.verdict().stops(),
                m.verdict().fixes());
    }

    /** One step as a line, for the machine whose names it uses. */
    record LineRequest(String machine, String line) {}

    record LineView(@Nullable StepDocument step, List<Notation.Slip> slips) {}

    /** Reads a typed line; what is not understood is told with the nearest names. */
    @PostMapping("/notation/step")
    LineView readLine(@RequestBody LineRequest in) {
        Notation.ReadStep r = procedures.notation(in.machine()).step(in.line(), "new");
        return new LineView(r.step(), r.slips());
    }

    record StepRequest(String machine, StepDocument step) {}

    record Line(String line) {}

    /** Writes a step as its line. */
    @PostMapping("/notation/line")
    Line writeLine(@RequestBody StepRequest in) {
        return new Line(procedures.notation(in.machine()).line(in.step()));
    }

    @Heavy
    @GetMapping("/uncovered")
    List<Effects.Bare> uncovered() {
        return effects.uncovered();
    }

    @GetMapping("/actions")
    List<ActionTable.ActionInfo> actions() {
        return ActionTable.all();
    }
}
