package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.List;
import orthopur.procedure.Action;
import orthopur.quantity.Volume;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Severity;

/** C14: a passage that is to be sanitized by filling it is filled. */
public final class PassageFilled extends BookRule {
    public PassageFilled() {
        super(
                "C14",
                Severity.STOP,
                "A passage is filled with as much as it holds",
                "Food Code 2022, 4-603.16 and 4-703.11");
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
                                "Step %d fills %s with %s; %s."
                                        .formatted(
                                                m.number(),
                                                m.sheet().names(names),
                                                stated == null
                                                        ? "an amount that it does not state"
                                                        : stated.shown(),
                                                names.size() == 1
                                                        ? "it holds "
                                                                + Volume.ofLitres(holds).shown()
                                                        : "together they hold "
                                                                + Volume.ofLitres(holds).shown()),
                                "What the sanitizer does not reach is not sanitized, and nobody sees how far it came.")
                        .deny(m.exposed());
        if (stated != null) {
            r.number("stated", stated.litres(), "L");
        }
    }
}
