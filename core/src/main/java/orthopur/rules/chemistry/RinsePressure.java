package orthopur.rules.chemistry;

import orthopur.procedure.Action;
import orthopur.quantity.Pressure;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Severity;

/** S14: the final rinse of a washer neither drips nor atomizes. */
public final class RinsePressure extends BookRule {
    public RinsePressure() {
        super(
                "S14",
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
                        "Step %d rinses last at %s; %s to %s is allowed."
                                .formatted(
                                        m.number(),
                                        p == null ? "a pressure it does not state" : p.shown(),
                                        least.shown(),
                                        most.shown()),
                        "Too weak it does not reach, too strong it turns to mist and cools.");
    }
}
