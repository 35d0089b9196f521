package orthopur.sitestream;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import orthopur.quantity.OutOfRange;
import orthopur.round.Actor;
import orthopur.round.EntryValue;
import orthopur.round.Refused;
import orthopur.round.Role;
import orthopur.round.Written;

/** What is entered beside the rounds: by whom, within which bounds, and that the newest holds. */
class SiteStreamTest {
    private static final Actor MAREN = new Actor("Maren", "2", Role.CREW, false);
    private static final SiteEntry BUCKET = new SiteEntry.BucketMade("bucket-2", "h12", 12, 100.0);
    private static final SiteEntry SPARES = new SiteEntry.SparesCounted("QK-SW1", "blade", 3);
    private static final SiteEntry STOCK = new SiteEntry.StockCounted("h12", 4.5, "L");
    private static final SiteEntry KEPT =
            new SiteEntry.ProductKept("QK-DS1", "horchata", "cold room, shelf 2", 5_000L);
    private static final SiteEntry SIGNED =
            new SiteEntry.Signed("thermometers", "all four within 0.5 °C");

    private final SiteStream site = new SiteStream(SiteState.NOTHING);

    static List<SiteEntry> each() {
        return List.of(BUCKET, SPARES, STOCK, KEPT, SIGNED);
    }

    @ParameterizedTest
    @MethodSource("each")
    void isWrittenDownAndReadAgain(SiteEntry entry) {
        assertEquals(entry, SiteEntry.read(SiteEntry.write(entry)));
    }

    @ParameterizedTest
    @EnumSource(Role.class)
    void whoMayDoWhat(Role role) {
        Actor unsigned = new Actor("A", "1", role, false);
        Actor signed = new Actor("A", "1", role, true);
        boolean works = role == Role.CREW || role == Role.SUPERVISOR;
        boolean looks = role == Role.QA || role == Role.SUPERVISOR;
        assertEquals(works, taken(BUCKET, unsigned));
        assertEquals(works, taken(KEPT, unsigned));
        assertEquals(works || looks, taken(SPARES, unsigned));
        assertEquals(works || looks, taken(STOCK, unsigned));
        assertEquals(false, taken(SIGNED, unsigned));
        assertEquals(works || looks, taken(SIGNED, signed));
    }

    private boolean taken(SiteEntry e, Actor by) {
        SiteState before = site.state();
        try {
            site.accept(e, 1, by);
            return true;
        } catch (Refused x) {
            assertEquals(before, site.state());
            return false;
        }
    }

    @Test
    void theNewestHoldsWhateverComesInLast() {
        site.accept(SPARES, 2_000, MAREN);
        site.accept(new SiteEntry.SparesCounted("QK-SW1", "blade", 9), 1_000, MAREN);
        assertEquals(SPARES, site.state().spares("QK-SW1", "blade").entry());
        site.accept(new SiteEntry.SparesCounted("QK-SW1", "blade", 0), 3_000, MAREN);
        assertEquals(3_000, site.state().spares("QK-SW1", "blade").at());
        SiteStream again = new SiteStream(site.state());
        assertEquals(site.state(), again.state());
    }

    static List<SiteEntry> bad() {
        return List.of(
                new SiteEntry.SparesCounted("QK-SW1", "blade", -1),
                new SiteEntry.SparesCounted("QK-SW1", "blade", 1000),
                new SiteEntry.SparesCounted("QK-SW1", " ", 1),
                new SiteEntry.BucketMade("b", "h12", 0, null),
                new SiteEntry.BucketMade("b", "h12", Double.NaN, null),
                new SiteEntry.BucketMade("b", "h12", 10, -1.0),
                new SiteEntry.StockCounted("h12", -0.5, "L"),
                new SiteEntry.ProductKept("QK-DS1", "horchata", "", null));
    }

    @ParameterizedTest
    @MethodSource("bad")
    void outsideItsDomainItIsRefusedByName(SiteEntry entry) {
        OutOfRange x = assertThrows(OutOfRange.class, () -> site.accept(entry, 1, MAREN));
        assertTrue(x.getMessage().length() > 10, x.getMessage());
        assertEquals(SiteState.NOTHING, site.state());
    }

    @Test
    void isNoEntryWithoutItsFiguresInTheirUnits() {
        for (Written w :
                List.of(
                        new Written("piece-off", "", List.of()),
                        new Written("bucket-made", "", List.of()),
                        new Written(
                                "stock-counted",
                                "",
                                List.of(
                                        new EntryValue("chemical", null, null, "h12"),
                                        new EntryValue("amount", 4.0, "gal", null))),
                        new Written(
                                "spares-counted",
                                "",
                                List.of(
                                        new EntryValue("machine", null, null, "QK-SW1"),
                                        new EntryValue("part", null, null, "blade"),
                                        new EntryValue("count", 1.5, "pieces", null))))) {
            assertThrows(Written.NotAnEntry.class, () -> SiteEntry.read(w), w.toString());
        }
    }
}
