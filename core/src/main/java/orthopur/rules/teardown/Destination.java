package orthopur.rules.teardown;

import java.util.List;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
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
        for (int p : m.parts()) {
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
            } else if (part.moving().small() && !keeps(place)) {
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
                if (part.destination() != null && keeps(part.destination())) {
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

    private static boolean keeps(String place) {
        List<String> one = List.of(place);
        return names(one, "bath") || names(one, "tray") || names(one, "bag");
    }
}
