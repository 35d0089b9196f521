package orthopur.examples;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthopur.Nullable;
import orthopur.faults.Injector;
import orthopur.faults.Mutant;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Procedure;
import orthopur.rulebook.RuleBook;
import orthopur.rules.AllRules;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Rule;
import orthopur.runthrough.Run;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.SheetIndex;

/** Finds and runs the examples of one rule. */
public final class Examples {
    /** Slips that go to a limit, the nearest to it last: these flip first when a figure changes. */
    private static final Set<String> TO_A_LIMIT = Set.of("weaken", "strengthen");

    private Examples() {}

    /** A procedure that passes on its sheet. */
    public record Source(Procedure procedure, MachineSheet sheet) {}

    /**
     * One slip.
     *
     * @param what was done to the procedure, in words
     * @param kept as it is
     * @param broken with the slip
     * @param sheet of the configuration it is run in
     */
    public record Example(
            String rule,
            String what,
            Procedure kept,
            Procedure broken,
            MachineSheet sheet,
            Configuration configuration) {}

    /**
     * What the rule says of one of the two.
     *
     * @param finding null where the rule is kept
     */
    public record Told(@Nullable Finding finding) {}

    /** The first source that shows the rule, or null where none does. */
    public static @Nullable Example find(Rule one, List<Source> sources, Context context) {
        String rule = one.info().id();
        for (Source source : sources) {
            Configuration fitted = Configuration.fitted(source.sheet());
            MachineSheet sheet = fitted.of(source.sheet());
            Context here = context.in(fitted);
            List<Mutant> slips =
                    Injector.mutants(source.procedure(), sheet, context.chemicals()).stream()
                            .filter(m -> m.rules().contains(rule))
                            .toList();
            List<Mutant> ordered = new ArrayList<>();
            slips.stream()
                    .filter(m -> TO_A_LIMIT.contains(m.kind()))
                    .forEach(m -> ordered.addFirst(m));
            slips.stream().filter(m -> m.rules().size() == 1).forEach(ordered::add);
            ordered.addAll(slips);
            for (Mutant m : ordered) {
                Example e =
                        new Example(
                                rule, m.what(), source.procedure(), m.procedure(), sheet, fitted);
                // Several small rules share a number: it has to be this one that speaks.
                boolean speaks =
                        RunThrough.of(m.procedure(), new SheetIndex(sheet), here, List.of(one))
                                .findings()
                                .stream()
                                .anyMatch(f -> f.rule().equals(rule));
                if (speaks
                        && judge(e, m.procedure(), here).finding() != null
                        && judge(e, source.procedure(), here).finding() == null) {
                    return e;
                }
            }
        }
        return null;
    }

    /** Runs one of the two by all rules and picks out what this rule says. */
    public static Told judge(Example e, Procedure p, Context context) {
        Run run =
                RunThrough.of(
                        p,
                        new SheetIndex(e.sheet()),
                        context.in(e.configuration()),
                        AllRules.list());
        return new Told(
                run.findings().stream()
                        .filter(f -> f.rule().equals(e.rule()))
                        .findFirst()
                        .orElse(null));
    }

    /** Ids of the figures that this rule compares with when it looks at the two. */
    public static Set<String> figures(Example e, Context context) {
        Set<String> asked = new LinkedHashSet<>();
        Context watched = context.by(context.book().watched(asked::add)).in(e.configuration());
        List<Rule> one =
                AllRules.list().stream().filter(r -> r.info().id().equals(e.rule())).toList();
        for (Procedure p : List.of(e.kept(), e.broken())) {
            RunThrough.of(p, new SheetIndex(e.sheet()), watched, List.of());
            // What the run itself asks for is not this rule's.
            Set<String> before = Set.copyOf(asked);
            asked.clear();
            RunThrough.of(p, new SheetIndex(e.sheet()), watched, one);
            asked.removeIf(f -> before.contains(f) && !mentioned(e, f, context));
        }
        return asked;
    }

    /** A figure that the run asks for as well may still be one of the numbers that are told. */
    private static boolean mentioned(Example e, String figure, Context context) {
        Finding f = judge(e, e.broken(), context).finding();
        double value = context.book().number(figure);
        return f != null && f.numbers().stream().anyMatch(n -> n.value() == value);
    }

    /** The book with other figures, as a reader tries them. */
    public static RuleBook tried(RuleBook book, Map<String, Double> values) {
        Map<String, orthopur.rulebook.Figure> changed = new java.util.HashMap<>();
        values.forEach((id, v) -> changed.put(id, book.figure(id).with(v, "tried")));
        return book.with(book.version(), changed);
    }
}
