package orthopur.round;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.text.Text;

/**
 * How a machine stands between production and the next production, from its newest round and what
 * was last said about its use. What nobody has said is not clean: without a released round since it
 * was last in use a machine is dirty.
 *
 * @param since,until epoch milliseconds; until when it may be used, or a conditional release holds
 * @param over whether that time is over
 * @param waits what it waits for
 */
public record Standing(
        Where where, @Nullable Long since, @Nullable Long until, boolean over, Waits waits) {

    /** Where it stands. */
    public enum Where {
        IN_USE,
        DIRTY,
        CLEANING,
        WAITING,
        RELEASED,
        HELD
    }

    /** What it waits for. */
    public enum Waits {
        NOTHING,
        A_TIME,
        /** A danger was reported after the hand-over. */
        NEW_LOOK,
        /** Something made it dirty. */
        CLEANING,
        /** It is in use, and has to be cleaned by a time. */
        CLEANING_BY_THEN,
        /** Nobody has said anything of it yet. */
        FIRST_CLEANING,
        /** Its last round was no clean. */
        A_CLEAN,
        A_LOOK,
        FULL_RELEASE,
        /** It was released for a time, and the time is over. */
        OVERDUE_RELEASE
    }

    /**
     * What a machine was used for last.
     *
     * @param inUse production began; else something made it dirty
     * @param at epoch milliseconds
     */
    public record Use(boolean inUse, String note, long at) {}

    /**
     * The newest round of a machine.
     *
     * @param startedAt epoch milliseconds
     */
    public record Round(RoundPack pack, State state, long startedAt) {}

    /** A soak or other time that runs, or is up and not yet answered; ends in epoch ms. */
    public record Running(String step, Text name, long ends) {}

    /**
     * @param round null where there was none
     * @param use null where nothing was said
     * @param longestUse milliseconds for which it may be in use; null without a limit
     * @param now epoch milliseconds
     */
    public static Standing of(
            @Nullable Round round, @Nullable Use use, @Nullable Long longestUse, long now) {
        State s = round == null ? null : round.state();
        Long stood = s == null ? null : s.statusAt();
        if (round != null && s != null && s.status() == State.Status.OPEN) {
            boolean runs = running(round.pack(), s).stream().anyMatch(t -> t.ends() > now);
            return new Standing(
                    Where.CLEANING,
                    round.startedAt(),
                    null,
                    false,
                    runs ? Waits.A_TIME : Waits.NOTHING);
        }
        if (s != null && s.heldByDanger()) {
            // Whatever it is used for: what came in late may have hurt somebody, or will.
            return new Standing(Where.HELD, stood, null, false, Waits.NEW_LOOK);
        }
        if (use != null && (stood == null || use.at() >= stood)) {
            return used(use, longestUse, now);
        }
        if (round == null || s == null) {
            return new Standing(Where.DIRTY, null, null, false, Waits.FIRST_CLEANING);
        }
        if (s.status() == State.Status.WAITING) {
            return new Standing(Where.WAITING, stood, null, false, Waits.A_LOOK);
        }
        if (!cleans(round.pack())) {
            return new Standing(Where.DIRTY, stood, null, false, Waits.A_CLEAN);
        }
        Long until = s.until();
        boolean over = until != null && until < now;
        return new Standing(
                over ? Where.HELD : Where.RELEASED,
                stood,
                until,
                over,
                over ? Waits.OVERDUE_RELEASE : until == null ? Waits.NOTHING : Waits.FULL_RELEASE);
    }

    private static Standing used(Use use, @Nullable Long longestUse, long now) {
        if (!use.inUse()) {
            return new Standing(Where.DIRTY, use.at(), null, false, Waits.CLEANING);
        }
        Long until = longestUse == null ? null : use.at() + longestUse;
        return new Standing(
                Where.IN_USE,
                use.at(),
                until,
                until != null && until < now,
                until == null ? Waits.NOTHING : Waits.CLEANING_BY_THEN);
    }

    /** Oiling and sharpening are rounds as well, and leave the machine as dirty as it was. */
    private static boolean cleans(RoundPack pack) {
        return pack.steps().stream().anyMatch(PackStep::cleans);
    }

    /** Times of a round that still run, or are up and not yet answered. */
    public static List<Running> running(RoundPack pack, State s) {
        List<Running> running = new ArrayList<>();
        for (PackStep step : pack.steps()) {
            Long started = s.timers().get(step.id());
            RoundPack.Timer timer = step.timer();
            if (started != null && timer != null && !answered(pack, s, step, timer)) {
                long ends = started + timer.seconds() * 1000;
                running.add(new Running(step.id(), timer.name(), ends));
            }
        }
        return running;
    }

    /** A soak is answered by the step that collects it, contact by its own, all else by the end. */
    private static boolean answered(RoundPack pack, State s, PackStep step, RoundPack.Timer timer) {
        if (timer.contact()) {
            return s.done().contains(step.id());
        }
        return pack.steps().stream()
                .filter(x -> step.id().equals(x.waitsFor()))
                .findFirst()
                .map(x -> s.done().contains(x.id()))
                .orElse(s.current() == null);
    }
}
