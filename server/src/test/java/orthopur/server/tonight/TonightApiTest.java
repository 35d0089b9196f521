package orthopur.server.tonight;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import orthopur.server.TestClock;
import tools.jackson.databind.JsonNode;

/** The night of the demo site: planned from what is due, and again from what is tried. */
@ServerTest(clock = true)
class TonightApiTest {
    @Autowired MockMvc mvc;
    @Autowired TestClock now;
    private Client ilse;

    @BeforeEach
    void signIn() {
        ilse = Client.ilse(mvc);
        SmallSite.only(ilse, now.millis());
    }

    @Test
    void everyMachineThatIsWantedIsPlannedOrStandsOutOfUse() {
        JsonNode night = ilse.read("/api/tonight?settled=true").body();
        assertEquals(480, night.get("minutes").asInt());
        JsonNode plan = night.get("plan");
        for (JsonNode clean : night.get("cleans")) {
            String id = clean.get("procedure").asString();
            boolean planned = plan.get("tasks").toString().contains("\"" + id + "/");
            boolean said = plan.get("unplaced").toString().contains("\"" + id + "\"");
            assertTrue(planned != said, id);
        }
        // Dagny is seventeen: nothing of the slicer or the saw is theirs.
        String dagny = "";
        for (JsonNode p : night.get("people")) {
            dagny = p.get("name").asString().startsWith("Dagny") ? p.get("id").asString() : dagny;
        }
        for (JsonNode t : plan.get("tasks")) {
            boolean theirs = t.get("people").toString().contains("\"" + dagny + "\"");
            assertTrue(
                    !theirs
                            || !(t.get("id").asString().startsWith("qk-sl1")
                                    || t.get("id").asString().startsWith("qk-sw1")),
                    t.toString());
        }
        assertEquals(plan, ilse.read("/api/tonight?settled=true").body().get("plan"));
    }

    @Test
    void whatIsTriedChangesThePlanAndNothingElse() {
        JsonNode now = ilse.read("/api/tonight?settled=true").body();
        Answer cold = ilse.read("/api/tonight?settled=true&whatIf=no-hot-water::300");
        assertEquals(200, cold.status());
        for (JsonNode t : cold.body().get("tasks")) {
            if (t.get("hotLitres").asDouble() > 0) {
                for (JsonNode p : cold.body().get("plan").get("tasks")) {
                    assertTrue(
                            !p.get("id").equals(t.get("id")) || p.get("from").asInt() >= 300,
                            p.toString());
                }
            }
        }
        assertEquals(now.get("plan"), ilse.read("/api/tonight?settled=true").body().get("plan"));
        assertEquals(409, ilse.read("/api/tonight?whatIf=tired:7:1").status());
    }

    @Test
    void aNightInTheOpenFormatIsPlannedOrRefusedWithItsErrors() {
        String night =
                """
                {"from":"2026-11-29T21:00:00+00:00","until":"2026-11-30T05:00:00+00:00",
                 "people":[{"id":"a"},{"id":"b","breaks":[{"from":100,"to":200,"minutes":30}]}],
                 "places":[{"id":"sink"}],
                 "heater":{"litres":400,"kilowatts":18,"celsius":65,"mainsCelsius":12},
                 "tasks":[
                  {"id":"apart","minutes":20,"group":"m"},
                  {"id":"soak","minutes":40,"hands":false,"places":["sink"],"after":[{"task":"apart"}],"hotLitres":50,"group":"m"},
                  {"id":"wash","minutes":20,"people":2,"after":[{"task":"soak"}],"group":"m"}]}
                """;
        JsonNode plan = ilse.post_("/api/plan", night).body();
        assertEquals("optimal", plan.get("status").asString());
        assertEquals(0, plan.get("gapPercent").asDouble());
        assertEquals(80, plan.get("tasks").get(2).get("to").asInt());
        assertEquals(0, plan.get("unplaced").size());
        Answer bad =
                ilse.post_(
                        "/api/plan",
                        night.replace("\"minutes\":30", "\"minutes\":130")
                                .replace("[\"sink\"]", "[\"tub\"]"));
        assertEquals(422, bad.status());
        assertTrue(bad.body().toString().contains("/people/1/breaks/0/minutes"));
        assertTrue(bad.body().toString().contains("There is no place"));
    }

    @Test
    void aFirstPlanIsThereAtOnceAndTheBetterOneIsKept() {
        JsonNode first = ilse.read("/api/tonight").body();
        assertTrue(first.get("plan").get("tasks").size() > 10, "a plan, whether settled or not");
        JsonNode settled = ilse.read("/api/tonight?settled=true").body();
        assertEquals(false, settled.get("seeking").asBoolean());
        JsonNode again = ilse.read("/api/tonight").body();
        assertEquals(settled.get("plan"), again.get("plan"));
        assertEquals(false, again.get("seeking").asBoolean());
    }

    @Test
    void whatIsDraggedMovesInTheAnswerAndNowhereElse() {
        JsonNode now = ilse.read("/api/tonight?settled=true").body();
        // Nothing comes after it, so that there is room for it in whatever plan.
        JsonNode task = null;
        for (JsonNode t : now.get("plan").get("tasks")) {
            if (t.get("id").asString().equals("qk-sl1-end-of-shift/release")) {
                task = t;
            }
        }
        String to = "/api/tonight/drag?task=" + task.get("id").asString() + "&minute=";
        Answer later = ilse.read(to + (task.get("from").asInt() + 30));
        assertEquals(200, later.status());
        assertEquals(0, later.body().get("breaks").size(), later.body().toString());
        assertTrue(later.body().get("moves").size() > 0);
        assertTrue(ilse.read(to + 475).body().get("breaks").size() > 0);
        assertEquals(now.get("plan"), ilse.read("/api/tonight?settled=true").body().get("plan"));
    }

    @Test
    void whatWasNotPlannedIsToldAsItWasAndAWrongDayIsRefused() {
        JsonNode past = ilse.read("/api/tonight/past").body();
        assertTrue(past.get("cleans").isArray());
        assertEquals(409, ilse.read("/api/tonight/past?night=yesterday").status());
        assertEquals(404, ilse.read("/api/tonight/calendar/nobody.ics").status());
    }

    @Test
    void oneSheetAPersonIsPrintedAndStandsInTheirCalendar() throws Exception {
        ilse.read("/api/tonight?settled=true");
        byte[] pdf = ilse.bytes("/api/tonight/sheets.pdf");
        try (var read = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(read);
            assertTrue(read.getNumberOfPages() > 1, text);
            assertTrue(text.contains("Maren Oyelaran") && text.contains("QK-SL1"), text);
        }
        String path = ilse.post_("/api/due/calendar", "{}").body().get("path").asString();
        String night =
                new String(
                        ilse.bytes(path.replace("/due/", "/tonight/")),
                        java.nio.charset.StandardCharsets.UTF_8);
        assertTrue(night.contains("DTSTART:") && night.contains("QK-SL1: "), night);
    }
}
