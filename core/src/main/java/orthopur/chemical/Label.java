package orthopur.chemical;

import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.quantity.Dosage;
import orthopur.quantity.Hardness;
import orthopur.quantity.Ph;
import orthopur.quantity.Temperature;

/**
 * The directions on the container. An absent figure means the label does not give one.
 *
 * @param least weakest use solution
 * @param most strongest use solution
 * @param contact how long a surface must stay wet
 * @param soakCleans whether a soak alone counts as washing
 * @param rinseDirected whether the label directs a rinse with drinking water after use
 * @param directions in the words of the label
 * @param others strengths for what touches no food: floors, drains, foot baths
 */
public record Label(
        @Nullable Dosage least,
        @Nullable Dosage most,
        @Nullable Duration contact,
        @Nullable Temperature leastTemperature,
        @Nullable Temperature highestTemperature,
        @Nullable Ph highestPh,
        @Nullable Hardness hardestWater,
        boolean soakCleans,
        boolean rinseDirected,
        String directions,
        List<OtherUse> others) {

    public Label {
        others = others == null ? List.of() : List.copyOf(others);
    }

    /**
     * One use beside food-contact surfaces.
     *
     * @param use as the label calls it
     * @param least weakest use solution
     * @param most strongest use solution
     * @param contact how long it has to stay wet
     * @param change after how long the solution is changed
     */
    public record OtherUse(
            String use,
            Dosage least,
            @Nullable Dosage most,
            @Nullable Duration contact,
            @Nullable Duration change) {}

    /** A label that speaks of food-contact surfaces alone. */
    public Label(
            @Nullable Dosage least,
            @Nullable Dosage most,
            @Nullable Duration contact,
            @Nullable Temperature leastTemperature,
            @Nullable Temperature highestTemperature,
            @Nullable Ph highestPh,
            @Nullable Hardness hardestWater,
            boolean soakCleans,
            boolean rinseDirected,
            String directions) {
        this(
                least,
                most,
                contact,
                leastTemperature,
                highestTemperature,
                highestPh,
                hardestWater,
                soakCleans,
                rinseDirected,
                directions,
                List.of());
    }

    /** What it says of a use beside food-contact surfaces, or null where it says nothing. */
    public @Nullable OtherUse other(@Nullable String use) {
        return others.stream().filter(o -> o.use().equals(use)).findFirst().orElse(null);
    }

    /** A label that gives no figure at all. */
    public static Label silent() {
        return new Label(null, null, null, null, null, null, null, false, false, "");
    }
}
