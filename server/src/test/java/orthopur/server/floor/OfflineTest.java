package orthopur.server.floor;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.round.Entry;
import orthopur.round.State;
import orthopur.roundpack.RoundPack.Trouble;
import orthopur.server.Client;
import orthopur.server.ServerTest;
import orthopur.server.TestClock;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Without signal: a whole round is written down on the tablet and comes in later, once and in
 * order.
 */
@ServerTest(clock = true)
class OfflineTest {
    @Autowired TestClock now;
    @Autowired MockMvc mvc;
    @Autowired DSLContext db;
    @Autowired Rounds rounds;
    private Client maren;
    private Client tobiah;

    @BeforeEach
    void signIn() {
        maren = Client.maren(mvc);
        tobiah = new Client(mvc, "Tobiah Renn", "quillmere-tobiah");
    }

    /** Each test has a machine of its own, so that they share one server. */
    private Tablet at(String procedure) {
        Tablet t = new Tablet(maren, "Maren Oyelaran", "17", procedure);
        t.now = now.millis();
        return t;
    }

    /** Signal again, at the time that the tablet has come to. */
    private void signal(Tablet t) {
        now.set(t.now);
    }

    private static String step(Tablet t, int place) {
        return t.pack.steps().get(place).id();
    }

    private static String last(Tablet t) {
        return t.pack.steps().getLast().id();
    }

    private static Set<String> fates(JsonNode answer) {
        Set<String> fates = new TreeSet<>();
        answer.get("fates").forEach(f -> fates.add(f.get("fate").asString()));
        return fates;
    }

    private int stored(Tablet t) {
        return roundLog.entries(t.round).size();
    }

    @Test
    void aWholeRoundComesInOnceAndInOrder() {
        Tablet t = at("qk-sl1-end-of-shift");
        t.toTheEnd();
        signal(t);
        int n = t.queue().size();
        List<ObjectNode> again = List.copyOf(t.queue());
        JsonNode answer = t.sync();
        assertEquals(Set.of("TAKEN"), fates(answer));
        assertEquals(Set.of("KNOWN"), fates(t.sync(again)));
        assertEquals(n, stored(t));
        assertTrue(
                answer.at("/state/progress/current").isMissingNode()
                        || answer.at("/state/progress/current").isNull());
        assertEquals(200, t.send(new Entry.RoundClosed(last(t)), "335027").status());
        assertTrue(maren.read("/api/logbook/integrity").body().get("whole").asBoolean());
        assertEquals(
                again.stream().map(e -> e.get("id").asString()).toList(),
                db.fetch(
                                "SELECT id FROM floor_event WHERE round_id = ? ORDER BY seq LIMIT ?",
                                t.round,
                                n)
                        .getValues(0, String.class));
    }

    /** The clock of the tablet is three hours ahead: times are those of the server all the same. */
    @Test
    void aWrongClockShortensNoContact() {
        Tablet t = at("qk-sw1-daily");
        t.ahead = 3 * 3_600_000;
        t.toTheEnd();
        signal(t);
        assertEquals(Set.of("TAKEN"), fates(t.sync()));
        long last = roundLog.entries(t.round).getLast().envelope().at();
        assertEquals(now.millis() / 1000, last / 1000, 2.0);
    }

    @Test
    void twoWhoDidTheSameStepAreShownAndNotMerged() {
        Tablet m = at("qk-ov1-daily");
        Tablet t = new Tablet(tobiah, "Tobiah Renn", "18", "qk-ov1-daily");
        m.until(step(m, 4));
        t.until(step(t, 4));
        assertEquals(Set.of("TAKEN"), fates(m.sync()));
        JsonNode second = t.sync();
        assertEquals(Set.of("KEPT"), fates(second));
        JsonNode differences = second.at("/state/differences");
        assertTrue(differences.at("/0/why/english").asString().contains("already done"));
        assertEquals("Tobiah Renn", differences.get(0).get("who").asString());
        JsonNode record = maren.read("/api/logbook/" + m.round).body();
        assertTrue(record.toString().contains("does not count: Step 1 is already done"));
        // A restart reads the log to the same state.
        String before = rounds.load(m.round).progress().state().toString();
        assertFalse(rounds.load(m.round).differences().isEmpty());
        assertEquals(before, replayed(m.round).progress().state().toString());
    }

    private Replay replayed(String round) {
        Replay known = rounds.load(round);
        Replay fresh = new Replay(known.round(), known.pack());
        roundLog.entries(round).forEach(e -> fresh.fold(e.envelope()));
        return fresh;
    }

    @Autowired RoundLog roundLog;

    @Test
    void yesterdaysQueueAfterTheRoundWasClosedIsKeptAndSaysSo() {
        Tablet m = at("qk-fl1-daily");
        ObjectNode late = m.sent(new Entry.StepDone(step(m, 0)));
        m.toTheEnd();
        signal(m);
        m.sync();
        m.send(new Entry.RoundClosed(last(m)), "335027");
        JsonNode answer = m.sync(List.of(late));
        assertEquals(Set.of("KEPT"), fates(answer));
        assertTrue(answer.at("/fates/0/why/english").asString().contains("closed"));
        assertEquals(State.Status.WAITING, rounds.load(m.round).progress().status());
    }

    @Test
    void whatIsNoEntryOfThisRoundIsRefusedAndTheRestComesIn() {
        Tablet t = at("qk-ds1-daily");
        List<ObjectNode> mixed = new ArrayList<>();
        mixed.add(t.sent(new Entry.StepDone(step(t, 0))).put("kind", "dance"));
        mixed.add(t.sent(new Entry.StepDone(step(t, 0))));
        mixed.add(t.sent(new Entry.StepDone(step(t, 1))).put("packHash", "0"));
        mixed.add(t.sent(new Entry.StepDone("nowhere")));
        mixed.add(t.sent(new Entry.RoundClosed(last(t))));
        JsonNode answer = t.sync(mixed);
        List<String> fates = new ArrayList<>();
        answer.get("fates").forEach(f -> fates.add(f.get("fate").asString()));
        assertEquals(List.of("REFUSED", "TAKEN", "KEPT", "KEPT", "REFUSED"), fates);
        assertEquals(3, stored(t));
        assertTrue(answer.at("/fates/4/why/english").asString().contains("signed"));
    }

    @Test
    void aFailedPartIsDoneAgainThroughTheApiWithWhatItTouched() {
        Tablet t = at("qk-tl1-line-clean");
        t.until(last(t));
        String part = t.pack.rework().getFirst().item();
        t.note(new Entry.TroubleSaid(last(t), Trouble.Kind.FAILED, part, "soil in it"));
        int redo = t.progress.state().redo().size();
        assertTrue(redo > 5 && redo < t.pack.steps().size(), "redo " + redo);
        t.toTheEnd();
        signal(t);
        assertEquals(Set.of("TAKEN"), fates(t.sync()));
    }
}
