package orthopur.sitestream;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import orthopur.quantity.OutOfRange;
import orthopur.round.Actor;
import orthopur.round.Refused;
import orthopur.round.Role;
import orthopur.sitestream.Shelf.Standing;

/** What stands in the vessels of a site, and what may be done with it. */
class ShelfTest {
    private static final long MADE = 1_000_000_000L;
    private static final long HOUR = 3_600_000L;
    private static final Actor MAREN = new Actor("Maren", "2", Role.CREW, false);
    private static final Actor TOBIAH = new Actor("Tobiah", "3", Role.CREW, false);

    private final SiteStream site = new SiteStream(SiteState.NOTHING);

    @BeforeEach
    void made() {
        site.accept(bucket("sink-3", "K7Q2M"), MADE, MAREN);
    }

    private static SiteEntry bucket(String vessel, String label) {
        return new SiteEntry.BucketMade(
                vessel,
                "halvern-h12",
                40,
                110.0,
                label,
                18.0,
                7.4,
                MADE + 4 * HOUR,
                "habit",
                "slicer");
    }

    private static SiteEntry read(double mgPerL, long at) {
        return new SiteEntry.SolutionRead("K7Q2M", "probe-2", mgPerL, 18, at);
    }

    private static SiteEntry fading(double mgPerL, long at, long until) {
        return new SiteEntry.SolutionRead("K7Q2M", "probe-2", mgPerL, 18, at, until, "fades");
    }

    private static SiteEntry added(double litres, double drained, long at) {
        return new SiteEntry.SolutionCorrected("K7Q2M", "add", litres, drained, at);
    }

    private Shelf.Solution solution() {
        return Shelf.labeled(site.state(), "K7Q2M");
    }

    @Test
    void itsReadingsStandInTheOrderOfTimeWhateverComesInFirst() {
        site.accept(read(104, MADE + 20), MADE + 20, TOBIAH);
        site.accept(read(110, MADE + 10), MADE + 10, MAREN);
        assertEquals(
                List.of(110.0, 104.0),
                solution().readings().stream().map(Shelf.Read::mgPerL).toList());
        assertEquals("Tobiah", solution().readings().getLast().who());
    }

    @Test
    void itIsCalledOutAQuarterOfAnHourBeforeItsEnd() {
        long end = MADE + 4 * HOUR;
        assertEquals(Standing.FRESH, solution().standing(end - Shelf.CALLED - 1));
        assertEquals(Standing.SOON, solution().standing(end - Shelf.CALLED));
        assertEquals(Standing.SOON, solution().standing(end));
        assertEquals(Standing.OVER, solution().standing(end + 1));
    }

    @Test
    void onceCorrectedItWaitsForAReading() {
        site.accept(read(90, MADE + 10), MADE + 10, MAREN);
        site.accept(added(0.5, 2, MADE + 20), MADE + 20, MAREN);
        assertEquals(Standing.UNREAD, solution().standing(MADE + 30));
        assertEquals(38.5, solution().litres(), 1e-9);
        // Somebody else tops it up as well, without signal: both happened, and it is not read yet.
        site.accept(added(0.5, 0, MADE + 25), MADE + 25, TOBIAH);
        assertEquals(39, solution().litres(), 1e-9);
        assertEquals(2, solution().corrections().size());
        assertEquals(Standing.UNREAD, solution().standing(MADE + 30));
        site.accept(read(118, MADE + 40), MADE + 40, TOBIAH);
        assertEquals(Standing.FRESH, solution().standing(MADE + 50));
        // It is neither younger nor cleaner for it.
        assertEquals(MADE + 4 * HOUR, solution().until());
    }

    @Test
    void pouredOutItIsNoSolutionAnyMoreAndAnotherTakesItsPlace() {
        site.accept(new SiteEntry.VesselEmptied("sink-3", true), MADE + HOUR, MAREN);
        assertEquals(Standing.OUT, solution().standing(MADE + HOUR));
        assertEquals(MADE + HOUR, solution().emptiedAt());
        Refused no =
                assertThrows(
                        Refused.class,
                        () -> site.accept(read(100, MADE + HOUR + 1), MADE + HOUR + 1, MAREN));
        assertEquals(Refused.Why.NO_SOLUTION, no.why());
        site.accept(bucket("sink-3", "P4R8T"), MADE + 2 * HOUR, MAREN);
        assertNull(Shelf.labeled(site.state(), "K7Q2M"));
        assertEquals(
                Standing.FRESH, Shelf.labeled(site.state(), "P4R8T").standing(MADE + 2 * HOUR));
    }

    @Test
    void oneLabelStandsForOneSolution() {
        Refused no =
                assertThrows(
                        Refused.class,
                        () -> site.accept(bucket("red-bucket", "K7Q2M"), MADE + 1, TOBIAH));
        assertEquals(Refused.Why.LABEL_TAKEN, no.why());
        assertEquals(List.of("K7Q2M", "sink-3"), no.said().args());
        assertEquals(1, Shelf.of(site.state()).size());
    }

    /**
     * A reading shortens the life of a solution and never lengthens it; a correction starts anew.
     */
    @Test
    void whatAReadingSaysOfItsEndHoldsUntilItIsCorrected() {
        site.accept(fading(104, MADE + 10, MADE + 2 * HOUR), MADE + 10, MAREN);
        site.accept(fading(103, MADE + 20, MADE + 9 * HOUR), MADE + 20, MAREN);
        assertEquals(MADE + 2 * HOUR, solution().until());
        assertEquals("fades", solution().why());
        assertEquals(Standing.OVER, solution().standing(MADE + 2 * HOUR + 1));
        site.accept(added(0.01, 0, MADE + 30), MADE + 30, MAREN);
        assertEquals(MADE + 4 * HOUR, solution().until());
        assertEquals("habit", solution().why());
        assertEquals("slicer", solution().purpose());
    }

    @Test
    void aReasonThatIsNoneIsRefusedByItsName() {
        SiteEntry odd =
                new SiteEntry.SolutionRead("K7Q2M", "p", 104, 18, MADE + 10, MADE + 20, "tired");
        OutOfRange x = assertThrows(OutOfRange.class, () -> site.accept(odd, MADE + 10, MAREN));
        assertEquals("why", x.quantity());
    }

    /** A container that comes tomorrow was not opened today. */
    @Test
    void aContainerIsDeliveredBeforeItIsOpened() {
        long day = 24 * HOUR;
        site.accept(new SiteEntry.ContainerOpened("h12", MADE - 30 * day, 24), MADE, MAREN);
        for (SiteEntry wrong :
                List.of(
                        new SiteEntry.ContainerOpened("h12", MADE + day, 24),
                        new SiteEntry.ContainerOpened("h12", MADE, 90),
                        new SiteEntry.ContainerOpened(" ", MADE, 20))) {
            assertThrows(OutOfRange.class, () -> site.accept(wrong, MADE, MAREN));
        }
    }
}
