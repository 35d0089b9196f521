package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.round.Actor;
import orthopur.round.Entry;
import orthopur.round.Progress;
import orthopur.round.Refused;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.Ask;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.runthrough.Context;

/** What the tablet is given for the machines of the demo: what is confirmed, counted and redone. */
class PackOfTheDemoTest {
    private static RoundPack pack(String procedure, Context context) {
        var p = DemoSite.procedure(procedure);
        return PackCompiler.compile(
                p, 1, DemoSite.sheet(p.sheet()), context, DemoSite.SITE.instruments());
    }

    private static RoundPack pack(String procedure) {
        return pack(procedure, DemoSite.CONTEXT);
    }

    private static List<Ask> asks(RoundPack p, Ask.Kind kind) {
        return p.steps().stream()
                .flatMap(s -> s.asks().stream())
                .filter(a -> a.kind() == kind)
                .toList();
    }

    private static Set<String> items(List<Ask> asks) {
        return asks.stream().map(Ask::item).collect(Collectors.toCollection(TreeSet::new));
    }

    /** A foot bath that is as strong as food may bear is too weak by its label. */
    @Test
    void aFootBathIsReadByTheFiguresOfItsOwnUse() {
        List<PackStep> steps = pack("qk-ar1-daily").steps();
        PackStep bath = steps.stream().filter(s -> s.id().equals("bath")).findFirst().orElseThrow();
        assertEquals(List.of(new RoundPack.ReadingBand(0, 800, 1200)), bath.reading().bands());
        // A strip that ends at 500 mg/L shows nothing of it.
        assertEquals(List.of("quat-drops"), bath.reading().instruments());
        assertEquals(800.0, bath.mix().leastMgPerL());
        assertEquals(1200.0, bath.mix().mostMgPerL());
        PackStep drain =
                steps.stream().filter(s -> s.id().equals("drain-quat")).findFirst().orElseThrow();
        assertEquals(List.of(new RoundPack.ReadingBand(0, 400, 800)), drain.reading().bands());
        assertTrue(
                pack("qk-sw1-daily").steps().stream()
                        .allMatch(s -> s.mix() == null || s.mix().leastMgPerL() == null));
    }

    /** What is fitted or run is the title, not the verb once more. */
    @Test
    void theTitleNamesWhatIsFittedOrRun() {
        assertEquals(
                List.of("Cleaning adapter and Valve prop"),
                pack("qk-ds2-weekly").steps().stream()
                        .filter(s -> s.id().equals("w-adapt"))
                        .map(s -> s.title().toString())
                        .toList());
        assertTrue(
                pack("qk-ov2-daily").steps().stream()
                        .anyMatch(
                                s ->
                                        s.action().equals("run-program")
                                                && !s.title().toString().equals(s.verb())));
    }

    /** A photo, the condition as found and each of three rinses are asked for; waits are timed. */
    @Test
    void whatAStepAsksForIsAskedOnTheFloor() {
        Procedure p = DemoSite.procedure("qk-sl1-end-of-shift");
        List<Step> steps =
                p.steps().stream()
                        .map(
                                s ->
                                        s.action() instanceof Action.Rinse r
                                                ? s.withAction(
                                                        new Action.Rinse(
                                                                r.items(),
                                                                r.water(),
                                                                r.method(),
                                                                r.endPoint(),
                                                                Duration.ofSeconds(25),
                                                                3))
                                                : s.withPhoto(true).withAsFound(true))
                        .toList();
        RoundPack pack =
                PackCompiler.compile(
                        p.withSteps(steps),
                        1,
                        DemoSite.sheet(p.sheet()),
                        DemoSite.CONTEXT,
                        DemoSite.SITE.instruments());
        long rinses = steps.stream().filter(s -> s.action() instanceof Action.Rinse).count();
        assertEquals(3 * rinses, asks(pack, Ask.Kind.REPEAT).size());
        assertEquals(steps.size() - rinses, asks(pack, Ask.Kind.PHOTO).size());
        for (PackStep s : pack.steps()) {
            boolean rinse = "rinse".equals(s.action());
            assertEquals(
                    !rinse, s.checks().stream().anyMatch(c -> c.id().equals("as-found")), s.id());
            if (rinse) {
                assertEquals(25, Objects.requireNonNull(s.timer()).seconds());
                assertTrue(s.timer().contact());
            }
        }
        Progress round = new Progress(pack);
        Actor maren = Actor.named("Maren Oyelaran");
        String first = pack.steps().getFirst().id();
        assertEquals(
                Refused.Why.NO_PHOTO,
                assertThrows(
                                Refused.class,
                                () -> round.accept(new Entry.Confirmed(first, "photo"), 1, maren))
                        .why());
        round.accept(new Entry.PhotoTaken(first, "a".repeat(64), "the blade"), 2, maren);
        assertTrue(round.atStep(first, 3, maren).holds().contains("photo"));
    }

