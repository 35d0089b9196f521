package orthopur.runthrough;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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
    private final List<Surface> surfaces = new ArrayList<>();
    private final List<Integer> owners = new ArrayList<>();
    private final Map<String, Integer> parts = new HashMap<>();
    private final Map<String, Integer> surfaceIds = new HashMap<>();
    private final Map<String, Integer> energies = new HashMap<>();
    private final List<List<Integer>> surfacesOf = new ArrayList<>();
    private final List<List<Integer>> coversOf = new ArrayList<>();
    private final List<List<Integer>> zones = new ArrayList<>();
    private final List<BitSet> reach = new ArrayList<>();
    private final List<Integer> aboves = new ArrayList<>();
    private final List<Integer> hanging = new ArrayList<>();
    private final List<List<Integer>> onBefore = new ArrayList<>();
    private final Map<String, Integer> passages = new HashMap<>();
    private final List<List<Integer>> wetted = new ArrayList<>();

    public SheetIndex(MachineSheet sheet) {
        this.sheet = sheet;
        for (int p = 0; p < sheet.parts().size(); p++) {
            Part part = sheet.parts().get(p);
            parts.put(part.id(), p);
            List<Integer> own = new ArrayList<>();
            for (Surface s : part.surfaces()) {
                surfaceIds.put(s.id(), surfaces.size());
                own.add(surfaces.size());
                surfaces.add(s);
                owners.add(p);
                coversOf.add(new ArrayList<>());
            }
            surfacesOf.add(own);
        }
        for (int p = 0; p < sheet.parts().size(); p++) {
            for (String covered : sheet.parts().get(p).covers()) {
                Integer s = surfaceIds.get(covered);
                if (s != null) {
                    coversOf.get(s).add(p);
                }
            }
        }
        for (Passage passage : sheet.passages()) {
            passages.put(passage.id(), wetted.size());
            wetted.add(
                    passage.surfaces().stream()
                            .map(surfaceIds::get)
                            .filter(s -> s != null)
                            .toList());
        }
        for (Energy e : sheet.energies()) {
            energies.put(e.id(), zones.size());
            List<Integer> zone = e.zone().stream().map(parts::get).filter(p -> p != null).toList();
            zones.add(zone);
            BitSet in = new BitSet();
            zone.forEach(in::set);
            reach.add(in);
        }
        for (int s = 0; s < surfaces.size(); s++) {
            String above = surfaces.get(s).above();
            Integer a = above == null ? null : surfaceIds.get(above);
            aboves.add(a == null ? -1 : a);
            if (a != null) {
                hanging.add(s);
            }
        }
        for (int p = 0; p < sheet.parts().size(); p++) {
            onBefore.add(new ArrayList<>());
        }
        for (int p = 0; p < sheet.parts().size(); p++) {
            Part part = sheet.parts().get(p);
            // What is behind goes on before what is in front of it, unless the sheet turns it
            // round.
            for (String front : part.behind()) {
                Integer f = parts.get(front);
                if (f != null && !part.fitting().after().contains(front)) {
                    onBefore.get(f).add(p);
                }
            }
            for (String first : part.fitting().after()) {
                Integer f = parts.get(first);
                if (f != null) {
                    onBefore.get(p).add(f);
                }
            }
        }
    }

    public MachineSheet sheet() {
        return sheet;
    }

    public int partCount() {
        return surfacesOf.size();
    }

    public int surfaceCount() {
        return surfaces.size();
    }

    public int energyCount() {
        return zones.size();
    }

    public Part part(int p) {
        return sheet.parts().get(p);
    }

    public Surface surface(int s) {
        return surfaces.get(s);
    }

    public Energy energy(int e) {
        return sheet.energies().get(e);
    }

    /** The part that owns a surface. */
    public int ownerOf(int surface) {
        return owners.get(surface);
    }

    public List<Integer> surfacesOf(int part) {
        return surfacesOf.get(part);
    }

    /** Parts that cover a surface while they are mounted and not moved aside. */
    public List<Integer> coversOf(int surface) {
        return coversOf.get(surface);
    }

    /** Parts within reach of an energy. */
    public List<Integer> zoneOf(int energy) {
        return zones.get(energy);
    }

    /** Whether a part is within reach of an energy. */
    public boolean inReach(int energy, int part) {
        return reach.get(energy).get(part);
    }

    /** The surface that drips onto this one, or -1. */
    public int above(int surface) {
        return aboves.get(surface);
    }

    /** Surfaces that something drips onto. */
    public List<Integer> hanging() {
        return hanging;
    }

    /** Parts that have to be on before this one goes on. */
    public List<Integer> onBefore(int part) {
        return onBefore.get(part);
    }

    /** Place of a part, or -1. */
    public int partNamed(String id) {
        return parts.getOrDefault(id, -1);
    }

    /** Place of a surface, or -1. */
    public int surfaceNamed(String id) {
        return surfaceIds.getOrDefault(id, -1);
    }

    /** Place of an energy, or -1. */
    public int energyNamed(String id) {
        return energies.getOrDefault(id, -1);
    }

    /** Place of a passage, or -1. */
    public int passageNamed(String id) {
        return passages.getOrDefault(id, -1);
    }

    public int passageCount() {
        return wetted.size();
    }

    public Passage passage(int passage) {
        return sheet.passages().get(passage);
    }

    /** What the liquid in a passage wets. */
    public List<Integer> wettedIn(int passage) {
        return wetted.get(passage);
    }

    /**
     * The surfaces that a name means: of a passage, of a part, or itself; none for another name.
     */
    public List<Integer> surfacesMeant(String item) {
        int passage = passageNamed(item);
        int part = partNamed(item);
        int surface = surfaceNamed(item);
        return passage >= 0
                ? wettedIn(passage)
                : part >= 0 ? surfacesOf(part) : surface >= 0 ? List.of(surface) : List.of();
    }

    /** Whether an action names a part, or something of it. */
    public boolean meant(Action action, int part) {
        return action.items().stream()
                .anyMatch(
                        i ->
                                partNamed(i) == part
                                        || surfacesMeant(i).stream()
                                                .anyMatch(s -> ownerOf(s) == part));
    }

    /**
     * The name of a part, surface, passage or energy as people say it; the id itself where nothing
     * has it.
     */
    public String nameOf(String id) {
        if (parts.containsKey(id)) {
            return part(partNamed(id)).name();
        }
        if (surfaceIds.containsKey(id)) {
            return surface(surfaceNamed(id)).name();
        }
        if (passages.containsKey(id)) {
            return passage(passageNamed(id)).name();
        }
        return energies.containsKey(id) ? energy(energyNamed(id)).name() : id;
    }

    /** Names joined for a sentence: "a, b and c"; from the fifth on only their number. */
    public String names(List<String> ids) {
        List<String> names = ids.stream().map(this::nameOf).map(SheetIndex::spoken).toList();
        if (names.size() > 4) {
            return Text.kept(
                    "kept.names.more",
                    "{0} and {1} more",
                    String.join(", ", names.subList(0, 3)),
                    names.size() - 3);
        }
        if (names.size() < 2) {
            return String.join("", names);
        }
        return String.join(", ", names.subList(0, names.size() - 1))
                + Text.kept("kept.names.and", " and ")
                + names.getLast();
    }

    /** A name as it stands inside a sentence: "Blade, back" becomes "blade, back"; "QK" stays. */
    public static String spoken(String name) {
        boolean word = name.length() > 1 && Character.isLowerCase(name.charAt(1));
        return word ? Character.toLowerCase(name.charAt(0)) + name.substring(1) : name;
    }
}
