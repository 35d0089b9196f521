package orthopur.server.release;

import static orthopur.db.Tables.MACHINE_USE;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import orthopur.db.tables.records.MachineUseRecord;
import orthopur.db.tables.records.RoundRecord;
import orthopur.machine.MachineSheet;
import orthopur.quantity.Show;
import orthopur.round.Standing;
import orthopur.round.State;
import orthopur.roundpack.ReadingJudge;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.server.floor.Replay;
import orthopur.server.floor.RoundLog;
import orthopur.server.floor.Rounds;
import orthopur.server.floor.SiteEntries;
import orthopur.server.machines.Premises;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Person;
import orthopur.server.platform.Bell;
import orthopur.server.platform.Said;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;
import orthopur.text.Text;
import orthopur.timing.FoodContactClock;

/**
 * Where every machine stands. What nobody has said is not clean: a machine without a released round
 * since it was last in use is dirty.
 */
@Service
public class Board {
    private final DSLContext db;
    private final Rounds rounds;
    private final RoundLog log;
    private final Sheets sheets;
    private final Premises premises;
    private final SiteEntries entries;
    private final Clock clock;
    private final Bell bell;

    Board(
            DSLContext db,
            Rounds rounds,
            RoundLog log,
            Sheets sheets,
            Premises premises,
            SiteEntries entries,
            Clock clock,
            Bell bell) {
        this.db = db;
        this.rounds = rounds;
        this.log = log;
        this.sheets = sheets;
        this.premises = premises;
        this.entries = entries;
        this.clock = clock;
        this.bell = bell;
    }

    /**
     * @param since,until epoch milliseconds; until when it may be used, or a conditional release
     *     holds
     * @param waits what it waits for; null where it waits for nothing
     * @param phase,done,steps how far its round is
     * @param alarms what a supervisor has to know at once
     */
    record Machine(
            String code,
            String name,
            String room,
            Standing.Where standing,
            @Nullable Long since,
            @Nullable Long until,
            boolean over,
            @Nullable Text waits,
            @Nullable String round,
            @Nullable String title,
            @Nullable String who,
            @Nullable String phase,
            int done,
            int steps,
            List<Standing.Running> timers,
            List<State.Lock> locks,
            int troubles,
            int differences,
            List<Text> alarms,
            @Nullable OutOfUse out) {}

    /**
     * A machine that is out of use.
     *
     * @param since epoch milliseconds
     */
    record OutOfUse(long since, String why, String who) {}

    List<Machine> machines() {
        SiteState site = entries.state();
        Map<String, RoundRecord> newest = new HashMap<>();
        log.newest().forEach(r -> newest.put(r.getMachine(), r));
        Map<String, MachineUseRecord> use = new HashMap<>();
        db.selectFrom(MACHINE_USE)
                .orderBy(MACHINE_USE.SEQ)
                .fetch()
                .forEach(u -> use.put(u.getMachine(), u));
        List<Machine> all = new ArrayList<>();
        for (MachineSheet sheet : sheets.all()) {
            Optional<RoundRecord> open = rounds.openRound(sheet.code());
            RoundRecord last = open.orElse(newest.get(sheet.code()));
            all.add(
                    machine(
                            sheet,
                            last == null ? null : rounds.load(last.getId()),
                            use.get(sheet.code()),
                            out(site, sheet.code())));
        }
        return all;
    }

    private Machine machine(
            MachineSheet sheet,
            @Nullable Replay r,
            @Nullable MachineUseRecord used,
            @Nullable OutOfUse out) {
        Standing.Round round =
                r == null
                        ? null
                        : new Standing.Round(
                                r.pack(), r.progress().state(), r.round().getStartedAt());
        Standing.Use use =
                used == null
                        ? null
                        : new Standing.Use(
                                used.getKind().equals("in-use"), used.getNote(), used.getAt());
        Standing stands = Standing.of(round, use, longestUse(sheet), clock.millis());
        return row(sheet, r, round, stands, words(stands.waits(), use), out);
    }

    private static @Nullable OutOfUse out(SiteState site, String machine) {
        SiteState.Known k = site.newest().get(new SiteEntry.OutOfUse(machine, true, "", 0).about());
        return k != null && k.entry() instanceof SiteEntry.OutOfUse o && o.out()
                ? new OutOfUse(o.at(), o.why(), k.who())
                : null;
    }

    /** Milliseconds after which food that needs cold has to be off it; null without a limit. */
    private @Nullable Long longestUse(MachineSheet sheet) {
        if (!sheet.temperatureControlledFood()) {
            return null;
        }
        double hours =
                new FoodContactClock(premises.now().context().book())
                        .hours(sheet.roomTemperature());
        return Math.round(hours * 3_600_000);
    }

