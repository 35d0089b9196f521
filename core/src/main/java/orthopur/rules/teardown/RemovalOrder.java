package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SheetIndex;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** T1: a part comes off only when what is in front of it is off or moved aside. */
public final class RemovalOrder extends BookRule {
    public RemovalOrder() {
        super(
                RuleId.T1,
                Severity.STOP,
                "What is in front comes off first",
                "the machine's sheet and manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.Install || m.action() instanceof Action.Return) {
            behindShut(m, out);
        }
        if (m.action() instanceof Action.Remove) {
            washedBefore(m, out);
        }
        boolean cleans =
                m.action() instanceof Action.Wash
                        || m.action() instanceof Action.Rinse
                        || m.action() instanceof Action.Sanitize
                        || m.action() instanceof Action.DryClean;
        if (cleans
                || m.action() instanceof Action.Inspect
                || m.action() instanceof Action.Coat
                || m.action() instanceof Action.Lubricate) {
            throughCover(m, cleans, out);
        }
        boolean aside = m.action() instanceof Action.Shift;
        if (!aside && !(m.action() instanceof Action.Remove)) {
            return;
        }
        for (PartAt p : m.parts()) {
            List<PartAt> inFront = new ArrayList<>();
            for (String front : m.sheet().part(p).behind()) {
                PartAt f = m.sheet().partNamed(front);
                // Named in the same step, earlier in its list: taken off on the way.
                boolean together = f != null && m.orderOf(f) >= 0 && m.orderOf(f) < m.orderOf(p);
                if (f != null && m.night().inTheWay(f) && !together) {
                    inFront.add(f);
                }
            }
            if (inFront.isEmpty()) {
                continue;
            }
            Part part = m.sheet().part(p);
            Findings.Report r =
                    out.report(info)
                            .items(List.of(part.id()))
                            .items(m.partIds(inFront))
                            .says(
                                    aside
                                            ? Text.of(
                                                    "removal-order.moves-aside-with",
                                                    "Step {0} moves {1} aside with {2} still in front of it.",
                                                    m.number(),
                                                    SheetIndex.spoken(part.name()),
                                                    m.sheet().names(m.partIds(inFront)))
                                            : Text.of(
                                                    "removal-order.takes-off-while-is-still",
                                                    "Step {0} takes off {1} while {2} is still in front of it.",
                                                    m.number(),
                                                    SheetIndex.spoken(part.name()),
                                                    m.sheet().names(m.partIds(inFront))),
                                    Text.of(
                                            "removal-order.it-cannot-come-off-this",
                                            "It cannot come off this way; someone will force it and hurt the part or a hand."));
            for (PartAt f : inFront) {
                propose(m, p, m.sheet().part(f), r);
            }
        }
    }

    /** Nobody puts a part on through a door that is shut. */
    private void behindShut(Moment m, Findings out) {
        boolean back = m.action() instanceof Action.Return;
        for (PartAt p : m.parts()) {
            boolean away = back ? m.night().aside(p) : m.night().off(p) > 0;
            List<PartAt> shut =
                    m.sheet().part(p).behind().stream()
                            .map(m.sheet()::partNamed)
                            .filter(f -> f != null && (back || !m.sheet().part(f).removable()))
                            .filter(f -> m.orderOf(f) < 0 || m.orderOf(f) > m.orderOf(p))
                            .filter(f -> m.night().inTheWay(f) && away)
                            .toList();
            if (!shut.isEmpty() && out.onItem(m.sheet().part(p).id(), RuleId.T1) == null) {
                out.report(info)
                        .items(m.partIds(List.of(p)))
                        .items(m.partIds(shut))
                        .says(
                                back
                                        ? Text.of(
                                                "removal-order.moves-back-behind",
                                                "Step {0} moves {1} back with {2} still shut in front of it.",
                                                m.number(),
                                                m.sheet().names(m.partIds(List.of(p))),
                                                m.sheet().names(m.partIds(shut)))
                                        : Text.of(
                                                "removal-order.puts-on-behind",
                                                "Step {0} puts {1} on with {2} still shut in front of it.",
                                                m.number(),
                                                m.sheet().names(m.partIds(List.of(p))),
                                                m.sheet().names(m.partIds(shut))),
                                Text.of(
                                        "removal-order.nobody-reaches-through",
                                        "Nobody reaches through what is shut; it is opened in a hurry and stays open."));
            }
        }
    }

