package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.List;
import orthopur.machine.Handling;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** T12: a part that comes off at one position only: the machine is brought there each time. */
public final class IndexPosition extends BookRule {
    public IndexPosition() {
        super(
                RuleId.T12,
                Severity.STOP,
                "The machine is indexed for each part that comes off at one position",
                "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        positions(m, out);
        Integer stated;
        boolean takes = m.action() instanceof Action.Remove;
        switch (m.action()) {
            case Action.Index i -> {
                passedOver(m, i, out);
                return;
            }
            case Action.Remove a -> stated = a.count();
            case Action.Install a -> stated = a.count();
            default -> {
                return;
            }
        }
        for (PartAt p : m.parts()) {
            Part part = m.sheet().part(p);
            int there = takes ? part.count() - m.night().off(p) : m.night().off(p);
            int wanted = stated == null ? there : stated;
            // The last one came off where the first one goes back on.
            int moves = takes ? wanted : wanted - 1;
            // In a loop the machine is brought on before each one.
            if (part.moving().index() == null
                    || m.night().visited(p) >= moves
                    || m.procedure()
                            .loops(
                                    m.place(),
                                    x ->
                                            x instanceof Action.Index i
                                                    && i.times() == null
                                                    && i.items().contains(part.id()))) {
                continue;
            }
            boolean byHand = part.moving().index() == Handling.Index.BY_HAND;
            List<Edit> edits = new ArrayList<>();
            edits.add(
                    new Edit.InsertBefore(
                            m.step().id(),
                            StepEdits.fresh(
                                    m.procedure(),
                                    0,
                                    new Action.Index(List.of(part.id()), wanted, false),
                                    "Turn to the next position by the hand wheel, "
                                            + (takes ? "take one off, " : "put one on, ")
                                            + wanted
                                            + " times.")));
            Findings.Report r =
                    out.report(info)
                            .items(List.of(part.id()))
                            .number("positions visited", m.night().visited(p), "positions")
                            .number(takes ? "parts taken off" : "parts put back", wanted, "pieces")
                            .says(
                                    Text.of(
                                            "index-position.moves-of-and-the",
                                            "Step {0} {4} {1} of {2} and the machine has been brought to {3, plural, one {# position} other {# positions}}.",
                                            m.number(),
                                            wanted,
                                            m.sheet().names(List.of(part.id())),
                                            m.night().visited(p),
                                            takes
                                                    ? Text.of(
                                                            "index-position.takes-off", "takes off")
                                                    : Text.of(
                                                            "index-position.puts-back",
                                                            "puts back")),
                                    Text.of(
                                            "index-position.it-comes-off-at-one",
                                            "It moves at one position only; elsewhere it is forced."));
            if (byHand) {
                r.propose(
                        Text.of(
                                "index-position.index-times-by-hand",
                                "Index {0} times by hand",
                                wanted),
                        edits);
            }
        }
    }

    /** Turned twice in one round, every other position goes by. */
    private void passedOver(Moment m, Action.Index again, Findings out) {
        for (Step s : m.procedure().loopAt(m.place())) {
            if (s == m.step()) {
                return;
            }
            if (s.action() instanceof Action.Index before
                    && before.items().stream().anyMatch(again.items()::contains)) {
                out.report(info)
                        .items(again.items())
                        .says(
                                Text.of(
                                        "index-position.turns-again",
                                        "Step {0} turns to the next position, and step {1} of the same round has done so.",
                                        m.number(),
                                        m.procedure().steps().indexOf(s) + 1),
                                Text.of(
                                        "index-position.every-other-goes-by",
                                        "Every other position goes by, and what is there is never reached."))
                        .deny(m.named());
                return;
            }
        }
    }

    /** What stays on and passes by hand, a length or a place at a time: a chain, a roller. */
    private void positions(Moment m, Findings out) {
        boolean treats =
                switch (m.action()) {
                    case Action.DryClean _,
                            Action.Wash _,
                            Action.Rinse _,
                            Action.Inspect _,
                            Action.Sanitize _,
                            Action.Coat _,
                            Action.Lubricate _ ->
                            true;
                    default -> false;
                };
        for (PartAt p : treats ? m.parts() : List.<PartAt>of()) {
            Part part = m.sheet().part(p);
            boolean passes = !part.removable() && part.moving().index() != null && part.count() > 1;
            if (!passes
                    || m.action() instanceof Action.Inspect && seen(m, p)
                    || m.procedure()
                            .loops(
                                    m.place(),
                                    x ->
                                            x instanceof Action.Index i
                                                    && i.items().contains(part.id()))) {
                continue;
            }
            out.report(info)
                    .items(List.of(part.id()))
                    .number("positions", part.count(), "positions")
                    .says(
                            Text.of(
                                    "index-position.does-one-of",
                                    "Step {0} reaches one length of {1}; the machine is not brought on for the other {2}.",
                                    m.number(),
                                    m.sheet().names(List.of(part.id())),
                                    part.count() - 1),
                            Text.of(
                                    "index-position.only-what-lies-in-front",
                                    "Only what lies in front of the hands is reached; the rest goes round dirty."))
                    .deny(m.sheet().surfacesOf(p));
        }
    }

    /** Looked at once more is no harm: each length has been seen since it was last rinsed. */
    private static boolean seen(Moment m, PartAt part) {
        return m.sheet().surfacesOf(part).stream()
                .allMatch(s -> m.night().facts(s).inspected() != Facts.NEVER);
    }
}
