package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Cart;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Step;
import orthopur.quantity.Mass;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.Words;
import orthopur.text.Text;

/** T4: every part that comes off goes somewhere, small ones where they cannot get lost. */
public final class Destination extends BookRule {
    public Destination() {
        super(RuleId.T4, Severity.FIX, "Every part that comes off has its place", "good practice");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Remove a)) {
            return;
        }
        overloaded(m, out);
        for (PartAt p : m.parts()) {
            Part part = m.sheet().part(p);
            String place = a.destination() == null ? part.destination() : a.destination();
            if (place == null) {
                out.report(info)
                        .items(List.of(part.id()))
                        .says(
                                Text.of(
                                        "destination.takes-off-and-does-not",
                                        "Step {0} takes off {1} and does not say where it goes.",
                                        m.number(),
                                        m.sheet().names(List.of(part.id()))),
                                Text.of(
                                        "destination.what-has-no-place-lies",
                                        "What has no place lies on the floor or on a soiled table."));
            } else if (Words.onTheGround(place)) {
                out.report(info)
                        .items(List.of(part.id()))
                        .says(
                                Text.of(
                                        "destination.lays-on-the-floor",
                                        "Step {0} lays {1} on the floor.",
                                        m.number(),
                                        m.sheet().names(List.of(part.id()))),
                                Text.of(
                                        "destination.what-lay-on-the-floor",
                                        "What lay on the floor brings the floor to the sink and back to the machine."));
            } else if (part.moving().small() && !Words.keepsSmall(place)) {
                Findings.Report r =
                        out.report(info)
                                .items(List.of(part.id()))
                                .says(
                                        Text.of(
                                                "destination.puts-into-small-parts-go",
                                                "Step {0} puts {1} into \"{2}\"; small parts go into a bath, tray or bag.",
                                                m.number(),
                                                m.sheet().names(List.of(part.id())),
                                                place),
                                        Text.of(
                                                "destination.a-ring-that-goes-down",
                                                "A ring that goes down the drain is missed when the machine is put together."));
                if (part.destination() != null && Words.keepsSmall(part.destination())) {
                    r.propose(
                            Text.of("destination.into-the", "Into the {0}", part.destination()),
                            change(
                                    m,
                                    m.step()
                                            .with(
                                                    new Action.Remove(
                                                            a.items(),
                                                            a.count(),
                                                            place + "; " + part.destination()))));
                }
            }
        }
    }

    /** More on a cart than it bears, or than it has places for. */
    private void overloaded(Moment m, Findings out) {
        Map<String, List<PartAt>> loads = new LinkedHashMap<>();
        for (int i = 0; i <= m.place(); i++) {
            Step s = m.procedure().steps().get(i);
            if (s.action() instanceof Action.Remove a
                    && m.context().configuration().holds(s.when())) {
                for (String id : a.items()) {
                    PartAt p = m.sheet().partNamed(id);
                    if (p != null && (i == m.place() || m.night().off(p) > 0)) {
                        Cart c = cart(m, a, m.sheet().part(p));
                        if (c != null) {
                            loads.computeIfAbsent(c.name(), k -> new ArrayList<>()).add(p);
                        }
                    }
                }
            }
        }
        loads.forEach(
                (name, parts) -> {
                    Cart c = m.context().cart(name);
                    boolean here = parts.stream().anyMatch(p -> m.parts().contains(p));
                    if (c != null && here) {
                        load(m, c, parts, out);
                    }
                });
    }

    private void load(Moment m, Cart c, List<PartAt> parts, Findings out) {
        double mass = 0;
        int pieces = 0;
        for (PartAt p : parts) {
            Part part = m.sheet().part(p);
            pieces += part.count();
            Mass each = part.moving().mass();
            mass += each == null ? 0 : each.kilograms() * part.count();
        }
        Integer places = c.places();
        if (mass > c.carries().kilograms() || places != null && pieces > places) {
            boolean heavy = mass > c.carries().kilograms();
            out.report(info)
                    .cause(c.name())
                    .items(m.partIds(parts))
                    .number("load", heavy ? mass : pieces, heavy ? "kg" : "pieces")
                    .says(
                            heavy
                                    ? Text.of(
                                            "destination.overloads",
                                            "Step {0} brings the {1} to {2} kg; it bears {3} kg.",
                                            m.number(),
                                            c.name(),
                                            mass,
                                            c.carries().kilograms())
                                    : Text.of(
                                            "destination.crowds",
                                            "Step {0} puts {2} pieces on the {1}; it has {3} places.",
                                            m.number(),
                                            c.name(),
                                            pieces,
                                            places),
                            Text.of(
                                    "destination.an-overfull-cart",
                                    "What lies on an overfull cart falls off, or lies on what is dirty."));
        }
    }

    /** The cart on which a part goes: where the step says one place for all, that; else its own. */
    private static @Nullable Cart cart(Moment m, Action.Remove a, Part part) {
        Cart all = a.destination() == null ? null : m.context().cart(a.destination());
        boolean several = a.destination() != null && a.destination().contains(";");
        return all != null
                ? all
                : part.destination() == null || !(several || a.destination() == null)
                        ? null
                        : m.context().cart(part.destination());
    }
}
