package orthopur.rework;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.runthrough.SheetIndex;
import orthopur.testbench.Bench;

/** Failed and done again: it drags along what it touched since, nothing else. */
class ReworkTest {
    private static final Procedure GOOD = Bench.good();

    private static Rework after(Procedure p, String failed, String step) {
        return Rework.of(p, new SheetIndex(Bench.SHEET), Bench.CONTEXT, failed, p.placeOf(step));
    }

    /** Looked at before anything was put back: only the part itself. */
    @Test
    void aloneBeforeAssembly() {
        Rework r = after(GOOD, "hopper", "inspect");
        assertEquals(List.of("hopper"), r.parts());
        assertEquals(List.of("hopper-1"), r.surfaces());
        assertEquals(List.of("scrape", "wash", "rinse", "inspect", "hands"), without(r, "off-1"));
    }

    private static List<String> without(Rework r, String... framing) {
        return Stream.concat(r.steps().stream(), Stream.of("hands"))
                .distinct()
                .filter(s -> !List.of(framing).contains(s))
                .toList();
    }

    /** A seal that failed lay on the groove: the groove goes back with it, the hopper does not. */
    @Test
    void theSealTakesItsGrooveAlong() {
        Procedure apart = Bench.with("on", new Action.Install(List.of("spring", "seal"), null));
        Rework r = after(apart, "seal", "on");
        assertTrue(r.surfaces().contains("groove"), r.toString());
        assertFalse(r.parts().contains("hopper"), r.toString());
        assertFalse(r.parts().contains("drum"), r.toString());
    }

    /** Gloves that touched it carry it on to what they hold next, unless they were changed. */
    @Test
    void glovesCarryItOn() {
        Procedure two =
                Bench.before(
                        "measure",
                        "later",
                        new Action.Install(List.of("guard"), null),
                        Bench.with(
                                "on",
                                new Action.Install(List.of("spring", "hopper", "seal"), null)));
        assertTrue(after(two, "hopper", "later").parts().contains("guard"));
        Procedure fresh = Bench.before("later", "fresh", new Action.WashHands(), two);
        assertFalse(after(fresh, "hopper", "later").parts().contains("guard"));
    }

    /** Once it is live again, it is made safe again; what is in front comes off first. */
    @Test
    void theWholeWayBack() {
        Rework r = after(GOOD, "spring", "record");
        assertTrue(
                r.steps()
                        .containsAll(
                                List.of(
                                        "stop",
                                        "isolate",
                                        "lock",
                                        "relieve",
                                        "prove",
                                        "off-1",
                                        "off-2",
                                        "sanitize",
                                        "on",
                                        "clear",
                                        "unlock",
                                        "live")),
                r.toString());
        Rework early = after(GOOD, "spring", "on");
        assertFalse(early.steps().contains("isolate"), early.toString());
    }

    @Test
    void neverCleanedSoFarIsItselfAlone() {
        assertEquals(List.of("drum-1", "drum-back"), after(GOOD, "drum-1", "off-1").surfaces());
    }

    @Test
    void refusesWhatIsNotThere() {
        assertThrows(IllegalArgumentException.class, () -> after(GOOD, "nothing", "wash"));
        SheetIndex sheet = new SheetIndex(Bench.SHEET);
        assertThrows(
                IllegalArgumentException.class,
                () -> Rework.of(GOOD, sheet, Bench.CONTEXT, "drum", GOOD.steps().size()));
    }
}
