package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.chemical.Chemical;
import orthopur.machine.Problem;
import orthopur.quantity.Strength;

/** Sheets, chemicals and the site: what is refused, and where it says so. */
class SheetErrorsTest {
    private static final String SHEET = DemoSite.text("machines/QK-SL1.json");
    private static final String CHEMICALS = DemoSite.text("chemicals.json");

    private static List<String> pointers(String sheet) {
        return assertThrows(FormatError.class, () -> SheetFormat.read(sheet)).problems().stream()
                .map(Problem::pointer)
                .toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"regime\" : \"retail\"    | \"regime\" : \"moon\"     | /regime",
                "\"version\" : 7            | \"version\" : 0           | /version",
                "\"count\" : 2              | \"count\" : -2            | /parts/8/count",
                "\"unit\" : \"mm\"          | \"units\" : \"mm\"        | /checks/2",
                "\"kind\" : \"cord\"        | \"kind\" : \"magic\"      | /energies/0/kind",
                "\"end\" : \"sanitized\"    | \"end\" : \"shiny\"       | /parts/0/surfaces/1/end",
                "\"holder\" : \"blade\"     | \"holder\" : \"knife\"    | /energies/1/holder",
                "\"fedBy\" : \"cord\"       | \"fedBy\" : \"steam\"     | /energies/1/fedBy",
                "\"above\" : \"blade-front\"| \"above\" : \"sky\"       | /parts/0/surfaces/1/above",
                "M60 250 L80                | M60 250 <script>          | /outline/shapes/0/path"
            })
    void eachWrongFieldIsNamed(String good, String bad, String pointer) {
        assertTrue(SHEET.contains(good), good);
        String broken =
                SHEET.substring(0, SHEET.indexOf(good))
                        + bad
                        + SHEET.substring(SHEET.indexOf(good) + good.length());
        List<String> found = pointers(broken);
        assertTrue(found.stream().anyMatch(p -> p.startsWith(pointer)), found.toString());
    }

    /** What only shows once the sheet is whole: names that mean nothing, circles, a blunt gauge. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"part\" : \"blade\" | \"part\" : \"rotor\" | /checks/0/part | no part \"rotor\"",
                "\"tolerance\" : 1.0 | \"tolerance\" : 5.1 | /checks/0/tolerance | between 60 and 70",
                "\"tolerance\" : 1.0 | \"tolerance\" : -1 | /checks/0/tolerance | 0",
                "\"least\" : 60.0, | '' | /checks/0 | least"
            })
    void aCheckThatNoReadingCouldPassIsNamed(String good, String bad, String pointer, String says) {
        String saw = DemoSite.text("machines/QK-SW1.json");
        String from = "\"checks\"";
        int at = saw.indexOf(good, saw.indexOf(from));
        assertTrue(at > 0, good);
        String broken = saw.substring(0, at) + bad + saw.substring(at + good.length());
        FormatError e = assertThrows(FormatError.class, () -> SheetFormat.read(broken));
        assertEquals(pointer, e.problems().getFirst().pointer());
        assertTrue(e.getMessage().contains(says), e.getMessage());
    }

    @Test
    void aTemperatureBelowAbsoluteZeroIsToldWithTheRange() {
        String cold = SHEET.replaceFirst("\"value\" : 11\\.0", "\"value\" : -300");
        FormatError e = assertThrows(FormatError.class, () -> SheetFormat.read(cold));
        assertEquals("/roomTemperature", e.problems().getFirst().pointer());
        assertTrue(e.getMessage().contains("-273.15"), e.getMessage());
    }

    @Test
    void chemicalsAreReadWithTheirLabelsAndIdsStandOnce() {
        Chemical h12 = DemoSite.CHEMICALS.getFirst();
        assertEquals(146_250, h12.stock().strength().mgPerL(), 1e-6);
        assertEquals(new Strength(50), h12.label().least());
        assertEquals(60, h12.label().contact().toSeconds());
        assertEquals(CHEMICALS, ChemicalsFormat.write(ChemicalsFormat.read(CHEMICALS)));
        String twice = CHEMICALS.replace("\"palimar-q10\"", "\"halvern-h12\"");
        FormatError e = assertThrows(FormatError.class, () -> ChemicalsFormat.read(twice));
        assertEquals("/chemicals/1/id", e.problems().getFirst().pointer());
        String noDensity = CHEMICALS.replaceFirst(",\\s*\"density\" : 1\\.17", "");
        assertThrows(FormatError.class, () -> ChemicalsFormat.read(noDensity));
    }

    @Test
    void theSchemasCompileAndAreNamed() {
        for (String name : Schemas.NAMES) {
            assertTrue(Schemas.text(name).contains("2020-12"), name);
        }
        assertThrows(IllegalArgumentException.class, () -> Schemas.text("moon"));
    }

    /** A typing slip in what slides, stands in or has to be off would let its rule sleep. */
    @Test
    void whatCarriesStandsInOrIsOffIsOnTheSheet() {
        String unit =
                DemoSite.text("machines/QK-CV1.json")
                        .replace("\"replaces\" : \"unit-cap\"", "\"replaces\" : \"cap\"")
                        .replaceFirst("(\"fittings\" : \\[\\s*)\"unit-rail\"", "$1\"rail\"");
        assertEquals(
                List.of(
                        "There is no part \"cap\" on this sheet.",
                        "There is no fitting \"rail\" on this sheet."),
                told(unit));
        String oven =
                DemoSite.text("machines/QK-OV2.json")
                        .replaceFirst("(\"off\" : \\[\\s*)\"humidifier\"", "$1\"steam\"")
                        .replaceFirst("(\"aside\" : \\[\\s*)\"proofer-door\"", "$1\"hatch\"");
        assertEquals(
                List.of(
                        "There is no energy \"steam\" on this sheet.",
                        "There is no part \"hatch\" on this sheet."),
                told(oven));
    }

    private static List<String> told(String sheet) {
        return assertThrows(FormatError.class, () -> SheetFormat.read(sheet)).problems().stream()
                .map(Problem::message)
                .toList();
    }
}
