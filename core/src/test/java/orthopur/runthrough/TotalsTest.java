package orthopur.runthrough;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.testbench.Bench;

/** Time and water of a night: soaks run on beside other work, collecting waits for them. */
class TotalsTest {
    private static Run.Totals totals(Step... steps) {
        Procedure p = Bench.good().withSteps(List.of(steps));
        return Bench.verify(p).totals();
    }

    private static Step step(String id, Action a, double minutes, int people) {
        return new Step(id, a, "", null, null, minutes, people);
    }

    private static Action soak(int minutes) {
        return new Action.Soak(List.of("seal"), Bench.soap(), Duration.ofMinutes(minutes));
    }

    @Test
    void workBesideASoakCostsNoWaiting() {
        Run.Totals t =
                totals(
                        step("s", soak(10), 1, 1),
                        step("w", new Action.DryClean(List.of("drum")), 12, 1),
                        step("c", new Action.Collect(List.of("seal")), 1, 1));
        assertEquals(14, t.elapsedMinutes());
        assertEquals(0, t.waitingMinutes());
    }

    @Test
    void collectingEarlyWaits() {
        Run.Totals t =
                totals(
                        step("s", soak(10), 1, 1),
                        step("w", new Action.DryClean(List.of("drum")), 4, 2),
                        step("c", new Action.Collect(List.of("seal")), 1, 1));
        assertEquals(6, t.waitingMinutes());
        assertEquals(12, t.elapsedMinutes());
        assertEquals(10, t.handsOnMinutes(), "two people for four minutes are eight");
    }

    @Test
    void waterIsSummedOnlyWhereItIsStated() {
        assertNull(
                totals(step("w", new Action.Wash(List.of("drum"), Bench.plain(), null), 1, 1))
                        .waterLitres());
        assertEquals(
                40,
                totals(step("z", Bench.sanitize(100, 18, 7, Duration.ofSeconds(60)), 1, 1))
                        .waterLitres());
    }
}
