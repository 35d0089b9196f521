package orthopur.drafting;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.machine.Frequency;
import orthopur.machine.Limit;
import orthopur.machine.MachineSheet;
import orthopur.machine.SheetCheck;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Schools;
import orthopur.procedure.Step;
import orthopur.quantity.Hardness;
import orthopur.rulebook.PublicCodes;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.testbench.Bench;
import orthopur.testbench.Rig;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/** For any valid sheet the draft has no STOP and no FIX, for every kind, scope and school. */
class DraftPropertiesTest {
    private static final int SHEETS = Integer.getInteger("orthopur.drafts", 240);
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
                    new Hardness(310));

    private static Drafter.Request request(
            Frequency kind, Schools schools, Map<String, List<String>> scope) {
        return new Drafter.Request("draft", "Draft", kind, schools, scope);
    }

    @Test
    void noStopAndNoFixOnAnyMachine() {
        Map<String, Integer> covered = new TreeMap<>();
        List<String> refused = new ArrayList<>();
        List<String> wrong = new ArrayList<>();
        for (int seed = 0; seed < SHEETS; seed++) {
            GeneratedSheet.Made made = GeneratedSheet.of(seed);
            MachineSheet sheet = made.sheet();
            assertEquals(List.of(), SheetCheck.check(sheet), "seed " + seed);
            Frequency wanted = KINDS.get(seed % KINDS.size());
            Frequency kind = due(sheet, wanted) ? wanted : Frequency.YEARLY;
            Schools schools = new Schools(seed % 5 == 0, seed % 3 == 0);
            Map<String, List<String>> scope =
                    sheet.optionGroups().isEmpty() || seed % 2 == 0
                            ? Map.of()
                            : Map.of("drive", List.of("power", "wheel"));
            try {
                Drafter.Request r = request(kind, schools, scope);
                Procedure p = Drafter.draft(sheet, r, SITE);
                Verdict v = Verifier.verify(p, sheet, SITE);
                if (v.stops() + v.fixes() > 0 || !p.equals(Drafter.draft(sheet, r, SITE))) {
                    wrong.add(seed + ": " + v.findings().stream().map(Finding::message).toList());
                }
                made.has().forEach(h -> covered.merge(h, 1, Integer::sum));
                covered.merge("school " + (schools.assembledFirst() ? "B" : "A"), 1, Integer::sum);
                covered.merge("scope of " + Math.max(1, scope.size() * 2), 1, Integer::sum);
            } catch (DraftRefused e) {
                refused.add(seed + " " + kind + " " + schools + ": " + e.reasons());
            }
        }
        System.out.println(
                "drafted " + (SHEETS - refused.size()) + " of " + SHEETS + ": " + covered);
        refused.stream().limit(20).forEach(r -> System.out.println("  refused " + r));
        assertEquals(List.of(), wrong);
        assertTrue(refused.size() <= SHEETS / 10, refused.size() + " refused");
        assertTrue(
                covered.keySet()
                        .containsAll(
                                Set.of(
                                        "energy CORD",
                                        "energy SUPPLIED",
                                        "energy SUPPLIED, tag",
                                        "energy STORED",
                                        "energy HEAT",
                                        "option group",
                                        "passage",
                                        "index BY_HAND",
                                        "index HOLD_TO_RUN",
                                        "pair",
                                        "program",
                                        "cover",
                                        "behind",
                                        "lubrication",
                                        "school A",
                                        "school B",
                                        "scope of 2")),
                covered.toString());
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
    void schoolBAssemblesBeforeItSanitizes() {
        Procedure p =
                Drafter.draft(
                        Bench.SHEET,
                        request(Frequency.DAILY, new Schools(false, true), Map.of()),
                        SITE);
        List<String> verbs = p.steps().stream().map(s -> s.action().verb()).toList();
        assertTrue(verbs.lastIndexOf("Install") < verbs.indexOf("Sanitize"));
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
        assertEquals(List.of("This site owns no sanitizer that drum-1 bears."), e.reasons());
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
