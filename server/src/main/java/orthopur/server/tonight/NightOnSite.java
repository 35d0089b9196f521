package orthopur.server.tonight;

import static orthopur.db.Tables.ROUND;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import orthopur.due.Due;
import orthopur.due.SiteDays;
import orthopur.due.SiteKnown;
import orthopur.machine.Vessel;
import orthopur.night.Night;
import orthopur.night.SiteNight;
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

    /** Where no shift is told, a night of eight hours. */
    private static final LocalTime EVENING = LocalTime.of(21, 0);

    private static final LocalTime MORNING = LocalTime.of(5, 0);

    private final DueOnSite due;
    private final Procedures procedures;
    private final Premises premises;
    private final Accounts accounts;
    private final Training training;
    private final SiteEntries entries;
    private final DSLContext db;
    private final Clock clock;

    NightOnSite(
            DueOnSite due,
            Procedures procedures,
            Premises premises,
            Accounts accounts,
            Training training,
            SiteEntries entries,
            DSLContext db,
            Clock clock) {
        this.due = due;
        this.procedures = procedures;
        this.premises = premises;
        this.accounts = accounts;
        this.training = training;
        this.entries = entries;
        this.db = db;
        this.clock = clock;
    }

    /**
     * A night of the site.
     *
     * @param day on which it begins
     * @param from,until when it begins and ends
     * @param cleans what is planned in it
     * @param members who belongs to the site
     * @param said what was said about it, as it holds
     */
    record OnSite(
            LocalDate day,
            Instant from,
            Instant until,
            List<SiteNight.Clean> cleans,
            List<SiteNight.Member> members,
            List<SiteNight.Said> said,
            Night night) {}

    Instant now() {
        return clock.instant();
    }

    /**
     * The night that is on, or the next.
     *
     * @param more what is asked about beside what was said
     */
    OnSite night(List<SiteNight.Said> more) {
        SiteDays days = due.days();
        ZonedDateTime now = clock.instant().atZone(days.zone());
        LocalTime ends = days.shifts().isEmpty() ? EVENING : latest(days);
        LocalTime begins = days.shifts().isEmpty() ? MORNING : earliest(days);
        // Until production begins again the night before is still on.
        LocalDate day = now.toLocalDate();
        if (now.toLocalTime().isBefore(begins)) {
            day = day.minusDays(1);
        }
        ZonedDateTime from = ZonedDateTime.of(day, ends, days.zone());
        ZonedDateTime until =
                ZonedDateTime.of(
                        ends.isBefore(begins) ? day : day.plusDays(1), begins, days.zone());
        int minutes = (int) Math.max(60, Duration.between(from, until).toMinutes());
        List<SiteNight.Said> said = new ArrayList<>(said(day));
        said.addAll(rounds(from.toInstant(), minutes));
        said.addAll(more);
        List<SiteNight.Clean> cleans = cleans(until.toInstant());
        List<SiteNight.Member> members = members();
        Premises.Now site = premises.now();
        List<Vessel> vessels = site.site().vessels() == null ? List.of() : site.site().vessels();
        double mains = site.site().mains().temperature().celsius();
        Night night =
                SiteNight.of(
                        minutes,
                        cleans,
                        members,
                        vessels,
                        new Night.Heater(
                                TANK_LITRES,
                                TANK_KILOWATTS * 60 / (WATER * (TANK_CELSIUS - mains))),
                        TANK_CELSIUS,
                        mains,
                        said);
        return new OnSite(day, from.toInstant(), until.toInstant(), cleans, members, said, night);
    }

    private static LocalTime latest(SiteDays days) {
        return days.shifts().getLast().to();
    }

    private static LocalTime earliest(SiteDays days) {
        return days.shifts().getFirst().from();
    }

    /** What is due before production, the deepest of each machine; a machine out of use waits. */
    private List<SiteNight.Clean> cleans(Instant until) {
        Map<String, Due> deepest = new HashMap<>();
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
            if (!clean || !falls || machine == null || d.task().depth() == null) {
                continue;
            }
            Due other = deepest.get(machine);
            if (other == null
                    || other.task().depth() == null
                    || other.task().depth().compareTo(d.task().depth()) < 0) {
                deepest.put(machine, d);
            }
        }
        List<SiteNight.Clean> all = new ArrayList<>();
        deepest.values().stream()
                .map(d -> d.task().id())
                .sorted()
                .forEach(
                        id -> {
                            Procedures.Approved p = procedures.approvedVersion(id);
                            all.add(
                                    new SiteNight.Clean(
                                            p.procedure(),
                                            p.sheet(),
                                            true,
                                            premises.now()
                                                    .site()
                                                    .habits()
                                                    .secondPerson(p.procedure().kind()),
                                            OldEnough.concerns(p.sheet()),
                                            1));
                        });
        return all;
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

    /** What was said about a night and not taken back. */
    private List<SiteNight.Said> said(LocalDate day) {
        List<SiteNight.Said> all = new ArrayList<>();
        for (SiteState.Known k : entries.state().newest().values()) {
            if (k.entry() instanceof SiteEntry.NightSaid s
                    && s.night().equals(day.toString())
                    && !s.undone()) {
                all.add(
                        new SiteNight.Said(
                                SiteNight.What.valueOf(
                                        s.what().toUpperCase(Locale.ROOT).replace('-', '_')),
                                s.subject(),
                                s.minute()));
            }
        }
        return all;
    }

    /** What was begun and finished since the night began; the plan follows by itself. */
    private List<SiteNight.Said> rounds(Instant from, int minutes) {
        List<SiteNight.Said> all = new ArrayList<>();
        db.select(ROUND.PROCEDURE_ID, ROUND.STARTED_AT, ROUND.CLOSED_AT)
                .from(ROUND)
                .where(ROUND.STARTED_AT.ge(from.minus(Duration.ofHours(1)).toEpochMilli()))
                .orderBy(ROUND.STARTED_AT)
                .forEach(
                        r -> {
                            int at = (int) Math.max(0, (r.value2() - from.toEpochMilli()) / 60_000);
                            if (at < minutes) {
                                all.add(
                                        new SiteNight.Said(
                                                r.value3() == null
                                                        ? SiteNight.What.BEGUN
                                                        : SiteNight.What.FINISHED,
                                                r.value1(),
                                                at));
                            }
                        });
        return all;
    }
}
