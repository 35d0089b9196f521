package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.machine.SiteFit;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Schools;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Share;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Severity;
import orthopur.verdict.Mending;
import orthopur.verdict.Verdict;

/** What a shallow model gets wrong, each on the machine that shows it. */
class MachineCasesTest {
    private static final Procedure DISPENSER = DemoSite.procedure("qk-ds1-daily");
    private static final Procedure FILLER = DemoSite.procedure("qk-fl1-daily");
    private static final Procedure OVEN = DemoSite.procedure("qk-ov1-daily");
    private static final Procedure SAW = DemoSite.procedure("qk-sw1-daily");

    private static Step step(Procedure p, String id) {
        return p.steps().get(p.placeOf(id));
    }

    private static Procedure change(Procedure p, String id, Action action) {
        return p.apply(List.of(new Edit.Change(id, step(p, id).with(action))));
    }

    private static Procedure insert(Procedure p, String before, String id, Action action) {
        Step s = new Step(id, action, "", null, "Mind your fingers.", 1, 1);
        return p.apply(List.of(new Edit.InsertBefore(before, s)));
    }

    private static List<String> roots(Procedure p) {
        return DemoSite.verify(p).findings().stream()
                .filter(f -> f.under() == null)
                .map(f -> f.rule() + "@" + f.stepId())
                .toList();
    }

    private static Finding first(Procedure p, String rule) {
        return DemoSite.verify(p).findings().stream()
                .filter(f -> f.rule().equals(rule))
                .findFirst()
                .orElseThrow(() -> new AssertionError(rule + " not in " + roots(p)));
    }

    private static Procedure schools(Procedure p, boolean assembledFirst) {
        return new Procedure(
                p.id(),
                p.title(),
                p.sheet(),
                p.sheetVersion(),
                p.ruleBook(),
                p.kind(),
                new Schools(false, assembledFirst),
                p.people(),
                p.ppe(),
                p.scope(),
                p.steps());
    }

    @Test
    void vesselsTheSanitizerIsPouredOntoTheWashWaterOfTheSink() {
        Action.Sanitize lids = (Action.Sanitize) step(DISPENSER, "o-lids").action();
        Solution x = lids.solution();
        Solution inSink =
                new Solution(
                        x.chemical(), x.strength(), x.temperature(), x.ph(), x.volume(), "sink 1");
        Procedure p =
                change(
                        DISPENSER,
                        "o-lids",
                        new Action.Sanitize(
                                lids.items(),
                                inSink,
                                Action.Method.IMMERSE,
                                lids.contact(),
                                lids.readings()));
        assertEquals(List.of("S13@o-lids"), roots(p));
        Finding f = first(p, "S13");
        assertTrue(f.message().contains("sink 1, which still holds Sudmere N"), f.message());
        assertEquals(List.of(), roots(p.apply(f.remedies().getFirst().edits())));
    }

    @Test
    void vesselsAcidIntoTheTubThatHeldChlorine() {
        Action out = new Action.DrawOff(List.of(), List.of("tub"), true);
        Solution chlorine =
                new Solution(
                        "halvern-h12",
                        new orthopur.quantity.Strength(100),
                        new Temperature(20),
                        new orthopur.quantity.Ph(7),
                        new Volume(10),
                        "tub");
        Action dip =
                new Action.Sanitize(
                        List.of("hopper"),
                        chlorine,
                        Action.Method.IMMERSE,
                        Duration.ofSeconds(60),
                        Set.of(Action.Reading.STRENGTH, Action.Reading.TEMPERATURE));
        Action descale =
                new Action.Soak(
                        List.of("pin"),
                        new Solution(
                                "karstol-a",
                                new Share(2),
                                new Temperature(40),
                                null,
                                new Volume(10),
                                "tub"),
                        Duration.ofMinutes(20));
        Procedure p = insert(FILLER, "rack", "tub-out", out);
        p = insert(p, "rack", "dip", dip);
        p = insert(p, "rack", "descale", descale);
        Finding f = first(p, "S4");
        assertEquals("descale", f.stepId());
        assertEquals(Severity.STOP, f.severity());
        assertTrue(f.message().contains("chlorine gas"), f.message());
    }

