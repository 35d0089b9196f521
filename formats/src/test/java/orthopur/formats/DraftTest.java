package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import orthopur.drafting.DraftRefused;
import orthopur.drafting.Drafter;
import orthopur.machine.Frequency;
import orthopur.machine.Hazard;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Schools;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.RoundPack;

/** All machines drafted for each kind and school: nothing left to mend. */
class DraftTest {
    @Test
    void everyMachineForEveryKindAndSchool() {
        List<String> refused = new ArrayList<>();
        for (String code : DemoSite.MACHINES) {
            MachineSheet sheet = DemoSite.sheet(code);
            for (Frequency kind : List.of(Frequency.DAILY, Frequency.WEEKLY, Frequency.YEARLY)) {
                for (int way = 0; way < 4; way++) {
                    Schools schools = new Schools(false, way % 2 == 1);
                    boolean halves = way > 1;
                    Drafter.Request r =
                            new Drafter.Request("draft", "Draft", kind, schools, Map.of(), halves);
                    try {
                        Procedure p = Drafter.draft(sheet, r, DemoSite.CONTEXT);
                        assertEquals(p, Drafter.draft(sheet, r, DemoSite.CONTEXT));
                    } catch (DraftRefused e) {
                        refused.add(code + " " + kind + " " + way + ": " + e.reasons());
                    }
                }
            }
        }
        // Some lines are cleaned once a week, and nothing of them is due daily.
        refused.removeIf(r -> r.contains(" DAILY ") && r.contains("Nothing on the sheet of"));
        assertEquals(List.of(), refused);
    }

    /**
     * Lime is taken off by acid, in its own vessel, before any soap, and rinsed to the pH of the
     * tap.
     */
    @Test
    void limeIsSoakedInAcidBeforeTheSoapAndRinsedOff() {
        Procedure p = draft("QK-OV2", Frequency.EVENT, false, false);
        int acid = places(p, Action.Soak.class).getFirst();
        assertEquals(
                "karstol-a", ((Action.Soak) p.steps().get(acid).action()).solution().chemical());
        int off = places(p, Action.Collect.class).getFirst();
        Action.Rinse rinse = (Action.Rinse) p.steps().get(off + 1).action();
        assertEquals(Action.EndPoint.TAP_PH, rinse.endPoint());
        assertTrue(places(p, Action.Wash.class).getFirst() > off);
        assertTrue(places(p, Action.DrawOff.class).contains(off + 2));
    }

    /** Whoever follows it finds in the first step all that the later ones are done with. */
    @Test
    void whatItIsMixedInAndReadWithIsFetched() {
        Procedure p = draft("QK-GR1", Frequency.DAILY, false, false);
        Action.Prepare fetched = (Action.Prepare) p.steps().getFirst().action();
        assertTrue(
                fetched.things()
                        .containsAll(
                                List.of(
                                        "measuring pitcher",
                                        "wash bucket",
                                        "Chlorine probe 2",
                                        "Iodine kit 5 to 50",
                                        "pH pen 1",
                                        "Thermometer 1")),
                fetched.toString());
        List<String> mixedIn =
                places(p, Action.Sanitize.class).stream()
                        .map(i -> p.steps().get(i).action().solution())
                        .peek(x -> assertTrue(x.volume().litres() <= 6, x.toString()))
                        .map(Solution::vessel)
                        .toList();
        assertEquals(List.of("sprayer 1", "sprayer 2"), mixedIn);
        assertTrue(fetched.things().containsAll(mixedIn));
        Action.DrawOff first =
                (Action.DrawOff) p.steps().get(places(p, Action.DrawOff.class).getFirst()).action();
        assertTrue(first.places().containsAll(mixedIn), first.toString());
    }

    @Test
    void whatLiesInASinkIsRinsedUnderTheSprayAndNotOverItsSuds() {
        Procedure p = draft("QK-GR1", Frequency.DAILY, false, false);
        List<Action.Rinse> rinses =
                places(p, Action.Rinse.class).stream()
                        .map(i -> (Action.Rinse) p.steps().get(i).action())
                        .toList();
        for (Action.Rinse r : rinses) {
            assertEquals(
                    r.items().contains("worm") ? Action.Method.SPRAY : Action.Method.CLOTH,
                    r.method(),
                    r.toString());
        }
        int out = places(p, Action.Collect.class).getFirst();
        Action.DrawOff emptied = (Action.DrawOff) p.steps().get(out + 1).action();
        assertEquals(List.of("sink 1", "sink 2"), emptied.places());
    }

    @Test
    void gasIsLitAgainAfterItsWait() {
        Procedure p =
                Drafter.draft(
                        DemoSite.sheet("QK-OV1"),
                        new Drafter.Request(
                                "draft",
                                "Draft",
                                Frequency.DAILY,
                                new Schools(false, false),
                                Map.of("heating", List.of("gas"))),
                        DemoSite.CONTEXT);
        Step on = p.steps().get(places(p, Action.Restore.class).getFirst());
        assertEquals(Duration.ofMinutes(5), ((Action.Restore) on.action()).waited());
        assertTrue(on.words().startsWith("Wait 5 min, then switch on again"), on.words());
    }

