package orthopur.formats;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** A procedure as it stands in a file. */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ProcedureDocument(
        String id,
        String title,
        String sheet,
        int sheetVersion,
        String ruleBook,
        String kind,
        SchoolsDocument schools,
        int people,
        List<String> ppe,
        @Nullable Map<String, List<String>> scope,
        @Nullable List<String> clears,
        List<StepDocument> steps) {

    public ProcedureDocument {
        // Most clear none; their files stay as they were.
        clears = clears == null || clears.isEmpty() ? null : List.copyOf(clears);
    }

    /** Which of several ways it follows. */
    public record SchoolsDocument(boolean rinseAfterSanitizer, boolean assembledFirst) {}

    /** SHA-256 over the compact form; what edits say they apply to. */
    public String hash() {
        return Json.hash(this);
    }
}
