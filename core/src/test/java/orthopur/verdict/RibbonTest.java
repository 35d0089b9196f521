package orthopur.verdict;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.runthrough.Stage;
import orthopur.testbench.Bench;
import orthopur.verdict.Ribbon.Mark;
import orthopur.verdict.Ribbon.Span;
import orthopur.verdict.Ribbon.SurfaceThread;

/** The picture of the night as data. */
class RibbonTest {
    private static SurfaceThread thread(Ribbon r, String surface) {
        return r.surfaces().stream()
                .filter(t -> t.surfaces().stream().anyMatch(s -> s.id().equals(surface)))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void everySurfaceIsOnExactlyOneThreadAndThoseAlikeShareOne() {
        Ribbon r = Bench.verify(Bench.good()).ribbon();
        long surfaces = r.surfaces().stream().mapToLong(t -> t.surfaces().size()).sum();
        assertEquals(9, surfaces);
        assertTrue(r.surfaces().size() < 9, "some are merged");
    }

    @Test
    void aCoveredSurfaceIsOpenOnlyWhileItsCoverIsAside() {
        SurfaceThread back = thread(Bench.verify(Bench.good()).ribbon(), "drum-back");
        Span first = back.spans().getFirst();
        assertTrue(first.covered());
        int aside = Bench.good().placeOf("aside") + 1;
        int again = Bench.good().placeOf("back") + 1;
        Span opened = back.spans().stream().filter(x -> !x.covered()).findFirst().orElseThrow();
        assertEquals(aside, opened.from());
        assertTrue(back.spans().getLast().covered());
        assertEquals(again, back.spans().getLast().from());
    }

    @Test
    void aMarkThatIsNotGrantedSaysSo() {
        Procedure p =
                Bench.with(
                        "sanitize", Bench.sanitize(62, 18, 7.4, java.time.Duration.ofSeconds(60)));
        SurfaceThread hopper = thread(Bench.verify(p).ribbon(), "hopper-1");
        Mark sanitize =
                hopper.marks().stream()
                        .filter(m -> m.kind().equals("sanitize"))
                        .findFirst()
                        .orElseThrow();
        assertTrue(!sanitize.granted() && !hopper.end());
        assertEquals(14, sanitize.step());
    }

    @Test
    void aSurfaceNobodyReachesHasNoMarks() {
        Procedure p = Bench.without("aside", "back");
        SurfaceThread back = thread(Bench.verify(p).ribbon(), "drum-back");
        assertEquals("drum-back", back.surfaces().getFirst().name());
        assertEquals(List.of(), back.marks());
        assertEquals(Stage.SOILED, back.spans().getLast().stage());
    }

    @Test
    void everyStepHasAPhase() {
        Procedure p = Bench.with("record", new Action.Record());
        List<Ribbon.StepLine> lines = Bench.verify(p).ribbon().steps();
        assertEquals(p.steps().size(), lines.size());
        assertEquals("Make safe", lines.getFirst().phase());
        assertEquals("Hand over", lines.getLast().phase());
    }
}
