package orthopur.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import orthopur.machine.Handling;
import orthopur.machine.Hazard;
import orthopur.machine.Heat;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.quantity.Mass;
import orthopur.quantity.Temperature;
import orthopur.testbench.Bench;
import orthopur.testbench.Rig;

/** Power, stored energy, locks and people. */
class EachLockoutRuleTest extends EachRule {
    @Override
    void chapter() {
        Rig plain = Rig.bench();
        Procedure unsaid = Bench.people(2, Bench.good());
        Procedure two =
                Bench.change(
                        unsaid, "unlock", new Action.Unlock(List.of("motor"), "each owner", true));
        rule(
                plain,
                "L7@unlock",
                "FIX",
                Bench.change(unsaid, "lock", new Action.Lock(List.of("motor"), 2, null)),
                Bench.change(two, "lock", new Action.Lock(List.of("motor"), 2, null)));
        rule(
                plain,
                "L7@lock",
                "STOP",
                two,
                Bench.change(two, "lock", new Action.Lock(List.of("motor"), 2, null)));

        Rig tag = plain.energy("motor", e -> Bench.tagOnly(e));
        rule(
                tag,
                "L2@lock",
                "STOP",
                Bench.good(),
                Bench.with("lock", new Action.Lock(List.of("motor"), null, "fuse taken out")));

        Procedure run =
                Bench.before(
                        "scrape",
                        "run",
                        new Action.Operate(Action.Mode.CLEAN_MODE, List.of("motor"), List.of()),
                        Bench.before(
                                "scrape",
                                "clear-1",
                                new Action.Clear(true, true, false),
                                Bench.good()));
        Rig keyed = plain.cleanMode();
        rule(plain, "L6@run", "STOP", run, Bench.good());
        rule(keyed, "L6@scrape", "STOP", run, Bench.safeAgain(run, "scrape"));
        Procedure safe = Bench.safeAgain(run, "scrape");
        rule(keyed, "L5@run", "STOP", Bench.without(safe, "clear-1"), safe);
        rule(
                plain,
                "L6@closed",
                "STOP",
                Bench.before(
                        "scrape",
                        "closed",
                        new Action.Operate(Action.Mode.RUN, List.of("motor"), List.of()),
                        Bench.before(
                                "scrape",
                                "clear-1",
                                new Action.Clear(true, true, false),
                                Bench.good())),
                Bench.good());

        Rig hot = plain.heat("drum", new Heat(new Temperature(180), 0.05));
        rule(
                hot,
                "L8@aside",
                "STOP",
                Bench.good(),
                Bench.before(
                        "aside",
                        "cool",
                        new Action.CoolDown(List.of("oven"), new Temperature(49), null),
                        Bench.good()));
        rule(
                hot,
                "L8@aside",
                "STOP",
                Bench.before(
                        "aside",
                        "cool",
                        new Action.CoolDown(List.of("oven"), new Temperature(49.1), null),
                        Bench.good()),
                Bench.before(
                        "aside",
                        "cool",
                        new Action.CoolDown(
                                List.of("oven"), new Temperature(48.9), Duration.ofMinutes(30)),
                        Bench.good()));
        // 169 ÷ 38 by 0.05 a minute in a room of 11 °C: 29.85 minutes. But a wait opens nothing.
        rule(
                hot,
                "L8@aside",
                "STOP",
                Bench.before(
                        "aside",
                        "cool",
                        new Action.CoolDown(List.of("oven"), null, Duration.ofMinutes(60)),
                        Bench.good()),
                Bench.before(
                        "aside",
                        "cool",
                        new Action.CoolDown(List.of("oven"), new Temperature(49), null),
                        Bench.good()));
        rule(
                hot,
                "L8@aside",
                "FIX",
                Bench.ppe("heat gloves", Bench.good()),
                Bench.before(
                        "aside",
                        "cool",
                        new Action.CoolDown(List.of("oven"), new Temperature(49), null),
                        Bench.good()));

        Rig sharp = plain.hazard("hopper", Hazard.EDGE);
        rule(
                sharp,
                "L9@off-1",
                "FIX",
                Bench.good(),
                Bench.ppe("cut-resistant gloves", Bench.good()));
        Rig disc = plain.wipe("drum-1", "centre outward");
        Action.Wash across =
                new Action.Wash(
                        Bench.allParts(), Bench.soap(), Action.Method.BRUSH, null, "across");
        rule(
                disc,
                "L9@wash",
                "FIX",
                Bench.with("wash", across),
                Bench.with(
                        "wash",
                        new Action.Wash(
                                across.items(),
                                across.solution(),
                                across.method(),
                                null,
                                "centre outward")));

        Rig heavy =
                plain.handling(
                        "hopper", new Handling(new Mass(23.1), null, List.of(), null, null, false));
        rule(
                heavy,
                "L10@off-1",
                "FIX",
                Bench.good(),
                Bench.stepPeople("on", 2, Bench.stepPeople("off-1", 2, two)));
        Rig just =
                plain.handling(
                        "hopper", new Handling(new Mass(23), null, List.of(), null, null, false));
        assertEquals(List.of(), just.findings(Bench.good()));

        Rig slicer = plain.family("disc slicer").youngest(17);
        assertTrue(slicer.findings(Bench.good()).stream().anyMatch(f -> f.rule().equals("L11")));
        assertTrue(slicer.youngest(18).findings(Bench.good()).isEmpty());

        Rig goggles = plain.chemical(Bench.ppeOf(Bench.CHLORINE, "goggles"));
        rule(goggles, "L12@sanitize", "STOP", Bench.good(), Bench.ppe("goggles", Bench.good()));
        Rig soap = plain.chemical(Bench.ppeOf(Bench.DETERGENT, "goggles"));
        rule(soap, "L12@wash", "FIX", Bench.good(), Bench.ppe("goggles", Bench.good()));

        Rig pinch = plain.hazard("flap", Hazard.PINCH);
        rule(
                pinch,
                "L13@aside",
                "FIX",
                Bench.good(),
                Bench.caution("back", Bench.caution("aside", Bench.good())));
        Rig high =
                plain.handling(
                        "hopper",
                        new Handling(null, null, List.of("step ladder"), null, null, false));
        rule(
                high,
                "L14@off-1",
                "FIX",
                Bench.good(),
                Bench.before(
                        "stop",
                        "fetch",
                        new Action.Prepare(List.of("the step ladder")),
                        Bench.good()));
    }
}
