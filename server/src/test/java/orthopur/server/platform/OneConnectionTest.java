package orthopur.server.platform;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.ServerTest;

/**
 * No request needs two connections of the database at once: with a few such requests together, each
 * holds one and all wait for another. With one connection in all, the first such request fails.
 */
@ServerTest(
        own = true,
        properties = {
            "spring.datasource.hikari.maximum-pool-size=1",
            "spring.datasource.hikari.connection-timeout=1000"
        })
class OneConnectionTest {
    @Autowired MockMvc mvc;

    @Test
    void everyScreenIsReadWithOne() {
        Client ilse = Client.ilse(mvc);
        String round =
                Client.maren(mvc)
                        .post_("/api/rounds", "{\"procedure\":\"qk-sl1-end-of-shift\"}")
                        .body()
                        .at("/state/id")
                        .asText();
        Map<String, Integer> answers = new TreeMap<>();
        for (String path :
                new String[] {
                    "/api/session",
                    "/api/site",
                    "/api/machines",
                    "/api/machines/QK-SL1",
                    "/api/machines/QK-SL1/sheet",
                    "/api/uncovered",
                    "/api/chemicals",
                    "/api/procedures",
                    "/api/procedures/qk-sl1-end-of-shift/versions/1",
                    "/api/procedures/qk-sl1-end-of-shift/versions/1/comments",
                    "/api/people",
                    "/api/supplies/changes",
                    "/api/board",
                    "/api/floor/qk-sl1-end-of-shift",
                    "/api/rounds/" + round,
                    "/api/releases",
                    "/api/logbook",
                    "/api/logbook/" + round,
                    "/api/rulebook",
                    "/api/instruments",
                    "/api/languages",
                    "/api/logbook/integrity",
                    "/api/machines/QK-SL1/map",
                    "/api/floor"
                }) {
            answers.put(path, ilse.read(path).status());
        }
        answers.values().removeIf(s -> s == 200);
        assertEquals(Map.of(), answers);
    }
}
