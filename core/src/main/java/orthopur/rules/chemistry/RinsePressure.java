package orthopur.rules.chemistry;

import orthopur.procedure.Action;
import orthopur.quantity.Pressure;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** S14: the final rinse of a washer neither drips nor atomizes. */
public final class RinsePressure extends BookRule {
    public RinsePressure() {
        super(
                RuleId.S14,
                Severity.FIX,
                "Flow pressure of a washer's final rinse",
                "Food Code 2022, 4-501.113");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.RunProgram a) || m.washerType() == null) {
            return;
        }
        Pressure least = m.context().book().pressure("washer.rinse.pressure.least");
        Pressure most = m.context().book().pressure("washer.rinse.pressure.most");
        Pressure p = a.pressure();
        if (p != null
                && p.kilopascals() >= least.kilopascals()
                && p.kilopascals() <= most.kilopascals()) {
            return;
        }
        out.report(info)
                .items(m.surfaceIds(m.named()))
                .number("least", least.kilopascals(), "kPa")
                .number("most", most.kilopascals(), "kPa")
                .says(
                        Text.of(
                                "rinse-pressure.rinses-last-at-to-is",
                                "Step {0} rinses last at {1}; {2} to {3} is allowed.",
                                m.number(),
                                p == null
                                        ? Text.of(
                                                "rinse-pressure.a-pressure-it-does-not",
                                                "a pressure it does not state")
                                        : p.shown(),
                                least.shown(),
                                most.shown()),
                        Text.of(
                                "rinse-pressure.too-weak-it-does-not",
                                "Too weak it does not reach, too strong it turns to mist and cools."));
    }
}
