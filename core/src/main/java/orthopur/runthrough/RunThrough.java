package orthopur.runthrough;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import orthopur.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.EnergyStage;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;

/**
 * Runs a procedure through the model of its machine. Pure: the same procedure, sheet, context and
 * rules always give the same run.
 */
public final class RunThrough {
    private final Procedure procedure;
    private final SheetIndex sheet;
    private final Context context;
    private final List<Rule> rules;
    private final Night night;
    private final Findings findings = new Findings();
    private final List<Run.StepEffect> effects = new ArrayList<>();
    private final List<Ending.Trace> traces = new ArrayList<>();

    private List<Run.SurfaceChange> surfaceChanges = new ArrayList<>();
    private List<Integer> refused = new ArrayList<>();
    private List<Run.EnergyChange> energyChanges = new ArrayList<>();
    private List<Run.PartChange> partChanges = new ArrayList<>();

    private RunThrough(Procedure procedure, SheetIndex sheet, Context context, List<Rule> rules) {
        this.procedure = procedure;
        this.sheet = sheet;
        this.context = context;
        this.rules = rules;
        this.night = new Night(sheet, procedure.people());
    }

    public static Run of(Procedure procedure, SheetIndex sheet, Context context, List<Rule> rules) {
        return new RunThrough(procedure, sheet, context, rules).run();
    }

    private Run run() {
        for (int i = 0; i < procedure.steps().size(); i++) {
            step(new Moment(procedure, i, sheet, context, night));
        }
        findings.leaveSteps();
        Ending ending = new Ending(procedure, sheet, context, night, traces);
        rules.forEach(r -> r.atEnd(ending, findings));
        int due = 0;
        int reached = 0;
        for (int s = 0; s < sheet.surfaceCount(); s++) {
            if (ending.due(s)) {
                due++;
                reached += ending.reached(s) ? 1 : 0;
            }
        }
        return new Run(
                findings.all(),
                List.copyOf(effects),
                List.of(night.facts),
                new Run.Coverage(reached, due),
                totals());
    }

    private void step(Moment m) {
        findings.enter(m.place(), m.step().id());
        surfaceChanges = new ArrayList<>();
        refused = new ArrayList<>();
        energyChanges = new ArrayList<>();
        partChanges = new ArrayList<>();
        trace(m);
        for (Rule rule : rules) {
            rule.look(m, findings);
        }
        effect(m);
        boolean treats = !partMove(m.action()) && m.action().handsIn();
        effects.add(
                new Run.StepEffect(
                        surfaceChanges,
                        treats ? m.exposed() : List.of(),
                        refused,
                        energyChanges,
                        partChanges));
    }

    private void trace(Moment m) {
        List<Integer> covered = new ArrayList<>(m.named());
        covered.removeAll(m.exposed());
        List<Integer> zones = new ArrayList<>();
        for (int e = 0; e < sheet.energyCount(); e++) {
            if (m.handsInZone(e)) {
                zones.add(e);
            }
        }
        traces.add(new Ending.Trace(m.named(), covered, zones));
    }

    private void effect(Moment m) {
        soilGloves(m);
        int at = m.place();
        switch (m.action()) {
            case Action.Remove a -> m.parts().forEach(p -> take(p, a.count()));
            case Action.Install a -> m.parts().forEach(p -> put(p, a.count()));
            case Action.Shift a -> m.parts().forEach(p -> move(p, true));
            case Action.Return a -> m.parts().forEach(p -> move(p, false));
            case Action.WashHands a -> night.glovesSoiledAt = Facts.NEVER;
            case Action.DryClean a -> change(m.exposed(), Facts::looseOff);
            case Action.Wash a -> {
                boolean cleans = detergent(a.solution());
                change(m.exposed(), f -> f.washedAt(at, cleans));
                refuse(m.exposed(), !cleans);
            }
            case Action.Soak a -> {
                boolean detergent = detergent(a.solution());
                Chemical c = context.chemical(a.solution().chemical());
                boolean cleans = detergent && c != null && c.label().soakCleans();
                change(m.exposed(), f -> f.soaked(at, detergent, cleans));
            }
            case Action.Rinse a ->
                    change(
                            m.exposed(),
                            f -> f.rinsedAt(at, procedure.schools().rinseAfterSanitizer()));
            case Action.Inspect a -> change(m.exposed(), f -> f.inspectedAt(at));
            case Action.Sanitize a -> {
                for (int s : m.exposed()) {
                    boolean granted = !findings.denied(s) && sanitizer(a.solution());
                    change(s, f -> f.sanitizedAt(at, granted));
                    refuse(List.of(s), !granted);
                    if (granted) {
                        findings.granted(s);
                    }
                }
            }
            case Action.Dry a -> {
                boolean towel = a.method() == Action.Drying.TOWEL;
                change(m.exposed(), f -> towel ? f.touched().driedAt(at) : f.driedAt(at));
            }
            case Action.Clear a -> {
                night.toolsOut = a.toolsOut();
                night.peopleClear = a.peopleClear();
                night.guardsOn = a.guardsOn();
            }
            case Action.Unlock a -> m.energies().forEach(e -> energy(e, () -> night.unlock(e)));
            case Action.Restore a -> m.energies().forEach(e -> energy(e, () -> night.revive(e)));
            case Action.Operate a -> advance(m);
            case Action.Isolate a -> advance(m);
            case Action.Lock a -> advance(m);
            case Action.Relieve a -> advance(m);
            case Action.Prove a -> advance(m);
            case Action.CoolDown a -> advance(m);
            default -> {}
        }
        if (m.action().handsIn()) {
            // Hands were in again, so what was cleared before no longer holds.
            night.toolsOut = false;
            night.peopleClear = false;
            if (partMove(m.action())) {
                night.guardsOn = false;
            }
        }
    }

