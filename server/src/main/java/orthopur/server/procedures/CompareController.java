package orthopur.server.procedures;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.comparison.Comparison;
import orthopur.formats.Notation;
import orthopur.formats.ProcedureDocument;
import orthopur.formats.StepDocument;
import orthopur.formats.TextDocument;
import orthopur.formats.VerdictDocument;
import orthopur.formats.VerdictDocument.FindingDocument;
import orthopur.formats.WhatIf;
import orthopur.runthrough.Run;
import orthopur.server.people.Heavy;
import orthopur.server.platform.MayUse;
import orthopur.text.Text;
import orthopur.verdict.Verdict;

/** Two procedures side by side: another version, or what would be with another chemical or crew. */
@RestController
@MayUse
@RequestMapping("/api")
class CompareController {
    private final Versions versions;
    private final Judging judging;

    CompareController(Versions versions, Judging judging) {
        this.versions = versions;
        this.judging = judging;
    }

    /** What a verdict comes to. */
    record Sums(int stops, int fixes, int reached, int due, Run.Totals totals) {
        static Sums of(Verdict v) {
            return new Sums(
                    v.stops(), v.fixes(), v.coverage().reached(), v.coverage().due(), v.totals());
        }
    }

    /**
     * A step that is not the same, with its line before and now.
     *
     * @param kind added, removed, changed or moved
     */
    record StepDifference(
            String kind,
            String id,
            @Nullable Integer was,
            @Nullable Integer is,
            List<TextDocument> parts,
            @Nullable String lineBefore,
            @Nullable String lineNow) {}

    record Difference(
            List<StepDifference> steps,
            List<TextDocument> head,
            List<FindingDocument> gone,
            List<FindingDocument> come,
            Sums before,
            Sums now,
            ProcedureDocument document) {}

    /** The procedure as it is written now against a stored version of it. */
    @PostMapping("/procedures/{id}/versions/{version}/comparison")
    Difference against(
            @PathVariable String id,
            @PathVariable int version,
            @RequestBody ProcedureDocument document) {
        Judging.Judged before =
                judging.judge(judging.read(versions.version(id, version).getDocument()));
        return difference(before, judging.judge(judging.read(document)));
    }

    record WhatIfRequest(ProcedureDocument document, WhatIf change) {}

    /** The procedure as it would be; nothing is stored. */
    @Heavy
    @PostMapping("/what-if")
    Difference whatIf(@RequestBody WhatIfRequest in) {
        Judging.Judged before = judging.judge(judging.read(in.document()));
        ProcedureDocument other = in.change().of(before.document(), judging.chemicals());
        return difference(before, judging.judge(judging.read(other)));
    }

    private Difference difference(Judging.Judged before, Judging.Judged now) {
        Comparison c =
                Comparison.of(before.procedure(), before.verdict(), now.procedure(), now.verdict());
        Notation notation = judging.notation(now.document().sheet());
        Map<String, StepDocument> was = byId(before.document());
        Map<String, StepDocument> is = byId(now.document());
        return new Difference(
                c.steps().stream()
                        .map(
                                s ->
                                        new StepDifference(
                                                s.kind().name().toLowerCase(java.util.Locale.ROOT),
                                                s.id(),
                                                s.was(),
                                                s.is(),
                                                texts(s.parts()),
                                                line(notation, was.get(s.id())),
                                                line(notation, is.get(s.id()))))
                        .toList(),
                texts(c.head()),
                c.gone().stream().map(VerdictDocument::finding).toList(),
                c.come().stream().map(VerdictDocument::finding).toList(),
                Sums.of(before.verdict()),
                Sums.of(now.verdict()),
                now.document());
    }

    private static List<TextDocument> texts(List<Text> all) {
        return all.stream().map(TextDocument::of).toList();
    }

    private static @Nullable String line(Notation notation, @Nullable StepDocument step) {
        return step == null ? null : notation.line(step).replaceFirst("\\s#[a-z0-9-]+$", "");
    }

    private static Map<String, StepDocument> byId(ProcedureDocument d) {
        Map<String, StepDocument> all = new HashMap<>();
        d.steps().forEach(s -> all.put(s.id(), s));
        return all;
    }
}
