package orthopur.rules.teardown;

import java.util.List;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Severity;

/** T10: how it is fastened is said where it is fastened. */
public final class FasteningPattern extends BookRule {
    public FasteningPattern() {
        super(
                "T10",
                Severity.FIX,
                "Crosswise, seated pin, click, direction of teeth: said in the step",
                "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Install a) || a.pattern() != null) {
            return;
        }
        List<Part> asked =
                m.parts().stream()
                        .map(m.sheet()::part)
                        .filter(p -> p.fitting().pattern() != null)
                        .toList();
        if (!asked.isEmpty()) {
            List<String> ids = asked.stream().map(Part::id).toList();
            String pattern =
                    String.join(
                            "; ",
                            asked.stream()
                                    .map(p -> p.name() + ": " + p.fitting().pattern())
                                    .toList());
            out.report(info)
                    .items(ids)
                    .says(
                            "Step %d puts %s on and does not say how: %s."
                                    .formatted(m.number(), m.sheet().names(ids), pattern),
                            "A pin that is not home comes loose on the first turn.")
                    .propose(
                            "Say how it is fastened",
                            change(
                                    m,
                                    m.step()
                                            .with(
                                                    new Action.Install(
                                                            a.items(), a.count(), pattern))));
        }
    }
}
