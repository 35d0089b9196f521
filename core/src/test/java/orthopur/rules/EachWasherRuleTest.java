package orthopur.rules;

import static java.util.stream.Collectors.toList;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import orthopur.machine.Heat;
import orthopur.machine.Limit;
import orthopur.machine.Passage;
import orthopur.machine.Program;
import orthopur.machine.Vessel;
import orthopur.machine.Washer;
import orthopur.machine.WasherType;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.quantity.Pressure;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.runthrough.Finding;
import orthopur.testbench.Bench;
import orthopur.testbench.Rig;

/** Machines that wash by themselves. */
class EachWasherRuleTest extends EachRule {
    @Override
    void chapter() {
        washers();
    }

    /** The machine is a washer itself: its own program cleans the inside of its drum. */
    private void washers() {
        Program inside =
                new Program(
                        "inside",
                        "the inside wash",
                        Program.Purpose.WASH,
                        "the lamp turns blue",
                        List.of("close the drain"),
                        Duration.ofMinutes(6),
                        List.of("drum-1"),
                        List.of("hopper"),
                        List.of());
        Rig own = Rig.bench().program(inside, WasherType.RACK_DUAL);
        Procedure run = Bench.before("stop", "program", inside(6, 82, 35), Bench.good());
        rule(own, "C21@program", "STOP", Bench.change(run, "program", inside(5.9, 82, 35)), run);
        rule(own, "S8@program", "STOP", Bench.change(run, "program", inside(6, 81.9, 35)), run);
        rule(
                own,
                "S8@program",
                "STOP",
                Bench.change(run, "program", inside(6, 90.1, 35)),
                Bench.change(run, "program", inside(6, 90, 35)));
        rule(
                own,
                "S14@program",
                "FIX",
                Bench.change(run, "program", inside(6, 82, 34.9)),
                Bench.change(run, "program", inside(6, 82, 200)));
        rule(
                own,
                "C23@late",
                "STOP",
                Bench.before("scrape", "late", inside(6, 82, 35), Bench.good()),
                run);
        Rig site =
                Rig.bench()
                        .vessel(
                                new Vessel(
                                        "washer",
                                        "washer",
                                        "washer",
                                        new Volume(60),
                                        new Washer(
                                                WasherType.CONVEYOR_SINGLE,
                                                List.of("strainers", "curtains"))));
        Procedure emptied =
                Bench.before(
                        "stop",
                        "out",
                        new Action.DrawOff(List.of(), List.of("washer"), true),
                        Bench.good());
        Procedure ware = Bench.before("dry", "ware", ware(71, "strainers", "curtains"), emptied);
        rule(site, "C23@ware", "STOP", Bench.change(ware, "ware", ware(71, "strainers")), ware);
        rule(
                site,
                "S8@ware",
                "FIX",
                Bench.change(ware, "ware", ware(70.9, "strainers", "curtains")),
                ware);
        rule(site.limit("hopper-1", Limit.NO_MACHINE_WASH), "S6@ware", "STOP", ware, emptied);
        rule(
                Rig.bench()
                        .material("drum-1", "tempered glass")
                        .heat("drum", new Heat(new Temperature(120), null)),
                "S6@wash",
                "STOP",
                Bench.good(),
                Bench.before(
                        "scrape",
                        "cool",
                        new Action.CoolDown(List.of("oven"), new Temperature(49), null),
                        Bench.good()));
        Action.Circulate pump =
                new Action.Circulate(
                        List.of("line"),
                        Bench.soap(),
                        Duration.ofMinutes(15),
                        1.5,
                        Action.Flow.ALTERNATE,
                        Set.of(),
                        List.of("valve"));
        Rig line =
                Rig.bench()
                        .passage(
                                new Passage(
                                        "line",
                                        "Line",
                                        List.of("groove"),
                                        new Volume(2),
                                        null,
                                        null,
                                        null,
                                        List.of("valve")));
        Procedure read =
                Bench.before(
                        "rinse",
                        "pump",
                        pump.with(Set.of(Action.Reading.STRENGTH), List.of("valve")),
                        Bench.good());
        rule(line, "C24@pump", "FIX", Bench.before("rinse", "pump", pump, Bench.good()), read);
        rule(
                line,
                "C24@pump",
                "FIX",
                Bench.change(read, "pump", pump.with(Set.of(Action.Reading.STRENGTH), List.of())),
                read);
    }

