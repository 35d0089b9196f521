package orthopur.server.release;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.round.Entry;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.Trouble;
import orthopur.server.Client;
import orthopur.server.ServerTest;
import orthopur.server.TestClock;
import orthopur.server.floor.Tablet;
import tools.jackson.databind.JsonNode;

/** What a supervisor is told at once: a reading that is not in, and what may have hurt somebody. */
@ServerTest(clock = true)
class AlarmsTest {
    @Autowired TestClock now;
    @Autowired MockMvc mvc;

    private JsonNode alarms(Tablet t) {
        now.set(t.now);
        t.sync();
        for (JsonNode m : Client.ilse(mvc).read("/api/board").body()) {
            if (m.get("code").asString().equals(t.pack.machine())) {
                return m.get("alarms");
            }
        }
        throw new IllegalStateException(t.pack.machine());
    }

    @Test
    void fromTheWeakBucketUntilItIsReadAnew() {
        Tablet t = new Tablet(Client.maren(mvc), "Maren Oyelaran", "17", "qk-sl1-end-of-shift");
        t.now = now.millis();
        String step =
                t.pack.steps().stream()
                        .filter(s -> s.reading() != null)
                        .map(PackStep::id)
                        .findFirst()
                        .orElseThrow();
        t.until(step);
        assertEquals(0, alarms(t).size());

        t.note(new Entry.ReadingTaken(step, "probe-2", 40, 18));
        JsonNode weak = alarms(t);
        assertEquals(1, weak.size(), weak.toString());
        assertTrue(weak.get(0).asString().contains("40 mg/L at 18 °C is not in"), weak.toString());
        assertTrue(weak.get(0).asString().contains("Nothing was done about it yet"));

        t.note(new Entry.CorrectiveAction(step, "Added concentrate"));
        assertTrue(alarms(t).get(0).asString().contains("to be read again"));

        t.note(new Entry.ReadingTaken(step, "probe-2", 110, 18));
        assertEquals(0, alarms(t).size());

        t.note(new Entry.TroubleSaid(step, Trouble.Kind.INJURY, null, "cut at the blade"));
        t.note(new Entry.TroubleSaid(step, Trouble.Kind.INTERRUPTED, null, "the door bell"));
        JsonNode hurt = alarms(t);
        assertEquals(1, hurt.size(), "being interrupted is in the record, and no alarm");
        assertTrue(hurt.get(0).asString().contains("cut at the blade, said by Maren Oyelaran"));

        t.toTheEnd();
        now.set(t.now);
        t.sync();
        t.send(new Entry.RoundClosed(t.pack.steps().getLast().id()), "335027");
        assertEquals(0, alarms(t).size(), "who releases reads of it there");
    }
}
