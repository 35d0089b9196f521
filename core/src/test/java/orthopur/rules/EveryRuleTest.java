package orthopur.rules;

import static java.util.stream.Collectors.toList;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.machine.Assembly;
import orthopur.machine.Assembly.Lubrication;
import orthopur.machine.EndState;
import orthopur.machine.Fitting;
import orthopur.machine.Frequency;
import orthopur.machine.Handling;
import orthopur.machine.Hazard;
import orthopur.machine.Heat;
import orthopur.machine.Limit;
import orthopur.machine.MachineSheet;
import orthopur.machine.Passage;
import orthopur.machine.Program;
import orthopur.machine.Vessel;
import orthopur.machine.Washer;
import orthopur.machine.WasherType;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.quantity.Mass;
import orthopur.quantity.Ph;
import orthopur.quantity.Pressure;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Severity;
import orthopur.testbench.Bench;
import orthopur.testbench.Rig;
import orthopur.verdict.Verifier;

/**
 * Every rule beyond the first: on a small machine one procedure that breaks it – the right rule, at
 * the right step, with its severity – and one that just keeps it.
 */
class EveryRuleTest {
    private static final List<String> DRUM = List.of("drum");
    private static final Action.Method CLOTH = Action.Method.CLOTH;

    private record Case(
            String broken, String severity, Procedure breaks, Procedure keeps, Rig rig) {}

    private final List<Case> cases = new ArrayList<>();

    /**
     * @param broken rule and step as "L7@lock"
     */
    private void rule(Rig rig, String broken, String severity, Procedure breaks, Procedure keeps) {
        cases.add(new Case(broken, severity, breaks, keeps, rig));
    }

    @TestFactory
    List<DynamicTest> eachIsBrokenOnceAndKeptOnce() {
        lockout();
        teardown();
        cleanChain();
        passages();
        chemistry();
        washers();
        return cases.stream()
                .map(c -> DynamicTest.dynamicTest(c.broken() + " " + c.severity(), () -> check(c)))
                .toList();
    }

    private static void check(Case c) {
        String rule = c.broken().substring(0, c.broken().indexOf('@'));
        String step = c.broken().substring(c.broken().indexOf('@') + 1);
        List<Finding> found = c.rig().findings(c.breaks());
        Finding f =
                found.stream()
                        .filter(
                                x ->
                                        x.rule().equals(rule)
                                                && step.equals(
                                                        x.stepId() == null ? "end" : x.stepId()))
                        .findFirst()
                        .orElseThrow(() -> new AssertionError(c.broken() + " not in " + found));
        assertEquals(Severity.valueOf(c.severity()), f.severity(), f.message());
        assertFalse(f.because().isBlank());
        assertTrue(
                c.rig().findings(c.keeps()).stream().noneMatch(x -> x.rule().equals(rule)),
                () -> "kept: " + c.rig().findings(c.keeps()));
        f.remedies().forEach(r -> c.rig().findings(c.breaks().apply(r.edits())));
    }

