package orthopur.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client.Answer;
import tools.jackson.databind.JsonNode;

/** Whatever is sent to whichever route, nothing fails and no name of a class is said. */
@ServerTest
class BodiesTest {
    private static final Path ROUTES = Path.of("..", "web", "openapi.json");
    private static final List<String> BODIES =
            List.of("{}", "null", "[]", "[{}]", "\"x\"", "7", "{\"entries\":[null,{}]}", "{");

    /** What stands in a path, so that it leads somewhere. */
    private static final Map<String, String> THERE =
            Map.of(
                    "code", "QK-SL1",
                    "version", "1",
                    "procedure", "qk-sl1-end-of-shift",
                    "name", "dilute");

    @Autowired MockMvc mvc;

    @Test
    void noBodyMakesARouteFail() throws IOException {
        Client ilse = Client.ilse(mvc);
        List<String> wrong = new ArrayList<>();
        int tried = 0;
        JsonNode paths = Client.json(Files.readString(ROUTES)).get("paths");
        for (Map.Entry<String, JsonNode> route : paths.properties()) {
            for (String method : List.of("post", "put")) {
                if (!route.getValue().has(method)) {
                    continue;
                }
                for (String body : BODIES) {
                    String path = there(route.getKey());
                    Answer a =
                            method.equals("post") ? ilse.post_(path, body) : ilse.put_(path, body);
                    String said = a.body() == null ? "" : a.body().toString();
                    if (a.status() >= 500
                            || said.contains("Exception")
                            || said.contains("orthopur.")
                            || said.contains("java.")
                            || said.contains("disk")) {
                        wrong.add(
                                method + " " + path + " " + body + ": " + a.status() + " " + said);
                    }
                    tried++;
                }
            }
        }
        assertEquals(List.of(), wrong);
        assertTrue(tried > 300, tried + " tried");
    }

    private static String there(String path) {
        String filled = path;
        for (Map.Entry<String, String> e : THERE.entrySet()) {
            filled = filled.replace("{" + e.getKey() + "}", e.getValue());
        }
        return filled.replace("{id}", filled.contains("/procedures/") ? "qk-sl1-draft" : "1")
                .replaceAll("\\{[a-z0-9]+}", "none");
    }
}
