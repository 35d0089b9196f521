package orthopur.rules.cleanchain;

import java.util.List;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** C5: pressure and hose throw water onto the machines beside; those are covered first. */
public final class NeighborsCovered extends BookRule {
    public NeighborsCovered() {
        super(
                RuleId.C5,
                Severity.FIX,
                "Machines within reach of the spray are covered",
                "21 CFR 117.35(a); 9 CFR 416.4");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!m.action().sprays()) {
            return;
        }
        List<String> open =
                m.sheet().sheet().neighbors().stream()
                        .filter(n -> out.onCause(id, n) == null)
                        .filter(n -> !covered(m, n))
                        .toList();
        for (String n : open) {
            out.report(info)
                    .cause(n)
                    .says(
                            Text.of(
                                    "neighbors-covered.sprays-beside",
                                    "Step {0} sprays within reach of {1}, and nothing that was fetched covers it.",
                                    m.number(),
                                    n),
                            Text.of(
                                    "neighbors-covered.what-flies-off",
                                    "What flies off lands on what was sanitized an hour ago."))
                    .propose(
                            Text.of("neighbors-covered.cover-it", "Cover {0} first", n),
                            insert(
                                    m,
                                    StepEdits.fresh(
                                            m.procedure(),
                                            0,
                                            new Action.Prepare(List.of("cover over " + n)),
                                            "Lay a cover over " + n + ".")));
        }
    }

    /** A cover for it was fetched, by the machine's code. */
    private static boolean covered(Moment m, String neighbor) {
        return m.earlier(
                x ->
                        x instanceof Action.Prepare p
                                && p.things().stream()
                                        .anyMatch(
                                                t ->
                                                        t.toLowerCase(java.util.Locale.ROOT)
                                                                .contains(
                                                                        neighbor.toLowerCase(
                                                                                java.util.Locale
                                                                                        .ROOT))));
    }
}
