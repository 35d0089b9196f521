package orthopur.server.floor;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** What is known before the first step, and who may take it. */
@ServerTest(own = true)
class BeforeStartTest {
    private static final String SAW = "qk-sw1-daily";
    @Autowired MockMvc mvc;
    private Client ilse;
    private Client maren;
    private Client pell;

    @BeforeEach
    void signIn() {
        ilse = Client.ilse(mvc);
        maren = Client.maren(mvc);
        pell = new Client(mvc, "Pell Okonjo", "quillmere-pell");
    }

    private static String start(String procedure) {
        return "{\"procedure\":\"" + procedure + "\"}";
    }

    private JsonNode before(Client who, String procedure) {
        Answer a = who.read("/api/floor/" + procedure);
        assertEquals(200, a.status(), a.body().toString());
        return a.body();
    }

    @Test
    void saysWhatIsWornAndFetchedAndHowLongItTakes() {
        JsonNode v = before(maren, "qk-sl1-end-of-shift");
        assertEquals("QK-SL1", v.get("machine").asString());
        assertTrue(v.get("ppe").toString().contains("glove"), v.get("ppe").toString());
        assertTrue(v.get("things").size() >= 3, v.get("things").toString());
        assertTrue(v.get("minutes").asDouble() > 10 && v.get("minutes").asDouble() < 240);
        assertEquals(38, v.get("steps").asInt());
        assertFalse(v.hasNonNull("whyNot"));
    }

    @Test
    void whoWasNotShownTheWorkDoesNotStartItAndJoins() {
        assertTrue(before(pell, SAW).at("/whyNot/english").asString().contains("Maren Oyelaran"));
        Answer refused = pell.post_("/api/rounds", start(SAW));
        assertEquals(403, refused.status());
        assertTrue(refused.detail().contains("was not trained on QK-SW1"), refused.detail());
        String round = maren.post_("/api/rounds", start(SAW)).body().at("/state/id").asString();
        Answer joined = pell.post_("/api/rounds", start(SAW));
        assertEquals(200, joined.status(), joined.detail());
        assertEquals(round, joined.body().at("/state/id").asString());
        assertEquals(round, before(pell, SAW).get("openRound").asString());
    }

    @Test
    void theSupervisorWritesItDownWithThePin() {
        JsonNode person = null;
        for (JsonNode p : ilse.read("/api/people").body()) {
            person = p.get("name").asString().equals("Pell Okonjo") ? p : person;
        }
        String path = "/api/people/" + person.get("id").asString();
        String as = "{\"role\":\"CREW\",\"left\":false,\"signature\":\"%s\",\"trainedOn\":%s}";
        assertEquals(401, ilse.put_(path, as.formatted("0000", "[]")).status());
        Answer nowhere = ilse.put_(path, as.formatted("471148", "[\"QK-XX9\"]"));
        assertEquals(422, nowhere.status());
        assertTrue(nowhere.detail().contains("QK-XX9"), nowhere.detail());
        Answer shown = ilse.put_(path, as.formatted("471148", "[\"QK-OV1\",\"QK-OV1\"]"));
        assertEquals("[\"QK-OV1\"]", shown.body().get("trainedOn").toString());
        assertFalse(before(pell, "qk-ov1-daily").hasNonNull("whyNot"));
        assertTrue(before(pell, "qk-sl1-end-of-shift").hasNonNull("whyNot"), "withdrawn");
        Answer left =
                ilse.put_(path, "{\"role\":\"CREW\",\"left\":false,\"signature\":\"471148\"}");
        assertEquals("[\"QK-OV1\"]", left.body().get("trainedOn").toString(), "absent stays");
        assertTrue(
                ilse.read("/api/supplies/changes")
                        .body()
                        .toString()
                        .contains("person Pell Okonjo"));
    }

    @Test
    void aSupervisorStartsWhatNobodyWasShown() {
        assertFalse(before(ilse, SAW).hasNonNull("whyNot"));
    }

    @Test
    void qualityLooksAndDoesNotStart() {
        Client ruvi = new Client(mvc, "Ruvi Hast", "quillmere-ruvi");
        assertEquals(
                "Only crew and supervisors carry out rounds.",
                before(ruvi, SAW).at("/whyNot/english").asString());
    }

    @Test
    void sparesAreCountedAndTheNewestCountHolds() {
        JsonNode spare = before(maren, SAW).get("spares").get(0);
        assertFalse(spare.hasNonNull("count"), "not counted is not none");
        String part = spare.get("part").asString();
        for (int count : new int[] {2, 3}) {
            String entry =
                    """
                    {"id":"count-%d","packHash":"","step":"","kind":"spares-counted","tabletTime":1,"figures":[
                     {"name":"machine","text":"QK-SW1"},{"name":"part","text":"%s"},
                     {"name":"count","value":%d,"unit":"pieces"}]}"""
                            .formatted(count, part, count);
            assertEquals(200, maren.post_("/api/stream/entries", entry).status());
        }
        JsonNode now = before(maren, SAW).get("spares").get(0);
        assertEquals(3, now.get("count").asInt());
        assertEquals("Maren Oyelaran", now.get("who").asString());
    }

    @Test
    void whatIsNotThereIsNamed() {
        assertEquals(404, maren.read("/api/floor/nowhere").status());
    }
}
