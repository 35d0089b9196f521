package orthopur.drafting;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.Assembly;
import orthopur.machine.Check;
import orthopur.machine.Fitting;
import orthopur.machine.Handling;
import orthopur.machine.Hazard;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/** Taking the machine apart, and putting it together with what it needs on the way. */
final class Dismantling {
    private static final List<String> CARRIED =
            List.of("cart", "tray", "bucket", "bag", "box", "crate", "tub", "pan");

    private final Work work;
    private final Script script;

    Dismantling(Work work, Script script) {
        this.work = work;
        this.script = script;
    }

    void takeApart() {
        if (work.parts.stream().anyMatch(p -> p.hazards().contains(Hazard.EDGE))) {
            script.ppe.add("cut-resistant gloves");
        }
        List<Part> marked = work.apart.inOrder().stream().filter(p -> p.mark() != null).toList();
        if (!marked.isEmpty()) {
            script.add(
                    new Action.Mark(Work.partIds(marked)),
                    "Find the mark of each, and mark what has none: " + Words.parts(marked),
                    "Each goes back where it came from.");
        }
        List<Part> together = new ArrayList<>();
        for (Part p : work.apart.inOrder()) {
            script.things.addAll(p.moving().tools());
            boolean joins =
                    TakeApart.comesOff(p)
                            && !TakeApart.minded(p)
                            && (together.isEmpty() || fits(together.getFirst(), p));
            if (!joins) {
                takeOff(together);
            }
            List<Fitting> first = carrying(p).stream().filter(f -> !swapped(f)).toList();
            fittings("Put on, it slides on them: ", first, Action.Fit::new, null);
            if (!TakeApart.comesOff(p)) {
                script.moving(
                        p,
                        new Action.Shift(List.of(p.id())),
                        Words.sentence("Move aside: " + Words.part(p)) + how(List.of(p)));
            } else if (TakeApart.minded(p)) {
                takeOff(List.of(p));
            } else {
                together.add(p);
            }
        }
        takeOff(together);
    }

    /** Whether it went on already, in the place of a part that came off. */
    private boolean swapped(Fitting f) {
        return work.apart.inOrder().stream().anyMatch(p -> p.id().equals(f.replaces()));
    }

    private static boolean fits(Part a, Part b) {
        return TakeApart.place(a).equals(TakeApart.place(b))
                && java.util.Objects.equals(a.when(), b.when());
    }

    private void takeOff(List<Part> some) {
        if (some.isEmpty()) {
            return;
        }
        Part first = some.getFirst();
        String place = TakeApart.place(first);
        // A cart or a tray is fetched; a sink and a shelf are where they are.
        if (CARRIED.stream().anyMatch(place::contains)) {
            script.things.add(place);
        }
        boolean turned = first.moving().index() == Handling.Index.BY_HAND && first.count() > 1;
        if (first.moving().index() == Handling.Index.BY_HAND) {
            turn(first);
        }
        script.moving(
                first,
                new Action.Remove(Work.partIds(some), null, place),
                "Take off and put "
                        + Words.them(some)
                        + " "
                        + Words.place(place)
                        + ": "
                        + Words.parts(some)
                        + "."
                        + how(some));
        if (turned) {
            script.loop(first.id() + "-off", 2);
        }
        List<Fitting> instead =
                work.sheet.fittings().stream()
                        .filter(f -> first.id().equals(f.replaces()))
                        .toList();
        if (!instead.isEmpty()) {
            fittings("Put on in its place: ", instead, Action.Fit::new, null);
            script.loop(first.id() + "-swapped", 2);
        }
        if (some instanceof ArrayList<Part> list) {
            list.clear();
        }
    }

    /** By the hand wheel to where one comes off or goes on; in a loop where there are several. */
    private void turn(Part p) {
        script.moving(
                p,
                new Action.Index(List.of(p.id()), p.count() > 1 ? null : 1, false),
                "Turn by the hand wheel, under lock, until "
                        + (p.count() > 1 ? "the next one" : "it")
                        + " stands where it moves: "
                        + Words.part(p));
    }

    /** How each is held; the name before it where there are several. */
    private static String how(List<Part> some) {
        StringBuilder how = new StringBuilder();
        for (Part p : some) {
            if (p.fastening() != null) {
                how.append(' ');
                if (some.size() > 1) {
                    how.append(p.name()).append(": ");
                }
                how.append(
                        Words.sentence(
                                some.size() > 1
                                        ? SheetIndex.spoken(p.fastening())
                                        : p.fastening()));
            }
        }
        return how.toString();
    }

    /** What is on only for cleaning: rails, hoses, caps. */
    void fit() {
        work.sheet.fittings().stream()
                .filter(f -> f.replaces() != null || carries(f) || loose().contains(f))
                .forEach(f -> script.things.add(f.name()));
        fittings("Put on for the clean: ", byHand(loose()), Action.Fit::new, null);
    }

    /** What closes a line that its pump fills goes on once everything else is together. */
    void fitForLines() {
        fittings("Put on for the lines: ", forLines(loose()), Action.Fit::new, null);
    }

    void unfitFromLines() {
        takeOffFittings(forLines(loose()));
    }

    private List<Fitting> forLines(List<Fitting> some) {
        return some.stream()
                .filter(f -> work.pumped().stream().anyMatch(p -> f.serves().contains(p.id())))
                .toList();
    }

    private List<Fitting> byHand(List<Fitting> some) {
        List<Fitting> lines = forLines(some);
        return some.stream().filter(f -> !lines.contains(f)).toList();
    }

