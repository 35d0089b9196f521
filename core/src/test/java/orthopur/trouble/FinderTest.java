package orthopur.trouble;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.machine.MachineSheet;
import orthopur.machine.Symptom;
import orthopur.machine.Symptom.Look;
import orthopur.machine.Symptom.State;
import orthopur.testbench.Bench;
import orthopur.trouble.Finder.Because;
import orthopur.trouble.Finder.Step;

/** In which order what is wrong is looked for, and in which state of the machine. */
class FinderTest {
    private static final MachineSheet SHEET = Bench.SHEET;

    private static Symptom symptom(Look... looks) {
        return new Symptom("ragged", "Slices are ragged", List.of(looks));
    }

    private static Look look(State state, String part, String what) {
        return new Look(state, part, what, "cure", false);
    }

    private static List<String> words(List<Step> steps) {
        return steps.stream().map(s -> s.look().toString()).toList();
    }

    @Test
    void whatWasItBeforeThenWhatWentBackThenTheSheetSafeOnesFirst() {
        Symptom s =
                symptom(
                        new Look(State.STOPPED, null, "live parts", "cure", true),
                        look(State.LOCKED_OUT, null, "belt"),
                        look(State.STOPPED, null, "knob"),
                        look(State.LOCKED_OUT, "guard", "rim"));
        List<Step> all =
                Finder.of(
                        SHEET,
                        s,
                        List.of("guard"),
                        List.of(
                                new Finder.Cured("ragged", "tray crooked", null, 1),
                                new Finder.Cured("other", "not this", null, 2)));
        assertEquals(
                List.of(
                        "tray crooked: that was it the last time",
                        "rim",
                        "knob",
                        "belt",
                        "live parts"),
                words(all));
        assertEquals(Because.PUT_BACK, all.get(1).because());
    }

    @Test
    void whatCanHurtIsLookedAtLockedOutWhateverTheSheetSays() {
        Step blade =
                Finder.of(SHEET, symptom(look(State.RUNNING, "guard", "rim")), List.of(), List.of())
                        .getFirst();
        assertEquals(State.LOCKED_OUT, blade.state());
        assertTrue(blade.raised());
        Step before =
                Finder.of(
                                SHEET,
                                symptom(),
                                List.of(),
                                List.of(new Finder.Cured("ragged", "nicked", "guard", 1)))
                        .getFirst();
        assertEquals(State.LOCKED_OUT, before.state());
    }

    @Test
    void whatWentBackAndTheSheetDoesNotSpeakOfIsAskedForLast() {
        List<Step> all =
                Finder.of(
                        SHEET,
                        symptom(look(State.STOPPED, null, "knob")),
                        SHEET.parts().stream().map(p -> p.id()).toList(),
                        List.of());
        assertEquals("knob", all.getFirst().look().toString());
        assertTrue(all.size() > 1 && all.size() <= 5, all.size() + " steps");
        assertTrue(all.stream().skip(1).allMatch(s -> s.because() == Because.PUT_BACK));
    }
}
