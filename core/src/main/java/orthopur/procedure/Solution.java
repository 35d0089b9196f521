package orthopur.procedure;

import org.jspecify.annotations.Nullable;
import orthopur.quantity.Dosage;
import orthopur.quantity.Ph;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;

/**
 * What a step says about the liquid it uses. Absent means not stated, and is never taken as met.
 */
public record Solution(
        @Nullable String chemical,
        @Nullable Dosage strength,
        @Nullable Temperature temperature,
        @Nullable Ph ph,
        @Nullable Volume volume,
        @Nullable String vessel) {

    public Solution(
            @Nullable String chemical,
            @Nullable Dosage strength,
            @Nullable Temperature temperature,
            @Nullable Ph ph,
            @Nullable Volume volume) {
        this(chemical, strength, temperature, ph, volume, null);
    }

    public Solution withStrength(Dosage stronger) {
        return new Solution(chemical, stronger, temperature, ph, volume, vessel);
    }

    public Solution withTemperature(Temperature warmer) {
        return new Solution(chemical, strength, warmer, ph, volume, vessel);
    }
}
