package orthopur.procedure;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;

/**
 * One step.
 *
 * @param id stable for the life of the procedure; the number shown is only its place
 * @param words the sentence for the cleaner
 * @param because the reason, as a plain sentence
 * @param caution what can hurt here
 * @param minutes planned hands-on minutes, 0 to 600; never proves contact or dwell
 * @param people how many it takes, 1 to 20
 * @param when the option it is for, as "group=option"; null for always
 * @param loop name of the loop it belongs to: the steps of one loop that stand together are done
 *     one after the other at each position, and again at the next; null for none
 * @param photo whether a photo has to be taken before it counts as done
 * @param asFound whether the condition as found, 1 to 4, is written down
 */
@RecordBuilder
public record Step(
        String id,
        Action action,
        String words,
        @Nullable String because,
        @Nullable String caution,
        double minutes,
        int people,
        @Nullable String when,
        @Nullable String loop,
        boolean photo,
        boolean asFound)
        implements StepBuilder.With {

    public Step(
            String id,
            Action action,
            String words,
            @Nullable String because,
            @Nullable String caution,
            double minutes,
            int people) {
        this(id, action, words, because, caution, minutes, people, null);
    }

    public Step(
            String id,
            Action action,
            String words,
            @Nullable String because,
            @Nullable String caution,
            double minutes,
            int people,
            @Nullable String when) {
        this(id, action, words, because, caution, minutes, people, when, null, false, false);
    }

    public Step withoutCaution() {
        return withCaution(null);
    }

    public Step with(Action other) {
        return withAction(other);
    }
}
