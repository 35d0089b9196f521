package orthopur.formats;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Run;
import orthopur.verdict.Ribbon;
import orthopur.verdict.Verdict;

/**
 * A verdict as the command line and the API give it.
 *
 * @param appliesTo hash of the procedure document that the edits of the remedies apply to
 * @param judged rules that were judged; others were not looked at
 */
public record VerdictDocument(
        String procedure,
        String sheet,
        String appliesTo,
        int stops,
        int fixes,
        int advice,
        List<FindingDocument> findings,
        Run.Coverage coverage,
        Run.Totals totals,
        Ribbon ribbon,
        List<String> judged,
        List<Verdict.ByConfiguration> configurations) {

    /**
     * A finding; {@code under} is the index of its root, or null.
     *
     * @param cited its source as a sentence that has a language
     */
    @JsonInclude(JsonInclude.Include.ALWAYS)
    public record FindingDocument(
            String rule,
            String severity,
            int step,
            @Nullable String stepId,
            List<String> items,
            List<String> energies,
            String message,
            TextDocument said,
            List<Finding.Measured> numbers,
            String because,
            TextDocument why,
            String source,
            TextDocument cited,
            @Nullable Integer under,
            List<RemedyDocument> remedies) {}

    public record RemedyDocument(String label, TextDocument does, List<EditDocument> edits) {}

    /**
     * @param edit insert-before, move, change or delete
     * @param id the step it concerns; absent for an insertion
     * @param before the step before which it goes; absent means at the end
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record EditDocument(
            String edit,
            @Nullable String id,
            @Nullable String before,
            @Nullable StepDocument step) {}

    public static VerdictDocument of(Verdict v, Procedure p) {
        return new VerdictDocument(
                p.id(),
                p.sheet(),
                ProcedureFormat.document(p).hash(),
                v.stops(),
                v.fixes(),
                v.advice(),
                v.findings().stream().map(VerdictDocument::finding).toList(),
                v.coverage(),
                v.totals(),
                v.ribbon(),
                v.judged(),
                v.configurations());
    }

    /** One finding as a document. */
    public static FindingDocument finding(Finding f) {
        return new FindingDocument(
                f.rule(),
                f.severity().name(),
                f.step(),
                f.stepId(),
                f.items(),
                f.energies(),
                f.message(),
                TextDocument.of(f.said()),
                f.numbers(),
                f.because(),
                TextDocument.of(f.why()),
                f.source(),
                TextDocument.of(f.cited()),
                f.under(),
                f.remedies().stream()
                        .map(
                                r ->
                                        new RemedyDocument(
                                                r.label(),
                                                TextDocument.of(r.does()),
                                                r.edits().stream()
                                                        .map(VerdictDocument::edit)
                                                        .toList()))
                        .toList());
    }

    /** One edit as a document. */
    public static EditDocument edit(Edit edit) {
        return switch (edit) {
            case Edit.InsertBefore e ->
                    new EditDocument(
                            "insert-before", null, e.before(), ProcedureFormat.document(e.step()));
            case Edit.Move e -> new EditDocument("move", e.id(), e.before(), null);
            case Edit.Change e ->
                    new EditDocument("change", e.id(), null, ProcedureFormat.document(e.step()));
            case Edit.Delete e -> new EditDocument("delete", e.id(), null, null);
        };
    }
}
