package orthopur.server.sheets;

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

/** A sheet is checked while it is written, and what it does is shown before it is saved. */
@ServerTest
class SheetsApiTest {
    private static final String FILLER = "/api/machines/QK-FL1/sheet";
    @Autowired MockMvc mvc;
    private Client ilse;
    private ObjectNode filler;

    @BeforeEach
    void signIn() {
        ilse = Client.ilse(mvc);
        filler = (ObjectNode) ilse.read(FILLER).body();
    }

    private ObjectNode part(String id) {
        for (JsonNode p : filler.withArray("parts")) {
            if (p.get("id").asString().equals(id)) {
                return (ObjectNode) p;
            }
        }
        throw new IllegalStateException(id);
    }

    private JsonNode check() {
        return ilse.post_("/api/sheets/check", filler.toString()).body();
    }

    private Answer save(String before, String pin) {
        return ilse.put_(
                FILLER,
                "\"" + before + "\"",
                "{\"document\":" + filler + ",\"pin\":\"" + pin + "\"}");
    }

    @Test
    void aPartBehindItselfIsPointedAt() {
        part("hopper").withArray("behind").removeAll().add("hopper");
        JsonNode checked = check();
        assertTrue(
                checked.at("/problems/0/pointer").asString().startsWith("/parts/"),
                checked.toString());
        assertTrue(checked.get("effect") == null || checked.get("effect").isNull());
        assertEquals(422, save("1", "471148").status());
        assertEquals(1, ilse.read(FILLER).body().get("version").asInt());
    }

    /** Steps of the approved procedure take this part off; without it they name nothing. */
    @Test
    void aPartThatStepsUseIsMissedBeforeItIsSaved() {
        ArrayNode parts = filler.withArray("parts");
        for (int i = parts.size() - 1; i >= 0; i--) {
            if (parts.get(i).get("id").asString().equals("hopper-seal")) {
                parts.remove(i);
            }
        }
        ArrayNode shapes = (ArrayNode) filler.at("/outline/shapes");
        for (int i = shapes.size() - 1; i >= 0; i--) {
            if (shapes.get(i).get("part").asString().equals("hopper-seal")) {
                shapes.remove(i);
            }
        }
        JsonNode lost = check().at("/effect/lost");
        assertEquals("qk-fl1-daily", lost.at("/0/id").asString());
        assertTrue(lost.at("/0/because").toString().contains("hopper-seal"), lost.toString());
    }

    @Test
    void aStricterLimitShowsWhatNoLongerPasses() {
        assertEquals(0, check().at("/effect/lost").size());
        ObjectNode surface = (ObjectNode) part("piston").withArray("surfaces").get(0);
        surface.withArray("limits").add("no-immersion");
        JsonNode lost = check().at("/effect/lost/0");
        assertTrue(lost.get("stops").asInt() > 0, lost.toString());
    }

    @Test
    void aNewVersionIsSignedAndTheSecondSupervisorIsTold() {
        filler.put("room", "Filling room, east");
        assertEquals(401, save("1", "0000").status());
        Answer saved = save("1", "471148");
        assertEquals(200, saved.status(), saved.body().toString());
        assertEquals(2, saved.body().get("version").asInt());
        Answer second = save("1", "471148");
        assertEquals(409, second.status());
        assertTrue(second.detail().contains("newer version"), second.detail());
        assertEquals(
                "sheet QK-FL1", ilse.read("/api/supplies/changes").body().at("/0/what").asString());
        assertEquals(
                403,
                Client.maren(mvc)
                        .put_(FILLER, "\"2\"", "{\"document\":" + filler + ",\"pin\":\"335027\"}")
                        .status());
    }

    /** From a copy under another code: a machine of its own, version 1. */
    @Test
    void aCopyIsAnotherMachine() {
        filler.put("name", "Rotary filler, second line");
        Answer made =
                ilse.put_(
                        "/api/machines/QK-FL7/sheet",
                        "\"0\"",
                        "{\"document\":" + filler + ",\"pin\":\"471148\"}");
        assertEquals(200, made.status(), made.body().toString());
        assertEquals(1, ilse.read("/api/machines/QK-FL7/sheet").body().get("version").asInt());
    }
}
