package orthopur.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

/**
 * The web client's types are generated from {@code web/openapi.json}. Run with {@code
 * -Dorthopur.write=true} to write it anew after a change of the API.
 */
@ServerTest
class OpenApiTest {
    private static final Path FILE = Path.of("..", "web", "openapi.json");

    @Autowired MockMvc mvc;

    @Test
    void theWebClientsFileIsTheApiAsItIs() throws Exception {
        String served =
                mvc.perform(get("/v3/api-docs"))
                        .andReturn()
                        .getResponse()
                        .getContentAsString(StandardCharsets.UTF_8);
        ObjectMapper json =
                new ObjectMapper().enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS);
        ObjectNode tree = (ObjectNode) json.readTree(served);
        tree.remove("servers");
        // Through a map, so that keys come in one order whatever order beans were found in.
        String now =
                json.writerWithDefaultPrettyPrinter()
                                .writeValueAsString(json.treeToValue(tree, java.util.TreeMap.class))
                        + "\n";
        if (Boolean.getBoolean("orthopur.write")) {
            Files.writeString(FILE, now);
        }
        assertEquals(Files.readString(FILE), now, "the API changed; see this test's comment");
    }
}
