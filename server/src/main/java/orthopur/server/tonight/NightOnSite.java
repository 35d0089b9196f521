package orthopur.server.tonight;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import orthopur.due.Due;
import orthopur.due.SiteDays;
import orthopur.due.SiteKnown;
import orthopur.night.CleanJobs;
import orthopur.night.Durations;
import orthopur.night.Night;
import orthopur.night.Plan;
import orthopur.night.SiteNight;
import orthopur.procedure.Step;
import orthopur.round.Role;
import orthopur.rules.lockout.OldEnough;
import orthopur.server.due.DueOnSite;
import orthopur.server.floor.SiteEntries;
import orthopur.server.machines.Premises;
import orthopur.server.people.Accounts;
import orthopur.server.people.Training;
import orthopur.server.procedures.Procedures;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;

/** The night of this site, out of what is due, who belongs to it and what was said. */
@Service
class NightOnSite {
    /** A tank as kitchens have it; a site that knows better says so. */
    private static final double TANK_LITRES = 400;

    private static final double TANK_KILOWATTS = 18;
    private static final double TANK_CELSIUS = 65;
    private static final double WATER = 4.186;
    private static final int QUARTER = 15;

    /** Where no shift is told, a night of eight hours. */
    private static final LocalTime EVENING = LocalTime.of(21, 0);

    private static final LocalTime MORNING = LocalTime.of(5, 0);

    /** So many rounds tell how long a clean takes; what is longer ago was another way of work. */
    private static final int ROUNDS_THAT_TELL = 30;

    private final DueOnSite due;
    private final Procedures procedures;
    private final Premises premises;
    private final Accounts accounts;
    private final Training training;
    private final SiteEntries entries;
    private final RoundsOfNights rounds;
    private final Clock clock;

    /** What is usual of a clean, until its next round is handed over. */
    private final Map<String, Told> told = new ConcurrentHashMap<>();

    NightOnSite(
            DueOnSite due,
            Procedures procedures,
            Premises premises,
            Accounts accounts,
            Training training,
            SiteEntries entries,
            RoundsOfNights rounds,
            Clock clock) {
        this.due = due;
        this.procedures = procedures;
        this.premises = premises;
        this.accounts = accounts;
        this.training = training;
        this.entries = entries;
        this.rounds = rounds;
        this.clock = clock;
    }

    /**
     * What the log tells of a clean.
     *
     * @param until the newest round that is in it
     */
    private record Told(String until, int version, Map<String, Durations.Usual> usual) {}

    /**
     * Something that was said, and by whom.
     *
     * @param holds whether the plan follows it; what is due on a machine that is wanted is not left
     *     out by saying so
     */
    record SaidBy(SiteNight.Said said, String who, long at, @Nullable String why, boolean holds) {}

    /** When a night begins and ends. */
    record When(LocalDate day, Instant from, Instant until) {
        int minutes() {
            return (int) Math.max(60, Duration.between(from, until).toMinutes());
        }

        int minute(Instant at) {
            return (int) Math.clamp(Duration.between(from, at).toMinutes(), 0, minutes());
        }
    }

    /**
     * A night of the site.
     *
     * @param cleans what is planned in it, and what is over
     * @param members who belongs to the site
     * @param said what was said about it, as it holds
     * @param usual by task, how long it takes by the log
     */
    record OnSite(
            When when,
            int now,
            List<SiteNight.Clean> cleans,
            List<SiteNight.Member> members,
            List<SaidBy> said,
            Map<String, Durations.Usual> usual,
            SiteNight.Standing standing) {
        Night night() {
            return standing.night();
        }
    }

    Instant now() {
        return clock.instant();
    }

    /** The night that is on, or the next. */
    When when() {
        SiteDays days = due.days();
        ZonedDateTime now = clock.instant().atZone(days.zone());
        // Until production begins again the night before is still on.
        LocalTime begins = days.shifts().isEmpty() ? MORNING : earliest(days);
        LocalDate day = now.toLocalDate();
        return night(now.toLocalTime().isBefore(begins) ? day.minusDays(1) : day);
    }

