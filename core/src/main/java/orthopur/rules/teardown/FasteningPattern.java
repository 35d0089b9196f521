package orthopur.rules.teardown;

import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.Words;
import orthopur.text.Text;

/** T10: how it is fastened is said where it is fastened. */
public final class FasteningPattern extends BookRule {
    public FasteningPattern() {
        super(
                RuleId.T10,
                Severity.FIX,
                "Crosswise, seated pin, click, direction of teeth: said in the step",
                "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.Replace) {
            seated(m, out);
        }
        if (!(m.action() instanceof Action.Install a)) {
            return;
        }
        List<Part> asked =
                m.parts().stream()
                        .map(m.sheet()::part)
                        .filter(p -> p.fitting().pattern() != null)
                        .filter(p -> !said(a.pattern(), p.fitting().pattern()))
                        .toList();
        if (!asked.isEmpty()) {
            List<String> ids = asked.stream().map(Part::id).toList();
            Text pattern =
                    Text.series(
                            asked.stream()
                                    .map(
                                            p ->
                                                    Text.of(
                                                            "fastening-pattern.of-part",
                                                            "{0}: {1}",
                                                            p.name(),
                                                            p.fitting().pattern()))
                                    .toList());
            out.report(info)
                    .items(ids)
                    .says(
                            a.pattern() == null
                                    ? Text.of(
                                            "fastening-pattern.puts-on-and-does-not",
                                            "Step {0} puts {1} on and does not say how: {2}.",
                                            m.number(),
                                            m.sheet().names(ids),
                                            pattern)
                                    : Text.of(
                                            "fastening-pattern.puts-on-in-another-way",
                                            "Step {0} puts {1} on in another way than its sheet says: {2}.",
                                            m.number(),
                                            m.sheet().names(ids),
                                            pattern),
                            Text.of(
                                    "fastening-pattern.a-pin-that-is-not",
                                    "A pin that is not home comes loose on the first turn."))
                    .propose(
                            Text.of(
                                    "fastening-pattern.say-how-it-is-fastened",
                                    "Say how it is fastened"),
                            change(
                                    m,
                                    m.step()
                                            .with(
                                                    new Action.Install(
                                                            a.items(),
                                                            a.count(),
                                                            pattern.toString()))));
        }
    }

    /** A new filter or seal in place of the old one: how it is seated is said where it goes on. */
    private void seated(Moment m, Findings out) {
        List<String> ids =
                m.parts().stream()
                        .filter(p -> m.night().off(p) == 0)
                        .map(m.sheet()::part)
                        .filter(p -> p.removable() && p.fitting().pattern() != null)
                        .filter(
                                p ->
                                        !m.later(
                                                x ->
                                                        x instanceof Action.Install i
                                                                && i.items().contains(p.id())))
                        .map(Part::id)
                        .toList();
        if (!ids.isEmpty()) {
            out.report(info)
                    .items(ids)
                    .says(
                            Text.of(
                                    "fastening-pattern.replaces-and-does-not",
                                    "Step {0} replaces {1} and no step says how the new one is seated.",
                                    m.number(),
                                    m.sheet().names(ids)),
                            Text.of(
                                    "fastening-pattern.a-filter-that-is-not",
                                    "A filter that is not seated lets everything past it."));
        }
    }

    /** A step that puts several parts on says it of each; so the sheet's words are among others. */
    private static boolean said(@Nullable String step, @Nullable String sheet) {
        return step != null && sheet != null && Words.saysOf(step, sheet);
    }
}
