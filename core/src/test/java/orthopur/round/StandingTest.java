package orthopur.round;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.round.Standing.Use;
import orthopur.round.Standing.Waits;
import orthopur.round.Standing.Where;
import orthopur.round.State.Status;
import orthopur.round.State.TroubleState;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.Trouble;
import orthopur.testbench.Bench;
import orthopur.text.Text;

/** How a machine stands: what nobody has said is not clean. */
class StandingTest {
    private static final long HOUR = 3_600_000;
    private static final long NOW = 1_800_000_000_000L;
    private static final RoundPack CLEAN = compiled(Bench.good());

    private static RoundPack compiled(Procedure p) {
        return PackCompiler.compile(p, 1, Bench.SHEET, Bench.CONTEXT, List.of());
    }

    private static State state(
            Status status, @Nullable Long at, @Nullable Long until, List<TroubleState> troubles) {
        State s = State.START;
        return new State(
                null,
                s.done(),
                s.off(),
                s.timers(),
                s.readings(),
                s.checks(),
                s.confirmed(),
                s.locks(),
                troubles,
                s.redo(),
                s.deviated(),
                s.proofs(),
                status,
                at,
                until,
                null,
                0,
                List.of(),
                false,
                s.solutions());
    }

    private static Standing after(RoundPack pack, State s, @Nullable Use use) {
        return Standing.of(new Standing.Round(pack, s, NOW - 3 * HOUR), use, 4 * HOUR, NOW);
    }

    private static Standing released(RoundPack pack, @Nullable Long until, @Nullable Use use) {
        return after(pack, state(Status.RELEASED, NOW - HOUR, until, List.of()), use);
    }

    @Test
    void ofWhichNothingIsKnownItIsDirty() {
        Standing s = Standing.of(null, null, null, NOW);
        assertEquals(Where.DIRTY, s.where());
        assertEquals(Waits.FIRST_CLEANING, s.waits());
        assertNull(s.since());
    }

    @Test
    void itIsCleanedLookedAtAndReleased() {
        State open = state(Status.OPEN, null, null, List.of());
        assertEquals(Where.CLEANING, after(CLEAN, open, null).where());
        State waiting = state(Status.WAITING, NOW - HOUR, null, List.of());
        assertEquals(Waits.A_LOOK, after(CLEAN, waiting, null).waits());
        assertEquals(Where.RELEASED, released(CLEAN, null, null).where());
        assertEquals(Waits.FULL_RELEASE, released(CLEAN, NOW + 1, null).waits());
        Standing over = released(CLEAN, NOW - 1, null);
        assertEquals(Where.HELD, over.where());
        assertTrue(over.over());
    }

    /** By what was done, not by the word that is shown for it. */
    @Test
    void aReleasedRoundThatCleansNothingLeavesItDirty() {
        Procedure washed = Bench.good();
        List<Edit> without =
                washed.steps().stream()
                        .filter(x -> List.of("wash", "sanitize").contains(x.action().name()))
                        .map(x -> (Edit) new Edit.Delete(x.id()))
                        .toList();
        RoundPack oiled = compiled(washed.apply(without));
        assertEquals(Waits.A_CLEAN, released(oiled, null, null).waits());
    }

    @Test
    void packsFromBeforeTheNameWasKeptGoByTheVerbThatWasShownThen() {
        assertTrue(step("Run program", null).cleans());
        assertTrue(step("Circulate", null).sanitizes());
        assertTrue(step("Laver", "wash").cleans(), "another language changes nothing");
        assertEquals(false, step("Wash", "lubricate").cleans());
    }

    private static PackStep step(String verb, @Nullable String action) {
        return new PackStep(
                "s",
                1,
                "",
                verb,
                Text.plain(""),
                "",
                null,
                null,
                1,
                List.of(),
                List.of(),
                null,
                null,
                null,
                List.of(),
                List.of(),
                false,
                List.of(),
                List.of(),
                Map.of(),
                action,
                null);
    }

    @Test
    void inUseItHasToBeCleanedInTimeAndWhatMadeItDirtyIsSaid() {
        Standing used = released(CLEAN, null, new Use(true, "", NOW - HOUR / 2));
        assertEquals(Where.IN_USE, used.where());
        assertEquals(NOW + 3 * HOUR + HOUR / 2, used.until());
        assertTrue(released(CLEAN, null, new Use(true, "", NOW - HOUR)).until() > NOW);
        Standing dirty = released(CLEAN, null, new Use(false, "dropped", NOW));
        assertEquals(Waits.CLEANING, dirty.waits());
        // What was said before the release is answered by it.
        assertEquals(
                Where.RELEASED, released(CLEAN, null, new Use(true, "", NOW - 2 * HOUR)).where());
    }

    @Test
    void aDangerToldLateHoldsItWhateverItIsUsedFor() {
        TroubleState late =
                new TroubleState(
                        Trouble.Kind.MACHINE_MOVED, null, "by itself", "s", "Maren", NOW, true);
        State held = state(Status.WAITING, NOW, null, List.of(late));
        Standing s = after(CLEAN, held, new Use(true, "", NOW));
        assertEquals(Where.HELD, s.where());
        assertEquals(Waits.NEW_LOOK, s.waits());
    }
}
