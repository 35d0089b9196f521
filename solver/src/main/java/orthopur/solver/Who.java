package orthopur.solver;

import static java.util.stream.Collectors.toSet;

import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.LinearArgument;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import orthopur.night.Earliest;
import orthopur.night.Measured;
import orthopur.night.Night;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Night.Span;
import orthopur.night.Paths;

/**
 * Who does what, without asking when: whoever may do it and has the minutes for it. It is a small
 * question. No plan of all of it has fewer changes of people, or as few and less load, than its
 * answer; and mostly there is a time for everything with the people as they stand here.
 */
final class Who {
    /** What comes before and after a task is looked at in steps of so many minutes. */
    private static final int GRID = 30;

    private final Night night;
    private final List<Job> work;
    private final CpModel model = new CpModel();
    private final Map<String, Map<String, BoolVar>> does = new LinkedHashMap<>();
    private final LinearExpr changes;
    private final LinearExpr load;

    /**
     * What was found.
     *
     * @param people by task
     * @param fewest below which the changes of no plan of everything are
     * @param least below which the load of no plan with so few changes is; 0 where that is not
     *     known
     */
    record Found(Map<String, Set<String>> people, double fewest, double least) {
        /**
         * The night with these people at its tasks and nobody else; but of those who are at no
         * machine with their hands each may do for the other what takes a right of its own: who
         * releases is whoever is free then.
         */
        Night in(Night night) {
            Set<String> crew = new HashSet<>();
            night.tasks().stream()
                    .filter(j -> j.skill() == null)
                    .forEach(j -> crew.addAll(people.getOrDefault(j.id(), Set.of())));
            return new Night(
                    night.until(),
                    night.people(),
                    night.places(),
                    night.heater(),
                    night.tasks().stream()
                            .map(
                                    j ->
                                            j.hands() && j.running() == null
                                                    ? j.withBy(by(night, j, crew))
                                                    : j)
                            .toList());
        }

        private Set<String> by(Night night, Job j, Set<String> crew) {
            Set<String> all = new TreeSet<>(people.getOrDefault(j.id(), Set.of()));
            if (j.skill() != null && j.people() == 1 && all.stream().noneMatch(crew::contains)) {
                night.people().stream()
                        .filter(p -> p.may(j) && !crew.contains(p.id()))
                        .forEach(p -> all.add(p.id()));
            }
            return all;
        }
    }

    Who(Night night) {
        this.night = night;
        this.work = night.tasks().stream().filter(Job::hands).toList();
        work.forEach(this::task);
        work.forEach(this::bound);
        night.people().forEach(this::time);
        changes = changes();
        load = load();
        wholeMachines();
    }

    /**
     * @param work that may go into it, in the solver's own measure
     * @return null where nobody was found for something
     */
    @Nullable Found find(double work, double seconds, int seed) {
        model.minimize(changes);
        CpSolver first = solver(work, seconds, seed);
        CpSolverStatus found = first.solve(model);
        if (found != CpSolverStatus.OPTIMAL && found != CpSolverStatus.FEASIBLE) {
            return null;
        }
        double fewest = Math.max(0, Math.ceil(first.bestObjectiveBound() - 1e-6));
        model.addLessOrEqual(changes, Math.round(first.objectiveValue()));
        Evened evened = Evened.of(night, people(first));
        hint(evened.people());
        Map<String, Set<String>> lighter = evened.people();
        double least = evened.evenly();
        if (evened.isEven()) {
            model.addLessOrEqual(load, evened.evenly());
        } else {
            CpSolver second = next(load, work, seconds, seed);
            least = Measured.quarters(second.bestObjectiveBound());
            if (has(second)) {
                model.addLessOrEqual(load, Math.round(second.objectiveValue()));
            }
            lighter = people(has(second) ? second : first);
            hint(lighter);
        }
        CpSolver third = next(LinearExpr.term(end(), 1), work / 8, seconds, seed);
        return new Found(
                has(third) ? people(third) : lighter,
                fewest,
                found == CpSolverStatus.OPTIMAL ? least : 0);
    }

    /** The next aim, from where the one before it came to. */
    private CpSolver next(LinearExpr aim, double work, double seconds, int seed) {
        model.minimize(aim);
        CpSolver solver = solver(work, seconds, seed);
        solver.solve(model);
        return solver;
    }

    private static boolean has(CpSolver solver) {
        CpSolverStatus status = solver.response().getStatus();
        return status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE;
    }

    private Map<String, Set<String>> people(CpSolver solver) {
        Map<String, Set<String>> all = new HashMap<>();
        does.forEach(
                (job, by) -> {
                    Set<String> who = new TreeSet<>();
                    by.forEach(
                            (person, b) -> {
                                if (solver.booleanValue(b)) {
                                    who.add(person);
                                }
                            });
                    all.put(job, who);
                });
        return all;
    }

