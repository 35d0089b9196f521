package orthopur.due;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import orthopur.text.Text;

/**
 * How one task stands at a moment.
 *
 * @param since when it was last done, by itself or taken along by a deeper one; null where that is
 *     not known
 * @param due from when on it is due; null where nothing tells
 * @param late from when on it is late, its tolerance included
 * @param by id of the deeper task that did it last; null where it was done by itself
 * @param needsReason whether a time went by without it, and nobody has said why
 * @param because which of its intervals decides, with the figures
 */
public record Due(
        Task task,
        State state,
        @Nullable Instant since,
        @Nullable Instant due,
        @Nullable Instant late,
        @Nullable String by,
        boolean needsReason,
        Text because) {

    /** How a task stands. */
    public enum State {
        /** Nothing to do. */
        DONE,
        /** It may be done already: within its tolerance before, or nearly there. */
        SOON,
        DUE,
        /** Beyond its tolerance (F3). */
        LATE,
        /** A whole further time went by without it. */
        MISSED,
        /** It cannot be done, or not be told: the reason stands behind. */
        BLOCKED;

        /** Whether somebody has to do something about it. */
        public boolean open() {
            return this != DONE && this != SOON;
        }
    }
}
