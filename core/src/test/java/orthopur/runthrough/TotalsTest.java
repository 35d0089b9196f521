package orthopur.runthrough;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Share;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
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

    /** A dwell, a contact, heat and a program are waited for as much as a soak is. */
    @Test
    void whatStandsIsWaitedFor() {
        Action cool = new Action.CoolDown(List.of("heat"), null, Duration.ofMinutes(65));
        Action wash =
                new Action.Wash(
                        List.of("drum"), Bench.soap(), null, null, null, Duration.ofMinutes(15));
        Run.Totals t =
                totals(
                        step("c", cool, 2, 1),
                        step("w", wash, 8, 1),
                        step("z", Bench.sanitize(100, 18, 7, Duration.ofSeconds(60)), 1, 1));
        assertEquals(81, t.waitingMinutes());
        assertEquals(92, t.elapsedMinutes());
        assertEquals(11, t.handsOnMinutes());
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

    /** 40 L at 100 mg/L from 12.5 % w/w, 1.17 kg/L: 40 × 100 / 146 250 L = 27.35 mL. */
    @Test
    void aProductIsSummedAsItIsBought() {
        Run.Totals t = totals(step("z", Bench.sanitize(100, 18, 7, Duration.ofSeconds(60)), 1, 1));
        assertEquals(1, t.chemicals().size());
        Run.Used used = t.chemicals().getFirst();
        assertEquals(0.02735, used.litres(), 0.00001);
        assertEquals(0, used.unsaid());
        assertEquals(
                used.litres() * Bench.CONTEXT.chemical(used.chemical()).pricePerLitre(),
                used.cost(),
                1e-9);
    }

    @Test
    void aVesselThatStandsThereIsFilledOnce() {
        Solution sink = new Solution("soap", new Share(2), hot(50), null, new Volume(30), "s1");
        Solution fresh = new Solution("soap", new Share(3), hot(50), null, new Volume(30), "s1");
        Run.Totals t =
                totals(
                        step("a", new Action.Wash(List.of("drum"), sink, null), 1, 1),
                        step("b", new Action.Wash(List.of("seal"), sink, null), 1, 1),
                        step("c", new Action.Wash(List.of("seal"), fresh, null), 1, 1));
        assertEquals(60, t.waterLitres());
        assertEquals(60, t.warmLitres());
        assertEquals(0.6 + 0.9, t.chemicals().getFirst().litres(), 1e-9);
    }

    @Test
    void whatIsNotSaidIsCountedAsUnsaidAndNotAsNone() {
        Solution some = new Solution("soap", new Share(2), hot(15), null, null);
        Run.Totals t = totals(step("a", new Action.Wash(List.of("drum"), some, null), 1, 3));
        assertEquals(1, t.chemicals().getFirst().unsaid());
        assertEquals(0, t.chemicals().getFirst().litres());
        assertNull(t.warmLitres());
        assertEquals(3, t.people());
    }

    private static Temperature hot(double celsius) {
        return Temperature.ofCelsius(celsius);
    }
}
