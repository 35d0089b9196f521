package orthopur.examples;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
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
     * @param kept as it is
     * @param broken with the slip
     */
    public record Example(String rule, Side kept, Side broken) {}

    /**
     * One of the two.
     *
     * @param sheet of the configuration it is run in
     * @param around what it is run in, from what the site has
     */
    public record Side(Procedure procedure, MachineSheet sheet, UnaryOperator<Context> around) {}

    /**
     * What the rule says of one of the two.
     *
     * @param finding null where the rule is kept
     * @param run how it went
     */
    public record Told(@Nullable Finding finding, Run run) {}

    /** The first source that shows the rule, or null where none does. */
    public static @Nullable Example find(Rule one, List<Source> sources, Context context) {
        String rule = one.info().id();
        for (Source source : sources) {
            for (Example e : candidates(rule, source, context)) {
                // Several small rules share a number: it has to be this one that speaks.
                if (told(e.broken(), context, List.of(one), rule).finding() != null
                        && judge(e, e.broken(), context).finding() != null
                        && judge(e, e.kept(), context).finding() == null) {
                    return e;
                }
            }
        }
        return null;
    }

    /** Slips of this rule, those first that a reader sees through at once. */
    private static List<Example> candidates(String rule, Source source, Context context) {
        Configuration fitted = Configuration.fitted(source.sheet());
        MachineSheet sheet = fitted.of(source.sheet());
        List<Mutant> slips =
                Injector.mutants(source.procedure(), sheet, context.chemicals()).stream()
                        .filter(m -> m.rules().contains(rule))
                        .toList();
        List<Mutant> ordered = new ArrayList<>();
        slips.stream().filter(m -> TO_A_LIMIT.contains(m.kind())).forEach(m -> ordered.addFirst(m));
        slips.stream().filter(m -> m.rules().size() == 1).forEach(ordered::add);
        ordered.addAll(slips);
        UnaryOperator<Context> as = c -> c.in(fitted);
        Side kept = new Side(source.procedure(), sheet, as);
        List<Example> all = new ArrayList<>();
        for (Mutant m : ordered) {
            all.add(new Example(rule, kept, new Side(m.procedure(), sheet, as)));
        }
        for (Surroundings.Slip slip : Surroundings.of(source, context)) {
            if (slip.rule().equals(rule)) {
                all.add(
                        new Example(
                                rule,
                                new Side(
                                        source.procedure(),
                                        sheet,
                                        c -> slip.kept().apply(c.in(fitted))),
                                new Side(
                                        slip.procedure(),
                                        fitted.of(slip.sheet()),
                                        c -> slip.broken().apply(c.in(fitted)))));
            }
        }
        return all;
    }

    /** Runs one of the two by all rules and picks out what this rule says. */
    public static Told judge(Example e, Side side, Context context) {
        return told(side, context, AllRules.list(), e.rule());
    }

    private static Told told(Side side, Context context, List<Rule> rules, String rule) {
        Run run =
                RunThrough.of(
                        side.procedure(),
                        new SheetIndex(side.sheet()),
                        side.around().apply(context),
                        rules);
        return new Told(
                run.findings().stream().filter(f -> f.rule().equals(rule)).findFirst().orElse(null),
                run);
    }

    /** Ids of the figures that this rule compares with when it looks at the two. */
    public static Set<String> figures(Example e, Context context) {
        Set<String> asked = new LinkedHashSet<>();
        Context watched = context.by(context.book().watched(asked::add));
        List<Rule> one =
                AllRules.list().stream().filter(r -> r.info().id().equals(e.rule())).toList();
        for (Side side : List.of(e.kept(), e.broken())) {
            told(side, watched, List.of(), e.rule());
            // What the run itself asks for is not this rule's.
            Set<String> before = Set.copyOf(asked);
            asked.clear();
            told(side, watched, one, e.rule());
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
