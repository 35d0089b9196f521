package orthopur.server.floor;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.round.Entry;
import orthopur.round.ReleaseSite;
import orthopur.roundpack.RoundPack;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import orthopur.server.TestClock;
import orthopur.text.Text;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Every way in that an entry has, tried by those who may not and with what is no entry. */
@ServerTest(clock = true)
class DoorsTest {
    private static final Map<String, String> PINS =
            Map.of(
                    "Ilse Varga", "471148",
                    "Maren Oyelaran", "335027",
                    "Ruvi Hast", "902754",
                    "Anselm Crake", "583019");

    @Autowired MockMvc mvc;
    @Autowired TestClock now;
    @Autowired DSLContext db;
    @Autowired Rounds rounds;
    private Client maren;
    private Client ruvi;

    @BeforeEach
    void signIn() {
        maren = who("Maren Oyelaran");
        ruvi = who("Ruvi Hast");
    }

    private final Map<String, Client> clients = new TreeMap<>();

    /** Signed in once: comparing a password takes long on purpose. */
    private Client who(String name) {
        String first = name.substring(0, name.indexOf(' ')).toLowerCase();
        return clients.computeIfAbsent(name, n -> new Client(mvc, n, "quillmere-" + first));
    }

    /** Cleaned by Maren and handed over. */
    private Tablet handedOver() {
        Tablet t = new Tablet(maren, "Maren Oyelaran", "17", "qk-sl1-oiling");
        t.now = now.millis();
        t.toTheEnd();
        now.set(t.now);
        t.sync();
        Answer closed = t.send(new Entry.RoundClosed(last(t)), "335027");
        assertEquals(200, closed.status(), closed.detail());
        return t;
    }

    private static String last(Tablet t) {
        return t.pack.steps().getLast().id();
    }

    private int entries() {
        return db.fetchCount(DSL.table("floor_event"));
    }

    /** What is in memory is what is in the log. */
    private void sameAfterARestart(Tablet t) {
        JsonNode before = maren.read("/api/rounds/" + t.round).body().at("/state/progress");
        rounds.forget();
        assertEquals(before, maren.read("/api/rounds/" + t.round).body().at("/state/progress"));
    }

    private static List<Entry> afterwards(Tablet t) {
        return List.of(
                new Entry.Proof(last(t), "sight", null, null, true),
                new Entry.Correction(last(t), "id", "it was sink 2"),
                new Entry.SentBack(last(t), "blade", "streaks"),
                nothingToFind(t),
                new Entry.Released(last(t), null, null));
    }

    private static Entry nothingToFind(Tablet t) {
        return new Entry.ReleasePlanned(last(t), List.of(LOOK), false);
    }

    /** Nobody releases without having looked, whichever door they take. */
    @Test
    void noDoorLeadsPastThePlanOfARelease() {
        Tablet t = handedOver();
        int before = entries();
        Map<String, String> answers = new TreeMap<>();
        for (String name : PINS.keySet()) {
            Client client = who(name);
            Tablet own = new Tablet(client, name, t);
            Entry released = new Entry.Released(last(t), null, null);
            StringBuilder said = new StringBuilder();
            said.append(own.send(released, PINS.get(name)).status());
            said.append(' ').append(own.send(released, "0000").status());
            Entry moon = new Entry.Proof(last(t), "moon", 1.0, "RLU", true);
            said.append(' ').append(own.send(moon, null).status());
            said.append(' ').append(own.send(nothingToFind(t), PINS.get(name)).status());
            String path = "/api/releases/" + t.round;
            String pin = "{\"pin\":\"" + PINS.get(name) + "\"}";
            said.append(' ').append(client.post_(path + "/release", pin).status());
            answers.put(name, said.toString());
        }
        assertEquals(
                Map.of(
                        "Ilse Varga", "409 401 409 403 409",
                        "Ruvi Hast", "409 401 409 403 409",
                        "Maren Oyelaran", "403 403 403 403 403",
                        "Anselm Crake", "403 403 403 403 403"),
                answers);
        // Without signal none of it is taken, by whomever.
        for (String name : PINS.keySet()) {
            Tablet own = new Tablet(who(name), name, t);
            List<ObjectNode> sent = new ArrayList<>();
            afterwards(t).forEach(e -> sent.add(own.sent(e)));
            for (JsonNode f : own.sync(sent).get("fates")) {
                assertEquals("REFUSED", f.get("fate").asString(), f.toString());
            }
        }
        assertEquals(before, entries());
        sameAfterARestart(t);

        String path = "/api/releases/" + t.round;
        assertEquals(
                200,
                ruvi.post_(path + "/findings", "{\"site\":\"sight\",\"passed\":true}").status());
        assertEquals(200, ruvi.post_(path + "/release", "{\"pin\":\"902754\"}").status());
        sameAfterARestart(t);
    }

