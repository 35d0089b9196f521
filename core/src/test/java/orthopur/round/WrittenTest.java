package orthopur.round;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import orthopur.round.ReleaseSite.Kind;
import orthopur.roundpack.RoundPack.Trouble;
import orthopur.text.Text;

/** What is written down is read again as the same entry, and half an entry is none. */
class WrittenTest {
    static Stream<Entry> entries() {
        return Stream.of(
                new Entry.PieceMoved("s", "seal#1", true),
                new Entry.PieceMoved("s", "seal#1", false),
                new Entry.TimerStarted("s"),
                new Entry.ContactBroken("s"),
                new Entry.ReadingTaken("s", "probe", 62, 18),
                new Entry.SolutionUsed("s", "K7Q2M", "halvern-h12", 1_800_000_000_000L),
                new Entry.SolutionUsed("s", "K7Q2M", "sudmere-n", null),
                new Entry.CorrectiveAction("s", "stirred"),
                new Entry.CheckMade("s", "gap", 0.5),
                new Entry.CheckMade("s", "seen", null),
                new Entry.Confirmed("s", "prove:mains"),
                new Entry.LockMoved("s", "mains", "17", true, null),
                new Entry.LockMoved("s", "mains", "17", false, null),
                new Entry.LockMoved("s", "mains", "17", false, "gone home, reached by phone"),
                new Entry.TroubleSaid("s", Trouble.Kind.INJURY, null, "a cut"),
                new Entry.TroubleSaid("s", Trouble.Kind.FAILED, "seal", "crumbs"),
                new Entry.PhotoTaken("s", "ab12", "before"),
                new Entry.Deviation("s", "no time"),
                new Entry.StepDone("s"),
                new Entry.RoundClosed("s"),
                new Entry.Proof("s", "sight", null, null, true),
                new Entry.Proof("s", "drum-1", 310.0, "RLU", false),
                new Entry.Released("s", null, null),
                new Entry.Released("s", 1_800_000_000L, "until the swab is read"),
                new Entry.SentBack("s", "drum", "310 RLU"),
                new Entry.Correction("s", "id-1", "it was sink 2"),
                new Entry.ReleasePlanned(
                        "s",
                        List.of(
                                site("sight", Kind.LOOK, null, null, null, null),
                                site("drum-1", Kind.SWAB, 0.0, 30.0, 60.0, "RLU"),
                                site("last-rinse", Kind.PH, 7.1, 8.1, null, "pH")),
                        true));
    }

    private static ReleaseSite site(
            String id,
            Kind kind,
            @Nullable Double least,
            @Nullable Double most,
            @Nullable Double failAbove,
            @Nullable String unit) {
        Text name = Text.plain("name of " + id);
        return new ReleaseSite(id, kind, name, least, most, failAbove, unit, Text.plain("why"));
    }

    /**
     * What is looked at is said in every language; its English stands beside it for whoever reads
     * the log.
     */
    @Test
    void anInspectionKeepsItsSentencesByTheirIds() {
        Text why = Text.of("inspection.default", "default, {0} of {1} values, {2}", 3, 12, "±5");
        ReleaseSite swab =
                new ReleaseSite("d", Kind.SWAB, Text.plain("D"), 0.0, 30.0, 60.0, "RLU", why);
        Written written = Written.of(new Entry.ReleasePlanned("s", List.of(swab), false));
        assertEquals(
                "default, 3 of 12 values, ±5",
                written.figures().stream()
                        .filter(f -> f.name().equals("why"))
                        .findFirst()
                        .orElseThrow()
                        .text());
        Entry.ReleasePlanned read = (Entry.ReleasePlanned) written.entry();
        Text again = read.sites().getFirst().why();
        assertEquals("inspection.default", again.id());
        assertEquals(List.of(3L, 12L, "±5"), again.args());
        assertEquals(why.toString(), again.toString());
        assertEquals(written, Written.of(read), "and written again it is the same");
    }

    /** Inspection lists of earlier versions have the English alone. */
    @Test
    void anInspectionOfBeforeHasItsEnglish() {
        Written before =
                new Written(
                        "release-plan",
                        "s",
                        List.of(
                                EntryValue.text("second-person", "no"),
                                EntryValue.text("site", "sight"),
                                EntryValue.text("how", "LOOK"),
                                EntryValue.text("name", "All of it"),
                                EntryValue.text("why", "with flashlight")));
        Entry.ReleasePlanned read = (Entry.ReleasePlanned) before.entry();
        assertEquals("", read.sites().getFirst().name().id());
        assertEquals("All of it", read.sites().getFirst().name().toString());
        assertEquals(before, Written.of(read));
    }

    @ParameterizedTest
    @MethodSource("entries")
    void itIsReadAsItWasWritten(Entry entry) {
        assertEquals(entry, Written.of(entry).entry());
    }

    /** Every sort of entry is among the examples above, so that none is forgotten here. */
    @Test
    void everySortOfEntryHasItsWords() {
        Set<String> tried = new TreeSet<>();
        entries().forEach(e -> tried.add(e.getClass().getSimpleName()));
        Set<String> all = new TreeSet<>();
        for (Class<?> c :
                Stream.concat(
                                Arrays.stream(Entry.class.getPermittedSubclasses()),
                                Arrays.stream(Entry.Afterwards.class.getPermittedSubclasses()))
                        .filter(Class::isRecord)
                        .toList()) {
            all.add(c.getSimpleName());
        }
        assertEquals(all, tried);
    }

    /**
     * Whichever figure is taken away: what is left is refused, or says less but never something
     * else.
     */
    @ParameterizedTest
    @MethodSource("entries")
    void withoutAFigureItIsNoEntryOrSaysLess(Entry entry) {
        Written whole = Written.of(entry);
        for (int i = 0; i < whole.figures().size(); i++) {
            List<EntryValue> fewer = new ArrayList<>(whole.figures());
            EntryValue gone = fewer.remove(i);
            Written part = new Written(whole.kind(), whole.step(), fewer);
            try {
                Entry read = part.entry();
                assertEquals(entry.getClass(), read.getClass());
                assertTrue(
                        Set.of("value", "reason", "item", "until", "condition", "fail-above")
                                .contains(gone.name()),
                        gone + " went unnoticed");
            } catch (Written.NotAnEntry e) {
                assertTrue(
                        e.getMessage().contains("does not say its " + gone.name()), e.getMessage());
            }
        }
    }

    @Test
    void wrongUnitsUnknownKindsAndNovelsAreRefused() {
        List<EntryValue> reading =
                List.of(
                        EntryValue.text("instrument", "probe"),
                        EntryValue.number("strength", 62, "ppm"),
                        EntryValue.number("temperature", 18, "°C"));
        String unit = refused(new Written("reading", "s", reading));
        assertTrue(unit.contains("strength has to be in mg/L"), unit);
        assertTrue(refused(new Written("dance", "s", List.of())).contains("\"dance\""));
        assertTrue(
                refused(
                                new Written(
                                        "trouble",
                                        "s",
                                        List.of(
                                                EntryValue.text("trouble", "FLOOD"),
                                                EntryValue.text("text", "wet"))))
                        .contains("FLOOD"));
        assertTrue(
                refused(
                                new Written(
                                        "deviation",
                                        "s",
                                        List.of(EntryValue.text("reason", "x".repeat(2001)))))
                        .contains("2001 characters; allowed are 2000"));
    }

    private static String refused(Written w) {
        return assertThrows(Written.NotAnEntry.class, w::entry).getMessage();
    }
}
