package orthopur.formats;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
        List<Problem> problems = new ArrayList<>();
        for (com.networknt.schema.Error e : schema.validate(document)) {
            String said = BOUNDS.contains(e.getKeyword()) ? range(schema, e) : said(e);
            problems.add(new Problem(e.getInstanceLocation().toString(), said));
        }
        return problems;
    }

    private static final Set<String> BOUNDS =
            Set.of("minimum", "maximum", "exclusiveMinimum", "exclusiveMaximum");

    /** A number outside of its range is told the whole range, not the side it fell off alone. */
    private static String range(Schema schema, com.networknt.schema.Error e) {
        String at = e.getSchemaLocation().getFragment().toString();
        JsonNode of = schema.getSchemaNode().at(at.substring(0, at.lastIndexOf('/')));
        boolean open = of.has("exclusiveMinimum");
        JsonNode least = open ? of.path("exclusiveMinimum") : of.path("minimum");
        JsonNode most = of.path("maximum");
        String range =
                least.isMissingNode()
                        ? "at most " + most.asString()
                        : most.isMissingNode()
                                ? (open ? "more than " : "at least ") + least.asString()
                                : open
                                        ? "more than %s, up to %s"
                                                .formatted(least.asString(), most.asString())
                                        : "%s to %s".formatted(least.asString(), most.asString());
        return "It is %s; allowed is %s.".formatted(e.getInstanceNode().asString(), range);
    }

    /** In words for somebody who fills in a form; patterns are not for people. */
    private static String said(com.networknt.schema.Error e) {
        String message = e.getMessage();
        if (message.contains("[A-Z0-9][A-Z0-9-]")) {
            return "Use 1 to 20 capitals, numbers and dashes, for instance QK-SL1.";
        }
        if (message.contains("[a-z0-9][a-z0-9-]")) {
            return "Use up to 60 small letters, numbers and dashes.";
        }
        if (message.startsWith("must be at least 1 characters")) {
            return "It must not be empty.";
        }
        return Character.toUpperCase(message.charAt(0)) + message.substring(1) + ".";
    }
}
