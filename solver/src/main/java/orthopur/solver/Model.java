package orthopur.solver;

import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.Constraint;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CumulativeConstraint;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.IntervalVar;
import com.google.ortools.sat.LinearArgument;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import orthopur.night.Earliest;
import orthopur.night.Measured;
import orthopur.night.Night;
import orthopur.night.Night.After;
import orthopur.night.Night.Break;
import orthopur.night.Night.Job;
import orthopur.night.Night.Keep;
import orthopur.night.Night.Person;
import orthopur.night.Night.Place;
import orthopur.night.Night.Span;
import orthopur.night.Plan;
import orthopur.night.Plan.Aim;
import orthopur.night.Plan.Placed;
import orthopur.night.Plan.Rest;

/** The rules of a valid plan as constraints, and what a plan is measured by as sums. */
final class Model {
    /** The tank is followed in steps of so many minutes. */
    private static final int STEP = 15;

    /** Hot water is counted in tenths of a liter. */
    private static final double TENTHS = 10;

    private final Night night;
    private final CpModel model = new CpModel();
    private final Map<String, IntVar> start = new LinkedHashMap<>();
    private final Map<String, IntervalVar> during = new HashMap<>();
    private final Map<String, BoolVar> group = new LinkedHashMap<>();
    private final Map<String, Map<String, BoolVar>> does = new LinkedHashMap<>();
    private final Map<String, List<IntVar>> breaks = new LinkedHashMap<>();
    private final Map<String, Job> jobs;

    /**
     * @param water whether hot water is followed; without it the model is a third as large, and a
     *     plan of it may draw more than the tank has
     */
    Model(Night night, boolean water) {
        this.night = night;
        this.jobs = night.byId();
        night.groups().forEach((id, all) -> group.put(id, presence(id, all)));
        night.tasks().forEach(this::task);
        night.tasks().forEach(this::order);
        night.people().forEach(this::person);
        night.places().forEach(this::place);
        night.tasks().forEach(this::apart);
        everybody();
        if (water) {
            water();
        }
    }

    CpModel model() {
        return model;
    }

    private BoolVar presence(String id, List<Job> all) {
        BoolVar there = model.newBoolVar("group " + id);
        // Whoever is to do it has to be here; the solver need not find that out.
        for (Job j : all) {
            long may = night.people().stream().filter(p -> p.may(j)).count();
            boolean outside = j.minutes() > night.until();
            if (j.running() == null && (outside || (j.hands() && may < j.people()))) {
                model.addEquality(there, 0);
            }
        }
        return there;
    }

    private BoolVar there(Job j) {
        return Objects.requireNonNull(group.get(j.group()));
    }

    private IntVar start(String id) {
        return Objects.requireNonNull(start.get(id));
    }

    private void task(Job j) {
        int last = Math.max(0, night.until() - j.minutes());
        IntVar s =
                j.running() == null
                        ? model.newIntVar(Math.min(j.earliest(), last), last, j.id())
                        : model.newIntVar(j.running().from(), j.running().from(), j.id());
        start.put(j.id(), s);
        if (j.running() != null) {
            during.put(j.id(), model.newFixedSizeIntervalVar(s, j.minutes(), j.id()));
        } else {
            if (j.earliest() > last) {
                model.addEquality(there(j), 0);
            }
            during.put(
                    j.id(),
                    model.newOptionalFixedSizeIntervalVar(s, j.minutes(), there(j), j.id()));
        }
        if (!j.hands()) {
            return;
        }
        Map<String, BoolVar> who = new LinkedHashMap<>();
        for (Person p : night.people()) {
            boolean began = j.running() != null && j.running().people().contains(p.id());
            if (began || (j.running() == null && p.may(j))) {
                BoolVar does = model.newBoolVar(j.id() + " by " + p.id());
                who.put(p.id(), does);
                if (began) {
                    model.addEquality(does, 1);
                }
            }
        }
        does.put(j.id(), who);
        LinearExprBuilder sum = LinearExpr.newBuilder();
        who.values().forEach(sum::add);
        if (j.running() == null) {
            sum.addTerm(there(j), -j.people());
            model.addEquality(sum.build(), 0);
        }
    }

