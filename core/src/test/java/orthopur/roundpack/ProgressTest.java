package orthopur.roundpack;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.quantity.OutOfRange;
import orthopur.roundpack.RoundPack.Instrument;
import orthopur.testbench.Bench;

/** A round on the floor: what is taken in, what is refused, and that a refusal changes nothing. */
class ProgressTest {
    private static final Instrument PROBE = new Instrument("probe", "Probe", List.of(), 3, 0.5);
    private static final Instrument STRIP =
            new Instrument("strip", "Strip", List.of(0.0, 25.0, 50.0, 100.0, 200.0), 0, 0.5);

    private final RoundPack pack = pack();
    private Progress round;
    private long now = 1_000;

    private static RoundPack pack() {
        Procedure p =
                Bench.good()
                        .apply(
                                List.of(
                                        new Edit.InsertBefore(
                                                "wash",
                                                new Step(
                                                        "soak",
                                                        new Action.Soak(
                                                                List.of("seal"),
                                                                Bench.soap(),
                                                                java.time.Duration.ofMinutes(10)),
                                                        "",
                                                        null,
                                                        null,
                                                        1,
                                                        1)),
                                        new Edit.InsertBefore(
                                                "wash",
                                                new Step(
                                                        "collect",
                                                        new Action.Collect(List.of("seal")),
                                                        "",
                                                        null,
                                                        null,
                                                        1,
                                                        1)),
                                        new Edit.InsertBefore(
                                                "clear",
                                                new Step(
                                                        "gap",
                                                        new Action.Measure(List.of("gap")),
                                                        "",
                                                        null,
                                                        null,
                                                        1,
                                                        1))));
        return PackCompiler.compile(p, 3, Bench.SHEET, Bench.CONTEXT, List.of(PROBE, STRIP));
    }

    @BeforeEach
    void start() {
        round = new Progress(pack);
    }

    private void to(String step) {
        while (!round.current().id().equals(step)) {
            finish();
        }
    }

    private void finish() {
        var s = round.current();
        s.off().forEach(p -> enter(new Entry.PieceMoved(s.id(), p.key(), true)));
        s.on().forEach(p -> enter(new Entry.PieceMoved(s.id(), p.key(), false)));
        if (s.reading() != null) {
            enter(new Entry.ReadingTaken(s.id(), "probe", 110, 18));
            enter(new Entry.TimerStarted(s.id()));
            now += 60;
        }
        now += s.waitsFor() == null ? 1 : 600;
        s.checks().forEach(c -> enter(new Entry.CheckMade(s.id(), c.id(), 1.0)));
        enter(new Entry.StepDone(s.id()));
    }

    private void enter(Entry e) {
        round.accept(e, now);
    }

    private String refused(Entry e) {
        return assertThrows(Progress.Refused.class, () -> enter(e)).getMessage();
    }

    @Test
    void aWholeRoundClosesOnce() {
        while (round.current() != null) {
            finish();
        }
        enter(new Entry.RoundClosed("record"));
        assertTrue(round.closed());
        assertTrue(refused(new Entry.RoundClosed("record")).contains("closed"));
    }

    @Test
    void piecesAreTappedBeforeAStepIsDone() {
        to("off-2");
        assertTrue(refused(new Entry.StepDone("off-2")).contains("seal 1, seal 2"));
        enter(new Entry.PieceMoved("off-2", "seal#1", true));
        enter(new Entry.PieceMoved("off-2", "seal#1", true));
        assertTrue(refused(new Entry.StepDone("off-2")).contains("seal 2"));
        assertTrue(
                refused(new Entry.PieceMoved("off-2", "seal#11", true))
                        .contains("2 of seal in all"));
    }

    @Test
    void stepsComeInOrder() {
        assertTrue(refused(new Entry.StepDone("lock")).contains("Step 1 comes first"));
        finish();
        assertTrue(refused(new Entry.StepDone("stop")).contains("already done"));
        assertTrue(refused(new Entry.StepDone("nowhere")).contains("no step"));
    }

