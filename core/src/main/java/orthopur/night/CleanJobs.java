package orthopur.night;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import orthopur.machine.MachineSheet;
import orthopur.machine.Vessel;
import orthopur.night.Night.After;
import orthopur.night.Night.Job;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.runthrough.SheetIndex;
import orthopur.text.Text;

/**
 * The tasks of one clean, out of its procedure: each stretch by hand is one, and each time that
 * runs by itself – a soak, a cool-down, a circulation, a drying – is one of its own. A stretch ends
 * where something begins to run, and where another number of people is needed.
 */
public final class CleanJobs {
    private static final Text NOT_NAMED = Text.plain("");

    /** What runs for less stays in the stretch: nobody goes elsewhere for it. */
    private static final int SHORTEST = 5;

    /** Minutes for the look of whoever releases, a swab included. */
    public static final int RELEASE = 6;

    /** What whoever releases has to be allowed. */
    public static final String MAY_RELEASE = "release";

    private final Procedure procedure;
    private final MachineSheet sheet;
    private final SheetIndex index;
    private final Wish wish;
    private final Premises premises;
    private final List<Job> jobs = new ArrayList<>();
    private final Map<String, List<String>> stepsOf = new HashMap<>();
    private final List<String> steps = new ArrayList<>();
    private final Map<String, String> soaking = new HashMap<>();

    private final List<After> next = new ArrayList<>();
    private double minutes;
    private int people = 1;
    private double hot;

    /** What a stretch comes after where the one before it ended with nothing to wait for. */
    private List<After> stays = List.of();

    /** How many people were at the stretch before. */
    private int before;

    /** Minutes that a stretch was rounded up by: the next has less to do. */
    private double ahead;

    private double longest;
    private Text name = NOT_NAMED;
    private final Set<String> places = new TreeSet<>();

    private CleanJobs(Procedure procedure, MachineSheet sheet, Wish wish, Premises premises) {
        this.procedure = procedure;
        this.sheet = sheet;
        this.index = new SheetIndex(sheet);
        this.wish = wish;
        this.premises = premises;
    }

    /**
     * What is wanted of a clean.
     *
     * @param earliest minute at which production leaves the machine
     * @param wantedBy minute at which production wants it; null where it does not that night
     * @param must whether it is never dropped
     * @param secondPerson whether somebody else has to release it
     * @param adults whether nobody under 18 may work at the machine
     * @param pace minutes of work that a step takes: as planned, or as the log tells
     */
    public record Wish(
            int earliest,
            @Nullable Integer wantedBy,
            boolean must,
            boolean secondPerson,
            boolean adults,
            ToDoubleFunction<Step> pace) {}

    /**
     * What the site has.
     *
     * @param vessels with their kinds
     * @param hotCelsius,mainsCelsius of the tank, and of what runs into it
     * @param shared carts and single tools
     * @param walk minutes to get to a machine from elsewhere
     */
    public record Premises(
            List<Vessel> vessels,
            double hotCelsius,
            double mainsCelsius,
            List<Shared> shared,
            double walk) {
        public Premises {
            vessels = List.copyOf(vessels);
            shared = List.copyOf(shared);
        }
    }

    /**
     * A cart or a tool that machines share. Whoever fetches it has it until the last thing on it is
     * back, or until the tools are away.
     *
     * @param name as procedures call it
     * @param count how many there are, from 1
     */
    public record Shared(String id, String name, int count) {
        /** Whether it is meant by what is fetched, or lies somewhere. */
        boolean in(String words) {
            return words.toLowerCase(Locale.ROOT).contains(name.toLowerCase(Locale.ROOT));
        }
    }

    /**
     * A task of a clean.
     *
     * @param steps ids of the steps that it is; of what runs by itself the one that begins it; none
     *     for the release and the warm-up
     */
    public record Part(Job job, List<String> steps) {
        public Part {
            steps = List.copyOf(steps);
        }
    }

    /** The tasks of one clean, its release and its warm-up included. */
    public static List<Part> of(
            Procedure procedure, MachineSheet sheet, Wish wish, Premises premises) {
        CleanJobs c = new CleanJobs(procedure, sheet, wish, premises);
        procedure.steps().forEach(c::step);
        c.close();
        c.releaseAndWarmUp();
        new Kept(procedure, sheet, premises.shared(), c.jobs, c.stepsOf).say();
        return c.jobs.stream()
                .map(j -> new Part(j, c.stepsOf.getOrDefault(j.id(), List.of())))
                .toList();
    }

