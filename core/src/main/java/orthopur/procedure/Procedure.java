package orthopur.procedure;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;

/**
 * A procedure for one machine sheet.
 *
 * @param sheetVersion the version of the sheet it was written against
 * @param kind how deep it goes; decides what is due
 * @param people size of the crew, 1 to 20
 * @param scope options it is written for, by group; a group that is not in it has the fitted one
 * @param ppe protective equipment worn throughout
 * @param clears allergens that have to be gone when it is done: another product follows
 */
public record Procedure(
        String id,
        String title,
        String sheet,
        int sheetVersion,
        String ruleBook,
        Frequency kind,
        Schools schools,
        int people,
        List<String> ppe,
        Map<String, List<String>> scope,
        List<String> clears,
        List<Step> steps) {

    /** One that clears no allergen. */
    public Procedure(
            String id,
            String title,
            String sheet,
            int sheetVersion,
            String ruleBook,
            Frequency kind,
            Schools schools,
            int people,
            List<String> ppe,
            Map<String, List<String>> scope,
            List<Step> steps) {
        this(
                id,
                title,
                sheet,
                sheetVersion,
                ruleBook,
                kind,
                schools,
                people,
                ppe,
                scope,
                List.of(),
                steps);
    }

    public Procedure(
            String id,
            String title,
            String sheet,
            int sheetVersion,
            String ruleBook,
            Frequency kind,
            Schools schools,
            int people,
            List<String> ppe,
            List<Step> steps) {
        this(id, title, sheet, sheetVersion, ruleBook, kind, schools, people, ppe, Map.of(), steps);
    }

    public Procedure {
        ppe = List.copyOf(ppe);
        clears = clears == null ? List.of() : List.copyOf(clears);
        scope = java.util.Collections.unmodifiableMap(new java.util.LinkedHashMap<>(scope));
        steps = List.copyOf(steps);
        Set<String> seen = new HashSet<>();
        for (Step s : steps) {
            if (!seen.add(s.id())) {
                throw new IllegalArgumentException("The step id \"" + s.id() + "\" stands twice.");
            }
        }
    }

    /** Whether it is written for the machine as its sheet says that it is fitted. */
    public boolean coversFitted(MachineSheet machine) {
        return machine.optionGroups().stream()
                .allMatch(
                        g -> scope.getOrDefault(g.id(), List.of(g.fitted())).contains(g.fitted()));
    }

    /** The larger number holds: of the head, or of any step that asks for more. */
    public int mostPeople() {
        return Math.max(people, steps.stream().mapToInt(Step::people).max().orElse(1));
    }

    /** The steps that are done one after the other at each position, with this one among them. */
    public List<Step> loopAt(int place) {
        String loop = steps.get(place).loop();
        if (loop == null) {
            return List.of();
        }
        int from = place;
        while (from > 0 && loop.equals(steps.get(from - 1).loop())) {
            from--;
        }
        int to = place + 1;
        while (to < steps.size() && loop.equals(steps.get(to).loop())) {
            to++;
        }
        return steps.subList(from, to);
    }

    /** Whether a step stands in a loop in which something is done at each position. */
    public boolean loops(int place, Predicate<Action> does) {
        return loopAt(place).stream().map(Step::action).anyMatch(does);
    }

    public Procedure withSteps(List<Step> others) {
        return new Procedure(
                id,
                title,
                sheet,
                sheetVersion,
                ruleBook,
                kind,
                schools,
                people,
                ppe,
                scope,
                clears,
                others);
    }

    /** The same for a change of product: these allergens have to be gone. */
    public Procedure clearing(List<String> allergens) {
        return new Procedure(
                id,
                title,
                sheet,
                sheetVersion,
                ruleBook,
                kind,
                schools,
                people,
                ppe,
                scope,
                allergens,
                steps);
    }

    /** The same with other protective equipment. */
    public Procedure withPpe(List<String> other) {
        return new Procedure(
                id,
                title,
                sheet,
                sheetVersion,
                ruleBook,
                kind,
                schools,
                people,
                other,
                scope,
                clears,
                steps);
    }

    /** Place of a step from 0, or -1 where there is none of that id. */
    public int placeOf(String stepId) {
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).id().equals(stepId)) {
                return i;
            }
        }
        return -1;
    }

    /**
     * Applies all edits in order, or none.
     *
     * @throws EditRefused when an edit names a step that is not there or an id that is taken
     */
    public Procedure apply(List<Edit> edits) {
        List<Step> next = new ArrayList<>(steps);
        for (Edit edit : edits) {
            switch (edit) {
                case Edit.InsertBefore e -> next.add(before(next, e.before()), e.step());
                case Edit.Change e -> next.set(find(next, e.id()), e.step());
                case Edit.Delete e -> next.remove(find(next, e.id()));
                case Edit.Move e -> {
                    Step moved = next.remove(find(next, e.id()));
                    next.add(before(next, e.before()), moved);
                }
            }
        }
        try {
            return withSteps(next);
        } catch (IllegalArgumentException e) {
            throw new EditRefused(e.getMessage());
        }
    }

    /** An id that no step has yet; the same for the same procedure. */
    public String freshId(int nth) {
        int n = steps.size() + nth;
        while (placeOf("n" + n) >= 0) {
            n++;
        }
        return "n" + n;
    }

    private static int before(List<Step> steps, @Nullable String id) {
        return id == null ? steps.size() : find(steps, id);
    }

    private static int find(List<Step> steps, String id) {
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).id().equals(id)) {
                return i;
            }
        }
        throw new EditRefused("There is no step \"" + id + "\" in this procedure.");
    }
}
