package orthopur.comparison;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import orthopur.comparison.Comparison.Kind;
import orthopur.comparison.Comparison.StepChange;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.testbench.Bench;
import orthopur.verdict.Verdict;

/** What came, went, moved or changed, and what it does to the verdict. */
class ComparisonTest {
    private static final Procedure GOOD = Bench.good();
    private static final Verdict FINE = Bench.verify(GOOD);

    private static Comparison against(Procedure after) {
        return Comparison.of(GOOD, FINE, after, Bench.verify(after));
    }

    @Test
    void theSameIsNotDifferent() {
        Comparison c = against(Bench.good());
        assertEquals(List.of(), c.steps());
        assertEquals(List.of(), c.head());
        assertEquals(List.of(), c.come());
        assertEquals(List.of(), c.gone());
    }

    @Test
    void aStepThatWentBringsItsFinding() {
        Comparison c = against(Bench.without("rinse"));
        StepChange went = c.steps().getFirst();
        assertEquals(Kind.REMOVED, went.kind());
        assertEquals("rinse", went.id());
        assertEquals(1, c.steps().size());
        assertEquals("C3", c.come().getFirst().rule());
        Comparison back =
                Comparison.of(
                        Bench.without("rinse"), Bench.verify(Bench.without("rinse")), GOOD, FINE);
        assertEquals(Kind.ADDED, back.steps().getFirst().kind());
        assertEquals("C3", back.gone().getFirst().rule());
        assertEquals(List.of(), back.come());
    }

    /** One step that moved over many is one move, not many. */
    @Test
    void aMoveIsOneMove() {
        String first = GOOD.steps().getFirst().id();
        String last = GOOD.steps().getLast().id();
        Comparison c = against(GOOD.apply(List.of(new Edit.Move(last, first))));
        assertEquals(1, c.steps().size());
        assertEquals(
                new StepChange(Kind.MOVED, last, GOOD.steps().size(), 1, List.of()),
                c.steps().getFirst());
    }

    @Test
    void aChangeNamesItsParts() {
        Step s = GOOD.steps().get(3);
        Step other =
                new Step(
                        s.id(),
                        s.action(),
                        "Other words",
                        "why",
                        s.caution(),
                        9,
                        s.people(),
                        s.when());
        Comparison c = against(GOOD.apply(List.of(new Edit.Change(s.id(), other))));
        assertEquals(Kind.CHANGED, c.steps().getFirst().kind());
        assertEquals("[words, because, minutes]", c.steps().getFirst().parts().toString());
        assertEquals(
                "[protective equipment]",
                against(GOOD.withPpe(List.of("earplugs"))).head().toString());
    }

    /** From what is told the newer order can be made again: nothing is left out or told twice. */
    @Property(tries = 200)
    void nothingIsLeftOut(@ForAll long seed) {
        Random random = new Random(seed);
        List<Step> steps = new ArrayList<>(GOOD.steps());
        for (int i = random.nextInt(4); i > 0; i--) {
            steps.remove(random.nextInt(steps.size()));
        }
        for (int i = random.nextInt(4); i > 0; i--) {
            Collections.swap(steps, random.nextInt(steps.size()), random.nextInt(steps.size()));
        }
        Procedure after = GOOD.withSteps(steps);
        List<StepChange> told = Comparison.of(GOOD, FINE, after, FINE).steps();
        Set<String> ids = new HashSet<>();
        told.forEach(t -> assertTrue(ids.add(t.id()), t.id() + " is told twice"));
        List<String> left =
                GOOD.steps().stream().map(Step::id).filter(id -> !ids.contains(id)).toList();
        List<String> same = steps.stream().map(Step::id).filter(id -> !ids.contains(id)).toList();
        assertEquals(left, same);
        told.stream()
                .filter(t -> t.is() != null)
                .forEach(t -> assertEquals(t.id(), steps.get(t.is() - 1).id()));
        assertEquals(
                GOOD.steps().size() - steps.size(),
                told.stream().filter(t -> t.kind() == Kind.REMOVED).count());
    }
}
