package orthopur.machine;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Upkeep that is not cleaning and stands in the same calendar: oil, filter, belt, lamp, lockout
 * inspection.
 *
 * @param parts it concerns
 * @param words what is done, as a plain sentence
 * @param lockout whether the machine is locked out for it
 * @param qualified whether only a qualified person may do it: covers of live parts
 */
public record Upkeep(
        String id,
        String name,
        Interval interval,
        List<String> parts,
        @Nullable String words,
        boolean lockout,
        boolean qualified) {
    public Upkeep {
        parts = Lists.orNone(parts);
    }
}
