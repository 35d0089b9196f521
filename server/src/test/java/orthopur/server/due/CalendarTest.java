package orthopur.server.due;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.StringReader;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.component.VEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * What a calendar outside reads: the same thing has the same key, and a name is never a property.
 */
class CalendarTest {
    private static final Instant MADE = Instant.parse("2026-11-30T20:35:00Z");
    private static final Instant FROM = Instant.parse("2026-11-30T21:15:00Z");

    private static List<VEvent> read(String text) throws Exception {
        return new CalendarBuilder().build(new StringReader(text)).getComponents("VEVENT");
    }

    private static Calendar.Event night(String name) {
        return new Calendar.Event("n1", name, null, FROM, FROM.plusSeconds(1500), "");
    }

    @Test
    void whatHasATimeHasOneAndWhatIsOfADayHasNone() throws Exception {
        String text =
                Calendar.of(
                        List.of(
                                night("QK-SL1: Remove blade"),
                                new Calendar.Event(
                                        "d1",
                                        "QK-OV1: weekly",
                                        LocalDate.of(2026, 12, 1),
                                        null,
                                        null,
                                        "Takes along: daily")),
                        MADE);
        assertTrue(text.contains("DTSTART:20261130T211500Z"), text);
        assertTrue(text.contains("DTEND:20261130T214000Z"), text);
        assertTrue(text.contains("DTSTART;VALUE=DATE:20261201"), text);
        assertEquals(2, read(text).size());
        assertTrue(text.contains("DESCRIPTION:Takes along: daily"), text);
    }

    @Test
    void theSameThingIsKnownAgainAndAnotherIsNot() {
        String once = Calendar.of(List.of(night("x")), MADE);
        assertEquals(once, Calendar.of(List.of(night("x")), MADE));
        String other =
                Calendar.of(
                        List.of(
                                new Calendar.Event(
                                        "n2", "x", null, FROM, FROM.plusSeconds(1500), "")),
                        MADE);
        assertFalse(uid(once).equals(uid(other)));
    }

    private static String uid(String text) {
        return text.lines().filter(l -> l.startsWith("UID:")).findFirst().orElseThrow();
    }

    @ParameterizedTest
    @ValueSource(strings = {"a\nEND:VEVENT", "wash; rinse, dry", "back\\slash", "ü 冷 \"quoted\""})
    void aNameStaysAName(String name) throws Exception {
        List<VEvent> all = read(Calendar.of(List.of(night(name)), MADE));
        assertEquals(1, all.size());
        assertEquals(
                name.replace("\r", ""),
                all.getFirst().getSummary().getValue(),
                String.format(Locale.ROOT, "%s is read as it was written", name));
    }

    @Test
    void nothingIsACalendarToo() throws Exception {
        assertEquals(List.of(), read(Calendar.of(List.of(), MADE)));
    }
}
