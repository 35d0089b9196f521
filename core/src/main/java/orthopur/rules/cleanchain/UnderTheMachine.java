package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C20: floor, drain and the space below are not hosed or sprayed once something is sanitized. */
public final class UnderTheMachine extends BookRule {
    public UnderTheMachine() {
        super(
                RuleId.C20,
                Severity.FIX,
                "Floor and drain before the sanitizer, or by cloth after it",
                "9 CFR 416.2; 21 CFR 117.35");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(DirtyAgain.splashes(m.action()) || floods(m))
                || m.named().stream().noneMatch(s -> m.sheet().surface(s).zone() >= 3)) {
            return;
        }
        List<SurfaceAt> sanitized = new ArrayList<>();
        for (SurfaceAt s : m.sheet().allSurfaces()) {
            if (m.sheet().surface(s).zone() == 1 && m.night().facts(s).sanitized() != Facts.NEVER) {
                sanitized.add(s);
            }
        }
        if (sanitized.isEmpty()) {
            return;
        }
        Findings.Report r =
                out.report(info)
                        .items(m.surfaceIds(m.named()))
                        .says(
                                Text.of(
                                        "under-the-machine.brings-spray-to-after-was",
                                        "Step {0} splashes {1} after this was sanitized: {2}.",
                                        m.number(),
                                        m.sheet().names(m.surfaceIds(m.named())),
                                        m.sheet().names(m.surfaceIds(sanitized))),
                                Text.of(
                                        "under-the-machine.mist-from-a-drain-rises",
                                        "Mist from a drain rises higher than a table."));
        for (Step s : m.procedure().steps()) {
            if (s.action() instanceof Action.Sanitize) {
                r.propose(
                        Text.of(
                                "under-the-machine.do-it-before-the-sanitizer",
                                "Do it before the sanitizer"),
                        List.of(new Edit.Move(m.step().id(), s.id())));
                return;
            }
        }
    }

    /** A bucket over the floor splashes as well; what runs through a line does not. */
    private static boolean floods(Moment m) {
        Action.Method method =
                switch (m.action()) {
                    case Action.Wash a -> a.method();
                    case Action.Rinse a -> a.method();
                    default -> null;
                };
        return method == Action.Method.FLOOD && m.passages().isEmpty();
    }
}
