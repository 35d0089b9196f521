package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.List;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C21: what soaks is collected once its time is up. */
public final class SoakCollected extends BookRule {
    public SoakCollected() {
        super(RuleId.C21, Severity.STOP, "What soaks is collected once its time is up", "label");
    }

    @Override
    public void look(Moment m, Findings out) {
        boolean collects = m.action() instanceof Action.Collect;
        if (collects || m.action() instanceof Action.Soak || !m.handsIn()) {
            return;
        }
        List<SurfaceAt> soaking = soaking(m.named(), m);
        if (soaking.isEmpty()
                || out.onItem(m.sheet().surface(soaking.getFirst()).id(), RuleId.C21) != null) {
            return;
        }
        List<String> ids = m.surfaceIds(soaking);
        int since = m.night().facts(soaking.getFirst()).soaking() + 1;
        out.report(info)
                .items(ids)
                .says(
                        Text.of(
                                "soak-collected.takes-which-has-been-soaking",
                                "Step {0} takes {1}, which has been soaking since step {2} and that nobody has collected.",
                                m.number(),
                                m.sheet().names(ids),
                                since),
                        Text.of(
                                "soak-collected.taken-out-early-the-dwell",
                                "Taken out early, the dwell is cut short; the time counts until it is collected."))
                .propose(
                        Text.of("soak-collected.collect-first", "Collect first"),
                        List.of(
                                new Edit.InsertBefore(
                                        m.step().id(),
                                        StepEdits.fresh(
                                                m.procedure(),
                                                0,
                                                new Action.Collect(
                                                        m.partIds(
                                                                soaking.stream()
                                                                        .map(m.sheet()::ownerOf)
                                                                        .distinct()
                                                                        .toList())),
                                                "Take them out once the time is up."))));
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        List<String> left = new ArrayList<>();
        for (SurfaceAt s : end.sheet().allSurfaces()) {
            String id = end.sheet().surface(s).id();
            if (end.night().facts(s).soaking() != Facts.NEVER
                    && out.onItem(id, RuleId.C21) == null) {
                left.add(id);
            }
        }
        if (!left.isEmpty()) {
            out.report(info)
                    .items(left)
                    .says(
                            Text.of(
                                    "soak-collected.still-soak-at-the-end",
                                    "{1, plural, one {{0} still soaks} other {{0} still soak}} at the end of the clean.",
                                    end.sheet().names(left),
                                    left.size()),
                            Text.of(
                                    "soak-collected.a-part-that-is-forgotten",
                                    "A part that is forgotten in a sink is missing in the morning."));
        }
    }

    private static List<SurfaceAt> soaking(List<SurfaceAt> surfaces, Moment m) {
        return surfaces.stream().filter(s -> m.night().facts(s).soaking() != Facts.NEVER).toList();
    }
}
