package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A newcomer writes a sheet from the schema alone: it says of everything what it is, and shows one.
 */
class SheetSchemaTest {
    private static final JsonNode SCHEMA = Json.tree(Schemas.text("sheet"));

    private static void walk(JsonNode node, String at, List<String> bare) {
        node.path("properties")
                .properties()
                .forEach(
                        e -> {
                            JsonNode p = e.getValue();
                            String here = at + "/" + e.getKey();
                            if (p.path("title").asString("").isEmpty()
                                    || p.path("description").asString("").isEmpty()
                                    || p.path("examples").isEmpty()) {
                                bare.add(here);
                            }
                            walk(p, here, bare);
                            walk(p.path("items"), here, bare);
                        });
    }

    @Test
    void everyPropertyHasATitleADescriptionAndAnExample() {
        List<String> bare = new ArrayList<>();
        walk(SCHEMA, "", bare);
        assertEquals(List.of(), bare);
    }

    @Test
    void whereItSaysNoneItIsReadBackAsItWasWritten() {
        ObjectNode doc = (ObjectNode) Json.tree(DemoSite.text("machines/QK-WW1.json"));
        ((ObjectNode) doc.get("energies").get(0)).putArray("zone");
        MachineSheet sheet = SheetFormat.read(Json.write(doc));
        assertTrue(sheet.energies().getFirst().zone().isEmpty());
        assertTrue(sheet.parts().stream().anyMatch(p -> p.surfaces().isEmpty()));
        assertEquals(sheet, SheetFormat.read(Json.write(sheet)));
    }

    @Test
    void aLineThatWetsNothingIsRefused() {
        ObjectNode doc = (ObjectNode) Json.tree(DemoSite.text("machines/QK-DS1.json"));
        ((ObjectNode) doc.get("passages").get(0)).putArray("surfaces");
        FormatError e = assertThrows(FormatError.class, () -> SheetFormat.read(Json.write(doc)));
        assertTrue(e.getMessage().startsWith("/passages/0/surfaces"), e.getMessage());
    }

    private static Set<String> components(Class<? extends Record> type) {
        return Arrays.stream(type.getRecordComponents())
                .map(RecordComponent::getName)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static Set<String> properties(String pointer) {
        Set<String> names = new TreeSet<>();
        SCHEMA.at(pointer).properties().forEach(e -> names.add(e.getKey()));
        return names;
    }

    @Test
    void whatTheModelKnowsCanBeWritten() {
        String parts = "/properties/parts/items/properties";
        assertEquals(components(MachineSheet.class), properties("/properties"));
        assertEquals(components(Part.class), properties(parts));
        assertEquals(components(Surface.class), properties(parts + "/surfaces/items/properties"));
    }

    /** The examples of the schema are sound where they are whole things. */
    @Test
    void aSheetMadeOfTheExamplesIsRead() {
        String sheet =
                """
                {"code": "QK-ZZ1", "name": "Disc slicer", "family": "slicer", "regime": "plant",
                 "version": 1, "room": "Prep room", "roomTemperature": {"value": 11, "unit": "°C"},
                 "parts": [{"id": "blade", "name": "Blade", "count": 1, "removable": false,
                   "surfaces": %s}],
                 "energies": %s, "settings": %s, "kits": [], "signs": %s, "faults": %s}
                """
                        .formatted(
                                SCHEMA.at("/properties/parts/items/properties/surfaces/examples/0"),
                                SCHEMA.at("/properties/energies/examples/0"),
                                SCHEMA.at("/properties/settings/examples/0"),
                                SCHEMA.at("/properties/signs/examples/0"),
                                SCHEMA.at("/properties/faults/examples/0"));
        MachineSheet read = SheetFormat.read(sheet);
        assertEquals(60, read.settings().getFirst().approved());
        assertTrue(read.signs().getFirst().normal());
    }
}
