package orthopur.takeapart;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import orthopur.machine.Assembly;
import orthopur.machine.Configuration;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.Frequency;
import orthopur.machine.Handling;
import orthopur.machine.Hazard;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.quantity.Mass;
import orthopur.takeapart.TakeApartMap.Edge;
import orthopur.takeapart.TakeApartMap.Node;
import orthopur.testbench.Bench;
import orthopur.text.Text;

/** In which turn each part comes off, what holds it back, and what a colleague would say of it. */
class TakeApartMapTest {
    private static TakeApartMap map(List<Part> parts, List<Energy> energies) {
        MachineSheet sheet = Bench.sheet(parts, energies);
        return TakeApartMap.of(sheet, Configuration.fitted(sheet));
    }

    private static TakeApartMap map(Part... parts) {
        return map(List.of(parts), List.of());
    }

    private static Node node(TakeApartMap map, String id) {
        return map.nodes().stream().filter(n -> n.id().equals(id)).findFirst().orElseThrow();
    }

    private static List<String> said(List<Text> all) {
        return all.stream().map(Text::toString).toList();
    }

    @Test
    void whatStandsInFrontOfNothingComesOffFirst() {
        TakeApartMap map =
                map(
                        Bench.part("body").fixed().build(),
                        Bench.part("cover").build(),
                        Bench.part("pan").build(),
                        Bench.part("worm").behind("cover", "pan").build(),
                        Bench.part("bearing").behind("worm").build());
        assertEquals(0, node(map, "cover").turn());
        assertEquals(0, node(map, "pan").turn());
        assertEquals(1, node(map, "worm").turn());
        assertEquals(2, node(map, "bearing").turn());
        assertNull(node(map, "body").turn(), "it never leaves");
        assertEquals(
                List.of(
                        new Edge("cover", "worm"),
                        new Edge("pan", "worm"),
                        new Edge("worm", "bearing")),
                map.edges());
    }

    @Test
    void partsThatAreEachBehindTheOtherHaveNoTurnAndTheRestStillDoes() {
        TakeApartMap map =
                map(
                        Bench.part("lid").build(),
                        Bench.part("left").behind("right").build(),
                        Bench.part("right").behind("left").build());
        assertEquals(0, node(map, "lid").turn());
        assertNull(node(map, "left").turn());
        assertNull(node(map, "right").turn());
    }

    @Test
    void whatOnlyMovesAsideGoesNowhere() {
        Node flap = node(map(Bench.part("flap").fixed().shifts().build()), "flap");
        assertTrue(flap.aside());
        assertEquals(0, flap.turn());
        assertNull(flap.place());
        assertEquals(
                List.of("It does not come off; it moves aside and has to be moved back."),
                said(flap.sentences()));
        assertEquals("sink", node(map(Bench.part("lid").build()), "lid").place());
    }

    @Test
    void whatHasToBeMindedIsSaidInTheOrderInWhichItIsNeeded() {
        Part drum =
                Bench.part("drum")
                        .count(2)
                        .behind("guard")
                        .covers("shaft-1")
                        .build()
                        .withFastening("Two knobs")
                        .withHazards(Set.of(Hazard.EDGE))
                        .withCaution("It swings.")
                        .withMark("N and S")
                        .withHandling(
                                new Handling(
                                        new Mass(19.5),
                                        2,
                                        List.of("lever"),
                                        Handling.Index.BY_HAND,
                                        "drums",
                                        false))
                        .withAssembly(
                                new Assembly(
                                        List.of("shaft"),
                                        "notch up",
                                        "edge without nicks",
                                        "guard",
                                        List.of(
                                                new Assembly.Lubrication(
                                                        "journal", false, "oil", Frequency.DAILY),
                                                new Assembly.Lubrication(
                                                        "face", true, null, Frequency.DAILY))));
        TakeApartMap map =
                map(Bench.part("Guard").guard().build(), Bench.part("shaft").build(), drum);
        assertEquals(
                List.of(
                        "There are 2 of it.",
                        "First off: guard",
                        "Two knobs",
                        "The machine is turned by hand, under lock, to the place where each comes off.",
                        "It takes 2 people.",
                        "It weighs 19.5 kg.",
                        "Have at hand: lever",
                        "Never all off at once: drum",
                        "It goes to: sink",
                        "Its place is marked: N and S",
                        "While it is on, nobody reaches: shaft-1",
                        "Mind: " + Hazard.EDGE.shown(),
                        "It swings.",
                        "It goes on after: shaft",
                        "Put back so: notch up",
                        "Check for wear: edge without nicks",
                        "It is replaced together with: guard",
                        "Lubricate " + Frequency.DAILY.shown() + ": journal",
                        "Never lubricate: face"),
                said(node(map, "drum").sentences()));
        assertTrue(node(map, "drum").harms());
        assertFalse(node(map, "shaft").harms());
        assertTrue(
                said(node(map, "Guard").sentences())
                        .contains("It is a guard: the machine must not run without it."));
    }

    @Test
    void aTextThatIsBlankIsNotSaid() {
        Part lid = Bench.part("lid").build().withCaution("  ").withMark("");
        assertEquals(List.of("It goes to: sink"), said(node(map(lid), "lid").sentences()));
    }

    @Test
    void ofASurfaceItSaysHowFarFromTheFoodItIsAndHowItEnds() {
        Surface food = Bench.SHEET.parts().getFirst().surfaces().getFirst();
        Part p = Bench.part("lid").build();
        List<String> said =
                List.of(1, 2, 3, 4).stream()
                        .map(
                                zone ->
                                        node(
                                                        map(
                                                                p.withSurfaces(
                                                                        List.of(
                                                                                food.withZone(
                                                                                        zone)))),
                                                        "lid")
                                                .surfaces()
                                                .getFirst()
                                                .toString())
                        .toList();
        assertTrue(said.get(0).startsWith("frame-1: food-contact; steel; "), said.get(0));
        assertTrue(said.get(1).startsWith("frame-1: adjacent; "));
        assertTrue(said.get(2).startsWith("frame-1: processing area; "));
        assertTrue(said.get(3).startsWith("frame-1: outside; "));
        assertTrue(node(map(p), "lid").contact());
    }

    @Test
    void ofAnEnergyItSaysWhereToLockItOutAndHowItIsProved() {
        TakeApartMap map =
                map(
                        List.of(Bench.part("Drum").build()),
                        List.of(
                                Bench.energy("motor", EnergyKind.SUPPLIED, null, null, "Drum"),
                                Bench.tagOnly(
                                        Bench.energy(
                                                "spring", EnergyKind.STORED, "Drum", "motor"))));
        assertEquals(
                List.of(
                        "It comes from a supply and has to be isolated and locked.",
                        "Lock it out at: switch",
                        "Verify zero energy: try it",
                        "It reaches: drum"),
                said(map.energies().getFirst().sentences()));
        List<String> spring = said(map.energies().getLast().sentences());
        assertEquals("It stays stored in the machine until it is released.", spring.getFirst());
        assertTrue(spring.contains("Its point takes no lock: tag it and take a second measure."));
        assertTrue(spring.contains("It is fed by: motor"));
        assertEquals(List.of("Drum"), map.energies().getFirst().parts());
    }
}
