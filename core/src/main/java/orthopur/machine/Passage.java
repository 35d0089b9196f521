package orthopur.machine;

import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.quantity.Length;
import orthopur.quantity.Volume;

/**
 * A closed wetted volume: barrel, pump, tube, line, tap. Cleaner that fills it reaches all of its
 * surfaces, though no hand does.
 *
 * @param surfaces those that the liquid wets; what lies under a ring is not among them
 * @param product what runs in it, where the machine has more than one
 * @param empties how it empties
 * @param chambers dead ends beside the flow, that are opened to it when it is cleaned
 */
public record Passage(
        String id,
        String name,
        List<String> surfaces,
        Volume volume,
        @Nullable Length bore,
        @Nullable String product,
        @Nullable String empties,
        List<String> chambers) {
    public Passage {
        chambers = Lists.orNone(chambers);
        surfaces = List.copyOf(surfaces);
    }
}
