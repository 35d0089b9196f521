package orthopur.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.machine.EndState;
import orthopur.machine.EnergyKind;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Remedy;
import orthopur.procedure.Schools;
import orthopur.procedure.Step;
import orthopur.testbench.Bench;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/** L1–L5: each broken once and just kept. */
class LockoutRulesTest {
    @Test
    void theGoodProcedureKeepsEveryRule() {
        assertEquals(List.of(), Bench.roots(Bench.good()));
    }

    @Test
    void l1HandsInBeforeTheEndOfThePath() {
        assertEquals(
                List.of("L1@aside"),
                Bench.roots(
                        Bench.moved("prove", "scrape")
                                .apply(
                                        List.of(
                                                new Edit.InsertBefore(
                                                        "off-1",
                                                        new Step(
                                                                "prove-t",
                                                                new Action.Prove(
                                                                        List.of("tension")),
                                                                "",
                                                                null,
                                                                null,
                                                                1,
                                                                1))))));
    }

    @Test
    void l1DoesNotConcernAPartAtTheSink() {
        Procedure p = Bench.good();
        // The spring is washed at the sink while nothing in its zone is mounted: no finding.
        assertTrue(Bench.roots(p).stream().noneMatch(r -> r.startsWith("L")));
    }

    @Test
    void l1HandsInAfterTheMachineIsLiveAgain() {
        Procedure p =
                Bench.good()
                        .apply(
                                List.of(
                                        new Edit.InsertBefore(
                                                "record",
                                                new Step(
                                                        "wipe",
                                                        new Action.DryClean(List.of("drum")),
                                                        "",
                                                        null,
                                                        null,
                                                        1,
                                                        1))));
        assertTrue(Bench.roots(p).contains("L1@wipe"), Bench.roots(p).toString());
    }

    @Test
    void l1ACordInSoleControlIsUnpluggedWithASecondPersonLocked() {
        MachineSheet cord =
                Bench.sheet(
                        List.of(
                                Bench.part("drum")
                                        .fixed()
                                        .surface("drum-1", 2, EndState.WIPED)
                                        .build()),
                        List.of(Bench.energy("cord", EnergyKind.CORD, null, null, "drum")));
        assertEquals(0, cordVerdict(cord, 1).stops());
        Verdict two = cordVerdict(cord, 2);
        assertEquals("L1", two.findings().getFirst().rule());
        assertTrue(two.findings().getFirst().because().contains("sole control"));
    }

    private static Verdict cordVerdict(MachineSheet sheet, int people) {
        List<Step> steps =
                List.of(
                        new Step(
                                "s",
                                new Action.Operate(Action.Mode.STOP, List.of("cord"), List.of()),
                                "",
                                null,
                                null,
                                1,
                                1),
                        new Step("i", new Action.Isolate(List.of("cord")), "", null, null, 1, 1),
                        new Step(
                                "w",
                                new Action.Wash(List.of("drum"), Bench.soap(), null),
                                "",
                                null,
                                null,
                                1,
                                1));
        return Verifier.verify(
                new Procedure(
                        "c",
                        "c",
                        "BENCH",
                        1,
                        "b",
                        Frequency.DAILY,
                        new Schools(false),
                        people,
                        List.of(),
                        steps),
                sheet,
                Bench.CONTEXT);
    }

    @Test
    void l2LockBeforeIsolateIsTheRootOfWhatFollows() {
        Procedure p = Bench.moved("lock", "isolate");
        assertEquals("L2@lock", Bench.roots(p).getFirst());
        assertTrue(
                Bench.verify(p).findings().stream()
                        .anyMatch(f -> f.rule().equals("L1") && f.under() != null));
    }

    @Test
    void l2IsMendedByDoingFirstWhatIsMissing() {
        Procedure p = Bench.moved("lock", "isolate");
        Remedy r = Bench.verify(p).findings().getFirst().remedies().getFirst();
        assertEquals(List.of(), Bench.roots(p.apply(r.edits())));
    }

    @Test
    void l3AnEnergyNobodyMakesSafeWithL1UnderIt() {
        Procedure p = Bench.without("stop", "isolate", "lock", "unlock");
        p =
                p.apply(
                        List.of(
                                new Edit.Change(
                                        "relieve",
                                        step(p, "relieve", new Action.Relieve(List.of("tension")))),
                                new Edit.Change(
                                        "prove",
                                        step(p, "prove", new Action.Prove(List.of("tension"))))));
        assertEquals(List.of("L3@aside"), Bench.roots(p));
        Remedy r = Bench.only(p, "L3").remedies().getFirst();
        assertTrue(Bench.verify(p.apply(r.edits())).stops() <= 1);
    }

    private static Step step(Procedure p, String id, Action a) {
        return p.steps().get(p.placeOf(id)).with(a);
    }

    @Test
    void l4StoredEnergyInThePartThatIsLoosened() {
        Procedure p = Bench.with("relieve", new Action.Relieve(List.of("motor")));
        p =
                p.apply(
                        List.of(
                                new Edit.Change(
                                        "prove",
                                        step(p, "prove", new Action.Prove(List.of("motor"))))));
        assertEquals(List.of("L4@off-2"), Bench.roots(p));
        assertEquals(
                List.of(), Bench.roots(p.apply(Bench.only(p, "L4").remedies().getFirst().edits())));
    }

    @Test
    void l5LiveWithoutClearingOrWithALockStillOn() {
        assertEquals(List.of("L5@live"), Bench.roots(Bench.without("unlock")));
        Procedure p = Bench.with("clear", new Action.Clear(false, true, true));
        assertEquals(List.of("L5@live"), Bench.roots(p));
        assertEquals(
                List.of(), Bench.roots(p.apply(Bench.only(p, "L5").remedies().getFirst().edits())));
    }

    @Test
    void l5WhatWasClearedDoesNotOutlastHandsIn() {
        assertTrue(
                Bench.roots(Bench.moved("clear", "on")).contains("L5@live")
                        || Bench.roots(Bench.moved("clear", "on")).contains("T11@live"));
    }
}
