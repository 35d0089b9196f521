package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Ph;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Severity;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/** What a shallow model gets wrong, each on the demo slicer and its approved procedure. */
class HardCasesTest {
    private static final Procedure GOOD = DemoSite.procedure("qk-sl1-end-of-shift");

    private static Step step(String id) {
        return GOOD.steps().get(GOOD.placeOf(id));
    }

    private static Procedure with(String id, Action action) {
        return GOOD.apply(List.of(new Edit.Change(id, step(id).with(action))));
    }

    private static Procedure inserted(String before, Action action) {
        return GOOD.apply(
                List.of(
                        new Edit.InsertBefore(
                                before, new Step("new", action, "", null, null, 1, 1))));
    }

    private static List<String> but(List<String> items, String... without) {
        List<String> left = new ArrayList<>(items);
        left.removeAll(List.of(without));
        return left;
    }

    private static List<String> roots(Procedure p) {
        return DemoSite.verify(p).findings().stream()
                .filter(f -> f.under() == null)
                .map(f -> f.rule() + "@" + f.stepId())
                .toList();
    }

    private static Finding only(Procedure p, String rule) {
        return DemoSite.verify(p).findings().stream()
                .filter(f -> f.rule().equals(rule))
                .reduce(
                        (a, b) -> {
                            throw new AssertionError(rule + " twice");
                        })
                .orElseThrow();
    }

    @Test
    void coverTheRodsSeatStaysSoiledUnderItsWashers() {
        Action.Remove off = (Action.Remove) step("off-small").action();
        Action.Install on = (Action.Install) step("on-rest").action();
        Procedure p =
                with(
                                "off-small",
                                new Action.Remove(
                                        but(off.items(), "washer"), null, off.destination()))
                        .apply(
                                List.of(
                                        new Edit.Change(
                                                "on-rest",
                                                step("on-rest")
                                                        .with(
                                                                new Action.Install(
                                                                        but(on.items(), "washer"),
                                                                        null)))));
        Finding f = only(p, "C6");
        assertTrue(f.items().containsAll(List.of("rod-seat", "washer")), f.items().toString());
        assertTrue(f.message().startsWith("Thrust washer is not taken off"), f.message());
    }

    @Test
    void dirtyAgainTheGrooveIsBrushedAfterItWasSanitized() {
        Procedure p = inserted("fold-back", new Action.DryClean(List.of("drip-groove")));
        assertEquals(List.of("drip-groove"), only(p, "C1").items());
    }

    @Test
    void dirtyAgainWashedOnceMoreAndNotRinsed() {
        Solution soap = ((Action.Wash) step("wash-machine").action()).solution();
        Procedure p =
                inserted(
                        "hands-2",
                        new Action.Wash(List.of("gauge-face"), soap, Action.Method.CLOTH));
        assertTrue(only(p, "C1").message().contains("never rinsed"), only(p, "C1").message());
    }

    @Test
    void notStatedIsNotPassedWhateverIsLeftOut() {
        Action.Sanitize z = (Action.Sanitize) step("sanitize").action();
        Strength strong = new Strength(100);
        Temperature t = new Temperature(18);
        Ph ph = new Ph(7.4);
        Volume forty = new Volume(40);
        for (Solution s :
                List.of(
                        new Solution(null, strong, t, ph, forty),
                        new Solution("halvern-h12", null, t, ph, forty),
                        new Solution("halvern-h12", strong, null, ph, forty),
                        new Solution("halvern-h12", strong, t, null, forty))) {
            Procedure p =
                    with(
                            "sanitize",
                            new Action.Sanitize(
                                    z.items(), s, z.method(), z.contact(), z.readings()));
            assertEquals(List.of("S1@sanitize"), roots(p), s.toString());
        }
        assertEquals(
                List.of("S3@sanitize"),
                roots(
                        with(
                                "sanitize",
                                new Action.Sanitize(
                                        z.items(), z.solution(), z.method(), null, z.readings()))));
        assertEquals(
                List.of("S9@sanitize"),
                roots(
                        with(
                                "sanitize",
                                new Action.Sanitize(
                                        z.items(),
                                        z.solution(),
                                        z.method(),
                                        z.contact(),
                                        Set.of()))));
    }

