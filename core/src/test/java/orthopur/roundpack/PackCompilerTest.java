package orthopur.roundpack;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Share;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.Piece;
import orthopur.roundpack.RoundPack.ReadingBand;
import orthopur.testbench.Bench;

/** What the tablet gets. */
class PackCompilerTest {
    private static PackStep step(Procedure p, String id) {
        return PackCompiler.compile(p, 1, Bench.SHEET, Bench.CONTEXT, List.of())
                .steps()
                .get(p.placeOf(id));
    }

    private static Step make(String id, Action a) {
        return new Step(id, a, "", null, null, 1, 1);
    }

    @Test
    void thresholdsAreResolvedForChemicalPhAndTemperature() {
        PackStep s = step(Bench.good(), "sanitize");
        assertEquals(
                List.of(
                        new ReadingBand(13, 100, 200),
                        new ReadingBand(24, 50, 200),
                        new ReadingBand(49, 25, 200)),
                s.reading().bands());
        assertEquals(146_250, s.reading().stockMgPerL(), 1e-6);
        Procedure wide = Bench.with("sanitize", Bench.sanitize(100, 18, 9, Duration.ofSeconds(60)));
        assertEquals(38, step(wide, "sanitize").reading().bands().get(1).fromCelsius());
        assertTrue(s.timer().contact());
        assertEquals(60, s.timer().seconds());
    }

    @Test
    void whatIsMixedIsSaidWithItsLitersAndOnlyWhereTheyAreStated() {
        RoundPack.Mix bucket = step(Bench.good(), "sanitize").mix();
        assertEquals(
                new RoundPack.Mix("chlor", 40, 100.0, null, 18.0, 7.4, null, null, null), bucket);
        Solution soak =
                new Solution(
                        "degreaser",
                        new Share(1.5),
                        new Temperature(43),
                        null,
                        new Volume(40),
                        "sink 1");
        Procedure p = Bench.with("sanitize", new Action.Soak(List.of("seal"), soak, null));
        RoundPack.Mix mix = step(p, "sanitize").mix();
        assertEquals(
                new RoundPack.Mix("degreaser", 40, null, 1.5, 43.0, null, "sink 1", null, null),
                mix);
        Procedure open =
                Bench.with(
                        "sanitize", new Action.Soak(List.of("seal"), soak.withVolume(null), null));
        assertNull(step(open, "sanitize").mix(), "how much is not known without the liters");
    }

    @Test
    void piecesAreNumberedAndOverTwoStepsNoneIsAskedTwice() {
        assertEquals(
                List.of("spring#1", "seal#1", "seal#2"),
                step(Bench.good(), "off-2").off().stream().map(Piece::key).toList());
        Procedure two =
                Bench.with("off-2", new Action.Remove(List.of("seal"), 1, "sink"))
                        .apply(
                                List.of(
                                        new Edit.InsertBefore(
                                                "aside",
                                                make(
                                                        "off-3",
                                                        new Action.Remove(
                                                                List.of("seal"), null, "sink")))));
        assertEquals(List.of("seal#1"), step(two, "off-2").off().stream().map(Piece::key).toList());
        assertEquals(List.of("seal#2"), step(two, "off-3").off().stream().map(Piece::key).toList());
        assertEquals(5, step(Bench.good(), "on").on().size());
    }

    @Test
    void aCollectWaitsForTheSoakThatHoldsItsParts() {
        Procedure p =
                Bench.good()
                        .apply(
                                List.of(
                                        new Edit.InsertBefore(
                                                "wash",
                                                make(
                                                        "soak-1",
                                                        new Action.Soak(
                                                                List.of("seal"),
                                                                new Solution(
                                                                        "soap",
                                                                        new Share(1),
                                                                        new Temperature(45),
                                                                        null,
                                                                        null,
                                                                        "bath"),
                                                                Duration.ofMinutes(10)))),
                                        new Edit.InsertBefore(
                                                "wash",
                                                make(
                                                        "soak-2",
                                                        new Action.Soak(
                                                                List.of("hopper"),
                                                                Bench.soap(),
                                                                Duration.ofMinutes(5)))),
                                        new Edit.InsertBefore(
                                                "wash",
                                                make(
                                                        "collect",
                                                        new Action.Collect(List.of("seal"))))));
        assertEquals("soak-1", step(p, "collect").waitsFor());
        assertEquals("seal soaking, bath", step(p, "soak-1").timer().name().toString());
        assertNull(step(p, "wash").waitsFor());
    }

    @Test
    void theSameInputGivesTheSamePackAndEveryStepHasWordsToShow() {
        RoundPack a = PackCompiler.compile(Bench.good(), 1, Bench.SHEET, Bench.CONTEXT, List.of());
        RoundPack b = PackCompiler.compile(Bench.good(), 1, Bench.SHEET, Bench.CONTEXT, List.of());
        assertEquals(a, b);
        a.steps()
                .forEach(
                        s ->
                                assertTrue(
                                        !s.title().toString().isBlank() && !s.verb().isBlank(),
                                        s.id()));
        assertEquals("Make safe", a.steps().getFirst().phase());
    }
}
