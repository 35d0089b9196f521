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

    private static final List<Energy> ALL = List.of(CORD, AIR, SPRING, OVEN);

    private static Night night(int crew) {
        return new Night(
                new SheetIndex(Bench.sheet(List.of(Bench.part("drum").fixed().build()), ALL)),
                crew);
    }

    private static EnergyAt at(Energy energy) {
        return new EnergyAt(ALL.indexOf(energy));
    }

    private static void go(Night n, EnergyAt energy, EnergyStage... stages) {
        for (EnergyStage s : stages) {
            n.advance(energy, s);
        }
    }

    @Test
    void aCordIsHarmlessUnpluggedAloneAndLockedInCompany() {
        Night alone = night(1);
        go(alone, at(CORD), EnergyStage.STOPPED, EnergyStage.UNPLUGGED);
        assertTrue(alone.harmless(at(CORD)));
        Night two = night(2);
        go(two, at(CORD), EnergyStage.STOPPED, EnergyStage.UNPLUGGED);
        assertFalse(two.harmless(at(CORD)));
        go(two, at(CORD), EnergyStage.LOCKED);
        assertTrue(two.harmless(at(CORD)) && two.locked(at(CORD)));
    }

    @Test
    void suppliedEnergyGoesAllSixStages() {
        Night n = night(1);
        go(
                n,
                at(AIR),
                EnergyStage.STOPPED,
                EnergyStage.ISOLATED,
                EnergyStage.LOCKED,
                EnergyStage.RELIEVED);
        assertFalse(n.harmless(at(AIR)));
        go(n, at(AIR), EnergyStage.PROVED);
        assertTrue(n.harmless(at(AIR)));
    }

    @Test
    void storedEnergyIsRelievedAndProvedHeatIsCooled() {
        Night n = night(1);
        go(n, at(SPRING), EnergyStage.RELIEVED);
        assertEquals(EnergyStage.LIVE, n.stage(at(SPRING)), "its motor still runs");
        go(n, at(AIR), EnergyStage.STOPPED);
        go(n, at(SPRING), EnergyStage.RELIEVED);
        go(n, at(SPRING), EnergyStage.PROVED);
        assertEquals(EnergyStage.RELIEVED, n.stage(at(SPRING)), "its motor is not cut off");
        go(n, at(AIR), EnergyStage.ISOLATED);
        go(n, at(SPRING), EnergyStage.PROVED);
        assertTrue(n.harmless(at(SPRING)));
        go(n, at(OVEN), EnergyStage.COOLED);
        assertFalse(n.harmless(at(OVEN)), "nothing cools while something is still on");
        go(n, at(CORD), EnergyStage.UNPLUGGED);
        go(n, at(OVEN), EnergyStage.COOLED);
        assertTrue(n.harmless(at(OVEN)));
    }

    @Test
    void outOfOrderOnlyCuttingOffHasAnEffect() {
        Night n = night(1);
        go(n, at(AIR), EnergyStage.PROVED);
        assertEquals(EnergyStage.LIVE, n.stage(at(AIR)));
        go(n, at(AIR), EnergyStage.LOCKED);
        assertEquals(EnergyStage.LIVE, n.stage(at(AIR)));
        assertFalse(n.locked(at(AIR)), "a lock on a closed switch locks nothing");
        go(n, at(AIR), EnergyStage.ISOLATED);
        assertEquals(
                EnergyStage.ISOLATED, n.stage(at(AIR)), "an open valve is open in whatever order");
        go(n, at(CORD), EnergyStage.UNPLUGGED);
        assertTrue(n.harmless(at(CORD)));
    }

    @Test
    void aStageThatIsNotOnThePathChangesNothing() {
        Night n = night(1);
        go(n, at(CORD), EnergyStage.PROVED, EnergyStage.RELIEVED);
        assertEquals(EnergyStage.LIVE, n.stage(at(CORD)));
        assertTrue(n.inOrder(at(CORD), EnergyStage.PROVED), "and is not out of order either");
    }

    @Test
    void unlockingGoesBackAndRevivingChargesWhatIsFed() {
        Night n = night(1);
        go(
                n,
                at(AIR),
                EnergyStage.STOPPED,
                EnergyStage.ISOLATED,
                EnergyStage.LOCKED,
                EnergyStage.RELIEVED,
                EnergyStage.PROVED);
        go(n, at(SPRING), EnergyStage.RELIEVED, EnergyStage.PROVED);
        n.unlock(at(AIR));
        assertEquals(EnergyStage.ISOLATED, n.stage(at(AIR)));
        assertTrue(n.harmless(at(SPRING)));
        n.revive(at(AIR));
        assertEquals(EnergyStage.LIVE, n.stage(at(AIR)));
        assertEquals(
                EnergyStage.LIVE, n.stage(at(SPRING)), "the spring is charged again with the air");
    }
}
