package orthopur.rules.cleanchain;

import java.util.List;
import orthopur.machine.Passage;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PassageAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.Words;
import orthopur.text.Text;

/** C17: each side gets its own product again. */
public final class RightProduct extends BookRule {
    public RightProduct() {
        super(
                RuleId.C17,
                Severity.STOP,
                "Each line and side gets its own product back",
                "21 CFR 117.80(c), allergen cross-contact");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.ChaseOut a)) {
            return;
        }
        for (PassageAt k : m.passages()) {
            Passage passage = m.sheet().passage(k);
            if (passage.product() != null && !Words.same(passage.product(), a.product())) {
                out.report(info)
                        .says(
                                Text.of(
                                        "right-product.flushes-with-its-product-is",
                                        "Step {0} flushes {1} with {2}; its product is {3}.",
                                        m.number(),
                                        m.sheet().names(List.of(passage.id())),
                                        a.product() == null
                                                ? Text.of(
                                                        "right-product.a-product-that-is-not",
                                                        "a product that is not named")
                                                : a.product(),
                                        passage.product()),
                                Text.of(
                                        "right-product.a-guest-with-an-allergy",
                                        "A guest with an allergy trusts the label on the faucet."))
                        .propose(
                                Text.of("right-product.with", "With {0}", passage.product()),
                                change(
                                        m,
                                        m.step()
                                                .with(
                                                        new Action.ChaseOut(
                                                                a.items(),
                                                                a.volume(),
                                                                passage.product()))));
            }
        }
    }
}
