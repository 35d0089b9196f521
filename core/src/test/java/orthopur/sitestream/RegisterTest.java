package orthopur.sitestream;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.instrument.Instrument;
import orthopur.instrument.Measures;
import orthopur.quantity.OutOfRange;
import orthopur.round.Actor;
import orthopur.round.Refused;
import orthopur.round.Role;
import orthopur.sitestream.Register.Standing;

/** How far an instrument can be believed, and since when not. */
class RegisterTest {
    private static final long DAY = 86_400_000L;
    private static final long NOW = 100 * DAY;
    private static final Duration EVERY = Duration.ofDays(30);
    private static final Actor ILSE = new Actor("Ilse", "1", Role.SUPERVISOR, false);
    private static final Instrument PEN =
            new Instrument("pen", "pH pen", List.of(), 0.1, 0.5, Measures.PH, null, 0.0, 14.0);
    private static final Instrument STRIP =
            new Instrument(
                    "strip",
                    "Strip",
                    List.of(0.0, 50.0, 100.0, 200.0),
                    0,
                    0.5,
                    Measures.CHLORINE,
                    null,
                    null,
                    null,
                    1,
                    10);

    private final SiteStream site = new SiteStream(SiteState.NOTHING);

    private void penShows(double low, double high, long at) {
        site.accept(
                new SiteEntry.InstrumentChecked("pen", "pH", 4.01, low, 7.0, high, null, at),
                at,
                ILSE);
    }

    private void stripShows(String lot, double reference, double shown, long at) {
        site.accept(
                new SiteEntry.InstrumentChecked(
                        "strip", "mg/L", reference, shown, null, null, lot, at),
                at,
                ILSE);
    }

    private Register.Entry of(Instrument i) {
        return Register.of(i, site.state(), EVERY, NOW);
    }

    @ParameterizedTest
    @CsvSource({
        "4.01, 7.0, true",
        "4.11, 6.9, true",
        "4.12, 7.0, false",
        "4.01, 7.11, false",
        "3.9, 7.0, false"
    })
    void bothPointsHaveToBeWithinWhatItCanTell(double low, double high, boolean passes) {
        penShows(low, high, NOW - DAY);
        assertEquals(passes ? Standing.GOOD : Standing.FAILED, of(PEN).standing());
        assertEquals(passes, of(PEN).standing().usable());
    }

    @Test
    void aCheckHoldsForItsDaysAndToTheMoment() {
        assertEquals(Standing.NEVER, of(PEN).standing());
        assertTrue(of(PEN).standing().usable());
        penShows(4, 7, NOW - 30 * DAY + 1);
        assertEquals(Standing.GOOD, of(PEN).standing());
        assertEquals(NOW + 1, of(PEN).due());
        assertEquals(Standing.DUE, Register.of(PEN, site.state(), EVERY, NOW + 1).standing());
    }

    @Test
    void oneStandardIsNotEnoughForADisplayAndIsForALeaf() {
        site.accept(
                new SiteEntry.InstrumentChecked("pen", "pH", 7, 7, null, null, null, NOW),
                NOW,
                ILSE);
        assertEquals(Standing.FAILED, of(PEN).standing());
        Instrument leaf =
                new Instrument(
                        "leaf", "Leaf", List.of(), 0.02, 0.5, Measures.CLEARANCE, null, 0.5, 0.5);
        site.accept(
                new SiteEntry.InstrumentChecked("leaf", "mm", 0.5, 0.5, null, null, null, NOW),
                NOW,
                ILSE);
        assertEquals(Standing.GOOD, of(leaf).standing());
    }

    @Test
    void whatItReadSinceItsLastGoodCheckIsInDoubt() {
        penShows(4, 7, NOW - 20 * DAY);
        assertNull(of(PEN).doubtedSince());
        penShows(4, 7.4, NOW - DAY);
        assertEquals(NOW - 20 * DAY, of(PEN).doubtedSince());
        // Adjusted and checked again it is good; what was read before stays to be looked through.
        penShows(4, 7, NOW);
        assertEquals(Standing.GOOD, of(PEN).standing());
        assertNull(of(PEN).doubtedSince());
        assertEquals(
                List.of(true, false, true),
                of(PEN).checks().stream().map(Register.Check::passed).toList());
    }

    @Test
    void oneThatNeverPassedIsInDoubtForEver() {
        penShows(4, 9, NOW);
        assertEquals(0, of(PEN).doubtedSince());
    }

    @Test
    void aLotIsOpenedHeldToAStandardAndExpires() {
        assertEquals(Standing.LOT_UNCHECKED, of(STRIP).standing());
        site.accept(new SiteEntry.LotOpened("strip", "S-1", NOW + DAY), NOW - 2 * DAY, ILSE);
        assertEquals(Standing.LOT_UNCHECKED, of(STRIP).standing());
        // Between the marks 50 and 200 the mark 100 means 75 to 150.
        stripShows("S-1", 75, 100, NOW - DAY);
        assertEquals(Standing.GOOD, of(STRIP).standing());
        assertNull(of(STRIP).due());
        assertEquals(
                Standing.LOT_EXPIRED,
                Register.of(STRIP, site.state(), EVERY, NOW + DAY).standing());
        // The check of one lot says nothing about the next.
        site.accept(new SiteEntry.LotOpened("strip", "S-2", NOW + 90 * DAY), NOW, ILSE);
        assertEquals(Standing.LOT_UNCHECKED, of(STRIP).standing());
        stripShows("S-2", 160, 100, NOW);
        assertEquals(Standing.FAILED, of(STRIP).standing());
    }

    @Test
    void anExpiredLotIsNotOpened() {
        Refused no =
                assertThrows(
                        Refused.class,
                        () ->
                                site.accept(
                                        new SiteEntry.LotOpened("strip", "S-0", NOW - 1),
                                        NOW,
                                        ILSE));
        assertEquals(Refused.Why.LOT_EXPIRED, no.why());
        assertEquals(List.of("S-0"), no.said().args());
    }

    @Test
    void theUpperStandardLiesAboveTheLower() {
        OutOfRange x =
                assertThrows(
                        OutOfRange.class,
                        () ->
                                site.accept(
                                        new SiteEntry.InstrumentChecked(
                                                "pen", "pH", 7, 7, 4.0, 4.0, null, 1),
                                        1,
                                        ILSE));
        assertTrue(x.getMessage().contains("High"), x.getMessage());
        assertTrue(x.getMessage().contains("7 pH"), x.getMessage());
        assertFalse(site.state().newest().containsKey("checked/pen/1"));
    }

    @Test
    void bothAreWrittenDownAndReadAgain() {
        for (SiteEntry e :
                List.of(
                        new SiteEntry.InstrumentChecked("pen", "pH", 4.01, 4, 7.0, 7.1, null, 5),
                        new SiteEntry.InstrumentChecked(
                                "strip", "mg/L", 100, 100, null, null, "S-1", 6),
                        new SiteEntry.LotOpened("strip", "S-1", NOW))) {
            assertEquals(e, SiteEntry.read(SiteEntry.write(e)));
        }
    }
}
