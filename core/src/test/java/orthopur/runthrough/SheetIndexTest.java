package orthopur.runthrough;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import orthopur.procedure.Action;
import orthopur.testbench.Bench;

/** A sheet by its places: what is named is found, what is not is nothing, and no two are one. */
class SheetIndexTest {
    private static final SheetIndex SHEET = new SheetIndex(Bench.SHEET);

    private static PartAt part(String id) {
        return Objects.requireNonNull(SHEET.partNamed(id));
    }

    private static SurfaceAt surface(String id) {
        return Objects.requireNonNull(SHEET.surfaceNamed(id));
    }

    private static List<String> ids(List<SurfaceAt> surfaces) {
        return surfaces.stream().map(s -> SHEET.surface(s).id()).toList();
    }

    @Test
    void everythingIsFoundByItsOwnNameAndByNoOther() {
        for (PartAt p : SHEET.allParts()) {
            assertEquals(p, SHEET.partNamed(SHEET.part(p).id()));
            assertNull(SHEET.energyNamed(SHEET.part(p).id()));
        }
        for (SurfaceAt s : SHEET.allSurfaces()) {
            assertEquals(s, SHEET.surfaceNamed(SHEET.surface(s).id()));
            assertTrue(SHEET.surfacesOf(SHEET.ownerOf(s)).contains(s));
        }
        for (EnergyAt e : SHEET.allEnergies()) {
            assertEquals(e, SHEET.energyNamed(SHEET.energy(e).id()));
        }
        assertNull(SHEET.partNamed("drum-1"));
        assertNull(SHEET.surfaceNamed("drum"));
        assertNull(SHEET.passageNamed("nothing"));
        assertNull(SHEET.partNamed(null));
    }

    @Test
    void thePlacesOfOneReadingOfASheetAreThoseOfAnother() {
        SheetIndex again = new SheetIndex(Bench.SHEET);
        assertEquals(SHEET.allSurfaces(), again.allSurfaces());
        assertEquals(part("guard"), again.partNamed("guard"));
        assertEquals(part("guard").hashCode(), again.allParts().getLast().hashCode());
    }

    @Test
    void whatCoversASurfaceIsWhatTheSurfaceIsCoveredBy() {
        assertEquals(List.of(part("flap")), SHEET.coversOf(surface("drum-back")));
        assertEquals(List.of("groove"), ids(SHEET.coveredBy(part("seal"))));
        for (PartAt p : SHEET.allParts()) {
            for (SurfaceAt s : SHEET.coveredBy(p)) {
                assertTrue(SHEET.coversOf(s).contains(p));
            }
        }
        assertEquals(List.of(), SHEET.coversOf(surface("drum-1")));
    }

    @Test
    void whatIsBehindGoesOnFirst() {
        assertEquals(List.of(part("spring")), SHEET.onBefore(part("hopper")));
        assertEquals(List.of(), SHEET.onBefore(part("spring")));
    }

    @Test
    void anEnergyReachesItsZoneAndNothingElse() {
        EnergyAt motor = Objects.requireNonNull(SHEET.energyNamed("motor"));
        assertTrue(SHEET.inReach(motor, part("drum")));
        assertTrue(!SHEET.inReach(motor, part("hopper")));
        assertEquals(SHEET.zoneOf(motor).size(), 3);
    }

    @Test
    void aPartMeansAllItsSurfacesASurfaceItselfAndAnotherNameNothing() {
        assertEquals(List.of("drum-1", "drum-back"), ids(SHEET.surfacesMeant("drum")));
        assertEquals(List.of("drum-back"), ids(SHEET.surfacesMeant("drum-back")));
        assertEquals(List.of(), SHEET.surfacesMeant("motor"));
        assertEquals(part("drum"), SHEET.partMeant("drum"));
        assertEquals(part("drum"), SHEET.partMeant("drum-back"));
        assertNull(SHEET.partMeant("motor"));
        Action back = new Action.Inspect(List.of("drum-back"));
        assertTrue(SHEET.meant(back, part("drum")));
        assertTrue(!SHEET.meant(back, part("flap")));
    }

    @Test
    void namesAreSaidAsPeopleSayThemAndManyOnlyCounted() {
        assertEquals("hopper", SHEET.nameOf("hopper"));
        assertEquals("motor", SHEET.nameOf("motor"));
        assertEquals("who knows", SHEET.nameOf("who knows"));
        assertEquals("", SHEET.names(List.of()).toString());
        assertEquals("drum and flap", SHEET.names(List.of("drum", "flap")).toString());
        assertEquals(
                "frame, hopper, drum and 2 more",
                SHEET.names(List.of("frame", "hopper", "drum", "flap", "seal")).toString());
        assertNotNull(SHEET.sheet());
    }
}
