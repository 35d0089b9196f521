package orthopur.rules.record;

import java.util.List;
import java.util.Set;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.rules.BookRule;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/**
 * R2: whoever answers a hold is named, is somebody else than the one who cleaned, and answers when
 * the work is done.
 */
public final class ReleasedBy extends BookRule {
    private static final Set<String> OWN_WORK =
            Set.of("cleaner", "the cleaner", "crew", "yourself", "myself", "me");

    /** Work that no hand goes in for, and that what is released has behind it all the same. */
    private static final Set<Class<? extends Action>> WORKS =
            Set.of(
                    Action.ChaseOut.class,
                    Action.Wash.class,
                    Action.Rinse.class,
                    Action.Sanitize.class,
                    Action.Lubricate.class,
                    Action.Coat.class);

    public ReleasedBy() {
        super(
                RuleId.R2,
                Severity.FIX,
                "Who may answer a hold is named",
                "21 CFR 117.165; good practice");
    }

    /** What is released is done: no hand works on it and nothing of it is tried afterwards. */
    @Override
    public void atEnd(Ending end, Findings out) {
        int released = end.last(a -> a instanceof Action.HoldPoint);
        int worked = end.last(a -> works(end, a));
        if (released >= 0 && worked > released) {
            String release = end.procedure().steps().get(released).id();
            out.report(info)
                    .severity(Severity.STOP)
                    .at(released, release)
                    .says(
                            Text.of(
                                    "released-by.is-the-last-release-and",
                                    "Step {0} is the last release, and step {1} still works on the machine.",
                                    released + 1,
                                    worked + 1),
                            Text.of(
                                    "released-by.what-is-done-after",
                                    "What is done after the release nobody has looked at."))
                    .propose(
                            Text.of(
                                    "released-by.release-after-step",
                                    "Release after step {0}",
                                    worked + 1),
                            List.of(new Edit.Move(release, end.firstFrom(worked + 1, s -> true))));
        }
    }

    private static boolean works(Ending end, Action a) {
        return a.handsIn()
                || WORKS.contains(a.getClass())
                || a instanceof Action.RunProgram
                || a instanceof Action.Circulate
                || a instanceof Action.FunctionTest
                || a instanceof Action.Operate o && o.mode().runs()
                || a instanceof Action.DrawOff && passage(end, a);
    }

    /** A sink that is emptied concerns nobody; a line does. */
    private static boolean passage(Ending end, Action action) {
        return action.items().stream().anyMatch(i -> end.sheet().passageNamed(i) != null);
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.HoldPoint a)) {
            return;
        }
        boolean own =
                a.who() != null
                        && OWN_WORK.contains(a.who().strip().toLowerCase(java.util.Locale.ROOT));
        if (a.who() == null || a.who().isBlank() || own) {
            out.report(info)
                    .says(
                            own
                                    ? Text.of(
                                            "released-by.lets-the-one-who-cleaned",
                                            "Step {0} lets the one who cleaned answer the hold.",
                                            m.number())
                                    : Text.of(
                                            "released-by.holds-and-does-not-say",
                                            "Step {0} holds and does not say who may answer.",
                                            m.number()),
                            Text.of(
                                    "released-by.nobody-sees-their-own-mistake",
                                    "Nobody sees their own mistake; name somebody else who answers."));
        }
    }
}
