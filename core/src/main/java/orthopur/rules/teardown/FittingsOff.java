package orthopur.rules.teardown;

import java.util.List;
import orthopur.machine.Fitting;
import orthopur.procedure.Action;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.PassageAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/**
 * T14 for what was fitted only for cleaning: off again, and counted, before the machine is live.
 */
public final class FittingsOff extends BookRule {
    public FittingsOff() {
        super(
                RuleId.T14,
                Severity.STOP,
                "What was fitted for cleaning is off again before the machine is live",
                "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.Unfit u) {
            neverOn(m, u, out);
            return;
        }
        needed(m, out);
        hides(m, out);
        if (m.action() instanceof Action.Install) {
            inItsPlace(m, out);
        }
        boolean product = m.action() instanceof Action.ChaseOut;
        if (!(m.action() instanceof Action.Restore || product)) {
            return;
        }
        for (Fitting f : m.sheet().sheet().fittings()) {
            boolean on = m.night().fitted(f.id()) > 0;
            if (on && (product || !forCleaning(m, f)) && out.onCause(RuleId.T14, f.id()) == null) {
                out.report(info)
                        .cause(f.id())
                        .says(
                                Text.of(
                                        "fittings-off.while-is-still-on",
                                        "Step {0} {1} while {2} is still on ({3}).",
                                        m.number(),
                                        product
                                                ? Text.of(
                                                        "fittings-off.brings-the-first-product",
                                                        "brings the first product")
                                                : Text.of(
                                                        "fittings-off.makes-the-machine-live",
                                                        "makes the machine live"),
                                        f.name(),
                                        m.night().fitted(f.id())),
                                Text.of(
                                        "fittings-off.it-is-thrown-off-jams",
                                        "It is thrown off, jams, or lets product run where it should not."))
                        .propose(
                                Text.of("fittings-off.take-it-off-first", "Take it off first"),
                                insert(m, takeOff(m, f)));
            }
        }
    }

    /** Whoever starts it in the morning starts it with what was forgotten on it. */
    @Override
    public void atEnd(Ending end, Findings out) {
        List<Step> steps = end.procedure().steps();
        for (Fitting f : end.sheet().sheet().fittings()) {
            if (end.night().fitted(f.id()) > 0 && out.onCause(RuleId.T14, f.id()) == null) {
                Step last = steps.getLast();
                out.report(info)
                        .at(steps.size() - 1, last.id())
                        .cause(f.id())
                        .says(
                                Text.of(
                                        "fittings-off.still-on-at-the-end",
                                        "At the end {0} is still on ({1}).",
                                        SheetIndex.spoken(f.name()),
                                        end.night().fitted(f.id())),
                                Text.of(
                                        "fittings-off.it-is-thrown-off-jams",
                                        "It is thrown off, jams, or lets product run where it should not."));
            }
        }
    }

    /** What is only turned, sharpened or washed through with a fitting has it on, all of it. */
    private void needed(Moment m, Findings out) {
        boolean sanitizes = m.action() instanceof Action.Sanitize;
        boolean washes = sanitizes || m.action() instanceof Action.Wash;
        boolean needs =
                washes
                        || m.action() instanceof Action.Circulate
                        || m.action() instanceof Action.Sharpen
                        || m.action() instanceof Action.Index;
        for (Fitting f : needs ? m.sheet().sheet().fittings() : List.<Fitting>of()) {
            List<String> served =
                    m.action().items().stream()
                            .filter(f.serves()::contains)
                            .filter(i -> !washes || m.sheet().passageNamed(i) != null)
                            .filter(i -> !sanitizes || onlyMoved(m, i))
                            .toList();
            if (!served.isEmpty()
                    && m.night().fitted(f.id()) < f.count()
                    && out.onCause(RuleId.T14, f.id()) == null) {
                out.report(info)
                        .cause(f.id())
                        .items(served)
                        .says(
                                Text.of(
                                        "fittings-off.needs-what-is-not-on",
                                        "Step {0} works on {1} without {2}, which has to be on for it ({3} of {4}).",
                                        m.number(),
                                        m.sheet().names(served),
                                        SheetIndex.spoken(f.name()),
                                        m.night().fitted(f.id()),
                                        f.count()),
                                Text.of(
                                        "fittings-off.what-was-done-without-it",
                                        "What needs it was done without it, or not at all."));
            }
        }
    }

    private static Step takeOff(Moment m, Fitting f) {
        return StepEdits.fresh(
                m.procedure(), 0, new Action.Unfit(List.of(f.id())), "Take off " + f.name() + ".");
    }