    /** What is done stands in the pack by the name that stored procedures have for it. */
    @Test
    void eachStepSaysWhatItDoesByItsStoredName() {
        for (String procedure :
                List.of("qk-ds1-daily", "qk-tl1-line-clean", "qk-ov1-daily", "qk-sl1-oiling")) {
            var stored =
                    Json.tree(
                                    ProcedureFormat.write(
                                            ProcedureFormat.document(
                                                    DemoSite.procedure(procedure))))
                            .get("steps");
            List<PackStep> steps = pack(procedure).steps();
            for (int i = 0; i < steps.size(); i++) {
                assertEquals(stored.get(i).get("action").asString(), steps.get(i).action());
            }
        }
    }

    /**
     * Each energy that is locked is cut first, proved afterwards, and unlocked before it is live.
     */
    @Test
    void everyEnergyGoesItsWholePath() {
        for (String procedure : List.of("qk-ov1-daily", "qk-fl1-daily", "qk-sw1-daily")) {
            RoundPack p = pack(procedure);
            Set<String> locked = items(asks(p, Ask.Kind.LOCK));
            locked.addAll(items(asks(p, Ask.Kind.TAG)));
            assertFalse(locked.isEmpty(), procedure);
            for (Ask.Kind kind : List.of(Ask.Kind.ISOLATE, Ask.Kind.PROVE, Ask.Kind.RESTORE)) {
                assertTrue(
                        items(asks(p, kind)).containsAll(locked),
                        procedure + ": not all of " + locked + " are asked to " + kind);
            }
            asks(p, Ask.Kind.ISOLATE)
                    .forEach(a -> assertTrue(a.detail() != null, a + " says no place"));
            asks(p, Ask.Kind.PROVE)
                    .forEach(a -> assertTrue(a.detail() != null, a + " says no way to try"));
        }
    }

    /** A disconnect that takes no lock is tagged, and the second measure is named. */
    @Test
    void whereNoLockGoesOnATagAndASecondMeasure() {
        RoundPack saw = pack("qk-sw1-daily");
        Ask tag = asks(saw, Ask.Kind.TAG).getFirst();
        assertTrue(String.valueOf(tag.detail()).contains("handle of D7"), tag.toString());
        assertTrue(items(asks(saw, Ask.Kind.LOCK)).stream().noneMatch(tag.item()::equals));
    }

    /** A cord in one's own hand is unplugged and kept in sight; no lock is asked. */
    @Test
    void aCordIsUnplugged() {
        RoundPack slicer = pack("qk-sl1-end-of-shift");
        assertFalse(asks(slicer, Ask.Kind.UNPLUG).isEmpty());
        assertTrue(asks(slicer, Ask.Kind.LOCK).isEmpty());
    }

    /** What is on only for cleaning is counted out and back. */
    @Test
    void fittingsAreCountedLikeParts() {
        RoundPack lines = pack("qk-tl1-line-clean");
        Set<String> out = new TreeSet<>();
        Set<String> back = new TreeSet<>();
        for (PackStep s : lines.steps()) {
            s.off().stream()
                    .filter(x -> x.key().startsWith("fitting:"))
                    .forEach(x -> out.add(x.key()));
            s.on().stream()
                    .filter(x -> x.key().startsWith("fitting:"))
                    .forEach(x -> back.add(x.key()));
        }
        assertEquals(6, out.size(), out.toString());
        assertEquals(out, back);
    }

