package orthopur.machine;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A rail, hose, adapter or cap that is on only for cleaning; counted like a part.
 *
 * @param at parts at which hands are while it is put on or taken off
 * @param replaces id of the part in whose place it sits while that is off; null for none
 * @param serves parts and passages that are only turned, sharpened or washed through with it on
 */
public record Fitting(
        String id,
        String name,
        int count,
        List<String> at,
        @Nullable String replaces,
        List<String> serves) {
    public Fitting {
        at = Lists.orNone(at);
        serves = Lists.orNone(serves);
    }

    /** One of which nobody has said where it sits. */
    public Fitting(String id, String name, int count) {
        this(id, name, count, List.of(), null, List.of());
    }
}
