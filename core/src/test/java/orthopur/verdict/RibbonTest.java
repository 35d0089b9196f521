package orthopur.verdict;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
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
        assertTrue(hopper.story().contains("not sanitized at step 14"), hopper.story());
    }

    @Test
    void aSurfaceNobodyReachesTellsItsStory() {
        Procedure p = Bench.without("aside", "back");
        SurfaceThread back = thread(Bench.verify(p).ribbon(), "drum-back");
        assertTrue(
                back.surfaces().getFirst().story().startsWith("drum-back: soiled from the start"),
                back.story());
    }

    @Test
    void everyStepHasASentenceAndAPhase() {
        Procedure p = Bench.with("record", new Action.Record());
        List<Ribbon.StepLine> lines = Bench.verify(p).ribbon().steps();
        assertEquals(p.steps().size(), lines.size());
        assertEquals("Motor is now stopped.", capital(lines.getFirst().sentence()));
        assertEquals("Make safe", lines.getFirst().phase());
        assertEquals("Hand over", lines.getLast().phase());
    }

    private static String capital(String s) {
        return Character.toUpperCase(s.charAt(0)) + s.substring(1);
    }
}
