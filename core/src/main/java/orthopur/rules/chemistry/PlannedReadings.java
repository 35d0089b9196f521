package orthopur.rules.chemistry;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Rule;
import orthopur.runthrough.RuleInfo;
import orthopur.runthrough.Severity;

/** S9: a strength and a temperature reading is planned wherever something is sanitized. */
public final class PlannedReadings implements Rule {
    private static final RuleInfo INFO =
            new RuleInfo(
                    "S9",
                    Severity.FIX,
                    "Strength and temperature of the sanitizer are read",
                    "Food Code 2022, 4-501.116 and 4-302.13, .14");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void look(Moment m, Findings out) {
        SanitizerUse u = SanitizerUse.of(m);
        if (u == null) {
            return;
        }
        List<String> missing = new ArrayList<>();
        if (!u.step().readings().contains(Action.Reading.STRENGTH)) {
            missing.add("strength");
        }
        if (!u.step().readings().contains(Action.Reading.TEMPERATURE)) {
            missing.add("temperature");
        }
        if (missing.isEmpty()) {
            return;
        }
        Set<Action.Reading> all = EnumSet.of(Action.Reading.STRENGTH, Action.Reading.TEMPERATURE);
        all.addAll(u.step().readings());
        out.report(INFO)
                .says(
                        "Step %d sanitizes and plans no reading of the %s."
                                .formatted(m.number(), String.join(" and the ", missing)),
                        "A bucket that nobody reads is a hope; strength fades and water cools.")
                .propose(
                        "Read strength and temperature",
                        List.of(
                                new Edit.Change(
                                        m.step().id(),
                                        m.step()
                                                .with(
                                                        new Action.Sanitize(
                                                                u.step().items(),
                                                                u.step().solution(),
                                                                u.step().method(),
                                                                u.step().contact(),
                                                                Set.copyOf(all))))));
    }
}
