package orthopur.machine;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.chemical.MaterialTable;

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
                    find(surface, at, "washes", chemicals, c -> c.kind().washes(), problems);
                    if (surface.end() == EndState.SANITIZED) {
                        find(
                                surface,
                                at,
                                "sanitizes",
                                chemicals,
                                c -> c.kind().sanitizes(),
                                problems);
                    }
                }
            }
        }
        return problems;
    }

    private static void find(
            Surface surface,
            String at,
            String does,
            List<Chemical> chemicals,
            Predicate<Chemical> fits,
            List<Problem> problems) {
        List<String> excluded = new ArrayList<>();
        for (Chemical c : chemicals.stream().filter(fits).toList()) {
            String why = excludes(surface, c);
            if (why == null) {
                return;
            }
            excluded.add(c.name() + ": " + why);
        }
        problems.add(
                new Problem(
                        at,
                        "This site owns nothing that "
                                + does
                                + " "
                                + surface.name()
                                + " of "
                                + String.join(", ", surface.materials())
                                + ". "
                                + String.join("; ", excluded)
                                + "."));
    }

    /**
     * Why a chemical must not meet a surface.
     *
     * @return the limit in words, or null where nothing stands against it
     */
    public static @Nullable String excludes(Surface surface, Chemical c) {
        if (surface.banned().contains(c.id())) {
            return "banned by the sheet";
        }
        if (c.kind().chlorinated() && surface.limits().contains(Limit.NO_CHLORINE)) {
            return Limit.NO_CHLORINE.shown();
        }
        boolean caustic =
                c.kind() == ChemicalKind.CAUSTIC
                        || c.kind() == ChemicalKind.ALKALINE_DETERGENT
                        || c.kind() == ChemicalKind.CHLORINATED_ALKALINE;
        if (caustic && surface.limits().contains(Limit.NO_CAUSTIC)) {
            return Limit.NO_CAUSTIC.shown();
        }
        for (MaterialTable.Row row : MaterialTable.ROWS) {
            if (surface.materials().stream().anyMatch(m -> row.excludes(c.kind(), m))) {
                return row.why();
            }
        }
        return null;
    }
}
