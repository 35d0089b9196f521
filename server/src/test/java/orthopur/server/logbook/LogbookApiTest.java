package orthopur.server.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;

/** Reading: the logbook, the calculations, the rule book, and what is not there. */
@ServerTest(own = true)
class LogbookApiTest {
    @Autowired MockMvc mvc;
    private Client anselm;

    @BeforeEach
    void signIn() {
        anselm = new Client(mvc, "Anselm Crake", "quillmere-anselm");
    }

    @Test
    void anEmptyLogbookIsWholeAndEmpty() {
        assertEquals(0, anselm.read("/api/logbook").body().size());
        assertTrue(anselm.read("/api/logbook/integrity").body().get("whole").asBoolean());
        assertEquals(404, anselm.read("/api/logbook/nowhere").status());
        assertEquals(400, anselm.read("/api/logbook?from=yesterday").status());
    }

    @Test
    void anAuditorReadsAndStartsNothing() {
        assertEquals(200, anselm.read("/api/procedures").status());
        Answer a = anselm.post_("/api/rounds", "{\"procedure\":\"qk-sl1-end-of-shift\"}");
        assertEquals(403, a.status());
        assertTrue(a.detail().contains("crew"), a.detail());
    }

    @Test
    void aProcedureThatIsNotApprovedIsNotCarriedOut() {
        Answer a = Client.maren(mvc).post_("/api/rounds", "{\"procedure\":\"qk-sl1-draft\"}");
        assertEquals(404, a.status());
        assertTrue(a.detail().contains("no approved version"), a.detail());
    }

    @Test
    void calculationsAnswerAndRefuseAsOnTheCommandLine() {
        Answer a =
                anselm.post_(
                        "/api/calc/dilute",
                        "{\"volume\":\"40L\",\"target\":\"100mg/L\",\"stock\":\"12.5%w/w\",\"density\":\"1.17\"}");
        assertEquals(27.35, a.body().at("/result/value").asDouble(), 0.01);
        Answer refused =
                anselm.post_(
                        "/api/calc/dilute",
                        "{\"volume\":\"40L\",\"target\":\"-5mg/L\",\"stock\":\"10%w/v\"}");
        assertEquals(422, refused.status());
        assertEquals("target", refused.body().at("/error/key").asText());
        assertEquals(422, anselm.post_("/api/calc/stir", "{}").status());
    }

    @Test
    void theRuleBookShowsFiguresAndRulesWithTheirSources() {
        Answer a = anselm.read("/api/rulebook");
        assertTrue(a.body().get("figures").size() > 20);
        assertTrue(a.body().get("rules").findValuesAsString("id").contains("S1"));
    }

    @Test
    void machinesAndChemicalsAreThoseOfTheSite() {
        assertEquals(
                "Disc slicer", anselm.read("/api/machines/QK-SL1").body().get("name").asText());
        assertEquals(404, anselm.read("/api/machines/QK-NO").status());
        assertEquals(13, anselm.read("/api/chemicals").body().size());
        assertEquals("Quillmere Kitchens", anselm.read("/api/site").body().get("name").asText());
    }

    @Test
    void deepLinksOpenTheOnePageAndUnknownPathsOfTheApiDoNot() {
        assertEquals(404, anselm.read("/api/moon").status());
    }
}
