package orthopur.rules.cleanchain;

import java.util.List;
import orthopur.machine.Passage;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.quantity.Show;
import orthopur.quantity.Volume;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PassageAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/**
 * C15 and C17: sanitizer left in a passage is chased out with enough of that side's own product.
 */
public final class ChasedOut extends BookRule {
    private static final String TOO_EARLY = "too early: ";

    public ChasedOut() {
        super(
                RuleId.C15,
                Severity.STOP,
                "Sanitizer left in a passage is flushed out with product",
                "40 CFR 180.940; good practice");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.ChaseOut a)) {
            return;
        }
        double factor = m.context().book().number("chase-out.factor");
        for (PassageAt k : m.passages()) {
            Passage passage = m.sheet().passage(k);
            tooEarly(m, k, passage, out);
            double left = m.night().toChase(k);
            double needed = left * factor;
            // Portions add up; the last one has to make it enough.
            boolean more =
                    m.later(
                            x ->
                                    x instanceof Action.ChaseOut c
                                            && c.items().contains(passage.id()));
            double before = m.night().chased(k);
            if (!more && (a.volume() == null || before + a.volume().litres() < needed - 1e-9)) {
                Findings.Report r =
                        out.report(info)
                                .cause(passage.id())
                                .number("needed", needed, "L")
                                .says(
                                        Text.of(
                                                "chased-out.discards-from-it-holds-so",
                                                "Step {0} discards {1} from {2}; it holds {3}, so at least {4} L (× {5}).",
                                                m.number(),
                                                a.volume() == null
                                                        ? Text.of(
                                                                "chased-out.an-amount-that-is-not",
                                                                "an amount that is not stated")
                                                        : Volume.ofLitres(
                                                                        before
                                                                                + a.volume()
                                                                                        .litres())
                                                                .shown(),
                                                m.sheet().names(List.of(passage.id())),
                                                Volume.ofLitres(left).shown(),
                                                Show.number(needed),
                                                Show.number(factor)),
                                        Text.of(
                                                "chased-out.the-first-portions-are-sanitizer",
                                                "The first portions are sanitizer with a little product."))
                                .propose(
                                        Text.of(
                                                "chased-out.discard-l",
                                                "Discard {0} L",
                                                Show.number(needed - before)),
                                        change(
                                                m,
                                                m.step()
                                                        .with(
                                                                new Action.ChaseOut(
                                                                        a.items(),
                                                                        Volume.ofLitres(
                                                                                needed - before),
                                                                        a.product()))));
                if (a.volume() != null) {
                    r.number("stated", a.volume().litres(), "L");
                }
            }
        }
    }

    /** Product goes in when all else is done: what is washed or put on later is soiled by it. */
    private void tooEarly(Moment m, PassageAt passage, Passage named, Findings out) {
        // What comes after a release is the next clean.
        int later =
                m.firstLater(a -> a instanceof Action.HoldPoint || worksOn(a, m.sheet(), passage));
        if (later < 0
                || m.procedure().steps().get(later).action() instanceof Action.HoldPoint
                || out.onCause(RuleId.C15, TOO_EARLY + named.id()) != null) {
            return;
        }
        out.report(info)
                .cause(TOO_EARLY + named.id())
                .items(List.of(named.id()))
                .says(
                        Text.of(
                                "chased-out.before-the-work-is-done",
                                "Step {0} brings product into {1}, and step {2} still works on it.",
                                m.number(),
                                m.sheet().names(List.of(named.id())),
                                later + 1),
                        Text.of(
                                "chased-out.product-soils-what-was-washed",
                                "Product soils what was washed, stands warm in it, and is in the way of what comes next."));
    }

    private static boolean worksOn(Action a, SheetIndex sheet, PassageAt passage) {
        return switch (a) {
            case Action.DryClean _,
                    Action.Rinse _,
                    Action.Wash _,
                    Action.Soak _,
                    Action.Circulate _,
                    Action.Sanitize _,
                    Action.Remove _,
                    Action.Install _,
                    Action.DrawOff _ ->
                    a.items().stream()
                            .flatMap(i -> sheet.surfacesMeant(i).stream())
                            .anyMatch(sheet.wettedIn(passage)::contains);
            default -> false;
        };
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        for (PassageAt k : end.sheet().allPassages()) {
            Passage passage = end.sheet().passage(k);
            if (!end.night().filled(k) || out.onCause(RuleId.C15, passage.id()) != null) {
                continue;
            }
            Volume needed =
                    Volume.ofLitres(
                            end.night().toChase(k)
                                    * end.context().book().number("chase-out.factor"));
            out.report(info)
                    .cause(passage.id())
                    .number("needed", needed.litres(), "L")
                    .says(
                            Text.of(
                                    "chased-out.sanitizer-stays-in-and-no",
                                    "Sanitizer stays in {0} and no product flush follows; discard {1} of product.",
                                    end.sheet().names(List.of(passage.id())),
                                    needed.shown()),
                            Text.of(
                                    "chased-out.the-first-portions-are-sanitizer-2",
                                    "The first portions are sanitizer."))
                    .propose(
                            Text.of(
                                    "chased-out.flush-with-of-product",
                                    "Flush with {0} of product",
                                    needed.shown()),
                            List.of(
                                    new Edit.InsertBefore(
                                            end.firstFrom(
                                                    lastSanitize(end),
                                                    s ->
                                                            s.action() instanceof Action.HoldPoint
                                                                    || s.action()
                                                                            instanceof
                                                                            Action.Record),
                                            StepEdits.fresh(
                                                    end.procedure(),
                                                    0,
                                                    new Action.ChaseOut(
                                                            List.of(passage.id()),
                                                            needed,
                                                            passage.product()),
                                                    "Run off and discard "
                                                            + needed.shown()
                                                            + " of product."))));
        }
    }

    private static int lastSanitize(Ending end) {
        int last = 0;
        for (int i = 0; i < end.procedure().steps().size(); i++) {
            if (end.procedure().steps().get(i).action() instanceof Action.Sanitize) {
                last = i;
            }
        }
        return last;
    }
}
