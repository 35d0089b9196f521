package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.List;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** T7: wear is looked at before a part goes on again, and pairs are replaced as pairs. */
public final class WearChecked extends BookRule {
    public WearChecked() {
        super(
                RuleId.T7,
                Severity.FIX,
                "Wear parts are checked before they go on; pairs are replaced as pairs",
                "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        switch (m.action()) {
            case Action.Install a -> checked(m, out);
            case Action.Replace a -> paired(m, a, out);
            default -> {}
        }
    }

    private void checked(Moment m, Findings out) {
        for (PartAt p : m.parts()) {
            Part part = m.sheet().part(p);
            if (part.fitting().wearCheck() == null || m.night().off(p) == 0) {
                continue;
            }
            List<String> names = new ArrayList<>(List.of(part.id()));
            part.surfaces().forEach(s -> names.add(s.id()));
            boolean looked =
                    m.earlier(
                            a ->
                                    (a instanceof Action.Inspect || a instanceof Action.Replace)
                                            && a.items().stream().anyMatch(names::contains));
            if (!looked) {
                out.report(info)
                        .items(List.of(part.id()))
                        .says(
                                Text.of(
                                        "wear-checked.puts-on-and-nobody-has",
                                        "Step {0} puts {1} on and nobody has checked it for wear: {2}.",
                                        m.number(),
                                        m.sheet().names(List.of(part.id())),
                                        part.fitting().wearCheck()),
                                Text.of(
                                        "wear-checked.a-cut-seal-leaks-a",
                                        "A cut seal leaks, a nicked edge sheds metal."))
                        .propose(
                                Text.of(
                                        "wear-checked.check-it-before-step",
                                        "Check it before step {0}",
                                        m.number()),
                                insert(
                                        m,
                                        StepEdits.fresh(
                                                m.procedure(),
                                                0,
                                                new Action.Inspect(List.of(part.id())),
                                                "Check for wear: "
                                                        + part.fitting().wearCheck()
                                                        + ".")));
            }
        }
    }

    private void paired(Moment m, Action.Replace a, Findings out) {
        for (PartAt p : m.parts()) {
            Part part = m.sheet().part(p);
            String pair = part.fitting().pair();
            if (pair != null && !a.items().contains(pair)) {
                List<String> both = new ArrayList<>(a.items());
                both.add(pair);
                out.report(info)
                        .items(List.of(part.id(), pair))
                        .says(
                                Text.of(
                                        "wear-checked.replaces-without",
                                        "Step {0} replaces {1} without {2}.",
                                        m.number(),
                                        m.sheet().names(List.of(part.id())),
                                        m.sheet().names(List.of(pair))),
                                Text.of(
                                        "wear-checked.a-new-part-on-a",
                                        "A new part on a worn partner wears out at once."))
                        .propose(
                                Text.of("wear-checked.replace-both", "Replace both"),
                                change(m, m.step().with(new Action.Replace(both))));
            }
        }
    }
}
