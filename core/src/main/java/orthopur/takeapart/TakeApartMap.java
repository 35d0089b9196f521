package orthopur.takeapart;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Configuration;
import orthopur.machine.Energy;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.text.Text;

/**
 * Parts in the order they come off, and what holds which back.
 *
 * @param steps from the body, which never leaves, to what is in front of all
 * @param edges from the part in front to the part behind it
 */
public record TakeApartMap(List<Node> nodes, List<Edge> edges, List<EnergyNode> energies) {
    public TakeApartMap {
        nodes = List.copyOf(nodes);
        edges = List.copyOf(edges);
        energies = List.copyOf(energies);
    }

    /**
     * A part.
     *
     * @param turn how many turns after the first it can come off, from 0; null where it never does
     * @param place where it goes when it is off; null where it stays or nobody has said. What comes
     *     off in one turn and goes to one place comes off in one go
     * @param contact whether it touches food
     * @param guard whether the machine must not run without it
     * @param aside whether it only moves aside
     * @param sentences what it is and what to mind, for people
     * @param surfaces one sentence each
     */
    public record Node(
            String id,
            String name,
            int count,
            @Nullable Integer turn,
            @Nullable String place,
            boolean contact,
            boolean guard,
            boolean aside,
            boolean harms,
            List<Text> sentences,
            List<Text> surfaces) {}

    /** {@code back} comes off only after {@code front}. */
    public record Edge(String front, String back) {}

    /**
     * An energy with where to lock it out and how it is proved.
     *
     * @param parts that it can move, heat or press on
     */
    public record EnergyNode(String id, String name, List<Text> sentences, List<String> parts) {}

    /** The map of a machine that is fitted so. */
    public static TakeApartMap of(MachineSheet whole, Configuration configuration) {
        MachineSheet sheet = configuration.of(whole);
        Map<String, Integer> turns = turns(sheet.parts());
        SheetSentences say = new SheetSentences(sheet);
        List<Node> nodes = new ArrayList<>();
        List<Edge> edges = new ArrayList<>();
        for (Part p : sheet.parts()) {
            nodes.add(
                    new Node(
                            p.id(),
                            p.name(),
                            p.count(),
                            turns.get(p.id()),
                            p.removable() ? p.destination() : null,
                            p.surfaces().stream().anyMatch(s -> s.zone() == 1),
                            p.guard(),
                            p.shifts() && !p.removable(),
                            !p.hazards().isEmpty(),
                            say.part(p),
                            p.surfaces().stream().map(say::surface).toList()));
            p.behind().forEach(f -> edges.add(new Edge(f, p.id())));
        }
        List<EnergyNode> energies =
                sheet.energies().stream()
                        .map(
                                (Energy e) ->
                                        new EnergyNode(e.id(), e.name(), say.energy(e), e.zone()))
                        .toList();
        return new TakeApartMap(nodes, edges, energies);
    }

    /** What is in front of nothing comes off in turn 0, what stands behind that in turn 1. */
    private static Map<String, Integer> turns(List<Part> parts) {
        Map<String, Integer> turns = new HashMap<>();
        Set<String> off = new HashSet<>();
        List<Part> left =
                new ArrayList<>(parts.stream().filter(p -> p.removable() || p.shifts()).toList());
        for (int turn = 0; !left.isEmpty(); turn++) {
            Set<String> now = new HashSet<>();
            for (Part p : left) {
                if (off.containsAll(p.behind())) {
                    now.add(p.id());
                    turns.put(p.id(), turn);
                }
            }
            if (now.isEmpty()) {
                // Parts that are each behind the other have no turn; the sheet check tells of them.
                return turns;
            }
            off.addAll(now);
            left.removeIf(p -> now.contains(p.id()));
        }
        return turns;
    }
}
