package orthopur.machine;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import orthopur.quantity.Volume;
import orthopur.testbench.Bench;
import orthopur.testbench.Records;
import orthopur.testbench.Rig;
import orthopur.text.Text;

class ConfigurationTest {
    private static final MachineSheet SHEET =
            Rig.bench().option("scraper", "folds", "fixed", "flap").sheet();

    private static Configuration with(String option) {
        return new Configuration(Map.of("scraper", option));
    }

    @Test
    void whatIsNotThereIsGoneWithAllThatNamesIt() {
        MachineSheet fixed = with("fixed").of(SHEET);
        assertTrue(fixed.parts().stream().noneMatch(p -> p.id().equals("flap")));
        assertEquals(SHEET.parts().size() - 1, fixed.parts().size());
        assertTrue(
                fixed.energies().stream().noneMatch(e -> e.zone().contains("flap")),
                "nor in any danger zone");
        assertEquals(SHEET.parts(), with("folds").of(SHEET).parts());
        assertEquals(Bench.SHEET, Configuration.fitted(Bench.SHEET).of(Bench.SHEET), "no option");
    }

    @Test
    void aPassageThatLosesASurfaceIsNotThere() {
        Passage wet =
                new Passage(
                        "p", "P", List.of("flap-1"), new Volume(1), null, null, null, List.of());
        MachineSheet sheet = Records.with(SHEET, "passages", List.of(wet));
        assertEquals(List.of(), with("fixed").of(sheet).passages());
        assertEquals(List.of(wet), with("folds").of(sheet).passages());
    }

    @Test
    void conditions() {
        assertTrue(with("folds").holds(null));
        assertTrue(with("folds").holds("scraper=folds"));
        assertFalse(with("folds").holds("scraper=fixed"));
        assertFalse(with("folds").holds("carriage=tilts"), "a group that is not chosen");
        assertFalse(with("folds").holds("nonsense"));
        assertEquals("scraper: folds", Text.series(with("folds").said(SHEET)).toString());
    }

    /** As many as the options multiply to, none twice, or null above the bound. */
    @Property(tries = 60)
    void allCombinationsOnce(
            @ForAll @IntRange(min = 1, max = 4) int a,
            @ForAll @IntRange(min = 1, max = 5) int b,
            @ForAll @IntRange(min = 1, max = 6) int c) {
        List<OptionGroup> groups = new ArrayList<>();
        Map<String, List<String>> scope = new LinkedHashMap<>();
        int[] many = {a, b, c};
        for (int g = 0; g < many.length; g++) {
            List<OptionGroup.Option> options = new ArrayList<>();
            for (int o = 0; o < many[g]; o++) {
                options.add(new OptionGroup.Option("o" + o, "o" + o));
            }
            groups.add(new OptionGroup("g" + g, "g" + g, options, "o0"));
            scope.put("g" + g, options.stream().map(OptionGroup.Option::id).toList());
        }
        MachineSheet sheet = Records.with(Bench.SHEET, "optionGroups", groups);
        List<Configuration> all = Configuration.all(sheet, scope, 1000);
        assertEquals(a * b * c, all.size());
        assertEquals(all.size(), all.stream().distinct().count());
        assertEquals(Configuration.fitted(sheet), all.getFirst());
        assertNull(a * b * c == 1 ? null : Configuration.all(sheet, scope, a * b * c - 1));
    }
}
