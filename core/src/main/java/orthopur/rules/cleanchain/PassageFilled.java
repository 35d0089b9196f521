package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.List;
import orthopur.procedure.Action;
import orthopur.quantity.Volume;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
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
        if (!(m.action() instanceof Action.Sanitize a) || m.passages().isEmpty()) {
            return;
        }
        double holds = 0;
        List<String> names = new ArrayList<>();
        for (int p : m.passages()) {
            holds += m.sheet().passage(p).volume().litres();
            names.add(m.sheet().passage(p).id());
        }
        Volume stated = a.solution().volume();
        if (stated != null && stated.litres() >= holds - 1e-9) {
            return;
        }
        Findings.Report r =
                out.report(info)
                        .number("holds", holds, "L")
                        .says(
                                Text.of(
                                        "passage-filled.fills-with",
                                        "Step {0} fills {1} with {2}; {3}.",
                                        m.number(),
                                        m.sheet().names(names),
                                        stated == null
                                                ? Text.of(
                                                        "passage-filled.an-amount-that-it-does",
                                                        "an amount that it does not state")
                                                : stated.shown(),
                                        names.size() == 1
                                                ? Text.of(
                                                        "passage-filled.it-holds",
                                                        "it holds {0}",
                                                        Volume.ofLitres(holds).shown())
                                                : Text.of(
                                                        "passage-filled.together-they-hold",
                                                        "together they hold {0}",
                                                        Volume.ofLitres(holds).shown())),
                                Text.of(
                                        "passage-filled.what-the-sanitizer-does-not",
                                        "What the sanitizer does not reach is not sanitized, and nobody sees how far it came."))
                        .deny(m.exposed());
        if (stated != null) {
            r.number("stated", stated.litres(), "L");
        }
    }
}
