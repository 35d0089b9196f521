package orthopur.round;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import orthopur.round.Refused.Why;
import orthopur.text.Text;

class RefusedTest {
    /** By its id a refusal has a language, so that each needs one of its own. */
    @Test
    void eachReasonHasAnIdOfItsOwn() {
        Set<String> ids = new HashSet<>();
        for (Why why : Why.values()) {
            assertTrue(ids.add(why.id()), why.id() + " stands twice");
            assertEquals(
                    "refusal." + why.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'),
                    why.id());
        }
    }

    /** Somebody with wet gloves reads it once: it is a sentence, and it ends. */
    @ParameterizedTest
    @EnumSource
    void eachReasonIsASentence(Why why) {
        assertTrue(why.english().matches("[\\p{Lu}“{].*\\."), why.english());
    }

    @Test
    void namesAreListedAndSentencesStandWhole() {
        Text minutes = Text.of("duration.minutes", "{0} min", 3);
        Refused soaking = new Refused(Why.SOAKING, minutes);
        assertEquals("The soak needs another 3 min.", soaking.getMessage());
        assertEquals(List.of(minutes), soaking.said().args());
        Refused off = new Refused(Why.STILL_OFF, List.of("blade", "guard", "knob"));
        assertEquals("Still off the machine: blade, guard and knob.", off.getMessage());
        assertEquals(Why.STILL_OFF.id(), off.said().id());
    }
}
