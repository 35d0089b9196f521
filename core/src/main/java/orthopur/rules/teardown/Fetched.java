package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.RuleInfo;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.runthrough.Words;
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

    /** What is more than one brush; which goes where is in the hand of who knows the machine. */
    private static final Set<String> SEVERAL = Set.of("set", "ring", "brushes", "kit");

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
        if (kind == Kind.TOOL && m.action() instanceof Action.Wash w) {
            otherBrush(m, w, w.tool(), out);
        }
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

    /**
     * A seat that needs a brush of its own is scrubbed with the one that happens to be in the hand.
     */
    private void otherBrush(Moment m, Action.Wash wash, @Nullable String tool, Findings out) {
        boolean several = Words.anyOf(tool == null ? m.step().words() : tool, SEVERAL);
        if (several || wash.method() != null && wash.method() != Action.Method.BRUSH) {
            return;
        }
        Map<String, List<SurfaceAt>> wanted = new LinkedHashMap<>();
        for (SurfaceAt s : m.exposed()) {
            String brush = m.sheet().surface(s).brush();
            if (brush != null
                    && (tool == null || !sameBrush(tool, brush))
                    && !saidInWords(m.step().words(), brush)
                    && !brushedBy(m, s, brush)) {
                wanted.computeIfAbsent(brush, b -> new ArrayList<>()).add(s);
            }
        }
        wanted.forEach(
                (brush, some) ->
                        out.report(info)
                                .items(m.surfaceIds(some))
                                .says(
                                        Text.of(
                                                "fetched.brushes-with-another",
                                                "Step {0} brushes {1} with {2}; the sheet asks for {3}.",
                                                m.number(),
                                                m.sheet().names(m.surfaceIds(some)),
                                                tool == null
                                                        ? Text.of(
                                                                "fetched.a-brush-it-does-not-name",
                                                                "a brush that it does not name")
                                                        : tool,
                                                brush),
                                        Text.of(
                                                "fetched.where-it-does-not-reach",
                                                "What a brush does not reach stays soiled under the sanitizer.")));
    }

    /** Whether some step takes to this surface what its sheet asks for. */
    private static boolean brushedBy(Moment m, SurfaceAt surface, String brush) {
        return m.procedure().steps().stream()
                .filter(s -> s.action() instanceof Action.Wash w && named(s, w, brush))
                .flatMap(s -> s.action().items().stream())
                .anyMatch(i -> m.sheet().surfacesMeant(i).contains(surface));
    }

    private static boolean named(Step s, Action.Wash w, String brush) {
        return w.tool() == null ? saidInWords(s.words(), brush) : sameBrush(w.tool(), brush);
    }

    /** "the slot with its own brush", "each groove with the brush of its size" */
    private static boolean saidInWords(String words, String brush) {
        String said = words.toLowerCase(Locale.ROOT);
        // Most figures in a sentence are liters and degrees; "8 mm" is the size of a brush.
        return words(brush).stream()
                        .anyMatch(
                                w ->
                                        Character.isDigit(w.charAt(0))
                                                ? said.contains(w + " mm")
                                                : words(words).contains(w))
                || said.contains("own brush")
                || said.contains("its brush")
                || said.contains("brush of its size");
    }

    /** Called by one of its words, and of the same size where both say one. */
    private static boolean sameBrush(String tool, String brush) {
        Set<String> told = words(tool);
        Set<String> asked = words(brush);
        Set<String> sizes = new HashSet<>(asked);
        sizes.removeIf(w -> !Character.isDigit(w.charAt(0)));
        boolean sized = told.stream().anyMatch(w -> Character.isDigit(w.charAt(0)));
        if (sized && !sizes.isEmpty() && told.stream().noneMatch(sizes::contains)) {
            return false;
        }
        return asked.stream().anyMatch(told::contains);
    }

    /** Its words but "brush" and units. */
    private static Set<String> words(String thing) {
        Set<String> words =
                new HashSet<>(Arrays.asList(thing.toLowerCase(Locale.ROOT).split("[^\\p{L}\\d]+")));
        words.removeAll(Set.of("", "brush", "brushes", "mm", "cm", "in", "the", "a", "free"));
        return words;
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
            for (PartAt p : m.parts()) {
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