    /** The places of a site: its sinks are one place of as many slots, all else stands alone. */
    public static List<Night.Place> places(Premises premises) {
        List<Night.Place> all = new ArrayList<>();
        premises.shared().forEach(s -> all.add(new Night.Place(s.id(), s.name(), s.count(), 0)));
        int sinks = 0;
        for (Vessel v : premises.vessels()) {
            if (v.kind().equals("sink")) {
                sinks++;
            } else {
                all.add(new Night.Place(v.id(), v.name(), 1, 10));
            }
        }
        if (sinks > 0) {
            all.add(new Night.Place("sink", "sink", sinks, 0));
        }
        return all;
    }

    private void step(Step s) {
        Action a = s.action();
        if (a instanceof Action.Collect c) {
            collect(c);
        }
        if (s.people() != people && minutes > 0) {
            close();
        }
        people = Math.max(1, s.people());
        // A stretch is called after the longest thing in it.
        if (name == NOT_NAMED || (s.minutes() > longest && tells(a))) {
            name = named(a);
            longest = tells(a) ? s.minutes() : 0;
        }
        minutes += wish.pace().applyAsDouble(s);
        steps.add(s.id());
        Solution solution = a.solution();
        if (solution != null) {
            hot += hotOf(solution);
            place(solution, places);
        }
        Duration runs = runs(a);
        if (runs != null && runs.toMinutes() >= SHORTEST) {
            run(s, (int) runs.toMinutes());
        }
    }

    /** Whether a stretch is known by it: not by its preparations. */
    private static boolean tells(Action a) {
        return !(a instanceof Action.Prepare
                || a instanceof Action.WashHands
                || a instanceof Action.Record
                || a instanceof Action.HoldPoint);
    }

    private Text named(Action a) {
        List<String> named = a.items().isEmpty() ? a.energies() : a.items();
        return named.isEmpty()
                ? Text.plain(a.verb())
                : Text.of("night.named", "{0}: {1}", a.verb(), index.names(named));
    }

    private static @Nullable Duration runs(Action a) {
        return switch (a) {
            case Action.Soak s -> s.dwell();
            case Action.CoolDown c -> c.standing();
            case Action.Circulate c -> c.dwell();
            case Action.Dry d -> d.time();
            case Action.RunProgram r -> r.lasting();
            case Action.Coat c -> c.touchDry();
            default -> null;
        };
    }

    /**
     * What stands in a vessel: the chemical, and what the machine's products leave in it. What
     * comes from a machine with another allergen goes into a vessel that was emptied and cleaned
     * between.
     */
    private String contentOf(Solution s) {
        Set<String> allergens = new TreeSet<>(sheet.allergens());
        String chemical = s.chemical() == null ? "water" : s.chemical();
        return allergens.isEmpty() ? chemical : chemical + ", " + String.join(", ", allergens);
    }

    /** Something begins to run: the stretch ends, and what comes next waits for it or not. */
    private void run(Step s, int lasts) {
        Action a = s.action();
        Set<String> held = new TreeSet<>();
        Solution solution = a.solution();
        if (solution != null) {
            place(solution, held);
        }
        String content = solution == null ? null : contentOf(solution);
        List<After> before = close();
        String id = wish(jobs.size(), a.name());
        jobs.add(job(id, named(a), lasts, 0, held, content, before, 0, null));
        stepsOf.put(id, List.of(s.id()));
        if (a instanceof Action.Soak soak) {
            // Hands go on elsewhere; whoever takes it out waits for its time.
            soak.items().forEach(i -> soaking.put(i, id));
            return;
        }
        next.clear();
        next.add(new After(id, 0, null));
    }

    private void collect(Action.Collect c) {
        Set<String> waits = new HashSet<>();
        for (String item : c.items()) {
            String soak = soaking.remove(item);
            if (soak != null) {
                waits.add(soak);
            }
        }
        if (waits.isEmpty()) {
            return;
        }
        List<After> before = close();
        next.clear();
        next.addAll(before);
        waits.stream().sorted().forEach(w -> next.add(new After(w, 0, null)));
    }

