package orthopur.machine;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import orthopur.rulebook.PublicCodes;
import orthopur.runthrough.Finding;
import orthopur.testbench.Bench;
import orthopur.testbench.Rig;

/** One code is law here and a default there; the citation says which. */
class RegimeTest {
    @Test
    void theFoodCodeBindsRetailAlone() {
        String foodCode = PublicCodes.book().figure("wash.hand.least").source();
        assertEquals(foodCode, Regime.RETAIL.cite(foodCode));
        assertEquals(
                "21 CFR 117.35(d); default after Food Code 2022, 4-501.19",
                Regime.PLANT.cite(foodCode));
        assertEquals(
                "21 CFR 112.123(d); default after Food Code 2022, 4-501.19",
                Regime.FARM.cite(foodCode));
        assertFalse(Regime.FARM.binds("9 CFR 416.2"));
        assertTrue(Regime.PLANT.binds("9 CFR 416.2; 21 CFR 117.35"));
        assertEquals(
                "good practice after 21 CFR 117.35(a)", Regime.RETAIL.cite("21 CFR 117.35(a)"));
    }

    /** Lockout, chemical registration and the label know no regime. */
    @Test
    void whatNamesNoFoodCodeBindsEverywhere() {
        for (Regime r : Regime.values()) {
            for (String s : new String[] {"29 CFR 1910.147", "40 CFR 180.940(a)", "label"}) {
                assertTrue(r.binds(s));
                assertEquals(s, r.cite(s));
            }
        }
    }

    @Test
    void aFindingCitesByTheRegimeOfItsSheet() {
        Finding plant = Bench.verify(Bench.without("rinse")).findings().getFirst();
        Finding retail =
                Rig.bench().regime(Regime.RETAIL).findings(Bench.without("rinse")).getFirst();
        assertTrue(plant.source().startsWith("21 CFR 117.35(d); default after"), plant.source());
        assertTrue(retail.source().startsWith("Food Code"), retail.source());
    }
}
