package orthopur.formats;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;
import orthopur.machine.Problem;

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
        } catch (JsonMappingException e) {
            throw new FormatError(pointer(e), plain(e));
        } catch (JsonProcessingException e) {
            throw new FormatError("", plain(e));
        }
    }

    private static String pointer(JsonMappingException e) {
        StringBuilder b = new StringBuilder();
        e.getPath()
                .forEach(
                        r ->
                                b.append('/')
                                        .append(
                                                r.getFieldName() == null
                                                        ? r.getIndex()
                                                        : r.getFieldName()));
        return b.toString();
    }

    private static String plain(JsonProcessingException e) {
        return e.getOriginalMessage();
    }
}
