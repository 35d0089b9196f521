package orthopur.server.supplies;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.jooq.DSLContext;
import org.jooq.exception.DataAccessException;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Chemicals and vessels: what a change does first, then signed and kept. */
@ServerTest
class SuppliesApiTest {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final String HALVERN = "/api/chemicals/halvern-h12";

    @Autowired MockMvc mvc;
    @Autowired DSLContext db;

    private static String body(JsonNode document, String pin) {
        ObjectNode b = JSON.createObjectNode().put("document", document.toString());
        return (pin == null ? b : b.put("pin", pin)).toString();
    }

    private static ObjectNode with(JsonNode document, String field, String figure) {
        ObjectNode other = (ObjectNode) document.deepCopy();
        ((ObjectNode) other.get("label")).set(field, JSON.readTree(figure));
        return other;
    }

    @Test
    void aLabelThatAsksForMoreShowsWhomItHitsAndIsThenJudgedBy() {
        Client ilse = Client.ilse(mvc);
        JsonNode label = ilse.read(HALVERN).body();
        JsonNode longer = with(label, "contact", "{\"value\":120,\"unit\":\"s\"}");
        JsonNode effect = ilse.post_("/api/chemicals/effect", body(longer, null)).body();
        assertTrue(effect.get("lost").size() >= 2, effect.toString());
        assertTrue(
                effect.at("/lost/0/because/0/english").asString().contains("120 s")
                        || effect.at("/lost/0/because/0/english").asString().contains("2 min"),
                effect.toString());
        assertEquals(
                0,
                ilse.post_("/api/chemicals/effect", body(label, null)).body().get("lost").size());

        assertEquals(401, ilse.put_(HALVERN, "", body(longer, "0000")).status());
        assertEquals(label, ilse.read(HALVERN).body());
        assertEquals(200, ilse.put_(HALVERN, "", body(longer, "471148")).status());
        assertEquals(
                "{\"value\":2.0,\"unit\":\"min\"}",
                ilse.read(HALVERN).body().at("/label/contact").toString());
        assertEquals(
                "halvern-h12", ilse.read("/api/supplies/changes").body().at("/0/what").asString());
        assertEquals(200, ilse.put_(HALVERN, "", body(label, "471148")).status());
        assertThrows(
                DataAccessException.class, () -> db.execute("UPDATE site_change SET who = 'x'"));
    }

    @Test
    void badLabelsAreRefusedByFieldAndNothingChanges() {
        Client ilse = Client.ilse(mvc);
        JsonNode label = ilse.read(HALVERN).body();
        Answer turned =
                ilse.put_(
                        HALVERN,
                        "",
                        body(with(label, "least", "{\"value\":300,\"unit\":\"mg/L\"}"), "471148"));
        assertEquals("/label/most", turned.body().at("/errors/0/pointer").asString());
        ObjectNode twin = (ObjectNode) label.deepCopy();
        twin.put("id", "other").put("name", "palimar q10 ");
        Answer same = ilse.put_("/api/chemicals/other", "", body(twin, "471148"));
        assertEquals("/name", same.body().at("/errors/0/pointer").asString());
        Answer unit =
                ilse.put_(
                        HALVERN,
                        "",
                        body(with(label, "contact", "{\"value\":60,\"unit\":\"days\"}"), "471148"));
        assertEquals(422, unit.status());
        assertEquals("/label/contact/unit", unit.body().at("/errors/0/pointer").asString());
        Answer other = ilse.put_("/api/chemicals/palimar-q10", "", body(label, "471148"));
        assertEquals(409, other.status());
        assertEquals(label, ilse.read(HALVERN).body());
        assertEquals(403, Client.maren(mvc).put_(HALVERN, "", body(label, "335027")).status());
    }

    @Test
    void aNewProductStandsBehindTheOthers() {
        Client ilse = Client.ilse(mvc);
        ObjectNode soap = JSON.createObjectNode().put("id", "pelm-9").put("name", "Pelm 9");
        soap.put("kind", "neutral-detergent").putObject("label");
        JsonNode all = ilse.put_("/api/chemicals/pelm-9", "", body(soap, "471148")).body();
        assertEquals("Pelm 9", all.get(all.size() - 1).get("name").asString());
    }

    @Test
    void aSmallerSinkRunsOver() {
        Client ilse = Client.ilse(mvc);
        ArrayNode list = (ArrayNode) ilse.read("/api/vessels").body();
        ArrayNode small = list.deepCopy();
        small.forEach(v -> ((ObjectNode) v.get("brim")).put("value", 1));
        JsonNode effect = ilse.post_("/api/vessels/effect", body(small, null)).body();
        assertTrue(effect.get("lost").size() > 0, effect.toString());
        ArrayNode twice = list.deepCopy();
        twice.add(list.get(0));
        Answer refused = ilse.put_("/api/vessels", "", body(twice, "471148"));
        assertEquals(
                "/vessels/" + list.size() + "/name",
                refused.body().at("/errors/0/pointer").asString());
        ((ObjectNode) list.get(0).get("brim")).put("value", 61);
        assertEquals(200, ilse.put_("/api/vessels", "", body(list, "471148")).status());
        assertEquals("61 L", ilse.read("/api/site").body().at("/vessels/0/brim").asString());
    }
}
