package orthopur.server.due;

import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.min;
import static orthopur.db.Tables.ACCOUNT;
import static orthopur.db.Tables.MACHINE_USE;
import static orthopur.db.Tables.PROCEDURE_VERSION;
import static orthopur.db.Tables.ROUND;
import static orthopur.db.Tables.TRAINING;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import orthopur.chemical.ChemicalKind;
import orthopur.due.Due;
import orthopur.due.DueList;
import orthopur.due.Known;
import orthopur.due.LineClean;
import orthopur.due.Running;
import orthopur.due.SiteDays;
import orthopur.due.SiteKnown;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.server.floor.SiteEntries;
import orthopur.server.machines.Premises;
import orthopur.server.machines.Sheets;
import orthopur.server.procedures.Procedures;
import orthopur.timing.FoodContactClock;

/** What is known of this site for the list of what is due. */
@Service
public class DueOnSite {
    private final DSLContext db;
    private final Procedures procedures;
    private final Sheets sheets;
    private final Premises premises;
    private final SiteEntries entries;
    private final Clock clock;

    DueOnSite(
            DSLContext db,
            Procedures procedures,
            Sheets sheets,
            Premises premises,
            SiteEntries entries,
            Clock clock) {
        this.db = db;
        this.procedures = procedures;
        this.sheets = sheets;
        this.premises = premises;
        this.entries = entries;
        this.clock = clock;
    }

    /** The days of this site. */
    public SiteDays days() {
        return premises.now().site().days();
    }

    Instant now() {
        return clock.instant();
    }

    /** Every task, as it stands now. */
    public List<Due> list() {
        return DueList.at(known(), now());
    }

    /** What runs out, soonest first. */
    List<Running> running() {
        return Running.at(
                known(),
                sheets.all(),
                entries.state(),
                premises.now().context().book(),
                lineCleans(),
                now());
    }

    private List<LineClean> lineCleans() {
        Map<String, ChemicalKind> kinds = new HashMap<>();
        premises.now().chemicals().forEach(c -> kinds.put(c.id(), c.kind()));
        return procedures.allApproved().stream()
                .filter(a -> !a.sheet().passages().isEmpty())
                .flatMap(a -> LineClean.of(a.procedure(), a.sheet(), kinds::get))
                .toList();
    }

    List<DueList.Ahead> ahead(LocalDate until) {
        return DueList.ahead(known(), now(), until);
    }

    /** All that is known of the past, as the list of what is due takes it. */
    Known known() {
        Premises.Now site = premises.now();
        List<MachineSheet> all = sheets.all();
        Map<String, Duration> clocks = new HashMap<>();
        FoodContactClock clockOnFood = new FoodContactClock(site.context().book());
        for (MachineSheet s : all) {
            if (s.temperatureControlledFood()) {
                clocks.put(
                        s.code(),
                        Duration.ofMinutes(
                                Math.round(clockOnFood.hours(s.roomTemperature()) * 60)));
            }
        }
        List<SiteKnown.Round> rounds = rounds();
        return SiteKnown.of(
                site.site().days(),
                all,
                clocks,
                approved(),
                rounds,
                uses(),
                site.site().instruments(),
                (int) site.context().book().number("instrument.check-every"),
                trained(),
                (int) site.context().book().number("training.days"),
                entries.state());
    }

    private List<SiteKnown.Approved> approved() {
        Map<String, Long> since = new HashMap<>();
        db.select(PROCEDURE_VERSION.PROCEDURE_ID, PROCEDURE_VERSION.APPROVED_AT)
                .from(PROCEDURE_VERSION)
                .where(PROCEDURE_VERSION.STATE.eq("APPROVED"))
                .forEach(r -> since.put(r.value1(), r.value2()));
        return procedures.approvedForWhatIsFitted().stream()
                .map(
                        p ->
                                new SiteKnown.Approved(
                                        p.id(),
                                        p.machine(),
                                        p.title(),
                                        Frequency.valueOf(
                                                p.kind()
                                                        .toUpperCase(Locale.ROOT)
                                                        .replace('-', '_')),
                                        at(since.get(p.id()))))
                .toList();
    }

    /** Those who are still here; of several machines the one that was longest ago counts. */
    private List<SiteKnown.Trained> trained() {
        return db.select(ACCOUNT.ID, ACCOUNT.NAME, min(TRAINING.AT))
                .from(ACCOUNT)
                .join(TRAINING)
                .on(TRAINING.ACCOUNT_ID.eq(ACCOUNT.ID))
                .where(ACCOUNT.LEFT_AT.isNull())
                .groupBy(ACCOUNT.ID, ACCOUNT.NAME)
                .orderBy(ACCOUNT.NAME)
                .fetch(
                        r ->
                                new SiteKnown.Trained(
                                        String.valueOf(r.value1()),
                                        r.value2(),
                                        Instant.ofEpochMilli(r.value3())));
    }

    /** The newest finished round of each procedure, and what is still open. */
    private List<SiteKnown.Round> rounds() {
        List<SiteKnown.Round> all = new ArrayList<>();
        db.select(ROUND.PROCEDURE_ID, max(ROUND.CLOSED_AT))
                .from(ROUND)
                .where(ROUND.CLOSED_AT.isNotNull())
                .groupBy(ROUND.PROCEDURE_ID)
                .forEach(
                        r -> {
                            Instant closed = Instant.ofEpochMilli(r.value2());
                            all.add(new SiteKnown.Round(r.value1(), closed, closed));
                        });
        db.select(ROUND.PROCEDURE_ID, ROUND.STARTED_AT)
                .from(ROUND)
                .where(ROUND.CLOSED_AT.isNull())
                .forEach(
                        r ->
                                all.add(
                                        new SiteKnown.Round(
                                                r.value1(),
                                                Instant.ofEpochMilli(r.value2()),
                                                null)));
        return all;
    }

    /** From the beginning of production on a machine to the next round, which ends it. */
    private List<Known.Use> uses() {
        Map<String, TreeMap<Long, Long>> began = new HashMap<>();
        db.select(ROUND.MACHINE, ROUND.STARTED_AT)
                .from(ROUND)
                .forEach(
                        r ->
                                began.computeIfAbsent(r.value1(), k -> new TreeMap<>())
                                        .put(r.value2(), r.value2()));
        List<Known.Use> all = new ArrayList<>();
        db.selectFrom(MACHINE_USE)
                .where(MACHINE_USE.KIND.eq("in-use"))
                .orderBy(MACHINE_USE.SEQ)
                .forEach(
                        u -> {
                            TreeMap<Long, Long> rounds = began.get(u.getMachine());
                            Long end = rounds == null ? null : rounds.higherKey(u.getAt());
                            all.add(
                                    new Known.Use(
                                            u.getMachine(),
                                            Instant.ofEpochMilli(u.getAt()),
                                            at(end)));
                        });
        return all;
    }

    private static @Nullable Instant at(@Nullable Long millis) {
        return millis == null ? null : Instant.ofEpochMilli(millis);
    }
}
