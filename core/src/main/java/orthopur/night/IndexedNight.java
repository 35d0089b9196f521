package orthopur.night;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import orthopur.night.Night.After;
import orthopur.night.Night.Job;
import orthopur.night.Night.Keep;
import orthopur.night.Night.Person;
import orthopur.night.Night.Place;

/**
 * A night whose tasks, people, places and groups are numbers in the order in which they stand: made
 * once, where it is filled in thousands of orders.
 */
final class IndexedNight {
    /** What comes before a task: -1 is a task that this night does not have. */
    record Before(int task, int lag, int most, boolean ifThere) {}

    /** How much of a place a task takes while it lasts. */
    record Takes(int place, int slots) {}

    /**
     * A place that is taken with the beginning of one task (-1: from the start) and kept until the
     * end of another.
     */
    record Taken(int place, int since, int back) {}

    /** A task beside which a place has to be changed over, and how long that takes. */
    record Changed(int task, int minutes) {}

    final Night night;
    final int until;
    final List<Job> jobs;
    final List<Person> people;
    final List<Place> places;
    final List<String> groups;
    final List<Taken> taken = new ArrayList<>();

    final int[] group;
    final int[][] inGroup;
    final Before[][] before;
    final Takes[][] takes;
    final Changed[][] changed;
    final int[][] apart;
    final int[][] otherThan;

    /** Tasks that are done by the same people, told at each of them. */
    final int[][] bound;

    /** By person and task. */
    final boolean[][] may;

    /** What is taken with a task and what is given back with it, by number in {@link #taken}. */
    final int[][] takesWith;

    final int[][] givesBack;

    private final Map<String, Integer> at = new HashMap<>();
    private final Map<String, Integer> personAt = new HashMap<>();

    IndexedNight(Night night) {
        this.night = night;
        this.until = night.until();
        this.jobs = night.tasks();
        this.people = night.people();
        this.places = night.places();
        Map<String, List<Job>> byGroup = night.groups();
        this.groups = List.copyOf(byGroup.keySet());
        Map<String, Integer> placeAt = numbers(places.stream().map(Place::id).toList());
        personAt.putAll(numbers(people.stream().map(Person::id).toList()));
        at.putAll(numbers(jobs.stream().map(Job::id).toList()));
        int count = jobs.size();
        this.group = new int[count];
        this.inGroup = new int[groups.size()][];
        for (int g = 0; g < groups.size(); g++) {
            List<Job> all = Objects.requireNonNull(byGroup.get(groups.get(g)));
            inGroup[g] = all.stream().mapToInt(this::at).toArray();
            for (int j : inGroup[g]) {
                group[j] = g;
            }
        }
        List<List<Integer>> beside = lists(count);
        List<List<Integer>> same = lists(count);
        List<List<Integer>> taking = lists(count);
        List<List<Integer>> giving = lists(count);
        this.before = new Before[count][];
        this.takes = new Takes[count][];
        this.otherThan = new int[count][];
        for (int j = 0; j < count; j++) {
            Job job = jobs.get(j);
            before[j] = job.after().stream().map(this::before).toArray(Before[]::new);
            takes[j] =
                    job.places().stream()
                            .distinct()
                            .filter(placeAt::containsKey)
                            .map(p -> new Takes(number(placeAt, p), job.slotsOf(p)))
                            .toArray(Takes[]::new);
            otherThan[j] = known(job.otherThan());
            both(beside, j, known(job.apart()));
            both(same, j, known(job.sameAs()));
            for (Keep k : job.keeps()) {
                if (placeAt.containsKey(k.place())) {
                    int since = k.since() == null ? -1 : at.getOrDefault(k.since(), -1);
                    giving.get(j).add(taken.size());
                    if (since >= 0) {
                        taking.get(since).add(taken.size());
                    }
                    taken.add(new Taken(number(placeAt, k.place()), since, j));
                }
            }
        }
        this.apart = arrays(beside);
        this.bound = arrays(same);
        this.takesWith = arrays(taking);
        this.givesBack = arrays(giving);
        this.changed = changed();
        this.may = new boolean[people.size()][count];
        for (int p = 0; p < people.size(); p++) {
            for (int j = 0; j < count; j++) {
                may[p][j] = people.get(p).may(jobs.get(j));
            }
        }
    }

    /** The number of a task of this night. */
    int at(Job job) {
        return number(at, job.id());
    }

    /** The numbers of these people, whoever is not in this night left out. */
    int[] people(List<String> ids) {
        return ids.stream()
                .filter(personAt::containsKey)
                .mapToInt(p -> number(personAt, p))
                .toArray();
    }

    /** The number of a task; -1 where this night does not have it. */
    int task(String id) {
        return at.getOrDefault(id, -1);
    }

    private static Map<String, Integer> numbers(List<String> ids) {
        Map<String, Integer> all = new HashMap<>();
        for (int i = 0; i < ids.size(); i++) {
            all.put(ids.get(i), i);
        }
        return all;
    }

    private static int number(Map<String, Integer> numbers, String id) {
        return Objects.requireNonNull(numbers.get(id));
    }

    private Before before(After a) {
        int most = a.most() == null ? Integer.MAX_VALUE : a.most();
        return new Before(task(a.task()), a.lag(), most, a.ifThere());
    }

    private int[] known(List<String> tasks) {
        return tasks.stream().mapToInt(this::task).filter(t -> t >= 0).toArray();
    }

    private static List<List<Integer>> lists(int count) {
        List<List<Integer>> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            all.add(new ArrayList<>());
        }
        return all;
    }

    private static void both(List<List<Integer>> all, int task, int[] others) {
        for (int other : others) {
            all.get(task).add(other);
            all.get(other).add(task);
        }
    }

    private static int[][] arrays(List<List<Integer>> all) {
        return all.stream().map(l -> l.stream().mapToInt(i -> i).toArray()).toArray(int[][]::new);
    }

    private Changed[][] changed() {
        Changed[][] all = new Changed[jobs.size()][];
        for (int j = 0; j < all.length; j++) {
            List<Changed> own = new ArrayList<>();
            String content = jobs.get(j).content();
            for (int o = 0; content != null && o < all.length; o++) {
                String other = jobs.get(o).content();
                int minutes = other == null || other.equals(content) ? 0 : changeover(j, o);
                if (minutes > 0) {
                    own.add(new Changed(o, minutes));
                }
            }
            all[j] = own.toArray(Changed[]::new);
        }
        return all;
    }

    private int changeover(int one, int other) {
        int most = 0;
        for (Takes a : takes[one]) {
            for (Takes b : takes[other]) {
                Place place = places.get(a.place());
                if (a.place() == b.place() && place.slots() == 1) {
                    most = Math.max(most, place.changeover());
                }
            }
        }
        return most;
    }
}
