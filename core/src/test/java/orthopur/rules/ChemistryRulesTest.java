package orthopur.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.quantity.Ph;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.runthrough.Finding;
import orthopur.testbench.Bench;

/** S1, S2, S3, S9: each broken once and just kept. */
class ChemistryRulesTest {
    private static final Duration MINUTE = Duration.ofSeconds(60);

    private static Procedure sanitizing(double mg, double celsius, double ph) {
        Action.Sanitize good = Bench.sanitize(mg, celsius, ph, MINUTE);
        return Bench.with(
                "sanitize",
                new Action.Sanitize(
                        good.items(),
                        good.solution(),
                        good.method(),
                        good.contact(),
                        Set.of(Action.Reading.values())));
    }

    /** Weak chlorine is enough by its pH alone, so its pH is read. */
    @Test
    void s9AsksForThePhThatDecides() {
        assertEquals(
                List.of("S9@sanitize"),
                Bench.roots(Bench.with("sanitize", Bench.sanitize(62, 24, 7.4, MINUTE))));
        assertEquals(
                List.of(),
                Bench.roots(Bench.with("sanitize", Bench.sanitize(100, 18, 7.4, MINUTE))));
    }

    private static Procedure solution(Solution s) {
        Action.Sanitize good = Bench.sanitize(100, 18, 7.4, MINUTE);
        return Bench.with(
                "sanitize",
                new Action.Sanitize(
                        good.items(), s, good.method(), good.contact(), good.readings()));
    }

    @Test
    void s1JustKeptAndJustBroken() {
        assertEquals(List.of(), Bench.roots(sanitizing(62, 24.0, 7.4)));
        assertEquals(List.of("S1@sanitize"), Bench.roots(sanitizing(62, 23.9, 7.4)));
        assertEquals(List.of("S1@sanitize"), Bench.roots(sanitizing(49.5, 30, 7.4)));
    }

    @Test
    void s1CarriesTheNumbersAndOffersBothWaysOut() {
        Procedure p = sanitizing(62, 18, 7.4);
        Finding f = Bench.only(p, "S1");
        assertTrue(f.message().contains("62 mg/L") && f.message().contains("24 °C"), f.message());
        assertEquals(
                List.of("Raise to 100 mg/L", "Warm to 24 °C"),
                f.remedies().stream().map(r -> r.label()).toList());
        for (var r : f.remedies()) {
            assertEquals(List.of(), Bench.roots(p.apply(r.edits())));
        }
    }

    @Test
    void s1NotStatedIsNotPassed() {
        Solution noTemperature = new Solution("chlor", new Strength(100), null, new Ph(7), null);
        assertTrue(Bench.only(solution(noTemperature), "S1").message().contains("the temperature"));
        Solution share = new Solution("chlor", new Share(1), new Temperature(20), new Ph(7), null);
        assertTrue(Bench.only(solution(share), "S1").message().contains("mg/L"));
        assertEquals(List.of("S1@sanitize"), Bench.roots(solution(Bench.plain())));
        assertEquals(List.of("S1@sanitize"), Bench.roots(solution(Bench.soap())));
    }

    @Test
    void s1IsTheRootAndC1HangsUnderIt() {
        List<Finding> all = Bench.verify(sanitizing(62, 18, 7.4)).findings();
        assertEquals(2, all.size());
        assertEquals(0, all.get(1).under());
    }

    @Test
    void s2AboveTheCeiling() {
        assertEquals(List.of(), Bench.roots(sanitizing(200, 18, 7.4)));
        Procedure p = sanitizing(201, 18, 7.4);
        assertEquals(List.of("S2@sanitize"), Bench.roots(p));
        assertEquals(
                List.of(), Bench.roots(p.apply(Bench.only(p, "S2").remedies().getFirst().edits())));
    }

    @Test
    void s3TheLabelsMinuteWinsOverTheCodesTenSeconds() {
        Procedure p = Bench.with("sanitize", Bench.sanitize(100, 18, 7.4, Duration.ofSeconds(59)));
        Finding f = Bench.only(p, "S3");
        assertTrue(f.source().contains("label"), f.source());
        assertEquals(List.of(), Bench.roots(p.apply(f.remedies().getFirst().edits())));
        assertEquals(
                List.of("S3@sanitize"),
                Bench.roots(Bench.with("sanitize", Bench.sanitize(100, 18, 7.4, null))));
    }

    @Test
    void s9StrengthAloneIsNotEnough() {
        Action.Sanitize good = Bench.sanitize(100, 18, 7.4, MINUTE);
        Procedure p =
                Bench.with(
                        "sanitize",
                        new Action.Sanitize(
                                good.items(),
                                good.solution(),
                                good.method(),
                                MINUTE,
                                Set.of(Action.Reading.STRENGTH)));
        assertEquals(List.of("S9@sanitize"), Bench.roots(p));
        assertEquals(1, Bench.verify(p).fixes());
        assertEquals(
                List.of(), Bench.roots(p.apply(Bench.only(p, "S9").remedies().getFirst().edits())));
    }
}
