package orthopur.night;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import orthopur.night.Night.After;
import orthopur.night.Night.Job;

/** How long a clean takes where nobody waits for anybody: no plan makes it shorter. */
public final class Chain {
    private Chain() {}

    /**
     * Minutes from its first beginning to its last end.
     *
     * @return nothing where its tasks wait for each other in a circle
     */
    public static OptionalInt minutes(List<Job> group) {
        return end(group.stream().map(j -> j.withEarliest(0)).toList());
    }

    /**
     * The minute at which it has to be begun to be over when it is wanted, at the latest.
     *
     * @return below 0 where it cannot be; nothing where nobody waits for it
     */
    public static OptionalInt latest(List<Job> group) {
        OptionalInt wanted =
                group.stream().filter(j -> j.wantedBy() != null).mapToInt(Job::wantedBy).min();
        OptionalInt takes = minutes(group);
        return wanted.isEmpty() || takes.isEmpty()
                ? OptionalInt.empty()
                : OptionalInt.of(wanted.getAsInt() - takes.getAsInt());
    }

    /** The minute of its last end, each task as early as what comes before it lets it be. */
    static OptionalInt end(List<Job> group) {
        Map<String, Integer> end = new HashMap<>();
        for (int round = 0; round <= group.size(); round++) {
            for (Job j : group) {
                int from = j.earliest();
                for (After a : j.after()) {
                    from = Math.max(from, end.getOrDefault(a.task(), 0) + a.lag());
                }
                int was = end.getOrDefault(j.id(), 0);
                end.put(j.id(), from + j.minutes());
                if (round == group.size() && from + j.minutes() > was) {
                    return OptionalInt.empty();
                }
            }
        }
        return OptionalInt.of(end.values().stream().mapToInt(e -> e).max().orElse(0));
    }
}
