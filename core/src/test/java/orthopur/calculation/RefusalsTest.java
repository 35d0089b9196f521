package orthopur.calculation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.LinkedHashMap;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.calculation.CalcAnswer.Amount;
import orthopur.rulebook.PublicCodes;

/** Input out of its domain is refused with its key; what holds for every input holds. */
class RefusalsTest {
    private static CalcAnswer calc(String name, String inputs) {
        Map<String, String> in = new LinkedHashMap<>();
        for (String p : inputs.split(" ")) {
            in.put(p.substring(0, p.indexOf('=')), p.substring(p.indexOf('=') + 1));
        }
        return Calculations.compute(name, in, PublicCodes.book());
    }

    @ParameterizedTest(name = "{0} {1} → {2}")
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
        label-ratio | volume=10L ratio=0:1                                  | ratio
        label-ratio | volume=10L ratio=1:0                                  | ratio
        label-ratio | volume=10L ratio=1:1e9                                | ratio
        label-ratio | volume=10L ratio=1:1 reading=parts-of-total           | ratio
        label-ratio | volume=0L ratio=1:256                                 | volume
        reading     | value=300mg/L method=strip:0,25,50 range=0..50mg/L    | value
        reading     | value=30mg/L method=strip:50,25 range=0..50mg/L       | method
        reading     | value=30mg/L method=guess:1 range=0..50mg/L           | method
        reading     | value=30mg/L method=probe:±3mg/L range=50..10mg/L     | range
        chlorine    | total=100mg/L pH=15 temp=25C                          | pH
        chlorine    | total=100mg/L pH=7 temp=-5C                           | temp
        chlorine    | total=100mg/L pH=7 temp=130C                          | temp
        chlorine    | total=100mg/L pH=7 temp=hot                           | temp
        chlorine    | total=NaNmg/L pH=7 temp=20C                           | total
        limit       | kind=bleach strength=100mg/L temp=20C                 | kind
        limit       | kind=quat strength=200mg/L temp=20C hardness=9000mg/L | hardness
        limit       | kind=chlorine strength=100mg/L temp=-500F             | temp
        fade        | readings=0h:200mg/L minimum=100mg/L                   | readings
        fade        | readings=2h:200mg/L,1h:150mg/L minimum=100mg/L        | readings
        fade        | readings=1h:200mg/L,1h:150mg/L minimum=100mg/L        | readings
        fade        | readings=0h:150mg/L,2h:200mg/L minimum=100mg/L        | readings
        fade        | readings=0h:150mg/L,2h:150mg/L minimum=100mg/L        | readings
        blend       | hot=60C cold=12C target=70C volume=40L                | target
        blend       | hot=12C cold=60C target=45C volume=40L                | cold
        cool        | first=120C@0min second=180C@10min room=22C limit=49C  | second
        cool        | first=180C@0min second=120C@10min room=50C limit=49C  | limit
        rinse-fills | start=20000mg/L limit=5mg/L left=1.2                  | left
        rinse-flush | volume=9L flow=0L/min start=2mg/L limit=1mg/L mixing=plug | flow
        line        | bore=9.5mm length=38m velocity=1m/s flow=6L/min       | flow
        line        | bore=2m length=38m                                    | bore
        caustic     | volume=20L wanted=25% stock=2%                        | wanted
        caustic     | volume=20L wanted=2mg/L stock=25%                     | wanted
        chase-out   | volume=2.69L factor=0.5 flow=55mL/s                   | factor
        heat        | curve=70C@0min reference=70C z=10                     | curve
        heat        | curve=70C@2min,75C@1min reference=70C z=10            | curve
        hot-water   | draws=40L@25:10 heater=18kW tank=400L cold=12C hot=65C wanted=60C | draws
        hot-water   | draws=40L@21:10 heater=18kW tank=400L cold=12C hot=65C wanted=70C | wanted
        interval    | uses=08:00 rooms=4C@09:00                             | rooms
        interval    | uses=8h rooms=4C@08:00                                | uses
        lift        | mass=-1kg horizontal=25cm vertical=75cm travel=25cm asymmetry=0 coupling=good frequency=1/min duration=1h | mass
        lift        | mass=1kg horizontal=25cm vertical=75cm travel=25cm asymmetry=0 coupling=good frequency=1/min duration=9h | duration
        cost        | amounts=0.35L minutes=26 rate=24                      | amounts
        trend       | values=12                                             | values
        stock       | use=85mL rounds=14 on-hand=5L                         | rounds
        sample      | sites=a,b rounds=0                                    | rounds
        sample      | sites=a,b rounds=2 risk=c:1                           | risk
        """)
    void namesTheKey(String name, String inputs, String key) {
        RefusedInput e = assertThrows(RefusedInput.class, () -> calc(name, inputs));
        assertEquals(key, e.key(), e::getMessage);
        assertFalse(e.allowed().isBlank());
    }

    /** Caustic is made by mass: what goes in is what comes out. */
    @Property(tries = 200)
    void massIsConserved(
            @ForAll @DoubleRange(min = 0.1, max = 200) double litres,
            @ForAll @DoubleRange(min = 0.5, max = 10) double wanted) {
        CalcAnswer a =
                calc(
                        "caustic",
                        "volume=%sL wanted=%s%% stock=25%% wanted-density=1.02 stock-density=1.27"
                                .formatted(litres, wanted));
        double into = a.result().value() / 1000 * 1.27 * 0.25;
        assertEquals(litres * 1.02 * wanted / 100, into, 1e-9 * litres);
    }

    /** More concentrate never lowers the strength, and what was measured is never too weak. */
    @Property(tries = 200)
    void roundingNeverFallsBelowTheTarget(
            @ForAll @DoubleRange(min = 1, max = 400) double litres,
            @ForAll @DoubleRange(min = 10, max = 500) double target) {
        CalcAnswer a =
                calc("dilute", "volume=%sL target=%smg/L stock=10%%w/v".formatted(litres, target));
        Amount then = (Amount) a.also().get("strengthThen");
        assertTrue(then.value() >= target - 1e-6, a::formula);
        CalcAnswer more =
                calc(
                        "dilute",
                        "volume=%sL target=%smg/L stock=10%%w/v".formatted(litres, target + 1));
        assertTrue(more.result().value() > a.result().value());
    }

    /** Where a strength is enough, a stronger one below the ceiling and warmer water are too. */
    @Property(tries = 300)
    void chlorineIsMonotone(
            @ForAll @DoubleRange(min = 20, max = 180) double strength,
            @ForAll @DoubleRange(min = 5, max = 60) double temp,
            @ForAll @DoubleRange(min = 5, max = 11) double ph) {
        String in = "kind=chlorine strength=%smg/L temp=%sC pH=%s";
        if ("in".equals(calc("limit", in.formatted(strength, temp, ph)).verdict())) {
            assertEquals("in", calc("limit", in.formatted(strength + 20, temp, ph)).verdict());
            assertEquals("in", calc("limit", in.formatted(strength, temp + 5, ph)).verdict());
            assertEquals("in", calc("limit", in.formatted(strength, temp, ph - 1)).verdict());
        }
    }

    /** Added and stirred in, the corrected vessel has the target. */
    @Property(tries = 200)
    void correctingThenReadingGivesTheTarget(
            @ForAll @DoubleRange(min = 1, max = 200) double litres,
            @ForAll @DoubleRange(min = 0, max = 99) double reading) {
        CalcAnswer a =
                calc(
                        "correct",
                        "volume=%sL reading=%smg/L target=100mg/L stock=146250mg/L"
                                .formatted(litres, reading));
        double x = a.result().value() / 1000;
        assertEquals(100, (litres * reading + x * 146_250) / (litres + x), 1e-6);
    }
}
