package orthopur.formats;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Problem;
import orthopur.night.Night;
import orthopur.night.Night.After;
import orthopur.night.Night.Break;
import orthopur.night.Night.Heater;
import orthopur.night.Night.Job;
import orthopur.night.Night.Keep;
import orthopur.night.Night.Person;
import orthopur.night.Night.Place;
import orthopur.night.Night.Running;
import orthopur.night.Night.Span;
import orthopur.night.Plan;
import orthopur.text.Text;

/** A night as JSON, and its plan as JSON. */
public final class NightFormat {
    /** Kilojoules that warm a liter of water by one kelvin. */
    private static final double WATER = 4.186;

    private static final int LONGEST = 24 * 60;

    private final List<Problem> problems = new ArrayList<>();

    private NightFormat() {}

    /**
     * A night as it was read.
     *
     * @param from when it begins
     */
    public record Read(Instant from, Night night) {}

    private record NightFile(
            String from,
            String until,
            List<PersonFile> people,
            List<PlaceFile> places,
            @Nullable HeaterFile heater,
            List<JobFile> tasks) {}

    private record PersonFile(
            String id,
            @Nullable String name,
            List<Span> here,
            List<Break> breaks,
            @Nullable Set<String> machines,
            @Nullable Boolean adult,
            List<String> skills) {}

    private record PlaceFile(
            String id,
            @Nullable String name,
            @Nullable Integer slots,
            @Nullable Integer changeover) {}

    private record HeaterFile(
            double litres, double kilowatts, double celsius, double mainsCelsius) {}

    private record AfterFile(
            String task,
            @Nullable Integer lag,
            @Nullable Integer most,
            @Nullable Boolean ifThere) {}

    private record RunningFile(int from, List<String> people) {}

    private record JobFile(
            String id,
            @Nullable String name,
            @Nullable String group,
            int minutes,
            @Nullable Boolean hands,
            @Nullable Integer people,
            List<String> places,
            @Nullable String content,
            List<AfterFile> after,
            @Nullable Integer earliest,
            @Nullable Integer wantedBy,
            @Nullable Double hotLitres,
            @Nullable Boolean must,
            @Nullable String trained,
            @Nullable Boolean adults,
            @Nullable String skill,
            List<String> otherThan,
            List<String> apart,
            List<String> by,
            @Nullable RunningFile running,
            List<String> sameAs,
            List<Keep> keeps) {}

    /**
     * @throws FormatError with every error by pointer: a field out of its range, an id that stands
     *     twice or is not there, an end before its beginning, a break longer than its time
     */
    public static Read read(String text) {
        // An absent list of machines means any; an empty one none. The binding makes both empty.
        var tree = Json.tree(text);
        NightFile file = Documents.bind("night", tree, NightFile.class);
        NightFormat f = new NightFormat();
        List<Boolean> any = new ArrayList<>();
        tree.path("people").forEach(p -> any.add(!p.has("machines")));
        Read read = f.night(file, any);
        if (!f.problems.isEmpty()) {
            throw new FormatError(f.problems);
        }
        return read;
    }

    private Read night(NightFile file, List<Boolean> anyMachine) {
        Instant from = time("/from", file.from());
        Instant until = time("/until", file.until());
        long minutes = Duration.between(from, until).toMinutes();
        if (problems.isEmpty() && (minutes < 1 || minutes > LONGEST)) {
            problem(
                    "/until",
                    Text.of(
                            "night-format.the-night-has-minutes-allowed-are",
                            "The night has {0} minutes; allowed are 1 to {1}.",
                            minutes,
                            LONGEST));
        }
        int length = (int) Math.max(1, Math.min(LONGEST, minutes));
        List<Person> people = new ArrayList<>();
        for (int i = 0; i < file.people().size(); i++) {
            people.add(person("/people/" + i, file.people().get(i), length, anyMachine.get(i)));
        }
        List<Place> places = new ArrayList<>();
        for (PlaceFile p : file.places()) {
            places.add(
                    new Place(
                            p.id(),
                            Objects.requireNonNullElse(p.name(), p.id()),
                            Objects.requireNonNullElse(p.slots(), 1),
                            Objects.requireNonNullElse(p.changeover(), 0)));
        }
        List<Job> jobs = file.tasks().stream().map(NightFormat::job).toList();
        twice("/people", people.stream().map(Person::id).toList());
        twice("/places", places.stream().map(Place::id).toList());
        twice("/tasks", jobs.stream().map(Job::id).toList());
        Night night = new Night(length, people, places, heater(file.heater()), jobs);
        there(night);
        return new Read(from, night);
    }

