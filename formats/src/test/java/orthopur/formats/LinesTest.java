package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.drafting.Drafter;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Schools;
import orthopur.procedure.Step;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.verdict.Verifier;

/**
 * The tap lines: passages that nobody can look into, hoses that are fitted only to pump, clips of
 * which one always holds, a washer of the site. Each case is the approved procedure with one slip.
 */
class LinesTest {
    private static final MachineSheet LINES = DemoSite.sheet("QK-TL1");
    private static final Procedure GOOD = DemoSite.procedure("qk-tl1-line-clean");

    private static Step step(String id) {
        return GOOD.steps().stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow();
    }

    private static Procedure without(String... ids) {
        return GOOD.apply(Stream.of(ids).map(i -> (Edit) new Edit.Delete(i)).toList());
    }

    private static Procedure with(String id, Action action) {
        return GOOD.apply(List.of(new Edit.Change(id, step(id).with(action))));
    }

    /** A step typed as a line and put in front of another. */
    private static Procedure before(String id, String line) {
        Notation.ReadStep read = new Notation(LINES, DemoSite.CHEMICALS).step(line, "typed");
        assertEquals(List.of(), read.slips());
        ProcedureDocument d = ProcedureFormat.document(GOOD);
        List<StepDocument> steps = new ArrayList<>(d.steps());
        int place = 0;
        while (!steps.get(place).id().equals(id)) {
            place++;
        }
        steps.add(place, read.step());
        ProcedureDocument other =
                new ProcedureDocument(
                        d.id(),
                        d.title(),
                        d.sheet(),
                        d.sheetVersion(),
                        d.ruleBook(),
                        d.kind(),
                        d.schools(),
                        d.people(),
                        d.ppe(),
                        d.scope(),
                        d.clears(),
                        steps);
        return ProcedureFormat.read(other, LINES, DemoSite.CONTEXT.chemicals().keySet());
    }

    private static List<String> roots(Procedure p) {
        return roots(p, DemoSite.CONTEXT);
    }

    private static List<String> roots(Procedure p, Context context) {
        return Verifier.verify(p, LINES, context).findings().stream()
                .filter(f -> f.under() == null)
                .map(f -> f.rule() + "@" + f.stepId())
                .toList();
    }

    private static Action.Circulate pump() {
        return (Action.Circulate) step("violet").action();
    }

    private static Action.Circulate flowing(Action.Flow flow) {
        Action.Circulate a = pump();
        return new Action.Circulate(
                a.items(), a.solution(), a.dwell(), a.velocity(), flow, a.readings(), a.purged());
    }

    @Test
    void asApprovedNothingIsFound() {
        assertEquals(List.of(), roots(GOOD));
    }

    /** The other way than at the last service, where that is known; said in any case. */
    @ParameterizedTest
    @CsvSource({
        "FORWARD, FORWARD, 1",
        "FORWARD, REVERSE, 0",
        "REVERSE, REVERSE, 1",
        "ALTERNATE, FORWARD, 0",
        "ALTERNATE, REVERSE, 0",
        "FORWARD, , 0",
    })
    void theFlowIsTurnedRound(Action.Flow now, Action.Flow last, int told) {
        Context context =
                last == null
                        ? DemoSite.CONTEXT
                        : DemoSite.CONTEXT.withLastFlows(Map.of("lines-1-6", last));
        assertEquals(
                told == 0 ? List.of() : List.of("C16@violet"),
                roots(with("violet", flowing(now)), context));
    }

    @Test
    void aFlowThatIsNotSaidIsAdvisedOnceAndStopsNothing() {
        List<Finding> told =
                Verifier.verify(with("violet", flowing(null)), LINES, DemoSite.CONTEXT).findings();
        assertEquals(1, told.size());
        assertEquals("ADVISE", told.getFirst().severity().name());
    }

    /** Not read and not purged are two things that are missing: the second is not swallowed. */
    @Test
    void twoFaultsOfOneStepAreTwoFindings() {
        Procedure p = with("violet", pump().with(Set.of(Action.Reading.TEMPERATURE), List.of()));
        assertEquals(List.of("C24@violet", "C24@violet"), roots(p));
    }

    /** Hoses are on while the pump runs; on at the first product they are thrown off. */
    @Test
    void hosesStayOnForThePumpAndComeOffBeforeTheProduct() {
        assertEquals(List.of("T14@pump-on"), roots(without("bridge-off")));
        Procedure late =
                GOOD.apply(
                        List.of(new Edit.Move("bridge-off", "taste"), new Edit.Delete("violet")));
        assertTrue(
                roots(late).stream().anyMatch(r -> r.startsWith("T14@")), roots(late).toString());
        Procedure afterProduct = GOOD.apply(List.of(new Edit.Move("bridge-off", "ginger")));
        assertTrue(
                roots(afterProduct).stream().anyMatch(r -> r.startsWith("T14@")),
                roots(afterProduct).toString());
    }

    /** Clear water can still be caustic: the pH of what runs out is the only look inside. */
    @Test
    void thePhOfTheRinseIsTheInspectionOfAClosedLine() {
        Action.Rinse rinse = (Action.Rinse) step("tap-ph").action();
        Procedure bySight =
                with(
                        "tap-ph",
                        new Action.Rinse(
                                rinse.items(),
                                rinse.water(),
                                rinse.method(),
                                Action.EndPoint.CLEAR));
        assertTrue(roots(bySight).contains("C13@fill"), roots(bySight).toString());
        assertTrue(roots(bySight).contains("C19@tap-ph"), roots(bySight).toString());
    }

