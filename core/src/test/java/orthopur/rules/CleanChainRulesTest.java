package orthopur.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Severity;
import orthopur.testbench.Bench;

/** C1–C4 and C6, and the hard cases about covers and claims. */
class CleanChainRulesTest {
    private static List<String> but(String item) {
        List<String> items = new ArrayList<>(Bench.allParts());
        items.remove(item);
        return items;
    }

    @Test
    void c1ZoneOneMissedIsAStopZoneTwoAFix() {
        Procedure p =
                Bench.with(
                        "sanitize",
                        new Action.Sanitize(
                                but("hopper"),
                                Bench.sanitize(100, 18, 7.4, Duration.ofSeconds(60)).solution(),
                                Action.Method.SPRAY,
                                Duration.ofSeconds(60),
                                Bench.sanitize(1, 1, 7, Duration.ZERO).readings()));
        Finding hopper = Bench.only(p, "C1");
        assertEquals(Severity.STOP, hopper.severity());
        assertEquals(List.of("hopper-1"), hopper.items());
        assertEquals(List.of(), Bench.roots(p.apply(hopper.remedies().getFirst().edits())));

        Procedure frame =
                Bench.with("rinse", new Action.Rinse(but("frame"), Bench.plain(), null, null))
                        .apply(
                                List.of(
                                        new Edit.Change(
                                                "sanitize",
                                                Bench.good()
                                                        .steps()
                                                        .get(13)
                                                        .with(
                                                                new Action.Sanitize(
                                                                        but("frame"),
                                                                        Bench.sanitize(
                                                                                        100,
                                                                                        18,
                                                                                        7.4,
                                                                                        Duration
                                                                                                .ofSeconds(
                                                                                                        60))
                                                                                .solution(),
                                                                        Action.Method.SPRAY,
                                                                        Duration.ofSeconds(60),
                                                                        Bench.sanitize(
                                                                                        1,
                                                                                        1,
                                                                                        7,
                                                                                        Duration
                                                                                                .ZERO)
                                                                                .readings())))));
        assertEquals(Severity.FIX, Bench.only(frame, "C1").severity());
    }

    @Test
    void c1AWashWithoutADetergentThatIsNamedWashesNothing() {
        Procedure p = Bench.with("wash", new Action.Wash(Bench.allParts(), Bench.plain(), null));
        assertTrue(Bench.roots(p).contains("C2@sanitize"), Bench.roots(p).toString());
    }

    @Test
    void c2SanitizerOnASurfaceThatWasNotWashed() {
        Procedure p = Bench.with("wash", new Action.Wash(but("drum"), Bench.soap(), null));
        Finding f = Bench.only(p, "C2");
        assertEquals(List.of("drum-1", "drum-back"), f.items());
        assertEquals("sanitize", f.stepId());
        assertEquals(List.of("C2@sanitize"), Bench.roots(p));
        assertEquals(List.of(), Bench.roots(p.apply(f.remedies().getFirst().edits())));
    }

    @Test
    void c3StillSoapyIsTheRootNotC2() {
        Procedure p = Bench.without("rinse");
        assertEquals(
                List.of("C3@sanitize"),
                Bench.roots(p).stream().filter(r -> !r.startsWith("C1")).toList());
        assertEquals(
                List.of(), Bench.roots(p.apply(Bench.only(p, "C3").remedies().getFirst().edits())));
    }

    @Test
    void c4TowelAfterSanitizer() {
        Procedure p =
                Bench.with("dry", new Action.Dry(Bench.allParts(), Action.Drying.TOWEL, null));
        assertEquals(List.of("C4@dry"), Bench.roots(p));
        assertEquals(
                List.of(), Bench.roots(p.apply(Bench.only(p, "C4").remedies().getFirst().edits())));
    }

    @Test
    void c4GlovesThatWereOnSoilCarryItToWhatWasSanitized() {
        Procedure p = Bench.without("hands");
        // The same gloves at two steps are one cause: the second hangs under the first.
        assertEquals(List.of("C4@back"), Bench.roots(p));
        Finding first = Bench.verify(p).findings().getFirst();
        assertEquals(List.of(), Bench.roots(p.apply(first.remedies().getFirst().edits())));
    }

    @Test
    void c6FoldedFlapLeavesTheBackSoiledHoweverWellTheDrumIsWashed() {
        Procedure p = Bench.without("aside", "back");
        Finding f = Bench.only(p, "C6");
        assertEquals("wash", f.stepId());
        assertEquals(List.of("drum-back", "flap"), f.items());
        assertEquals(List.of("C6@wash"), Bench.roots(p));
        assertEquals(List.of(), Bench.roots(p.apply(f.remedies().getFirst().edits())));
    }

    @Test
    void c6ASealLeftOnLeavesItsGrooveSoiled() {
        Procedure p =
                Bench.with("off-2", new Action.Remove(List.of("spring"), null, "sink"))
                        .apply(
                                List.of(
                                        new Edit.Change(
                                                "on",
                                                Bench.good()
                                                        .steps()
                                                        .get(16)
                                                        .with(
                                                                new Action.Install(
                                                                        List.of(
                                                                                "hopper", "spring",
                                                                                "guard"),
                                                                        null)))));
        assertEquals(List.of("groove", "seal"), Bench.only(p, "C6").items());
    }

    @Test
    void c6IsNoFindingWhenTheCoverComesOffLaterAndTheSurfaceIsTreatedThen() {
        Procedure p =
                Bench.good()
                        .apply(
                                List.of(
                                        new Edit.InsertBefore(
                                                "aside",
                                                new Step(
                                                        "early",
                                                        new Action.Wash(
                                                                List.of("drum"),
                                                                Bench.soap(),
                                                                null),
                                                        "",
                                                        null,
                                                        null,
                                                        1,
                                                        1))));
        assertEquals(List.of("C7@early"), Bench.roots(p), "but it was wetted with crumbs on");
    }

    @Test
    void scrapingAfterSanitizingEndsIt() {
        Procedure p =
                Bench.good()
                        .apply(
                                List.of(
                                        new Edit.InsertBefore(
                                                "back",
                                                new Step(
                                                        "again",
                                                        new Action.DryClean(List.of("drum")),
                                                        "",
                                                        null,
                                                        null,
                                                        1,
                                                        1))));
        assertEquals(List.of("drum-1", "drum-back"), Bench.only(p, "C1").items());
    }

    @Test
    void aSoakLoosensAndDoesNotClean() {
        Procedure p =
                Bench.with(
                        "wash",
                        new Action.Soak(Bench.allParts(), Bench.soap(), Duration.ofMinutes(10)));
        assertTrue(Bench.roots(p).contains("C2@sanitize"), Bench.roots(p).toString());
    }

    @Test
    void aRinseAfterSanitizerUndoesItExceptUnderTheSchoolThatRinses() {
        Procedure p =
                Bench.good()
                        .apply(
                                List.of(
                                        new Edit.InsertBefore(
                                                "dry",
                                                new Step(
                                                        "rinse-2",
                                                        new Action.Rinse(
                                                                List.of("drum"),
                                                                Bench.plain(),
                                                                null,
                                                                null),
                                                        "",
                                                        null,
                                                        null,
                                                        1,
                                                        1))));
        assertEquals(1, Bench.verify(p).stops());
        Procedure eu =
                new Procedure(
                        p.id(),
                        p.title(),
                        p.sheet(),
                        1,
                        p.ruleBook(),
                        p.kind(),
                        new orthopur.procedure.Schools(true),
                        1,
                        p.ppe(),
                        p.steps());
        assertEquals(0, Bench.verify(eu).stops());
    }
}
