package orthopur.server.floor;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
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

/** What belongs to no round goes through the same door into the same log. */
@ServerTest(clock = true)
class SiteStreamApiTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Autowired MockMvc mvc;
    @Autowired DSLContext db;
    @Autowired TestClock now;
    @Autowired SiteEntries site;
    private Client maren;
    private Client ruvi;
    private Client anselm;

    @BeforeEach
    void signIn() {
        maren = Client.maren(mvc);
        ruvi = new Client(mvc, "Ruvi Hast", "quillmere-ruvi");
        anselm = new Client(mvc, "Anselm Crake", "quillmere-anselm");
    }

    private ObjectNode sent(SiteEntry entry) {
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
        return e;
    }

    private static SiteEntry spares(int n) {
        return new SiteEntry.SparesCounted("QK-SW1", "blade", n);
    }

    private Answer enter(Client who, ObjectNode e) {
        return who.post_("/api/stream/entries", e.toString());
    }

    private List<String> queue(Client who, List<ObjectNode> entries) {
        ObjectNode body = JSON.createObjectNode().put("sentAt", now.millis());
        entries.forEach(body.putArray("entries")::add);
        JsonNode fates = who.post_("/api/stream/queue", body.toString()).body().get("fates");
        List<String> said = new ArrayList<>();
        fates.forEach(f -> said.add(f.get("fate").asString()));
        return said;
    }

    private int entries() {
        return db.fetchCount(DSL.table("floor_event"));
    }

    private double counted(Client who) {
        for (JsonNode k : who.read("/api/stream").body().get("newest")) {
            if (k.at("/entry/kind").asString().equals("spares-counted")) {
                return k.at("/entry/figures/2/value").asDouble();
            }
        }
        return -1;
    }

    @Test
    void aBatchKeepsItsGoodEntriesAndAnswersForEach() {
        int before = entries();
        ObjectNode good = sent(spares(4));
        ObjectNode outside = sent(spares(4000));
        ObjectNode signed = sent(new SiteEntry.Signed("thermometers", "all right"));
        ObjectNode ofARound = sent(spares(1)).put("kind", "step-done");
        ObjectNode noId = sent(spares(1));
        noId.putNull("id");
        ObjectNode late = sent(spares(2)).put("tabletTime", now.millis() - 60_000);
        List<ObjectNode> all =
                List.of(good, outside, signed, ofARound, noId, JSON.createObjectNode(), late);
        assertEquals(
                List.of("TAKEN", "REFUSED", "REFUSED", "REFUSED", "REFUSED", "REFUSED", "TAKEN"),
                queue(maren, all));
        assertEquals(before + 2, entries());
        assertEquals("KNOWN", queue(maren, all).getFirst(), "sent twice, entered once");
        assertEquals(before + 2, entries());
        ObjectNode other = sent(spares(9)).put("id", good.get("id").asString());
        assertEquals(List.of("REFUSED"), queue(maren, List.of(other)));
        // Entered after it by the tablet's order, so it does not count as older than what it
        // follows.
        double held = counted(maren);
        site.forget();
        assertEquals(held, counted(maren), "memory is what the log says");
        assertTrue(maren.read("/api/logbook/integrity").body().get("whole").asBoolean());
    }

    @Test
    void quickOrLateItGoesByWhoAndSigned() {
        ObjectNode bucket = sent(new SiteEntry.BucketMade("bucket-2", "halvern-h12", 12, 110.0));
        assertEquals(403, enter(anselm, bucket).status());
        assertEquals(403, enter(ruvi, bucket).status());
        assertEquals(List.of("REFUSED"), queue(anselm, List.of(bucket)));
        assertEquals(200, enter(maren, bucket).status());
        ObjectNode signed = sent(new SiteEntry.Signed("thermometers", "all within 0.5 °C"));
        assertEquals(401, enter(ruvi, signed.deepCopy().put("pin", "0000")).status());
        assertEquals(401, enter(ruvi, signed).status());
        assertEquals(200, enter(ruvi, signed.deepCopy().put("pin", "902754")).status());
        ObjectNode stock = sent(new SiteEntry.StockCounted("halvern-h12", 4.5, "L"));
        assertEquals(200, enter(ruvi, stock).status());
        Answer outside = enter(maren, sent(spares(-1)));
        assertFalse(outside.status() == 200, outside.detail());
        assertTrue(outside.detail().contains("0 to 999"), outside.detail());
    }

    /** The label goes onto the bucket in the language of the one who mixed. */
    @Test
    void aLabelIsPrintedInTheLanguageThatIsAsked() throws Exception {
        long until = now.millis() + 3_600_000;
        SiteEntry bucket =
                new SiteEntry.BucketMade(
                        "red-bucket",
                        "halvern-h12",
                        8,
                        110.0,
                        "KQ7P",
                        20.0,
                        8.0,
                        until,
                        "fades",
                        null);
        assertEquals(200, enter(maren, sent(bucket)).status());
        String path = "/api/prints/solutions/KQ7P.pdf";
        String english = printed(path);
        assertTrue(english.contains("Made"), english);
        assertTrue(english.contains("it is too weak by then"), english);
        String spanish = printed(path + "?language=es");
        assertTrue(spanish.contains("Preparada"), spanish);
        assertTrue(spanish.contains("Cambiar antes de"), spanish);
        assertTrue(spanish.contains("para entonces está demasiado débil"), spanish);
        assertTrue(spanish.contains("La etiqueta del producto va primero."), spanish);
        assertFalse(spanish.contains("Wear") || spanish.contains("by then"), spanish);
        assertEquals(404, maren.read(path + "?language=xx").status());
    }

    private String printed(String path) throws Exception {
        try (PDDocument d = Loader.loadPDF(maren.bytes(path))) {
            return new PDFTextStripper().getText(d).replaceAll("\\s+", " ");
        }
    }
}
