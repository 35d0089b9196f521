package orthopur.remedy;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Remedy;
import orthopur.rules.AllRules;
import orthopur.runthrough.Finding;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.SheetIndex;
import orthopur.testbench.Bench;
import orthopur.text.Text;

/** A remedy is offered only where a run has shown that it helps. */
class RemediesTest {
    private static final SheetIndex SHEET = new SheetIndex(Bench.SHEET);
    private static final Procedure LATE = Bench.moved("wash", "dry");

    private static List<Remedy> kept(Procedure p, Remedy... proposed) {
        RunThrough.Resumable run = RunThrough.resumable(p, SHEET, Bench.CONTEXT, AllRules.list());
        Finding first = run.run().findings().getFirst().withRemedies(List.of(proposed));
        return Remedies.proven(List.of(first), p, List.of(run)).getFirst().remedies();
    }

    private static Remedy of(String says, Edit... edits) {
        return new Remedy(Text.plain(says), List.of(edits));
    }

    @Test
    void whatMendsItIsOffered() {
        Remedy back = of("Wash before the rinse", new Edit.Move("wash", "rinse"));
        assertEquals(List.of(back), kept(LATE, back));
    }

    @Test
    void whatChangesNothingIsNot() {
        assertTrue(kept(LATE, of("Wash last", new Edit.Move("wash", "dry"))).isEmpty());
    }

    @Test
    void whatBreaksSomethingElseIsNot() {
        assertTrue(kept(LATE, of("Leave the lock away", new Edit.Delete("lock"))).isEmpty());
    }

    @Test
    void whatCannotBeDoneIsNotAndNothingFails() {
        assertTrue(kept(LATE, of("Move nothing", new Edit.Move("nothing", "rinse"))).isEmpty());
    }

    @Test
    void ofSeveralOnlyThoseThatHelpStay() {
        Remedy back = of("Wash before the rinse", new Edit.Move("wash", "rinse"));
        List<Remedy> kept = kept(LATE, of("Wash last", new Edit.Move("wash", "dry")), back);
        assertEquals(List.of(back), kept);
        assertFalse(kept.isEmpty());
    }
}