    private Person person(String at, PersonFile p, int length, boolean any) {
        List<Span> here = p.here().isEmpty() ? List.of(new Span(0, length)) : p.here();
        for (int i = 0; i < here.size(); i++) {
            if (here.get(i).to() < here.get(i).from()) {
                problem(
                        at + "/here/" + i + "/to",
                        Text.of(
                                "night-format.it-ends-before-it-begins",
                                "It ends before it begins."));
            }
        }
        for (int i = 0; i < p.breaks().size(); i++) {
            Break b = p.breaks().get(i);
            if (b.to() - b.from() < b.minutes()) {
                problem(
                        at + "/breaks/" + i + "/minutes",
                        Text.of(
                                "night-format.a-break-of-minutes-does-not",
                                "A break of {0} minutes does not fit between minute {1} and {2}.",
                                b.minutes(),
                                b.from(),
                                b.to()));
            } else if (here.stream()
                    .noneMatch(
                            s ->
                                    Math.min(Math.min(s.to(), length), b.to())
                                                    - Math.max(s.from(), b.from())
                                            >= b.minutes())) {
                problem(
                        at + "/breaks/" + i + "/from",
                        Text.of(
                                "night-format.the-break-lies-outside-of-the",
                                "The break lies outside of the time they are here."));
            }
        }
        return new Person(
                p.id(),
                Objects.requireNonNullElse(p.name(), p.id()),
                here.stream()
                        .map(s -> new Span(Math.min(s.from(), length), Math.min(s.to(), length)))
                        .toList(),
                p.breaks(),
                any ? null : p.machines(),
                !Boolean.FALSE.equals(p.adult()),
                Set.copyOf(p.skills()));
    }

    private static @Nullable Heater heater(@Nullable HeaterFile h) {
        if (h == null) {
            return null;
        }
        double warmer = Math.max(1, h.celsius() - h.mainsCelsius());
        return new Heater(h.litres(), h.kilowatts() * 60 / (WATER * warmer));
    }

    private static Job job(JobFile j) {
        boolean hands = !Boolean.FALSE.equals(j.hands());
        return new Job(
                j.id(),
                Text.plain(Objects.requireNonNullElse(j.name(), j.id())),
                Objects.requireNonNullElse(j.group(), j.id()),
                j.minutes(),
                hands,
                hands ? Objects.requireNonNullElse(j.people(), 1) : 0,
                j.places(),
                j.content(),
                j.after().stream()
                        .map(
                                a ->
                                        new After(
                                                a.task(),
                                                Objects.requireNonNullElse(a.lag(), 0),
                                                a.most(),
                                                Boolean.TRUE.equals(a.ifThere())))
                        .toList(),
                Objects.requireNonNullElse(j.earliest(), 0),
                j.wantedBy(),
                Objects.requireNonNullElse(j.hotLitres(), 0.0),
                Boolean.TRUE.equals(j.must()),
                j.trained(),
                Boolean.TRUE.equals(j.adults()),
                j.skill(),
                j.otherThan(),
                j.apart(),
                j.by().isEmpty() ? null : Set.copyOf(j.by()),
                j.running() == null ? null : new Running(j.running().from(), j.running().people()),
                j.sameAs(),
                j.keeps());
    }

    private void there(Night night) {
        Set<String> tasks = night.byId().keySet();
        Set<String> places = night.placesById().keySet();
        Set<String> people = new HashSet<>();
        night.people().forEach(p -> people.add(p.id()));
        for (int i = 0; i < night.tasks().size(); i++) {
            Job j = night.tasks().get(i);
            String at = "/tasks/" + i;
            j.places().forEach(p -> known(places, at + "/places", "place", p));
            j.after().forEach(a -> known(tasks, at + "/after", "task", a.task()));
            j.otherThan().forEach(o -> known(tasks, at + "/otherThan", "task", o));
            j.apart().forEach(o -> known(tasks, at + "/apart", "task", o));
            j.sameAs().forEach(o -> known(tasks, at + "/sameAs", "task", o));
            for (Keep k : j.keeps()) {
                known(places, at + "/keeps", "place", k.place());
                if (k.since() != null) {
                    known(tasks, at + "/keeps", "task", k.since());
                }
            }
            if (j.by() != null) {
                j.by().forEach(p -> known(people, at + "/by", "person", p));
            }
            if (j.running() != null) {
                j.running().people().forEach(p -> known(people, at + "/running", "person", p));
                if (j.running().from() + j.minutes() > night.until()) {
                    problem(
                            at + "/running/from",
                            Text.of(
                                    "night-format.it-ends-after-the-night",
                                    "It ends after the night."));
                }
                if (j.hands() && j.running().people().size() != j.people()) {
                    problem(
                            at + "/running/people",
                            Text.of(
                                    "night-format.it-takes-people-and-has",
                                    "It takes {0} people and has {1}.",
                                    j.people(),
                                    j.running().people().size()));
                }
            }
        }
    }

    private void known(Set<String> all, String at, String what, String id) {
        if (!all.contains(id)) {
            problem(at, Text.of("night-format.there-is-no", "There is no {0} \"{1}\".", what, id));
        }
    }

