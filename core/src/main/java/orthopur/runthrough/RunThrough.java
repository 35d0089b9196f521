package orthopur.runthrough;

import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.machine.EnergyStage;
import orthopur.machine.Program;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Temperature;

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
    private final Findings findings;
    private final List<Run.StepEffect> effects = new ArrayList<>();
    private final List<Ending.Trace> traces = new ArrayList<>();

    /** Minutes of waiting after which nobody is taken to have stayed. */
    private final double rest;

    private final List<Checkpoint> checkpoints = new ArrayList<>();
    private final boolean keeps;

    private List<Run.SurfaceChange> surfaceChanges = new ArrayList<>();
    private List<SurfaceAt> refused = new ArrayList<>();
    private List<Run.EnergyChange> energyChanges = new ArrayList<>();
    private List<Run.PartChange> partChanges = new ArrayList<>();

    private RunThrough(
            Procedure procedure,
            SheetIndex sheet,
            Context context,
            List<Rule> rules,
            Night night,
            Findings findings,
            boolean keeps) {
        this.procedure = procedure;
        this.sheet = sheet;
        this.context = context;
        this.rules = rules;
        this.night = night;
        this.findings = findings;
        this.keeps = keeps;
        this.rest = context.book().duration("rest.proved-again").toMinutes();
    }

    private RunThrough(
            Procedure procedure,
            SheetIndex sheet,
            Context context,
            List<Rule> rules,
            boolean keeps) {
        this(
                procedure,
                sheet,
                context,
                rules,
                new Night(sheet, procedure.mostPeople(), context.held()),
                new Findings(),
                keeps);
    }

    public static Run of(Procedure procedure, SheetIndex sheet, Context context, List<Rule> rules) {
        return new RunThrough(procedure, sheet, context, rules, false).run(0);
    }

    /** The same, kept so that it can be taken up again after an edit. */
    public static Resumable resumable(
            Procedure procedure, SheetIndex sheet, Context context, List<Rule> rules) {
        RunThrough r = new RunThrough(procedure, sheet, context, rules, true);
        return new Resumable(r, r.run(0));
    }

    /** How everything stood before a step. */
    private record Checkpoint(int place, Night night, Findings findings) {}

    /** A run that is taken up again from the step on that an edit has changed. */
    public static final class Resumable {
        /** Steps between two places at which it can be taken up. */
        private static final int APART = 8;

        private final RunThrough past;
        private final Run run;

        private Resumable(RunThrough past, Run run) {
            this.past = past;
            this.run = run;
        }

        /** Of the procedure as it was. */
        public Run run() {
            return run;
        }

        /**
         * The run of an edited procedure: equal to a whole run, but that findings have no remedies,
         * since those of earlier steps may look at later ones.
         */
        public Run after(Procedure edited) {
            Checkpoint from = past.checkpoints.getFirst();
            int place = firstChange(edited);
            for (Checkpoint c : past.checkpoints) {
                from = c.place() <= place ? c : from;
            }
            RunThrough r =
                    new RunThrough(
                            edited,
                            past.sheet,
                            past.context,
                            past.rules,
                            from.night().copy(),
                            from.findings().copy(),
                            false);
            r.effects.addAll(past.effects.subList(0, from.place()));
            r.traces.addAll(past.traces.subList(0, from.place()));
            Run whole = r.run(from.place());
            return whole.withFindings(
                    whole.findings().stream().map(f -> f.withRemedies(List.of())).toList());
        }

        /** The first step that is another, or at which a look ahead is answered otherwise. */
        private int firstChange(Procedure edited) {
            Procedure was = past.procedure;
            if (!edited.withSteps(List.of()).equals(was.withSteps(List.of()))
                    || edited.mostPeople() != was.mostPeople()) {
                return 0;
            }
            int same = 0;
            int both = Math.min(edited.steps().size(), was.steps().size());
            while (same < both && edited.steps().get(same).equals(was.steps().get(same))) {
                same++;
            }
            int from = same;
            for (Moment.Ahead a : past.night.asked) {
                if (a.place() < from && !a.holdsFor(edited, past.context, same)) {
                    from = a.place();
                }
            }
            return from;
        }
    }

    /**
     * Soil that nobody saw on some surfaces.
     *
     * @param place of the step after which it is there
     */
    private record Flaw(int place, List<SurfaceAt> surfaces) {}

    /**
     * Surfaces that are not as clean after a step as they are taken to be, if soil was left on some
     * of them: those themselves and whatever they, the gloves or the liquid they lay in have
     * touched since. Physics alone; no rule is asked.
     *
     * @param flawed surfaces on which soil was left
     * @param since place of the step that is taken to have cleaned them
     * @param until place of the step after which it was found
     */
    public static List<SurfaceAt> spread(
            Procedure procedure,
            SheetIndex sheet,
            Context context,
            List<SurfaceAt> flawed,
            int since,
            int until) {
        Facts[] taken = facts(procedure, sheet, context, until, null);
        Facts[] real = facts(procedure, sheet, context, until, new Flaw(since, flawed));
        return sheet.allSurfaces().stream()
                .filter(s -> worse(real[s.at()], taken[s.at()]))
                .toList();
    }

    private static boolean worse(Facts real, Facts taken) {
        return taken.soil() != real.soil()
                || (taken.sanitized() != Facts.NEVER && real.sanitized() == Facts.NEVER);
    }

    private static Facts[] facts(
            Procedure procedure,
            SheetIndex sheet,
            Context context,
            int until,
            @Nullable Flaw flaw) {
        RunThrough r = new RunThrough(procedure, sheet, context, List.of(), false);
        for (int i = 0; i <= until; i++) {
            if (context.configuration().holds(procedure.steps().get(i).when())) {
                r.step(new Moment(procedure, i, sheet, context, r.night));
                if (flaw != null) {
                    r.contact(procedure.steps().get(i).action());
                }
            }
            if (flaw != null && flaw.place() == i) {
                flaw.surfaces().forEach(s -> r.change(s, f -> f.dirtied(null)));
            }
        }
        return r.night.facts;
    }

    /** What is put on soils what it lies on, and takes soil from it. */
    private void contact(Action action) {
        if (!(action instanceof Action.Install || action instanceof Action.Return)) {
            return;
        }
        for (String item : action.items()) {
            PartAt p = sheet.partNamed(item);
            if (p == null) {
                continue;
            }
            List<SurfaceAt> under = sheet.coveredBy(p);
            List<SurfaceAt> own = sheet.surfacesOf(p);
            if (own.stream().anyMatch(this::soils)) {
                change(under, Facts::touched);
            }
            if (under.stream().anyMatch(this::soils)) {
                change(own, Facts::touched);
            }
        }
    }

    private Run run(int from) {
        if (keeps && procedure.steps().isEmpty()) {
            checkpoints.add(new Checkpoint(0, night.copy(), findings.copy()));
        }
        for (int i = from; i < procedure.steps().size(); i++) {
            if (keeps && i % Resumable.APART == 0) {
                checkpoints.add(new Checkpoint(i, night.copy(), findings.copy()));
            }
            Step step = procedure.steps().get(i);
            if (context.configuration().holds(step.when())) {
                step(new Moment(procedure, i, sheet, context, night));
            } else {
                traces.add(new Ending.Trace(List.of(), List.of(), List.of()));
                effects.add(Run.StepEffect.NONE);
            }
        }
        findings.leaveSteps();
        Ending ending = new Ending(procedure, sheet, context, night, traces);
        rules.forEach(r -> r.atEnd(ending, findings));
        int due = 0;
        int reached = 0;
        for (SurfaceAt s : sheet.allSurfaces()) {
            if (ending.due(s)) {
                due++;
                reached += ending.reached(s) ? 1 : 0;
            }
        }
        return new Run(
                findings.all(sheet.sheet().regime()),
                List.copyOf(effects),
                List.of(night.facts),
                new Run.Coverage(reached, due),
                NightTotals.of(procedure, sheet.sheet(), context));
    }

    private void step(Moment m) {
        waited(m.action());
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
        boolean treats =
                !partMove(m.action())
                        && (m.handsIn()
                                || m.action() instanceof Action.Circulate
                                || m.action() instanceof Action.RunProgram);
        effects.add(
                new Run.StepEffect(
                        surfaceChanges,
                        treats ? m.exposed() : List.of(),
                        refused,
                        energyChanges,
                        partChanges));
    }

    private void trace(Moment m) {
        List<SurfaceAt> covered = m.named().stream().filter(s -> !m.reaches(s)).toList();
        List<EnergyAt> zones = new ArrayList<>();
        for (EnergyAt e : sheet.allEnergies()) {
            if (m.handsInZone(e)) {
                zones.add(e);
            }
        }
        traces.add(new Ending.Trace(m.named(), covered, zones));
    }

    private void effect(Moment m) {
        soilGloves(m);
        splash(m);
        use(m);
        int at = m.place();
        switch (m.action()) {
            case Action.Remove a -> m.parts().forEach(p -> take(p, a.count()));
            case Action.Install a -> m.parts().forEach(p -> put(p, a.count(), at));
            case Action.Shift a -> m.parts().forEach(p -> move(p, true));
            case Action.Return a -> m.parts().forEach(p -> move(p, false));
            case Action.Index a -> {
                boolean all = a.times() == null && m.procedure().loopAt(at).size() > 1;
                for (PartAt p : m.parts()) {
                    night.visited[p.at()] +=
                            all ? sheet.part(p).count() : a.times() == null ? 1 : a.times();
                }
                if (a.powered()) {
                    m.energies().forEach(e -> run(e, at));
                }
            }
            case Action.Fit a -> a.fittings().forEach(f -> fit(f, true));
            case Action.Unfit a -> a.fittings().forEach(f -> fit(f, false));
            case Action.WashHands a -> night.glovesSoiledAt = Facts.NEVER;
            case Action.DryClean a -> change(m.exposed(), Facts::looseOff);
            case Action.Wash a -> wash(m, a.solution());
            case Action.Circulate a -> wash(m, a.solution());
            case Action.Soak a -> {
                Chemical c = context.chemical(a.solution().chemical());
                boolean detergent = detergent(a.solution());
                boolean cleans = detergent && c != null && c.label().soakCleans();
                Set<Residue> left =
                        c == null
                                ? Set.of()
                                : left(c, detergent ? Residue.DETERGENT : Residue.SANITIZER);
                // In a sink lies only what is off the machine; a foam or a gel soaks in place.
                List<SurfaceAt> wet =
                        a.solution().vessel() == null
                                ? m.exposed()
                                : m.exposed().stream()
                                        .filter(
                                                x ->
                                                        !m.passages().isEmpty()
                                                                || night.loose(sheet.ownerOf(x)))
                                        .toList();
                for (SurfaceAt s : wet) {
                    // Of an acid the soak is the treatment itself; what is loosened rinses off.
                    boolean takes = sheet.surface(s).limed() ? acid(c) : cleans;
                    change(s, f -> f.soaked(at, left, detergent, takes));
                }
            }
            case Action.Collect a -> change(m.named(), f -> f.soakingSince(Facts.NEVER));
            case Action.Rinse a -> {
                change(m.exposed(), f -> f.rinsedAt(at, procedure.schools().rinseAfterSanitizer()));
                if (a.endPoint() == Action.EndPoint.TAP_PH) {
                    // Nobody can look into a closed passage; the pH of what runs out speaks for it.
                    m.exposed().stream()
                            .filter(s -> night.coverOf(s) != null)
                            .filter(s -> night.facts[s.at()].clean())
                            .forEach(s -> change(s, f -> f.inspectedAt(at)));
                }
            }
            case Action.Inspect a -> change(m.exposed(), f -> f.inspectedAt(at));
            case Action.Sanitize a -> {
                Set<Residue> left =
                        left(context.chemical(a.solution().chemical()), Residue.SANITIZER);
                for (SurfaceAt s : m.exposed()) {
                    boolean granted = !findings.denied(s) && sanitizer(a.solution());
                    change(s, f -> f.sanitizedAt(at, granted, left));
                    refuse(List.of(s), !granted);
                    if (granted) {
                        findings.granted(s);
                    }
                }
                m.passages().forEach(this::fill);
            }
            case Action.Dry a -> {
                boolean towel = a.method() == Action.Drying.TOWEL;
                if (!wetStill(a)) {
                    change(m.exposed(), f -> towel ? f.touched().driedAt(at) : f.driedAt(at));
                }
            }
            // The dust falls on all of the part, not on its edge alone.
            case Action.Sharpen a -> {
                if (a.powered()) {
                    m.energies().forEach(e -> run(e, at));
                }
                for (PartAt p : m.parts()) {
                    for (SurfaceAt s : sheet.surfacesOf(p)) {
                        if (night.coverOf(s) == null) {
                            change(s, f -> f.dirtied(Residue.METAL));
                        }
                    }
                }
            }
            case Action.Coat a -> change(m.exposed(), Facts::coated);
            // A new part comes out of its box, not out of the sanitizer.
            case Action.Replace a -> change(m.named(), Facts::touched);
            case Action.Store a -> {
                if (a.destination() != null && !night.fitForClean(a.destination())) {
                    change(m.named(), Facts::touched);
                }
            }
            case Action.ChaseOut a -> {
                for (PassageAt p : m.passages()) {
                    night.chased[p.at()] += a.volume() == null ? 0 : a.volume().litres();
                    if (enough(p)) {
                        night.filled[p.at()] = false;
                        change(sheet.wettedIn(p), Facts::chased);
                    }
                }
            }
            case Action.DrawOff a -> {
                m.passages().forEach(p -> night.drained[p.at()] = true);
                a.places().stream()
                        // Let run empty, what nobody has seen is as dirty as before.
                        .filter(v -> a.washedOut() || night.vessel(v) != null)
                        .forEach(
                                v ->
                                        night.hold(
                                                v,
                                                new Night.Vessel(
                                                        null,
                                                        false,
                                                        !a.washedOut() && soiled(v),
                                                        0,
                                                        a.washedOut() ? null : residue(v))));
            }
            case Action.Clear a -> {
                night.toolsOut = a.toolsOut();
                night.peopleClear = a.peopleClear();
                night.guardsOn = a.guardsOn();
            }
            case Action.Unlock a -> m.energies().forEach(e -> energy(e, () -> night.unlock(e)));
            case Action.Restore a -> m.energies().forEach(e -> energy(e, () -> night.revive(e)));
            case Action.Operate a -> {
                if (a.mode().runs()) {
                    m.energies().forEach(e -> run(e, at));
                } else {
                    advance(m);
                }
            }
            case Action.CoolDown a -> {
                for (EnergyAt e : m.energies()) {
                    if (cooled(a)) {
                        energy(e, () -> night.advance(e, EnergyStage.COOLED));
                    }
                    Temperature to = Heats.after(sheet, e, a);
                    if (to != null) {
                        night.cooledTo[e.at()] = to;
                    }
                }
            }
            case Action.RunProgram a -> program(m, a);
            case Action.Isolate _, Action.Lock _, Action.Relieve _, Action.Prove _ -> {
                advance(m);
                seen(m);
                if (m.action() instanceof Action.Isolate) {
                    // It is cut off because somebody goes to it.
                    night.toolsOut = false;
                    night.peopleClear = false;
                }
            }
            // These leave the machine as it is; what they say is read by rules and the floor.
            case Action.Prepare _,
                    Action.KeepProduct _,
                    Action.Mark _,
                    Action.Lubricate _,
                    Action.Measure _,
                    Action.FunctionTest _,
                    Action.HoldPoint _,
                    Action.Record _ -> {}
        }
        elapse(m);
        if (m.handsIn()) {
            // Hands were in again, so what was cleared before no longer holds.
            night.toolsOut = false;
            night.peopleClear = false;
            if (partMove(m.action())) {
                night.guardsOn = false;
            }
        }
    }

    /**
     * Minutes go by with the work and with what has to be waited for: soaks at their collecting,
     * drying at the next assembly, the rest at once.
     */
    private void elapse(Moment m) {
        night.minutes += m.step().minutes();
        switch (m.action()) {
            case Action.Soak a -> {
                double ready = later(night.soakReady, a.dwell());
                night.soakFrom = ready > night.soakReady ? m.place() : night.soakFrom;
                night.soakReady = ready;
            }
            case Action.Dry a -> {
                double ready = later(night.dryReady, a.time());
                night.dryFrom = ready > night.dryReady ? m.place() : night.dryFrom;
                night.dryReady = ready;
            }
            case Action.Coat a -> {
                if (a.touchDry() != null) {
                    m.named().forEach(s -> night.filmDry[s.at()] = later(0, a.touchDry()));
                }
            }
            default -> wait(m.action().waits());
        }
    }

    private double later(double ready, @Nullable Duration dwell) {
        return Math.max(ready, night.minutes + (dwell == null ? 0 : dwell.toMillis() / 60_000.0));
    }

    private void wait(@Nullable Duration dwell) {
        night.minutes = later(night.minutes, dwell);
    }

    /** What soaks is waited for where it is collected, what dries where it is put together. */
    private void waited(Action action) {
        boolean soaked = action instanceof Action.Collect;
        boolean dried = action instanceof Action.Install || action instanceof Action.Coat;
        double ready = soaked ? night.soakReady : dried ? night.dryReady : 0;
        if (ready - night.minutes >= rest) {
            night.restedFrom = soaked ? night.soakFrom : night.dryFrom;
        }
        night.minutes = Math.max(night.minutes, ready);
    }

    private boolean feeds(EnergyAt source, EnergyAt fed) {
        return sheet.energy(source).id().equals(sheet.energy(fed).fedBy());
    }

    /** Somebody stood at it and cut it off, locked it, let it off or tried it. */
    private void seen(Moment m) {
        for (EnergyAt e : m.energies()) {
            for (EnergyAt o : sheet.allEnergies()) {
                if (o.equals(e) || feeds(e, o) || feeds(o, e)) {
                    night.seenAt[o.at()] = m.place();
                }
            }
        }
    }

    private void wash(Moment m, Solution solution) {
        int at = m.place();
        boolean cleans = detergent(solution);
        Set<Residue> left = left(context.chemical(solution.chemical()), Residue.DETERGENT);
        boolean acid = acid(context.chemical(solution.chemical()));
        for (SurfaceAt s : m.exposed()) {
            // Acid takes lime, and leaves fat, starch and sugar where they are.
            boolean takes = cleans && sheet.surface(s).limed() == acid;
            change(s, f -> f.washedAt(at, takes, left));
        }
        refuse(m.exposed(), !cleans);
    }

    /** Only an acid takes lime off. */
    private static boolean acid(@Nullable Chemical c) {
        return c != null && c.kind() == ChemicalKind.ACID;
    }

    /** The machine, or a washer, washes and rinses by itself; its last rinse may sanitize. */
    private void program(Moment m, Action.RunProgram a) {
        int at = m.place();
        m.energies().forEach(e -> run(e, at));
        Program program = m.program();
        if (program != null && program.purpose() != Program.Purpose.WASH) {
            List<SurfaceAt> reached =
                    m.exposed().stream().filter(s -> !findings.denied(s)).toList();
            Set<Residue> left = left(context.chemical(a.chemical()), Residue.DETERGENT);
            switch (program.purpose()) {
                case DRY_OUT -> change(reached, f -> f.driedAt(at));
                case PURGE -> change(reached, f -> f.rinsedAt(at, false));
                // Its acid stays where its jets reach until it is flushed out.
                case DESCALE -> {
                    boolean acid = acid(context.chemical(a.chemical()));
                    for (SurfaceAt s : m.exposed()) {
                        boolean takes = acid && sheet.surface(s).limed() && reached.contains(s);
                        change(s, f -> f.soaked(at, left, takes, takes).soakingSince(Facts.NEVER));
                    }
                }
                case DRAIN, WASH -> {}
            }
            return;
        }
        for (SurfaceAt s : m.exposed()) {
            boolean washed = !findings.denied(s) && detergent(a.solution());
            boolean sanitized = washed && m.washerType() != null && !findings.unsanitized(s);
            change(
                    s,
                    f -> {
                        Facts rinsed = f.washedAt(at, washed, Set.of()).rinsedAt(at, false);
                        return sanitized ? rinsed.sanitizedAt(at, true, Set.of()) : rinsed;
                    });
            refuse(List.of(s), !washed);
            if (sanitized) {
                findings.granted(s);
            }
        }
    }

    /** What this product leaves until it is rinsed off. */
    private static Set<Residue> left(@Nullable Chemical c, Residue residue) {
        EnumSet<Residue> left = EnumSet.of(residue);
        if (c != null && c.kind().chlorinated()) {
            left.add(Residue.CHLORINE);
        }
        if (c != null && c.kind().acidic()) {
            left.add(Residue.ACID);
        }
        if (c != null && c.kind() == ChemicalKind.CAUSTIC) {
            left.add(Residue.CAUSTIC);
        }
        return left;
    }

    /** A hose or spray throws what it loosens onto what lies below. */
    private void splash(Moment m) {
        if (!splashes(m.action())) {
            return;
        }
        for (SurfaceAt s : sheet.hanging()) {
            Facts f = night.facts[s.at()];
            boolean clean = f.inspected() != Facts.NEVER || f.sanitized() != Facts.NEVER;
            if (clean && !m.names(s) && m.above(s)) {
                change(s, x -> x.dirtied(null));
            }
        }
        if (m.action() instanceof Action.DryClean) {
            for (SurfaceAt s : m.exposed()) {
                Facts f = night.facts[s.at()];
                if (f.inspected() != Facts.NEVER || f.sanitized() != Facts.NEVER) {
                    change(s, x -> x.dirtied(null));
                }
            }
        }
    }

    private static boolean splashes(Action action) {
        return switch (action) {
            case Action.Wash a -> wet(a.method());
            case Action.Rinse a -> wet(a.method());
            case Action.DryClean a -> true;
            default -> false;
        };
    }

    private static boolean wet(Action.@Nullable Method method) {
        return method == Action.Method.SPRAY
                || method == Action.Method.HOSE
                || method == Action.Method.PRESSURE;
    }

    /** The vessel of the step now holds this solution, and what went into it. */
    private void use(Moment m) {
        Solution solution = m.action().solution();
        if (solution == null || solution.vessel() == null) {
            return;
        }
        Night.Vessel before = night.vessel(solution.vessel());
        boolean same =
                before != null
                        && before.full()
                        && java.util.Objects.equals(before.chemical(), solution.chemical());
        boolean soils = m.named().stream().anyMatch(this::soils);
        night.hold(
                solution.vessel(),
                new Night.Vessel(
                        solution.chemical(),
                        true,
                        soils || (before != null && before.soiled()),
                        same && before != null ? before.mixedAt() : night.minutes,
                        solution.chemical()));
    }

    private void fill(PassageAt passage) {
        night.filled[passage.at()] = true;
        night.drained[passage.at()] = false;
        night.chased[passage.at()] = 0;
    }

    private boolean soiled(String vessel) {
        Night.Vessel v = night.vessel(vessel);
        return v != null && v.soiled();
    }

    private @Nullable String residue(String vessel) {
        Night.Vessel v = night.vessel(vessel);
        return v == null ? null : v.residue();
    }

    /** Portions add up, however many steps throw them away. */
    private boolean enough(PassageAt passage) {
        return night.chased[passage.at()]
                >= night.toChase(passage) * context.book().number("chase-out.factor") - 1e-9;
    }

    /** Cool when it is measured so. */
    private boolean cooled(Action.CoolDown a) {
        Temperature limit = context.book().temperature("touch.limit");
        // A wait that was computed plans the night; only a reading opens hands-in work.
        return a.below() != null && a.below().compareTo(limit) <= 0;
    }

    private void run(EnergyAt e, int at) {
        int[] before = night.stage.clone();
        energy(e, () -> night.revive(e));
        for (EnergyAt o : sheet.allEnergies()) {
            // What it feeds came back with it. What never was dead is not brought back; then the
            // first rule is that it is live.
            if (before[o.at()] > 0 && night.stageNumber(o) < before[o.at()]) {
                night.ranAt[o.at()] = at;
            }
        }
    }

    private void fit(String fitting, boolean on) {
        sheet.sheet().fittings().stream()
                .filter(f -> f.id().equals(fitting))
                .forEach(f -> night.fitted.put(fitting, on ? f.count() : 0));
    }

    /** Air alone takes its time; a minute beside the rack dries nothing. */
    private boolean wetStill(Action.Dry a) {
        return a.method() != Action.Drying.TOWEL
                && a.time() != null
                && a.time().compareTo(context.book().duration("dry.air.least")) < 0;
    }

    /** Gloves soil by touching soil, and carry it to what was sanitized. */
    private void soilGloves(Moment m) {
        if (!touches(m.action())) {
            return;
        }
        if (night.glovesSoiled() && partMove(m.action())) {
            for (SurfaceAt s : m.named()) {
                if (night.facts[s.at()].sanitized() != Facts.NEVER) {
                    change(s, Facts::touched);
                }
            }
        }
        boolean soil = m.exposed().stream().anyMatch(s -> soils(s) || underfoot(m.action(), s));
        if (soil && !night.glovesSoiled()) {
            night.glovesSoiledAt = m.place();
        }
    }

    /** Whether what touches it is dirty after; lime is hard and stays where it is. */
    private boolean soils(SurfaceAt surface) {
        return night.facts[surface.at()].soil() && !sheet.surface(surface).limed();
    }

    /** A floor, a foot or a bench below that is cleaned once more is no cleaner than its room. */
    private boolean underfoot(Action action, SurfaceAt surface) {
        boolean cleans =
                action instanceof Action.Wash
                        || action instanceof Action.Rinse
                        || action instanceof Action.DryClean;
        return cleans && sheet.surface(surface).zone() >= 3;
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
        for (EnergyAt e : m.energies()) {
            EnergyStage target = m.target(e);
            if (target != null) {
                energy(e, () -> night.advance(e, target));
            }
        }
    }

    private void energy(EnergyAt e, Runnable change) {
        int[] before = night.stage.clone();
        change.run();
        for (EnergyAt o : sheet.allEnergies()) {
            if (before[o.at()] != night.stageNumber(o)) {
                energyChanges.add(new Run.EnergyChange(o, night.stage(o)));
            }
        }
    }

    private void take(PartAt p, @Nullable Integer count) {
        int all = sheet.part(p).count();
        night.off[p.at()] = Math.min(all, night.off[p.at()] + (count == null ? all : count));
        night.visited[p.at()] = 0;
        partChanges.add(new Run.PartChange(p, night.off[p.at()], night.aside[p.at()]));
    }

    private void put(PartAt p, @Nullable Integer count, int at) {
        night.installedAt[p.at()] = at;
        night.visited[p.at()] = 0;
        int all = sheet.part(p).count();
        night.off[p.at()] = Math.max(0, night.off[p.at()] - (count == null ? all : count));
        partChanges.add(new Run.PartChange(p, night.off[p.at()], night.aside[p.at()]));
    }

    private void move(PartAt p, boolean aside) {
        night.aside[p.at()] = aside;
        partChanges.add(new Run.PartChange(p, night.off[p.at()], aside));
    }

    private void change(List<SurfaceAt> surfaces, UnaryOperator<Facts> change) {
        surfaces.forEach(s -> change(s, change));
    }

    private void change(SurfaceAt surface, UnaryOperator<Facts> change) {
        Facts after = change.apply(night.facts[surface.at()]);
        if (!after.equals(night.facts[surface.at()])) {
            night.facts[surface.at()] = after;
            surfaceChanges.add(new Run.SurfaceChange(surface, after));
        }
    }

    private void refuse(List<SurfaceAt> surfaces, boolean when) {
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
        return c == null ? hotWater(solution, context) : c.kind().sanitizes();
    }

    /**
     * Whether a step means to sanitize with hot water alone: no product and hotter than any wash.
     */
    public static boolean hotWater(Solution solution, Context context) {
        return solution.chemical() == null
                && solution.temperature() != null
                && solution.temperature().atLeast(context.book().temperature("hot-water.meant"));
    }

    private static boolean partMove(Action action) {
        return action instanceof Action.Remove
                || action instanceof Action.Install
                || action instanceof Action.Shift
                || action instanceof Action.Return;
    }
}
