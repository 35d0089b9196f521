package orthopur.text;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A sentence with its arguments, as it reads in English. */
class TextTest {
    private static final String LOCKS = "{0, plural, one {# lock} other {# locks}} on {1}";

    @Test
    void putsEachArgumentWhereItBelongs() {
        Text t = Text.of("a.b", "Step {1} follows step {0}.", 3, 4);
        assertEquals("Step 4 follows step 3.", t.toString());
    }

    @ParameterizedTest
    @CsvSource({"0, 0 locks on D2", "1, 1 lock on D2", "2, 2 locks on D2", "12, 12 locks on D2"})
    void countsAsEnglishDoes(int locks, String said) {
        assertEquals(said, Text.of("a.locks", LOCKS, locks, "D2").toString());
    }

    @Test
    void aFormMayHoldAnotherArgument() {
        String soaks = "{1, plural, one {{0} still soaks} other {{0} still soak}} in sink 1.";
        assertEquals("blade still soaks in sink 1.", Text.of("a.s", soaks, "blade", 1).toString());
        assertEquals(
                "blade, guard still soak in sink 1.",
                Text.of("a.s", soaks, "blade, guard", 2).toString());
    }

    @Test
    void twoCountsInOneSentenceAreCountedApart() {
        String both =
                "{0, plural, one {# step} other {# steps}}, {1, plural, one {# note} other {# notes}}";
        assertEquals("1 step, 3 notes", Text.of("a.both", both, 1, 3).toString());
        assertEquals("2 steps, 1 note", Text.of("a.both", both, 2, 1).toString());
    }

    @Test
    void aPieceIsASentenceOfItsOwn() {
        Text why = Text.of("a.why", "is off at step {0}", 7);
        assertEquals(
                "Blade is off at step 7 (With heating: gas.)",
                Text.of(
                                "a.with",
                                "{0} (With {1}.)",
                                Text.of("a.what", "{0} {1}", "Blade", why),
                                "heating: gas")
                        .toString());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"1|A", "2|A and B", "3|A, B and C", "4|A, B, C and D", "0|''"})
    void listsNamesAsASentenceDoes(int names, String said) {
        List<String> all = List.of("A", "B", "C", "D").subList(0, names);
        assertEquals(said, Text.of("a.list", "{0}", all).toString());
    }

    @Test
    void aListMayHoldSentences() {
        List<Text> needs =
                List.of(
                        Text.of("a.warm", "at least {0}", "24 °C"),
                        Text.of("a.strong", "at least {0}", "100 mg/L"));
        assertEquals(
                "It needs at least 24 °C and at least 100 mg/L.",
                Text.of("a.needs", "It needs {0}.", needs).toString());
    }

    @Test
    void asASentenceItBeginsLarge() {
        assertEquals("Blade is wet.", Text.of("a.wet", "{0} is wet.", "blade").sentence());
        assertEquals("", Text.plain("").sentence());
    }

    @Test
    void whatIsNotThereStandsAsNothing() {
        assertEquals("Step 4 .", Text.of("a.gap", "Step {0} {1}.", 4, null).toString());
    }

    @Test
    void aSentenceThatLacksAnArgumentIsNotMade() {
        var e =
                assertThrows(
                        IllegalArgumentException.class, () -> Text.of("a.lost", "{0} of {1}", 3));
        assertTrue(e.getMessage().contains("a.lost"), e.getMessage());
        assertThrows(IllegalArgumentException.class, () -> Text.of("a.locks", LOCKS, 1));
    }

    @Test
    void anOpenBraceIsNotSaidAsIfItWereWhole() {
        assertThrows(IllegalArgumentException.class, () -> Text.of("a.open", "{0", 1).toString());
    }

    /** Findings are compared by what they say: another step is another finding. */
    @Test
    void equalsByIdAndArguments() {
        assertEquals(Text.of("a.b", "Step {0}", 3), Text.of("a.b", "Step {0}", 3));
        assertNotEquals(Text.of("a.b", "Step {0}", 3), Text.of("a.b", "Step {0}", 4));
    }

    @Test
    void wordsOfNoLanguageHaveNoId() {
        assertEquals("", Text.plain("150 mg/L").id());
        assertEquals("150 mg/L", Text.plain("150 mg/L").toString());
        assertEquals("{0} stays", Text.plain("{0} stays").toString());
    }

    @Test
    void whatWasPutTogetherBeforeKeepsItsEnglishAndItsPartsForOtherLanguages() {
        Text t = Text.said("a.soaks", "blade soaking", List.of("blade"));
        assertEquals("blade soaking", t.toString());
        assertEquals(List.of("blade"), t.args());
        Text brace = Text.said("a.soaks", "{left} soaking", List.of("{left}"));
        assertEquals("{left} soaking", brace.toString());
        assertEquals("{left}", brace.args().getFirst());
    }
}
