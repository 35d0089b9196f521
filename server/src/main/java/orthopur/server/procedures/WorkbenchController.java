package orthopur.server.procedures;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import orthopur.formats.ActionTable;
import orthopur.formats.Notation;
import orthopur.formats.OldText;
import orthopur.formats.ProcedureDocument;
import orthopur.formats.ProcedureFormat;
import orthopur.formats.StepDocument;
import orthopur.formats.TextDocument;
import orthopur.formats.VerdictDocument;
import orthopur.machine.Frequency;
import orthopur.procedure.Schools;
import orthopur.round.Role;
import orthopur.server.office.OfficeFile;
import orthopur.server.people.Heavy;
import orthopur.server.people.Person;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Otherwise;
import orthopur.server.platform.ReadsAs;
import orthopur.server.platform.Said;
import orthopur.text.Text;
import orthopur.verdict.Mending;

/** The workbench: drafting, reading, judging and mending what is not stored yet. */
@RestController
@MayUse
@RequestMapping("/api")
class WorkbenchController {
    private final Judging judging;
    private final Drafts drafts;
    private final Effects effects;

    WorkbenchController(Judging judging, Drafts drafts, Effects effects) {
        this.judging = judging;
        this.drafts = drafts;
        this.effects = effects;
    }

    record Made(String id, int version) {}

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
    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.PROCEDURES)
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

    /**
     * What one clause of an old text was read as.
     *
     * @param line of the pasted text, from 1
     * @param missing what the step needs and the text does not say
     * @param why it stays a note
     */
    record ClauseView(
            int line,
            String text,
            @Nullable String notation,
            List<TextDocument> missing,
            @Nullable TextDocument why) {
        static ClauseView of(OldText.Reading r) {
            return new ClauseView(
                    r.line(),
                    r.text(),
                    r.notation(),
                    r.missing().stream().map(TextDocument::of).toList(),
                    r.why() == null ? null : TextDocument.of(r.why()));
        }
    }

    /** Reads an old procedure clause by clause; what is not understood stays a note. */
    @PostMapping("/old-texts")
    List<ClauseView> oldText(@RequestBody OldTextRequest in) {
        return drafts.read(in.machine(), in.text()).stream().map(ClauseView::of).toList();
    }

    /**
     * What an office file says.
     *
     * @param text line by line, as it would be pasted
     */
    record FileText(String text, int lines) {}

    /** The text of a Word, OpenDocument, PDF, spreadsheet or text file; nothing is stored. */
    @Heavy
    @PostMapping(value = "/old-texts/text", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    FileText fileText(@RequestBody byte[] file) {
        String text = OfficeFile.text(file);
        return new FileText(text, (int) text.lines().filter(l -> !l.isBlank()).count());
    }

    record TypedProcedure(String machine, String title, String kind, List<OldText.Typed> lines) {}

    /** The lines that were taken over, as the first draft of a new procedure. */
    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.PROCEDURES)
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
        Judging.Judged judged = judging.judge(judging.read(document), configuration, remedies);
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
        Mending.Mended m = judging.mend(judging.read(document));
        return new MendedView(
                m.taken(),
                m.edits().stream().map(VerdictDocument::edit).toList(),
                ProcedureFormat.document(m.procedure()),
                m.verdict().stops(),
                m.verdict().fixes());
    }

    /** One step as a line, for the machine whose names it uses. */
    record LineRequest(String machine, String line) {}

    /** A word that was not understood, with its column from 1 and the nearest that are known. */
    record SlipView(int column, String word, TextDocument said, List<String> nearest) {}

    record LineView(@Nullable StepDocument step, List<SlipView> slips) {}

    /** Reads a typed line; what is not understood is told with the nearest names. */
    @PostMapping("/notation/step")
    LineView readLine(@RequestBody LineRequest in) {
        Notation.ReadStep r = judging.notation(in.machine()).step(in.line(), "new");
        return new LineView(
                r.step(),
                r.slips().stream()
                        .map(
                                s ->
                                        new SlipView(
                                                s.column(),
                                                s.word(),
                                                TextDocument.of(s.said()),
                                                s.nearest()))
                        .toList());
    }

    record StepRequest(String machine, StepDocument step) {}

    record Line(String line) {}

    /** Writes a step as its line. */
    @PostMapping("/notation/line")
    Line writeLine(@RequestBody StepRequest in) {
        return new Line(judging.notation(in.machine()).line(in.step()));
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
