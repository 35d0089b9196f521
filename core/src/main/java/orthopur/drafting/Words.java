package orthopur.drafting;

import java.util.List;
import orthopur.machine.Energy;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.procedure.Solution;
import orthopur.runthrough.SheetIndex;

/** The sentences of a draft: one act each, the thing by its name, the figure beside it. */
final class Words {
    private Words() {}

    /** "the carriage, the pusher and the catch tray" */
    static String the(List<String> names) {
        List<String> all =
                names.stream().distinct().map(n -> "the " + SheetIndex.spoken(n)).toList();
        return joined(all);
    }

    private static String joined(List<String> all) {
        if (all.size() < 2) {
            return all.isEmpty() ? "" : all.getFirst();
        }
        return String.join(", ", all.subList(0, all.size() - 1)) + " and " + all.getLast();
    }

    static String parts(List<Part> parts) {
        return joined(
                parts.stream()
                        .map(
                                p ->
                                        p.count() == 1
                                                ? "the " + SheetIndex.spoken(p.name())
                                                : "all "
                                                        + p.count()
                                                        + " × "
                                                        + SheetIndex.spoken(p.name()))
                        .toList());
    }

    static String surfaces(List<Surface> surfaces) {
        // More than a handful is read off the picture; the first few name the place.
        List<String> names = surfaces.stream().map(Surface::name).distinct().toList();
        return names.size() <= 5
                ? the(names)
                : the(names.subList(0, 4)) + " and " + (names.size() - 4) + " more";
    }

    static String energies(List<Energy> energies) {
        return the(energies.stream().map(Energy::name).toList());
    }

    /** "Sudmere N at 1 %, 45 °C" */
    static String solution(String product, Solution s) {
        return product
                + (s.strength() == null ? "" : " at " + s.strength().shown())
                + (s.temperature() == null ? "" : ", " + s.temperature().shown());
    }

    static String sentence(String text) {
        String t = text.strip();
        return Character.toUpperCase(t.charAt(0)) + t.substring(1) + (t.endsWith(".") ? "" : ".");
    }
}
