package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import orthopur.chemical.Chemical;
import orthopur.machine.Problem;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Ph;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;

/** What is written is read again as the same, and bad documents are told in full. */
class RoundTripTest {
    private static final Set<String> CHEMICALS =
            DemoSite.CHEMICALS.stream().map(Chemical::id).collect(Collectors.toSet());

    @Provide
    Arbitrary<Action> actions() {
        Arbitrary<List<String>> items =
                Arbitraries.of("blade", "carriage", "feet", "pusher")
                        .list()
                        .uniqueElements()
                        .ofMaxSize(3);
        Arbitrary<List<String>> parts =
                Arbitraries.of("carriage", "pusher").list().uniqueElements().ofMaxSize(2);
        Arbitrary<List<String>> energies =
                Arbitraries.of("cord", "blade-spin").list().uniqueElements().ofMaxSize(2);
        Arbitrary<Duration> times =
                Arbitraries.integers().between(1, 4000).map(Duration::ofSeconds);
        Arbitrary<Solution> solutions =
                Combinators.combine(
                                Arbitraries.of("halvern-h12", "sudmere-n").injectNull(0.3),
                                Arbitraries.doubles().between(0, 500).ofScale(2).injectNull(0.3),
                                Arbitraries.doubles().between(0, 90).ofScale(1).injectNull(0.3),
                                Arbitraries.doubles().between(0, 14).ofScale(1).injectNull(0.5))
                        .as(
                                (c, s, t, ph) ->
                                        new Solution(
                                                c,
                                                s == null
                                                        ? null
                                                        : s < 100 ? new Share(s) : new Strength(s),
                                                t == null ? null : new Temperature(t),
                                                ph == null ? null : new Ph(ph),
                                                t == null ? null : new Volume(t),
                                                ph == null ? null : "sink 1"));
        Arbitrary<Solution> water =
                Arbitraries.doubles()
                        .between(1, 60)
                        .ofScale(1)
                        .map(
                                t ->
                                        new Solution(
                                                null,
                                                null,
                                                new Temperature(t),
                                                null,
                                                new Volume(t)));
        Arbitrary<Action.Method> methods = Arbitraries.of(Action.Method.class).injectNull(0.3);
        return Arbitraries.oneOf(
                energies.map(Action.Isolate::new),
                energies.map(Action.Restore::new),
                Combinators.combine(Arbitraries.of(Action.Mode.class), energies, items)
                        .as(Action.Operate::new),
                Combinators.combine(
                                parts,
                                Arbitraries.integers().between(1, 9).injectNull(0.5),
                                Arbitraries.of("sink 1").injectNull(0.5))
                        .as(Action.Remove::new),
                Combinators.combine(items, solutions, methods)
                        .as((i, l, m) -> new Action.Wash(i, l, m)),
                Combinators.combine(items, solutions, times.injectNull(0.3)).as(Action.Soak::new),
                Combinators.combine(
                                items,
                                solutions,
                                methods,
                                Arbitraries.of("blue brush").injectNull(0.5),
                                Arbitraries.of("centre outward").injectNull(0.5))
                        .as(Action.Wash::new),
                Combinators.combine(
                                energies,
                                Arbitraries.integers().between(0, 4).injectNull(0.5),
                                Arbitraries.of("fuse out").injectNull(0.5))
                        .as(Action.Lock::new),
                Combinators.combine(
                                energies,
                                Arbitraries.of(new Temperature(49)).injectNull(0.5),
                                times.injectNull(0.3))
                        .as(Action.CoolDown::new),
                Combinators.combine(
                                parts,
                                Arbitraries.integers().between(1, 9).injectNull(0.5),
                                Arbitraries.of(true, false))
                        .as(Action.Index::new),
                Combinators.combine(
                                parts,
                                Arbitraries.integers().between(1, 9).injectNull(0.5),
                                Arbitraries.of("crosswise").injectNull(0.5))
                        .as(Action.Install::new),
                Combinators.combine(
                                items,
                                Arbitraries.of("sink 1").list().ofMaxSize(1),
                                Arbitraries.of(true, false))
                        .as(Action.DrawOff::new),
                items.map(i -> new Action.Lubricate(i, "sudmere-n")),
                items.map(i -> new Action.Coat(i, null)),
                items.map(i -> new Action.Sharpen(i, true)),
                items.map(i -> new Action.Store(i, "rack")),
                items.map(Action.Mark::new),
                items.map(Action.Replace::new),
                Combinators.combine(
                                items,
                                water,
                                methods,
                                Arbitraries.of(Action.EndPoint.class).injectNull(0.3))
                        .as(Action.Rinse::new),
                Combinators.combine(
                                items,
                                solutions,
                                methods,
                                times.injectNull(0.3),
                                Arbitraries.of(Action.Reading.class).set())
                        .as(Action.Sanitize::new),
                Combinators.combine(
                                items,
                                Arbitraries.of(Action.Drying.class).injectNull(0.3),
                                times.injectNull(0.3))
                        .as(Action.Dry::new),
                Combinators.combine(
                                Arbitraries.of(true, false),
                                Arbitraries.of(true, false),
                                Arbitraries.of(true, false))
                        .as(Action.Clear::new),
                Arbitraries.of(
                        new Action.WashHands(),
                        new Action.FunctionTest(),
                        new Action.Record(),
                        new Action.HoldPoint("quality")),
                Arbitraries.of("gauge-zero").list().ofSize(1).map(Action.Measure::new));
    }

