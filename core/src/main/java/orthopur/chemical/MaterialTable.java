package orthopur.chemical;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
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
     * @param roots any of which is in the material's name, however it is spelled and finished
     * @param name what it is called
     * @param kinds kinds of chemical it does not bear
     * @param why what happens to it
     */
    public record Row(Set<String> roots, Text name, Set<ChemicalKind> kinds, Text why) {
        public Row {
            roots = Set.copyOf(roots);
            kinds = Set.copyOf(kinds);
        }

        /** Whether a surface of this material must not meet this kind. */
        public boolean excludes(ChemicalKind kind, String of) {
            String m = of.toLowerCase(Locale.ROOT);
            return kinds.contains(kind)
                    && !m.contains("-free")
                    // Its oxide is a grinding stone, and as hard as one.
                    && !m.contains("oxide")
                    && roots.stream().anyMatch(m::contains);
        }
    }

    /** Figure of the rule book with the sudden cooling that a material bears; null for any. */
    public static @Nullable String shockOf(String material) {
        String m = material.toLowerCase(Locale.ROOT);
        if (GLASS.matcher(m).find() && !m.contains("fib")) {
            return "shock.glass";
        }
        return m.contains("cast iron") || m.contains("enamel") ? "shock.pan" : null;
    }

    private static final Pattern STAINLESS =
            Pattern.compile(
                    "stainless|inox|\\b(?:304|316)l?\\b|\\b1\\.4[34]\\d\\d\\b|\\bv[24]a\\b");

    /** Whether it is stainless steel, by its name or by the number of a common grade. */
    public static boolean stainless(String material) {
        return STAINLESS.matcher(material.toLowerCase(Locale.ROOT)).find();
    }

    private static final Pattern GLASS = Pattern.compile("\\bglass|glass\\b");

    private static final Set<ChemicalKind> CAUSTICS =
            Set.of(
                    ChemicalKind.CAUSTIC,
                    ChemicalKind.CHLORINATED_ALKALINE,
                    ChemicalKind.ALKALINE_DETERGENT);

    public static final List<Row> ROWS =
            List.of(
                    new Row(
                            Set.of("alumin"),
                            Text.of("material.aluminium", "aluminum"),
                            CAUSTICS,
                            Text.of(
                                    "material.aluminium.why",
                                    "caustic dissolves aluminum and makes hydrogen")),
                    new Row(
                            Set.of("galvan", "zinc"),
                            Text.of("material.galvanised", "galvanized steel"),
                            CAUSTICS,
                            Text.of(
                                    "material.galvanised.why",
                                    "caustic dissolves the zinc and makes hydrogen")),
                    new Row(
                            Set.of("copper"),
                            Text.of("material.copper", "copper"),
                            Set.of(ChemicalKind.ACID, ChemicalKind.PAA),
                            Text.of("material.copper.why", "acid brings copper into the food")),
                    new Row(
                            Set.of("brass", "bronze", "gunmetal"),
                            Text.of("material.brass", "brass or bronze"),
                            Set.of(ChemicalKind.ACID, ChemicalKind.PAA),
                            Text.of(
                                    "material.brass.why",
                                    "acid brings copper and zinc into the food")),
                    new Row(
                            Set.of("polycarb"),
                            Text.of("material.polycarbonate", "polycarbonate"),
                            Set.of(ChemicalKind.DEGREASER, ChemicalKind.CAUSTIC),
                            Text.of(
                                    "material.polycarbonate.why",
                                    "solvent and caustic craze polycarbonate until it breaks")));
}
