package orthopur.runthrough;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.EnergyStage;
import orthopur.machine.Part;
import orthopur.machine.Passage;
import orthopur.quantity.Temperature;

/**
 * How the machine stands at one moment of the night. Rules read it; only the fold in {@link
 * RunThrough} changes it.
 */
public final class Night {
    private final SheetIndex sheet;
    private final int crew;
    final Facts[] facts;
    final int[] off;
    final boolean[] aside;
    final int[] stage;
    final boolean[] locked;
    final int[] visited;
    final int[] installedAt;
    final int[] ranAt;
    final int[] seenAt;
    int soakFrom = Facts.NEVER;
    int dryFrom = Facts.NEVER;
    int restedFrom = Facts.NEVER;
    final boolean[] filled;
    final boolean[] drained;
    final double[] chased;
    final @Nullable Temperature[] cooledTo;

    /** What rules have asked of later steps, for taking the run up again. */
    final List<Moment.Ahead> asked = new ArrayList<>();

    final Map<String, Integer> fitted = new HashMap<>();
    final Map<String, Vessel> vessels = new HashMap<>();
    double minutes;
    double soakReady;
    double dryReady;
    final double[] filmDry;
    int glovesSoiledAt = Facts.NEVER;
    boolean toolsOut;
    boolean peopleClear;
    boolean guardsOn;

    Night(SheetIndex sheet, int crew, Map<String, Vessel> held) {
        this(sheet, crew);
        held.forEach(this::hold);
    }

    Night(SheetIndex sheet, int crew) {
        this.sheet = sheet;
        this.crew = crew;
        facts = new Facts[sheet.surfaceCount()];
        java.util.Arrays.fill(facts, Facts.afterUse());
        off = new int[sheet.partCount()];
        aside = new boolean[sheet.partCount()];
        stage = new int[sheet.energyCount()];
        locked = new boolean[sheet.energyCount()];
        visited = new int[sheet.partCount()];
        installedAt = new int[sheet.partCount()];
        java.util.Arrays.fill(installedAt, Facts.NEVER);
        ranAt = new int[sheet.energyCount()];
        java.util.Arrays.fill(ranAt, Facts.NEVER);
        seenAt = new int[sheet.energyCount()];
        java.util.Arrays.fill(seenAt, Facts.NEVER);
        filled = new boolean[sheet.passageCount()];
        drained = new boolean[sheet.passageCount()];
        chased = new double[sheet.passageCount()];
        cooledTo = new Temperature[sheet.energyCount()];
        filmDry = new double[sheet.surfaceCount()];
    }

    /** As it stands now; the two go their own ways afterwards. */
    Night copy() {
        Night n = new Night(sheet, crew);
        copy(facts, n.facts);
        copy(cooledTo, n.cooledTo);
        copy(off, n.off);
        copy(stage, n.stage);
        copy(visited, n.visited);
        copy(installedAt, n.installedAt);
        copy(ranAt, n.ranAt);
        copy(seenAt, n.seenAt);
        n.soakFrom = soakFrom;
        n.dryFrom = dryFrom;
        n.restedFrom = restedFrom;
        copy(aside, n.aside);
        copy(locked, n.locked);
        copy(filled, n.filled);
        copy(drained, n.drained);
        copy(chased, n.chased);
        n.asked.addAll(asked);
        n.fitted.putAll(fitted);
        n.vessels.putAll(vessels);
        n.minutes = minutes;
        n.soakReady = soakReady;
        n.dryReady = dryReady;
        copy(filmDry, n.filmDry);
        n.glovesSoiledAt = glovesSoiledAt;
        n.toolsOut = toolsOut;
        n.peopleClear = peopleClear;
        n.guardsOn = guardsOn;
        return n;
    }

    private static void copy(Object from, Object to) {
        System.arraycopy(from, 0, to, 0, java.lang.reflect.Array.getLength(from));
    }

    /**
     * What a sink, bucket or bath holds.
     *
     * @param chemical of the solution in it; null for plain water or nothing
     * @param full whether it still holds it
     * @param soiled something soiled was in it since it was last washed out
     * @param mixedAt minute of the round at which the solution was made
     * @param residue product whose residue is on its walls until it is washed out; null for none
     */
    public record Vessel(
            @Nullable String chemical,
            boolean full,
            boolean soiled,
            double mixedAt,
            @Nullable String residue) {}

    /** The same sink, however it is spelled: letters and figures alone, without case. */
    private static String key(String vessel) {
        StringBuilder plain = new StringBuilder(vessel.length());
        for (int i = 0; i < vessel.length(); i++) {
            char c = vessel.charAt(i);
            if (Character.isLetterOrDigit(c)) {
                plain.append(Character.toLowerCase(c));
            }
        }
        return plain.toString();
    }

