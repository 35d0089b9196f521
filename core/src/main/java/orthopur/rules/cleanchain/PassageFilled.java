package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.quantity.Volume;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PassageAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** C14: a passage that is to be sanitized by filling it is filled. */
public final class PassageFilled extends BookRule {
    public PassageFilled() {
        super(
                RuleId.C14,
                Severity.STOP,
                "A passage is filled with as much as it holds",
                "Food Code 2022, 4-603.16 and 4-703.11",
                RuleId.T2);
    }

    @Override
    public void look(Moment m, Findings out) {
        boolean filled =
                m.action() instanceof Action.Sanitize
                        || m.action() instanceof Action.Wash w && w.method() == Action.Method.FLOOD;
        Solution used = m.action().solution();
        // Less water than it holds pushes nothing out; how much more it takes its end point says.
        boolean flushed =
                m.action() instanceof Action.Rinse && used != null && used.volume() != null;
        if (used == null
                || m.passages().isEmpty()
                || !filled && !flushed && !(m.action() instanceof Action.Circulate)) {
            return;
        }
        double holds = 0;
        List<String> names = new ArrayList<>();
        for (PassageAt p : m.passages()) {
            holds += m.sheet().passage(p).volume().litres();
            names.add(m.sheet().passage(p).id());
        }
        Volume stated = used.volume();
        if (stated != null && stated.litres() >= holds - 1e-9) {
            return;
        }
        Text parts = m.sheet().names(names);
        Object amount =
                stated == null
                        ? Text.of(
                                "passage-filled.an-amount-that-it-does",
                                "an amount that it does not state")
                        : stated.shown();
        Text all =
                names.size() == 1
                        ? Text.of(
                                "passage-filled.it-holds",
                                "it holds {0}",
                                Volume.ofLitres(holds).shown())
                        : Text.of(
                                "passage-filled.together-they-hold",
                                "together they hold {0}",
                                Volume.ofLitres(holds).shown());
        Findings.Report r =
                out.report(info)
                        .number("holds", holds, "L")
                        .says(
                                filled
                                        ? Text.of(
                                                "passage-filled.fills-with",
                                                "Step {0} fills {1} with {2}; {3}.",
                                                m.number(),
                                                parts,
                                                amount,
                                                all)
                                        : Text.of(
                                                "passage-filled.sends-through",
                                                "Step {0} sends {2} through {1}; {3}.",
                                                m.number(),
                                                parts,
                                                amount,
                                                all),
                                Text.of(
                                        "passage-filled.what-the-liquid-does-not",
                                        "What the liquid does not reach is not cleaned, and nobody sees how far it came."));
        if (flushed) {
            r.severity(Severity.FIX);
        } else {
            r.deny(m.exposed());
        }
        if (stated != null) {
            r.number("stated", stated.litres(), "L");
        }
    }
}
