package orthopur.formats;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.due.Due;
import orthopur.due.Known;
import orthopur.due.SiteDays;
import orthopur.due.Task;
import orthopur.machine.Frequency;
import orthopur.machine.Interval;
import orthopur.machine.Problem;
import orthopur.text.Text;
import tools.jackson.databind.JsonNode;

/** What is known of tasks and the past as JSON, and what is due as JSON. */
public final class DueFormat {
    private final List<Problem> problems = new ArrayList<>();

    private DueFormat() {}

    private record File(
            Days days,
            List<MachineFile> machines,
            List<TaskFile> tasks,
            List<DoneFile> done,
            List<UseFile> uses,
            List<CountFile> counts,
            List<SeenFile> signs,
            List<EventFile> events,
            List<MissedFile> missed) {}

    private record Days(
            String zone, @Nullable String begins, List<HoursFile> shifts, List<HoursFile> meals) {}

    private record HoursFile(String name, String from, String to) {}

    private record MachineFile(String code, @Nullable Double clockHours, List<OutFile> out) {}

    private record OutFile(String from, @Nullable String to, String why) {}

    private record TaskFile(
            String id,
            @Nullable String machine,
            String name,
            Interval interval,
            @Nullable Frequency depth,
            Task.@Nullable Risk risk,
            @Nullable String from,
            @Nullable String blocked) {}

    private record DoneFile(String task, @Nullable String begun, @Nullable String finished) {}

    private record UseFile(String machine, String from, @Nullable String to) {}

    private record CountFile(
            String machine, String counter, double value, String at, @Nullable Boolean replaced) {}

    private record SeenFile(String machine, String sign, @Nullable Boolean there, String at) {}

    private record EventFile(String machine, String event, String at) {}

    private record MissedFile(String task, String at, String why, @Nullable String who) {}

    /**
     * @throws FormatError with every error by pointer: a field out of its range, a time without
     *     offset, a task that stands twice or is not there, an end before its beginning
     */
    public static Known read(String text) {
        JsonNode tree = Json.tree(text);
        DueFormat f = new DueFormat();
        Known known = f.known(Documents.bind("due", tree, File.class));
        if (known == null || !f.problems.isEmpty()) {
            throw new FormatError(f.problems);
        }
        return known;
    }

    private @Nullable Known known(File file) {
        SiteDays days = days(file.days());
        Set<String> ids = new HashSet<>();
        List<Task> tasks = new ArrayList<>();
        each(
                file.tasks(),
                "/tasks",
                (at, t) -> {
                    if (!ids.add(t.id())) {
                        problem(
                                at + "/id",
                                Text.of(
                                        "due-format.the-task-stands-twice",
                                        "The task \"{0}\" stands twice.",
                                        t.id()));
                    }
                    interval(at + "/interval", t.interval());
                    tasks.add(
                            new Task(
                                    t.id(),
                                    t.machine(),
                                    t.name(),
                                    t.interval(),
                                    t.depth(),
                                    Objects.requireNonNullElse(t.risk(), Task.Risk.REST),
                                    maybe(at + "/from", t.from()),
                                    t.blocked()));
                });
        List<Known.Machine> machines = new ArrayList<>();
        each(file.machines(), "/machines", (at, m) -> machines.add(machine(at, m)));
        List<Known.Done> done = new ArrayList<>();
        each(
                file.done(),
                "/done",
                (at, d) -> {
                    there(ids, at + "/task", d.task());
                    Instant begun = maybe(at + "/begun", d.begun());
                    Instant finished = maybe(at + "/finished", d.finished());
                    if (d.begun() == null && d.finished() == null) {
                        problem(
                                at,
                                Text.of(
                                        "due-format.say-when-it-was-begun-or",
                                        "Say when it was begun, or when it was finished."));
                    }
                    order(at + "/finished", begun, finished);
                    done.add(new Known.Done(d.task(), begun, finished));
                });
        List<Known.Use> uses = new ArrayList<>();
        each(
                file.uses(),
                "/uses",
                (at, u) -> {
                    Instant from = time(at + "/from", u.from());
                    Instant to = maybe(at + "/to", u.to());
                    order(at + "/to", from, to);
                    uses.add(new Known.Use(u.machine(), from, to));
                });
        List<Known.Count> counts = new ArrayList<>();
        each(
                file.counts(),
                "/counts",
                (at, c) ->
                        counts.add(
                                new Known.Count(
                                        c.machine(),
                                        c.counter(),
                                        c.value(),
                                        time(at + "/at", c.at()),
                                        Boolean.TRUE.equals(c.replaced()))));
        List<Known.Seen> signs = new ArrayList<>();
        each(
                file.signs(),
                "/signs",
                (at, s) ->
                        signs.add(
                                new Known.Seen(
                                        s.machine(),
                                        s.sign(),
                                        !Boolean.FALSE.equals(s.there()),
                                        time(at + "/at", s.at()))));
        List<Known.Happened> events = new ArrayList<>();
        each(
                file.events(),
                "/events",
                (at, e) ->
                        events.add(
                                new Known.Happened(
                                        e.machine(), e.event(), time(at + "/at", e.at()))));
        List<Known.Missed> missed = new ArrayList<>();
        each(
                file.missed(),
                "/missed",
                (at, m) -> {
                    there(ids, at + "/task", m.task());
                    missed.add(
                            new Known.Missed(m.task(), time(at + "/at", m.at()), m.why(), m.who()));
                });
        return days == null
                ? null
                : new Known(days, machines, tasks, done, uses, counts, signs, events, missed);
    }

