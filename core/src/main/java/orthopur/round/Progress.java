package orthopur.round;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.quantity.OutOfRange;
import orthopur.round.Refused.Why;
import orthopur.round.State.Lock;
import orthopur.round.State.ReadingState;
import orthopur.round.State.Status;
import orthopur.round.State.TroubleState;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.Trouble;

/**
 * How far a round is: the fold of its entries, from the start or from any state. An entry that does
 * not fit is refused with a plain sentence and changes nothing. Times are epoch milliseconds and
 * come with the entry; there is no clock.
 */
public final class Progress {
    private final RoundPack pack;
    private final Course course;
    private final Locks locks;
    private final Pieces pieces;
    private final Contact contact;
    private final Ticks ticks;
    private final List<TroubleState> troubles;
    private final ReleasePhase release;

    /** A round in which nothing has happened. */
    public Progress(RoundPack pack) {
        this(pack, State.START);
    }

    /** A round that goes on from where it stands. */
    public Progress(RoundPack pack, State from) {
        this.pack = pack;
        this.course = new Course(pack, from);
        this.locks = new Locks(pack, course, from);
        this.pieces = new Pieces(pack, course, from);
        this.contact = new Contact(pack, course, from);
        this.ticks = new Ticks(course, locks, from);
        this.troubles = new ArrayList<>(from.troubles());
        this.release = new ReleasePhase(strict(), from);
    }

    private boolean strict() {
        return pack.format() >= 1;
    }

    /** A copy of how far it is. */
    public State state() {
        PackStep current = current();
        return new State(
                current == null ? null : current.id(),
                course.done(),
                pieces.off(),
                contact.timers(),
                contact.readings(),
                ticks.checks(),
                ticks.confirmed(),
                locks.on(),
                List.copyOf(troubles),
                course.redo(),
                course.deviated(),
                release.proofs(),
                release.status(),
                release.statusAt(),
                release.until(),
                release.plan(),
                course.furthest(),
                release.workers(),
                release.secondPerson(),
                contact.solutions());
    }

