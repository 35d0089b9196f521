package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.List;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/**
 * C25: where another product follows that may not hold an allergen, every surface that touches food
 * is cleaned wet, or by the dry clean its sheet has validated, and swabbed for that allergen.
 * Sanitizer and ATP prove nothing about it.
 */
public final class AllergenCleared extends BookRule {
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
        for (int s = 0; s < end.sheet().surfaceCount(); s++) {
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
        String allergens = String.join(", ", clears);
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

    private static boolean swept(Ending end, int surface) {
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
