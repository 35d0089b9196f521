package orthopur.rules.chemistry;

import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.machine.Limit;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** S6: what the sheet forbids: hose, immersion, caustic, chlorine, single products. */
public final class WithinLimits extends BookRule {
    public WithinLimits() {
        super(RuleId.S6, Severity.STOP, "Nothing that the sheet forbids", "machine manual");
    }

    /** What takes the surface off with the soil. */
    private static final Set<String> SCOURS =
            Set.of(
                    "abrasive",
                    "scouring",
                    "scourer",
                    "green pad",
                    "scrub pad",
                    "scrubbing pad",
                    "scrubber",
                    "melamine",
                    "eraser",
                    "razor",
                    "scraper blade",
                    "metal scraper",
                    "steel scraper",
                    "sandpaper",
                    "sanding",
                    "emery",
                    "pumice");

    private static final Pattern NOT_ABRASIVE =
            Pattern.compile("non?t?[- ]?abrasive", Pattern.CASE_INSENSITIVE);

    /** What does the same and leaves metal behind. */
    private static final Set<String> SHEDS =
            Set.of(
                    "steel pad",
                    "steel wool",
                    "wire wool",
                    "metal pad",
                    "metal sponge",
                    "wire brush",
                    "wire pad",
                    "steel brush",
                    "brass brush",
                    "bronze brush",
                    "metal brush",
                    "brass wool",
                    "copper wool",
                    "bronze wool",
                    "steel scrubber",
                    "metal scrubber",
                    "copper scrubber",
                    "stainless scrubber",
                    "chain mail scrubber");

    private static final Set<Limit> CHEMICAL = EnumSet.of(Limit.NO_CAUSTIC, Limit.NO_CHLORINE);

    @Override
    public void look(Moment m, Findings out) {
        Chemical c = m.context().chemical(m.action().chemical());
        Set<SurfaceAt> told = new HashSet<>(banned(m, c, out));
        for (Limit limit : Limit.values()) {
            List<SurfaceAt> hit = broken(limit, m.action(), c) ? limited(m, limit) : List.of();
            if (CHEMICAL.contains(limit)) {
                // One product on one surface is one finding, however often the sheet forbids it.
                hit = hit.stream().filter(told::add).toList();
            }
            if (!hit.isEmpty()) {
                List<String> ids = m.surfaceIds(hit);
                out.report(info)
                        .items(ids)
                        .says(
                                Text.of(
                                        "within-limits.text",
                                        "Step {0}: {1} {2}.",
                                        m.number(),
                                        m.sheet().names(ids),
                                        limit.shown()),
                                Text.of(
                                        "within-limits.water-and-chemicals-get-where",
                                        "Water and chemicals get where no rinse reaches, or attack what they touch."));
            }
        }
        notStated(m, out);
        sheds(m, out);
    }

    private static boolean holds(String tool, Set<String> some) {
        String said = NOT_ABRASIVE.matcher(tool).replaceAll("");
        return some.stream().anyMatch(t -> names(List.of(said), t));
    }

    /** What a metal pad or brush loses is found by whoever eats. */
    private void sheds(Moment m, Findings out) {
        String tool = m.action() instanceof Action.Wash w ? w.tool() : null;
        if (tool == null || !holds(tool, SHEDS)) {
            return;
        }
        List<SurfaceAt> some =
                m.exposed().stream().filter(s -> m.sheet().surface(s).zone() == 1).toList();
        if (!some.isEmpty()) {
            List<String> ids = m.surfaceIds(some);
            out.report(info)
                    .severity(Severity.FIX)
                    .items(ids)
                    .says(
                            Text.of(
                                    "within-limits.sheds",
                                    "Step {0} takes \"{1}\" to {2}.",
                                    m.number(),
                                    tool,
                                    m.sheet().names(ids)),
                            Text.of(
                                    "within-limits.slivers",
                                    "It loses slivers of metal, and they end in the food; take nylon."));
        }
    }

