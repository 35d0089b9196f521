package orthopur.server.tonight;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.round.Entry;
import orthopur.server.Client;
import orthopur.server.ServerTest;
import orthopur.server.TestClock;
import orthopur.server.floor.Tablet;
import tools.jackson.databind.JsonNode;

/** A night that is on: what is done, what runs, what is still to come, and the morning after it. */
@ServerTest(clock = true)
class UnderWayTest {
    private static final String SLICER = "qk-sl1-end-of-shift";
    private static final long EVENING = Instant.parse("2027-01-20T21:00:00Z").toEpochMilli();

    @Autowired TestClock now;
    @Autowired MockMvc mvc;
    @Autowired DSLContext db;
    private Client ilse;
    private Client maren;

    @BeforeEach
    void signIn() {
        now.set(EVENING);
        ilse = Client.ilse(mvc);
        maren = Client.maren(mvc);
        SmallSite.only(ilse, EVENING);
    }

    private JsonNode tonight() {
        return ilse.read("/api/tonight?settled=true").body();
    }

    private static List<JsonNode> of(JsonNode tasks, String procedure) {
        List<JsonNode> all = new ArrayList<>();
        tasks.forEach(
                t -> {
                    if (t.get("id")
                            .asString()
                            .startsWith(procedure.isEmpty() ? "" : procedure + "/")) {
                        all.add(t);
                    }
                });
        return all;
    }

    private static String id(JsonNode night, String name) {
        for (JsonNode p : night.get("people")) {
            if (p.get("name").asString().equals(name)) {
                return p.get("id").asString();
            }
        }
        throw new AssertionError(name);
    }

    /** Carries the slicer on, twenty seconds an entry, and sends it. */
    private void carryOn(Tablet t, int entries) {
        for (int i = 0; i < entries && t.progress.state().current() != null; i++) {
            t.now += 20_000;
            t.onward();
        }
        now.set(t.now);
        t.sync();
    }

    @Test
    void thePlanFollowsTheRoundAndTheMorningTellsWhereTheTimeWent() {
        JsonNode before = tonight();
        String me = id(before, "Maren Oyelaran");
        assertEquals("2027-01-20", before.get("night").asString());
        assertEquals(0, before.get("done").size());
        Tablet t = new Tablet(maren, "Maren Oyelaran", "17", SLICER);
        t.now = EVENING + 60_000;
        carryOn(t, 60);
        JsonNode during = tonight();
        List<JsonNode> left = of(during.get("plan").get("tasks"), SLICER);
        List<JsonNode> over = of(during.get("done"), SLICER);
        assertFalse(over.isEmpty(), "sixty entries are more than one stretch");
        assertEquals(
                of(before.get("plan").get("tasks"), SLICER).size(),
                left.size() + over.size(),
                "each stretch is over, runs, or is to come");
        long minute = (t.now - EVENING) / 60_000;
        for (JsonNode x : of(during.get("plan").get("tasks"), "")) {
            boolean running = x.get("from").asLong() < minute / 15 * 15;
            assertTrue(
                    !running || x.get("id").asString().startsWith(SLICER),
                    "nothing but the slicer has begun: " + x);
        }
        for (JsonNode x : over) {
            assertTrue(
                    !x.get("hands").asBoolean() || x.get("people").toString().contains(me),
                    x.toString());
        }
        carryOn(t, 10_000);
        t.send(new Entry.RoundClosed(t.pack.steps().getLast().id()), "335027");
        now.pass(60);
        JsonNode after = tonight();
        List<JsonNode> release = of(after.get("plan").get("tasks"), SLICER);
        assertEquals(1, release.size(), release.toString());
        assertTrue(release.getFirst().get("id").asString().endsWith("/release"));
        assertFalse(
                release.getFirst().get("people").toString().contains("\"" + me + "\""),
                "who cleaned does not release");
        morning(me);
        inForce(after);
    }

    private void morning(String me) {
        JsonNode past = ilse.read("/api/tonight/past?night=2027-01-20").body();
        assertTrue(past.get("inPlan").asBoolean());
        JsonNode slicer = null;
        int notBegun = 0;
        for (JsonNode c : past.get("cleans")) {
            slicer = c.get("procedure").asString().equals(SLICER) ? c : slicer;
            notBegun += c.path("from").isMissingNode() || c.path("from").isNull() ? 1 : 0;
        }
        assertTrue(notBegun > 0, "what was planned and not begun stands there too");
        assertEquals(0, slicer.get("from").asInt());
        assertTrue(slicer.get("to").asInt() > 10);
        for (JsonNode p : slicer.get("parts")) {
            assertTrue(p.get("took").asInt() >= 0, p.toString());
            assertEquals("[\"Maren Oyelaran\"]", p.get("people").toString());
        }
    }

    /** What people go by outlives the memory of the server. */
    private void inForce(JsonNode plan) {
        int kept = db.fetchCount(org.jooq.impl.DSL.table("night_plan"));
        assertTrue(kept > 1, kept + " plans");
        String newest =
                db.fetchSingle("SELECT document FROM night_plan ORDER BY id DESC LIMIT 1")
                        .get(0, String.class);
        for (JsonNode t : plan.get("plan").get("tasks")) {
            assertTrue(newest.contains(t.get("id").asString()), t.toString());
        }
    }

    @Test
    void whatIsDueOnAWantedMachineIsNotLeftOutBySayingSo() {
        String said =
                """
                {"sentAt":%d,"entries":[{"id":"%s","packHash":"","step":"","kind":"night-said",
                 "device":"desk","tabletTime":%d,"figures":[
                  {"name":"night","text":"2027-01-20"},{"name":"what","text":"dropped"},
                  {"name":"subject","text":"qk-fl1-daily"},{"name":"minute","value":0,"unit":"min"},
                  {"name":"undone","text":"no"},{"name":"at","value":%d,"unit":"ms"}]}]}
                """
                        .formatted(
                                now.millis(),
                                java.util.UUID.randomUUID(),
                                now.millis(),
                                now.millis());
        assertEquals(200, ilse.post_("/api/stream/queue", said).status());
        JsonNode night = tonight();
        assertFalse(of(night.get("plan").get("tasks"), "qk-fl1-daily").isEmpty());
        JsonNode change = night.get("said").get(night.get("said").size() - 1);
        assertEquals("dropped", change.get("what").asString());
        assertEquals("Ilse Varga", change.get("who").asString());
        assertFalse(change.get("holds").asBoolean());
    }
}
