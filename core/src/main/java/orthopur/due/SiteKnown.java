package orthopur.due;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.instrument.Instrument;
import orthopur.machine.Frequency;
import orthopur.machine.Interval;
import orthopur.machine.Kit;
import orthopur.machine.MachineSheet;
import orthopur.machine.Upkeep;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;

/** What a site knows, out of its sheets, what it has approved, its rounds and its stream. */
public final class SiteKnown {
    private static final String UPKEEP = "/upkeep/";
    private static final String KIT = "/kit/";
    private static final String CHECK = "check/";

    private SiteKnown() {}

    /**
     * A procedure in force.
     *
     * @param at since when
     */
    public record Approved(
            String id, String machine, String title, Frequency kind, @Nullable Instant at) {}

    /**
     * A round.
     *
     * @param handedOver null while somebody is at it
     */
    public record Round(String procedure, Instant began, @Nullable Instant handedOver) {}

    /**
     * Somebody who cleans, and when they were last trained at a machine.
     *
     * @param person stable id
     */
    public record Trained(String person, String name, Instant at) {}

    /**
     * All of it.
     *
     * @param clocks how long each machine may be used from the first touch of food on; none where
     *     the 4 hours hold
     * @param uses from the beginning of production on a machine to the clean that ended it
     * @param checkDays for how many days a check of an instrument with a display holds
     * @param trainingDays for how many days training holds
     */
    public static Known of(
            SiteDays days,
            List<MachineSheet> sheets,
            Map<String, Duration> clocks,
            List<Approved> approved,
            List<Round> rounds,
            List<Known.Use> uses,
            List<Instrument> instruments,
            int checkDays,
            List<Trained> trained,
            int trainingDays,
            SiteState state) {
        List<Task> tasks = new ArrayList<>();
        List<Known.Machine> machines = new ArrayList<>();
        List<Known.Done> done = new ArrayList<>();
        for (Approved a : approved) {
            if (a.kind() != Frequency.EVENT) {
                tasks.add(
                        new Task(
                                a.id(),
                                a.machine(),
                                a.title(),
                                every(a.kind()),
                                a.kind(),
                                Task.Risk.FOOD,
                                a.at(),
                                null));
            }
        }
        for (MachineSheet s : sheets) {
            machines.add(new Known.Machine(s.code(), clocks.get(s.code()), out(state, s.code())));
            s.upkeep().forEach(u -> tasks.add(upkeep(s, u)));
            for (Kit k : s.kits()) {
                if (k.life() != null) {
                    tasks.add(kit(s, k, k.life(), state));
                }
            }
        }
        for (Instrument i : instruments) {
            if (!i.usedUp()) {
                tasks.add(
                        new Task(
                                CHECK + i.id(),
                                null,
                                i.name(),
                                days(checkDays),
                                null,
                                Task.Risk.FOOD,
                                null,
                                null));
            }
        }
        for (Trained t : trained) {
            String id = SiteEntry.TaskDone.TRAINING + t.person();
            tasks.add(
                    new Task(
                            id,
                            null,
                            t.name(),
                            days(trainingDays),
                            null,
                            Task.Risk.PEOPLE,
                            null,
                            null));
            done.add(new Known.Done(id, null, t.at()));
        }
        rounds.forEach(r -> done.add(new Known.Done(r.procedure(), r.began(), r.handedOver())));
        List<Known.Count> counts = new ArrayList<>();
        List<Known.Seen> signs = new ArrayList<>();
        List<Known.Happened> events = new ArrayList<>();
        List<Known.Missed> missed = new ArrayList<>();
        for (SiteState.Known k : state.newest().values()) {
            switch (k.entry()) {
                case SiteEntry.TaskDone e -> done.add(new Known.Done(e.task(), null, at(e.at())));
                case SiteEntry.KitFitted e ->
                        done.add(new Known.Done(kitTask(e.machine(), e.kit()), null, at(e.at())));
                case SiteEntry.InstrumentChecked e ->
                        done.add(new Known.Done(CHECK + e.instrument(), null, at(e.at())));
                case SiteEntry.TaskLetGo e ->
                        missed.add(new Known.Missed(e.task(), at(e.at()), e.why(), k.who()));
                case SiteEntry.CountRead e ->
                        counts.add(
                                new Known.Count(
                                        e.machine(),
                                        e.counter(),
                                        e.value(),
                                        at(e.at()),
                                        e.replaced()));
                case SiteEntry.SignSeen e ->
                        signs.add(new Known.Seen(e.machine(), e.sign(), e.there(), at(e.at())));
                case SiteEntry.EventSaid e ->
                        events.add(new Known.Happened(e.machine(), e.event(), at(e.at())));
                default -> {}
            }
        }
        return new Known(days, machines, tasks, done, uses, counts, signs, events, missed);
    }

