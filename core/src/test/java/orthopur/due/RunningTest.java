package orthopur.due;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.machine.DataPlate;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.machine.Setting;
import orthopur.round.Actor;
import orthopur.round.Role;
import orthopur.rulebook.PublicCodes;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;
import orthopur.sitestream.SiteStream;
import orthopur.testbench.Bench;

/** What runs out on a site beside the clock on food. */
class RunningTest {
    private static final Instant CLEAN = Instant.parse("2026-11-01T02:00:00Z");
    private static final Actor MAREN = new Actor("Maren", "2", Role.CREW, false);
    private static final MachineSheet SHEET = Bench.SHEET;

    private final SiteStream site = new SiteStream(SiteState.NOTHING);
    private final List<Known.Use> uses = new ArrayList<>();
    private final List<LineClean> cleans = new ArrayList<>();

    private List<Running> after(MachineSheet sheet, Duration since) {
        Task daily =
                new Task(
                        "daily",
                        sheet.code(),
                        "Every night",
                        SiteKnown.every(Frequency.DAILY),
                        Frequency.DAILY,
                        Task.Risk.FOOD,
                        CLEAN,
                        null);
        Known known =
                new Known(
                        new SiteDays(
                                ZoneId.of("Europe/London"),
                                LocalTime.MIDNIGHT,
                                List.of(),
                                List.of()),
                        List.of(new Known.Machine(sheet.code(), null, List.of())),
                        List.of(daily),
                        List.of(new Known.Done("daily", CLEAN, CLEAN)),
                        uses,
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of());
        return Running.at(
                known, List.of(sheet), site.state(), PublicCodes.book(), cleans, CLEAN.plus(since));
    }

    private static Instant hours(int h) {
        return CLEAN.plus(Duration.ofHours(h));
    }

    @Test
    void ofAMachineWhoseUsesNobodyEntersNothingIsSaid() {
        assertEquals(List.of(), after(SHEET, Duration.ofHours(30)));
    }

    @Test
    void aCleanMachineStandsForADayUnlessItsSheetSaysMore() {
        uses.add(new Known.Use(SHEET.code(), hours(-9), hours(-1)));
        Running r = after(SHEET, Duration.ofHours(20)).getFirst();
        assertEquals(Running.Kind.STANDS, r.kind());
        assertEquals(hours(24), r.end());
        assertFalse(r.over(hours(23)) || r.used());
        assertTrue(r.over(hours(24)));
        assertEquals(
                hours(7 * 24),
                after(SHEET.withStandDays(7), Duration.ofHours(20)).getFirst().end());
    }

    /** In time it is dirty and its other clocks run; too late it is told until it is cleaned. */
    @Test
    void usedAfterItHadStoodTooLongItIsTold() {
        uses.add(new Known.Use(SHEET.code(), hours(20), null));
        assertEquals(List.of(), after(SHEET, Duration.ofHours(30)));
        uses.set(0, new Known.Use(SHEET.code(), hours(26), null));
        Running r = after(SHEET, Duration.ofHours(30)).getFirst();
        assertTrue(r.used());
        assertEquals("F4", r.rule());
    }

    @Test
    void whatIsKeptGoesByItsLabelAndWithoutOneAtOnce() {
        long until = hours(6).toEpochMilli();
        site.accept(
                new SiteEntry.ProductKept("QK-DS1", "horchata", "jug B", until),
                CLEAN.toEpochMilli(),
                MAREN);
        site.accept(
                new SiteEntry.ProductKept("QK-FL1", "dip", "tub 2", null),
                CLEAN.toEpochMilli(),
                MAREN);
        List<Running> kept =
                after(SHEET, Duration.ofHours(5)).stream()
                        .filter(r -> r.kind() == Running.Kind.KEPT)
                        .toList();
        assertEquals(List.of("QK-FL1", "QK-DS1"), kept.stream().map(Running::subject).toList());
        assertTrue(kept.getFirst().over(hours(5)));
        assertFalse(kept.getLast().over(hours(5)));
        site.accept(new SiteEntry.ProductGone("QK-DS1", "thrown-away"), until, MAREN);
        assertEquals(
                1,
                after(SHEET, Duration.ofHours(5)).stream()
                        .filter(r -> r.kind() == Running.Kind.KEPT)
                        .count());
    }

    private List<Running> of(Running.Kind kind, MachineSheet sheet, int hours) {
        return after(sheet, Duration.ofHours(hours)).stream()
                .filter(r -> r.kind() == kind)
                .toList();
    }

    /** Alkali leaves the scale; where nothing but acid ever ran there is none to take off. */
    @Test
    void linesThatAreCleanedWithAlkaliWantAnAcidEachQuarter() {
        assertEquals(List.of(), of(Running.Kind.LINES, SHEET, 5));
        cleans.add(new LineClean(SHEET.code(), "night", LineClean.By.ALKALI));
        Running never = of(Running.Kind.LINES, SHEET, 5).getFirst();
        assertTrue(never.over(hours(5)));
        assertEquals("F6", never.rule());
        cleans.add(new LineClean(SHEET.code(), "daily", LineClean.By.ACID));
        Running then = of(Running.Kind.LINES, SHEET, 5).getFirst();
        assertEquals(CLEAN.plus(Duration.ofDays(92)), then.end());
    }

    @Test
    void aSettingThatIsOffIsToldAndWhatIsLetRunHasItsEnd() {
        MachineSheet sheet =
                SHEET.withSettings(List.of(new Setting("heat", "Heat", 230, "°C", 5, null)));
        long at = CLEAN.toEpochMilli();
        site.accept(new SiteEntry.SettingRead(sheet.code(), "heat", 244, "°C", at), at, MAREN);
        Running off = of(Running.Kind.SETTING, sheet, 1).getFirst();
        assertTrue(off.over(hours(1)));
        assertTrue(off.then().toString().contains("230 °C ± 5 °C"), off.then().toString());
        site.accept(
                new SiteEntry.SettingLetRun(
                        sheet.code(),
                        "heat",
                        244,
                        "°C",
                        "Pell",
                        "burner",
                        hours(48).toEpochMilli(),
                        at),
                at,
                new Actor("Ilse", "1", Role.SUPERVISOR, false));
        Running let = of(Running.Kind.SETTING, sheet, 1).getFirst();
        assertEquals(hours(48), let.end());
        assertFalse(let.over(hours(1)));
        assertTrue(of(Running.Kind.SETTING, sheet, 50).getFirst().over(hours(50)));
    }

    @Test
    void anotherMachineThanTheSheetDescribesIsTold() {
        MachineSheet sheet =
                SHEET.withDataPlate(new DataPlate("DS-2", "0417", null, null, null, null));
        long at = CLEAN.toEpochMilli();
        site.accept(new SiteEntry.PlateRead(sheet.code(), "DS-2", "0417", at), at, MAREN);
        assertEquals(List.of(), of(Running.Kind.PLATE, sheet, 1));
        site.accept(new SiteEntry.PlateRead(sheet.code(), "DS-2", "0999", at), at, MAREN);
        assertTrue(of(Running.Kind.PLATE, sheet, 1).getFirst().over(hours(1)));
    }
}
