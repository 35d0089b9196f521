package orthopur.server.floor;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.zone.ZoneOffsetTransition;
import java.util.List;
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
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The disk is full or cannot be written, the clocks change, the PIN is forgotten. */
@ServerTest(clock = true, properties = "spring.datasource.hikari.maximum-pool-size=1")
// One connection, so that what a test says to the database holds for the server as well.
class BadNightTest {
    @Autowired TestClock now;
    @Autowired MockMvc mvc;
    @Autowired DSLContext db;
    @Autowired Rounds rounds;
    @Autowired RoundLog roundLog;
    private Client maren;
    private Client ruvi;

    @BeforeEach
    void signIn() {
        maren = Client.maren(mvc);
        ruvi = new Client(mvc, "Ruvi Hast", "quillmere-ruvi");
    }

    private Tablet at(String procedure) {
        Tablet t = new Tablet(maren, "Maren Oyelaran", "17", procedure);
        t.now = now.millis();
        return t;
    }

    private Answer queue(Tablet t, List<ObjectNode> entries) {
        String body = "{\"sentAt\":%d,\"entries\":%s}".formatted(t.now, entries);
        return maren.post_("/api/rounds/" + t.round + "/queue", body);
    }

    private void sameAfterARestart(Tablet t) {
        Replay known = rounds.load(t.round);
        Replay fresh = new Replay(known.round(), known.pack());
        roundLog.entries(t.round).forEach(e -> fresh.fold(e.envelope()));
        assertEquals(fresh.progress().state().toString(), known.progress().state().toString());
        assertEquals(fresh.entries(), known.entries());
    }

    @Test
    void aFullDiskTakesNothingInSaysSoAndTakesItInOnceThereIsRoom() {
        Tablet t = at("qk-sl1-end-of-shift");
        t.toTheEnd();
        now.set(t.now);
        List<ObjectNode> all = List.copyOf(t.queue());
        int pages = db.fetchSingle("PRAGMA page_count").get(0, Integer.class);
        db.execute("PRAGMA max_page_count = " + pages);
        try {
            Answer full = queue(t, all);
            assertEquals(503, full.status(), full.body().toString());
            assertTrue(full.detail().contains("disk is full"), full.detail());
            assertTrue(full.detail().contains("Nothing was changed"), full.detail());
            assertEquals(0, roundLog.entries(t.round).size(), "half of it is not there");
            sameAfterARestart(t);
        } finally {
            db.execute("PRAGMA max_page_count = 4294967294");
        }
        JsonNode answer = queue(t, all).body();
        answer.get("fates").forEach(f -> assertEquals("TAKEN", f.get("fate").asString()));
        assertEquals(all.size(), roundLog.entries(t.round).size());
        sameAfterARestart(t);
        assertTrue(maren.read("/api/logbook/integrity").body().get("whole").asBoolean());
    }

    @Test
    void aFolderThatCannotBeWrittenSaysSoAndIsStillRead() {
        Tablet t = at("qk-ov1-daily");
        Entry first = new Entry.StepDone(t.pack.steps().getFirst().id());
        ObjectNode sent = t.sent(first);
        db.execute("PRAGMA query_only = ON");
        try {
            Answer refused = queue(t, List.of(sent));
            assertEquals(503, refused.status(), refused.body().toString());
            assertTrue(refused.detail().contains("cannot be written"), refused.detail());
            assertEquals(200, maren.read("/api/rounds/" + t.round).status());
            assertEquals(200, maren.read("/api/logbook").status());
        } finally {
            if (db.fetchSingle("PRAGMA query_only").get(0, Integer.class) == 1) {
                db.execute("PRAGMA query_only = OFF");
            }
        }
        assertEquals("TAKEN", queue(t, List.of(sent)).body().at("/fates/0/fate").asString());
    }

    private static final ZoneId SITE = ZoneId.of("Europe/London");

    /** When the clocks of the site are changed next, forward or back. */
    private Instant change(boolean forward) {
        Instant at = Instant.ofEpochMilli(now.millis()).plusSeconds(86_400);
        while (true) {
            ZoneOffsetTransition next = SITE.getRules().nextTransition(at);
            if (next.isGap() == forward) {
                return next.getInstant();
            }
            at = next.getInstant();
        }
    }

