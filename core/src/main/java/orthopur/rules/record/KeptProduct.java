package orthopur.rules.record;

import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Severity;

/** F5: product that is kept over the clean has a clean, covered, cold place. */
public final class KeptProduct extends BookRule {
    public KeptProduct() {
        super(
                "F5",
                Severity.FIX,
                "Product that is kept goes into a clean covered container in the cold",
                "Food Code 2022, 3-501.16 and 3-501.17");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.KeepProduct a
                && (a.destination() == null || a.destination().isBlank())) {
            out.report(info)
                    .says(
                            "Step %d keeps product and does not say in what and where."
                                    .formatted(m.number()),
                            "What stands open and warm while the machine is cleaned is not product any more.");
        }
    }
}