    @Property(tries = 400)
    void aProcedureIsTheSameAfterWritingAndReading(@ForAll("actions") Action action) {
        Procedure p =
                DemoSite.procedure("qk-sl1-draft")
                        .withSteps(
                                List.of(
                                        new Step(
                                                "s1", action, "wörds 名", null, "caution", 2.5, 2)));
        String written = ProcedureFormat.write(ProcedureFormat.document(p));
        Procedure again =
                ProcedureFormat.read(ProcedureFormat.document(written), DemoSite.SLICER, CHEMICALS);
        assertEquals(p, again);
        assertEquals(written, ProcedureFormat.write(ProcedureFormat.document(again)));
    }

    @Test
    void theSheetIsTheSameBytesAfterExportImportExport() {
        String once = SheetFormat.write(DemoSite.SLICER);
        assertEquals(once, SheetFormat.write(SheetFormat.read(once)));
        assertEquals(DemoSite.text("machines/QK-SL1.json"), once);
    }

    @Test
    void fahrenheitAndOtherUnitsAreReadAtTheEdge() {
        String other =
                DemoSite.text("procedures/qk-sl1-end-of-shift.json")
                        .replaceFirst(
                                "\"value\" : 18\\.0,\\s*\"unit\" : \"°C\"",
                                "\"value\" : 64.4, \"unit\" : \"°F\"")
                        .replaceFirst(
                                "\"value\" : 100\\.0,\\s*\"unit\" : \"mg/L\"",
                                "\"value\" : 100, \"unit\" : \"ppm\"");
        Procedure p =
                ProcedureFormat.read(ProcedureFormat.document(other), DemoSite.SLICER, CHEMICALS);
        assertEquals(DemoSite.procedure("qk-sl1-end-of-shift"), p);
    }

    private static List<String> pointers(String text) {
        FormatError e =
                assertThrows(
                        FormatError.class,
                        () ->
                                ProcedureFormat.read(
                                        ProcedureFormat.document(text),
                                        DemoSite.SLICER,
                                        CHEMICALS));
        return e.problems().stream().map(Problem::pointer).toList();
    }

    @Test
    void everyErrorOfAProcedureComesWithItsPointer() {
        String good = DemoSite.text("procedures/qk-sl1-end-of-shift.json");
        assertEquals(
                List.of("/steps/8/items/0", "/steps/13/items/0"),
                pointers(good.replace("\"catch-tray\"", "\"no-such-tray\"")).subList(0, 2));
        assertTrue(
                pointers(good.replace("\"halvern-h12\"", "\"bleach\""))
                        .contains("/steps/24/chemical"));
        assertTrue(
                pointers(good.replace("\"id\" : \"zero\"", "\"id\" : \"fetch\""))
                        .contains("/steps/3/id"));
        assertTrue(
                pointers(
                                good.replace(
                                        "\"action\" : \"wash-hands\"",
                                        "\"action\" : \"wash-hands\", \"count\" : 2"))
                        .contains("/steps/23/count"));
        assertTrue(
                pointers(good.replaceFirst("\"value\" : 18\\.0", "\"value\" : 130"))
                        .contains("/steps/24/temperature"));
        assertTrue(pointers(good.replace("\"ph\" : 8.2", "\"ph\" : 15")).contains("/steps/24/ph"));
        assertTrue(
                pointers(good.replace("\"people\" : 1,\n  \"ppe\"", "\"people\" : 0,\n  \"ppe\""))
                        .contains("/people"));
    }

    @Test
    void twoKeysOfOneNameOrSomethingBehindTheEndAreNotGuessedAt() {
        assertThrows(FormatError.class, () -> Json.tree("{\"a\":1,\"a\":2}"));
        assertThrows(FormatError.class, () -> Json.tree("{\"a\":1} x"));
        assertThrows(FormatError.class, () -> Json.tree(""));
    }
}
