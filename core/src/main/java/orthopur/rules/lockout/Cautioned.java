package orthopur.rules.lockout;

import java.util.List;
import orthopur.machine.Hazard;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** L13: what crushes, pinches or snags is moved with the caution in the step. */
public final class Cautioned extends BookRule {
    private static final List<Hazard> TRAPS = List.of(Hazard.CRUSH, Hazard.PINCH, Hazard.SNAG);

    public Cautioned() {
        super(
                RuleId.L13,
                Severity.FIX,
                "Crush, pinch and snag points are named in the step that moves them",
                Sources.LOCKOUT + " / machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        boolean moves =
                m.action() instanceof Action.Remove
                        || m.action() instanceof Action.Install
                        || m.action() instanceof Action.Shift
                        || m.action() instanceof Action.Return
                        || m.action() instanceof Action.Index;
        if (!moves || m.step().caution() != null) {
            return;
        }
        for (PartAt p : m.parts()) {
            Part part = m.sheet().part(p);
            if (part.hazards().stream().noneMatch(TRAPS::contains)) {
                continue;
            }
            String what =
                    part.hazards().stream()
                            .filter(TRAPS::contains)
                            .findFirst()
                            .orElseThrow()
                            .shown();
            Findings.Report r =
                    out.report(info)
                            .items(List.of(part.id()))
                            .says(
                                    Text.of(
                                            "cautioned.moves-which-and-says-no",
                                            "Step {0} moves {1}, which {2}, and says no caution.",
                                            m.number(),
                                            m.sheet().names(List.of(part.id())),
                                            what),
                                    Text.of(
                                            "cautioned.a-person-who-does-it",
                                            "A person who does it for the first time can lose a finger."));
            if (part.caution() != null) {
                Step s = m.step();
                r.propose(
                        Text.of(
                                "cautioned.take-the-caution-of-the",
                                "Take the caution of the sheet"),
                        change(m, s.withCaution(part.caution())));
            }
            return;
        }
    }
}
