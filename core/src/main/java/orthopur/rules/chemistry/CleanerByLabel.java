package orthopur.rules.chemistry;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.chemical.Label;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.quantity.Dosage;
import orthopur.quantity.Share;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** S15: detergent, degreaser, caustic and acid within their label: strength, heat, dwell. */
public final class CleanerByLabel extends BookRule {
    public CleanerByLabel() {
        super(RuleId.S15, Severity.FIX, "Cleaners as their label says", "label");
    }

    @Override
    public void look(Moment m, Findings out) {
        Solution solution = m.action().solution();
        Chemical c = m.context().chemical(m.action().chemical());
        if (solution == null || c == null) {
            return;
        }
        Label label = c.label();
        List<Object> off = new ArrayList<>();
        // How strong, how warm and how long a sanitizer has to be is judged by itself.
        Duration dwell = c.kind().washes() ? dwell(m.action()) : null;
        if (c.kind().washes()) {
            asCleaner(m.action(), solution, label, dwell, off);
        }
        if (label.highestTemperature() != null
                && solution.temperature() != null
                && solution.temperature().compareTo(label.highestTemperature()) > 0) {
            off.add(
                    Text.of(
                            "cleaner-by-label.at-most",
                            "at most {0}",
                            label.highestTemperature().shown()));
        }
        told(m, c, solution, dwell, off, out);
    }

    private static void asCleaner(
            Action action,
            Solution solution,
            Label label,
            @Nullable Duration dwell,
            List<Object> off) {
        if (below(solution.strength(), label.least()) && label.least() != null) {
            off.add(Text.of("cleaner-by-label.at-least", "at least {0}", label.least().shown()));
        }
        if (below(label.most(), solution.strength()) && label.most() != null) {
            off.add(Text.of("cleaner-by-label.at-most", "at most {0}", label.most().shown()));
        }
        if (label.leastTemperature() != null
                && solution.temperature() != null
                && solution.temperature().compareTo(label.leastTemperature()) < 0) {
            off.add(
                    Text.of(
                            "cleaner-by-label.at-least",
                            "at least {0}",
                            label.leastTemperature().shown()));
        }
        boolean stands =
                action instanceof Action.Soak
                        || action instanceof Action.Circulate
                        || action instanceof Action.Wash;
        if (stands
                && label.contact() != null
                && (dwell == null || dwell.compareTo(label.contact()) < 0)) {
            off.add(
                    Text.of(
                            "cleaner-by-label.at-least-of-dwell",
                            "at least {0} of dwell",
                            Show.duration(label.contact())));
        }
    }

    private void told(
            Moment m,
            Chemical c,
            Solution solution,
            @Nullable Duration dwell,
            List<Object> off,
            Findings out) {
        if (!off.isEmpty()) {
            out.report(info)
                    .items(m.surfaceIds(m.exposed()))
                    .source("label of " + c.name())
                    .says(
                            Text.of(
                                    "cleaner-by-label.uses-its-label-says",
                                    "Step {0} uses {1}{2}{3}; its label says {4}.",
                                    m.number(),
                                    c.name(),
                                    solution.strength() == null
                                            ? ""
                                            : Text.of(
                                                    "cleaner-by-label.at",
                                                    " at {0}",
                                                    solution.strength().shown()),
                                    dwell == null
                                            ? ""
                                            : Text.of(
                                                    "cleaner-by-label.for",
                                                    " for {0}",
                                                    Show.duration(dwell)),
                                    off),
                            Text.of(
                                    "cleaner-by-label.weaker-it-does-not-clean",
                                    "Weaker, it does not clean; stronger, it attacks the surface and does not rinse off."));
        }
    }

    private static @Nullable Duration dwell(Action action) {
        return switch (action) {
            case Action.Soak a -> a.dwell();
            case Action.Circulate a -> a.dwell();
            case Action.Wash a -> a.dwell();
            default -> null;
        };
    }

    /** Whether a is known to be less than b; figures of different kinds do not compare. */
    private static boolean below(@Nullable Dosage a, @Nullable Dosage b) {
        if (a instanceof Share x && b instanceof Share y) {
            return x.compareTo(y) < 0;
        }
        return a instanceof Strength x && b instanceof Strength y && x.compareTo(y) < 0;
    }
}
