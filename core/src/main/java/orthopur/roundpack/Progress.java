package orthopur.roundpack;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import orthopur.mixing.Interval;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Temperature;
import orthopur.roundpack.ReadingJudge.Outcome;
import orthopur.roundpack.Refused.Why;
import orthopur.roundpack.RoundPack.Ask;
import orthopur.roundpack.RoundPack.CheckPlan;
import orthopur.roundpack.RoundPack.Instrument;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.Piece;
import orthopur.roundpack.RoundPack.ReworkPlan;
import orthopur.roundpack.RoundPack.Tally;
import orthopur.roundpack.RoundPack.Trouble;

/**
 * How far a round is: the fold of its entries. An entry that does not fit is refused with a plain
 * sentence and changes nothing. Times are epoch seconds and come with the entry; there is no clock.
 *
 * <p>The tablet has the same fold, so that it can go on without signal. It knows no rule: whatever
 * is judged here was put into the pack. Golden vectors hold both to the same answers.
 */
public final class Progress {
    private final RoundPack pack;
    private final Map<String, Long> done = new LinkedHashMap<>();
    private final Set<String> off = new LinkedHashSet<>();
    private final Map<String, Long> timers = new LinkedHashMap<>();
    private final Map<String, ReadingState> readings = new TreeMap<>();
    private final Map<String, Map<String, Outcome>> checks = new TreeMap<>();
    private final Map<String, Set<String>> confirmed = new TreeMap<>();
    private final List<Lock> locks = new ArrayList<>();
    private final List<TroubleState> troubles = new ArrayList<>();
    private final Map<String, Set<String>> redo = new TreeMap<>();
    private final Set<String> deviated = new TreeSet<>();
    private final Map<String, Long> readAt = new HashMap<>();
    private final ReleasePhase release;
    private int furthest;

    public Progress(RoundPack pack) {
        this.pack = pack;
        this.release = new ReleasePhase(strict());
    }

    private boolean strict() {
        return pack.format() >= 1;
    }

    /** Where a round stands between the first step and production. */
    public enum Status {
        OPEN,
        /** Handed over; somebody else looks before production may start. */
        WAITING,
        RELEASED,
        /** Released until a time. */
        CONDITIONAL
    }

    /**
     * The last reading of a step.
     *
     * @param corrected whether something was done since a reading that was not in
     */
    public record ReadingState(
            double strength,
            double temperature,
            ReadingJudge.Outcome outcome,
            String advice,
            boolean corrected) {}

    /** A lock that is on. */
    public record Lock(String energy, String lock, String who, long at) {}

    /**
     * Something that went wrong in this round.
     *
     * @param late whether it came in after the round was handed over; null when it did not
     */
    public record TroubleState(
            Trouble.Kind kind,
            @Nullable String item,
            String text,
            String step,
            String who,
            long at,
            @Nullable Boolean late) {}

    /** The last finding at a site of the release. */
    public record ProofState(
            @Nullable Double value, @Nullable String unit, boolean passed, String who) {}

    /**
     * All of it at one moment.
     *
     * @param current id of the step that comes next; null once all are done
     * @param timers epoch seconds at which each timer was started, by step
     * @param deviated steps that are done otherwise than written
     * @param redo steps that are done again, each with the parts that it concerns
     * @param statusAt epoch seconds since when it stands so; null while it was never handed over
     * @param until epoch seconds at which a conditional release ends
     * @param plan what has to be found before it is released; null until it is handed over, and in
     *     rounds from before it was written down
     */
    public record State(
            @Nullable String current,
            List<String> done,
            List<String> off,
            Map<String, Long> timers,
            Map<String, ReadingState> readings,
            Map<String, Map<String, Outcome>> checks,
            Map<String, List<String>> confirmed,
            List<Lock> locks,
            List<TroubleState> troubles,
            Map<String, List<String>> redo,
            List<String> deviated,
            Map<String, ProofState> proofs,
            Status status,
            @Nullable Long statusAt,
            @Nullable Long until,
            @Nullable List<ReleaseSite> plan) {}