    private void twice(String at, List<String> ids) {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < ids.size(); i++) {
            if (!seen.add(ids.get(i))) {
                problem(
                        at + "/" + i + "/id",
                        Text.of(
                                "night-format.the-id-stands-twice",
                                "The id \"{0}\" stands twice.",
                                ids.get(i)));
            }
        }
    }

    private Instant time(String at, String time) {
        try {
            return OffsetDateTime.parse(time).toInstant();
        } catch (DateTimeException e) {
            problem(
                    at,
                    Text.of(
                            "night-format.is-no-time-write-date-time",
                            "\"{0}\" is no time; write date, time and offset, for instance 2026-11-29T21:00:00+00:00.",
                            time));
            return Instant.EPOCH;
        }
    }

    private void problem(String at, Text said) {
        problems.add(new Problem(at, said));
    }

    /**
     * A plan as it goes out.
     *
     * @param level on which it is not proved that nothing is better, the first; the last where it
     *     is on all
     * @param objective,bound,gapPercent of that level
     */
    @JsonInclude(JsonInclude.Include.ALWAYS)
    public record PlanDocument(
            String status,
            String level,
            double objective,
            double bound,
            double gapPercent,
            double seconds,
            List<LevelDocument> levels,
            List<TaskDocument> tasks,
            List<RestDocument> breaks,
            List<Plan.Water> water,
            List<String> critical,
            List<UnplacedDocument> unplaced) {
        /** One level of the objective. */
        public record LevelDocument(
                String level, double objective, double bound, double gapPercent, boolean proved) {}

        /** Where a task stands, in minutes from the beginning. */
        @JsonInclude(JsonInclude.Include.ALWAYS)
        public record TaskDocument(
                String id,
                List<String> people,
                @Nullable String place,
                int from,
                int to,
                boolean hands) {}

        /** When somebody has a break. */
        public record RestDocument(String person, int from, int to) {}

        /** What is left out, why, and what would make it fit. */
        public record UnplacedDocument(
                String id,
                boolean must,
                String reason,
                String price,
                TextDocument saidReason,
                TextDocument saidPrice) {}

        /** The document of a plan. */
        public static PlanDocument of(Plan p) {
            Plan.Level l = p.decisive();
            return new PlanDocument(
                    small(p.status()),
                    l == null ? "" : small(l.aim()),
                    l == null ? 0 : l.value(),
                    l == null ? 0 : l.bound(),
                    l == null ? 0 : rounded(l.gapPercent()),
                    Math.round(p.seconds() * 1000) / 1000.0,
                    p.levels().stream()
                            .map(
                                    x ->
                                            new LevelDocument(
                                                    small(x.aim()),
                                                    x.value(),
                                                    x.bound(),
                                                    rounded(x.gapPercent()),
                                                    x.proved()))
                            .toList(),
                    p.tasks().stream()
                            .map(
                                    t ->
                                            new TaskDocument(
                                                    t.id(),
                                                    t.people(),
                                                    t.place(),
                                                    t.from(),
                                                    t.to(),
                                                    t.hands()))
                            .toList(),
                    p.breaks().stream()
                            .map(r -> new RestDocument(r.person(), r.from(), r.to()))
                            .toList(),
                    p.water(),
                    p.critical(),
                    p.unplaced().stream()
                            .map(
                                    u ->
                                            new UnplacedDocument(
                                                    u.id(),
                                                    u.must(),
                                                    u.reason().sentence(),
                                                    u.price().sentence(),
                                                    TextDocument.of(u.reason()),
                                                    TextDocument.of(u.price())))
                            .toList());
        }

        /** The plan of a document, with its texts as they were written down. */
        public Plan plan() {
            return new Plan(
                    Plan.Status.valueOf(large(status)),
                    levels.stream()
                            .map(
                                    l ->
                                            new Plan.Level(
                                                    Plan.Aim.valueOf(large(l.level())),
                                                    l.objective(),
                                                    l.bound(),
                                                    l.proved()))
                            .toList(),
                    seconds,
                    tasks.stream()
                            .map(
                                    t ->
                                            new Plan.Placed(
                                                    t.id(),
                                                    t.people(),
                                                    t.place(),
                                                    t.from(),
                                                    t.to(),
                                                    t.hands()))
                            .toList(),
                    breaks.stream().map(r -> new Plan.Rest(r.person(), r.from(), r.to())).toList(),
                    water,
                    critical,
                    unplaced.stream()
                            .map(
                                    u ->
                                            new Plan.Unplaced(
                                                    u.id(),
                                                    u.must(),
                                                    orthopur.text.Text.plain(u.reason()),
                                                    orthopur.text.Text.plain(u.price())))
                            .toList());
        }

        private static String large(String name) {
            return name.toUpperCase(Locale.ROOT).replace('-', '_');
        }

        private static double rounded(double x) {
            return Math.round(x * 10) / 10.0;
        }

        private static String small(Enum<?> e) {
            return e.name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** The plan with every list in it, empty or not. */
    public static String write(Plan plan) {
        return Json.write(PlanDocument.of(plan));
    }
}