    @Test
    void anotherChemicalHasItsOwnLimits() {
        Action.Sanitize z = (Action.Sanitize) step("sanitize").action();
        Solution cold =
                new Solution(
                        "palimar-q10",
                        new Strength(200),
                        new Temperature(18),
                        null,
                        new Volume(40));
        Finding f =
                only(
                        with(
                                "sanitize",
                                new Action.Sanitize(
                                        z.items(), cold, z.method(), z.contact(), z.readings())),
                        "S1");
        assertTrue(f.message().contains("24 °C"), f.message());
        Solution warm =
                new Solution(
                        "palimar-q10",
                        new Strength(240),
                        new Temperature(25),
                        null,
                        new Volume(40));
        assertEquals(
                List.of(),
                roots(
                        with(
                                "sanitize",
                                new Action.Sanitize(
                                        z.items(), warm, z.method(), z.contact(), z.readings()))));
    }

    @Test
    void countTwoWashersOffOneOn() {
        Action.Install on = (Action.Install) step("on-rest").action();
        Procedure p =
                with("on-rest", new Action.Install(but(on.items(), "washer"), null))
                        .apply(
                                List.of(
                                        new Edit.InsertBefore(
                                                "check",
                                                new Step(
                                                        "one",
                                                        new Action.Install(List.of("washer"), 1),
                                                        "",
                                                        null,
                                                        null,
                                                        1,
                                                        1))));
        assertEquals(List.of("T2@off-small", "T3@on-rest"), roots(p));
        assertEquals(Severity.STOP, only(p, "T2").severity());
    }

    @Test
    void dueTonightAWeeklySurfaceDoesNotFailAnEndOfShift() {
        MachineSheet weekly =
                SheetFormat.read(
                        DemoSite.text("machines/QK-SL1.json")
                                .replaceFirst(
                                        "(\"id\" : \"table-below\"[^}]*\"frequency\" : )\"end-of-shift\"",
                                        "$1\"weekly\""));
        Action.Wash wash = (Action.Wash) step("wash-below").action();
        Procedure p =
                with(
                        "wash-below",
                        new Action.Wash(List.of("feet"), wash.solution(), wash.method()));
        assertEquals(
                List.of("C1"), DemoSite.verify(p).findings().stream().map(Finding::rule).toList());
        Verdict v = Verifier.verify(p, weekly, DemoSite.CONTEXT);
        assertEquals(0, v.stops() + v.fixes());
        Procedure deep =
                new Procedure(
                        p.id(),
                        p.title(),
                        p.sheet(),
                        7,
                        p.ruleBook(),
                        Frequency.WEEKLY,
                        p.schools(),
                        1,
                        p.ppe(),
                        p.steps());
        // The table below, and the three oil points that are due weekly.
        assertEquals(4, Verifier.verify(deep, weekly, DemoSite.CONTEXT).fixes());
    }

    @Test
    void notToBeSanitizedTheSwitchPanelIsWipedAndThatIsEnough() {
        Verdict v = DemoSite.verify(GOOD);
        assertTrue(
                v.ribbon().surfaces().stream()
                        .filter(
                                t ->
                                        t.surfaces().stream()
                                                .anyMatch(s -> s.id().equals("switch-panel")))
                        .allMatch(
                                t ->
                                        t.end()
                                                && t.marks().stream()
                                                        .noneMatch(
                                                                m -> m.kind().equals("sanitize"))));
    }

    @Test
    void parallelTheSoakCostsNoTimeWhileTheMachineIsWashed() {
        Verdict v = DemoSite.verify(GOOD);
        assertTrue(v.totals().waitingMinutes() < 30, v.totals().toString());
        Action.Soak soak = (Action.Soak) step("soak").action();
        Procedure longer =
                with(
                        "soak",
                        new Action.Soak(soak.items(), soak.solution(), Duration.ofMinutes(40)));
        assertTrue(
                DemoSite.verify(longer).totals().waitingMinutes()
                        > v.totals().waitingMinutes() + 20);
    }

    @Test
    void aSecondPersonChangesWhatAPlugIsWorth() {
        Procedure two =
                new Procedure(
                        GOOD.id(),
                        GOOD.title(),
                        GOOD.sheet(),
                        7,
                        GOOD.ruleBook(),
                        GOOD.kind(),
                        GOOD.schools(),
                        2,
                        GOOD.ppe(),
                        GOOD.steps());
        assertEquals(1, DemoSite.verify(two).stops());
        assertTrue(only(two, "L1").because().contains("sole control"));
    }
}
