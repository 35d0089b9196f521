package orthopur.rules.cleanchain;

import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Night;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** C23: the sink or bath is clean before parts go into it, and again before the sanitizer does. */
public final class CleanVessel extends BookRule {
    public CleanVessel() {
        super(
                RuleId.C23,
                Severity.STOP,
                "Sinks and baths are clean themselves",
                "Food Code 2022, 4-501.14",
                RuleId.S13);
    }

    @Override
    public void look(Moment m, Findings out) {
        Solution solution = m.action().solution();
        String name = solution == null ? null : solution.vessel();
        if (name == null) {
            unnamed(m, out);
            return;
        }
        if (out.onCause(RuleId.C23, name + m.action().getClass()) != null) {
            return;
        }
        Night.Vessel v = m.night().vessel(name);
        boolean sanitizes =
                m.action() instanceof Action.Sanitize || m.action() instanceof Action.RunProgram;
        if (v != null && !(sanitizes && v.soiled())) {
            return;
        }
        out.report(info)
                .cause(name + m.action().getClass())
                .items(m.surfaceIds(m.exposed()))
                .says(
                        v == null
                                ? Text.of(
                                        "clean-vessel.uses-and-no-step-has",
                                        "Step {0} uses {1} and no step has washed it out before.",
                                        m.number(),
                                        name)
                                : Text.of(
                                        "clean-vessel.sanitizes-in-which-still-holds",
                                        "Step {0} sanitizes in {1}, which still holds what was washed off.",
                                        m.number(),
                                        name),
                        v == null
                                ? Text.of(
                                        "clean-vessel.the-soil-left-in-it",
                                        "The soil left in it goes onto the parts.")
                                : Text.of(
                                        "clean-vessel.the-soil-uses-up-the",
                                        "The soil uses up the sanitizer, and the part takes up the rest again."))
                .under(
                        m.exposed().isEmpty()
                                ? null
                                : out.onItem(m.surfaceIds(m.exposed()).getFirst(), RuleId.S13))
                .deny(sanitizes ? m.exposed() : List.of())
                .propose(
                        Text.of("clean-vessel.wash-it-out-first", "Wash it out first"),
                        insert(
                                m,
                                StepEdits.fresh(
                                        m.procedure(),
                                        0,
                                        new Action.DrawOff(List.of(), List.of(name), true),
                                        "Empty " + name + ", wash it out and rinse it.")));
    }

    /** Parts lie in something: where it is not named, nobody knows what it held before. */
    private void unnamed(Moment m, Findings out) {
        boolean lies =
                switch (m.action()) {
                    case Action.Sanitize a -> a.method() == Action.Method.IMMERSE;
                    case Action.Wash a -> a.method() == Action.Method.IMMERSE;
                    case Action.Soak _ ->
                            m.passages().isEmpty() && m.parts().stream().anyMatch(m.night()::loose);
                    default -> false;
                };
        if (lies) {
            out.report(info)
                    .severity(Severity.FIX)
                    .cause("not named")
                    .items(m.surfaceIds(m.named()))
                    .says(
                            Text.of(
                                    "clean-vessel.in-what-is-not-said",
                                    "Step {0} does not say in which sink, bath or bucket.",
                                    m.number()),
                            Text.of(
                                    "clean-vessel.whatever-it-held",
                                    "Somebody takes the next one, whatever it held before."));
        }
    }
}
