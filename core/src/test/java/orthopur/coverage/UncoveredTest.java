package orthopur.coverage;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.machine.Assembly;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.testbench.Bench;
import orthopur.testbench.Rig;

/** F2: what has a frequency on the sheet and no procedure of a kind in which it is due. */
class UncoveredTest {
    private static List<String> items(MachineSheet sheet, Procedure... all) {
        return Uncovered.of(sheet, List.of(all)).stream().map(Uncovered::item).toList();
    }

    @Test
    void theGoodProcedureCoversAllOfIt() {
        assertEquals(List.of(), items(Bench.SHEET, Bench.good()));
    }

    @Test
    void withoutAProcedureNothingIsCovered() {
        assertEquals(
                Bench.SHEET.parts().stream().mapToInt(p -> p.surfaces().size()).sum(),
                items(Bench.SHEET).size());
    }

    /** Washed in a procedure that is not deep enough it is not covered. */
    @Test
    void aProcedureOfTheWrongKindDoesNotCount() {
        Rig weekly = Rig.bench().frequency("drum-back", Frequency.WEEKLY);
        assertEquals(List.of("drum-back"), items(weekly.sheet(), Bench.good()));
        assertEquals(List.of(), items(weekly.sheet(), Bench.kind(Frequency.WEEKLY, Bench.good())));
    }

    @Test
    void whatIsForgottenInTheWashIsNamed() {
        Procedure less =
                Bench.with(
                        "wash",
                        Bench.step(Bench.good(), "wash")
                                .action()
                                .about(List.of("frame", "hopper", "drum-1")));
        assertEquals(
                List.of("drum-back", "flap-1", "spring-1", "seal-1", "groove", "guard-1"),
                items(Bench.SHEET, less));
    }

    @Test
    void aPointThatNobodyOilsIsNamedAndOneThatStaysDryIsNot() {
        Assembly oil =
                new Assembly(
                        List.of(),
                        null,
                        null,
                        null,
                        List.of(
                                new Assembly.Lubrication("rim", false, "oil", Frequency.DAILY),
                                new Assembly.Lubrication("face", true, null, Frequency.DAILY)));
        MachineSheet sheet = Rig.bench().assembly("seal", oil).sheet();
        List<Uncovered> none = Uncovered.of(sheet, List.of(Bench.good()));
        assertEquals(1, none.size());
        assertEquals(
                "seal is to be lubricated daily, and no approved procedure does it.",
                none.getFirst().said().toString());
        Procedure oiled =
                Bench.before(
                        "on", "oil", new Action.Lubricate(List.of("seal"), "oil"), Bench.good());
        assertEquals(List.of(), items(sheet, oiled));
    }
}
