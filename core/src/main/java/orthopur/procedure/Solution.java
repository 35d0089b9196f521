package orthopur.procedure;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;
import orthopur.quantity.Dosage;
import orthopur.quantity.Ph;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;

/**
 * What a step says about the liquid it uses. Absent means not stated, and is never taken as met.
 */
@RecordBuilder
public record Solution(
        @Stated.Product @Nullable String chemical,
        @Stated(label = "strength", example = "100 mg/L or 1 %") @Nullable Dosage strength,
        @Stated(label = "temperature", word = "at", example = "45 °C or 113 °F")
                @Nullable Temperature temperature,
        @Stated(label = "pH", word = "pH", example = "7.6") @Nullable Ph ph,
        @Stated(label = "volume", example = "40 L") @Nullable Volume volume,
        @Stated(
                        label = "in which sink, bucket or bath",
                        name = "place",
                        word = "in",
                        example = "sink 1")
                @Nullable String vessel,
        @Stated(
                        label = "recipe of the sheet",
                        word = "recipe",
                        doc = "Parts, ratio and order of pouring stand on the machine sheet.")
                @Nullable String recipe)
        implements SolutionBuilder.With {

    public Solution(
            @Nullable String chemical,
            @Nullable Dosage strength,
            @Nullable Temperature temperature,
            @Nullable Ph ph,
            @Nullable Volume volume) {
        this(chemical, strength, temperature, ph, volume, null, null);
    }

    public Solution(
            @Nullable String chemical,
            @Nullable Dosage strength,
            @Nullable Temperature temperature,
            @Nullable Ph ph,
            @Nullable Volume volume,
            @Nullable String vessel) {
        this(chemical, strength, temperature, ph, volume, vessel, null);
    }
}
