package orthopur.round;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import orthopur.instrument.Instrument;
import orthopur.roundpack.ReadingJudge;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.Ask;
import orthopur.roundpack.RoundPack.CheckPlan;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.Piece;
import orthopur.roundpack.RoundPack.ReadingBand;

/**
 * Somebody who carries a round out as it is written, entry by entry. Simulated tablets, the demo's
 * history and the golden vectors are made with it.
 */
public final class Cleaner {
    private final RoundPack pack;
    private final Actor who;
    private final String lock;

    /**
     * @param lock number on this person's lock
     */
    public Cleaner(RoundPack pack, String who, String lock) {
        this(pack, Actor.named(who), lock);
    }

    /**
     * @param lock number on this person's lock
     */
    public Cleaner(RoundPack pack, Actor who, String lock) {
        this.pack = pack;
        this.who = who;
        this.lock = lock;
    }

    /**
     * What comes next.
     *
     * @param waits milliseconds that have to pass first: a soak, a contact
     */
    public record Move(Entry entry, long waits) {}

    /**
     * The next entry, or null once the round is handed over.
     *
     * @param now epoch milliseconds
     */
    public @Nullable Move next(State s, long now) {
        if (s.status() != State.Status.OPEN) {
            return null;
        }
        PackStep step =
                pack.steps().stream()
                        .filter(x -> x.id().equals(s.current()))
                        .findFirst()
                        .orElse(null);
        if (step == null) {
            return new Move(new Entry.RoundClosed(pack.steps().getLast().id()), 0);
        }
        Entry prepared = ownLock(s, step);
        if (prepared == null) {
            prepared = piece(s, step);
        }
        if (prepared == null) {
            prepared = ask(s, step);
        }
        if (prepared == null) {
            prepared = figures(s, step);
        }
        if (prepared != null) {
            return new Move(prepared, 0);
        }
        boolean contact = step.timer() != null && step.timer().contact();
        if (contact && !s.timers().containsKey(step.id())) {
            return new Move(new Entry.TimerStarted(step.id()), 0);
        }
        long waits = step.waitsFor() == null ? 0 : rest(s, step.waitsFor(), now);
        return new Move(
                new Entry.StepDone(step.id()),
                contact ? Math.max(waits, rest(s, step.id(), now)) : waits);
    }

    private @Nullable Entry ownLock(State s, PackStep step) {
        Set<String> energies = new TreeSet<>();
        s.locks().forEach(l -> energies.add(l.energy()));
        for (String e : energies) {
            if (step.hands() && own(s, e) == null) {
                return new Entry.LockMoved(step.id(), e, lock, true, null);
            }
        }
        return null;
    }

    private State.@Nullable Lock own(State s, String energy) {
        return s.locks().stream()
                .filter(l -> l.energy().equals(energy) && l.isOf(who))
                .findFirst()
                .orElse(null);
    }

    private static @Nullable Entry piece(State s, PackStep step) {
        List<String> only = s.redo().get(step.id());
        for (Piece p : step.off()) {
            boolean concerned = only == null || only.contains(p.key().replaceAll("#.*", ""));
            if (!s.off().contains(p.key()) && concerned) {
                return new Entry.PieceMoved(step.id(), p.key(), true);
            }
        }
        for (Piece p : step.on()) {
            if (s.off().contains(p.key())) {
                return new Entry.PieceMoved(step.id(), p.key(), false);
            }
        }
        return null;
    }

    private @Nullable Entry ask(State s, PackStep step) {
        List<String> said = s.confirmed().getOrDefault(step.id(), List.of());
        for (Ask a : step.asks()) {
            State.Lock own = own(s, a.item());
            switch (a.kind()) {
                case LOCK -> {
                    if (own == null) {
                        return new Entry.LockMoved(step.id(), a.item(), lock, true, null);
                    }
                }
                case UNLOCK -> {
                    if (own != null) {
                        return new Entry.LockMoved(step.id(), a.item(), own.lock(), false, null);
                    }
                }
                case PHOTO -> {
                    if (!said.contains(a.id())) {
                        return new Entry.PhotoTaken(
                                step.id(), "0".repeat(64), step.title().toString());
                    }
                }
                default -> {
                    if (!said.contains(a.id())) {
                        return new Entry.Confirmed(step.id(), a.id());
                    }
                }
            }
        }
        return null;
    }

    private @Nullable Entry figures(State s, PackStep step) {
        if (step.reading() != null) {
            State.ReadingState last = s.readings().get(step.id());
            if (last != null && last.outcome() != ReadingJudge.Outcome.IN && !last.corrected()) {
                return new Entry.CorrectiveAction(step.id(), "Mixed anew by the label.");
            }
            if (last == null || last.outcome() != ReadingJudge.Outcome.IN) {
                return reading(step, step.reading());
            }
        }
        for (CheckPlan c : step.checks()) {
            if (s.checks().getOrDefault(step.id(), java.util.Map.of()).get(c.id())
                    != ReadingJudge.Outcome.IN) {
                Double middle =
                        c.least() == null || c.most() == null
                                ? null
                                : Double.valueOf((c.least() + c.most()) / 2);
                return new Entry.CheckMade(step.id(), c.id(), middle);
            }
        }
        return null;
    }

    /** In the middle of the widest band, some degrees above where it begins. */
    private Entry reading(PackStep step, RoundPack.ReadingPlan plan) {
        ReadingBand band = plan.bands().getLast();
        double middle = (band.leastMgPerL() + band.mostMgPerL()) / 2;
        List<Instrument> takes =
                pack.instruments().stream().filter(i -> plan.takes(i.id())).toList();
        Instrument display =
                takes.stream()
                        .filter(i -> i.steps().isEmpty())
                        .findFirst()
                        .orElse(takes.getFirst());
        return new Entry.ReadingTaken(step.id(), display.id(), middle, band.fromCelsius() + 2);
    }

    private long rest(State s, String step, long now) {
        Long started = s.timers().get(step);
        if (started == null) {
            return 0;
        }
        long end = started - now;
        return pack.steps().stream()
                .filter(x -> x.id().equals(step))
                .map(PackStep::timer)
                .filter(Objects::nonNull)
                .mapToLong(t -> Math.max(0, end + t.seconds() * 1000))
                .findFirst()
                .orElse(0);
    }
}
