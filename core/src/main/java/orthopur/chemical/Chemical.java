package orthopur.chemical;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;

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
 * @param foodGrade what a lubricant may touch; null means it is not food-grade
 * @param solutionLife how long a mixed solution may be used; null where the label does not say
 * @param reorder when it has to be ordered; null where the site has not said
 */
@RecordBuilder
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
        int shelfLifeDays,
        @Nullable FoodGrade foodGrade,
        @Nullable Duration solutionLife,
        @Nullable Reorder reorder)
        implements ChemicalBuilder.With {

    /**
     * When a product has to be ordered.
     *
     * @param amount as few as are left when it is ordered
     * @param unit one in which stock is counted: L, kg or pieces
     * @param leadDays until an order is here, days; null where nobody has said
     */
    public record Reorder(double amount, String unit, @Nullable Integer leadDays) {}

    /** What a lubricant may touch. */
    public enum FoodGrade {
        /** Incidental contact, 21 CFR 178.3570. */
        INCIDENTAL,
        /** Permitted in food, 21 CFR 172.878. */
        IN_FOOD
    }

    public Chemical {
        uses = List.copyOf(uses);
        organisms = List.copyOf(organisms);
        ppe = List.copyOf(ppe);
        neverWith = List.copyOf(neverWith);
    }

    /** The same product as it would be without a registration. */
    public Chemical unregistered() {
        return withRegistration(null);
    }
}
