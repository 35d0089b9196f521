package orthopur.due;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import orthopur.chemical.Chemical.Reorder;
import orthopur.due.PartsAndSettings.Part;
import orthopur.due.PartsAndSettings.Product;
import orthopur.due.PartsAndSettings.Stock;
import orthopur.machine.DataPlate;
import orthopur.machine.Interval;
import orthopur.machine.Kit;
import orthopur.machine.MachineSheet;
import orthopur.machine.Setting;
import orthopur.quantity.OutOfRange;
import orthopur.round.Actor;
import orthopur.round.Refused;
import orthopur.round.Role;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;
import orthopur.sitestream.SiteStream;
import orthopur.testbench.Bench;

/** Wear parts and settings: what was counted, fitted and read, and what follows from it. */
class PartsAndSettingsTest {
    private static final Instant NOW = Instant.parse("2026-11-30T20:35:00Z");
    private static final SiteDays DAYS =
            new SiteDays(ZoneOffset.UTC, LocalTime.of(5, 0), List.of(), List.of());
    private static final Actor MAREN = new Actor("Maren", "2", Role.CREW, false);
    private static final Kit SEALS =
            new Kit("seals", "Seal kit", "S-1", List.of("seal"), days(90), 1, 14, "shelf C");

    private final SiteStream site = new SiteStream(SiteState.NOTHING);

    private static Interval days(int n) {
        return new Interval(null, n, null, null, List.of(), null, null, null, null, null);
    }

    private static MachineSheet sheet(List<Kit> kits, List<Setting> settings) {
        return Bench.SHEET.withCode("M").withKits(kits).withSettings(settings);
    }

    private void enter(SiteEntry e, Instant at) {
        site.accept(e, at.toEpochMilli(), MAREN);
    }

    private static Instant ago(int days) {
        return NOW.minus(Duration.ofDays(days));
    }

    private List<Part> parts(Kit... kits) {
        MachineSheet sheet = sheet(List.of(kits), List.of());
        Map<String, Duration> clocks = new HashMap<>();
        Known known =
                SiteKnown.of(
                        DAYS,
                        List.of(sheet),
                        clocks,
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        30,
                        List.of(),
                        365,
                        site.state());
        return PartsAndSettings.parts(
                List.of(sheet), DueList.at(known, NOW), site.state(), DAYS, NOW);
    }

    @Test
    void notCountedIsNotNone() {
        Part p = parts(SEALS).getFirst();
        assertEquals(Stock.NOT_COUNTED, p.stock());
        assertNull(p.left());
        assertNull(p.fitted());
    }

    @Test
    void itIsOrderedAtItsPointAndInTimeForItsLife() {
        enter(new SiteEntry.SparesCounted("M", "seals", 3), ago(20));
        enter(new SiteEntry.KitFitted("M", "seals", ago(30).toEpochMilli()), ago(30));
        Part enough = parts(SEALS).getFirst();
        assertEquals(Stock.ENOUGH, enough.stock());
        assertEquals("2027-01-29", String.valueOf(enough.ends()));
        assertEquals("2027-01-15", String.valueOf(enough.orderBy()));
        enter(new SiteEntry.SparesCounted("M", "seals", 1), ago(10));
        assertEquals(Stock.ORDER, parts(SEALS).getFirst().stock());
        enter(new SiteEntry.SparesCounted("M", "seals", 0), ago(5));
        // Sixty days are left and an order takes fourteen: there is time.
        assertEquals(Stock.ORDER, parts(SEALS).getFirst().stock());
    }

    @Test
    void withNoneLeftAndItsLifeEndingAnOrderComesTooLate() {
        enter(new SiteEntry.KitFitted("M", "seals", ago(85).toEpochMilli()), ago(85));
        enter(new SiteEntry.SparesCounted("M", "seals", 0), ago(2));
        Part p = parts(SEALS).getFirst();
        assertEquals(Stock.TOO_LATE, p.stock());
        assertTrue(p.because().toString().contains("14 days"), p.because().toString());
    }

    @Test
    void whatIsFittedIsCountedDownAndItsLifeBegins() {
        enter(new SiteEntry.SparesCounted("M", "seals", 2), ago(10));
        enter(new SiteEntry.KitFitted("M", "seals", ago(1).toEpochMilli()), ago(1));
        Part p = parts(SEALS).getFirst();
        assertEquals(1, p.left());
        assertEquals(Stock.ORDER, p.stock());
        assertEquals(ago(1), p.fitted());
    }

    @Test
    void whatIsWorstStandsFirst() {
        Kit belt = new Kit("belt", "Belt", null, List.of(), null, null, null, null);
        Kit blade = new Kit("blade", "Blade", null, List.of(), null, 2, null, null);
        enter(new SiteEntry.SparesCounted("M", "seals", 9), ago(3));
        enter(new SiteEntry.SparesCounted("M", "blade", 2), ago(3));
        List<String> order = new ArrayList<>();
        parts(SEALS, belt, blade).forEach(p -> order.add(p.kit().id()));
        assertEquals(List.of("blade", "seals", "belt"), order);
    }