    /** A copy of how far it is. */
    public State state() {
        PackStep current = current();
        Map<String, Map<String, Outcome>> made = new TreeMap<>();
        checks.forEach((step, own) -> made.put(step, new TreeMap<>(own)));
        return new State(
                current == null ? null : current.id(),
                List.copyOf(done.keySet()),
                List.copyOf(off),
                new TreeMap<>(timers),
                new TreeMap<>(readings),
                made,
                lists(confirmed),
                List.copyOf(locks),
                List.copyOf(troubles),
                lists(redo),
                List.copyOf(deviated),
                release.proofs(),
                release.status(),
                release.statusAt(),
                release.until(),
                release.plan());
    }

    private static Map<String, List<String>> lists(Map<String, Set<String>> sets) {
        Map<String, List<String>> lists = new TreeMap<>();
        sets.forEach((key, own) -> lists.put(key, List.copyOf(own)));
        return lists;
    }

    /**
     * Takes an entry in of which nothing is known but who made it.
     *
     * @see #accept(Entry, long, Actor)
     */
    public void accept(Entry entry, long at, String who) {
        accept(entry, at, Actor.named(who));
    }

    /**
     * Takes an entry in.
     *
     * @param at epoch seconds
     * @param actor who made it
     * @throws Refused when it does not fit; nothing has changed then
     * @throws OutOfRange for a figure outside its domain
     */
    public void accept(Entry entry, long at, Actor actor) {
        String who = actor.name();
        permitted(entry, actor);
        PackStep step = step(entry.step());
        inTime(entry, step);
        switch (entry) {
            case Entry.PieceMoved e -> {
                ownLock(step, who);
                piece(step, e);
            }
            case Entry.TimerStarted e -> {
                if (step.timer() == null) {
                    throw new Refused(Why.NO_TIMER, step.number());
                }
                ownLock(step, who);
                // Starting twice (a double tap, a resend) must not shorten or lengthen the time.
                timers.putIfAbsent(step.id(), notBeforeTheReading(step, at));
            }
            case Entry.ContactBroken e -> {
                if (step.timer() == null || !step.timer().contact()) {
                    throw new Refused(Why.NO_TIMER, step.number());
                }
                timers.remove(step.id());
            }
            case Entry.ReadingTaken e -> reading(step, e, at);
            case Entry.CorrectiveAction e -> corrective(step, e);
            case Entry.CheckMade e -> check(step, e);
            case Entry.Confirmed e -> confirm(step, e);
            case Entry.LockMoved e -> lock(step, e, at, who);
            case Entry.TroubleSaid e -> trouble(e, at, who);
            case Entry.PhotoTaken e -> {}
            case Entry.Deviation e -> {
                if (e.reason().isBlank()) {
                    throw new Refused(Why.SAY_WHAT);
                }
                deviated.add(step.id());
            }
            case Entry.StepDone e -> {
                ownLock(step, who);
                finish(step, at);
            }
            case Entry.RoundClosed e -> close(at);
            case Entry.ReleasePlanned e -> release.planned(e);
            case Entry.Proof e -> release.prove(e, actor);
            case Entry.Released e -> release.release(e, at, actor);
            case Entry.SentBack e -> sendBack(e, at);
            case Entry.Correction e -> {
                if (e.text().isBlank()) {
                    throw new Refused(Why.SAY_WHAT);
                }
            }
        }
        if (!(entry instanceof Entry.Afterwards)) {
            worked(actor);
        }
    }

    /** Somebody did work in this round, be it by an entry that was kept and does not count. */
    public void worked(Actor actor) {
        release.worked(actor.person());
    }

    /** By whom an entry may be made, and whether it has to be signed. */
    private void permitted(Entry entry, Actor actor) {
        if (strict() && actor.role() != null) {
            byRole(entry, actor.name(), actor.role());
            if (signed(entry) && !actor.signed()) {
                throw new Refused(Why.NOT_SIGNED);
            }
        }
    }

    /**
     * @throws Refused when nobody in this role makes an entry of this kind, signed or not
     */
    public static void byRole(Entry entry, String name, Role role) {
        switch (entry) {
            case Entry.ReleasePlanned e -> {}
            case Entry.Afterwards e -> {
                if (!role.releases()) {
                    throw new Refused(Why.NOT_YOURS, name, "quality and supervisors");
                }
            }
            default -> {
                if (!role.carriesOut()) {
                    throw new Refused(Why.NOT_YOURS, name, "crew and supervisors");
                }
                if (anothersLock(entry) && role != Role.SUPERVISOR) {
                    throw new Refused(Why.NOT_YOURS, name, "a supervisor");
                }
            }
        }
    }

