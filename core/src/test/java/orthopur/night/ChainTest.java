package orthopur.night;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import orthopur.night.Night.After;
import orthopur.night.Night.Job;

/** From when on a clean cannot be made any more, and what a second one would take. */
class ChainTest {
    private static Job job(
            String id, int minutes, int earliest, @Nullable Integer wanted, After... after) {
        return Job.byHand(id, "clean", minutes)
                .withAfter(List.of(after))
                .withEarliest(earliest)
                .withWantedBy(wanted)
                .withMust(true);
    }

    private static final List<Job> CLEAN =
            List.of(
                    job("apart", 20, 60, null),
                    job("soak", 30, 60, null, new After("apart", 0, null)),
                    job("wash", 15, 60, null, new After("apart", 0, null)),
                    job(
                            "together",
                            10,
                            60,
                            400,
                            new After("soak", 5, null),
                            new After("wash", 0, 90)));

    @Test
    void takesItsLongestWayWheneverProductionLeavesTheMachine() {
        assertEquals(65, Chain.minutes(CLEAN).orElseThrow());
        assertEquals(125, Chain.end(CLEAN).orElseThrow());
        assertEquals(335, Chain.latest(CLEAN).orElseThrow());
    }

    @Test
    void whatNobodyWaitsForHasNoLatestAndACircleNoLength() {
        assertTrue(Chain.latest(List.of(job("a", 10, 0, null))).isEmpty());
        List<Job> circle =
                List.of(
                        job("a", 10, 0, 100, new After("b", 0, null)),
                        job("b", 10, 0, null, new After("a", 0, null)));
        assertTrue(Chain.minutes(circle).isEmpty());
        assertTrue(Chain.latest(circle).isEmpty());
        assertEquals(-5, Chain.latest(List.of(job("a", 15, 0, 10))).orElseThrow());
    }
}