    /** The clocks of the site go from one to two. */
    @Test
    void anHourThatTheClocksSkipShortensNoSoak() {
        Tablet t = at("qk-sw1-daily");
        long change = change(true).toEpochMilli();
        String soaking =
                t.pack.steps().stream()
                        .filter(s -> s.timer() != null && !s.timer().contact())
                        .findFirst()
                        .orElseThrow()
                        .id();
        String collect =
                t.pack.steps().stream()
                        .filter(s -> soaking.equals(s.waitsFor()))
                        .findFirst()
                        .orElseThrow()
                        .id();
        t.until(soaking);
        t.now = change - 2_000;
        while (!t.progress.state().done().contains(soaking)) {
            t.onward();
        }
        t.until(collect);
        long started = t.progress.state().timers().get(soaking);
        long whole = stepOf(t, soaking).timer().seconds();
        assertTrue(started <= change && t.now > change, "across the change");
        now.set(started + (whole - 1) * 1000);
        t.now = now.millis();
        t.sync();
        Answer early = t.send(new Entry.StepDone(collect), null);
        assertEquals(409, early.status(), "a second is missing, whatever the wall clock says");
        assertTrue(early.detail().contains("soak needs another 0:01"), early.detail());
        now.pass(1);
        t.now = now.millis();
        for (ObjectNode e : t.asksOf(collect)) {
            queue(t, List.of(e));
        }
        assertEquals(200, t.send(new Entry.StepDone(collect), null).status());
        sameAfterARestart(t);
    }

    private static orthopur.roundpack.RoundPack.PackStep stepOf(Tablet t, String id) {
        return t.pack.steps().stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow();
    }

    /**
     * The day on which the clocks go back has 25 hours; what began in its last one is of that day.
     */
    @Test
    void theLogbookFindsARoundOnTheDayThatIsLongerThanOthers() {
        LocalDate longer = change(false).atZone(SITE).toLocalDate();
        now.set(longer.atTime(23, 30).atZone(SITE).toInstant().toEpochMilli());
        Tablet t = at("qk-fl1-daily");
        assertTrue(found(longer, t));
        assertFalse(found(longer.plusDays(1), t));
        // In the site's summer half past midnight is the day before in UTC.
        LocalDate summer = longer.plusYears(1).withMonth(7);
        now.set(summer.atTime(0, 30).atZone(SITE).toInstant().toEpochMilli());
        Tablet night = at("qk-ds1-daily");
        assertTrue(found(summer, night));
        assertFalse(found(summer.minusDays(1), night));
    }

    private boolean found(LocalDate day, Tablet t) {
        JsonNode rows = maren.read("/api/logbook?from=" + day + "&to=" + day).body();
        for (JsonNode row : rows) {
            if (row.get("round").asString().equals(t.round)) {
                return true;
            }
        }
        return false;
    }

    @Test
    void fiveWrongPinsLockTheReleaseForAWhileAndReleaseNothing() {
        Tablet t = at("qk-tl1-line-clean");
        t.toTheEnd();
        now.set(t.now);
        t.sync();
        t.send(new Entry.RoundClosed(t.pack.steps().getLast().id()), "335027");
        String path = "/api/releases/" + t.round + "/release";
        for (JsonNode s : ruvi.read("/api/releases/" + t.round).body().get("plan")) {
            String kind = s.get("kind").asString();
            String value = kind.equals("LOOK") ? "null" : kind.equals("PH") ? "7.6" : "5";
            ruvi.post_(
                    "/api/releases/" + t.round + "/findings",
                    "{\"site\":\"%s\",\"value\":%s,\"passed\":true}"
                            .formatted(s.get("id").asString(), value));
        }
        for (int tries = 4; tries > 0; tries--) {
            Answer wrong = ruvi.post_(path, "{\"pin\":\"0000\"}");
            assertEquals(401, wrong.status());
            assertTrue(
                    wrong.detail().contains(tries + (tries == 1 ? " try left" : " tries left")),
                    wrong.detail());
        }
        assertEquals(429, ruvi.post_(path, "{\"pin\":\"0000\"}").status());
        Answer right = ruvi.post_(path, "{\"pin\":\"902754\"}");
        assertEquals(429, right.status(), "the right one comes too late");
        assertTrue(right.detail().contains("wrong tries"), right.detail());
        assertEquals("WAITING", rounds.load(t.round).progress().status().name());
        now.pass(16 * 60);
        Answer later = ruvi.post_(path, "{\"pin\":\"902754\"}");
        assertEquals(200, later.status(), later.detail());
        assertEquals("RELEASED", rounds.load(t.round).progress().status().name());
    }
}