    @Test
    void countAndPositionTenHeadsAtOneIndexPosition() {
        Action.Index turn = (Action.Index) step(FILLER, "turn").action();
        assertEquals(
                List.of("T12@ten-off"),
                roots(change(FILLER, "turn", new Action.Index(turn.items(), 9, false))));
        Finding f = first(DemoSite.procedure("qk-fl1-draft"), "T2");
        assertTrue(f.message().contains("9 of 10 go back on"), f.message());
    }

    @Test
    void schoolBIsRightHereAndWrongUnderSchoolA() {
        assertEquals(List.of(), roots(DISPENSER));
        List<String> wrong =
                DemoSite.verify(schools(DISPENSER, false)).findings().stream()
                        .map(Finding::rule)
                        .distinct()
                        .toList();
        assertTrue(wrong.contains("C12"), wrong.toString());
        // And what is right under school A stays right under B only if it is filled and chased out.
        assertEquals(List.of(), roots(schools(SAW, true)));
    }

    @Test
    void cleanModeIsLiveAgainAfterwards() {
        Procedure p = insert(FILLER, "table", "clear-1", new Action.Clear(true, true, false));
        p =
                insert(
                        p,
                        "table",
                        "spin",
                        new Action.Operate(
                                Action.Mode.CLEAN_MODE, List.of("turntable-drive"), List.of()));
        Finding f = first(p, "L6");
        assertEquals("table", f.stepId());
        assertTrue(f.message().contains("Step 20 had run it"), f.message());
        assertEquals(List.of(), roots(p.apply(f.remedies().getFirst().edits())));
    }

    @Test
    void sheetInConflictAluminiumAndOnlyChlorinatedAlkaline() {
        MachineSheet slicer = DemoSite.sheet("QK-SL1");
        List<Chemical> poor =
                DemoSite.CHEMICALS.stream()
                        .filter(
                                c ->
                                        c.kind().sanitizes()
                                                || c.kind() == ChemicalKind.CHLORINATED_ALKALINE)
                        .toList();
        List<Problem> problems = SiteFit.check(slicer, poor);
        assertTrue(
                problems.stream()
                        .anyMatch(
                                p ->
                                        p.message().contains("anodized aluminum")
                                                && p.message()
                                                        .contains(
                                                                "Sudmere CA (caustic dissolves"
                                                                        + " aluminum")),
                problems.toString());
        assertFalse(
                problems.stream().anyMatch(p -> p.message().contains("hardened steel")),
                "steel bears it");
        assertEquals(List.of(), SiteFit.check(slicer, DemoSite.CHEMICALS));
    }

    @Test
    void heatACoolingCurveIsNoWish() {
        Action.CoolDown cool = (Action.CoolDown) step(OVEN, "cool").action();
        // 156 ÷ 25 at 0.03 a minute: 61.03 minutes from the stop. That plans the night; a wait
        // that nobody followed with a reading opens nothing.
        Procedure early =
                change(
                        OVEN,
                        "cool",
                        new Action.CoolDown(cool.energies(), null, Duration.ofMinutes(90)));
        assertEquals("front", first(early, "L8").stepId());
        assertEquals(
                List.of(),
                roots(
                        change(
                                OVEN,
                                "cool",
                                new Action.CoolDown(
                                        cool.energies(),
                                        new orthopur.quantity.Temperature(49),
                                        Duration.ofMinutes(62)))));
        assertEquals(
                "front",
                first(change(OVEN, "cool", new Action.CoolDown(cool.energies())), "L8").stepId());
    }

    @Test
    void notToBeSanitizedABeltThatBakesItselfClean() {
        Verdict v = DemoSite.verify(OVEN);
        assertEquals(0, v.stops() + v.fixes());
        assertTrue(
                OVEN.steps().stream().noneMatch(s -> s.action() instanceof Action.Sanitize),
                "nothing is sanitized in an oven");
    }

    @Test
    void optionsAGasValveThatOnlyOneOvenHas() {
        assertEquals(2, DemoSite.verify(OVEN).configurations().size());
        Action.Isolate cut = (Action.Isolate) step(OVEN, "cut").action();
        Procedure forgot =
                change(
                        OVEN,
                        "cut",
                        new Action.Isolate(
                                cut.energies().stream().filter(e -> !e.equals("gas")).toList()));
        Verdict v = DemoSite.verify(forgot);
        assertEquals(0, v.configurations().getFirst().stops());
        assertEquals("heating: gas", v.configurations().get(1).shown());
        assertTrue(v.configurations().get(1).stops() > 0);
        assertTrue(v.findings().getFirst().message().endsWith("(With heating: gas.)"));
    }

