package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.round.Entry;
import orthopur.round.EntryValue;
import orthopur.round.Written;

/** The envelope: every field is under the hash, every kind is read with its figures and units. */
class EntryEnvelopeTest {
    private static EntryEnvelope envelope(
            String who, long tabletTime, List<EntryValue> figures, String prev) {
        return new EntryEnvelope(
                "id",
                "round",
                "pack",
                "step",
                "reading",
                figures,
                who,
                "tablet",
                tabletTime,
                2,
                null,
                null,
                null,
                null,
                prev);
    }

    private static EntryValue number(String name, double value, String unit) {
        return new EntryValue(name, value, unit, null);
    }

    private static EntryValue text(String name, String text) {
        return new EntryValue(name, null, null, text);
    }

    private static Entry entry(String kind, String step, List<EntryValue> figures) {
        return new Written(kind, step, figures).entry();
    }

    private static final List<EntryValue> READING =
            List.of(
                    text("instrument", "probe"),
                    number("strength", 62, "mg/L"),
                    number("temperature", 18, "°C"));

    @Test
    void anyOtherFieldIsAnotherHash() {
        String hash = envelope("Maren", 1, READING, "0").hash();
        assertEquals(64, hash.length());
        assertEquals(hash, envelope("Maren", 1, READING, "0").hash());
        assertNotEquals(hash, envelope("Tobiah", 1, READING, "0").hash());
        assertNotEquals(hash, envelope("Maren", 2, READING, "0").hash());
        assertNotEquals(hash, envelope("Maren", 1, READING, "1").hash());
        assertNotEquals(
                hash,
                envelope(
                                "Maren",
                                1,
                                List.of(
                                        READING.get(0),
                                        number("strength", 63, "mg/L"),
                                        READING.get(2)),
                                "0")
                        .hash());
    }

    @Test
    void everyKindIsReadWithItsFigures() {
        Entry reading = envelope("Maren", 1, READING, "0").entry();
        assertEquals(new Entry.ReadingTaken("step", "probe", 62, 18), reading);
        assertEquals(
                new Entry.PieceMoved("s", "seal#1", true),
                entry("piece-off", "s", List.of(text("piece", "seal#1"))));
        assertEquals(
                new Entry.PieceMoved("s", "seal#1", false),
                entry("piece-on", "s", List.of(text("piece", "seal#1"))));
        assertInstanceOf(Entry.TimerStarted.class, entry("timer-started", "s", List.of()));
        assertInstanceOf(Entry.RoundClosed.class, entry("round-closed", "s", List.of()));
        Entry.CheckMade seen =
                assertInstanceOf(
                        Entry.CheckMade.class, entry("check", "s", List.of(text("check", "gap"))));
        assertNull(seen.value());
        assertEquals(
                new Entry.Deviation("s", "why"),
                entry("deviation", "s", List.of(text("reason", "why"))));
        assertEquals(
                new Entry.CorrectiveAction("s", "what"),
                entry("corrective", "s", List.of(text("text", "what"))));
    }

    @Test
    void aFigureWithoutItsUnitOrAKindThatIsNoneIsRefused() {
        List<EntryValue> fahrenheit =
                List.of(READING.get(0), READING.get(1), number("temperature", 64, "°F"));
        String told =
                assertThrows(Written.NotAnEntry.class, () -> entry("reading", "s", fahrenheit))
                        .getMessage();
        assertTrue(told.contains("temperature has to be in °C"), told);
        assertThrows(Written.NotAnEntry.class, () -> entry("reading", "s", List.of()));
        assertThrows(Written.NotAnEntry.class, () -> entry("dance", "s", List.of()));
        List<EntryValue> novel = List.of(text("reason", "x".repeat(2001)));
        assertThrows(Written.NotAnEntry.class, () -> entry("deviation", "s", novel));
    }
}
