package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import orthopur.due.Due;
import orthopur.due.Due.State;
import orthopur.due.DueList;
import orthopur.due.Known;
import orthopur.due.SiteKnown;
import orthopur.due.Task;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.round.Actor;
import orthopur.round.Refused;
import orthopur.round.Role;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;
import orthopur.sitestream.SiteStream;

/** What is due at the demo site, out of its sheets and its stream. */
class SiteKnownTest {
    private static final Actor ILSE = new Actor("Ilse", "1", Role.SUPERVISOR, false);
    private static final long DAY = 86_400_000L;
    private static final Instant NOW = Instant.parse("2026-11-29T20:35:00Z");
    private static final String FEET = "QK-SL1/upkeep/feet";

    private final SiteStream stream = new SiteStream(SiteState.NOTHING);
    private final List<SiteKnown.Round> rounds = new ArrayList<>();
    private final List<Known.Use> uses = new ArrayList<>();

    private void said(SiteEntry e) {
        Long at = e.happened();
        stream.accept(e, at == null ? NOW.toEpochMilli() : at, ILSE);
    }

    private static long ago(int days) {
        return NOW.toEpochMilli() - days * DAY;
    }

    private List<Due> list() {
        List<MachineSheet> sheets =
                List.of(
                        DemoSite.sheet("QK-SL1"),
                        DemoSite.sheet("QK-DS1"),
                        DemoSite.sheet("QK-OV1"));
        List<SiteKnown.Approved> approved =
                List.of(
                        new SiteKnown.Approved(
                                "qk-ov1-daily", "QK-OV1", "Oven, daily", Frequency.DAILY, null),
                        new SiteKnown.Approved(
                                "qk-ov1-weekly", "QK-OV1", "Oven, weekly", Frequency.WEEKLY, null),
                        new SiteKnown.Approved(
                                "qk-sl1-sharpening", "QK-SL1", "Sharpen", Frequency.EVENT, null));
        return DueList.at(
                SiteKnown.of(
                        DemoSite.SITE.days(),
                        sheets,
                        Map.of(),
                        approved,
                        rounds,
                        uses,
                        DemoSite.SITE.instruments(),
                        30,
                        List.of(
                                new SiteKnown.Trained(
                                        "3", "Tobiah Renn", NOW.minus(Duration.ofDays(366)))),
                        365,
                        stream.state()),
                NOW);
    }

    private Due of(String task) {
        return list().stream().filter(d -> d.task().id().equals(task)).findFirst().orElseThrow();
    }

    @Test
    void proceduresUpkeepKitsAndChecksEachAreATask() {
        List<Due> all = list();
        assertTrue(all.stream().noneMatch(d -> d.task().id().equals("qk-sl1-sharpening")));
        assertEquals(Task.Risk.FOOD, of("qk-ov1-daily").task().risk());
        assertEquals(Task.Risk.PEOPLE, of(FEET).task().risk());
        long checks =
                all.stream()
                        .filter(d -> SiteKnown.kindOf(d.task().id()) == SiteKnown.Kind.CHECK)
                        .count();
        long displays = DemoSite.SITE.instruments().stream().filter(i -> !i.usedUp()).count();
        assertEquals(displays, checks);
        assertEquals(SiteKnown.Kind.UPKEEP, SiteKnown.kindOf(FEET));
        assertEquals(SiteKnown.Kind.CLEAN, SiteKnown.kindOf("qk-ov1-daily"));
    }

    @Test
    void aFinishedWeeklyRoundIsTheDailyOneOfThatNightAsWell() {
        rounds.add(
                new SiteKnown.Round("qk-ov1-weekly", NOW.minusSeconds(7200), NOW.minusSeconds(60)));
        assertEquals(State.DONE, of("qk-ov1-daily").state());
        assertEquals("qk-ov1-weekly", of("qk-ov1-daily").by());
        rounds.clear();
        rounds.add(new SiteKnown.Round("qk-ov1-weekly", NOW.minusSeconds(7200), null));
        assertEquals(State.DUE, of("qk-ov1-daily").state());
    }

    /** Nobody says of themselves that they know it. */
    @Test
    void trainingIsGoneThroughAgainAndASupervisorOrQualitySaysSo() {
        assertEquals(SiteKnown.Kind.TRAINING, SiteKnown.kindOf("training/3"));
        assertEquals(State.LATE, of("training/3").state());
        SiteEntry again = new SiteEntry.TaskDone("training/3", NOW.toEpochMilli());
        Actor crew = new Actor("Tobiah Renn", "3", Role.CREW, false);
        assertThrows(Refused.class, () -> stream.accept(again, NOW.toEpochMilli(), crew));
        said(again);
        assertEquals(State.DONE, of("training/3").state());
    }

    @Test
    void upkeepIsDoneLetGoAndOutOfUseByWhatIsEntered() {
        said(new SiteEntry.TaskDone(FEET, ago(2)));
        assertEquals(State.DONE, of(FEET).state());
        said(new SiteEntry.TaskDone(FEET, ago(40)));
        // What comes in late does not hide what was done after it.
        assertEquals(State.DONE, of(FEET).state());
        said(new SiteEntry.OutOfUse("QK-OV1", true, "burner", ago(1)));
        assertEquals(State.BLOCKED, of("qk-ov1-daily").state());
        said(new SiteEntry.OutOfUse("QK-OV1", false, "repaired", ago(0)));
        assertEquals(State.DUE, of("qk-ov1-daily").state());
        said(new SiteEntry.TaskLetGo("qk-ov1-daily", "no gas", NOW.toEpochMilli()));
        assertEquals(State.MISSED, of("qk-ov1-daily").state());
    }

    @Test
    void aKitIsCountedDownAndBlocksWhereNoneIsLeft() {
        MachineSheet ds1 = DemoSite.sheet("QK-DS1");
        var kit = ds1.kits().stream().filter(k -> k.life() != null).findFirst().orElseThrow();
        String task = SiteKnown.kitTask("QK-DS1", kit.id());
        assertNull(SiteKnown.left(stream.state(), "QK-DS1", kit.id()));
        stream.accept(new SiteEntry.SparesCounted("QK-DS1", kit.id(), 1), ago(20), ILSE);
        assertEquals(1, SiteKnown.left(stream.state(), "QK-DS1", kit.id()));
        said(new SiteEntry.KitFitted("QK-DS1", kit.id(), ago(10)));
        assertEquals(0, SiteKnown.left(stream.state(), "QK-DS1", kit.id()));
        assertEquals("none is left on the shelf", of(task).task().blocked());
        assertEquals(Instant.ofEpochMilli(ago(10)), of(task).since());
    }

    @Test
    void aCheckedInstrumentIsDueAgainAfterItsDays() {
        var probe =
                DemoSite.SITE.instruments().stream()
                        .filter(i -> !i.usedUp())
                        .findFirst()
                        .orElseThrow();
        String task = "check/" + probe.id();
        assertEquals(State.DUE, of(task).state());
        said(new SiteEntry.InstrumentChecked(probe.id(), "mg/L", 0, 0, 100.0, 100.0, null, ago(3)));
        stream.accept(
                new SiteEntry.InstrumentChecked(
                        probe.id(), "mg/L", 0, 0, 100.0, 100.0, null, ago(3)),
                ago(3),
                ILSE);
        assertEquals(State.DONE, of(task).state());
        assertEquals(Instant.ofEpochMilli(ago(3)), of(task).since());
    }
}
