package orthopur.machine;

import java.util.List;

/**
 * What makes a vessel of the site a washer.
 *
 * @param insides strainers, arms and curtains that have to be in place before ware is washed in it
 */
public record Washer(WasherType type, List<String> insides) {
    public Washer {
        insides = Lists.orNone(insides);
    }
}
