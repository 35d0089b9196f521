package orthopur.rules.record;

import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** R1: a critical reading ends in a record with a person. */
public final class RecordedReadings extends BookRule {
    public RecordedReadings() {
        super(
                RuleId.R1,
                Severity.FIX,
                "A critical limit has a reading, a person and a record",
                "21 CFR 117.135(c)(1), .145, .150; 21 CFR 112.140(b)");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.Sanitize
                && out.onCause(RuleId.R1, "record") == null
                && !m.later(a -> a instanceof Action.Record)) {
            out.report(info)
                    .cause("record")
                    .says(
                            Text.of(
                                    "recorded-readings.has-a-critical-limit-and",
                                    "Step {0} has a critical limit and no later step records it and signs.",
                                    m.number()),
                            Text.of(
                                    "recorded-readings.without-a-signed-record-there",
                                    "Without a signed record there is no proof."))
                    .propose(
                            Text.of("recorded-readings.record-at-the-end", "Record at the end"),
                            java.util.List.of(
                                    new orthopur.procedure.Edit.InsertBefore(
                                            null,
                                            StepEdits.fresh(
                                                    m.procedure(),
                                                    0,
                                                    new Action.Record(),
                                                    "Write down the readings and sign."))));
        }
    }
}
