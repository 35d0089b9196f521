package orthopur.solver;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import orthopur.night.Measured;
import orthopur.night.Night;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;

/**
 * Spreads the work of who does what evenly: what one person does at a machine goes to another as a
 * whole, or two people exchange what they do, for as long as it lightens whoever has much. No more
 * people come to a machine by it.
 */
final class Evened {
    /** What one person does at one group; it stays together. */
    private record Share(String group, List<Job> jobs, int minutes, boolean fixed) {}

    private final Night night;
    private final Map<String, Job> byId;
    private final Map<String, Person> persons = new HashMap<>();
    private final Map<String, Set<String>> people = new HashMap<>();
    private final Map<String, Integer> load = new TreeMap<>();

    /** For how long everybody is here. */
    private final Map<String, Integer> here = new HashMap<>();

    private final Map<Share, String> owner = new IdentityHashMap<>();
    private final List<Share> shares = new ArrayList<>();
    private final Map<String, List<Share>> byGroup = new HashMap<>();

    /** Tasks whose people may not do one, said of either. */
    private final Map<String, Set<String>> others = new HashMap<>();

    private Evened(Night night, Map<String, Set<String>> people) {
        this.night = night;
        this.byId = night.byId();
        people.forEach((job, who) -> this.people.put(job, new TreeSet<>(who)));
        for (Person p : night.people()) {
            persons.put(p.id(), p);
            load.put(p.id(), 0);
            here.put(p.id(), Who.here(night, p));
        }
        for (Job j : night.tasks()) {
            for (String o : j.otherThan()) {
                others.computeIfAbsent(j.id(), k -> new HashSet<>()).add(o);
                others.computeIfAbsent(o, k -> new HashSet<>()).add(j.id());
            }
        }
    }

    /**
     * @param people by task, as they are allowed
     */
    static Evened of(Night night, Map<String, Set<String>> people) {
        Evened e = new Evened(night, people);
        e.share();
        while (!e.isEven() && e.better()) {
            // Each time somebody has less to do who had more than another.
        }
        return e;
    }

    /** By task; as many at each machine as before. */
    Map<String, Set<String>> people() {
        return people;
    }

    /** Whether there is no plan in which whoever has most has less. */
    boolean isEven() {
        return most() <= evenly();
    }

    /** What nobody has more of where all have the same, in full quarters of an hour. */
    int evenly() {
        int all = load.values().stream().mapToInt(l -> l).sum();
        return (int) Measured.quarters((double) all / Math.max(1, load.size()));
    }

    private int most() {
        return load.values().stream().mapToInt(l -> l).max().orElse(0);
    }

    private Set<String> at(String job) {
        return people.getOrDefault(job, Set.of());
    }

    private void share() {
        night.groups()
                .forEach((group, all) -> load.keySet().forEach(who -> share(who, group, all)));
    }

    private void share(String who, String group, List<Job> all) {
        List<Job> own = all.stream().filter(j -> at(j.id()).contains(who)).toList();
        if (own.isEmpty()) {
            return;
        }
        Set<String> ids = new HashSet<>();
        own.forEach(j -> ids.add(j.id()));
        boolean fixed =
                own.stream()
                        .anyMatch(
                                j ->
                                        j.running() != null
                                                || !ids.containsAll(night.byTheSame(j.id())));
        int minutes = own.stream().mapToInt(Job::minutes).sum();
        Share share = new Share(group, own, minutes, fixed);
        shares.add(share);
        byGroup.computeIfAbsent(group, k -> new ArrayList<>()).add(share);
        owner.put(share, who);
        load.merge(who, minutes, Integer::sum);
    }

    /** One step that makes it more even: of whoever has most, and where there is none the next. */
    private boolean better() {
        List<String> heaviest = new ArrayList<>(load.keySet());
        heaviest.sort(Comparator.comparingInt((String who) -> -load.getOrDefault(who, 0)));
        return heaviest.stream().anyMatch(this::lightened);
    }

    private boolean lightened(String mine) {
        for (Share a : shares) {
            if (a.fixed() || !owner(a).equals(mine)) {
                continue;
            }
            for (String who : load.keySet()) {
                if (lighter(a, null, who) && fits(a, who, null)) {
                    give(a, who);
                    return true;
                }
            }
            for (Share b : shares) {
                String other = owner(b);
                if (!b.fixed() && lighter(a, b, other) && fits(a, other, b) && fits(b, mine, a)) {
                    give(a, other);
                    give(b, mine);
                    return true;
                }
            }
        }
        return false;
    }

    private String owner(Share share) {
        return Objects.requireNonNull(owner.get(share));
    }

    /** Whether whoever has more has less afterwards, and the other not as much and the time. */
    private boolean lighter(Share a, @Nullable Share back, String to) {
        int moved = a.minutes() - (back == null ? 0 : back.minutes());
        int then = load.getOrDefault(to, 0) + moved;
        return moved > 0
                && then < load.getOrDefault(owner(a), 0)
                && then <= here.getOrDefault(to, 0);
    }

    /** Whether somebody may take it over, without what they give away for it. */
    private boolean fits(Share share, String who, @Nullable Share given) {
        Person p = Objects.requireNonNull(persons.get(who));
        for (Share s : byGroup.getOrDefault(share.group(), List.of())) {
            if (s != given && owner(s).equals(who)) {
                return false;
            }
        }
        return share.jobs().stream().allMatch(j -> p.may(j) && free(j, who, given));
    }

    private boolean free(Job j, String who, @Nullable Share given) {
        return others.getOrDefault(j.id(), Set.of()).stream()
                .noneMatch(
                        o ->
                                at(o).contains(who)
                                        && (given == null || !given.jobs().contains(byId.get(o))));
    }

    private void give(Share share, String to) {
        String from = owner(share);
        for (Job j : share.jobs()) {
            Set<String> at = Objects.requireNonNull(people.get(j.id()));
            at.remove(from);
            at.add(to);
        }
        owner.put(share, to);
        load.merge(from, -share.minutes(), Integer::sum);
        load.merge(to, share.minutes(), Integer::sum);
    }
}
