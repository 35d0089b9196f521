package orthopur.server.files;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static orthopur.db.Tables.LEDGER;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.round.Entry;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import orthopur.server.TestClock;
import orthopur.server.floor.Tablet;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What the program of November 2026 left behind, which stood on Spring Boot 3 and Jackson 2: its
 * database with rounds under way and one released, an archive, and the queue of a tablet.
 */
@ServerTest(clock = true, site = OlderSiteTest.SITE)
class OlderSiteTest {
    static final String SITE = "2026-11";

    @Autowired MockMvc mvc;
    @Autowired TestClock now;
    @Autowired DSLContext db;
    private Client ilse;

    /** Her PIN is of four digits: it signs once more, to choose one of six. */
    @BeforeEach
    void signIn() {
        ilse = Client.ilse(mvc);
        if (ilse.read("/api/session").body().get("choosePin").asBoolean()) {
            Answer signed = ilse.put_("/api/vessels", "", "{\"document\":\"[]\",\"pin\":\"4711\"}");
            assertEquals(428, signed.status());
            String chosen = "{\"secret\":\"4711\",\"byPin\":true,\"pin\":\"471148\"}";
            assertEquals(200, ilse.put_("/api/session/pin", chosen).status());
        }
    }

    private static JsonNode left(String file) throws IOException {
        return Client.json(new String(ServerTest.Running.left(SITE, file), StandardCharsets.UTF_8));
    }

    @Test
    void everyRoundStandsWhereItStoodAndTheChainIsWhole() throws IOException {
        JsonNode before = left("states.json");
        assertEquals(7, before.size());
        for (Map.Entry<String, JsonNode> round : before.properties()) {
            JsonNode now = ilse.read("/api/rounds/" + round.getKey()).body().get("state");
            inMilliseconds(round.getValue());
            JsonNode progress = now.get("progress");
            ((ObjectNode) progress)
                    .remove(List.of("furthest", "workers", "secondPerson", "solutions"));
            progress.get("readings").forEach(r -> ((ObjectNode) r).remove("at"));
            assertEquals(round.getValue().get("progress"), progress, round.getKey());
            assertEquals(round.getValue().get("differences"), now.get("differences"));
        }
        JsonNode chain = ilse.read("/api/logbook/integrity").body();
        assertTrue(chain.get("whole").asBoolean(), chain.toString());
    }

    /** It was written down when times were told in seconds. */
    private static void inMilliseconds(JsonNode state) {
        for (JsonNode n : state) {
            if (n.isObject() || n.isArray()) {
                inMilliseconds(n);
            }
        }
        if (state instanceof ObjectNode o) {
            for (String name : List.of("at", "statusAt", "until")) {
                if (o.has(name)) {
                    o.put(name, o.get(name).asLong() * 1000);
                }
            }
            if (o.get("timers") instanceof ObjectNode timers) {
                timers.propertyNames().forEach(t -> timers.put(t, timers.get(t).asLong() * 1000));
            }
        }
    }

    @Test
    void whatWasSetWrittenAndReleasedHolds() throws IOException {
        assertEquals(
                "public-codes-1+site-1",
                ilse.read("/api/rulebook").body().get("version").asString());
        assertEquals(
                "Ask Tobiah about the socket.",
                ilse.read("/api/procedures/qk-sl1-draft/versions/1/comments")
                        .body()
                        .at("/0/text")
                        .asString());
        String oiled =
                left("states.json").properties().stream()
                        .filter(r -> r.getValue().at("/title").asString().contains("oil"))
                        .findFirst()
                        .orElseThrow()
                        .getKey();
        JsonNode entries = ilse.read("/api/logbook/" + oiled + "/entries").body();
        assertEquals("released", entries.get(entries.size() - 1).at("/envelope/kind").asString());
        // It was released before plans were written down, and the record says so.
        JsonNode lines = ilse.read("/api/logbook/" + oiled).body().get("entries");
        String last = lines.get(lines.size() - 1).get("text").asString();
        assertTrue(last.endsWith("found was: sight"), last);
    }

    @Test
    void aTabletThatWasAwaySendsWhatItKept() throws IOException {
        ObjectNode kept = (ObjectNode) left("queue.json");
        String round = kept.remove("round").asString();
        Answer a = Client.maren(mvc).post_("/api/rounds/" + round + "/queue", kept.toString());
        assertEquals("TAKEN", a.body().at("/fates/0/fate").asString(), a.body().toString());
    }

    /**
     * Its locks hang under a name only, and its entries count in whole seconds; it ends as it
     * began.
     */
    @Test
    void aRoundThatWasBegunBeforeIsClosedAfter() throws IOException {
        Tablet t = new Tablet(ilse, "Ilse Varga", "17", "qk-tl1-line-clean");
        t.goOnFrom(ilse.read("/api/logbook/" + t.round + "/entries").body());
        assertEquals(0, t.pack.format());
        assertEquals("cover", t.progress.state().current());
        t.now = now.millis();
        t.toTheEnd();
        now.set(t.now);
        for (JsonNode f : t.sync().get("fates")) {
            assertEquals("TAKEN", f.get("fate").asString(), f.toString());
        }
        String last = t.pack.steps().getLast().id();
        Answer closed = t.send(new Entry.RoundClosed(last), "471148");
        assertEquals(200, closed.status(), closed.detail());
        assertEquals("WAITING", closed.body().at("/progress/status").asString());
        assertTrue(closed.body().at("/progress/plan").size() > 0, "what to find is written down");
        assertTrue(ilse.read("/api/logbook/integrity").body().get("whole").asBoolean());
    }

    /** What it had approved and signed stands in the ledger from the first start on. */
    @Test
    void itsLedgerBeginsWithWhatWasThere() {
        JsonNode i = ilse.read("/api/logbook/integrity").body();
        assertEquals(0, i.get("changed").size(), i.toString());
        assertTrue(i.get("signedTo").asLong() > 0, i.toString());
        assertTrue(
                db.fetchCount(LEDGER, LEDGER.NOTE.eq("was there before")) > 20,
                "approvals, sheets, people");
    }

    @Test
    void itsArchiveIsTakenIn() throws IOException {
        Answer a = ilse.archive(ServerTest.Running.left(SITE, "archive.zip"), "471148");
        assertEquals(200, a.status(), a.body().toString());
    }
}