    @Test
    void splitRoundDriedAtNightAndAssembledInTheMorning() {
        List<String> late = roots(DISPENSER.apply(List.of(new Edit.Delete("o-hands"))));
        // The gloves of the night would carry its soil to the lids that are sanitized by then.
        assertEquals(List.of("C4@o-hopper"), late);
        Procedure unseen = DISPENSER.apply(List.of(new Edit.Delete("c-look")));
        assertTrue(
                roots(unseen).stream().anyMatch(r -> r.startsWith("T7@o-")),
                roots(unseen).toString());
    }

    @Test
    void underTheCoverCountsWhatWasDoneBeforeTheRingWentOn() {
        Action.Wash parts = (Action.Wash) step(DISPENSER, "c-parts").action();
        Procedure p =
                change(
                        DISPENSER,
                        "c-parts",
                        parts.about(
                                parts.items().stream().filter(i -> !i.equals("pump")).toList()));
        assertTrue(
                DemoSite.verify(p).findings().stream()
                        .anyMatch(f -> f.rule().equals("C1") && f.items().contains("pump-groove")),
                roots(p).toString());
    }

    @Test
    void twoProductDoorEachSideIsChasedOutWithItsOwn() {
        Action.ChaseOut b = (Action.ChaseOut) step(DISPENSER, "o-chase-b").action();
        Procedure swapped =
                change(
                        DISPENSER,
                        "o-chase-b",
                        new Action.ChaseOut(b.items(), b.volume(), "horchata"));
        assertEquals(List.of("C17@o-chase-b"), roots(swapped));
        Procedure short1 =
                change(
                        DISPENSER,
                        "o-chase-b",
                        new Action.ChaseOut(b.items(), new Volume(1.19), b.product()));
        assertEquals(List.of("C15@o-chase-b"), roots(short1));
        Procedure sealLost =
                change(
                        DISPENSER,
                        "o-door",
                        new Action.Install(
                                List.of("door-gasket", "bleed-valve", "front-door", "tap-valve"),
                                null,
                                "crosswise, finger-tight"));
        // Its seat was cleaned, but without the seal on it nothing says that it is sanitized.
        assertEquals(List.of("T2@c-door", "C1@null"), roots(sealLost));
    }

    @Test
    void mendingAllIsTheSameTwiceAndOnceIsEnough() {
        Procedure draft = DemoSite.procedure("qk-sw1-draft");
        Mending.Mended once = Mending.all(draft, DemoSite.sheet("QK-SW1"), DemoSite.CONTEXT);
        Mending.Mended again = Mending.all(draft, DemoSite.sheet("QK-SW1"), DemoSite.CONTEXT);
        assertEquals(once.taken(), again.taken());
        assertEquals(draft.apply(once.edits()).steps(), once.procedure().steps());
        Mending.Mended more =
                Mending.all(once.procedure(), DemoSite.sheet("QK-SW1"), DemoSite.CONTEXT);
        assertEquals(List.of(), more.taken());
        // What is left is for a person: which second measure, brush, film and strength.
        assertEquals(
                Set.of("L16", "C18", "C20", "T8", "T9", "S9"),
                Set.copyOf(
                        once.verdict().findings().stream()
                                .filter(f -> f.under() == null)
                                .map(Finding::rule)
                                .toList()));
    }

    @Test
    void aScopeThatIsTooWideIsUndecided() {
        MachineSheet slicer = DemoSite.sheet("QK-SL1");
        Procedure end = DemoSite.procedure("qk-sl1-end-of-shift");
        Procedure wide =
                new Procedure(
                        end.id(),
                        end.title(),
                        end.sheet(),
                        end.sheetVersion(),
                        end.ruleBook(),
                        end.kind(),
                        end.schools(),
                        end.people(),
                        end.ppe(),
                        Map.of(
                                "scraper", List.of("folds", "comes-off", "none"),
                                "sharpener", List.of("set-on", "built-in")),
                        end.steps());
        Verdict v = orthopur.verdict.Verifier.verify(wide, slicer, DemoSite.CONTEXT);
        assertEquals(6, v.configurations().size());
        assertTrue(
                v.findings().stream().anyMatch(f -> f.message().contains("scraper: comes off")),
                "the bar covers the back of the blade");
    }
}
