package orthopur.rules.lockout;

import java.util.List;
import orthopur.machine.Hazard;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.runthrough.Words;
import orthopur.text.Text;

/** L9: cut-resistant gloves at every edge, and a disc wiped in its one direction. */
public final class SharpParts extends BookRule {
    private static final String GLOVES = "cut-resistant gloves";

    public SharpParts() {
        super(
                RuleId.L9,
                Severity.FIX,
                "Sharp parts with cut-resistant gloves, a disc from the center outward",
                "machine manual; 29 CFR 1910.138");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!m.handsIn()) {
            return;
        }
        bare(m, out);
        if (m.action() instanceof Action.Wash wash) {
            direction(m, wash, out);
        }
    }

    private void bare(Moment m, Findings out) {
        List<PartAt> sharp =
                m.parts().stream()
                        .filter(p -> m.sheet().part(p).hazards().contains(Hazard.EDGE))
                        .toList();
        if (!sharp.isEmpty()
                && !names(m.procedure().ppe(), GLOVES)
                && out.onCause(RuleId.L9, "gloves") == null) {
            out.report(info)
                    .cause("gloves")
                    .items(m.partIds(sharp))
                    .says(
                            Text.of(
                                    "sharp-parts.handles-which-is-sharp-and",
                                    "Step {0} handles {1}, which is sharp, and the procedure lists no {2}.",
                                    m.number(),
                                    m.sheet().names(m.partIds(sharp)),
                                    GLOVES),
                            Text.of(
                                    "sharp-parts.an-edge-that-slips-goes",
                                    "An edge that slips goes through a bare or a single-use glove."));
        }
    }

    private void direction(Moment m, Action.Wash wash, Findings out) {
        for (SurfaceAt s : m.exposed()) {
            Surface surface = m.sheet().surface(s);
            if (surface.wipe() != null && !Words.same(surface.wipe(), wash.direction())) {
                out.report(info)
                        .items(List.of(surface.id()))
                        .says(
                                Text.of(
                                        "sharp-parts.washes-its-sheet-says",
                                        "Step {0} washes {1} {2}; its sheet says {3}.",
                                        m.number(),
                                        m.sheet().names(List.of(surface.id())),
                                        wash.direction() == null
                                                ? Text.of(
                                                        "sharp-parts.without-a-direction",
                                                        "without a direction")
                                                : wash.direction(),
                                        surface.wipe()),
                                Text.of(
                                        "sharp-parts.any-other-way-the-hand",
                                        "Any other way the hand runs onto the edge."))
                        .propose(
                                Text.of("sharp-parts.wipe", "Wipe {0}", surface.wipe()),
                                change(
                                        m,
                                        m.step()
                                                .with(
                                                        new Action.Wash(
                                                                wash.items(),
                                                                wash.solution(),
                                                                wash.method(),
                                                                wash.tool(),
                                                                surface.wipe(),
                                                                wash.dwell()))));
                return;
            }
        }
    }
}