    /** The night that begins on a day. */
    When night(LocalDate day) {
        SiteDays days = due.days();
        LocalTime ends = days.shifts().isEmpty() ? EVENING : latest(days);
        LocalTime begins = days.shifts().isEmpty() ? MORNING : earliest(days);
        ZonedDateTime from = ZonedDateTime.of(day, ends, days.zone());
        ZonedDateTime until =
                ZonedDateTime.of(
                        ends.isBefore(begins) ? day : day.plusDays(1), begins, days.zone());
        return new When(day, from.toInstant(), until.toInstant());
    }

    /**
     * The night that is on, or the next.
     *
     * @param more what is asked about beside what was said
     * @param before the plan that people go by so far
     */
    OnSite night(List<SiteNight.Said> more, @Nullable Plan before) {
        When when = when();
        List<SiteNight.Round> under = rounds.of(when.from(), when.until());
        Map<String, Due> all = new LinkedHashMap<>();
        Set<String> dropped = new HashSet<>();
        List<SaidBy> said = new ArrayList<>();
        for (SaidBy s : said(when.day())) {
            if (s.said().what() == SiteNight.What.DROPPED) {
                dropped.add(s.said().subject());
            }
            said.add(s);
        }
        more.stream()
                .filter(s -> s.what() == SiteNight.What.DROPPED)
                .forEach(s -> dropped.add(s.subject()));
        Set<String> left = deepest(when.until(), dropped, all);
        said.replaceAll(
                s ->
                        s.said().what() == SiteNight.What.DROPPED
                                        && left.contains(s.said().subject())
                                ? new SaidBy(s.said(), s.who(), s.at(), s.why(), false)
                                : s);
        Set<String> ids = new TreeSet<>(all.keySet());
        under.forEach(r -> ids.add(r.procedure()));
        Map<String, Durations.Usual> usual = new HashMap<>();
        List<SiteNight.Clean> cleans = cleans(ids, usual);
        List<SiteNight.Member> members = members();
        Premises.Now site = premises.now();
        double mains = site.site().mains().temperature().celsius();
        List<SiteNight.Said> holds = new ArrayList<>(said.stream().map(SaidBy::said).toList());
        holds.addAll(more);
        holds.removeIf(s -> s.what() == SiteNight.What.DROPPED);
        int now = when.minute(clock.instant());
        SiteNight.Standing standing =
                SiteNight.of(
                        new SiteNight.Evening(
                                when.minutes(),
                                // By quarters of an hour: nobody is planned anew each minute.
                                now / QUARTER * QUARTER,
                                cleans,
                                members,
                                site.site().premises(TANK_CELSIUS),
                                new Night.Heater(
                                        TANK_LITRES,
                                        TANK_KILOWATTS * 60 / (WATER * (TANK_CELSIUS - mains))),
                                holds,
                                under,
                                before));
        Set<SiteNight.Said> not = new HashSet<>(standing.notKept());
        said.replaceAll(
                s ->
                        not.contains(s.said())
                                ? new SaidBy(s.said(), s.who(), s.at(), s.why(), false)
                                : s);
        return new OnSite(when, now, cleans, members, said, usual, standing);
    }

    private static LocalTime latest(SiteDays days) {
        return days.shifts().getLast().to();
    }

    private static LocalTime earliest(SiteDays days) {
        return days.shifts().getFirst().from();
    }

    /**
     * What is due before production, the deepest of each machine that is not left out; a machine
     * out of use waits.
     *
     * @param dropped procedures that are to be left out
     * @param into what is planned, by procedure
     * @return those that cannot be left out: nothing shallower is due on a machine that is wanted
     */
    private Set<String> deepest(Instant until, Set<String> dropped, Map<String, Due> into) {
        Map<String, List<Due>> byMachine = new TreeMap<>();
        for (Due d : due.list()) {
            boolean clean = SiteKnown.kindOf(d.task().id()) == SiteKnown.Kind.CLEAN;
            boolean falls =
                    d.state() == Due.State.DUE
                            || d.state() == Due.State.LATE
                            || d.state() == Due.State.MISSED
                            || (d.due() != null
                                    && d.due().isBefore(until)
                                    && d.state() != Due.State.BLOCKED);
            String machine = d.task().machine();
            if (clean && falls && machine != null && d.task().depth() != null) {
                byMachine.computeIfAbsent(machine, k -> new ArrayList<>()).add(d);
            }
        }
        Set<String> cannot = new HashSet<>();
        byMachine.forEach(
                (machine, all) -> {
                    all.sort(
                            Comparator.comparing(
                                            (Due d) -> Objects.requireNonNull(d.task().depth()))
                                    .reversed());
                    Due first =
                            all.stream()
                                    .filter(d -> !dropped.contains(d.task().id()))
                                    .findFirst()
                                    .orElse(null);
                    if (first == null) {
                        first = all.getLast();
                        cannot.add(first.task().id());
                    }
                    into.put(first.task().id(), first);
                });
        return cannot;
    }

