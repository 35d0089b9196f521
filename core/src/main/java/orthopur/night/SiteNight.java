package orthopur.night;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.MachineSheet;
import orthopur.machine.Vessel;
import orthopur.night.Night.Break;
import orthopur.night.Night.Heater;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Night.Running;
import orthopur.night.Night.Span;
import orthopur.procedure.Procedure;

/**
 * The night of a site: what is due as tasks, who is here as people, and what was said about it –
 * sick, late, no hot water, a machine kept by production.
 */
public final class SiteNight {
    /** Half an hour in the middle of the night. */
    private static final int BREAK = 30;

    private SiteNight() {}

    /**
     * A clean that is to be done.
     *
     * @param must whether it is never dropped
     * @param secondPerson whether somebody else has to release it
     * @param adults whether nobody under 18 may work at it
     * @param pace by which its planned minutes are multiplied, out of the log
     */
    public record Clean(
            Procedure procedure,
            MachineSheet sheet,
            boolean must,
            boolean secondPerson,
            boolean adults,
            double pace) {}

    /**
     * Somebody of the site.
     *
     * @param machines on which they were trained; null where that is not asked
     * @param works whether they clean
     * @param releases whether they release
     */
    public record Member(
            String id,
            String name,
            @Nullable Set<String> machines,
            boolean adult,
            boolean works,
            boolean releases) {}

    /**
     * What was said about a night. It is a change of the night, not of its plan.
     *
     * @param subject person, machine or procedure that it is about; empty for the site
     * @param minute from when it holds
     */
    public record Said(What what, String subject, int minute) {}

    /** What can be said. */
    public enum What {
        /** Somebody does not come, or leaves. */
        SICK,
        /** Somebody comes later. */
        LATE,
        /** No hot water until then. */
        NO_HOT_WATER,
        /** Production keeps a machine until then. */
        KEPT,
        /** Production wants a machine by then. */
        WANTED,
        /** A swab failed at that time: the machine is cleaned again. */
        FAILED,
        /** A clean is left out; whoever says so answers for it. */
        DROPPED,
        /** A clean was begun. */
        BEGUN,
        /** A clean was finished. */
        FINISHED
    }

    /**
     * The night.
     *
     * @param minutes its length, at the end of which production wants its machines
     * @param heater null where nothing is known of it
     */
    public static Night of(
            int minutes,
            List<Clean> cleans,
            List<Member> members,
            List<Vessel> vessels,
            @Nullable Heater heater,
            double hotCelsius,
            double mainsCelsius,
            List<Said> said) {
        Map<String, Said> kept = newest(said, What.KEPT);
        Map<String, Said> wanted = newest(said, What.WANTED);
        Map<String, Said> dropped = newest(said, What.DROPPED);
        Map<String, Said> begun = newest(said, What.BEGUN);
        Map<String, Said> finished = newest(said, What.FINISHED);
        Map<String, Said> failed = newest(said, What.FAILED);
        Said cold = newest(said, What.NO_HOT_WATER).get("");
        List<Job> jobs = new ArrayList<>();
        for (Clean c : cleans) {
            String id = c.procedure().id();
            Said again = failed.get(id);
            boolean done = finished.containsKey(id) && again == null;
            if (dropped.containsKey(id) || done) {
                continue;
            }
            Said k = kept.get(c.sheet().code());
            Said w = wanted.get(c.sheet().code());
            int earliest = k == null ? 0 : k.minute();
            if (again != null) {
                earliest = Math.max(earliest, again.minute());
            }
            List<Job> all =
                    CleanJobs.of(
                            c.procedure(),
                            c.sheet(),
                            new CleanJobs.Wish(
                                    earliest,
                                    w == null ? minutes : Math.min(minutes, w.minute()),
                                    c.must(),
                                    c.secondPerson(),
                                    c.adults(),
                                    c.pace()),
                            new CleanJobs.Premises(vessels, hotCelsius, mainsCelsius));
            Said b = begun.get(id);
            jobs.addAll(b == null || again != null ? all : running(all, b.minute(), minutes));
        }
        if (cold != null) {
            jobs = jobs.stream().map(j -> notBefore(j, cold.minute())).toList();
        }
        return new Night(
                minutes, people(minutes, members, said), CleanJobs.places(vessels), heater, jobs);
    }

    private static Map<String, Said> newest(List<Said> all, What what) {
        Map<String, Said> by = new HashMap<>();
        all.stream().filter(s -> s.what() == what).forEach(s -> by.put(s.subject(), s));
        return by;
    }

    /** What was begun stays: nobody is sent away from a machine that lies in pieces. */
    private static List<Job> running(List<Job> all, int from, int until) {
        List<Job> jobs = new ArrayList<>(all);
        Job first = jobs.isEmpty() ? null : jobs.getFirst();
        // Who began it is not told here; that it is under way holds its time and its places.
        if (first != null && !first.hands() && from + first.minutes() <= until) {
            jobs.set(0, with(first, new Running(from, List.of())));
        }
        return jobs;
    }

    private static Job with(Job j, Running running) {
        return new Job(
                j.id(),
                j.name(),
                j.group(),
                j.minutes(),
                j.hands(),
                j.people(),
                j.places(),
                j.content(),
                j.after(),
                j.earliest(),
                j.wantedBy(),
                j.hotLitres(),
                j.must(),
                j.trained(),
                j.adults(),
                j.skill(),
                j.otherThan(),
                j.apart(),
                running);
    }

    private static Job notBefore(Job j, int minute) {
        if (j.hotLitres() <= 0 || j.running() != null) {
            return j;
        }
        return new Job(
                j.id(),
                j.name(),
                j.group(),
                j.minutes(),
                j.hands(),
                j.people(),
                j.places(),
                j.content(),
                j.after(),
                Math.max(j.earliest(), minute),
                j.wantedBy(),
                j.hotLitres(),
                j.must(),
                j.trained(),
                j.adults(),
                j.skill(),
                j.otherThan(),
                j.apart(),
                j.running());
    }

    private static List<Person> people(int minutes, List<Member> members, List<Said> said) {
        Map<String, Said> sick = newest(said, What.SICK);
        Map<String, Said> late = newest(said, What.LATE);
        List<Person> all = new ArrayList<>();
        for (Member m : members) {
            if (!m.works() && !m.releases()) {
                continue;
            }
            Said s = sick.get(m.id());
            Said l = late.get(m.id());
            int from = l == null ? 0 : Math.min(minutes, l.minute());
            int to = s == null ? minutes : Math.min(minutes, s.minute());
            if (to <= from) {
                continue;
            }
            int middle = minutes / 2;
            boolean breaks =
                    m.works() && minutes >= 360 && from <= middle - 90 && to >= middle + 90;
            Set<String> skills = new HashSet<>();
            if (m.releases()) {
                skills.add(CleanJobs.MAY_RELEASE);
            }
            all.add(
                    new Person(
                            m.id(),
                            m.name(),
                            List.of(new Span(from, to)),
                            breaks
                                    ? List.of(new Break(middle - 90, middle + 90, BREAK))
                                    : List.of(),
                            m.works() ? m.machines() : Set.of(),
                            m.adult(),
                            skills));
        }
        return all;
    }
}
