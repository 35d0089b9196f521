package orthopur.rules.lockout;

import java.util.List;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** L12: the protective equipment of the safety data is on the list. */
public final class ProtectiveEquipment extends BookRule {
    public ProtectiveEquipment() {
        super(
                RuleId.L12,
                Severity.FIX,
                "Chemicals with the protective equipment of their safety data",
                "safety data sheet; 29 CFR 1910.133, .138");
    }

    @Override
    public void look(Moment m, Findings out) {
        Chemical c = m.context().chemical(m.action().chemical());
        if (c == null || out.onCause(RuleId.L12, c.id()) != null) {
            return;
        }
        List<String> missing =
                c.ppe().stream().filter(p -> !names(m.procedure().ppe(), p)).toList();
        boolean spraysBare =
                m.action() instanceof Action.Sanitize s
                        && s.method() == Action.Method.SPRAY
                        && c.ppe().contains("long sleeves")
                        && !names(m.procedure().ppe(), "long sleeves");
        if (missing.isEmpty() && !spraysBare) {
            return;
        }
        boolean burns =
                c.kind() == ChemicalKind.CAUSTIC
                        || c.kind() == ChemicalKind.ACID
                        || c.kind().chlorinated();
        out.report(info)
                .cause(c.id())
                .severity(burns ? Severity.STOP : Severity.FIX)
                .says(
                        Text.of(
                                "protective-equipment.is-the-first-with-and",
                                "Step {0} is the first with {1}, and the procedure does not list {2}.",
                                m.number(),
                                c.name(),
                                missing),
                        Text.of(
                                "protective-equipment.the-concentrate-in-an-eye",
                                "The concentrate in an eye or on skin does its harm before water is at hand."));
    }
}
