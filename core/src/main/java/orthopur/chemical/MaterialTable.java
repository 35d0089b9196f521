package orthopur.chemical;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.text.Text;

/**
 * What materials do not bear, whatever the sheet says of the single surface. From chemical
 * suppliers' compatibility tables; the label and the maker of the machine come first.
 */
public final class MaterialTable {
    private MaterialTable() {}

    /**
     * One line of the table.
     *
     * @param material a word in the material's name
     * @param name what it is called
     * @param kinds kinds of chemical it does not bear
     * @param why what happens to it
     */
    public record Row(String material, Text name, Set<ChemicalKind> kinds, Text why) {
        public Row {
            kinds = Set.copyOf(kinds);
        }

        /** Whether a surface of this material must not meet this kind. */
        public boolean excludes(ChemicalKind kind, String of) {
            return kinds.contains(kind) && of.toLowerCase(Locale.ROOT).contains(material);
        }
    }

    /** Figure of the rule book with the sudden cooling that a material bears; null for any. */
    public static @Nullable String shockOf(String material) {
        String m = material.toLowerCase(Locale.ROOT);
        if (m.endsWith("glass")) {
            return "shock.glass";
        }
        return m.contains("cast iron") || m.contains("enamel") ? "shock.pan" : null;
    }

    private static final Set<ChemicalKind> CAUSTICS =
            Set.of(
                    ChemicalKind.CAUSTIC,
                    ChemicalKind.CHLORINATED_ALKALINE,
                    ChemicalKind.ALKALINE_DETERGENT);

    public static final List<Row> ROWS =
            List.of(
                    new Row(
                            "aluminium",
                            Text.of("material.aluminium", "aluminium"),
                            CAUSTICS,
                            Text.of(
                                    "material.aluminium.why",
                                    "caustic dissolves aluminium and makes hydrogen")),
                    new Row(
                            "galvanised",
                            Text.of("material.galvanised", "galvanised steel"),
                            CAUSTICS,
                            Text.of(
                                    "material.galvanised.why",
                                    "caustic dissolves the zinc and makes hydrogen")),
                    new Row(
                            "copper",
                            Text.of("material.copper", "copper"),
                            Set.of(ChemicalKind.ACID, ChemicalKind.PAA),
                            Text.of("material.copper.why", "acid brings copper into the food")),
                    new Row(
                            "brass",
                            Text.of("material.brass", "brass"),
                            Set.of(ChemicalKind.ACID, ChemicalKind.PAA),
                            Text.of(
                                    "material.brass.why",
                                    "acid brings copper and zinc into the food")),
                    new Row(
                            "polycarbonate",
                            Text.of("material.polycarbonate", "polycarbonate"),
                            Set.of(ChemicalKind.DEGREASER, ChemicalKind.CAUSTIC),
                            Text.of(
                                    "material.polycarbonate.why",
                                    "solvent and caustic craze polycarbonate until it breaks")));
}
