package orthopur.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.machine.Limit;
import orthopur.machine.Vessel;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Ph;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.testbench.Bench;
import orthopur.testbench.Rig;
import orthopur.verdict.Verifier;

/** Strength, heat, contact, and what must not meet. */
class EachChemistryRuleTest extends EachRule {
    @Override
    void chapter() {
        Rig plain = Rig.bench();
        Chemical acid = Bench.made("acid", ChemicalKind.ACID);
        Rig acids = plain.chemical(acid);
        Solution descaler =
                new Solution("acid", new Share(1), new Temperature(45), null, new Volume(10));
        Procedure afterChlorine =
                Bench.before(
                        "back", "descale", new Action.Wash(DRUM, descaler, CLOTH), Bench.good());
        Procedure rinsed =
                Bench.before(
                        "descale",
                        "rinse-2",
                        new Action.Rinse(DRUM, Bench.plain(), CLOTH, Action.EndPoint.TAP_PH),
                        afterChlorine);
        rule(acids, "S4@descale", "STOP", afterChlorine, rinsed);
        Rig quat = plain.chemical(Bench.made("quat", ChemicalKind.QUAT));
        Action.Sanitize quats =
                new Action.Sanitize(
                        Bench.allParts(),
                        new Solution(
                                "quat",
                                new Strength(200),
                                new Temperature(24),
                                new Ph(7),
                                new Volume(20)),
                        Action.Method.SPRAY,
                        Duration.ofSeconds(60),
                        Set.of(Action.Reading.STRENGTH, Action.Reading.TEMPERATURE));
        rule(
                quat,
                "S4@sanitize",
                "FIX",
                Bench.without(Bench.with("sanitize", quats), "rinse"),
                Bench.with("sanitize", quats));
        Rig caustic = plain.chemical(Bench.made("lye", ChemicalKind.CAUSTIC));
        Solution lye = new Solution("lye", new Share(2), new Temperature(45), null, new Volume(10));
        // However it is spelled, and whatever was done to it.
        for (String metal :
                List.of(
                        "anodised aluminium",
                        "Anodized aluminum",
                        "duralumin",
                        "aluminized steel",
                        "galvanised steel",
                        "Galvanized wire",
                        "zinc-plated screws")) {
            rule(
                    caustic.material("drum-1", metal),
                    "S5@lye",
                    "STOP",
                    Bench.before("rinse", "lye", new Action.Wash(DRUM, lye, CLOTH), Bench.good()),
                    Bench.before(
                            "rinse",
                            "lye",
                            new Action.Wash(List.of("frame"), lye, CLOTH),
                            Bench.good()));
        }
        Procedure wiped =
                Bench.with(
                        "rinse",
                        new Action.Rinse(
                                Bench.allParts(), Bench.plain(), CLOTH, Action.EndPoint.NO_SUDS));
        rule(
                plain.limit("drum-1", Limit.NO_HOSE),
                "S6@hose",
                "STOP",
                Bench.before(
                        "scrape",
                        "hose",
                        new Action.Rinse(
                                DRUM, Bench.plain(), Action.Method.HOSE, Action.EndPoint.CLEAR),
                        wiped),
                wiped);
        rule(plain.limit("drum-1", Limit.NO_HOSE), "S6@rinse", "STOP", Bench.good(), wiped);
        rule(
                plain.limit("seal-1", Limit.NO_IMMERSION),
                "S6@soak",
                "STOP",
                Bench.before(
                        "wash",
                        "soak",
                        new Action.Soak(List.of("seal"), Bench.soap(), Duration.ofMinutes(5)),
                        Bench.good()),
                Bench.good());
        rule(
                plain.limit("drum-1", Limit.NO_CHLORINE),
                "S6@sanitize",
                "STOP",
                Bench.good(),
                Bench.without("sanitize"));
        rule(
                plain.banned("drum-1", "soap"),
                "S6@wash",
                "STOP",
                Bench.good(),
                Bench.without("wash"));
        rule(
                plain,
                "S7@wash",
                "FIX",
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(),
                                Bench.soap().withTemperature(new Temperature(42.9)),
                                Action.Method.BRUSH)),
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(),
                                Bench.soap().withTemperature(new Temperature(43)),
                                Action.Method.BRUSH)));
        rule(plain.highest("drum-1", 40), "S7@wash", "FIX", Bench.good(), Bench.without("wash"));
        rule(
                plain,
                "S8@sanitize",
                "STOP",
                Bench.with("sanitize", Bench.hotWater(76.9, 30)),
                Bench.with("sanitize", Bench.hotWater(77, 30)));
        rule(
                plain,
                "S8@sanitize",
                "STOP",
                Bench.with("sanitize", Bench.hotWater(80, 29)),
                Bench.with("sanitize", Bench.hotWater(77, 30)));
        Procedure bucket =
                Bench.before(
                        "stop",
                        "out",
                        new Action.DrawOff(List.of(), List.of("bucket"), true),
                        Bench.good());
        Action.Wash first =
                new Action.Wash(List.of("frame"), Bench.in("bucket", Bench.soap()), CLOTH);
        Procedure old =
                Bench.before(
                        "rinse",
                        "again",
                        first,
                        Bench.minutes(
                                "scrape", 300, Bench.before("scrape", "first", first, bucket)));
        rule(plain, "S10@again", "FIX", old, Bench.minutes("scrape", 238, old));
        rule(quat.organic(), "S11@sanitize", "FIX", Bench.with("sanitize", quats), Bench.good());
        rule(
                plain,
                "S12@wash",
                "FIX",
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(),
                                new Solution("soap", new Share(1), new Temperature(45), null, null),
                                CLOTH)),
                Bench.good());
        Rig labelled = plain.chemical(Bench.labelled("soap", new Share(0.5), new Share(2)));
        rule(
                labelled,
                "S15@wash",
                "FIX",
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(),
                                Bench.soap().withStrength(new Share(2.1)),
                                CLOTH)),
                Bench.with(
                        "wash",
                        new Action.Wash(
                                Bench.allParts(), Bench.soap().withStrength(new Share(2)), CLOTH)));
        rule(
                plain.chemical(Bench.unregistered()),
                "S16@sanitize",
                "STOP",
                Bench.good(),
                Bench.without("sanitize"));
        rule(plain, "R1@sanitize", "FIX", Bench.without("record"), Bench.good());
        rule(plain.version(2), "R6@end", "FIX", Bench.good(), Bench.sheetVersion(2, Bench.good()));
    }

    /** 60 L fit into a sink of 60 L; 60.1 L run over. */
    @Test
    void moreThanTheVesselHoldsIsS12() {
        Context c =
                Bench.CONTEXT.withVessels(
                        List.of(new Vessel("sink", "sink", "sink", new Volume(60), null)));
        for (double litres : new double[] {60, 60.1}) {
            Solution soap =
                    new Solution(
                            "soap",
                            new Share(1),
                            new Temperature(45),
                            null,
                            new Volume(litres),
                            "sink");
            Procedure p =
                    Bench.before(
                            "stop",
                            "out",
                            new Action.DrawOff(List.of(), List.of("sink"), true),
                            Bench.with("wash", new Action.Wash(Bench.allParts(), soap, CLOTH)));
            List<String> told =
                    Verifier.verify(p, Bench.SHEET, c).findings().stream()
                            .map(Finding::rule)
                            .toList();
            assertEquals(litres > 60 ? List.of("S12") : List.of(), told);
        }
    }

    @Test
    void hotWaterIsReadAsWell() {
        Action.Sanitize water = Bench.hotWater(80, 30);
        Solution bath = Bench.in("hot bath", water.solution());
        Action.Sanitize hot =
                new Action.Sanitize(
                        water.items(), bath, water.method(), water.contact(), water.readings());
        Action.Sanitize unread =
                new Action.Sanitize(hot.items(), bath, hot.method(), hot.contact(), Set.of());
        assertEquals("L8", Rig.bench().findings(Bench.with("sanitize", hot)).getFirst().rule());
        assertEquals(List.of(), Rig.bench().findings(gloved(Bench.with("sanitize", hot))));
        Finding f = Rig.bench().findings(gloved(Bench.with("sanitize", unread))).getFirst();
        assertEquals("S9", f.rule());
        assertEquals(1, f.remedies().size());
    }

    /** Cold water that sanitizes nothing is not mistaken for hot-water sanitizing. */
    @Test
    void waterAloneBelowItsThresholdIsS1() {
        Procedure warm = gloved(Bench.with("sanitize", Bench.hotWater(59, 30)));
        assertEquals("S1", Rig.bench().findings(warm).getFirst().rule());
    }

    /** Hands that may go into hot water, and a bath for it that is clean itself. */
    private static Procedure gloved(Procedure p) {
        Step bath =
                new Step(
                        "bath",
                        new Action.DrawOff(List.of(), List.of("hot bath"), true),
                        "",
                        null,
                        null,
                        1,
                        1);
        return p.withPpe(Stream.concat(p.ppe().stream(), Stream.of("heat gloves")).toList())
                .apply(List.of(new Edit.InsertBefore(p.steps().getFirst().id(), bath)));
    }
}