    private void lockout() {
        Rig plain = Rig.bench();
        Procedure unsaid = Bench.people(2, Bench.good());
        Procedure two =
                Bench.change(
                        unsaid, "unlock", new Action.Unlock(List.of("motor"), "each owner", true));
        rule(
                plain,
                "L7@unlock",
                "FIX",
                Bench.change(unsaid, "lock", new Action.Lock(List.of("motor"), 2, null)),
                Bench.change(two, "lock", new Action.Lock(List.of("motor"), 2, null)));
        rule(
                plain,
                "L7@lock",
                "STOP",
                two,
                Bench.change(two, "lock", new Action.Lock(List.of("motor"), 2, null)));

        Rig tag = plain.energy("motor", e -> Bench.tagOnly(e));
        rule(
                tag,
                "L2@lock",
                "STOP",
                Bench.good(),
                Bench.with("lock", new Action.Lock(List.of("motor"), null, "fuse taken out")));

        Procedure run =
                Bench.before(
                        "scrape",
                        "run",
                        new Action.Operate(Action.Mode.CLEAN_MODE, List.of("motor"), List.of()),
                        Bench.before(
                                "scrape",
                                "clear-1",
                                new Action.Clear(true, true, false),
                                Bench.good()));
        Rig keyed = plain.cleanMode();
        rule(plain, "L6@run", "STOP", run, Bench.good());
        rule(keyed, "L6@scrape", "STOP", run, Bench.safeAgain(run, "scrape"));
        rule(keyed, "L5@run", "STOP", Bench.without(run, "clear-1"), run);
        rule(
                plain,
                "L6@closed",
                "STOP",
                Bench.before(
                        "scrape",
                        "closed",
                        new Action.Operate(Action.Mode.RUN, List.of("motor"), List.of()),
                        Bench.before(
                                "scrape",
                                "clear-1",
                                new Action.Clear(true, true, false),
                                Bench.good())),
                Bench.good());

        Rig hot = plain.heat("drum", new Heat(new Temperature(180), 0.05));
        rule(
                hot,
                "L8@aside",
                "STOP",
                Bench.good(),
                Bench.before(
                        "aside",
                        "cool",
                        new Action.CoolDown(List.of("oven"), new Temperature(49), null),
                        Bench.good()));
        rule(
                hot,
                "L8@aside",
                "STOP",
                Bench.before(
                        "aside",
                        "cool",
                        new Action.CoolDown(List.of("oven"), new Temperature(49.1), null),
                        Bench.good()),
                Bench.before(
                        "aside",
                        "cool",
                        new Action.CoolDown(
                                List.of("oven"), new Temperature(48.9), Duration.ofMinutes(30)),
                        Bench.good()));
        // 169 ÷ 38 by 0.05 a minute in a room of 11 °C: 29.85 minutes. But a wait opens nothing.
        rule(
                hot,
                "L8@aside",
                "STOP",
                Bench.before(
                        "aside",
                        "cool",
                        new Action.CoolDown(List.of("oven"), null, Duration.ofMinutes(60)),
                        Bench.good()),
                Bench.before(
                        "aside",
                        "cool",
                        new Action.CoolDown(List.of("oven"), new Temperature(49), null),
                        Bench.good()));
        rule(
                hot,
                "L8@aside",
                "FIX",
                Bench.ppe("heat gloves", Bench.good()),
                Bench.before(
                        "aside",
                        "cool",
                        new Action.CoolDown(List.of("oven"), new Temperature(49), null),
                        Bench.good()));

        Rig sharp = plain.hazard("hopper", Hazard.EDGE);
        rule(
                sharp,
                "L9@off-1",
                "FIX",
                Bench.good(),
                Bench.ppe("cut-resistant gloves", Bench.good()));
        Rig disc = plain.wipe("drum-1", "centre outward");
        Action.Wash across =
                new Action.Wash(
                        Bench.allParts(), Bench.soap(), Action.Method.BRUSH, null, "across");
        rule(
                disc,
                "L9@wash",
                "FIX",
                Bench.with("wash", across),
                Bench.with(
                        "wash",
                        new Action.Wash(
                                across.items(),
                                across.solution(),
                                across.method(),
                                null,
                                "centre outward")));

        Rig heavy =
                plain.handling(
                        "hopper", new Handling(new Mass(23.1), null, List.of(), null, null, false));
        rule(
                heavy,
                "L10@off-1",
                "FIX",
                Bench.good(),
                Bench.stepPeople("on", 2, Bench.stepPeople("off-1", 2, two)));
        Rig just =
                plain.handling(
                        "hopper", new Handling(new Mass(23), null, List.of(), null, null, false));
        assertEquals(List.of(), just.findings(Bench.good()));

        Rig slicer = plain.family("disc slicer").youngest(17);
        assertTrue(slicer.findings(Bench.good()).stream().anyMatch(f -> f.rule().equals("L11")));
        assertTrue(slicer.youngest(18).findings(Bench.good()).isEmpty());

        Rig goggles = plain.chemical(Bench.ppeOf(Bench.CHLORINE, "goggles"));
        rule(goggles, "L12@sanitize", "STOP", Bench.good(), Bench.ppe("goggles", Bench.good()));
        Rig soap = plain.chemical(Bench.ppeOf(Bench.DETERGENT, "goggles"));
        rule(soap, "L12@wash", "FIX", Bench.good(), Bench.ppe("goggles", Bench.good()));

        Rig pinch = plain.hazard("flap", Hazard.PINCH);
        rule(
                pinch,
                "L13@aside",
                "FIX",
                Bench.good(),
                Bench.caution("back", Bench.caution("aside", Bench.good())));
        Rig high =
                plain.handling(
                        "hopper",
                        new Handling(null, null, List.of("step ladder"), null, null, false));
        rule(
                high,
                "L14@off-1",
                "FIX",
                Bench.good(),
                Bench.before(
                        "stop",
                        "fetch",
                        new Action.Prepare(List.of("the step ladder")),
                        Bench.good()));
    }

