package orthopur.server.release;

import static orthopur.db.Tables.MACHINE_USE;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import orthopur.db.tables.records.MachineUseRecord;
import orthopur.db.tables.records.RoundRecord;
import orthopur.machine.MachineSheet;
import orthopur.quantity.Show;
import orthopur.roundpack.Progress;
import orthopur.roundpack.ReadingJudge;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.server.floor.Replay;
import orthopur.server.floor.RoundLog;
import orthopur.server.floor.Rounds;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Person;
import orthopur.server.platform.Bell;
import orthopur.server.platform.Said;
import orthopur.timing.FoodContactClock;

/**
 * Where every machine stands. What nobody has said is not clean: a machine without a released round
 * since it was last in use is dirty.
 */
@Service
class Board {
    private static final Set<String> CLEANS =
            Set.of("Wash", "Sanitize", "Circulate", "Run program");

    private final DSLContext db;
    private final Rounds rounds;
    private final RoundLog log;
    private final Sheets sheets;
    private final Clock clock;
    private final Bell bell;

    Board(DSLContext db, Rounds rounds, RoundLog log, Sheets sheets, Clock clock, Bell bell) {
        this.db = db;
        this.rounds = rounds;
        this.log = log;
        this.sheets = sheets;
        this.clock = clock;
        this.bell = bell;
    }

    /** How a machine stands. */
    enum Standing {
        IN_USE,
        DIRTY,
        CLEANING,
        WAITING,
        RELEASED,
        HELD
    }

    /**
     * @param since,until epoch milliseconds; until when it may be used, or a conditional release
     *     holds
     * @param waits what it waits for, in plain words
     * @param phase,done,steps how far its round is
     * @param alarms what a supervisor has to know at once, in plain words
     */
    record Machine(
            String code,
            String name,
            Standing standing,
            @Nullable Long since,
            @Nullable Long until,
            boolean over,
            String waits,
            @Nullable String round,
            @Nullable String title,
            @Nullable String who,
            @Nullable String phase,
            int done,
            int steps,
            List<Running> timers,
            List<Progress.Lock> locks,
            int troubles,
            int differences,
            List<String> alarms) {}

    /** A soak or other time that runs; {@code ends} in epoch milliseconds. */
    record Running(String name, long ends) {}

