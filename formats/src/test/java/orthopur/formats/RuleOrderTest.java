package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.rules.AllRules;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Rule;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.RuleInfo;
import orthopur.runthrough.Run;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;

/** Rules declare what explains them; nothing else may hang on the order in which they are asked. */
class RuleOrderTest {
    private static final List<List<Rule>> ORDERS =
            new Random(1).ints(40).mapToObj(RuleOrderTest::order).toList();

    private static List<Rule> order(int seed) {
        List<Rule> dice = new ArrayList<>(AllRules.list());
        Collections.shuffle(dice, new Random(seed));
        return AllRules.ordered(AllRules.list(), Comparator.comparing(dice::indexOf));
    }

    static List<String> procedures() {
        return DemoSite.PROCEDURES;
    }

    @ParameterizedTest
    @MethodSource("procedures")
    void anyOrderThatKeepsTheRelationsGivesTheSameVerdict(String name) {
        Procedure p = DemoSite.procedure(name);
        Random seeded = new Random(name.hashCode());
        List<Procedure> broken = new ArrayList<>(List.of(p, p.withSteps(p.steps().reversed())));
        for (int i = 0; i < 30; i++) {
            List<Step> steps = new ArrayList<>(p.steps());
            if (i % 2 == 0) {
                steps.remove(seeded.nextInt(steps.size()));
                steps.remove(seeded.nextInt(steps.size()));
            } else {
                Collections.swap(steps, seeded.nextInt(steps.size()), seeded.nextInt(steps.size()));
            }
            broken.add(p.withSteps(steps));
        }
        for (Procedure b : broken) {
            Set<String> usual = told(b, AllRules.list());
            for (int i = 0; i < 3; i++) {
                Set<String> other = told(b, ORDERS.get(seeded.nextInt(ORDERS.size())));
                Set<String> lost = new TreeSet<>(usual);
                lost.removeAll(other);
                other.removeAll(usual);
                assertEquals(Set.of(), lost, "instead of " + other);
            }
        }
    }

    /** Each finding with the one it hangs under; the order of findings of one step is no matter. */
    private static Set<String> told(Procedure p, List<Rule> rules) {
        MachineSheet sheet = DemoSite.sheet(p.sheet());
        Configuration fitted = Configuration.fitted(sheet);
        Run run =
                RunThrough.of(
                        p, new SheetIndex(fitted.of(sheet)), DemoSite.CONTEXT.in(fitted), rules);
        Set<String> told = new TreeSet<>();
        for (Finding f : run.findings()) {
            Integer under = f.under();
            told.add(name(f) + (under == null ? "" : " < " + name(run.findings().get(under))));
        }
        return told;
    }

    private static String name(Finding f) {
        return f.severity() + " " + f.rule() + " at " + f.stepId() + " " + f.items() + f.energies();
    }

    @Test
    void rulesThatExplainEachOtherInACircleAreRefused() {
        List<Rule> circle = List.of(rule(RuleId.L1, RuleId.L2), rule(RuleId.L2, RuleId.L1));
        assertTrue(
                assertThrows(
                                IllegalStateException.class,
                                () ->
                                        AllRules.ordered(
                                                circle, Comparator.comparing(circle::indexOf)))
                        .getMessage()
                        .contains("[L1, L2]"));
    }

    private static Rule rule(RuleId id, RuleId follows) {
        RuleInfo info = new RuleInfo(id.name(), Severity.STOP, "title", "source", Set.of(follows));
        return () -> info;
    }
}
