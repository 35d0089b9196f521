package orthopur.rules.cleanchain;

import java.util.List;
import orthopur.machine.Energy;
import orthopur.machine.EnergyStage;
import orthopur.procedure.Action;
import orthopur.rules.BookRule;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PassageAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** C14: nothing goes round in a passage while what moves it is off. */
public final class NothingMoves extends BookRule {
    public NothingMoves() {
        super(
                RuleId.C14,
                Severity.STOP,
                "What is sent round has something that moves it",
                "Food Code 2022, 4-603.16");
    }

    @Override
    public void look(Moment m, Findings out) {
        boolean circulates = m.action() instanceof Action.Circulate;
        boolean floods =
                switch (m.action()) {
                    case Action.Wash w -> w.method() == Action.Method.FLOOD;
                    case Action.Rinse r -> r.method() == Action.Method.FLOOD;
                    case Action.Sanitize s -> s.method() == Action.Method.FLOOD;
                    default -> false;
                };
        if (!circulates && !floods) {
            return;
        }
        for (PassageAt p : m.passages()) {
            String by = m.sheet().passage(p).movedBy();
            EnergyAt e = by == null ? null : m.sheet().energyNamed(by);
            boolean needed = circulates || m.sheet().passage(p).onlyMoved();
            if (e == null || !needed || m.night().stage(e) == EnergyStage.LIVE) {
                continue;
            }
            Energy energy = m.sheet().energy(e);
            List<SurfaceAt> wetted = m.sheet().wettedIn(p);
            out.report(info)
                    .energy(energy.id())
                    .items(m.surfaceIds(wetted))
                    .says(
                            Text.of(
                                    "nothing-moves.circulates-while",
                                    "Step {0} sends liquid round in {1} while {2} is {3}.",
                                    m.number(),
                                    m.sheet().passage(p).name(),
                                    energy.name(),
                                    m.night().stage(e).shown()),
                            Text.of(
                                    "nothing-moves.it-stands-where-it-is",
                                    "It stands where it was poured; the far end meets no cleaner."))
                    .deny(wetted);
            return;
        }
    }
}
