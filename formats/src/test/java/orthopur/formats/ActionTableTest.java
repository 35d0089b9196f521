package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The table of actions is whole, and what derives from it agrees with it. */
class ActionTableTest {
    /** What the web's tests take for the table; {@code -Dorthopur.write=true} writes it. */
    private static final Path WEB = Path.of("../web/src/testing/actions.json");

    @Test
    void theWebsTestsHaveTheTableThatTheServerSends() throws IOException {
        // As the server writes it, which gives enumerations as they are.
        String table =
                new JsonMapper()
                                .writerWithDefaultPrettyPrinter()
                                .writeValueAsString(ActionTable.all())
                        + "\n";
        if (Boolean.getBoolean("orthopur.write")) {
            Files.writeString(WEB, table);
        }
        assertEquals(Json.tree(table), Json.tree(Files.readString(WEB)));
    }

    static List<ActionTable.ActionInfo> actions() {
        return ActionTable.all();
    }

    /** A field without a word could be written and never read back. */
    @ParameterizedTest
    @MethodSource("actions")
    void everyFieldCanBeSaidInALine(ActionTable.ActionInfo a) {
        Set<String> words = new HashSet<>();
        for (StatedField f : a.fields()) {
            boolean bare =
                    switch (f.kind()) {
                        case NAMES -> true;
                        case QUANTITY, TEXTS -> f.word().isEmpty();
                        case CHOICE -> f.needed();
                        default -> false;
                    };
            assertTrue(bare || !f.word().isEmpty(), a.name() + " cannot say its " + f.name());
            assertTrue(bare || words.add(f.word()), a.name() + " says two things by " + f.word());
            assertFalse(f.label().isBlank(), f.name());
            assertTrue(f.kind() != StatedField.Kind.QUANTITY || !f.example().isEmpty(), f.name());
        }
    }

    @Test
    void noVerbMeansTwoActions() {
        List<String> verbs = new ArrayList<>();
        ActionTable.verbsByAction().values().forEach(verbs::addAll);
        assertEquals(verbs.size(), new HashSet<>(verbs).size(), verbs.toString());
    }

    @Test
    void theSchemaKnowsEveryFieldAndWhoTakesIt() {
        JsonNode step = Json.tree(Schemas.text("procedure")).at("/properties/steps/items");
        for (StatedField f : ActionTable.fields()) {
            JsonNode p = step.at("/properties/" + f.name());
            assertTrue(p.get("description").asString().startsWith(f.label()), f.name());
        }
        assertEquals(ActionTable.all().size(), step.get("allOf").size());
        JsonNode lock = step.get("allOf").get(3);
        assertEquals("lock", lock.at("/if/properties/action/const").asString());
        List<String> takes =
                lock.at("/then/propertyNames/enum").valueStream().map(JsonNode::asString).toList();
        assertTrue(takes.containsAll(List.of("energies", "locks", "words")), takes.toString());
        assertFalse(takes.contains("volume"), takes.toString());
    }

    @Test
    void aFieldThatAnActionDoesNotTakeIsRefusedByName() {
        List<String> said = new ArrayList<>();
        StepFields.read(
                ActionTable.known("lock"),
                Map.of(
                        "volume", Json.tree("{\"value\":4,\"unit\":\"L\"}"),
                        "locks", Json.tree("21")),
                (field, message) -> said.add(field + ": " + message));
        said.sort(null);
        assertEquals(
                List.of(
                        "locks: The number of locks is 21; allowed is 0 to 20.",
                        "volume: The action lock takes no volume."),
                said);
    }
}
