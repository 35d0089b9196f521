package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.FieldSource;
import orthopur.drafting.Drafter;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Schools;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The line notation: read without guessing, and nothing lost between it and JSON. */
class NotationTest {
    private static final Notation SLICER = new Notation(DemoSite.SLICER, DemoSite.CHEMICALS);

    private static StepDocument step(String line) {
        Notation.ReadStep r = SLICER.step(line, "s1");
        assertEquals(List.of(), r.slips(), line);
        return r.step();
    }

    @Test
    void asASupervisorWrites() {
        StepDocument wash =
                step(
                        "Wash blade, front, blade, back with Sudmere N 1 % at 45 °C, 8 L, wiping centre outward, using nylon brush #k7");
        assertEquals("wash", wash.action());
        assertEquals("k7", wash.id());
        assertEquals(List.of("blade-front", "blade-back"), wash.items());
        assertEquals("sudmere-n", wash.chemical());
        assertEquals(new Quantity(1, "%"), wash.strength());
        assertEquals(new Quantity(45, "°C"), wash.temperature());
        assertEquals("centre outward", wash.direction());
        assertEquals("nylon brush", wash.tool());
        StepDocument soak =
                step("Soak carriage, pusher in sink 1 with Sudmere N 1 % at 113 °F for 10 min");
        assertEquals("sink 1", soak.place());
        assertEquals(new Quantity(113, "°F"), soak.temperature());
        assertEquals(new Quantity(10, "min"), soak.dwell());
        StepDocument off = step("Take off carriage -> parts cart, 2 people");
        assertEquals("remove", off.action());
        assertEquals("parts cart", off.destination());
        assertEquals(2, off.people());
        StepDocument shift = step("if scraper = folds: Shift scraper");
        assertEquals("scraper=folds", shift.when());
        assertEquals("shift", shift.action());
        assertEquals("stop", step("Switch off motor on its cord").mode());
        StepDocument z =
                step(
                        "Sanitize blade, front with Halvern H12 100 ppm, pH 7.4, wet 60 s, by spray, reading strength+temperature");
        assertEquals(List.of("strength", "temperature"), z.readings());
        assertEquals(7.4, z.ph());
        assertEquals(true, step("Clear tools out, people clear, guards not on").toolsOut());
        assertEquals(false, step("Clear tools out, people clear, guards not on").guardsOn());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Wahs blade, front                 | 1  | Wahs     | Wash",
                "Wash blade, frnot                 | 13 | frnot    |",
                "Wash with Sudmere Q               | 11 | Sudmere  | Sudmere N",
                "Wash pushre                       | 6  | pushre   | Pusher",
                "Rinse pusher until shiny          | 20 | shiny    |",
                "Wash blade, front by brosh        | 22 | brosh    | brush"
            })
    void aSlipPointsAtTheWordAndOffersTheNearest(
            String line, int column, String word, String nearest) {
        List<Notation.Slip> slips = SLICER.step(line, "s1").slips();
        Notation.Slip s = slips.getFirst();
        assertEquals(column, s.column(), slips.toString());
        assertEquals(word, s.word());
        if (nearest != null) {
            assertTrue(s.nearest().contains(nearest), s.toString());
        }
    }

    /** What is not understood is left out, never filled in. */
    @Test
    void nothingIsGuessed() {
        Notation.ReadStep r = SLICER.step("Wash the blades really well with hot soapy water", "s1");
        assertTrue(r.step().items() == null || r.step().items().isEmpty());
        assertNull(r.step().chemical());
        assertNull(r.step().temperature());
        assertTrue(r.slips().size() >= 5, r.slips().toString());
        assertNull(SLICER.step("Polish the blade", "s1").step());
    }

    @ParameterizedTest
    @FieldSource("orthopur.formats.DemoSite#PROCEDURES")
    void everyDemoProcedureGoesThroughUnchanged(String name) {
        ProcedureDocument d =
                ProcedureFormat.document(DemoSite.text("procedures/" + name + ".json"));
        same(d, DemoSite.sheet(d.sheet()));
    }

    private static void same(ProcedureDocument d, MachineSheet sheet) {
        Notation n = new Notation(sheet, DemoSite.CHEMICALS);
        String text = n.write(d);
        Notation.Read back = n.read(text);
        assertEquals(List.of(), back.slips(), text);
        assertEquals(ProcedureFormat.write(d), ProcedureFormat.write(back.document()), text);
        assertEquals(text, n.write(back.document()));
        assertTrue(Notation.isNotation(text));
        assertEquals(d.sheet(), Notation.sheetOf(text));
    }

    @Test
    void draftsGoThroughUnchanged() {
        for (String code : DemoSite.MACHINES) {
            MachineSheet sheet = DemoSite.sheet(code);
            Drafter.Request r =
                    new Drafter.Request(
                            "d", "D", Frequency.YEARLY, new Schools(true, true), Map.of());
            same(ProcedureFormat.document(Drafter.draft(sheet, r, DemoSite.CONTEXT)), sheet);
        }
    }

    /** Any step that the format can hold, whatever stands in its texts. */
    @Property(tries = 600)
    void anyStepGoesThroughUnchanged(@ForAll long seed) {
        Random dice = new Random(seed);
        ObjectNode s = Json.shared().createObjectNode();
        ActionCatalog.ActionInfo a =
                ActionCatalog.all().get(dice.nextInt(ActionCatalog.all().size()));
        s.put("id", "s-" + dice.nextInt(1000)).put("action", a.name());
        if (a.name().equals("operate")) {
            s.put(
                    "mode",
                    one(dice, "stop", "safe-position", "drain", "expel", "run", "clean-mode"));
        }
        for (String f : a.fields()) {
            if (!f.equals("mode") && dice.nextInt(3) > 0) {
                fill(s, f, a.name(), dice);
            }
        }
        s.put("minutes", dice.nextInt(100) / 4.0).put("people", 1 + dice.nextInt(9));
        for (String f : List.of("words", "because", "caution")) {
            if (dice.nextBoolean()) {
                s.put(f, text(dice) + (dice.nextBoolean() ? "\n" + text(dice) : ""));
            }
        }
        if (dice.nextInt(4) == 0) {
            s.put("when", "scraper=folds");
        }
        StepDocument step = Documents.bind(s, StepDocument.class);
        same(
                new ProcedureDocument(
                        "p",
                        "A title",
                        "QK-SL1",
                        7,
                        "public-codes-1",
                        "daily",
                        new ProcedureDocument.SchoolsDocument(
                                dice.nextBoolean(), dice.nextBoolean()),
                        1,
                        List.of("goggles, clear", "a \"quoted\" thing"),
                        dice.nextBoolean() ? null : Map.of("scraper", List.of("folds", "none")),
                        List.of(step)),
                DemoSite.SLICER);
    }

    private static void fill(ObjectNode s, String f, String action, Random dice) {
        MachineSheet m = DemoSite.SLICER;
        switch (f) {
            case "items" -> {
                ArrayNode l = s.putArray(f);
                for (int i = 0; i <= dice.nextInt(4); i++) {
                    var p = m.parts().get(dice.nextInt(m.parts().size()));
                    l.add(
                            dice.nextBoolean() || p.surfaces().isEmpty()
                                    ? p.id()
                                    : p.surfaces().getFirst().id());
                }
            }
            case "energies" ->
                    s.putArray(f).add(m.energies().get(dice.nextInt(m.energies().size())).id());
            case "checks" -> s.putArray(f).add(m.checks().getFirst().id());
            case "fittings" -> {}
            case "chemical" ->
                    s.put(f, DemoSite.CHEMICALS.get(dice.nextInt(DemoSite.CHEMICALS.size())).id());
            case "strength" -> quantity(s, f, dice, one(dice, "mg/L", "%", "ppm"));
            case "temperature", "below", "finalRinse" ->
                    quantity(s, f, dice, one(dice, "°C", "°F"));
            case "volume" -> quantity(s, f, dice, one(dice, "L", "mL", "gal", "fl oz", "oz"));
            case "dwell", "contact", "standing" -> quantity(s, f, dice, one(dice, "s", "min", "h"));
            case "velocity" -> quantity(s, f, dice, "m/s");
            case "pressure" -> quantity(s, f, dice, "kPa");
            case "ph" -> s.put(f, dice.nextInt(140) / 10.0);
            case "method" ->
                    s.put(
                            f,
                            action.equals("dry")
                                    ? one(dice, "air", "towel")
                                    : one(dice, "cloth", "spray", "washer"));
            case "endPoint" -> s.put(f, one(dice, "clear", "no-suds", "tap-ph"));
            case "flow" -> s.put(f, one(dice, "forward", "reverse", "alternate"));
            case "readings" -> s.putArray(f).add("strength").add("ph");
            case "count", "times", "locks" -> s.put(f, 1 + dice.nextInt(30));
            case "toolsOut", "peopleClear", "guardsOn", "powered", "washedOut" ->
                    s.put(
                            f,
                            !f.equals("powered") && !f.equals("washedOut")
                                    ? dice.nextBoolean()
                                    : true);
            case "things", "places", "purged", "complete" ->
                    s.putArray(f).add(text(dice)).add(text(dice));
            default -> s.put(f, text(dice));
        }
    }

    private static void quantity(ObjectNode s, String f, Random dice, String unit) {
        s.putObject(f).put("value", dice.nextInt(4000) / 8.0).put("unit", unit);
    }

    private static String one(Random dice, String... all) {
        return all[dice.nextInt(all.length)];
    }

    private static String text(Random dice) {
        return one(
                dice,
                "sink 1",
                "with \"care\", at 5 °C #x1",
                "because: it is so",
                "a\\b; c, d",
                "línea – größer 2 people",
                "`ticks` -> arrow");
    }
}
