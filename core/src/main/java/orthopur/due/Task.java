package orthopur.due;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Frequency;
import orthopur.machine.Interval;

/**
 * Something that has to be done again and again.
 *
 * @param machine code of the machine; null for something of the site as a whole
 * @param interval when it is due; what is stated and comes first holds
 * @param depth how deep a clean it is: a deeper one of the same machine takes it along; null where
 *     it is no clean, or a clean that nothing else replaces
 * @param risk what is at stake when it is late
 * @param from since when it is asked for; null where nobody knows
 * @param blocked why it cannot be done now: a part not in stock, product kept in the machine; null
 *     where nothing stands in the way
 */
public record Task(
        String id,
        @Nullable String machine,
        String name,
        Interval interval,
        @Nullable Frequency depth,
        Risk risk,
        @Nullable Instant from,
        @Nullable String blocked) {

    /** What is at stake, the gravest first. */
    public enum Risk {
        /** What touches food. */
        FOOD,
        /** Somebody may be hurt: guards, lockout. */
        PEOPLE,
        /** The machine may stand still, or make bad pieces. */
        PRODUCTION,
        REST
    }

    /** Whether a clean of that depth on the same machine does this as well. */
    boolean takenAlongBy(Task other) {
        return !other.id.equals(id)
                && machine != null
                && machine.equals(other.machine)
                && depth != null
                && other.depth != null
                && depth != Frequency.EVENT
                && other.depth != Frequency.EVENT
                && depth.compareTo(other.depth) < 0;
    }
}