    /**
     * Off again before anything is put together, and counted: the machine must not start with it.
     */
    void unfit() {
        takeOffFittings(byHand(loose()));
    }

    private void takeOffFittings(List<Fitting> some) {
        fittings(
                "Take off what was put on for the clean, and count: ",
                some,
                Action.Unfit::new,
                "What stays on is thrown off, jams, or lets product run where it should not.");
    }

    /**
     * Those that carry nothing; what a part slides on goes on and off with that part. They close a
     * line or turn what is brought on by hand: where there is neither, a sharpener stays in its
     * box.
     */
    private List<Fitting> loose() {
        boolean served =
                !work.sheet.passages().isEmpty()
                        || work.parts.stream().anyMatch(p -> p.moving().index() != null);
        return work.sheet.fittings().stream()
                .filter(f -> served && f.replaces() == null && !carries(f))
                .toList();
    }

    private boolean carries(Fitting f) {
        return work.sheet.parts().stream().anyMatch(p -> p.moving().fittings().contains(f.id()));
    }

    private List<Fitting> carrying(Part p) {
        return work.sheet.fittings().stream()
                .filter(f -> p.moving().fittings().contains(f.id()))
                .toList();
    }

    private void fittings(
            String words,
            List<Fitting> all,
            Function<List<String>, Action> action,
            @Nullable String because) {
        if (!all.isEmpty()) {
            script.add(
                    action.apply(all.stream().map(Fitting::id).toList()),
                    words + Words.fittings(all),
                    because);
        }
    }

    void lubricate() {
        for (Part p : work.parts) {
            for (Assembly.Lubrication point : p.fitting().lubrication()) {
                if (point.never() || !point.frequency().dueIn(work.request.kind())) {
                    continue;
                }
                Chemical c = lubricant(point.product());
                if (c == null) {
                    throw new DraftRefused(
                            List.of(
                                    Text.of(
                                            "draft-refused.no-lubricant",
                                            "This site owns no food-grade lubricant for {0} of {1}.",
                                            SheetIndex.spoken(point.point()),
                                            SheetIndex.spoken(p.name()))));
                }
                script.product(c);
                boolean passes = work.passing().contains(p);
                if (passes) {
                    turn(p);
                }
                script.add(
                        new Action.Lubricate(
                                List.of(p.id()), c.id(), point.drops(), point.workIn() != null),
                        "Lubricate with "
                                + c.name()
                                + ": "
                                + SheetIndex.spoken(p.name())
                                + ", "
                                + point.point()
                                + (point.drops() == null ? "" : ", " + point.drops() + " drops")
                                + (point.workIn() == null ? "" : "; " + point.workIn()),
                        null,
                        p.when());
                if (passes) {
                    script.loop(p.id() + "-oiled", 2);
                }
            }
        }
    }

    private @Nullable Chemical lubricant(@Nullable String named) {
        Chemical c = work.context.chemical(named);
        return c != null
                ? c
                : work.context.chemicals().values().stream()
                        .filter(x -> x.kind().lubricates() && x.foodGrade() != null)
                        .min(Comparator.comparing(Chemical::id))
                        .orElse(null);
    }

    /** Those that want nothing said of them go back in one step, in this order. */
    private void putBack(List<Part> some) {
        if (some.isEmpty()) {
            return;
        }
        Part first = some.getFirst();
        String pattern = first.fitting().pattern();
        boolean turned = first.moving().index() == Handling.Index.BY_HAND && first.count() > 1;
        if (turned) {
            turn(first);
        }
        script.moving(
                first,
                new Action.Install(Work.partIds(some), null, pattern),
                "Put back: "
                        + Words.parts(some)
                        + (first.mark() == null ? "" : ", at its mark (" + first.mark() + ")")
                        + (pattern == null ? "" : "; " + pattern));
        if (turned) {
            script.loop(first.id() + "-on", 2);
        }
        some.clear();
    }

    private static List<PartAt> onBefore(SheetIndex index, String part) {
        PartAt p = index.partNamed(part);
        return p == null ? List.of() : index.onBefore(p);
    }

    void putTogether() {
        SheetIndex index = new SheetIndex(work.sheet);
        List<Part> left = new ArrayList<>(work.apart.inOrder().reversed());
        Set<String> waiting = new HashSet<>(Work.partIds(left));
        List<Part> together = new ArrayList<>();
        while (!left.isEmpty()) {
            Part next =
                    left.stream()
                            .filter(
                                    p ->
                                            onBefore(index, p.id()).stream()
                                                    .map(q -> index.part(q).id())
                                                    .noneMatch(waiting::contains))
                            .findFirst()
                            .orElse(left.getFirst());
            left.remove(next);
            waiting.remove(next.id());
            boolean plain =
                    TakeApart.comesOff(next) && !TakeApart.minded(next) && next.mark() == null;
            boolean joins =
                    plain
                            && (together.isEmpty()
                                    || Objects.equals(together.getFirst().when(), next.when()));
            if (!joins) {
                putBack(together);
            }
            if (plain) {
                together.add(next);
            } else if (TakeApart.comesOff(next)) {
                putBack(new ArrayList<>(List.of(next)));
            } else {
                script.moving(
                        next,
                        new Action.Return(List.of(next.id())),
                        "Bring back: " + Words.part(next));
                fittings("Take off again, and count: ", carrying(next), Action.Unfit::new, null);
            }
        }
        putBack(together);
        List<Check> checks = work.checks(false);
        if (!checks.isEmpty()) {
            script.add(
                    new Action.Measure(checks.stream().map(Check::id).toList()),
                    "Measure: " + Words.checks(checks),
                    null);
        }
    }
}
