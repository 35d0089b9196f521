package orthopur.rules.cleanchain;

import org.jspecify.annotations.Nullable;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C18: the brush of the floor or drain never touches a food-contact surface. */
public final class BrushesApart extends BookRule {
    public BrushesApart() {
        super(
                RuleId.C18,
                Severity.FIX,
                "Floor and drain brushes stay away from food contact",
                "21 CFR 117.35(a); good practice");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Wash wash) || wash.tool() == null) {
            return;
        }
        boolean contact = m.named().stream().anyMatch(s -> m.sheet().surface(s).zone() == 1);
        boolean room = m.named().stream().anyMatch(s -> m.sheet().surface(s).zone() >= 3);
        Integer floorAt = contact ? usedOnFloor(m, wash.tool()) : null;
        if (contact && (room || floorAt != null)) {
            out.report(info)
                    .items(
                            m.surfaceIds(
                                    m.named().stream()
                                            .filter(s -> m.sheet().surface(s).zone() == 1)
                                            .toList()))
                    .says(
                            Text.of(
                                    "brushes-apart.takes-the-to-food-contact",
                                    "Step {0} takes the {1} to food-contact surfaces; {2} it is on floor or drain.",
                                    m.number(),
                                    wash.tool(),
                                    floorAt == null
                                            ? Text.of(
                                                    "brushes-apart.in-the-same-step",
                                                    "in the same step")
                                            : Text.of(
                                                    "brushes-apart.at-step",
                                                    "at step {0}",
                                                    (floorAt + 1))),
                            Text.of(
                                    "brushes-apart.the-brush-carries-what-lives",
                                    "The brush carries what lives in a drain to food-contact surfaces."));
        }
    }

    private static @Nullable Integer usedOnFloor(Moment m, String tool) {
        for (int i = 0; i < m.place(); i++) {
            if (onFloor(m, tool, m.procedure().steps().get(i).action())) {
                return i;
            }
        }
        // Used there later tonight it was there last night.
        int later = m.firstLater(a -> onFloor(m, tool, a));
        return later < 0 ? null : later;
    }

    private static boolean onFloor(Moment m, String tool, Action a) {
        return a instanceof Action.Wash w
                && tool.equalsIgnoreCase(w.tool())
                && w.items().stream().anyMatch(item -> roomSurface(m, item));
    }

    private static boolean roomSurface(Moment m, String item) {
        SurfaceAt s = m.sheet().surfaceNamed(item);
        if (s != null) {
            return m.sheet().surface(s).zone() >= 3;
        }
        PartAt p = m.sheet().partNamed(item);
        return p != null
                && m.sheet().surfacesOf(p).stream().anyMatch(x -> m.sheet().surface(x).zone() >= 3);
    }
}
