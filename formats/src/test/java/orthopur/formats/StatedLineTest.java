package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import java.util.Map;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import orthopur.formats.language.StatedLine;
import orthopur.quantity.Show;
import tools.jackson.databind.JsonNode;

class StatedLineTest {
    private static final UnaryOperator<String> ENGLISH = w -> w.equals(StatedLine.TO) ? "to" : w;
    private static final Map<String, String> NAMES =
            Map.of("knife", "knife", "ring-nut", "ring nut", "grislow-d", "Grislow D");

    private static String line(String step) {
        return StatedLine.of(Json.tree(step), ENGLISH, id -> NAMES.getOrDefault(id, id));
    }

    /** Things come first, then figures; what is not stated is not said. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"action\":\"remove\",\"items\":[\"knife\",\"ring-nut\"],\"destination\":\"sink 1\"}"
                        + "|knife, ring nut, to sink 1",
                "{\"action\":\"rinse\",\"items\":[\"knife\"]}|knife",
                "{\"action\":\"rinse\",\"items\":[]}|''",
                "{\"action\":\"no-such-action\",\"items\":[\"knife\"]}|''",
            })
    void thingsComeFirst(String step, String line) {
        assertEquals(line, line(step));
    }

    /** No id of a part, no arrow and no bracket of line notation comes onto paper. */
    @ParameterizedTest
    @ValueSource(
            strings = {"qk-sl1-end-of-shift", "qk-ds1-daily", "qk-tl1-line-clean", "qk-gr1-daily"})
    void noNotationIsLeft(String procedure) {
        JsonNode steps = Json.tree(DemoSite.text("procedures/" + procedure + ".json")).get("steps");
        for (JsonNode step : steps) {
            String line = line(step.toString());
            assertFalse(line.matches(".*(->|\\[|\\]|null|\\{).*"), line);
            assertFalse(line.contains(", ,") || line.endsWith(" "), line);
        }
    }

    @Test
    void aQuantityHasItsUnit() {
        for (JsonNode step :
                Json.tree(DemoSite.text("procedures/qk-sl1-end-of-shift.json")).get("steps")) {
            for (Map.Entry<String, JsonNode> f : step.properties()) {
                if (f.getValue().has("unit") && f.getValue().has("value")) {
                    String figure =
                            Show.number(f.getValue().get("value").asDouble())
                                    + " "
                                    + f.getValue().get("unit").asString();
                    assertEquals(true, line(step.toString()).contains(figure), figure);
                }
            }
        }
    }
}
