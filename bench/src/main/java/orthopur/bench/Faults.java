package orthopur.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import orthopur.chemical.Chemical;
import orthopur.drafting.DraftRefused;
import orthopur.drafting.Drafter;
import orthopur.faults.Injector;
import orthopur.faults.Mutant;
import orthopur.formats.ChemicalsFormat;
import orthopur.formats.Json;
import orthopur.formats.ProcedureDocument;
import orthopur.formats.ProcedureFormat;
import orthopur.formats.SheetFormat;
import orthopur.formats.Site;
import orthopur.machine.Configuration;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Procedure;
import orthopur.procedure.Schools;
import orthopur.procedure.Step;
import orthopur.rulebook.PublicCodes;
import orthopur.rules.AllRules;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Run;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;

/**
 * How good the verdict is: breaks every demo procedure that passes, and every one that is drafted
 * from a demo sheet, in every way the injector knows, runs it, and counts what the right root rule
 * told at the right step. {@code --json} for machines, {@code --no-ruling} lists what the injector
 * could not label, {@code --written} leaves the drafts out.
 */
public final class Faults {
    private Faults() {}

    /** Injected and caught for one rule. */
    record Score(int injected, int caught) {}

    /** The whole table. */
    record Report(
            int procedures,
            int injected,
            int caught,
            double caughtPercent,
            int falseStops,
            int benign,
            int noRuling,
            int severalRules,
            Map<String, Score> byRule,
            Map<String, Score> byOperator,
            List<String> misses) {}

    public static void main(String[] args) throws IOException {
        Path demo = Path.of(System.getProperty("orthopur.demo", "demo"));
        List<Chemical> chemicals =
                ChemicalsFormat.read(Files.readString(demo.resolve("chemicals.json")));
        Site site = Site.read(Files.readString(demo.resolve("site.json")));
        Context context = site.context(PublicCodes.book(), chemicals);
        Map<String, Chemical> byId =
                chemicals.stream().collect(Collectors.toMap(Chemical::id, Function.identity()));
        Tally tally = new Tally();
        List<Path> files;
        try (Stream<Path> all = Files.list(demo.resolve("procedures"))) {
            files = all.filter(f -> f.toString().endsWith(".json")).sorted().toList();
        }
        for (Path file : files) {
            ProcedureDocument d = ProcedureFormat.document(Files.readString(file));
            MachineSheet sheet =
                    SheetFormat.read(
                            Files.readString(demo.resolve("machines/" + d.sheet() + ".json")));
            Procedure p = ProcedureFormat.read(d, sheet, byId.keySet());
            tally.breakAll(file.getFileName().toString(), p, sheet, context);
        }
        if (!List.of(args).contains("--written")) {
            drafts(demo, context, tally);
        }
        Report report = tally.report();
        if (List.of(args).contains("--json")) {
            System.out.print(Json.write(report));
            return;
        }
        print(report);
        if (List.of(args).contains("--no-ruling")) {
            tally.unruled.forEach(System.out::println);
        }
    }

    /** Each machine drafted for each kind and school; two drafts with the same steps count once. */
    private static void drafts(Path demo, Context context, Tally tally) throws IOException {
        List<Path> sheets;
        try (Stream<Path> all = Files.list(demo.resolve("machines"))) {
            sheets = all.filter(f -> f.toString().endsWith(".json")).sorted().toList();
        }
        for (Path file : sheets) {
            MachineSheet sheet = SheetFormat.read(Files.readString(file));
            Set<List<Step>> known = new HashSet<>();
            for (Frequency kind : Frequency.values()) {
                for (Schools schools :
                        List.of(
                                new Schools(false, false),
                                new Schools(false, true),
                                new Schools(true, false))) {
                    try {
                        Procedure p =
                                Drafter.draft(
                                        sheet,
                                        new Drafter.Request(
                                                sheet.code().toLowerCase(Locale.ROOT),
                                                "Draft",
                                                kind,
                                                schools,
                                                Map.of()),
                                        context);
                        if (known.add(p.steps())) {
                            tally.breakAll(
                                    sheet.code() + " drafted " + kind + " " + schools,
                                    p,
                                    sheet,
                                    context);
                        }
                    } catch (DraftRefused e) {
                        // Nothing is due in that kind of clean, or the school does not fit.
                    }
                }
            }
        }
    }

