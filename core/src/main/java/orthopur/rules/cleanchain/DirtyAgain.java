package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.List;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/**
 * C5: nothing is scraped, and nothing above it is sprayed, once a surface is inspected or
 * sanitized. Before that it is C9.
 */
public final class DirtyAgain extends BookRule {
    public DirtyAgain() {
        super(
                RuleId.C5,
                Severity.STOP,
                "What is inspected or sanitized is not scraped or splashed again",
                Sources.FOOD_CODE_SURFACES);
    }

    @Override
    public void look(Moment m, Findings out) {
        List<SurfaceAt> hit = new ArrayList<>();
        boolean scrapes = m.action() instanceof Action.DryClean;
        if (!scrapes && !splashes(m.action())) {
            return;
        }
        if (scrapes) {
            m.exposed().stream().filter(s -> done(m, s)).forEach(hit::add);
        }
        for (SurfaceAt s : m.sheet().hanging()) {
            if (done(m, s) && !m.names(s) && m.above(s)) {
                hit.add(s);
            }
        }
        if (hit.isEmpty()) {
            return;
        }
        List<String> ids = m.surfaceIds(hit);
        out.report(info)
                .items(ids)
                .says(
                        Text.of(
                                "dirty-again.after-it-was",
                                "Step {0} {1} {2} after it was {3}.",
                                m.number(),
                                scrapes
                                        ? Text.of("dirty-again.scrapes-onto", "scrapes onto")
                                        : Text.of("dirty-again.splashes-onto", "splashes onto"),
                                m.sheet().names(ids),
                                m.night().facts(hit.getFirst()).sanitized() != Facts.NEVER
                                        ? Text.of("dirty-again.sanitized", "sanitized")
                                        : Text.of("dirty-again.inspected", "inspected")),
                        Text.of(
                                "dirty-again.what-is-loosened-above-lands",
                                "What is loosened above lands below; it is dirty again and nobody looks any more."))
                .deny(hit);
    }

    private static boolean done(Moment m, SurfaceAt surface) {
        Facts f = m.night().facts(surface);
        return f.inspected() != Facts.NEVER || f.sanitized() != Facts.NEVER;
    }

    static boolean splashes(Action action) {
        Action.Method method =
                switch (action) {
                    case Action.Wash a -> a.method();
                    case Action.Rinse a -> a.method();
                    default -> null;
                };
        return method == Action.Method.SPRAY
                || method == Action.Method.HOSE
                || method == Action.Method.PRESSURE;
    }
}
