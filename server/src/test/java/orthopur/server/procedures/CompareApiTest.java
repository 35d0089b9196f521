package orthopur.server.procedures;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Two procedures side by side, over the API; asking changes nothing. */
@ServerTest
class CompareApiTest {
    private static final String OVEN = "/api/procedures/qk-ov1-daily/versions/1";
    @Autowired MockMvc mvc;
    private Client ilse;
    private ObjectNode oven;

    @BeforeEach
    void signIn() throws Exception {
        ilse = Client.ilse(mvc);
        oven = (ObjectNode) ilse.read(OVEN).body().get("document");
    }

    @Test
    void whatIsWrittenNowIsHeldAgainstAVersion() throws Exception {
        ArrayNode steps = oven.withArray("steps");
        int cool = place(steps, "cool");
        ObjectNode gone = (ObjectNode) steps.remove(cool);
        ((ObjectNode) steps.get(0)).put("words", "Bring everything.");
        JsonNode d = ilse.post_(OVEN + "/comparison", oven.toString()).body();
        assertEquals("changed", d.at("/steps/0/kind").asString());
        assertEquals("words", d.at("/steps/0/parts/0/english").asString());
        assertEquals("removed", d.at("/steps/1/kind").asString());
        assertEquals(cool + 1, d.at("/steps/1/was").asInt());
        assertTrue(d.at("/steps/1/lineBefore").asString().startsWith("Cool down"), d.toString());
        assertTrue(d.get("come").toString().contains("\"L8\""), d.get("come").toString());
        assertEquals(0, d.at("/before/stops").asInt());
        assertTrue(d.at("/now/stops").asInt() > 0);
        steps.insert(cool, gone);
        JsonNode same = ilse.post_(OVEN + "/comparison", oven.toString()).body();
        assertEquals(1, same.get("steps").size());
        assertEquals(0, same.get("come").size());
    }

    @Test
    void onePersonFewerAndColdWaterAreAnsweredAndNotStored() throws Exception {
        JsonNode d = ask("{\"fewerPeople\":1,\"warmest\":18}").body();
        assertTrue(d.get("come").toString().contains("\"L10\""), d.get("come").toString());
        assertTrue(d.get("come").toString().contains("\"S7\""));
        assertEquals(1, d.at("/document/people").asInt());
        assertEquals(oven, ilse.read(OVEN).body().get("document"));
    }

    @Test
    void whatCannotBeSaysWhichFieldAndItsRange() throws Exception {
        Answer none = ask("{\"fewerPeople\":2}");
        assertEquals(422, none.status());
        assertTrue(none.body().toString().contains("/fewerPeople"));
        assertEquals(422, ask("{\"fewerPeople\":0}").status());
        assertEquals(
                404,
                ilse.post_("/api/procedures/none/versions/1/comparison", oven.toString()).status());
    }

    /** Out of use with a reason and a signature; what was said of its steps stays with it. */
    @Test
    void anApprovedVersionIsRetiredAndItsCommentsStay() throws Exception {
        String weekly = "/api/procedures/qk-ov1-weekly/versions/1";
        assertEquals(422, comment(weekly, "").status());
        assertEquals(200, comment(weekly, "The rack is too narrow.").status());
        assertEquals(422, retire(weekly, "471148", "short").status());
        assertEquals(401, retire(weekly, "0000", "Nobody bakes here now.").status());
        assertEquals(200, retire(weekly, "471148", "Nobody bakes here now.").status());
        assertEquals(409, retire(weekly, "471148", "Nobody bakes here now.").status());
        assertEquals("RETIRED", ilse.read(weekly).body().at("/row/state").asString());
        JsonNode said = ilse.read(weekly + "/comments").body();
        assertEquals("The rack is too narrow.", said.at("/0/text").asString());
        assertEquals("Ilse Varga", said.at("/0/who").asString());
    }

    private Answer comment(String version, String text) {
        return ilse.post_(version + "/comments", "{\"stepId\":\"cool\",\"text\":\"" + text + "\"}");
    }

    private Answer retire(String version, String pin, String reason) {
        return ilse.post_(
                version + "/retirement", "{\"pin\":\"" + pin + "\",\"reason\":\"" + reason + "\"}");
    }

    private Answer ask(String change) throws Exception {
        return ilse.post_("/api/what-if", "{\"document\":" + oven + ",\"change\":" + change + "}");
    }

    private static int place(ArrayNode steps, String id) {
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).get("id").asString().equals(id)) {
                return i;
            }
        }
        return -1;
    }
}