    /**
     * A rinse that proves nothing because nothing was washed: the pH of water that was only water.
     */
    @Test
    void thePhProvesNothingWhereNoCleanerWas() {
        List<String> told = roots(without("violet"));
        assertTrue(
                told.stream().anyMatch(r -> r.startsWith("C14") || r.startsWith("C2")),
                told::toString);
    }

    @Test
    void oneClipAlwaysHolds() {
        Procedure both =
                before(
                        "tray",
                        "Remove Left bundle clip; Right bundle clip, -> \"sink 2\", takes 1 min");
        assertTrue(roots(both).contains("T15@typed"), roots(both).toString());
        Procedure one = before("tray", "Remove Left bundle clip, -> \"sink 2\", takes 1 min");
        assertTrue(roots(one).stream().noneMatch(r -> r.startsWith("T15")), roots(one).toString());
    }

    /** Ware from a washer counts only where the washer is clean, complete and hot. */
    @ParameterizedTest
    @CsvSource({
        "68, 84, 120, strainers+wash arms, ",
        "65.9, 84, 120, strainers+wash arms, S8@washer",
        "66, 82, 35, strainers+wash arms, ",
        "68, 81.9, 120, strainers+wash arms, S8@washer",
        "68, 90.1, 120, strainers+wash arms, S8@washer",
        "68, 84, 34.9, strainers+wash arms, S14@washer",
        "68, 84, 200.1, strainers+wash arms, S14@washer",
        "68, 84, 120, strainers, C23@washer",
    })
    void theWasherIsHotCompleteAndNotAMist(
            double tank, double rinse, double pressure, String complete, String told) {
        StringBuilder line = new StringBuilder("Run program in \"hood washer\", Drip tray");
        line.append(", with Sudmere CA, 0.5 %, at ").append(tank).append(" °C, 40 L, for 3 min");
        line.append(", last rinse ").append(rinse).append(" °C, ").append(pressure).append(" kPa");
        for (String part : complete.split("\\+")) {
            line.append(", complete \"").append(part).append('"');
        }
        line.append(", reading temperature, takes 2 min");
        Procedure p = before("washer", line.toString()).apply(List.of(new Edit.Delete("washer")));
        List<String> expected = told == null ? List.of() : List.of(told.replace("washer", "typed"));
        assertEquals(expected, roots(p));
    }

    /** Twelve off, eleven on. */
    @Test
    void elevenOfTwelveTapsIsTold() {
        Procedure p =
                before("together", "Install Tap, 11 of them, takes 2 min")
                        .apply(
                                List.of(
                                        new Edit.Change(
                                                "together",
                                                step("together")
                                                        .with(
                                                                step("together")
                                                                        .action()
                                                                        .about(
                                                                                List.of(
                                                                                        "tap-washer",
                                                                                        "coupling"))))));
        assertTrue(roots(p).stream().anyMatch(r -> r.startsWith("T2@")), roots(p).toString());
    }

    /** A draft cleans what never opens by what flows through it, and leaves both clips on. */
    @Test
    void theDraftSendsCleanerWhereNoHandComes() {
        for (boolean inPlace : new boolean[] {false, true}) {
            Procedure p =
                    Drafter.draft(
                            LINES,
                            new Drafter.Request(
                                    "d",
                                    "D",
                                    Frequency.WEEKLY,
                                    new Schools(false, inPlace),
                                    Map.of()),
                            DemoSite.CONTEXT);
            assertTrue(
                    p.steps().stream()
                            .noneMatch(
                                    s ->
                                            s.action() instanceof Action.Remove
                                                    && s.action().items().stream()
                                                            .anyMatch(
                                                                    i -> i.startsWith("bundle"))));
            assertTrue(
                    p.steps().stream()
                            .filter(s -> s.action() instanceof Action.DryClean)
                            .noneMatch(s -> s.action().items().contains("bores-a")));
            assertTrue(
                    p.steps().stream()
                            .anyMatch(
                                    s ->
                                            s.action() instanceof Action.Rinse r
                                                    && r.endPoint() == Action.EndPoint.TAP_PH));
        }
    }

    /** What no hand can reach is allowed only where something flows through it. */
    @Test
    void aWallThatNothingReachesIsNoSheet() {
        String sheet = SheetFormat.write(LINES);
        FormatError e =
                assertThrows(
                        FormatError.class,
                        () ->
                                SheetFormat.read(
                                        sheet.replaceFirst(
                                                "\"surfaces\" : \\[\\s*\"bores-a\",",
                                                "\"surfaces\" : [")));
        assertEquals("/parts/1/covers/0", e.problems().getFirst().pointer());
        assertTrue(e.problems().getFirst().message().contains("nobody can ever reach it"));
    }

    /** Cut short, the caustic was there and did nothing that its label promises. */
    @Test
    void fifteenMinutesAreTheLabels() {
        Action.Circulate a = pump();
        Action.Circulate brief =
                new Action.Circulate(
                        a.items(),
                        a.solution(),
                        Duration.ofMinutes(9),
                        a.velocity(),
                        a.flow(),
                        a.readings(),
                        a.purged());
        assertTrue(
                roots(with("violet", brief)).stream()
                        .anyMatch(r -> r.equals("S15@violet") || r.equals("C21@violet")),
                roots(with("violet", brief)).toString());
    }
}
