package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import orthopur.machine.Passage;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.PassageAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** C14: what is filled is closed by all that closes it, and holds no air. */
public final class PassageClosed extends BookRule {
    public PassageClosed() {
        super(
                RuleId.C14,
                Severity.STOP,
                "A passage is closed and bled when it is filled",
                "Food Code 2022, 4-603.16 and 4-703.11",
                RuleId.T2);
    }

    @Override
    public void look(Moment m, Findings out) {
        boolean sends = m.action() instanceof Action.Circulate;
        if (!sends && !(m.action() instanceof Action.Sanitize)) {
            return;
        }
        Set<String> off = new TreeSet<>();
        List<String> open = new ArrayList<>();
        for (PassageAt k : m.passages()) {
            Passage passage = m.sheet().passage(k);
            for (String id : passage.closedBy()) {
                PartAt p = m.sheet().partNamed(id);
                if (p != null && (m.night().off(p) > 0 || m.night().aside(p))) {
                    off.add(id);
                    open.add(passage.id());
                }
            }
            if (open.isEmpty()
                    && m.action() instanceof Action.Circulate a
                    && !passage.vents().isEmpty()
                    && !a.bled()) {
                out.report(info)
                        .severity(Severity.FIX)
                        .says(
                                Text.of(
                                        "passage-closed.fills-and-does-not-bleed",
                                        "Step {0} fills {1} and does not bleed it at {2} until a steady stream comes.",
                                        m.number(),
                                        passage.name(),
                                        passage.vents()),
                                Text.of(
                                        "passage-closed.where-air-stays-no-cleaner",
                                        "Where air stays no cleaner comes."));
            }
        }
        if (!off.isEmpty()) {
            List<String> missing = List.copyOf(off);
            out.report(info)
                    .items(missing)
                    .says(
                            Text.of(
                                    "passage-closed.fills-while-off",
                                    "Step {0} fills {1} while {2} {3} off.",
                                    m.number(),
                                    m.sheet().names(open.stream().distinct().toList()),
                                    m.sheet().names(missing),
                                    missing.size() == 1
                                            ? Text.of("passage-closed.is", "is")
                                            : Text.of("passage-closed.are", "are")),
                            Text.of(
                                    "passage-closed.it-runs-out-where-the",
                                    "It runs out where the part is missing, and nothing behind it stays wet."))
                    .deny(m.exposed());
        }
    }
}