    /** The tablet that lay in the washroom says in the morning that the machine moved. */
    @Test
    void aDangerThatComesInLateHoldsTheMachineThatIsInUse() {
        Tablet t = new Tablet(maren, "Maren Oyelaran", "17", "qk-sw1-daily");
        t.now = now.millis();
        ObjectNode moved =
                t.sent(
                        new Entry.TroubleSaid(
                                t.pack.steps().getFirst().id(),
                                RoundPack.Trouble.Kind.MACHINE_MOVED,
                                null,
                                "by itself"));
        t.toTheEnd();
        now.set(t.now);
        t.sync();
        assertEquals(200, t.send(new Entry.RoundClosed(last(t)), "335027").status());
        String path = "/api/releases/" + t.round;
        for (JsonNode s : ruvi.read(path).body().get("plan")) {
            String value = s.path("most").isMissingNode() ? "null" : s.get("most").toString();
            ruvi.post_(
                    path + "/findings",
                    "{\"site\":%s,\"value\":%s,\"passed\":true}".formatted(s.get("id"), value));
        }
        assertEquals(200, ruvi.post_(path + "/release", "{\"pin\":\"902754\"}").status());
        assertEquals("RELEASED", board("QK-SW1").get("standing").asString());

        assertEquals("TAKEN", t.sync(List.of(moved)).at("/fates/0/fate").asString());
        JsonNode held = board("QK-SW1");
        assertEquals("HELD", held.get("standing").asString());
        assertTrue(held.get("alarms").toString().contains("by itself"), held.toString());
        assertEquals("WAITING", ruvi.read(path).body().get("status").asString());
        sameAfterARestart(t);
    }

    private JsonNode board(String code) {
        return ruvi.read("/api/board")
                .body()
                .valueStream()
                .filter(m -> m.get("code").asString().equals(code))
                .findFirst()
                .orElseThrow();
    }

    /** One bad entry spoils none beside it, and leaves nothing behind, in memory neither. */
    @Test
    void aBatchKeepsItsGoodOnesAndAnswersForEach() throws Exception {
        Tablet other = new Tablet(maren, "Maren Oyelaran", "17", "qk-fl1-daily");
        ObjectNode there = other.note(new Entry.StepDone("kit")).queue().getFirst();
        other.sync(List.of(there));
        Tablet t = new Tablet(maren, "Maren Oyelaran", "17", "qk-ov1-daily");
        String first = t.pack.steps().getFirst().id();
        ObjectNode good = t.sent(new Entry.StepDone(first));
        ObjectNode again =
                t.sent(new Entry.Deviation(first, "other words"))
                        .put("id", good.get("id").asString());
        ObjectNode bell = t.sent(new Entry.Deviation(first, "rings\u0007"));
        ObjectNode nulls =
                (ObjectNode) Client.json("{\"id\":\"n1\",\"kind\":null,\"tabletTime\":1}");
        ObjectNode figure =
                (ObjectNode)
                        Client.json(
                                "{\"id\":\"n2\",\"kind\":\"check\",\"step\":\"x\",\"figures\":[null],\"tabletTime\":1}");
        ObjectNode dance = t.sent(new Entry.StepDone(first)).put("kind", "dance");
        ObjectNode empty = (ObjectNode) Client.json("{}");
        ObjectNode deviation =
                t.sent(
                        new Entry.TroubleSaid(
                                first, RoundPack.Trouble.Kind.INTERRUPTED, null, "the door"));
        int before = entries();
        List<ObjectNode> batch =
                List.of(good, there, nulls, figure, again, bell, dance, empty, deviation);
        List<String> fates = new ArrayList<>();
        t.sync(batch).get("fates").forEach(f -> fates.add(f.get("fate").asString()));
        assertEquals(
                List.of(
                        "TAKEN", "REFUSED", "REFUSED", "REFUSED", "REFUSED", "REFUSED", "REFUSED",
                        "REFUSED", "TAKEN"),
                fates);
        assertEquals(before + 2, entries());
        sameAfterARestart(t);
        fates.clear();
        t.sync(batch.reversed()).get("fates").forEach(f -> fates.add(f.get("fate").asString()));
        assertEquals(2, fates.stream().filter("KNOWN"::equals).count(), fates.toString());
        assertEquals(before + 2, entries());
        assertTrue(ruvi.read("/api/logbook/integrity").body().get("whole").asBoolean());
        assertEquals(
                422, maren.post_("/api/rounds/" + t.round + "/queue", "{\"sentAt\":1}").status());
    }

