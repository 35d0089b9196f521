package orthopur.chemical;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** A material is known by any name that a sheet may give it; what only sounds like it is not it. */
class MaterialTableTest {
    private static boolean excluded(ChemicalKind kind, String material) {
        return MaterialTable.ROWS.stream().anyMatch(r -> r.excludes(kind, material));
    }

    @ParameterizedTest
    @CsvSource({
        "CAUSTIC, aluminium",
        "CAUSTIC, cast ALUMINUM",
        "ALKALINE_DETERGENT, anodized aluminum",
        "CHLORINATED_ALKALINE, aluminised steel",
        "CAUSTIC, galvanized steel",
        "CAUSTIC, hot-dip galvanised",
        "ALKALINE_DETERGENT, zinc die-cast",
        "ACID, copper pipe",
        "PAA, nickel-plated brass",
        "ACID, sintered bronze",
        "ACID, gunmetal",
        "DEGREASER, polycarbonate",
        "CAUSTIC, Polycarb"
    })
    void whatAMaterialDoesNotBear(ChemicalKind kind, String material) {
        assertTrue(excluded(kind, material));
    }

    @ParameterizedTest
    @CsvSource({
        "CAUSTIC, stainless steel",
        "CAUSTIC, aluminum oxide stone",
        "ACID, bronze-free steel",
        "ACID, aluminum",
        "NEUTRAL_DETERGENT, aluminum",
        "QUAT, galvanized steel",
        "CAUSTIC, polypropylene"
    })
    void whatItBears(ChemicalKind kind, String material) {
        assertFalse(excluded(kind, material));
    }

    @ParameterizedTest
    @ValueSource(strings = {"glass", "Glass, tempered", "double glass", "glass-ceramic"})
    void glassIsGlassWhereverTheWordStands(String material) {
        assertEquals("shock.glass", MaterialTable.shockOf(material));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"glass fiber", "fiberglass", "glass fibre belt", "stainless steel", "plexi"})
    void fibersOfGlassBearAColdRinse(String material) {
        assertNull(MaterialTable.shockOf(material));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "stainless steel",
                "Inox",
                "AISI 304",
                "steel 316L",
                "1.4301",
                "1.4404",
                "V4A"
            })
    void stainlessSteelGoesByItsGradesToo(String material) {
        assertTrue(MaterialTable.stainless(material));
    }

    @ParameterizedTest
    @ValueSource(strings = {"hardened steel", "painted steel", "steel 3160", "polyacetal"})
    void otherSteelIsNotStainless(String material) {
        assertFalse(MaterialTable.stainless(material));
    }

    @ParameterizedTest
    @EnumSource(ChemicalKind.class)
    void twoProductsClashBothWaysOrNeither(ChemicalKind a) {
        for (ChemicalKind b : ChemicalKind.values()) {
            assertEquals(Clash.between(a, b), Clash.between(b, a), a + " and " + b);
        }
        assertNull(Clash.between(a, a), "more of the same is no other product");
    }

    @ParameterizedTest
    @CsvSource({
        "CHLORINE, ACID",
        "CHLORINE, PAA",
        "CHLORINATED_ALKALINE, ACID",
        "CHLORINE, QUAT",
        "CAUSTIC, ACID"
    })
    void whatMakesGasOrBoilsClashes(ChemicalKind a, ChemicalKind b) {
        assertTrue(Clash.between(a, b) != null);
    }
}
