package orthopur.formats;

import java.lang.reflect.Constructor;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Ph;
import orthopur.quantity.Temperature;
import orthopur.text.Text;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** The fields of an action between its record and a file, by the table of actions. */
final class StepFields {
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
    private static final Constructor<?> LIQUID = ActionTable.maker(Solution.class);

    private final ActionTable.ActionInfo info;
    private final Map<String, JsonNode> given;
    private final BiConsumer<String, Text> say;
    private boolean wrong;

    /**
     * @param say told the field and what is wrong with it
     */
    private StepFields(
            ActionTable.ActionInfo info,
            Map<String, JsonNode> given,
            BiConsumer<String, Text> say) {
        this.info = info;
        this.given = given;
        this.say = say;
    }

    /** The action; null where something was wrong, which was said. */
    static @Nullable Action read(
            ActionTable.ActionInfo info,
            Map<String, JsonNode> given,
            BiConsumer<String, Text> say) {
        return new StepFields(info, given, say).action();
    }

    private @Nullable Action action() {
        // A figure in a field that the action does not take would be silently lost.
        for (String name : given.keySet()) {
            if (info.field(name) == null) {
                wrong(
                        name,
                        Text.of(
                                "step-fields.takes-no",
                                "The action {0} takes no {1}.",
                                info.name(),
                                name));
            }
        }
        @Nullable Object[] values = new @Nullable Object[info.slots().size()];
        for (int i = 0; i < values.length; i++) {
            StatedField f = info.slots().get(i).field();
            values[i] = f == null ? liquid() : value(f);
        }
        return wrong ? null : (Action) made(info.maker(), values);
    }

    private Solution liquid() {
        @Nullable Object[] values =
                ActionTable.liquid().stream()
                        .map(s -> value(Objects.requireNonNull(s.field())))
                        .toArray();
        Solution s = (Solution) made(LIQUID, values);
        Temperature t = s.temperature();
        if (t != null && (t.celsius() < 0 || t.celsius() > 100)) {
            wrong(
                    "temperature",
                    Text.of(
                            "step-fields.water",
                            "Water is at {0}; allowed is 0 to 100 °C.",
                            t.shown()));
        }
        return s;
    }