    /**
     * Ends the stretch.
     *
     * @return what comes next waits for this
     */
    private List<After> close() {
        if (minutes <= 0) {
            return List.copyOf(next);
        }
        String id = wish(jobs.size(), "work");
        // Whoever stays when another has gone comes from nowhere.
        boolean comes = next.isEmpty() || !next.equals(stays) || people > before;
        double needed = minutes + (comes ? premises.walk() : 0) - ahead;
        int lasts = (int) Math.max(1, Math.ceil(needed));
        ahead = Math.min(1, lasts - needed);
        jobs.add(job(id, name, lasts, people, places, null, List.copyOf(next), hot, null));
        stepsOf.put(id, List.copyOf(steps));
        steps.clear();
        next.clear();
        next.add(new After(id, 0, null));
        stays = List.copyOf(next);
        before = people;
        minutes = 0;
        hot = 0;
        name = NOT_NAMED;
        longest = 0;
        places.clear();
        return List.copyOf(next);
    }

    private String wish(int n, String what) {
        return procedure.id() + "/" + (n + 1) + "-" + what;
    }

    private void releaseAndWarmUp() {
        List<String> hands = jobs.stream().filter(Job::hands).map(Job::id).toList();
        String last = hands.isEmpty() ? null : hands.getLast();
        String end = last;
        if (wish.secondPerson()) {
            String id = procedure.id() + "/release";
            jobs.add(
                    new Job(
                            id,
                            Text.of("night.release", "Release"),
                            procedure.id(),
                            (int) Math.ceil(RELEASE + premises.walk()),
                            true,
                            1,
                            List.of(),
                            null,
                            last == null ? List.of() : List.of(new After(last, 0, null)),
                            wish.earliest(),
                            sheet.warmUp() == null ? wish.wantedBy() : null,
                            0,
                            wish.must(),
                            null,
                            false,
                            MAY_RELEASE,
                            hands,
                            List.of(),
                            null,
                            null,
                            List.of(),
                            List.of()));
            end = id;
        }
        if (sheet.warmUp() != null) {
            jobs.add(
                    job(
                            procedure.id() + "/warm-up",
                            Text.of("night.warm-up", "Warm up"),
                            (int) Math.max(1, sheet.warmUp().time().toMinutes()),
                            0,
                            Set.of(),
                            null,
                            end == null ? List.of() : List.of(new After(end, 0, null)),
                            0,
                            wish.wantedBy()));
        } else if (!wish.secondPerson() && last != null && wish.wantedBy() != null) {
            jobs.add(jobs.removeLast().withWantedBy(wish.wantedBy()));
        }
    }

    private Job job(
            String id,
            Text name,
            int minutes,
            int people,
            Set<String> places,
            @Nullable String content,
            List<After> after,
            double hot,
            @Nullable Integer wantedBy) {
        return new Job(
                id,
                name,
                procedure.id(),
                minutes,
                people > 0,
                people,
                List.copyOf(new TreeSet<>(places)),
                content,
                after,
                wish.earliest(),
                wantedBy,
                hot,
                wish.must(),
                people > 0 ? sheet.code() : null,
                people > 0 && wish.adults(),
                null,
                List.of(),
                List.of(),
                null,
                null,
                List.of(),
                List.of());
    }

    /** Liters of the tank that a solution takes, mixed with cold water. */
    private double hotOf(Solution s) {
        if (s.volume() == null || s.temperature() == null) {
            return 0;
        }
        double warmer = s.temperature().celsius() - premises.mainsCelsius();
        double all = Math.max(1, premises.hotCelsius() - premises.mainsCelsius());
        return warmer < 8 ? 0 : s.volume().litres() * Math.min(1, warmer / all);
    }

    private void place(Solution s, Set<String> into) {
        if (s.vessel() == null) {
            return;
        }
        for (Vessel v : premises.vessels()) {
            if (v.name().toLowerCase(Locale.ROOT).equals(s.vessel().toLowerCase(Locale.ROOT))) {
                into.add(v.kind().equals("sink") ? "sink" : v.id());
            }
        }
    }
}
