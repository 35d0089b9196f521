package orthopur.faults;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Severity;
import orthopur.testbench.Bench;
import orthopur.testbench.Rig;

/** On the machine of the bench: every fault that is labelled is told by the rule of its label. */
class InjectorTest {
    private static final List<Mutant> MUTANTS =
            Injector.mutants(
                    Bench.good(),
                    Bench.SHEET,
                    Map.of("chlor", Bench.CHLORINE, "soap", Bench.DETERGENT));

    @Test
    void whatIsLabelledIsCaughtByItsRule() {
        List<String> missed =
                MUTANTS.stream()
                        .filter(m -> !m.rules().isEmpty())
                        .filter(m -> !caught(m))
                        .map(m -> m.kind() + " " + m.what() + " " + m.rules())
                        .toList();
        assertEquals(List.of(), missed);
        assertTrue(MUTANTS.size() > 150, "made " + MUTANTS.size());
    }

    private static boolean caught(Mutant m) {
        return Rig.bench().findings(m.procedure()).stream()
                .filter(f -> f.under() == null)
                .anyMatch(
                        f ->
                                m.rules().contains(f.rule())
                                        && (m.steps().isEmpty()
                                                || m.steps().contains(String.valueOf(f.stepId()))));
    }

    @Test
    void whatIsNoFaultIsNotStopped() {
        for (Mutant m : MUTANTS) {
            List<Finding> found = m.benign() ? Rig.bench().findings(m.procedure()) : List.of();
            assertTrue(
                    found.stream().noneMatch(f -> f.severity() == Severity.STOP), m.what() + found);
        }
    }

    @Test
    void theKindsOfFaultAreAllThere() {
        Set<String> kinds = MUTANTS.stream().map(Mutant::kind).collect(Collectors.toSet());
        assertTrue(
                kinds.containsAll(
                        Set.of(
                                "forget",
                                "drop",
                                "move",
                                "swap",
                                "weaken",
                                "count",
                                "towel",
                                "other-unit",
                                "not-stated",
                                "insert",
                                "duplicate")),
                kinds.toString());
    }
}
