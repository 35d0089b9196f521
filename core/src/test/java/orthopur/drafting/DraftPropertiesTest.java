package orthopur.drafting;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.Tag;
import net.jqwik.api.statistics.Statistics;
import net.jqwik.api.statistics.StatisticsCollector;
import org.junit.jupiter.api.Test;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.machine.Frequency;
import orthopur.machine.Limit;
import orthopur.machine.MachineSheet;
import orthopur.machine.Passage;
import orthopur.machine.SheetCheck;
import orthopur.machine.Vessel;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Schools;
import orthopur.procedure.Step;
import orthopur.quantity.Hardness;
import orthopur.quantity.Volume;
import orthopur.rulebook.PublicCodes;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.testbench.Bench;
import orthopur.testbench.Rig;
import orthopur.text.Text;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/** For any valid sheet the draft has no STOP and no FIX, for every kind, scope and school. */
class DraftPropertiesTest {
    private static final List<Frequency> KINDS =
            List.of(Frequency.END_OF_SHIFT, Frequency.DAILY, Frequency.WEEKLY, Frequency.YEARLY);
    private static final Context SITE =
            new Context(
                            PublicCodes.book(),
                            List.of(
                                    Bench.CHLORINE,
                                    Bench.DETERGENT,
                                    Bench.quat(),
                                    Bench.foodGrade("grease")),
                            new Hardness(310))
                    .withVessels(
                            List.of(
                                    new Vessel("sink", "sink 1", "sink", new Volume(60), null),
                                    new Vessel(
                                            "bath",
                                            "small-parts bath",
                                            "bath",
                                            new Volume(6),
                                            null)));

    private static Drafter.Request request(
            Frequency kind, Schools schools, Map<String, List<String>> scope) {
        return new Drafter.Request("draft", "Draft", kind, schools, scope);
    }

    private static final List<String> TO_COVER =
            List.of(
                    "energy CORD",
                    "energy SUPPLIED",
                    "energy SUPPLIED, tag",
                    "energy STORED",
                    "energy HEAT",
                    "option group",
                    "passage",
                    "fitting",
                    "warm-up",
                    "soak",
                    "in halves",
                    "index BY_HAND",
                    "index HOLD_TO_RUN",
                    "pair",
                    "program",
                    "cover",
                    "behind",
                    "lubrication",
                    "school A",
                    "school B",
                    "scope of 2");

    /** A machine that nobody has built, and how it is to be cleaned. */
    record Wish(GeneratedSheet.Made made, Drafter.Request request) {
        @Override
        public String toString() {
            return made.sheet() + "\n" + request;
        }
    }

    @Provide
    Arbitrary<Wish> wishes() {
        return Combinators.combine(
                        Arbitraries.longs().map(GeneratedSheet::of),
                        Arbitraries.of(KINDS),
                        Arbitraries.of(true, false),
                        Arbitraries.of(true, false),
                        Arbitraries.of(true, false),
                        Arbitraries.of(true, false))
                .as(
                        (made, kind, rinse, inPlace, wide, halves) ->
                                new Wish(
                                        made,
                                        new Drafter.Request(
                                                "draft",
                                                "Draft",
                                                due(made.sheet(), kind) ? kind : Frequency.YEARLY,
                                                new Schools(rinse, inPlace),
                                                made.sheet().optionGroups().isEmpty() || !wide
                                                        ? Map.of()
                                                        : Map.of(
                                                                "drive", List.of("power", "wheel")),
                                                halves)));
    }

    @Property(tries = 240, seed = "4711", shrinking = ShrinkingMode.OFF)
    void noStopAndNoFixOnAnyMachine(@ForAll("wishes") Wish wish) {
        drafted(wish);
    }

    @Tag("nightly")
    @Property(tries = 2000, shrinking = ShrinkingMode.OFF)
    void noStopAndNoFixOnMany(@ForAll("wishes") Wish wish) {
        drafted(wish);
    }

    /** Either refused with reasons, or the same twice and without a finding. */
    private static void drafted(Wish wish) {
        MachineSheet sheet = wish.made().sheet();
        assertEquals(List.of(), SheetCheck.check(sheet));
        StatisticsCollector tally = Statistics.label("drafts");
        tally.coverage(c -> c.check("drafted").percentage(p -> p >= 90));
        Procedure p;
        try {
            p = Drafter.draft(sheet, wish.request(), SITE);
            assertEquals(p, Drafter.draft(sheet, wish.request(), SITE));
            tally.collect("drafted");
        } catch (DraftRefused e) {
            assertFalse(e.reasons().isEmpty(), "refused without saying why");
            tally.collect("refused");
            return;
        }
        Verdict v = Verifier.verify(p, sheet, SITE);
        assertEquals(
                0,
                v.stops() + v.fixes(),
                () -> v.findings().stream().map(Finding::message).toList().toString());
        StatisticsCollector has = Statistics.label("what the drafted machines had");
        wish.made().has().forEach(has::collect);
        has.collect("school " + (wish.request().schools().assembledFirst() ? "B" : "A"));
        if (p.steps().stream().anyMatch(s -> s.action() instanceof Action.Soak)) {
            has.collect("soak");
        }
        if (wish.request().halves()) {
            has.collect("in halves");
        }
        has.collect("scope of " + Math.max(1, wish.request().scope().size() * 2));
        has.coverage(c -> TO_COVER.forEach(t -> c.check(t).count(n -> n > 0)));
    }