    /** The same round, to go on with apart from this one. */
    public Progress copy() {
        return new Progress(pack, state());
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
     * @param at epoch milliseconds
     * @param actor who made it
     * @throws Refused when it does not fit; nothing has changed then
     * @throws OutOfRange for a figure outside its domain
     */
    public void accept(Entry entry, long at, Actor actor) {
        permitted(entry, actor);
        PackStep step = course.step(entry.step());
        inTime(entry, step);
        count(entry, step, strict() ? at : at / 1000 * 1000, actor);
        if (!(entry instanceof Entry.Afterwards)) {
            worked(actor);
        }
    }

    private void count(Entry entry, PackStep step, long at, Actor actor) {
        switch (entry) {
            case Entry.PieceMoved e -> {
                locks.own(step, actor);
                pieces.move(step, e);
            }
            case Entry.TimerStarted e -> {
                if (step.timer() != null) {
                    locks.own(step, actor);
                }
                contact.start(step, at);
            }
            case Entry.ContactBroken e -> contact.broken(step);
            case Entry.ReadingTaken e -> contact.reading(step, e, at);
            case Entry.SolutionUsed e -> contact.used(step, e, at);
            case Entry.CorrectiveAction e -> contact.corrective(step, e);
            case Entry.CheckMade e -> ticks.check(step, e);
            case Entry.Confirmed e -> ticks.confirm(step, e);
            case Entry.LockMoved e -> locks.move(e, at, actor);
            case Entry.TroubleSaid e -> trouble(e, at, actor);
            case Entry.PhotoTaken e -> ticks.photographed(step);
            case Entry.Deviation e -> course.deviate(step, e.reason());
            case Entry.StepDone e -> {
                locks.own(step, actor);
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
        switch (entry) {
            case Entry.Correction e -> {}
            case Entry.Afterwards e -> release.inTime();
            case Entry.TroubleSaid e -> {
                if (closed() && !(strict() && e.kind().hurts())) {
                    throw new Refused(Why.CLOSED);
                }
            }
            default -> {
                if (closed()) {
                    throw new Refused(Why.CLOSED);
                }
                boolean anywhere =
                        entry instanceof Entry.RoundClosed
                                || entry instanceof Entry.LockMoved
                                || entry instanceof Entry.PhotoTaken;
                if (!anywhere) {
                    course.itsTurn(step);
                }
            }
        }
    }

    private void trouble(Entry.TroubleSaid e, long at, Actor actor) {
        Trouble plan =
                pack.troubles().stream()
                        .filter(t -> t.kind() == e.kind())
                        .findFirst()
                        .orElseThrow(() -> new Refused(Why.NO_ASK, "", e.kind()));
        if (plan.about() != Trouble.About.NOTHING) {
            if (e.item() == null) {
                throw new Refused(Why.NAME_THE_PART);
            }
            course.reworkOf(e.item());
        }
        Boolean late = closed() ? Boolean.TRUE : null;
        troubles.add(
                new TroubleState(e.kind(), e.item(), e.text(), e.step(), actor.name(), at, late));
        if (late != null) {
            release.hold(at);
            return;
        }
        forget(course.again(plan.redo(), List.of()));
        if (plan.about() == Trouble.About.A_PART_TO_REDO) {
            forget(course.rework(e.item()));
        }
    }

    /** A step that is done again is read, checked and confirmed anew. */
    private void forget(List<String> redone) {
        contact.forget(redone);
        ticks.forget(redone);
    }

    private void sendBack(Entry.SentBack e, long at) {
        if (e.reason().isBlank()) {
            throw new Refused(Why.SAY_WHAT);
        }
        course.reworkOf(e.item());
        release.sendBack(at);
        forget(course.rework(e.item()));
    }

    private void finish(PackStep step, long at) {
        finishable(step, at);
        contact.runsOn(step, at);
        course.finish(step);
    }

    private void finishable(PackStep step, long at) {
        boolean excused = course.excused(step);
        if (!excused) {
            pieces.tapped(step);
            contact.soaked(step, at);
        }
        contact.readIn(step);
        if (!excused) {
            contact.lasted(step, at);
        }
        ticks.checked(step);
        ticks.asked(step);
    }

    private void close(long at) {
        pieces.allBack();
        PackStep open = current();
        if (open != null) {
            throw new Refused(Why.NOT_DONE, open.number());
        }
        locks.none();
        release.handOver(at);
    }

    /**
     * What is before somebody at a step: the one that comes next, or one that is looked at again.
     *
     * @param at epoch milliseconds
     */
    public AtStep atStep(String id, long at, Actor actor) {
        PackStep step = course.step(id);
        List<RoundPack.Piece> shown = pieces.at(step);
        return new AtStep(
                shown.stream().map(RoundPack.Piece::key).toList(),
                shown.stream()
                        .filter(p -> !pieces.concerned(step, p))
                        .map(RoundPack.Piece::key)
                        .toList(),
                step.asks().stream()
                        .filter(a -> ticks.holds(step, a))
                        .map(RoundPack.Ask::id)
                        .toList(),
                ticks.stages(pack, step),
                locks.missing(step, actor),
                contact.soaking(step, at),
                contact.left(step, at),
                contact.isIn(step),
                mayFinish(step, at, actor));
    }

    private boolean mayFinish(PackStep step, long at, Actor actor) {
        try {
            inTime(new Entry.StepDone(step.id()), step);
            locks.own(step, actor);
            finishable(step, strict() ? at : at / 1000 * 1000);
            return true;
        } catch (Refused x) {
            return false;
        }
    }

    /** Times of the round that still run, or are up and not yet answered. */
    public List<Standing.Running> running() {
        return Standing.running(pack, state());
    }

    /** The first step that is not done, or null once all are. */
    public @Nullable PackStep current() {
        return course.current();
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
        return contact.readings();
    }

    /** Locks that are on. */
    public List<Lock> locks() {
        return locks.on();
    }
}