    private static Object made(Constructor<?> maker, @Nullable Object[] values) {
        try {
            return maker.newInstance(values);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    private @Nullable Object value(StatedField f) {
        JsonNode v = given.get(f.name());
        if (v == null && f.needed()) {
            wrong(
                    f.name(),
                    Text.of(
                            "step-fields.needs",
                            "The action {0} needs its {1}.",
                            info.name(),
                            f.name()));
        }
        return switch (f.kind()) {
            case TEXT, CHEMICAL -> v == null ? null : v.asString();
            case TEXTS, NAMES -> v == null ? List.of() : strings(v);
            case FLAG -> v != null && v.asBoolean();
            case COUNT -> v == null ? null : count(f, v);
            case NUMBER -> v == null ? null : ph(f, v);
            case QUANTITY -> v == null ? null : quantity(f, v);
            case CHOICE -> v == null ? null : word(f, v.asString());
            case CHOICES -> words(f, v);
        };
    }

    private static List<String> strings(JsonNode v) {
        return v.valueStream().map(JsonNode::asString).toList();
    }

    private @Nullable Object count(StatedField f, JsonNode v) {
        if (!v.isInt() || v.asInt() < f.least() || v.asInt() > f.most()) {
            wrong(
                    f.name(),
                    Text.of(
                            "step-fields.number",
                            "The number of {0} is {1}; allowed is {2} to {3}.",
                            f.word().isEmpty() ? f.label() : f.word(),
                            v.asString(),
                            f.least(),
                            f.most()));
            return null;
        }
        return v.asInt();
    }

    private @Nullable Object ph(StatedField f, JsonNode v) {
        try {
            return new Ph(v.asDouble());
        } catch (OutOfRange e) {
            wrong(f.name(), e.said());
            return null;
        }
    }

    private @Nullable Object quantity(StatedField f, JsonNode v) {
        StatedField.Measure m = f.measure();
        if (m == null || !v.path("value").isNumber()) {
            wrong(
                    f.name(),
                    Text.of(
                            "step-fields.quantity",
                            "This is a number with its unit, for instance {0}.",
                            f.example()));
            return null;
        }
        try {
            return m.in().apply(v.get("value").asDouble(), v.path("unit").asString(""));
        } catch (OutOfRange e) {
            wrong(f.name(), e.said());
            return null;
        }
    }

    private @Nullable Object word(StatedField f, String text) {
        for (Object e : f.type().getEnumConstants()) {
            if (QuantityModule.written((Enum<?>) e).equals(text)) {
                return e;
            }
        }
        wrong(
                f.name(),
                Text.of(
                        "step-fields.choice",
                        "\"{0}\" is not one of {1}.",
                        text,
                        String.join(", ", f.choices())));
        return null;
    }

    private Set<Object> words(StatedField f, @Nullable JsonNode v) {
        Set<Object> all = new LinkedHashSet<>();
        if (v != null) {
            for (String text : strings(v)) {
                Object e = word(f, text);
                if (e != null) {
                    all.add(e);
                }
            }
        }
        return all;
    }

    private void wrong(String field, Text said) {
        wrong = true;
        say.accept(field, said);
    }

    /** What an action states, in the order of the table; what it does not state is left out. */
    static Map<String, JsonNode> write(Action action) {
        Map<String, JsonNode> out = new LinkedHashMap<>();
        for (ActionTable.Slot slot : ActionTable.known(action.name()).slots()) {
            Object v = slot.in(action);
            if (v instanceof Solution s) {
                ActionTable.liquid()
                        .forEach(
                                part -> put(out, Objects.requireNonNull(part.field()), part.in(s)));
            } else {
                put(out, Objects.requireNonNull(slot.field()), v);
            }
        }
        Map<String, JsonNode> ordered = new LinkedHashMap<>();
        for (StatedField f : ActionTable.fields()) {
            JsonNode v = out.get(f.name());
            if (v != null) {
                ordered.put(f.name(), v);
            }
        }
        return ordered;
    }

    private static void put(Map<String, JsonNode> out, StatedField f, @Nullable Object v) {
        if (v == null) {
            return;
        }
        JsonNode node =
                switch (f.kind()) {
                    case TEXT, CHEMICAL -> NODES.stringNode((String) v);
                    case TEXTS, NAMES ->
                            array(((List<?>) v).stream().map(String::valueOf).toList());
                    case FLAG -> NODES.booleanNode((Boolean) v);
                    case COUNT -> NODES.numberNode((Integer) v);
                    case NUMBER -> NODES.numberNode(((Ph) v).value());
                    case QUANTITY -> quantity(f, v);
                    case CHOICE -> NODES.stringNode(QuantityModule.written((Enum<?>) v));
                    case CHOICES ->
                            array(
                                    ((Set<?>) v)
                                            .stream()
                                                    .map(e -> (Enum<?>) e)
                                                    .sorted()
                                                    .map(QuantityModule::written)
                                                    .toList());
                };
        // A list that is empty and a flag that is not set are left out of the file.
        if (!(node.isArray() && node.isEmpty()) && !(node.isBoolean() && !node.asBoolean())) {
            out.put(f.name(), node);
        }
    }

    private static JsonNode quantity(StatedField f, Object v) {
        Quantity q = Objects.requireNonNull(f.measure()).out().apply(v);
        return NODES.objectNode().put("value", q.value()).put("unit", q.unit());
    }

    private static ArrayNode array(List<String> all) {
        ArrayNode a = NODES.arrayNode();
        new ArrayList<>(all).forEach(a::add);
        return a;
    }
}