    private void order(Job j) {
        for (After a : j.after()) {
            Job before = jobs.get(a.task());
            if (before == null) {
                if (!a.ifThere()) {
                    model.addEquality(there(j), 0);
                }
                continue;
            }
            List<Literal> both = new ArrayList<>(List.of(there(j)));
            if (before.running() == null) {
                if (a.ifThere()) {
                    both.add(there(before));
                } else {
                    model.addImplication(there(j), there(before));
                }
            }
            LinearExpr gap =
                    LinearExpr.newBuilder().add(start(j.id())).addTerm(start(a.task()), -1).build();
            if (j.running() == null) {
                Literal[] when = both.toArray(new Literal[0]);
                model.addGreaterOrEqual(gap, before.minutes() + a.lag()).onlyEnforceIf(when);
                if (a.most() != null) {
                    model.addLessOrEqual(gap, before.minutes() + a.most()).onlyEnforceIf(when);
                }
            }
        }
        for (String other : j.sameAs()) {
            same(j, other);
        }
        for (String other : j.otherThan()) {
            Map<String, BoolVar> mine = does.getOrDefault(j.id(), Map.of());
            Map<String, BoolVar> theirs = does.getOrDefault(other, Map.of());
            mine.forEach(
                    (who, b) -> {
                        BoolVar o = theirs.get(who);
                        if (o != null) {
                            model.addBoolOr(new Literal[] {b.not(), o.not()});
                        }
                    });
        }
    }

    private void same(Job j, String other) {
        Job o = jobs.get(other);
        if (o == null) {
            return;
        }
        List<Literal> both = new ArrayList<>();
        if (j.running() == null) {
            both.add(there(j));
        }
        if (o.running() == null) {
            both.add(there(o));
        }
        for (Person p : night.people()) {
            BoolVar mine = does.getOrDefault(j.id(), Map.of()).get(p.id());
            BoolVar theirs = does.getOrDefault(other, Map.of()).get(p.id());
            if (mine != null || theirs != null) {
                LinearExprBuilder between = LinearExpr.newBuilder();
                if (mine != null) {
                    between.add(mine);
                }
                if (theirs != null) {
                    between.addTerm(theirs, -1);
                }
                model.addEquality(between.build(), 0).onlyEnforceIf(both.toArray(new Literal[0]));
            }
        }
    }

    /** One thing at a time, only while here, and each break within its time. */
    private void person(Person p) {
        List<IntervalVar> all = new ArrayList<>();
        for (Job j : night.tasks()) {
            BoolVar b = does.getOrDefault(j.id(), Map.of()).get(p.id());
            if (b != null) {
                all.add(
                        model.newOptionalFixedSizeIntervalVar(
                                start(j.id()), j.minutes(), b, j.id() + " of " + p.id()));
            }
        }
        int free = 0;
        for (Span s :
                p.here().stream().sorted(java.util.Comparator.comparingInt(Span::from)).toList()) {
            away(all, free, s.from());
            free = Math.max(free, s.to());
        }
        away(all, free, night.until());
        List<IntVar> rests = new ArrayList<>();
        for (Break b : p.breaks()) {
            IntVar s = model.newIntVar(b.from(), b.to() - b.minutes(), "break of " + p.id());
            rests.add(s);
            all.add(model.newFixedSizeIntervalVar(s, b.minutes(), "break of " + p.id()));
        }
        breaks.put(p.id(), rests);
        model.addNoOverlap(all);
    }

    /**
     * All together do no more than there are of them: it follows from the rest, and proves sooner.
     */
    private void everybody() {
        CumulativeConstraint c = model.addCumulative(night.people().size());
        night.tasks().stream()
                .filter(Job::hands)
                .forEach(j -> c.addDemand(Objects.requireNonNull(during.get(j.id())), j.people()));
    }

