package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.FieldSource;
import orthopur.chemical.Chemical;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Action.HoldPoint;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.verdict.Verdict;

/** What nobody means and somebody sends: it gets a verdict, never a pass by accident. */
class StrangeProceduresTest {
    static final List<String> APPROVED = DemoSite.APPROVED;
    private static final Set<String> IDS =
            DemoSite.CHEMICALS.stream().map(Chemical::id).collect(Collectors.toSet());

    private static Verdict verdict(Procedure p, List<Step> steps) {
        List<Step> numbered = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            numbered.add(steps.get(i).withId("s" + i));
        }
        return DemoSite.judged(p.withSteps(numbered));
    }

    /** Whether it cleans a machine that was in use; what follows an event owes nothing else. */
    private static boolean cleans(Procedure p) {
        return p.kind() != Frequency.EVENT && DemoSite.judged(p).coverage().due() > 0;
    }

    /** Where no food touches the machine, what is missing is to be fixed and stops nothing. */
    private static boolean caught(Procedure p, Verdict v) {
        boolean food =
                DemoSite.sheet(p.sheet()).parts().stream()
                        .flatMap(x -> x.surfaces().stream())
                        .anyMatch(x -> x.zone() == 1);
        return v.stops() > 0 || !food && v.fixes() > 0;
    }

    @ParameterizedTest
    @FieldSource("APPROVED")
    void nothingAtAllCleansNothing(String name) {
        Procedure p = DemoSite.procedure(name);
        Verdict v = verdict(p, List.of());
        assertTrue(!cleans(p) || caught(p, v), name);
        assertEquals(0, v.coverage().reached());
    }

    @ParameterizedTest
    @FieldSource("APPROVED")
    void noSingleStepIsAProcedure(String name) {
        Procedure p = DemoSite.procedure(name);
        for (Step s : cleans(p) ? p.steps() : List.<Step>of()) {
            assertTrue(caught(p, verdict(p, List.of(s))), name + " " + s.id());
        }
    }

    @ParameterizedTest
    @FieldSource("APPROVED")
    void fromBehindItIsStopped(String name) {
        Procedure p = DemoSite.procedure(name);
        List<Step> back = new ArrayList<>(p.steps());
        Collections.reverse(back);
        boolean owes =
                cleans(p) || p.steps().stream().anyMatch(s -> s.action() instanceof HoldPoint);
        assertTrue(!owes || caught(p, verdict(p, back)), name);
    }

    /** A step said twice is no danger by itself; a round that runs twice through its runs is. */
    @ParameterizedTest
    @FieldSource("APPROVED")
    void everyStepTwiceAndAHundredTimesTheSameHaveAnAnswer(String name) {
        Procedure p = DemoSite.procedure(name);
        List<Step> twice = new ArrayList<>();
        p.steps().forEach(s -> twice.addAll(List.of(s, s)));
        assertEquals(DemoSite.judged(p).coverage().due(), verdict(p, twice).coverage().due(), name);
        for (Step s : p.steps()) {
            Verdict v = verdict(p, Collections.nCopies(100, s));
            assertTrue(!cleans(p) || caught(p, v), s.id());
        }
    }

    /**
     * Two of one machine pasted together: what the first made safe, the second starts from live.
     */
    @ParameterizedTest
    @FieldSource("APPROVED")
    void pastedBehindItselfItIsNotWorse(String name) {
        Procedure p = DemoSite.procedure(name);
        List<Step> both = new ArrayList<>(p.steps());
        both.addAll(p.steps());
        Verdict v = verdict(p, both);
        // Whatever it says, it is of the second half: the first is as good as it was.
        v.findings().stream()
                .filter(f -> f.under() == null && f.stepId() != null)
                .forEach(
                        f ->
                                assertTrue(
                                        Integer.parseInt(f.stepId().substring(1))
                                                >= p.steps().size() - 4,
                                        name + " " + f.rule() + "@" + f.stepId()));
    }

    @ParameterizedTest
    @FieldSource("APPROVED")
    void inCapitalsItMeansTheSameOrSaysWhatItDoesNotUnderstand(String name) {
        ProcedureDocument d = ProcedureFormat.document(DemoSite.procedure(name));
        MachineSheet sheet = DemoSite.sheet(d.sheet());
        Notation notation = new Notation(sheet, DemoSite.CHEMICALS);
        List<String> loud = new ArrayList<>();
        for (String line : notation.write(d).lines().toList()) {
            int id = line.lastIndexOf(" #");
            boolean step = id > 0 && !line.startsWith(" ");
            loud.add(
                    step
                            ? line.substring(0, id).toUpperCase(Locale.ROOT) + line.substring(id)
                            : line);
        }
        Notation.Read read = notation.read(String.join("\n", loud));
        if (read.slips().isEmpty()) {
            Verdict v = DemoSite.judged(ProcedureFormat.read(read.document(), sheet, IDS));
            assertEquals(0, v.stops(), name + " " + v.findings());
        }
    }

    /** A number that has lost its unit is not stated; nothing passes on it. */
    @ParameterizedTest
    @FieldSource("APPROVED")
    void numbersWithoutUnitsAreNotTakenForAnything(String name) {
        ProcedureDocument d = ProcedureFormat.document(DemoSite.procedure(name));
        MachineSheet sheet = DemoSite.sheet(d.sheet());
        Notation notation = new Notation(sheet, DemoSite.CHEMICALS);
        String bare = notation.write(d).replaceAll("(\\d) (mg/L|%|°C|L|s|min|h)\\b", "$1");
        Notation.Read read = notation.read(bare);
        boolean figures = !bare.equals(notation.write(d));
        assertTrue(figures, name);
        if (read.slips().isEmpty()) {
            Verdict v = DemoSite.judged(ProcedureFormat.read(read.document(), sheet, IDS));
            assertFalse(v.stops() + v.fixes() == 0, name);
        }
    }
}
