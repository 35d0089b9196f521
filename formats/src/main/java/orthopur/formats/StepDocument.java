package orthopur.formats;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.procedure.Step;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.DoubleNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * One step as it stands in a file: flat, so that a person can read it. Which fields an action takes
 * stands in {@link ActionTable}; an absent field means that the step does not state it.
 *
 * @param fields what the action states, in the order of the table, as it was written
 * @param when the option it is for, as "group=option"
 * @param loop the loop it belongs to
 * @param photo whether a photo has to be taken
 * @param asFound whether the condition as found is written down
 */
public record StepDocument(
        String id,
        String action,
        Map<String, JsonNode> fields,
        @Nullable String when,
        @Nullable Double minutes,
        @Nullable Integer people,
        @Nullable String words,
        @Nullable String because,
        @Nullable String caution,
        @Nullable String loop,
        boolean photo,
        boolean asFound) {

    /** What every step has beside the fields of its action, in the order of files. */
    static final List<String> FIRST = List.of("id", "action");

    static final List<String> LAST =
            List.of(
                    "when", "loop", "minutes", "people", "photo", "asFound", "words", "because",
                    "caution");

    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    /** Reads it as it lies in a file; what is not of the type that is asked for is not there. */
    @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
    public static StepDocument of(JsonNode tree) {
        Map<String, JsonNode> fields = new LinkedHashMap<>();
        for (StatedField f : ActionTable.fields()) {
            keep(fields, f.name(), tree.get(f.name()));
        }
        tree.properties()
                .forEach(
                        e -> {
                            if (!FIRST.contains(e.getKey()) && !LAST.contains(e.getKey())) {
                                keep(fields, e.getKey(), e.getValue());
                            }
                        });
        JsonNode minutes = tree.get("minutes");
        JsonNode people = tree.get("people");
        return new StepDocument(
                String.valueOf(text(tree, "id")),
                String.valueOf(text(tree, "action")),
                fields,
                text(tree, "when"),
                minutes == null || !minutes.isNumber() ? null : minutes.asDouble(),
                people == null || !people.isInt() ? null : people.asInt(),
                text(tree, "words"),
                text(tree, "because"),
                text(tree, "caution"),
                text(tree, "loop"),
                tree.path("photo").asBoolean(false),
                tree.path("asFound").asBoolean(false));
    }

    /** The document of a step. */
    static StepDocument of(Step s) {
        return new StepDocument(
                s.id(),
                s.action().name(),
                StepFields.write(s.action()),
                s.when(),
                s.minutes(),
                s.people(),
                s.words().isEmpty() ? null : s.words(),
                s.because(),
                s.caution(),
                s.loop(),
                s.photo(),
                s.asFound());
    }

    private static void keep(Map<String, JsonNode> fields, String name, @Nullable JsonNode value) {
        if (value == null || value.isNull() || value.isArray() && value.isEmpty()) {
            return;
        }
        fields.putIfAbsent(name, alike(value));
    }

    /** The same figure is the same, whether it was written as 1 or as 1.0. */
    private static JsonNode alike(JsonNode value) {
        if (value.has("value") && value.get("value").isNumber()) {
            ObjectNode q = NODES.objectNode();
            value.properties()
                    .forEach(
                            e ->
                                    q.set(
                                            e.getKey(),
                                            e.getKey().equals("value")
                                                    ? DoubleNode.valueOf(e.getValue().asDouble())
                                                    : e.getValue()));
            return q;
        }
        return value;
    }

    private static @Nullable String text(JsonNode tree, String name) {
        JsonNode v = tree.get(name);
        return v == null || !v.isString() || v.asString().isEmpty() ? null : v.asString();
    }

    /** A field that the action states; null where it does not. */
    public @Nullable JsonNode field(String name) {
        return fields.get(name);
    }

    /** A text or word that the action states; null where it does not. */
    public @Nullable String text(String name) {
        JsonNode v = fields.get(name);
        return v == null ? null : v.asString();
    }

    /** Several texts or ids; none where it is not stated. */
    public List<String> texts(String name) {
        JsonNode v = fields.get(name);
        return v == null ? List.of() : v.valueStream().map(JsonNode::asString).toList();
    }

    /** As it lies in a file. */
    @JsonValue
    public ObjectNode tree() {
        ObjectNode t = NODES.objectNode();
        t.put("id", id).put("action", action);
        fields.forEach(t::set);
        put(t, "when", when);
        put(t, "loop", loop);
        if (minutes != null) {
            t.put("minutes", minutes);
        }
        if (people != null) {
            t.put("people", people);
        }
        if (photo) {
            t.put("photo", true);
        }
        if (asFound) {
            t.put("asFound", true);
        }
        put(t, "words", words);
        put(t, "because", because);
        put(t, "caution", caution);
        return t;
    }

    private static void put(ObjectNode t, String name, @Nullable String text) {
        if (text != null && !text.isEmpty()) {
            t.put(name, text);
        }
    }
}
