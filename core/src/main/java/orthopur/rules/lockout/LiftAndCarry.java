package orthopur.rules.lockout;

import java.util.List;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Step;
import orthopur.quantity.Mass;
import orthopur.rules.BookRule;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** L10: no more than one person can lift, and two where the sheet says two. */
public final class LiftAndCarry extends BookRule {
    public LiftAndCarry() {
        super(
                RuleId.L10,
                Severity.FIX,
                "Heavy and two-person parts with enough people",
                "NIOSH lifting equation, DHHS 94-110");
    }

    @Override
    public void look(Moment m, Findings out) {
        boolean lifts = m.action() instanceof Action.Remove || m.action() instanceof Action.Install;
        // What slides or swings is not borne; how many it takes is for the sheet to say.
        boolean moves = m.action() instanceof Action.Shift || m.action() instanceof Action.Return;
        if (!lifts && !moves) {
            return;
        }
        Mass most = new Mass(m.context().book().number("lift.load-constant"));
        for (PartAt p : m.parts()) {
            Part part = m.sheet().part(p);
            Mass mass = part.moving().mass();
            Integer people = part.moving().people();
            boolean heavy = lifts && mass != null && mass.compareTo(most) > 0;
            int needed =
                    Math.max(
                            people == null ? 1 : people,
                            mass == null || !lifts
                                    ? 1
                                    : (int) Math.ceil(mass.kilograms() / most.kilograms() - 1e-9));
            if (m.step().people() >= needed) {
                continue;
            }
            Step s = m.step();
            Findings.Report r =
                    out.report(info)
                            .items(List.of(part.id()))
                            .number("people", s.people(), "people")
                            .says(
                                    Text.of(
                                            "lift-and-carry.moves-with-person-it-takes",
                                            "Step {0} moves {1} with {2, plural, one {# person} other {# persons}}; it takes {3}{4}.",
                                            m.number(),
                                            m.sheet().names(List.of(part.id())),
                                            s.people(),
                                            needed,
                                            mass != null && heavy
                                                    ? Text.of(
                                                            "lift-and-carry.at-most-each",
                                                            ": {0}, at most {1} each",
                                                            mass.shown(),
                                                            most.shown())
                                                    : Text.of(
                                                            "lift-and-carry.by-its-sheet",
                                                            " by its sheet")),
                                    Text.of(
                                            "lift-and-carry.one-person-alone-hurts-their",
                                            "One person alone hurts their back or drops it."));
            if (needed <= m.procedure().people()) {
                r.propose(
                        Text.of("lift-and-carry.people", "{0} people", needed),
                        change(m, s.withPeople(needed)));
            }
        }
    }
}
