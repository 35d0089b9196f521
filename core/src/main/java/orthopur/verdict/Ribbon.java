package orthopur.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.EnergyStage;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Finding;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.Run;
import orthopur.runthrough.SheetIndex;
import orthopur.runthrough.Stage;
import orthopur.runthrough.SurfaceAt;

/**
 * The picture of the night as data: one thread for each energy and for each group of surfaces with
 * the same life. A thread is a list of spans without gaps and of marks where a step acts.
 */
public record Ribbon(
        List<EnergyThread> energies, List<SurfaceThread> surfaces, List<StepLine> steps) {

    /**
     * @param spans stages from step to step, the first from 0
     */
    public record EnergyThread(String id, String name, List<EnergySpan> spans) {}

    /**
     * @param from the step from 1 after which it holds; 0 from the start
     */
    public record EnergySpan(int from, EnergyStage stage) {}

    /**
     * @param name of the first surface, or of the part when all of them belong to one
     * @param surfaces ids and names of all that share this life
     * @param end whether the thread ends as its sheet asks
     */
    public record SurfaceThread(
            String name,
            List<Named> surfaces,
            int zone,
            boolean due,
            boolean end,
            List<Span> spans,
            List<Mark> marks) {}

    public record Named(String id, String name, String part) {}

    /**
     * @param off whether the part is off the machine
     * @param covered whether something covers the surface
     */
    public record Span(int from, Stage stage, boolean off, boolean covered) {}

    /**
     * @param step from 1
     * @param kind what acts: dry-clean, wash, rinse, inspect, sanitize, dry, soak, off, on, aside,
     *     back
     * @param granted false where the claim of the step does not hold
     */
    public record Mark(int step, String kind, boolean granted) {}

    /** A step, and the phase in which it stands. */
    public record StepLine(String id, String phase) {}

    /** The picture of one run. */
    public static Ribbon of(Run run, Procedure procedure, SheetIndex sheet) {
        List<EnergyThread> energies = new ArrayList<>();
        for (EnergyAt e : sheet.allEnergies()) {
            energies.add(energy(run, sheet, e));
        }
        return new Ribbon(energies, threads(run, procedure, sheet), lines(procedure));
    }

    /** Only the threads that one of these ids names, at most so many of each. */
    public Ribbon only(Set<String> ids, int most) {
        return new Ribbon(
                energies.stream().filter(e -> ids.contains(e.id())).limit(most).toList(),
                surfaces.stream()
                        .filter(
                                t ->
                                        t.surfaces().stream()
                                                .anyMatch(
                                                        s ->
                                                                ids.contains(s.id())
                                                                        || ids.contains(s.part())))
                        .limit(most)
                        .toList(),
                steps);
    }

    private static EnergyThread energy(Run run, SheetIndex sheet, EnergyAt e) {
        List<EnergySpan> spans = new ArrayList<>();
        spans.add(new EnergySpan(0, EnergyStage.LIVE));
        for (int i = 0; i < run.steps().size(); i++) {
            for (Run.EnergyChange c : run.steps().get(i).energies()) {
                if (c.energy().equals(e)) {
                    spans.add(new EnergySpan(i + 1, c.after()));
                }
            }
        }
        return new EnergyThread(sheet.energy(e).id(), sheet.energy(e).name(), spans);
    }

    private record Life(List<Span> spans, List<Mark> marks, int zone, boolean due, boolean end) {}

    private static List<SurfaceThread> threads(Run run, Procedure procedure, SheetIndex sheet) {
        Map<SurfaceAt, List<Finding>> byPlace = new HashMap<>();
        for (Finding f : run.findings()) {
            for (String item : f.items()) {
                SurfaceAt s = sheet.surfaceNamed(item);
                if (s != null) {
                    byPlace.computeIfAbsent(s, k -> new ArrayList<>()).add(f);
                }
            }
        }
        Map<Object, List<SurfaceAt>> groups = new LinkedHashMap<>();
        Map<Object, Life> lives = new LinkedHashMap<>();
        List<Life> told = lives(run, procedure, sheet);
        for (SurfaceAt s : inOrderOfRemoval(run, sheet)) {
            Life life = told.get(s.at());
            List<Finding> found = byPlace.getOrDefault(s, List.of());
            Object key = List.of(life, found.stream().map(f -> f.rule() + f.step()).toList());
            groups.computeIfAbsent(key, k -> new ArrayList<>()).add(s);
            lives.put(key, life);
        }
        List<SurfaceThread> threads = new ArrayList<>();
        groups.forEach(
                (key, members) -> {
                    Life life = lives.get(key);
                    if (life != null) {
                        threads.add(thread(sheet, members, life));
                    }
                });
        return threads;
    }

    private static SurfaceThread thread(SheetIndex sheet, List<SurfaceAt> members, Life life) {
        List<Named> named = new ArrayList<>();
        for (SurfaceAt s : members) {
            String part = sheet.part(sheet.ownerOf(s)).name();
            named.add(new Named(sheet.surface(s).id(), sheet.surface(s).name(), part));
        }
        PartAt owner = sheet.ownerOf(members.getFirst());
        boolean wholePart = members.size() > 1 && members.equals(sheet.surfacesOf(owner));
        String name = wholePart ? sheet.part(owner).name() : named.getFirst().name();
        return new SurfaceThread(
                name, named, life.zone(), life.due(), life.end(), life.spans(), life.marks());
    }

    /**
     * The order in which parts come off; what never comes off follows in the order of the sheet.
     */
    private static List<SurfaceAt> inOrderOfRemoval(Run run, SheetIndex sheet) {
        Map<PartAt, Integer> firstOff = new LinkedHashMap<>();
        for (int i = 0; i < run.steps().size(); i++) {
            for (Run.PartChange c : run.steps().get(i).parts()) {
                firstOff.putIfAbsent(c.part(), i);
            }
        }
        List<SurfaceAt> all = new ArrayList<>(sheet.allSurfaces());
        all.sort(
                Comparator.comparingInt(
                        s -> firstOff.getOrDefault(sheet.ownerOf(s), Integer.MAX_VALUE)));
        return all;
    }

    /** One surface's life while it is being told, step by step. */
    private static final class Telling {
        private final List<Span> spans = new ArrayList<>();
        private final List<Mark> marks = new ArrayList<>();
        private Facts facts = Facts.afterUse();
        private int off;
        private int covers;

        private void close(int step) {
            add(spans, new Span(step, facts.stage(), off > 0, covers > 0));
        }
    }

    /** All lives in one walk over the steps; only what a step touches is looked at. */
    private static List<Life> lives(Run run, Procedure procedure, SheetIndex sheet) {
        List<Telling> all = new ArrayList<>();
        for (SurfaceAt s : sheet.allSurfaces()) {
            Telling t = new Telling();
            t.covers = sheet.coversOf(s).size();
            t.close(0);
            all.add(t);
        }
        boolean[] open = new boolean[sheet.allParts().size()];
        for (int i = 0; i < run.steps().size(); i++) {
            Run.StepEffect effect = run.steps().get(i);
            Action action = procedure.steps().get(i).action();
            Set<SurfaceAt> touched = new LinkedHashSet<>();
            for (Run.PartChange c : effect.parts()) {
                for (SurfaceAt s : sheet.surfacesOf(c.part())) {
                    all.get(s.at()).off = c.off();
                    all.get(s.at()).marks.add(new Mark(i + 1, moveKind(action), true));
                    touched.add(s);
                }
                boolean now = c.off() == sheet.part(c.part()).count() || c.aside();
                if (now != open[c.part().at()]) {
                    open[c.part().at()] = now;
                    for (SurfaceAt s : sheet.coveredBy(c.part())) {
                        all.get(s.at()).covers += now ? -1 : 1;
                        touched.add(s);
                    }
                }
            }
            for (Run.SurfaceChange c : effect.surfaces()) {
                all.get(c.surface().at()).facts = c.after();
                touched.add(c.surface());
            }
            String kind = kind(action);
            if (kind != null) {
                Set<SurfaceAt> refused = new HashSet<>(effect.refused());
                for (SurfaceAt s : effect.reached()) {
                    all.get(s.at()).marks.add(new Mark(i + 1, kind, !refused.contains(s)));
                }
            }
            for (SurfaceAt s : touched) {
                all.get(s.at()).close(i + 1);
            }
        }
        List<Life> lives = new ArrayList<>();
        for (SurfaceAt s : sheet.allSurfaces()) {
            Telling t = all.get(s.at());
            lives.add(
                    new Life(
                            t.spans,
                            t.marks,
                            sheet.surface(s).zone(),
                            sheet.surface(s).frequency().dueIn(procedure.kind()),
                            t.facts.meets(sheet.surface(s).end())));
        }
        return lives;
    }

    private static void add(List<Span> spans, Span next) {
        if (!spans.isEmpty()) {
            Span last = spans.getLast();
            boolean same =
                    last.stage() == next.stage()
                            && last.off() == next.off()
                            && last.covered() == next.covered();
            if (same) {
                return;
            }
        }
        spans.add(next);
    }

    private static String moveKind(Action a) {
        return switch (a) {
            case Action.Remove r -> "off";
            case Action.Install r -> "on";
            case Action.Shift r -> "aside";
            default -> "back";
        };
    }

    private static @Nullable String kind(Action a) {
        return switch (a) {
            case Action.DryClean x -> "dry-clean";
            case Action.Wash x -> "wash";
            case Action.Soak x -> "soak";
            case Action.Rinse x -> "rinse";
            case Action.Inspect x -> "inspect";
            case Action.Sanitize x -> "sanitize";
            case Action.Dry x -> "dry";
            default -> null;
        };
    }

    private static List<StepLine> lines(Procedure procedure) {
        List<StepLine> lines = new ArrayList<>();
        List<String> phases = Phases.of(procedure);
        for (int i = 0; i < procedure.steps().size(); i++) {
            lines.add(new StepLine(procedure.steps().get(i).id(), phases.get(i)));
        }
        return lines;
    }
}