    void hold(String vessel, Vessel holds) {
        vessels.put(key(vessel), holds);
    }

    /**
     * Whether what is clean may be laid there: not onto the floor, not into a vessel that holds a
     * solution or what was washed off.
     *
     * @param place as a step says it; several are parted by semicolons
     */
    public boolean fitForClean(String place) {
        for (String one : place.split(";")) {
            String k = key(one.replaceFirst("^.* in(to)? (the )?", ""));
            Vessel v = vessels.get(k);
            if (Words.onTheGround(one)
                    || v != null && (v.full() || v.soiled())
                    || dirtyPart(Words.meant(one))) {
                return false;
            }
        }
        return true;
    }

    /** Whether it is a part or a surface of this machine that is not clean now. */
    private boolean dirtyPart(String meant) {
        for (int s = 0; s < facts.length; s++) {
            boolean named =
                    meant.equals(Words.meant(sheet.surface(s).name()))
                            || meant.equals(Words.meant(sheet.part(sheet.ownerOf(s)).name()));
            if (named && !facts[s].clean()) {
                return true;
            }
        }
        return false;
    }

    /** The vessel of this name, or null where no step has used it yet. */
    public @Nullable Vessel vessel(@Nullable String name) {
        return name == null ? null : vessels.get(key(name));
    }

    /** Minutes since the round began, by plan, with the waits that its dwells need. */
    public double minutes() {
        return minutes;
    }

    /** Minutes until a film that was left on this surface is touch-dry; 0 where there is none. */
    public double filmWet(int surface) {
        return Math.max(0, filmDry[surface] - minutes);
    }

    /** Surfaces on which a film is not dry yet. */
    public List<Integer> wetFilms() {
        List<Integer> wet = new java.util.ArrayList<>();
        for (int s = 0; s < filmDry.length; s++) {
            if (filmWet(s) > 0) {
                wet.add(s);
            }
        }
        return wet;
    }

    /** How many positions the machine was brought to since a part was last taken off. */
    public int visited(int part) {
        return visited[part];
    }

    /** Place of the step that put a part back last, or {@link Facts#NEVER}. */
    public int installedAt(int part) {
        return installedAt[part];
    }

    /** Place of the step that ran this energy during the clean, or {@link Facts#NEVER}. */
    public int ranAt(int energy) {
        return ranAt[energy];
    }

    /** Litres of product thrown away through a passage since it was filled. */
    public double chased(int passage) {
        return chased[passage];
    }

    /**
     * Litres of sanitizer that product has to push out of a passage: what draining leaves, or all
     * that it holds where it was not drained or nobody has measured what stays.
     */
    public double toChase(int passage) {
        Passage p = sheet.passage(passage);
        return drained[passage] && p.leaves() != null ? p.leaves().litres() : p.volume().litres();
    }

    /** Whether sanitizer still stands in a passage or was never chased out of it. */
    public boolean filled(int passage) {
        return filled[passage];
    }

    /** The temperature that a heat was measured or waited down to, or null. */
    public @Nullable Temperature cooledTo(int energy) {
        return cooledTo[energy];
    }

    /** How many of a cleaning fitting are on. */
    public int fitted(String fitting) {
        return fitted.getOrDefault(fitting, 0);
    }

    public Facts facts(int surface) {
        return facts[surface];
    }

    /** How many of a part are off. */
    public int off(int part) {
        return off[part];
    }

    /** Whether at least one of a part is still on the machine. */
    public boolean mounted(int part) {
        return off[part] < sheet.part(part).count();
    }

    /**
     * Whether a part can lie in a sink: all of it is off, or it sits on a part that is off and goes
     * along with it, as a ring does on its piston.
     */
    public boolean loose(int part) {
        return off[part] == sheet.part(part).count()
                || sheet.part(part).covers().stream()
                        .map(sheet::surfaceNamed)
                        .anyMatch(s -> s >= 0 && !mounted(sheet.ownerOf(s)));
    }

    public boolean aside(int part) {
        return aside[part];
    }

    /** Whether a part stands in the way: mounted and not moved aside. */
    public boolean inTheWay(int part) {
        return mounted(part) && !aside[part];
    }

    /** The first part that covers a surface now, or -1. */
    public int coverOf(int surface) {
        for (int part : sheet.coversOf(surface)) {
            if (inTheWay(part)) {
                return part;
            }
        }
        return -1;
    }

