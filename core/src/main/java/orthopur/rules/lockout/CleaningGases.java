package orthopur.rules.lockout;

import java.util.Set;
import orthopur.machine.Energy;
import orthopur.procedure.Action;
import orthopur.quantity.Pressure;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.Words;
import orthopur.text.Text;

/**
 * L17: compressed air for cleaning has a limit and a guard, and a gas that drives out the air is
 * let go only where the room has ventilation or an alarm.
 */
public final class CleaningGases extends BookRule {
    private static final Set<String> ALARMS = Set.of("alarm", "detector");

    public CleaningGases() {
        super(
                RuleId.L17,
                Severity.FIX,
                "Compressed air has its limit; gas is vented where there is air to breathe",
                "29 CFR 1910.242(b) and 1910.1000");
    }

    @Override
    public void look(Moment m, Findings out) {
        switch (m.action()) {
            case Action.DryClean a when a.sweep() == Action.Sweeping.AIR -> blown(m, a, out);
            case Action.Relieve a -> vented(m, out);
            default -> {}
        }
    }

    private void blown(Moment m, Action.DryClean a, Findings out) {
        Pressure most = m.context().book().pressure("air.cleaning.most");
        boolean limited = a.air() != null && a.air().kilopascals() <= most.kilopascals();
        boolean guarded = names(m.procedure().ppe(), "goggles");
        if (limited && guarded) {
            return;
        }
        Findings.Report r =
                out.report(info)
                        .number("most at the nozzle", most.kilopascals(), "kPa")
                        .says(
                                !limited
                                        ? Text.of(
                                                "cleaning-gases.blows-with-air-at",
                                                "Step {0} blows soil off with compressed air at {1}; at the nozzle at most {2} is permitted.",
                                                m.number(),
                                                a.air() == null
                                                        ? Text.of(
                                                                "cleaning-gases.a-pressure-not-stated",
                                                                "a pressure it does not state")
                                                        : a.air().shown(),
                                                most.shown())
                                        : Text.of(
                                                "cleaning-gases.blows-without-goggles",
                                                "Step {0} blows soil off with compressed air and nobody wears goggles.",
                                                m.number()),
                                Text.of(
                                        "cleaning-gases.it-drives-dust",
                                        "It drives dust into eyes, skin and everything that is clean; a brush or a vacuum does not."));
        r.propose(
                Text.of("cleaning-gases.vacuum-it", "Vacuum it instead"),
                change(
                        m,
                        m.step()
                                .with(
                                        new Action.DryClean(
                                                a.items(), Action.Sweeping.VACUUM, null))));
    }

    private void vented(Moment m, Findings out) {
        String air = m.sheet().sheet().ventilation();
        if (air != null
                || m.earlier(
                        x ->
                                x instanceof Action.Prepare p
                                        && p.things().stream()
                                                .anyMatch(t -> Words.anyOf(t, ALARMS)))) {
            return;
        }
        for (EnergyAt e : m.energies()) {
            Energy energy = m.sheet().energy(e);
            if (energy.suffocates() && out.onCause(RuleId.L17, energy.id()) == null) {
                out.report(info)
                        .cause(energy.id())
                        .energy(energy.id())
                        .number("most in the air", m.context().book().number("air.co2.most"), "ppm")
                        .says(
                                Text.of(
                                        "cleaning-gases.vents-where-no-air",
                                        "Step {0} lets go of {1}, and neither the sheet nor the procedure says what keeps the air of the room fit to breathe.",
                                        m.number(),
                                        energy.name()),
                                Text.of(
                                        "cleaning-gases.it-lies-on-the-floor",
                                        "Carbon dioxide lies on the floor of a closed room and gives no warning."))
                        .propose(
                                Text.of(
                                        "cleaning-gases.bring-an-alarm",
                                        "Bring a gas alarm and hang it at knee height"),
                                insert(
                                        m,
                                        StepEdits.fresh(
                                                m.procedure(),
                                                0,
                                                new Action.Prepare(java.util.List.of("CO₂ alarm")),
                                                "Switch the CO₂ alarm on and hang it at knee height.")));
            }
        }
    }
}
