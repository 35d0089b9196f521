package orthopur.server.due;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.round.Role;
import orthopur.server.Client;
import orthopur.server.ServerTest;
import orthopur.server.floor.SiteEntries;
import orthopur.server.people.Person;
import orthopur.sitestream.SiteEntry;
import tools.jackson.databind.JsonNode;

/** Wear parts and settings of the demo site, and the list of what has to be ordered. */
@ServerTest(own = true)
class PartsApiTest {
    @Autowired MockMvc mvc;
    @Autowired SiteEntries entries;

    private void entered(SiteEntry e) {
        entries.asBefore(
                List.of(e),
                List.of(System.currentTimeMillis()),
                new Person(1, "Ilse Varga", Role.SUPERVISOR, 0));
    }

    private JsonNode part(Client who, String id) {
        for (JsonNode p : who.read("/api/parts").body().get("parts")) {
            if (p.get("id").asString().equals(id)) {
                return p;
            }
        }
        throw new AssertionError("no part " + id);
    }

    @Test
    void whatIsOrderedIsWhatWasCountedAndIsFew() throws Exception {
        Client ilse = Client.ilse(mvc);
        assertEquals("NOT_COUNTED", part(ilse, "seals").get("stock").asString());
        CSVRecord head = csv(ilse).getFirst();
        assertEquals("machine", head.get(0));
        assertEquals(1, csv(ilse).size(), "nobody has counted, so nothing is ordered");
        entered(new SiteEntry.SparesCounted("QK-DS1", "seals", 1));
        assertEquals("ORDER", part(ilse, "seals").get("stock").asString());
        CSVRecord line = csv(ilse).get(1);
        assertEquals(List.of("QK-DS1", "DS-204"), List.of(line.get(0), line.get(1)));
        try (var pdf = Loader.loadPDF(ilse.bytes("/api/parts/orders.pdf"))) {
            assertTrue(new PDFTextStripper().getText(pdf).contains("DS-204"));
        }
    }

    private static List<CSVRecord> csv(Client who) throws Exception {
        String text = new String(who.bytes("/api/parts/orders.csv"), StandardCharsets.UTF_8);
        try (CSVParser parser = CSVParser.parse(text, CSVFormat.RFC4180)) {
            return parser.getRecords();
        }
    }

    @Test
    void aSettingThatIsOffStandsFirst() {
        Client ilse = Client.ilse(mvc);
        entered(
                new SiteEntry.SettingRead(
                        "QK-OV1", "temperature", 210, "°C", System.currentTimeMillis()));
        JsonNode first = ilse.read("/api/parts").body().get("settings").get(0);
        assertEquals("temperature", first.get("id").asString());
        assertTrue(first.get("off").asBoolean());
        assertEquals("230 °C ± 5 °C", first.get("approved").asString());
    }

    @Test
    void aProductThatRunsOutIsOrderedWithTheParts() throws Exception {
        Client ilse = Client.ilse(mvc);
        entered(new SiteEntry.StockCounted("halvern-h12", 4, "L"));
        JsonNode first = ilse.read("/api/parts").body().get("products").get(0);
        assertEquals("halvern-h12", first.get("id").asString());
        assertEquals("ORDER", first.get("stock").asString());
        assertTrue(
                csv(ilse).stream()
                        .anyMatch(r -> r.get(2).equals("Halvern H12") && r.get(3).equals("4 L")));
    }

    @Test
    void anotherPlateAndASettingThatIsLetRunStandInWhatRunsOut() {
        Client ilse = Client.ilse(mvc);
        long now = System.currentTimeMillis();
        entered(new SiteEntry.PlateRead("QK-DS1", "DS-2", "9999", now));
        entered(new SiteEntry.SettingRead("QK-DS1", "product-cold", 9, "°C", now));
        entered(
                new SiteEntry.SettingLetRun(
                        "QK-DS1", "product-cold", 9, "°C", "Pell", "door", now + 86_400_000, now));
        JsonNode plate = ilse.read("/api/parts").body().get("plates").get(0);
        assertEquals("QK-DS1", plate.get("machine").asString());
        assertTrue(plate.get("differs").asBoolean());
        String running = ilse.read("/api/due/running").body().toString();
        assertTrue(running.contains("DS-2, 9999") && running.contains("is let run so by Pell"));
    }
}
