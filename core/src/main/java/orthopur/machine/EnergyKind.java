package orthopur.machine;

import static orthopur.machine.EnergyStage.COOLED;
import static orthopur.machine.EnergyStage.ISOLATED;
import static orthopur.machine.EnergyStage.LIVE;
import static orthopur.machine.EnergyStage.LOCKED;
import static orthopur.machine.EnergyStage.PROVED;
import static orthopur.machine.EnergyStage.RELIEVED;
import static orthopur.machine.EnergyStage.STOPPED;
import static orthopur.machine.EnergyStage.UNPLUGGED;

import java.util.List;

/** The kinds of energy, each with the path it has to go (29 CFR 1910.147(d)). */
public enum EnergyKind {
    /** A cord and plug in the sole control of the one worker (1910.147(a)(2)(iii)(A)). */
    CORD(List.of(LIVE, STOPPED, UNPLUGGED)),
    /** Hard-wired power, air, water, gas, steam. */
    SUPPLIED(List.of(LIVE, STOPPED, ISOLATED, LOCKED, RELIEVED, PROVED)),
    /** Springs, tension, raised or turning mass, trapped pressure. */
    STORED(List.of(LIVE, RELIEVED, PROVED)),
    /** Heat above what a hand may touch. */
    HEAT(List.of(LIVE, COOLED));

    private static final List<EnergyStage> SHARED_CORD = List.of(LIVE, STOPPED, UNPLUGGED, LOCKED);

    private final List<EnergyStage> path;

    EnergyKind(List<EnergyStage> path) {
        this.path = path;
    }

    /** Whether it comes in from outside and moves things, rather than being left in the machine. */
    public boolean drives() {
        return this == CORD || this == SUPPLIED;
    }

    /**
     * The path for a crew of this size: with a second person a plug is in nobody's sole control any
     * more, so it takes a lock as well.
     *
     * @param crew 1 or more
     */
    public List<EnergyStage> path(int crew) {
        return this == CORD && crew > 1 ? SHARED_CORD : path;
    }
}
