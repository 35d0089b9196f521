package orthopur.server.release;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.round.Entry;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import orthopur.server.TestClock;
import orthopur.server.floor.Tablet;
import tools.jackson.databind.JsonNode;

/** From the last step to production: one machine through waiting, sent back, released, in use. */
@ServerTest(clock = true)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class ReleaseApiTest {
    private static final String SHIFT = "qk-sl1-end-of-shift";

    @Autowired TestClock now;

    @Autowired MockMvc mvc;
    private Client ruvi;
    private Client maren;
    private Client ilse;
    private static String round;

    @BeforeEach
    void signIn() {
        ruvi = new Client(mvc, "Ruvi Hast", "quillmere-ruvi");
        maren = Client.maren(mvc);
        ilse = Client.ilse(mvc);
    }

    private Tablet tablet(String procedure) {
        Tablet t = new Tablet(maren, "Maren Oyelaran", "17", procedure);
        t.now = now.millis();
        return t;
    }

    private JsonNode machine(String code) {
        for (JsonNode m : ruvi.read("/api/board").body()) {
            if (m.get("code").asString().equals(code)) {
                return m;
            }
        }
        throw new IllegalStateException(code);
    }

    private String standing() {
        return machine("QK-SL1").get("standing").asString();
    }

    private Answer find(Client who, String site, Double value, boolean passed) {
        return who.post_(
                "/api/releases/" + round + "/findings",
                String.format(
                        Locale.ROOT,
                        "{\"site\":\"%s\",\"value\":%s,\"passed\":%b}",
                        site,
                        value,
                        passed));
    }

    private Answer release(Client who, String pin, String more) {
        return who.post_(
                "/api/releases/" + round + "/release", "{\"pin\":\"" + pin + "\"" + more + "}");
    }

    /** Found to be right, whatever the plan of tonight names. */
    private void proveAll(JsonNode view) {
        for (JsonNode s : view.get("plan")) {
            boolean look = s.get("kind").asString().equals("LOOK");
            Double value = look ? null : s.get("kind").asString().equals("PH") ? 7.6 : 5.0;
            assertEquals(200, find(ruvi, s.get("id").asString(), value, true).status());
        }
    }

    @Test
    @Order(1)
    void whatNobodyHasSaidIsDirtyAndNotTakenIntoUse() {
        assertEquals("DIRTY", standing());
        assertTrue(machine("QK-SL1").at("/waits/english").asString().contains("no record"));
        Answer use = maren.post_("/api/board/QK-SL1", "{\"kind\":\"in-use\"}");
        assertEquals(409, use.status());
        assertTrue(use.detail().contains("not released"), use.detail());
        assertEquals(404, maren.post_("/api/board/QK-NO", "{\"kind\":\"dirty\"}").status());
        assertEquals(409, maren.post_("/api/board/QK-SL1", "{\"kind\":\"clean\"}").status());
        Client anselm = new Client(mvc, "Anselm Crake", "quillmere-anselm");
        assertEquals(403, anselm.post_("/api/board/QK-SL1", "{\"kind\":\"dirty\"}").status());
    }

    @Test
    @Order(2)
    void handedOverItWaitsForSomebodyElse() {
        Tablet t = tablet(SHIFT);
        round = t.round;
        assertEquals("CLEANING", standing());
        assertEquals(409, find(ruvi, "sight", null, true).status());
        t.toTheEnd();
        now.set(t.now);
        t.sync();
        assertEquals(
                200,
                t.send(new Entry.RoundClosed(t.pack.steps().getLast().id()), "335027").status());
        assertEquals("WAITING", standing());
        assertEquals(1, ruvi.read("/api/releases").body().size());
    }

    /**
     * Whoever inspects reads what to look at, and where its limit comes from, in their language.
     */
    @Test
    @Order(3)
    void whatIsInspectedIsSaidInSpanish() {
        JsonNode spanish = ruvi.read("/api/languages/es").body().get("texts");
        JsonNode view = ruvi.read("/api/releases/" + round).body();
        assertTrue(view.get("plan").size() > 1, view.toString());
        for (JsonNode s : view.get("plan")) {
            for (String field : List.of("name", "why")) {
                String id = s.at("/" + field + "/id").asString();
                assertTrue(spanish.has(id), field + " of " + s);
            }
        }
        assertEquals(view.get("plan").size(), view.get("missing").size());
    }

    @Test
    @Order(3)
    void whoCleanedDoesNotReleaseNotEvenThroughASecondAccount() {
        Answer own = find(maren, "sight", null, true);
        assertEquals(403, own.status());
        String second =
                """
                {"name":"Maren O.","role":"QA","password":"another-one",
                 "sameAs":"%s","signature":"471148"}
                """;
        Answer nobody = ilse.post_("/api/people", second.formatted("Nobody At All"));
        assertEquals(422, nobody.status());
        assertTrue(nobody.detail().contains("names another account"), nobody.detail());
        assertEquals(201, ilse.post_("/api/people", second.formatted("Maren Oyelaran")).status());
        Client again = new Client(mvc, "Maren O.", "another-one");
        JsonNode view = again.read("/api/releases/" + round).body();
        assertTrue(
                view.at("/hindrance/english")
                        .asString()
                        .contains("Maren O. and Maren Oyelaran are one person"));
        assertEquals(403, find(again, "sight", null, true).status());
    }

    @Test
    @Order(4)
    void withoutTheChecksOfItsPlanItIsNotReleased() {
        Answer early = release(ruvi, "902754", "");
        assertEquals(409, early.status());
        assertTrue(early.detail().contains("no bristle"), early.detail());
        assertEquals(404, find(ruvi, "moon", null, true).status());
        String swab = swab(ruvi.read("/api/releases/" + round).body());
        assertEquals(409, find(ruvi, swab, null, true).status());
        assertEquals(409, find(ruvi, swab, -5.0, true).status());
        // What the sender thinks of a figure does not count: the plan judges it.
        JsonNode view = find(ruvi, swab, 300.0, true).body();
        assertEquals("FAILED", view.at("/found/" + swab).asString());
        assertEquals(409, release(ruvi, "902754", ",\"hours\":4,\"condition\":\"swab\"").status());
    }

    private static String swab(JsonNode view) {
        for (JsonNode s : view.get("plan")) {
            if (s.get("kind").asString().equals("SWAB")) {
                return s.get("id").asString();
            }
        }
        throw new IllegalStateException("no swab in " + view.get("plan"));
    }

    @Test
    @Order(5)
    void sentBackOnlyThePartAndWhatItTouchedIsDoneAgain() {
        String back = "/api/releases/" + round + "/send-back";
        assertEquals(
                409,
                ruvi.post_(back, "{\"item\":\"moon\",\"reason\":\"dirty\",\"pin\":\"902754\"}")
                        .status());
        assertEquals(
                401,
                ruvi.post_(back, "{\"item\":\"slide-bar\",\"reason\":\"dirty\",\"pin\":\"1\"}")
                        .status());
        JsonNode view = ruvi.read("/api/releases/" + round).body();
        String item = view.at("/parts/0/item").asString();
        Answer sent =
                ruvi.post_(
                        back,
                        "{\"item\":\"" + item + "\",\"reason\":\"300 RLU\",\"pin\":\"902754\"}");
        assertEquals(200, sent.status(), sent.detail());
        assertEquals("CLEANING", standing());
        JsonNode again = maren.read("/api/rounds/" + round).body();
        int redo = again.at("/state/progress/redo").size();
        int steps = again.at("/pack/steps").size();
        assertTrue(redo > 0 && redo <= steps, redo + " of " + steps);
    }

    @Test
    @Order(6)
    void doneAgainAndProvedItIsReleasedForATimeAndThenForGood() {
        Tablet t = tablet(SHIFT);
        assertEquals(round, t.round);
        t.goOnFrom(maren.read("/api/logbook/" + round + "/entries").body());
        t.toTheEnd();
        now.set(t.now);
        t.sync();
        t.send(new Entry.RoundClosed(t.pack.steps().getLast().id()), "335027");
        assertEquals("WAITING", standing());
        assertEquals(200, find(ruvi, "sight", null, true).status());
        assertEquals(409, release(ruvi, "902754", ",\"hours\":40,\"condition\":\"swab\"").status());
        assertEquals(409, release(ruvi, "902754", ",\"hours\":4").status());
        assertEquals(
                200,
                release(ruvi, "902754", ",\"hours\":4,\"condition\":\"the swab is read at noon\"")
                        .status());
        assertTrue(machine("QK-SL1").get("round").asString().equals(round));
        proveAll(ruvi.read("/api/releases/" + round).body());
        assertEquals(401, release(ruvi, "1111", "").status());
        Answer released = release(ruvi, "902754", "");
        assertEquals(200, released.status(), released.detail());
        assertEquals("RELEASED", released.body().get("status").asString());
        assertEquals(409, release(ruvi, "902754", "").status());
    }

    @Test
    @Order(7)
    void inUseItsClockRunsAndThenItIsOver() {
        assertEquals("RELEASED", standing());
        assertEquals(200, maren.post_("/api/board/QK-SL1", "{\"kind\":\"in-use\"}").status());
        JsonNode m = machine("QK-SL1");
        assertEquals("IN_USE", m.get("standing").asString());
        // Prep room of 11 °C: ten hours (Food Code 4-602.11(D)(2)).
        assertEquals(10 * 3_600_000L, m.get("until").asLong() - m.get("since").asLong());
        assertTrue(!m.get("over").asBoolean());
        now.pass(10 * 3600 + 60);
        assertTrue(machine("QK-SL1").get("over").asBoolean());
        maren.post_("/api/board/QK-SL1", "{\"kind\":\"dirty\",\"note\":\"a gasket tore\"}");
        assertEquals("DIRTY", standing());
        assertTrue(machine("QK-SL1").at("/waits/english").asString().contains("a gasket tore"));
    }

    /** In the record a swab goes by the name of its part, not by the id of a surface. */
    private static void proofsAreNamed(JsonNode record) {
        int proofs = 0;
        for (JsonNode e : record.get("entries")) {
            if (e.get("kind").asString().equals("proof")) {
                String named = e.at("/said/args/0/id").asString();
                assertTrue(named.startsWith("inspection."), e.toString());
                proofs++;
            }
        }
        assertTrue(proofs > 3, proofs + " proofs");
    }

    /** Oiling is no clean: the board does not call the machine fit for production. */
    @Test
    @Order(8)
    void aRoundThatDoesNotCleanLeavesTheMachineDirty() {
        JsonNode record = ruvi.read("/api/logbook/" + round).body();
        assertTrue(record.get("chainWhole").asBoolean());
        assertTrue(record.toString().contains("released for production"));
        assertTrue(record.toString().contains("sent back"));
        proofsAreNamed(record);
        now.pass(60);
        Tablet t = tablet("qk-sl1-oiling");
        round = t.round;
        t.toTheEnd();
        now.set(t.now);
        t.sync();
        t.send(new Entry.RoundClosed(t.pack.steps().getLast().id()), "335027");
        JsonNode view = ruvi.read("/api/releases/" + round).body();
        assertEquals(1, view.get("plan").size(), "oiling makes nothing to swab");
        find(ruvi, "sight", null, true);
        assertEquals(200, release(ruvi, "902754", "").status());
        assertEquals("DIRTY", standing());
        assertTrue(machine("QK-SL1").at("/waits/english").asString().contains("no clean"));
    }

    /** A wrong figure stays; what is right stands beside it, signed, and the chain is whole. */
    @Test
    @Order(9)
    void aRecordIsCorrectedBesideNeverInside() throws Exception {
        String path = "/api/logbook/" + round;
        JsonNode first = ruvi.read(path).body().at("/entries/0");
        String body =
                "{\"entry\":\"%s\",\"text\":\"It was sink 2\",\"pin\":\"%s\"}"
                        .formatted(first.get("id").asString(), "902754");
        assertEquals(403, maren.post_(path + "/corrections", body).status());
        assertEquals(401, ruvi.post_(path + "/corrections", body.replace("902754", "1")).status());
        assertEquals(
                409,
                ruvi.post_(path + "/corrections", body.replace("It was sink 2", " ")).status());
        assertEquals(
                404,
                ruvi.post_(
                                path + "/corrections",
                                "{\"entry\":\"moon\",\"text\":\"x\",\"pin\":\"902754\"}")
                        .status());
        Answer corrected = ruvi.post_(path + "/corrections", body);
        assertEquals(200, corrected.status(), corrected.detail());
        assertEquals(first, corrected.body().at("/entries/0"));
        JsonNode last =
                corrected.body().at("/entries").get(corrected.body().get("entries").size() - 1);
        assertEquals("correction", last.get("weight").asString());
        assertTrue(
                last.get("text")
                        .asString()
                        .contains(
                                "correction of entry "
                                        + first.get("seq").asLong()
                                        + ": It was sink 2"));
        assertTrue(ruvi.read("/api/logbook/integrity").body().get("whole").asBoolean());
        byte[] pdf = ruvi.bytes(path + "/pdf");
        assertEquals("%PDF", new String(pdf, 0, 4, java.nio.charset.StandardCharsets.US_ASCII));
        assertTrue(pdf.length > 5_000);
        try (PDDocument d = Loader.loadPDF(ruvi.bytes(path + "/pdf?in=es"))) {
            String record = new PDFTextStripper().getText(d).replaceAll("\\s+", " ");
            assertTrue(record.contains("se guarda en inglés"), record);
            assertTrue(record.contains("Cerrado y firmado"), record);
        }
    }
}
