package orthopur.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Severity;
import orthopur.testbench.Rig;

/**
 * Every rule beyond the first: on a small machine one procedure that breaks it – the right rule, at
 * the right step, with its severity – and one that just keeps it. A class a chapter.
 */
abstract class EachRule {
    static final List<String> DRUM = List.of("drum");
    static final Action.Method CLOTH = Action.Method.CLOTH;

    private record Case(
            String broken, String severity, Procedure breaks, Procedure keeps, Rig rig) {}

    private final List<Case> cases = new ArrayList<>();

    /** The cases of one chapter, each given to {@link #rule}. */
    abstract void chapter();

    /**
     * @param broken rule and step as "L7@lock"
     */
    final void rule(Rig rig, String broken, String severity, Procedure breaks, Procedure keeps) {
        cases.add(new Case(broken, severity, breaks, keeps, rig));
    }

    @TestFactory
    final List<DynamicTest> eachIsBrokenOnceAndKeptOnce() {
        chapter();
        return cases.stream()
                .map(c -> DynamicTest.dynamicTest(c.broken() + " " + c.severity(), () -> check(c)))
                .toList();
    }

    private static void check(Case c) {
        String rule = c.broken().substring(0, c.broken().indexOf('@'));
        String step = c.broken().substring(c.broken().indexOf('@') + 1);
        List<Finding> found = c.rig().findings(c.breaks());
        Finding f =
                found.stream()
                        .filter(
                                x ->
                                        x.rule().equals(rule)
                                                && step.equals(
                                                        x.stepId() == null ? "end" : x.stepId()))
                        .findFirst()
                        .orElseThrow(() -> new AssertionError(c.broken() + " not in " + found));
        assertEquals(Severity.valueOf(c.severity()), f.severity(), f.message());
        assertFalse(f.because().isBlank());
        assertTrue(
                c.rig().findings(c.keeps()).stream().noneMatch(x -> x.rule().equals(rule)),
                () -> "kept: " + c.rig().findings(c.keeps()));
        f.remedies().forEach(r -> c.rig().findings(c.breaks().apply(r.edits())));
    }
}
