package orthopur.server.rulebook;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.examples.Examples;
import orthopur.formats.ProcedureFormat;
import orthopur.formats.VerdictDocument;
import orthopur.procedure.Step;
import orthopur.rulebook.PublicCodes;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.runthrough.SheetIndex;
import orthopur.server.rulebook.RuleBookController.ExampleStep;
import orthopur.server.rulebook.RuleBookController.ExampleView;
import orthopur.verdict.Ribbon;

/**
 * One side of an example: the few steps around the slip, and the threads that the rule speaks of.
 */
final class ExampleOf {
    /** Steps shown before and after the one that differs. */
    private static final int BEFORE = 3;

    private static final int AFTER = 4;

    private static final int MOST_THREADS = 5;

    private final Examples.Example example;
    private final Examples.Side side;
    private final Examples.Side other;
    private final Context context;

    ExampleOf(Examples.Example example, Examples.Side side, Examples.Side other, Context context) {
        this.example = example;
        this.side = side;
        this.other = other;
        this.context = context;
    }

    ExampleView view() {
        Examples.Told told = Examples.judge(example, side, context);
        List<Step> steps = side.procedure().steps();
        Finding said = spoken();
        int at = place(said);
        int from = Math.max(0, Math.min(at - BEFORE, steps.size() - BEFORE - AFTER - 1));
        int to = Math.min(steps.size(), from + BEFORE + AFTER + 1);
        SheetIndex sheet = new SheetIndex(side.sheet());
        Ribbon whole = Ribbon.of(told.run(), side.procedure(), sheet);
        Ribbon ribbon = whole.only(spokenOf(said), MOST_THREADS);
        if (ribbon.energies().isEmpty() && ribbon.surfaces().isEmpty()) {
            ribbon = whole.only(named(steps.subList(from, to)), MOST_THREADS);
        }
        Set<Step> others = new HashSet<>(other.procedure().steps());
        List<ExampleStep> shown = new ArrayList<>();
        for (Step s : steps.subList(from, to)) {
            shown.add(new ExampleStep(ProcedureFormat.document(s), !others.contains(s)));
        }
        Finding f = told.finding();
        return new ExampleView(
                side.procedure().title(),
                f == null ? null : VerdictDocument.finding(f),
                ribbon,
                from + 1,
                shown);
    }

    /**
     * What the rule says of the broken one; where the figures that are tried silence it, of
     * neither.
     */
    private @Nullable Finding spoken() {
        Finding f = Examples.judge(example, example.broken(), context).finding();
        Context shipped = context.by(PublicCodes.book());
        return f != null ? f : Examples.judge(example, example.broken(), shipped).finding();
    }

    /** Where the two first differ; where only the surroundings do, where the rule speaks. */
    private int place(@Nullable Finding said) {
        List<Step> a = side.procedure().steps();
        List<Step> b = other.procedure().steps();
        for (int i = 0; i < Math.min(a.size(), b.size()); i++) {
            if (!a.get(i).equals(b.get(i))) {
                return i;
            }
        }
        return a.size() == b.size() && said != null && said.step() > 0
                ? said.step() - 1
                : Math.min(a.size(), b.size()) - 1;
    }

    private static Set<String> spokenOf(@Nullable Finding said) {
        Set<String> ids = new HashSet<>();
        if (said != null) {
            ids.addAll(said.items());
            ids.addAll(said.energies());
        }
        return ids;
    }

    private static Set<String> named(List<Step> steps) {
        Set<String> ids = new HashSet<>();
        for (Step s : steps) {
            ids.addAll(s.action().items());
            ids.addAll(s.action().energies());
        }
        return ids;
    }
}
