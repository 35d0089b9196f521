package orthopur.chemical;

import java.time.Duration;
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
        String directions) {

    /** A label that gives no figure at all. */
    public static Label silent() {
        return new Label(null, null, null, null, null, null, null, false, false, "");
    }
}