    private void away(List<IntervalVar> all, int from, int to) {
        if (from < to && !night.people().isEmpty()) {
            // Work that has begun stays with whoever began it, whether their time is over or not.
            boolean runs =
                    night.tasks().stream()
                            .anyMatch(
                                    j ->
                                            j.running() != null
                                                    && j.running().from() < to
                                                    && from < j.running().from() + j.minutes());
            if (!runs) {
                all.add(model.newFixedInterval(from, to - from, "away"));
            } else {
                int until =
                        night.tasks().stream()
                                .filter(j -> j.running() != null)
                                .mapToInt(j -> j.running().from() + j.minutes())
                                .max()
                                .orElse(from);
                if (until < to) {
                    all.add(model.newFixedInterval(until, to - until, "away"));
                }
            }
        }
    }

    private void place(Place place) {
        List<Job> here =
                night.tasks().stream().filter(j -> j.places().contains(place.id())).toList();
        List<IntervalVar> kept = kept(place);
        if (place.slots() == 1) {
            List<IntervalVar> all = new ArrayList<>(kept);
            here.forEach(j -> all.add(Objects.requireNonNull(during.get(j.id()))));
            model.addNoOverlap(all);
            changeovers(place, here);
            return;
        }
        CumulativeConstraint c = model.addCumulative(place.slots());
        here.forEach(
                j ->
                        c.addDemand(
                                Objects.requireNonNull(during.get(j.id())), j.slotsOf(place.id())));
        kept.forEach(i -> c.addDemand(i, 1));
    }

    /** From the beginning of one task to the end of another, for each that keeps a place. */
    private List<IntervalVar> kept(Place place) {
        List<IntervalVar> all = new ArrayList<>();
        for (Job j : night.tasks()) {
            for (Keep k : j.keeps()) {
                if (!k.place().equals(place.id())) {
                    continue;
                }
                IntVar since = k.since() == null ? null : start.get(k.since());
                LinearExpr from =
                        since == null
                                ? LinearExpr.constant(0)
                                : LinearExpr.newBuilder().add(since).build();
                LinearExpr to = LinearExpr.newBuilder().add(start(j.id())).add(j.minutes()).build();
                IntVar lasts = model.newIntVar(0, night.until(), "keeps " + place.id());
                all.add(
                        j.running() == null
                                ? model.newOptionalIntervalVar(
                                        from, lasts, to, there(j), "kept " + j.id())
                                : model.newIntervalVar(from, lasts, to, "kept " + j.id()));
            }
        }
        return all;
    }

    /** Of two tasks with another content one is first, with the changeover between. */
    private void changeovers(Place place, List<Job> here) {
        for (int i = 0; i < here.size(); i++) {
            for (int k = i + 1; k < here.size(); k++) {
                Job a = here.get(i);
                Job b = here.get(k);
                if (a.content() == null
                        || b.content() == null
                        || a.content().equals(b.content())
                        || place.changeover() == 0) {
                    continue;
                }
                BoolVar first = model.newBoolVar("first");
                before(a, b, place.changeover(), first);
                before(b, a, place.changeover(), first.not());
            }
        }
    }

    private void before(Job a, Job b, int gap, Literal when) {
        LinearExpr between =
                LinearExpr.newBuilder().add(start(b.id())).addTerm(start(a.id()), -1).build();
        model.addGreaterOrEqual(between, a.minutes() + gap)
                .onlyEnforceIf(new Literal[] {when, there(a), there(b)});
    }

    private void apart(Job j) {
        for (String other : j.apart()) {
            IntervalVar a = during.get(j.id());
            IntervalVar b = during.get(other);
            if (a != null && b != null) {
                model.addNoOverlap(List.of(a, b));
            }
        }
    }