    /** Gloves soil by touching soil, and carry it to what was sanitized. */
    private void soilGloves(Moment m) {
        if (!touches(m.action())) {
            return;
        }
        if (night.glovesSoiled() && partMove(m.action())) {
            for (int s : m.named()) {
                if (night.facts[s].sanitized() != Facts.NEVER) {
                    change(s, Facts::touched);
                }
            }
        }
        boolean soil = m.exposed().stream().anyMatch(s -> night.facts[s].soil());
        if (soil && !night.glovesSoiled()) {
            night.glovesSoiledAt = m.place();
        }
    }

    /** Whether hands or a cloth in a hand touch what the step names; a spray does not. */
    private static boolean touches(Action action) {
        return switch (action) {
            case Action.Wash a ->
                    a.method() != Action.Method.SPRAY && a.method() != Action.Method.HOSE;
            case Action.Rinse a -> a.method() == Action.Method.CLOTH;
            case Action.Sanitize a -> a.method() == Action.Method.CLOTH;
            case Action.Dry a -> a.method() == Action.Drying.TOWEL;
            case Action.DryClean a -> true;
            case Action.Soak a -> true;
            default -> partMove(action);
        };
    }

    private void advance(Moment m) {
        for (int e : m.energies()) {
            EnergyStage target = m.target(e);
            if (target != null) {
                energy(e, () -> night.advance(e, target));
            }
        }
    }

    private void energy(int e, Runnable change) {
        int[] before = night.stage.clone();
        change.run();
        for (int i = 0; i < before.length; i++) {
            if (before[i] != night.stage[i]) {
                energyChanges.add(new Run.EnergyChange(i, night.stage(i)));
            }
        }
    }

    private void take(int p, @Nullable Integer count) {
        int all = sheet.part(p).count();
        night.off[p] = Math.min(all, night.off[p] + (count == null ? all : count));
        partChanges.add(new Run.PartChange(p, night.off[p], night.aside[p]));
    }

    private void put(int p, @Nullable Integer count) {
        int all = sheet.part(p).count();
        night.off[p] = Math.max(0, night.off[p] - (count == null ? all : count));
        partChanges.add(new Run.PartChange(p, night.off[p], night.aside[p]));
    }

    private void move(int p, boolean aside) {
        night.aside[p] = aside;
        partChanges.add(new Run.PartChange(p, night.off[p], aside));
    }

    private void change(List<Integer> surfaces, UnaryOperator<Facts> change) {
        surfaces.forEach(s -> change(s, change));
    }

    private void change(int surface, UnaryOperator<Facts> change) {
        Facts after = change.apply(night.facts[surface]);
        if (!after.equals(night.facts[surface])) {
            night.facts[surface] = after;
            surfaceChanges.add(new Run.SurfaceChange(surface, after));
        }
    }

    private void refuse(List<Integer> surfaces, boolean when) {
        if (when) {
            refused.addAll(surfaces);
        }
    }

    /** A wash counts only with a detergent that is named: not stated is not passed. */
    private boolean detergent(Solution solution) {
        Chemical c = context.chemical(solution.chemical());
        return c != null && c.kind().washes();
    }

    private boolean sanitizer(Solution solution) {
        Chemical c = context.chemical(solution.chemical());
        return c != null && c.kind().sanitizes();
    }

    private static boolean partMove(Action action) {
        return action instanceof Action.Remove
                || action instanceof Action.Install
                || action instanceof Action.Shift
                || action instanceof Action.Return;
    }

    /** One crew in order; soaks and drying run on, collecting and assembling wait for them. */
    private Run.Totals totals() {
        double clock = 0;
        double hands = 0;
        double waited = 0;
        double soakReady = 0;
        double dryReady = 0;
        double water = 0;
        boolean waterStated = false;
        for (Step s : procedure.steps()) {
            Action a = s.action();
            double ready =
                    a instanceof Action.Collect
                            ? soakReady
                            : a instanceof Action.Install ? dryReady : 0;
            waited += Math.max(0, ready - clock);
            clock = Math.max(clock, ready) + s.minutes();
            hands += s.minutes() * s.people();
            if (a instanceof Action.Soak soak) {
                soakReady = Math.max(soakReady, clock + minutes(soak.dwell()));
            }
            if (a instanceof Action.Dry dry) {
                dryReady = Math.max(dryReady, clock + minutes(dry.time()));
            }
            Solution liquid = liquid(a);
            if (liquid != null && liquid.volume() != null) {
                water += liquid.volume().litres();
                waterStated = true;
            }
        }
        double end = Math.max(clock, Math.max(soakReady, dryReady));
        return new Run.Totals(end, hands, waited, waterStated ? water : null);
    }

    private static @Nullable Solution liquid(Action action) {
        return switch (action) {
            case Action.Rinse a -> a.water();
            case Action.Wash a -> a.solution();
            case Action.Soak a -> a.solution();
            case Action.Sanitize a -> a.solution();
            default -> null;
        };
    }

    private static double minutes(@Nullable Duration d) {
        return d == null ? 0 : d.toMillis() / 60_000.0;
    }
}