    /**
     * Each kind, by both doors, as each role: + may, – may not, s with the server in reach only.
     */
    @Test
    void everyKindByEveryDoorAsEveryRole() {
        Tablet t = new Tablet(maren, "Maren Oyelaran", "17", "qk-tl1-line-clean");
        String step = t.pack.steps().getFirst().id();
        List<Entry> kinds =
                List.of(
                        new Entry.PieceMoved(step, "x#1", true),
                        new Entry.TimerStarted(step),
                        new Entry.ContactBroken(step),
                        new Entry.ReadingTaken(step, "spoon", 1, 1),
                        new Entry.SolutionUsed(step, "K7Q2M", "halvern-h12", null),
                        new Entry.CorrectiveAction(step, "added"),
                        new Entry.CheckMade(step, "gap", 1.0),
                        new Entry.Confirmed(step, "people-clear"),
                        new Entry.LockMoved(step, "keg-gas", "4", true, null),
                        new Entry.LockMoved(step, "keg-gas", "4", false, "gone home"),
                        new Entry.TroubleSaid(
                                step, RoundPack.Trouble.Kind.INTERRUPTED, null, "the door"),
                        new Entry.PhotoTaken(step, "00", "tap"),
                        new Entry.Deviation(step, " "),
                        new Entry.RoundClosed(step),
                        new Entry.ReleasePlanned(step, List.of(LOOK), false),
                        new Entry.Proof(step, "sight", null, null, true),
                        new Entry.Released(step, null, null),
                        new Entry.SentBack(step, "moon", "streaks"),
                        new Entry.Correction(step, "id", "it was sink 2"));
        List<String> table = new ArrayList<>();
        for (Entry e : kinds) {
            StringBuilder row = new StringBuilder();
            for (String name :
                    List.of("Ilse Varga", "Maren Oyelaran", "Ruvi Hast", "Anselm Crake")) {
                Tablet own = new Tablet(who(name), name, t);
                row.append(own.send(e, PINS.get(name)).status() == 403 ? "–" : "+");
                JsonNode fate = own.sync(List.of(own.sent(e))).at("/fates/0");
                String why = fate.at("/why/english").asString();
                row.append(
                        why.contains("may not do this") || why.contains("by the program")
                                ? "–"
                                : why.contains("takes a connection") ? "s" : "+");
                row.append(' ');
            }
            String kind = orthopur.round.Written.of(e).kind();
            table.add("%-15s %s".formatted(kind, row.toString().strip()));
        }
        String works = "++ ++ –– ––";
        String looks = "+s –– +s ––";
        assertEquals(
                List.of(
                        "piece-off       " + works,
                        "timer-started   " + works,
                        "contact-broken  " + works,
                        "reading         " + works,
                        "solution-used   " + works,
                        "corrective      " + works,
                        "check           " + works,
                        "confirmed       " + works,
                        "lock-on         " + works,
                        "lock-off        +s –– –– ––",
                        "trouble         " + works,
                        "photo           " + works,
                        "deviation       " + works,
                        "round-closed    +s +s –– ––",
                        "release-plan    –s –s –s –s",
                        "proof           " + looks,
                        "released        " + looks,
                        "sent-back       " + looks,
                        "correction      " + looks),
                table);
    }

    private static final ReleaseSite LOOK =
            new ReleaseSite(
                    "sight",
                    ReleaseSite.Kind.LOOK,
                    Text.plain("Nothing"),
                    null,
                    null,
                    null,
                    null,
                    Text.plain("none"));

    @Test
    void ofTwoWhoReleaseAtOnceOneDoes() throws Exception {
        Tablet t = handedOver();
        String path = "/api/releases/" + t.round;
        ruvi.post_(path + "/findings", "{\"site\":\"sight\",\"passed\":true}");
        Client ilse = who("Ilse Varga");
        try (var both = java.util.concurrent.Executors.newFixedThreadPool(2)) {
            var one =
                    both.submit(
                            () -> ruvi.post_(path + "/release", "{\"pin\":\"902754\"}").status());
            var two =
                    both.submit(
                            () -> ilse.post_(path + "/release", "{\"pin\":\"471148\"}").status());
            assertEquals(
                    List.of(200, 409),
                    java.util.stream.Stream.of(one.get(), two.get()).sorted().toList());
        }
        sameAfterARestart(t);
    }
}
