package orthopur.rules.chemistry;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import orthopur.chemical.ChemicalKind;
import orthopur.mixing.Band;
import orthopur.mixing.SanitizerLimit;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.quantity.Ph;
import orthopur.quantity.Strength;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** S9: a strength and a temperature reading is planned wherever something is sanitized. */
public final class PlannedReadings extends BookRule {
    public PlannedReadings() {
        super(
                RuleId.S9,
                Severity.FIX,
                "Strength and temperature of the sanitizer are read",
                "Food Code 2022, 4-501.116 and 4-302.13, .14");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.Sanitize hot
                && RunThrough.hotWater(hot.solution(), m.context())
                && !hot.readings().contains(Action.Reading.TEMPERATURE)) {
            hotWater(m, hot, out);
        }
        SanitizerUse u = SanitizerUse.of(m);
        if (u == null) {
            return;
        }
        List<Object> missing = new ArrayList<>();
        if (!u.step().readings().contains(Action.Reading.STRENGTH)) {
            missing.add(Text.of("planned-readings.strength", "strength"));
        }
        if (!u.step().readings().contains(Action.Reading.TEMPERATURE)) {
            missing.add(Text.of("planned-readings.temperature", "temperature"));
        }
        boolean byPh = phDecides(m, u);
        if (!u.step().readings().contains(Action.Reading.PH) && byPh) {
            missing.add(Text.of("planned-readings.ph", "pH, by which alone it is strong enough"));
        }
        if (missing.isEmpty()) {
            return;
        }
        Set<Action.Reading> all = EnumSet.of(Action.Reading.STRENGTH, Action.Reading.TEMPERATURE);
        all.addAll(u.step().readings());
        if (byPh) {
            all.add(Action.Reading.PH);
        }
        out.report(info)
                .says(
                        Text.of(
                                "planned-readings.sanitizes-and-plans-no-reading",
                                "Step {0} sanitizes and plans no reading of the {1}.",
                                m.number(),
                                missing),
                        Text.of(
                                "planned-readings.strength-fades-and-water-cools",
                                "Strength fades and water cools; only a reading shows it."))
                .propose(
                        Text.of(
                                "planned-readings.read-strength-and-temperature",
                                "Read strength and temperature"),
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

    /** Whether chlorine is strong enough at the pH that was planned, and not in the wider row. */
    private static boolean phDecides(Moment m, SanitizerUse u) {
        SanitizerLimit.Use use = u.use();
        if (use.kind() != ChemicalKind.CHLORINE
                || use.ph() == null
                || use.strength() == null
                || use.temperature() == null
                || u.answer().verdict() != SanitizerLimit.Verdict.ENOUGH) {
            return false;
        }
        SanitizerLimit.Use unread =
                new SanitizerLimit.Use(
                        use.kind(),
                        use.label(),
                        use.strength(),
                        use.temperature(),
                        new Ph(m.context().book().number("chlorine.ph.wide")),
                        use.hardness(),
                        use.rinseAfter());
        List<Band> wide = new SanitizerLimit(m.context().book()).bands(unread);
        Strength least = SanitizerLimit.least(wide, use.temperature());
        return least == null || use.strength().compareTo(least) < 0;
    }

    /** Hot water has no strength; its temperature is all there is to read. */
    private void hotWater(Moment m, Action.Sanitize hot, Findings out) {
        Set<Action.Reading> all = EnumSet.of(Action.Reading.TEMPERATURE);
        all.addAll(hot.readings());
        Action read =
                new Action.Sanitize(
                        hot.items(), hot.solution(), hot.method(), hot.contact(), Set.copyOf(all));
        out.report(info)
                .says(
                        Text.of(
                                "planned-readings.sanitizes-with-hot-water-and",
                                "Step {0} sanitizes with hot water and plans no reading of its temperature.",
                                m.number()),
                        Text.of(
                                "planned-readings.water-cools-on-its-way",
                                "Water cools on its way from the tap; nobody feels the difference from 77 to 70 °C."))
                .propose(
                        Text.of("planned-readings.read-the-temperature", "Read the temperature"),
                        List.of(new Edit.Change(m.step().id(), m.step().with(read))));
    }
}
