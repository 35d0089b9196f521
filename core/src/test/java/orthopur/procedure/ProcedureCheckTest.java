package orthopur.procedure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import orthopur.machine.MachineSheet;
import orthopur.machine.Passage;
import orthopur.machine.Problem;
import orthopur.quantity.Volume;
import orthopur.testbench.Bench;
import orthopur.testbench.Rig;

/** What a procedure names has to be there: each wrong name with its place. */
class ProcedureCheckTest {
    private static final MachineSheet SHEET =
            Rig.bench()
                    .option("scraper", "folds", "fixed", "flap")
                    .passage(
                            new Passage(
                                    "line",
                                    "Line",
                                    List.of("groove"),
                                    new Volume(1),
                                    null,
                                    null,
                                    null,
                                    List.of()))
                    .sheet();

    private static List<String> problems(Procedure p) {
        return ProcedureCheck.check(p, SHEET, Set.of("chlor", "soap")).stream()
                .map(Problem::pointer)
                .toList();
    }

    private static List<String> at(Action action) {
        Procedure p = Bench.before("record", "new", action, Bench.good());
        String place = "/steps/" + p.placeOf("new");
        return problems(p).stream().map(x -> x.replace(place, "")).toList();
    }

    @Test
    void theGoodOneNamesOnlyWhatIsThere() {
        assertEquals(List.of(), problems(Bench.good()));
        assertEquals(List.of(), at(new Action.ChaseOut(List.of("line"), new Volume(2), null)));
    }

    @Test
    void everyKindOfNameIsLookedUp() {
        assertEquals(List.of("/items/0"), at(new Action.Mark(List.of("no-part"))));
        assertEquals(List.of("/energies/0"), at(new Action.CoolDown(List.of("no-heat"))));
        assertEquals(List.of("/fittings/0"), at(new Action.Fit(List.of("no-rail"))));
        assertEquals(List.of("/checks/0"), at(new Action.FunctionTest(List.of("no-check"))));
        assertEquals(List.of("/chemical"), at(new Action.Coat(List.of("drum"), "no-oil")));
        assertEquals(
                List.of("/items/1", "/chemical"),
                at(
                        new Action.Soak(
                                List.of("seal", "no-part"),
                                new Solution("no-soap", null, null, null, null),
                                Duration.ofMinutes(1))));
    }

    @Test
    void onlyPartsMoveAndOnlyAsTheSheetSays() {
        assertEquals(List.of("/items/0"), at(new Action.Remove(List.of("drum"), null, null)));
        assertEquals(List.of("/items/0"), at(new Action.Shift(List.of("hopper"))));
        assertEquals(List.of("/items/0"), at(new Action.Install(List.of("groove"), null)));
    }

    @Test
    void conditionsAndScopeNameOptionsOfTheSheet() {
        Procedure p = Bench.when("aside", "scraper=gone", Bench.good());
        assertEquals(List.of("/steps/" + p.placeOf("aside") + "/when"), problems(p));
        assertEquals(List.of(), problems(Bench.when("aside", "scraper=folds", Bench.good())));
        assertEquals(
                List.of("/scope/scraper"),
                problems(Bench.scope(Map.of("scraper", List.of("folds", "gone")), Bench.good())));
        assertEquals(
                List.of("/scope/scraper"),
                problems(Bench.scope(Map.of("scraper", List.of()), Bench.good())));
        List<Problem> told =
                ProcedureCheck.check(
                        Bench.scope(Map.of("wheel", List.of("big")), Bench.good()),
                        SHEET,
                        Set.of("chlor", "soap"));
        assertTrue(told.getFirst().message().contains("wheel=big"), told.toString());
    }
}