    @Test
    void noGloveGoesFromTheFloorToAPart() {
        Procedure p = draft("QK-GR1", Frequency.DAILY, false, false);
        Step last = p.steps().get(places(p, Action.Wash.class).getLast());
        assertEquals(List.of("floor-under"), last.action().items());
    }

    private static Procedure draft(String code, Frequency kind, boolean inPlace, boolean halves) {
        return Drafter.draft(
                DemoSite.sheet(code),
                new Drafter.Request(
                        "draft", "Draft", kind, new Schools(false, inPlace), Map.of(), halves),
                DemoSite.CONTEXT);
    }

    /** The places of the steps that do this, from 0. */
    private static List<Integer> places(Procedure p, Class<? extends Action> doing) {
        return IntStream.range(0, p.steps().size())
                .filter(i -> doing.isInstance(p.steps().get(i).action()))
                .boxed()
                .toList();
    }

    @Test
    void smallThingsSoakInACleanBathWhileTheRestIsWashed() {
        Procedure p = draft("QK-DS1", Frequency.DAILY, false, false);
        List<Integer> soaks = places(p, Action.Soak.class);
        int out = places(p, Action.Collect.class).getFirst();
        assertEquals(
                List.of("sink 1", "small-parts bath"),
                soaks.stream().map(i -> p.steps().get(i).action().solution().vessel()).toList());
        assertTrue(places(p, Action.DrawOff.class).getFirst() < soaks.getFirst());
        assertTrue(
                places(p, Action.Wash.class).stream()
                        .anyMatch(w -> w > soaks.getLast() && w < out));
        assertEquals(
                soaks.stream().flatMap(i -> p.steps().get(i).action().items().stream()).toList(),
                p.steps().get(out).action().items());
    }

    @Test
    void noEdgeLiesUnderWaterWhereAHandReachesIn() {
        MachineSheet slicer = DemoSite.sheet("QK-SL1");
        Procedure p = draft("QK-SL1", Frequency.WEEKLY, false, false);
        List<String> soaked =
                places(p, Action.Soak.class).stream()
                        .flatMap(i -> p.steps().get(i).action().items().stream())
                        .toList();
        assertFalse(soaked.isEmpty());
        assertTrue(
                slicer.parts().stream()
                        .filter(x -> soaked.contains(x.id()))
                        .noneMatch(x -> x.hazards().contains(Hazard.EDGE)));
    }

    @Test
    void whatIsOnOnlyForTheCleanIsFetchedPutOnAndOffAgainBeforeTheGasIsOn() {
        Procedure p = draft("QK-TL1", Frequency.WEEKLY, false, false);
        int on = places(p, Action.Fit.class).getFirst();
        int off = places(p, Action.Unfit.class).getFirst();
        assertTrue(on < off && off < places(p, Action.Install.class).getFirst());
        Action.Prepare fetched = (Action.Prepare) p.steps().getFirst().action();
        assertTrue(fetched.things().contains("Bridge hose"), fetched.toString());
        assertFalse(fetched.things().contains("sink 2"), fetched.toString());
    }

    @Test
    void whoStartsTheOvenIsToldHowLongItWarmsUpAndWhatIsThrownAway() {
        Procedure p = draft("QK-OV1", Frequency.DAILY, false, false);
        Step last = p.steps().get(places(p, Action.Record.class).getFirst());
        assertTrue(
                last.words()
                        .endsWith(
                                "Tell whoever starts it: warm up 20 minutes, to 230 °C. Throw away the first ten breads."),
                last.words());
        RoundPack pack =
                PackCompiler.compile(p, 1, DemoSite.sheet("QK-OV1"), DemoSite.CONTEXT, List.of());
        RoundPack.Ask warm =
                pack.steps().stream()
                        .flatMap(s -> s.asks().stream())
                        .filter(a -> a.kind() == RoundPack.Ask.Kind.WARM)
                        .findFirst()
                        .orElseThrow();
        assertEquals("20 minutes, to 230 °C", warm.name().toString());
        assertEquals("Throw away the first ten breads", String.valueOf(warm.detail()));
    }

    /** Stripped at night, put together in the morning, by other hands and under their own lock. */
    @Test
    void inHalvesTheMorningBeginsWithCleanHandsAndItsOwnLock() {
        for (boolean inPlace : new boolean[] {false, true}) {
            Procedure p = draft("QK-TL1", Frequency.WEEKLY, inPlace, true);
            int night = places(p, Action.Dry.class).getFirst();
            int hands = places(p, Action.WashHands.class).getFirst();
            List<Integer> locks = places(p, Action.Lock.class);
            assertEquals(night + 1, hands);
            assertTrue(locks.getFirst() < night && locks.getLast() > hands);
            assertTrue(places(p, Action.Sanitize.class).getFirst() > hands);
            assertTrue(places(p, Action.Install.class).getFirst() > locks.getLast());
        }
    }
}
