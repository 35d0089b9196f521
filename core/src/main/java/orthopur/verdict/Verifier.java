package orthopur.verdict;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.machine.OptionGroup;
import orthopur.procedure.Procedure;
import orthopur.remedy.Remedies;
import orthopur.rules.AllRules;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Rule;
import orthopur.runthrough.Run;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/**
 * Runs a procedure by every rule, in every configuration of its scope: as the machine is fitted
 * first, then what only another configuration shows.
 */
public final class Verifier {
    /** More combinations than this are not run: the procedure is undecided. */
    static final int MOST_COMBINATIONS = 512;

    private Verifier() {}

    /** The machine as it is fitted in one configuration. */
    private record Fitted(SheetIndex sheet, Context context) {}

    /**
     * @throws IllegalArgumentException when the procedure was written for another machine
     */
    public static Verdict verify(Procedure procedure, MachineSheet sheet, Context context) {
        return verify(procedure, sheet, context, 0);
    }

    /**
     * The same, with ribbon, coverage and totals of one configuration.
     *
     * @param shown its place in {@link Verdict#configurations()}; the first where there is no such
     * @throws IllegalArgumentException when the procedure was written for another machine
     */
    public static Verdict verify(
            Procedure procedure, MachineSheet sheet, Context context, int shown) {
        return judge(procedure, sheet, context, shown, true);
    }

    /**
     * The same verdict with no remedy at any finding: for whoever waits for the verdict, since each
     * remedy is a run of its own.
     *
     * @throws IllegalArgumentException when the procedure was written for another machine
     */
    public static Verdict withoutRemedies(
            Procedure procedure, MachineSheet sheet, Context context, int shown) {
        return judge(procedure, sheet, context, shown, false);
    }

    private static Verdict judge(
            Procedure procedure, MachineSheet sheet, Context context, int shown, boolean remedies) {
        if (!procedure.sheet().equals(sheet.code())) {
            throw new IllegalArgumentException(
                    "The procedure is for "
                            + procedure.sheet()
                            + ", not for "
                            + sheet.code()
                            + ".");
        }
        List<Rule> rules = AllRules.list();
        Configuration fitted = Configuration.fitted(sheet);
        List<Configuration> others =
                Configuration.all(sheet, mattering(procedure, sheet), MOST_COMBINATIONS);
        List<Fitted> runs = new ArrayList<>();
        // The fitted one first; where the scope leaves it out, it is not what this is written for.
        if (others == null || others.contains(fitted)) {
            runs.add(new Fitted(new SheetIndex(fitted.of(sheet)), context.in(fitted)));
        }
        if (others != null) {
            others.stream()
                    .filter(c -> !c.equals(fitted))
                    .forEach(c -> runs.add(new Fitted(new SheetIndex(c.of(sheet)), context.in(c))));
        }
        // Kept to be taken up again only where remedies are tried on them.
        List<RunThrough.Resumable> kept = new ArrayList<>();
        List<Run> done = new ArrayList<>();
        for (Fitted r : runs) {
            if (remedies) {
                kept.add(RunThrough.resumable(procedure, r.sheet(), r.context(), rules));
                done.add(kept.getLast().run());
            } else {
                done.add(RunThrough.of(procedure, r.sheet(), r.context(), rules));
            }
        }
        List<Finding> findings = new ArrayList<>();
        if (others == null) {
            findings.add(tooMany(procedure, sheet));
        }
        Set<String> known = new HashSet<>();
        for (int i = 0; i < runs.size(); i++) {
            Text where =
                    i == 0 ? null : Text.series(runs.get(i).context().configuration().said(sheet));
            merge(findings, known, done.get(i), where);
        }
        int place = shown >= 0 && shown < done.size() ? shown : 0;
        List<Finding> told =
                remedies
                        ? Remedies.proven(findings, procedure, kept)
                        : findings.stream().map(f -> f.withRemedies(List.of())).toList();
        Run run = done.get(place).withFindings(told);
        return new Verdict(
                run.findings(),
                run.count(Severity.STOP),
                run.count(Severity.FIX),
                run.count(Severity.ADVISE),
                run.coverage(),
                run.totals(),
                Ribbon.of(run, procedure, runs.get(place).sheet()),
                rules.stream().map(r -> r.info().id()).distinct().toList(),
                configurations(runs, done, sheet));
    }

    private static List<Verdict.ByConfiguration> configurations(
            List<Fitted> runs, List<Run> done, MachineSheet sheet) {
        Configuration fitted = Configuration.fitted(sheet);
        List<Verdict.ByConfiguration> all = new ArrayList<>();
        for (int i = 0; i < runs.size(); i++) {
            all.add(
                    Verdict.ByConfiguration.of(
                            runs.get(i).context().configuration().said(sheet),
                            runs.get(i).context().configuration().equals(fitted),
                            done.get(i).count(Severity.STOP),
                            done.get(i).count(Severity.FIX)));
        }
        return all;
    }

    /** What this run shows beyond what is known already, consequences with their roots. */
    private static void merge(List<Finding> all, Set<String> known, Run run, @Nullable Text where) {
        Map<Integer, Integer> places = new HashMap<>();
        // Two findings of one run are two, however alike: only another run's is the same again.
        Set<String> told = new HashSet<>();
        for (int i = 0; i < run.findings().size(); i++) {
            Finding f = run.findings().get(i);
            Integer root = f.under() == null ? null : places.get(f.under());
            boolean fresh = f.under() == null ? !known.contains(key(f)) : root != null;
            if (!fresh) {
                continue;
            }
            places.put(i, all.size());
            told.add(key(f));
            all.add((where == null ? f : f.in(where)).under(root));
        }
        known.addAll(told);
    }

    private static String key(Finding f) {
        return f.rule() + "|" + f.stepId() + "|" + f.items() + "|" + f.energies();
    }

    /** The scope without groups on which nothing of this machine or procedure depends. */
    private static Map<String, List<String>> mattering(Procedure procedure, MachineSheet sheet) {
        Set<String> named = new HashSet<>();
        sheet.parts().forEach(p -> named.add(group(p.when())));
        sheet.energies().forEach(e -> named.add(group(e.when())));
        procedure.steps().forEach(s -> named.add(group(s.when())));
        Map<String, List<String>> scope = new HashMap<>(procedure.scope());
        scope.keySet().retainAll(named);
        return scope;
    }

    private static String group(@Nullable String condition) {
        return condition == null ? "" : condition.substring(0, Math.max(0, condition.indexOf('=')));
    }

    private static Finding tooMany(Procedure procedure, MachineSheet sheet) {
        List<String> groups =
                sheet.optionGroups().stream()
                        .filter(g -> procedure.scope().getOrDefault(g.id(), List.of()).size() > 1)
                        .map(OptionGroup::name)
                        .toList();
        return new Finding(
                "scope",
                Severity.STOP,
                0,
                null,
                List.of(),
                List.of(),
                Text.of(
                        "verifier.too-many",
                        "The scope has more than {0} combinations; choose one option in some of: {1}.",
                        MOST_COMBINATIONS,
                        groups),
                List.of(),
                Text.of("verifier.not-run", "What was not run through is not passed."),
                "this program",
                null,
                List.of());
    }
}
