package orthopur.rules.cleanchain;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C10: food-contact surfaces are dry before they are assembled, covered or put away (school A). */
public final class AssembledWet extends BookRule {
    public AssembledWet() {
        super(
                RuleId.C10,
                Severity.STOP,
                "Dry before it is assembled, covered or put away (school A)",
                "Food Code 2022, 4-901.11");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.Dry dry) {
            howLong(m, dry, out);
            return;
        }
        boolean puts =
                m.action() instanceof Action.Install
                        || m.action() instanceof Action.Store
                        || m.action() instanceof Action.Return;
        if (!puts || m.procedure().schools().assembledFirst()) {
            return;
        }
        Set<SurfaceAt> found = new LinkedHashSet<>();
        for (PartAt p : m.parts()) {
            m.sheet().surfacesOf(p).forEach(s -> wet(m, s, found));
            if (!(m.action() instanceof Action.Store)) {
                m.sheet().coveredBy(p).forEach(s -> wet(m, s, found));
            }
        }
        if (found.isEmpty()) {
            return;
        }
        List<SurfaceAt> wet = List.copyOf(found);
        List<String> ids = m.surfaceIds(wet);
        out.report(info)
                .items(ids)
                .says(
                        Text.of(
                                "assembled-wet.wet",
                                "Step {0} {1} wet {2}.",
                                m.number(),
                                m.action() instanceof Action.Store
                                        ? Text.of(
                                                "assembled-wet.puts-away-still", "puts away still")
                                        : Text.of(
                                                "assembled-wet.assembles-or-covers-still",
                                                "assembles or covers still"),
                                m.sheet().names(ids)),
                        Text.of(
                                "assembled-wet.what-stays-wet-in-the",
                                "What stays wet in the dark grows over night."))
                .propose(
                        Text.of("assembled-wet.air-dry-first", "Air-dry first"),
                        List.of(
                                new Edit.InsertBefore(
                                        m.step().id(),
                                        StepEdits.fresh(
                                                m.procedure(),
                                                0,
                                                new Action.Dry(
                                                        ids, Action.Drying.AIR, StepEdits.DRYING),
                                                "Let it drain and air-dry."))));
    }

    /** Only a towel shows at once that it is dry; air takes its time, which somebody has to say. */
    private void howLong(Moment m, Action.Dry dry, Findings out) {
        if (dry.time() == null && dry.method() != Action.Drying.TOWEL) {
            out.report(info)
                    .severity(Severity.FIX)
                    .cause("how long")
                    .items(dry.items())
                    .says(
                            Text.of(
                                    "assembled-wet.how-long",
                                    "Step {0} does not say how long it dries.",
                                    m.number()),
                            Text.of(
                                    "assembled-wet.what-stays-wet-in-the",
                                    "What stays wet in the dark grows over night."))
                    .propose(
                            Text.of("assembled-wet.dry-for", "Dry it for 20 minutes"),
                            change(
                                    m,
                                    m.step()
                                            .with(
                                                    new Action.Dry(
                                                            dry.items(),
                                                            dry.method(),
                                                            StepEdits.DRYING))));
        }
    }

    private static void wet(Moment m, SurfaceAt s, Set<SurfaceAt> wet) {
        if (m.sheet().surface(s).mustDry() && m.night().facts(s).wet()) {
            wet.add(s);
        }
    }
}
