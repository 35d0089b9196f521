package orthopur.round;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import orthopur.instrument.Instrument;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.quantity.OutOfRange;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.ReadingJudge;
import orthopur.roundpack.RoundPack;
import orthopur.testbench.Bench;
import orthopur.text.Text;

/** A round on the floor: what is taken in, what is refused, and that a refusal changes nothing. */
class ProgressTest {
    private static final Instrument PROBE = new Instrument("probe", "Probe", List.of(), 3, 0.5);
    private static final Instrument STRIP =
            new Instrument("strip", "Strip", List.of(0.0, 25.0, 50.0, 100.0, 200.0), 0, 0.5);

    private final RoundPack pack = pack();
    private Progress round;
    private long now = 1_000_000;
    private String who = "Maren";

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
            now += 60_000;
        }
        now += s.waitsFor() == null ? 1_000 : 600_000;
        s.checks()
                .forEach(
                        c ->
                                enter(
                                        new Entry.CheckMade(
                                                s.id(),
                                                c.id(),
                                                c.most() == null ? Double.valueOf(1) : c.most())));
        s.asks().forEach(this::answer);
        enter(new Entry.StepDone(s.id()));
    }

    private void answer(RoundPack.Ask a) {
        String step = round.current().id();
        switch (a.kind()) {
            case LOCK -> enter(new Entry.LockMoved(step, a.item(), "17", true, null));
            case UNLOCK ->
                    round.locks().stream()
                            .filter(l -> l.energy().equals(a.item()))
                            .forEach(
                                    l ->
                                            enter(
                                                    new Entry.LockMoved(
                                                            step, a.item(), l.lock(), false,
                                                            null)));
            default -> enter(new Entry.Confirmed(step, a.id()));
        }
    }

    private void enter(Entry e) {
        round.accept(e, now, who);
    }

    private String refused(Entry e) {
        return assertThrows(Refused.class, () -> enter(e)).getMessage();
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
        assertTrue(refused(new Entry.StepDone("off-2")).contains("seal 1 and seal 2"));
        enter(new Entry.PieceMoved("off-2", "seal#1", true));
        enter(new Entry.PieceMoved("off-2", "seal#1", true));
        assertTrue(refused(new Entry.StepDone("off-2")).contains("seal 2"));
        assertTrue(
                refused(new Entry.PieceMoved("off-2", "seal#11", true))
                        .contains("2 of seal in all"));
    }

    @Test
    void theBucketThatIsUsedIsNamedAndFitsTheStep() {
        to("sanitize");
        String asked = round.current().mix().product();
        Entry used = new Entry.SolutionUsed("sanitize", "K7Q2M", asked, now + 1);
        assertTrue(
                refused(new Entry.SolutionUsed("sanitize", "K7Q2M", "sudmere-n", null))
                        .contains("Label K7Q2M is another product"));
        assertTrue(
                refused(new Entry.SolutionUsed("sanitize", "K7Q2M", asked, now - 1))
                        .contains("older than it may get"));
        enter(used);
        enter(new Entry.SolutionUsed("sanitize", "P4R8T", asked, null));
        assertEquals(java.util.Map.of("sanitize", "P4R8T"), round.state().solutions());
        assertEquals(round.state(), new Progress(pack, round.state()).state());
        assertEquals(used, Written.of(used).entry());
    }

    @Test
    void aStepThatUsesNoSolutionTakesNone() {
        String first = round.current().id();
        assertTrue(
                refused(new Entry.SolutionUsed(first, "K7Q2M", "halvern-h12", null))
                        .contains("uses no solution"));
    }

    @Test
    void stepsComeInOrder() {
        assertTrue(refused(new Entry.StepDone("lock")).contains("Step 1 comes first"));
        finish();
        assertTrue(refused(new Entry.StepDone("stop")).contains("already done"));
        assertTrue(refused(new Entry.StepDone("nowhere")).contains("no such step"));
    }

    @Test
    void aSoakRunsOnAndIsNotCollectedEarly() {
        to("collect");
        assertTrue(refused(new Entry.StepDone("collect")).contains("soak needs another"));
        now += 600_000;
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
        assertTrue(
                weak.advice().toString().contains("Add 12 mL of chlor to the 40 L"),
                weak.advice()::toString);
        assertTrue(refused(new Entry.StepDone("sanitize")).contains("out of range"));
        assertTrue(
                refused(new Entry.ReadingTaken("sanitize", "probe", 110, 18))
                        .contains("corrective action"));
        enter(new Entry.CorrectiveAction("sanitize", "added 12 mL"));
        assertTrue(refused(new Entry.StepDone("sanitize")).contains("out of range"));
        enter(new Entry.ReadingTaken("sanitize", "probe", 106, 18));
        enter(new Entry.TimerStarted("sanitize"));
        now += 59_000;
        assertTrue(refused(new Entry.StepDone("sanitize")).contains("0:01"));
        now += 1_000;
        enter(new Entry.StepDone("sanitize"));
    }

    @Test
    void noDeviationExcusesAFailedReading() {
        to("sanitize");
        enter(new Entry.ReadingTaken("sanitize", "probe", 62, 18));
        enter(new Entry.Deviation("sanitize", "no time"));
        assertTrue(refused(new Entry.StepDone("sanitize")).contains("out of range"));
    }

    @Test
    void contactWithAWeakBucketDoesNotCount() {
        to("sanitize");
        enter(new Entry.TimerStarted("sanitize"));
        now += 60_000;
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
                OutOfRange.class,
                () -> enter(new Entry.ReadingTaken("sanitize", "strip", 201, 18)));
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
        assertTrue(refused(new Entry.StepDone("gap")).contains("out of range"));
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

    @Test
    void eachEnergyIsConfirmedAlongItsPath() {
        to("isolate");
        assertTrue(refused(new Entry.StepDone("isolate")).contains("Not yet confirmed"));
        finish();
        assertEquals("lock", round.current().id());
        assertTrue(refused(new Entry.Confirmed("lock", "lock:motor")).contains("number"));
        assertTrue(
                refused(new Entry.LockMoved("lock", "motor", " ", true, null)).contains("number"));
        assertTrue(
                refused(new Entry.LockMoved("lock", "spring", "17", true, null))
                        .contains("no such energy"));
        finish();
        assertEquals("17", round.locks().getFirst().lock());
        assertEquals("Maren", round.locks().getFirst().who());
    }

    @Test
    void everybodyAtTheMachineHasALockAndTakesOffOnlyTheirOwn() {
        to("off-1");
        who = "Tobiah";
        var piece = new Entry.PieceMoved("off-1", round.current().off().getFirst().key(), true);
        assertTrue(refused(piece).contains("Tobiah has no lock on"));
        enter(new Entry.LockMoved("off-1", "motor", "18", true, null));
        assertTrue(
                refused(new Entry.LockMoved("off-1", "motor", "18", true, null))
                        .contains("already on"));
        enter(piece);
        assertTrue(
                refused(new Entry.LockMoved("off-1", "motor", "17", false, null))
                        .contains("Lock 17 belongs to Maren"));
        enter(new Entry.LockMoved("off-1", "motor", "18", false, null));
        who = "Maren";
        // The last one stays until the procedure takes it off.
        assertTrue(
                refused(new Entry.LockMoved("off-1", "motor", "17", false, null))
                        .contains("stay on until step"));
        to("unlock");
        assertTrue(refused(new Entry.StepDone("unlock")).contains("Not yet confirmed"));
        // Maren has gone home: the supervisor's procedure, with its reason.
        who = "Ilse";
        assertTrue(
                refused(new Entry.LockMoved("unlock", "motor", "17", false, null))
                        .contains("belongs to Maren"));
        enter(new Entry.LockMoved("unlock", "motor", "17", false, "she was called and is away"));
        enter(new Entry.StepDone("unlock"));
        assertTrue(round.locks().isEmpty());
    }

    @Test
    void aFailedPartIsDoneAgainWithWhatItTouchedAndNothingElse() {
        to("record");
        var before = round.state();
        assertTrue(
                refused(
                                new Entry.TroubleSaid(
                                        "record", RoundPack.Trouble.Kind.FAILED, null, "crumbs"))
                        .contains("which part"));
        assertTrue(
                refused(
                                new Entry.TroubleSaid(
                                        "record", RoundPack.Trouble.Kind.FAILED, "moon", "crumbs"))
                        .contains("no such part"));
        assertEquals(before, round.state());
        enter(new Entry.TroubleSaid("record", RoundPack.Trouble.Kind.FAILED, "spring", "crumbs"));
        var after = round.state();
        assertEquals("stop", after.current());
        assertTrue(after.redo().containsKey("wash"), after.redo().toString());
        assertTrue(after.redo().get("wash").contains("spring"));
        to("off-2");
        // Only what is in the way of the spring comes off again.
        var wanted =
                round.current().off().stream()
                        .filter(
                                p ->
                                        after.redo()
                                                .get("off-2")
                                                .contains(p.key().replaceAll("#.*", "")))
                        .toList();
        wanted.forEach(p -> enter(new Entry.PieceMoved("off-2", p.key(), true)));
        enter(new Entry.StepDone("off-2"));
        while (round.current() != null) {
            finish();
        }
        assertTrue(round.state().redo().isEmpty());
        enter(new Entry.RoundClosed("record"));
        assertEquals(1, round.state().troubles().size());
    }

    @Test
    void aMachineThatMovedIsMadeSafeAgain() {
        to("off-1");
        enter(
                new Entry.TroubleSaid(
                        "off-1", RoundPack.Trouble.Kind.MACHINE_MOVED, null, "it jogged"));
        assertEquals("stop", round.current().id());
        // The lock is still on; the rest is confirmed anew.
        assertEquals(1, round.locks().size());
        to("lock");
        enter(new Entry.StepDone("lock"));
        assertTrue(refused(new Entry.StepDone("prove")).contains("comes first"));
    }

    private static final Actor MAREN = new Actor("Maren", "Maren", Role.CREW, true);
    private static final Actor RUVI = new Actor("Ruvi", "Ruvi", Role.QA, true);
    private static final Entry.ReleasePlanned PLAN =
            new Entry.ReleasePlanned(
                    "record",
                    List.of(
                            new ReleaseSite(
                                    "sight",
                                    ReleaseSite.Kind.LOOK,
                                    Text.plain("All of it"),
                                    null,
                                    null,
                                    null,
                                    null,
                                    Text.plain("eyes")),
                            new ReleaseSite(
                                    "drum-1",
                                    ReleaseSite.Kind.SWAB,
                                    Text.plain("Drum"),
                                    0.0,
                                    30.0,
                                    60.0,
                                    "RLU",
                                    Text.plain("site"))),
                    true);
    private static final Entry RELEASED = new Entry.Released("record", null, null);
    private static final Entry LOOKED = new Entry.Proof("record", "sight", null, null, true);

    private void handedOver() {
        who = "Maren";
        while (round.current() != null) {
            finish();
        }
        enter(new Entry.RoundClosed("record"));
        enter(PLAN);
    }

    private String refused(Entry e, Actor by) {
        return assertThrows(Refused.class, () -> round.accept(e, now, by)).getMessage();
    }

    private static Entry swab(double value) {
        // What the sender says of it does not count; the plan judges.
        return new Entry.Proof("record", "drum-1", value, "RLU", true);
    }

    @Test
    void itIsReleasedByWhatWasPlannedAndFoundOrSentBack() {
        assertTrue(refused(RELEASED, RUVI).contains("handed over"));
        while (round.current() != null) {
            finish();
        }
        enter(new Entry.RoundClosed("record"));
        assertTrue(refused(RELEASED, RUVI).contains("no inspection list"));
        enter(PLAN);
        assertTrue(refused(PLAN).contains("when the round was handed over"));
        assertTrue(
                refused(RELEASED, RUVI).contains("still to be found or passed: All of it; Drum"));
        assertTrue(
                refused(new Entry.Proof("record", "moon", 1.0, "RLU", true), RUVI)
                        .contains("no site “moon”"));
        assertTrue(
                refused(new Entry.Proof("record", "drum-1", null, "RLU", true), RUVI)
                        .contains("needs its value in RLU"));
        round.accept(LOOKED, now, RUVI);
        round.accept(swab(310), now, RUVI);
        assertTrue(refused(RELEASED, RUVI).contains("“Drum” did not"));
        assertTrue(
                refused(new Entry.SentBack("record", "drum", " "), RUVI).contains("what was done"));
        round.accept(new Entry.SentBack("record", "drum", "310 RLU"), now, RUVI);
        assertEquals(State.Status.OPEN, round.status());
        assertTrue(round.state().redo().containsKey("wash"));

        handedOver();
        round.accept(LOOKED, now, RUVI);
        long hour = 3_600_000;
        for (long until : new long[] {now, now - 1, now + 24 * hour + 1}) {
            assertTrue(
                    refused(new Entry.Released("record", until, "until the swab is read"), RUVI)
                            .contains("1 to 24 hours"));
        }
        long until = now + 24 * hour;
        assertTrue(refused(new Entry.Released("record", until, " "), RUVI).contains("waits for"));
        round.accept(new Entry.Released("record", until, "until the swab is read"), now, RUVI);
        assertEquals(State.Status.CONDITIONAL, round.status());
        round.accept(swab(8), now, RUVI);
        round.accept(RELEASED, now, RUVI);
        assertTrue(
                refused(new Entry.SentBack("record", "drum", "late"), RUVI)
                        .contains("already released"));
    }

    /** Each kind of entry by each role, signed and not. */
    @Test
    void whoMayDoWhat() {
        Map<Role, String> may = new TreeMap<>();
        for (Role role : Role.values()) {
            StringBuilder did = new StringBuilder();
            for (boolean signed : new boolean[] {true, false}) {
                Actor actor = new Actor("X", "X", role, signed);
                start();
                did.append(takes(new Entry.Confirmed("prepare", "none"), actor) ? "w" : "-");
                handedOver();
                did.append(takes(LOOKED, actor) ? "p" : "-");
                round.accept(LOOKED, now, RUVI);
                round.accept(swab(8), now, RUVI);
                did.append(
                        takes(new Entry.Correction("record", "id", "sink 2"), actor) ? "c" : "-");
                did.append(takes(RELEASED, actor) ? "r" : "-");
            }
            may.put(role, did.toString());
        }
        assertEquals(
                "{SUPERVISOR=wpcrwp--, CREW=w---w---, QA=-pcr-p--, AUDITOR=--------}",
                may.toString());
    }

    /** Taken, or refused for another reason than who it is. */
    private boolean takes(Entry e, Actor by) {
        try {
            round.accept(e, now, by);
            return true;
        } catch (Refused x) {
            return x.why() != Refused.Why.NOT_YOURS && x.why() != Refused.Why.NOT_SIGNED;
        }
    }

    @Test
    void whoDidTheWorkUnderWhateverNameDoesNotReleaseIt() {
        Actor supervisor = new Actor("Maren (desk)", "Maren", Role.SUPERVISOR, true);
        handedOver();
        assertTrue(refused(LOOKED, supervisor).contains("somebody else has to release"));
        round.accept(LOOKED, now, RUVI);
        round.accept(swab(8), now, RUVI);
        assertTrue(refused(RELEASED, supervisor).contains("somebody else has to release"));
        assertTrue(refused(RELEASED, MAREN).contains("for quality and supervisors"));
        round.accept(RELEASED, now, RUVI);
    }

    /** A tablet without signal says at five that the machine moved at two. */
    @Test
    void aDangerThatComesInLateHoldsTheMachine() {
        handedOver();
        round.accept(LOOKED, now, RUVI);
        round.accept(swab(8), now, RUVI);
        round.accept(RELEASED, now, RUVI);
        assertTrue(
                refused(
                                new Entry.TroubleSaid(
                                        "wash",
                                        RoundPack.Trouble.Kind.INTERRUPTED,
                                        null,
                                        "the door"))
                        .contains("closed"));
        round.accept(
                new Entry.TroubleSaid(
                        "wash", RoundPack.Trouble.Kind.MACHINE_MOVED, null, "by itself"),
                now - 5_000_000,
                MAREN);
        assertEquals(State.Status.WAITING, round.status());
        assertEquals(now, round.state().statusAt());
        assertTrue(refused(RELEASED, RUVI).contains("still to be found"));
    }

    /** The clock of a tablet says that the surface was wet before the reading was in. */
    @Test
    void contactBeginsWithItsReadingAtTheEarliest() {
        to("sanitize");
        enter(new Entry.ReadingTaken("sanitize", "probe", 110, 18));
        round.accept(new Entry.TimerStarted("sanitize"), now - 3_600_000, who);
        assertEquals(now, round.state().timers().get("sanitize"));
    }

    @Test
    void contactThatDriedStartsAnew() {
        to("sanitize");
        enter(new Entry.ReadingTaken("sanitize", "probe", 110, 18));
        enter(new Entry.TimerStarted("sanitize"));
        now += 50_000;
        enter(new Entry.ContactBroken("sanitize"));
        now += 20_000;
        assertTrue(refused(new Entry.StepDone("sanitize")).contains("Start the wet contact"));
    }

    /** Whatever is refused has changed nothing, not even a part of it. */
    @Test
    void aRefusalChangesNothing() {
        to("off-2");
        var before = round.state();
        List<Entry> bad =
                List.of(
                        new Entry.PieceMoved("off-2", "moon#1", true),
                        new Entry.Confirmed("off-2", "people-clear"),
                        new Entry.CheckMade("off-2", "gap", 1.0),
                        new Entry.CorrectiveAction("off-2", "x"),
                        new Entry.Deviation("off-2", " "),
                        new Entry.ContactBroken("off-2"),
                        new Entry.LockMoved("off-2", "motor", "99", false, null),
                        new Entry.SentBack("off-2", "drum", "x"),
                        new Entry.RoundClosed("record"));
        for (Entry e : bad) {
            refused(e);
            assertEquals(before, round.state(), e.toString());
        }
    }
}
