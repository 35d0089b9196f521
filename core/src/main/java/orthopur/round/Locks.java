package orthopur.round;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import orthopur.round.Refused.Why;
import orthopur.round.State.Lock;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.Ask;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.text.Text;

/** The personal locks on each energy: everybody with hands in the machine has their own. */
final class Locks {
    private final RoundPack pack;
    private final Course course;
    private final List<Lock> on;

    Locks(RoundPack pack, Course course, State s) {
        this.pack = pack;
        this.course = course;
        this.on = new ArrayList<>(s.locks());
    }

    List<Lock> on() {
        return List.copyOf(on);
    }

    boolean locked(String energy) {
        return on.stream().anyMatch(l -> l.energy().equals(energy));
    }

    /** Energies on which others have a lock and this person has none, where hands go in. */
    List<String> missing(PackStep step, Actor actor) {
        return step.hands()
                ? on.stream()
                        .map(Lock::energy)
                        .distinct()
                        .filter(
                                e ->
                                        on.stream()
                                                .noneMatch(
                                                        l -> l.energy().equals(e) && l.isOf(actor)))
                        .toList()
                : List.of();
    }

    void own(PackStep step, Actor actor) {
        for (String energy : missing(step, actor)) {
            throw new Refused(Why.OWN_LOCK, actor.name(), energyName(energy));
        }
    }

    void none() {
        if (!on.isEmpty()) {
            throw new Refused(Why.STILL_LOCKED, names(on.getFirst().energy()));
        }
    }

    String names(String energy) {
        return on.stream()
                .filter(l -> l.energy().equals(energy))
                .map(l -> l.lock() + " (" + l.who() + ")")
                .collect(Collectors.joining(", "));
    }

    /** Somebody's lock goes on, or comes off. */
    void move(Entry.LockMoved e, long at, Actor actor) {
        if (pack.steps().stream().noneMatch(s -> asks(s, Ask.Kind.LOCK, e.energy()))) {
            throw new Refused(Why.NO_ENERGY, e.energy());
        }
        if (e.lock().isBlank()) {
            throw new Refused(Why.NO_LOCK_NUMBER);
        }
        Lock there =
                on.stream()
                        .filter(l -> l.energy().equals(e.energy()) && l.lock().equals(e.lock()))
                        .findFirst()
                        .orElse(null);
        if (e.on()) {
            putOn(e, there, at, actor);
            return;
        }
        if (there == null) {
            throw new Refused(Why.NO_LOCK, e.lock(), energyName(e.energy()));
        }
        if (e.reason() == null && !there.isOf(actor)) {
            throw new Refused(Why.NOT_YOUR_LOCK, e.lock(), there.who());
        }
        stayLocked(e.energy());
        on.remove(there);
    }

    private void putOn(Entry.LockMoved e, @Nullable Lock there, long at, Actor actor) {
        if (there != null) {
            throw new Refused(Why.LOCK_ON, e.lock(), energyName(e.energy()));
        }
        PackStep current = course.current();
        boolean now = current != null && asks(current, Ask.Kind.LOCK, e.energy());
        if (!now && !locked(e.energy())) {
            throw new Refused(Why.COMES_FIRST, current == null ? "" : current.number());
        }
        String person = pack.format() >= 1 ? actor.person() : null;
        on.add(new Lock(e.energy(), e.lock(), actor.name(), at, person));
    }

    /**
     * The last lock comes off where the procedure takes it off; an earlier one when its owner
     * leaves.
     */
    private void stayLocked(String energy) {
        boolean last = on.stream().filter(l -> l.energy().equals(energy)).count() == 1;
        PackStep current = course.current();
        if (!last || current == null) {
            return;
        }
        pack.steps().stream()
                .filter(s -> s.number() >= current.number() && asks(s, Ask.Kind.UNLOCK, energy))
                .findFirst()
                .filter(s -> s != current)
                .ifPresent(
                        s -> {
                            throw new Refused(Why.NOT_YET, s.number());
                        });
    }

    private static boolean asks(PackStep s, Ask.Kind kind, String energy) {
        return s.asks().stream().anyMatch(a -> a.kind() == kind && a.item().equals(energy));
    }

    Text energyName(String energy) {
        return pack.steps().stream()
                .flatMap(s -> s.asks().stream())
                .filter(a -> a.kind() == Ask.Kind.LOCK && a.item().equals(energy))
                .map(Ask::name)
                .findFirst()
                .orElse(Text.plain(energy));
    }
}