    /** What the sheet forbids; a passage is filled on purpose, so pouring into it is no hosing. */
    private static List<SurfaceAt> limited(Moment m, Limit limit) {
        Set<SurfaceAt> inside = new HashSet<>();
        if (limit == Limit.NO_HOSE) {
            m.passages().forEach(p -> inside.addAll(m.sheet().wettedIn(p)));
        }
        return m.exposed().stream()
                .filter(s -> !inside.contains(s))
                .filter(s -> m.sheet().surface(s).limits().contains(limit))
                .toList();
    }

    /** How water comes on decides; where the sheet forbids a way, not saying it is not passed. */
    private void notStated(Moment m, Findings out) {
        boolean unsaid =
                switch (m.action()) {
                    case Action.Wash a -> a.method() == null && a.tool() == null;
                    case Action.Rinse a -> a.method() == null;
                    case Action.Sanitize a -> a.method() == null && a.solution().vessel() == null;
                    default -> false;
                };
        List<SurfaceAt> hit = unsaid ? limited(m, Limit.NO_HOSE) : List.of();
        if (!hit.isEmpty()) {
            List<String> ids = m.surfaceIds(hit);
            out.report(info)
                    .items(ids)
                    .says(
                            Text.of(
                                    "within-limits.does-not-say-how-water",
                                    "Step {0} does not say how water comes onto {1}, which {2}.",
                                    m.number(),
                                    m.sheet().names(ids),
                                    ids.size() == 1
                                            ? Text.of(
                                                    "within-limits.bears-no-hose", "bears no hose")
                                            : Text.of(
                                                    "within-limits.bear-no-hose", "bear no hose")),
                            Text.of(
                                    "within-limits.without-a-stated-method-somebody",
                                    "Without a stated method somebody takes the hose, and water gets where no rinse reaches."));
        }
    }

    private static boolean broken(Limit limit, Action action, @Nullable Chemical c) {
        Action.Method method =
                switch (action) {
                    case Action.Wash a -> a.method();
                    case Action.Rinse a -> a.method();
                    case Action.Sanitize a -> a.method();
                    default -> null;
                };
        return switch (limit) {
            case NO_IMMERSION -> action instanceof Action.Soak || method == Action.Method.IMMERSE;
            case NO_HOSE ->
                    method == Action.Method.HOSE
                            || method == Action.Method.PRESSURE
                            || method == Action.Method.FLOOD
                            // Sanitizer out of a hand sprayer is a mist; water that rinses is not.
                            || method == Action.Method.SPRAY
                                    && !(action instanceof Action.Sanitize);
            case NO_PRESSURE -> method == Action.Method.PRESSURE;
            case NO_MACHINE_WASH ->
                    method == Action.Method.WASHER
                            || action instanceof Action.RunProgram p && p.program() == null;
            case NO_ABRASIVE ->
                    action instanceof Action.Wash w
                            && w.tool() != null
                            && (holds(w.tool(), SCOURS) || holds(w.tool(), SHEDS));
            case NO_CAUSTIC ->
                    c != null
                            && (c.kind() == ChemicalKind.CAUSTIC
                                    || c.kind() == ChemicalKind.ALKALINE_DETERGENT
                                    || c.kind() == ChemicalKind.CHLORINATED_ALKALINE);
            case NO_CHLORINE -> c != null && c.kind().chlorinated();
        };
    }

    private List<SurfaceAt> banned(Moment m, @Nullable Chemical c, Findings out) {
        if (c == null) {
            return List.of();
        }
        List<SurfaceAt> hit =
                m.exposed().stream().filter(s -> bans(m.sheet().surface(s), c)).toList();
        if (!hit.isEmpty()) {
            List<String> ids = m.surfaceIds(hit);
            out.report(info)
                    .items(ids)
                    .says(
                            Text.of(
                                    "within-limits.brings-onto-where-the-sheet",
                                    "Step {0} brings {1} onto {2}, where the sheet forbids it.",
                                    m.number(),
                                    c.name(),
                                    m.sheet().names(ids)),
                            Text.of(
                                    "within-limits.the-manufacturer-knows-what-it",
                                    "The manufacturer knows what it does there."));
        }
        return hit;
    }

    private static boolean bans(Surface s, Chemical c) {
        return s.banned().contains(c.id());
    }
}
