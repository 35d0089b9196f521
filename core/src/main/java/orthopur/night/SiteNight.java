package orthopur.night;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import orthopur.machine.MachineSheet;
import orthopur.night.CleanJobs.Part;
import orthopur.night.Night.After;
import orthopur.night.Night.Break;
import orthopur.night.Night.Heater;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Night.Running;
import orthopur.night.Night.Span;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.text.Text;

/**
 * The night of a site: what is due as tasks, who is here as people, what was said about it – sick,
 * late, no hot water, a machine kept by production – and how far the rounds are.
 */
public final class SiteNight {
    /** Half an hour in the middle of the night. */
    private static final int BREAK = 30;

    private final Evening evening;
    private final List<Job> jobs = new ArrayList<>();
    private final List<Done> done = new ArrayList<>();

    /** Whoever is at work somewhere is so at the machine where they ticked last. */
    private final Map<String, String> at = new HashMap<>();

    private SiteNight(Evening evening) {
        this.evening = evening;
        Map<String, Integer> newest = new HashMap<>();
        for (Round r : evening.rounds()) {
            for (Ticked t : r.ticks()) {
                if (r.finished() == null && t.minute() >= newest.getOrDefault(t.person(), 0)) {
                    newest.put(t.person(), t.minute());
                    at.put(t.person(), r.procedure());
                }
            }
        }
    }

    /**
     * What a night is made of.
     *
     * @param minutes its length, at the end of which production wants its machines
     * @param now minute until which it is the past; what has not begun lies after it
     * @param premises what the site has
     * @param heater null where nothing is known of it
     * @param said what was said about it, the newest last
     * @param rounds that were begun in it
     * @param before the plan that people go by so far; null where there is none
     */
    public record Evening(
            int minutes,
            int now,
            List<Clean> cleans,
            List<Member> members,
            CleanJobs.Premises premises,
            @Nullable Heater heater,
            List<Said> said,
            List<Round> rounds,
            @Nullable Plan before) {
        public Evening {
            cleans = List.copyOf(cleans);
            members = List.copyOf(members);
            said = List.copyOf(said);
            rounds = List.copyOf(rounds);
        }
    }

    /**
     * A clean that is to be done.
     *
     * @param must whether it is never dropped
     * @param secondPerson whether somebody else has to release it
     * @param adults whether nobody under 18 may work at it
     * @param pace minutes of work that a step takes: as planned, or as the log tells
     */
    public record Clean(
            Procedure procedure,
            MachineSheet sheet,
            boolean must,
            boolean secondPerson,
            boolean adults,
            ToDoubleFunction<Step> pace) {}

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
     * Something that was said about a night. It is a change of the night, not of its plan.
     *
     * @param subject person, machine, procedure or task that it is about, with {@code @} and a
     *     person behind it where it is about both; empty for the site
     * @param minute from when it holds
     */
    public record Said(What what, String subject, int minute) {
        /** What it is about, without the person. */
        public String thing() {
            int mark = subject.lastIndexOf('@');
            return mark < 0 ? subject : subject.substring(0, mark);
        }

