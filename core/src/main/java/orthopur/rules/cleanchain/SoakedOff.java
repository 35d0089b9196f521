package orthopur.rules.cleanchain;

import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** C14: what is to lie in a sink or bath is off the machine, all of it. */
public final class SoakedOff extends BookRule {
    public SoakedOff() {
        super(
                RuleId.C14,
                Severity.STOP,
                "What is soaked in a sink is off the machine",
                "Food Code 2022, 4-603.12",
                RuleId.T2);
    }

    @Override
    public void look(Moment m, Findings out) {
        Solution solution = m.action().solution();
        if (solution == null || solution.vessel() == null || !under(m.action())) {
            return;
        }
        boolean soaks = m.action() instanceof Action.Soak;
        List<PartAt> on =
                m.parts().stream()
                        .filter(p -> !m.night().loose(p))
                        .filter(p -> soaks || m.sheet().part(p).removable())
                        .toList();
        if (on.isEmpty()) {
            return;
        }
        List<String> ids = m.partIds(on);
        int all = m.sheet().part(on.getFirst()).count();
        int left = all - m.night().off(on.getFirst());
        out.report(info)
                .items(ids)
                .says(
                        Text.of(
                                "soaked-off.soaks-in-while-still-on",
                                "Step {0} soaks {1} in {2} while {3} still on the machine.",
                                m.number(),
                                m.sheet().names(ids),
                                solution.vessel(),
                                on.size() > 1
                                        ? Text.of("soaked-off.they-are", "they are")
                                        : all > 1
                                                ? Text.of(
                                                        "soaked-off.of-are",
                                                        "{0} of {1} are",
                                                        left,
                                                        all)
                                                : Text.of("soaked-off.it-is", "it is")),
                        Text.of(
                                "soaked-off.what-is-not-in-the",
                                "What is not in the water is not soaked."))
                .deny(m.exposed());
    }

    /** Whether what the step names lies in the vessel: soaked, held under, or shut in a washer. */
    private static boolean under(Action action) {
        return switch (action) {
            case Action.Soak _ -> true;
            case Action.RunProgram p -> p.program() == null;
            case Action.Wash w -> w.method() == Action.Method.IMMERSE;
            case Action.Sanitize s -> s.method() == Action.Method.IMMERSE;
            default -> false;
        };
    }
}
