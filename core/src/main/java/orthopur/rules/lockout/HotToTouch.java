package orthopur.rules.lockout;

import java.util.List;
import orthopur.machine.Energy;
import orthopur.procedure.Action;
import orthopur.quantity.Show;
import orthopur.quantity.Temperature;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Heats;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Severity;

/**
 * L8: nothing above its touch limit is handled. Cool counts when it is measured; a wait that was
 * computed plans the night and opens nothing.
 */
public final class HotToTouch extends BookRule {
    public HotToTouch() {
        super("L8", Severity.STOP, "Nothing is handled above its touch limit", "ISO 13732-1");
    }

    @Override
    public void look(Moment m, Findings out) {
        for (int e = 0; e < m.sheet().energyCount(); e++) {
            Energy energy = m.sheet().energy(e);
            if (!DangerZone.entered(m, e)
                    || !DangerZone.hot(m, e)
                    || out.onEnergy(energy.id(), "L8", "L4") != null) {
                continue;
            }
            report(m, e, energy, out);
        }
    }

    private void report(Moment m, int e, Energy energy, Findings out) {
        Temperature limit = m.context().book().temperature("touch.limit");
        Double needed = Heats.minutesTo(m.sheet(), e, limit);
        String after =
                needed == null
                        ? "its sheet gives no cooling curve, so it has to be measured"
                        : "from the stop it takes " + Show.number(Math.ceil(needed)) + " min";
        boolean gloves = names(m.procedure().ppe(), "heat gloves");
        Findings.Report r =
                out.report(info)
                        .severity(gloves ? Severity.FIX : Severity.STOP)
                        .energy(energy.id())
                        .items(DangerZone.partsInReach(m, e))
                        .number("touch limit", limit.celsius(), "°C")
                        .says(
                                "Step %d has hands on %s, which no step has shown to be at or below %s; %s."
                                        .formatted(
                                                m.number(),
                                                m.sheet().names(m.partIds(m.parts())),
                                                limit.shown(),
                                                after),
                                "Metal above this burns within the time it takes to let go.")
                        .propose(
                                "Measure it below " + limit.shown() + " first",
                                insert(
                                        m,
                                        StepEdits.fresh(
                                                m.procedure(),
                                                0,
                                                new Action.CoolDown(
                                                        List.of(energy.id()), limit, null),
                                                "Measure before a hand goes near: at most "
                                                        + limit.shown()
                                                        + ".")));
        if (energy.heat() != null) {
            r.number("at the stop", energy.heat().start().celsius(), "°C");
        }
    }
}
