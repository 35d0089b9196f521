package orthopur.procedure;

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
 */
public record Step(
        String id,
        Action action,
        String words,
        @Nullable String because,
        @Nullable String caution,
        double minutes,
        int people,
        @Nullable String when) {

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

    public Step with(Action other) {
        return new Step(id, other, words, because, caution, minutes, people, when);
    }
}
