package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import orthopur.machine.Frequency;
import orthopur.machine.Problem;
import orthopur.machine.Regime;

/** The site's file: its water, its vessels and its ways. */
class SiteTest {
    private static final Site SITE = Site.read(DemoSite.text("site.json"));

    private static String ways(String change) {
        String all =
                """
                {"regime":"plant","rinseAfterSanitizer":true,"assembledFirst":true,
                 "language":"es","temperatures":"°F","secondPersonFrom":"per-meal","keepYears":5}
                """;
        if (change == null) {
            return "{\"ways\":" + all + "}";
        }
        String field = change.substring(0, change.indexOf(':'));
        return "{\"ways\":" + all.replaceFirst(field + ":[^,}]*", change) + "}";
    }

    @Test
    void aSiteThatHasSaidNothingHasTheCommonWays() {
        assertNull(SITE.ways());
        Site.Ways w = SITE.habits();
        assertEquals(Regime.RETAIL, w.regime());
        assertEquals(Frequency.END_OF_SHIFT, w.secondPersonFrom());
        assertEquals(14, w.graceDays(), "and what no longer passes is used no longer than that");
        assertEquals(2, w.keepYears(), "the least that 21 CFR 117.315 and 112.164 ask for");
        assertFalse(SITE.write().contains("ways"), "and its file stays as it was");
    }

    /** By whichever way it comes in: every time of day is told in it. */
    @Test
    void aZoneThatThereIsNotIsNamed() {
        String nowhere =
                DemoSite.text("site.json").replace("\"" + SITE.zone() + "\"", "\"Nowhere/City\"");
        FormatError x = assertThrows(FormatError.class, () -> Site.read(nowhere));
        assertEquals("/zone", x.problems().getFirst().pointer());
        assertThrows(FormatError.class, () -> SITE.withHead("{\"zone\":\"Nowhere/City\"}"));
    }

    @Test
    void whatIsSaidIsKeptAndTheRestOfTheSiteStays() {
        Site other = SITE.withHead(ways(null));
        assertEquals(
                new Site.Ways(Regime.PLANT, true, true, "es", "°F", Frequency.PER_MEAL, 5, null),
                other.habits());
        assertEquals(SITE.mains(), other.mains());
        assertEquals(SITE.vessels(), other.vessels());
        assertEquals(other, Site.read(other.write()));
        assertEquals(other.write(), Site.read(other.write()).write());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "keepYears\":1              | /ways/keepYears",
                "keepYears\":31             | /ways/keepYears",
                "keepYears\":2.5            | /ways/keepYears",
                "temperatures\":\"K\"       | /ways/temperatures",
                "secondPersonFrom\":\"daily\" | /ways/secondPersonFrom",
                "regime\":\"moon\"          | /ways/regime",
                "language\":\"Spanish!\"    | /ways/language",
                "assembledFirst\":\"yes\"   | /ways/assembledFirst"
            })
    void aWayThatIsNoneIsNamed(String change, String pointer) {
        FormatError e = assertThrows(FormatError.class, () -> SITE.withHead(ways(change.strip())));
        List<String> found = e.problems().stream().map(Problem::pointer).toList();
        assertTrue(found.contains(pointer), found.toString());
    }

    /**
     * A site may ask for somebody else earlier; nothing makes it later than at end of shift (R2).
     */
    @ParameterizedTest
    @EnumSource(
            value = Frequency.class,
            names = {"PER_USE", "FOUR_HOURS", "PER_MEAL", "END_OF_SHIFT"})
    void somebodyElseReleasesFromThatKindOnAndAtEndOfShiftInAnyCase(Frequency from) {
        Site.Ways w = new Site.Ways(Regime.RETAIL, false, false, "en", "°C", from, 2, null);
        List<Frequency> alone = new ArrayList<>();
        for (Frequency kind : Frequency.values()) {
            if (!w.secondPerson(kind)) {
                alone.add(kind);
            }
        }
        assertTrue(alone.stream().allMatch(k -> k.compareTo(from) < 0), alone.toString());
        assertTrue(alone.stream().allMatch(k -> k.compareTo(Frequency.END_OF_SHIFT) < 0));
        assertTrue(w.secondPerson(Frequency.EVENT), "after a repair somebody else looks");
        assertTrue(w.secondPerson(null), "not known is not exempt");
    }

    @Test
    void aTimeZoneThatIsNoneAndTwoVesselsOfOneName() {
        FormatError zone =
                assertThrows(FormatError.class, () -> SITE.withHead("{\"zone\":\"Mars/Olympus\"}"));
        assertEquals("/zone", zone.problems().getFirst().pointer());
        String first = SITE.vessels().getFirst().name();
        String second = SITE.vessels().get(1).name();
        FormatError twice =
                assertThrows(
                        FormatError.class,
                        () -> SITE.withVessels(SITE.vesselList().replace(second, first)));
        assertEquals("/vessels/1/name", twice.problems().getFirst().pointer());
    }

    /**
     * A site on its first day: it owns no meter, no vessel and no product, and can be written so.
     */
    @Test
    void aSiteThatHasNothingYetIsASite() {
        String bare =
                """
                {"name":"x","town":"y","zone":"UTC","mains":{"temperature":{"value":12,"unit":"°C"},
                 "hardness":{"value":310,"unit":"mg/L"},"ph":{"value":7.6,"unit":"pH"}}}""";
        Site site = Site.read(bare);
        assertEquals(List.of(), site.instruments());
        assertEquals(site, Site.read(site.write()));
        String none = ChemicalsFormat.write(List.of());
        assertEquals(List.of(), ChemicalsFormat.read(none));
        String first =
                ChemicalsFormat.one(
                        ChemicalsFormat.read(DemoSite.text("chemicals.json")).getFirst());
        assertEquals(1, ChemicalsFormat.with(List.of(), first).size());
    }
}
