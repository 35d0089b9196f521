package orthopur.machine;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.quantity.Volume;
import orthopur.testbench.Bench;
import orthopur.testbench.Records;
import orthopur.testbench.Rig;

class SheetCheckTest {
    private static List<String> pointers(Part... parts) {
        return SheetCheck.check(Bench.sheet(List.of(parts), List.of())).stream()
                .map(Problem::pointer)
                .toList();
    }

    @Test
    void theBenchSheetIsSound() {
        assertEquals(List.of(), SheetCheck.check(Bench.SHEET));
    }

    @Test
    void aCircleIsFoundAndNamed() {
        List<Problem> problems =
                SheetCheck.check(
                        Bench.sheet(
                                List.of(
                                        Bench.part("a").behind("b").build(),
                                        Bench.part("b").behind("c").build(),
                                        Bench.part("c").behind("a").build()),
                                List.of()));
        assertEquals(1, problems.size());
        assertTrue(problems.getFirst().message().contains("a behind b behind c behind a"));
    }

    @Test
    void namesThatMeanNothingAreFoundEach() {
        assertEquals(
                List.of("/parts/0/behind/0", "/parts/0/covers/0"),
                pointers(Bench.part("a").behind("x").covers("y").build()));
    }

    @Test
    void aSurfaceUnderACoverThatNeverMovesCanNeverBeReached() {
        assertEquals(
                List.of("/parts/0/covers/0"),
                pointers(Bench.part("a").fixed().covers("b-1").build(), Bench.part("b").build()));
    }

    @Test
    void idsStandOnceAndNothingIsBehindItself() {
        assertEquals(
                List.of("/parts/1/id", "/parts/1/surfaces/0/id", "/parts/0/behind/0"),
                pointers(Bench.part("a").behind("a").build(), Bench.part("a").build()));
    }

    /** A condition with a slip of the pen would take its part out of every judgement, unseen. */
    @Test
    void conditionsNameOptionsAndPassagesNameSurfaces() {
        MachineSheet sheet = Rig.bench().option("scraper", "folds", "fixed", "flap").sheet();
        assertEquals(List.of(), SheetCheck.check(sheet));
        Part flap = Records.with(sheet.parts().get(3), "when", "scraper=fold");
        List<Part> parts = new java.util.ArrayList<>(sheet.parts());
        parts.set(3, flap);
        parts.set(
                4,
                Records.with(
                        parts.get(4),
                        "assembly",
                        new Assembly(List.of("no-part"), null, null, "no-pair", List.of())));
        MachineSheet slips =
                Records.with(
                        Records.with(sheet, "parts", parts),
                        "passages",
                        List.of(
                                new Passage(
                                        "drum",
                                        "Line",
                                        List.of("groove", "no-surface"),
                                        new Volume(0),
                                        null,
                                        null,
                                        null,
                                        List.of())));
        List<String> found = SheetCheck.check(slips).stream().map(Problem::pointer).toList();
        assertEquals(
                List.of(
                        "/parts/3/when",
                        "/parts/4/assembly/after/0",
                        "/parts/4/assembly/pair",
                        "/passages/0/id",
                        "/passages/0/volume",
                        "/passages/0/surfaces/1"),
                found);
    }
}
