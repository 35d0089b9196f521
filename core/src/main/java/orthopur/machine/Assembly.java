package orthopur.machine;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What it takes to put a part back.
 *
 * @param after parts that go on before it, where that is not the reverse of taking apart
 * @param pattern how it is fastened: crosswise, pin seated, click, teeth forward
 * @param wearCheck what is looked at before it goes on again
 * @param pair the part that is replaced together with it
 * @param lubrication points that need a film and points that must have none
 */
public record Assembly(
        List<String> after,
        @Nullable String pattern,
        @Nullable String wearCheck,
        @Nullable String pair,
        List<Lubrication> lubrication) {

    public static final Assembly NONE = new Assembly(List.of(), null, null, null, List.of());

    public Assembly {
        after = Lists.orNone(after);
        lubrication = Lists.orNone(lubrication);
    }

    /**
     * One point.
     *
     * @param never must stay dry; then there is no product
     * @param product the lubricant, by the id of the chemical
     * @param drops how many, 1 to 200; null for a thin film
     * @param workIn how it is worked in, in words
     */
    public record Lubrication(
            String point,
            boolean never,
            @Nullable String product,
            Frequency frequency,
            @Nullable Integer drops,
            @Nullable String workIn) {
        public Lubrication(
                String point, boolean never, @Nullable String product, Frequency frequency) {
            this(point, never, product, frequency, null, null);
        }
    }
}