    /** Whether an entry has to be signed with the PIN of the one who makes it. */
    public static boolean signed(Entry entry) {
        return switch (entry) {
            case Entry.RoundClosed e -> true;
            case Entry.Released e -> true;
            case Entry.SentBack e -> true;
            case Entry.Correction e -> true;
            default -> anothersLock(entry);
        };
    }

    private static boolean anothersLock(Entry entry) {
        return entry instanceof Entry.LockMoved e && !e.on() && e.reason() != null;
    }

    /** Whether an entry of this kind can be made now, and at this step. */
    private void inTime(Entry entry, PackStep step) {
        if (entry instanceof Entry.Correction) {
            return;
        }
        if (entry instanceof Entry.Afterwards) {
            release.inTime();
            return;
        }
        if (closed()) {
            if (strict() && entry instanceof Entry.TroubleSaid e && e.kind().hurts()) {
                return;
            }
            throw new Refused(Why.CLOSED);
        }
        boolean anywhere =
                entry instanceof Entry.RoundClosed
                        || entry instanceof Entry.LockMoved
                        || entry instanceof Entry.TroubleSaid
                        || entry instanceof Entry.PhotoTaken;
        PackStep current = current();
        if (!anywhere && current != null && !current.id().equals(step.id())) {
            throw done.containsKey(step.id())
                    ? new Refused(Why.ALREADY_DONE, step.number())
                    : new Refused(Why.COMES_FIRST, current.number());
        }
    }

    /** Contact with a solution counts from its reading on, whatever a tablet's clock says. */
    private long notBeforeTheReading(PackStep step, long at) {
        Long read = strict() ? readAt.get(step.id()) : null;
        return read == null ? at : Math.max(at, read);
    }

    /** Everybody with hands in the machine has a lock of their own on what is locked. */
    private void ownLock(PackStep step, String who) {
        if (!step.hands()) {
            return;
        }
        for (Lock l : locks) {
            if (locks.stream()
                    .noneMatch(x -> x.energy().equals(l.energy()) && x.who().equals(who))) {
                throw new Refused(Why.OWN_LOCK, who, energyName(l.energy()));
            }
        }
    }

    private void confirm(PackStep step, Entry.Confirmed e) {
        Ask ask =
                step.asks().stream()
                        .filter(a -> a.id().equals(e.ask()))
                        .findFirst()
                        .orElseThrow(() -> new Refused(Why.NO_ASK, step.number(), e.ask()));
        if (ask.kind() == Ask.Kind.LOCK) {
            throw new Refused(Why.NO_LOCK_NUMBER);
        }
        if ((ask.kind() == Ask.Kind.UNLOCK || ask.kind() == Ask.Kind.RESTORE)
                && locked(ask.item())) {
            throw new Refused(Why.STILL_LOCKED, lockNames(ask.item()));
        }
        confirmed.computeIfAbsent(step.id(), k -> new LinkedHashSet<>()).add(ask.id());
    }

    private boolean locked(String energy) {
        return locks.stream().anyMatch(l -> l.energy().equals(energy));
    }

    private String lockNames(String energy) {
        return String.join(
                ", ",
                locks.stream()
                        .filter(l -> l.energy().equals(energy))
                        .map(l -> l.lock() + " (" + l.who() + ")")
                        .toList());
    }

    private Stream<Ask> asks(Ask.Kind kind, String energy) {
        return pack.steps().stream()
                .flatMap(s -> s.asks().stream())
                .filter(a -> a.kind() == kind && a.item().equals(energy));
    }

    private String energyName(String energy) {
        return asks(Ask.Kind.LOCK, energy).map(Ask::name).findFirst().orElse(energy);
    }

