package orthopur.server.floor;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.exception.DataAccessException;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.node.ObjectNode;

/** The floor's entries: once, in order, chained, never changed. One round through all tests. */
@ServerTest(own = true)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class FloorApiTest {
    private static final ObjectMapper JSON = new ObjectMapper();

    @Autowired MockMvc mvc;
    @Autowired DSLContext db;
    @Autowired Rounds rounds;
    private Client maren;
    private String round;
    private JsonNode state;

    @BeforeEach
    void goOn() {
        maren = Client.maren(mvc);
        Answer a = maren.post_("/api/rounds", "{\"procedure\":\"qk-sl1-end-of-shift\"}");
        assertEquals(200, a.status());
        state = a.body().get("state");
        round = state.get("id").asString();
    }

    private ObjectNode entry(String step, String kind) {
        ObjectNode e = JSON.createObjectNode();
        e.put("id", UUID.randomUUID().toString())
                .put("packHash", state.get("packHash").asString())
                .put("step", step)
                .put("kind", kind)
                .put("device", "test")
                .put("tabletTime", 1);
        e.putArray("figures");
        return e;
    }

    private ObjectNode with(ObjectNode e, String name, String text) {
        e.withArray("figures").addObject().put("name", name).put("text", text);
        return e;
    }

    private Answer send(ObjectNode e) {
        return maren.post_("/api/rounds/" + round + "/entries", e.toString());
    }

    private void until(String step) {
        Tablet t = new Tablet(maren, "Maren Oyelaran", "17", "qk-sl1-end-of-shift");
        t.until("wash-out").queue().clear();
        t.until(step).sync();
    }

    @Test
    @Order(1)
    void startingAgainGoesOnWithTheOpenRound() {
        JsonNode again =
                maren.post_("/api/rounds", "{\"procedure\":\"qk-sl1-end-of-shift\"}").body();
        assertEquals(round, again.at("/state/id").asString());
    }

    @Test
    @Order(2)
    void anEntrySentTwiceIsEnteredOnce() {
        int before = db.fetchCount(org.jooq.impl.DSL.table("floor_event"));
        ObjectNode e = entry("fetch", "step-done");
        assertEquals(200, send(e).status());
        assertEquals("wash-out", send(e).body().at("/progress/current").asString());
        assertEquals(before + 1, db.fetchCount(org.jooq.impl.DSL.table("floor_event")));
    }

    @Test
    @Order(3)
    void whatDoesNotFitIsRefusedAndLeavesNoTrace() {
        int before = db.fetchCount(org.jooq.impl.DSL.table("floor_event"));
        assertTrue(send(entry("live", "step-done")).detail().contains("comes first"));
        assertEquals(409, send(entry("wash-out", "dance")).status());
        assertEquals(409, send(with(entry("wash-out", "piece-off"), "piece", "washer#1")).status());
        ObjectNode otherPack = entry("wash-out", "step-done").put("packHash", "0");
        assertTrue(send(otherPack).detail().contains("another version"));
        assertEquals(
                403,
                new Client(mvc, "Ruvi Hast", "quillmere-ruvi")
                        .post_(
                                "/api/rounds/" + round + "/entries",
                                entry("wash-out", "step-done").toString())
                        .status());
        assertEquals(before, db.fetchCount(org.jooq.impl.DSL.table("floor_event")));
    }

    @Test
    @Order(4)
    void elevenWashersOfTwo() {
        until("off-small");
        Answer a = send(with(entry("off-small", "piece-off"), "piece", "washer#11"));
        assertTrue(a.detail().contains("2 of Thrust washer in all"), a.detail());
        assertEquals(
                200, send(with(entry("off-small", "piece-off"), "piece", "washer#2")).status());
    }

    @Test
    @Order(5)
    void aReadingOfNothingIsRefused() {
        ObjectNode e = entry("off-small", "reading");
        e.withArray("figures")
                .addObject()
                .put("name", "strength")
                .put("value", "NaN")
                .put("unit", "mg/L");
        assertTrue(send(e).status() >= 400);
        String raw = e.toString().replace("\"NaN\"", "NaN");
        assertEquals(400, maren.post_("/api/rounds/" + round + "/entries", raw).status());
    }

    @Test
    @Order(6)
    void closingNeedsThePinAndEveryStep() {
        ObjectNode close = entry("record", "round-closed");
        assertEquals(401, send(close.put("pin", "0000")).status());
        assertTrue(
                send(close.put("pin", "335027"))
                        .detail()
                        .contains("Still off the machine: Thrust washer 2"));
    }

    @Test
    @Order(7)
    void theChainIsWholeAndTheLogCannotBeChanged() {
        JsonNode whole = maren.read("/api/logbook/integrity").body();
        assertTrue(whole.get("whole").asBoolean(), whole.toString());
        assertThrows(
                DataAccessException.class,
                () -> db.execute("UPDATE floor_event SET who = 'nobody'"));
        assertThrows(DataAccessException.class, () -> db.execute("DELETE FROM floor_event"));
        JsonNode record = maren.read("/api/logbook/" + round).body();
        assertEquals(14, record.get("entries").size());
        assertEquals(1, maren.read("/api/logbook?machine=QK-SL1").body().size());
        assertEquals(0, maren.read("/api/logbook?to=2000-01-01").body().size());
    }

    @Test
    @Order(8)
    void aByteChangedFromOutsideIsFound() {
        db.execute("DROP TRIGGER floor_event_no_update");
        int third =
                db.fetchSingle("SELECT min(seq) + 2 FROM floor_event WHERE round_id = ?", round)
                        .get(0, Integer.class);
        db.execute("UPDATE floor_event SET who = 'Tobiah Renn' WHERE seq = ?", third);
        JsonNode broken = maren.read("/api/logbook/integrity?anew=true").body();
        assertFalse(broken.get("whole").asBoolean());
        assertEquals(third, broken.get("firstBroken").asInt());
        assertFalse(maren.read("/api/logbook/" + round).body().get("chainWhole").asBoolean());
    }
}
