package orthopur.rules;

import java.time.Duration;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.runthrough.SheetIndex;

/** Edits that several rules propose. They add a step or an item, never a figure. */
public final class StepEdits {
    /** Drying in the air, where nobody has said how long. */
    public static final Duration DRYING = Duration.ofMinutes(20);

    private StepEdits() {}

    /** A new step without figures, its id free in this procedure. */
    public static Step fresh(Procedure p, int nth, Action action, String words) {
        return new Step(p.freshId(nth), action, words, null, null, 1, 1);
    }

    /** The same for moving one part: with the caution, the pattern and the people of its sheet. */
    public static Step moving(Procedure p, int nth, Action action, String words, Part part) {
        Action told =
                action instanceof Action.Install a && part.fitting().pattern() != null
                        ? new Action.Install(a.items(), a.count(), part.fitting().pattern())
                        : action;
        Integer people = part.moving().people();
        return new Step(
                p.freshId(nth),
                told,
                words + SheetIndex.spoken(part.name()) + ".",
                null,
                part.caution(),
                1,
                people == null ? 1 : Math.min(people, p.people()));
    }

    /** A change that adds an item to a step that names items, or null where it names none. */
    public static @Nullable Edit addItems(Step step, List<String> more) {
        Set<String> both = new LinkedHashSet<>(step.action().items());
        both.addAll(more);
        List<String> items = List.copyOf(both);
        boolean treats =
                switch (step.action()) {
                    case Action.DryClean a -> true;
                    case Action.Wash a -> true;
                    case Action.Rinse a -> true;
                    case Action.Inspect a -> true;
                    case Action.Sanitize a -> true;
                    case Action.Dry a -> true;
                    default -> false;
                };
        Action wider = treats ? step.action().about(items) : null;
        return wider == null ? null : new Edit.Change(step.id(), step.with(wider));
    }

    /** The id of the first step from a place on that fits; null means the end. */
    public static @Nullable String firstFrom(Procedure p, int place, Predicate<Action> fits) {
        for (int i = place; i < p.steps().size(); i++) {
            if (fits.test(p.steps().get(i).action())) {
                return p.steps().get(i).id();
            }
        }
        return null;
    }

    /** Where parts have to be back: before the machine is cleared, unlocked or made live. */
    public static boolean endsAssembly(Action a) {
        return a instanceof Action.Clear
                || a instanceof Action.Unlock
                || a instanceof Action.Restore;
    }
}