    /**
     * Hot water, step by step and never better than it is: what is drawn within a step has to be
     * there at its beginning, and what is heated in it counts from its end.
     */
    private void water() {
        if (night.heater() == null) {
            return;
        }
        List<Job> drawing = night.tasks().stream().filter(j -> j.hotLitres() > 0).toList();
        if (drawing.isEmpty()) {
            return;
        }
        int steps = (night.until() + STEP - 1) / STEP;
        long full = (long) Math.floor(night.heater().litres() * TENTHS);
        long heated = (long) Math.floor(night.heater().perMinute() * STEP * TENTHS);
        List<List<BoolVar>> in = new ArrayList<>();
        for (int k = 0; k < steps; k++) {
            in.add(new ArrayList<>());
        }
        for (Job j : drawing) {
            List<Literal> one = new ArrayList<>();
            for (int k = 0; k < steps; k++) {
                BoolVar b = model.newBoolVar(j.id() + " draws in " + k);
                in.get(k).add(b);
                one.add(b);
                model.addGreaterOrEqual(start(j.id()), (long) k * STEP).onlyEnforceIf(b);
                model.addLessOrEqual(start(j.id()), (long) (k + 1) * STEP - 1).onlyEnforceIf(b);
            }
            if (j.running() == null) {
                one.add(there(j).not());
            }
            model.addExactlyOne(one);
        }
        IntVar before = model.newIntVar(full, full, "tank");
        for (int k = 0; k < steps; k++) {
            LinearExprBuilder drawn = LinearExpr.newBuilder();
            for (int i = 0; i < drawing.size(); i++) {
                drawn.addTerm(
                        in.get(k).get(i), (long) Math.ceil(drawing.get(i).hotLitres() * TENTHS));
            }
            LinearExpr draws = drawn.build();
            model.addLessOrEqual(LinearExpr.newBuilder().add(draws).addTerm(before, -1).build(), 0);
            IntVar after = model.newIntVar(0, full, "tank");
            model.addLessOrEqual(
                    LinearExpr.newBuilder().add(after).add(draws).addTerm(before, -1).build(),
                    heated);
            model.addLessOrEqual(LinearExpr.newBuilder().add(after).add(draws).build(), full);
            before = after;
        }
    }

    // --- what a plan is measured by -------------------------------------------------------------

    /**
     * @param whole whether it is known that nothing is left out
     */
    LinearExpr of(Aim aim, boolean whole) {
        LinearExprBuilder sum = LinearExpr.newBuilder();
        switch (aim) {
            case OUT_OF_USE -> absent(sum, true);
            case LEFT_OUT -> absent(sum, false);
            case LATE -> late(sum);
            case END -> sum.add(end(whole));
            case CHANGES -> helpers(sum);
            case LOAD -> sum.add(load());
            case UNATTENDED -> sum.add(waiting());
        }
        return sum.build();
    }

    private void absent(LinearExprBuilder sum, boolean must) {
        night.groups()
                .forEach(
                        (id, all) -> {
                            if (all.stream().anyMatch(Job::must) == must
                                    && all.stream().anyMatch(j -> j.running() == null)) {
                                sum.add(1);
                                sum.addTerm(Objects.requireNonNull(group.get(id)), -1);
                            }
                        });
    }

    private void late(LinearExprBuilder sum) {
        for (Job j : night.tasks()) {
            if (j.wantedBy() == null) {
                continue;
            }
            IntVar late = model.newIntVar(0, night.until(), "late " + j.id());
            LinearExpr over = LinearExpr.newBuilder().add(start(j.id())).addTerm(late, -1).build();
            if (j.running() == null) {
                model.addLessOrEqual(over, j.wantedBy() - j.minutes()).onlyEnforceIf(there(j));
            } else {
                model.addLessOrEqual(over, j.wantedBy() - j.minutes());
            }
            sum.add(late);
        }
    }

    private IntVar end(boolean whole) {
        IntVar end = model.newIntVar(0, night.until(), "end");
        if (whole) {
            // It follows from the rest, and proves sooner.
            model.addGreaterOrEqual(end, Earliest.end(night));
        }
        for (Person p : night.people()) {
            List<IntVar> own = breaks.getOrDefault(p.id(), List.of());
            for (int i = 0; i < own.size(); i++) {
                Break b = p.breaks().get(i);
                if (Earliest.counts(night, b)) {
                    model.addLessOrEqual(
                            LinearExpr.newBuilder().add(own.get(i)).addTerm(end, -1).build(),
                            -b.minutes());
                }
            }
        }
        night.tasks().forEach(j -> endsBy(j, end));
        return end;
    }

