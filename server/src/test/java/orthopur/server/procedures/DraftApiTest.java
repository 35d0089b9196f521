package orthopur.server.procedures;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** A draft from a sheet: stored as a first draft with nothing found, twice under two ids. */
@ServerTest
class DraftApiTest {
    @Autowired MockMvc mvc;

    private static String body(String machine, String kind, boolean assembledFirst) {
        return "{\"machine\":\"%s\",\"kind\":\"%s\",\"rinseAfterSanitizer\":false,\"assembledFirst\":%s,\"halves\":false}"
                .formatted(machine, kind, assembledFirst);
    }

    @Test
    void draftedSavedAndReadyToApprove() {
        Client ilse = Client.ilse(mvc);
        Answer made = ilse.post_("/api/drafts", body("QK-FL1", "weekly", false));
        assertEquals(201, made.status(), made.body().toString());
        String id = made.body().get("id").asString();
        assertEquals("qk-fl1-weekly", id);
        JsonNode stored = ilse.read("/api/procedures/" + id + "/versions/1").body();
        assertEquals(0, stored.at("/row/stops").asInt() + stored.at("/row/fixes").asInt());
        assertEquals("DRAFT", stored.at("/row/state").asString());
        Answer approved =
                ilse.post_(
                        "/api/procedures/" + id + "/versions/1/approval",
                        "{\"revision\":1,\"pin\":\"471148\"}");
        assertEquals(200, approved.status(), approved.body().toString());
        Answer again = ilse.post_("/api/drafts", body("QK-FL1", "weekly", true));
        assertEquals("qk-fl1-weekly-2", again.body().get("id").asString());
    }

    @Test
    void forMoreThanWhatIsFittedAndInTwoHalves() {
        Client ilse = Client.ilse(mvc);
        String asked =
                "{\"machine\":\"QK-SL1\",\"kind\":\"end-of-shift\",\"rinseAfterSanitizer\":false,"
                        + "\"assembledFirst\":false,\"halves\":true,\"scope\":{\"scraper\":[\"folds\",%s]}}";
        Answer made = ilse.post_("/api/drafts", asked.formatted("\"none\""));
        assertEquals(201, made.status(), made.body().toString());
        String id = made.body().get("id").asString();
        JsonNode stored = ilse.read("/api/procedures/" + id + "/versions/1").body();
        assertEquals("none", stored.at("/document/scope/scraper/1").asString());
        assertTrue(stored.toString().contains("Opening half."));
        assertEquals(0, stored.at("/row/stops").asInt() + stored.at("/row/fixes").asInt());
        Answer wrong = ilse.post_("/api/drafts", asked.formatted("\"sideways\""));
        assertEquals(422, wrong.status());
        assertEquals("/scope/scraper", wrong.body().at("/errors/0/pointer").asString());
    }

    @Test
    void whatCannotBeDraftedSaysWhyAndStoresNothing() {
        Client ilse = Client.ilse(mvc);
        int before = ilse.read("/api/procedures").body().size();
        Answer none = ilse.post_("/api/drafts", body("QK-OV1", "per-use", false));
        assertEquals(422, none.status());
        assertTrue(
                none.body().at("/errors/0/message").asString().contains("Nothing on the sheet"),
                none.body().toString());
        assertEquals(422, ilse.post_("/api/drafts", body("QK-OV1", "hourly", false)).status());
        assertEquals(404, ilse.post_("/api/drafts", body("QK-ZZ1", "daily", false)).status());
        assertEquals(
                403,
                Client.maren(mvc).post_("/api/drafts", body("QK-OV1", "daily", false)).status());
        assertEquals(before, ilse.read("/api/procedures").body().size());
    }
}