    @Test
    void aSettingIsOffBeyondItsToleranceAndInAnotherUnit() {
        Setting belt = new Setting("belt", "Belt", 60, null, 0, null);
        MachineSheet sheet = sheet(List.of(), List.of(HEAT, belt));
        assertFalse(read(sheet, 0).off());
        assertNull(read(sheet, 0).read());
        setting("heat", 225, "°C", 3);
        assertFalse(named(sheet, "heat").off());
        setting("heat", 224.9, "°C", 2);
        assertTrue(named(sheet, "heat").off());
        assertEquals("heat", read(sheet, 0).setting().id());
        setting("heat", 230, "°F", 1);
        assertTrue(named(sheet, "heat").off());
        setting("belt", 60, "", 1);
        assertFalse(named(sheet, "belt").off());
        setting("belt", 61, "", 0);
        assertTrue(named(sheet, "belt").off());
        assertEquals("Maren", named(sheet, "belt").who());
        assertEquals("230 °C ± 5 °C", PartsAndSettings.approved(HEAT));
        assertEquals("60", PartsAndSettings.approved(belt));
    }

    private static final Setting HEAT = new Setting("heat", "Heat", 230, "°C", 5, "display");
    private static final Actor ILSE = new Actor("Ilse", "1", Role.SUPERVISOR, false);

    private void letRun(Actor who, double value, int untilDays) {
        site.accept(
                new SiteEntry.SettingLetRun(
                        "M",
                        "heat",
                        value,
                        "°C",
                        "Pell",
                        "left burner is weak",
                        ago(-untilDays).toEpochMilli(),
                        ago(4).toEpochMilli()),
                ago(4).toEpochMilli(),
                who);
    }

    /** Something is made up for by somebody who answers for it, until a day; never for good. */
    @Test
    void whatIsLetRunIsNotOffUntilItsDayAndAtItsValueOnly() {
        MachineSheet sheet = sheet(List.of(), List.of(HEAT));
        setting("heat", 245, "°C", 5);
        letRun(ILSE, 243, 3);
        assertFalse(named(sheet, "heat").off());
        assertTrue(named(sheet, "heat").madeUpFor(NOW));
        PartsAndSettings.Read later =
                PartsAndSettings.settings(List.of(sheet), site.state(), ago(-3)).getFirst();
        assertTrue(later.off());
        assertFalse(later.madeUpFor(ago(-3)));
        setting("heat", 249, "°C", 1);
        assertTrue(named(sheet, "heat").off());
        setting("heat", 230, "°C", 0);
        assertFalse(named(sheet, "heat").off() || named(sheet, "heat").madeUpFor(NOW));
    }

    @Test
    void nobodyLetsASettingRunForGoodOrWithoutAnsweringForIt() {
        assertThrows(Refused.class, () -> letRun(MAREN, 243, 3));
        assertThrows(OutOfRange.class, () -> letRun(ILSE, 243, 200));
        assertThrows(OutOfRange.class, () -> letRun(ILSE, 243, -5));
    }

    private Product product(@Nullable Reorder reorder) {
        return PartsAndSettings.products(
                        List.of(Bench.DETERGENT.withReorder(reorder)), site.state())
                .getFirst();
    }

    @Test
    void aProductIsOrderedAtItsPointAndWhatNobodySaidIsNotEnough() {
        Reorder at10 = new Reorder(10, "L", 5);
        assertEquals(Stock.NOT_COUNTED, product(at10).stock());
        enter(new SiteEntry.StockCounted(Bench.DETERGENT.id(), 11, "L"), ago(3));
        assertEquals(Stock.ENOUGH, product(at10).stock());
        assertEquals(Stock.NOT_COUNTED, product(null).stock());
        assertEquals(Stock.NOT_COUNTED, product(new Reorder(10, "kg", null)).stock());
        enter(new SiteEntry.StockCounted(Bench.DETERGENT.id(), 10, "L"), ago(2));
        assertEquals(Stock.ORDER, product(at10).stock());
        enter(new SiteEntry.StockCounted(Bench.DETERGENT.id(), 0, "L"), ago(1));
        assertEquals(Stock.TOO_LATE, product(null).stock());
    }

    private static MachineSheet plated(String code, @Nullable String serial) {
        return sheet(List.of(), List.of())
                .withCode(code)
                .withDataPlate(new DataPlate("DS-2 B", serial, null, null, null, null));
    }

    private PartsAndSettings.Plate plate(MachineSheet... sheets) {
        return PartsAndSettings.plates(List.of(sheets), site.state()).getFirst();
    }

    @Test
    void aPlateIsComparedAsItIsStamped() {
        MachineSheet m = plated("M", "0417");
        assertFalse(plate(m).differs());
        enter(new SiteEntry.PlateRead("M", "ds2-b", "04 17", ago(3).toEpochMilli()), ago(3));
        assertFalse(plate(m).differs());
        assertFalse(plate(plated("M", null)).differs());
        enter(new SiteEntry.PlateRead("M", "DS-2 B", "0418", ago(2).toEpochMilli()), ago(2));
        assertTrue(plate(m).differs());
        enter(new SiteEntry.PlateRead("M", "DS-2 C", "", ago(1).toEpochMilli()), ago(1));
        assertTrue(plate(plated("M", null)).differs());
        assertEquals("N", plate(m, plated("N", "04-17")).twin());
        assertNull(plate(plated("M", null), plated("N", null)).twin());
    }

    private void setting(String id, double value, String unit, int daysAgo) {
        long at = ago(daysAgo).toEpochMilli();
        enter(new SiteEntry.SettingRead("M", id, value, unit, at), ago(daysAgo));
    }

    private PartsAndSettings.Read read(MachineSheet sheet, int n) {
        return PartsAndSettings.settings(List.of(sheet), site.state(), NOW).get(n);
    }

    private PartsAndSettings.Read named(MachineSheet sheet, String id) {
        return PartsAndSettings.settings(List.of(sheet), site.state(), NOW).stream()
                .filter(r -> r.setting().id().equals(id))
                .findFirst()
                .orElseThrow();
    }
}
