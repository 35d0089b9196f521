package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.RuleInfo;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/**
 * T6, L14 and T16: what a step needs is on the list before the first screw is turned – tools and
 * fittings (T6), ladder and lifting lever (L14), counted spares (T16).
 */
public final class Fetched extends BookRule {
    private final Kind kind;

    /** Which of the three is looked at. */
    public enum Kind {
        TOOL,
        AID,
        SPARE
    }

    public Fetched(Kind kind) {
        super(
                switch (kind) {
                    case TOOL -> RuleId.T6;
                    case AID -> RuleId.L14;
                    case SPARE -> RuleId.T16;
                },
                Severity.FIX,
                switch (kind) {
                    case TOOL -> "Tools, brushes and fittings are fetched before they are needed";
                    case AID ->
                            "Ladder and lifting lever are at hand where something is high or lifted";
                    case SPARE ->
                            "Wear parts are counted in stock before the first screw is turned";
                },
                "machine manual");
        this.kind = kind;
    }

    @Override
    public void look(Moment m, Findings out) {
        List<String> things = needed(m);
        if (things.isEmpty()) {
            return;
        }
        List<String> prepared = new ArrayList<>();
        for (Step s : m.procedure().steps().subList(0, m.place())) {
            if (s.action() instanceof Action.Prepare p) {
                prepared.addAll(p.things());
            }
        }
        for (String thing : things) {
            if (!names(prepared, thing) && out.onCause(id, thing) == null) {
                report(m, thing, out);
            }
        }
    }

    private List<String> needed(Moment m) {
        List<String> things = new ArrayList<>();
        if (kind == Kind.SPARE) {
            if (m.action() instanceof Action.Replace) {
                m.parts().forEach(p -> things.add("spare " + m.sheet().part(p).name()));
            }
            return things;
        }
        boolean moves =
                m.action() instanceof Action.Remove
                        || m.action() instanceof Action.Shift
                        || m.action() instanceof Action.Install;
        if (moves) {
            for (int p : m.parts()) {
                Part part = m.sheet().part(p);
                part.moving().tools().stream()
                        .filter(t -> aid(t) == (kind == Kind.AID))
                        .forEach(things::add);
            }
        }
        if (kind == Kind.TOOL && m.action() instanceof Action.Wash w && w.tool() != null) {
            things.add(w.tool());
        }
        if (kind == Kind.TOOL && m.action() instanceof Action.Fit f) {
            m.sheet().sheet().fittings().stream()
                    .filter(x -> f.fittings().contains(x.id()))
                    .forEach(x -> things.add(x.name()));
        }
        return things;
    }

    private static boolean aid(String tool) {
        String t = tool.toLowerCase(Locale.ROOT);
        return t.contains("ladder") || t.contains("lever") || t.contains("step stool");
    }

    private void report(Moment m, String thing, Findings out) {
        RuleInfo rule = info;
        Findings.Report r =
                out.report(rule)
                        .cause(thing)
                        .items(m.partIds(m.parts()))
                        .says(
                                Text.of(
                                        "fetched.needs-and-no-earlier-step",
                                        "Step {0} needs {1}, and no earlier step fetches it.",
                                        m.number(),
                                        thing),
                                kind == Kind.AID
                                        ? Text.of(
                                                "fetched.without-it-somebody-climbs-on",
                                                "Without it somebody climbs on the machine or holds it with a shoulder.")
                                        : Text.of(
                                                "fetched.what-is-missing-half-way",
                                                "What is missing half-way costs the night, or something else is used instead."));
        for (Step s : m.procedure().steps().subList(0, m.place())) {
            if (s.action() instanceof Action.Prepare p) {
                List<String> more = new ArrayList<>(p.things());
                more.add(thing);
                r.propose(
                        Text.of("fetched.fetch-it-with-the-rest", "Fetch it with the rest"),
                        List.of(
                                new orthopur.procedure.Edit.Change(
                                        s.id(), s.with(new Action.Prepare(more)))));
                return;
            }
        }
        r.propose(
                Text.of("fetched.fetch-it-first", "Fetch it first"),
                List.of(
                        new orthopur.procedure.Edit.InsertBefore(
                                m.procedure().steps().getFirst().id(),
                                StepEdits.fresh(
                                        m.procedure(),
                                        0,
                                        new Action.Prepare(List.of(thing)),
                                        "Fetch " + thing + "."))));
    }
}
