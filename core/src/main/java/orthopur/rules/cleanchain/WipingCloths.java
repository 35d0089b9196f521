package orthopur.rules.cleanchain;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.machine.Frequency;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.runthrough.Words;
import orthopur.text.Text;

/**
 * C26: cloths in use lie in sanitizer, cotton takes the quat out of it, and nothing porous is
 * counted as sanitized.
 */
public final class WipingCloths extends BookRule {
    private static final Set<String> BINDS = Set.of("cotton", "cellulose", "terry");
    private static final Set<String> POROUS =
            Set.of(
                    "wood", "bamboo", "cork", "leather", "rope", "bristle", "felt", "fiber",
                    "fibre", "beech", "maple", "oak");
    private static final Set<Frequency> IN_SERVICE =
            Set.of(Frequency.PER_USE, Frequency.FOUR_HOURS, Frequency.PER_MEAL);

    public WipingCloths() {
        super(
                RuleId.C26,
                Severity.FIX,
                "Cloths lie in sanitizer and bind none of it; nothing porous counts as sanitized",
                "Food Code 2022, 3-304.14 and 4-202.11");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Sanitize a)) {
            return;
        }
        porous(m, out);
        if (a.method() != Action.Method.CLOTH) {
            return;
        }
        Chemical c = m.context().chemical(a.chemical());
        String cloth = cloth(m);
        if (c != null
                && c.kind() == ChemicalKind.QUAT
                && cloth != null
                && out.onCause(id, "cotton") == null) {
            out.report(info)
                    .cause("cotton")
                    .says(
                            Text.of(
                                    "wiping-cloths.wipes-quat-with",
                                    "Step {0} wipes {1} on with \"{2}\".",
                                    m.number(),
                                    c.name(),
                                    cloth),
                            Text.of(
                                    "wiping-cloths.cotton-binds-quat",
                                    "Cotton binds quat: what reaches the surface is weaker than what was read. Take a nonwoven cloth made for it."));
        }
        if (IN_SERVICE.contains(m.procedure().kind())
                && a.solution().vessel() == null
                && out.onCause(id, "kept") == null) {
            out.report(info)
                    .cause("kept")
                    .says(
                            Text.of(
                                    "wiping-cloths.wipes-with-a-cloth-kept",
                                    "Step {0} wipes with a cloth in service and does not say in which bucket of sanitizer it is kept.",
                                    m.number()),
                            Text.of(
                                    "wiping-cloths.a-damp-cloth-breeds",
                                    "A damp cloth on the counter breeds what the next wipe spreads."));
        }
    }

    private static @org.jspecify.annotations.Nullable String cloth(Moment m) {
        for (orthopur.procedure.Step s : m.procedure().steps().subList(0, m.place())) {
            if (s.action() instanceof Action.Prepare p) {
                for (String thing : p.things()) {
                    if (Words.anyOf(thing, BINDS)) {
                        return thing;
                    }
                }
            }
        }
        return null;
    }

    /** Of a brush it is known only where it says so: nylon bristles soak up nothing. */
    private static boolean porous(String material) {
        String x = material.toLowerCase(Locale.ROOT);
        boolean hair = x.contains("bristle") || x.contains("fib");
        return POROUS.stream().anyMatch(x::contains) && (!hair || x.contains("natural"));
    }

    private void porous(Moment m, Findings out) {
        List<SurfaceAt> some =
                m.exposed().stream()
                        .filter(
                                s ->
                                        m.sheet().surface(s).materials().stream()
                                                .anyMatch(WipingCloths::porous))
                        .filter(s -> m.sheet().surface(s).zone() == 1)
                        .toList();
        if (!some.isEmpty()) {
            List<String> ids = m.surfaceIds(some);
            out.report(info)
                    .items(ids)
                    .says(
                            Text.of(
                                    "wiping-cloths.counts-porous-as-sanitized",
                                    "Step {0} counts {1} as sanitized; it is porous.",
                                    m.number(),
                                    m.sheet().names(ids)),
                            Text.of(
                                    "wiping-cloths.it-soaks-up",
                                    "It soaks up soil and water deeper than any sanitizer reaches; boil it, replace it, or let food touch something else."));
        }
    }
}
