package orthopur.formats;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import orthopur.machine.Problem;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The published JSON Schemas (2020-12), by name. */
public final class Schemas {
    /** The formats that have a schema. */
    public static final List<String> NAMES =
            List.of("sheet", "procedure", "chemicals", "site", "due", "night");

    private static final Map<String, Schema> COMPILED = new ConcurrentHashMap<>();

    private Schemas() {}

    /**
     * The schema as it is published.
     *
     * @throws IllegalArgumentException for an unknown name
     */
    public static String text(String name) {
        return switch (name) {
            case "procedure" -> Json.write(procedure(true));
            case "due" -> Json.write(due());
            default -> resource(name);
        };
    }

    /** The schema of procedures, with the actions that there are. */
    private static JsonNode procedure(boolean byAction) {
        JsonNode schema = Json.tree(resource("procedure"));
        StepSchema.fill((ObjectNode) schema.at("/properties/steps/items"), byAction);
        return schema;
    }

    /** The schema of what is due, with the intervals that a sheet has. */
    private static JsonNode due() {
        JsonNode schema = Json.tree(resource("due"));
        JsonNode interval =
                Json.tree(resource("sheet")).at("/properties/upkeep/items/properties/interval");
        ((ObjectNode) schema.at("/properties/tasks/items/properties")).set("interval", interval);
        return schema;
    }

    private static String resource(String name) {
        if (!NAMES.contains(name)) {
            throw new IllegalArgumentException("There is no schema \"" + name + "\".");
        }
        try (InputStream in =
                Schemas.class.getResourceAsStream("/orthopur/schemas/" + name + ".schema.json")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Everything in a document that its schema does not allow. */
    static List<Problem> check(String name, JsonNode document) {
        Schema schema =
                COMPILED.computeIfAbsent(
                        name,
                        n ->
                                SchemaRegistry.withDefaultDialect(
                                                SpecificationVersion.DRAFT_2020_12)
                                        .getSchema(
                                                n.equals("procedure")
                                                        ? Json.write(procedure(false))
                                                        : text(n)));
        return schema.validate(document).stream()
                .map(
                        e ->
                                new Problem(
                                        e.getInstanceLocation().toString(),
                                        SchemaWords.of(schema, e)))
                .toList();
    }
}