    private void teardown() {
        Rig plain = Rig.bench();
        rule(
                plain,
                "T3@on",
                "FIX",
                Bench.with(
                        "on",
                        new Action.Install(List.of("hopper", "spring", "seal", "guard"), null)),
                Bench.good());
        Rig own =
                plain.assembly("seal", new Assembly(List.of("guard"), null, null, null, List.of()));
        rule(
                own,
                "T3@on",
                "FIX",
                Bench.good(),
                Bench.with(
                        "on",
                        new Action.Install(List.of("spring", "hopper", "guard", "seal"), null)));

        Rig small = plain.handling("seal", new Handling(null, null, List.of(), null, null, true));
        rule(
                small,
                "T4@off-2",
                "FIX",
                Bench.good(),
                Bench.with(
                        "off-2",
                        new Action.Remove(List.of("spring", "seal"), null, "small-parts bath")));
        Rig marked = plain.mark("seal", "A to the left");
        rule(
                marked,
                "T5@off-2",
                "FIX",
                Bench.good(),
                Bench.before("off-2", "mark", new Action.Mark(List.of("seal")), Bench.good()));
        Rig wrench =
                plain.handling(
                        "spring",
                        new Handling(null, null, List.of("13 mm wrench"), null, null, false));
        rule(
                wrench,
                "T6@off-2",
                "FIX",
                Bench.good(),
                Bench.before(
                        "stop",
                        "fetch",
                        new Action.Prepare(List.of("13 mm wrench")),
                        Bench.good()));
        Rig wear =
                plain.assembly(
                        "seal",
                        new Assembly(List.of(), null, "no cut, no flat side", null, List.of()));
        Action.Inspect but =
                new Action.Inspect(
                        List.of("frame", "hopper", "drum", "flap", "spring", "shaft", "guard"));
        rule(wear, "T7@on", "FIX", Bench.with("inspect", but), Bench.good());
        Rig pair = plain.assembly("spring", new Assembly(List.of(), null, null, "seal", List.of()));
        Procedure spares =
                Bench.before(
                        "stop",
                        "fetch",
                        new Action.Prepare(List.of("spare spring, spare seal")),
                        Bench.good());
        rule(
                pair,
                "T7@new",
                "FIX",
                Bench.before("back", "new", new Action.Replace(List.of("spring")), spares),
                Bench.before("back", "new", new Action.Replace(List.of("spring", "seal")), spares));
        rule(
                plain,
                "T16@new",
                "FIX",
                Bench.before("back", "new", new Action.Replace(List.of("seal")), Bench.good()),
                Bench.before("back", "new", new Action.Replace(List.of("seal")), spares));

        Rig dry =
                plain.assembly(
                                "seal",
                                new Assembly(
                                        List.of(),
                                        null,
                                        null,
                                        null,
                                        List.of(
                                                new Lubrication(
                                                        "outer face",
                                                        true,
                                                        null,
                                                        Frequency.DAILY))))
                        .chemical(Bench.grease(Chemical.FoodGrade.INCIDENTAL));
        rule(
                dry,
                "T8@grease",
                "STOP",
                Bench.before(
                        "back",
                        "grease",
                        new Action.Lubricate(List.of("seal"), "grease"),
                        Bench.good()),
                Bench.good());
        Rig greased =
                plain.assembly(
                                "shaft",
                                new Assembly(
                                        List.of(),
                                        null,
                                        null,
                                        null,
                                        List.of(
                                                new Lubrication(
                                                        "bearing",
                                                        false,
                                                        "grease",
                                                        Frequency.WEEKLY))))
                        .chemical(Bench.grease(null));
        Procedure weekly = Bench.kind(Frequency.WEEKLY, Bench.good());
        Procedure oiled =
                Bench.before(
                        "back", "grease", new Action.Lubricate(List.of("shaft"), "grease"), weekly);
        rule(greased, "T8@end", "FIX", weekly, Bench.good());
        rule(greased, "T8@grease", "STOP", oiled, Bench.good());
        Rig film = plain.chemical(Bench.grease(Chemical.FoodGrade.INCIDENTAL));
        rule(
                film,
                "T8@film",
                "STOP",
                Bench.before("back", "film", new Action.Coat(DRUM, "grease"), Bench.good()),
                Bench.good());
        rule(plain, "T9@end", "FIX", Bench.without("measure"), Bench.good());
        Rig crosswise =
                plain.assembly(
                        "guard", new Assembly(List.of(), "crosswise", null, null, List.of()));
        rule(
                crosswise,
                "T10@on",
                "FIX",
                Bench.good(),
                Bench.with(
                        "on",
                        new Action.Install(
                                List.of("spring", "hopper", "seal", "guard"), null, "crosswise")));
        Rig wheel =
                plain.handling(
                        "seal",
                        new Handling(null, null, List.of(), Handling.Index.BY_HAND, null, false));
        rule(
                wheel,
                "T12@off-2",
                "STOP",
                Bench.before(
                        "off-2", "turn", new Action.Index(List.of("seal"), 1, false), Bench.good()),
                Bench.before(
                        "on",
                        "turn-back",
                        new Action.Index(List.of("seal"), 1, false),
                        Bench.before(
                                "off-2",
                                "turn",
                                new Action.Index(List.of("seal"), 2, false),
                                Bench.good())));
        rule(
                wheel,
                "L6@turn",
                "STOP",
                Bench.before(
                        "off-2", "turn", new Action.Index(List.of("seal"), 2, true), Bench.good()),
                Bench.before(
                        "off-2",
                        "turn",
                        new Action.Index(List.of("seal"), 2, false),
                        Bench.good()));
        Rig zero = plain.safePosition("Gauge to zero");
        rule(
                zero,
                "T13@isolate",
                "FIX",
                Bench.good(),
                Bench.before(
                        "stop",
                        "zero",
                        new Action.Operate(Action.Mode.SAFE_POSITION, List.of(), List.of()),
                        Bench.good()));
        Rig rail = plain.fitting(new Fitting("rail", "slide rail", 2));
        Procedure fitted =
                Bench.before(
                        "off-2",
                        "fit",
                        new Action.Fit(List.of("rail")),
                        Bench.before(
                                "stop",
                                "fetch",
                                new Action.Prepare(List.of("slide rail")),
                                Bench.good()));
        rule(
                rail,
                "T14@live",
                "STOP",
                fitted,
                Bench.before("on", "unfit", new Action.Unfit(List.of("rail")), fitted));
        Handling turn = new Handling(null, null, List.of(), null, "carriers", false);
        Rig carriers = plain.handling("hopper", turn).handling("guard", turn);
        rule(carriers, "T15@off-1", "STOP", Bench.good(), Bench.oneByOne());
    }

