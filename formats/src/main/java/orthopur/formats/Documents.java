package orthopur.formats;

import java.util.List;
import orthopur.machine.Problem;
import orthopur.quantity.OutOfRange;
import orthopur.text.Text;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.JsonNode;

/** Binding of checked trees to types. */
final class Documents {
    private Documents() {}

    static <T> T bind(String schema, JsonNode tree, Class<T> type) {
        List<Problem> problems = Schemas.check(schema, tree);
        if (!problems.isEmpty()) {
            throw new FormatError(problems);
        }
        return bind(tree, type);
    }

    static <T> T bind(JsonNode tree, Class<T> type) {
        try {
            return Json.shared().treeToValue(tree, type);
        } catch (DatabindException e) {
            throw new FormatError(pointer(e), said(e));
        } catch (JacksonException e) {
            throw new FormatError("", said(e));
        }
    }

    private static String pointer(DatabindException e) {
        StringBuilder b = new StringBuilder();
        e.getPath()
                .forEach(
                        r ->
                                b.append('/')
                                        .append(
                                                r.getPropertyName() == null
                                                        ? r.getIndex()
                                                        : r.getPropertyName()));
        return b.toString();
    }

    /** What a quantity says of itself, else what the reader says. */
    private static Text said(JacksonException e) {
        return e.getCause() instanceof OutOfRange range
                ? range.said()
                : Text.plain(e.getOriginalMessage());
    }
}