    @Test
    void aSoakRunsOnAndIsNotCollectedEarly() {
        to("collect");
        assertTrue(refused(new Entry.StepDone("collect")).contains("soak needs another"));
        now += 600;
        enter(new Entry.StepDone("collect"));
        assertEquals("wash", round.current().id());
    }

    @Test
    void aWeakBucketDoesNotPassWithoutACorrectionAndANewReading() {
        to("sanitize");
        assertTrue(refused(new Entry.StepDone("sanitize")).contains("Read strength"));
        enter(new Entry.ReadingTaken("sanitize", "probe", 62, 18));
        var weak = round.readings().get("sanitize");
        assertEquals(ReadingJudge.Outcome.OUT, weak.outcome());
        assertTrue(weak.advice().contains("Add 12 mL of chlor to the 40 L"), weak.advice());
        assertTrue(refused(new Entry.StepDone("sanitize")).contains("not in"));
        assertTrue(
                refused(new Entry.ReadingTaken("sanitize", "probe", 110, 18))
                        .contains("what was done"));
        enter(new Entry.CorrectiveAction("sanitize", "added 12 mL"));
        assertTrue(refused(new Entry.StepDone("sanitize")).contains("not in"));
        enter(new Entry.ReadingTaken("sanitize", "probe", 106, 18));
        enter(new Entry.TimerStarted("sanitize"));
        now += 59;
        assertTrue(refused(new Entry.StepDone("sanitize")).contains("0:01"));
        now += 1;
        enter(new Entry.StepDone("sanitize"));
    }

    @Test
    void noDeviationExcusesAFailedReading() {
        to("sanitize");
        enter(new Entry.ReadingTaken("sanitize", "probe", 62, 18));
        enter(new Entry.Deviation("sanitize", "no time"));
        assertTrue(refused(new Entry.StepDone("sanitize")).contains("not in"));
    }

    @Test
    void contactWithAWeakBucketDoesNotCount() {
        to("sanitize");
        enter(new Entry.TimerStarted("sanitize"));
        now += 60;
        enter(new Entry.ReadingTaken("sanitize", "probe", 110, 18));
        assertTrue(refused(new Entry.StepDone("sanitize")).contains("Start the wet contact"));
    }

    @Test
    void figuresOutsideTheirDomainAreRefused() {
        to("sanitize");
        for (double bad : new double[] {-5, 1e9, Double.NaN}) {
            assertThrows(
                    OutOfRange.class,
                    () -> enter(new Entry.ReadingTaken("sanitize", "probe", bad, 18)));
        }
        assertThrows(
                OutOfRange.class,
                () -> enter(new Entry.ReadingTaken("sanitize", "probe", 100, 130)));
        assertThrows(
                OutOfRange.class, () -> enter(new Entry.ReadingTaken("sanitize", "strip", 62, 18)));
        assertTrue(round.readings().isEmpty());
    }

    @Test
    void aStripReadsByHalfStepsAndMayNotTell() {
        to("sanitize");
        enter(new Entry.ReadingTaken("sanitize", "strip", 100, 18));
        assertEquals(ReadingJudge.Outcome.CANNOT_TELL, round.readings().get("sanitize").outcome());
    }

    @Test
    void aCheckOutsideItsRangeHoldsTheStep() {
        to("gap");
        enter(new Entry.CheckMade("gap", "gap", 1.6));
        assertTrue(refused(new Entry.StepDone("gap")).contains("outside its range"));
        enter(new Entry.CheckMade("gap", "gap", 1.5));
        enter(new Entry.StepDone("gap"));
    }

    @Test
    void aRoundIsNotClosedWhileAPartIsOff() {
        to("on");
        enter(new Entry.Deviation("on", "one seal is torn, stores closed"));
        for (var p : round.current().on()) {
            if (!p.key().equals("seal#2")) {
                enter(new Entry.PieceMoved("on", p.key(), false));
            }
        }
        enter(new Entry.StepDone("on"));
        while (round.current() != null) {
            finish();
        }
        assertTrue(
                refused(new Entry.RoundClosed("record")).contains("Still off the machine: seal 2"));
    }
}