    private void cleanChain() {
        Rig plain = Rig.bench();
        Rig above = plain.above("drum-1", "frame-1");
        Action.Rinse spray =
                new Action.Rinse(
                        List.of("frame"),
                        Bench.plain(),
                        Action.Method.SPRAY,
                        Action.EndPoint.CLEAR);
        rule(
                above,
                "C5@late",
                "STOP",
                Bench.before("back", "late", spray, Bench.good()),
                Bench.before(
                        "back",
                        "late",
                        new Action.Rinse(
                                List.of("frame"), Bench.plain(), CLOTH, Action.EndPoint.CLEAR),
                        Bench.good()));
        rule(
                plain,
                "C5@late",
                "STOP",
                Bench.before("back", "late", new Action.DryClean(DRUM), Bench.good()),
                Bench.good());
        rule(plain, "C7@wash", "FIX", Bench.without("scrape"), Bench.good());
        Rig protein = plain.soils("protein");
        rule(
                protein,
                "C8@wash",
                "FIX",
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(),
                                Bench.soap().withTemperature(new Temperature(60.5)),
                                CLOTH)),
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(),
                                Bench.soap().withTemperature(new Temperature(48.9)),
                                CLOTH)));
        rule(
                protein,
                "C8@wash",
                "ADVISE",
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(),
                                Bench.soap().withTemperature(new Temperature(49)),
                                CLOTH)),
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(),
                                Bench.soap().withTemperature(new Temperature(43)),
                                Action.Method.BRUSH)));
        Procedure upsideDown =
                Bench.before(
                        "wash", "low", new Action.Wash(DRUM, Bench.soap(), CLOTH), Bench.good());
        rule(
                above,
                "C9@wash",
                "FIX",
                Bench.change(
                        upsideDown,
                        "wash",
                        new Action.Wash(
                                List.of(
                                        "frame", "hopper", "flap", "spring", "seal", "shaft",
                                        "guard"),
                                Bench.soap(),
                                CLOTH)),
                Bench.good());
        rule(plain, "C10@on", "STOP", Bench.without("dry"), Bench.good());
        rule(
                plain,
                "C11@grind",
                "STOP",
                Bench.before("wash", "grind", new Action.Sharpen(DRUM, false), Bench.good()),
                Bench.sharpened(true));
        rule(
                plain,
                "C11@end",
                "STOP",
                Bench.before("back", "grind", new Action.Sharpen(DRUM, false), Bench.good()),
                Bench.sharpened(true));
        rule(plain, "C12@sanitize", "STOP", Bench.moved("sanitize", "measure"), Bench.good());
        rule(plain, "C13@sanitize", "FIX", Bench.without("inspect"), Bench.good());
        Action.Wash floor =
                new Action.Wash(
                        List.of("frame"), Bench.soap(), Action.Method.BRUSH, "green brush", null);
        Action.Wash same =
                new Action.Wash(DRUM, Bench.soap(), Action.Method.BRUSH, "green brush", null);
        Rig room = plain.zone("frame-1", 3);
        Procedure both =
                Bench.before(
                        "wash",
                        "floor",
                        floor,
                        Bench.before(
                                "stop",
                                "fetch",
                                new Action.Prepare(List.of("green brush")),
                                Bench.good()));
        rule(room, "C18@same", "FIX", Bench.before("wash", "same", same, both), both);
        Action.Rinse endless =
                new Action.Rinse(Bench.allParts(), Bench.plain(), Action.Method.SPRAY, null);
        rule(plain, "C19@rinse", "FIX", Bench.with("rinse", endless), Bench.good());
        rule(
                room,
                "C20@late",
                "FIX",
                Bench.before("back", "late", spray, Bench.good()),
                Bench.before("sanitize", "late", spray, Bench.good()));
        Procedure soaked =
                Bench.before(
                        "wash",
                        "soak",
                        new Action.Soak(List.of("seal"), Bench.soap(), Duration.ofMinutes(10)),
                        Bench.good());
        rule(
                plain,
                "C21@wash",
                "STOP",
                soaked,
                Bench.before("wash", "collect", new Action.Collect(List.of("seal")), soaked));
        Action.Sanitize dip =
                new Action.Sanitize(
                        Bench.allParts(),
                        Bench.sanitize(100, 18, 7.4, Duration.ofSeconds(60)).solution(),
                        Action.Method.IMMERSE,
                        Duration.ofSeconds(60),
                        Set.of(Action.Reading.STRENGTH, Action.Reading.TEMPERATURE));
        rule(
                plain,
                "C22@sanitize",
                "FIX",
                Bench.without(Bench.with("sanitize", dip), "hands"),
                Bench.with("sanitize", dip));
        Procedure sink =
                Bench.with(
                        "wash",
                        new Action.Wash(Bench.allParts(), Bench.in("sink", Bench.soap()), CLOTH));
        Procedure clean =
                Bench.before(
                        "stop", "out", new Action.DrawOff(List.of(), List.of("sink"), true), sink);
        rule(plain, "C23@wash", "STOP", sink, clean);
        Procedure again =
                Bench.change(
                        clean,
                        "sanitize",
                        new Action.Sanitize(
                                dip.items(),
                                Bench.in("sink", dip.solution()),
                                dip.method(),
                                dip.contact(),
                                dip.readings()));
        Procedure emptied =
                Bench.before(
                        "sanitize",
                        "empty",
                        new Action.DrawOff(List.of(), List.of("sink"), false),
                        again);
        rule(
                plain,
                "C23@sanitize",
                "STOP",
                emptied,
                Bench.before(
                        "sanitize",
                        "out-2",
                        new Action.DrawOff(List.of(), List.of("sink"), true),
                        again));
        rule(plain, "S13@sanitize", "STOP", again, emptied);
    }

    private void passages() {
        Rig barrel =
                Rig.bench()
                        .passage(
                                new Passage(
                                        "barrel",
                                        "Barrel",
                                        List.of("groove"),
                                        new Volume(2),
                                        null,
                                        "horchata",
                                        null,
                                        List.of()));
        Procedure filled =
                Bench.before(
                        "hands",
                        "fill",
                        new Action.Sanitize(
                                List.of("barrel"),
                                Bench.sanitize(100, 18, 7.4, Duration.ofSeconds(60)).solution(),
                                Action.Method.FLOOD,
                                Duration.ofSeconds(60),
                                Set.of(Action.Reading.STRENGTH, Action.Reading.TEMPERATURE)),
                        Bench.good());
        Procedure chased =
                Bench.before(
                        "record",
                        "chase",
                        new Action.ChaseOut(List.of("barrel"), new Volume(3), "horchata"),
                        filled);
        rule(barrel, "C15@end", "STOP", filled, chased);
        rule(
                barrel,
                "C15@chase",
                "STOP",
                Bench.change(
                        chased,
                        "chase",
                        new Action.ChaseOut(List.of("barrel"), new Volume(2.9), "horchata")),
                chased);
        rule(
                barrel,
                "C17@chase",
                "STOP",
                Bench.change(
                        chased,
                        "chase",
                        new Action.ChaseOut(List.of("barrel"), new Volume(3), "tea")),
                chased);
        Action.Wash dry =
                new Action.Wash(
                        List.of("frame", "hopper", "drum", "flap", "spring", "seal", "guard"),
                        Bench.soap(),
                        Action.Method.BRUSH);
        rule(barrel, "C14@end", "STOP", Bench.with("wash", dry), Bench.good());
        Action.Circulate slow =
                new Action.Circulate(
                        List.of("barrel"),
                        Bench.soap(),
                        Duration.ofMinutes(15),
                        1.4,
                        Action.Flow.ALTERNATE,
                        Set.of(Action.Reading.STRENGTH),
                        List.of());
        rule(
                barrel,
                "C16@pump",
                "ADVISE",
                Bench.before("rinse", "pump", slow, Bench.good()),
                Bench.before(
                        "rinse",
                        "pump",
                        new Action.Circulate(
                                slow.items(),
                                slow.solution(),
                                slow.dwell(),
                                1.5,
                                Action.Flow.ALTERNATE,
                                slow.readings(),
                                List.of()),
                        Bench.good()));
    }

    private void chemistry() {
        Rig plain = Rig.bench();
        Chemical acid = Bench.made("acid", ChemicalKind.ACID);
        Rig acids = plain.chemical(acid);
        Solution descaler =
                new Solution("acid", new Share(1), new Temperature(45), null, new Volume(10));
        Procedure afterChlorine =
                Bench.before(
                        "back", "descale", new Action.Wash(DRUM, descaler, CLOTH), Bench.good());
        Procedure rinsed =
                Bench.before(
                        "descale",
                        "rinse-2",
                        new Action.Rinse(DRUM, Bench.plain(), CLOTH, Action.EndPoint.TAP_PH),
                        afterChlorine);
        rule(acids, "S4@descale", "STOP", afterChlorine, rinsed);
        Rig quat = plain.chemical(Bench.made("quat", ChemicalKind.QUAT));
        Action.Sanitize quats =
                new Action.Sanitize(
                        Bench.allParts(),
                        new Solution(
                                "quat",
                                new Strength(200),
                                new Temperature(24),
                                new Ph(7),
                                new Volume(20)),
                        Action.Method.SPRAY,
                        Duration.ofSeconds(60),
                        Set.of(Action.Reading.STRENGTH, Action.Reading.TEMPERATURE));
        rule(
                quat,
                "S4@sanitize",
                "FIX",
                Bench.without(Bench.with("sanitize", quats), "rinse"),
                Bench.with("sanitize", quats));
        Rig caustic =
                plain.chemical(Bench.made("lye", ChemicalKind.CAUSTIC))
                        .material("drum-1", "anodised aluminium");
        Solution lye = new Solution("lye", new Share(2), new Temperature(45), null, new Volume(10));
        rule(
                caustic,
                "S5@lye",
                "STOP",
                Bench.before("rinse", "lye", new Action.Wash(DRUM, lye, CLOTH), Bench.good()),
                Bench.before(
                        "rinse",
                        "lye",
                        new Action.Wash(List.of("frame"), lye, CLOTH),
                        Bench.good()));
        Procedure wiped =
                Bench.with(
                        "rinse",
                        new Action.Rinse(
                                Bench.allParts(), Bench.plain(), CLOTH, Action.EndPoint.NO_SUDS));
        rule(
                plain.limit("drum-1", Limit.NO_HOSE),
                "S6@hose",
                "STOP",
                Bench.before(
                        "scrape",
                        "hose",
                        new Action.Rinse(
                                DRUM, Bench.plain(), Action.Method.HOSE, Action.EndPoint.CLEAR),
                        wiped),
                wiped);
        rule(plain.limit("drum-1", Limit.NO_HOSE), "S6@rinse", "STOP", Bench.good(), wiped);
        rule(
                plain.limit("seal-1", Limit.NO_IMMERSION),
                "S6@soak",
                "STOP",
                Bench.before(
                        "wash",
                        "soak",
                        new Action.Soak(List.of("seal"), Bench.soap(), Duration.ofMinutes(5)),
                        Bench.good()),
                Bench.good());
        rule(
                plain.limit("drum-1", Limit.NO_CHLORINE),
                "S6@sanitize",
                "STOP",
                Bench.good(),
                Bench.without("sanitize"));
        rule(
                plain.banned("drum-1", "soap"),
                "S6@wash",
                "STOP",
                Bench.good(),
                Bench.without("wash"));
        rule(
                plain,
                "S7@wash",
                "FIX",
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(),
                                Bench.soap().withTemperature(new Temperature(42.9)),
                                Action.Method.BRUSH)),
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(),
                                Bench.soap().withTemperature(new Temperature(43)),
                                Action.Method.BRUSH)));
        rule(plain.highest("drum-1", 40), "S7@wash", "FIX", Bench.good(), Bench.without("wash"));
        rule(
                plain,
                "S8@sanitize",
                "STOP",
                Bench.with("sanitize", Bench.hotWater(76.9, 30)),
                Bench.with("sanitize", Bench.hotWater(77, 30)));
        rule(
                plain,
                "S8@sanitize",
                "STOP",
                Bench.with("sanitize", Bench.hotWater(80, 29)),
                Bench.with("sanitize", Bench.hotWater(77, 30)));
        Procedure bucket =
                Bench.before(
                        "stop",
                        "out",
                        new Action.DrawOff(List.of(), List.of("bucket"), true),
                        Bench.good());
        Action.Wash first =
                new Action.Wash(List.of("frame"), Bench.in("bucket", Bench.soap()), CLOTH);
        Procedure old =
                Bench.before(
                        "rinse",
                        "again",
                        first,
                        Bench.minutes(
                                "scrape", 300, Bench.before("scrape", "first", first, bucket)));
        rule(plain, "S10@again", "FIX", old, Bench.minutes("scrape", 238, old));
        rule(quat.organic(), "S11@sanitize", "FIX", Bench.with("sanitize", quats), Bench.good());
        rule(
                plain,
                "S12@wash",
                "FIX",
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(),
                                new Solution("soap", new Share(1), new Temperature(45), null, null),
                                CLOTH)),
                Bench.good());
        Rig labelled = plain.chemical(Bench.labelled("soap", new Share(0.5), new Share(2)));
        rule(
                labelled,
                "S15@wash",
                "FIX",
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(),
                                Bench.soap().withStrength(new Share(2.1)),
                                CLOTH)),
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(), Bench.soap().withStrength(new Share(2)), CLOTH)));
        rule(
                plain.chemical(Bench.unregistered()),
                "S16@sanitize",
                "STOP",
                Bench.good(),
                Bench.without("sanitize"));
        rule(plain, "R1@sanitize", "FIX", Bench.without("record"), Bench.good());
        rule(plain.version(2), "R6@end", "FIX", Bench.good(), Bench.sheetVersion(2, Bench.good()));
    }

    /** The machine is a washer itself: its own program cleans the inside of its drum. */
    private void washers() {
        Program inside =
                new Program(
                        "inside",
                        "the inside wash",
                        Program.Purpose.WASH,
                        "the lamp turns blue",
                        List.of("close the drain"),
                        Duration.ofMinutes(6),
                        List.of("drum-1"),
                        List.of("hopper"),
                        List.of());
        Rig own = Rig.bench().program(inside, WasherType.RACK_DUAL);
        Procedure run = Bench.before("stop", "program", inside(6, 82, 35), Bench.good());
        rule(own, "C21@program", "STOP", Bench.change(run, "program", inside(5.9, 82, 35)), run);
        rule(own, "S8@program", "STOP", Bench.change(run, "program", inside(6, 81.9, 35)), run);
        rule(
                own,
                "S8@program",
                "STOP",
                Bench.change(run, "program", inside(6, 90.1, 35)),
                Bench.change(run, "program", inside(6, 90, 35)));
        rule(
                own,
                "S14@program",
                "FIX",
                Bench.change(run, "program", inside(6, 82, 34.9)),
                Bench.change(run, "program", inside(6, 82, 200)));
        rule(
                own,
                "C23@late",
                "STOP",
                Bench.before("scrape", "late", inside(6, 82, 35), Bench.good()),
                run);
        Rig site =
                Rig.bench()
                        .vessel(
                                new Vessel(
                                        "washer",
                                        "washer",
                                        "washer",
                                        new Volume(60),
                                        new Washer(
                                                WasherType.CONVEYOR_SINGLE,
                                                List.of("strainers", "curtains"))));
        Procedure emptied =
                Bench.before(
                        "stop",
                        "out",
                        new Action.DrawOff(List.of(), List.of("washer"), true),
                        Bench.good());
        Procedure ware = Bench.before("dry", "ware", ware(71, "strainers", "curtains"), emptied);
        rule(site, "C23@ware", "STOP", Bench.change(ware, "ware", ware(71, "strainers")), ware);
        rule(
                site,
                "S8@ware",
                "FIX",
                Bench.change(ware, "ware", ware(70.9, "strainers", "curtains")),
                ware);
        rule(site.limit("hopper-1", Limit.NO_MACHINE_WASH), "S6@ware", "STOP", ware, emptied);
        rule(
                Rig.bench()
                        .material("drum-1", "tempered glass")
                        .heat("drum", new Heat(new Temperature(120), null)),
                "S6@wash",
                "STOP",
                Bench.good(),
                Bench.before(
                        "scrape",
                        "cool",
                        new Action.CoolDown(List.of("oven"), new Temperature(49), null),
                        Bench.good()));
        Action.Circulate pump =
                new Action.Circulate(
                        List.of("line"),
                        Bench.soap(),
                        Duration.ofMinutes(15),
                        1.5,
                        Action.Flow.ALTERNATE,
                        Set.of(),
                        List.of("valve"));
        Rig line =
                Rig.bench()
                        .passage(
                                new Passage(
                                        "line",
                                        "Line",
                                        List.of("groove"),
                                        new Volume(2),
                                        null,
                                        null,
                                        null,
                                        List.of("valve")));
        Procedure read =
                Bench.before(
                        "rinse",
                        "pump",
                        pump.with(Set.of(Action.Reading.STRENGTH), List.of("valve")),
                        Bench.good());
        rule(line, "C24@pump", "FIX", Bench.before("rinse", "pump", pump, Bench.good()), read);
        rule(
                line,
                "C24@pump",
                "FIX",
                Bench.change(read, "pump", pump.with(Set.of(Action.Reading.STRENGTH), List.of())),
                read);
    }

    private static Action.RunProgram inside(double minutes, double rinse, double kilopascals) {
        return new Action.RunProgram(
                "inside",
                List.of(),
                Bench.soap().withTemperature(new Temperature(66)),
                Duration.ofSeconds(Math.round(minutes * 60)),
                new Temperature(rinse),
                new Pressure(kilopascals),
                List.of(),
                Set.of(Action.Reading.TEMPERATURE));
    }

    private static Action.RunProgram ware(double tank, String... complete) {
        return new Action.RunProgram(
                null,
                List.of("hopper"),
                Bench.in("washer", Bench.soap().withTemperature(new Temperature(tank))),
                Duration.ofMinutes(3),
                new Temperature(82),
                new Pressure(100),
                List.of(complete),
                Set.of(Action.Reading.TEMPERATURE));
    }

    /**
     * Run empty on its own program the machine cleans its drum, and nothing that its jets do not
     * reach; with the last rinse too cool it is washed and no more.
     */
    @Test
    void theCleanerIsTheMachine() {
        Rig own =
                Rig.bench()
                        .program(
                                new Program(
                                        "inside",
                                        "the inside wash",
                                        Program.Purpose.WASH,
                                        null,
                                        List.of(),
                                        Duration.ofMinutes(6),
                                        List.of("drum-1"),
                                        List.of(),
                                        List.of()),
                                WasherType.RACK_DUAL);
        List<String> but =
                Bench.allParts().stream().filter(i -> !i.equals("drum")).collect(toList());
        but.add("drum-back");
        Procedure p = Bench.good();
        for (String step : List.of("scrape", "wash", "rinse", "inspect", "sanitize", "dry")) {
            p = Bench.change(p, step, Bench.step(p, step).action().about(but));
        }
        Procedure alone = p;
        assertTrue(
                own.findings(alone).stream()
                        .anyMatch(f -> f.rule().equals("C1") && f.items().contains("drum-1")));
        assertEquals(
                List.of(), own.findings(Bench.before("stop", "program", inside(6, 82, 35), alone)));
        List<Finding> cool =
                own.findings(Bench.before("stop", "program", inside(6, 70, 35), alone));
        assertEquals(List.of("S8", "C1"), cool.stream().map(Finding::rule).toList());
        assertEquals(0, cool.get(1).under());
        // What the program does not reach stays as it was.
        List<String> less = new ArrayList<>(but);
        less.remove("drum-back");
        Procedure forgotten =
                Bench.before(
                        "stop",
                        "program",
                        inside(6, 82, 35),
                        Bench.change(
                                alone, "wash", Bench.step(alone, "wash").action().about(less)));
        assertTrue(own.findings(forgotten).stream().anyMatch(f -> f.items().contains("drum-back")));
    }

    /** A machine that sanitizes by a chemical is not believed: no step reads its strength. */
    @Test
    void aChemicalWasherIsUndecided() {
        Rig site =
                Rig.bench()
                        .vessel(
                                new Vessel(
                                        "washer",
                                        "washer",
                                        "washer",
                                        new Volume(60),
                                        new Washer(WasherType.CHEMICAL, List.of())));
        Procedure p =
                Bench.before(
                        "stop",
                        "out",
                        new Action.DrawOff(List.of(), List.of("washer"), true),
                        Bench.before("dry", "ware", ware(49), Bench.good()));
        assertTrue(
                site.findings(p).stream()
                        .anyMatch(f -> f.rule().equals("S8") && "ware".equals(f.stepId())));
        assertTrue(
                site.findings(p).stream()
                        .anyMatch(f -> f.rule().equals("C1") && f.items().contains("hopper-1")));
    }

    /** 60 L fit into a sink of 60 L; 60.1 L run over. */
    @Test
    void moreThanTheVesselHoldsIsS12() {
        Context c =
                Bench.CONTEXT.withVessels(
                        List.of(new Vessel("sink", "sink", "sink", new Volume(60), null)));
        for (double litres : new double[] {60, 60.1}) {
            Solution soap =
                    new Solution(
                            "soap",
                            new Share(1),
                            new Temperature(45),
                            null,
                            new Volume(litres),
                            "sink");
            Procedure p =
                    Bench.before(
                            "stop",
                            "out",
                            new Action.DrawOff(List.of(), List.of("sink"), true),
                            Bench.with("wash", new Action.Wash(Bench.allParts(), soap, CLOTH)));
            List<String> told =
                    Verifier.verify(p, Bench.SHEET, c).findings().stream()
                            .map(Finding::rule)
                            .toList();
            assertEquals(litres > 60 ? List.of("S12") : List.of(), told);
        }
    }

    /** A barrel that is closed: what fills it reaches its walls, a brush or an eye does not. */
    @Test
    void onlyLiquidGetsIntoAPassage() {
        Rig barrel =
                Rig.bench()
                        .passage(
                                new Passage(
                                        "barrel",
                                        "Barrel",
                                        List.of("groove"),
                                        new Volume(2),
                                        null,
                                        null,
                                        null,
                                        List.of()));
        List<String> but = Bench.allParts().stream().filter(i -> !i.equals("shaft")).toList();
        List<String> line = new ArrayList<>(but);
        line.add("barrel");
        Action.Wash brushed = new Action.Wash(line, Bench.soap(), Action.Method.BRUSH);
        Action.Wash filled = new Action.Wash(line, Bench.soap(), Action.Method.FLOOD);
        List<String> rules =
                barrel.findings(Bench.with("wash", brushed)).stream().map(Finding::rule).toList();
        assertTrue(rules.contains("C2") || rules.contains("C14"), rules.toString());
        assertEquals(List.of(), barrel.findings(Bench.with("wash", filled)));
    }

    @Test
    void hotWaterIsReadAsWell() {
        Action.Sanitize hot = Bench.hotWater(80, 30);
        Action.Sanitize unread =
                new Action.Sanitize(
                        hot.items(), hot.solution(), hot.method(), hot.contact(), Set.of());
        assertEquals("L8", Rig.bench().findings(Bench.with("sanitize", hot)).getFirst().rule());
        assertEquals(List.of(), Rig.bench().findings(gloved(Bench.with("sanitize", hot))));
        Finding f = Rig.bench().findings(gloved(Bench.with("sanitize", unread))).getFirst();
        assertEquals("S9", f.rule());
        assertEquals(1, f.remedies().size());
    }

    /** Cold water that sanitizes nothing is not mistaken for hot-water sanitizing. */
    @Test
    void waterAloneBelowItsThresholdIsS1() {
        Procedure warm = gloved(Bench.with("sanitize", Bench.hotWater(59, 30)));
        assertEquals("S1", Rig.bench().findings(warm).getFirst().rule());
    }

    /** Hands that may go into hot water. */
    private static Procedure gloved(Procedure p) {
        return p.withPpe(Stream.concat(p.ppe().stream(), Stream.of("heat gloves")).toList());
    }

    @Test
    void optionsHoldInEveryConfigurationOfTheScope() {
        Rig rig = Rig.bench().option("scraper", "folds", "fixed", "flap");
        Procedure fitted = Bench.good();
        assertEquals(List.of(), rig.findings(fitted));
        // Written for both, the flap is not there in one: then its steps simply find nothing to do.
        Procedure wide = Bench.scope(Map.of("scraper", List.of("folds", "fixed")), fitted);
        assertEquals(List.of(), rig.findings(wide));
        assertEquals(2, rig.verify(wide).configurations().size());
        Procedure only =
                Bench.when("aside", "scraper=fixed", Bench.when("back", "scraper=fixed", wide));
        List<Finding> found = rig.findings(only);
        assertEquals("C6", found.getFirst().rule());
        MachineSheet sheet = rig.sheet();
        assertEquals("folds", sheet.optionGroups().getFirst().fitted());
        Procedure other = Bench.when("rinse", "scraper=folds", wide);
        assertTrue(
                rig.findings(other).getFirst().message().contains("(With scraper: fixed.)"),
                rig.findings(other).toString());
    }

    /** Written for the other option alone: judged there alone, and not for this machine. */
    @Test
    void aScopeWithoutWhatIsFitted() {
        Rig rig = Rig.bench().option("scraper", "folds", "fixed", "flap");
        Procedure other = Bench.scope(Map.of("scraper", List.of("fixed")), Bench.without("aside"));
        assertEquals(List.of(), rig.findings(other));
        assertEquals(1, rig.verify(other).configurations().size());
        assertFalse(rig.verify(other).configurations().getFirst().fitted());
        assertFalse(other.coversFitted(rig.sheet()));
        Procedure both = Bench.scope(Map.of("scraper", List.of("folds", "fixed")), Bench.good());
        assertTrue(both.coversFitted(rig.sheet()));
        assertTrue(Bench.good().coversFitted(rig.sheet()), "no scope means as it is fitted");
        // The ribbon of the second configuration has no thread of the flap.
        assertTrue(drawn(rig, both, 0).contains("flap-1"));
        assertFalse(drawn(rig, both, 1).contains("flap-1"));
    }

    private static String drawn(Rig rig, Procedure p, int configuration) {
        return Verifier.verify(p, rig.sheet(), Bench.CONTEXT, configuration)
                .ribbon()
                .surfaces()
                .toString();
    }

    private static List<String> rigSurfaces() {
        return Rig.bench().sheet().parts().stream()
                .flatMap(p -> p.surfaces().stream())
                .filter(s -> s.zone() == 1)
                .map(orthopur.machine.Surface::id)
                .toList();
    }

    @Test
    void aRingOverAGrooveUnderSchoolB() {
        Rig rig =
                Rig.bench()
                        .passage(
                                new Passage(
                                        "drum-line",
                                        "Drum",
                                        rigSurfaces(),
                                        new Volume(2),
                                        null,
                                        null,
                                        null,
                                        List.of()));
        Procedure b = Bench.schoolB(Bench.moved("sanitize", "measure"));
        List<String> sprayed = rig.findings(b).stream().map(Finding::rule).toList();
        assertTrue(sprayed.contains("C12"), "put together and sprayed: " + sprayed);
        Action.Sanitize spray = (Action.Sanitize) b.steps().get(b.placeOf("sanitize")).action();
        b =
                Bench.change(
                        b,
                        "sanitize",
                        new Action.Sanitize(
                                List.of("drum-line"),
                                new Solution(
                                        spray.solution().chemical(),
                                        spray.solution().strength(),
                                        spray.solution().temperature(),
                                        spray.solution().ph(),
                                        new Volume(2)),
                                Action.Method.FLOOD,
                                spray.contact(),
                                spray.readings()));
        List<String> rules = rig.findings(b).stream().map(Finding::rule).distinct().toList();
        assertFalse(rules.contains("C12"), rules.toString());
        assertFalse(rules.contains("C10"), rules.toString());
        assertEquals(EndState.SANITIZED, rig.sheet().parts().get(6).surfaces().getFirst().end());
        assertTrue(rules.stream().noneMatch("C1"::equals), rig.findings(b).toString());
    }
}