    /** The path an energy has to go with this crew. */
    public List<EnergyStage> path(int energy) {
        return sheet.energy(energy).kind().path(crew);
    }

    public EnergyStage stage(int energy) {
        return path(energy).get(stage[energy]);
    }

    /** Whether an energy has reached the end of its path. */
    public boolean harmless(int energy) {
        return stage[energy] == path(energy).size() - 1;
    }

    /** Place of the next stage on the path, or -1 at its end. */
    public int stageNumber(int energy) {
        return stage[energy];
    }

    /**
     * Whether the work rested for hours and nobody has looked since whether this energy is still
     * cut off: neither at it nor at what it feeds or is fed by.
     */
    public boolean unseenSinceRest(int energy) {
        return restedFrom != Facts.NEVER && seenAt[energy] < restedFrom;
    }

    /** Whether nothing can come from it now: it is further than stopped. */
    public boolean cutOff(int energy) {
        return stage(energy).compareTo(EnergyStage.STOPPED) > 0;
    }

    /** Whether someone's lock is on it. */
    public boolean locked(int energy) {
        return locked[energy];
    }

    public boolean glovesSoiled() {
        return glovesSoiledAt != Facts.NEVER;
    }

    /** Place of the step at which the gloves met soil. */
    public int glovesSoiledAt() {
        return glovesSoiledAt;
    }

    public boolean toolsOut() {
        return toolsOut;
    }

    public boolean peopleClear() {
        return peopleClear;
    }

    public boolean guardsOn() {
        return guardsOn;
    }

    public int crew() {
        return crew;
    }

    /** Whether this stage may be reached from where the energy stands now. */
    public boolean inOrder(int energy, EnergyStage target) {
        int k = path(energy).indexOf(target);
        return k < 0 || (stage[energy] >= k - 1 && fedStill(energy, target) < 0);
    }

    /**
     * What would charge an energy again while it is let off, cooled or proved: its source that is
     * not stopped yet, or for the proof not cut off yet; -1 for none.
     */
    public int fedStill(int energy, EnergyStage target) {
        String source = sheet.energy(energy).fedBy();
        int from = source == null ? heatedBy(energy) : sheet.energyNamed(source);
        if (from < 0) {
            return -1;
        }
        int least =
                switch (target) {
                    case RELIEVED, COOLED -> path(from).indexOf(EnergyStage.STOPPED);
                    case PROVED -> path(from).indexOf(isolated(sheet.energy(from).kind()));
                    default -> 0;
                };
        return stage[from] < least ? from : -1;
    }

    /**
     * What may heat it still: where the sheet does not say what does, whatever of the machine is
     * not stopped yet. Nothing cools that somebody has not switched off; -1 for none.
     */
    private int heatedBy(int heat) {
        for (int e = 0; e < stage.length && sheet.energy(heat).kind() == EnergyKind.HEAT; e++) {
            Energy source = sheet.energy(e);
            if (source.kind().drives() && !source.keepLive() && stage[e] == 0) {
                return e;
            }
        }
        return -1;
    }

    /**
     * Moves an energy on. Out of order only cutting it off has an effect, for that much is physics;
     * a lock on an open switch locks nothing, and a try with pressure behind it proves nothing.
     */
    void advance(int energy, EnergyStage target) {
        int k = path(energy).indexOf(target);
        boolean cutsOff = target == EnergyStage.UNPLUGGED || target == EnergyStage.ISOLATED;
        if (k >= 0 && (inOrder(energy, target) || cutsOff)) {
            stage[energy] = Math.max(stage[energy], k);
            locked[energy] |= target == EnergyStage.LOCKED;
            ranAt[energy] = Facts.NEVER;
        }
    }

    /** Live again, with everything that it charges. */
    void revive(int energy) {
        stage[energy] = 0;
        for (int e = 0; e < stage.length; e++) {
            String source = sheet.energy(e).fedBy();
            if (source != null && sheet.energyNamed(source) == energy) {
                stage[e] = 0;
            }
        }
    }

    void unlock(int energy) {
        locked[energy] = false;
        int at = path(energy).indexOf(EnergyStage.LOCKED);
        if (at > 0 && stage[energy] >= at) {
            stage[energy] = at - 1;
        }
    }

    /** The stage that a step's action leads this kind of energy to, or null. */
    static @Nullable EnergyStage isolated(EnergyKind kind) {
        return switch (kind) {
            case CORD -> EnergyStage.UNPLUGGED;
            case SUPPLIED -> EnergyStage.ISOLATED;
            case STORED, HEAT -> null;
        };
    }

    Part part(int p) {
        return sheet.part(p);
    }
}