    /** The line is turned round at each service: the pack says which way it is this time. */
    @Test
    void theLineIsFlushedTheOtherWayThanLastTime() {
        Map<String, Action.Flow> first = flows(pack("qk-tl1-line-clean"));
        assertEquals(Set.of("lines-1-6", "lines-7-12"), first.keySet());
        Map<String, Action.Flow> second =
                flows(pack("qk-tl1-line-clean", DemoSite.CONTEXT.withLastFlows(first)));
        for (String line : first.keySet()) {
            assertTrue(first.get(line) != second.get(line), line + " twice " + first.get(line));
        }
        Map<String, Action.Flow> third =
                flows(pack("qk-tl1-line-clean", DemoSite.CONTEXT.withLastFlows(second)));
        assertEquals(first, third);
    }

    private static Map<String, Action.Flow> flows(RoundPack p) {
        return p.steps().stream()
                .map(PackStep::flows)
                .filter(f -> !f.isEmpty())
                .findFirst()
                .orElse(Map.of());
    }

    /** The last rinse of a caustic is read against the tap of this site, 7.6 ± 0.5. */
    @Test
    void theRinseIsReadAgainstTheTap() {
        var check =
                pack("qk-tl1-line-clean").steps().stream()
                        .flatMap(s -> s.checks().stream())
                        .filter(c -> c.id().equals("ph"))
                        .findFirst()
                        .orElseThrow();
        assertEquals(7.1, check.least(), 1e-9);
        assertEquals(8.1, check.most(), 1e-9);
        var unknown =
                pack("qk-tl1-line-clean", DemoSite.CONTEXT.withTap(new Context.Tap(null, null)))
                        .steps()
                        .stream()
                        .flatMap(s -> s.checks().stream())
                        .filter(c -> c.id().equals("ph"))
                        .findFirst()
                        .orElseThrow();
        assertFalse(unknown.ranged(), "a tap that was never measured gives no range");
    }

    /** Worn parts, marks and numbers are asked where they go back. */
    @Test
    void wearAndPlaceAreAskedAtAssembly() {
        RoundPack dispenser = pack("qk-ds1-daily");
        assertFalse(asks(dispenser, Ask.Kind.WEAR).isEmpty());
        assertTrue(
                asks(dispenser, Ask.Kind.WEAR).stream()
                        .anyMatch(
                                a ->
                                        String.valueOf(a.detail()).contains("pair")
                                                || String.valueOf(a.detail()).contains("cut")));
        RoundPack filler = pack("qk-fl1-daily");
        assertTrue(
                asks(filler, Ask.Kind.POSITION).stream()
                        .anyMatch(a -> String.valueOf(a.detail()).contains("1 to 10")),
                asks(filler, Ask.Kind.POSITION).toString());
    }

    /** Hands at the machine need a lock of their own; a part at the sink is out of its reach. */
    @Test
    void theSinkIsOutOfReach() {
        RoundPack oven = pack("qk-ov1-daily");
        for (PackStep s : oven.steps()) {
            boolean moves = s.verb().equals("Remove") || s.verb().equals("Install");
            assertTrue(!moves || s.hands(), s.toString());
            assertTrue(!s.verb().equals("Collect") || !s.hands(), s.toString());
        }
    }

    /** However far the round is: what is redone was done, and names the part itself. */
    @Test
    void reworkNamesOnlyWhatWasDone() {
        for (String procedure : List.of("qk-sl1-end-of-shift", "qk-ov1-weekly", "qk-ds1-daily")) {
            RoundPack p = pack(procedure);
            List<String> order = p.steps().stream().map(PackStep::id).toList();
            for (RoundPack.ReworkPlan r : p.rework()) {
                int before = 0;
                for (RoundPack.ReworkPlan.Since s : r.since()) {
                    assertTrue(s.place() > before, r.item() + " goes back");
                    before = s.place();
                    assertTrue(
                            s.steps().stream().allMatch(id -> order.indexOf(id) < s.place()),
                            r.item() + " redoes what was never done");
                    assertTrue(s.parts().contains(r.item()), r.item());
                }
            }
        }
    }
}
