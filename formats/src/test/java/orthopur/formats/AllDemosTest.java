package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.FieldSource;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Remedy;
import orthopur.procedure.Step;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.RoundPack;
import orthopur.runthrough.Finding;
import orthopur.verdict.Verdict;

/** All machines: what is approved passes, and each draft has its own machine's mistakes. */
class AllDemosTest {
    static final List<String> APPROVED = DemoSite.APPROVED;
    static final List<String> DRAFTS = DemoSite.DRAFTS;

    @ParameterizedTest
    @FieldSource("APPROVED")
    void theApprovedPass(String name) {
        Verdict v = DemoSite.verify(DemoSite.procedure(name));
        assertEquals(List.of(), v.findings());
        assertEquals(v.coverage().due(), v.coverage().reached());
    }

    /** What is wrong with a draft stands beside it: one rule a line, in the order of the steps. */
    @ParameterizedTest
    @FieldSource("DRAFTS")
    void theDraftsAreStoppedByTheRightRules(String name) {
        List<String> roots =
                DemoSite.verify(DemoSite.procedure(name)).findings().stream()
                        .filter(f -> f.under() == null)
                        .map(Finding::rule)
                        .toList();
        assertEquals(DemoSite.text("procedures/" + name + ".rules").lines().toList(), roots);
    }

    /** Every remedy that is offered helps when it is taken; none makes another thing worse. */
    @ParameterizedTest
    @FieldSource("DRAFTS")
    void everyOfferedRemedyHelps(String name) {
        Procedure p = DemoSite.procedure(name);
        Verdict v = DemoSite.verify(p);
        int offered = 0;
        for (Finding f : v.findings()) {
            for (Remedy r : f.remedies()) {
                Verdict after = DemoSite.verify(p.apply(r.edits()));
                assertTrue(
                        after.stops() < v.stops()
                                || (after.stops() == v.stops() && after.fixes() < v.fixes()),
                        f.rule() + ": " + r.label());
                offered++;
            }
        }
        assertTrue(offered > 1, name + " offers " + offered);
    }

    /** The tablet gets the machine as it is fitted, and every piece that comes off comes back. */
    @ParameterizedTest
    @FieldSource("APPROVED")
    void theTabletGetsWhatIsFitted(String name) {
        Procedure p = DemoSite.procedure(name);
        MachineSheet sheet = DemoSite.sheet(p.sheet());
        RoundPack pack = PackCompiler.compile(p, 1, sheet, DemoSite.CONTEXT, List.of());
        // A loop is led through position by position; its ids have the position behind an @.
        Configuration fitted = Configuration.fitted(sheet);
        assertEquals(
                p.steps().stream().filter(s -> fitted.holds(s.when())).map(Step::id).toList(),
                pack.steps().stream().map(s -> s.id().replaceAll("@.*", "")).distinct().toList());
        pack.steps().stream()
                .filter(s -> s.id().contains("@"))
                .forEach(s -> assertTrue(s.off().size() + s.on().size() <= 2, s.id()));
        Set<String> off = new HashSet<>();
        Set<String> on = new HashSet<>();
        pack.steps().forEach(s -> s.off().forEach(x -> off.add(x.key())));
        pack.steps().forEach(s -> s.on().forEach(x -> on.add(x.key())));
        assertEquals(off, on);
        Set<String> there = new HashSet<>();
        fitted.of(sheet).parts().forEach(x -> there.add(x.id()));
        sheet.fittings().forEach(x -> there.add(PackCompiler.FITTING + x.id()));
        pack.parts().forEach(t -> assertTrue(there.contains(t.part()), t.part()));
        pack.steps().forEach(s -> assertTrue(!s.title().toString().isBlank(), s.id()));
        long readings =
                p.steps().stream().filter(s -> s.action() instanceof Action.Sanitize).count();
        assertEquals(readings, pack.steps().stream().filter(s -> s.reading() != null).count());
    }

    @Test
    void noTwoProceduresShareMoreThanAThirdOfTheirSentences() {
        for (String a : APPROVED) {
            for (String b : APPROVED) {
                Set<String> shared = new HashSet<>(words(a));
                shared.retainAll(words(b));
                int least = Math.min(words(a).size(), words(b).size());
                assertTrue(a.equals(b) || shared.size() <= 0.3 * least, a + " " + b + shared);
            }
        }
    }

    private static Set<String> words(String name) {
        Set<String> words = new HashSet<>();
        DemoSite.procedure(name).steps().stream().map(Step::words).forEach(words::add);
        return words;
    }
}
