package orthopur.rules.chemistry;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.chemical.Label;
import orthopur.procedure.Action;
import orthopur.quantity.Dosage;
import orthopur.quantity.Share;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/**
 * S15 for what touches no food: foot baths, floors and drains have a strength of their own on the
 * label. What the label does not give is not passed.
 */
public final class OtherUseByLabel extends BookRule {
    public OtherUseByLabel() {
        super(
                RuleId.S15,
                Severity.FIX,
                "Foot baths, floors and drains at the strength their label gives",
                "label");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.DrawOff empties) {
            emptied(m, empties, out);
            return;
        }
        if (!(m.action() instanceof Action.Sanitize a) || !SanitizerUse.beside(m)) {
            return;
        }
        Chemical c = m.context().chemical(a.solution().chemical());
        for (SurfaceAt s : m.exposed()) {
            String use = m.sheet().surface(s).use();
            List<Object> wants = new ArrayList<>();
            if (c == null || !c.kind().sanitizes()) {
                wants.add(Text.of("other-use.a-sanitizer", "a sanitizer that is named"));
            } else if (use != null) {
                wants(a, c.label().other(use), wants);
            }
            if (!wants.isEmpty()) {
                Findings.Report r =
                        out.report(info)
                                .cause(use == null ? "floor" : use)
                                .items(m.surfaceIds(List.of(s)))
                                .source(c == null ? "label" : "label of " + c.name())
                                .says(
                                        Text.of(
                                                "other-use.is-to-sanitize",
                                                "Step {0} is to sanitize {1}{2}; it takes {3}.",
                                                m.number(),
                                                m.sheet().names(m.surfaceIds(List.of(s))),
                                                a.solution().strength() == null
                                                        ? ""
                                                        : Text.of(
                                                                "other-use.at",
                                                                " at {0}",
                                                                a.solution().strength().shown()),
                                                wants),
                                        Text.of(
                                                "other-use.a-weak-foot-bath",
                                                "A weak foot bath carries germs from room to room on every sole."))
                                .deny(List.of(s));
                Label.OtherUse on = c == null ? null : c.label().other(use);
                if (on != null) {
                    r.propose(
                            Text.of("other-use.as-the-label-says", "As its label says"),
                            change(m, m.step().with(asTheLabelSays(a, on))));
                }
            }
        }
    }

    /** A bath that people step into stands: who tips it out afterwards leaves none. */
    private void emptied(Moment m, Action.DrawOff empties, Findings out) {
        for (SurfaceAt s : m.sheet().allSurfaces()) {
            String id = m.sheet().surface(s).id();
            Predicate<Action> fills =
                    a ->
                            a instanceof Action.Sanitize z
                                    && z.method() == Action.Method.IMMERSE
                                    && z.items().contains(id)
                                    && empties.places().contains(z.solution().vessel());
            if (m.sheet().surface(s).use() != null && m.earlier(fills) && !m.later(fills)) {
                out.report(info)
                        .cause(id)
                        .items(List.of(id))
                        .says(
                                Text.of(
                                        "other-use.tipped-out-again",
                                        "Step {0} empties {1}, which was made up before, and no step fills it again.",
                                        m.number(),
                                        m.sheet().names(List.of(id))),
                                Text.of(
                                        "other-use.a-weak-foot-bath",
                                        "A weak foot bath carries germs from room to room on every sole."));
            }
        }
    }

    private static Action.Sanitize asTheLabelSays(Action.Sanitize a, Label.OtherUse on) {
        Dosage is = a.solution().strength();
        boolean right =
                is != null
                        && atLeast(is, on.least())
                        && (on.most() == null || atLeast(on.most(), is));
        Dosage middle =
                on.least() instanceof Strength low && on.most() instanceof Strength high
                        ? new Strength((low.mgPerL() + high.mgPerL()) / 2)
                        : on.least();
        Duration wet = on.contact();
        return new Action.Sanitize(
                a.items(),
                right ? a.solution() : a.solution().withStrength(middle),
                a.method(),
                wet == null || a.contact() != null && a.contact().compareTo(wet) >= 0
                        ? a.contact()
                        : wet,
                a.readings());
    }

    private static void wants(Action.Sanitize a, Label.@Nullable OtherUse on, List<Object> wants) {
        if (on == null) {
            wants.add(
                    Text.of(
                            "other-use.a-product",
                            "a product whose label gives a strength for it"));
            return;
        }
        Dosage is = a.solution().strength();
        if (is == null || !atLeast(is, on.least())) {
            wants.add(Text.of("other-use.at-least", "at least {0}", on.least().shown()));
        }
        if (is != null && on.most() != null && !atLeast(on.most(), is)) {
            wants.add(Text.of("other-use.at-most", "at most {0}", on.most().shown()));
        }
        Duration wet = on.contact();
        if (wet != null && (a.contact() == null || a.contact().compareTo(wet) < 0)) {
            wants.add(Text.of("other-use.wet-for", "{0} wet", Show.duration(wet)));
        }
    }

    /** Figures of different kinds do not compare, and what cannot be compared is not passed. */
    private static boolean atLeast(Dosage a, Dosage b) {
        if (a instanceof Share x && b instanceof Share y) {
            return x.compareTo(y) >= 0;
        }
        return a instanceof Strength x && b instanceof Strength y && x.compareTo(y) >= 0;
    }
}
