package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.FieldSource;
import orthopur.drafting.Drafter;
import orthopur.machine.Check;
import orthopur.machine.Energy;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.machine.Surface;
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

    private static String stated(StepDocument step, String field) {
        return String.valueOf(step.field(field));
    }

    @Test
    void asASupervisorWrites() {
        StepDocument wash =
                step(
                        "Wash blade, front, blade, back with Sudmere N 1 % at 45 °C, 8 L, wiping centre outward, using nylon brush #k7");
        assertEquals("wash", wash.action());
        assertEquals("k7", wash.id());
        assertEquals(List.of("blade-front", "blade-back"), wash.texts("items"));
        assertEquals("sudmere-n", wash.text("chemical"));
        assertEquals("{\"value\":1.0,\"unit\":\"%\"}", stated(wash, "strength"));
        assertEquals("{\"value\":45.0,\"unit\":\"°C\"}", stated(wash, "temperature"));
        assertEquals("centre outward", wash.text("direction"));
        assertEquals("nylon brush", wash.text("tool"));
        StepDocument soak =
                step("Soak carriage, pusher in sink 1 with Sudmere N 1 % at 113 °F for 10 min");
        assertEquals("sink 1", soak.text("place"));
        assertEquals("{\"value\":113.0,\"unit\":\"°F\"}", stated(soak, "temperature"));
        assertEquals("{\"value\":10.0,\"unit\":\"min\"}", stated(soak, "dwell"));
        StepDocument off = step("Take off carriage -> parts cart, 2 people");
        assertEquals("remove", off.action());
        assertEquals("parts cart", off.text("destination"));
        assertEquals(2, off.people());
        StepDocument shift = step("if scraper = folds: Shift scraper");
        assertEquals("scraper=folds", shift.when());
        assertEquals("shift", shift.action());
        assertEquals("stop", step("Switch off motor on its cord").text("mode"));
        StepDocument z =
                step(
                        "Sanitize blade, front with Halvern H12 100 ppm, pH 7.4, wet 60 s, by spray, reading strength+temperature");
        assertEquals(List.of("strength", "temperature"), z.texts("readings"));
        assertEquals("7.4", stated(z, "ph"));
        StepDocument clear = step("Clear tools out, people clear, guards not on");
        assertEquals("true", stated(clear, "toolsOut"));
        assertEquals("false", stated(clear, "guardsOn"));
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
        assertEquals(List.of(), r.step().texts("items"));
        assertNull(r.step().text("chemical"));
        assertNull(r.step().field("temperature"));
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
        ActionTable.ActionInfo a = ActionTable.all().get(dice.nextInt(ActionTable.all().size()));
        s.put("id", "s-" + dice.nextInt(1000)).put("action", a.name());
        for (StatedField f : a.fields()) {
            if (f.needed() || dice.nextInt(3) > 0) {
                fill(s, f, dice);
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
                        dice.nextBoolean() ? null : List.of("soy", "sesame, hulled"),
                        List.of(step)),
                DemoSite.SLICER);
    }

    private static void fill(ObjectNode s, StatedField f, Random dice) {
        MachineSheet m = DemoSite.SLICER;
        switch (f.kind()) {
            case NAMES -> ids(s, f, m, dice);
            case CHEMICAL ->
                    s.put(
                            f.name(),
                            DemoSite.CHEMICALS.get(dice.nextInt(DemoSite.CHEMICALS.size())).id());
            case QUANTITY ->
                    s.putObject(f.name())
                            .put("value", dice.nextInt(4000) / 8.0)
                            .put("unit", one(dice, f.units()));
            case NUMBER -> s.put(f.name(), dice.nextInt(140) / 10.0);
            case CHOICE -> s.put(f.name(), one(dice, f.choices()));
            case CHOICES -> s.putArray(f.name()).add(f.choices().getFirst());
            case COUNT -> s.put(f.name(), 1 + dice.nextInt(20));
            // Only flags of several words can be denied in a line.
            case FLAG -> s.put(f.name(), !f.word().contains(" ") || dice.nextBoolean());
            case TEXTS -> s.putArray(f.name()).add(text(dice)).add(text(dice));
            case TEXT -> s.put(f.name(), text(dice));
        }
    }

    private static void ids(ObjectNode s, StatedField f, MachineSheet m, Random dice) {
        List<String> known =
                switch (f.of()) {
                    case ITEMS ->
                            m.parts().stream()
                                    .flatMap(
                                            p ->
                                                    Stream.concat(
                                                            Stream.of(p.id()),
                                                            p.surfaces().stream().map(Surface::id)))
                                    .toList();
                    case ENERGIES -> m.energies().stream().map(Energy::id).toList();
                    case CHECKS -> m.checks().stream().map(Check::id).toList();
                    default -> List.of();
                };
        ArrayNode l = known.isEmpty() ? null : s.putArray(f.name());
        for (int i = 0; l != null && i <= dice.nextInt(4); i++) {
            l.add(one(dice, known));
        }
    }

    private static String one(Random dice, List<String> all) {
        return all.get(dice.nextInt(all.size()));
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
