package orthopur.machine;

import java.util.List;
import java.util.Set;
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
 * @param closedBy parts that have to be on, or it does not hold what is filled into it
 * @param vents where it is bled until a steady stream comes
 * @param leaves what stays in it once it is drained; null where nobody has measured it, so that the
 *     whole volume counts
 * @param movedBy the energy that sends liquid round in it; null where the sheet does not say
 * @param pumped whether nothing runs through it unless that energy is on; null for no
 */
public record Passage(
        String id,
        String name,
        List<String> surfaces,
        Volume volume,
        @Nullable Length bore,
        @Nullable String product,
        @Nullable String empties,
        List<String> chambers,
        List<String> closedBy,
        List<String> vents,
        @Nullable String movedBy,
        @Nullable Boolean pumped,
        @Nullable Volume leaves) {
    public Passage {
        closedBy = Lists.orNone(closedBy);
        vents = Lists.orNone(vents);
        chambers = Lists.orNone(chambers);
        surfaces = List.copyOf(surfaces);
    }

    /** Whether what moves it has to be on before anything runs through it. */
    public boolean onlyMoved() {
        return pumped != null && pumped;
    }

    /** A passage that nothing has to close. */
    public Passage(
            String id,
            String name,
            List<String> surfaces,
            Volume volume,
            @Nullable Length bore,
            @Nullable String product,
            @Nullable String empties,
            List<String> chambers) {
        this(
                id, name, surfaces, volume, bore, product, empties, chambers, List.of(), List.of(),
                null, null, null);
    }

    /** The same where only these parts are fitted. */
    Passage among(Set<String> parts) {
        return new Passage(
                id,
                name,
                surfaces,
                volume,
                bore,
                product,
                empties,
                chambers,
                closedBy.stream().filter(parts::contains).toList(),
                vents,
                movedBy,
                pumped,
                leaves);
    }
}
