package orthopur.rules.chemistry;

import java.util.List;
import orthopur.chemical.Chemical;
import orthopur.chemical.MaterialTable;
import orthopur.machine.Surface;
import orthopur.procedure.Solution;
import orthopur.quantity.Strength;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** S5: what the material bears. */
public final class MaterialBears extends BookRule {
    public MaterialBears() {
        super(RuleId.S5, Severity.STOP, "Only what the material bears", "material table");
    }

    @Override
    public void look(Moment m, Findings out) {
        Solution solution = m.action().solution();
        Chemical c = m.context().chemical(m.action().chemical());
        if (solution == null || c == null) {
            return;
        }
        for (MaterialTable.Row row : MaterialTable.ROWS) {
            if (!row.kinds().contains(c.kind())) {
                continue;
            }
            List<SurfaceAt> hit =
                    m.exposed().stream()
                            .filter(
                                    s ->
                                            m.sheet().surface(s).materials().stream()
                                                    .anyMatch(x -> row.excludes(c.kind(), x)))
                            .toList();
            if (!hit.isEmpty()) {
                List<String> ids = m.surfaceIds(hit);
                out.report(info)
                        .items(ids)
                        .says(
                                Text.of(
                                        "material-bears.brings-onto-of",
                                        "Step {0} brings {1} ({2}) onto {3} of {4}.",
                                        m.number(),
                                        c.name(),
                                        c.kind().shown(),
                                        m.sheet().names(ids),
                                        row.name()),
                                Text.of("material-bears.text", "{0}.", row.why()));
            }
        }
        chlorineOnSteel(m, c, solution, out);
    }

    private void chlorineOnSteel(Moment m, Chemical c, Solution solution, Findings out) {
        Strength most = m.context().book().strength("material.stainless.chlorine");
        if (!c.kind().chlorinated()
                || !(solution.strength() instanceof Strength s)
                || s.compareTo(most) <= 0) {
            return;
        }
        List<SurfaceAt> steel =
                m.exposed().stream().filter(x -> stainless(m.sheet().surface(x))).toList();
        if (!steel.isEmpty()) {
            out.report(info)
                    .severity(Severity.FIX)
                    .items(m.surfaceIds(steel))
                    .number("strength", s.mgPerL(), "mg/L")
                    .number("at most", most.mgPerL(), "mg/L")
                    .says(
                            Text.of(
                                    "material-bears.brings-chlorine-at-onto-stainless",
                                    "Step {0} brings chlorine at {1} onto stainless steel; at most {2}.",
                                    m.number(),
                                    s.shown(),
                                    most.shown()),
                            Text.of(
                                    "material-bears.strong-chlorine-pits-stainless-steel",
                                    "Strong chlorine pits stainless steel, and the pits cannot be cleaned any more."));
        }
    }

    private static boolean stainless(Surface s) {
        return s.materials().stream().anyMatch(MaterialTable::stainless);
    }
}