    private void lock(PackStep step, Entry.LockMoved e, long at, String who) {
        if (asks(Ask.Kind.LOCK, e.energy()).findAny().isEmpty()) {
            throw new Refused(Why.NO_ENERGY, e.energy());
        }
        if (e.lock().isBlank()) {
            throw new Refused(Why.NO_LOCK_NUMBER);
        }
        Lock there =
                locks.stream()
                        .filter(l -> l.energy().equals(e.energy()) && l.lock().equals(e.lock()))
                        .findFirst()
                        .orElse(null);
        if (e.on()) {
            if (there != null) {
                throw new Refused(Why.LOCK_ON, e.lock(), energyName(e.energy()));
            }
            PackStep current = current();
            boolean now =
                    current != null
                            && current.asks().stream()
                                    .anyMatch(
                                            a ->
                                                    a.kind() == Ask.Kind.LOCK
                                                            && a.item().equals(e.energy()));
            if (!now && !locked(e.energy())) {
                throw new Refused(Why.COMES_FIRST, current == null ? "" : current.number());
            }
            locks.add(new Lock(e.energy(), e.lock(), who, at));
            return;
        }
        if (there == null) {
            throw new Refused(Why.NO_LOCK, e.lock(), energyName(e.energy()));
        }
        if (e.reason() == null && !there.who().equals(who)) {
            throw new Refused(Why.NOT_YOUR_LOCK, e.lock(), there.who());
        }
        stayLocked(e.energy());
        locks.remove(there);
    }

    /**
     * The last lock comes off where the procedure takes it off; an earlier one when its owner
     * leaves.
     */
    private void stayLocked(String energy) {
        boolean last = locks.stream().filter(l -> l.energy().equals(energy)).count() == 1;
        PackStep current = current();
        if (!last || current == null) {
            return;
        }
        for (PackStep s : pack.steps().subList(current.number() - 1, pack.steps().size())) {
            boolean here =
                    s.asks().stream()
                            .anyMatch(a -> a.kind() == Ask.Kind.UNLOCK && a.item().equals(energy));
            if (here) {
                if (s != current) {
                    throw new Refused(Why.NOT_YET, s.number());
                }
                return;
            }
        }
    }

    private void trouble(Entry.TroubleSaid e, long at, String who) {
        Trouble plan =
                pack.troubles().stream()
                        .filter(t -> t.kind() == e.kind())
                        .findFirst()
                        .orElseThrow(() -> new Refused(Why.NO_ASK, "", e.kind()));
        if (plan.about() != Trouble.About.NOTHING && e.item() == null) {
            throw new Refused(Why.NAME_THE_PART);
        }
        if (plan.about() != Trouble.About.NOTHING) {
            reworkOf(e.item());
        }
        if (closed()) {
            troubles.add(new TroubleState(e.kind(), e.item(), e.text(), e.step(), who, at, true));
            release.hold(at);
            return;
        }
        troubles.add(new TroubleState(e.kind(), e.item(), e.text(), e.step(), who, at, null));
        again(plan.redo(), List.of());
        if (plan.about() == Trouble.About.A_PART_TO_REDO) {
            rework(e.item());
        }
    }

    private ReworkPlan reworkOf(@Nullable String item) {
        return pack.rework().stream()
                .filter(r -> r.item().equals(item))
                .findFirst()
                .orElseThrow(() -> new Refused(Why.NO_PART, String.valueOf(item)));
    }

    private void rework(@Nullable String item) {
        ReworkPlan.Since now = null;
        for (ReworkPlan.Since s : reworkOf(item).since()) {
            if (s.place() <= furthest) {
                now = s;
            }
        }
        if (now != null) {
            again(now.steps(), now.parts());
        }
    }

    private void again(List<String> steps, List<String> parts) {
        for (String id : steps) {
            if (done.remove(id) == null && !redo.containsKey(id)) {
                continue;
            }
            redo.computeIfAbsent(id, k -> new LinkedHashSet<>()).addAll(parts);
            timers.remove(id);
            readings.remove(id);
            readAt.remove(id);
            checks.remove(id);
            confirmed.remove(id);
            deviated.remove(id);
        }
    }

    private void sendBack(Entry.SentBack e, long at) {
        if (e.reason().isBlank()) {
            throw new Refused(Why.SAY_WHAT);
        }
        reworkOf(e.item());
        release.sendBack(at);
        rework(e.item());
    }

    private void piece(PackStep step, Entry.PieceMoved e) {
        if (Stream.concat(step.off().stream(), step.on().stream())
                .noneMatch(p -> p.key().equals(e.piece()))) {
            throw noSuchPiece(step, e.piece());
        }
        if (e.off()) {
            off.add(e.piece());
        } else {
            off.remove(e.piece());
        }
    }

