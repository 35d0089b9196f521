package orthopur.rules.lockout;

import orthopur.machine.EnergyStage;
import orthopur.procedure.Action;
import orthopur.procedure.Step;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** L16: those who work with the machine are told before locks go on, and before it starts again. */
public final class PeopleTold extends BookRule {
    private static final String BEFORE = "before";
    private static final String AFTER = "after";

    public PeopleTold() {
        super(
                RuleId.L16,
                Severity.FIX,
                "People at the machine are told before locks go on and before it starts again",
                Sources.LOCKOUT + "(c)(9)");
    }

    @Override
    public void look(Moment m, Findings out) {
        switch (m.action()) {
            case Action.Lock a when !a.told() && first(m) -> {
                Action told = new Action.Lock(a.energies(), a.locks(), a.secondMeasure(), true);
                report(m, out, BEFORE, told)
                        .says(
                                Text.of(
                                        "people-told.locks-and-tells-nobody",
                                        "Step {0} locks the machine and nobody at it is told.",
                                        m.number()),
                                Text.of(
                                        "people-told.who-does-not-know-tries",
                                        "Somebody who does not know why it stands tries to start it, or looks for the key."));
            }
            case Action.Unlock a when !a.told() && locked(m) && last(m) -> {
                Action told = new Action.Unlock(a.energies(), a.owner(), true);
                report(m, out, AFTER, told)
                        .says(
                                Text.of(
                                        "people-told.unlocks-and-tells-nobody",
                                        "Step {0} takes the locks off and nobody at the machine is told that it starts again.",
                                        m.number()),
                                Text.of(
                                        "people-told.a-hand-that-was-safe",
                                        "A hand that was safe for an hour goes back in out of habit."));
            }
            default -> {}
        }
    }

    private Findings.Report report(Moment m, Findings out, String when, Action told) {
        Step with = m.step().with(told);
        return out.report(info)
                .cause(when)
                .propose(
                        Text.of("people-told.tell-them", "Tell everyone at the machine"),
                        change(m, with.withWords("Tell everyone at the machine. " + with.words())));
    }

    /** Told once, they know. */
    private static boolean first(Moment m) {
        return !m.earlier(x -> x instanceof Action.Lock);
    }

    private static boolean last(Moment m) {
        return !m.later(x -> x instanceof Action.Unlock) && !toldSinceItWasLocked(m);
    }

    /** Who was told before it was locked once more knows nothing of this start. */
    private static boolean toldSinceItWasLocked(Moment m) {
        for (int i = m.place() - 1; i >= 0; i--) {
            Step s = m.procedure().steps().get(i);
            if (m.context().configuration().holds(s.when())) {
                if (s.action() instanceof Action.Lock) {
                    return false;
                }
                if (s.action() instanceof Action.Unlock u && u.told()) {
                    return true;
                }
            }
        }
        return false;
    }

    private static boolean locked(Moment m) {
        for (EnergyAt e : m.energies()) {
            if (m.night().stageNumber(e) >= m.night().path(e).indexOf(EnergyStage.LOCKED)
                    && m.night().path(e).contains(EnergyStage.LOCKED)) {
                return true;
            }
        }
        return false;
    }
}
