package orthopur.sitestream;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
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

    private static final List<SiteEntry> OF_UPKEEP =
            List.of(
                    new SiteEntry.TaskDone("QK-SL1/upkeep/feet", 1_000),
                    new SiteEntry.CountRead("QK-DS1", "portions", 1200, false, 1_000),
                    new SiteEntry.SignSeen("QK-TO1", "filter lamp lit", true, 1_000),
                    new SiteEntry.EventSaid("QK-SL1", "spill", 1_000),
                    new SiteEntry.OutOfUse("QK-SL1", true, "guard broken", 1_000),
                    new SiteEntry.KitFitted("QK-DS1", "seals", 1_000),
                    new SiteEntry.SettingRead("QK-OV1", "left", 228, "°C", 1_000),
                    new SiteEntry.SettingLetRun(
                            "QK-OV1", "left", 240, "°C", "Pell", "burner", 90_000, 1_000),
                    new SiteEntry.PlateRead("QK-OV1", "TO 1200", "0417", 1_000),
                    new SiteEntry.PlateRead("QK-OV1", "TO 1200", "", 1_000),
                    new SiteEntry.NightSaid("2026-11-29", "late", "7", 60, null, false, 1_000),
                    new SiteEntry.NightSaid(
                            "2026-11-29", "no-hot-water", "", 120, null, true, 1_000),
                    new SiteEntry.NightSaid(
                            "2026-11-29", "handed-over", "sl1@2", 0, "hurt hand", false, 1_000),
                    new SiteEntry.TroubleCured(
                            "QK-OV1", "uneven bake", "panels swapped", "panel-3", null, 1_000));

    private final SiteStream site = new SiteStream(SiteState.NOTHING);

    static List<SiteEntry> each() {
        List<SiteEntry> all = new ArrayList<>(OF_UPKEEP);
        all.addAll(List.of(BUCKET, SPARES, STOCK, KEPT, SIGNED));
        return all;
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
                new SiteEntry.ProductKept("QK-DS1", "horchata", "", null),
                new SiteEntry.TaskDone("QK-SL1/upkeep/feet", 9_000_000_000L),
                new SiteEntry.TaskDone(" ", 0),
                new SiteEntry.CountRead("QK-DS1", "portions", -1, false, 0),
                new SiteEntry.SignSeen("QK-DS1", "", true, 0),
                new SiteEntry.OutOfUse("QK-DS1", true, " ", 0),
                new SiteEntry.NightSaid("tonight", "late", "7", 60, null, false, 0),
                new SiteEntry.NightSaid("2026-11-29", "tired", "7", 60, null, false, 0),
                new SiteEntry.NightSaid("2026-11-29", "late", "7", 1441, null, false, 0),
                new SiteEntry.NightSaid("2026-11-29", "handed-over", "sl1@2", 0, null, false, 0));
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

    /** Who lets a task go, or puts a machine back into service, answers for it. */
    @Test
    void whatIsLetGoIsDecidedBySupervisorOrQuality() {
        SiteEntry letGo = new SiteEntry.TaskLetGo("sl1-daily", "no hot water", 1_000);
        SiteEntry back = new SiteEntry.OutOfUse("QK-SL1", false, "guard replaced", 2_000);
        SiteEntry dropped =
                new SiteEntry.NightSaid("2026-11-29", "dropped", "x", 0, null, false, 1_000);
        for (SiteEntry e : List.of(letGo, back, dropped)) {
            assertThrows(Refused.class, () -> site.accept(e, 2_000, MAREN));
            site.accept(e, 2_000, new Actor("Ilse", "1", Role.SUPERVISOR, false));
            site.accept(e, 2_000, new Actor("Ruvi", "5", Role.QA, false));
            assertThrows(
                    Refused.class,
                    () -> site.accept(e, 2_000, new Actor("Anselm", "8", Role.AUDITOR, false)));
        }
        // Anybody who works stops a machine.
        site.accept(new SiteEntry.OutOfUse("QK-SW1", true, "smells", 1_000), 2_000, MAREN);
    }

    /** Nobody gives away, or takes on, what is another's; only whoever plans says who does what. */
    @Test
    void whatIsMineIHandOverAndNobodyElse() {
        Actor ilse = new Actor("Ilse", "1", Role.SUPERVISOR, false);
        for (String what : List.of("accepted", "handed-over")) {
            SiteEntry own =
                    new SiteEntry.NightSaid("2026-11-29", what, "sl1@2", 0, "hurt", false, 1_000);
            SiteEntry others =
                    new SiteEntry.NightSaid("2026-11-29", what, "sl1@7", 0, "hurt", false, 1_000);
            site.accept(own, 2_000, MAREN);
            assertThrows(Refused.class, () -> site.accept(others, 2_000, MAREN));
            site.accept(others, 2_000, ilse);
        }
        SiteEntry put = new SiteEntry.NightSaid("2026-11-29", "put", "t@2", 60, null, false, 1_000);
        assertThrows(Refused.class, () -> site.accept(put, 2_000, MAREN));
        site.accept(put, 2_000, ilse);
    }

    @Test
    void aCountGoesBackOnlyWithANewDisplay() {
        site.accept(new SiteEntry.CountRead("M", "hours", 500, false, 1_000), 1_000, MAREN);
        SiteEntry less = new SiteEntry.CountRead("M", "hours", 20, false, 2_000);
        Refused no = assertThrows(Refused.class, () -> site.accept(less, 2_000, MAREN));
        assertEquals(Refused.Why.COUNT_WENT_BACK, no.why());
        site.accept(new SiteEntry.CountRead("M", "hours", 20, true, 2_000), 2_000, MAREN);
        site.accept(new SiteEntry.CountRead("M", "hours", 25, false, 3_000), 3_000, MAREN);
        // What was read earlier and comes in late is held to what stood then.
        site.accept(new SiteEntry.CountRead("M", "hours", 510, false, 1_500), 4_000, MAREN);
        site.accept(new SiteEntry.CountRead("other", "hours", 1, false, 3_000), 4_000, MAREN);
    }
}
