package orthopur.server.instruments;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.round.Entry;
import orthopur.round.Written;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import orthopur.server.TestClock;
import orthopur.server.floor.Tablet;
import orthopur.sitestream.SiteEntry;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The site's meters answer as meters do, and one of them is not to be trusted. */
@ServerTest(clock = true)
class InstrumentsTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Autowired MockMvc mvc;
    @Autowired TestClock now;

    @Test
    void aMeterReadsNearTheTruthAndTheOldOneRunsFlat() {
        Client ruvi = new Client(mvc, "Ruvi Hast", "quillmere-ruvi");
        JsonNode all = ruvi.read("/api/instruments").body();
        assertEquals(20, all.size());
        List<String> due =
                all.valueStream()
                        .filter(m -> m.get("due").asBoolean())
                        .map(m -> m.get("id").asString())
                        .toList();
        // One failed its check, one has waited too long, two lie in the drawer.
        assertEquals(List.of("surface-1", "gauge-1", "atp-old", "oven-t"), due);
        int near = 0;
        for (int i = 0; i < 40; i++) {
            JsonNode r = ruvi.post_("/api/instruments/ph-pen-1/readings?near=7.6", "{}").body();
            near += Math.abs(r.get("value").asDouble() - 7.6) < 0.2 ? 1 : 0;
        }
        assertTrue(
                near > 25 && near < 40, near + " of 40 near: the world is odd one time in eight");
        String said = "";
        for (int i = 0; i < 40; i++) {
            JsonNode r = ruvi.post_("/api/instruments/atp-old/readings?near=9", "{}").body();
            said = r.at("/says/english").asString();
            if (!r.hasNonNull("value")) {
                break;
            }
            assertTrue(said.contains("calibration is overdue"), said);
        }
        assertTrue(said.contains("battery is flat"), said);
    }

    @Test
    void whatIsNoInstrumentOrNoFigureIsRefused() {
        Client ruvi = new Client(mvc, "Ruvi Hast", "quillmere-ruvi");
        assertEquals(404, ruvi.post_("/api/instruments/spoon/readings?near=7", "{}").status());
        Answer far = ruvi.post_("/api/instruments/ph-pen-1/readings?near=1e9", "{}");
        assertEquals(409, far.status());
        assertTrue(far.detail().contains("-50 to 10,000"), far.detail());
        assertEquals(400, ruvi.post_("/api/instruments/ph-pen-1/readings?near=hot", "{}").status());
    }

    @Test
    void againstAStandardTheWorldIsNeverOdd() {
        Client ruvi = new Client(mvc, "Ruvi Hast", "quillmere-ruvi");
        for (int i = 0; i < 30; i++) {
            String path = "/api/instruments/ph-pen-1/readings?near=7&standard=true";
            assertEquals(7, ruvi.post_(path, "{}").body().get("value").asDouble(), 0.15);
        }
    }

    /** Found wrong, an instrument leads to all that was decided by it since it was last right. */
    @Test
    void whatAFailedOneDecidedIsFound() {
        Client maren = Client.maren(mvc);
        long made = 1_700_000_000_000L;
        SiteEntry bucket =
                new SiteEntry.BucketMade(
                        "sink-3", "halvern-h12", 40, 110.0, "LB4CK", 18.0, null, null, null, null);
        assertEquals(200, stream(maren, bucket).status());
        assertEquals(
                200,
                stream(maren, new SiteEntry.SolutionRead("LB4CK", "probe-2", 104, 18, made))
                        .status());
        Tablet t = new Tablet(maren, "Maren Oyelaran", "17", "qk-sl1-end-of-shift");
        PackStep reads =
                t.pack.steps().stream().filter(s -> s.reading() != null).findFirst().orElseThrow();
        t.now = now.millis();
        t.until(reads.id());
        now.set(t.now);
        t.note(new Entry.ReadingTaken(reads.id(), "probe-2", 155, 20));
        t.sync();

        JsonNode seen = maren.read("/api/instruments/probe-2/look-back").body();
        assertEquals(2, seen.get("readings").size(), seen.toString());
        assertEquals(155, seen.at("/readings/0/value").asDouble());
        assertEquals("QK-SL1", seen.at("/readings/0/machine").asString());
        assertEquals("OPEN", seen.at("/readings/0/status").asString());
        assertEquals("LB4CK", seen.at("/readings/1/label").asString());
        assertEquals(
                0, maren.read("/api/instruments/ph-pen-2/look-back").body().get("readings").size());
        assertEquals(404, maren.read("/api/instruments/spoon/look-back").status());

        // It fails its check: no reading by it is taken any more while the server is in reach.
        assertEquals(
                200,
                stream(
                                maren,
                                new SiteEntry.InstrumentChecked(
                                        "probe-2", "mg/L", 100, 131, 200.0, 262.0, null, made + 1))
                        .status());
        Answer no = t.send(new Entry.ReadingTaken(reads.id(), "probe-2", 155, 20), null);
        assertEquals(409, no.status());
        assertTrue(no.detail().contains("Chlorine probe 2 failed its last check"), no.detail());
        assertEquals(
                2, maren.read("/api/instruments/probe-2/look-back").body().get("readings").size());

        // Adjusted and held to the standards again, it reads on.
        stream(
                maren,
                new SiteEntry.InstrumentChecked(
                        "probe-2", "mg/L", 100, 101, 200.0, 201.0, null, made + 2));
        stream(maren, new SiteEntry.VesselEmptied("sink-3", true));
        Answer yes = t.send(new Entry.ReadingTaken(reads.id(), "probe-2", 155, 20), null);
        assertEquals(200, yes.status(), yes.detail());
    }

    private Answer stream(Client who, SiteEntry entry) {
        Written w = SiteEntry.write(entry);
        ObjectNode e =
                JSON.createObjectNode()
                        .put("id", UUID.randomUUID().toString())
                        .put("packHash", "")
                        .put("step", "")
                        .put("kind", w.kind())
                        .put("device", "tablet-t")
                        .put("tabletTime", now.millis());
        e.set("figures", JSON.valueToTree(w.figures()));
        return who.post_("/api/stream/entries", e.toString());
    }
}
