package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.machine.Problem;
import orthopur.procedure.Procedure;
import orthopur.runthrough.Finding;
import orthopur.verdict.Verdict;

/** The slicer's end of shift with another product, a broken heater, a person who does not come. */
class WhatIfTest {
    private static final ProcedureDocument SLICER =
            ProcedureFormat.document(DemoSite.procedure("qk-sl1-end-of-shift"));
    private static final ProcedureDocument OVEN =
            ProcedureFormat.document(DemoSite.procedure("qk-ov1-daily"));

    private static Verdict verdict(WhatIf change, ProcedureDocument of) {
        ProcedureDocument other = change.of(of, DemoSite.CHEMICALS);
        Procedure p =
                ProcedureFormat.read(
                        other, DemoSite.sheet(of.sheet()), DemoSite.CONTEXT.chemicals().keySet());
        return DemoSite.verify(p);
    }

    private static List<String> rules(Verdict v) {
        return v.findings().stream().filter(f -> f.under() == null).map(Finding::rule).toList();
    }

    /**
     * Quat as its label directs is strong enough; the water of this procedure is too cool for it.
     */
    @Test
    void anotherSanitizerIsUsedAsItsLabelDirects() {
        ProcedureDocument other =
                new WhatIf("halvern-h12", "palimar-q10", 0, null).of(SLICER, DemoSite.CHEMICALS);
        List<StepDocument> uses =
                other.steps().stream()
                        .filter(s -> "palimar-q10".equals(s.text("chemical")))
                        .toList();
        assertTrue(!uses.isEmpty());
        String step = Json.write(uses.getFirst());
        assertTrue(step.contains("200.0") && step.contains("24.0") && step.contains("60.0"), step);
    }

    @Test
    void withoutHotWaterTheWashIsTooCool() {
        assertTrue(rules(verdict(new WhatIf(null, null, 0, 18.0), SLICER)).contains("S7"));
        assertEquals(List.of(), rules(DemoSite.verify(DemoSite.procedure("qk-sl1-end-of-shift"))));
    }

    @Test
    void oneFewerCannotCarryTheBelt() {
        assertTrue(rules(verdict(new WhatIf(null, null, 1, null), OVEN)).contains("L10"));
    }

    @Test
    void whatCannotBeIsSaidWithItsRange() {
        List<Problem> two =
                assertThrows(
                                FormatError.class,
                                () ->
                                        new WhatIf("halvern-h12", "nothing", 1, 101.0)
                                                .of(SLICER, DemoSite.CHEMICALS))
                        .problems();
        assertEquals(
                List.of("/fewerPeople", "/warmest", "/to"),
                two.stream().map(Problem::pointer).toList());
        assertThrows(
                FormatError.class,
                () -> new WhatIf("karstol-a", "ozelle-p5", 0, null).of(SLICER, DemoSite.CHEMICALS));
    }
}
