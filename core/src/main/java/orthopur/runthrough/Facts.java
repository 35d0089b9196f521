package orthopur.runthrough;

import java.util.EnumSet;
import java.util.Set;
import orthopur.machine.EndState;

/**
 * What is known of one surface. The numbers are the place of the step (from 0) that made a fact
 * true, or {@link #NEVER}; what ends a fact sets it back.
 *
 * @param loose crumbs and scraps lie on it
 * @param soil it is not clean
 * @param residues what steps have left on it
 * @param washed,rinsed,inspected,sanitized,dried since when
 */
public record Facts(
        boolean loose,
        boolean soil,
        Set<Residue> residues,
        boolean wet,
        int washed,
        int rinsed,
        int inspected,
        int sanitized,
        int dried) {

    public static final int NEVER = -1;

    private static final Set<Residue> NONE = Set.of();

    /** How a surface stands when the machine stops. */
    public static Facts afterUse() {
        return new Facts(true, true, NONE, false, NEVER, NEVER, NEVER, NEVER, NEVER);
    }

    public boolean has(Residue residue) {
        return residues.contains(residue);
    }

    /** Washed and rinsed in this round, with nothing left of either soil or detergent. */
    public boolean clean() {
        return !soil && !loose && rinsed != NEVER && washed != NEVER && !has(Residue.DETERGENT);
    }

    /** Whether a surface that must end like this may end like this. */
    public boolean meets(EndState end) {
        return switch (end) {
            case SANITIZED -> sanitized != NEVER && !soil && !loose;
            case CLEAN -> clean();
            case WIPED -> !soil && !loose && washed != NEVER;
        };
    }

    Facts looseOff() {
        return new Facts(false, soil, residues, wet, washed, rinsed, NEVER, NEVER, dried);
    }

    /** Wetted with detergent; clean only if the wash counts. */
    Facts washedAt(int step, boolean cleans) {
        return new Facts(
                false,
                soil && !cleans,
                with(Residue.DETERGENT),
                true,
                cleans ? step : washed,
                NEVER,
                NEVER,
                NEVER,
                NEVER);
    }

    Facts soaked(int step, boolean detergent, boolean cleans) {
        if (detergent) {
            return washedAt(step, cleans);
        }
        return new Facts(false, soil, residues, true, washed, rinsed, NEVER, NEVER, NEVER);
    }

    Facts rinsedAt(int step, boolean keepsSanitized) {
        return new Facts(
                false,
                soil,
                NONE,
                true,
                washed,
                step,
                inspected,
                keepsSanitized ? sanitized : NEVER,
                NEVER);
    }

    Facts inspectedAt(int step) {
        return new Facts(loose, soil, residues, wet, washed, rinsed, step, sanitized, dried);
    }

    Facts sanitizedAt(int step, boolean granted) {
        return new Facts(
                loose,
                soil,
                with(Residue.SANITIZER),
                true,
                washed,
                rinsed,
                inspected,
                granted ? step : NEVER,
                NEVER);
    }

    /** A towel or a soiled glove: no longer sanitized. */
    Facts touched() {
        return new Facts(loose, soil, residues, wet, washed, rinsed, inspected, NEVER, dried);
    }

    Facts driedAt(int step) {
        return new Facts(loose, soil, residues, false, washed, rinsed, inspected, sanitized, step);
    }

    /** The stage that a reader sees; computed, never stored. */
    public Stage stage() {
        if (sanitized != NEVER) {
            return wet ? Stage.SANITIZED : Stage.DRY;
        }
        if (loose) {
            return Stage.SOILED;
        }
        if (soil) {
            return Stage.LOOSE_OFF;
        }
        if (rinsed == NEVER) {
            return Stage.WASHED;
        }
        return inspected != NEVER ? Stage.INSPECTED : Stage.RINSED;
    }

    private Set<Residue> with(Residue residue) {
        if (residues.contains(residue)) {
            return residues;
        }
        EnumSet<Residue> more = EnumSet.of(residue);
        more.addAll(residues);
        return Set.copyOf(more);
    }
}
