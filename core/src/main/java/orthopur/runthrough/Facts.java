package orthopur.runthrough;

import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.EndState;

/**
 * What is known of one surface. The numbers are the place of the step (from 0) that made a fact
 * true, or {@link #NEVER}; what ends a fact sets it back.
 *
 * @param loose crumbs and scraps lie on it
 * @param soil it is not clean
 * @param residues what steps have left on it
 * @param soaking since when it lies in a soak that nobody has collected it from
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
        int dried,
        int soaking) {

    public static final int NEVER = -1;

    private static final Set<Residue> NONE = Set.of();

    /** How a surface stands when the machine stops. */
    public static Facts afterUse() {
        return new Facts(true, true, NONE, false, NEVER, NEVER, NEVER, NEVER, NEVER, NEVER);
    }

    public boolean has(Residue residue) {
        return residues.contains(residue);
    }

    /** Washed and rinsed in this round, with nothing left of either soil or detergent. */
    public boolean clean() {
        return !soil
                && !loose
                && rinsed != NEVER
                && washed != NEVER
                && !has(Residue.DETERGENT)
                && !has(Residue.METAL);
    }

    /** Whether a surface that must end like this may end like this. */
    public boolean meets(EndState end) {
        return switch (end) {
            case SANITIZED -> sanitized != NEVER && !soil && !loose && !has(Residue.METAL);
            case CLEAN -> clean();
            case WIPED -> !soil && !loose && washed != NEVER;
        };
    }

    Facts looseOff() {
        return new Facts(false, soil, residues, wet, washed, rinsed, NEVER, NEVER, dried, soaking);
    }

    /** Wetted with detergent; clean only if the wash counts. */
    Facts washedAt(int step, boolean cleans, Set<Residue> left) {
        return new Facts(
                false,
                soil && !cleans,
                with(without(cleans, Residue.METAL, Residue.FILM), left),
                true,
                cleans ? step : washed,
                NEVER,
                NEVER,
                NEVER,
                NEVER,
                soaking);
    }

    /** Lies in a solution; what loosens soil washes, what does not still leaves its residue. */
    Facts soaked(int step, Set<Residue> left, boolean washes, boolean cleans) {
        Facts wetted =
                !washes
                        ? new Facts(
                                false,
                                soil,
                                with(residues, left),
                                true,
                                washed,
                                rinsed,
                                NEVER,
                                NEVER,
                                NEVER,
                                NEVER)
                        : washedAt(step, cleans, left);
        return wetted.soakingSince(step);
    }

    /** In a soak since a step, or {@link #NEVER} once it is collected. */
    Facts soakingSince(int step) {
        return new Facts(
                loose, soil, residues, wet, washed, rinsed, inspected, sanitized, dried, step);
    }

    Facts rinsedAt(int step, boolean keepsSanitized) {
        return new Facts(
                false,
                soil,
                kept(Residue.METAL, Residue.FILM),
                true,
                washed,
                step,
                // What was seen before the water is not what is left after it.
                keepsSanitized && sanitized != NEVER ? inspected : NEVER,
                keepsSanitized ? sanitized : NEVER,
                NEVER,
                soaking);
    }

    Facts inspectedAt(int step) {
        return new Facts(
                loose, soil, residues, wet, washed, rinsed, step, sanitized, dried, soaking);
    }

    Facts sanitizedAt(int step, boolean granted, Set<Residue> left) {
        return new Facts(
                loose,
                soil,
                with(residues, left),
                true,
                washed,
                rinsed,
                inspected,
                granted ? step : NEVER,
                NEVER,
                soaking);
    }

    /** A towel or a soiled glove: no longer sanitized. */
    Facts touched() {
        return new Facts(
                loose, soil, residues, wet, washed, rinsed, inspected, NEVER, dried, soaking);
    }

    /** Splashed, scraped over or ground: dirty again. */
    Facts dirtied(@Nullable Residue with) {
        return new Facts(
                loose,
                true,
                with == null ? residues : with(residues, Set.of(with)),
                wet,
                NEVER,
                NEVER,
                NEVER,
                NEVER,
                NEVER,
                soaking);
    }

    /** A film on purpose is no soil. */
    Facts coated() {
        return new Facts(
                loose,
                soil,
                with(residues, Set.of(Residue.FILM)),
                wet,
                washed,
                rinsed,
                inspected,
                sanitized,
                dried,
                soaking);
    }

    /** What filled a passage is out of it. */
    Facts chased() {
        return new Facts(
                loose,
                soil,
                kept(Residue.METAL, Residue.FILM),
                wet,
                washed,
                rinsed,
                inspected,
                sanitized,
                dried,
                soaking);
    }

    Facts driedAt(int step) {
        return new Facts(
                loose, soil, residues, false, washed, rinsed, inspected, sanitized, step, soaking);
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

    private Set<Residue> without(boolean when, Residue... some) {
        if (!when || Collections.disjoint(residues, List.of(some))) {
            return residues;
        }
        Set<Residue> rest = EnumSet.copyOf(residues);
        rest.removeAll(List.of(some));
        return Set.copyOf(rest);
    }

    private Set<Residue> kept(Residue... some) {
        if (residues.isEmpty()) {
            return NONE;
        }
        Set<Residue> rest = EnumSet.copyOf(residues);
        rest.retainAll(List.of(some));
        return rest.isEmpty() ? NONE : Set.copyOf(rest);
    }

    private static Set<Residue> with(Set<Residue> before, Set<Residue> more) {
        if (before.containsAll(more)) {
            return before;
        }
        if (before.isEmpty()) {
            return Set.copyOf(more);
        }
        EnumSet<Residue> all = EnumSet.copyOf(more);
        all.addAll(before);
        return Set.copyOf(all);
    }
}
