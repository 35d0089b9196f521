package orthopur.rules.chemistry;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.chemical.Clash;
import orthopur.machine.Part;
import orthopur.machine.Program;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Night;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.Residue;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** S4: two chemicals that must not meet, on a surface or in a vessel. */
public final class NeverTogether extends BookRule {
    private static final Text WHAT_IT_WASHES_WITH =
            Text.of(
                    "never-together.what-it-washes-with",
                    "What it washes with is alkaline and often chlorinated: with acid it gives off chlorine.");

    public NeverTogether() {
        super(
                RuleId.S4,
                Severity.STOP,
                "Chemicals that must not meet do not meet",
                "safety data sheet");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.Return r) {
            dosing(m, r, out);
        }
        Solution solution = m.action().solution();
        Chemical c = m.context().chemical(m.action().chemical());
        if (solution == null || c == null) {
            return;
        }
        if (m.program() instanceof Program p) {
            tank(m, p, c, out);
        }
        Night.Vessel v = m.night().vessel(solution.vessel());
        // What was in it stays on its walls until it is washed out, drained or not.
        Chemical held =
                v == null ? null : m.context().chemical(v.full() ? v.chemical() : v.residue());
        Text clash = held == null ? null : Clash.between(held.kind(), c.kind());
        Findings.Report inVessel = null;
        if (clash != null && held != null) {
            inVessel =
                    out.report(info)
                            .says(
                                    Text.of(
                                            "never-together.brings-into-which",
                                            "Step {0} brings {1} into {2}, which {3}: {4}.",
                                            m.number(),
                                            c.name(),
                                            solution.vessel(),
                                            v != null && v.full()
                                                    ? Text.of(
                                                            "never-together.still-holds",
                                                            "still holds {0}",
                                                            held.name())
                                                    : Text.of(
                                                            "never-together.was-not-washed-out-after",
                                                            "was not washed out after {0}",
                                                            held.name()),
                                            clash),
                                    Text.of(
                                            "never-together.the-gas-can-kill-the",
                                            "The gas can kill the person at that sink."))
                            .propose(
                                    Text.of(
                                            "never-together.drain-and-rinse-the-vessel",
                                            "Drain and rinse the vessel first"),
                                    insert(
                                            m,
                                            StepEdits.fresh(
                                                    m.procedure(),
                                                    0,
                                                    new Action.DrawOff(
                                                            List.of(),
                                                            List.of(solution.vessel()),
                                                            true),
                                                    "Empty it, rinse it and let the water run.")));
        }
        surfaces(m, c, out, inVessel);
    }

    /**
     * A machine that washes holds what it last washed with, chlorinated unless somebody has seen
     * otherwise: acid goes into its tank only after plain water went through it.
     */
    private void tank(Moment m, Program program, Chemical c, Findings out) {
        List<Program> all = m.sheet().sheet().programs();
        if (!c.kind().acidic() || !washes(m)) {
            return;
        }
        for (PartAt p : m.sheet().allParts()) {
            Part dosing = m.sheet().part(p);
            if (dosing.feedsDetergent() && !m.night().aside(p)) {
                out.report(info)
                        .cause("dosing")
                        .items(List.of(dosing.id()))
                        .says(
                                Text.of(
                                        "never-together.dosing-still-feeds",
                                        "Step {0} brings {1} into the tank, and {2} still feeds detergent into it.",
                                        m.number(),
                                        c.name(),
                                        SheetIndex.spoken(dosing.name())),
                                WHAT_IT_WASHES_WITH)
                        .propose(
                                Text.of(
                                        "never-together.set-it-aside",
                                        "Set it aside first, then flush with plain water"),
                                insert(
                                        m,
                                        StepEdits.fresh(
                                                m.procedure(),
                                                0,
                                                new Action.Shift(List.of(dosing.id())),
                                                "Set aside " + dosing.name() + ".")));
                return;
            }
        }
        if (flushed(m, all)) {
            return;
        }
        out.report(info)
                .cause("tank")
                .items(program.cleans())
                .says(
                        Text.of(
                                "never-together.brings-acid-into-the-tank",
                                "Step {0} brings {1} into the tank, and no step before has flushed out what the machine washed with.",
                                m.number(),
                                c.name()),
                        WHAT_IT_WASHES_WITH)
                .propose(
                        Text.of("never-together.flush-it-first", "Flush it with plain water first"),
                        all.stream()
                                .filter(p -> p.purpose() == Program.Purpose.PURGE)
                                .findFirst()
                                .map(p -> insert(m, flush(m, p)))
                                .orElse(List.of()));
    }

    private static boolean washes(Moment m) {
        return m.sheet().sheet().programs().stream()
                .anyMatch(p -> p.purpose() == Program.Purpose.WASH);
    }

    /**
     * Whether plain water was the last that its programs brought before this step, with no
     * detergent fed into it any more.
     */
    private static boolean flushed(Moment m, List<Program> all) {
        boolean flushed = false;
        for (Step s : before(m)) {
            if (s.action() instanceof Action.RunProgram r) {
                flushed = plain(r, all);
            } else if (s.action() instanceof Action.Shift i && doses(m, i.items())) {
                flushed = false;
            }
        }
        return flushed;
    }

    private static List<Step> before(Moment m) {
        return m.procedure().steps().subList(0, m.place()).stream()
                .filter(s -> m.context().configuration().holds(s.when()))
                .toList();
    }

    private static boolean plain(Action.RunProgram r, List<Program> all) {
        return r.solution().chemical() == null
                && all.stream()
                        .filter(p -> p.id().equals(r.program()))
                        .anyMatch(p -> p.purpose() == Program.Purpose.PURGE);
    }

    private static boolean doses(Moment m, List<String> items) {
        return items.stream()
                .map(m.sheet()::partNamed)
                .anyMatch(p -> p != null && m.sheet().part(p).feedsDetergent());
    }

    /** Detergent is fed into the tank again: the acid has to be out of it. */
    private void dosing(Moment m, Action.Return back, Findings out) {
        if (!doses(m, back.items())) {
            return;
        }
        List<Program> all = m.sheet().sheet().programs();
        Chemical acid = null;
        for (Step s : before(m)) {
            if (s.action() instanceof Action.RunProgram r) {
                Chemical c = m.context().chemical(r.solution().chemical());
                acid = c != null && c.kind().acidic() ? c : plain(r, all) ? null : acid;
            }
        }
        if (acid != null) {
            out.report(info)
                    .cause("dosing")
                    .items(back.items())
                    .says(
                            Text.of(
                                    "never-together.dosing-onto-acid",
                                    "Step {0} lets detergent into the tank again, which still holds {1}.",
                                    m.number(),
                                    acid.name()),
                            WHAT_IT_WASHES_WITH)
                    .propose(
                            Text.of(
                                    "never-together.flush-it-first",
                                    "Flush it with plain water first"),
                            all.stream()
                                    .filter(p -> p.purpose() == Program.Purpose.PURGE)
                                    .findFirst()
                                    .map(p -> insert(m, flush(m, p)))
                                    .orElse(List.of()));
        }
    }

    private static Step flush(Moment m, Program purge) {
        return StepEdits.fresh(
                m.procedure(),
                0,
                new Action.RunProgram(
                        purge.id(),
                        List.of(),
                        new Solution(null, null, null, null, null),
                        null,
                        null,
                        null,
                        List.of(),
                        Set.of()),
                "Drain the tank and run it with plain water.");
    }

    /** On what lies in a vessel with the wrong product it is the same meeting. */
    private void surfaces(Moment m, Chemical c, Findings out, Findings.@Nullable Report inVessel) {
        List<SurfaceAt> met = new ArrayList<>();
        Text why = null;
        boolean held = c.kind().acidic() && m.program() == null && washes(m);
        for (SurfaceAt s : m.exposed()) {
            Facts f = m.night().facts(s);
            // The walls of a washer hold what it last washed with until water has run over them.
            boolean unrinsed =
                    held && f.rinsed() == Facts.NEVER && m.sheet().surface(s).zone() <= 2;
            Text clash = unrinsed ? Clash.CHLORINE_ON_ACID : clash(f, c.kind());
            if (clash != null) {
                met.add(s);
                why = clash;
            }
        }
        if (why != null) {
            List<String> ids = m.surfaceIds(met);
            out.report(info)
                    .items(ids)
                    .says(
                            Text.of(
                                    "never-together.brings-onto-which-was-not",
                                    "Step {0} brings {1} onto {2}, which was not rinsed: {3}.",
                                    m.number(),
                                    c.name(),
                                    m.sheet().names(ids),
                                    why),
                            Text.of(
                                    "never-together.it-happens-close-to-the",
                                    "It happens close to the face."))
                    .deny(met)
                    .under(inVessel)
                    .propose(Text.of("never-together.rinse-first", "Rinse first"), rinse(m, ids));
        }
    }

    private static @Nullable Text clash(Facts f, ChemicalKind kind) {
        if (f.has(Residue.CHLORINE) && kind.acidic()) {
            return Clash.CHLORINE_ON_ACID;
        }
        if (f.has(Residue.ACID) && kind.chlorinated()) {
            return Clash.CHLORINE_ON_ACID;
        }
        if (f.has(Residue.CAUSTIC) && kind.acidic()
                || f.has(Residue.ACID) && kind == ChemicalKind.CAUSTIC) {
            return Clash.CAUSTIC_ON_ACID;
        }
        return null;
    }

    static List<Edit> rinse(Moment m, List<String> ids) {
        return insert(
                m,
                StepEdits.fresh(
                        m.procedure(),
                        0,
                        new Action.Rinse(
                                ids,
                                new Solution(null, null, null, null, null),
                                Action.Method.CLOTH,
                                Action.EndPoint.TAP_PH),
                        "Rinse with drinking water until the pH is that of the tap."));
    }
}
