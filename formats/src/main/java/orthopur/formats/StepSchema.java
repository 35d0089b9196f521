package orthopur.formats;

import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What the schema of a procedure says of steps, from the table of actions. */
public final class StepSchema {
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
    private static final int MOST_NAMES = 2000;
    private static final int MOST_TEXTS = 100;
    private static final int LONGEST_NAME = 60;
    private static final int LONGEST_TEXT = 400;

    private StepSchema() {}

    /**
     * Adds actions and their fields to the schema of a step.
     *
     * @param byAction also which fields each action takes. A schema that checks goes without:
     *     {@link StepFields} says it in a sentence.
     */
    static void fill(ObjectNode step, boolean byAction) {
        ObjectNode common = (ObjectNode) step.get("properties");
        ObjectNode all = NODES.objectNode();
        all.set("id", common.get("id"));
        ArrayNode names = all.putObject("action").putArray("enum");
        ActionTable.all().forEach(a -> names.add(a.name()));
        for (StatedField f : ActionTable.fields()) {
            all.set(f.name(), property(f));
        }
        StepDocument.LAST.forEach(l -> all.set(l, common.get(l)));
        step.set("properties", all);
        if (byAction) {
            ArrayNode rules = step.putArray("allOf");
            for (ActionTable.ActionInfo a : ActionTable.all()) {
                ObjectNode rule = rules.addObject();
                rule.putObject("if")
                        .putObject("properties")
                        .putObject("action")
                        .put("const", a.name());
                ArrayNode takes =
                        rule.putObject("then").putObject("propertyNames").putArray("enum");
                StepDocument.FIRST.forEach(takes::add);
                a.fields().forEach(f -> takes.add(f.name()));
                StepDocument.LAST.forEach(takes::add);
            }
        }
    }

    /** One field, with what a person is asked for and an example. */
    public static ObjectNode property(StatedField f) {
        ObjectNode p = NODES.objectNode();
        p.put("description", (f.label() + ". " + f.doc()).strip());
        switch (f.kind()) {
            case TEXT -> text(p, LONGEST_TEXT);
            case CHEMICAL -> id(p);
            case TEXTS -> text(array(p, MOST_TEXTS), LONGEST_TEXT);
            case NAMES -> array(p, MOST_NAMES).put("type", "string").put("maxLength", LONGEST_NAME);
            case COUNT ->
                    p.put("type", "integer").put("minimum", f.least()).put("maximum", f.most());
            case NUMBER -> p.put("type", "number").put("minimum", 0).put("maximum", 14);
            case FLAG -> p.put("type", "boolean");
            case CHOICE -> words(p, f.choices());
            case CHOICES -> {
                words(array(p, f.choices().size()), f.choices());
                p.put("uniqueItems", true);
            }
            case QUANTITY -> {
                p.put("type", "object");
                p.putArray("required").add("value").add("unit");
                p.put("additionalProperties", false);
                ObjectNode inside = p.putObject("properties");
                inside.putObject("value").put("type", "number");
                words(inside.putObject("unit"), f.units());
            }
        }
        JsonNode example = example(f);
        if (example != null) {
            p.putArray("examples").add(example);
        }
        return p;
    }

    private static @Nullable JsonNode example(StatedField f) {
        if (f.example().isEmpty()) {
            return null;
        }
        if (f.kind() != StatedField.Kind.QUANTITY) {
            return f.kind() == StatedField.Kind.TEXT ? NODES.stringNode(f.example()) : null;
        }
        String[] two = f.example().split(" ");
        return NODES.objectNode().put("value", Double.parseDouble(two[0])).put("unit", two[1]);
    }

    private static void text(ObjectNode p, int longest) {
        p.put("type", "string").put("minLength", 1).put("maxLength", longest);
    }

    private static void id(ObjectNode p) {
        p.put("type", "string").put("pattern", "^[a-z0-9][a-z0-9-]{0,59}$");
    }

    private static ObjectNode array(ObjectNode p, int most) {
        p.put("type", "array").put("maxItems", most);
        return p.putObject("items");
    }

    private static void words(ObjectNode p, List<String> all) {
        ArrayNode words = p.putArray("enum");
        all.forEach(words::add);
    }
}
