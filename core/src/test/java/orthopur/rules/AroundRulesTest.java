package orthopur.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.instrument.Instrument;
import orthopur.instrument.Measures;
import orthopur.machine.MachineSheet;
import orthopur.machine.Regime;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.quantity.Ph;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Severity;
import orthopur.testbench.Bench;
import orthopur.verdict.Verifier;

/** Rules that look at what stands around the machine: water, air, instruments, the next product. */
class AroundRulesTest {
    private static final Procedure GOOD = Bench.good();
    private static final Instrument PROBE =
            new Instrument(
                    "probe", "Probe", List.of(), 3, 0.5, Measures.CHLORINE, null, 0.0, 300.0);

    private static List<String> roots(Procedure p, MachineSheet sheet, Context context) {
        return Verifier.verify(p, sheet, context).findings().stream()
                .filter(f -> f.under() == null)
                .map(f -> f.severity() + " " + f.rule() + "@" + f.stepId())
                .toList();
    }

    private static MachineSheet material(String material) {
        return Bench.SHEET.withParts(
                Bench.SHEET.parts().stream()
                        .map(
                                p ->
                                        p.withSurfaces(
                                                p.surfaces().stream()
                                                        .map(
                                                                s ->
                                                                        s.zone() == 1
                                                                                ? s.withMaterials(
                                                                                        List.of(
                                                                                                material))
                                                                                : s)
                                                        .toList()))
                        .toList());
    }

    @Test
    void theLastWaterIsDrinkingWater() {
        Context bad = Bench.CONTEXT.withTap(new Context.Tap(new Ph(7.6), null, false, null));
        assertEquals(List.of("STOP C27@rinse"), roots(GOOD, Bench.SHEET, bad));
        Context unread = Bench.CONTEXT.withTap(new Context.Tap(new Ph(7.6), null));
        assertEquals(List.of(), roots(GOOD, Bench.SHEET, unread));
        MachineSheet farm = Bench.SHEET.withRegime(Regime.FARM);
        assertEquals(List.of("FIX C27@rinse"), roots(GOOD, farm, unread));
        Context tested = Bench.CONTEXT.withTap(new Context.Tap(null, null, true, "May 4"));
        assertEquals(List.of(), roots(GOOD, farm, tested));
    }

    @Test
    void whatIsPorousIsNotSanitized() {
        assertTrue(roots(GOOD, material("wood"), Bench.CONTEXT).contains("FIX C26@sanitize"));
        assertEquals(List.of(), roots(GOOD, material("stainless steel"), Bench.CONTEXT));
    }

    @Test
    void aGasIsLetGoWhereThereIsAirToBreathe() {
        MachineSheet gas =
                Bench.SHEET.withEnergies(
                        Bench.SHEET.energies().stream()
                                .map(e -> e.id().equals("motor") ? e.withSuffocates(true) : e)
                                .toList());
        assertEquals(List.of("FIX L17@relieve"), roots(GOOD, gas, Bench.CONTEXT));
        assertEquals(List.of(), roots(GOOD, gas.withVentilation("fan F3 stays on"), Bench.CONTEXT));
        Procedure alarm =
                Bench.before("stop", "bring", new Action.Prepare(List.of("CO₂ alarm")), GOOD);
        assertEquals(List.of(), roots(alarm, gas, Bench.CONTEXT));
    }

    @Test
    void anInstrumentOfTheSiteCanTell() {
        assertEquals(
                List.of("FIX S9@sanitize"),
                roots(GOOD, Bench.SHEET, Bench.CONTEXT.withInstruments(List.of())));
        // 100 mg/L is the limit itself; 97 to 103 says nothing.
        Finding f =
                Verifier.verify(GOOD, Bench.SHEET, Bench.CONTEXT.withInstruments(List.of(PROBE)))
                        .findings()
                        .getFirst();
        assertEquals("S9", f.rule());
        assertEquals(Severity.ADVISE, f.severity());
        assertTrue(f.message().contains("at 105 mg/L they can tell"), f.message());
        Instrument exact = new Instrument("x", "Exact", List.of(), 0, 0);
        assertEquals(
                List.of(),
                roots(GOOD, Bench.SHEET, Bench.CONTEXT.withInstruments(List.of(PROBE, exact))));
        Instrument quat =
                new Instrument("q", "Quat", List.of(), 0, 0, Measures.QUAT, 20.0, null, null);
        assertEquals(
                List.of("FIX S9@sanitize"),
                roots(GOOD, Bench.SHEET, Bench.CONTEXT.withInstruments(List.of(quat))));
        assertEquals(List.of(), roots(GOOD, Bench.SHEET, Bench.CONTEXT), "nobody has said");
    }

    @Test
    void anAllergenIsWashedOffOrSweptAsItsSheetSays() {
        MachineSheet soy = Bench.SHEET.withAllergens(List.of("soy"));
        Procedure clears = GOOD.clearing(List.of("soy"));
        assertEquals(List.of("STOP C25@null"), roots(clears, soy, Bench.CONTEXT), "nobody looks");
        Procedure swabbed =
                Bench.before("hands", "swab", new Action.Inspect(Bench.allParts(), true), clears);
        assertEquals(List.of(), roots(swabbed, soy, Bench.CONTEXT));
        List<orthopur.procedure.Step> dry = new ArrayList<>(swabbed.steps());
        dry.removeIf(s -> List.of("wash", "rinse", "sanitize").contains(s.id()));
        long twice =
                roots(swabbed.withSteps(dry), soy, Bench.CONTEXT).stream()
                        .filter(r -> r.contains("C25"))
                        .count();
        assertEquals(1, twice, "a sweep is no wet clean");
        MachineSheet validated =
                soy.withParts(
                        soy.parts().stream()
                                .map(
                                        p ->
                                                p.withSurfaces(
                                                        p.surfaces().stream()
                                                                .map(
                                                                        s ->
                                                                                s.withDryClean(
                                                                                        "vacuumed, swabbed"))
                                                                .toList()))
                                .toList());
        assertTrue(
                roots(swabbed.withSteps(dry), validated, Bench.CONTEXT).stream()
                        .noneMatch(r -> r.contains("C25")));
    }
}