    /** How many of a kit are left on the shelf; null where nobody has counted. */
    public static @Nullable Integer left(SiteState state, String machine, String kit) {
        SiteState.Known counted = state.spares(machine, kit);
        if (counted == null || !(counted.entry() instanceof SiteEntry.SparesCounted c)) {
            return null;
        }
        long fitted =
                state.newest().values().stream()
                        .filter(k -> k.at() > counted.at())
                        .filter(
                                k ->
                                        k.entry() instanceof SiteEntry.KitFitted f
                                                && f.machine().equals(machine)
                                                && f.kit().equals(kit))
                        .count();
        return (int) Math.max(0, c.count() - fitted);
    }

    /** The id of the task to fit a kit. */
    public static String kitTask(String machine, String kit) {
        return machine + KIT + kit;
    }

    private static Task upkeep(MachineSheet s, Upkeep u) {
        return new Task(
                s.code() + UPKEEP + u.id(),
                s.code(),
                u.name(),
                u.interval(),
                null,
                u.lockout() || u.qualified() ? Task.Risk.PEOPLE : Task.Risk.PRODUCTION,
                null,
                null);
    }

    private static Task kit(MachineSheet s, Kit k, Interval life, SiteState state) {
        Integer left = left(state, s.code(), k.id());
        return new Task(
                kitTask(s.code(), k.id()),
                s.code(),
                k.name(),
                life,
                null,
                Task.Risk.PRODUCTION,
                null,
                left != null && left == 0 ? "none is left on the shelf" : null);
    }

    private static List<Known.Out> out(SiteState state, String machine) {
        SiteState.Known k =
                state.newest().get(new SiteEntry.OutOfUse(machine, true, "", 0).about());
        return k != null && k.entry() instanceof SiteEntry.OutOfUse o && o.out()
                ? List.of(new Known.Out(at(o.at()), null, o.why()))
                : List.of();
    }

    static Interval every(Frequency f) {
        return new Interval(f, null, null, null, List.of(), null, null, null, null, null);
    }

    private static Interval days(int n) {
        return new Interval(null, n, null, null, List.of(), null, null, null, null, null);
    }

    private static Instant at(long millis) {
        return Instant.ofEpochMilli(millis);
    }

    /** What a task is about, out of its id. */
    public static Kind kindOf(String task) {
        if (task.startsWith(SiteEntry.TaskDone.TRAINING)) {
            return Kind.TRAINING;
        }
        return task.startsWith(CHECK)
                ? Kind.CHECK
                : task.contains(UPKEEP) ? Kind.UPKEEP : task.contains(KIT) ? Kind.KIT : Kind.CLEAN;
    }

    /** What kind of work a task is. */
    public enum Kind {
        CLEAN,
        UPKEEP,
        /** Wear parts that are replaced. */
        KIT,
        /** An instrument that is held to a standard. */
        CHECK,
        /** Somebody's training that is gone through again; the task is named after them. */
        TRAINING
    }
}
