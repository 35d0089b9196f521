package orthopur.machine;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.chemical.MaterialTable;
import orthopur.text.Text;

/**
 * Whether the site owns something that may clean and sanitize each food-contact surface. Found
 * before any procedure is written; says which limit excludes which product.
 */
public final class SiteFit {
    private SiteFit() {}

    /** One problem for each zone-1 surface for which nothing is left. */
    public static List<Problem> check(MachineSheet sheet, List<Chemical> chemicals) {
        List<Problem> problems = new ArrayList<>();
        for (int p = 0; p < sheet.parts().size(); p++) {
            List<Surface> surfaces = sheet.parts().get(p).surfaces();
            for (int s = 0; s < surfaces.size(); s++) {
                Surface surface = surfaces.get(s);
                String at = "/parts/" + p + "/surfaces/" + s;
                if (surface.zone() == 1) {
                    find(surface, at, false, chemicals, problems);
                    if (surface.end() == EndState.SANITIZED) {
                        find(surface, at, true, chemicals, problems);
                    }
                }
            }
        }
        return problems;
    }

    private static void find(
            Surface surface,
            String at,
            boolean sanitizes,
            List<Chemical> chemicals,
            List<Problem> problems) {
        List<Text> excluded = new ArrayList<>();
        Predicate<Chemical> fits = c -> sanitizes ? c.kind().sanitizes() : c.kind().washes();
        for (Chemical c : chemicals.stream().filter(fits).toList()) {
            Text why = excludes(surface, c);
            if (why == null) {
                return;
            }
            excluded.add(Text.of("site-fit.why-not", "{0} ({1})", c.name(), why));
        }
        problems.add(new Problem(at, left(sanitizes, surface, excluded)));
    }

    private static Text left(boolean sanitizes, Surface surface, List<Text> excluded) {
        Text which =
                excluded.isEmpty()
                        ? Text.of("site-fit.none", "It has no such product.")
                        : Text.of("site-fit.excluded", "Excluded: {0}.", excluded);
        return sanitizes
                ? Text.of(
                        "site-fit.sanitizes",
                        "This site owns nothing that sanitizes {0} of {1}. {2}",
                        surface.name(),
                        surface.materials(),
                        which)
                : Text.of(
                        "site-fit.washes",
                        "This site owns nothing that washes {0} of {1}. {2}",
                        surface.name(),
                        surface.materials(),
                        which);
    }

    /**
     * Why a chemical must not meet a surface.
     *
     * @return the limit in words, or null where nothing stands against it
     */
    public static @Nullable Text excludes(Surface surface, Chemical c) {
        if (surface.banned().contains(c.id())) {
            return Text.of("site-fit.banned", "banned by the sheet");
        }
        if (c.kind().chlorinated() && surface.limits().contains(Limit.NO_CHLORINE)) {
            return Text.plain(Limit.NO_CHLORINE.shown());
        }
        boolean caustic =
                c.kind() == ChemicalKind.CAUSTIC
                        || c.kind() == ChemicalKind.ALKALINE_DETERGENT
                        || c.kind() == ChemicalKind.CHLORINATED_ALKALINE;
        if (caustic && surface.limits().contains(Limit.NO_CAUSTIC)) {
            return Text.plain(Limit.NO_CAUSTIC.shown());
        }
        for (MaterialTable.Row row : MaterialTable.ROWS) {
            if (surface.materials().stream().anyMatch(m -> row.excludes(c.kind(), m))) {
                return row.why();
            }
        }
        return null;
    }
}
