package orthopur.runthrough;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.EnergyStage;
import orthopur.testbench.Bench;

/** The path of each kind of energy, in order and out of it. */
class EnergyPathTest {
    private static final Energy CORD = Bench.energy("cord", EnergyKind.CORD, null, null, "drum");
    private static final Energy AIR = Bench.energy("air", EnergyKind.SUPPLIED, null, null, "drum");
    private static final Energy SPRING =
            Bench.energy("spring", EnergyKind.STORED, "drum", "air", "drum");
    private static final Energy OVEN = Bench.energy("oven", EnergyKind.HEAT, "drum", null, "drum");

    private static Night night(int crew) {
        return new Night(
                new SheetIndex(
                        Bench.sheet(
                                List.of(Bench.part("drum").fixed().build()),
                                List.of(CORD, AIR, SPRING, OVEN))),
                crew);
    }

    private static void go(Night n, int energy, EnergyStage... stages) {
        for (EnergyStage s : stages) {
            n.advance(energy, s);
        }
    }

    @Test
    void aCordIsHarmlessUnpluggedAloneAndLockedInCompany() {
        Night alone = night(1);
        go(alone, 0, EnergyStage.STOPPED, EnergyStage.UNPLUGGED);
        assertTrue(alone.harmless(0));
        Night two = night(2);
        go(two, 0, EnergyStage.STOPPED, EnergyStage.UNPLUGGED);
        assertFalse(two.harmless(0));
        go(two, 0, EnergyStage.LOCKED);
        assertTrue(two.harmless(0) && two.locked(0));
    }

    @Test
    void suppliedEnergyGoesAllSixStages() {
        Night n = night(1);
        go(
                n,
                1,
                EnergyStage.STOPPED,
                EnergyStage.ISOLATED,
                EnergyStage.LOCKED,
                EnergyStage.RELIEVED);
        assertFalse(n.harmless(1));
        go(n, 1, EnergyStage.PROVED);
        assertTrue(n.harmless(1));
    }

    @Test
    void storedEnergyIsRelievedAndProvedHeatIsCooled() {
        Night n = night(1);
        go(n, 2, EnergyStage.RELIEVED);
        assertEquals(EnergyStage.LIVE, n.stage(2), "its motor still runs");
        go(n, 1, EnergyStage.STOPPED);
        go(n, 2, EnergyStage.RELIEVED);
        go(n, 2, EnergyStage.PROVED);
        assertEquals(EnergyStage.RELIEVED, n.stage(2), "its motor is not cut off");
        go(n, 1, EnergyStage.ISOLATED);
        go(n, 2, EnergyStage.PROVED);
        assertTrue(n.harmless(2));
        go(n, 3, EnergyStage.COOLED);
        assertFalse(n.harmless(3), "nothing cools while something is still on");
        go(n, 0, EnergyStage.UNPLUGGED);
        go(n, 3, EnergyStage.COOLED);
        assertTrue(n.harmless(3));
    }

    @Test
    void outOfOrderOnlyCuttingOffHasAnEffect() {
        Night n = night(1);
        go(n, 1, EnergyStage.PROVED);
        assertEquals(EnergyStage.LIVE, n.stage(1));
        go(n, 1, EnergyStage.LOCKED);
        assertEquals(EnergyStage.LIVE, n.stage(1));
        assertFalse(n.locked(1), "a lock on a closed switch locks nothing");
        go(n, 1, EnergyStage.ISOLATED);
        assertEquals(EnergyStage.ISOLATED, n.stage(1), "an open valve is open in whatever order");
        go(n, 0, EnergyStage.UNPLUGGED);
        assertTrue(n.harmless(0));
    }

    @Test
    void aStageThatIsNotOnThePathChangesNothing() {
        Night n = night(1);
        go(n, 0, EnergyStage.PROVED, EnergyStage.RELIEVED);
        assertEquals(EnergyStage.LIVE, n.stage(0));
        assertTrue(n.inOrder(0, EnergyStage.PROVED), "and is not out of order either");
    }

    @Test
    void unlockingGoesBackAndRevivingChargesWhatIsFed() {
        Night n = night(1);
        go(
                n,
                1,
                EnergyStage.STOPPED,
                EnergyStage.ISOLATED,
                EnergyStage.LOCKED,
                EnergyStage.RELIEVED,
                EnergyStage.PROVED);
        go(n, 2, EnergyStage.RELIEVED, EnergyStage.PROVED);
        n.unlock(1);
        assertEquals(EnergyStage.ISOLATED, n.stage(1));
        assertTrue(n.harmless(2));
        n.revive(1);
        assertEquals(EnergyStage.LIVE, n.stage(1));
        assertEquals(EnergyStage.LIVE, n.stage(2), "the spring is charged again with the air");
    }
}
