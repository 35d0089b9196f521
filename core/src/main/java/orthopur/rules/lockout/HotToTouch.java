package orthopur.rules.lockout;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Energy;
import orthopur.machine.EnergyStage;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.quantity.Show;
import orthopur.quantity.Temperature;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Heats;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/**
 * L8: nothing above its touch limit is handled. Cool counts when it is measured; a wait that was
 * computed plans the night and opens nothing.
 */
public final class HotToTouch extends BookRule {
    /** With these nobody's hand goes into the water. */
    private static final Set<String> REACHES = Set.of("basket", "tongs", "heat gloves");

    private static final Set<Action.Method> SPLASHES =
            EnumSet.of(
                    Action.Method.SPRAY,
                    Action.Method.HOSE,
                    Action.Method.PRESSURE,
                    Action.Method.FLOOD);
    private static final Set<String> EYES = Set.of("goggles", "face shield");
    private static final Set<String> BODY = Set.of("apron", "long sleeves", "rain suit");

    public HotToTouch() {
        super(
                RuleId.L8,
                Severity.STOP,
                "Nothing is handled above its touch limit",
                "ISO 13732-1",
                RuleId.L3);
    }

    @Override
    public void look(Moment m, Findings out) {
        handsInWater(m, out);
        hotSpray(m, out);
        for (EnergyAt e : m.sheet().allEnergies()) {
            Energy energy = m.sheet().energy(e);
            if (!DangerZone.entered(m, e)
                    || !DangerZone.hot(m, e)
                    || DangerZone.loosens(m, energy)
                    || out.onEnergy(energy.id(), RuleId.L8, RuleId.L4) != null) {
                continue;
            }
            report(m, e, energy, out);
        }
    }

    /** Water burns as metal does: a cloth, a brush or a part is fished out of it by hand. */
    private void handsInWater(Moment m, Findings out) {
        Solution liquid = m.action().solution();
        Temperature limit = m.context().book().temperature("touch.limit");
        Temperature water = liquid == null ? null : liquid.temperature();
        if (water == null || water.compareTo(limit) <= 0 || !inWater(m.action())) {
            return;
        }
        boolean reaches =
                names(m.procedure().ppe(), "heat gloves")
                        || m.earlier(
                                x ->
                                        x instanceof Action.Prepare p
                                                && REACHES.stream()
                                                        .anyMatch(t -> names(p.things(), t)));
        if (reaches) {
            return;
        }
        out.report(info)
                .number("water", water.celsius(), "°C")
                .number("touch limit", limit.celsius(), "°C")
                .says(
                        Text.of(
                                "hot-to-touch.has-hands-in-water",
                                "Step {0} has hands in water at {1}; at most {2} without a basket, tongs or heat gloves.",
                                m.number(),
                                water.shown(),
                                limit.shown()),
                        Text.of(
                                "hot-to-touch.water-burns",
                                "Water at this heat burns a hand before it is out again."));
    }

    private static Action.@Nullable Method how(Action a) {
        return switch (a) {
            case Action.Wash w -> w.method() == null ? Action.Method.BRUSH : w.method();
            // How is not said: then by hand.
            case Action.Rinse r -> r.method() == null ? Action.Method.CLOTH : r.method();
            case Action.Sanitize s -> s.method() == null ? Action.Method.CLOTH : s.method();
            case Action.Soak _ -> Action.Method.IMMERSE;
            default -> null;
        };
    }

    private static boolean inWater(Action a) {
        Action.Method how = how(a);
        return how == Action.Method.CLOTH
                || how == Action.Method.BRUSH
                || how == Action.Method.IMMERSE;
    }

    /** What is sprayed or poured splashes back; into a closed line it does not. */
    private void hotSpray(Moment m, Findings out) {
        Solution liquid = m.action().solution();
        Temperature limit = m.context().book().temperature("touch.spray");
        Temperature water = liquid == null ? null : liquid.temperature();
        Action.Method how = how(m.action());
        if (water == null
                || how == null
                || water.compareTo(limit) <= 0
                || !SPLASHES.contains(how)
                || how == Action.Method.FLOOD && !m.passages().isEmpty()
                || wears(m, EYES) && wears(m, BODY)) {
            return;
        }
        out.report(info)
                .severity(Severity.FIX)
                .number("water", water.celsius(), "°C")
                .number("limit", limit.celsius(), "°C")
                .says(
                        Text.of(
                                "hot-to-touch.sprays-hot-water",
                                "Step {0} sprays or pours water at {1}; above {2} the procedure has to list goggles and an apron.",
                                m.number(),
                                water.shown(),
                                limit.shown()),
                        Text.of(
                                "hot-to-touch.it-scalds",
                                "It scalds within seconds, and what splashes back runs down sleeves and boots."));
    }

    private static boolean wears(Moment m, Set<String> some) {
        return some.stream().anyMatch(t -> names(m.procedure().ppe(), t));
    }

    private void report(Moment m, EnergyAt e, Energy energy, Findings out) {
        Temperature limit = m.context().book().temperature("touch.limit");
        Double needed = Heats.minutesTo(m.sheet().sheet(), energy, limit);
        Object after =
                needed == null
                        ? Text.of(
                                "hot-to-touch.its-sheet-gives-no-cooling",
                                "its sheet gives no cooling curve, so it has to be measured")
                        : Text.of(
                                "hot-to-touch.from-the-stop-it-takes",
                                "from the stop it takes {0} min",
                                Show.number(Math.ceil(needed)));
        boolean gloves = names(m.procedure().ppe(), "heat gloves");
        Findings.Report r =
                out.report(info)
                        .severity(gloves ? Severity.FIX : Severity.STOP)
                        .energy(energy.id())
                        .items(DangerZone.partsInReach(m, e))
                        .number("touch limit", limit.celsius(), "°C")
                        .says(
                                Text.of(
                                        "hot-to-touch.has-hands-on-which-no",
                                        "Step {0} has hands on {1}, which no step has shown to be at or below {2}; {3}.",
                                        m.number(),
                                        m.sheet().names(m.partIds(m.parts())),
                                        limit.shown(),
                                        after),
                                Text.of(
                                        "hot-to-touch.metal-above-this-burns-within",
                                        "Metal above this burns within the time it takes to let go."));
        // What is still heated does not cool, however often it is measured.
        if (m.night().fedStill(e, EnergyStage.COOLED) == null) {
            r.propose(
                    Text.of(
                            "hot-to-touch.measure-it-below-first",
                            "Measure it below {0} first",
                            limit.shown()),
                    insert(
                            m,
                            StepEdits.fresh(
                                    m.procedure(),
                                    0,
                                    new Action.CoolDown(List.of(energy.id()), limit, null),
                                    "Measure before a hand goes near: at most "
                                            + limit.shown()
                                            + ".")));
        }
        if (energy.heat() != null) {
            r.number("at the stop", energy.heat().start().celsius(), "°C");
        }
    }
}
