package orthopur.formats;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.chemical.Label;
import orthopur.machine.Problem;
import orthopur.procedure.Action;
import orthopur.text.Text;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A procedure as it would be with another chemical, one person fewer, or water that is no warmer
 * than so. It writes the other procedure; what comes of it the verdict says.
 *
 * @param from chemical that is not there, by id; null to leave chemicals alone
 * @param to chemical that is used instead, as its label directs
 * @param fewerPeople how many do not come, from 0
 * @param warmest °C that the water still has; null where the heater works
 */
public record WhatIf(
        @Nullable String from, @Nullable String to, int fewerPeople, @Nullable Double warmest) {

    /**
     * The other procedure.
     *
     * @throws FormatError where nothing would change or a value is out of its range
     */
    public ProcedureDocument of(ProcedureDocument document, List<Chemical> chemicals) {
        ObjectNode tree = (ObjectNode) Json.tree(Json.write(document));
        String before = tree.toString();
        List<Problem> problems = new ArrayList<>();
        if (fewerPeople < 0 || fewerPeople >= document.people()) {
            problems.add(
                    new Problem(
                            "/fewerPeople",
                            Text.of(
                                    "what-if.it-is-written-for",
                                    "It is written for {0}; 0 to {1} can stay away.",
                                    document.people(),
                                    document.people() - 1)));
        }
        if (warmest != null && !(warmest >= 0 && warmest <= 100)) {
            problems.add(
                    new Problem(
                            "/warmest",
                            Text.of("what-if.the-water-has-to-c", "The water has 0 to 100 °C.")));
        }
        Chemical other = named(to, chemicals);
        if (from != null && other == null) {
            problems.add(
                    new Problem(
                            "/to",
                            Text.of(
                                    "what-if.this-site-has-no-product",
                                    "This site has no product \"{0}\".",
                                    to)));
        }
        if (!problems.isEmpty()) {
            throw new FormatError(problems);
        }
        tree.put("people", document.people() - fewerPeople);
        for (JsonNode step : tree.withArray("steps")) {
            ObjectNode s = (ObjectNode) step;
            if (from != null && from.equals(s.path("chemical").asString()) && other != null) {
                asDirected(s, other);
            }
            if (s.path("people").asInt(1) > document.people() - fewerPeople) {
                s.put("people", document.people() - fewerPeople);
            }
            JsonNode heat = s.path("temperature");
            if (warmest != null
                    && heat.path("unit").asString().equals("°C")
                    && heat.path("value").asDouble() > warmest) {
                s.putObject("temperature").put("value", warmest).put("unit", "°C");
            }
        }
        if (before.equals(tree.toString())) {
            throw new FormatError(
                    "",
                    Text.of(
                            "what-if.nothing-in-this-procedure-would-be",
                            "Nothing in this procedure would be another."));
        }
        return ProcedureFormat.document(tree.toString());
    }

    private static @Nullable Chemical named(@Nullable String id, List<Chemical> chemicals) {
        return chemicals.stream().filter(c -> c.id().equals(id)).findFirst().orElse(null);
    }

    /** Strength, warmth and contact as the label of the other product directs. */
    private static void asDirected(ObjectNode s, Chemical other) {
        s.put("chemical", other.id());
        Label label = other.label();
        ObjectNode directed = (ObjectNode) Json.tree(Json.write(label));
        if (s.has("strength") && directed.hasNonNull("least")) {
            s.set("strength", directed.get("least"));
        }
        double least = directed.at("/leastTemperature/value").asDouble(Double.NEGATIVE_INFINITY);
        if (s.path("temperature").path("value").asDouble(Double.POSITIVE_INFINITY) < least) {
            s.set("temperature", directed.get("leastTemperature"));
        }
        boolean sanitizes = s.path("action").asString().equals(written(Action.Sanitize.class));
        if (sanitizes && directed.hasNonNull("contact")) {
            s.set("contact", directed.get("contact"));
        }
    }

    private static String written(Class<? extends Action> action) {
        return action.getSimpleName().toLowerCase(java.util.Locale.ROOT);
    }
}