    List<Machine> machines() {
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
                            use.get(sheet.code())));
        }
        return all;
    }

    private Machine machine(
            MachineSheet sheet, @Nullable Replay r, @Nullable MachineUseRecord used) {
        long now = clock.millis();
        Long until = null;
        Long since;
        String waits;
        Standing standing;
        Progress.State s = r == null ? null : r.progress().state();
        Long released = s == null || s.statusAt() == null ? null : s.statusAt() * 1000;
        if (r != null && s != null && s.status() == Progress.Status.OPEN) {
            standing = Standing.CLEANING;
            since = r.round().getStartedAt();
            boolean runs = timersOf(r, s).stream().anyMatch(t -> t.ends() > now);
            waits = runs ? "for a time to run out" : "";
        } else if (s != null && heldByDanger(s)) {
            // Whatever it is used for: what came in late may have hurt somebody, or will.
            standing = Standing.HELD;
            since = released;
            waits = "for a new look: a danger was reported after the hand-over";
        } else if (used != null && (released == null || used.getAt() >= released)) {
            standing = used.getKind().equals("in-use") ? Standing.IN_USE : Standing.DIRTY;
            since = used.getAt();
            waits = standing == Standing.DIRTY ? "to be cleaned: " + used.getNote() : "";
            if (standing == Standing.IN_USE && sheet.temperatureControlledFood()) {
                double hours =
                        new FoodContactClock(sheets.surroundings().context().book())
                                .hours(sheet.roomTemperature());
                until = used.getAt() + Math.round(hours * 3_600_000);
                waits = "to be cleaned by then";
            }
        } else if (r == null || s == null) {
            standing = Standing.DIRTY;
            since = null;
            waits = "to be cleaned: nothing is known of it";
        } else if (s.status() == Progress.Status.WAITING) {
            standing = Standing.WAITING;
            since = released;
            waits = "for somebody else to look and release";
        } else if (!cleans(r)) {
            standing = Standing.DIRTY;
            since = released;
            waits = "to be cleaned: its last round was no clean";
        } else {
            until = s.until() == null ? null : s.until() * 1000;
            standing = until != null && until < now ? Standing.HELD : Standing.RELEASED;
            since = released;
            waits =
                    standing == Standing.HELD
                            ? "for its full release: the time is over"
                            : until == null ? "" : "for its full release";
        }
        return row(sheet, r, s, standing, since, until, until != null && until < now, waits);
    }

    /** Oiling and sharpening are rounds as well, and leave the machine as dirty as it was. */
    private static boolean cleans(Replay r) {
        return r.pack().steps().stream().anyMatch(x -> CLEANS.contains(x.verb()));
    }

    private static Machine row(
            MachineSheet sheet,
            @Nullable Replay r,
            Progress.@Nullable State s,
            Standing standing,
            @Nullable Long since,
            @Nullable Long until,
            boolean over,
            String waits) {
        PackStep current = r == null ? null : r.progress().current();
        return new Machine(
                sheet.code(),
                sheet.name(),
                standing,
                since,
                until,
                over,
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
                r == null || s == null || standing != Standing.CLEANING
                        ? List.of()
                        : timersOf(r, s),
                s == null ? List.of() : s.locks(),
                s == null || s.status() == Progress.Status.RELEASED ? 0 : s.troubles().size(),
                r == null ? 0 : r.differences().size(),
                r == null || s == null || (s.status() != Progress.Status.OPEN && !heldByDanger(s))
                        ? List.of()
                        : alarms(r, s));
    }

    private static boolean heldByDanger(Progress.State s) {
        return s.status() == Progress.Status.WAITING && s.troubles().stream().anyMatch(Board::late);
    }

    private static boolean late(Progress.TroubleState t) {
        return Boolean.TRUE.equals(t.late());
    }

    /** A reading that is not in as it stands, and what may have hurt somebody. */
    private static List<String> alarms(Replay r, Progress.State s) {
        List<String> all = new ArrayList<>();
        for (PackStep step : r.pack().steps()) {
            Progress.ReadingState read = s.readings().get(step.id());
            if (read != null && read.outcome() != ReadingJudge.Outcome.IN) {
                all.add(
                        "Step %d: %s mg/L at %s °C is %s. %s"
                                .formatted(
                                        step.number(),
                                        Show.number(read.strength()),
                                        Show.number(read.temperature()),
                                        read.outcome() == ReadingJudge.Outcome.OUT
                                                ? "not in"
                                                : "too close to call",
                                        read.corrected()
                                                ? "Something was done; it is to be read again."
                                                : "Nothing was done about it yet."));
            }
        }
        for (Progress.TroubleState t : s.troubles()) {
            if (t.kind().hurts() && (s.status() == Progress.Status.OPEN || late(t))) {
                all.add(
                        "%s: %s, said by %s."
                                .formatted(
                                        r.pack().troubles().stream()
                                                .filter(x -> x.kind() == t.kind())
                                                .map(RoundPack.Trouble::title)
                                                .findFirst()
                                                .orElse(t.kind().name()),
                                        t.text(),
                                        t.who()));
            }
        }
        return all;
    }

    /** Times that still run or are up and not yet answered. */
    private static List<Running> timersOf(Replay r, Progress.State s) {
        List<Running> running = new ArrayList<>();
        for (PackStep step : r.pack().steps()) {
            Long started = s.timers().get(step.id());
            boolean collected =
                    r.pack().steps().stream()
                            .anyMatch(
                                    x ->
                                            step.id().equals(x.waitsFor())
                                                    && s.done().contains(x.id()));
            boolean contactOver =
                    step.timer() != null && step.timer().contact() && s.done().contains(step.id());
            if (started != null && step.timer() != null && !collected && !contactOver) {
                running.add(
                        new Running(
                                step.timer().name(), (started + step.timer().seconds()) * 1000));
            }
        }
        return running;
    }

    /**
     * Production begins, or something made the machine dirty.
     *
     * @throws Said when it may not be used: it is not released
     */
    synchronized void use(String code, String kind, String note, Person person) {
        Machine m =
                machines().stream()
                        .filter(x -> x.code().equals(code))
                        .findFirst()
                        .orElseThrow(() -> Said.notFound("There is no machine " + code + "."));
        if (!kind.equals("in-use") && !kind.equals("dirty")) {
            throw Said.conflict("A machine is taken into use or made dirty, not \"" + kind + "\".");
        }
        if (kind.equals("in-use") && m.standing() != Standing.RELEASED) {
            throw Said.conflict(
                    "%s is not released, so production does not start on it.".formatted(code));
        }
        if (m.standing() == Standing.CLEANING) {
            throw Said.conflict(code + " is being cleaned.");
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
