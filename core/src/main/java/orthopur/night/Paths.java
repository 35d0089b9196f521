package orthopur.night;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import orthopur.night.Night.After;
import orthopur.night.Night.Job;

/**
 * How much comes before each task of a night and how much after it at the least, if all of it is
 * done and nobody and nothing is ever waited for.
 */
public final class Paths {
    private final Map<String, Job> jobs;
    private final Map<String, List<Follower>> followers = new HashMap<>();
    private final Map<String, Integer> before = new HashMap<>();
    private final Map<String, Integer> after = new HashMap<>();

    private record Follower(Job job, int lag) {}

    public Paths(Night night) {
        this.jobs = night.byId();
        for (Job j : night.tasks()) {
            for (After a : j.after()) {
                followers
                        .computeIfAbsent(a.task(), k -> new ArrayList<>())
                        .add(new Follower(j, a.lag()));
            }
        }
    }

    /** The minute before which a task cannot begin. */
    public int before(Job j) {
        Integer known = before.get(j.id());
        if (known != null) {
            return known;
        }
        // Of what waits for itself there is no plan; it ends here.
        before.put(j.id(), j.earliest());
        int latest = j.running() == null ? j.earliest() : j.running().from();
        for (After a : j.running() == null ? j.after() : List.<After>of()) {
            Job o = jobs.get(a.task());
            latest = o == null ? latest : Math.max(latest, before(o) + o.minutes() + a.lag());
        }
        before.put(j.id(), latest);
        return latest;
    }

    /** The minute before which a task cannot be over. */
    public int end(Job j) {
        return before(j) + j.minutes();
    }

    /** Minutes from the end of a task to the end of the last that waits for it. */
    public int after(Job j) {
        Integer known = after.get(j.id());
        if (known != null) {
            return known;
        }
        after.put(j.id(), 0);
        int longest = 0;
        for (Follower f : followers.getOrDefault(j.id(), List.of())) {
            if (f.job().running() == null) {
                longest = Math.max(longest, f.lag() + f.job().minutes() + after(f.job()));
            }
        }
        after.put(j.id(), longest);
        return longest;
    }
}
