package orthopur.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.runthrough.Finding;
import orthopur.testbench.Bench;

/** T1, T2, T11, T14: each broken once and just kept. */
class TeardownRulesTest {
    @Test
    void t1WhatIsInFrontComesOffFirst() {
        Procedure p = Bench.moved("off-2", "off-1");
        assertEquals(List.of("T1@off-2"), Bench.roots(p));
        assertEquals(
                List.of(), Bench.roots(p.apply(Bench.only(p, "T1").remedies().getFirst().edits())));
    }

    @Test
    void t1TheOrderWithinOneStepCounts() {
        assertEquals(
                List.of(),
                Bench.roots(
                        Bench.without("off-2")
                                .apply(
                                        List.of(
                                                change(
                                                        "off-1",
                                                        new Action.Remove(
                                                                List.of(
                                                                        "hopper", "guard", "spring",
                                                                        "seal"),
                                                                null,
                                                                "sink"))))));
        assertEquals(
                List.of("T1@off-1"),
                Bench.roots(
                        Bench.without("off-2")
                                .apply(
                                        List.of(
                                                change(
                                                        "off-1",
                                                        new Action.Remove(
                                                                List.of(
                                                                        "spring", "hopper", "guard",
                                                                        "seal"),
                                                                null,
                                                                "sink"))))));
    }

    private static orthopur.procedure.Edit change(String id, Action a) {
        Procedure p = Bench.good();
        return new orthopur.procedure.Edit.Change(id, p.steps().get(p.placeOf(id)).with(a));
    }

    @Test
    void t2WhatIsNotPutBackAndOneOfTwo() {
        Procedure p =
                Bench.with("on", new Action.Install(List.of("spring", "seal", "guard"), null));
        assertEquals(List.of("T2@off-1"), Bench.roots(p));
        assertEquals(
                List.of(), Bench.roots(p.apply(Bench.only(p, "T2").remedies().getFirst().edits())));

        Procedure one =
                Bench.with("on", new Action.Install(List.of("hopper", "spring", "guard"), null))
                        .apply(
                                List.of(
                                        new orthopur.procedure.Edit.InsertBefore(
                                                "clear",
                                                new orthopur.procedure.Step(
                                                        "on-seal",
                                                        new Action.Install(List.of("seal"), 1),
                                                        "",
                                                        null,
                                                        null,
                                                        1,
                                                        1))));
        Finding f = Bench.only(one, "T2");
        assertTrue(f.message().contains("1 of 2"), f.message());
    }

    @Test
    void t2ElevenOfTwoIsImpossible() {
        Procedure p = Bench.with("off-2", new Action.Remove(List.of("spring", "seal"), 11, "sink"));
        assertTrue(Bench.roots(p).contains("T2@off-2"), Bench.roots(p).toString());
    }

    @Test
    void t11AGuardLeftOffIsTheRootOfAllThatFollows() {
        Procedure p =
                Bench.with("on", new Action.Install(List.of("spring", "hopper", "seal"), null));
        assertEquals(List.of("T11@live"), Bench.roots(p));
        assertEquals(
                List.of(),
                Bench.roots(p.apply(Bench.only(p, "T11").remedies().getFirst().edits())));
    }

    @Test
    void t11GuardsOnButNobodyLooked() {
        assertEquals(
                List.of("T11@live"),
                Bench.roots(Bench.with("clear", new Action.Clear(true, true, false))));
    }

    @Test
    void t14MovedAsideAndNotBack() {
        Procedure p = Bench.without("back");
        assertEquals(List.of("T14@live"), Bench.roots(p));
        assertEquals(
                List.of(),
                Bench.roots(p.apply(Bench.only(p, "T14").remedies().getFirst().edits())));
    }
}