    private static @Nullable Text words(Standing.Waits waits, Standing.@Nullable Use use) {
        return switch (waits) {
            case NOTHING -> null;
            case A_TIME -> Text.of("board.waits.time", "waiting for a time to run out");
            case NEW_LOOK ->
                    Text.of(
                            "board.waits.new-look",
                            "waiting for a new inspection: a danger was reported after the hand-over");
            case CLEANING ->
                    Text.of(
                            "board.waits.cleaning",
                            "waiting for cleaning: {0}",
                            use == null ? "" : use.note());
            case CLEANING_BY_THEN -> Text.of("board.waits.by-then", "to be cleaned by then");
            case FIRST_CLEANING ->
                    Text.of(
                            "board.waits.no-record",
                            "waiting for cleaning; last cleaned: no record");
            case A_CLEAN ->
                    Text.of(
                            "board.waits.no-clean",
                            "waiting for cleaning: its last round was no clean");
            case A_LOOK ->
                    Text.of(
                            "board.waits.look",
                            "waiting for inspection and release by somebody else");
            case FULL_RELEASE -> Text.of("board.waits.full", "waiting for its full release");
            case OVERDUE_RELEASE ->
                    Text.of(
                            "board.waits.overdue",
                            "waiting for its full release: the time is over");
        };
    }

    private static Machine row(
            MachineSheet sheet,
            @Nullable Replay r,
            Standing.@Nullable Round round,
            Standing stands,
            @Nullable Text waits,
            @Nullable OutOfUse out) {
        State s = round == null ? null : round.state();
        PackStep current = r == null ? null : r.progress().current();
        boolean open = s != null && s.status() == State.Status.OPEN;
        return new Machine(
                sheet.code(),
                sheet.name(),
                sheet.room(),
                stands.where(),
                stands.since(),
                stands.until(),
                stands.over(),
                waits,
                r == null ? null : r.round().getId(),
                r == null ? null : r.pack().title(),
                r == null
                        ? null
                        : r.round().getClosedBy() == null
                                ? r.round().getStartedBy()
                                : r.round().getClosedBy(),
                current == null ? null : current.phase(),
                s == null ? 0 : s.done().size(),
                r == null ? 0 : r.pack().steps().size(),
                round == null || !open ? List.of() : Standing.running(round.pack(), round.state()),
                s == null ? List.of() : s.locks(),
                s == null || s.status() == State.Status.RELEASED ? 0 : s.troubles().size(),
                r == null ? 0 : r.differences().size(),
                r == null || s == null || !(open || s.heldByDanger()) ? List.of() : alarms(r, s),
                out);
    }

    private static boolean late(State.TroubleState t) {
        return Boolean.TRUE.equals(t.late());
    }

    /** A reading that is not in as it stands, and what may have hurt somebody. */
    private static List<Text> alarms(Replay r, State s) {
        List<Text> all = new ArrayList<>();
        for (PackStep step : r.pack().steps()) {
            State.ReadingState read = s.readings().get(step.id());
            if (read != null && read.outcome() != ReadingJudge.Outcome.IN) {
                all.add(
                        Text.of(
                                "board.alarm.reading",
                                "Step {0}: {1} mg/L at {2} °C: {3}. {4}",
                                step.number(),
                                Show.number(read.strength()),
                                Show.number(read.temperature()),
                                read.outcome() == ReadingJudge.Outcome.OUT
                                        ? Text.of("board.alarm.out", "out of range")
                                        : Text.of("board.alarm.cannot-tell", "can’t tell"),
                                read.corrected()
                                        ? Text.of(
                                                "board.alarm.corrected",
                                                "Corrected; read it again.")
                                        : Text.of(
                                                "board.alarm.not-corrected",
                                                "No corrective action yet.")));
            }
        }
        for (State.TroubleState t : s.troubles()) {
            if (t.kind().hurts() && (s.status() == State.Status.OPEN || late(t))) {
                all.add(
                        Text.of(
                                "board.alarm.trouble",
                                "{0}: {1}, said by {2}.",
                                r.pack().title(t.kind()),
                                t.text(),
                                t.who()));
            }
        }
        return all;
    }

    /**
     * Production begins, or something made the machine dirty.
     *
     * @throws Said when it may not be used: it is not released
     */
    public synchronized void use(String code, String kind, String note, Person person) {
        Machine m =
                machines().stream()
                        .filter(x -> x.code().equals(code))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        Said.notFound(
                                                Text.of(
                                                        "board.there-is-no-machine",
                                                        "There is no machine {0}.",
                                                        code)));
        if (!kind.equals("in-use") && !kind.equals("dirty")) {
            throw Said.conflict(
                    Text.of(
                            "board.a-machine-is-taken-into",
                            "A machine is taken into use or made dirty, not \"{0}\".",
                            kind));
        }
        if (kind.equals("in-use") && m.out() != null) {
            throw Said.conflict(
                    Text.of(
                            "board.is-out-of-use",
                            "{0} is out of use ({1}); a supervisor or quality puts it back into service first.",
                            code,
                            m.out().why()));
        }
        if (kind.equals("in-use") && m.standing() != Standing.Where.RELEASED) {
            throw Said.conflict(
                    Text.of(
                            "board.is-not-released-so-production",
                            "{0} is not released, so production does not start on it.",
                            code));
        }
        if (m.standing() == Standing.Where.CLEANING) {
            throw Said.conflict(Text.of("board.is-being-cleaned", "{0} is being cleaned.", code));
        }
        db.insertInto(MACHINE_USE)
                .set(MACHINE_USE.MACHINE, code)
                .set(MACHINE_USE.KIND, kind)
                .set(MACHINE_USE.NOTE, note)
                .set(MACHINE_USE.WHO, person.name())
                .set(MACHINE_USE.AT, clock.millis())
                .execute();
        bell.ring(code);
    }
}
