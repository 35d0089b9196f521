package orthopur.machine;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import orthopur.quantity.Volume;
import orthopur.testbench.Bench;
import orthopur.testbench.Records;
import orthopur.testbench.Rig;

class SheetCheckTest {
    private static List<String> pointers(Part... parts) {
        return SheetCheck.check(Bench.sheet(List.of(parts), List.of())).stream()
                .map(Problem::pointer)
                .toList();
    }

    @Test
    void theBenchSheetIsSound() {
        assertEquals(List.of(), SheetCheck.check(Bench.SHEET));
    }

    private static List<String> questions(MachineSheet sheet) {
        return SheetCheck.questions(sheet, Set.of("oil")).stream().map(Problem::pointer).toList();
    }

    /** Asked of a new version; an old sheet is read without. */
    @Test
    void aNewVersionAnswersWhatAnOldOneDidNotHaveTo() {
        MachineSheet bare = Bench.sheet(List.of(Bench.part("a").build()), List.of());
        MachineSheet slicer = bare.withFamily("disc slicer");
        assertEquals(List.of("/energies"), questions(slicer));
        assertEquals(List.of(), questions(slicer.withDrive(Drive.BY_HAND)));
        assertEquals(List.of("/drive"), questions(Bench.SHEET.withDrive(Drive.NONE)));
        Part part = bare.parts().getFirst();
        Surface clean =
                part.surfaces().getFirst().withZone(1).withEnd(EndState.CLEAN).withEndReason(null);
        Part oiled =
                part.withId("b")
                        .withAssembly(
                                new Assembly(
                                        List.of(),
                                        null,
                                        null,
                                        null,
                                        List.of(
                                                new Assembly.Lubrication(
                                                        "pivot",
                                                        false,
                                                        "grease",
                                                        Frequency.WEEKLY))));
        assertEquals(
                List.of(
                        "/parts/0/surfaces/0/endReason",
                        "/parts/1/name",
                        "/parts/1/assembly/lubrication/0/product"),
                questions(bare.withParts(List.of(part.withSurfaces(List.of(clean)), oiled))));
        assertEquals(List.of(), SheetCheck.check(slicer));
    }

    /** Names in what is due, worn and wrong are names of the sheet. */
    @Test
    void upkeepNamesWhatIsThere() {
        Interval counted =
                new Interval(null, null, null, null, List.of(), null, 5000, "portions", null, null);
        MachineSheet sheet =
                Bench.SHEET
                        .withUpkeep(
                                List.of(
                                        new Upkeep(
                                                "u",
                                                "U",
                                                counted,
                                                List.of("x"),
                                                null,
                                                true,
                                                false)))
                        .withKits(List.of(new Kit("k", "K", null, List.of("y"), null, 1, 14, null)))
                        .withNeighbors(List.of(Bench.SHEET.code()));
        assertEquals(
                List.of(
                        "/upkeep/0/parts/0",
                        "/upkeep/0/interval/counter",
                        "/kits/0/parts/0",
                        "/neighbors"),
                SheetCheck.check(sheet).stream().map(Problem::pointer).toList());
    }

    @Test
    void aCircleIsFoundAndNamed() {
        List<Problem> problems =
                SheetCheck.check(
                        Bench.sheet(
                                List.of(
                                        Bench.part("a").behind("b").build(),
                                        Bench.part("b").behind("c").build(),
                                        Bench.part("c").behind("a").build()),
                                List.of()));
        assertEquals(1, problems.size());
        assertTrue(problems.getFirst().message().contains("a behind b behind c behind a"));
    }

    @Test
    void namesThatMeanNothingAreFoundEach() {
        assertEquals(
                List.of("/parts/0/behind/0", "/parts/0/covers/0"),
                pointers(Bench.part("a").behind("x").covers("y").build()));
    }

    @Test
    void aSurfaceUnderACoverThatNeverMovesCanNeverBeReached() {
        assertEquals(
                List.of("/parts/0/covers/0"),
                pointers(Bench.part("a").fixed().covers("b-1").build(), Bench.part("b").build()));
    }

    @Test
    void idsStandOnceAndNothingIsBehindItself() {
        assertEquals(
                List.of("/parts/1/id", "/parts/1/surfaces/0/id", "/parts/0/behind/0"),
                pointers(Bench.part("a").behind("a").build(), Bench.part("a").build()));
    }

    /** A condition with a slip of the pen would take its part out of every judgement, unseen. */
    @Test
    void conditionsNameOptionsAndPassagesNameSurfaces() {
        MachineSheet sheet = Rig.bench().option("scraper", "folds", "fixed", "flap").sheet();
        assertEquals(List.of(), SheetCheck.check(sheet));
        Part flap = Records.with(sheet.parts().get(3), "when", "scraper=fold");
        List<Part> parts = new java.util.ArrayList<>(sheet.parts());
        parts.set(3, flap);
        parts.set(
                4,
                Records.with(
                        parts.get(4),
                        "assembly",
                        new Assembly(List.of("no-part"), null, null, "no-pair", List.of())));
        MachineSheet slips =
                Records.with(
                        Records.with(sheet, "parts", parts),
                        "passages",
                        List.of(
                                new Passage(
                                        "drum",
                                        "Line",
                                        List.of("groove", "no-surface"),
                                        new Volume(0),
                                        null,
                                        null,
                                        null,
                                        List.of())));
        List<String> found = SheetCheck.check(slips).stream().map(Problem::pointer).toList();
        assertEquals(
                List.of(
                        "/parts/3/when",
                        "/parts/4/assembly/after/0",
                        "/parts/4/assembly/pair",
                        "/passages/0/id",
                        "/passages/0/volume",
                        "/passages/0/surfaces/1"),
                found);
    }
}
