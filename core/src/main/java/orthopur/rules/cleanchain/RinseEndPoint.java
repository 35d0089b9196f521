package orthopur.rules.cleanchain;

import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Residue;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** C19: a rinse says when it is over; after caustic or acid the eye does not see it. */
public final class RinseEndPoint extends BookRule {
    public RinseEndPoint() {
        super(RuleId.C19, Severity.FIX, "A rinse says when it is over", "good practice");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Rinse a)) {
            return;
        }
        Action.EndPoint better = harsh(m) ? Action.EndPoint.TAP_PH : Action.EndPoint.NO_SUDS;
        Action.Rinse mended =
                new Action.Rinse(a.items(), a.water(), a.method(), better, a.time(), a.times());
        if (!ends(a)) {
            out.report(info)
                    .says(
                            Text.of(
                                    "rinse-end-point.does-not-say-when-the",
                                    "Step {0} does not say when the rinse is over.",
                                    m.number()),
                            Text.of(
                                    "rinse-end-point.rinse-well-means-something-else",
                                    "\"Rinse well\" means something else to everybody."))
                    .propose(
                            better == Action.EndPoint.TAP_PH
                                    ? Text.of(
                                            "rinse-end-point.until-the-ph-is-that",
                                            "Until the pH is that of the tap")
                                    : Text.of(
                                            "rinse-end-point.until-there-are-no-suds",
                                            "Until there are no suds"),
                            change(m, m.step().with(mended)));
        } else if (harsh(m) && a.endPoint() == Action.EndPoint.CLEAR) {
            out.report(info)
                    .severity(Severity.ADVISE)
                    .says(
                            Text.of(
                                    "rinse-end-point.ends-a-rinse-after-caustic",
                                    "Step {0} ends a rinse after caustic or acid by sight alone.",
                                    m.number()),
                            Text.of(
                                    "rinse-end-point.clear-water-can-still-be",
                                    "Clear water can still be caustic; pH paper shows it."))
                    .propose(
                            Text.of(
                                    "rinse-end-point.until-the-ph-is-that",
                                    "Until the pH is that of the tap"),
                            change(m, m.step().with(mended)));
        }
    }

    /** Whether somebody knows when to stop: a sign, seconds, or so many times so much. */
    private static boolean ends(Action.Rinse a) {
        boolean counted = a.times() != null && a.water().volume() != null;
        return switch (a.endPoint()) {
            case CLEAR, NO_SUDS, TAP_PH -> true;
            case MINUTES -> a.time() != null;
            case VOLUMES -> a.water().volume() != null;
            case null -> a.time() != null || counted;
        };
    }

    private static boolean harsh(Moment m) {
        return m.exposed().stream()
                .map(m.night()::facts)
                .anyMatch(f -> f.has(Residue.CAUSTIC) || f.has(Residue.ACID));
    }
}