    private void hint(Map<String, Set<String>> people) {
        model.clearHints();
        does.forEach(
                (job, by) ->
                        by.forEach(
                                (who, b) ->
                                        model.addHint(
                                                b,
                                                people.getOrDefault(job, Set.of()).contains(who)
                                                        ? 1
                                                        : 0)));
    }

    private static CpSolver solver(double work, double seconds, int seed) {
        CpSolver solver = new CpSolver();
        solver.getParameters()
                .setNumWorkers(1)
                .setRandomSeed(seed)
                .setMaxDeterministicTime(work)
                .setMaxTimeInSeconds(Math.max(0.01, seconds));
        return solver;
    }

    private Map<String, BoolVar> of(String job) {
        return does.getOrDefault(job, Map.of());
    }

    private void task(Job j) {
        Map<String, BoolVar> who = new LinkedHashMap<>();
        for (Person p : night.people()) {
            boolean began = j.running() != null && j.running().people().contains(p.id());
            if (began || (j.running() == null && p.may(j))) {
                who.put(p.id(), model.newBoolVar(j.id() + " by " + p.id()));
            }
        }
        does.put(j.id(), who);
        model.addEquality(sum(who.values()), j.people());
    }

    private static LinearArgument sum(Collection<BoolVar> all) {
        LinearExprBuilder sum = LinearExpr.newBuilder();
        all.forEach(sum::add);
        return sum.build();
    }

    private void bound(Job j) {
        for (String other : j.otherThan()) {
            of(j.id())
                    .forEach(
                            (who, b) -> {
                                BoolVar o = of(other).get(who);
                                if (o != null) {
                                    model.addBoolOr(new Literal[] {b.not(), o.not()});
                                }
                            });
        }
        for (String other : j.sameAs()) {
            if (!does.containsKey(other)) {
                continue;
            }
            for (Person p : night.people()) {
                BoolVar mine = of(j.id()).get(p.id());
                BoolVar theirs = of(other).get(p.id());
                if (mine != null && theirs != null) {
                    model.addEquality(mine, theirs);
                } else if (mine != null) {
                    model.addEquality(mine, 0);
                } else if (theirs != null) {
                    model.addEquality(theirs, 0);
                }
            }
        }
    }

    /** Minutes for which somebody is here while there is something to do, breaks aside. */
    static int here(Night night, Person p) {
        int first =
                night.tasks().stream()
                        .filter(Job::hands)
                        .mapToInt(j -> j.running() == null ? j.earliest() : j.running().from())
                        .min()
                        .orElse(0);
        int here = 0;
        for (Span s : p.here()) {
            here += Math.max(0, Math.min(night.until(), s.to()) - Math.max(first, s.from()));
        }
        for (Night.Break b : p.breaks()) {
            here -= b.minutes();
        }
        return Math.max(0, here);
    }

    /** Nobody does more than they are here for. */
    private void time(Person p) {
        LinearExprBuilder own = LinearExpr.newBuilder();
        for (Job j : work) {
            BoolVar b = of(j.id()).get(p.id());
            if (b == null) {
                continue;
            }
            if (j.running() != null) {
                // What somebody is in the middle of is theirs, whether they have the time or not.
                return;
            }
            own.addTerm(b, j.minutes());
        }
        model.addLessOrEqual(own.build(), here(night, p));
    }

    private LinearExpr changes() {
        LinearExprBuilder sum = LinearExpr.newBuilder();
        int least = 0;
        for (Map.Entry<String, List<Job>> group : night.groups().entrySet()) {
            List<Job> all = group.getValue().stream().filter(Job::hands).toList();
            if (all.isEmpty()) {
                continue;
            }
            List<BoolVar> there = new ArrayList<>();
            for (Person p : night.people()) {
                List<BoolVar> own = new ArrayList<>();
                all.forEach(
                        j -> {
                            BoolVar b = of(j.id()).get(p.id());
                            if (b != null) {
                                own.add(b);
                            }
                        });
                if (!own.isEmpty()) {
                    BoolVar at = model.newBoolVar(p.id() + " at " + group.getKey());
                    own.forEach(b -> model.addImplication(b, at));
                    there.add(at);
                    sum.add(at);
                }
            }
            int fewest = Model.fewest(all);
            model.addGreaterOrEqual(sum(there), fewest);
            sum.add(-1);
            least += fewest - 1;
        }
        LinearExpr all = sum.build();
        // It follows from the rest, and proves sooner.
        model.addGreaterOrEqual(all, least);
        return all;
    }

