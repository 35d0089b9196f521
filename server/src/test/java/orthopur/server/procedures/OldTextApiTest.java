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

/**
 * An old text becomes a draft of typed steps, and nothing is stored while a word is not understood.
 */
@ServerTest
class OldTextApiTest {
    @Autowired MockMvc mvc;
    private Client ilse;

    @BeforeEach
    void signIn() throws Exception {
        ilse = Client.ilse(mvc);
    }

    @Test
    void aTextIsReadAndItsStepsAreStored() throws Exception {
        JsonNode read =
                ilse.post_(
                                "/api/old-texts",
                                "{\"machine\":\"QK-SL1\",\"text\":\"1. Unplug slicer\\n2. Be careful\\n3. Wash pusher\"}")
                        .body();
        assertEquals("Isolate Motor on its cord", read.get(0).get("notation").asString());
        assertTrue(read.get(1).get("notation") == null || read.get(1).get("notation").isNull());
        assertEquals("product", read.get(2).at("/missing/0/english").asString());
        Answer made = ilse.post_("/api/old-texts/drafts", draft("Old one", "Wash Pusher"));
        assertEquals(201, made.status());
        String id = made.body().get("id").asString();
        JsonNode step =
                ilse.read("/api/procedures/" + id + "/versions/1").body().at("/document/steps/0");
        assertEquals("wash", step.get("action").asString());
        assertEquals("As it stood", step.get("words").asString());
    }

    @Test
    void aWordThatIsNotUnderstoodIsPointedAtAndNothingIsStored() throws Exception {
        int before = ilse.read("/api/procedures").body().size();
        Answer wrong = ilse.post_("/api/old-texts/drafts", draft("", "Wash Pushr"));
        assertEquals(422, wrong.status());
        String all = wrong.body().toString();
        assertTrue(all.contains("/lines/0/line") && all.contains("/title"), all);
        assertEquals(
                422,
                ilse.post_(
                                "/api/old-texts",
                                "{\"machine\":\"QK-SL1\",\"text\":\""
                                        + "x\\n".repeat(5_001)
                                        + "\"}")
                        .status());
        assertEquals(
                403,
                Client.maren(mvc)
                        .post_("/api/old-texts/drafts", draft("Old", "Wash Pusher"))
                        .status());
        assertEquals(before, ilse.read("/api/procedures").body().size());
    }

    private static String draft(String title, String line) {
        return """
                {"machine":"QK-SL1","title":"%s","kind":"daily",
                 "lines":[{"line":"%s","words":"As it stood"}]}"""
                .formatted(title, line);
    }
}
