package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import orthopur.machine.EndState;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C12: under school A parts are sanitized before they go on. */
public final class AssembledBeforeSanitized extends BookRule {
    public AssembledBeforeSanitized() {
        super(
                RuleId.C12,
                Severity.STOP,
                "Sanitized before it is put together (school A)",
                "Food Code 2022, 4-702.11");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.Sanitize)) {
            return;
        }
        // Put together first is right for what is filled or flows, and for nothing else.
        Set<SurfaceAt> filled = new HashSet<>();
        if (m.procedure().schools().assembledFirst()) {
            m.passages().forEach(p -> filled.addAll(m.sheet().wettedIn(p)));
        }
        List<SurfaceAt> late = new ArrayList<>();
        for (SurfaceAt s : m.named()) {
            PartAt p = m.sheet().ownerOf(s);
            if (m.sheet().surface(s).zone() == 1
                    && m.sheet().surface(s).end() == EndState.SANITIZED
                    && !filled.contains(s)
                    && m.night().off(p) == 0
                    && m.night().installedAt(p) != Facts.NEVER
                    && m.night().facts(s).sanitized() == Facts.NEVER) {
                late.add(s);
            }
        }
        if (late.isEmpty()) {
            return;
        }
        List<String> ids = m.surfaceIds(late);
        int on = m.night().installedAt(m.sheet().ownerOf(late.getFirst())) + 1;
        out.report(info)
                .items(ids)
                .says(
                        Text.of(
                                "assembled-before-sanitized.sanitizes-which-step-has-already",
                                "Step {0} sanitizes {1}, which step {2} has already put together.",
                                m.number(),
                                m.sheet().names(ids),
                                on),
                        Text.of(
                                "assembled-before-sanitized.where-parts-meet-no-sanitizer",
                                "Where parts meet no sanitizer comes between them; dip, dry, then assemble."))
                .deny(late)
                .propose(
                        Text.of(
                                "assembled-before-sanitized.sanitize-before-step",
                                "Sanitize before step {0}",
                                on),
                        List.of(
                                new orthopur.procedure.Edit.Move(
                                        m.step().id(), m.procedure().steps().get(on - 1).id())));
    }
}