    private LinearExpr load() {
        int all = work.stream().mapToInt(j -> j.minutes() * j.people()).sum();
        IntVar most = model.newIntVar(0, all / Measured.QUARTER + 1, "load");
        model.addGreaterOrEqual(
                LinearExpr.term(most, (long) Measured.QUARTER * Math.max(1, night.people().size())),
                all);
        for (Person p : night.people()) {
            LinearExprBuilder own = LinearExpr.newBuilder();
            for (Job j : work) {
                BoolVar b = of(j.id()).get(p.id());
                if (b != null) {
                    own.addTerm(b, j.minutes());
                }
            }
            own.addTerm(most, -Measured.QUARTER);
            model.addLessOrEqual(own.build(), 0);
        }
        return LinearExpr.term(most, Measured.QUARTER);
    }

    /**
     * When all can be over at the best: nobody is through with what has so much before it and so
     * much after it sooner than with the work itself, one thing at a time, and their break. Of
     * people who could not be through there is no plan, and most of it is seen by this alone.
     *
     * @return in quarters of an hour, the last begun one included
     */
    private IntVar end() {
        Paths paths = new Paths(night);
        int most = Math.ceilDiv(night.until(), Measured.QUARTER);
        int from = Math.clamp(Math.ceilDiv(Earliest.end(night), Measured.QUARTER), 0, most);
        IntVar over = model.newIntVar(from, most, "end");
        int soonest = (from - 1) * Measured.QUARTER + 1;
        for (Person p : night.people()) {
            Set<Set<String>> seen = new HashSet<>();
            for (int head = 0; head < night.until(); head += GRID) {
                for (int tail = 0; head + tail < night.until(); tail += GRID) {
                    int before = head;
                    int after = tail;
                    List<Job> those =
                            work.stream()
                                    .filter(j -> j.running() == null)
                                    .filter(j -> of(j.id()).containsKey(p.id()))
                                    .filter(j -> paths.before(j) >= before)
                                    .filter(j -> paths.after(j) >= after)
                                    .toList();
                    if (!those.isEmpty()
                            && seen.add(those.stream().map(Job::id).collect(toSet()))) {
                        between(p, paths, over, those, soonest);
                    }
                }
            }
        }
        return over;
    }

    private void between(Person p, Paths paths, IntVar over, List<Job> those, int soonest) {
        int first = p.here().stream().mapToInt(Span::from).min().orElse(night.until());
        int head = Math.max(first, those.stream().mapToInt(paths::before).min().orElse(0));
        int tail = those.stream().mapToInt(paths::after).min().orElse(0);
        int rests = 0;
        for (Night.Break b : p.breaks()) {
            rests += head <= b.from() && b.to() <= soonest - tail ? b.minutes() : 0;
        }
        int all = those.stream().mapToInt(Job::minutes).sum();
        if (head + all + rests + tail < soonest) {
            return;
        }
        BoolVar any = model.newBoolVar("any");
        LinearExprBuilder own = LinearExpr.newBuilder();
        for (Job j : those) {
            BoolVar b = Objects.requireNonNull(of(j.id()).get(p.id()));
            model.addImplication(b, any);
            own.addTerm(b, j.minutes());
        }
        own.addTerm(over, -Measured.QUARTER);
        model.addLessOrEqual(own.build(), -(head + tail + rests)).onlyEnforceIf(any);
    }

    /**
     * Where the solver begins: whole machines, the longest first, each to whoever has least to do;
     * its release to another.
     */
    private void wholeMachines() {
        Map<String, Integer> has = new HashMap<>();
        Comparator<Person> least =
                Comparator.comparingInt((Person p) -> has.getOrDefault(p.id(), 0))
                        .thenComparingInt(p -> p.skills().size());
        List<List<Job>> groups = new ArrayList<>(night.groups().values());
        groups.sort(Comparator.comparingInt((List<Job> g) -> -minutes(g)));
        for (List<Job> group : groups) {
            List<Person> crew = new ArrayList<>();
            for (Job j : group) {
                if (!j.hands()) {
                    continue;
                }
                List<Person> may =
                        night.people().stream()
                                .filter(p -> of(j.id()).containsKey(p.id()))
                                .filter(p -> j.otherThan().isEmpty() || !crew.contains(p))
                                .sorted(
                                        Comparator.comparing((Person p) -> !crew.contains(p))
                                                .thenComparing(least))
                                .limit(j.people())
                                .toList();
                of(j.id())
                        .forEach(
                                (who, b) ->
                                        model.addHint(
                                                b,
                                                may.stream().anyMatch(p -> p.id().equals(who))
                                                        ? 1
                                                        : 0));
                for (Person p : may) {
                    has.merge(p.id(), j.minutes(), Integer::sum);
                    if (!crew.contains(p)) {
                        crew.add(p);
                    }
                }
            }
        }
    }

    private static int minutes(List<Job> group) {
        return group.stream().filter(Job::hands).mapToInt(j -> j.minutes() * j.people()).sum();
    }
}