    private static boolean due(MachineSheet sheet, Frequency kind) {
        return sheet.parts().stream()
                .filter(p -> p.when() == null)
                .flatMap(p -> p.surfaces().stream())
                .anyMatch(s -> s.frequency().dueIn(kind));
    }

    /** The bench machine: everything in its order, every line a sentence. */
    @Test
    void theBenchMachine() {
        Procedure p =
                Drafter.draft(
                        Bench.SHEET, request(Frequency.DAILY, new Schools(false), Map.of()), SITE);
        List<String> verbs = p.steps().stream().map(s -> s.action().verb()).toList();
        assertEquals("Prepare", verbs.getFirst());
        assertEquals("Record", verbs.getLast());
        assertTrue(verbs.indexOf("Isolate") < verbs.indexOf("Lock"));
        assertTrue(verbs.indexOf("Prove") < verbs.indexOf("Remove"));
        assertTrue(verbs.indexOf("Sanitize") < verbs.indexOf("Install"));
        assertTrue(verbs.indexOf("Clear") < verbs.indexOf("Unlock"));
        for (Step s : p.steps()) {
            assertTrue(s.words().matches("[A-Z].*\\."), s.words());
        }
    }

    @Test
    void schoolBFillsAfterAssemblyAndSanitizesTheRestBefore() {
        Procedure p =
                Drafter.draft(
                        Bench.SHEET,
                        request(Frequency.DAILY, new Schools(false, true), Map.of()),
                        SITE);
        List<String> verbs = p.steps().stream().map(s -> s.action().verb()).toList();
        assertTrue(verbs.indexOf("Sanitize") < verbs.indexOf("Install"), verbs.toString());
        MachineSheet barrel =
                Rig.bench()
                        .passage(
                                new Passage(
                                        "barrel",
                                        "Barrel",
                                        List.of("groove"),
                                        new Volume(2),
                                        null,
                                        "horchata",
                                        null,
                                        List.of()))
                        .sheet();
        Procedure filled =
                Drafter.draft(
                        barrel, request(Frequency.DAILY, new Schools(false, true), Map.of()), SITE);
        int fill = 0;
        while (!filled.steps().get(fill).action().items().equals(List.of("barrel"))
                || !(filled.steps().get(fill).action() instanceof Action.Sanitize)) {
            fill++;
        }
        List<Step> after = filled.steps().subList(fill, filled.steps().size());
        assertTrue(after.stream().noneMatch(s -> s.action() instanceof Action.Install));
    }

    /** What cannot be written is refused with the surface and why. */
    @Test
    void refusesWithTheReason() {
        Drafter.Request daily = request(Frequency.DAILY, new Schools(false), Map.of());
        Context poor =
                new Context(
                        PublicCodes.book(),
                        List.of(Bench.CHLORINE, Bench.DETERGENT),
                        new Hardness(310));
        MachineSheet bare = Rig.bench().limit("drum-1", Limit.NO_CHLORINE).sheet();
        DraftRefused e = assertThrows(DraftRefused.class, () -> Drafter.draft(bare, daily, poor));
        assertEquals(
                List.of("This site owns no sanitizer that drum-1 bears."),
                e.reasons().stream().map(Text::toString).toList());
        MachineSheet cold = Rig.bench().highest("drum-1", 42.9).sheet();
        assertTrue(
                assertThrows(DraftRefused.class, () -> Drafter.draft(cold, daily, poor))
                        .getMessage()
                        .contains("nothing that may wash drum-1"));
        assertTrue(
                assertThrows(
                                DraftRefused.class,
                                () ->
                                        Drafter.draft(
                                                Bench.SHEET,
                                                request(
                                                        Frequency.PER_USE,
                                                        new Schools(false),
                                                        Map.of()),
                                                poor))
                        .getMessage()
                        .contains("Nothing on the sheet"));
    }

    /** A chemical that is dosed and read: never at the edge of what its label allows. */
    @Test
    void figuresAreNotAtTheEdge() {
        Procedure p =
                Drafter.draft(
                        Bench.SHEET, request(Frequency.DAILY, new Schools(false), Map.of()), SITE);
        for (Step s : p.steps()) {
            if (s.action() instanceof Action.Sanitize z) {
                assertTrue(z.readings().contains(Action.Reading.STRENGTH));
                assertTrue(z.contact().toSeconds() >= 60);
                Chemical c = SITE.chemical(z.chemical());
                assertEquals(ChemicalKind.CHLORINE, c.kind());
            }
        }
    }
}