    private static void print(Report r) {
        System.out.printf(
                "%d procedures, %d faults, %d caught (%.2f %%), %d of %d benign stopped, %d without a ruling, %.1f %% for which the sheet allows several rules%n",
                r.procedures(),
                r.injected(),
                r.caught(),
                r.caughtPercent(),
                r.falseStops(),
                r.benign(),
                r.noRuling(),
                r.injected() == 0 ? 0 : 100.0 * r.severalRules() / r.injected());
        r.byRule().forEach(Faults::print);
        System.out.println("by operator:");
        r.byOperator().forEach(Faults::print);
        r.misses().forEach(m -> System.out.println("  missed: " + m));
    }

    private static void print(String name, Score s) {
        System.out.printf(
                "  %-14s %5d injected %5d caught%s%n",
                name,
                s.injected(),
                s.caught(),
                s.injected() == s.caught() ? "" : "   missed " + (s.injected() - s.caught()));
    }

    private static final class Tally {
        private final Map<String, int[]> byRule = new TreeMap<>();
        private final Map<String, int[]> byOperator = new TreeMap<>();
        private final List<String> misses = new ArrayList<>();
        private final List<String> unruled = new ArrayList<>();
        private int procedures;
        private int injected;
        private int caught;
        private int falseStops;
        private int benign;
        private int severalRules;

        /** In every configuration it was written for: the same slip can be told differently. */
        void breakAll(String name, Procedure p, MachineSheet sheet, Context context) {
            for (Configuration c :
                    Objects.requireNonNull(Configuration.all(sheet, p.scope(), 512))) {
                MachineSheet there = c.of(sheet);
                SheetIndex index = new SheetIndex(there);
                Context here = context.in(c);
                if (!RunThrough.of(p, index, here, AllRules.list()).findings().isEmpty()) {
                    continue;
                }
                procedures++;
                for (Mutant m : Injector.mutants(p, there, context.chemicals())) {
                    count(
                            name + " " + c.said(sheet),
                            m,
                            RunThrough.of(m.procedure(), index, here, AllRules.list()));
                }
            }
        }

        private void count(String file, Mutant m, Run run) {
            List<Finding> roots = run.findings().stream().filter(f -> f.under() == null).toList();
            String told =
                    roots.stream()
                            .map(f -> f.rule() + "@" + f.stepId())
                            .collect(Collectors.joining(" "));
            String name = file + ": " + m.kind() + " – " + m.what();
            if (m.benign()) {
                benign++;
                if (roots.stream().anyMatch(f -> f.severity() == Severity.STOP)) {
                    falseStops++;
                    misses.add("false stop, " + name + " told " + told);
                }
                return;
            }
            if (m.rules().isEmpty()) {
                unruled.add(name + " → " + (told.isEmpty() ? "nothing" : told));
                return;
            }
            injected++;
            severalRules += m.rules().size() > 1 ? 1 : 0;
            Finding right =
                    roots.stream()
                            .filter(
                                    f ->
                                            m.rules().contains(f.rule())
                                                    && (m.steps().isEmpty()
                                                            || m.steps()
                                                                    .contains(
                                                                            String.valueOf(
                                                                                    f.stepId()))))
                            .findFirst()
                            .orElse(null);
            String rule =
                    right == null
                            ? m.rules().stream().sorted().findFirst().orElseThrow()
                            : right.rule();
            int[] score = byRule.computeIfAbsent(rule, k -> new int[2]);
            int[] operator = byOperator.computeIfAbsent(m.kind(), k -> new int[2]);
            score[0]++;
            operator[0]++;
            if (right == null) {
                misses.add(name + ", asked " + m.rules() + " at " + m.steps() + ", told " + told);
            } else {
                caught++;
                score[1]++;
                operator[1]++;
            }
        }

        Report report() {
            return new Report(
                    procedures,
                    injected,
                    caught,
                    injected == 0 ? 0 : 100.0 * caught / injected,
                    falseStops,
                    benign,
                    unruled.size(),
                    severalRules,
                    scores(byRule),
                    scores(byOperator),
                    misses);
        }

        private static Map<String, Score> scores(Map<String, int[]> counted) {
            Map<String, Score> table = new LinkedHashMap<>();
            counted.forEach((k, v) -> table.put(k, new Score(v[0], v[1])));
            return table;
        }
    }
}