    private Refused noSuchPiece(PackStep step, String key) {
        for (Tally t : pack.parts()) {
            if (t.part().equals(part(key))) {
                return new Refused(Why.TOO_MANY, step.number(), key, t.count(), t.name());
            }
        }
        return new Refused(Why.NO_PIECE, key);
    }

    private static String part(String pieceKey) {
        int n = pieceKey.indexOf('#');
        return n < 0 ? pieceKey : pieceKey.substring(0, n);
    }

    /**
     * Whether a thing of this part belongs to the step as it is done now: all, or what is redone.
     */
    private boolean concerned(PackStep step, String part) {
        Set<String> only = redo.get(step.id());
        return only == null || only.contains(part);
    }

    private void reading(PackStep step, Entry.ReadingTaken e, long at) {
        if (step.reading() == null) {
            throw new Refused(Why.NO_READING, step.number());
        }
        Instrument instrument =
                pack.instruments().stream()
                        .filter(i -> i.id().equals(e.instrument()))
                        .findFirst()
                        .orElseThrow(() -> new Refused(Why.NO_INSTRUMENT, e.instrument()));
        double celsius = Temperature.ofCelsius(e.temperature()).celsius();
        if (celsius < -10 || celsius > 110) {
            throw new OutOfRange(
                    "temperature", Show.number(celsius) + " °C", "-10 to 110 °C for a solution");
        }
        Interval strength = ReadingJudge.strength(instrument, e.strength());
        double t = instrument.temperatureTolerance();
        Interval temperature = new Interval(celsius - t, celsius + t);
        ReadingJudge.Outcome outcome =
                ReadingJudge.judge(step.reading().bands(), strength, temperature);
        ReadingState before = readings.get(step.id());
        if (before != null && before.outcome() != ReadingJudge.Outcome.IN && !before.corrected()) {
            throw new Refused(Why.SAY_FIRST);
        }
        readings.put(
                step.id(),
                new ReadingState(
                        e.strength(),
                        celsius,
                        outcome,
                        ReadingAdvice.of(step.reading(), outcome, strength, temperature),
                        false));
        readAt.put(step.id(), at);
        // Contact with a solution that was not in does not count.
        timers.remove(step.id());
    }

    private void corrective(PackStep step, Entry.CorrectiveAction e) {
        ReadingState last = readings.get(step.id());
        if (last == null || last.outcome() == ReadingJudge.Outcome.IN) {
            throw new Refused(Why.NOTHING_TO_CORRECT, step.number());
        }
        if (e.text().isBlank()) {
            throw new Refused(Why.SAY_WHAT);
        }
        readings.put(
                step.id(),
                new ReadingState(
                        last.strength(), last.temperature(), last.outcome(), last.advice(), true));
    }

    private void check(PackStep step, Entry.CheckMade e) {
        CheckPlan plan =
                step.checks().stream()
                        .filter(c -> c.id().equals(e.check()))
                        .findFirst()
                        .orElseThrow(() -> new Refused(Why.NO_CHECK, step.number(), e.check()));
        Double value = e.value();
        if (plan.ranged() && (value == null || !Double.isFinite(value))) {
            throw new Refused(Why.NEEDS_VALUE, plan.name(), plan.unit() == null ? "" : plan.unit());
        }
        checks.computeIfAbsent(step.id(), k -> new HashMap<>()).put(plan.id(), plan.judge(value));
    }

    private void finish(PackStep step, long at) {
        boolean excused = deviated.contains(step.id());
        if (!excused) {
            tapped(step);
            if (step.waitsFor() != null && remaining(step.waitsFor(), at) > 0) {
                throw new Refused(Why.SOAKING, clock(remaining(step.waitsFor(), at)));
            }
        }
        if (step.reading() != null) {
            ReadingState last = readings.get(step.id());
            if (last == null) {
                throw new Refused(Why.READ_FIRST);
            }
            if (last.outcome() != ReadingJudge.Outcome.IN) {
                throw new Refused(Why.NOT_IN);
            }
        }
        if (step.timer() != null && step.timer().contact() && !excused) {
            if (!timers.containsKey(step.id())) {
                throw new Refused(Why.START_CONTACT);
            }
            if (remaining(step.id(), at) > 0) {
                throw new Refused(Why.KEEP_WET, clock(remaining(step.id(), at)));
            }
        }
        checked(step);
        asked(step);
        if (step.timer() != null && !step.timer().contact()) {
            timers.putIfAbsent(step.id(), at);
        }
        done.put(step.id(), at);
        redo.remove(step.id());
        furthest = Math.max(furthest, step.number());
    }

