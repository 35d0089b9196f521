package orthopur.server.due;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.round.Written;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import orthopur.server.TestClock;
import orthopur.sitestream.SiteEntry;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What is due at the demo site, and what changes it. */
@ServerTest(own = true, clock = true)
class DueApiTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String FEET = "QK-SL1/upkeep/feet";

    @Autowired MockMvc mvc;
    @Autowired TestClock now;
    private Client ilse;
    private Client maren;

    @BeforeEach
    void signIn() {
        ilse = Client.ilse(mvc);
        maren = Client.maren(mvc);
    }

    private Answer enter(Client who, SiteEntry entry) {
        Written w = SiteEntry.write(entry);
        ObjectNode e =
                JSON.createObjectNode()
                        .put("id", UUID.randomUUID().toString())
                        .put("packHash", "")
                        .put("step", "")
                        .put("kind", w.kind())
                        .put("device", "desk")
                        .put("tabletTime", now.millis());
        e.set("figures", JSON.valueToTree(w.figures()));
        return who.post_("/api/stream/entries", e.toString());
    }

    private JsonNode task(String id) {
        JsonNode all = ilse.read("/api/due").body().get("tasks");
        return StreamSupport.stream(all.spliterator(), false)
                .filter(t -> t.get("task").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private JsonNode running(String kind) {
        JsonNode all = ilse.read("/api/due/running").body();
        return StreamSupport.stream(all.spliterator(), false)
                .filter(r -> r.get("kind").asString().equals(kind))
                .findFirst()
                .orElse(null);
    }

    /** What is kept runs out by its label, and is told until somebody says what became of it. */
    @Test
    void whatIsKeptRunsOutAndIsSaidToBeGone() {
        assertEquals(null, running("KEPT"));
        long until = now.millis() + 3_600_000;
        SiteEntry kept = new SiteEntry.ProductKept("QK-DS1", "horchata", "jug B", until);
        assertEquals(
                403, enter(new Client(mvc, "Anselm Crake", "quillmere-anselm"), kept).status());
        assertEquals(200, enter(maren, kept).status());
        JsonNode r = running("KEPT");
        assertEquals("F5", r.get("rule").asString());
        assertFalse(r.get("over").asBoolean());
        now.set(until);
        assertTrue(running("KEPT").get("over").asBoolean());
        enter(maren, new SiteEntry.ProductGone("QK-DS1", "lost"));
        assertTrue(running("KEPT").get("over").asBoolean());
        enter(maren, new SiteEntry.ProductGone("QK-DS1", "thrown-away"));
        assertEquals(null, running("KEPT"));
    }

    @Test
    void cleansUpkeepAndChecksStandInOneList() {
        assertEquals("CLEAN", task("qk-sl1-end-of-shift").get("kind").asString());
        assertEquals("FOOD", task("qk-sl1-end-of-shift").get("risk").asString());
        assertEquals("UPKEEP", task(FEET).get("kind").asString());
        assertEquals("DUE", task(FEET).get("state").asString());
        enter(maren, new SiteEntry.TaskDone(FEET, now.millis()));
        assertEquals("DONE", task(FEET).get("state").asString());
        assertEquals(now.millis(), task(FEET).get("since").asLong());
        // Nobody has done tomorrow's work.
        assertEquals(
                422,
                enter(maren, new SiteEntry.TaskDone(FEET, now.millis() + 86_400_000L)).status());
    }

    @Test
    void lettingGoIsForWhoAnswersForItAndKeepsTheReason() {
        SiteEntry no = new SiteEntry.TaskLetGo("qk-ov1-weekly", "belt is away", now.millis());
        assertEquals(403, enter(maren, no).status());
        assertEquals(200, enter(ilse, no).status());
        JsonNode stream = ilse.read("/api/stream").body().get("newest");
        // Only the list needs it: it does not travel to every tablet.
        assertFalse(stream.toString().contains("belt is away"));
    }

    @Test
    void aMachineOutOfUseIsNotLateAndDoesNotRun() {
        enter(maren, new SiteEntry.OutOfUse("QK-SW1", true, "guard broken", now.millis()));
        JsonNode saw = task("qk-sw1-daily");
        assertEquals("BLOCKED", saw.get("state").asString());
        assertTrue(saw.get("because").get("english").asString().contains("out of use"));
        Answer use = ilse.post_("/api/board/QK-SW1", "{\"kind\":\"in-use\"}");
        assertEquals(409, use.status());
        assertTrue(use.body().toString().contains("guard broken"));
        enter(ilse, new SiteEntry.OutOfUse("QK-SW1", false, "replaced", now.millis() + 1));
        assertFalse(task("qk-sw1-daily").get("state").asString().equals("BLOCKED"));
    }

    @Test
    void whatCuredItStandsFirstTheNextTime() {
        String path = "/api/machines/QK-SL1/trouble";
        JsonNode ragged = ilse.read(path).body().get("symptoms").get(0);
        // The sheet is believed, but never for less than locked out where the part can hurt.
        for (JsonNode step : ragged.get("steps")) {
            assertEquals("LOCKED_OUT", step.get("state").asString(), step.toString());
        }
        enter(
                maren,
                new SiteEntry.TroubleCured(
                        "QK-SL1", "ragged", "scraper not home", "scraper", null, now.millis()));
        JsonNode first = ilse.read(path).body().get("symptoms").get(0).get("steps").get(0);
        assertEquals("BEFORE", first.get("because").asString());
        assertEquals("LOCKED_OUT", first.get("state").asString());
        assertEquals(404, ilse.read("/api/machines/QK-NO/trouble").status());
    }

    @Test
    void daysAheadAndACalendarThatCanBeWithdrawn() throws Exception {
        JsonNode ahead = ilse.read("/api/due/ahead?until=2027-03-01").body();
        assertTrue(ahead.size() > 20);
        assertEquals(409, ilse.read("/api/due/ahead?until=soon").status());
        String path = maren.post_("/api/due/calendar", "{}").body().get("path").asString();
        String ics = outside(path);
        assertTrue(ics.startsWith("BEGIN:VCALENDAR"), ics);
        assertTrue(ics.contains("QK-OV1"));
        JsonNode made = ilse.read("/api/due/calendar").body();
        assertEquals("Maren Oyelaran", made.get(0).get("by").asString());
        ilse.delete_("/api/due/calendar/" + made.get(0).get("id").asInt(), "{}");
        assertFalse(outside(path).contains("QK-OV1"));
        assertFalse(outside("/api/due/calendar/guess.ics").contains("QK-OV1"));
    }

    /** As a calendar outside reads it, without anybody signed in. */
    private String outside(String path) throws Exception {
        return mvc.perform(get(path)).andReturn().getResponse().getContentAsString();
    }
}