    /** What sharpens an edge sits on it: nobody cleans, rinses or dries the edge below it. */
    private void hides(Moment m, Findings out) {
        boolean cleans =
                switch (m.action()) {
                    case Action.DryClean a -> true;
                    case Action.Wash a -> true;
                    case Action.Rinse a -> true;
                    case Action.Sanitize a -> true;
                    case Action.Dry a -> true;
                    case Action.Inspect a -> true;
                    default -> false;
                };
        for (Fitting f : cleans ? m.sheet().sheet().fittings() : List.<Fitting>of()) {
            List<SurfaceAt> below =
                    f.serves().stream()
                            .map(m.sheet()::surfaceNamed)
                            .filter(s -> s != null && m.names(s))
                            .filter(s -> m.sheet().part(m.sheet().ownerOf(s)).sharpening() != null)
                            .toList();
            if (!below.isEmpty()
                    && m.night().fitted(f.id()) > 0
                    && out.onCause(RuleId.T14, f.id()) == null) {
                List<String> ids = m.surfaceIds(below);
                out.report(info)
                        .cause(f.id())
                        .items(ids)
                        .says(
                                Text.of(
                                        "fittings-off.sits-on-the-edge",
                                        "Step {0} works on {1} while {2} still sits on it.",
                                        m.number(),
                                        m.sheet().names(ids),
                                        SheetIndex.spoken(f.name())),
                                Text.of(
                                        "fittings-off.metal-dust-stays-below",
                                        "Below it the edge keeps its metal dust, and what is wiped off the rest falls back from it."))
                        .propose(
                                Text.of("fittings-off.take-it-off-first", "Take it off first"),
                                insert(m, takeOff(m, f)));
            }
        }
    }

    private static boolean onlyMoved(Moment m, String passage) {
        PassageAt p = m.sheet().passageNamed(passage);
        return p != null && m.sheet().passage(p).onlyMoved();
    }

    /** Where a fitting sits nothing else does: it comes off before the part goes back there. */
    private void inItsPlace(Moment m, Findings out) {
        for (Fitting f : m.sheet().sheet().fittings()) {
            PartAt p = f.replaces() == null ? null : m.sheet().partNamed(f.replaces());
            if (p == null
                    || m.orderOf(p) < 0
                    || m.night().fitted(f.id()) < f.count()
                    || m.procedure().loopAt(m.place()).size() > 1) {
                continue;
            }
            List<String> ids = m.partIds(List.of(p));
            out.report(info)
                    .cause(f.id())
                    .items(ids)
                    .says(
                            Text.of(
                                    "fittings-off.sits-there-still",
                                    "Step {0} puts {1} on; their place is still taken: {2}.",
                                    m.number(),
                                    m.sheet().names(ids),
                                    SheetIndex.spoken(f.name())),
                            Text.of(
                                    "fittings-off.one-place-holds-one-thing",
                                    "One place holds one thing: it is forced, or hangs loose."));
        }
    }

    /** What was never put on cannot be taken off: the step that put it on is missing. */
    private void neverOn(Moment m, Action.Unfit u, Findings out) {
        for (Fitting f : m.sheet().sheet().fittings()) {
            if (u.fittings().contains(f.id()) && m.night().fitted(f.id()) == 0) {
                out.report(info)
                        .cause(f.id())
                        .says(
                                Text.of(
                                        "fittings-off.takes-off-what-was-never",
                                        "Step {0} takes {1} off, but no step before has put it on.",
                                        m.number(),
                                        f.name()),
                                Text.of(
                                        "fittings-off.what-was-done-without-it",
                                        "What needs it was done without it, or not at all."));
            }
        }
    }

    /** A partial run with what was fitted for it: liquid is sent through, then it comes off. */
    private static boolean forCleaning(Moment m, Fitting f) {
        int pumps = m.firstLater(a -> sendsThrough(a, m.sheet()));
        int off = m.firstLater(a -> a instanceof Action.Unfit u && u.fittings().contains(f.id()));
        return pumps >= 0 && pumps < off;
    }

    private static boolean sendsThrough(Action action, SheetIndex sheet) {
        Action.Method how =
                switch (action) {
                    case Action.Wash a -> a.method();
                    case Action.Rinse a -> a.method();
                    case Action.Sanitize a -> a.method();
                    default -> null;
                };
        return action instanceof Action.Circulate
                || how == Action.Method.FLOOD
                        && action.items().stream().anyMatch(i -> sheet.passageNamed(i) != null);
    }
}
