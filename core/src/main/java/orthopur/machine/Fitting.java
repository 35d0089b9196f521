package orthopur.machine;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A rail, hose, adapter or cap that is on only for cleaning; counted like a part.
 *
 * @param at parts at which hands are while it is put on or taken off
 * @param replaces id of the part in whose place it sits while that is off; null for none
 */
public record Fitting(
        String id, String name, int count, List<String> at, @Nullable String replaces) {
    public Fitting {
        at = Lists.orNone(at);
    }

    /** One of which nobody has said where it sits. */
    public Fitting(String id, String name, int count) {
        this(id, name, count, List.of(), null);
    }
}
