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
        facts = new Facts[sheet.allSurfaces().size()];
        java.util.Arrays.fill(facts, Facts.afterUse());
        off = new int[sheet.allParts().size()];
        aside = new boolean[sheet.allParts().size()];
        stage = new int[sheet.allEnergies().size()];
        locked = new boolean[sheet.allEnergies().size()];
        visited = new int[sheet.allParts().size()];
        installedAt = new int[sheet.allParts().size()];
        java.util.Arrays.fill(installedAt, Facts.NEVER);
        ranAt = new int[sheet.allEnergies().size()];
        java.util.Arrays.fill(ranAt, Facts.NEVER);
        seenAt = new int[sheet.allEnergies().size()];
        java.util.Arrays.fill(seenAt, Facts.NEVER);
        filled = new boolean[sheet.allPassages().size()];
        drained = new boolean[sheet.allPassages().size()];
        chased = new double[sheet.allPassages().size()];
        cooledTo = new Temperature[sheet.allEnergies().size()];
        filmDry = new double[sheet.allSurfaces().size()];
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
        for (SurfaceAt s : sheet.allSurfaces()) {
            boolean named =
                    meant.equals(Words.meant(sheet.surface(s).name()))
                            || meant.equals(Words.meant(sheet.part(sheet.ownerOf(s)).name()));
            if (named && !facts[s.at()].clean()) {
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
    public double filmWet(SurfaceAt surface) {
        return Math.max(0, filmDry[surface.at()] - minutes);
    }

    /** Surfaces on which a film is not dry yet. */
    public List<SurfaceAt> wetFilms() {
        return sheet.allSurfaces().stream().filter(s -> filmWet(s) > 0).toList();
    }

    /** How many positions the machine was brought to since a part was last taken off. */
    public int visited(PartAt part) {
        return visited[part.at()];
    }

    /** Place of the step that put a part back last, or {@link Facts#NEVER}. */
    public int installedAt(PartAt part) {
        return installedAt[part.at()];
    }

    /** Place of the step that ran this energy during the clean, or {@link Facts#NEVER}. */
    public int ranAt(EnergyAt energy) {
        return ranAt[energy.at()];
    }

    /** Litres of product thrown away through a passage since it was filled. */
    public double chased(PassageAt passage) {
        return chased[passage.at()];
    }

    /**
     * Litres of sanitizer that product has to push out of a passage: what draining leaves, or all
     * that it holds where it was not drained or nobody has measured what stays.
     */
    public double toChase(PassageAt passage) {
        Passage p = sheet.passage(passage);
        return drained[passage.at()] && p.leaves() != null
                ? p.leaves().litres()
                : p.volume().litres();
    }

    /** Whether sanitizer still stands in a passage or was never chased out of it. */
    public boolean filled(PassageAt passage) {
        return filled[passage.at()];
    }

    /** The temperature that a heat was measured or waited down to, or null. */
    public @Nullable Temperature cooledTo(EnergyAt energy) {
        return cooledTo[energy.at()];
    }

    /** How many of a cleaning fitting are on. */
    public int fitted(String fitting) {
        return fitted.getOrDefault(fitting, 0);
    }

    public Facts facts(SurfaceAt surface) {
        return facts[surface.at()];
    }

    /** How many of a part are off. */
    public int off(PartAt part) {
        return off[part.at()];
    }

    /** Whether at least one of a part is still on the machine. */
    public boolean mounted(PartAt part) {
        return off[part.at()] < sheet.part(part).count();
    }

    /**
     * Whether a part can lie in a sink: all of it is off, or it sits on a part that is off and goes
     * along with it, as a ring does on its piston.
     */
    public boolean loose(PartAt part) {
        return off[part.at()] == sheet.part(part).count()
                || sheet.coveredBy(part).stream().anyMatch(s -> !mounted(sheet.ownerOf(s)));
    }

    public boolean aside(PartAt part) {
        return aside[part.at()];
    }

    /** Whether a part stands in the way: mounted and not moved aside. */
    public boolean inTheWay(PartAt part) {
        return mounted(part) && !aside[part.at()];
    }

    /** The first part that covers a surface now, or null. */
    public @Nullable PartAt coverOf(SurfaceAt surface) {
        for (PartAt part : sheet.coversOf(surface)) {
            if (inTheWay(part)) {
                return part;
            }
        }
        return null;
    }

    /** The path an energy has to go with this crew. */
    public List<EnergyStage> path(EnergyAt energy) {
        return sheet.energy(energy).kind().path(crew);
    }

    public EnergyStage stage(EnergyAt energy) {
        return path(energy).get(stage[energy.at()]);
    }

    /** Whether an energy has reached the end of its path. */
    public boolean harmless(EnergyAt energy) {
        return stage[energy.at()] == path(energy).size() - 1;
    }

    /** Place of the next stage on the path, or -1 at its end. */
    public int stageNumber(EnergyAt energy) {
        return stage[energy.at()];
    }

    /**
     * Whether the work rested for hours and nobody has looked since whether this energy is still
     * cut off: neither at it nor at what it feeds or is fed by.
     */
    public boolean unseenSinceRest(EnergyAt energy) {
        return restedFrom != Facts.NEVER && seenAt[energy.at()] < restedFrom;
    }

    /** Whether nothing can come from it now: it is further than stopped. */
    public boolean cutOff(EnergyAt energy) {
        return stage(energy).compareTo(EnergyStage.STOPPED) > 0;
    }

    /** Whether someone's lock is on it. */
    public boolean locked(EnergyAt energy) {
        return locked[energy.at()];
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
    public boolean inOrder(EnergyAt energy, EnergyStage target) {
        int k = path(energy).indexOf(target);
        return k < 0 || (stage[energy.at()] >= k - 1 && fedStill(energy, target) == null);
    }

    /**
     * What would charge an energy again while it is let off, cooled or proved: its source that is
     * not stopped yet, or for the proof not cut off yet; null for none.
     */
    public @Nullable EnergyAt fedStill(EnergyAt energy, EnergyStage target) {
        String source = sheet.energy(energy).fedBy();
        EnergyAt from = source == null ? heatedBy(energy) : sheet.energyNamed(source);
        if (from == null) {
            return null;
        }
        int least =
                switch (target) {
                    case RELIEVED, COOLED -> path(from).indexOf(EnergyStage.STOPPED);
                    case PROVED -> path(from).indexOf(isolated(sheet.energy(from).kind()));
                    default -> 0;
                };
        return stage[from.at()] < least ? from : null;
    }

    /**
     * What may heat it still: where the sheet does not say what does, whatever of the machine is
     * not stopped yet. Nothing cools that somebody has not switched off; null for none.
     */
    private @Nullable EnergyAt heatedBy(EnergyAt heat) {
        if (sheet.energy(heat).kind() != EnergyKind.HEAT) {
            return null;
        }
        for (EnergyAt e : sheet.allEnergies()) {
            Energy source = sheet.energy(e);
            if (source.kind().drives() && !source.keepLive() && stage[e.at()] == 0) {
                return e;
            }
        }
        return null;
    }

    /**
     * Moves an energy on. Out of order only cutting it off has an effect, for that much is physics;
     * a lock on an open switch locks nothing, and a try with pressure behind it proves nothing.
     */
    void advance(EnergyAt energy, EnergyStage target) {
        int k = path(energy).indexOf(target);
        boolean cutsOff = target == EnergyStage.UNPLUGGED || target == EnergyStage.ISOLATED;
        if (k >= 0 && (inOrder(energy, target) || cutsOff)) {
            stage[energy.at()] = Math.max(stage[energy.at()], k);
            locked[energy.at()] |= target == EnergyStage.LOCKED;
            ranAt[energy.at()] = Facts.NEVER;
        }
    }

    /** Live again, with everything that it charges. */
    void revive(EnergyAt energy) {
        stage[energy.at()] = 0;
        for (EnergyAt e : sheet.allEnergies()) {
            if (energy.equals(sheet.energyNamed(sheet.energy(e).fedBy()))) {
                stage[e.at()] = 0;
            }
        }
    }

    void unlock(EnergyAt energy) {
        locked[energy.at()] = false;
        int at = path(energy).indexOf(EnergyStage.LOCKED);
        if (at > 0 && stage[energy.at()] >= at) {
            stage[energy.at()] = at - 1;
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

    Part part(PartAt p) {
        return sheet.part(p);
    }
}
