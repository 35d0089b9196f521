package orthopur.calculation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;

import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.calculation.CalcAnswer.Amount;
import orthopur.rulebook.PublicCodes;

/**
 * Worked by hand or from the published table, each with its working. {@code where} is {@code
 * result} or the further result that is compared; numbers to a part in a thousand.
 */
class GoldenValuesTest {
    @ParameterizedTest(name = "{0} {1}")
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
        # name     | inputs                                                    | where | value | unit | working
        dilute     | volume=40L target=100mg/L stock=12.5%w/w density=1.17     | result | 27.3504 | mL | 40·100/146250 = 0.02735 L
        dilute     | volume=12L target=50ppm stock=146250mg/L                  | result | 4.1026 | mL | 12·50/146250
        dilute     | volume=10L target=200mg/L stock=10%w/v                    | result | 20 | mL | 10·200/100000 = 0.02 L
        dilute     | volume=5L target=12.5mg/L stock=17500mg/L                 | result | 3.5714 | mL | 5·12.5/17500
        dilute     | volume=30L target=150mg/L stock=5%w/w density=1.12        | result | 80.3571 | mL | 30·150/56000
        dilute     | volume=100gal target=100mg/L stock=12.5%w/w density=1.17  | result | 258.8316 | mL | 378.541·100/146250
        label-ratio | volume=10L ratio=2_fl_oz_per_10_gal                      | result | 15.625 | mL | 2 of 1280 fl oz = 1:640; 10000/640
        label-ratio | volume=10L ratio=1:256                                   | result | 39.0625 | mL | 10000/256
        label-ratio | volume=10L ratio=1:256 reading=parts-of-total            | result | 39.2157 | mL | 10000/255
        label-ratio | volume=3L ratio=30_mL_per_10_L                           | result | 9 | mL | 3·30/10
        label-ratio | volume=5gal ratio=1:128                                  | result | 147.8676 | mL | 18927.06/128
        correct    | volume=40L reading=62mg/L target=100mg/L stock=146250mg/L | result | 10.4003 | mL | 40·38/146150
        correct    | volume=40L reading=260mg/L target=200mg/L stock=146250mg/L | result | 12 | L | 40·(1.3 − 1)
        correct    | volume=15L reading=120mg/L target=150mg/L stock=10%w/v    | result | 4.5068 | mL | 15·30/99850
        correct    | volume=12L reading=30mg/L target=25mg/L stock=17500mg/L   | result | 2.4 | L | 12·0.2
        reading    | value=100mg/L method=strip:0,25,50,100,200 range=100..200mg/L | result | 75 | mg/L | half-way from 50 to 100
        reading    | value=100mg/L method=strip:0,25,50,100,200 range=100..200mg/L | high | 150 | mg/L | half-way from 100 to 200
        reading    | value=62mg/L method=strip:0,25,50,100,200 range=50..200mg/L | result | 50 | mg/L | between two colours: either
        reading    | value=210mg/L method=drops:10mg/L range=150..400mg/L      | result | 200 | mg/L | one drop less may have been enough
        reading    | value=24mg/L method=probe:±3mg/L range=12.5..25mg/L       | high | 27 | mg/L | 24 + 3
        chlorine   | total=100mg/L pH=7 temp=25C                               | result | 0.774809 | fraction | pKa 7.5366
        chlorine   | total=100mg/L pH=8.5 temp=38C                             | result | 0.080996 | fraction | pKa 7.4451
        chlorine   | total=50mg/L pH=7.5 temp=68F                              | result | 0.546928 | fraction | pKa 7.5818 at 20 °C
        chlorine   | total=200mg/L pH=8 temp=24C                               | hypochlorousAcid | 51.9526 | mg/L | 200·0.259763
        chlorine   | total=80mg/L pH=6.5 temp=13C                              | pKa | 7.655007 | pH | 3000/286.15 − 10.0686 + 0.0253·286.15
        limit      | kind=chlorine strength=60mg/L pH=8.6 temp=30C             | result | 100 | mg/L | only the row from 100 stands at 30 °C and pH 8.6
        limit      | kind=chlorine strength=60mg/L pH=8.6 temp=30C             | leastTemperature | 38 | °C | row 50–99 at pH ≤ 10
        limit      | kind=chlorine strength=49.5mg/L pH=7 temp=30C             | leastTemperature | 49 | °C | 49.5 belongs to the row 25–49
        limit      | kind=chlorine strength=99.5mg/L pH=9 temp=20C             | leastTemperature | 38 | °C | 99.5 belongs to the row 50–99
        limit      | kind=chlorine strength=50mg/L pH=8 temp=24C               | contact | 7 | s | 50 mg/L at pH ≤ 8 and ≥ 24 °C
        limit      | kind=chlorine strength=100mg/L pH=9 temp=13C              | contact | 10 | s | otherwise 10 s
        limit      | kind=iodine strength=15mg/L pH=4 temp=21C                 | result | 12.5 | mg/L | 12.5–25 mg/L
        limit      | kind=iodine strength=15mg/L pH=4 temp=21C                 | ceiling | 25 | mg/L | 40 CFR 180.940(a)
        limit      | kind=quat strength=200mg/L temp=25C hardness=300mg/L      | contact | 30 | s | others 30 s
        limit      | kind=hot-water temp=80C contact=30s                       | result | 77 | °C | by hand
        fade       | readings=0h:200mg/L,2h:150mg/L minimum=100mg/L            | result | 4.818842 | h | ln 2 / 0.143841
        fade       | readings=0h:200mg/L,2h:150mg/L minimum=100mg/L            | k | 0.143841 | 1/h | ln(200/150)/2
        fade       | readings=0h:200mg/L,1h:180mg/L,3h:150mg/L,4h:130mg/L minimum=100mg/L | result | 6.667082 | h | least squares, k = 0.104389
        fade       | readings=0h:200mg/L,1h:180mg/L,3h:150mg/L,4h:130mg/L minimum=100mg/L | earliest | 5.387631 | h | t(2) = 4.303
        fade       | readings=30min:400mg/L,90min:300mg/L minimum=200mg/L      | result | 2.409421 | h | ln 2 / 0.287682, from the first reading
        blend      | hot=60C cold=12C target=45C volume=40L                    | result | 27.5 | L | 40·33/48
        blend      | hot=65C cold=12C target=38C volume=20L                    | result | 9.811321 | L | 20·26/53
        blend      | hot=140F cold=53.6F target=104F volume=40L                | cold | 16.666667 | L | 40 − 40·28/48
        cool       | first=180C@0min second=120C@10min room=22C limit=49C      | result | 36.99029 | min | ln(158/27)/0.0477628
        cool       | first=90C@0min second=70C@5min room=20C limit=49C         | result | 13.094682 | min | ln(70/29)/0.0672944
        cool       | first=180F@2min second=60C@10min room=24C limit=49C       | result | 14.067927 | min | 180 °F = 82.22 °C
        rinse-fills | start=20000mg/L limit=5mg/L left=0.06                    | result | 3 | fills | 2.948 rounded up
        rinse-fills | start=20000mg/L limit=5mg/L left=6%                      | strengthThen | 4.32 | mg/L | 20000·0.06³
        rinse-fills | start=200mg/L limit=1mg/L left=0,1                       | result | 3 | fills | 2.301 rounded up
        rinse-fills | start=15000mg/L limit=10mg/L left=0.25                   | result | 6 | fills | 5.275 rounded up
        rinse-flush | volume=9L flow=11L/min start=20000mg/L limit=5mg/L mixing=well-mixed | result | 6.786041 | min | 9/11·ln 4000
        rinse-flush | volume=9L flow=11L/min start=20000mg/L limit=5mg/L mixing=plug | result | 0.818182 | min | 9/11
        rinse-flush | volume=20L flow=10L/min start=100mg/L limit=1mg/L mixing=well-mixed | result | 9.21034 | min | 2·ln 100
        line       | bore=9.5mm length=38m velocity=1.5m/s temp=40C            | result | 2.693523 | L | π·0.0095²/4·38
        line       | bore=9.5mm length=38m velocity=1.5m/s temp=40C            | flow | 6.379397 | L/min | area·1.5·60000
        line       | bore=9.5mm length=38m velocity=1.5m/s temp=40C            | reynolds | 21700 | | 1.5·0.0095/6.57e-7
        line       | bore=1in length=10m                                       | result | 5.067075 | L | π·0.0254²/4·10
        caustic    | volume=20L wanted=2% stock=25% wanted-density=1.021 stock-density=1.27 | result | 1286.2992 | mL | 20·1.021·2/(25·1.27)
        caustic    | volume=10L wanted=3%w/w stock=25% wanted-density=1.032 stock-density=1.274 | result | 972.0565 | mL | 10·1.032·3/31.85
        chase-out  | volume=2.69L factor=1.5 flow=55mL/s                       | result | 4.035 | L | 2.69·1.5
        chase-out  | volume=2.69L factor=1.5 flow=55mL/s                       | seconds | 73.363636 | s | 4.035/0.055
        chase-out  | volume=1.2L factor=2 flow=30mL/s                          | seconds | 80 | s | 2.4/0.03
        heat       | curve=70C@0min,70C@2min,75C@3min reference=70C z=10       | result | 4.081139 | min | 2·1 + 1·(1 + 3.16228)/2
        heat       | curve=60C@0min,80C@4min reference=70C z=10                | result | 20.2 | min | 4·(0.1 + 10)/2
        heat       | curve=82C@0s,82C@30s reference=71C z=10C                  | result | 6.294627 | min | 0.5·10^1.1
        heat       | curve=121.1C@0min,121.1C@3min reference=121.1C z=18F      | result | 3 | min | the rate is 1 throughout
        hot-water  | draws=40L@21:10,60L@21:40 heater=18kW tank=400L cold=12C hot=65C wanted=65C | result | 4.867979 | L/min | 18·60/(4.186·53)
        hot-water  | draws=40L@21:10,60L@21:40 heater=18kW tank=400L cold=12C hot=65C wanted=65C | reserve | 340 | L | 400 − 40, full again by 21:40, − 60
        interval   | uses=08:00 rooms=4C@08:00,6C@18:00                        | result | 10 | h | 20 h row, 10 h used
        interval   | uses=08:00 rooms=4C@08:00,6C@18:00 school=share           | result | 11.666667 | h | (1 − 10/24)·20
        interval   | uses=08:00 rooms=39.2F@08:00,50F@14:00 school=share       | result | 12 | h | (1 − 6/24)·16
        interval   | uses=09:30 rooms=20C@08:00                                | result | 4 | h | too warm for the table
        lift       | mass=10kg horizontal=25cm vertical=75cm travel=25cm asymmetry=0 coupling=good frequency=0.2/min duration=1h | result | 23 | kg | all at 1
        lift       | mass=10kg horizontal=50cm vertical=75cm travel=25cm asymmetry=0 coupling=good frequency=0.2/min duration=1h | result | 11.5 | kg | 25/50
        lift       | mass=10kg horizontal=25cm vertical=0cm travel=75cm asymmetry=0 coupling=fair frequency=1/min duration=1h | result | 14.007598 | kg | 23·0.775·0.88·0.95·0.94
        lift       | mass=10kg horizontal=40cm vertical=100cm travel=60cm asymmetry=45 coupling=good frequency=4/min duration=1h | result | 8.557082 | kg | 23·0.625·0.925·0.895·0.856·0.84
        lift       | mass=16.798186kg horizontal=38cm vertical=150cm travel=100cm asymmetry=0 coupling=poor frequency=0.5/min duration=2h | index | 2 | | 23·0.6579·0.775·0.865·0.92·0.9 = 8.3991
        cost       | amounts=0.35L@4.20/L minutes=26min rate=24/h              | result | 11.87 | money | 1.47 + 10.40
        cost       | amounts=120mL@9/L minutes=45 rate=18                      | result | 14.58 | money | 1.08 + 13.50
        cost       | amounts=2kg@3,5/kg;500g@7/kg minutes=10 rate=30           | result | 15.5 | money | 7 + 3.5 + 5
        trend      | values=12,15,11,14,13                                     | result | 13 | | 65/5
        trend      | values=12,15,11,14,13                                     | lower | 5.685 | | 13 − 2.66·2.75
        trend      | values=20;22;19;25;24;21                                  | movingRange | 3 | | (2+3+6+1+3)/5
        stock      | use=85mL rounds=14/week on-hand=5L                        | result | 29.411765 | d | 5000/170
        stock      | use=250mL rounds=3/day on-hand=20L                        | result | 26.666667 | d | 20/0.75
        sample     | sites=blade,guard,carriage,plate,knob rounds=2            | result | 3 | sites | ⌈5/2⌉
        """)
    void holds(String name, String inputs, String where, double value, String unit) {
        Map<String, String> in = new LinkedHashMap<>();
        for (String p : inputs.split(" ")) {
            in.put(
                    p.substring(0, p.indexOf('=')),
                    p.substring(p.indexOf('=') + 1).replace('_', ' '));
        }
        CalcAnswer a = Calculations.compute(name, in, PublicCodes.book());
        Amount got = where.equals("result") ? a.result() : (Amount) a.also().get(where);
        assertNotNull(got, () -> where + " of " + a);
        assertEquals(value, got.value(), Math.abs(value) * 1e-3, a::formula);
        assertEquals(unit == null ? "" : unit, got.unit());
    }
}
