package orthopur.chemical;

import java.util.List;
import orthopur.Nullable;

/**
 * One product of the site.
 *
 * @param id readable, stable
 * @param registration number under which it may be used on food-contact surfaces
 * @param stock strength of the concentrate; absent for products dosed by volume only
 * @param ppe what to wear with the concentrate
 * @param neverWith plain words for what it must never meet
 * @param pricePerLitre in the site's currency
 * @param shelfLifeDays from delivery
 */
public record Chemical(
        String id,
        String name,
        ChemicalKind kind,
        @Nullable String registration,
        @Nullable Stock stock,
        Label label,
        List<String> uses,
        List<String> organisms,
        List<String> ppe,
        List<String> neverWith,
        double pricePerLitre,
        int shelfLifeDays) {

    public Chemical {
        uses = List.copyOf(uses);
        organisms = List.copyOf(organisms);
        ppe = List.copyOf(ppe);
        neverWith = List.copyOf(neverWith);
    }
}