    /** People at each group beyond the first. */
    private void helpers(LinearExprBuilder sum) {
        night.groups()
                .forEach(
                        (id, all) -> {
                            LinearExprBuilder here = LinearExpr.newBuilder();
                            boolean any = false;
                            for (Person p : night.people()) {
                                BoolVar at = model.newBoolVar(p.id() + " at " + id);
                                boolean may = false;
                                for (Job j : all) {
                                    BoolVar b = does.getOrDefault(j.id(), Map.of()).get(p.id());
                                    if (b != null) {
                                        model.addImplication(b, at);
                                        may = true;
                                    }
                                }
                                if (may) {
                                    sum.add(at);
                                    here.add(at);
                                    any = true;
                                }
                            }
                            if (any) {
                                sum.addTerm(Objects.requireNonNull(group.get(id)), -1);
                                here.addTerm(Objects.requireNonNull(group.get(id)), -fewest(all));
                                model.addGreaterOrEqual(here.build(), 0);
                            }
                        });
    }

    /** How many people a group takes at the least: who releases is not who did the work. */
    static int fewest(List<Job> all) {
        int most = 1;
        for (Job j : all) {
            int beside =
                    all.stream()
                            .filter(o -> j.otherThan().contains(o.id()))
                            .mapToInt(Job::people)
                            .max()
                            .orElse(0);
            most = Math.max(most, j.people() + beside);
        }
        return most;
    }

    private LinearExpr load() {
        int all = night.tasks().stream().mapToInt(j -> j.minutes() * j.people()).sum();
        int quarter = Measured.QUARTER;
        IntVar most = model.newIntVar(0, all / quarter + 1, "load");
        // Nobody has least where all have the same.
        LinearExprBuilder even = LinearExpr.newBuilder();
        for (Job j : night.tasks()) {
            if (j.hands()) {
                even.addTerm(there(j), (long) j.minutes() * j.people());
            }
        }
        even.addTerm(most, -(long) quarter * night.people().size());
        model.addLessOrEqual(even.build(), 0);
        for (Person p : night.people()) {
            LinearExprBuilder own = LinearExpr.newBuilder();
            for (Job j : night.tasks()) {
                BoolVar b = does.getOrDefault(j.id(), Map.of()).get(p.id());
                if (b != null) {
                    own.addTerm(b, j.minutes());
                }
            }
            own.addTerm(most, -quarter);
            model.addLessOrEqual(own.build(), 0);
        }
        return LinearExpr.term(most, quarter);
    }

    /** From the last work by hand until what runs by itself is over. */
    private IntVar waiting() {
        IntVar byHand = model.newIntVar(0, night.until(), "last by hand");
        IntVar waiting = model.newIntVar(0, night.until(), "waiting");
        List<Literal> last = new ArrayList<>();
        BoolVar none = model.newBoolVar("none by hand");
        model.addEquality(byHand, 0).onlyEnforceIf(none);
        last.add(none);
        for (Job j : night.tasks()) {
            if (j.hands()) {
                BoolVar b = model.newBoolVar(j.id() + " is the last by hand");
                endsBy(j, byHand, b);
                last.add(b);
            } else {
                endsBy(j, LinearExpr.newBuilder().add(byHand).add(waiting).build());
            }
        }
        model.addExactlyOne(last);
        return waiting;
    }

    /** It ends no sooner, where it is the one that is meant. */
    private void endsBy(Job j, IntVar at, BoolVar meant) {
        if (j.running() == null) {
            model.addImplication(meant, there(j));
        }
        LinearExpr over = LinearExpr.newBuilder().add(at).addTerm(start(j.id()), -1).build();
        model.addLessOrEqual(over, j.minutes()).onlyEnforceIf(meant);
    }

