package orthopur.machine;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.testbench.Bench;

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
}
