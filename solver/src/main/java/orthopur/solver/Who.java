package orthopur.solver;

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
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import orthopur.night.Measured;
import orthopur.night.Night;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Night.Span;

/**
 * Who does what, without asking when: whoever may do it and has the minutes for it. It is a small
 * question. No plan of all of it has fewer changes of people, or as few and less load, than its
 * answer; and mostly there is a time for everything with the people as they stand here.
 */
final class Who {
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
        /** The night with these people at its tasks and nobody else. */
        Night in(Night night) {
            return new Night(
                    night.until(),
                    night.people(),
                    night.places(),
                    night.heater(),
                    night.tasks().stream()
                            .map(
                                    j ->
                                            j.hands() && j.running() == null
                                                    ? j.withBy(
                                                            people.getOrDefault(j.id(), Set.of()))
                                                    : j)
                            .toList());
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
        double fewest = Math.ceil(first.bestObjectiveBound() - 1e-6);
        model.addLessOrEqual(changes, Math.round(first.objectiveValue()));
        hint(first);
        model.minimize(load);
        CpSolver second = solver(work, seconds, seed);
        CpSolverStatus lighter = second.solve(model);
        boolean has = lighter == CpSolverStatus.OPTIMAL || lighter == CpSolverStatus.FEASIBLE;
        double quarter = Measured.QUARTER;
        return new Found(
                people(has ? second : first),
                fewest,
                found == CpSolverStatus.OPTIMAL
                        ? Math.ceil(second.bestObjectiveBound() / quarter - 1e-6) * quarter
                        : 0);
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

    private void hint(CpSolver solver) {
        model.clearHints();
        does.values().stream()
                .map(Map::values)
                .flatMap(Collection::stream)
                .forEach(b -> model.addHint(b, solver.booleanValue(b) ? 1 : 0));
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

    /** Nobody does more than they are here for. */
    private void time(Person p) {
        int first =
                work.stream()
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
        model.addLessOrEqual(own.build(), Math.max(0, here));
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
