package orthopur.procedure;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import orthopur.machine.MachineSheet;
import orthopur.machine.OptionGroup;
import orthopur.machine.Part;
import orthopur.machine.Problem;
import orthopur.text.Text;

/** Whether a procedure names only what is there: parts, surfaces, energies, checks, chemicals. */
public final class ProcedureCheck {
    private ProcedureCheck() {}

    /** All names that mean nothing on this sheet and this site, with their places. */
    public static List<Problem> check(
            Procedure procedure, MachineSheet sheet, Set<String> chemicals) {
        Map<String, Part> parts = new HashMap<>();
        Set<String> surfaces = new HashSet<>();
        sheet.parts()
                .forEach(
                        p -> {
                            parts.put(p.id(), p);
                            p.surfaces().forEach(s -> surfaces.add(s.id()));
                        });
        sheet.passages().forEach(p -> surfaces.add(p.id()));
        Set<String> energies = new HashSet<>();
        sheet.energies().forEach(e -> energies.add(e.id()));
        Set<String> checks = new HashSet<>();
        sheet.checks().forEach(c -> checks.add(c.id()));
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < procedure.steps().size(); i++) {
            Action action = procedure.steps().get(i).action();
            String at = "/steps/" + i;
            boolean wholeParts =
                    action instanceof Action.Remove
                            || action instanceof Action.Install
                            || action instanceof Action.Shift
                            || action instanceof Action.Return;
            for (int k = 0; k < action.items().size(); k++) {
                String item = action.items().get(k);
                Part part = parts.get(item);
                if (wholeParts && surfaces.contains(item)) {
                    problems.add(
                            new Problem(
                                    at + "/items/" + k,
                                    Text.of(
                                            "procedure-check.is-a-surface-only-parts-come",
                                            "\"{0}\" is a surface; only parts come off, move or go back.",
                                            item)));
                } else if (part != null && !movable(action, part)) {
                    // Taken as done it would open what it covers and leave every danger zone.
                    problems.add(
                            new Problem(
                                    at + "/items/" + k,
                                    action instanceof Action.Shift
                                                    || action instanceof Action.Return
                                            ? Text.of(
                                                    "procedure-check.does-not-move-aside",
                                                    "\"{0}\" does not move aside by the sheet of {1}.",
                                                    item,
                                                    sheet.code())
                                            : Text.of(
                                                    "procedure-check.does-not-come-off",
                                                    "\"{0}\" does not come off by the sheet of {1}.",
                                                    item,
                                                    sheet.code())));
                } else if (part == null && !surfaces.contains(item)) {
                    problems.add(
                            new Problem(
                                    at + "/items/" + k,
                                    Text.of(
                                            "procedure-check.no-item",
                                            "There is no part or surface \"{0}\" on the sheet of {1}.",
                                            item,
                                            sheet.code())));
                }
            }
            for (int k = 0; k < action.energies().size(); k++) {
                if (!energies.contains(action.energies().get(k))) {
                    problems.add(
                            new Problem(
                                    at + "/energies/" + k,
                                    Text.of(
                                            "procedure-check.no-energy",
                                            "There is no energy \"{0}\" on the sheet of {1}.",
                                            action.energies().get(k),
                                            sheet.code())));
                }
            }
            List<String> made =
                    switch (action) {
                        case Action.Measure m -> m.checks();
                        case Action.FunctionTest t -> t.checks();
                        default -> List.of();
                    };
            for (int k = 0; k < made.size(); k++) {
                if (!checks.contains(made.get(k))) {
                    problems.add(
                            new Problem(
                                    at + "/checks/" + k,
                                    Text.of(
                                            "procedure-check.no-check",
                                            "There is no check \"{0}\" on the sheet of {1}.",
                                            made.get(k),
                                            sheet.code())));
                }
            }
            for (int k = 0; k < action.fittings().size(); k++) {
                String fitting = action.fittings().get(k);
                if (sheet.fittings().stream().noneMatch(f -> f.id().equals(fitting))) {
                    problems.add(
                            new Problem(
                                    at + "/fittings/" + k,
                                    Text.of(
                                            "procedure-check.no-fitting",
                                            "There is no cleaning fitting \"{0}\" on the sheet of {1}.",
                                            fitting,
                                            sheet.code())));
                }
            }
            if (action instanceof Action.RunProgram run
                    && run.program() != null
                    && sheet.programs().stream().noneMatch(p -> p.id().equals(run.program()))) {
                problems.add(
                        new Problem(
                                at + "/program",
                                Text.of(
                                        "procedure-check.no-program",
                                        "There is no program \"{0}\" on the sheet of {1}.",
                                        run.program(),
                                        sheet.code())));
            }
            Solution liquid = action.solution();
            if (liquid != null
                    && liquid.recipe() != null
                    && sheet.recipes().stream().noneMatch(r -> r.id().equals(liquid.recipe()))) {
                problems.add(
                        new Problem(
                                at + "/recipe",
                                Text.of(
                                        "procedure-check.no-recipe",
                                        "There is no recipe \"{0}\" on the sheet of {1}.",
                                        liquid.recipe(),
                                        sheet.code())));
            }
            condition(at + "/when", procedure.steps().get(i).when(), sheet, problems);
            String chemical = action.chemical();
            if (chemical != null && !chemicals.contains(chemical)) {
                problems.add(
                        new Problem(
                                at + "/chemical",
                                Text.of(
                                        "procedure-check.there-is-no-chemical-on-this",
                                        "There is no chemical \"{0}\" on this site.",
                                        chemical)));
            }
        }
        scope(procedure, sheet, problems);
        for (int i = 0; i < procedure.clears().size(); i++) {
            String allergen = procedure.clears().get(i);
            if (sheet.allergens().stream().noneMatch(a -> a.equalsIgnoreCase(allergen))) {
                problems.add(
                        new Problem(
                                "/clears/" + i,
                                Text.of(
                                        "procedure-check.no-allergen",
                                        "There is no allergen \"{0}\" on the sheet of {1}.",
                                        allergen,
                                        sheet.code())));
            }
        }
        return problems;
    }

    private static void scope(Procedure procedure, MachineSheet sheet, List<Problem> problems) {
        procedure
                .scope()
                .forEach(
                        (group, options) -> {
                            if (options.isEmpty()) {
                                problems.add(
                                        new Problem(
                                                "/scope/" + group,
                                                Text.of(
                                                        "procedure-check.the-scope-names-no-option-of",
                                                        "The scope names no option of {0}.",
                                                        group)));
                            }
                            for (String option : options) {
                                condition("/scope/" + group, group + "=" + option, sheet, problems);
                            }
                        });
    }

    private static void condition(
            String pointer,
            @Nullable String condition,
            MachineSheet sheet,
            List<Problem> problems) {
        boolean known =
                condition == null
                        || sheet.optionGroups().stream()
                                .anyMatch(
                                        g ->
                                                g.options().stream()
                                                        .anyMatch(
                                                                o ->
                                                                        condition.equals(
                                                                                g.id() + "="
                                                                                        + o.id())));
        if (!known) {
            problems.add(
                    new Problem(
                            pointer,
                            sheet.optionGroups().isEmpty()
                                    ? Text.of(
                                            "procedure-check.no-options",
                                            "The sheet of {0} has no option \"{1}\"; it has none at all.",
                                            sheet.code(),
                                            condition)
                                    : Text.of(
                                            "procedure-check.no-option",
                                            "The sheet of {0} has no option \"{1}\"; it has {2}.",
                                            sheet.code(),
                                            condition,
                                            options(sheet))));
        }
    }

    private static String options(MachineSheet sheet) {
        return sheet.optionGroups().stream()
                .map(
                        g ->
                                g.id()
                                        + "="
                                        + g.options().stream()
                                                .map(OptionGroup.Option::id)
                                                .collect(Collectors.joining("|")))
                .collect(Collectors.joining(", "));
    }

    private static boolean movable(Action action, Part part) {
        return switch (action) {
            case Action.Remove a -> part.removable();
            case Action.Install a -> part.removable();
            case Action.Shift a -> part.shifts();
            case Action.Return a -> part.shifts();
            default -> true;
        };
    }
}
