package orthopur.server.floor;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.round.Entry;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import orthopur.server.TestClock;
import tools.jackson.databind.JsonNode;

/** The server was dead at three in the morning: what stands on paper is entered with its times. */
@ServerTest(clock = true)
class OnPaperTest {
    private static final long HOUR = 3_600_000;

    @Autowired MockMvc mvc;
    @Autowired TestClock now;

    private Answer start(Client who, long began) {
        return who.post_(
                "/api/rounds", "{\"procedure\":\"qk-ov1-daily\",\"onPaper\":%d}".formatted(began));
    }

    @Test
    void itsEntriesStandAtTheirTimesAndSayWhereTheyComeFrom() {
        Client tobiah = new Client(mvc, "Tobiah Renn", "quillmere-tobiah");
        assertEquals(422, start(tobiah, now.millis() + HOUR).status());
        assertEquals(422, start(tobiah, now.millis() - 8 * 24 * HOUR).status());
        long three = now.millis() - 5 * HOUR;
        assertEquals(200, start(tobiah, three).status());

        Tablet t = new Tablet(tobiah, "Tobiah Renn", "17", "qk-ov1-daily");
        t.device = "paper";
        t.now = three;
        t.toTheEnd();
        assertTrue(t.now < now.millis(), "soaks and contacts had their time");
        // Typed in now; what stands on the paper is hours old.
        t.now = now.millis();
        for (JsonNode f : t.sync().get("fates")) {
            assertEquals("TAKEN", f.get("fate").asString(), f.toString());
        }
        String last = t.pack.steps().getLast().id();
        assertEquals(200, t.send(new Entry.RoundClosed(last), "220861").status());
        JsonNode lines = Client.ilse(mvc).read("/api/logbook/" + t.round).body().get("entries");
        JsonNode first = lines.get(0);
        assertTrue(first.get("text").asString().endsWith("(entered later, from paper)"));
        assertTrue(Math.abs(first.get("at").asLong() - three) < 60_000, first.toString());
        assertEquals(409, start(tobiah, three + 60_000).status(), "another was handed over since");
    }
}
