package orthopur.rules.teardown;

import java.util.List;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.procedure.Action;
import orthopur.quantity.Show;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** T8: a film that is left on purpose is dry before it is handled or heated. */
public final class FilmDry extends BookRule {
    public FilmDry() {
        super(
                RuleId.T8,
                Severity.FIX,
                "A film left on purpose is dry before it is handled or heated",
                "label");
    }

    @Override
    public void look(Moment m, Findings out) {
        switch (m.action()) {
            case Action.Coat a -> stated(m, a, out);
            case Action.Install _, Action.Return _ -> wet(m, m.named(), out);
            case Action.Restore _, Action.FunctionTest _ -> wet(m, m.night().wetFilms(), out);
            default -> {}
        }
    }

    private void stated(Moment m, Action.Coat a, Findings out) {
        Chemical c = m.context().chemical(a.chemical());
        if (c != null && c.kind() == ChemicalKind.SHIELD && a.touchDry() == null) {
            out.report(info)
                    .items(m.surfaceIds(m.named()))
                    .says(
                            Text.of(
                                    "film-dry.does-not-say-how-long",
                                    "Step {0} leaves {1} on and does not say after how long it is touch-dry.",
                                    m.number(),
                                    c.name()),
                            Text.of(
                                    "film-dry.wet-it-runs",
                                    "Wet it runs, sticks to gloves and smokes in the first heat."));
        }
    }

    private void wet(Moment m, List<SurfaceAt> some, Findings out) {
        List<SurfaceAt> wet = some.stream().filter(s -> m.night().filmWet(s) > 0).toList();
        if (wet.isEmpty() || out.onCause(id, "film") != null) {
            return;
        }
        List<String> ids = m.surfaceIds(wet);
        double left = wet.stream().mapToDouble(m.night()::filmWet).max().orElse(0);
        out.report(info)
                .cause("film")
                .items(ids)
                .number("still to dry", left, "min")
                .says(
                        Text.of(
                                "film-dry.comes-before-it-is-dry",
                                "Step {0} comes {1} min before the film on {2} is touch-dry.",
                                m.number(),
                                Show.number(Math.ceil(left)),
                                m.sheet().names(ids)),
                        Text.of(
                                "film-dry.wet-it-runs",
                                "Wet it runs, sticks to gloves and smokes in the first heat."));
    }
}
