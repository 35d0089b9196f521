package orthopur.server.rulebook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import org.jooq.DSLContext;
import org.jooq.exception.DataAccessException;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** Tightening a figure: what it does first, then signed; loosening is kept as an override. */
@ServerTest
class RuleBookApiTest {
    private static final String THIRD_ROW = "/api/rulebook/figures/chlorine.row-3.least-strength";

    @Autowired MockMvc mvc;
    @Autowired DSLContext db;

    private static JsonNode figure(JsonNode book, String id) {
        for (JsonNode f : book.get("figures")) {
            if (f.get("id").asString().equals(id)) {
                return f;
            }
        }
        throw new AssertionError(id);
    }

    private static String value(String value, String reason) {
        return "{\"value\":%s,\"reason\":\"%s\",\"pin\":\"471148\"}".formatted(value, reason);
    }

    @Test
    void whatItDoesIsShownBeforeItIsSavedAndThenJudgedBy() throws Exception {
        Client ilse = Client.ilse(mvc);
        JsonNode effect = ilse.post_(THIRD_ROW + "/effect", "{\"value\":160}").body();
        assertEquals(30, effect.get("approved").asInt());
        assertEquals(10, effect.get("lost").size(), effect.toString());
        assertTrue(effect.at("/lost/0/because/0/english").asString().contains("160 mg/L"));
        assertEquals(
                0, ilse.post_(THIRD_ROW + "/effect", "{\"value\":100}").body().get("lost").size());

        Answer set = ilse.put_(THIRD_ROW, "", value("160", "Our auditor asks for more."));
        assertEquals(200, set.status(), set.body().toString());
        JsonNode f = figure(set.body(), "chlorine.row-3.least-strength");
        assertEquals(160, f.get("value").asInt());
        assertEquals(100, f.get("shipped").asInt());
        assertFalse(f.get("override").asBoolean());
        String good =
                Files.readString(Path.of("..", "demo", "procedures", "qk-sl1-end-of-shift.json"));
        assertEquals(1, ilse.post_("/api/verify", good).body().get("stops").asInt());
        JsonNode limit =
                ilse.post_(
                                "/api/calc/limit",
                                "{\"kind\":\"chlorine\",\"strength\":\"100mg/L\",\"temp\":\"18C\",\"pH\":\"7\"}")
                        .body();
        assertEquals("out", limit.get("verdict").asString());

        assertEquals(200, ilse.put_(THIRD_ROW, "", value("null", "Back to the code.")).status());
        assertEquals(0, ilse.post_("/api/verify", good).body().get("stops").asInt());
        assertThrows(
                DataAccessException.class, () -> db.execute("UPDATE figure_change SET value = 1"));
    }

    @Test
    void lessThanTheCodeNeedsItsReasonAndShows() {
        Client ilse = Client.ilse(mvc);
        String path = "/api/rulebook/figures/touch.limit";
        assertTrue(ilse.put_(path, "", value("55", "")).detail().contains("less than"));
        JsonNode book = ilse.put_(path, "", value("55", "Approved by the authority.")).body();
        assertTrue(figure(book, "touch.limit").get("override").asBoolean());
        ilse.put_(path, "", value("null", "Back to the code."));
    }

    @Test
    void whatCannotBeIsRefusedWithTheRange() {
        Client ilse = Client.ilse(mvc);
        assertEquals(422, ilse.post_(THIRD_ROW + "/effect", "{\"value\":-5}").status());
        assertEquals(404, ilse.post_("/api/rulebook/figures/x/effect", "{\"value\":5}").status());
        assertTrue(
                ilse.put_("/api/rulebook/figures/chlorine.ph.wide", "", value("15", "Typing error"))
                        .detail()
                        .contains("0 to 14"));
        assertEquals(
                401,
                ilse.put_(
                                THIRD_ROW,
                                "",
                                "{\"value\":125,\"reason\":\"Long enough now\",\"pin\":\"0000\"}")
                        .status());
        assertEquals(
                403,
                Client.maren(mvc).put_(THIRD_ROW, "", value("125", "I would like to.")).status());
    }

    @Test
    void mendingAllLeavesWhatOnlyAPersonCanDecide() throws Exception {
        Client ilse = Client.ilse(mvc);
        String draft = Files.readString(Path.of("..", "demo", "procedures", "qk-sl1-draft.json"));
        JsonNode mended = ilse.post_("/api/mend", draft).body();
        assertEquals(8, mended.get("taken").size(), mended.get("taken").toString());
        assertEquals(0, mended.get("stops").asInt() + mended.get("fixes").asInt());
        assertEquals(
                0,
                ilse.post_("/api/verify", mended.get("document").toString())
                        .body()
                        .get("stops")
                        .asInt());
    }

    /** Changing a figure flips the example: the slip passes, or what was right breaks. */
    @Test
    void theExamplesOfARuleRunWithTheFiguresThatAreTried() {
        Client ilse = Client.ilse(mvc);
        String path = "/api/rulebook/rules/S7/examples";
        JsonNode now = ilse.post_(path, "{\"figures\":{}}").body();
        assertTrue(now.at("/broken/finding/message").asString().contains("43"), now.toString());
        assertTrue(
                now.at("/kept/finding/message").isMissingNode()
                        || now.at("/kept/finding").isNull());
        assertTrue(now.get("figures").toString().contains("wash.hand.least"));
        assertTrue(now.at("/broken/steps").toString().contains("\"differs\":true"));
        assertTrue(now.at("/broken/steps").size() > 1 && now.at("/broken/first").asInt() > 1);
        assertFalse(now.at("/broken/ribbon/surfaces").isEmpty());
        JsonNode looser = ilse.post_(path, "{\"figures\":{\"wash.hand.least\":1}}").body();
        assertFalse(looser.at("/broken/finding/message").isString());
        JsonNode stricter = ilse.post_(path, "{\"figures\":{\"wash.hand.least\":99}}").body();
        assertTrue(stricter.at("/kept/finding/message").isString());
        assertEquals(
                404, ilse.post_("/api/rulebook/rules/X9/examples", "{\"figures\":{}}").status());
        assertEquals(422, ilse.post_(path, "{\"figures\":{\"wash.hand.least\":-1}}").status());
        assertEquals(404, ilse.post_(path, "{\"figures\":{\"nothing\":1}}").status());
    }

    /** The machines of the demo are covered; a sheet that nobody has written for is not. */
    @Test
    void whatNoProcedureCoversIsNamed() throws Exception {
        Client ilse = Client.ilse(mvc);
        assertEquals("[]", only(ilse, "QK-SL1"));
        String sheet =
                Files.readString(Path.of("..", "demo", "machines", "QK-SW1.json"))
                        .replaceFirst("QK-SW1", "QK-SW9");
        assertEquals(201, ilse.sheet(sheet, "471148").status());
        String bare = only(ilse, "QK-SW9");
        assertTrue(bare.contains("is to be cleaned daily, and no approved procedure"), bare);
    }

    private static String only(Client ilse, String machine) {
        for (JsonNode m : ilse.read("/api/uncovered").body()) {
            if (m.get("code").asString().equals(machine)) {
                return m.get("items").toString();
            }
        }
        return "[]";
    }
}
