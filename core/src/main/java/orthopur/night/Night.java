package orthopur.night;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.text.Text;

/**
 * A night to be planned.
 *
 * @param until its length; nothing ends after it
 * @param heater where hot water comes from; null where there is no end to it
 */
public record Night(
        int until,
        List<Person> people,
        List<Place> places,
        @Nullable Heater heater,
        List<Job> tasks) {
    public Night {
        people = List.copyOf(people);
        places = List.copyOf(places);
        tasks = List.copyOf(tasks);
    }

    /** How the ids of places begin that are no places but what cuts several machines off. */
    public static final String DISCONNECT = "disconnect:";

    /** From one minute to another, the second not included. */
    public record Span(int from, int to) {}

    /**
     * Somebody who works.
     *
     * @param here when they are here
     * @param breaks that they take
     * @param machines that they were trained on; null where that is not kept: then any
     * @param adult whether they are 18 or older
     * @param skills what else they may do, for instance release
     */
    public record Person(
            String id,
            String name,
            List<Span> here,
            List<Break> breaks,
            @Nullable Set<String> machines,
            boolean adult,
            Set<String> skills) {
        public Person {
            here = List.copyOf(here);
            breaks = List.copyOf(breaks);
            skills = Set.copyOf(skills);
        }

        /** The same, here and at rest at other times. */
        Person at(List<Span> times, List<Break> rests) {
            return new Person(id, name, times, rests, machines, adult, skills);
        }

        /** Whether they may do it at all. */
        public boolean may(Job job) {
            return (adult || !job.adults())
                    && (job.by() == null || job.by().contains(id))
                    && (job.trained() == null
                            || machines == null
                            || machines.contains(job.trained()))
                    && (job.skill() == null || skills.contains(job.skill()));
        }
    }

    /**
     * A break.
     *
     * @param from,to between which it lies as a whole
     */
    public record Break(int from, int to, int minutes) {}

    /**
     * A place or a single tool.
     *
     * @param slots how much it takes at a time, from 1
     * @param changeover minutes between two tasks with another content
     */
    public record Place(String id, String name, int slots, int changeover) {}

    /**
     * Where hot water comes from.
     *
     * @param litres that the tank holds, hot
     * @param perMinute litres that become hot in a minute
     */
    public record Heater(double litres, double perMinute) {}

    /**
     * A stretch of work by hand, or a time that runs by itself.
     *
     * @param group what stands or falls with it: the whole clean of a machine
     * @param minutes how long it takes, from 1
     * @param hands whether somebody works at it
     * @param people how many; 0 where nobody does
     * @param places that it takes while it lasts
     * @param content what is in the place; null where that does not matter
     * @param after what comes before it
     * @param earliest before which it cannot begin
     * @param wantedBy by when it should have ended; null where nobody waits
     * @param hotLitres that are drawn when it begins
     * @param must whether it is never dropped: a zone-1 or allergen clean of a machine that is
     *     wanted
     * @param trained machine on which its people have to be trained
     * @param adults whether nobody under 18 may do it
     * @param skill what its people have to be allowed beside that
     * @param otherThan tasks whose people may not do this one
     * @param apart tasks during which it may not be done
     * @param by who alone may do it, because somebody said so; null where that is open
     * @param running what has begun stays as it is; null where it has not
     * @param sameAs tasks whose people do this one too: a plug is in the control of one only
     * @param keeps places that were taken before and are free when this has ended
     */
    @RecordBuilder
    public record Job(
            String id,
            Text name,
            String group,
            int minutes,
            boolean hands,
            int people,
            List<String> places,
            @Nullable String content,
            List<After> after,
            int earliest,
            @Nullable Integer wantedBy,
            double hotLitres,
            boolean must,
            @Nullable String trained,
            boolean adults,
            @Nullable String skill,
            List<String> otherThan,
            List<String> apart,
            @Nullable Set<String> by,
            @Nullable Running running,
            List<String> sameAs,
            List<Keep> keeps)
            implements NightJobBuilder.With {
        public Job {
            places = List.copyOf(places);
            after = List.copyOf(after);
            otherThan = List.copyOf(otherThan);
            apart = List.copyOf(apart);
            by = by == null ? null : Set.copyOf(by);
            sameAs = List.copyOf(sameAs);
            keeps = List.copyOf(keeps);
        }

        /**
         * Work of one person, called by its id, that takes no place and waits for nothing.
         *
         * @param minutes from 1
         */
        public static Job byHand(String id, String group, int minutes) {
            return new Job(
                    id,
                    Text.plain(id),
                    group,
                    minutes,
                    true,
                    1,
                    List.of(),
                    null,
                    List.of(),
                    0,
                    null,
                    0,
                    false,
                    null,
                    false,
                    null,
                    List.of(),
                    List.of(),
                    null,
                    null,
                    List.of(),
                    List.of());
        }

        /** The same, not before a minute. */
        public Job notBefore(int minute) {
            return withEarliest(Math.max(earliest, minute));
        }

        /** The same, after one more. */
        public Job alsoAfter(After another) {
            List<After> all = new ArrayList<>(after);
            all.add(another);
            return withAfter(all);
        }

        /** The same, not during other tasks either. */
        public Job alsoApartFrom(List<String> others) {
            List<String> all = new ArrayList<>(apart);
            all.addAll(others);
            return withApart(all);
        }

        /** The same, begun. */
        public Job begun(Running since) {
            Job now = withRunning(since);
            return hands ? now.withPeople(since.people().size()) : now;
        }

        /** How many slots of a place it takes: as often as it names it. */
        public int slotsOf(String place) {
            return Collections.frequency(places, place);
        }
    }

    /**
     * A place that is taken over several tasks and between them: a cart from the first part on it
     * until the last of them is back.
     *
     * @param since task with whose beginning it is taken; null where that lies before the night
     */
    public record Keep(String place, @Nullable String since) {}

    /**
     * What comes before a task.
     *
     * @param lag minutes between its end and the beginning, from 0
     * @param most minutes between them at most; null without end
     * @param ifThere whether it waits only where the other is done in this night at all; what
     *     belongs to the same clean always is
     */
    public record After(String task, int lag, @Nullable Integer most, boolean ifThere) {
        /** What cannot be done without the other. */
        public After(String task, int lag, @Nullable Integer most) {
            this(task, lag, most, false);
        }

        /** Not before the other, where that is done. */
        public static After ifThere(String task) {
            return new After(task, 0, null, true);
        }
    }

    /** Work that has begun. */
    public record Running(int from, List<String> people) {
        public Running {
            people = List.copyOf(people);
        }
    }

    /** The tasks of each group, in the order in which they stand. */
    public Map<String, List<Job>> groups() {
        Map<String, List<Job>> all = new LinkedHashMap<>();
        tasks.forEach(t -> all.computeIfAbsent(t.group(), k -> new ArrayList<>()).add(t));
        return all;
    }

    /** The tasks that whoever does this one does too, itself included. */
    public Set<String> byTheSame(String task) {
        Set<String> all = new LinkedHashSet<>(Set.of(task));
        boolean more = true;
        while (more) {
            more = false;
            for (Job j : tasks) {
                if (all.contains(j.id())) {
                    more |= all.addAll(j.sameAs());
                } else if (j.sameAs().stream().anyMatch(all::contains)) {
                    more |= all.add(j.id());
                }
            }
        }
        return all;
    }

    /** The places that are taken when a task begins, and kept until another ends. */
    public Set<String> takenWith(String task) {
        Set<String> all = new LinkedHashSet<>();
        for (Job j : tasks) {
            for (Keep k : j.keeps()) {
                if (task.equals(k.since())) {
                    all.add(k.place());
                }
            }
        }
        return all;
    }

    /** Each task by its id. */
    public Map<String, Job> byId() {
        Map<String, Job> all = new HashMap<>();
        tasks.forEach(t -> all.put(t.id(), t));
        return all;
    }

    /** Each place by its id. */
    public Map<String, Place> placesById() {
        Map<String, Place> all = new HashMap<>();
        places.forEach(p -> all.put(p.id(), p));
        return all;
    }
}
