package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Night;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.runthrough.Words;
import orthopur.text.Text;

/**
 * C25: where another product follows that may not hold an allergen, every surface that touches food
 * is cleaned wet, or by the dry clean its sheet has validated, and swabbed for that allergen.
 * Sanitizer and ATP prove nothing about it.
 */
public final class AllergenCleared extends BookRule {
    /** What is used once. */
    private static final Set<String> THROWN_AWAY =
            Set.of("single", "disposable", "paper", "throwaway", "nonwoven");

    public AllergenCleared() {
        super(
                RuleId.C25,
                Severity.STOP,
                "An allergen is washed off and looked for before another product follows",
                "21 CFR 117.35(d) and 117.135(c)(2)");
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        List<String> clears = end.procedure().clears();
        if (clears.isEmpty()) {
            return;
        }
        List<String> left = new ArrayList<>();
        int rinsed = Facts.NEVER;
        for (SurfaceAt s : end.sheet().allSurfaces()) {
            Surface surface = end.sheet().surface(s);
            if (surface.zone() != 1) {
                continue;
            }
            Facts f = end.night().facts(s);
            boolean wet = f.washed() != Facts.NEVER && f.rinsed() != Facts.NEVER && !f.soil();
            boolean dry = surface.dryClean() != null && !f.loose() && swept(end, s);
            if (!wet && !dry) {
                left.add(surface.id());
            }
            rinsed = Math.max(rinsed, f.rinsed());
        }
        List<String> allergens = List.copyOf(clears);
        if (!left.isEmpty()) {
            out.report(info)
                    .items(left)
                    .says(
                            Text.of(
                                    "allergen-cleared.is-not-cleaned-wet",
                                    "{0} {1, plural, one {is} other {are}} not washed and rinsed, so {2} stays for the next product.",
                                    end.sheet().names(left),
                                    left.size(),
                                    allergens),
                            Text.of(
                                    "allergen-cleared.a-trace-is-enough",
                                    "A trace is enough for an allergic guest; wiping and sanitizing spread it."));
        }
        vessels(end, allergens, out);
        tools(end, allergens, out);
        if (!swabbed(end, rinsed)) {
            out.report(info)
                    .says(
                            Text.of(
                                    "allergen-cleared.nobody-looks-for",
                                    "Nobody swabs for {0} after the last rinse.",
                                    allergens),
                            Text.of(
                                    "allergen-cleared.atp-says-nothing",
                                    "Clean to the eye and to ATP says nothing about an allergen; only its own test does."));
        }
    }

    /** Sinks and baths in which it was washed off stand full of it until they are washed out. */
    private void vessels(Ending end, List<String> allergens, Findings out) {
        Set<String> dirty = new LinkedHashSet<>();
        for (Step s : end.procedure().steps()) {
            boolean washes = s.action() instanceof Action.Wash || s.action() instanceof Action.Soak;
            Solution x = washes ? s.action().solution() : null;
            String vessel = x == null ? null : x.vessel();
            Night.Vessel v = end.night().vessel(vessel);
            if (v != null && vessel != null && (v.soiled() || v.full())) {
                dirty.add(vessel);
            }
        }
        if (dirty.isEmpty()) {
            return;
        }
        List<String> places = List.copyOf(dirty);
        String names = String.join("; ", places);
        out.report(info)
                .cause(places.getFirst())
                .says(
                        Text.of(
                                "allergen-cleared.vessel-not-washed-out",
                                "{0} {1, plural, one {is} other {are}} not washed out after {2} was washed off in {1, plural, one {it} other {them}}.",
                                places,
                                places.size(),
                                allergens),
                        Text.of(
                                "allergen-cleared.what-is-washed-in-it-next",
                                "What is washed in it next carries the allergen to another machine."))
                .propose(
                        Text.of("allergen-cleared.wash-them-out", "Wash {0} out", places),
                        washOut(
                                end,
                                places,
                                "Drain "
                                        + names
                                        + ", wash it out and rinse it: "
                                        + String.join(", ", allergens)
                                        + " was in it."));
    }

    /** Brushes and cloths carry it on: they are washed out with the sinks, or thrown away. */
    private void tools(Ending end, List<String> allergens, Findings out) {
        Set<String> carrying = new LinkedHashSet<>();
        for (int i = 0; i < end.procedure().steps().size(); i++) {
            Action a = end.procedure().steps().get(i).action();
            boolean contact =
                    end.traces().get(i).named().stream()
                            .anyMatch(s -> end.sheet().surface(s).zone() == 1);
            if (a instanceof Action.Wash w && w.tool() != null && contact) {
                carrying.add(w.tool());
            } else if (a instanceof Action.DrawOff d && d.washedOut()) {
                carrying.removeIf(t -> d.places().stream().anyMatch(p -> Words.same(p, t)));
            }
        }
        carrying.removeIf(t -> Words.anyOf(t, THROWN_AWAY));
        if (carrying.isEmpty()) {
            return;
        }
        List<String> all = List.copyOf(carrying);
        String names = String.join("; ", all);
        out.report(info)
                .cause(all.getFirst())
                .says(
                        Text.of(
                                "allergen-cleared.tool-carries-it",
                                "{0} {1, plural, one {was} other {were}} used to wash {2} off and nobody washes {1, plural, one {it} other {them}} out or throws {1, plural, one {it} other {them}} away.",
                                all,
                                all.size(),
                                allergens),
                        Text.of(
                                "allergen-cleared.the-next-machine",
                                "The next machine that is washed with it gets the allergen."))
                .propose(
                        Text.of("allergen-cleared.wash-them-out", "Wash {0} out", all),
                        washOut(
                                end,
                                all,
                                "Wash out "
                                        + names
                                        + " and hang it up: "
                                        + String.join(", ", allergens)
                                        + " was on it."));
    }

    /** A step that washes them out once the washing is over. */
    private static List<Edit> washOut(Ending end, List<String> what, String words) {
        String before =
                end.firstFrom(
                        lastWash(end),
                        s ->
                                s.action() instanceof Action.HoldPoint
                                        || s.action() instanceof Action.Record);
        Action drain = new Action.DrawOff(List.of(), what, true);
        return List.of(
                new Edit.InsertBefore(before, StepEdits.fresh(end.procedure(), 0, drain, words)));
    }

    private static int lastWash(Ending end) {
        int last = 0;
        for (int i = 0; i < end.procedure().steps().size(); i++) {
            Action a = end.procedure().steps().get(i).action();
            last = a instanceof Action.Wash || a instanceof Action.Soak ? i : last;
        }
        return last;
    }

    private static boolean swept(Ending end, SurfaceAt surface) {
        List<Step> steps = end.procedure().steps();
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).action() instanceof Action.DryClean
                    && end.traces().get(i).named().contains(surface)) {
                return true;
            }
        }
        return false;
    }

    private static boolean swabbed(Ending end, int after) {
        List<Step> steps = end.procedure().steps();
        for (int i = Math.max(0, after); i < steps.size(); i++) {
            boolean contact =
                    end.traces().get(i).named().stream()
                            .anyMatch(s -> end.sheet().surface(s).zone() == 1);
            if (steps.get(i).action() instanceof Action.Inspect a && a.allergenSwab() && contact) {
                return true;
            }
        }
        return false;
    }
}
