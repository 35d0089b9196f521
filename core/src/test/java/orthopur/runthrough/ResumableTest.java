package orthopur.runthrough;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.rules.AllRules;
import orthopur.testbench.Bench;

/** A run that is taken up again from the edited step is the run of the edited procedure. */
class ResumableTest {
    private static final SheetIndex SHEET = new SheetIndex(Bench.SHEET);

    private static void same(Procedure before, Procedure after) {
        RunThrough.Resumable kept =
                RunThrough.resumable(before, SHEET, Bench.CONTEXT, AllRules.list());
        Run whole = RunThrough.of(after, SHEET, Bench.CONTEXT, AllRules.list());
        Run bare =
                whole.withFindings(
                        whole.findings().stream().map(f -> f.withRemedies(List.of())).toList());
        // Twice: taking it up once must not spoil what was kept.
        assertEquals(bare, kept.after(after));
        assertEquals(bare, kept.after(after));
    }

    @Property(tries = 400)
    void equalsTheWholeRunAfterAnyEdit(
            @ForAll @Size(max = 4) List<@IntRange(max = 500) Integer> hits,
            @ForAll @Size(max = 3) List<@IntRange(max = 500) Integer> edits) {
        Procedure before = Bench.broken(Bench.good(), hits);
        same(before, Bench.broken(before, edits));
    }

    /** A brush that a later step takes to the floor is no longer fit for the blade before it. */
    @Test
    void looksAheadAgain() {
        Action.Wash brushed =
                new Action.Wash(
                        Bench.allParts(), Bench.soap(), Action.Method.BRUSH, "long brush", null);
        Procedure before = Bench.with("wash", brushed);
        same(before, Bench.without(before, "record"));
        same(
                before,
                Bench.before(
                        "record",
                        "floor",
                        new Action.Wash(
                                List.of("frame"),
                                Bench.soap(),
                                Action.Method.BRUSH,
                                "long brush",
                                null),
                        before));
    }

    /** The crew and the equipment stand in the head and hold from the first step on. */
    @Test
    void anotherHeadIsAnotherRun() {
        same(Bench.good(), Bench.people(2, Bench.good()));
        same(Bench.good(), Bench.good().withSteps(List.of()));
        same(Bench.good().withSteps(List.of()), Bench.good());
    }
}