    private void endsBy(Job j, LinearArgument end) {
        LinearExpr over = LinearExpr.newBuilder().add(start(j.id())).addTerm(end, -1).build();
        Constraint c = model.addLessOrEqual(over, -j.minutes());
        if (j.running() == null) {
            c.onlyEnforceIf(there(j));
        }
    }

    void minimize(LinearExpr goal) {
        model.minimize(goal);
    }

    /** What was reached on a level is kept on all that follow. */
    void noWorse(LinearExpr goal, long value) {
        model.addLessOrEqual(goal, value);
    }

    /**
     * Whoever does a task in a plan does it; when it is done stays open.
     *
     * @param but groups in which who does what is open as well
     */
    void keepPeople(Plan plan, Set<String> but) {
        Map<String, Placed> placed = plan.byId();
        for (Job j : night.tasks()) {
            Placed p = placed.get(j.id());
            boolean open = but.contains(j.group());
            does.getOrDefault(j.id(), Map.of())
                    .forEach(
                            (person, b) -> {
                                boolean here = p != null && p.people().contains(person);
                                between(b, open || !here ? 0 : 1, open || here ? 1 : 0);
                            });
        }
    }

    private void between(BoolVar b, long least, long most) {
        model.getBuilder()
                .getVariablesBuilder(b.getIndex())
                .clearDomain()
                .addDomain(least)
                .addDomain(most);
    }

    // --- there and back -------------------------------------------------------------------------

    /** A plan to begin with. */
    void hint(Plan plan) {
        model.clearHints();
        Map<String, Placed> placed = plan.byId();
        group.forEach(
                (id, b) ->
                        model.addHint(
                                b,
                                night.groups().getOrDefault(id, List.of()).stream()
                                                .anyMatch(j -> placed.containsKey(j.id()))
                                        ? 1
                                        : 0));
        start.forEach(
                (id, s) -> {
                    Placed p = placed.get(id);
                    if (p != null) {
                        model.addHint(s, p.from());
                    }
                    does.getOrDefault(id, Map.of())
                            .forEach(
                                    (who, b) ->
                                            model.addHint(
                                                    b,
                                                    p != null && p.people().contains(who) ? 1 : 0));
                });
        breaks.forEach(
                (who, all) -> {
                    List<Rest> own =
                            plan.breaks().stream().filter(r -> r.person().equals(who)).toList();
                    for (int i = 0; i < Math.min(all.size(), own.size()); i++) {
                        model.addHint(all.get(i), own.get(i).from());
                    }
                });
    }

    /** The plan that was found, without its measures. */
    Plan read(CpSolver solver) {
        List<Placed> all = new ArrayList<>();
        List<String> out = new ArrayList<>();
        group.forEach(
                (id, b) -> {
                    boolean rest =
                            night.groups().getOrDefault(id, List.of()).stream()
                                    .anyMatch(j -> j.running() == null);
                    if (rest && !solver.booleanValue(b)) {
                        out.add(id);
                    }
                });
        for (Job j : night.tasks()) {
            if (j.running() == null && !solver.booleanValue(there(j))) {
                continue;
            }
            int from = (int) solver.value(start(j.id()));
            List<String> who =
                    does.getOrDefault(j.id(), Map.of()).entrySet().stream()
                            .filter(e -> solver.booleanValue(e.getValue()))
                            .map(Map.Entry::getKey)
                            .toList();
            all.add(
                    new Placed(
                            j.id(),
                            j.running() == null ? who : j.running().people(),
                            j.places().isEmpty() ? null : j.places().getFirst(),
                            from,
                            from + j.minutes(),
                            j.hands()));
        }
        List<Rest> rests = new ArrayList<>();
        for (Person p : night.people()) {
            List<IntVar> own = breaks.getOrDefault(p.id(), List.of());
            for (int i = 0; i < own.size(); i++) {
                int from = (int) solver.value(own.get(i));
                rests.add(new Rest(p.id(), from, from + p.breaks().get(i).minutes()));
            }
        }
        return Measured.bare(all, rests, out);
    }
}
