package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import orthopur.calculation.Calculations;
import orthopur.calculation.RefusedInput;
import orthopur.rulebook.PublicCodes;

/**
 * Golden inputs of the calculations: those that were worked by hand and those that are refused,
 * with all that the core says of each. What was compiled for the browser is held to the same file.
 * Run with {@code -Dorthopur.write=true} to write it anew.
 */
class CalcVectorsTest {
    private static final Path FILE = Path.of("..", "demo", "vectors", "calculations.json");
    private static final Path INPUTS = Path.of("..", "core", "src", "test", "resources");

    record Vector(
            String name,
            Map<String, String> inputs,
            @Nullable CalcDocument answer,
            @Nullable Refusal refused) {}

    record Refusal(String key, String message, String allowed) {}

    record Vectors(List<Vector> vectors) {}

    @Test
    void theFileIsWhatTheCoreSays() throws IOException {
        List<Vector> vectors = new ArrayList<>();
        for (String file : List.of("worked-values.psv", "refused-values.psv")) {
            for (String row : Files.readAllLines(INPUTS.resolve(file))) {
                if (!row.startsWith("#")) {
                    String[] cells = row.split("\\|", -1);
                    vectors.add(vector(cells[0].strip(), cells[1].strip()));
                }
            }
        }
        assertTrue(
                Calculations.all().stream()
                        .allMatch(c -> vectors.stream().anyMatch(v -> v.name().equals(c.name()))),
                "each calculation has a golden input");
        String now = Json.write(new Vectors(vectors));
        if (Boolean.getBoolean("orthopur.write")) {
            Files.writeString(FILE, now);
        }
        assertEquals(Files.readString(FILE), now);
    }

    private static Vector vector(String name, String inputs) {
        Map<String, String> in = new LinkedHashMap<>();
        for (String pair : inputs.split(" ")) {
            int equals = pair.indexOf('=');
            in.put(pair.substring(0, equals), pair.substring(equals + 1).replace('_', ' '));
        }
        try {
            return new Vector(
                    name,
                    in,
                    CalcDocument.of(Calculations.compute(name, in, PublicCodes.book())),
                    null);
        } catch (RefusedInput x) {
            return new Vector(
                    name, in, null, new Refusal(x.key(), x.getMessage(), x.allowed().toString()));
        }
    }
}
