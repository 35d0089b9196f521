package orthopur.runthrough;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Energy;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.machine.Passage;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.text.Text;

/** A sheet with its names resolved to places, so that a run needs no look-ups by text. */
public final class SheetIndex {
    private final MachineSheet sheet;
    private final List<PartAt> parts = new ArrayList<>();
    private final List<SurfaceAt> surfaces = new ArrayList<>();
    private final List<EnergyAt> energies = new ArrayList<>();
    private final List<PassageAt> passages = new ArrayList<>();
    private final Map<String, PartAt> partIds = new HashMap<>();
    private final Map<String, SurfaceAt> surfaceIds = new HashMap<>();
    private final Map<String, EnergyAt> energyIds = new HashMap<>();
    private final Map<String, PassageAt> passageIds = new HashMap<>();
    private final List<Surface> surface = new ArrayList<>();
    private final List<PartAt> owners = new ArrayList<>();
    private final List<List<SurfaceAt>> surfacesOf = new ArrayList<>();
    private final List<List<PartAt>> coversOf = new ArrayList<>();
    private final List<List<SurfaceAt>> coveredBy = new ArrayList<>();
    private final List<List<PartAt>> zones = new ArrayList<>();
    private final List<BitSet> reach = new ArrayList<>();
    private final List<@Nullable SurfaceAt> aboves = new ArrayList<>();
    private final List<SurfaceAt> hanging = new ArrayList<>();
    private final List<List<PartAt>> onBefore = new ArrayList<>();
    private final List<List<SurfaceAt>> wetted = new ArrayList<>();

    public SheetIndex(MachineSheet sheet) {
        this.sheet = sheet;
        for (Part part : sheet.parts()) {
            PartAt p = new PartAt(parts.size());
            parts.add(p);
            partIds.put(part.id(), p);
            onBefore.add(new ArrayList<>());
            List<SurfaceAt> own = new ArrayList<>();
            for (Surface its : part.surfaces()) {
                SurfaceAt s = new SurfaceAt(surfaces.size());
                surfaces.add(s);
                surfaceIds.put(its.id(), s);
                surface.add(its);
                owners.add(p);
                coversOf.add(new ArrayList<>());
                own.add(s);
            }
            surfacesOf.add(own);
        }
        for (PartAt p : parts) {
            List<SurfaceAt> under =
                    part(p).covers().stream().map(surfaceIds::get).filter(s -> s != null).toList();
            coveredBy.add(under);
            under.forEach(s -> coversOf.get(s.at()).add(p));
        }
        for (Passage passage : sheet.passages()) {
            PassageAt p = new PassageAt(passages.size());
            passages.add(p);
            passageIds.put(passage.id(), p);
            wetted.add(
                    passage.surfaces().stream()
                            .map(surfaceIds::get)
                            .filter(s -> s != null)
                            .toList());
        }
        for (Energy energy : sheet.energies()) {
            EnergyAt e = new EnergyAt(energies.size());
            energies.add(e);
            energyIds.put(energy.id(), e);
            List<PartAt> zone =
                    energy.zone().stream().map(partIds::get).filter(p -> p != null).toList();
            zones.add(zone);
            BitSet in = new BitSet();
            zone.forEach(p -> in.set(p.at()));
            reach.add(in);
        }
        for (SurfaceAt s : surfaces) {
            String id = surface(s).above();
            SurfaceAt above = id == null ? null : surfaceIds.get(id);
            aboves.add(above);
            if (above != null) {
                hanging.add(s);
            }
        }
        for (PartAt p : parts) {
            Part part = part(p);
            // What is behind goes on before what is in front of it, unless the sheet turns it
            // round.
            for (String front : part.behind()) {
                PartAt f = partIds.get(front);
                if (f != null && !part.fitting().after().contains(front)) {
                    onBefore.get(f.at()).add(p);
                }
            }
            for (String first : part.fitting().after()) {
                PartAt f = partIds.get(first);
                if (f != null) {
                    onBefore.get(p.at()).add(f);
                }
            }
        }
    }

    public MachineSheet sheet() {
        return sheet;
    }

    /** All parts, in the order of the sheet. */
    public List<PartAt> allParts() {
        return parts;
    }

    /** All surfaces, part by part in the order of the sheet. */
    public List<SurfaceAt> allSurfaces() {
        return surfaces;
    }

    /** All energies, in the order of the sheet. */
    public List<EnergyAt> allEnergies() {
        return energies;
    }

    /** All passages, in the order of the sheet. */
    public List<PassageAt> allPassages() {
        return passages;
    }

    public Part part(PartAt p) {
        return sheet.parts().get(p.at());
    }

    public Surface surface(SurfaceAt s) {
        return surface.get(s.at());
    }

    public Energy energy(EnergyAt e) {
        return sheet.energies().get(e.at());
    }

