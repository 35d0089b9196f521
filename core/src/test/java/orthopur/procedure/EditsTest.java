package orthopur.procedure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import orthopur.machine.Problem;
import orthopur.testbench.Bench;

/** Edits are data: all of them or none. */
class EditsTest {
    private static final Procedure P = Bench.good();

    private static Step step(String id) {
        return new Step(id, new Action.WashHands(), "", null, null, 1, 1);
    }

    private static String order(Procedure p) {
        return p.steps().stream().map(Step::id).collect(Collectors.joining(" "));
    }

    @Test
    void anEditNamesStepsByIdSoThatNumbersMayShift() {
        Procedure q =
                P.apply(
                        List.of(
                                new Edit.InsertBefore("stop", step("first")),
                                new Edit.InsertBefore(null, step("last")),
                                new Edit.Move("record", "first"),
                                new Edit.Delete("dry")));
        assertTrue(order(q).startsWith("record first stop isolate"), order(q));
        assertTrue(order(q).endsWith("live last"), order(q));
        assertEquals(-1, q.placeOf("dry"));
    }

    @Test
    void oneEditThatDoesNotFitLeavesEverythingAsItWas() {
        String before = order(P);
        List<Edit> edits = List.of(new Edit.Delete("dry"), new Edit.Delete("nowhere"));
        String told = assertThrows(EditRefused.class, () -> P.apply(edits)).getMessage();
        assertTrue(told.contains("nowhere"), told);
        assertEquals(before, order(P));
        assertThrows(
                EditRefused.class,
                () -> P.apply(List.of(new Edit.InsertBefore(null, step("stop")))));
        assertThrows(EditRefused.class, () -> P.apply(List.of(new Edit.Move("stop", "nowhere"))));
    }

    @Test
    void freshIdsAreFreeAndTheSameForTheSameProcedure() {
        String id = P.freshId(0);
        assertEquals(id, P.freshId(0));
        Procedure q = P.apply(List.of(new Edit.InsertBefore(null, step(id))));
        assertTrue(q.placeOf(q.freshId(0)) < 0);
    }

    @Test
    void namesThatMeanNothingAreFoundWithTheirPlace() {
        Procedure q =
                Bench.with(
                        "wash",
                        new Action.Wash(
                                List.of("drum", "moon"),
                                new Solution("acid", null, null, null, null),
                                null));
        List<Problem> problems = ProcedureCheck.check(q, Bench.SHEET, Set.of("chlor", "soap"));
        int place = q.placeOf("wash");
        assertEquals(
                List.of("/steps/" + place + "/items/1", "/steps/" + place + "/chemical"),
                problems.stream().map(Problem::pointer).toList());
        Procedure r = Bench.with("off-1", new Action.Remove(List.of("drum-1"), null, null));
        assertTrue(
                ProcedureCheck.check(r, Bench.SHEET, Set.of("chlor", "soap"))
                        .getFirst()
                        .message()
                        .contains("is a surface"));
        Procedure s =
                Bench.with(
                        "stop", new Action.Operate(Action.Mode.STOP, List.of("steam"), List.of()));
        assertEquals(1, ProcedureCheck.check(s, Bench.SHEET, Set.of("chlor", "soap")).size());
    }

    /** Whoever "removes" the drum would be out of its danger zone on paper only. */
    @Test
    void whatTheSheetHoldsFastDoesNotComeOffOrMoveAside() {
        Set<String> chemicals = Set.of("chlor", "soap");
        Procedure off =
                Bench.with("off-1", new Action.Remove(List.of("hopper", "drum"), null, null));
        Problem p = ProcedureCheck.check(off, Bench.SHEET, chemicals).getFirst();
        assertEquals("/steps/" + off.placeOf("off-1") + "/items/1", p.pointer());
        assertTrue(p.message().contains("does not come off"), p.message());
        Procedure aside = Bench.with("aside", new Action.Shift(List.of("hopper")));
        assertTrue(
                ProcedureCheck.check(aside, Bench.SHEET, chemicals)
                        .getFirst()
                        .message()
                        .contains("move aside"));
        assertEquals(List.of(), ProcedureCheck.check(P, Bench.SHEET, chemicals));
    }
}
