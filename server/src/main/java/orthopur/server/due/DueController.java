package orthopur.server.due;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import orthopur.due.Due;
import orthopur.due.DueList;
import orthopur.due.Running;
import orthopur.due.SiteKnown;
import orthopur.due.Task;
import orthopur.formats.TextDocument;
import orthopur.machine.Frequency;
import orthopur.machine.Interval;
import orthopur.round.Role;
import orthopur.server.people.Person;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Otherwise;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/** What is due, what falls due on which day, and the same for a calendar outside. */
@RestController
@MayUse
@RequestMapping("/api/due")
class DueController {
    private final DueOnSite due;
    private final CalendarAddresses addresses;

    DueController(DueOnSite due, CalendarAddresses addresses) {
        this.due = due;
        this.addresses = addresses;
    }

    /**
     * How one task stands. Times are epoch milliseconds.
     *
     * @param task its id; of a clean it is that of its procedure
     * @param depth how deep a clean it is
     * @param since when it was last done
     * @param by the deeper task that took it along
     * @param sign,counter what somebody has to look for, or read, so that it can be told
     */
    record DueTask(
            String task,
            SiteKnown.Kind kind,
            @Nullable String machine,
            String name,
            @Nullable Frequency depth,
            Due.State state,
            Task.Risk risk,
            @Nullable Long since,
            @Nullable Long due,
            @Nullable Long late,
            @Nullable String by,
            boolean needsReason,
            TextDocument because,
            @Nullable String sign,
            @Nullable String counter) {
        static DueTask of(Due d) {
            Interval i = d.task().interval();
            return new DueTask(
                    d.task().id(),
                    SiteKnown.kindOf(d.task().id()),
                    d.task().machine(),
                    d.task().name(),
                    d.task().depth(),
                    d.state(),
                    d.task().risk(),
                    millis(d.since()),
                    millis(d.due()),
                    millis(d.late()),
                    d.by(),
                    d.needsReason(),
                    TextDocument.of(d.because()),
                    i.sign(),
                    i.counter());
        }

        private static @Nullable Long millis(@Nullable Instant at) {
            return at == null ? null : at.toEpochMilli();
        }
    }

    /**
     * The whole list, the gravest first.
     *
     * @param today day of the site
     */
    record DueNow(long now, String today, List<DueTask> tasks) {}

    @GetMapping
    DueNow now() {
        Instant now = due.now();
        return new DueNow(
                now.toEpochMilli(),
                due.days().dayOf(now).toString(),
                due.list().stream().map(DueTask::of).toList());
    }

    /**
     * Something that runs out.
     *
     * @param subject code of a machine, or id of a vessel
     * @param end epoch milliseconds; absent where nobody has written down until when
     * @param used whether the machine is in use although it has
     * @param atZero what has to be done then
     */
    record RunningOut(
            Running.Kind kind,
            String rule,
            String subject,
            @Nullable Long end,
            boolean over,
            boolean used,
            TextDocument what,
            TextDocument atZero) {}

    /** Product kept, machines that stand clean, lines, solutions: what runs out, soonest first. */
    @GetMapping("/running")
    List<RunningOut> running() {
        Instant now = due.now();
        return due.running().stream()
                .map(
                        r ->
                                new RunningOut(
                                        r.kind(),
                                        r.rule(),
                                        r.subject(),
                                        r.end() == null ? null : r.end().toEpochMilli(),
                                        r.over(now),
                                        r.used(),
                                        TextDocument.of(r.what()),
                                        TextDocument.of(r.then())))
                .toList();
    }

    /**
     * One time that a task falls due.
     *
     * @param day of the site
     * @param takes names of the shallower cleans that it does as well
     */
    record DueAhead(
            String day,
            String task,
            SiteKnown.Kind kind,
            @Nullable String machine,
            String name,
            @Nullable Frequency depth,
            Task.Risk risk,
            List<String> takes) {}

    /** What falls due up to a day, at most 400 days ahead. */
    @GetMapping("/ahead")
    List<DueAhead> ahead(@RequestParam String until) {
        return due.ahead(day(until)).stream()
                .map(
                        a ->
                                new DueAhead(
                                        a.day().toString(),
                                        a.task().id(),
                                        SiteKnown.kindOf(a.task().id()),
                                        a.task().machine(),
                                        a.task().name(),
                                        a.task().depth(),
                                        a.task().risk(),
                                        a.takes().stream().map(Task::name).toList()))
                .toList();
    }

    private static LocalDate day(String until) {
        try {
            return LocalDate.parse(until);
        } catch (DateTimeException e) {
            throw Said.conflict(
                    Text.of(
                            "due-controller.is-no-day",
                            "\"{0}\" is no day; write it as 2026-03-29.",
                            until));
        }
    }

    /** An address by which a calendar outside takes what is due; it is shown this once. */
    record CalendarAddress(String path) {}

    @PostMapping("/calendar")
    CalendarAddress make(@AuthenticationPrincipal Person person) {
        return new CalendarAddress("/api/due/calendar/" + addresses.make(person) + ".ics");
    }

    /** Who has such addresses. */
    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.CALENDARS)
    @GetMapping("/calendar")
    List<CalendarAddresses.Made> made() {
        return addresses.all();
    }

    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.CALENDARS)
    @DeleteMapping("/calendar/{id}")
    List<CalendarAddresses.Made> withdraw(@PathVariable int id) {
        addresses.withdraw(id);
        return addresses.all();
    }

    /** The next 90 days for a calendar; whoever knows the address reads it, and nothing else. */
    @MayUse(anybody = true)
    @GetMapping("/calendar/{token}.ics")
    ResponseEntity<String> calendar(@PathVariable String token) {
        addresses.vouchFor(token);
        Instant now = due.now();
        ZoneId zone = due.days().zone();
        List<DueList.Ahead> all = due.ahead(now.atZone(zone).toLocalDate().plusDays(90));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/calendar;charset=UTF-8"))
                .body(Calendar.of(all.stream().map(Calendar::of).toList(), now));
    }
}
