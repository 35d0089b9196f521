package orthopur.rules.chemistry;

import java.util.ArrayList;
import java.util.List;
import orthopur.chemical.Chemical;
import orthopur.machine.Vessel;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Night;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** S12: how strong and how much of it is made is said. */
public final class Preparation extends BookRule {
    public Preparation() {
        super(
                RuleId.S12,
                Severity.FIX,
                "Product, strength and how much in how much water are stated",
                "21 CFR 117.35(b); label");
    }

    @Override
    public void look(Moment m, Findings out) {
        Solution solution = m.action().solution();
        if (solution == null || m.action() instanceof Action.Rinse) {
            return;
        }
        Chemical c = m.context().chemical(solution.chemical());
        if (c == null) {
            // A wash with nothing named is told by C1, a sanitizer by S1.
            return;
        }
        if (solution.recipe() != null
                && m.sheet().sheet().recipes().stream()
                        .anyMatch(r -> r.id().equals(solution.recipe()))) {
            // The sheet says what is poured, how much of it and in which order.
            return;
        }
        List<Object> missing = new ArrayList<>();
        // A sanitizer's strength is S1, which denies the claim as well.
        if (solution.strength() == null && !c.kind().sanitizes()) {
            missing.add(Text.of("preparation.how-strong", "how strong"));
        }
        Night.Vessel v = m.night().vessel(solution.vessel());
        boolean already = v != null && v.full() && c.id().equals(v.chemical());
        if (solution.volume() == null && !already) {
            missing.add(Text.of("preparation.how-much-is-made", "how much is made"));
        }
        Vessel vessel = m.context().vessel(solution.vessel());
        if (vessel != null
                && solution.volume() != null
                && solution.volume().litres() > vessel.brim().litres()) {
            out.report(info)
                    .number("made", solution.volume().litres(), "L")
                    .number("brim", vessel.brim().litres(), "L")
                    .says(
                            Text.of(
                                    "preparation.makes-in-which-holds-to",
                                    "Step {0} makes {1} in {2}, which holds {3} to the brim.",
                                    m.number(),
                                    solution.volume().shown(),
                                    vessel.name(),
                                    vessel.brim().shown()),
                            Text.of(
                                    "preparation.it-runs-over-and-the",
                                    "It runs over, and the strength is not the one that is written."));
        }
        if (vessel != null && vessel.kind().equals("sprayer") && lies(m.action())) {
            out.report(info)
                    .says(
                            Text.of(
                                    "preparation.lies-in-a-sprayer",
                                    "Step {0} has parts lie in {1}; nothing goes through its neck.",
                                    m.number(),
                                    vessel.name()),
                            Text.of(
                                    "preparation.then-it-is-wetted-otherwise",
                                    "Then it is wetted in some other way, or not all of it."));
        }
        if (!missing.isEmpty()) {
            out.report(info)
                    .says(
                            Text.of(
                                    "preparation.uses-and-does-not-say",
                                    "Step {0} uses {1} and does not say {2}.",
                                    m.number(),
                                    c.name(),
                                    missing),
                            Text.of(
                                    "preparation.a-splash-from-the-container",
                                    "A splash from the container is too much on one night and too little on the next."));
        }
    }

    private static boolean lies(Action a) {
        return switch (a) {
            case Action.Soak _ -> true;
            case Action.Wash w -> w.method() == Action.Method.IMMERSE;
            case Action.Sanitize s -> s.method() == Action.Method.IMMERSE;
            default -> false;
        };
    }
}
