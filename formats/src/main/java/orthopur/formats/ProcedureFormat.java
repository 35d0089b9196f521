package orthopur.formats;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.procedure.Procedure;
import orthopur.procedure.ProcedureCheck;
import orthopur.procedure.Schools;
import orthopur.procedure.Step;
import orthopur.text.Text;

/** Procedures as JSON. */
public final class ProcedureFormat {
    /** More steps than any round has; keeps a slip or an attack from filling the machine. */
    public static final int MOST_STEPS = 2000;

    private ProcedureFormat() {}

    /**
     * Reads text into a document; the schema is checked, the meaning not yet.
     *
     * @throws FormatError with every error by pointer
     */
    public static ProcedureDocument document(String text) {
        return Documents.bind("procedure", Json.tree(text), ProcedureDocument.class);
    }

    /**
     * A document that was put together elsewhere, held against the schema as a text would be.
     *
     * @throws FormatError with every error by pointer
     */
    public static ProcedureDocument checked(ProcedureDocument d) {
        return document(write(d));
    }

    /**
     * Reads a document against its sheet and the site's chemicals.
     *
     * @throws FormatError with every error by pointer
     */
    public static Procedure read(ProcedureDocument d, MachineSheet sheet, Set<String> chemicals) {
        List<Problem> problems = new ArrayList<>();
        Procedure p = convert(d, problems);
        if (p != null && problems.isEmpty()) {
            problems.addAll(ProcedureCheck.check(p, sheet, chemicals));
        }
        if (!problems.isEmpty() || p == null) {
            throw new FormatError(problems);
        }
        return p;
    }

    private static @Nullable Procedure convert(ProcedureDocument d, List<Problem> problems) {
        Frequency kind =
                Arrays.stream(Frequency.values())
                        .filter(f -> QuantityModule.written(f).equals(d.kind()))
                        .findFirst()
                        .orElse(null);
        if (kind == null) {
            problems.add(
                    new Problem(
                            "/kind",
                            Text.of(
                                    "procedure-format.is-not-a-kind-of-clean",
                                    "\"{0}\" is not a kind of clean.",
                                    d.kind())));
        }
        if (d.people() < 1 || d.people() > 20) {
            problems.add(
                    new Problem(
                            "/people",
                            Text.of(
                                    "procedure-format.people-are-allowed-is-to",
                                    "People are {0}; allowed is 1 to 20.",
                                    d.people())));
        }
        String title = Objects.requireNonNullElse(d.title(), "");
        if (title.isBlank() || title.length() > 200) {
            problems.add(
                    new Problem(
                            "/title",
                            Text.of(
                                    "procedure-format.the-title-has-characters-allowed-are",
                                    "The title has {0} characters; allowed are 1 to 200.",
                                    title.length())));
        }
        List<StepDocument> documents = Objects.requireNonNullElse(d.steps(), List.of());
        if (documents.size() > MOST_STEPS) {
            problems.add(
                    new Problem(
                            "/steps",
                            Text.of(
                                    "procedure-format.there-are-steps-allowed-are",
                                    "There are {0} steps; allowed are {1}.",
                                    documents.size(),
                                    MOST_STEPS)));
            return null;
        }
        List<Step> steps = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        for (int i = 0; i < documents.size(); i++) {
            Step s = new StepReader(documents.get(i), "/steps/" + i, problems).read();
            if (!ids.add(documents.get(i).id())) {
                problems.add(
                        new Problem(
                                "/steps/" + i + "/id",
                                Text.of(
                                        "procedure-format.the-step-id-stands-twice",
                                        "The step id \"{0}\" stands twice.",
                                        documents.get(i).id())));
            }
            if (s != null) {
                steps.add(s);
            }
        }
        if (!problems.isEmpty() || kind == null) {
            return null;
        }
        return new Procedure(
                d.id(),
                title,
                d.sheet(),
                d.sheetVersion(),
                d.ruleBook(),
                kind,
                new Schools(
                        d.schools() != null && d.schools().rinseAfterSanitizer(),
                        d.schools() != null && d.schools().assembledFirst()),
                d.people(),
                Objects.requireNonNullElse(d.ppe(), List.of()),
                Objects.requireNonNullElse(d.scope(), Map.of()),
                Objects.requireNonNullElse(d.clears(), List.of()),
                steps);
    }

    /** The document of a procedure. */
    public static ProcedureDocument document(Procedure p) {
        return new ProcedureDocument(
                p.id(),
                p.title(),
                p.sheet(),
                p.sheetVersion(),
                p.ruleBook(),
                QuantityModule.written(p.kind()),
                new ProcedureDocument.SchoolsDocument(
                        p.schools().rinseAfterSanitizer(), p.schools().assembledFirst()),
                p.people(),
                p.ppe(),
                p.scope().isEmpty() ? null : p.scope(),
                p.clears().isEmpty() ? null : p.clears(),
                p.steps().stream().map(StepDocument::of).toList());
    }

    /** One step as a document, for edits. */
    public static StepDocument document(Step step) {
        return StepDocument.of(step);
    }

    public static String write(ProcedureDocument d) {
        return Json.write(d);
    }
}