    private void tapped(PackStep step) {
        List<String> left = new ArrayList<>();
        for (Piece p : step.off()) {
            if (!off.contains(p.key()) && concerned(step, part(p.key()))) {
                left.add(p.name());
            }
        }
        for (Piece p : step.on()) {
            if (off.contains(p.key())) {
                left.add(p.name());
            }
        }
        if (!left.isEmpty()) {
            throw new Refused(Why.NOT_TAPPED, String.join(", ", left));
        }
    }

    private void checked(PackStep step) {
        Map<String, Outcome> made = checks.getOrDefault(step.id(), Map.of());
        for (CheckPlan c : step.checks()) {
            Outcome o = made.get(c.id());
            if (o != Outcome.IN) {
                throw new Refused(
                        o == null
                                ? Why.NOT_CHECKED
                                : o == Outcome.OUT ? Why.OUT_OF_RANGE : Why.TOO_CLOSE,
                        c.name());
            }
        }
    }

    /** No deviation excuses these: each is what keeps a hand, or the food, safe. */
    private void asked(PackStep step) {
        Set<String> said = confirmed.getOrDefault(step.id(), Set.of());
        List<String> left = new ArrayList<>();
        for (Ask a : step.asks()) {
            boolean holds =
                    switch (a.kind()) {
                        case LOCK -> locked(a.item());
                        case UNLOCK -> !locked(a.item());
                        case POSITION, WEAR -> said.contains(a.id()) || !concerned(step, a.item());
                        default -> said.contains(a.id());
                    };
            if (!holds) {
                left.add(a.name());
            }
        }
        if (!left.isEmpty()) {
            throw new Refused(Why.NOT_CONFIRMED, String.join(", ", left));
        }
    }

    private void close(long at) {
        if (!off.isEmpty()) {
            List<String> fitted = offNames(true);
            throw fitted.isEmpty()
                    ? new Refused(Why.STILL_OFF, String.join(", ", offNames(false)))
                    : new Refused(Why.STILL_FITTED, String.join(", ", fitted));
        }
        PackStep open = current();
        if (open != null) {
            throw new Refused(Why.NOT_DONE, open.number());
        }
        if (!locks.isEmpty()) {
            throw new Refused(Why.STILL_LOCKED, lockNames(locks.getFirst().energy()));
        }
        release.handOver(at);
    }

    private List<String> offNames(boolean fittings) {
        List<String> names = new ArrayList<>();
        for (PackStep s : pack.steps()) {
            for (Piece p : s.off()) {
                if (off.contains(p.key())
                        && p.key().startsWith(PackCompiler.FITTING) == fittings
                        && !names.contains(p.name())) {
                    names.add(p.name());
                }
            }
        }
        return names;
    }

    private PackStep step(String id) {
        return pack.steps().stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new Refused(Why.NO_STEP, id));
    }

    private long remaining(String stepId, long at) {
        RoundPack.Timer timer = step(stepId).timer();
        Long started = timers.get(stepId);
        if (timer == null) {
            return 0;
        }
        return started == null ? timer.seconds() : Math.max(0, started + timer.seconds() - at);
    }

    private static String clock(long seconds) {
        return "%d:%02d".formatted(seconds / 60, seconds % 60);
    }

    /** The first step that is not done, or null once all are. */
    public @Nullable PackStep current() {
        return pack.steps().stream()
                .filter(s -> !done.containsKey(s.id()))
                .findFirst()
                .orElse(null);
    }

    public Status status() {
        return release.status();
    }

    /** Whether it is handed over. */
    public boolean closed() {
        return release.status() != Status.OPEN;
    }

    /** The last reading of each step. */
    public Map<String, ReadingState> readings() {
        return Map.copyOf(readings);
    }

    /** Locks that are on. */
    public List<Lock> locks() {
        return List.copyOf(locks);
    }
}
