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

/** What no longer passes starts no round until somebody has signed for it. */
@ServerTest
class LapsedTest {
    private static final String SLICER = "qk-sl1-end-of-shift";

    @Autowired MockMvc mvc;

    private static JsonNode row(JsonNode rows, String field, String id) {
        for (JsonNode r : rows) {
            if (r.get(field).asString().equals(id)) {
                return r;
            }
        }
        throw new AssertionError(id + " is not in " + rows);
    }

    private static Answer start(Client who) {
        return who.post_("/api/rounds", "{\"procedure\":\"" + SLICER + "\"}");
    }

    private static String use(String reason) {
        return "{\"pin\":\"471148\",\"reason\":\"" + reason + "\"}";
    }

    @Test
    void isListedRefusedAndUsedForAWhileOnceItIsSigned() {
        Client ilse = Client.ilse(mvc);
        Client maren = Client.maren(mvc);
        JsonNode before = ilse.read("/api/procedures/lapsed").body();
        assertEquals(0, before.size(), before.toString());
        assertTrue(
                row(maren.read("/api/floor").body(), "procedure", SLICER)
                        .get("passes")
                        .asBoolean());
        assertEquals(
                409,
                ilse.post_("/api/procedures/" + SLICER + "/use", use("It passes, so why sign?"))
                        .status());

        String third = "/api/rulebook/figures/chlorine.row-3.least-strength";
        assertEquals(
                200,
                ilse.put_(
                                third,
                                "",
                                "{\"value\":160,\"reason\":\"Our auditor asks for more.\",\"pin\":\"471148\"}")
                        .status());
        JsonNode lapsed = row(ilse.read("/api/procedures/lapsed").body(), "id", SLICER);
        assertEquals(1, lapsed.get("stops").asInt());
        assertTrue(
                lapsed.at("/because/0/english").asString().contains("160 mg/L"), lapsed.toString());
        assertTrue(
                !row(maren.read("/api/floor").body(), "procedure", SLICER)
                        .get("passes")
                        .asBoolean());
        Answer refused = start(maren);
        assertEquals(409, refused.status());
        assertTrue(refused.detail().contains("does not pass the rules any more"), refused.detail());

        assertEquals(
                403,
                maren.post_("/api/procedures/" + SLICER + "/use", use("I would like to go home"))
                        .status());
        assertEquals(422, ilse.post_("/api/procedures/" + SLICER + "/use", use("short")).status());
        Answer signed =
                ilse.post_(
                        "/api/procedures/" + SLICER + "/use",
                        use("Strips read 130 all week; a new version is being written."));
        assertEquals(200, signed.status(), signed.body().toString());
        assertTrue(signed.body().get("until").asLong() > 0);
        assertEquals(
                409,
                ilse.post_("/api/procedures/" + SLICER + "/use", use("Once more, for a month."))
                        .status());
        assertEquals(200, start(maren).status());
    }
}
