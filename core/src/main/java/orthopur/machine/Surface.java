package orthopur.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.quantity.Temperature;

/**
 * One surface that has a life of its own during a clean.
 *
 * @param zone 1 food contact, 2 next to it, 3 the room, 4 outside
 * @param end what it must be at the end of a clean in which it is due
 * @param endReason why, where the end state is less than its zone would ask
 * @param above the surface that drips or splashes on it, if any
 * @param brush the brush it needs
 * @param wipe the only direction in which it is wiped, for instance "centre outward"
 * @param banned ids of chemicals it must not meet
 * @param harborage where soil hides and pests or germs live: looked at first, every time
 * @param use what a label calls its use where it touches no food ("foot baths"), so that the
 *     label's figures for that use hold; null where it is a surface like any other
 * @param lime whether it stands for the lime scale on a part: only an acid takes that off, however
 *     long it is washed otherwise; null for no
 * @param dries whether it has to be dry before it is shut, covered or put back, as an oven wall;
 *     null where that holds only for what food touches
 * @param dryClean the dry clean that was validated against allergens, in words; null where only a
 *     wet one will do
 */
@RecordBuilder
public record Surface(
        String id,
        String name,
        int zone,
        List<String> materials,
        Set<Limit> limits,
        @Nullable Temperature highest,
        EndState end,
        @Nullable String endReason,
        Frequency frequency,
        @Nullable String above,
        @Nullable String brush,
        @Nullable String wipe,
        List<String> banned,
        boolean harborage,
        @Nullable String dryClean,
        @Nullable String use,
        @Nullable Boolean lime,
        @Nullable Boolean dries)
        implements SurfaceBuilder.With {

    public Surface {
        materials = List.copyOf(materials);
        banned = Lists.orNone(banned);
        // In the order of the file: a plain immutable set has another order in every run.
        limits = Collections.unmodifiableSet(new LinkedHashSet<>(limits));
    }

    /** Whether it is dry before it goes where no air gets: what food touches always. */
    public boolean mustDry() {
        return zone == 1 || dries != null && dries;
    }

    /** Whether only an acid cleans it. */
    public boolean limed() {
        return lime != null && lime;
    }
}