    public Passage passage(PassageAt p) {
        return sheet.passages().get(p.at());
    }

    /** The part that owns a surface. */
    public PartAt ownerOf(SurfaceAt surface) {
        return owners.get(surface.at());
    }

    public List<SurfaceAt> surfacesOf(PartAt part) {
        return surfacesOf.get(part.at());
    }

    /** Parts that cover a surface while they are mounted and not moved aside. */
    public List<PartAt> coversOf(SurfaceAt surface) {
        return coversOf.get(surface.at());
    }

    /** What a part covers while it is mounted and not moved aside. */
    public List<SurfaceAt> coveredBy(PartAt part) {
        return coveredBy.get(part.at());
    }

    /** Parts within reach of an energy. */
    public List<PartAt> zoneOf(EnergyAt energy) {
        return zones.get(energy.at());
    }

    /** Whether a part is within reach of an energy. */
    public boolean inReach(EnergyAt energy, PartAt part) {
        return reach.get(energy.at()).get(part.at());
    }

    /** The surface that drips onto this one, or null. */
    public @Nullable SurfaceAt above(SurfaceAt surface) {
        return aboves.get(surface.at());
    }

    /** Surfaces that something drips onto. */
    public List<SurfaceAt> hanging() {
        return hanging;
    }

    /** Parts that have to be on before this one goes on. */
    public List<PartAt> onBefore(PartAt part) {
        return onBefore.get(part.at());
    }

    /** The part of this id, or null. */
    public @Nullable PartAt partNamed(@Nullable String id) {
        return partIds.get(id);
    }

    /** The surface of this id, or null. */
    public @Nullable SurfaceAt surfaceNamed(@Nullable String id) {
        return surfaceIds.get(id);
    }

    /** The energy of this id, or null. */
    public @Nullable EnergyAt energyNamed(@Nullable String id) {
        return energyIds.get(id);
    }

    /** The passage of this id, or null. */
    public @Nullable PassageAt passageNamed(@Nullable String id) {
        return passageIds.get(id);
    }

    /** What the liquid in a passage wets. */
    public List<SurfaceAt> wettedIn(PassageAt passage) {
        return wetted.get(passage.at());
    }

    /**
     * The surfaces that a name means: of a passage, of a part, or itself; none for another name.
     */
    public List<SurfaceAt> surfacesMeant(String item) {
        PassageAt passage = passageNamed(item);
        if (passage != null) {
            return wettedIn(passage);
        }
        PartAt part = partNamed(item);
        if (part != null) {
            return surfacesOf(part);
        }
        SurfaceAt surface = surfaceNamed(item);
        return surface == null ? List.of() : List.of(surface);
    }

    /** The part that is named, itself or by its surface; null where nothing of a part is. */
    public @Nullable PartAt partMeant(String item) {
        PartAt part = partNamed(item);
        SurfaceAt surface = surfaceNamed(item);
        return part == null && surface != null ? ownerOf(surface) : part;
    }

    /** Whether an action names a part, or something of it. */
    public boolean meant(Action action, PartAt part) {
        return action.items().stream()
                .anyMatch(
                        i ->
                                part.equals(partNamed(i))
                                        || surfacesMeant(i).stream()
                                                .anyMatch(s -> ownerOf(s).equals(part)));
    }

    /**
     * The name of a part, surface, passage or energy as people say it; the id itself where nothing
     * has it.
     */
    public String nameOf(String id) {
        PartAt part = partNamed(id);
        SurfaceAt surface = surfaceNamed(id);
        PassageAt passage = passageNamed(id);
        EnergyAt energy = energyNamed(id);
        return part != null
                ? part(part).name()
                : surface != null
                        ? surface(surface).name()
                        : passage != null
                                ? passage(passage).name()
                                : energy != null ? energy(energy).name() : id;
    }

    /** Names joined for a sentence: "a, b and c"; from the fifth on only their number. */
    public Text names(List<String> ids) {
        List<String> names = ids.stream().map(this::nameOf).map(SheetIndex::spoken).toList();
        return switch (names.size()) {
            case 0 -> Text.plain("");
            case 1 -> Text.plain(names.getFirst());
            case 2, 3, 4 -> Text.of("names.all", "{0}", names);
            default ->
                    Text.of(
                            "names.more",
                            "{0}, {1}, {2} and {3} more",
                            names.get(0),
                            names.get(1),
                            names.get(2),
                            names.size() - 3);
        };
    }

    /** A name as it stands inside a sentence: "Blade, back" becomes "blade, back"; "QK" stays. */
    public static String spoken(String name) {
        boolean word = name.length() > 1 && Character.isLowerCase(name.charAt(1));
        return word ? Character.toLowerCase(name.charAt(0)) + name.substring(1) : name;
    }
}