    private Known.Machine machine(String at, MachineFile m) {
        List<Known.Out> out = new ArrayList<>();
        each(
                m.out(),
                at + "/out",
                (place, o) -> {
                    Instant from = time(place + "/from", o.from());
                    Instant to = maybe(place + "/to", o.to());
                    order(place + "/to", from, to);
                    out.add(new Known.Out(from, to, o.why()));
                });
        return new Known.Machine(
                m.code(),
                m.clockHours() == null ? null : Duration.ofMinutes(Math.round(m.clockHours() * 60)),
                out);
    }

    private @Nullable SiteDays days(Days d) {
        if (!ZoneId.getAvailableZoneIds().contains(d.zone())) {
            problem(
                    "/days/zone",
                    Text.of(
                            "due-format.there-is-no-time-zone-for",
                            "There is no time zone \"{0}\"; for instance Europe/London.",
                            d.zone()));
            return null;
        }
        return new SiteDays(
                ZoneId.of(d.zone()),
                d.begins() == null ? LocalTime.MIDNIGHT : LocalTime.parse(d.begins()),
                hours(d.shifts()),
                hours(d.meals()));
    }

    private static List<SiteDays.Hours> hours(List<HoursFile> all) {
        return all.stream()
                .map(
                        h ->
                                new SiteDays.Hours(
                                        h.name(),
                                        LocalTime.parse(h.from()),
                                        LocalTime.parse(h.to())))
                .toList();
    }

    private void interval(String at, Interval i) {
        if (i.count() != null && i.counter() == null) {
            problem(
                    at + "/counter",
                    Text.of(
                            "due-format.say-which-counter-reaches",
                            "Say which counter reaches {0}.",
                            i.count()));
        }
        for (String on : i.on()) {
            if (!on.matches("(?i)(mon|tues|wednes|thurs|fri|satur|sun)day|[1-9]|[12][0-9]|3[01]")) {
                problem(
                        at + "/on",
                        Text.of(
                                "due-format.is-no-day-monday-to-sunday",
                                "\"{0}\" is no day: monday to sunday, or 1 to 31 of the month.",
                                on));
            }
        }
    }

    private void there(Set<String> ids, String at, String task) {
        if (!ids.contains(task)) {
            problem(at, Text.of("due-format.there-is-no-task", "There is no task \"{0}\".", task));
        }
    }

    private void order(String at, @Nullable Instant from, @Nullable Instant to) {
        if (from != null && to != null && to.isBefore(from)) {
            problem(
                    at,
                    Text.of("due-format.it-ends-before-it-begins", "It ends before it begins."));
        }
    }

    private @Nullable Instant maybe(String at, @Nullable String time) {
        return time == null ? null : time(at, time);
    }

    /** A wrong time is said, and stands for nothing: the file is refused. */
    private Instant time(String at, String time) {
        try {
            return moment(time);
        } catch (DateTimeException e) {
            problem(
                    at,
                    Text.of(
                            "due-format.is-no-time-write-date-time",
                            "\"{0}\" is no time; write date, time and offset, for instance 2026-03-29T01:30:00+00:00.",
                            time));
            return Instant.EPOCH;
        }
    }

    /**
     * A time as people write it down.
     *
     * @throws DateTimeException when it is none, or has no offset
     */
    public static Instant moment(String time) {
        return OffsetDateTime.parse(time).toInstant();
    }

    private void problem(String at, Text said) {
        problems.add(new Problem(at, said));
    }

    private interface Each<T> {
        void take(String at, T one);
    }

    private static <T> void each(@Nullable List<T> all, String at, Each<T> each) {
        for (int i = 0; all != null && i < all.size(); i++) {
            each.take(at + "/" + i, all.get(i));
        }
    }

    /** What is due, with times in the site's zone. */
    @JsonInclude(JsonInclude.Include.ALWAYS)
    public record DueDocument(String at, List<One> tasks) {
        /**
         * One task.
         *
         * @param because in English; {@code said} is the same with id and arguments
         */
        public record One(
                String task,
                @Nullable String machine,
                String name,
                Due.State state,
                Task.Risk risk,
                @Nullable String since,
                @Nullable String due,
                @Nullable String late,
                @Nullable String by,
                boolean needsReason,
                String because,
                TextDocument said) {}

        /** The document of a list. */
        public static DueDocument of(List<Due> all, Instant at, ZoneId zone) {
            return new DueDocument(
                    shown(at, zone),
                    all.stream()
                            .map(
                                    d ->
                                            new One(
                                                    d.task().id(),
                                                    d.task().machine(),
                                                    d.task().name(),
                                                    d.state(),
                                                    d.task().risk(),
                                                    orNull(d.since(), zone),
                                                    orNull(d.due(), zone),
                                                    orNull(d.late(), zone),
                                                    d.by(),
                                                    d.needsReason(),
                                                    d.because().sentence(),
                                                    TextDocument.of(d.because())))
                            .toList());
        }

        private static @Nullable String orNull(@Nullable Instant at, ZoneId zone) {
            return at == null ? null : shown(at, zone);
        }

        private static String shown(Instant at, ZoneId zone) {
            return DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(
                    at.atZone(zone).toOffsetDateTime());
        }
    }

    public static String write(List<Due> all, Instant at, ZoneId zone) {
        return Json.write(DueDocument.of(all, at, zone));
    }
}
