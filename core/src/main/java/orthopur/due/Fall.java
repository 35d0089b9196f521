package orthopur.due;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import orthopur.text.Text;

/**
 * What one of the intervals of a task says.
 *
 * @param soon from when on it may be done; null where that is not told ahead
 * @param due null where it is not due by this interval
 * @param late null where it is not late by itself
 * @param again when the next one falls due if this one is let go; null where there is no next
 * @param cannotTell whether something is missing to decide it
 */
record Fall(
        @Nullable Instant soon,
        @Nullable Instant due,
        @Nullable Instant late,
        @Nullable Instant again,
        boolean cannotTell,
        Text because) {

    /** Not due by this interval. */
    static Fall none(Text because) {
        return new Fall(null, null, null, null, false, because);
    }

    /** Nearly there, without a moment that is known ahead. */
    static Fall near(Instant since, Text because) {
        return new Fall(since, null, null, null, false, because);
    }

    /** Something is missing to decide it. */
    static Fall unknown(Text because) {
        return new Fall(null, null, null, null, true, because);
    }
}
