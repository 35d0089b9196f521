package orthopur.rules.cleanchain;

import java.util.List;
import java.util.Set;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PassageAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** C24: circulation counts from when what returns is as strong as what is sent. */
public final class WhatReturns extends BookRule {
    public WhatReturns() {
        super(
                RuleId.C24,
                Severity.FIX,
                "What returns is as strong as what is sent; side chambers are purged",
                "trade practice for cleaning in place");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Circulate a)) {
            return;
        }
        if (a.solution().chemical() != null && !a.readings().contains(Action.Reading.STRENGTH)) {
            Set<Action.Reading> more = new java.util.TreeSet<>(a.readings());
            more.add(Action.Reading.STRENGTH);
            out.report(info)
                    .says(
                            Text.of(
                                    "what-returns.circulates-and-nobody-reads-the",
                                    "Step {0} circulates and nobody reads the strength of what comes back.",
                                    m.number()),
                            Text.of(
                                    "what-returns.the-water-that-stood-in",
                                    "The water that stood in the line thins the first of it; the time counts once both ends read alike."))
                    .propose(
                            Text.of("what-returns.read-what-returns", "Read what returns"),
                            change(m, m.step().with(a.with(more, a.purged()))));
        }
        for (PassageAt p : m.passages()) {
            List<String> dead =
                    m.sheet().passage(p).chambers().stream()
                            .filter(c -> !a.purged().contains(c))
                            .toList();
            if (!dead.isEmpty()) {
                List<String> all = new java.util.ArrayList<>(a.purged());
                all.addAll(dead);
                out.report(info)
                        .says(
                                Text.of(
                                        "what-returns.circulates-through-and-does-not",
                                        "Step {0} circulates through {1} and does not purge {2}.",
                                        m.number(),
                                        m.sheet().passage(p).name(),
                                        dead),
                                Text.of(
                                        "what-returns.a-dead-end-beside-the",
                                        "A dead end beside the flow keeps what stood in it."))
                        .propose(
                                Text.of(
                                        "what-returns.purge-the-side-chambers",
                                        "Purge the side chambers"),
                                change(m, m.step().with(a.with(a.readings(), all))));
            }
        }
    }
}