    private List<SiteNight.Clean> cleans(Set<String> ids, Map<String, Durations.Usual> usual) {
        Map<String, String> last = rounds.lastHandedOver();
        List<SiteNight.Clean> all = new ArrayList<>();
        for (String id : ids) {
            Procedures.Approved p = procedures.approvedVersion(id);
            List<CleanJobs.Part> parts = asPlanned(p);
            Map<String, Durations.Usual> u = usual(p, parts, last.getOrDefault(id, ""));
            usual.putAll(u);
            all.add(clean(p, Durations.pace(parts, u)));
        }
        return all;
    }

    /** The tasks of a clean as its procedure plans them, whenever it is done. */
    List<CleanJobs.Part> asPlanned(Procedures.Approved p) {
        return whole(clean(p, Step::minutes));
    }

    private SiteNight.Clean clean(Procedures.Approved p, ToDoubleFunction<Step> pace) {
        return new SiteNight.Clean(
                p.procedure(),
                p.sheet(),
                true,
                premises.now().site().habits().secondPerson(p.procedure().kind()),
                OldEnough.concerns(p.sheet()),
                pace);
    }

    /** All tasks of a clean, whatever is done of it, whenever it is begun. */
    List<CleanJobs.Part> whole(SiteNight.Clean c) {
        Premises.Now site = premises.now();
        return CleanJobs.of(
                c.procedure(),
                c.sheet(),
                new CleanJobs.Wish(0, null, true, c.secondPerson(), c.adults(), c.pace()),
                site.site().premises(TANK_CELSIUS));
    }

    private Map<String, Durations.Usual> usual(
            Procedures.Approved p, List<CleanJobs.Part> parts, String newest) {
        String id = p.procedure().id();
        Told known = told.get(id);
        if (known == null || !known.until().equals(newest) || known.version() != p.version()) {
            known =
                    new Told(
                            newest,
                            p.version(),
                            newest.isEmpty()
                                    ? Map.of()
                                    : Durations.usual(parts, rounds.newest(id, ROUNDS_THAT_TELL)));
            told.put(id, known);
        }
        return known.usual();
    }

    private List<SiteNight.Member> members() {
        List<SiteNight.Member> all = new ArrayList<>();
        for (Accounts.AtTheMachine a : accounts.onTheFloor()) {
            Set<String> machines = new HashSet<>(training.of(a.account()));
            all.add(
                    new SiteNight.Member(
                            String.valueOf(a.account()),
                            a.name(),
                            machines,
                            accounts.ageUnder18(a.account()) == null,
                            a.role() == Role.CREW,
                            a.role().releases()));
        }
        return all;
    }

    /** What was said about a night and not taken back, the newest last. */
    private List<SaidBy> said(LocalDate day) {
        List<SaidBy> all = new ArrayList<>();
        for (SiteState.Known k : entries.state().newest().values()) {
            if (k.entry() instanceof SiteEntry.NightSaid s
                    && s.night().equals(day.toString())
                    && !s.undone()) {
                all.add(
                        new SaidBy(
                                new SiteNight.Said(
                                        SiteNight.What.valueOf(
                                                s.what()
                                                        .toUpperCase(Locale.ROOT)
                                                        .replace('-', '_')),
                                        s.subject(),
                                        s.minute()),
                                k.who(),
                                k.at(),
                                s.why(),
                                true));
            }
        }
        all.sort(Comparator.comparingLong(SaidBy::at));
        return all;
    }
}
