package orthopur.machine;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * When something is due. Whichever is stated and comes first holds; nothing stated means only after
 * an event.
 *
 * @param every one of the usual frequencies
 * @param days every so many days, 1 to 3650
 * @param early,late days of tolerance before and after
 * @param on days on which it falls: monday … sunday, or 1 … 31 of the month
 * @param hours of use, 1 to 10000
 * @param count of a counter, 1 to 100000000
 * @param counter id of that counter
 * @param sign what is seen: lamp, scale, alarm
 * @param event after which it is due
 */
public record Interval(
        @Nullable Frequency every,
        @Nullable Integer days,
        @Nullable Integer early,
        @Nullable Integer late,
        List<String> on,
        @Nullable Integer hours,
        @Nullable Integer count,
        @Nullable String counter,
        @Nullable String sign,
        @Nullable String event) {
    public Interval {
        on = Lists.orNone(on);
    }
}