        /** The person behind it; empty where there is none. */
        public String person() {
            int mark = subject.lastIndexOf('@');
            return mark < 0 ? "" : subject.substring(mark + 1);
        }
    }

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
        /** A task is done by somebody, and not before that minute. */
        PUT,
        /** Somebody cannot do a clean that was theirs; somebody else does it. */
        HANDED_OVER,
        /** Somebody has seen what is theirs and will do it. */
        ACCEPTED
    }

    /**
     * A round of this night.
     *
     * @param begun,finished,released minutes; null while it is not handed over, or not released
     * @param ticks the steps that are done, in their order
     */
    public record Round(
            String procedure,
            int begun,
            @Nullable Integer finished,
            @Nullable Integer released,
            List<Ticked> ticks) {
        public Round {
            ticks = List.copyOf(ticks);
        }
    }

    /** A step that was done. */
    public record Ticked(String step, int minute, String person) {}

    /**
     * A task of this night that is over.
     *
     * @param group its procedure
     */
    public record Done(
            String id,
            Text name,
            String group,
            int from,
            int to,
            boolean hands,
            List<String> people) {
        public Done {
            people = List.copyOf(people);
        }
    }

    /**
     * The night as it stands.
     *
     * @param night what is left of it
     * @param done what is over
     * @param notKept what was put somewhere and cannot stay there: who is to do it may not, or is
     *     not here
     */
    public record Standing(Night night, List<Done> done, List<Said> notKept) {
        public Standing {
            done = List.copyOf(done);
            notKept = List.copyOf(notKept);
        }
    }

    /** The night, out of what is known of it. */
    public static Standing of(Evening evening) {
        return new SiteNight(evening).standing();
    }

    private Standing standing() {
        Map<String, Said> kept = newest(What.KEPT);
        Map<String, Said> wanted = newest(What.WANTED);
        Map<String, Said> dropped = newest(What.DROPPED);
        Map<String, Said> failed = newest(What.FAILED);
        Map<String, Round> rounds = new HashMap<>();
        evening.rounds().forEach(r -> rounds.put(r.procedure(), r));
        Map<String, List<Part>> planned = new HashMap<>();
        for (Clean c : evening.cleans()) {
            String id = c.procedure().id();
            Said again = failed.get(id);
            Round round = rounds.get(id);
            if (again != null && round != null && round.begun() < again.minute()) {
                // What was done before the swab is to be done again.
                round = null;
            }
            if (round == null && dropped.containsKey(id)) {
                continue;
            }
            Said k = kept.get(c.sheet().code());
            Said w = wanted.get(c.sheet().code());
            int earliest = Math.max(evening.now(), k == null ? 0 : k.minute());
            if (again != null) {
                earliest = Math.max(earliest, again.minute());
            }
            List<Part> parts =
                    CleanJobs.of(
                            c.procedure(),
                            c.sheet(),
                            new CleanJobs.Wish(
                                    earliest,
                                    w == null
                                            ? evening.minutes()
                                            : Math.min(evening.minutes(), w.minute()),
                                    c.must(),
                                    c.secondPerson(),
                                    c.adults(),
                                    c.pace()),
                            evening.premises());
            planned.put(id, parts);
            if (round == null) {
                parts.forEach(p -> jobs.add(p.job()));
            } else {
                underWay(c, parts, round);
            }
        }
        Said cold = newest(What.NO_HOT_WATER).get("");
        if (cold != null) {
            jobs.replaceAll(
                    j ->
                            j.hotLitres() <= 0 || j.running() != null
                                    ? j
                                    : j.notBefore(cold.minute()));
        }
        Beside beside = new Beside(evening.cleans(), planned, jobs);
        beside.order();
        List<Night.Place> places = new ArrayList<>(CleanJobs.places(evening.premises()));
        places.addAll(beside.disconnects());
        places.replaceAll(beside::asTaken);
        List<Person> people = people();
        handedOver(people);
        plugPassedOn(people);
        List<Said> notKept = put(people);
        return new Standing(
                new Night(evening.minutes(), people, places, evening.heater(), jobs),
                done,
                notKept);
    }

    private Map<String, Said> newest(What what) {
        Map<String, Said> by = new HashMap<>();
        evening.said().stream().filter(s -> s.what() == what).forEach(s -> by.put(s.subject(), s));
        return by;
    }

    // --- a clean that was begun -----------------------------------------------------------------

    /**
     * What is done of it is over, what runs stays where it is with whoever works at it, and what is
     * left comes after it.
     */
    private void underWay(Clean c, List<Part> parts, Round round) {
        Map<String, Ticked> ticks = new HashMap<>();
        round.ticks().forEach(t -> ticks.put(t.step(), t));
        Map<String, Double> planned = new HashMap<>();
        c.procedure()
                .steps()
                .forEach(s -> planned.put(s.id(), Math.max(0.01, c.pace().applyAsDouble(s))));
        Map<String, Integer> waitedFor = waitedFor(parts, ticks);
        // Where a task ended that nothing has to wait for any more.
        Map<String, Integer> over = new HashMap<>();
        boolean open = true;
        int since = round.begun();
        for (Part p : parts) {
            Job j = afterWhatIsOver(p.job(), over);
            List<Ticked> own = p.steps().stream().map(ticks::get).filter(Objects::nonNull).toList();
            int last = own.stream().mapToInt(Ticked::minute).max().orElse(since);
            if (!j.hands()) {
                Integer taken = waitedFor.get(j.id());
                byItself(j, own, taken == null ? round.finished() : taken, over);
                continue;
            }
            boolean release = p.steps().isEmpty();
            boolean whole =
                    release
                            ? round.released() != null
                            : round.finished() != null || own.size() == p.steps().size();
            if (whole) {
                List<String> who = own.stream().map(Ticked::person).distinct().toList();
                int to =
                        Math.max(
                                since + 1,
                                release && round.released() != null ? round.released() : last);
                done.add(new Done(j.id(), j.name(), j.group(), since, to, true, who));
                over.put(j.id(), to);
                since = to;
                continue;
            }
            if (open && !release) {
                jobs.add(going(j, p, own, planned, since));
                open = false;
            } else {
                jobs.add(j);
            }
        }
    }

    private static Job afterWhatIsOver(Job j, Map<String, Integer> over) {
        int from = j.earliest();
        List<After> left = new ArrayList<>();
        for (After a : j.after()) {
            Integer ended = over.get(a.task());
            if (ended == null) {
                left.add(a);
            } else {
                from = Math.max(from, ended + a.lag());
            }
        }
        return j.withAfter(left).notBefore(from);
    }

    /** When something was begun that waits for a task: by then that task was over. */
    private static Map<String, Integer> waitedFor(List<Part> parts, Map<String, Ticked> ticks) {
        Map<String, Integer> all = new HashMap<>();
        for (Part p : parts) {
            p.steps().stream()
                    .map(ticks::get)
                    .filter(Objects::nonNull)
                    .mapToInt(Ticked::minute)
                    .min()
                    .ifPresent(
                            first ->
                                    p.job()
                                            .after()
                                            .forEach(a -> all.merge(a.task(), first, Math::min)));
        }
        return all;
    }

    private void byItself(
            Job j, List<Ticked> own, @Nullable Integer taken, Map<String, Integer> over) {
        if (own.isEmpty()) {
            jobs.add(j);
            return;
        }
        int from = own.getFirst().minute();
        int to = from + j.minutes();
        if (taken != null && taken < to) {
            to = Math.max(from + 1, taken);
        }
        if (taken != null || to <= evening.now() || to > evening.minutes()) {
            done.add(new Done(j.id(), j.name(), j.group(), from, to, false, List.of()));
            over.put(j.id(), to);
        } else {
            jobs.add(j.begun(new Running(from, List.of())));
        }
    }

    /** The stretch somebody is in the middle of; without anybody at it, what is left of it. */
    private Job going(Job j, Part p, List<Ticked> own, Map<String, Double> planned, int since) {
        double all = 0;
        double left = 0;
        Set<String> seen = new HashSet<>();
        own.forEach(t -> seen.add(t.step()));
        for (String s : p.steps()) {
            double m = planned.getOrDefault(s, 0.01);
            all += m;
            left += seen.contains(s) ? 0 : m;
        }
        int rest = (int) Math.max(1, Math.ceil(j.minutes() * left / Math.max(0.01, all)));
        Set<String> who = new TreeSet<>();
        own.stream().map(Ticked::person).filter(w -> j.group().equals(at.get(w))).forEach(who::add);
        at.forEach(
                (w, where) -> {
                    if (where.equals(j.group()) && own.isEmpty()) {
                        who.add(w);
                    }
                });
        int to = Math.max(evening.now(), since) + rest;
        // One tablet ticks for two; the second is who was planned with the first.
        Plan.Placed as = evening.before() == null ? null : evening.before().byId().get(j.id());
        if (!who.isEmpty() && as != null) {
            as.people().stream()
                    .filter(w -> !at.containsKey(w))
                    .limit(Math.max(0, j.people() - who.size()))
                    .forEach(who::add);
        }
        Set<String> members = new HashSet<>();
        evening.members().forEach(m -> members.add(m.id()));
        if (who.size() < j.people() || !members.containsAll(who) || to > evening.minutes()) {
            return j.withMinutes(rest);
        }
        return j.withMinutes(to - since).begun(new Running(since, List.copyOf(who)));
    }

    // --- people ---------------------------------------------------------------------------------

    /** Whoever handed a clean over does nothing more of it that has not begun. */
    private void handedOver(List<Person> people) {
        Map<String, Set<String>> without = new HashMap<>();
        newest(What.HANDED_OVER)
                .values()
                .forEach(
                        s ->
                                without.computeIfAbsent(s.thing(), k -> new HashSet<>())
                                        .add(s.person()));
        for (int i = 0; i < jobs.size(); i++) {
            Job j = jobs.get(i);
            Set<String> gone = without.get(j.group());
            if (gone != null && j.hands() && j.running() == null) {
                Set<String> others = new HashSet<>();
                people.stream().map(Person::id).filter(p -> !gone.contains(p)).forEach(others::add);
                jobs.set(i, j.withBy(others));
            }
        }
    }

    /** What was put somewhere stays with its person, where they may do it and are here. */
    private List<Said> put(List<Person> people) {
        List<Said> not = new ArrayList<>();
        // Of several places in which one task was put the last counts.
        Map<String, Said> newest = new HashMap<>();
        evening.said().stream()
                .filter(s -> s.what() == What.PUT)
                .forEach(s -> newest.put(s.thing(), s));
        newest.values().stream()
                .sorted(Comparator.comparing(Said::subject))
                .forEach(
                        s -> {
                            int i = indexOf(s.thing());
                            if (i < 0) {
                                return;
                            }
                            Job j = jobs.get(i).notBefore(s.minute());
                            Person who =
                                    people.stream()
                                            .filter(p -> p.id().equals(s.person()))
                                            .findFirst()
                                            .orElse(null);
                            boolean there =
                                    who != null
                                            && who.may(j)
                                            && who.here().stream()
                                                    .anyMatch(
                                                            h ->
                                                                    h.from() <= s.minute()
                                                                            && s.minute()
                                                                                            + j
                                                                                                    .minutes()
                                                                                    <= h.to());
                            if (j.running() != null || (!s.person().isEmpty() && !there)) {
                                not.add(s);
                            } else {
                                jobs.set(i, j);
                                if (who != null && j.people() == 1) {
                                    byOne(j.id(), who.id());
                                }
                            }
                        });
        return not;
    }

    /** Whoever does a task does what belongs to it: who has the plug. */
    private void byOne(String task, String who) {
        Set<String> along =
                new Night(evening.minutes(), List.of(), List.of(), null, jobs).byTheSame(task);
        jobs.replaceAll(
                j ->
                        along.contains(j.id()) && j.running() == null
                                ? j.withBy(Set.of(who)).withSameAs(List.of())
                                : j);
    }

    /**
     * Whoever has the plug and cannot go on hands it over, and somebody else does the rest. What is
     * over binds nobody; what is left of it is done by one person again.
     */
    private void plugPassedOn(List<Person> people) {
        Map<String, String> first = new HashMap<>();
        for (int i = 0; i < jobs.size(); i++) {
            Job j = jobs.get(i);
            List<String> same = new ArrayList<>();
            for (String other : j.sameAs()) {
                int at = indexOf(other);
                boolean goesOn = at >= 0 && goesOn(jobs.get(at), j, people);
                String instead = goesOn ? other : first.putIfAbsent(other, j.id());
                if (instead != null && j.running() == null) {
                    same.add(instead);
                }
            }
            jobs.set(i, j.withSameAs(same));
        }
    }

    private boolean goesOn(Job before, Job next, List<Person> people) {
        return before.running() == null
                || people.stream()
                        .filter(p -> before.running().people().contains(p.id()))
                        .anyMatch(
                                p ->
                                        before.running().people().size() == 1
                                                && p.may(next)
                                                && p.here().stream()
                                                        .anyMatch(
                                                                h -> h.to() >= evening.minutes()));
    }

    private int indexOf(String job) {
        for (int i = 0; i < jobs.size(); i++) {
            if (jobs.get(i).id().equals(job)) {
                return i;
            }
        }
        return -1;
    }

    private List<Person> people() {
        Map<String, Said> sick = newest(What.SICK);
        Map<String, Said> late = newest(What.LATE);
        int minutes = evening.minutes();
        Map<String, Integer> working = new HashMap<>();
        for (Job j : jobs) {
            if (j.running() != null) {
                int ends = j.running().from() + j.minutes();
                j.running().people().forEach(p -> working.merge(p, ends, Math::max));
            }
        }
        Set<String> rested = new HashSet<>();
        if (evening.before() != null) {
            evening.before().breaks().stream()
                    .filter(r -> r.from() < evening.now())
                    .forEach(r -> rested.add(r.person()));
        }
        List<Person> all = new ArrayList<>();
        for (Member m : evening.members()) {
            if (!m.works() && !m.releases() && !working.containsKey(m.id())) {
                continue;
            }
            Said s = sick.get(m.id());
            Said l = late.get(m.id());
            int from = l == null ? 0 : Math.min(minutes, l.minute());
            int to = s == null ? minutes : Math.min(minutes, s.minute());
            if (to <= from && !working.containsKey(m.id())) {
                continue;
            }
            int middle = minutes / 2;
            // Whoever had none by now has it later, after what they are in the middle of.
            int first =
                    Math.max(Math.max(middle - 90, evening.now()), working.getOrDefault(m.id(), 0));
            int latest = Math.max(middle + 90, first + BREAK);
            boolean breaks =
                    m.works()
                            && minutes >= 360
                            && from <= middle - 90
                            && to >= latest
                            && !rested.contains(m.id());
            Set<String> skills = new HashSet<>();
            if (m.releases()) {
                skills.add(CleanJobs.MAY_RELEASE);
            }
            all.add(
                    new Person(
                            m.id(),
                            m.name(),
                            List.of(new Span(from, Math.max(from, to))),
                            breaks ? List.of(new Break(first, latest, BREAK)) : List.of(),
                            m.works() ? m.machines() : Set.of(),
                            m.adult(),
                            skills));
        }
        return all;
    }
}
