package orthopur.server.instruments;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** The site's meters answer as meters do, and one of them is not to be trusted. */
@ServerTest
class InstrumentsTest {
    @Autowired MockMvc mvc;

    @Test
    void aMeterReadsNearTheTruthAndTheOldOneRunsFlat() {
        Client ruvi = new Client(mvc, "Ruvi Hast", "quillmere-ruvi");
        JsonNode all = ruvi.read("/api/instruments").body();
        assertTrue(all.size() >= 6);
        for (JsonNode m : all) {
            assertEquals(
                    m.get("id").asString().equals("atp-old")
                            || m.get("id").asString().equals("oven-t"),
                    m.get("due").asBoolean(),
                    m.toString());
        }
        int near = 0;
        for (int i = 0; i < 40; i++) {
            JsonNode r = ruvi.post_("/api/instruments/ph-pen-1/readings?near=7.6", "{}").body();
            near += Math.abs(r.get("value").asDouble() - 7.6) < 0.2 ? 1 : 0;
        }
        assertTrue(
                near > 25 && near < 40, near + " of 40 near: the world is odd one time in eight");
        String said = "";
        for (int i = 0; i < 40; i++) {
            JsonNode r = ruvi.post_("/api/instruments/atp-old/readings?near=9", "{}").body();
            said = r.get("says").asString();
            if (!r.hasNonNull("value")) {
                break;
            }
            assertTrue(said.contains("calibration is overdue"), said);
        }
        assertTrue(said.contains("battery is flat"), said);
    }

    @Test
    void whatIsNoInstrumentOrNoFigureIsRefused() {
        Client ruvi = new Client(mvc, "Ruvi Hast", "quillmere-ruvi");
        assertEquals(404, ruvi.post_("/api/instruments/spoon/readings?near=7", "{}").status());
        Answer far = ruvi.post_("/api/instruments/ph-pen-1/readings?near=1e9", "{}");
        assertEquals(409, far.status());
        assertTrue(far.detail().contains("-50 to 10,000"), far.detail());
        assertEquals(400, ruvi.post_("/api/instruments/ph-pen-1/readings?near=hot", "{}").status());
    }
}
