package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.takeapart.TakeApartMap;
import orthopur.takeapart.TakeApartMap.Edge;
import orthopur.takeapart.TakeApartMap.Node;
import orthopur.text.Text;

/** The slicer, the filler, the saw as they come apart. */
class TakeApartMapTest {
    private static Node node(TakeApartMap map, String id) {
        return map.nodes().stream().filter(n -> n.id().equals(id)).findFirst().orElseThrow();
    }

    private static TakeApartMap map(String code) {
        MachineSheet sheet = DemoSite.sheet(code);
        return TakeApartMap.of(sheet, Configuration.fitted(sheet));
    }

    @Test
    void whatIsInFrontComesOffFirst() {
        TakeApartMap filler = map("QK-FL1");
        assertNull(node(filler, "body").turn());
        assertEquals(0, node(filler, "guard-door").turn());
        assertEquals(1, node(filler, "hopper").turn());
        assertEquals(2, node(filler, "hopper-seal").turn());
        assertTrue(filler.edges().contains(new Edge("guard-door", "hopper")));
        for (String code : DemoSite.MACHINES) {
            TakeApartMap m = map(code);
            for (Edge e : m.edges()) {
                assertTrue(node(m, e.front()).turn() < node(m, e.back()).turn(), code + " " + e);
            }
        }
    }

    /** A scraper that comes off is another machine than one that folds. */
    @Test
    void anOptionChangesTheMap() {
        MachineSheet slicer = DemoSite.sheet("QK-SL1");
        TakeApartMap tilts =
                TakeApartMap.of(slicer, Configuration.fitted(slicer).with("carriage", "tilts"));
        assertTrue(node(map("QK-SL1"), "carriage").turn() != null);
        assertTrue(tilts.nodes().stream().noneMatch(n -> n.id().equals("carriage")));
    }

    @Test
    void whatItIsAndWhatToMindIsSaidInSentences() {
        Node hopper = node(map("QK-FL1"), "hopper");
        assertEquals(
                List.of(
                        "First off: guard door",
                        "Open both clamps, lift straight up.",
                        "It weighs 12 kg.",
                        "It goes to: filler cart",
                        "While it is on, nobody reaches: port under the hopper",
                        "Mind: heavy",
                        "Put back so: both clamps shut, arrow to the front"),
                hopper.sentences().stream().map(Text::toString).toList());
        assertEquals(
                "Hopper, inside: food-contact; stainless steel; sanitized, daily",
                hopper.surfaces().getFirst().toString());
        List<String> air =
                map("QK-FL1").energies().stream()
                        .filter(e -> e.id().equals("filler-air"))
                        .findFirst()
                        .orElseThrow()
                        .sentences()
                        .stream()
                        .map(Text::toString)
                        .toList();
        assertTrue(air.contains("Lock it out at: ball valve A4 with its lock hasp"), air::toString);
    }
}