    private static Action.RunProgram inside(double minutes, double rinse, double kilopascals) {
        return new Action.RunProgram(
                "inside",
                List.of(),
                Bench.soap().withTemperature(new Temperature(66)),
                Duration.ofSeconds(Math.round(minutes * 60)),
                new Temperature(rinse),
                new Pressure(kilopascals),
                List.of(),
                Set.of(Action.Reading.TEMPERATURE));
    }

    private static Action.RunProgram ware(double tank, String... complete) {
        return new Action.RunProgram(
                null,
                List.of("hopper"),
                Bench.in("washer", Bench.soap().withTemperature(new Temperature(tank))),
                Duration.ofMinutes(3),
                new Temperature(82),
                new Pressure(100),
                List.of(complete),
                Set.of(Action.Reading.TEMPERATURE));
    }

    /**
     * Run empty on its own program the machine cleans its drum, and nothing that its jets do not
     * reach; with the last rinse too cool it is washed and no more.
     */
    @Test
    void theCleanerIsTheMachine() {
        Rig own =
                Rig.bench()
                        .program(
                                new Program(
                                        "inside",
                                        "the inside wash",
                                        Program.Purpose.WASH,
                                        null,
                                        List.of(),
                                        Duration.ofMinutes(6),
                                        List.of("drum-1"),
                                        List.of(),
                                        List.of()),
                                WasherType.RACK_DUAL);
        List<String> but =
                Bench.allParts().stream().filter(i -> !i.equals("drum")).collect(toList());
        but.add("drum-back");
        Procedure p = Bench.good();
        for (String step : List.of("scrape", "wash", "rinse", "inspect", "sanitize", "dry")) {
            p = Bench.change(p, step, Bench.step(p, step).action().about(but));
        }
        Procedure alone = p;
        assertTrue(
                own.findings(alone).stream()
                        .anyMatch(f -> f.rule().equals("C1") && f.items().contains("drum-1")));
        assertEquals(
                List.of(), own.findings(Bench.before("stop", "program", inside(6, 82, 35), alone)));
        List<Finding> cool =
                own.findings(Bench.before("stop", "program", inside(6, 70, 35), alone));
        assertEquals(List.of("S8", "C1"), cool.stream().map(Finding::rule).toList());
        assertEquals(0, cool.get(1).under());
        // What the program does not reach stays as it was.
        List<String> less = new ArrayList<>(but);
        less.remove("drum-back");
        Procedure forgotten =
                Bench.before(
                        "stop",
                        "program",
                        inside(6, 82, 35),
                        Bench.change(
                                alone, "wash", Bench.step(alone, "wash").action().about(less)));
        assertTrue(own.findings(forgotten).stream().anyMatch(f -> f.items().contains("drum-back")));
    }

    /** A machine that sanitizes by a chemical is not believed: no step reads its strength. */
    @Test
    void aChemicalWasherIsUndecided() {
        Rig site =
                Rig.bench()
                        .vessel(
                                new Vessel(
                                        "washer",
                                        "washer",
                                        "washer",
                                        new Volume(60),
                                        new Washer(WasherType.CHEMICAL, List.of())));
        Procedure p =
                Bench.before(
                        "stop",
                        "out",
                        new Action.DrawOff(List.of(), List.of("washer"), true),
                        Bench.before("dry", "ware", ware(49), Bench.good()));
        assertTrue(
                site.findings(p).stream()
                        .anyMatch(f -> f.rule().equals("S8") && "ware".equals(f.stepId())));
        assertTrue(
                site.findings(p).stream()
                        .anyMatch(f -> f.rule().equals("C1") && f.items().contains("hopper-1")));
    }
}
