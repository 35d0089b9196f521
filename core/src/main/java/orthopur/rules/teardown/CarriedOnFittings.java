package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.List;
import orthopur.machine.Fitting;
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

/** T15: what slides out on rails has its rails on before it moves, and until it is back. */
public final class CarriedOnFittings extends BookRule {
    public CarriedOnFittings() {
        super(
                RuleId.T15,
                Severity.STOP,
                "What slides out has its rails on before it moves and until it is back",
                "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        switch (m.action()) {
            case Action.Remove _, Action.Shift _, Action.Install _, Action.Return _ ->
                    moved(m, out);
            case Action.Unfit a -> takenOff(m, a, out);
            default -> {}
        }
    }

    private void moved(Moment m, Findings out) {
        for (PartAt p : m.parts()) {
            Part part = m.sheet().part(p);
            List<Fitting> missing = new ArrayList<>();
            for (Fitting f : m.sheet().sheet().fittings()) {
                boolean carries = part.moving().fittings().contains(f.id());
                if (carries && m.night().fitted(f.id()) < f.count()) {
                    missing.add(f);
                }
            }
            if (!missing.isEmpty() && out.onCause(RuleId.T15, part.id()) == null) {
                List<String> ids = missing.stream().map(Fitting::id).toList();
                List<String> names = missing.stream().map(Fitting::name).toList();
                out.report(info)
                        .cause(part.id())
                        .items(List.of(part.id()))
                        .says(
                                Text.of(
                                        "carried-on-fittings.moves-without",
                                        "Step {0} moves {1} without what carries it: {2}.",
                                        m.number(),
                                        m.sheet().names(List.of(part.id())),
                                        names),
                                drops())
                        .propose(
                                Text.of("carried-on-fittings.fit-it-first", "Fit it first"),
                                insert(
                                        m,
                                        StepEdits.fresh(
                                                m.procedure(),
                                                0,
                                                new Action.Fit(ids),
                                                "Fit " + String.join(", ", names) + ".")));
            }
        }
    }

    private void takenOff(Moment m, Action.Unfit a, Findings out) {
        for (PartAt p : m.sheet().allParts()) {
            Part part = m.sheet().part(p);
            boolean away = m.night().aside(p) || m.night().off(p) > 0;
            if (away && a.fittings().stream().anyMatch(part.moving().fittings()::contains)) {
                out.report(info)
                        .items(List.of(part.id()))
                        .says(
                                Text.of(
                                        "carried-on-fittings.takes-off-while-out",
                                        "Step {0} takes off what carries {1} while it is still out.",
                                        m.number(),
                                        m.sheet().names(List.of(part.id()))),
                                drops());
            }
        }
    }

    private static Text drops() {
        return Text.of(
                "carried-on-fittings.it-drops",
                "Nothing else holds it: it drops on hands and feet.");
    }
}
