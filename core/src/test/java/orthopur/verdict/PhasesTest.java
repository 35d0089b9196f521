package orthopur.verdict;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.runthrough.SheetIndex;
import orthopur.testbench.Bench;

/** Phases of a round, and names as they stand in a sentence. */
class PhasesTest {
    @Test
    void smallInBetweenStepsStayWithThePhaseAroundThem() {
        List<String> phases = Phases.of(Bench.good());
        assertEquals("Make safe", phases.get(Bench.good().placeOf("prove")));
        assertEquals("Take apart", phases.get(Bench.good().placeOf("aside")));
        assertEquals("Sanitize", phases.get(Bench.good().placeOf("hands")));
        assertEquals("Sanitize", phases.get(Bench.good().placeOf("back")));
        assertEquals("Hand over", phases.get(Bench.good().placeOf("unlock")));
    }

    @Test
    void namesInASentence() {
        SheetIndex sheet = new SheetIndex(Bench.SHEET);
        assertEquals("hopper", sheet.names(List.of("hopper")).toString());
        assertEquals(
                "hopper, drum and seal", sheet.names(List.of("hopper", "drum", "seal")).toString());
        assertEquals(
                "hopper, drum, seal and 2 more",
                sheet.names(List.of("hopper", "drum", "seal", "guard", "spring")).toString());
        assertEquals("blade, back", SheetIndex.spoken("Blade, back"));
        assertEquals("QK-SL1", SheetIndex.spoken("QK-SL1"));
        assertEquals("moon", sheet.nameOf("moon"));
    }
}
