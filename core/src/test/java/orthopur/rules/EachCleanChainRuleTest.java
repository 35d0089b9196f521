package orthopur.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import orthopur.machine.EndState;
import orthopur.machine.MachineSheet;
import orthopur.machine.Passage;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.runthrough.Finding;
import orthopur.testbench.Bench;
import orthopur.testbench.Rig;
import orthopur.verdict.Verifier;

/** From loose soil to sanitized and dry, in the open and in passages. */
class EachCleanChainRuleTest extends EachRule {
    @Override
    void chapter() {
        cleanChain();
        passages();
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