    /**
     * What comes off is taken off before it is washed: on the machine only its front gets clean.
     */
    private void washedBefore(Moment m, Findings out) {
        for (PartAt p : m.parts()) {
            String id = m.sheet().part(p).id();
            List<SurfaceAt> own = m.sheet().surfacesOf(p);
            boolean on = m.night().off(p) == 0 && m.night().installedAt(p) == Facts.NEVER;
            boolean washed =
                    own.stream().anyMatch(s -> washed(m, s))
                            && own.stream()
                                    .filter(s -> m.sheet().surface(s).zone() <= 2)
                                    .allMatch(s -> washed(m, s));
            if (!on || !washed) {
                continue;
            }
            boolean again =
                    m.later(
                            a ->
                                    (a instanceof Action.Wash
                                                    || a instanceof Action.Soak
                                                    || a instanceof Action.RunProgram)
                                            && m.sheet().meant(a, p));
            if (!again && out.onItem(id, RuleId.T1) == null) {
                out.report(info)
                        .severity(Severity.FIX)
                        .items(List.of(id))
                        .says(
                                Text.of(
                                        "removal-order.takes-off-what-was-washed",
                                        "Step {0} takes off {1}, which step {2} has washed on the machine.",
                                        m.number(),
                                        m.sheet().names(List.of(id)),
                                        own.stream()
                                                        .mapToInt(s -> m.night().facts(s).washed())
                                                        .max()
                                                        .orElse(0)
                                                + 1),
                                Text.of(
                                        "removal-order.back-and-seat-stay-as-they-were",
                                        "Its back and its seat stay as they were; take it off first."));
            }
        }
    }

    private static boolean washed(Moment m, SurfaceAt surface) {
        return m.night().facts(surface).washed() != Facts.NEVER;
    }

    /**
     * Nobody looks through a cover, or oils through one. What is cleaned through one is C6; where
     * it was clean already, C6 has nothing to miss, and the hand still goes where it cannot.
     */
    private void throughCover(Moment m, boolean cleans, Findings out) {
        Set<PartAt> covers = new LinkedHashSet<>();
        List<String> hidden = new ArrayList<>();
        for (String item : m.action().items()) {
            PartAt part = m.sheet().partNamed(item);
            SurfaceAt surface = m.sheet().surfaceNamed(item);
            List<SurfaceAt> all =
                    part != null
                            ? m.sheet().surfacesOf(part)
                            : surface != null ? List.of(surface) : List.of();
            boolean shut =
                    !all.isEmpty()
                            && all.stream().noneMatch(m::reaches)
                            && all.stream().allMatch(s -> m.night().coverOf(s) != null)
                            && (!cleans || all.stream().allMatch(s -> washed(m, s)));
            if (shut) {
                hidden.add(item);
                all.stream().map(m.night()::coverOf).filter(c -> c != null).forEach(covers::add);
            }
        }
        if (!hidden.isEmpty()) {
            out.report(info)
                    .severity(Severity.FIX)
                    .items(hidden)
                    .items(m.partIds(List.copyOf(covers)))
                    .says(
                            Text.of(
                                    "removal-order.works-through",
                                    "Step {0} works on {1} with {2} still over it.",
                                    m.number(),
                                    m.sheet().names(hidden),
                                    m.sheet().names(m.partIds(List.copyOf(covers)))),
                            Text.of(
                                    "removal-order.nobody-reaches-through",
                                    "Nobody reaches through what is shut; it is opened in a hurry and stays open."));
        }
    }

    private static void propose(Moment m, PartAt behind, Part front, Findings.Report r) {
        Procedure p = m.procedure();
        String before = m.step().id();
        for (Step s : p.steps().subList(m.place() + 1, p.steps().size())) {
            boolean takes =
                    s.action() instanceof Action.Remove || s.action() instanceof Action.Shift;
            if (takes && s.action().items().contains(front.id())) {
                r.propose(
                        Text.of(
                                "removal-order.take-off-first",
                                "Take off {0} first",
                                SheetIndex.spoken(front.name())),
                        List.of(new Edit.Move(s.id(), before)));
                return;
            }
        }
        String back = afterInstallOf(p, m.place(), m.sheet().part(behind).id());
        if (front.shifts()) {
            r.propose(
                    Text.of(
                            "removal-order.move-aside-first",
                            "Move {0} aside first",
                            SheetIndex.spoken(front.name())),
                    List.of(
                            insert(
                                    p,
                                    before,
                                    0,
                                    new Action.Shift(List.of(front.id())),
                                    "Move aside: ",
                                    front),
                            insert(
                                    p,
                                    back,
                                    1,
                                    new Action.Return(List.of(front.id())),
                                    "Move back: ",
                                    front)));
        }
        if (front.removable()) {
            r.propose(
                    Text.of(
                            "removal-order.take-off-first",
                            "Take off {0} first",
                            SheetIndex.spoken(front.name())),
                    List.of(
                            insert(
                                    p,
                                    before,
                                    0,
                                    new Action.Remove(
                                            List.of(front.id()), null, front.destination()),
                                    "Take off: ",
                                    front),
                            insert(
                                    p,
                                    back,
                                    1,
                                    new Action.Install(List.of(front.id()), null),
                                    "Put back: ",
                                    front)));
        }
    }

    private static Edit insert(
            Procedure p, @Nullable String before, int nth, Action action, String words, Part part) {
        return new Edit.InsertBefore(before, StepEdits.moving(p, nth, action, words, part));
    }

    /** The step after the one that puts the part behind back, for only then the front goes on. */
    private static @Nullable String afterInstallOf(Procedure p, int place, String part) {
        for (int i = place; i < p.steps().size() - 1; i++) {
            Action a = p.steps().get(i).action();
            if (a instanceof Action.Install && a.items().contains(part)) {
                return p.steps().get(i + 1).id();
            }
        }
        return StepEdits.firstFrom(p, place, StepEdits::endsAssembly);
    }
}
