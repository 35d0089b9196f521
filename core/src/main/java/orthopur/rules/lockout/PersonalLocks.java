package orthopur.rules.lockout;

import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.rules.Sources;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.Words;
import orthopur.text.Text;

/** L7: as many personal locks as people. */
public final class PersonalLocks extends BookRule {
    public PersonalLocks() {
        super(
                RuleId.L7,
                Severity.STOP,
                "Each person puts on their own lock",
                Sources.LOCKOUT + "(f)(3)");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (m.action() instanceof Action.Unlock u) {
            othersLock(m, u, out);
        }
        if (!(m.action() instanceof Action.Lock a)) {
            return;
        }
        int people = m.procedure().mostPeople();
        if (a.locks() == null ? people < 2 : a.locks() >= people) {
            return;
        }
        Findings.Report r =
                out.report(info)
                        .number("people", people, "people")
                        .says(
                                a.locks() == null
                                        ? Text.of(
                                                "personal-locks.does-not-say-how-many",
                                                "Step {0} does not say how many locks go on; {1} people work.",
                                                m.number(),
                                                people)
                                        : Text.of(
                                                "personal-locks.puts-on-of-personal-locks",
                                                "Step {0} puts on {1} of {2} personal locks.",
                                                m.number(),
                                                a.locks(),
                                                people),
                                Text.of(
                                        "personal-locks.a-person-without-a-lock",
                                        "A person without a lock of their own is not protected when somebody else takes theirs off."))
                        .propose(
                                Text.of(
                                        "personal-locks.one-lock-for-each-of",
                                        "One lock for each of {0}",
                                        people),
                                change(
                                        m,
                                        m.step()
                                                .with(
                                                        new Action.Lock(
                                                                a.energies(),
                                                                people,
                                                                a.secondMeasure(),
                                                                a.told()))));
        if (a.locks() != null) {
            r.number("locks", a.locks(), "locks");
        }
    }

    /** A lock is taken off by whoever put it on, and by nobody for them. */
    private void othersLock(Moment m, Action.Unlock unlock, Findings out) {
        String by = unlock.owner();
        if (by == null) {
            unsaid(m, unlock, out);
            return;
        }
        if (Words.own(by)) {
            return;
        }
        ownersTakeThemOff(
                m,
                unlock,
                out.report(info),
                Text.of(
                        "personal-locks.is-taken-off-by-another",
                        "Step {0} has the lock taken off by \"{1}\".",
                        m.number(),
                        by));
    }

    /** One person takes off the only lock there is; of several it has to be said whose. */
    private void unsaid(Moment m, Action.Unlock unlock, Findings out) {
        int people = m.procedure().mostPeople();
        if (people >= 2) {
            ownersTakeThemOff(
                    m,
                    unlock,
                    out.report(info).severity(Severity.FIX).number("people", people, "people"),
                    Text.of(
                            "personal-locks.does-not-say-who",
                            "Step {0} does not say who takes off the locks of {1} people.",
                            m.number(),
                            people));
        }
    }

    private static void ownersTakeThemOff(
            Moment m, Action.Unlock unlock, Findings.Report found, Text says) {
        found.source("29 CFR 1910.147(e)(3)")
                .says(
                        says,
                        Text.of(
                                "personal-locks.only-its-owner-knows",
                                "Only its owner knows whether their hands are out."))
                .propose(
                        Text.of(
                                "personal-locks.each-takes-off-their-own",
                                "Each takes off their own"),
                        change(
                                m,
                                m.step()
                                        .with(
                                                new Action.Unlock(
                                                        unlock.energies(),
                                                        "each owner",
                                                        unlock.told()))));
    }
}
