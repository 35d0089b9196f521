package orthopur.rules.cleanchain;

import orthopur.chemical.Chemical;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PassageAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** C16: circulated fast enough to scour. */
public final class LineFlow extends BookRule {
    public LineFlow() {
        super(
                RuleId.C16,
                Severity.ADVISE,
                "Lines are circulated fast enough to scour, each time the other way",
                "trade practice for cleaning in place");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.Circulate a) {
            direction(m, a, out);
        }
        double least = m.context().book().number("line.velocity");
        if (m.action() instanceof Action.Circulate a
                && (a.velocity() == null || a.velocity() < least && !longer(m, a))) {
            Findings.Report r =
                    out.report(info)
                            .number("least", least, "m/s")
                            .says(
                                    Text.of(
                                            "line-flow.circulates-from-m-s-on",
                                            "Step {0} circulates {1}; from {2} m/s on the flow scours, below it plan longer contact.",
                                            m.number(),
                                            a.velocity() == null
                                                    ? Text.of(
                                                            "line-flow.at-a-speed-it-does",
                                                            "at a speed it does not state")
                                                    : Text.of(
                                                            "line-flow.at-m-s",
                                                            "at {0} m/s",
                                                            a.velocity()),
                                            least),
                                    Text.of(
                                            "line-flow.slow-flow-slides-over-the",
                                            "Slow flow slides over the film on the wall."));
            if (a.velocity() != null) {
                r.number("stated", a.velocity(), "m/s");
            }
        }
    }

    /** Slow flow makes up for it with twice the time of the label. */
    private static boolean longer(Moment m, Action.Circulate a) {
        Chemical c = m.context().chemical(a.chemical());
        return c != null
                && c.label().contact() != null
                && a.dwell() != null
                && a.dwell().compareTo(c.label().contact().multipliedBy(2)) >= 0;
    }

    /**
     * The other way than at the last service: what lies behind a ledge is met from its other side.
     */
    private void direction(Moment m, Action.Circulate a, Findings out) {
        if (a.flow() == null) {
            out.report(info)
                    .says(
                            Text.of(
                                    "line-flow.does-not-say-which-way",
                                    "Step {0} does not say which way it flows; the trade turns it round at each service.",
                                    m.number()),
                            Text.of(
                                    "line-flow.what-lies-behind-a-ledge",
                                    "What lies behind a ledge is only met from its other side."));
            return;
        }
        for (PassageAt p : m.passages()) {
            Action.Flow last = m.context().lastFlow(m.sheet().passage(p).id());
            if (a.flow() == last) {
                out.report(info)
                        .says(
                                Text.of(
                                        "line-flow.flows-through-as-at-the",
                                        "Step {0} flows {1} through {2}, as at the last service.",
                                        m.number(),
                                        a.flow().shown(),
                                        m.sheet().passage(p).name()),
                                Text.of(
                                        "line-flow.what-lies-behind-a-ledge",
                                        "What lies behind a ledge is only met from its other side."));
            }
        }
    }
}
