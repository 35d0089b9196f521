package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.EndState;
import orthopur.machine.Frequency;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Residue;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/**
 * C1: every surface that is due ends as its sheet asks. Zone 1 is a STOP, zones 2 and 3 a FIX.
 * Surfaces that share cause and shortcoming are one finding.
 */
public final class EndStateReached extends BookRule {
    public EndStateReached() {
        super(
                RuleId.C1,
                Severity.STOP,
                "Every surface that is due ends as its sheet asks",
                Sources.FOOD_CODE_SURFACES,
                RuleId.S1,
                RuleId.S3,
                RuleId.S4,
                RuleId.S8,
                RuleId.S13,
                RuleId.S15,
                RuleId.S16,
                RuleId.T12,
                RuleId.C2,
                RuleId.C3,
                RuleId.C4,
                RuleId.C5,
                RuleId.C6,
                RuleId.C11,
                RuleId.C12,
                RuleId.C14,
                RuleId.C21,
                RuleId.C23);
    }

    private record Group(boolean contact, Text lack, Findings.@Nullable Report cause) {}

    @Override
    public void atEnd(Ending end, Findings out) {
        Map<Group, List<SurfaceAt>> groups = new LinkedHashMap<>();
        for (SurfaceAt s : end.sheet().allSurfaces()) {
            if (end.due(s) && !end.reached(s)) {
                Surface surface = end.sheet().surface(s);
                Group g = new Group(surface.zone() == 1, lack(end, s), out.blameFor(s));
                groups.computeIfAbsent(g, k -> new ArrayList<>()).add(s);
            }
        }
        groups.forEach((g, surfaces) -> report(end, out, g, surfaces));
        nothingForFood(end, out);
    }

    /**
     * The wipe every four hours of use chooses what it cleans, and cleans something that touches
     * food (Food Code 2022, 4-602.11(C)).
     */
    private void nothingForFood(Ending end, Findings out) {
        Frequency kind = end.procedure().kind();
        List<Surface> all = end.sheet().allSurfaces().stream().map(end.sheet()::surface).toList();
        if (kind != Frequency.FOUR_HOURS || all.stream().anyMatch(s -> s.frequency().dueIn(kind))) {
            return;
        }
        boolean touches = all.stream().anyMatch(s -> s.zone() == 1);
        boolean begun = end.sheet().allSurfaces().stream().anyMatch(end::due);
        if (touches && !begun) {
            out.report(info)
                    .says(
                            Text.of(
                                    "end-state-reached.is-due-and-no-step-cleans",
                                    "This clean is {0}, and no step of it cleans a food-contact surface.",
                                    kind.shown()),
                            Text.of(
                                    "end-state-reached.food-touches-it-next",
                                    "Food touches it next."));
        }
    }

    private void report(Ending end, Findings out, Group g, List<SurfaceAt> surfaces) {
        List<String> ids = surfaces.stream().map(s -> end.sheet().surface(s).id()).toList();
        boolean one = surfaces.size() == 1;
        out.report(info)
                .severity(g.contact() ? Severity.STOP : Severity.FIX)
                .source(g.contact() ? info.source() : "Food Code 2022, 4-602.13")
                .items(ids)
                .says(
                        Text.of(
                                "end-state-reached.the-clean",
                                "{0} {1} the clean {2}.",
                                end.sheet().names(ids),
                                one
                                        ? Text.of("end-state-reached.ends", "ends")
                                        : Text.of("end-state-reached.end", "end"),
                                g.lack()),
                        g.contact()
                                ? Text.of(
                                        "end-state-reached.food-touches-it-next",
                                        "Food touches it next.")
                                : Text.of(
                                        "end-state-reached.what-grows-next-to-the",
                                        "What grows next to the food gets into it sooner or later."))
                .under(g.cause())
                .propose(
                        one
                                ? Text.of(
                                        "end-state-reached.add-it-to-the-steps",
                                        "Add it to the steps that treat the others")
                                : Text.of(
                                        "end-state-reached.add-them-to-the-steps",
                                        "Add them to the steps that treat the others"),
                        treat(end, surfaces, ids));
    }

    /** What is missing, in words that stand after "ends the night". */
    private static Text lack(Ending end, SurfaceAt s) {
        Facts f = end.night().facts(s);
        EndState wanted = end.sheet().surface(s).end();
        if (f.loose()) {
            return Text.of(
                    "end-state-reached.as-soiled-as-it-began",
                    "as soiled as it began: no step reaches it");
        }
        if (f.soil() && end.sheet().surface(s).limed()) {
            return Text.of(
                    "end-state-reached.with-its-lime-scale",
                    "with its lime scale: only an acid takes that off");
        }
        if (f.soil()) {
            return Text.of(
                    "end-state-reached.soiled-never-washed",
                    "soiled: never washed with a detergent that is named");
        }
        if (f.has(Residue.DETERGENT) && wanted != EndState.WIPED) {
            return Text.of(
                    "end-state-reached.washed-but-never-rinsed",
                    "washed but never rinsed after it");
        }
        if (wanted == EndState.SANITIZED) {
            return Text.of(
                    "end-state-reached.washed-and-rinsed-but-not",
                    "washed and rinsed but not sanitized");
        }
        return Text.of("end-state-reached.short-of", "short of \"{0}\"", wanted.shown());
    }

    /** Adds the surfaces to the last steps of each kind that they lack. */
    private static List<Edit> treat(Ending end, List<SurfaceAt> surfaces, List<String> ids) {
        Facts f = end.night().facts(surfaces.getFirst());
        EndState wanted = end.sheet().surface(surfaces.getFirst()).end();
        List<Class<? extends Action>> lacking = new ArrayList<>();
        if (f.loose()) {
            lacking.add(Action.DryClean.class);
        }
        if (f.soil()) {
            lacking.add(Action.Wash.class);
        }
        if (wanted != EndState.WIPED && (f.soil() || f.has(Residue.DETERGENT))) {
            lacking.add(Action.Rinse.class);
        }
        if (wanted == EndState.SANITIZED) {
            if (f.soil()) {
                lacking.add(Action.Inspect.class);
            }
            lacking.add(Action.Sanitize.class);
        }
        List<Edit> edits = new ArrayList<>();
        for (Class<? extends Action> kind : lacking) {
            Step last = lastOf(end, kind, surfaces.getFirst());
            Edit edit = last == null ? null : StepEdits.addItems(last, ids);
            if (edit != null) {
                edits.add(edit);
            } else if (kind != Action.DryClean.class && kind != Action.Inspect.class) {
                return List.of();
            }
        }
        return edits;
    }

    /** The last step of a kind, rather one that works on the same part already. */
    private static @Nullable Step lastOf(
            Ending end, Class<? extends Action> kind, SurfaceAt surface) {
        Set<SurfaceAt> same = Set.copyOf(end.sheet().surfacesOf(end.sheet().ownerOf(surface)));
        Step last = null;
        for (int i = end.procedure().steps().size() - 1; i >= 0; i--) {
            Step s = end.procedure().steps().get(i);
            if (kind.isInstance(s.action())) {
                if (!Collections.disjoint(same, end.traces().get(i).named())) {
                    return s;
                }
                last = last == null ? s : last;
            }
        }
        return last;
    }
}
