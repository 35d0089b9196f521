package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.Assembly.Lubrication;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.rules.BookRule;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/**
 * T8: the right film at the right point: none where the sheet says none, food-grade near food,
 * permitted in food where it is left on purpose, and no point forgotten.
 */
public final class Lubricants extends BookRule {
    public Lubricants() {
        super(
                RuleId.T8,
                Severity.STOP,
                "Food-grade lubricant where the sheet says, none where it says none",
                "21 CFR 178.3570 and 172.878; machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        boolean coats = m.action() instanceof Action.Coat;
        if (!coats && !(m.action() instanceof Action.Lubricate)) {
            return;
        }
        Chemical c = m.context().chemical(m.action().chemical());
        List<String> unfit = new ArrayList<>();
        boolean contact = false;
        for (PartAt p : m.parts()) {
            Part part = m.sheet().part(p);
            List<Lubrication> points = part.fitting().lubrication();
            if (!coats && !points.isEmpty() && points.stream().allMatch(Lubrication::never)) {
                out.report(info)
                        .items(List.of(part.id()))
                        .says(
                                Text.of(
                                        "lubricants.lubricates-which-must-stay-dry",
                                        "Step {0} lubricates {1}, which must stay dry: {2}.",
                                        m.number(),
                                        m.sheet().names(List.of(part.id())),
                                        points.getFirst().point()),
                                Text.of(
                                        "lubricants.a-greased-face-seal-is",
                                        "A greased face seal is pressed out of its seat."));
            }
            if (m.action() instanceof Action.Lubricate a) {
                drops(m, part, a, out);
                product(m, part, c, out);
            }
            wetted(m, part, out);
            onAlready(m, p, out);
            if (!coats && points.isEmpty() && !part.surfaces().isEmpty()) {
                out.report(info)
                        .severity(Severity.FIX)
                        .items(List.of(part.id()))
                        .says(
                                Text.of(
                                        "lubricants.lubricates-for-which-the-sheet",
                                        "Step {0} lubricates {1}, for which the sheet names no point.",
                                        m.number(),
                                        m.sheet().names(List.of(part.id()))),
                                Text.of(
                                        "lubricants.oil-where-none-belongs-drips",
                                        "Oil where none belongs drips into the food; if it belongs there, the sheet has to say so."));
            }
            int zone = part.surfaces().stream().mapToInt(Surface::zone).min().orElse(4);
            boolean enough =
                    c != null
                            && (coats && zone == 1
                                    ? c.foodGrade() == Chemical.FoodGrade.IN_FOOD
                                    : c.foodGrade() != null);
            if (zone <= 2 && !enough) {
                unfit.add(part.id());
                contact |= zone == 1;
            }
        }
        if (!unfit.isEmpty()) {
            Object lack =
                    coats && contact
                            ? Text.of(
                                    "lubricants.which-is-not-permitted-in",
                                    ", which is not permitted in food")
                            : Text.of(
                                    "lubricants.which-is-not-food-grade",
                                    ", which is not food-grade");
            out.report(info)
                    .items(unfit)
                    .says(
                            Text.of(
                                    "lubricants.leaves-on",
                                    "Step {0} leaves {1} on {2}{3}.",
                                    m.number(),
                                    c == null
                                            ? Text.of(
                                                    "lubricants.a-lubricant-that-is-not",
                                                    "a lubricant that is not named")
                                            : c.name(),
                                    m.sheet().names(unfit),
                                    c == null ? "" : lack),
                            Text.of(
                                    "lubricants.what-is-greased-here-goes",
                                    "What is greased here goes into the food."));
        }
    }

    /** What came off is lubricated while it is off: put together, its points are out of reach. */
    private void onAlready(Moment m, PartAt p, Findings out) {
        int on = m.night().installedAt(p);
        Part part = m.sheet().part(p);
        if (on == Facts.NEVER || !part.removable() || !m.night().mounted(p)) {
            return;
        }
        out.report(info)
                .severity(Severity.FIX)
                .items(List.of(part.id()))
                .says(
                        Text.of(
                                "lubricants.is-on-already",
                                "Step {0} leaves a film on {1}, which step {2} has put on already.",
                                m.number(),
                                m.sheet().names(List.of(part.id())),
                                on + 1),
                        Text.of(
                                "lubricants.put-together-out-of-reach",
                                "Put together, nobody reaches the point, and it is left dry."))
                .propose(
                        Text.of("lubricants.lubricate-before", "Do it before step {0}", on + 1),
                        List.of(new Edit.Move(m.step().id(), m.procedure().steps().get(on).id())));
    }

    /** A film is the last thing: water takes it off, and no sanitizer gets under it. */
    private void wetted(Moment m, Part part, Findings out) {
        Set<SurfaceAt> its = new HashSet<>();
        part.surfaces().forEach(s -> its.add(m.sheet().surfaceNamed(s.id())));
        int wet =
                m.firstLater(
                        x ->
                                (x instanceof Action.Sanitize
                                                || x instanceof Action.Wash
                                                || x instanceof Action.Rinse
                                                || x instanceof Action.Soak)
                                        && meets(m, x, its));
        // Grease on its journals is no film in its pockets.
        boolean renewed = m.later(x -> x.getClass() == m.action().getClass() && meets(m, x, its));
        if (wet < 0 || renewed) {
            return;
        }
        out.report(info)
                .severity(Severity.FIX)
                .items(List.of(part.id()))
                .says(
                        Text.of(
                                "lubricants.is-wetted-later",
                                "Step {0} leaves a film on {1}, and step {2} wets it afterwards.",
                                m.number(),
                                m.sheet().names(List.of(part.id())),
                                wet + 1),
                        Text.of(
                                "lubricants.water-takes-it-off",
                                "Water takes the film off, and where it stays no sanitizer gets under it."))
                .propose(
                        Text.of("lubricants.lubricate-after", "Lubricate after step {0}", wet + 1),
                        List.of(
                                new Edit.Move(
                                        m.step().id(),
                                        wet + 1 < m.procedure().steps().size()
                                                ? m.procedure().steps().get(wet + 1).id()
                                                : null)));
    }

    /** Whether it meets one of some surfaces; what flows through leaves what is packed in. */
    private static boolean meets(Moment m, Action action, Set<SurfaceAt> surfaces) {
        return action.items().stream()
                .filter(i -> m.sheet().passageNamed(i) == null)
                .flatMap(i -> m.sheet().surfacesMeant(i).stream())
                .anyMatch(surfaces::contains);
    }

    /** Where a point has its own product, another one is another clean's mistake. */
    private void product(Moment m, Part part, @Nullable Chemical c, Findings out) {
        List<String> wanted =
                part.fitting().lubrication().stream()
                        .map(Lubrication::product)
                        .filter(Objects::nonNull)
                        .distinct()
                        .toList();
        if (c == null || wanted.isEmpty() || wanted.contains(c.id())) {
            return;
        }
        Chemical meant = m.context().chemical(wanted.getFirst());
        out.report(info)
                .severity(Severity.FIX)
                .items(List.of(part.id()))
                .says(
                        Text.of(
                                "lubricants.another-product",
                                "Step {0} lubricates {1} with {2}; the sheet says {3}.",
                                m.number(),
                                m.sheet().names(List.of(part.id())),
                                c.name(),
                                meant == null ? wanted.getFirst() : meant.name()),
                        Text.of(
                                "lubricants.another-product-runs",
                                "Thinner it runs off into the food, thicker it does not reach the bearing; some eat the seal."));
    }

    /** More runs off into the food, fewer runs dry. */
    private void drops(Moment m, Part part, Action.Lubricate a, Findings out) {
        for (Lubrication point : part.fitting().lubrication()) {
            boolean off = point.drops() != null && !point.drops().equals(a.drops());
            boolean still = point.workIn() != null && !a.workedIn();
            if (point.never() || !off && !still) {
                continue;
            }
            out.report(info)
                    .severity(Severity.FIX)
                    .items(List.of(part.id()))
                    .says(
                            Text.of(
                                    "lubricants.lubricates",
                                    "Step {0} lubricates {1}, {2}{3}.",
                                    m.number(),
                                    point.point(),
                                    off
                                            ? Text.of(
                                                    "lubricants.with-the-sheet-says",
                                                    "with {0}; the sheet says {1}",
                                                    a.drops() == null
                                                            ? Text.of(
                                                                    "lubricants.drops-not-stated",
                                                                    "drops not stated")
                                                            : Text.of(
                                                                    "lubricants.drops",
                                                                    "{0, plural, one {# drop} other {# drops}}",
                                                                    a.drops()),
                                                    point.drops())
                                            : Text.of(
                                                    "lubricants.and-does-not-work-it",
                                                    "and does not work it in"),
                                    still
                                            ? Text.of("lubricants.text", ": {0}", point.workIn())
                                            : ""),
                            Text.of(
                                    "lubricants.too-much-runs-into-the",
                                    "Too much runs into the food, too little runs dry."));
            return;
        }
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        for (PartAt p : end.sheet().allParts()) {
            Part part = end.sheet().part(p);
            for (Lubrication point : part.fitting().lubrication()) {
                boolean due = !point.never() && point.frequency().dueIn(end.procedure().kind());
                boolean done =
                        end.procedure().steps().stream()
                                .anyMatch(
                                        s ->
                                                (s.action() instanceof Action.Lubricate
                                                                || s.action()
                                                                        instanceof Action.Coat)
                                                        && s.action().items().contains(part.id()));
                if (due && !done) {
                    out.report(info)
                            .severity(Severity.FIX)
                            .items(List.of(part.id()))
                            .says(
                                    Text.of(
                                            "lubricants.is-not-lubricated-is-due",
                                            "{0} is not lubricated: {1} is due {2}.",
                                            part.name(),
                                            point.point(),
                                            point.frequency().shown()),
                                    Text.of(
                                            "lubricants.a-dry-bearing-or-ring",
                                            "A dry bearing or ring wears, leaks and sheds."));
                    break;
                }
            }
        }
    }
}
